"""The masks a design is painted through: one for all colours, one for each, or a reverse one."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import shapely

from dunestead.core.artwork.compose import Composition
from dunestead.core.artwork.painted import Painted
from dunestead.core.colours import colour_name
from dunestead.core.figures import Catalogue
from dunestead.core.geometry.affine import Affine
from dunestead.core.mask.fates import Fate, settle
from dunestead.core.mask.findings import Fitness, judge, limits_for
from dunestead.core.mask.loose import LoosePiece, Mask, cut_mask, shape_mask
from dunestead.core.mask.rollcall import RollEntry, Seat, call_roll, renumbered
from dunestead.core.painting.separation import colour_order, notched_sheet, painted_through
from dunestead.core.planning.choices import Choices
from dunestead.core.planning.job import Job

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
        What is painted through it; empty with one mask for all.
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

    @property
    def name(self) -> str:
        """What a maker calls it."""
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
    labels = _labels(job, composition.painted)
    found = _cut(job, composition, labels, choices, catalogue)
    numbered, roll = call_roll(list(zip(labels, found, strict=True)), _seats(composition), job.roll)
    settled = settle(composition.painted, list(zip(labels, numbered, strict=True)), job.fates)
    if settled.painted is composition.painted:
        masks = numbered
    else:
        dx, dy = settled.moved
        origin = (composition.origin[0] + dx, composition.origin[1] + dy)
        composition = replace(composition, painted=settled.painted, origin=origin)
        labels_left = [label for label in labels if not label or label in settled.painted.colours]
        numbered = [
            _shifted(mask, -dx, -dy) for label, mask in zip(labels, numbered, strict=True) if label in labels_left
        ]
        labels = labels_left
        cut = _cut(job, composition, labels, choices, catalogue)
        masks = [_carried_over(now, before, job.fates, roll) for now, before in zip(cut, numbered, strict=True)]
    laid = []
    for number, (label, was, mask) in enumerate(zip(labels, numbered, masks, strict=True), start=1):
        painted = painted_through(composition.painted, label)
        kept = tuple(piece.number for piece in mask.loose if job.fates.get(piece.number, "keep") == "keep")
        limits = limits_for(catalogue, job.surface, job.material)
        fitness = judge(painted, mask, choices.surface, choices.material, limits, kept)
        laid.append(LaidMask(number, label, painted, was, mask, fitness))
    return LaidMasks(tuple(laid), composition, roll, _is_aligned(job, composition, masks))


def _labels(job: Job, painted: Painted) -> list[str]:
    if job.reverse or job.masks == "one" or len(painted.colours) < 2:
        return [""]
    return colour_order(painted.colours, job.mask_order)


def _cut(
    job: Job, composition: Composition, labels: Sequence[str], choices: Choices, catalogue: Catalogue
) -> list[Mask]:
    painted = composition.painted
    border = job.border or choices.material.border
    if job.reverse:
        return [shape_mask(painted, border)]
    outline: shapely.Polygon | None = None
    if job.whole_blank:
        back = (-composition.origin[0], -composition.origin[1])
        outline = shapely.transform(composition.outline, lambda points: points + back)
    elif len(labels) > 1:
        outline = notched_sheet(painted.bbox, border, catalogue.workshop["register_notch"])
    return [cut_mask(painted_through(painted, label), border, outline) for label in labels]


def _is_aligned(job: Job, composition: Composition, masks: Sequence[Mask]) -> bool:
    """Say whether a mask's edges are the blank's, so that they are laid by them."""
    if job.reverse or not masks:
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
