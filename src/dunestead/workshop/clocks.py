"""Running timers, over all jobs."""

import logging
from collections.abc import Callable
from dataclasses import dataclass

from dunestead.core.errors import DunesteadError
from dunestead.core.work.progress import Clock
from dunestead.store import JobStore
from dunestead.workshop.opened import OpenJob

__all__ = ["Clocks", "JobClock"]

_LOGGER = logging.getLogger(__name__)
_MOST_KEPT = 2000


@dataclass(frozen=True, slots=True)
class JobClock:
    """A clock, and the job it is of."""

    job_id: int
    job_name: str
    clock: Clock
    opened: OpenJob


class Clocks:
    """The clocks of every job on the board, read anew only where a job or its log has changed.

    Parameters
    ----------
    store
        Knows which jobs there are, and up to where their logs go.
    open_job
        Returns a job as it stands, its words in a unit.
    """

    def __init__(self, store: JobStore, open_job: Callable[[int, str], OpenJob]) -> None:
        self._store, self._open = store, open_job
        self._kept: dict[int, tuple[tuple[int, int, str], list[JobClock]]] = {}

    def all(self, unit: str) -> list[JobClock]:
        """Return all clocks, soonest first; a job that cannot be reckoned has none."""
        found: list[JobClock] = []
        for row in self._store.board():
            if not row.logged:
                continue
            key = (row.version, row.logged, unit)
            kept = self._kept.get(row.id)
            if kept is None or kept[0] != key:
                kept = (key, self._of(row.id, unit))
                if len(self._kept) < _MOST_KEPT:
                    self._kept[row.id] = kept
            found += kept[1]
        return sorted(found, key=lambda one: one.clock.opens)

    def _of(self, job_id: int, unit: str) -> list[JobClock]:
        try:
            opened = self._open(job_id, unit)
        except DunesteadError:
            return []
        except Exception:
            # One job that nobody can explain must not silence the clocks of all others.
            _LOGGER.exception("The clocks of job %s cannot be told", job_id)
            return []
        return [JobClock(job_id, opened.plan.job.name, clock, opened) for clock in opened.progress.clocks()]
