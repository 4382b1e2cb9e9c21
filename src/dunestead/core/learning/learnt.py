"""Figures as own jobs have taught them: robust, near the table until there are several, within their range."""

import math
from collections import Counter
from collections.abc import Container, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date

from dunestead.core.figures import Catalogue, Figure, Material, Paint
from dunestead.core.inventory.items import Item
from dunestead.core.learning.estimate import factor_of
from dunestead.core.learning.finished import Finished
from dunestead.core.learning.lessons import dry_key, force_key, hand_key, uses_key, whose
from dunestead.core.painting.amount import amount_key, soak_figure, soak_of, spread_of
from dunestead.core.plan.plan import Plan
from dunestead.core.records import Pressed, ProvenHeat
from dunestead.core.work.kinds import Trait
from dunestead.core.work.tasks import Task
from dunestead.core.work.values import OfCoat

__all__ = [
    "Learning",
    "Learnt",
    "Lesson",
    "figure_of",
    "in_use",
    "learnt_of",
    "left_out_key",
    "lessons_in",
    "lessons_of_masks",
    "lessons_of_pressing",
    "press_key",
    "taught",
]

# So many jobs are counted, the newest: hands grow quicker, and paints change.
_NEWEST = 40
# Whoever did most of so many jobs, the newest, is reckoned with where several work.
_AT_WORK = 6
# Figures are believed within such steps at least and at most, however narrow or wide their range is.
_WIDTHS = (0.02, 2.0)
# ml on a dm² for a litre on a m².
_ML_PER_DM2 = 10.0


@dataclass(frozen=True, slots=True)
class Lesson:
    """What one job taught about one figure: its own value over the table's; whose hands, where a name is known."""

    job: int
    name: str
    on: date
    figure: str
    ratio: float
    by: str = ""


def press_key(way: tuple[str, str, str, int], what: str) -> str:
    """Return what the heat or the seconds of a way of pressing are known by among what is learnt."""
    return "/".join(["press", *map(str, way), what])


def lessons_of_pressing(pressed: Iterable[Pressed], names: Mapping[int, str], shipped: Catalogue) -> list[Lesson]:
    """Return what masks that held teach, finished jobs or not: the next copy is pressed by it already.

    Parameters
    ----------
    pressed
        As they were pressed; ways no longer in the catalogue are passed over.
    names
        Names of the jobs that are there; what was pressed in others teaches nothing.
    shipped
        The table.
    """
    found = []
    for one in pressed:
        for what, value in (("celsius", one.celsius), ("seconds", one.seconds)):
            figure = figure_of(press_key(one.way, what), shipped)
            if figure and one.job in names:
                found.append(Lesson(one.job, names[one.job], one.on, press_key(one.way, what), value / figure.value))
    return found


def lessons_of_masks(worn: Iterable[tuple[Item, float]], shipped: Catalogue) -> list[Lesson]:
    """Return what masks teach that are worn out: each with the prints it gave in all."""
    found = []
    for item, prints in worn:
        figure = figure_of(uses_key(item.key), shipped)
        if figure and item.worn and prints > 0:
            found.append(Lesson(item.job or 0, item.name, item.worn, uses_key(item.key), prints / figure.value))
    return found


def lessons_in(jobs: Iterable[tuple[int, str, Finished]]) -> list[Lesson]:
    """Return what finished jobs taught, each by its number and name."""
    return [
        Lesson(number, name, one.on, *_figure(key, ratio))
        for number, name, one in jobs
        for key, ratio in one.lessons.items()
    ]


def _figure(key: str, ratio: float) -> tuple[str, float, str]:
    figure, by = whose(key)
    return figure, ratio, by


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
    jobs
        How many jobs it comes from.
    by, others
        Whose hands it is; by name what those of others take. Empty where no names are known.
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
    jobs: int
    by: str = ""
    others: tuple[tuple[str, float], ...] = ()

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
    found, hands = {}, _hands_at_work(by_figure)
    for key, own in sorted(by_figure.items()):
        if figure := figure_of(key, shipped):
            found[key] = _learnt(key, figure, own, choices, hands)
    return found


def _hands_at_work(by_figure: Mapping[str, Sequence[Lesson]]) -> str:
    """Return who did most of the newest jobs, empty where no names are known: plans go by these hands."""
    rows = {(one.on, one.job, one.by) for own in by_figure.values() for one in own if one.by}
    newest = sorted({(on, job) for on, job, _ in rows}, reverse=True)[:_AT_WORK]
    counts = Counter(by for on, job, by in sorted(rows, reverse=True) if (on, job) in newest)
    return counts.most_common(1)[0][0] if counts else ""


