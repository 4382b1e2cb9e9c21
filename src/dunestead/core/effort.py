"""What the hands do in a task: so many of each figure of the hand, and the seconds a plate or a knife takes."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from dunestead.core.figures import HandTimes

__all__ = ["NO_EFFORT", "Effort", "effort"]


@dataclass(frozen=True, slots=True)
class Effort:
    """How long one pair of hands is at work.

    Attributes
    ----------
    seconds
        In all, by the figures in force.
    machine_seconds
        Of these, what goes by no figure of the hand: the plate rests, the knife runs.
    counts
        By name of the figure: how many pieces, dm², cm of it.
    """

    seconds: float = 0.0
    machine_seconds: float = 0.0
    counts: Mapping[str, float] = field(default_factory=dict)

    @property
    def minutes(self) -> float:
        """In all."""
        return self.seconds / 60


NO_EFFORT = Effort()


def effort(hand: HandTimes, machine_seconds: float = 0.0, **counts: float) -> Effort:
    """Return the effort of so many of each figure of the hand.

    Parameters
    ----------
    hand
        The figures in force.
    machine_seconds
        Seconds that go by none of them.
    **counts
        By name of the figure.

    Raises
    ------
    AttributeError
        When the hand has no such figure.
    """
    by_hand = sum(getattr(hand, name) * count for name, count in counts.items())
    return Effort(machine_seconds + by_hand, machine_seconds, counts)
