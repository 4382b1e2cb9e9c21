"""How far is a job? What is done, what was done on an earlier version, what may be done now, what is waited for."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from typing import Literal

from dunestead.core.job.log import LogEntry
from dunestead.core.work.kinds import Trait
from dunestead.core.work.marks import KINDS, Mark, MarkKind
from dunestead.core.work.tasks import Count, Task, TaskGraph, Wait

__all__ = ["Clock", "Progress", "TaskState"]

TaskState = Literal["open", "waiting", "ready", "done", "outdated"]


@dataclass(frozen=True, slots=True)
class Clock:
    """A task that is timed by another one that is done.

    Attributes
    ----------
    opens
        From when it may be done; None while something that it is timed by is still to be done.
    closes
        Until when it should be done, None where there is no end.
    first
        What is still to be done before it opens.
    fits_until
        When that must be begun at the latest, so that it closes in time.
    """

    task: Task
    opens: datetime | None
    closes: datetime | None
    first: tuple[Task, ...] = ()
    fits_until: datetime | None = None

    @property
    def coats(self) -> int:
        """How many coats are still to be put on before it opens."""
        return sum(task.has(Trait.FIRST_STROKE) for task in self.first)

    @property
    def next_moment(self) -> datetime:
        """When something happens to it next."""
        return self.opens or self.closes or datetime.max.replace(tzinfo=UTC)


class Progress:
    """A job's tasks and what the log says of them.

    Parameters
    ----------
    graph
        All tasks.
    log
        What happened, oldest first.
    """

    def __init__(self, graph: TaskGraph, log: Iterable[LogEntry]) -> None:
        self.graph = graph
        self.log = tuple(log)
        self._done: dict[str, LogEntry] = {}
        self._called: dict[str, dict[int, datetime]] = {}
        self._counted: dict[tuple[str, str], int] = {}
        self._lifted: dict[str, set[int]] = {}
        self._laid: dict[str, LogEntry] = {}
        self._begun: dict[str, datetime] = {}
        self._dried: dict[str, float] = {}
        self._marks: dict[str, dict[int, Mark]] = {}
        self.rehearsals: list[LogEntry] = []
        for entry in self.log:
            self._take(entry)

    def _take(self, entry: LogEntry) -> None:
        if entry.kind == "done":
            self._done[entry.task] = entry
        elif entry.kind == "undone":
            self._done.pop(entry.task, None)
            self._begun.pop(entry.task, None)
            self._dried.pop(entry.task, None)
        elif entry.kind == "called":
            self._called.setdefault(entry.task, {}).update(dict.fromkeys(entry.numbers, entry.at))
        elif entry.kind == "uncalled":
            for number in entry.numbers:
                self._called.get(entry.task, {}).pop(number, None)
        elif entry.kind == "counted" and entry.count is not None:
            self._counted[entry.task, entry.what] = entry.count
        elif entry.kind == "lifted":
            self._lifted.setdefault(entry.task, set()).update(entry.numbers)
        elif entry.kind == "dried" and entry.took is not None:
            self._dried[entry.task] = entry.took
        elif entry.kind == "rehearsed":
            self.rehearsals.append(entry)
        elif entry.kind == "laid":
            self._laid[entry.task] = entry
        elif entry.kind == "begun":
            self._begun[entry.task] = entry.at
        elif entry.kind in ("marked", "unmarked", "mended"):
            self._mark(entry)
        elif entry.kind == "held":
            self._lifted.get(entry.task, set()).difference_update(entry.numbers)

    def _mark(self, entry: LogEntry) -> None:
        marks = self._marks.setdefault(entry.task, {})
        for number in entry.numbers:
            if entry.kind == "unmarked":
                marks.pop(number, None)
            elif entry.kind == "marked" and entry.place is not None:
                what: MarkKind = next((kind for kind in KINDS if kind == entry.what), "missed")
                marks[number] = Mark(number, what, entry.place)
            elif number in marks:
                marks[number] = replace(marks[number], mended=entry.at if entry.within else None)

    def done(self, task: Task) -> LogEntry | None:
        """Return when and on what a task was done, None when it was not."""
        return self._done.get(task.id)

    def is_done(self, task: Task) -> bool:
        """Say whether a task is done, on whichever version, or has fallen away."""
        return task.id in self._done or self.falls_away(task)

    def falls_away(self, task: Task) -> bool:
        """Say whether a task is for what was marked, and nothing was."""
        needs = task.needs_marks
        return needs is not None and needs in self._done and not self._marks.get(needs)

    def marks(self, task_id: str) -> tuple[Mark, ...]:
        """Return what was marked in a task, by its number."""
        return tuple(mark for _, mark in sorted(self._marks.get(task_id, {}).items()))

    def begun(self, task: Task) -> datetime | None:
        """Return when the first stroke of a task was, None where nobody said."""
        return self._begun.get(task.id)

    def outdated_by(self, task: Task) -> tuple[str, ...]:
        """Return what has changed since a task was done, in a maker's words; nothing where it stands."""
        entry = self._done.get(task.id)
        if entry is None:
            return ()
        # What nobody wrote down then is taken to be as it was.
        return tuple(name for name, value in entry.fingerprint.items() if task.fingerprint.get(name, value) != value)

    def dried(self, task: Task) -> float | None:
        """Return after how many seconds a coat was found dry to the touch, None where nobody said."""
        return self._dried.get(task.id)

    def calls(self, task: Task) -> Mapping[int, datetime]:
        """Return when each keeper answered a task's roll-call."""
        return self._called.get(task.id, {})

    def met(self, task: Task) -> int:
        """Return how many keepers have answered a task's roll-call."""
        called = self.calls(task)
        return sum(number in called for number in task.call.numbers) if task.call else 0

    def missing(self, task: Task) -> int:
        """Return how many keepers have not answered."""
        return len(task.call.numbers) - self.met(task) if task.call and task.call.of == "keepers" else 0

    def counted(self, task: Task, what: str) -> int | None:
        """Return how many of something were counted, None while nothing was."""
        return self._counted.get((task.id, what))

    def expected(self, count: Count) -> int | None:
        """Return how many there should be: as many as were counted before, where that is what it is held against."""
        before = self._counted.get(count.as_counted) if count.as_counted else None
        return count.expected if before is None else before

    def off_counts(self, task: Task) -> list[tuple[Count, int | None, int | None]]:
        """Return what is still to be counted or does not come out: each with what was counted and what should be."""
        found = []
        for count in task.call.counts if task.call else ():
            value, wanted = self.counted(task, count.code), self.expected(count)
            if value is None or (wanted is not None and value != wanted):
                found.append((count, value, wanted))
        return found

    def lifted(self, task_id: str) -> tuple[int, ...]:
        """Return the rests of a task where the mask lifted."""
        return tuple(sorted(self._lifted.get(task_id, ())))

    def laid(self, task: Task) -> LogEntry | None:
        """Return what the tape read last where a mask was laid, None where nothing was measured."""
        return self._laid.get(task.id)

    def pressed_at(self, trait: Trait) -> LogEntry | None:
        """Return how the mask was really pressed last, in a first or a second pass; None where nobody wrote it down."""
        used = (one for one in reversed(self.log) if one.kind == "used" and one.task in self.graph.by_id)
        return next((one for one in used if self.graph.by_id[one.task].has(trait)), None)

    # --- what may be done now ---------------------------------------------------------------------
    def opens(self, task: Task) -> datetime | None:
        """Return from when a task may be done, by those before it that are done; None where nothing is waited for."""
        moments = [self._moment(wait, wait.least) for wait in task.after if wait.least]
        return max((at for at in moments if at), default=None)

    def timed_from(self, task: Task) -> datetime | None:
        """Return from when a task may be done by its times alone, None while something it is timed by is not done."""
        timed = [wait for wait in task.after if wait.least]
        return self.opens(task) if all(wait.task in self._done for wait in timed) else None

    def closes(self, task: Task) -> datetime | None:
        """Return until when a task should be done."""
        moments = [self._moment(wait, wait.most) for wait in task.after if wait.most is not None]
        return min((at for at in moments if at), default=None)

    def _moment(self, wait: Wait, minutes: float | None) -> datetime | None:
        entry = self._done.get(wait.task)
        if entry is None or minutes is None:
            return None
        # In UTC: a clock on the wall is put on or back in between, minutes are not.
        since = self._start(entry) if wait.since == "start" else entry.at
        return since.astimezone(UTC) + timedelta(minutes=minutes)

    def _start(self, entry: LogEntry) -> datetime:
        """Return the first stroke of what was done: as it was said, else so long before as the hands take."""
        if entry.began is not None:
            return entry.began
        task = self.graph.by_id.get(entry.task)
        return entry.at - timedelta(minutes=task.minutes if task else 0.0)

    def waits_for(self, task: Task) -> list[Wait]:
        """Return what must still be done before a task."""
        return [wait for wait in task.after if not self._is_through(wait.task)]

    def _is_through(self, task_id: str) -> bool:
        task = self.graph.by_id.get(task_id)
        return self.is_done(task) if task else task_id in self._done

    def state(self, task: Task, now: datetime) -> TaskState:
        """Say how a task stands."""
        if self.is_done(task):
            return "outdated" if self.outdated_by(task) else "done"
        if self.waits_for(task):
            return "open"
        opens = self.opens(task)
        return "waiting" if opens and now < opens else "ready"

    def next_task(self, now: datetime) -> Task | None:
        """Return what to do next: the first that is ready, else the first that is waited for, else the first left."""
        left = [task for task in self.graph.tasks if not self.is_done(task)]
        waiting = None
        for task in left:
            state = self.state(task, now)
            if state == "ready":
                return task
            if state == "waiting" and waiting is None:
                waiting = task
        return waiting or next(iter(left), None)

    def clocks(self) -> list[Clock]:
        """Return every task that is timed by one already done, soonest first."""
        found = (self._clock(task) for task in self.graph.tasks if not self.is_done(task))
        return sorted((clock for clock in found if clock), key=lambda clock: clock.next_moment)

    def _clock(self, task: Task) -> Clock | None:
        """Return the clock of a task that is still to be done, None where nothing times it yet."""
        timed = [wait for wait in task.after if wait.least or wait.most is not None]
        begun = [wait for wait in timed if wait.task in self._done]
        if not begun:
            return None
        closes = self.closes(task)
        if len(begun) == len(timed):
            return Clock(task, self.opens(task) or self._done[begun[0].task].at, closes)
        if closes is None:
            return None
        first = self._before(task)
        hands = timedelta(minutes=sum(one.minutes for one in first))
        return Clock(task, None, closes, first, closes - hands)

    def _before(self, task: Task) -> tuple[Task, ...]:
        """Return all that is still to be done before a task, in its order; what falls away if nothing is marked not."""
        found, left = set[str](), [wait.task for wait in self.waits_for(task)]
        while left:
            number = left.pop()
            if number not in found and number in self.graph.by_id:
                found.add(number)
                left += [wait.task for wait in self.waits_for(self.graph.by_id[number])]
        return tuple(one for one in self.graph.tasks if one.id in found and one.needs_marks is None)
