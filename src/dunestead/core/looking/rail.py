"""The size rail: from which width the design holds, up to which it fits, and where sheets are saved.

Widths, letters and pieces of a design grow in step with it, so each least size follows from one
measurement; sheets step where the mask outgrows a row or column of the cutter's reach.
"""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.artwork.compose import Composition, is_fixed
from dunestead.core.artwork.layout import least_letter, place_of_letter
from dunestead.core.artwork.room import room_on
from dunestead.core.figures import Catalogue
from dunestead.core.geometry.curves import Box
from dunestead.core.job.reach import reach_of
from dunestead.core.looking.look import Look
from dunestead.core.mask.axis import AxisSide
from dunestead.core.mask.findings import Kind, widths_of
from dunestead.core.sheets.cells import fewest_for, fewest_of_many

__all__ = ["Least", "SheetStep", "SizeRail", "size_rail"]

Measure = Literal["stroke", "web", "part", "letter"]
Points = npt.NDArray[np.float64]
_EXACT_MM = 0.005
# Widths at which sheets step are found to this, mm.
_STEP_MM = 0.25
# Counts are looked at so many times along the rail, and then where they differ.
_STRIDES = 40
_TOUCHING = 0.05


@dataclass(frozen=True, slots=True)
class Least:
    """The width from which one measure holds, what it measures now, its limit, and where on the blank. All mm."""

    measure: Measure
    width: float
    measured: float
    limit: float
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
        By measure, the most demanding first.
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

    @property
    def smallest(self) -> float:
        """The width from which everything holds; 0 when nothing limits it."""
        return self.least[0].width if self.least else 0.0

    def sheets_at(self, width: float) -> int:
        """Return how many sheets a width takes."""
        return next((step.sheets for step in self.steps if width <= step.width + _EXACT_MM), self.steps[-1].sheets)


def size_rail(look: Look, catalogue: Catalogue) -> SizeRail:
    """Return the rail of a job's design."""
    composition = look.composition
    width = composition.design_width
    if composition.design_box is None:
        return SizeRail(width, (), width, width, (SheetStep(width, _sheets(look, catalogue, 1.0)),), width, width, True)
    least = tuple(sorted(_least(look), key=lambda one: -one.width))
    margin, edge = (width * room_on(composition, inset) for inset in (look.margin, 0.0))
    smallest = least[0].width if least else 0.0
    high = max(edge * 1.12, width * 1.02, min(smallest * 1.05, edge * 2.5))
    low = max(min(width, margin, smallest or width) * 0.5, 1.0)
    steps = tuple(_steps(look, catalogue, low, high))
    return SizeRail(width, least, margin, edge, steps, low, high, False)


# --- least widths -----------------------------------------------------------------------------
def _least(look: Look) -> Iterator[Least]:
    composition, width, origin = look.composition, look.composition.design_width, look.composition.origin
    found = _least_growing(look)
    limits_by: dict[Kind, float | None] = {
        "stroke": look.choices.surface.stroke,
        "web": look.choices.surface.web,
        "part": look.choices.material.least_part,
    }
    for kind, limit in limits_by.items():
        if limit and (thin := found.get(kind)) and thin[0] > 0:
            at = (thin[1][0] + origin[0], thin[1][1] + origin[1])
            yield Least(kind, width * limit / thin[0], thin[0], limit, at)
    if lowest := least_letter(composition):
        placed, index = lowest
        limit, height = look.choices.surface.letter, placed.letters[index].height
        yield Least("letter", width * limit / height, height, limit, place_of_letter(placed, index))


def _least_growing(look: Look) -> dict[Kind, tuple[float, tuple[float, float]]]:
    """Return the least widths and their places where all that bounds them grows with the design."""
    fixed = [placed.region for placed in look.composition.placed if is_fixed(placed.element)]
    if not look.composition.overhang.is_empty:
        # Where the blank ends, paint is as thin as it is trimmed.
        fixed.append(look.composition.overhang)
    if not fixed:
        kinds: tuple[Kind, ...] = ("stroke", "web", "part")
        return {kind: (least.width, least.at) for kind in kinds if (least := look.fitness.least(kind))}
    back = (-look.composition.origin[0], -look.composition.origin[1])
    still = shapely.transform(shapely.union_all(fixed), lambda points: points + back)
    edge = shapely.STRtree(_segments(still))
    found: dict[Kind, tuple[float, tuple[float, float]]] = {}
    for laid in look.masks:
        widths = widths_of(laid.painted, laid.mask)
        sides: list[tuple[Kind, AxisSide]] = [("stroke", widths.strokes), ("web", widths.webs)]
        for kind, side in sides:
            free_of = np.ones(len(side.at), bool)
            free_of[edge.query(shapely.points(side.at), "dwithin", side.diameter / 2 + _TOUCHING)[0]] = False
            if thinnest := side.where(free_of).least():
                found[kind] = min(found.get(kind, thinnest), thinnest)
        free = [
            (width, piece.anchor)
            for piece, width in zip(laid.mask.loose, widths.parts, strict=True)
            if not shapely.dwithin(still, piece.shape, _TOUCHING)
        ]
        found |= {"part": min([*free, *([found["part"]] if "part" in found else [])])} if free else {}
    return found


def _segments(region: BaseGeometry) -> npt.NDArray[np.object_]:
    """Return every side of a region's edge as a line of its own."""
    points, ring = shapely.get_coordinates(shapely.get_rings(shapely.get_parts(region)), return_index=True)
    same = ring[:-1] == ring[1:]
    sides = shapely.linestrings(np.stack([points[:-1][same], points[1:][same]], axis=1))
    assert isinstance(sides, np.ndarray)
    return sides


# --- sheets -----------------------------------------------------------------------------------
def _sheets(look: Look, catalogue: Catalogue, factor: float) -> int:
    """Return how many sheets the mask takes when the design is so many times larger."""
    x0, y0, x1, y1 = _painted_box(look.composition, factor)
    if look.job.mask.whole_blank and not look.job.mask.reverse:
        x0, y0, x1, y1 = look.composition.outline.bounds
        border = 0.0
    else:
        border = 0.0 if look.job.mask.reverse else 2 * look.masks[0].mask.border
    extent = (x1 - x0 + border, y1 - y0 + border)
    reach = reach_of(look.job, look.choices, catalogue)
    if any(mask.line for mask in look.masks):
        # Lines are masked one by one, each with a border of its own.
        boxes = [mask.painted.region.bounds for mask in look.masks]
        return sum(fewest_for(((b[2] - b[0]) * factor + border, (b[3] - b[1]) * factor + border), reach) for b in boxes)
    return fewest_of_many(extent, len(look.masks), reach)


def _painted_box(composition: Composition, factor: float) -> Box:
    """Return the painted box of a larger design: what grows, what does not, trimmed at the blank's edge."""
    boxes = []
    if box := composition.design_box:
        cx, cy = (box[0] + box[2]) / 2, (box[1] + box[3]) / 2
        half = ((box[2] - box[0]) / 2 * factor, (box[3] - box[1]) / 2 * factor)
        boxes.append((cx - half[0], cy - half[1], cx + half[0], cy + half[1]))
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
        return _sheets(look, catalogue, min(index * _STEP_MM, high) / width)

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