def in_use(learnt: Mapping[str, Learnt], tasks: Iterable[Task], plan: Plan) -> list[Learnt]:
    """Return what was learnt and some tasks of a plan go by: their times, the plate's heat, the paint they take."""
    if not learnt:
        return []
    keys = {force_key(plan.choices.material.key)} if any(task.has(Trait.TRIES_THE_CUT) for task in tasks) else set()
    surface, material, method = plan.choices.surface.key, plan.choices.material.key, plan.method
    ways = [(material, surface, method.key, number) for number in range(1, len(method.press) + 1)]
    pressed = {press_key(way, what) for way in ways for what in ("celsius", "seconds")}
    for task in tasks:
        keys |= {hand_key(name) for name in task.effort.counts}
        if task.has(Trait.PRESSES) or task.has(Trait.PRESSES_AGAIN):
            keys |= pressed
        if isinstance(task.values, OfCoat):
            paint = task.values.coating.paint.key
            keys |= {amount_key(paint, surface), dry_key(paint)}
        if task.has(Trait.CUTS):
            keys.add(uses_key(material))
    return [one for key, one in learnt.items() if key in keys and one.is_in_force]


def _learnt(key: str, figure: Figure, own: list[Lesson], choices: Learning, hands: str) -> Learnt:
    own = sorted(own, key=lambda one: (one.on, one.job), reverse=True)
    left_out = frozenset(one.job for one in own if left_out_key(key, one.job) in choices.left_out)
    named = sorted({one.by for one in own if one.by})
    # What was done before anybody signed in may be anybody's.
    counted = _counted(own, left_out, {hands, ""} if named else {""})
    free = figure.value * factor_of(counted, _width(figure))
    value = min(max(free, figure.low), figure.high)
    beside = {by: _counted(own, left_out, {by}) for by in named if by != hands}
    others = {by: figure.value * factor_of(ratios, _width(figure)) for by, ratios in beside.items() if ratios}
    to_table = key in choices.to_table
    return Learnt(
        key,
        figure.why,
        figure.unit,
        figure.value,
        figure.low,
        figure.high,
        figure.value if to_table else value,
        tuple(own),
        left_out,
        to_table,
        not to_table and value != free,
        len(counted),
        hands if named else "",
        tuple((by, min(max(one, figure.low), figure.high)) for by, one in others.items()),
    )


def _counted(own: Iterable[Lesson], left_out: Container[int], by: Container[str]) -> list[float]:
    return [one.ratio for one in own if one.job not in left_out and one.by in by][:_NEWEST]


def _width(figure: Figure) -> float:
    """Return how far makers differ in a figure, by its range: 1 for a factor of 2 either way."""
    low = figure.low if figure.low > 0 else figure.value**2 / figure.high
    return min(max(math.log(figure.high / low) / math.log(4), _WIDTHS[0]), _WIDTHS[1])


def figure_of(key: str, shipped: Catalogue) -> Figure | None:
    """Return the table's figure for what can be learnt, None when it is no more in the catalogue."""
    table, _, rest = key.partition("/")
    if table == "hand":
        return shipped.figures.get(("hand", "median", rest))
    if table == "press":
        return _press_figure(rest, shipped)
    if table in _OF_A_ROW:
        return _row_figure(table, rest, shipped)
    paint_key, _, surface_key = rest.partition("/")
    if table != "paint" or paint_key not in shipped.paints or surface_key not in shipped.surfaces:
        return None
    paint, surface = shipped.paints[paint_key], shipped.surfaces[surface_key]
    soak = soak_figure(paint)
    value = soak_of(surface, paint) / paint.cover / paint.transfer * _ML_PER_DM2
    # By how much the amount may lie off, as plans show it: the ranges of cover and soak together.
    ranges = (("surface", surface_key, soak), ("paint", paint_key, "cover"))
    spread = spread_of(*(shipped.figures.get(name) for name in ranges))
    about = f"{paint.name} on {surface.name.lower()}: what a square dm takes, one full coat."
    return Figure(value, value / spread, value * spread, "ml", about)


