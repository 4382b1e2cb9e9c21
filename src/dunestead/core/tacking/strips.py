"""With which strips of paper is a blank covered around its mask, in which order, and how much tape do they take?"""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.figures import CoverPaper
from dunestead.core.geometry.curves import Box

__all__ = ["Strip", "strips_for"]

_EPS = 1e-6


@dataclass(frozen=True, slots=True)
class Strip:
    """A strip of paper.

    Attributes
    ----------
    number
        In the order they are laid: the outermost of a side first, so that each laps over the one before.
    box
        Where it lies on the blank, its laps included, mm.
    """

    number: int
    box: Box

    @property
    def size(self) -> tuple[float, float]:
        """Width and length to cut it to, mm: the shorter first."""
        x0, y0, x1, y1 = self.box
        short, long = sorted((x1 - x0, y1 - y0))
        return short, long


def strips_for(
    sides: Sequence[Box], mask: Box, paper: CoverPaper, lap: float, within: BaseGeometry
) -> tuple[tuple[Strip, ...], float]:
    """Return the strips that cover what lies around a mask, and the tape their joints take, mm.

    Parameters
    ----------
    sides
        What is to be covered at each side of the mask, on the blank, mm.
    mask
        Box of the mask; strips lap over its border.
    lap
        By how much a strip lies over what is beside it, mm.
    within
        The blank: nothing is covered beyond it, and no strip lies wholly in the air.
    """
    strips: list[Strip] = []
    joints = 0.0
    for side in sides:
        pieces = [one for one in _pieces(side, mask, paper, lap) if shapely.box(*one).intersection(within).area > _EPS]
        pieces = [shapely.box(*one).intersection(within).bounds for one in pieces]
        strips += [Strip(len(strips) + k, box) for k, box in enumerate(pieces, start=1)]
        joints += sum(_meet(a, b) for k, a in enumerate(pieces) for b in pieces[:k])
    return tuple(strips), joints


def _meet(a: Box, b: Box) -> float:
    """Return along how much two pieces lie over each other, mm: the longer way of what they share."""
    across, down = min(a[2], b[2]) - max(a[0], b[0]), min(a[3], b[3]) - max(a[1], b[1])
    return max(across, down) if min(across, down) > _EPS else 0.0


def _pieces(side: Box, mask: Box, paper: CoverPaper, lap: float) -> Iterator[Box]:
    """Yield what a side is covered with, the outermost row first."""
    x0, y0, x1, y1 = side
    if x1 <= mask[0] + _EPS or x0 >= mask[2] - _EPS:
        # Beside the mask: its rows stand upright.
        leftmost = x1 <= mask[0] + _EPS
        inner = (x0, x1 + lap) if leftmost else (x0 - lap, x1)
        rows = _rows(*inner, paper.width, lap)
        for across in rows if leftmost else reversed(rows):
            for down in _rows(y0, y1, paper.length, lap):
                yield (across[0], down[0], across[1], down[1])
    else:
        above = y1 <= mask[1] + _EPS
        inner = (y0, y1 + lap) if above else (y0 - lap, y1)
        rows = _rows(*inner, paper.width, lap)
        for down in rows if above else reversed(rows):
            for across in _rows(x0, x1, paper.length, lap):
                yield (across[0], down[0], across[1], down[1])


def _rows(start: float, end: float, width: float | None, lap: float) -> list[tuple[float, float]]:
    """Return how a stretch is divided into pieces of paper that lap over each other; as few as do."""
    extent = end - start
    if width is None or extent <= width + _EPS:
        return [(start, end)]
    count = math.ceil((extent - lap) / (width - lap) - _EPS)
    step = (extent - lap) / count
    return [(start + k * step, start + k * step + step + lap) for k in range(count)]
