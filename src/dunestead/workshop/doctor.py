"""Is all well with a workshop's data, and what would mend what is not?"""

import os
import shutil
import sqlite3
from collections.abc import Iterator
from contextlib import closing
from dataclasses import dataclass
from datetime import datetime, timedelta
from pathlib import Path

from dunestead.catalogue import load_catalogue
from dunestead.catalogue.face_files import open_face
from dunestead.core.errors import DunesteadError, NotNow
from dunestead.core.units import several
from dunestead.store.alone import kept_alone
from dunestead.store.backups import backups_of
from dunestead.store.database import newest_version, version_of
from dunestead.store.soundness import check_database

__all__ = ["Check", "examine"]

_ROOM_BYTES = 200_000_000
_STALE = timedelta(days=3)


@dataclass(frozen=True, slots=True)
class Check:
    """One thing that was looked at.

    Attributes
    ----------
    code
        Stable name of it.
    is_well
        Whether nothing needs to be done.
    found
        What was found, in a sentence.
    mend
        What would mend it; empty where all is well.
    """

    code: str
    is_well: bool
    found: str
    mend: str = ""


def examine(database: Path, now: datetime) -> Iterator[Check]:
    """Look at a workshop's data, one thing after the other; nothing is changed."""
    folder = database.parent
    if not folder.is_dir():
        yield Check("folder", True, f"There is no folder {folder} yet; it is made at the first start.")
        return
    yield _folder(folder)
    yield _room(folder)
    if database.exists():
        yield from _database(database)
        yield _served(database)
        yield _backups(database, now)
    else:
        yield Check("database", True, f"There is no workshop in {folder} yet; it is made at the first start.")
    yield _faces()


def _folder(folder: Path) -> Check:
    if os.access(folder, os.R_OK | os.W_OK | os.X_OK):
        return Check("folder", True, f"The data folder is {folder}.")
    return Check(
        "folder", False, f"The data folder {folder} may not be written.", "Give your user the right to write it."
    )


def _room(folder: Path) -> Check:
    free = shutil.disk_usage(folder).free
    found = f"{free // 1_000_000:,} MB are free on its disk."
    return Check("room", free >= _ROOM_BYTES, found, "" if free >= _ROOM_BYTES else "Make room, or move the folder.")


def _database(database: Path) -> Iterator[Check]:
    try:
        counts = check_database(database)
    except DunesteadError as error:
        yield Check("database", False, error.what, "Keep the file, and restore a backup: dunestead restore FILE.")
        return
    yield Check(
        "database", True, f"The database is sound: {several(counts['job'], 'job')}, {counts['log']} log entries."
    )
    version, newest = version_of(database), newest_version()
    if version is None or version > newest:
        yield Check(
            "version", False, f"Its tables are of version {version}, newer than this release.", "Update Dunestead."
        )
    else:
        late = "" if version == newest else f"; they are brought to {newest} at the next start, with a backup before"
        yield Check("version", True, f"Its tables are of version {version}{late}.")
    yield _missing_files(database)


def _missing_files(database: Path) -> Check:
    """Look whether every drawing and picture that a job names is there."""
    with closing(sqlite3.connect(f"{database.absolute().as_uri()}?mode=ro", uri=True)) as found:
        missing = found.execute(
            "SELECT count(DISTINCT revision.job_id) FROM revision, json_tree(revision.state) AS entry "
            "WHERE entry.key = 'source' AND entry.type = 'text' "
            "AND entry.value NOT IN (SELECT sha256 FROM artwork)"
        ).fetchone()[0]
    if missing:
        mend = "Restore a backup that has them, or choose the artwork anew in these jobs."
        return Check("files", False, f"{several(missing, 'job')} name files that are not there.", mend)
    return Check("files", True, "Every file that a job names is there.")


def _served(database: Path) -> Check:
    try:
        with kept_alone(database):
            return Check("served", True, "No Dunestead serves it at the moment.")
    except NotNow:
        return Check("served", True, "A Dunestead serves it at the moment.")


def _backups(database: Path, now: datetime) -> Check:
    newest = next(iter(backups_of(database)), None)
    if newest is None:
        return Check("backups", False, "There is no backup.", "Make one: dunestead backup.")
    age = now.replace(tzinfo=None) - newest.made_at
    found = f"The newest backup is of {newest.made_at:%Y-%m-%d %H:%M}."
    return Check("backups", age <= _STALE, found, "" if age <= _STALE else "Make one: dunestead backup.")


def _faces() -> Check:
    broken = []
    for key in load_catalogue().faces:
        try:
            open_face(key)
        except (DunesteadError, OSError):
            broken.append(key)
    if broken:
        return Check(
            "faces", False, f"These letterings cannot be opened: {', '.join(broken)}.", "Install Dunestead anew."
        )
    return Check("faces", True, "Every lettering can be opened.")
