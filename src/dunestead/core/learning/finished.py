"""A finished job in short: what it was made with, how it came out, what it teaches; what is told over many jobs."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from datetime import date

from dunestead.core.figures import Catalogue
from dunestead.core.job.job import WhenLooked
from dunestead.core.job.log import LogEntry
from dunestead.core.learning.happened import spans_of, spells_of
from dunestead.core.learning.lessons import closed_at, poured_of, taught_by
from dunestead.core.plan.plan import Plan
from dunestead.core.work.tasks import TaskGraph

__all__ = ["Finished", "finished_of"]


@dataclass(frozen=True, slots=True)
class Finished:
    """A job whose record is written down.

    Attributes
    ----------
    on
        The day it was.
    surface, material, method, paints
        Keys of the catalogue; the paints of its coatings in their order.
    copies
        How many were begun.
    grade
        From 1 (spoiled) to 5 (as wished), None where nobody said.
    troubles
        What went wrong, and how many copies it spoiled.
    minutes
        Of the hands: as the maker or the ticks say, as planned where nobody knows.
    paint_ml
        By paint: as the maker says, as planned where nobody did.
    lessons
        By figure: its own value over the table's.
    looked
        When it was looked at again.
    is_gone
        Whether the print is not at hand any more.
    price, cost
        What one was to be sold for, and what all cost, in the workshop's money; as it was when it was finished.
    """

    on: date
    surface: str
    material: str
    method: str
    paints: tuple[str, ...]
    copies: int
    grade: int | None = None
    troubles: Mapping[str, int] = field(default_factory=dict)
    minutes: float = 0.0
    paint_ml: Mapping[str, float] = field(default_factory=dict)
    lessons: Mapping[str, float] = field(default_factory=dict)
    looked: tuple[WhenLooked, ...] = ()
    is_gone: bool = False
    price: float = 0.0
    cost: float = 0.0

    @property
    def spoiled(self) -> int:
        """How many copies were spoiled, never more than there were."""
        return min(sum(self.troubles.values()), self.copies)


def finished_of(plan: Plan, graph: TaskGraph, log: Sequence[LogEntry], catalogue: Catalogue) -> Finished | None:
    """Return a job in short, None while its record is not written down."""
    at = closed_at(log)
    if at is None:
        return None
    record = plan.job.record
    poured = poured_of(plan)
    return Finished(
        on=at.date(),
        surface=plan.choices.surface.key,
        material=plan.choices.material.key,
        method=plan.method.key,
        paints=tuple(one.paint for one in poured),
        copies=plan.copies,
        grade=record.grade,
        troubles=dict(record.troubles),
        minutes=_minutes(plan, graph, log, catalogue),
        paint_ml={one.paint: one.planned_ml if one.used_ml is None else one.used_ml for one in poured},
        lessons=taught_by(plan, graph, log, catalogue),
        looked=tuple(record.looks),
        is_gone=any(look.gone for look in record.looks.values()),
    )


def _minutes(plan: Plan, graph: TaskGraph, log: Sequence[LogEntry], catalogue: Catalogue) -> float:
    """Return minutes of the hands in all, each station's as well as it is known."""
    planned: dict[str, float] = {}
    for task in graph.tasks:
        planned[task.station] = planned.get(task.station, 0.0) + task.minutes
    for spell in spells_of(spans_of(graph, log, catalogue.figures), catalogue.figures):
        planned[spell.station] += spell.taken - spell.planned
    return sum({**planned, **plan.job.record.minutes}.values())
