"""One thing to do: what it is about, how long it takes the hands, what it waits for, what closes it."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import lru_cache
from typing import Any, Literal

from dunestead.core.effort import NO_EFFORT, Effort

__all__ = ["Call", "Count", "Lane", "Need", "Occupies", "Task", "TaskGraph", "Wait", "task_id"]

Occupies = Literal["hands", "cutter", "plate", "rack", "outdoors"]


@dataclass(frozen=True, slots=True)
class Wait:
    """A task that comes before, and the minutes that must and may lie between.

    Attributes
    ----------
    task
        Its id.
    least, most
        Minutes after it; None for as long as one likes.
    since
        Counted from the end of that task, or from its first stroke.
    """

    task: str
    least: float = 0.0
    most: float | None = None
    since: Literal["end", "start"] = "end"


@dataclass(frozen=True, slots=True)
class Count:
    """Something that is counted, the number written down.

    Attributes
    ----------
    code
        What: ``windows``, ``keepers``, ``pins``, ``push-pins``.
    expected
        How many there should be; None where the count itself says it.
    planned
        How many are planned, where the count itself says how many there are.
    as_counted
        The task and the count it must agree with, once that is counted; its own `expected` holds until then.
    """

    code: str
    expected: int | None
    as_counted: tuple[str, str] | None = None
    planned: int | None = None


@dataclass(frozen=True, slots=True)
class Call:
    """A roll-call that closes a task: what must answer by its number, and what is counted.

    Attributes
    ----------
    numbers
        Numbers of keepers, or of rests of the plate.
    of
        Which of them, or places to touch up. Those and rests may be ticked; only keepers must all answer.
    counts
        What is counted besides.
    again
        Id of the task whose lifted places are gone over again here.
    """

    numbers: tuple[int, ...] = ()
    of: Literal["keepers", "placements", "touch-ups"] = "keepers"
    counts: tuple[Count, ...] = ()
    again: str | None = None


@dataclass(frozen=True, slots=True)
class Need:
    """A tool, or an amount of something, that must be at hand: ml, mm, or a count, as its unit says."""

    what: str
    amount: float | None = None
    unit: Literal["", "ml", "mm"] = ""


@dataclass(frozen=True, slots=True)
class Task:
    """One thing to do.

    Attributes
    ----------
    code
        What is done; begins with the name of its station.
    station
        Where it belongs.
    mask, sheet, copy, coating, coat
        What it is about: numbers from 1, None where it is about all.
    effort
        Of the hands; waiting is not counted.
    occupies
        What nothing else may have meanwhile.
    after
        What comes before.
    figures
        Values its words are made from.
    needs
        Tools and amounts.
    cautions
        Keys of what can hurt.
    call
        What closes it, None where a tick does.
    needs_marks
        Id of the task whose marks it sees to: where nothing was marked, it falls away. None for what is always done.
    standing
        What it stands on, in short: by what a maker calls it. When one of these changes after it was done, it was
        done on an earlier version.
    """

    code: str
    station: str
    mask: int | None = None
    sheet: int | None = None
    copy: int | None = None
    coating: int | None = None
    coat: int | None = None
    effort: Effort = NO_EFFORT
    occupies: Occupies = "hands"
    after: tuple[Wait, ...] = ()
    figures: Mapping[str, Any] = field(default_factory=dict)
    needs: tuple[Need, ...] = ()
    cautions: tuple[str, ...] = ()
    call: Call | None = None
    needs_marks: str | None = None
    standing: Mapping[str, str] = field(default_factory=dict)

    @property
    def minutes(self) -> float:
        """Of the hands; waiting is not counted."""
        return self.effort.minutes

    @property
    def id(self) -> str:
        """What it is known by, from revision to revision."""
        return task_id(
            self.code, mask=self.mask, sheet=self.sheet, copy=self.copy, coating=self.coating, coat=self.coat
        )


@lru_cache(maxsize=65_536)
def task_id(
    code: str,
    *,
    mask: int | None = None,
    sheet: int | None = None,
    copy: int | None = None,
    coating: int | None = None,
    coat: int | None = None,
) -> str:
    """Return what a task is known by.

    Examples
    --------
    >>> task_id("paint-coat", mask=1, copy=3, coating=2, coat=1)
    'paint-coat/m1/k3/c2/n1'
    >>> task_id("record-written")
    'record-written'
    """
    about = (("m", mask), ("s", sheet), ("k", copy), ("c", coating), ("n", coat))
    return "/".join([code, *(f"{letter}{number}" for letter, number in about if number is not None)])


@dataclass(frozen=True, slots=True)
class TaskGraph:
    """All tasks of a job in the order they are done, and by their ids."""

    tasks: tuple[Task, ...]
    by_id: Mapping[str, Task] = field(compare=False)

    def of(self, station: str) -> Iterator[Task]:
        """Yield a station's tasks."""
        return (task for task in self.tasks if task.station == station)


class Lane:
    """A row of tasks that follow each other; what is added waits for the one before.

    Parameters
    ----------
    begins
        What the first one waits for.
    """

    def __init__(self, begins: Sequence[Wait] = ()) -> None:
        self._waits = tuple(begins)
        self.tasks: list[Task] = []

    def add(self, task: Task, *waits: Wait) -> Task:
        """Add a task behind the others; further waits go before what it would wait for anyhow."""
        named = {wait.task for wait in waits}
        follows = self._waits if not self.tasks else (Wait(self.tasks[-1].id),)
        added = replace(task, after=(*waits, *(wait for wait in follows if wait.task not in named)))
        self.tasks.append(added)
        return added

    @property
    def last(self) -> Task:
        """The task added last."""
        return self.tasks[-1]
