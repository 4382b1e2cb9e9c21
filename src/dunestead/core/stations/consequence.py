"""What a choice of method would change: how it is cut, on how many sheets, how long it takes, what it costs."""

from dataclasses import dataclass

from dunestead.core.figures import Catalogue
from dunestead.core.job.job import Job, altered
from dunestead.core.job.proposing import materials_for
from dunestead.core.plan.plan import Plan, materials_of
from dunestead.core.work.tasks import TaskGraph

__all__ = ["Consequence", "consequence_of", "with_method"]


@dataclass(frozen=True, slots=True)
class Consequence:
    """The figures of a job that hang on its method.

    Attributes
    ----------
    material
        Name of what the mask is cut from.
    mirrored
        Whether its sheets are.
    border
        Mask beyond the artwork, mm.
    sheets, seams, placed, rests, pins
        Counts: sheets of the cutter for all copies, seams of one mask, keepers set down by hand one by one, rests of
        the plate, pins.
    keepers
        Where loose pieces are.
    minutes
        Of the hands, for one copy.
    cost
        Of one copy, material and time, None where it is not known.
    """

    material: str
    mirrored: bool
    border: float
    sheets: int
    seams: int
    placed: int
    rests: int
    pins: int
    keepers: str
    minutes: float
    cost: float | None


def consequence_of(plan: Plan, graph: TaskGraph, catalogue: Catalogue) -> Consequence:
    """Return what hangs on the method of a plan."""
    by_hand = plan.method.places_pieces
    fit = next((one for one in materials_of(plan, catalogue, "mm") if one.key == plan.job.mask.material), None)
    return Consequence(
        material=plan.choices.material.name,
        mirrored=plan.facing.mirrored,
        border=max(mask.laid.mask.border for mask in plan.masks),
        sheets=plan.layout.count,
        seams=len(plan.layout.seams),
        placed=sum(len(mask.placing) for mask in plan.masks) if by_hand else 0,
        rests=sum(len(one.placements) for mask in plan.masks for one in mask.pressings),
        pins=sum(len(mask.pinning.pins) for mask in plan.masks),
        keepers=plan.method.keepers,
        minutes=sum(task.hand_minutes for task in graph.tasks if task.needs_marks is None) / plan.copies,
        cost=fit.cost if fit else None,
    )


def with_method(job: Job, key: str, catalogue: Catalogue) -> Job:
    """Return a job made by a method, on the first mask material that serves it here where its own does not."""
    method = catalogue.method(key)
    if job.mask.material in method.materials:
        return altered(job, method=key)
    surface = catalogue.surface(job.blank.surface)
    serves = [one.key for one in materials_for(catalogue, surface) if one.key in method.materials]
    return altered(job, method=key, material=(serves or list(method.materials))[0])
