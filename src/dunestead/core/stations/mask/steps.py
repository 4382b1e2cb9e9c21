"""What is there to do to a mask between two copies? It is washed."""

from dataclasses import dataclass

from dunestead.core.effort import effort
from dunestead.core.figures import HandTimes
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.units import several
from dunestead.core.work.fingerprint import mask_fingerprint
from dunestead.core.work.kinds import TaskKind, Trait
from dunestead.core.work.tasks import Chain, task_of

__all__ = ["wash"]


@dataclass(frozen=True, slots=True)
class WashValues:
    """Which mask is washed, after how many prints."""

    mask: str
    prints: int


WASH = TaskKind(
    "mask-wash",
    WashValues,
    lambda values, _: f"Wash {values.mask} after {several(values.prints, 'print')}",
    "Paint builds up on the mask and it stops sticking. Blot it dry with paper, because cloth snags in it.",
    traits=frozenset({Trait.WASHES_MASK, Trait.ON_THE_AXIS}),
)


def wash(plan: Plan, hand: HandTimes, chain: Chain, mask: MaskPlan, copy: int, prints: int) -> None:
    """Add the washing of a mask that goes on to the next copy."""
    values = WashValues(mask.laid.name, prints)
    fingerprint = mask_fingerprint(plan, mask)
    chain.add(
        task_of(WASH, values, mask=mask.number, copy=copy, effort=effort(hand, wash=1), fingerprint=fingerprint),
    )
