"""Weeding: in which order windows come out, what stays, where it may tear."""
