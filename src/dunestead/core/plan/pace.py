"""Do several colours go through one mask by rounds or colour by colour, and how long does either take?"""

from collections.abc import Iterator
from dataclasses import dataclass

from dunestead.core.effort import effort
from dunestead.core.figures import Catalogue, PeelTime
from dunestead.core.plan.coats import PlannedCoating, painting_work
from dunestead.core.plan.plan import MaskPlan, Plan

__all__ = ["WET_ON_WET", "Pace", "last_of", "order_of", "pace_of"]

# Peels before which all coats follow each other at once: nothing is waited for between them.
WET_ON_WET: frozenset[PeelTime] = frozenset({"wet", "five-minutes"})


@dataclass(frozen=True, slots=True)
class Pace:
    """How long the colours of one mask take on one copy, minutes: by rounds, and one after the other."""

    rounds: float
    one_by_one: float
    by_rounds: bool


def pace_of(plan: Plan, catalogue: Catalogue, mask: MaskPlan) -> Pace:
    """Return which way is quicker; colours that are covered for each other go one after the other in any case.

    Notes
    -----
    Between two coats of one colour lies the time of its next coat; by rounds the other colours fall into it
    (workshop practice). A round that takes longer than the drying waits for nothing.
    """
    hand = catalogue.hand
    coats = [coat for coat in mask.coats if coat.role == "colour"]
    minutes = {coat.number: effort(hand, **painting_work(coat, plan.choices, hand)).minutes for coat in coats}
    wash = effort(hand, wash_brush=1).minutes * (len(coats) > 1)
    waits = mask.peel.when not in WET_ON_WET
    one_by_one = wash * (len(coats) - 1)
    for coat in coats:
        one_by_one += coat.coats * minutes[coat.number] + waits * (coat.coats - 1) * coat.drying.next_coat
    rounds, most = 0.0, max((coat.coats for coat in coats), default=0)
    for number in range(1, most + 1):
        here = [coat for coat in coats if coat.coats >= number]
        takes = sum(minutes[coat.number] + wash for coat in here)
        dries = max((coat.drying.next_coat for coat in here if coat.coats > number), default=0.0)
        rounds += max(takes, dries if waits else 0.0)
    by_rounds = len(coats) > 1 and not plan.job.paint.covered and rounds < one_by_one
    return Pace(rounds, one_by_one, by_rounds)


def order_of(mask: MaskPlan, *, by_rounds: bool) -> Iterator[tuple[PlannedCoating, int]]:
    """Yield every coat through a mask, each with its number, in the order they are put on."""
    if not by_rounds:
        yield from ((coat, number) for coat in mask.coats for number in range(1, coat.coats + 1))
        return
    left = list(mask.coats)
    while left:
        group = [left.pop(0)]
        while group[0].role == "colour" and left and left[0].role == "colour":
            group.append(left.pop(0))
        for number in range(1, max(coat.coats for coat in group) + 1):
            yield from ((coat, number) for coat in group if coat.coats >= number)


def last_of(plan: Plan, catalogue: Catalogue, mask: MaskPlan) -> tuple[PlannedCoating, int]:
    """Return the coat that goes through a mask last."""
    return list(order_of(mask, by_rounds=pace_of(plan, catalogue, mask).by_rounds))[-1]
