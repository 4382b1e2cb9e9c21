"""What would a seam run through? Paint, keepers, words, bridges, necks; everywhere, over its whole overlap."""

import math
from collections.abc import Iterable
from dataclasses import dataclass

import cv2
import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.geometry.curves import Box
from dunestead.core.mask.tying import CutPlan

__all__ = ["Ground", "Guards", "boxes_of"]

Values = npt.NDArray[np.float64]
Raster = npt.NDArray[np.uint8]
# What a seam may cost, in mm of paint it crosses: a keeper cut, what must stay together, a word, a bridge, a neck.
_KEEPER, _TOGETHER, _UNIT, _BRIDGE, _NECK = 1e4, 1e5, 400.0, 40.0, 30.0
# Mask wanted on either side of a seam, mm, and the weight of paint that comes nearer.
_BESIDE, _NEAR = 8.0, 0.35
# Mask crossed on a shorter way than this tears at the seam, and counts as paint, mm.
_SHORT = 12.0
# The mask is looked at in cells of this side, mm; of larger masks in no more cells than these.
_CELL, _MOST_CELLS = 0.5, 2_000_000
_SHIFT = 4
_EPS = 1e-6


@dataclass(frozen=True, slots=True)
class Guards:
    """What seams keep clear of, in artwork coordinates, mm.

    Attributes
    ----------
    units
        Boxes of words and elements, to be left whole where they fit.
    together
        Boxes the maker wants whole, whatever it costs.
    necks
        Places where the mask is weak already.
    """

    units: tuple[Box, ...] = ()
    together: tuple[Box, ...] = ()
    necks: tuple[tuple[float, float], ...] = ()


class Ground:
    """A mask as seams see it.

    Parameters
    ----------
    plan, guards
        The mask, and what seams keep clear of.
    overlap
        What neighbouring patches share, mm: paint counts wherever the two lie double.

    Notes
    -----
    Paint that a seam crosses is what its overlap covers of a line along it. Dilation by the overlap and sums along
    the line give that for every place at once.
    """

    def __init__(self, plan: CutPlan, guards: Guards, overlap: float) -> None:
        x0, y0, x1, y1 = plan.box
        self._low, self._overlap = (x0, y0), overlap
        self._cell = max(_CELL, math.sqrt((x1 - x0) * (y1 - y0) / _MOST_CELLS))
        painted = self._painted(plan)
        # Seams along axis 0 run down: lines are columns. For axis 1 the picture is turned.
        self._sums = tuple(self._line_sums(picture) for picture in (painted, np.ascontiguousarray(painted.T)))
        necks = (((x - _SHORT / 2, y - _SHORT / 2, x + _SHORT / 2, y + _SHORT / 2)) for x, y in guards.necks)
        self._whole = (
            (boxes_of(keeper.shape.bounds for keeper in plan.keepers), _KEEPER),
            (boxes_of(guards.together), _TOGETHER),
            (boxes_of(guards.units), _UNIT),
        )
        self._uncrossed = (
            (boxes_of(bridge.strip.bounds for bridge in plan.bridges), _BRIDGE),
            (boxes_of(necks), _NECK),
        )

    def _painted(self, plan: CutPlan) -> Raster:
        x0, y0, x1, y1 = plan.box
        shape = (max(math.ceil((y1 - y0) / self._cell), 1), max(math.ceil((x1 - x0) / self._cell), 1))
        mask = np.zeros(shape, np.uint8)
        rings = shapely.get_rings(shapely.get_parts(plan.frame))
        # Cells' middles have whole numbers.
        fixed = [
            np.round(((shapely.get_coordinates(ring) - (x0, y0)) / self._cell - 0.5) * 2**_SHIFT).astype(np.int32)
            for ring in rings
        ]
        if fixed:
            cv2.fillPoly(mask, fixed, 1, shift=_SHIFT)
        return 1 - mask

    def _line_sums(self, painted: Raster) -> tuple[npt.NDArray[np.int32], npt.NDArray[np.int32]]:
        """Return sums down each column of what a seam that begins there covers, and of what lies beside it too."""
        short = max(round(_SHORT / self._cell), 1)
        closed = cv2.morphologyEx(painted, cv2.MORPH_CLOSE, np.ones((short, 1), np.uint8), borderValue=0)
        wide = math.ceil(self._overlap / self._cell - _EPS) + 1
        beside = math.ceil(_BESIDE / self._cell)
        covered = cv2.dilate(closed, np.ones((1, wide), np.uint8), anchor=(0, 0))
        near = cv2.dilate(closed, np.ones((1, wide + 2 * beside), np.uint8), anchor=(beside, 0))
        return _sums(np.asarray(covered, np.uint8)), _sums(np.asarray(near, np.uint8))

    def costs(self, starts: Values, low: float, high: float, axis: int) -> tuple[Values, Values]:
        """Return what seams cost that begin at some places, and how much paint each of them crosses, mm.

        Parameters
        ----------
        starts
            Of seams along an axis: ``x`` for axis 0, which run down, ``y`` for axis 1, which run across.
        low, high
            Where they begin and end, along themselves.
        """
        crossed, near = (self._along(sums, starts, low, high, axis) for sums in self._sums[axis])
        cost = crossed + _NEAR * (near - crossed)
        for boxes, weight in self._whole:
            # Whole when one of the two cells holds all of it.
            cost += weight * _crossing(boxes, starts, starts + self._overlap, low, high, axis)
        middle = starts + self._overlap / 2
        for boxes, weight in self._uncrossed:
            cost += weight * _crossing(boxes, middle, middle, low, high, axis)
        return cost, crossed

    def _along(self, sums: npt.NDArray[np.int32], starts: Values, low: float, high: float, axis: int) -> Values:
        lines = np.clip(np.floor((starts - self._low[axis]) / self._cell).astype(int), 0, sums.shape[1] - 1)
        first, last = (
            min(max(round((at - self._low[1 - axis]) / self._cell), 0), sums.shape[0] - 1) for at in (low, high)
        )
        lengths: Values = (sums[last, lines] - sums[first, lines]) * self._cell
        return lengths


def boxes_of(boxes: Iterable[Box]) -> Values:
    """Return boxes as rows of an array, also when there are none."""
    return np.array(list(boxes), float).reshape(-1, 4)


def _sums(picture: Raster) -> npt.NDArray[np.int32]:
    """Return for each cell how many set ones lie above it in its column, with a row more than the picture."""
    return np.concatenate([np.zeros((1, picture.shape[1]), np.int32), np.cumsum(picture, axis=0, dtype=np.int32)])


def _crossing(boxes: Values, begins: Values, ends: Values, low: float, high: float, axis: int) -> Values:
    """Return for each seam how many boxes beside it begin before it and end after it."""
    beside = boxes[(boxes[:, 1 - axis] < high) & (boxes[:, 3 - axis] > low)]
    across = (beside[:, axis] < begins[:, None] - _EPS) & (beside[:, axis + 2] > ends[:, None] + _EPS)
    counts: Values = across.sum(axis=1).astype(float)
    return counts