# What is learnt of one figure of one row: its table, its name, and what is said of it.
_OF_A_ROW = {
    "force": ("material", "force", "the force it is cut with."),
    "uses": ("material", "uses", "prints from one mask."),
    "dry": ("paint", "touch", "until it is dry to the touch, at 20 C and 50 % humidity."),
}


def _row_figure(what: str, key: str, shipped: Catalogue) -> Figure | None:
    table, name, about = _OF_A_ROW[what]
    rows: Mapping[str, Material | Paint] = shipped.materials if table == "material" else shipped.paints
    figure = shipped.figures.get((table, key, name))
    return replace(figure, why=f"{rows[key].name}: {about}") if figure and key in rows else None


def _press_figure(rest: str, shipped: Catalogue) -> Figure | None:
    try:
        material, surface, method, number, what = rest.split("/")
        row = shipped.methods[method]
        one = row.press[int(number) - 1]
        named, surface_row = shipped.materials[material], shipped.surfaces[surface]
    except (KeyError, ValueError, IndexError):
        return None
    where = f"{named.name} on {surface_row.name[:1].lower()}{surface_row.name[1:]}, {one.name}"
    kind = shipped.figures["method", method, "celsius" if what == "celsius" else "rest"]
    low, high = kind.low / kind.value, kind.high / kind.value
    if what == "seconds":
        return Figure(one.seconds, one.seconds * low, one.seconds * high, "s", f"{where}: one rest of the plate.")
    # Neither below what makes it hold, nor hotter than the blank stands.
    least = max(one.celsius * low, min(named.holds_from or 0.0, one.celsius))
    most = min(one.celsius * high, max(surface_row.heat or one.celsius, one.celsius))
    return Figure(one.celsius, least, most, "C", f"{where}: heat of the plate.")


def _held(learnt: Mapping[str, Learnt], shipped: Catalogue) -> Iterator[tuple[tuple[str, str, str, int], ProvenHeat]]:
    """Yield how masks are pressed by what held, for each way of which own jobs say something that is in force."""
    ways = {key.rpartition("/")[0] for key, one in learnt.items() if key.startswith("press/") and one.is_in_force}
    for prefix in sorted(ways):
        _, material, surface, method, number = prefix.split("/")
        one = shipped.methods[method].press[int(number) - 1]
        own = {what: learnt[f"{prefix}/{what}"] for what in ("celsius", "seconds") if f"{prefix}/{what}" in learnt}
        celsius = own["celsius"].value if "celsius" in own else one.celsius
        seconds = own["seconds"].value if "seconds" in own else one.seconds
        jobs = max(figure.jobs for figure in own.values())
        # A plate is set in whole degrees, and nobody counts less than a second.
        yield (material, surface, method, int(number)), ProvenHeat(float(round(celsius)), float(round(seconds)), jobs)


def taught(catalogue: Catalogue, learnt: Mapping[str, Learnt]) -> Catalogue:
    """Return the catalogue with what was learnt in place of the table's figures."""
    return replace(
        catalogue,
        hand=replace(catalogue.hand, **dict(_hands(learnt))),
        amounts={
            key: one.value / one.table for key, one in learnt.items() if key.startswith("paint/") and one.is_in_force
        },
        pressed=dict(_held(learnt, catalogue)),
        materials={key: _taught_material(row, learnt) for key, row in catalogue.materials.items()},
        paints={key: _taught_paint(row, learnt) for key, row in catalogue.paints.items()},
    )


def _taught_material(row: Material, learnt: Mapping[str, Learnt]) -> Material:
    force, uses = learnt.get(force_key(row.key)), learnt.get(uses_key(row.key))
    if force and force.is_in_force:
        row = replace(row, force=float(round(force.value)))
    return replace(row, uses=max(math.floor(uses.value), 1)) if uses and uses.is_in_force else row


def _taught_paint(row: Paint, learnt: Mapping[str, Learnt]) -> Paint:
    """Return a paint that dries as own jobs say; a touch tells nothing of when it may be used or washed."""
    one = learnt.get(dry_key(row.key))
    if one is None or not one.is_in_force:
        return row
    factor = one.value / one.table
    touch = min(row.touch * factor, row.handle)
    return replace(row, touch=touch, next_coat=row.next_coat * factor)


def _hands(learnt: Mapping[str, Learnt]) -> Iterator[tuple[str, float]]:
    for key, one in learnt.items():
        if key.startswith("hand/") and one.is_in_force:
            yield key.removeprefix("hand/"), one.value
