"""What is said of a task: its title, and how it is done, from its values and the waits that the graph keeps."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from dunestead.core.units import show_time
from dunestead.core.work.cautions import CAUTIONS
from dunestead.core.work.kinds import Trait
from dunestead.core.work.needs import need_in_words
from dunestead.core.work.tasks import Task, TaskGraph, Wait

__all__ = ["Said", "caution_of", "detail_of", "needs_in_words", "title_of"]


@dataclass(frozen=True, slots=True)
class Said:
    """What a step's sentences may speak of besides its values.

    Attributes
    ----------
    unit
        The maker's unit of length.
    task
        The step itself.
    followers
        The steps that wait for it, each with its wait.
    """

    unit: str
    task: Task
    followers: Sequence[tuple[Task, Wait]]

    def before(self, trait: Trait) -> Wait | None:
        """Return the wait of the first step of which something is so, None where none follows."""
        return next((wait for task, wait in self.followers if task.has(trait)), None)

    def next_coat(self, which: str = "") -> str:
        """Say how long to wait before the coat that follows, or how soon to go on with it; nothing before none.

        It is told which coat is meant, where another one goes on first.
        """
        coats = ((task, wait) for task, wait in self.followers if task.has(Trait.FIRST_STROKE))
        # What goes on once the mask is off is a matter of the peel.
        wait = next((wait for task, wait in coats if task.mask == self.task.mask and (wait.least or wait.most)), None)
        named = f"next coat {which}".strip()
        if wait is None:
            return ""
        if wait.least:
            return f" Wait {show_time(wait.least)} before the {named}."
        if wait.most is not None:
            return f" Go on with the {named} within {show_time(wait.most)}."
        return ""

    def timed(self) -> Iterator[Wait]:
        """Yield what the step waits for with minutes that must pass."""
        return (wait for wait in self.task.after if wait.least)

    def longest(self) -> str:
        """Return the longest time the step waits."""
        return show_time(max((wait.least for wait in self.timed()), default=0.0))


def title_of(task: Task, unit: str) -> str:
    """Return what to do, in a line; lengths in the maker's unit."""
    title = task.kind.title
    return title if isinstance(title, str) else title(task.values, unit)


def detail_of(task: Task, graph: TaskGraph, unit: str) -> str:
    """Return how to do it, with which figures and in which time."""
    how = task.kind.how
    if isinstance(how, str):
        return how
    return how(task.values, Said(unit, task, graph.followers.get(task.id, ())))


def caution_of(task: Task) -> str | None:
    """Return what can hurt, None where nothing does."""
    return " ".join(CAUTIONS[key] for key in dict.fromkeys(task.cautions)) or None


def needs_in_words(task: Task, unit: str) -> list[str]:
    """Return what must lie ready for a task, each with its amount."""
    return [need_in_words(need, unit) for need in task.needs if need.is_told]
