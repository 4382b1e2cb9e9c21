"""A backup is looked into without trust, and put back with what was there kept aside."""

import json
import lzma
import shutil
import sqlite3
import struct
import zipfile
import zlib
from collections.abc import Iterator
from contextlib import closing, contextmanager
from datetime import datetime
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from dunestead.core.errors import BadInput
from dunestead.store.backups import ACCOUNT, DATABASE, FORMAT
from dunestead.store.database import open_database
from dunestead.store.soundness import check_database, digest

__all__ = ["database_in", "restore"]

# Whatever the standard library's readers stumble over in a file that is no backup.
_NO_BACKUP = (
    *(zipfile.BadZipFile, zlib.error, lzma.LZMAError, struct.error),
    *(EOFError, KeyError, OSError, OverflowError, RuntimeError, TypeError, ValueError),
)


def restore(backup: Path, database: Path, now: datetime) -> Path | None:
    """Put a backup in the place of a database that nobody has open.

    Returns
    -------
    :
        Where what was there was put; None when there was nothing.

    Raises
    ------
    BadInput, StoreFault
        As `database_in`; a backup of a later release is refused. Then nothing was changed.
    """
    with database_in(backup) as copy:
        database.parent.mkdir(parents=True, exist_ok=True)
        part = database.with_name(f"{database.name}.part")
        try:
            shutil.copyfile(copy, part)
            aside = _put_aside(database, now)
            part.replace(database)
        finally:
            part.unlink(missing_ok=True)
    return aside


@contextmanager
def database_in(backup: Path) -> Iterator[Path]:
    """Give the database of a backup as a file of its own, for as long as it is looked at.

    Raises
    ------
    BadInput
        When the file is no backup, was changed since, or would unpack to something else than it says.
    StoreFault
        When its database is not sound.
    """
    with TemporaryDirectory(prefix="dunestead-restore-") as folder:
        copy = Path(folder) / DATABASE
        try:
            with zipfile.ZipFile(backup) as archive:
                account = _account(archive)
                _unpack(archive, copy, int(account["bytes"]))
        except _NO_BACKUP as error:
            raise BadInput(
                f"{backup.name} is not a backup of a workshop.", "Give a zip that Dunestead made."
            ) from error
        if digest(copy) != account["sha256"]:
            raise BadInput(f"{backup.name} was changed or damaged since it was made.", "Take another backup.")
        check_database(copy)
        # Of an earlier release: brought up to date here, so that nothing can go wrong where it is put.
        open_database(copy).dispose()
        yield copy


def _account(archive: zipfile.ZipFile) -> dict[str, Any]:
    if archive.getinfo(ACCOUNT).file_size > 100_000:
        raise ValueError(ACCOUNT)
    account = json.loads(archive.read(ACCOUNT))
    if account["dunestead_backup"] != FORMAT:
        raise ValueError(account["dunestead_backup"])
    found: dict[str, Any] = account
    return found


def _unpack(archive: zipfile.ZipFile, copy: Path, size: int) -> None:
    """Write the database out, and no byte more than its account says."""
    left = size
    with archive.open(DATABASE) as packed, copy.open("wb") as file:
        while chunk := packed.read(1 << 20):
            left -= len(chunk)
            if left < 0:
                raise ValueError(size)
            file.write(chunk)


def _put_aside(database: Path, now: datetime) -> Path | None:
    """Move a database out of the way under another name beside it; None where there is none."""
    if not database.exists():
        return None
    with closing(sqlite3.connect(database)) as held:
        # All of it in one file before it is renamed.
        held.execute("PRAGMA wal_checkpoint(TRUNCATE)")
    aside = database.with_name(f"{database.stem}-before-restore-{now:%Y-%m-%dT%H%M%S}.sqlite")
    database.rename(aside)
    for suffix in ("-wal", "-shm"):
        database.with_name(database.name + suffix).unlink(missing_ok=True)
    return aside
