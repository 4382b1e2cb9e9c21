"""When will it be ready, with one pair of hands, working hours, and paint that dries overnight?

List scheduling (Graham 1966): of what may be done next, what may begin first; a task that must follow another within
minutes keeps the hands free for it, and a run of such tasks begins only where the day is long enough for all of it.
While a machine runs unattended the hands are free for other tasks.
"""

import math
from bisect import bisect_right
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass
from datetime import date, datetime, time, timedelta

from dunestead.core.records import Hours
from dunestead.core.work.kinds import Trait
from dunestead.core.work.progress import Progress
from dunestead.core.work.resources import ResourceName
from dunestead.core.work.tasks import Task, Wait

__all__ = ["MOST_TASKS", "ReadyBy", "Schedule", "Slot", "ready_by", "schedule_of"]

# More tasks than these are not put in order one by one.
MOST_TASKS = 3000
_FAR = 3650
_NEVER = math.inf
# The latest start is looked for by half hours, of very many tasks by four hours; then it is told to five minutes.
_STEP, _COARSE_STEP, _FINE = timedelta(minutes=30), timedelta(hours=4), 600
_STEP_FINE = timedelta(minutes=5)
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
    step = _STEP if len(progress.graph.tasks) <= _FINE else _COARSE_STEP

    def meets(wait: timedelta) -> bool:
        return schedule_of(progress, now + wait, hours).ready <= due

    low, high = 0, max(int((due - now) / step), 0)
    while low < high:
        middle = (low + high + 1) // 2
        if meets(middle * step):
            low = middle
        else:
            high = middle - 1
    return ReadyBy(schedule, meets=True, late=timedelta(0), latest=now + _latest(low * step, step, meets))


def _latest(least: timedelta, step: timedelta, meets: Callable[[timedelta], bool]) -> timedelta:
    """Return, to five minutes, how long one may wait at most: so long does, a step longer does not."""
    low, high = 0, max(int(step / _STEP_FINE) - 1, 0)
    while low < high:
        middle = (low + high + 1) // 2
        if meets(least + middle * _STEP_FINE):
            low = middle
        else:
            high = middle - 1
    return least + low * _STEP_FINE


