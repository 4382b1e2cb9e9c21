"""Copies of a workshop that can be put back: made whole while it is used, checked, and kept for a while."""

import json
import re
import shutil
import sqlite3
import zipfile
from collections.abc import Iterator, Sequence
from contextlib import closing
from dataclasses import dataclass
from datetime import datetime, timedelta
from pathlib import Path
from tempfile import TemporaryDirectory

from dunestead import __version__
from dunestead.core.errors import StoreFault
from dunestead.store.soundness import check_database, digest

__all__ = ["ACCOUNT", "DATABASE", "FORMAT", "Backup", "back_up", "backups_of", "folder_of", "prune"]

FORMAT = 1
DATABASE, ACCOUNT, _README = "workshop.sqlite", "workshop.json", "README.txt"
_STAMP = "%Y-%m-%dT%H%M%S"
_NAME = re.compile(r"workshop-(\d{4}-\d\d-\d\dT\d{6})-([a-z0-9-]+)\.zip")
_KINDS = ((b"<", "svg"), (b"\x89PNG", "png"), (b"\xff\xd8", "jpg"), (b"RIFF", "webp"), (b"0", "dxf"))
KEPT_DAYS = 14
_SPARE_BYTES = 20_000_000
_TEXT = """A backup of a Dunestead workshop, made {at} by release {release}.

workshop.sqlite  the whole workshop: an SQLite database, readable by many programs
workshop.json    what is in it, in numbers, with the database's SHA-256
files/           every drawing, picture and photo on its own

To put it back:  dunestead restore {name}
"""


@dataclass(frozen=True, slots=True)
class Backup:
    """A backup that is kept.

    Attributes
    ----------
    path
        The zip.
    made_at
        When, by the workshop's clock, without a zone.
    why
        ``day``, ``hand``, ``before-restore`` or ``before-0007``, with the version of the tables that were migrated to.
    size
        Bytes.
    """

    path: Path
    made_at: datetime
    why: str
    size: int


def folder_of(database: Path) -> Path:
    """Return where the backups of a database are kept."""
    return database.parent / "backups"


def back_up(database: Path, now: datetime, why: str, target: Path | None = None) -> Backup:
    """Make a backup of a database, which may be in use meanwhile.

    Parameters
    ----------
    database
        The file.
    now, why
        Stand in its name and its account.
    target
        The zip to write; one in the database's own folder of backups when None.

    Raises
    ------
    StoreFault
        When there is not enough room on the disk, or the copy does not agree with the original. No half of a backup is
        left behind.

    Notes
    -----
    SQLite's online backup (https://www.sqlite.org/backup.html), then its own check of the copy and a count of its rows.
    """
    path = target or _free_name(folder_of(database), now, why)
    path.parent.mkdir(parents=True, exist_ok=True)
    _check_room(database, path.parent)
    part = path.with_name(f"{path.name}.part")
    try:
        with TemporaryDirectory(dir=path.parent, prefix=".making-") as made:
            copy = Path(made) / DATABASE
            _copy(database, copy)
            _pack(copy, part, now, path.name)
        part.replace(path)
    finally:
        part.unlink(missing_ok=True)
    return Backup(path, now.replace(microsecond=0, tzinfo=None), why, path.stat().st_size)


def _free_name(folder: Path, now: datetime, why: str) -> Path:
    """Return a name of the moment, or of the next second that has none yet."""
    while (path := folder / f"workshop-{now.strftime(_STAMP)}-{why}.zip").exists():
        now += timedelta(seconds=1)
    return path


def _check_room(database: Path, folder: Path) -> None:
    # The copy, the zip, and the files on their own beside it.
    needed = 3 * database.stat().st_size + _SPARE_BYTES
    free = shutil.disk_usage(folder).free
    if free < needed:
        raise StoreFault(
            f"There is too little room for a backup: {needed // 1_000_000} MB are needed, {free // 1_000_000} MB free.",
            "Make room on the disk, or name a file on another one: dunestead backup FILE.",
            code="disk-full",
        )


def _copy(database: Path, copy: Path) -> None:
    source_uri = f"{database.absolute().as_uri()}?mode=ro"
    with closing(sqlite3.connect(source_uri, uri=True)) as source, closing(sqlite3.connect(copy)) as target:
        source.backup(target)
        # One file that needs no other beside it.
        target.execute("PRAGMA journal_mode = DELETE")
    check_database(copy)


def _pack(copy: Path, part: Path, now: datetime, name: str) -> None:
    account = {
        "dunestead_backup": FORMAT,
        "made_at": now.isoformat(timespec="seconds"),
        "release": __version__,
        "rows": check_database(copy),
        "sha256": digest(copy),
        "bytes": copy.stat().st_size,
    }
    with zipfile.ZipFile(part, "w", zipfile.ZIP_DEFLATED) as archive:
        archive.writestr(_README, _TEXT.format(at=account["made_at"], release=__version__, name=name))
        archive.writestr(ACCOUNT, json.dumps(account, indent=1) + "\n")
        archive.write(copy, DATABASE)
        for file_name, data in _files(copy):
            archive.writestr(f"files/{file_name}", data)


def _files(database: Path) -> Iterator[tuple[str, bytes]]:
    with closing(sqlite3.connect(database)) as found:
        for key, data in found.execute("SELECT sha256, data FROM artwork ORDER BY sha256"):
            kind = next((kind for begins, kind in _KINDS if data.lstrip().startswith(begins)), "dat")
            yield f"{key[:16]}.{kind}", data


def backups_of(database: Path) -> list[Backup]:
    """Return the backups that are kept of a database, the newest first."""
    found = []
    for path in folder_of(database).glob("workshop-*.zip"):
        if match := _NAME.fullmatch(path.name):
            made_at = datetime.strptime(match[1], _STAMP)
            found.append(Backup(path, made_at, match[2], path.stat().st_size))
    return sorted(found, key=lambda one: (one.made_at, one.path.name), reverse=True)


def prune(kept: Sequence[Backup]) -> list[Backup]:
    """Return which of the backups are not needed any more.

    Those of the last fourteen days on which one was made are kept, the newest of each day, and the newest of a month.
    Those made by hand or before something was overwritten are kept as long as fourteen days have passed since.

    Parameters
    ----------
    kept
        The newest first.
    """
    days: dict[object, Backup] = {}
    months: dict[object, Backup] = {}
    for one in kept:
        days.setdefault(one.made_at.date(), one)
        months.setdefault((one.made_at.year, one.made_at.month), one)
    wanted = {one.path for one in [*list(days.values())[:KEPT_DAYS], *months.values()]}
    if kept:
        since = kept[0].made_at - timedelta(days=KEPT_DAYS)
        wanted |= {one.path for one in kept if one.why != "day" and one.made_at >= since}
    return [one for one in kept if one.path not in wanted]
