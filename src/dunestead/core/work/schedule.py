"""When will it be ready, with one pair of hands, working hours, and paint that dries overnight?

List scheduling (Graham 1966): of what may be done next, what may begin first; a task that must follow another within
minutes keeps the hands free for it, and a run of such tasks begins only where the day is long enough for all of it.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime, time, timedelta

from dunestead.core.records import Hours
from dunestead.core.work.progress import Progress
from dunestead.core.work.tasks import Task

__all__ = ["MOST_TASKS", "ReadyBy", "Schedule", "Slot", "ready_by", "schedule_of"]

# More tasks than these are not put in order one by one.
MOST_TASKS = 3000
_FAR = 3650
_STEP = timedelta(minutes=30)
# No run of tasks in one go is longer than this many.
_LONGEST_RUN = 60


@dataclass(frozen=True, slots=True)
class Slot:
    """When a task begins and ends; whether it is done already."""

    begins: datetime
    ends: datetime
    done: bool


@dataclass(frozen=True, slots=True)
class Schedule:
    """Every task's slot by its id, and when the last that leads to use ends."""

    slots: Mapping[str, Slot]
    ready: datetime


@dataclass(frozen=True, slots=True)
class ReadyBy:
    """A job held against its due date.

    Attributes
    ----------
    schedule
        Begun now.
    meets
        Whether it is ready by then.
    late
        By how much not.
    latest
        The latest moment to begin, or to go on, None where it is too late already.
    """

    schedule: Schedule
    meets: bool
    late: timedelta
    latest: datetime | None


def schedule_of(progress: Progress, start: datetime, hours: Hours) -> Schedule:
    """Return when each task of a job is done, those left from a moment on.

    Parameters
    ----------
    progress
        Tasks, and what is done.
    start
        With its zone.
    hours
        When somebody is at the bench; what only waits may end at night.
    """
    return _Scheduling(progress, start, hours).run()


def ready_by(progress: Progress, now: datetime, due: datetime, hours: Hours) -> ReadyBy:
    """Return whether a job begun now is ready in time, and the latest start that is."""
    schedule = schedule_of(progress, now, hours)
    if schedule.ready > due:
        return ReadyBy(schedule, meets=False, late=schedule.ready - due, latest=None)
    low, high = 0, max(int((due - now) / _STEP), 0)
    while low < high:
        middle = (low + high + 1) // 2
        if schedule_of(progress, now + middle * _STEP, hours).ready <= due:
            low = middle
        else:
            high = middle - 1
    return ReadyBy(schedule, meets=True, late=timedelta(0), latest=now + low * _STEP)


