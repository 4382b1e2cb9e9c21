"""Everything a maker changes, kept in SQLite: at once, whole, and undoable."""

from dunestead.store.blanks import BlankStore, StoredBlank
from dunestead.store.database import open_database
from dunestead.store.jobs import Excerpt, JobHead, JobStore, StoredJob, Where
from dunestead.store.records import Records, RecordTable, open_records
from dunestead.store.runs import KeptRun, RunStore

__all__ = [
    "BlankStore",
    "Excerpt",
    "JobHead",
    "JobStore",
    "KeptRun",
    "RecordTable",
    "Records",
    "RunStore",
    "StoredBlank",
    "StoredJob",
    "Where",
    "open_database",
    "open_records",
]
