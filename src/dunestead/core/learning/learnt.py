"""Figures as own jobs have taught them: robust, near the table until there are several, within their range."""

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, replace
from datetime import date

from dunestead.core.figures import Catalogue, Figure
from dunestead.core.learning.estimate import factor_of
from dunestead.core.learning.finished import Finished
from dunestead.core.learning.lessons import hand_key
from dunestead.core.painting.amount import amount_key, soak_of, spread_of
from dunestead.core.work.tasks import Task

__all__ = ["Learning", "Learnt", "Lesson", "figure_of", "in_use", "learnt_of", "left_out_key", "lessons_in", "taught"]

# ml on a dm² for a litre on a m².
_ML_PER_DM2 = 10.0


@dataclass(frozen=True, slots=True)
class Lesson:
    """What one job taught about one figure: its own value over the table's."""

    job: int
    name: str
    on: date
    figure: str
    ratio: float


def lessons_in(jobs: Iterable[tuple[int, str, Finished]]) -> list[Lesson]:
    """Return what finished jobs taught, each by its number and name."""
    return [
        Lesson(number, name, one.on, figure, ratio)
        for number, name, one in jobs
        for figure, ratio in one.lessons.items()
    ]


@dataclass(frozen=True, slots=True)
class Learning:
    """What a maker made of it: figures set back to the table, and values left out, as ``figure@job``."""

    to_table: tuple[str, ...] = ()
    left_out: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Learnt:
    """One figure that own jobs have something to say of.

    Attributes
    ----------
    key
        What it is known by.
    about, unit
        What it is, in a sentence, and its unit.
    table, low, high
        As shipped, and the range it is kept in.
    value
        As it is reckoned with; the table's where it was set back to it.
    lessons
        All values, those left out too, the newest first.
    left_out
        Numbers of the jobs whose values are left out.
    is_to_table
        Whether the maker set it back.
    is_held
        Whether the own values lie beyond the range, and it is kept at its end.
    """

    key: str
    about: str
    unit: str
    table: float
    low: float
    high: float
    value: float
    lessons: tuple[Lesson, ...]
    left_out: frozenset[int]
    is_to_table: bool
    is_held: bool

    @property
    def jobs(self) -> int:
        """How many jobs it comes from."""
        return len(self.lessons) - len(self.left_out)

    @property
    def is_in_force(self) -> bool:
        """Whether it is reckoned with in place of the table's."""
        return self.jobs > 0 and not self.is_to_table


def left_out_key(figure: str, job: int) -> str:
    """Return what a value that is left out is known by."""
    return f"{figure}@{job}"


def learnt_of(lessons: Iterable[Lesson], choices: Learning, shipped: Catalogue) -> dict[str, Learnt]:
    """Return every figure that own jobs have something to say of, by its key.

    Parameters
    ----------
    lessons
        What jobs taught; figures that are no more in the catalogue are passed over.
    choices
        What the maker left out or set back.
    shipped
        The table, with the maker's own paints.
    """
    by_figure: dict[str, list[Lesson]] = {}
    for lesson in lessons:
        by_figure.setdefault(lesson.figure, []).append(lesson)
    found = {}
    for key, own in sorted(by_figure.items()):
        if figure := figure_of(key, shipped):
            found[key] = _learnt(key, figure, own, choices)
    return found


def in_use(learnt: Mapping[str, Learnt], tasks: Iterable[Task], surface: str) -> list[Learnt]:
    """Return what was learnt and some tasks go by: their times, and the paint they take on a surface."""
    if not learnt:
        return []
    keys: set[str] = set()
    for task in tasks:
        keys |= {hand_key(name) for name in task.effort.counts}
        if "coating" in task.figures:
            keys.add(amount_key(task.figures["coating"].paint.key, surface))
    return [one for key, one in learnt.items() if key in keys and one.is_in_force]


def _learnt(key: str, figure: Figure, own: list[Lesson], choices: Learning) -> Learnt:
    left_out = frozenset(one.job for one in own if left_out_key(key, one.job) in choices.left_out)
    free = figure.value * factor_of([one.ratio for one in own if one.job not in left_out])
    value = min(max(free, figure.low), figure.high)
    to_table = key in choices.to_table
    return Learnt(
        key,
        figure.why,
        figure.unit,
        figure.value,
        figure.low,
        figure.high,
        figure.value if to_table else value,
        tuple(sorted(own, key=lambda one: (one.on, one.job), reverse=True)),
        left_out,
        to_table,
        not to_table and value != free,
    )


def figure_of(key: str, shipped: Catalogue) -> Figure | None:
    """Return the table's figure for what can be learnt, None when it is no more in the catalogue."""
    table, _, rest = key.partition("/")
    if table == "hand":
        return shipped.figures.get(("hand", "median", rest))
    paint_key, _, surface_key = rest.partition("/")
    if table != "paint" or paint_key not in shipped.paints or surface_key not in shipped.surfaces:
        return None
    paint, surface = shipped.paints[paint_key], shipped.surfaces[surface_key]
    soak = "soak_spray" if paint.is_sprayed else "soak"
    value = soak_of(surface, paint) / paint.cover / paint.transfer * _ML_PER_DM2
    # By how much the amount may lie off, as plans show it: the ranges of cover and soak together.
    ranges = (("surface", surface_key, soak), ("paint", paint_key, "cover"))
    spread = spread_of(*(shipped.figures.get(name) for name in ranges))
    about = f"{paint.name} on {surface.name.lower()}: what a square dm takes, one full coat."
    return Figure(value, value / spread, value * spread, "ml", about)


def taught(catalogue: Catalogue, learnt: Mapping[str, Learnt]) -> Catalogue:
    """Return the catalogue with what was learnt in place of the table's figures."""
    return replace(
        catalogue,
        hand=replace(catalogue.hand, **dict(_hands(learnt))),
        amounts={
            key: one.value / one.table for key, one in learnt.items() if key.startswith("paint/") and one.is_in_force
        },
    )


def _hands(learnt: Mapping[str, Learnt]) -> Iterator[tuple[str, float]]:
    for key, one in learnt.items():
        if key.startswith("hand/") and one.is_in_force:
            yield key.removeprefix("hand/"), one.value
