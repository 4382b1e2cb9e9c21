"""The masks a design is painted through: one for all colours, one for each, or a reverse one."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np
import shapely

from dunestead.core.artwork.compose import Composition
from dunestead.core.artwork.painted import Painted
from dunestead.core.blanks.clear import region_of
from dunestead.core.colours import colour_name
from dunestead.core.figures import Catalogue
from dunestead.core.geometry.affine import Affine
from dunestead.core.geometry.curves import Box
from dunestead.core.job.choices import Choices
from dunestead.core.job.job import Job
from dunestead.core.job.reach import fitting_border, reach_of
from dunestead.core.looking.lines import line_of, lines_of
from dunestead.core.mask.fates import Fate, settle
from dunestead.core.mask.findings import Fitness, judge, limits_for
from dunestead.core.mask.loose import LoosePiece, Mask, cut_mask, shape_mask, sheet_around
from dunestead.core.mask.rollcall import RollEntry, Seat, call_roll, renumbered
from dunestead.core.painting.separation import colour_order, notch_count, notched, painted_through

__all__ = ["LaidMask", "LaidMasks", "lay_masks"]

# A mask that ends no further than this from the blank's edge, mm, is as large as the blank.
_ALIGNED = 1.0


@dataclass(frozen=True, slots=True)
class LaidMask:
    """One mask as it will lie on the blank.

    Attributes
    ----------
    number
        In the order they are laid, from 1.
    colour
        What is painted through it; empty where it is not the mask of one colour.
    line
        Which line of the design it is of, where lines are masked one after the other; else empty.
    notches
        How many notches of its border lie on those of the others.
    painted
        What is painted through it, in the coordinates of the whole design.
    found, mask
        As the artwork is drawn, and with pieces left out and artwork dropped.
    """

    number: int
    colour: str
    painted: Painted
    found: Mask
    mask: Mask
    fitness: Fitness
    line: str = ""
    notches: int = 0

    @property
    def label(self) -> str:
        """Its colour or line, by which pieces and bridges know it; empty for the one mask."""
        return self.line or self.colour

    @property
    def name(self) -> str:
        """What a maker calls it."""
        if self.line:
            return f"the mask of {self.line}"
        return f"the {colour_name(self.colour)} mask" if self.colour else "the mask"

    @property
    def is_reverse(self) -> bool:
        """Whether the artwork's own shapes are the mask."""
        return self.mask.frame.is_empty


@dataclass(frozen=True, slots=True)
class LaidMasks:
    """All masks of a job, the design as it is painted once fates are decided, and the roll."""

    masks: tuple[LaidMask, ...]
    composition: Composition
    roll: tuple[RollEntry, ...]
    aligned: bool


def lay_masks(job: Job, composition: Composition, choices: Choices, catalogue: Catalogue) -> LaidMasks:
    """Return the masks of a job's design with their pieces numbered.

    Raises
    ------
    BadInput
        When a fate leaves nothing to paint.
    """
    labels = _labels(job, composition)
    found = _cut(job, composition, labels, choices, catalogue)
    numbered, roll = call_roll(list(zip(labels, found, strict=True)), _seats(composition), job.mask.roll)
    by_colour = [("" if _is_line(label) else label) for label in labels]
    settled = settle(composition.painted, list(zip(by_colour, numbered, strict=True)), job.mask.fates)
    if settled.painted is composition.painted:
        masks = numbered
    else:
        dx, dy = settled.moved
        origin = (composition.origin[0] + dx, composition.origin[1] + dy)
        composition = replace(composition, painted=settled.painted, origin=origin)
        labels_left = [label for label in labels if not _through(composition, label).region.is_empty]
        numbered = [
            _shifted(mask, -dx, -dy) for label, mask in zip(labels, numbered, strict=True) if label in labels_left
        ]
        labels = labels_left
        cut = _cut(job, composition, labels, choices, catalogue)
        masks = [_carried_over(now, before, job.mask.fates, roll) for now, before in zip(cut, numbered, strict=True)]
    laid = []
    for number, (label, was, mask) in enumerate(zip(labels, numbered, masks, strict=True), start=1):
        painted = _through(composition, label)
        kept = tuple(piece.number for piece in mask.loose if job.mask.fates.get(piece.number, "keep") == "keep")
        limits = limits_for(catalogue, job.blank.surface, job.mask.material)
        fitness = judge(painted, mask, choices.surface, choices.material, limits, kept)
        colour, line = ("", label) if _is_line(label) else (label, "")
        notches = _notches_of(mask, composition, catalogue) if len(labels) > 1 and colour else 0
        laid.append(LaidMask(number, colour, painted, was, mask, fitness, line, notches))
    return LaidMasks(tuple(laid), composition, roll, _is_aligned(job, composition, masks))


