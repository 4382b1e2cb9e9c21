"""What one finished job teaches: for each figure, by which factor it was other than the table says."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from statistics import median

from dunestead.core.figures import Catalogue
from dunestead.core.job.log import LogEntry
from dunestead.core.learning.happened import Figures, hand_seconds, spans_of
from dunestead.core.painting.amount import amount_key
from dunestead.core.plan.plan import Plan
from dunestead.core.work.kinds import CLOSED_BY, Trait
from dunestead.core.work.progress import Progress
from dunestead.core.work.tasks import Task, TaskGraph
from dunestead.core.work.values import OfCoat

__all__ = [
    "DID_NOT_CUT",
    "Poured",
    "closed_at",
    "dry_key",
    "force_key",
    "hand_key",
    "poured_of",
    "taught_by",
    "uses_key",
    "whose",
]

# What went wrong where a force is no example to follow.
DID_NOT_CUT = "did-not-cut"
# A figure that makes up less of a stretch than this is not told from it.
_SHARE = 0.25
# So much of a stretch must be by hand, not the plate's rest or the knife's run.
_BY_HAND = 0.5
# Less work than this, in all, is measured too coarsely by ticks, s.
_LEAST_S = 30.0


def hand_key(name: str, by: str = "") -> str:
    """Return what a figure of the hand is known by among what is learnt; of one person, where names are known."""
    return f"hand/{name}@{by}" if by else f"hand/{name}"


def whose(key: str) -> tuple[str, str]:
    """Return the figure of a key, and the person whose it is; empty where no name is known.

    Examples
    --------
    >>> whose(hand_key("place", "Ida")), whose("force/card")
    (('hand/place', 'Ida'), ('force/card', ''))
    """
    figure, _, by = key.partition("@")
    return figure, by


def force_key(material: str) -> str:
    """Return what the force a mask material is cut with is known by among what is learnt."""
    return f"force/{material}"


def uses_key(material: str) -> str:
    """Return what the prints that a mask of a material gives are known by among what is learnt."""
    return f"uses/{material}"


def dry_key(paint: str) -> str:
    """Return what the time until a paint is dry to the touch is known by among what is learnt."""
    return f"dry/{paint}"


@dataclass(frozen=True, slots=True)
class Poured:
    """One paint of a job, all copies together: what was reckoned, and what went on; None while nobody said."""

    paint: str
    name: str
    planned_ml: float
    used_ml: float | None


def closed_at(log: Iterable[LogEntry]) -> datetime | None:
    """Return when what happened was written down for good; None where it was not, or that was taken back."""
    rows = [entry for entry in log if entry.task == CLOSED_BY and entry.kind in ("done", "undone")]
    return rows[-1].at if rows and rows[-1].kind == "done" else None


def taught_by(plan: Plan, graph: TaskGraph, log: Sequence[LogEntry], catalogue: Catalogue) -> dict[str, float]:
    """Return what a job teaches, or would if it were closed now: by figure its own value over the table's."""
    progress = Progress(graph, log)
    return {
        **_of_hands(plan, graph, log, catalogue.figures),
        **_of_amounts(plan, catalogue),
        **_of_cutting(plan, progress, catalogue.figures),
        **_of_drying(progress, catalogue.figures),
    }


def poured_of(plan: Plan) -> list[Poured]:
    """Return what was reckoned of each paint of a job, and what the maker says went on."""
    used = plan.job.record.used_ml
    found: dict[str, Poured] = {}
    for coat in plan.coatings:
        before = found.get(coat.paint.key)
        planned = coat.batch.total_ml + (before.planned_ml if before else 0.0)
        found[coat.paint.key] = Poured(coat.paint.key, coat.paint.name, planned, used.get(coat.paint.key))
    return list(found.values())


def _of_hands(plan: Plan, graph: TaskGraph, log: Sequence[LogEntry], figures: Figures) -> dict[str, float]:
    spans = spans_of(graph, log, figures)
    own = plan.job.record.minutes
    names = {entry.by for entry in log if entry.kind == "done"}
    alone = names.pop() if len(names) == 1 else ""
    stretches = [
        (span.tasks, span.seconds, span.by)
        for span in spans
        if span.seconds is not None and not any(task.station in own for task in span.tasks)
    ]
    # What the maker counted goes before what ticks tell, for all that was done there.
    for station, minutes in own.items():
        tasks = tuple(task for span in spans for task in span.tasks if task.station == station)
        stretches.append((tasks, minutes * 60, alone))
    seen: dict[str, list[float]] = {}
    for tasks, seconds, by in stretches:
        for name, share in _shares(tasks, seconds, figures).items():
            total = seen.setdefault(hand_key(name, by), [0.0, 0.0])
            total[0] += share[0]
            total[1] += share[1]
    return {key: taken / table for key, (taken, table) in seen.items() if table >= _LEAST_S and taken > 0}


def _shares(tasks: Sequence[Task], seconds: float, figures: Figures) -> Mapping[str, tuple[float, float]]:
    """Return for each figure that a stretch tells of what it took and what the table says, s."""
    table = hand_seconds(tasks, figures)
    by_hand, machine = sum(table.values()), sum(task.effort.machine_seconds for task in tasks)
    if by_hand <= 0 or by_hand < _BY_HAND * (by_hand + machine) or seconds <= machine:
        return {}
    ratio = (seconds - machine) / by_hand
    return {name: (own * ratio, own) for name, own in table.items() if own >= _SHARE * by_hand}


def _of_amounts(plan: Plan, catalogue: Catalogue) -> dict[str, float]:
    surface, found = plan.choices.surface.key, {}
    for poured in poured_of(plan):
        key = amount_key(poured.paint, surface)
        if poured.used_ml and poured.planned_ml:
            # What was learnt before is in the plan already; held against the table it is taken out again.
            found[key] = poured.used_ml / poured.planned_ml * catalogue.amounts.get(key, 1.0)
    return found


def _of_cutting(plan: Plan, progress: Progress, figures: Figures) -> dict[str, float]:
    """Return the force that cut it cleanly, after a test cut; a knife in the hand has none."""
    tested = any(progress.done(task) for task in progress.graph.with_trait(Trait.TRIES_THE_CUT))
    figure = figures.get(("material", plan.choices.material.key, "force"))
    if not tested or figure is None or plan.is_by_hand or DID_NOT_CUT in plan.job.record.troubles:
        return {}
    return {force_key(plan.choices.material.key): plan.settings.force / figure.value}


def _of_drying(progress: Progress, figures: Figures) -> dict[str, float]:
    """Return by paint how much sooner or later than the table says its coats were dry to the touch.

    The weather of the job is in its plan; held against that, it is taken out again.
    """
    found: dict[str, list[float]] = {}
    for task in progress.graph.tasks:
        took = progress.dried(task)
        if took is None or not isinstance(task.values, OfCoat):
            continue
        coat = task.values.coating
        figure = figures.get(("paint", coat.paint.key, "touch"))
        if figure is not None and coat.drying.touch > 0:
            ratio = took / 60 / coat.drying.touch * coat.paint.touch / figure.value
            found.setdefault(dry_key(coat.paint.key), []).append(ratio)
    return {key: median(ratios) for key, ratios in found.items()}
