"""Where a mask of a plan lies by what the tape reads, as the blank lies before the maker."""

from collections.abc import Mapping

import shapely

from dunestead.core.errors import NoSuchThing
from dunestead.core.figures import Catalogue
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.tacking.laying import Laid, LayRules, Readings, laid_by_tape
from dunestead.core.tacking.seam_laying import SeamLaid, laid_at_seam

__all__ = ["laid_mask", "laid_seam", "mask_of"]


def mask_of(plan: Plan, number: int) -> MaskPlan:
    """Return a mask by its number.

    Raises
    ------
    NoSuchThing
        When there is none.
    """
    for mask in plan.masks:
        if mask.number == number:
            return mask
    raise NoSuchThing(f"There is no mask {number}.", f"The job has {len(plan.masks)}.")


def laid_mask(plan: Plan, number: int, readings: Readings, catalogue: Catalogue, within: float | None = None) -> Laid:
    """Return what to do to a mask of a plan by what a tape read around it.

    Parameters
    ----------
    plan, number
        The job, and which of its masks.
    readings
        See `laid_by_tape`; left and right as one stands before the blank, from its back where that is worked on.
    within
        How far off a corner may be, mm; None for the usual.

    Raises
    ------
    BadInput, NoSuchThing
        When the readings cannot be, or there is no such mask.
    """
    box, outline = mask_of(plan, number).box, plan.look.composition.outline
    if plan.job.blank.seen_through:
        width = plan.job.piece.size[0]
        box = (width - box[2], box[1], width - box[0], box[3])
        outline = shapely.transform(outline, lambda points: points * (-1, 1) + (width, 0))
    figures = catalogue.workshop
    rules = LayRules(figures["tape_error"], figures["lay_within"] if within is None else within)
    return laid_by_tape(outline, box, readings, rules)


def laid_seam(plan: Plan, name: str, readings: Mapping[str, float], catalogue: Catalogue, unit: str) -> SeamLaid:
    """Return how the second patch of a seam is to be moved by what a tape read across it.

    Raises
    ------
    BadInput, NoSuchThing
        When the readings cannot be, or there is no such seam.
    """
    seam = next((one for one in plan.layout.seams if one.name == name), None)
    if seam is None:
        named = ", ".join(one.name for one in plan.layout.seams)
        raise NoSuchThing(
            f"There is no seam {name[:20]}.", f"There are {named}." if named else "Every mask is in one piece."
        )
    return laid_at_seam(seam, readings, catalogue.workshop["lay_within"], unit)
