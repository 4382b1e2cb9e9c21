"""The size rail: from which width the design holds, up to which it fits, and where sheets are saved.

Widths, letters and pieces of a design grow in step with it, so each least size follows from one
measurement; sheets step where the mask outgrows a row or column of the cutter's reach.
"""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from itertools import pairwise
from typing import TYPE_CHECKING, Literal

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.artwork.compose import Composition, is_fixed
from dunestead.core.artwork.finding import TIGHT
from dunestead.core.artwork.layout import place_of_letter
from dunestead.core.artwork.room import room_on
from dunestead.core.figures import Catalogue
from dunestead.core.geometry.curves import Box, shifted
from dunestead.core.geometry.groups import group_labels
from dunestead.core.job.reach import prices_of, reach_of
from dunestead.core.looking.look import Look
from dunestead.core.looking.masks import border_of
from dunestead.core.mask.findings import Kind, widths_of
from dunestead.core.sheets.extents import Takes, takes, takes_together

if TYPE_CHECKING:
    from scipy.spatial import KDTree

__all__ = ["WIDEST", "FineSpot", "Least", "SheetStep", "SizeRail", "holding", "size_rail", "takes_at"]

Measure = Literal["stroke", "web", "part", "letter"]
Points = npt.NDArray[np.float64]
Floats = npt.NDArray[np.float64]
Ints = npt.NDArray[np.intp]
# Within so many times the width that is wanted, on the largest design that fits, a place is about the same spot.
_SAME_SPOT = 1.5
# No mask is wider than this, mm, whatever the blank.
WIDEST = 3000.0
_EXACT_MM = 0.005
# Widths at which sheets step are found to this, mm.
_STEP_MM = 0.25
# Counts are looked at so many times along the rail, and then where they differ.
_STRIDES = 40
_TOUCHING = 0.05
_AT_A_TIME = 500


@dataclass(frozen=True, slots=True)
class Least:
    """The width from which one measure holds, what it measures now, its limit, and where on the blank. All mm."""

    measure: Measure
    width: float
    measured: float
    limit: float
    at: tuple[float, float]


@dataclass(frozen=True, slots=True)
class FineSpot:
    """A place so fine that no size that fits the blank would do: what it measures, mm, and where on the blank."""

    measure: Measure
    measured: float
    at: tuple[float, float]


@dataclass(frozen=True, slots=True)
class SheetStep:
    """Up to this width of the design, mm, so many sheets do."""

    width: float
    sheets: int


@dataclass(frozen=True, slots=True)
class SizeRail:
    """Widths at which something changes, mm.

    Attributes
    ----------
    width
        Of the design as it is; frames and scattered copies aside.
    least
        By measure, the most demanding first; spots aside.
    spots
        Where the design is too fine at every size that fits the blank.
    margin, edge
        Widest within the margins, and on the blank, where the design stands.
    steps
        Widths up to which a number of sheets does, over the whole rail.
    low, high
        Ends of the rail.
    fixed
        Whether there is nothing to size: the design is a frame only.
    """

    width: float
    least: tuple[Least, ...]
    margin: float
    edge: float
    steps: tuple[SheetStep, ...]
    low: float
    high: float
    fixed: bool
    spots: tuple[FineSpot, ...] = ()

    @property
    def smallest(self) -> float:
        """The width from which everything holds but the spots; 0 when nothing limits it."""
        return self.least[0].width if self.least else 0.0

    def sheets_at(self, width: float) -> int:
        """Return how many sheets a width takes."""
        return next((step.sheets for step in self.steps if width <= step.width + _EXACT_MM), self.steps[-1].sheets)


def size_rail(look: Look, catalogue: Catalogue) -> SizeRail:
    """Return the rail of a job's design."""
    composition = look.composition
    width = composition.design_width
    if composition.design_box is None:
        return SizeRail(
            width, (), width, width, (SheetStep(width, takes_at(look, catalogue, 1.0).sheets),), width, width, True
        )
    margin, edge = (width * room_on(composition, inset) for inset in (look.margin, 0.0))
    least, spots = holding(look, min(max(edge, width), WIDEST))
    smallest = least[0].width if least else 0.0
    high = max(edge * 1.12, width * 1.02, min(smallest * 1.05, edge * 2.5))
    low = max(min(width, margin, smallest or width) * 0.5, 1.0)
    steps = tuple(_steps(look, catalogue, low, high))
    return SizeRail(width, least, margin, edge, steps, low, high, False, spots)


# --- least widths -----------------------------------------------------------------------------
def holding(look: Look, widest: float) -> tuple[tuple[Least, ...], tuple[FineSpot, ...]]:
    """Return from which width each measure of a design holds, the most demanding first, and where none will do.

    Parameters
    ----------
    look
        The design at any size.
    widest
        The largest it may become, mm.
    """
    width, measured = look.composition.design_width, _measured(look)
    spots = tuple(spot for one in measured for spot in one.spots(widest / width))
    found = (one.least(width, widest / width) for one in measured)
    return tuple(sorted((one for one in found if one), key=lambda one: -one.width)), spots


