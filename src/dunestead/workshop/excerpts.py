"""What is told of all jobs without opening each: made anew only when what it was made from has changed."""

import logging
from collections.abc import Callable
from dataclasses import dataclass
from datetime import datetime
from time import monotonic
from typing import Literal

from dunestead import __version__
from dunestead.core.errors import DamagedJob, DunesteadError
from dunestead.core.figures import Catalogue
from dunestead.store import Excerpt, JobStore, Where
from dunestead.workshop.opened import UNRECKONED, OpenJob
from dunestead.workshop.uses import OwnRecords, Uses, short_hash, uses_in, uses_of

__all__ = ["CARD", "CLOCKS", "NEEDS", "ExcerptKind", "Excerpts", "Told"]

_LOGGER = logging.getLogger(__name__)


@dataclass(frozen=True, slots=True)
class ExcerptKind:
    """Something that is told of every job.

    Attributes
    ----------
    name
        Under which it is kept.
    hangs_on
        Returns what of the maker's records it hangs on, for what a job picks of them.
    stays_true
        Whether what is told of a job stays true however late it gets.
    of_work
        Whether there is nothing to tell of a job nobody has worked on.
    """

    name: Literal["card", "needs", "clocks"]
    hangs_on: Callable[[OwnRecords, Uses], str]
    stays_true: Callable[[OpenJob], bool] = lambda _: True
    of_work: bool = False


@dataclass(frozen=True, slots=True)
class Told:
    """What was told, job by job; the jobs that cannot be reckoned, and how many are still to be reckoned."""

    texts: list[str]
    lost: list[tuple[int, str, DunesteadError]]
    waiting: int


def _stands_still(opened: OpenJob) -> bool:
    """Say whether nothing of a job is timed, and no moment it tells is still to come."""
    moments = [row.value for station in opened.stations for row in station.rows if row.kind == "moment"]
    to_come = any(datetime.fromisoformat(str(moment)) > opened.at for moment in moments)
    return not to_come and not opened.progress.clocks()


CARD = ExcerptKind("card", OwnRecords.drawn_from, _stands_still)
NEEDS = ExcerptKind("needs", OwnRecords.reckoned_from)
CLOCKS = ExcerptKind("clocks", OwnRecords.reckoned_from, of_work=True)


class Excerpts:
    """What is told of all jobs.

    A kept excerpt's key says what it was made from: the shipped figures, its shape, the job's version and its log,
    the unit, and of the maker's own records only those the job uses.

    Parameters
    ----------
    store
        Keeps them.
    open_job
        Returns a job as it stands, its words in a unit.
    shipped
        The figures that came with this release.
    """

    def __init__(self, store: JobStore, open_job: Callable[[int, str], OpenJob], shipped: Catalogue) -> None:
        self._store, self._open, self._own = store, open_job, OwnRecords(shipped)
        self._shipped = short_hash(f"{__version__} {shipped!r}")

    def refresh(self, own: OwnRecords) -> None:
        """Go by the maker's records as they are now."""
        self._own = own

    def all(
        self,
        kind: ExcerptKind,
        make: Callable[[OpenJob], str],
        *,
        unit: str = "mm",
        shape: str = "",
        where: Where = "board",
        seconds: float | None = None,
    ) -> Told:
        """Return what is told of the jobs on the board, of those put away, or of those deleted.

        Those that cannot be reckoned come apart from them, and take none along. After so many seconds no further one
        is begun: a workshop opened anew has many to reckon, and whoever asks again finds more of them done.

        Parameters
        ----------
        kind, make
            What is told, and how it is made of an opened job.
        unit
            For lengths in what it says.
        shape
            What it looks like, in short; those made in another shape are made anew.
        where
            Which jobs are meant.
        seconds
            How long to wait at most.
        """
        ends = None if seconds is None else monotonic() + seconds
        told, waiting = Told([], [], 0), 0
        for row in self._store.excerpts(kind.name, where):
            if kind.of_work and not row.logged:
                continue
            made_from = f"{self._shipped}:{shape}:{row.version}:{row.logged}:{unit}"
            kept = self._kept(kind, row, made_from)
            if kept is not None:
                told.texts.append(kept)
            elif ends is not None and monotonic() > ends:
                waiting += 1
            else:
                self._make(kind, make, row, made_from, unit, told)
        return Told(told.texts, told.lost, waiting)

    def _kept(self, kind: ExcerptKind, row: Excerpt, made_from: str) -> str | None:
        uses = uses_in(row.key.rpartition(":")[2]) if row.key else None
        return row.text if uses and row.key == self._key(kind, made_from, uses) else None

    def _make(
        self, kind: ExcerptKind, make: Callable[[OpenJob], str], row: Excerpt, made_from: str, unit: str, told: Told
    ) -> None:
        try:
            opened = self._opened(row.id, unit)
        except DunesteadError as error:
            told.lost.append((row.id, self._store.name_of(row.id), error))
            return
        told.texts.append(make(opened))
        if kind.stays_true(opened):
            key = self._key(kind, made_from, uses_of(opened.plan.job))
            self._store.keep_excerpt(row.id, kind.name, key, told.texts[-1])

    def _opened(self, job_id: int, unit: str) -> OpenJob:
        try:
            return self._open(job_id, unit)
        except DunesteadError:
            raise
        except Exception as error:
            # One job that nobody can explain must not take all others along.
            _LOGGER.exception("Job %s cannot be reckoned", job_id)
            raise DamagedJob(*UNRECKONED) from error

    def _key(self, kind: ExcerptKind, made_from: str, uses: Uses) -> str:
        return f"{made_from}:{kind.hangs_on(self._own, uses)}:{uses}"