class _Scheduling:
    """Tasks put in order, one pair of hands; moments are minutes from the start."""

    def __init__(self, progress: Progress, start: datetime, hours: Hours) -> None:
        self._progress, self._start, self._hours = progress, start, hours
        self._slots: dict[str, tuple[float, float]] = {}
        self._runs: dict[str, float] = {}
        self._days: list[tuple[float, float]] = []
        self._day = start.astimezone().date()
        # From when the hands are free, and each thing there is one of.
        self._free: dict[ResourceName, float] = {}
        self._left: list[Task] = []
        for task in progress.graph.tasks:
            entry = progress.done(task)
            if entry is None:
                self._left.append(task)
            else:
                self._slots[task.id] = (self._since(entry.began or entry.at), self._since(entry.at))
        self._next: dict[str, list[Task]] = {}
        for task in progress.graph.tasks:
            for wait in task.after:
                self._next.setdefault(wait.task, []).append(task)
        self._waiting = {task.id: sum(w.task not in self._slots for w in task.after) for task in self._left}

    def run(self) -> Schedule:
        """Put all that is left in order."""
        order = {task.id: k for k, task in enumerate(self._left)}
        ready = [self._ready(task, order) for task in self._left if not self._waiting[task.id]]
        while ready:
            one, begins = self._pick(ready)
            ready.remove(one)
            ends = begins + one.minutes
            self._slots[one.task.id] = (begins, ends)
            if one.minutes:
                self._free["hands"] = begins + one.hands
                self._free[one.task.occupies] = ends
            for after in self._next.get(one.task.id, ()):
                if after.id in self._waiting:
                    self._waiting[after.id] -= 1
                    if not self._waiting[after.id]:
                        ready.append(self._ready(after, order))
        used = [self._slots[task.id][1] for task in self._progress.graph.with_trait(Trait.IN_USE)]
        left = {task.id for task in self._left}
        slots = {
            id_: Slot(self._moment(begins), self._moment(ends), id_ not in left)
            for id_, (begins, ends) in self._slots.items()
        }
        # Without a step of being in use, when all is done.
        ends_of_all = used or [ends for _, ends in self._slots.values()]
        return Schedule(slots, self._moment(max(ends_of_all, default=0.0)))

    def _since(self, moment: datetime) -> float:
        return (moment - self._start).total_seconds() / 60

    def _moment(self, minutes: float) -> datetime:
        return self._start + timedelta(minutes=minutes)

    def _ready(self, task: Task, order: Mapping[str, int]) -> "_Ready":
        earliest = max([0.0, *(self._at(wait) + wait.least for wait in task.after)])
        closes = min((self._at(wait) + wait.most for wait in task.after if wait.most is not None), default=_NEVER)
        minutes, hands = self._minutes(task)
        return _Ready(task, minutes, hands, earliest, closes, self._run_minutes(task), order[task.id])

    def _at(self, wait: Wait) -> float:
        begins, ends = self._slots.get(wait.task, (0.0, 0.0))
        return begins if wait.since == "start" else ends

    def _minutes(self, task: Task) -> tuple[float, float]:
        """Return minutes in all and of the hands: none for what falls away, or only waits."""
        needs = task.needs_marks
        if needs and not self._progress.marks(needs):
            return 0.0, 0.0
        return task.minutes, task.hand_minutes

    def _pick(self, ready: list["_Ready"]) -> tuple["_Ready", float]:
        """Return what is done next, and when: what must follow soonest before all else."""
        begins, best = min(((self._begins(one), one) for one in ready), key=lambda each: (each[0], each[1].rank))
        pressing = min((one for one in ready if one.closes < _NEVER), key=lambda one: one.rank, default=None)
        if pressing is not None and pressing is not best and best.minutes:
            latest = max(pressing.closes, self._begins(pressing))
            if begins + best.run > latest:
                return pressing, self._begins(pressing)
        return best, begins

    def _begins(self, one: "_Ready") -> float:
        if not one.minutes:
            return one.earliest
        at = max(one.earliest, self._free.get("hands", 0.0), self._free.get(one.task.occupies, 0.0))
        at_the_bench = self._at_the_bench(at, max(one.run, one.minutes))
        # What must follow within minutes is not put off to the next day.
        return at_the_bench if at_the_bench <= one.closes else at

    def _run_minutes(self, task: Task) -> float:
        """Return minutes from the begin of a task to the end of all that must follow it in time."""
        if task.id not in self._runs:
            self._runs[task.id] = self._run_of(task)
        return self._runs[task.id]

    def _run_of(self, task: Task) -> float:
        total, before = self._minutes(task)[1], task
        for _ in range(_LONGEST_RUN):
            after = next((one for one in self._next.get(before.id, ()) if _must_follow(one, before)), None)
            if after is None or after.id not in self._waiting:
                break
            wait = max(one.least for one in after.after if one.task == before.id)
            total, before = total + wait + self._minutes(after)[1], after
        return total

    def _at_the_bench(self, at: float, minutes: float) -> float:
        """Return the first moment from which so many minutes are left of a working day, or a day begins."""
        for begins, ends in self._days_from(at):
            moment = max(at, begins)
            # What takes longer than a day begins in the morning.
            if moment + minutes <= ends or (moment == begins and minutes > ends - begins):
                return moment
        return at

    def _days_from(self, at: float) -> Iterator[tuple[float, float]]:
        """Yield the days at the bench that end after a moment."""
        first = bisect_right(self._days, at, key=lambda day: day[1])
        for k in range(first, first + _FAR):
            while k >= len(self._days):
                self._days.append(self._next_day())
            if self._days[k][1] > at:
                yield self._days[k]

    def _next_day(self) -> tuple[float, float]:
        """Return when the next day on which somebody works begins and ends."""
        while self._day.weekday() not in self._hours.days:
            self._day += timedelta(days=1)
        day, self._day = self._day, self._day + timedelta(days=1)
        return self._since(_clock(day, self._hours.day_from)), self._since(_clock(day, self._hours.day_until))


@dataclass(frozen=True, slots=True, eq=False)
class _Ready:
    """A task whose turn may come.

    Attributes
    ----------
    minutes, hands
        From its begin to its end, and of these from its begin on with the hands.
    earliest, closes
        From when, until when.
    run
        Minutes of the hands until all that must follow it is done.
    place
        In the graph.
    """

    task: Task
    minutes: float
    hands: float
    earliest: float
    closes: float
    run: float
    place: int

    @property
    def rank(self) -> tuple[float, int]:
        """What must be begun sooner goes first, then what stands first in the graph."""
        return self.closes, self.place


def _must_follow(task: Task, before: Task) -> bool:
    """Say whether a task follows another in one go: it has an end, or stands before one that has."""
    timed = any(wait.most is not None for wait in task.after)
    return (timed or task.has(Trait.IN_ONE_GO)) and any(wait.task == before.id for wait in task.after)


def _clock(day: date, hour: float) -> datetime:
    """Return an hour of the clock on the wall on a day, in summer time where that is on."""
    return (datetime.combine(day, time()) + timedelta(hours=hour)).astimezone()
