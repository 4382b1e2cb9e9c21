"""What is there to do before a mask is laid? The blank is made ready for it, and what sticks is bared."""

from dataclasses import dataclass

from dunestead.core.plan.plan import Plan
from dunestead.core.stations.tack.laying import Laying, pause, simple
from dunestead.core.work.kinds import NoValues, TaskKind, Trait
from dunestead.core.work.saying import Said
from dunestead.core.work.tasks import Call, Count, Task, task_id

__all__ = ["PUSH_PINS"]

_ASIDE = frozenset({Trait.WHILE_DRYING})


def _may_bend(plan: Plan) -> bool:
    """Say whether a blank that bends is to be kept from it: always in some methods, or where it is carried out."""
    return not plan.choices.surface.rigid and (plan.method.board == "always" or plan.is_sprayed)


simple(
    "tack-barrier",
    "barrier",
    "Put card inside or underneath",
    "Paint goes through this cloth, and the card keeps it off what lies below.",
    traits=_ASIDE,
    where=lambda laying: laying.is_first and laying.plan.choices.surface.barrier,
)
simple(
    "tack-board",
    "board",
    "Fix the blank on a rigid board",
    "Once the mask is on, the blank must not bend.",
    traits=_ASIDE,
    where=lambda laying: laying.is_first and _may_bend(laying.plan),
)


@dataclass(frozen=True, slots=True)
class CleanValues:
    """Whether a blank is wiped with alcohol; and what the mask is laid on or beside, where that is paint."""

    alcohol: bool
    paint: str


def _clean_how(values: CleanValues, _: Said) -> str:
    if values.alcohol:
        return "Let it dry off before the mask goes on."
    if values.paint:
        return f"Use a soft, dry brush. No alcohol and no water: {values.paint} comes off with them."
    return "Use a soft, dry brush: a mask does not hold on dust."


def _clean(laying: Laying) -> Task | None:
    plan, surface = laying.plan, laying.plan.choices.surface
    if not (plan.method.wipes or surface.edge_seal):
        return None
    if any(coat.is_before_masks for coat in plan.coatings):
        paint = "the base"
    else:
        paint = "" if laying.is_first else "the print"
    return laying.task(CLEAN, CleanValues(surface.takes_alcohol and not paint, paint), laying.by(wipe=1))


CLEAN = TaskKind(
    "tack-wipe",
    CleanValues,
    lambda values, _: "Wipe the blank with alcohol" if values.alcohol else "Brush the dust off",
    _clean_how,
    make=_clean,
)
simple("tack-spray", "spray_tack", "Spray tack on the back of the mask", cautions=("spray-tack",))


def _push_pins(laying: Laying) -> Task:
    back = (task_id(PUSH_PINS.code, mask=laying.mask.number, copy=laying.copy), "push-pins")
    counts = (
        Count("push-pins", "push-pins in the board", None),
        Count("push-pins-out", "push-pins out again", None, back),
    )
    return laying.task(PUSH_PINS, NoValues(), laying.by(push_pins=1), call=Call(counts=counts))


PUSH_PINS = TaskKind(
    "tack-backing-off",
    NoValues,
    "Pin it face down on a board and take the backing off",
    "Push-pins hold the vinyl while its backing comes off. Count them: all of them must come out again.",
    cautions=("pins",),
    make=_push_pins,
)


pause("tack-rest", "Let the spray tack rest", "carried_by")
pause("tack-cool", "Let it cool to the touch", "cool", lambda laying: bool(laying.mask.pressings))
