"""A job's masks on its sheets: what the cutter reaches, what seams keep clear of, what the maker chose."""

import math
from collections.abc import Sequence

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.artwork.compose import PlacedElement
from dunestead.core.artwork.elements import Words
from dunestead.core.artwork.layout import place_of_letter
from dunestead.core.artwork.painted import Painted
from dunestead.core.checkpoints import tell
from dunestead.core.cutting.paths import sheet_paths
from dunestead.core.cutting.settings import proposed
from dunestead.core.cutting.timing import HandKnife, KnifeTime, knife_time, knife_time_by_hand
from dunestead.core.errors import NoSuchThing
from dunestead.core.figures import Catalogue, Cutter
from dunestead.core.geometry.curves import Box, shifted
from dunestead.core.job.choices import Choices
from dunestead.core.job.job import Job, PatchChoice, altered
from dunestead.core.job.reach import prices_of, reach_of
from dunestead.core.limits import check_limits
from dunestead.core.looking.look import Look
from dunestead.core.mask.tying import CutPlan
from dunestead.core.mask.weak import WeakPlace
from dunestead.core.records import CutSettings
from dunestead.core.sheets.division import Patch
from dunestead.core.sheets.facing import Facing
from dunestead.core.sheets.ground import Guards
from dunestead.core.sheets.layout import KeptSpot, Layout, LayoutRules, PatchConstraint, Sheet, lay_out
from dunestead.core.sheets.packing import Packing, PackItem
from dunestead.core.sheets.units import units_of

__all__ = [
    "group_boxes",
    "groups_of",
    "guards_of",
    "job_items",
    "layout_of",
    "rules_of",
    "settings_of",
    "sheet_time",
    "units_in",
    "with_packing",
    "with_patch_choice",
    "without_patch_choices",
]


def settings_of(job: Job, choices: Choices, catalogue: Catalogue) -> tuple[CutSettings, str]:
    """Return how a job is cut, and why: as the maker set, as the last clean test cut, or a usual start."""
    if job.sheets.cut is not None:
        return job.sheets.cut, "Set for this job."
    return proposed(list(catalogue.test_cuts.values()), choices.material, choices.cutter)


def rules_of(job: Job, choices: Choices, facing: Facing, look: Look, catalogue: Catalogue) -> LayoutRules:
    """Return how a job's patches are laid out."""
    width, height = look.painted.width, look.painted.height
    constraints = tuple(
        PatchConstraint(choice.mask, (choice.x * width, choice.y * height), choice.sheet, choice.alone, choice.turns)
        for choice in job.sheets.patch_choices
    )
    sets = math.ceil(job.blank.copies / max(choices.material.uses, 1))
    prices = prices_of(catalogue).towards(job.sheets.aim)
    return LayoutRules(
        reach_of(job, choices, catalogue), facing.mirrored, sets, constraints, job.sheets.packing, prices
    )


def layout_of(
    look: Look,
    cuts: Sequence[CutPlan],
    weak: Sequence[Sequence[WeakPlace]],
    facing: Facing,
    catalogue: Catalogue,
) -> Layout:
    """Return all masks of a job on their sheets."""
    tell("Dividing the mask into sheets")
    guards = tuple(guards_of(look, places) for places in weak)
    return lay_out(tuple(cuts), guards, rules_of(look.job, look.choices, facing, look, catalogue))


def sheet_time(sheet: Sheet, settings: CutSettings, cutter: Cutter, catalogue: Catalogue) -> KnifeTime:
    """Return lengths and time of cutting a sheet once, in a machine or by hand."""
    if cutter.feeds == "hand":
        figures = catalogue.workshop
        knife = HandKnife(figures["hand_straight"], figures["hand_curve"], figures["hand_corner"])
        return knife_time_by_hand(sheet_paths(sheet, by_hand=True), knife)
    return knife_time(sheet_paths(sheet, by_hand=False), cutter, speed=settings.speed, passes=settings.passes)


def job_items(layout: Layout) -> list[PackItem]:
    """Return the rectangles of all patches of a job, every set of masks, in the order a packing is kept in."""
    return [PackItem(*patch.size) for _ in range(layout.sets) for patch in layout.patches]


def with_packing(job: Job, items: Sequence[PackItem], packing: Packing) -> Job:
    """Return a job with a packing that a longer search found."""
    kept = tuple(
        KeptSpot(item.width, item.height, spot.sheet, spot.x, spot.y, spot.turned)
        for item, spot in zip(items, packing.spots, strict=True)
    )
    return altered(job, packing=kept)


