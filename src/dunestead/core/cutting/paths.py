"""The cut lines of a sheet, as the knife follows them."""

import math
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import numpy.typing as npt

from dunestead.core.cutting.order import by_hand_order, cut_order
from dunestead.core.sheets.layout import Sheet

__all__ = ["CutPath", "sheet_paths", "travel_length"]

Points = npt.NDArray[np.float64]
# Ends no further apart than this, mm, are one point.
_MEETS = 1e-5


@dataclass(frozen=True, slots=True, eq=False)
class CutPath:
    """One stroke of the knife: points ``(n, 2)`` in sheet mm; a closed one ends where it starts."""

    points: Points

    @property
    def is_closed(self) -> bool:
        """Whether the knife comes back to where it went in."""
        return len(self.points) > 2 and self.gap <= _MEETS

    @property
    def length(self) -> float:
        """Length, mm."""
        return float(np.linalg.norm(np.diff(self.points, axis=0), axis=1).sum())

    @property
    def gap(self) -> float:
        """Distance from where the knife comes out to where it went in, mm."""
        (x0, y0), (x1, y1) = self.points[0].tolist(), self.points[-1].tolist()
        return math.hypot(x1 - x0, y1 - y0)


@lru_cache(maxsize=256)
def sheet_paths(sheet: Sheet, *, by_hand: bool = False) -> tuple[CutPath, ...]:
    """Return the closed cut lines of a sheet, patch by patch, inside before outside, with little travel.

    Parameters
    ----------
    sheet
        What is cut.
    by_hand
        Smallest inside pieces first and each begun on a straight run, whatever the way between them.
    """
    ordered: list[CutPath] = []
    here = (0.0, 0.0)
    for patch in sorted(sheet.patches, key=lambda one: (round(one.box[1]), one.box[0])):
        shape = patch.on_sheet()
        rings = by_hand_order(shape) if by_hand else cut_order(shape, here)
        ordered += [CutPath(ring) for ring in rings]
        here = (float(rings[-1][-1, 0]), float(rings[-1][-1, 1]))
    return tuple(ordered)


def travel_length(paths: tuple[CutPath, ...] | list[CutPath]) -> float:
    """Return how far the knife travels lifted, from the corner of the sheet through all paths, mm."""
    if not paths:
        return 0.0
    stops = [(0.0, 0.0), *(tuple(path.points[-1]) for path in paths[:-1])]
    return float(sum(math.dist(stop, path.points[0]) for stop, path in zip(stops, paths, strict=True)))
