"""What is there to do at the blank? It is made ready, and its base coats are put on, before any mask is laid."""

from collections.abc import Iterator
from dataclasses import dataclass

from dunestead.core.effort import effort
from dunestead.core.figures import HandTimes
from dunestead.core.plan.plan import Plan
from dunestead.core.units import show_time
from dunestead.core.work.coating import BASE_COAT, coat_task, coat_title
from dunestead.core.work.fingerprint import blank_fingerprint
from dunestead.core.work.fitting import FitValues, fit_how, fit_title, fitting_task
from dunestead.core.work.kinds import TaskKind, Trait
from dunestead.core.work.needs import Need
from dunestead.core.work.saying import Said
from dunestead.core.work.tasks import Chain, Task, Wait, task_of
from dunestead.core.work.values import OfCoat

__all__ = ["prepare"]


@dataclass(frozen=True, slots=True)
class PrepareValues:
    """How a surface is made ready, as the table says."""

    how: str


PREPARE = TaskKind("blank-prepared", PrepareValues, "Prepare the blank", lambda values, _: values.how)
FIT = TaskKind("blank-fit", FitValues, fit_title, fit_how)


def _base_how(values: OfCoat, said: Said) -> str:
    where = "under the design and its margins" if values.coating.where == "under" else "everywhere"
    laid = said.before_mask()
    dry = (
        f" Let it dry {show_time(laid.least)} before a mask goes on, because tape and film lift fresh paint."
        if laid
        else said.next_coat()
    )
    return f"Give one even coat {where}, a little heavier under the design.{dry} Keep some paint for touching up."


BASE = TaskKind(BASE_COAT, OfCoat, coat_title, _base_how, traits=frozenset({Trait.FIRST_STROKE, Trait.ON_THE_AXIS}))


def prepare(plan: Plan, hand: HandTimes, chain: Chain, copy: int) -> None:
    """Add what is done to one copy's blank before any mask is laid."""
    piece, surface = plan.job.piece, plan.choices.surface
    itself = Need("blank", surface.key, surface.name, 1.0, width=piece.width, length=piece.height, step=1.0)
    chain.add(
        task_of(
            PREPARE,
            PrepareValues(surface.prepare),
            copy=copy,
            effort=effort(hand, prepare=1),
            needs=(itself,),
            cautions=surface.cautions,
            fingerprint=blank_fingerprint(plan),
        )
    )
    if fitting := fitting_task(plan, hand, FIT, copy, "before"):
        chain.add(fitting)
    for task, waits in _base_coats(plan, hand, copy):
        chain.add(task, *waits)


def _base_coats(plan: Plan, hand: HandTimes, copy: int) -> Iterator[tuple[Task, list[Wait]]]:
    before: Task | None = None
    for coating in plan.coatings:
        if not coating.is_before_masks:
            continue
        for number in range(1, coating.coats + 1):
            task = coat_task(BASE, OfCoat(coating, number), plan, hand, copy)
            yield task, [Wait(before.id, coating.drying.next_coat)] if before else []
            before = task
