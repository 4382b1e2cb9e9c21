"""What happens to one copy from the first coat to the last: as it was, and as it will be."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime

from dunestead.core.work.kinds import Trait
from dunestead.core.work.progress import Progress
from dunestead.core.work.schedule import Schedule
from dunestead.core.work.tasks import Task

__all__ = ["Event", "timeline_of"]


@dataclass(frozen=True, slots=True)
class Event:
    """One task on the axis of time: when it begins and ends, whether it is done, what it waits for longest.

    Attributes
    ----------
    waits_for, minutes
        The task whose drying it waits for, and how long; None where it waits for none.
    """

    task: Task
    begins: datetime
    ends: datetime
    done: bool
    waits_for: Task | None
    minutes: float


def timeline_of(progress: Progress, schedule: Schedule, copy: int) -> list[Event]:
    """Return the events of a copy in the order of time."""
    return sorted(_events(progress, schedule, copy), key=lambda event: (event.begins, event.ends))


def _events(progress: Progress, schedule: Schedule, copy: int) -> Iterator[Event]:
    for task in progress.graph.tasks:
        slot = schedule.slots.get(task.id)
        if task.copy != copy or slot is None or not task.has(Trait.ON_THE_AXIS):
            continue
        waits = [wait for wait in task.after if wait.least]
        longest = max(waits, key=lambda wait: _dry(schedule, wait.task, wait.least), default=None)
        before = progress.graph.by_id.get(longest.task) if longest else None
        yield Event(task, slot.begins, slot.ends, slot.done, before, longest.least if longest else 0.0)


def _dry(schedule: Schedule, before: str, minutes: float) -> float:
    """Return when a wait is over, s since the epoch."""
    slot = schedule.slots.get(before)
    return (slot.ends.timestamp() if slot else 0.0) + 60 * minutes
