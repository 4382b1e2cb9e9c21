"""Under which task is a coat put on? Base coats at the blank, finishes at the cure, the rest at the paint."""

from typing import TypeVar

from dunestead.core.effort import effort
from dunestead.core.figures import HandTimes, Role
from dunestead.core.plan.coats import PlannedCoating, painting_work
from dunestead.core.plan.plan import Plan
from dunestead.core.units import show_volume
from dunestead.core.work.fingerprint import coat_fingerprint
from dunestead.core.work.kinds import TaskKind
from dunestead.core.work.needs import Need
from dunestead.core.work.resources import HANDS, OUTDOORS
from dunestead.core.work.tasks import Task, task_id, task_of
from dunestead.core.work.values import OfCoat

__all__ = ["BASE_COAT", "FINISH_COAT", "THROUGH_COAT", "coat_code", "coat_id", "coat_task", "coat_title"]

V = TypeVar("V", bound=OfCoat)
# Codes of the kinds that put a coating on, each in the room of its station; waits name a coat by them.
BASE_COAT, THROUGH_COAT, FINISH_COAT = "blank-base-coat", "paint-coat", "cure-finish"
_NAMED: dict[Role, str] = {
    "base": "Base coat",
    "edge-seal": "Edge-sealing coat",
    "colour": "Coat",
    "over-colour": "Coat over it",
    "ground": "Ground, coat",
    "seal": "Seal, coat",
    "finish": "Finish, coat",
}


def coat_code(coating: PlannedCoating) -> str:
    """Return the code of the tasks that put a coating on."""
    if coating.is_before_masks:
        return BASE_COAT
    return FINISH_COAT if coating.where == "over" else THROUGH_COAT


def coat_id(coating: PlannedCoating, copy: int, number: int) -> str:
    """Return the id of one coat on one copy."""
    return task_id(coat_code(coating), mask=coating.mask, copy=copy, coating=coating.number, coat=number)


def coat_task(kind: TaskKind[V], values: V, plan: Plan, hand: HandTimes, copy: int) -> Task:
    """Return the task that puts one coat on one copy."""
    coating, paint = values.coating, values.coating.paint
    amount, colour = coating.amount, coating.colour or None
    poured = Need("paint", paint.key, paint.name, amount.poured_ml, colour=colour, at_hand=amount.coat_ml)
    return task_of(
        kind,
        values,
        mask=coating.mask,
        copy=copy,
        coating=coating.number,
        coat=values.coat,
        effort=effort(hand, **painting_work(coating, plan.choices, hand)),
        # A can's mist drifts; an airbrush is used at the table.
        resource=OUTDOORS if paint.technique == "spray" else HANDS,
        needs=(poured,),
        cautions=paint.cautions,
        fingerprint=coat_fingerprint(plan, coating),
    )


def coat_title(values: OfCoat, unit: str) -> str:
    """Return which coat is put on, and about how much of what."""
    coating = values.coating
    named = f" in {coating.named}" if coating.named else ""
    of = "" if coating.role in ("base", "colour") else f" of {coating.paint.name.lower()}"
    about = show_volume(coating.amount.coat_ml, unit)
    return f"{_NAMED[coating.role]} {values.coat} of {coating.coats}{named}: about {about}{of}"
