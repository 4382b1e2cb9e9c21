"""Tests of the front and its workers."""
