"""Where a mask of a plan lies by what the tape reads, as the blank lies before the maker."""

from collections.abc import Iterator, Mapping
from typing import Literal

import shapely

from dunestead.core.blanks.blank import collar_of
from dunestead.core.errors import BadInput, NoSuchThing
from dunestead.core.figures import Catalogue
from dunestead.core.geometry.curves import Box, shifted
from dunestead.core.plan.laying import group_boxes
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.tacking.centring import (
    Datum,
    Distances,
    Guides,
    TapeCheck,
    as_it_lies,
    from_collar,
    from_edges,
    from_middle,
)
from dunestead.core.tacking.laying import Laid, LayRules, Readings, Side, laid_by_tape, should_read
from dunestead.core.tacking.seam_laying import SeamLaid, laid_at_seam

__all__ = ["MeasuredTo", "groups_laid", "guides_of", "laid_mask", "laid_seam", "mask_of", "patch_boxes", "readings_of"]

# What a tape is read to: the crisp edge of the mask, or what is painted through it.
MeasuredTo = Literal["mask", "artwork"]


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


def patch_boxes(plan: Plan, mask: MaskPlan) -> dict[int, Box]:
    """Return the boxes of a mask's patches on the blank by their numbers; empty for a mask in one piece."""
    own = [patch for patch in plan.layout.patches if patch.mask == mask.number]
    return {patch.number: shifted(patch.shape.bounds, plan.origin) for patch in own} if len(own) > 1 else {}


# --- what to measure --------------------------------------------------------------------------
def guides_of(plan: Plan, mask: MaskPlan) -> Guides:
    """Return what is measured to lay a mask: to the artwork, to its crisp edges, and to those of every patch.

    Notes
    -----
    A garment is laid by its collar and its seams, a round by its middle, whatever has a rim from within it; all else
    from its edges (workshop practice).
    """
    width, height = plan.job.piece.size
    datum: Datum = {"garment": "collar", "oval": "middle"}.get(
        plan.job.piece.shape, "rim" if plan.job.piece.rim else "edges"
    )  # type: ignore[assignment]
    back = plan.job.blank.is_seen_through
    return Guides(datum, (width / 2, height / 2), tuple(_lines(plan, mask, datum)), back)


def _lines(plan: Plan, mask: MaskPlan, datum: Datum) -> Iterator[Distances]:
    yield Distances("artwork", datum, _read(plan, mask.painted_box, datum))
    if datum == "collar":
        yield Distances("artwork", "seams", _read(plan, mask.painted_box, "seams"))
    yield Distances("mask", datum, _read(plan, mask.box, datum))
    for number, box in patch_boxes(plan, mask).items():
        yield Distances("patch", datum, _read(plan, box, datum), number)


def groups_laid(plan: Plan, mask: MaskPlan) -> tuple[Distances, ...]:
    """Return where each group of shapes lies by what is measured from first, in the order they are laid."""
    datum = guides_of(plan, mask).datum
    boxes = enumerate(group_boxes(plan.look), start=1)
    return tuple(Distances("group", datum, _read(plan, box, datum), number) for number, box in boxes)


def _read(plan: Plan, box: Box, datum: Datum) -> TapeCheck:
    piece = plan.job.piece
    lies = as_it_lies(box, piece.size[0], from_back=plan.job.blank.is_seen_through)
    if datum == "middle":
        return from_middle(piece.size, lies)
    if datum == "collar":
        return from_collar(collar_of(piece), piece.size[1], lies)
    return from_edges(piece.size, lies)


# --- what was measured ------------------------------------------------------------------------
def readings_of(
    plan: Plan, number: int, patch: int | None = None, to: MeasuredTo = "mask"
) -> Mapping[Side, tuple[float, float, float]]:
    """Return what a tape reads at each side when a mask lies right: in the middle, and at both ends."""
    return should_read(*_ground(plan, number, patch, to))


def laid_mask(
    plan: Plan,
    number: int,
    readings: Readings,
    catalogue: Catalogue,
    within: float | None = None,
    patch: int | None = None,
    to: MeasuredTo = "mask",
) -> Laid:
    """Return what to do to a mask of a plan by what a tape read around it.

    Parameters
    ----------
    plan, number
        The job, and which of its masks.
    readings
        See `laid_by_tape`; left and right as one stands before the blank, from its back where that is worked on.
    within
        How far off a corner may be, mm; None for the usual.
    patch
        Number of one of its patches that is laid by itself, None for all of it.
    to
        What was read to: the mask's edge, or the artwork in it.

    Raises
    ------
    BadInput, NoSuchThing
        When the readings cannot be, or there is no such mask or patch.
    """
    figures = catalogue.workshop
    rules = LayRules(figures["tape_error"], figures["lay_within"] if within is None else within)
    return laid_by_tape(*_ground(plan, number, patch, to), readings, rules)


def _ground(plan: Plan, number: int, patch: int | None, to: MeasuredTo) -> tuple[shapely.Polygon, Box]:
    """Return the blank's outline and the box of what is laid on it, as they lie before the maker."""
    mask = mask_of(plan, number)
    box, outline = mask.painted_box if to == "artwork" else mask.box, plan.look.composition.outline
    if patch is not None:
        boxes = patch_boxes(plan, mask)
        if patch not in boxes:
            named = ", ".join(map(str, boxes)) or "none: it is in one piece"
            raise NoSuchThing(f"Mask {number} has no patch {patch}.", f"Its patches: {named}.")
        if to == "artwork":
            raise BadInput("A patch is measured to its own edge.", "Measure to the patch, or to the artwork of it all.")
        box = boxes[patch]
    if plan.job.blank.is_seen_through:
        width = plan.job.piece.size[0]
        outline = shapely.transform(outline, lambda points: points * (-1, 1) + (width, 0))
        box = as_it_lies(box, width, from_back=True)
    return outline, box


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
