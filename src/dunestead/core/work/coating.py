"""Under which task is a coat put on? Base coats at the blank, finishes at the cure, the rest at the paint."""

from dunestead.core.plan.coats import PlannedCoating
from dunestead.core.work.tasks import task_id

__all__ = ["coat_code", "coat_id"]


def coat_code(coat: PlannedCoating) -> str:
    """Return the code of the tasks that put a coating on."""
    if coat.is_before_masks:
        return "blank-base-coat"
    return "cure-finish" if coat.where == "over" else "paint-coat"


def coat_id(coat: PlannedCoating, copy: int, number: int) -> str:
    """Return the id of one coat on one copy."""
    return task_id(coat_code(coat), mask=coat.mask, copy=copy, coating=coat.number, coat=number)
