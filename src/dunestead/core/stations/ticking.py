"""May a step be ticked off now, or is a reason asked for? What is open before it, dries, is missing, or the weather."""

from dataclasses import dataclass
from datetime import datetime

from dunestead.core.plan.plan import Plan
from dunestead.core.units import several, show_time
from dunestead.core.words.weather import refusal_of
from dunestead.core.work.kinds import Trait
from dunestead.core.work.progress import Progress
from dunestead.core.work.saying import title_of
from dunestead.core.work.tasks import Task

__all__ = ["Doubt", "doubt_about", "not_yet"]

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