def _notches_of(mask: Mask, composition: Composition, catalogue: Catalogue) -> int:
    return notch_count(mask.sheet, composition.painted.bbox, catalogue.workshop["register_notch"])


_LINE = "line "


def _is_line(label: str) -> bool:
    return label.startswith(_LINE)


def _labels(job: Job, composition: Composition) -> list[str]:
    painted = composition.painted
    if job.mask.reverse or job.mask.masks == "one":
        return [""]
    if job.mask.masks == "lines":
        count = len(lines_of(composition))
        labels = [f"{_LINE}{k}" for k in range(1, count + 1)] if count > 1 else [""]
        return [label for label in labels if not _through(composition, label).region.is_empty]
    return colour_order(painted.colours, job.mask.mask_order) if len(painted.colours) > 1 else [""]


def _through(composition: Composition, label: str) -> Painted:
    """Return what is painted through a mask: one colour, one line, or all; nothing where that is gone."""
    painted = composition.painted
    if _is_line(label):
        back = (-composition.origin[0], -composition.origin[1])
        lines = [shapely.transform(line, lambda points: points + back) for line in lines_of(composition)]
        return line_of(painted, lines, int(label.removeprefix(_LINE)) - 1, label)
    if label and label not in painted.colours:
        return replace(painted, region=shapely.MultiPolygon(), colours={})
    return painted_through(painted, label)


def _cut(
    job: Job, composition: Composition, labels: Sequence[str], choices: Choices, catalogue: Catalogue
) -> list[Mask]:
    painted = composition.painted
    if job.mask.reverse:
        border = choices.material.border if job.mask.border is None else job.mask.border
        return [shape_mask(painted, border)]
    back = (-composition.origin[0], -composition.origin[1])
    blank = shapely.transform(composition.outline, lambda points: points + back)
    off = [shapely.transform(area, lambda points: points + back) for area in region_of(job.piece.clear)]
    through = [_through(composition, label) for label in labels]
    border = border_of(job, [one.bbox for one in through], blank.bounds, choices, catalogue)
    if job.mask.whole_blank:
        return [cut_mask(one, border, _clear_of(blank, off)) for one in through]
    if len(labels) > 1 and job.mask.masks == "each":
        whole = _clear_of(_on_blank(sheet_around(painted, border), blank), off)
        notch = catalogue.workshop["register_notch"]
        on_blank = [notched(whole, painted.bbox, notch)] * len(labels)
    else:
        on_blank = [_clear_of(_on_blank(sheet_around(one, border), blank), off) for one in through]
    return [cut_mask(one, border, sheet) for one, sheet in zip(through, on_blank, strict=True)]


def border_of(job: Job, boxes: Sequence[Box], outline: Box, choices: Choices, catalogue: Catalogue) -> float:
    """Return the border of a job's masks, mm: the maker's, or the usual one as far as the cutter's reach allows."""
    if job.mask.border is not None:
        return job.mask.border
    usual = choices.material.border
    if job.mask.whole_blank:
        return usual
    if job.mask.masks == "each" and boxes:
        # All have one sheet, around all that is painted.
        low, high = np.min(np.array(boxes)[:, :2], axis=0), np.max(np.array(boxes)[:, 2:], axis=0)
        boxes = [(float(low[0]), float(low[1]), float(high[0]), float(high[1]))]
    least = min(usual, catalogue.workshop["border_least"])
    return fitting_border(boxes, outline, usual, least, reach_of(job, choices, catalogue))


