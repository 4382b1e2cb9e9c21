"""Everything a maker changes, kept in SQLite: at once, whole, and undoable."""

from dunestead.store.database import open_database
from dunestead.store.jobs import JobStore, StoredJob

__all__ = ["JobStore", "StoredJob", "open_database"]
