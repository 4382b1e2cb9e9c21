"""Everything a maker changes, kept in SQLite: at once, whole, and undoable."""

from dunestead.store.blanks import BlankStore, StoredBlank
from dunestead.store.database import open_database
from dunestead.store.jobs import BoardRow, JobHead, JobStore, StoredJob, Where
from dunestead.store.runs import KeptRun, RunStore
from dunestead.store.shelf import Records, Shelf, open_records

__all__ = [
    "BlankStore",
    "BoardRow",
    "JobHead",
    "JobStore",
    "KeptRun",
    "Records",
    "RunStore",
    "Shelf",
    "StoredBlank",
    "StoredJob",
    "Where",
    "open_database",
    "open_records",
]
