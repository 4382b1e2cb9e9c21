"""One thing to do: what it is about, how long it takes, what it waits for, what closes it."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property, lru_cache
from typing import Any, Literal, TypeVar

from dunestead.core.effort import NO_EFFORT, Effort
from dunestead.core.work.kinds import TaskKind, Trait
from dunestead.core.work.needs import Need, NeedKind
from dunestead.core.work.resources import Resource, ResourceName

__all__ = ["Call", "Chain", "Count", "Task", "TaskGraph", "Wait", "task_id", "task_of"]

V = TypeVar("V")


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
    name
        As a maker calls it.
    expected
        How many there should be; None where the count itself says it.
    planned
        How many are planned, where the count itself says how many there are.
    as_counted
        The task and the count it must agree with, once that is counted; its own `expected` holds until then.
    """

    code: str
    name: str
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
class Task:
    """One thing to do; `task_of` makes it, so that its values are those of its kind.

    Attributes
    ----------
    kind
        What is done.
    values
        What its words are made from.
    mask, sheet, copy, coating, coat
        What it is about: numbers from 1, None where it is about all.
    effort
        How long it takes; waiting is not counted.
    resource
        What nothing else may have meanwhile.
    after
        What comes before.
    needs
        What must be at hand, and what is taken out of the stores.
    cautions
        Keys of what can hurt.
    call
        What closes it, None where a tick does.
    needs_marks
        Id of the task whose marks it sees to: where nothing was marked, it falls away. None for what is always done.
    fingerprint
        What it stands on, in short: by what a maker calls it. When one of these changes after it was done, it was
        done on an earlier version.
    """

    kind: TaskKind[Any]
    values: object
    resource: Resource
    mask: int | None = None
    sheet: int | None = None
    copy: int | None = None
    coating: int | None = None
    coat: int | None = None
    effort: Effort = NO_EFFORT
    after: tuple[Wait, ...] = ()
    needs: tuple[Need, ...] = ()
    cautions: tuple[str, ...] = ()
    call: Call | None = None
    needs_marks: str | None = None
    fingerprint: Mapping[str, str] = field(default_factory=dict)

    @property
    def code(self) -> str:
        """What is done; begins with the name of its station."""
        return self.kind.code

    @property
    def station(self) -> str:
        """Where it belongs."""
        return self.kind.station

    @property
    def occupies(self) -> ResourceName:
        """Name of what it takes up."""
        return self.resource.name

    @property
    def minutes(self) -> float:
        """From its begin to its end; waiting is not counted."""
        return self.effort.minutes

    @property
    def hand_minutes(self) -> float:
        """Of these, minutes in which it has a pair of hands."""
        free = self.effort.machine_seconds * (1 - self.resource.attended)
        return (self.effort.seconds - free) / 60

    def has(self, trait: Trait) -> bool:
        """Say what is so of its kind."""
        return trait in self.kind.traits

    @property
    def id(self) -> str:
        """What it is known by, from revision to revision."""
        return task_id(
            self.code, mask=self.mask, sheet=self.sheet, copy=self.copy, coating=self.coating, coat=self.coat
        )


def task_of(
    kind: TaskKind[V],
    values: V,
    *,
    mask: int | None = None,
    sheet: int | None = None,
    copy: int | None = None,
    coating: int | None = None,
    coat: int | None = None,
    effort: Effort = NO_EFFORT,
    resource: Resource | None = None,
    needs: tuple[Need, ...] = (),
    cautions: tuple[str, ...] = (),
    call: Call | None = None,
    needs_marks: str | None = None,
    fingerprint: Mapping[str, str] | None = None,
) -> Task:
    """Return a task of a kind; what it does not say otherwise is as of its kind.

    Parameters
    ----------
    kind, values
        What is done, and what its words are made from.
    cautions
        Keys of what can hurt here, besides what can in every task of the kind.
    """
    return Task(
        kind,
        values,
        resource or kind.resource,
        mask,
        sheet,
        copy,
        coating,
        coat,
        effort,
        needs=needs,
        cautions=(*kind.cautions, *cautions),
        call=call,
        needs_marks=needs_marks,
        fingerprint=fingerprint or {},
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


@dataclass(frozen=True)
class TaskGraph:
    """All tasks of a job in the order they are done."""

    tasks: tuple[Task, ...]

    def __getstate__(self) -> dict[str, Any]:
        """Travel without what is found again at once."""
        return {"tasks": self.tasks}

    @cached_property
    def by_id(self) -> Mapping[str, Task]:
        """Every task by its id."""
        return {task.id: task for task in self.tasks}

    @cached_property
    def followers(self) -> Mapping[str, Sequence[tuple[Task, Wait]]]:
        """By id of a task, what waits for it and how, in the order of the work."""
        found: dict[str, list[tuple[Task, Wait]]] = {}
        for task in self.tasks:
            for wait in task.after:
                found.setdefault(wait.task, []).append((task, wait))
        return found

    def of(self, station: str) -> Iterator[Task]:
        """Yield a station's tasks."""
        return (task for task in self.tasks if task.station == station)

    def needed(self, kind: NeedKind, key: str = "") -> float:
        """Return how much of something all steps use up, in the unit of its kind."""
        needs = (need for task in self.tasks for need in task.needs)
        return sum(need.amount for need in needs if (need.kind, need.key) == (kind, key))

    def with_trait(self, trait: Trait) -> Iterator[Task]:
        """Yield the tasks of which something is so."""
        return (task for task in self.tasks if trait in task.kind.traits)


class Chain:
    """Tasks that follow each other; what is added waits for the one before.

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

    def last_with(self, trait: Trait) -> Task | None:
        """Return the task added last of which something is so, None where there is none."""
        return next((task for task in reversed(self.tasks) if trait in task.kind.traits), None)
