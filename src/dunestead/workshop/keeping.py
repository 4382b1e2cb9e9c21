"""A workshop's copies: one a day while it is used, one whenever the maker wants it, and back to any of them."""

import logging
import shutil
import sqlite3
from contextlib import closing
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path
from threading import Lock

from dunestead.core.errors import NoSuchThing
from dunestead.store.backups import Backup, back_up, backups_of, prune
from dunestead.store.restoring import database_in
from dunestead.workshop.clock import Clock

__all__ = ["Account", "Keeper"]

_LOGGER = logging.getLogger(__name__)


@dataclass(frozen=True, slots=True)
class Account:
    """Where a workshop lies, how large it is and what room is left, bytes; its backups, the newest first."""

    folder: Path
    size: int
    free: int
    backups: tuple[Backup, ...]


class Keeper:
    """Keeps the backups of one database that is in use."""

    def __init__(self, database: Path, clock: Clock) -> None:
        self._database = database
        self._clock = clock
        self._one_at_a_time = Lock()

    def account(self) -> Account:
        """Return where the workshop lies, and its backups."""
        size = sum(path.stat().st_size for path in self._files() if path.exists())
        folder = self._database.parent
        return Account(folder, size, shutil.disk_usage(folder).free, tuple(backups_of(self._database)))

    def _files(self) -> list[Path]:
        return [self._database, *(self._database.with_name(self._database.name + end) for end in ("-wal", "-shm"))]

    def make(self, why: str = "hand") -> Backup:
        """Make a backup now, and let go of those that are not needed any more."""
        with self._one_at_a_time:
            made = back_up(self._database, self._clock.now(), why)
            for old in prune(backups_of(self._database)):
                old.path.unlink(missing_ok=True)
            return made

    def make_daily(self) -> Backup | None:
        """Make the backup of a day, unless there is one or nothing was changed since the last."""
        newest = next(iter(backups_of(self._database)), None)
        if newest and (newest.made_at.date() == self._clock.now().date() or self._last_change() < newest.made_at):
            return None
        return self.make("day")

    def _last_change(self) -> datetime:
        changed = max(path.stat().st_mtime for path in self._files()[:2] if path.exists())
        return datetime.fromtimestamp(changed, self._clock.now().tzinfo).replace(tzinfo=None)

    def find(self, name: str) -> Backup:
        """Return a backup by its file's name.

        Raises
        ------
        NoSuchThing
            When none is kept under it.
        """
        found = next((one for one in backups_of(self._database) if one.path.name == name), None)
        if found is None:
            raise NoSuchThing(f"There is no backup called {name}.", "Choose one of the list.")
        return found

    def bring_back(self, name: str) -> None:
        """Put a backup in the place of what is there now, while it is in use; a backup of that is made before.

        Whoever reads meanwhile sees all of the one or all of the other.

        Raises
        ------
        NoSuchThing, BadInput, StoreFault
            When there is none, or it is not sound. Then nothing was changed.
        """
        chosen = self.find(name)
        with database_in(chosen.path) as copy:
            self.make("before-restore")
            with (
                self._one_at_a_time,
                closing(sqlite3.connect(copy)) as source,
                closing(sqlite3.connect(self._database)) as target,
            ):
                source.backup(target)
        _LOGGER.info("Brought back %s", name)
