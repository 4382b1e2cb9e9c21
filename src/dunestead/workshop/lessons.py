"""What finished jobs teach, laid over the shipped figures and the maker's own records."""

from collections.abc import Callable, Sequence
from dataclasses import replace

from dunestead.core.figures import Catalogue
from dunestead.core.job.log import LogEntry
from dunestead.core.learning.costs import costs_of
from dunestead.core.learning.finished import Finished
from dunestead.core.learning.finished import finished_of as in_short
from dunestead.core.learning.learnt import (
    Learning,
    Learnt,
    learnt_of,
    lessons_in,
    lessons_of_masks,
    lessons_of_pressing,
    taught,
)
from dunestead.core.plan.plan import Plan
from dunestead.core.work.tasks import TaskGraph
from dunestead.store import JobStore, Records
from dunestead.workshop.uses import OwnRecords

__all__ = ["Lessons"]


class Lessons:
    """The figures all plans go by, and where they are from.

    Parameters
    ----------
    store, records
        Finished jobs, and the maker's own records.
    shipped
        The figures that came with this release.
    *listeners
        Told of the maker's records whenever they are others.
    """

    figures: tuple[Catalogue, OwnRecords]
    finished: list[tuple[int, str, Finished]]
    learnt: dict[str, Learnt]

    def __init__(
        self, store: JobStore, records: Records, shipped: Catalogue, *listeners: Callable[[OwnRecords], None]
    ) -> None:
        self._store, self._records, self._shipped, self._listeners = store, records, shipped, listeners
        self.state = -1
        self.refresh()

    def refresh(self, state: int | None = None) -> None:
        """Reckon with the maker's records as they are now; plans made from others are not taken for these.

        Parameters
        ----------
        state
            The number of their state where others have counted it; the next one when None.
        """
        self.state = self.state + 1 if state is None else state
        own_catalogue = self._records.added_to(self._shipped)
        self.finished = self._store.finished()
        self.learnt = self._learnt(own_catalogue)
        catalogue = taught(own_catalogue, self.learnt)
        # Both at once: nobody reckons with the figures of one state and the records of another.
        self.figures = (catalogue, OwnRecords(catalogue))
        for listener in self._listeners:
            listener(self.figures[1])

    @property
    def catalogue(self) -> Catalogue:
        """All figures, with the maker's own records and what they taught."""
        return self.figures[0]

    def finished_of(self, job_id: int, plan: Plan, graph: TaskGraph, log: Sequence[LogEntry]) -> Finished | None:
        """Return a job in short with its costs, None while it is not closed."""
        finished = in_short(plan, graph, log, self.catalogue)
        if finished is None:
            return None
        earlier = [one for number, _, one in self.finished if number != job_id]
        costs = costs_of(plan, graph, self.catalogue, self._records.rates_kept(), earlier)
        return replace(finished, price=costs.price, cost=costs.batch)

    def _learnt(self, own_catalogue: Catalogue) -> dict[str, Learnt]:
        pressed = self._records.pressed.all().values()
        names = self._store.names() if pressed else {}
        lessons = [
            *lessons_in(self.finished),
            *lessons_of_pressing(pressed, names, own_catalogue),
            *lessons_of_masks(self._records.worn_masks(), own_catalogue),
        ]
        return learnt_of(lessons, self._records.learning_kept(), own_catalogue)

    def relearn(self, moved: int | None = None) -> None:
        """Reckon with what jobs teach, where that has changed; as when one is deleted, or brought back."""
        pressed = moved is not None and any(one.job == moved for one in self._records.pressed.all().values())
        if pressed or self._store.finished() != self.finished:
            self.refresh()

    def keep_learning(self, learning: Learning) -> None:
        """Keep which figures are set back to the table, and which values are left out."""
        self._records.keep_learning(learning)
        self.refresh()

    def undo_learning(self) -> None:
        """Take the last such choice back; raises `NotNow` when there is none."""
        self._records.undo_learning()
        self.refresh()
