"""How long did the hands take? From when steps were ticked, and from first strokes; nobody is asked to keep a watch."""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Literal

from dunestead.core.figures import Figure
from dunestead.core.job.log import LogEntry
from dunestead.core.work.tasks import Task, TaskGraph

__all__ = ["Span", "Spell", "hand_seconds", "spans_of", "spells_of"]

# Steps ticked within so many seconds of each other were done in one go, and share the time before.
_ONE_GO_S = 20.0
# What took longer or less than the table's time by more than this factor was no work at a stretch: somebody was away,
# or ticked it off later.
_MOST = 5.0

Figures = Mapping[tuple[str, str, str], Figure]
Why = Literal["timed", "first", "drying", "together", "away", "later"]


@dataclass(frozen=True, slots=True)
class Span:
    """Steps done at one stretch, and the time they took.

    Attributes
    ----------
    tasks
        What was done, one step or several ticked in one go.
    seconds
        From the first stroke, or the tick before, to the tick; None where nobody can tell.
    why
        ``timed`` where it counts; else what stands against it: nothing was ticked before it, paint dried meanwhile,
        nothing in it is by hand, it took far too long (somebody was away) or far too little (it was ticked later).
    by
        Who ticked it, empty where nobody signs in or several did.
    """

    tasks: tuple[Task, ...]
    seconds: float | None
    why: Why
    by: str = ""

    @property
    def is_timed(self) -> bool:
        """Whether its time counts."""
        return self.why == "timed"


@dataclass(frozen=True, slots=True)
class Spell:
    """The work at one station, as it was planned and as it went.

    Attributes
    ----------
    planned, taken
        Minutes of the steps whose time is known, by the figures the plan had and by the log.
    steps, timed
        How many steps were done, and of how many the time is known.
    """

    station: str
    planned: float
    taken: float
    steps: int
    timed: int


def hand_seconds(tasks: Iterable[Task], figures: Figures) -> dict[str, float]:
    """Return seconds of the hands by figure, as the table has them, whatever has been learnt since."""
    found: dict[str, float] = {}
    for task in tasks:
        for name, count in task.effort.counts.items():
            found[name] = found.get(name, 0.0) + count * figures["hand", "median", name].value
    return found


def spans_of(graph: TaskGraph, log: Sequence[LogEntry], figures: Figures) -> list[Span]:
    """Return the steps that were done, in the order they were ticked, with the time each stretch took.

    Parameters
    ----------
    graph
        All steps of the job.
    log
        What happened, oldest first; what was taken back does not count.
    figures
        The shipped figures.
    """
    done: dict[str, LogEntry] = {}
    for entry in log:
        if entry.kind == "undone":
            done.pop(entry.task, None)
        if entry.kind == "done" and entry.task in graph.by_id:
            done[entry.task] = entry
    ticked = sorted(done.values(), key=lambda entry: entry.at)
    spans, before = [], None
    for group in _in_one_go(ticked):
        spans.append(_span([graph.by_id[entry.task] for entry in group], group, before, figures))
        before = group[-1].at
    return spans


def _in_one_go(ticked: Sequence[LogEntry]) -> Iterator[list[LogEntry]]:
    group: list[LogEntry] = []
    for entry in ticked:
        together = group and entry.began is None and group[-1].began is None
        if together and (entry.at - group[-1].at).total_seconds() <= _ONE_GO_S:
            group.append(entry)
            continue
        if group:
            yield group
        group = [entry]
    if group:
        yield group


def _span(tasks: list[Task], group: Sequence[LogEntry], before: datetime | None, figures: Figures) -> Span:
    began, own = group[0].began, tuple(tasks)
    since = began or before
    by_hand = sum(hand_seconds(tasks, figures).values())
    machine = sum(task.effort.machine_seconds for task in tasks)
    if not by_hand:
        return Span(own, None, "together")
    if since is None:
        return Span(own, None, "first")
    # Until paint is dry nobody works on what waits for it; only a first stroke tells when that began.
    if began is None and any(wait.least for task in tasks for wait in task.after):
        return Span(own, None, "drying")
    seconds = (group[-1].at - since).total_seconds()
    if seconds > machine + by_hand * _MOST:
        return Span(own, None, "away")
    if seconds < machine + by_hand / _MOST:
        return Span(own, None, "later")
    names = {entry.by for entry in group}
    return Span(own, seconds, "timed", names.pop() if len(names) == 1 else "")


def spells_of(spans: Iterable[Span], figures: Figures) -> list[Spell]:
    """Return the work station by station; a stretch over several is shared by what the table says of each."""
    found: dict[str, list[float]] = {}
    for span in spans:
        table = {task.id: _table_seconds(task, figures) for task in span.tasks}
        whole = sum(table.values())
        for task in span.tasks:
            spell = found.setdefault(task.station, [0.0, 0.0, 0, 0])
            spell[2] += 1
            if span.seconds is not None and table[task.id]:
                spell[0] += task.minutes
                spell[1] += span.seconds / 60 * table[task.id] / whole
                spell[3] += 1
    return [
        Spell(station, planned, taken, round(steps), round(timed))
        for station, (planned, taken, steps, timed) in found.items()
    ]


def _table_seconds(task: Task, figures: Figures) -> float:
    return task.effort.machine_seconds + sum(hand_seconds((task,), figures).values())
