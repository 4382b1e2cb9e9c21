"""What will a job still take out of the stores, and what comes back?"""

from collections.abc import Iterator, Mapping
from dataclasses import replace

from dunestead.core.work.kinds import Trait
from dunestead.core.work.needs import Need, NeedKind
from dunestead.core.work.progress import Progress
from dunestead.core.work.tasks import Task

__all__ = ["LOOKED_FOR_AT", "needs_left", "returned_by", "taken_by"]


def taken_by(task: Task) -> list[Need]:
    """Return what a step takes out of the stores."""
    return [need for need in task.needs if need.amount > 0]


def returned_by(task: Task, progress: Progress) -> list[Need]:
    """Return what a step gives back: pins of a mask that does not take them to the bin, as many as were counted."""
    if not task.has(Trait.PINS_BACK) or task.call is None:
        return []
    set_by = {count.as_counted[0] for count in task.call.counts if count.as_counted}
    back = [need for one in set_by for need in progress.graph.by_id[one].needs if need.returns]
    counted = [(progress.counted(task, count.code), progress.expected(count)) for count in task.call.counts]
    amount = sum(float(expected or 0) if value is None else float(value) for value, expected in counted)
    return [replace(need, amount=amount) for need in back] if amount else []


def needs_left(progress: Progress) -> list[Need]:
    """Return what a job will still take, what is taken in the same way in one sum.

    What comes back for the next copy is wanted once only, and not while it is still out.
    """
    sums: dict[Need, float] = {}
    most: dict[Need, float] = {}
    for task in progress.graph.tasks:
        if progress.is_done(task) or task.needs_marks is not None:
            continue
        for need in taken_by(task):
            same = replace(need, amount=0.0, at_hand=None)
            if need.returns:
                most[same] = max(most.get(same, 0.0), need.amount)
            else:
                sums[same] = sums.get(same, 0.0) + need.amount
    out = max(sum(_out(progress)), 0.0)
    left = {need: amount - out for need, amount in most.items() if amount > out}
    return [replace(need, amount=amount) for need, amount in (*sums.items(), *left.items())]


def _out(progress: Progress) -> Iterator[float]:
    """Yield how many pins went into masks, and less how many came back."""
    for task in progress.graph.tasks:
        if progress.is_done(task):
            yield from (need.amount for need in taken_by(task) if need.returns)
            yield from (-need.amount for need in returned_by(task, progress))


# At which station a maker looks for it.
LOOKED_FOR_AT: Mapping[NeedKind, str] = {
    "blank": "blank",
    "roll": "sheets",
    "sheets": "sheets",
    "mask": "sheets",
    "carrier": "weed",
    "pins": "tack",
    "tape": "tack",
    "paint": "paint",
}
