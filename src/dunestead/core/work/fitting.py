"""What is sewn or screwed on a blank: a step before the painting, or after it."""

from dunestead.core.blanks.clear import Timing, clear_name
from dunestead.core.effort import effort
from dunestead.core.figures import HandTimes
from dunestead.core.plan.plan import Plan
from dunestead.core.work.standing import fitted_standing
from dunestead.core.work.tasks import Task

__all__ = ["fitting_task"]


def fitting_task(plan: Plan, hand: HandTimes, code: str, copy: int, timing: Timing) -> Task | None:
    """Return the step in which things are put on one copy's blank, None where there are none then."""
    areas = [one for one in plan.job.piece.clear if one.timing == timing]
    if not areas:
        return None
    return Task(
        code,
        code.partition("-")[0],
        copy=copy,
        effort=effort(hand, fit_on=len(areas)),
        figures={"names": [clear_name(one) for one in areas], "places": [(one.x, one.y) for one in areas]},
        standing=fitted_standing(plan, timing),
    )
