"""What is wrong with a database, in a maker's words."""

import sqlite3
from pathlib import Path

from sqlalchemy.exc import DBAPIError

from dunestead.core.errors import StoreFault

__all__ = ["fault_of", "gone", "newer"]

# By the first word of SQLite's names of its errors: code, what is wrong, what to do.
_FAULTS = {
    "FULL": (
        "disk-full",
        "The disk is full: nothing could be saved.",
        "Make room on it, then try again. What was saved before is safe.",
    ),
    "READONLY": (
        "read-only",
        "The workshop's database may only be read: nothing could be saved.",
        "Allow writing to its file and its folder, then try again.",
    ),
    "BUSY": (
        "locked",
        "Another program keeps the workshop's database to itself: nothing was saved.",
        "Close whatever else works with that file, then try again.",
    ),
    "NOTADB": (
        "not-a-database",
        "The file is not a workshop's database.",
        "Give another folder with --data. Nothing was changed in this one.",
    ),
    "CORRUPT": (
        "damaged-database",
        "The workshop's database is damaged.",
        "Keep its file, and restore a backup: dunestead restore FILE.",
    ),
    "CANTOPEN": (
        "no-database",
        "The workshop's database cannot be opened.",
        "Check that its folder is there and that you may write to it.",
    ),
    "IOERR": (
        "disk-fault",
        "The disk cannot be read or written.",
        "Check the disk and its cable, then start Dunestead again. Copy the data folder first.",
    ),
}
_FAULTS["LOCKED"] = _FAULTS["BUSY"]
_OTHER = (
    "database",
    "The workshop's database cannot be used.",
    "Run `dunestead doctor`: it says what is wrong and what to do.",
)


def fault_of(error: DBAPIError) -> StoreFault:
    """Return what an error of the driver means.

    Notes
    -----
    Told by SQLite's own names of its errors (https://www.sqlite.org/rescode.html), never by their English texts.
    """
    name = getattr(error.orig, "sqlite_errorname", "") if isinstance(error.orig, sqlite3.Error) else ""
    code, what, fix = _FAULTS.get(name.removeprefix("SQLITE_").partition("_")[0], _OTHER)
    return StoreFault(what, fix, code=code)


def gone(path: Path) -> StoreFault:
    """Return what to say of a database whose file is not where it was opened any more."""
    return StoreFault(
        f"The workshop's database was moved or removed while Dunestead ran: {path.name} is not where it was.",
        "Put it back, then start Dunestead again. Nothing was saved since.",
        code="moved-away",
    )


def newer(version: str) -> StoreFault:
    """Return what to say of a database that a later release has written."""
    return StoreFault(
        f"This workshop was last opened with a newer Dunestead (its tables are of version {version}).",
        "Start that one, or restore a backup made before: dunestead restore FILE. Nothing was changed.",
        code="newer-database",
    )