@dataclass(frozen=True, slots=True, eq=False)
class _Measured:
    """One measure of a design: its values, mm, where they are on the blank, and what is wanted.

    ``near`` is how far around a place it is the same place.
    """

    measure: Measure
    values: Floats
    at: Points
    limit: float
    near: float

    def spots(self, growth: float) -> list[FineSpot]:
        """Return a place for each group of values that are too small, not only tight, however large it may grow."""
        fine = np.flatnonzero(self.values * growth < self.limit * (1 - TIGHT))
        fine = fine[np.argsort(self.values[fine], kind="stable")]
        if self.near and len(fine):
            pairs = _tree(self.at[fine]).query_pairs(self._around(growth), output_type="ndarray")
            label = group_labels(len(fine), pairs)
            fine = fine[np.sort(np.unique(label, return_index=True)[1])]
        return [
            FineSpot(self.measure, float(self.values[k]), (float(self.at[k, 0]), float(self.at[k, 1]))) for k in fine
        ]

    def least(self, width: float, growth: float) -> Least | None:
        """Return the width from which what is not about a spot holds; None where there is nothing else."""
        kept = self.values * growth >= self.limit * (1 - 1e-6)
        order = np.flatnonzero(kept)[np.argsort(self.values[kept], kind="stable")]
        if not kept.all() and self.near:
            order = self._clear_of(self.at[~kept], order, growth)
        if not len(order):
            return None
        k = int(order[0])
        value = float(self.values[k])
        at = (float(self.at[k, 0]), float(self.at[k, 1]))
        return Least(self.measure, width * self.limit / value, value, self.limit, at)

    def _clear_of(self, spots: Points, order: Ints, growth: float) -> Ints:
        """Return the first of an order that are not about a spot, looked for a few at a time."""
        tree = _tree(spots)
        for some in np.array_split(order, math.ceil(len(order) / _AT_A_TIME) or 1):
            away = tree.query(self.at[some])[0]
            if len(clear := some[away > self._around(growth)]):
                return clear
        return order[:0]

    def _around(self, growth: float) -> float:
        return self.near * self.limit / growth


def _tree(at: Points) -> "KDTree":
    # Loading this takes a while, which a refused file need not wait for.
    from scipy.spatial import KDTree

    return KDTree(at)


def _measured(look: Look) -> list[_Measured]:
    """Return all that must be large enough, where all that bounds it grows with the design."""
    composition, surface = look.composition, look.choices.surface
    wanted: tuple[tuple[Kind, float | None, float], ...] = (
        ("stroke", surface.stroke, _SAME_SPOT),
        ("web", surface.web, _SAME_SPOT),
        ("part", look.choices.material.least_part, 0.0),
    )
    found = []
    for kind, limit, near in wanted:
        values, at = _growing(look, kind)
        if limit and len(values):
            found.append(_Measured(kind, values, at + composition.origin, limit, near))
    letters = [
        (letter.height, place_of_letter(placed, index))
        for placed in composition.placed
        for index, letter in enumerate(placed.letters)
    ]
    if letters:
        heights, places = zip(*letters, strict=True)
        found.append(_Measured("letter", np.array(heights), np.array(places), surface.letter, 0.0))
    return found


def _growing(look: Look, kind: Kind) -> tuple[Floats, Points]:
    """Return the widths of one kind and their places, where what they lie between grows with the design."""
    still = _still(look)
    values, places = [np.empty(0)], [np.empty((0, 2))]
    for laid in look.masks:
        if kind == "part":
            free = [
                (width, piece.anchor)
                for piece, width in zip(laid.mask.loose, laid.fitness.parts, strict=True)
                if still is None or not shapely.dwithin(still[0], piece.shape, _TOUCHING)
            ]
            values.append(np.array([width for width, _ in free]))
            places.append(np.array([at for _, at in free]).reshape(-1, 2))
            continue
        widths = widths_of(laid.painted, laid.mask)
        side = widths.strokes if kind == "stroke" else widths.webs
        free_of = np.ones(len(side.at), bool)
        if still is not None:
            near = still[1].query(shapely.points(side.at), "dwithin", side.diameter / 2 + _TOUCHING)[0]
            free_of[near] = False
        values.append(side.diameter[free_of])
        places.append(side.at[free_of])
    return np.concatenate(values), np.concatenate(places)