def _on_blank(sheet: shapely.Polygon, blank: shapely.Polygon) -> shapely.Polygon:
    """Return as much of a mask's sheet as lies on the blank: beyond its edge there is nothing to keep paint off."""
    if shapely.covers(blank, sheet):
        return sheet
    parts = shapely.get_parts(shapely.intersection(sheet, blank))
    largest: shapely.Polygon = max(
        (part for part in parts if part.geom_type == "Polygon"), key=lambda part: float(part.area)
    )
    return largest


def _clear_of(sheet: shapely.Polygon, off: Sequence[shapely.Polygon]) -> shapely.Polygon:
    """Return what is left of a mask's sheet beside areas that are kept clear: the largest part of it."""
    met = [area for area in off if area.intersects(sheet)]
    if not met:
        return sheet
    parts = [part for part in shapely.get_parts(shapely.difference(sheet, shapely.union_all(met))) if part.area > 0]
    return max(parts, key=lambda part: float(part.area), default=sheet)


def _is_aligned(job: Job, composition: Composition, masks: Sequence[Mask]) -> bool:
    """Say whether a mask's edges are the blank's, so that they are laid by them."""
    if job.mask.reverse or not masks:
        return False
    ox, oy = composition.origin
    x0, y0, x1, y1 = masks[0].sheet.bounds
    mask = (x0 + ox, y0 + oy, x1 + ox, y1 + oy)
    return all(abs(a - b) <= _ALIGNED for a, b in zip(mask, composition.outline.bounds, strict=True))


def _shifted(mask: Mask, dx: float, dy: float) -> Mask:
    if not dx and not dy:
        return mask
    by = Affine.translation(dx, dy).apply

    def moved(piece: LoosePiece) -> LoosePiece:
        x, y = piece.centroid
        ax, ay = piece.anchor
        return LoosePiece(
            piece.number, piece.area, (x + dx, y + dy), (ax + dx, ay + dy), shapely.transform(piece.shape, by)
        )

    return Mask(
        f"{mask.key}~{dx:.4f},{dy:.4f}",
        mask.border,
        shapely.transform(mask.frame, by),
        tuple(moved(piece) for piece in mask.loose),
        shapely.transform(mask.sheet, by),
    )


def _carried_over(mask: Mask, before: Mask, fates: Mapping[int, Fate], roll: Sequence[RollEntry]) -> Mask:
    """Give the pieces of a mask cut anew the numbers they had before some of them went."""
    stayed = [piece for piece in before.loose if fates.get(piece.number, "keep") in ("keep", "bridge")]
    if not mask.loose:
        return mask
    fresh = max((entry.number for entry in roll), default=0)
    numbers: dict[int, int] = {}
    if stayed:
        anchors = shapely.points([piece.anchor for piece in stayed])
        tree = shapely.STRtree([piece.shape for piece in mask.loose])
        for old, now in sorted(tree.query(anchors, predicate="intersects").T.tolist()):
            numbers.setdefault(now, stayed[old].number)
    pieces = []
    for k, piece in enumerate(mask.loose):
        if k not in numbers:
            # What falls out only because its neighbour went was never met: it is numbered after all that were.
            fresh += 1
        pieces.append(replace(piece, number=numbers.get(k, fresh)))
    return renumbered(mask, pieces)


def _seats(composition: Composition) -> list[Seat]:
    """Return the parts of a design in the coordinates of what is painted."""
    back = Affine.translation(-composition.origin[0], -composition.origin[1])
    return [
        Seat(
            one.element.id,
            {colour: shapely.transform(region, back.apply) for colour, region in one.colours.items()},
            one.to_blank.then(back),
        )
        for one in composition.placed
    ]
