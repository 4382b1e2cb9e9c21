"""Where patches meet on the blank, and what proves that they were set right."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import combinations

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.sheets.cells import meeting
from dunestead.core.sheets.division import Patch
from dunestead.core.units import in_letters

__all__ = ["CheckPair", "Seam", "seams_of"]

Point = tuple[float, float]
# Marks lie so far from the seam's middle, the first distance at which both find firm mask, mm.
_DISTANCES = (25.0, 30.0, 40.0, 20.0, 50.0, 15.0)
# Mask wanted around a mark, mm.
_FIRM = 3.0
_PLACES = 41


@dataclass(frozen=True, slots=True)
class CheckPair:
    """Two marks, one each side of a seam, and the distance a tape must read between them, mm.

    Attributes
    ----------
    name
        Printed beside both.
    first, second
        On the two patches, in artwork coordinates.
    """

    name: str
    first: Point
    second: Point

    @property
    def distance(self) -> float:
        """What the tape must read, mm."""
        return float(np.hypot(self.second[0] - self.first[0], self.second[1] - self.first[1]))


@dataclass(frozen=True, slots=True)
class Seam:
    """Where two patches of one mask meet.

    Attributes
    ----------
    name
        A letter.
    patches
        Numbers of the two, the one laid first first.
    start, end
        Its middle line, in artwork coordinates.
    overlap
        How much they share, mm; 0 where they are butted and taped.
    pairs
        Marks to measure between; none where no firm mask was found on both sides.
    """

    name: str
    mask: int
    patches: tuple[int, int]
    start: Point
    end: Point
    overlap: float
    pairs: tuple[CheckPair, ...]

    @property
    def runs_down(self) -> bool:
        """Whether it runs down the artwork, its patches left and right of it."""
        return abs(self.end[1] - self.start[1]) > abs(self.end[0] - self.start[0])


def seams_of(patches: Sequence[Patch], overlap: float, first: int = 0) -> tuple[Seam, ...]:
    """Return the seams between the patches of one mask, lettered in reading order.

    Parameters
    ----------
    patches
        Of one mask.
    overlap
        Mask that neighbours share, mm.
    first
        How many seams were lettered before, in other masks.
    """
    seams: list[Seam] = []
    for one, other in combinations(patches, 2):
        line = meeting(one.cell, other.cell, overlap)
        if line is None:
            continue
        name = in_letters(first + len(seams))
        seams.append(Seam(name, one.mask, (one.number, other.number), *line, overlap, _pairs(one, other, line, name)))
    return tuple(seams)


def _pairs(one: Patch, other: Patch, line: tuple[Point, Point], name: str) -> tuple[CheckPair, ...]:
    """Return two pairs of marks, near the two ends of a seam, each on firm mask of both patches."""
    (x0, y0), (x1, y1) = line
    runs_down = y1 - y0 > x1 - x0
    way = np.array([1.0, 0.0] if runs_down else [0.0, 1.0])
    places = np.column_stack([np.linspace(x0, x1, _PLACES), np.linspace(y0, y1, _PLACES)])[1:-1]
    axis = 0 if runs_down else 1
    before, after = (one, other) if one.cell[axis] <= other.cell[axis] else (other, one)
    for distance in _DISTANCES:
        first, second = places - way * distance, places + way * distance
        firm = _is_firm(before, first) & _is_firm(after, second)
        good = np.flatnonzero(firm)
        if len(good) > 1 and good[-1] - good[0] >= _PLACES // 8:
            return tuple(_pair(f"{name}{k}", first[i], second[i]) for k, i in enumerate((good[0], good[-1]), start=1))
    for distance in _DISTANCES:
        first, second = places - way * distance, places + way * distance
        good = np.flatnonzero(_is_firm(before, first) & _is_firm(after, second))
        if len(good):
            return (_pair(f"{name}1", first[good[0]], second[good[0]]),)
    return ()


def _pair(name: str, first: npt.NDArray[np.float64], second: npt.NDArray[np.float64]) -> CheckPair:
    return CheckPair(name, (float(first[0]), float(first[1])), (float(second[0]), float(second[1])))


def _is_firm(patch: Patch, points: npt.NDArray[np.float64]) -> npt.NDArray[np.bool_]:
    at = np.array([shapely.Point(x, y) for x, y in points.tolist()], dtype=object)
    far: npt.NDArray[np.bool_] = shapely.distance(patch.shape.boundary, at) >= _FIRM
    inside: npt.NDArray[np.bool_] = shapely.intersects(patch.shape, at) & far
    return inside
