"""Under which task is a coat put on? Base coats at the blank, finishes at the cure, the rest at the paint."""

from typing import Any

from dunestead.core.effort import effort
from dunestead.core.figures import HandTimes
from dunestead.core.plan.coats import PlannedCoating
from dunestead.core.plan.plan import Plan, painting_work
from dunestead.core.work.standing import coat_standing
from dunestead.core.work.tasks import Need, Task, task_id

__all__ = ["coat_code", "coat_id", "coat_task"]


def coat_code(coat: PlannedCoating) -> str:
    """Return the code of the tasks that put a coating on."""
    if coat.is_before_masks:
        return "blank-base-coat"
    return "cure-finish" if coat.where == "over" else "paint-coat"


def coat_id(coat: PlannedCoating, copy: int, number: int) -> str:
    """Return the id of one coat on one copy."""
    return task_id(coat_code(coat), mask=coat.mask, copy=copy, coating=coat.number, coat=number)


def coat_task(plan: Plan, hand: HandTimes, coat: PlannedCoating, copy: int, number: int, **figures: Any) -> Task:
    """Return the task that puts one coat on one copy; further figures are what its words need beside the coating."""
    code = coat_code(coat)
    return Task(
        code,
        code.partition("-")[0],
        mask=coat.mask,
        copy=copy,
        coating=coat.number,
        coat=number,
        effort=effort(hand, **painting_work(coat, plan.choices)),
        # A can's mist drifts; an airbrush is used at the table.
        occupies="outdoors" if coat.paint.technique == "spray" else "hands",
        figures={"coating": coat, "coat": number, **figures},
        needs=(Need(coat.paint.name, coat.amount.coat_ml, "ml"),),
        cautions=coat.paint.cautions,
        standing=coat_standing(plan, coat),
    )
