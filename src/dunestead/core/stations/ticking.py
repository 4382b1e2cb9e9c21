"""May a step be ticked off now, or is a reason asked for? What is open before it, dries, is missing, or the weather."""

from dataclasses import dataclass
from datetime import datetime

from dunestead.core.job.log import LogEntry
from dunestead.core.plan.plan import Plan
from dunestead.core.units import several, show_time
from dunestead.core.words.weather import refusal_of
from dunestead.core.work.kinds import Trait
from dunestead.core.work.progress import Progress
from dunestead.core.work.saying import title_of
from dunestead.core.work.tasks import Task

__all__ = ["Doubt", "all_here", "all_here_in_words", "doubt_about", "not_yet"]

_MOST_NAMED = 8


@dataclass(frozen=True, slots=True)
class Doubt:
    """Why a step should not be ticked off as it stands, and what to do."""

    what: str
    fix: str


def doubt_about(plan: Plan, progress: Progress, task: Task, at: datetime, unit: str) -> Doubt | None:
    """Return why a step is ticked off with a reason only, None where nothing stands against it."""
    return _uncounted(progress, task) or not_yet(plan, progress, task, at, unit) or _left_in(progress, task)


def not_yet(plan: Plan, progress: Progress, task: Task, at: datetime, unit: str) -> Doubt | None:
    """Return what must come before a step, or pass: other steps, drying, the weather; None where its turn has come."""
    by_id = progress.graph.by_id
    before = [by_id[wait.task] for wait in progress.waits_for(task) if wait.task in by_id]
    if before:
        more = f" and {several(len(before) - 1, 'more step')}" if len(before) > 1 else ""
        copy = f", copy {before[0].copy}" if before[0].copy not in (None, task.copy) else ""
        named = title_of(before[0], unit).partition(":")[0]
        return Doubt(f"First: {named}{copy}{more}.", "Do that first, or write why you carry on without it.")
    opens = progress.opens(task)
    if opens and at < opens:
        left = show_time(max((opens - at).total_seconds() / 60, 1))
        return Doubt(f"Too early: {left} to wait.", "Wait. If you can't, write why.")
    if task.occupies == "outdoors" and (why := refusal_of(plan.spraying, unit)):
        return Doubt(why, "Wait for better weather, put in what it is now, or say why you sprayed.")
    return None


def all_here_in_words(progress: Progress, task: Task) -> str | None:
    """Return what is said of a count that comes out: "All 8 windows out, 3 in place".

    A number that is for the maker to say is taken to be the planned one. None where nothing is left to count, or where
    a count was given already that does not come out.
    """
    missing, off = progress.missing(task), progress.off_counts(task)
    if missing and progress.counted(task, "keepers") is not None:
        return None
    if not (missing or off) or any(value is not None for _, value, _ in off):
        return None
    numbers = [(count, count.planned if wanted is None else wanted) for count, _, wanted in off]
    if any(number is None for _, number in numbers):
        return None
    windows = sum(number or 0 for count, number in numbers if count.code.startswith(_WINDOWS))
    parts = [f"{several(windows, 'window')} out"] if windows else []
    parts += [f"{number} {count.name}" for count, number in numbers if not count.code.startswith(_WINDOWS)]
    if missing and task.call:
        parts.append(f"{len(task.call.numbers)} {_ANSWERED.get(task.station, 'here')}")
    return f"All {', '.join(parts)}"


def all_here(progress: Progress, task: Task, at: datetime) -> list[LogEntry]:
    """Return the rows that say that all of a task's pieces answered and all its counts came out; see above for none."""
    if all_here_in_words(progress, task) is None or task.call is None:
        return []
    counted = [
        LogEntry("counted", task.id, at, what=count.code, count=count.planned if wanted is None else wanted)
        for count, _, wanted in progress.off_counts(task)
    ]
    called = [LogEntry("called", task.id, at, numbers=task.call.numbers)] if progress.missing(task) else []
    return [*counted, *called]


_WINDOWS = "windows"
_ANSWERED = {"weed": "in place", "tack": "placed", "peel": "lifted"}


def _uncounted(progress: Progress, task: Task) -> Doubt | None:
    """Return what a roll-call or a count has not come out with."""
    if missing := progress.missing(task):
        called = progress.calls(task)
        numbers = [number for number in task.call.numbers if number not in called] if task.call else []
        named = ", ".join(map(str, numbers[:_MOST_NAMED])) + (" ..." if len(numbers) > _MOST_NAMED else "")
        still = "1 piece is still missing" if missing == 1 else f"{missing} pieces are still missing"
        return Doubt(f"{still}: {named}.", "Tick each one you find, or write why you carry on.")
    for count, value, wanted in progress.off_counts(task):
        if value is None:
            should = "" if wanted is None else f": {wanted} should be there"
            return Doubt(f"The {count.name} are not counted yet{should}.", "Count them and write the number.")
        return Doubt(
            f"You counted {value} {count.name}; there should be {wanted}.",
            "Count again, or write why you carry on.",
        )
    return None


def _left_in(progress: Progress, task: Task) -> Doubt | None:
    """Return what a job is closed with although a keeper is left in a print."""
    if not task.has(Trait.CLOSES_THE_JOB):
        return None
    left = sum(progress.missing(one) for one in progress.graph.with_trait(Trait.LIFTS_KEEPERS))
    if not left:
        return None
    return Doubt(
        f"{several(left, 'keeper')} did not answer at the peel: they may still be in the print.",
        "Look for them on the map at Peel and tick them, or say why you close the job without them.",
    )
