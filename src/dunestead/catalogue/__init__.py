"""The shipped figures and their loader."""

from dunestead.catalogue.loader import load_catalogue

__all__ = ["load_catalogue"]