def with_patch_choice(
    job: Job, layout: Layout, painted: Painted, number: int, *, sheet: int | None, alone: bool, turns: bool
) -> Job:
    """Return a job with a choice made for a patch; where nothing is chosen, the choice is taken back.

    Raises
    ------
    NoSuchThing
        When there is no such patch.
    BadInput
        When there cannot be such a sheet.
    """
    patch = next((patch for patch in layout.patches if patch.number == number), None)
    if patch is None:
        raise NoSuchThing(f"There is no patch {number}.", f"This job has patches 1 to {len(layout.patches)}.")
    width, height = painted.width, painted.height
    others = tuple(
        choice
        for choice in job.sheets.patch_choices
        if not patch.holds(choice.mask, (choice.x * width, choice.y * height))
    )
    x, y = _own_point(patch, layout)
    choice = PatchChoice(x / width, y / height, patch.mask, sheet, alone, turns)
    check_limits(choice)
    return altered(job, patch_choices=(*others, choice) if sheet or alone or not turns else others, packing=())


def _own_point(patch: Patch, layout: Layout) -> tuple[float, float]:
    """Return a point that lies in no other cell of its mask."""
    own: BaseGeometry = shapely.box(*patch.cell)
    for other in layout.patches:
        if other.mask == patch.mask and other.number != patch.number:
            own = own.difference(shapely.box(*other.cell))
    at = (shapely.box(*patch.cell) if own.is_empty else own).representative_point()
    return at.x, at.y


def without_patch_choices(job: Job) -> Job:
    """Return a job whose patches are laid out as is best."""
    return altered(job, patch_choices=(), packing=())


def guards_of(look: Look, weak: Sequence[WeakPlace]) -> Guards:
    """Return what the seams of a mask keep clear of."""
    back = (-look.composition.origin[0], -look.composition.origin[1])
    units = {placed.element.id: [shifted(box, back) for box in units_in(placed)] for placed in look.composition.placed}
    joined = [box for element in look.job.sheets.together for box in units.get(element, [])]
    necks = tuple(place.at for place in weak if place.kind == "neck" and place.severity != "note")
    return Guards(tuple(box for boxes in units.values() for box in boxes), (_around(joined),) if joined else (), necks)


def _around(boxes: Sequence[Box]) -> Box:
    edges = np.array(boxes)
    low, high = edges[:, :2].min(axis=0), edges[:, 2:].max(axis=0)
    return (float(low[0]), float(low[1]), float(high[0]), float(high[1]))


def groups_of(look: Look) -> int:
    """Return how many groups of shapes keep their spacing when they are carried."""
    return max(len(group_boxes(look)), 1)


def group_boxes(look: Look) -> list[Box]:
    """Return the boxes on the blank of what keeps its spacing, from the middle outwards: words, what stands close."""
    boxes = [box for placed in look.composition.placed for box in units_in(placed)]
    x0, y0, x1, y1 = shifted(look.painted.bbox, look.composition.origin)
    return sorted(boxes, key=lambda box: math.hypot(box[0] + box[2] - x0 - x1, box[1] + box[3] - y0 - y1))


def units_in(placed: PlacedElement) -> list[Box]:
    """Return the boxes on the blank of what should stay whole: each word; of anything else what stands close."""
    parts = shapely.get_parts(placed.region)
    bounds = shapely.bounds(parts)
    if placed.copies > 1 or not isinstance(placed.element, Words) or not placed.letters or not len(parts):
        return list(units_of(placed.region))
    text = placed.element.setting.text
    word = np.array([len(text[: letter.index].split()) for letter in placed.letters])
    starts = np.array([letter.index == 0 or text[letter.index - 1].isspace() for letter in placed.letters])
    word = np.where(starts, word + 1, word)
    places = np.array([place_of_letter(placed, k) for k in range(len(placed.letters))])
    middles = (bounds[:, :2] + bounds[:, 2:]) / 2
    nearest = np.argmin(
        np.hypot(middles[:, None, 0] - places[None, :, 0], middles[:, None, 1] - places[None, :, 1]), axis=1
    )
    return [_around([tuple(box) for box in bounds[word[nearest] == one]]) for one in np.unique(word[nearest])]