def _still(look: Look) -> tuple[BaseGeometry, shapely.STRtree] | None:
    """Return what does not grow with the design, in its coordinates, and its sides; None when all grows."""
    fixed = [placed.region for placed in look.composition.placed if is_fixed(placed.element)]
    if not look.composition.overhang.is_empty:
        # Where the blank ends, paint is as thin as it is trimmed.
        fixed.append(look.composition.overhang)
    if not fixed:
        return None
    back = (-look.composition.origin[0], -look.composition.origin[1])
    still = shapely.transform(shapely.union_all(fixed), lambda points: points + back)
    return still, shapely.STRtree(_segments(still))


def _segments(region: BaseGeometry) -> npt.NDArray[np.object_]:
    """Return every side of a region's edge as a line of its own."""
    points, ring = shapely.get_coordinates(shapely.get_rings(shapely.get_parts(region)), return_index=True)
    same = ring[:-1] == ring[1:]
    sides = shapely.linestrings(np.stack([points[:-1][same], points[1:][same]], axis=1))
    assert isinstance(sides, np.ndarray)
    return sides


# --- sheets -----------------------------------------------------------------------------------
def takes_at(look: Look, catalogue: Catalogue, factor: float, border: float | None = None) -> Takes:
    """Return what the masks take by their extents when the design is so many times larger, or the border another."""
    box, outline = _painted_box(look.composition, factor), look.composition.outline.bounds
    if look.job.mask.whole_blank and not look.job.mask.reverse:
        box, border = outline, 0.0
    else:
        if border is None:
            lines = [shifted(one.painted.region.bounds, look.composition.origin) for one in look.masks if one.line]
            grown = [_grown(one, factor) for one in lines] or [box]
            border = border_of(look.job, grown, outline, look.choices, catalogue)
        border = 0.0 if look.job.mask.reverse else border
    extent = _with_border(box, border, outline)
    reach = reach_of(look.job, look.choices, catalogue)
    prices = prices_of(catalogue).towards(look.job.sheets.aim)
    if any(mask.line for mask in look.masks):
        # Lines are masked one by one, each with a border of its own.
        boxes = [shifted(mask.painted.region.bounds, look.composition.origin) for mask in look.masks]
        extents = [_with_border(_grown(one, factor), border, outline) for one in boxes]
        return sum((takes(one, reach, prices) for one in extents), Takes(0, 0))
    return takes_together(extent, len(look.masks), reach, prices)


def _grown(box: Box, factor: float) -> Box:
    """Return a box so many times larger about its middle."""
    cx, cy = (box[0] + box[2]) / 2, (box[1] + box[3]) / 2
    half = ((box[2] - box[0]) / 2 * factor, (box[3] - box[1]) / 2 * factor)
    return (cx - half[0], cy - half[1], cx + half[0], cy + half[1])


def _with_border(box: Box, border: float, outline: Box) -> tuple[float, float]:
    """Return how wide and high a mask around a box is: its border ends at the blank's edge."""
    wide = min(box[2] + border, outline[2]) - max(box[0] - border, outline[0])
    return wide, min(box[3] + border, outline[3]) - max(box[1] - border, outline[1])


def _painted_box(composition: Composition, factor: float) -> Box:
    """Return the painted box of a larger design: what grows, what does not, trimmed at the blank's edge."""
    boxes = []
    if box := composition.design_box:
        boxes.append(_grown(box, factor))
    boxes += [placed.box for placed in composition.placed if is_fixed(placed.element)]
    edges = np.array(boxes)
    low = np.maximum(edges[:, :2].min(axis=0), composition.outline.bounds[:2])
    high = np.minimum(edges[:, 2:].max(axis=0), composition.outline.bounds[2:])
    return (float(low[0]), float(low[1]), float(high[0]), float(high[1]))


def _steps(look: Look, catalogue: Catalogue, low: float, high: float) -> Iterator[SheetStep]:
    """Yield the widths up to which a number of sheets does; the number never falls with the width.

    The widths tried stand on a grid of their own, so that those of the last look are known already.
    """
    width = look.composition.design_width

    def sheets(index: int) -> int:
        return takes_at(look, catalogue, min(index * _STEP_MM, high) / width).sheets

    start, end = int(low / _STEP_MM), math.ceil(high / _STEP_MM)
    stride = 2 ** max(math.ceil(math.log2(max((end - start) / _STRIDES, 1))), 0)
    marks = [start, *(k for k in range(start - start % stride + stride, end, stride)), end]
    now = sheets(start)
    for before, after in pairwise(marks):
        at = before
        # Counts between two marks that count alike are taken to be alike.
        while sheets(after) > now:
            least, most = at, after
            while most - least > 1:
                middle = (least + most) // 2
                least, most = (middle, most) if sheets(middle) <= now else (least, middle)
            yield SheetStep(least * _STEP_MM, now)
            at, now = most, max(sheets(most), now + 1)
    yield SheetStep(high, now)
