"""What is said of a task: its title, and how it is done, from its values and the waits that the graph keeps."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from dunestead.core.units import show_time
from dunestead.core.work.cautions import CAUTIONS
from dunestead.core.work.kinds import Trait
from dunestead.core.work.needs import need_in_words
from dunestead.core.work.tasks import Task, TaskGraph, Wait
from dunestead.core.work.values import OfCoat

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
    befores
        The steps it waits for, likewise.
    """

    unit: str
    task: Task
    followers: Sequence[tuple[Task, Wait]]
    befores: Sequence[tuple[Task, Wait]] = ()

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

    def before_mask(self) -> Wait | None:
        """Return the longest wait of what begins a mask, None where none waits for the step."""
        waits = [wait for task, wait in self.followers if task.mask is not None and not task.has(Trait.FIRST_STROKE)]
        return max((wait for wait in waits if wait.least), key=lambda wait: wait.least, default=None)

    def dry_first(self) -> str:
        """Say what has to dry before the step, where neither its own words nor those of the coat before it do."""
        if self.task.has(Trait.TELLS_WAITS):
            return ""
        base, paint = 0.0, 0.0
        for task, wait in self.befores:
            if not task.has(Trait.FIRST_STROKE) or wait.most is not None or _are_one(task, self.task):
                continue
            if isinstance(task.values, OfCoat) and task.values.coating.is_before_masks:
                base = max(base, wait.least)
            else:
                paint = max(paint, wait.least)
        # Every base was dry before the first mask.
        base = base if self.task.mask in (None, 1) else 0.0
        if not (paint or base):
            return ""
        return f"First let the {'paint' if paint else 'base'} dry: {show_time(paint or base)} after its last coat. "

    def after_coats(self) -> str:
        """Say how long after the last coat; and after which others, where these take longer."""
        told: list[str] = []
        longest = 0.0
        for task, wait in reversed(self.befores):
            if not isinstance(task.values, OfCoat) or wait.least <= longest:
                continue
            coating, longest = task.values.coating, wait.least
            slow = "base" if coating.is_before_masks else coating.paint.name.lower()
            told.append(f"{show_time(longest)} after the {slow if told else 'last coat'}")
        return ", and ".join(told)

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
    befores = [(graph.by_id[wait.task], wait) for wait in task.after]
    said = Said(unit, task, graph.followers.get(task.id, ()), befores)
    how = task.kind.how
    return (said.dry_first() + (how if isinstance(how, str) else how(task.values, said))).strip()


def _are_one(before: Task, after: Task) -> bool:
    """Say whether both are coats of one coating: then the one before tells of the one after."""
    return (before.mask, before.coating) == (after.mask, after.coating) and after.coat is not None


def caution_of(task: Task) -> str | None:
    """Return what can hurt, None where nothing does."""
    return " ".join(CAUTIONS[key] for key in dict.fromkeys(task.cautions)) or None


def needs_in_words(task: Task, unit: str) -> list[str]:
    """Return what must lie ready for a task, each with its amount."""
    return [need_in_words(need, unit) for need in task.needs if need.is_told]
