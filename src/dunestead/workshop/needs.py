"""What the jobs on the board will still take out of the stores: reckoned once, and kept until a job changes."""

import logging
from collections.abc import Callable
from time import monotonic

from pydantic import TypeAdapter

from dunestead import __version__
from dunestead.core.errors import DunesteadError
from dunestead.core.figures import Catalogue
from dunestead.core.inventory.needed import needs_left
from dunestead.core.inventory.reserving import JobNeeds
from dunestead.store import JobStore
from dunestead.store.jobs import NeedsRow
from dunestead.workshop.opened import OpenJob
from dunestead.workshop.uses import OwnRecords, short_hash, uses_in, uses_of

__all__ = ["Needs"]

_LOGGER = logging.getLogger(__name__)
_NEEDS = TypeAdapter(JobNeeds)


class Needs:
    """What each job will still take.

    Parameters
    ----------
    store
        Keeps it.
    open_job
        Returns a job as it stands.
    shipped
        The figures that came with this release.
    """

    def __init__(self, store: JobStore, open_job: Callable[[int, str], OpenJob], shipped: Catalogue) -> None:
        self._store, self._open, self._own = store, open_job, OwnRecords(shipped)
        self._shipped = short_hash(f"{__version__} {shipped!r}")
        self._read: dict[tuple[int, str], JobNeeds] = {}

    def refresh(self, own: OwnRecords) -> None:
        """Go by the maker's records as they are now."""
        self._own = own

    def all(self, seconds: float | None = None) -> tuple[list[JobNeeds], int]:
        """Return it for the jobs on the board, and how many are still to be reckoned.

        Those that cannot be reckoned are left out. After so many seconds no further one is begun: a workshop opened
        anew has many to reckon, and whoever asks again finds more of them done.
        """
        ends = None if seconds is None else monotonic() + seconds
        found, waiting = [], 0
        for row in self._store.needs():
            needs = self._kept(row)
            if needs is None and ends is not None and monotonic() > ends:
                waiting += 1
            elif needs := needs or self._reckoned(row):
                found.append(needs)
        return found, waiting

    def _kept(self, row: NeedsRow) -> JobNeeds | None:
        uses = uses_in(row.key.rpartition(":")[2]) if row.key else None
        if uses is None or row.needs is None or row.key is None:
            return None
        from_now = f"{self._from(row.version, row.logged)}:{self._own.reckoned_from(uses)}:{uses}"
        return self._parsed(row.id, row.key, row.needs) if row.key == from_now else None

    def _from(self, version: int, logged: int) -> str:
        return f"{self._shipped}:{version}:{logged}"

    def _parsed(self, job: int, key: str, needs: str) -> JobNeeds:
        if (job, key) not in self._read:
            self._read = {known: one for known, one in self._read.items() if known[0] != job}
            self._read[job, key] = _NEEDS.validate_json(needs)
        return self._read[job, key]

    def _reckoned(self, row: NeedsRow) -> JobNeeds | None:
        try:
            opened = self._open(row.id, "mm")
        except DunesteadError:
            return None
        except Exception:
            _LOGGER.exception("Job %s cannot be reckoned", row.id)
            return None
        job, head = opened.plan.job, opened.head
        found = JobNeeds(row.id, job.name, job.blank.due, tuple(needs_left(opened.progress)))
        uses = uses_of(job)
        key = f"{self._from(head.version, head.logged)}:{self._own.reckoned_from(uses)}:{uses}"
        self._store.keep_needs(row.id, key, _NEEDS.dump_json(found).decode())
        return found
