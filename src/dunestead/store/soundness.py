"""Is a database file sound, and what is in it?"""

import hashlib
import sqlite3
from contextlib import closing
from pathlib import Path

from dunestead.core.errors import StoreFault

__all__ = ["check_database", "digest"]

_COUNTED = ("job", "revision", "log", "artwork", "shelf", "blank", "cut_run")


def check_database(path: Path) -> dict[str, int]:
    """Return how many rows a database has, table by table.

    Raises
    ------
    StoreFault
        When SQLite finds a fault in it, or rows hang on rows that are not there.
    """
    try:
        with closing(sqlite3.connect(f"{path.absolute().as_uri()}?mode=ro", uri=True)) as found:
            sound = found.execute("PRAGMA integrity_check").fetchone() == ("ok",)
            whole = not found.execute("PRAGMA foreign_key_check").fetchall()
            names = {row[0] for row in found.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
            counts = {
                name: int(found.execute(f"SELECT count(*) FROM {name}").fetchone()[0])  # noqa: S608 - our own names
                for name in _COUNTED
                if name in names
            }
    except sqlite3.DatabaseError:
        sound = whole = False
        counts = {}
    if not (sound and whole and "job" in counts):
        raise StoreFault("This is not a sound workshop's database.", "Take another backup.", code="damaged-database")
    return counts


def digest(path: Path) -> str:
    """Return the SHA-256 of a file."""
    with path.open("rb") as file:
        return hashlib.file_digest(file, "sha256").hexdigest()
