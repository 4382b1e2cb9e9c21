"""Dunestead: a workshop reckoner for masks, from bare blank to cured print."""

__version__ = "0.1.0"
