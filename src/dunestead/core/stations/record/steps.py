"""What is there to do at the end? To write down what really happened."""

from dunestead.core.effort import effort
from dunestead.core.figures import HandTimes
from dunestead.core.work.kinds import CLOSED_BY, NoValues, TaskKind, Trait
from dunestead.core.work.tasks import Chain, task_of

__all__ = ["write_down"]

WRITTEN = TaskKind(
    CLOSED_BY,
    NoValues,
    "Record how it went",
    "Write down a grade, a note and how long it took: what you will want to know next time.",
    traits=frozenset({Trait.CLOSES_THE_JOB}),
)


def write_down(hand: HandTimes, chain: Chain) -> None:
    """Add the writing down of what happened."""
    chain.add(task_of(WRITTEN, NoValues(), effort=effort(hand, write_down=1)))