class _Scheduling:
    """Tasks put in order, one pair of hands."""

    def __init__(self, progress: Progress, start: datetime, hours: Hours) -> None:
        self._progress, self._start, self._hours = progress, start, hours
        self._slots: dict[str, Slot] = {}
        self._runs: dict[str, float] = {}
        self._free = start
        self._left: list[Task] = []
        for task in progress.graph.tasks:
            entry = progress.done(task)
            if entry is not None:
                self._slots[task.id] = Slot(entry.began or entry.at, entry.at, done=True)
            else:
                self._left.append(task)
        self._next: dict[str, list[Task]] = {}
        for task in progress.graph.tasks:
            for wait in task.after:
                self._next.setdefault(wait.task, []).append(task)
        self._waiting = {task.id: sum(w.task not in self._slots for w in task.after) for task in self._left}

    def run(self) -> Schedule:
        ready = [task for task in self._left if not self._waiting[task.id]]
        order = {task.id: k for k, task in enumerate(self._left)}
        while ready:
            task, begins = self._pick(ready, order)
            ready.remove(task)
            minutes = self._minutes(task)
            ends = begins + timedelta(minutes=minutes)
            self._slots[task.id] = Slot(begins, ends, done=False)
            if minutes:
                self._free = ends
            for after in self._next.get(task.id, ()):
                if after.id in self._waiting:
                    self._waiting[after.id] -= 1
                    if not self._waiting[after.id]:
                        ready.append(after)
        used = [slot.ends for id_, slot in self._slots.items() if id_.startswith("cure-use")]
        return Schedule(self._slots, max(used, default=self._free))

    def _minutes(self, task: Task) -> float:
        """Return minutes of the hands: none for what falls away, or only waits."""
        needs = task.needs_marks
        return 0.0 if needs and not self._progress.marks(needs) else task.minutes

    def _pick(self, ready: list[Task], order: Mapping[str, int]) -> tuple[Task, datetime]:
        """Return what is done next, and when: what must follow soonest before all else."""
        begins = {task.id: self._begins(task) for task in ready}
        closes = {task.id: self._closes(task) for task in ready}
        pressing = [(close, task) for task in ready if (close := closes[task.id]) is not None]
        never = self._start + timedelta(days=_FAR)
        best = min(ready, key=lambda one: (begins[one.id], closes[one.id] or never, order[one.id]))
        if pressing and self._minutes(best):
            close, first = min(pressing, key=lambda one: (one[0], order[one[1].id]))
            ends = begins[best.id] + timedelta(minutes=self._run_minutes(best))
            if best is not first and ends > max(close, begins[first.id]):
                return first, begins[first.id]
        return best, begins[best.id]

    def _begins(self, task: Task) -> datetime:
        moments = [self._moment(wait.task, wait.since) + timedelta(minutes=wait.least) for wait in task.after]
        earliest = max([*moments, self._start])
        if not self._minutes(task):
            return earliest
        earliest = max(earliest, self._free)
        # What must follow within minutes is not put off to the next day.
        return earliest if self._closes(task) is not None else self._at_the_bench(earliest, self._run_minutes(task))

    def _closes(self, task: Task) -> datetime | None:
        moments = [
            self._moment(wait.task, wait.since) + timedelta(minutes=wait.most)
            for wait in task.after
            if wait.most is not None
        ]
        return min(moments, default=None)

    def _moment(self, before: str, since: str) -> datetime:
        slot = self._slots.get(before)
        if slot is None:
            return self._start
        return slot.begins if since == "start" else slot.ends

    def _run_minutes(self, task: Task) -> float:
        """Return minutes from the begin of a task to the end of all that must follow it in time."""
        if task.id not in self._runs:
            self._runs[task.id] = self._run_of(task)
        return self._runs[task.id]

    def _run_of(self, task: Task) -> float:
        total, before = self._minutes(task), task
        for _ in range(_LONGEST_RUN):
            after = next(filter(lambda one: self._must_follow(one, before), self._next.get(before.id, ())), None)
            if after is None or after.id not in self._waiting:
                break
            wait = max(one.least for one in after.after if one.task == before.id)
            total, before = total + wait + self._minutes(after), after
        return total

    def _must_follow(self, task: Task, before: Task) -> bool:
        """Say whether a task follows another in one go: it has an end, or stands before one that has."""
        if any(wait.most is not None for wait in task.after):
            return any(wait.task == before.id for wait in task.after)
        return task.code in ("paint-look-over", "paint-again", "peel-pins") and any(
            wait.task == before.id for wait in task.after
        )

    def _at_the_bench(self, at: datetime, minutes: float) -> datetime:
        """Return the first moment from which so many minutes are left of a working day, or a day begins."""
        hours = self._hours
        for _ in range(_FAR):
            begins = _clock(at, hours.day_from)
            ends = _clock(at, hours.day_until)
            moment = max(at, begins)
            long = timedelta(minutes=minutes)
            # What takes longer than a day begins in the morning.
            fits = moment + long <= ends or (moment == begins and long > ends - begins)
            if begins.weekday() in hours.days and fits:
                return moment
            at = _clock(at + timedelta(days=1), 0.0)
        return at


def _clock(moment: datetime, hour: float) -> datetime:
    """Return an hour of the clock on the wall on the day of a moment, in summer time where that is on."""
    midnight = datetime.combine(moment.astimezone().date(), time())
    return (midnight + timedelta(hours=hour)).astimezone()
