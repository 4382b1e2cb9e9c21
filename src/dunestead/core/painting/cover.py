"""How far beyond the artwork must the blank be covered?"""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import shapely
from shapely import Polygon

from dunestead.core.geometry.curves import Box

__all__ = ["NO_COVER", "Cover", "cover_around"]

_CRUMB_MM = 0.05
# A round area is covered in rows so high, mm; one that fills so much of its box is covered at once.
_ROW_MM, _ALL = 10.0, 0.99


@dataclass(frozen=True, slots=True)
class Cover:
    """Paper taped around a mask.

    Attributes
    ----------
    needed
        Cover beyond the artwork that the way of painting asks for, mm.
    sides
        Paper to add beyond the mask at left, top, right, bottom, mm; 0 where the mask or the blank's edge does.
    taped
        For the same sides, whether one width of tape is all that is wanted.
    boxes
        The strips of paper on the blank, mm.
    tape
        Length of tape along the mask's edge, mm.
    everything
        Whether all the rest of the blank and the ground around it is covered.
    inside
        Areas kept clear within reach of the paint, which the mask leaves open, mm on the blank.
    """

    needed: float
    sides: tuple[float, float, float, float]
    taped: tuple[bool, bool, bool, bool]
    boxes: tuple[Box, ...]
    tape: float
    everything: bool = False
    inside: tuple[Box, ...] = ()

    @property
    def is_empty(self) -> bool:
        """Whether nothing is to be covered."""
        return not (any(self.sides) or any(self.taped) or self.everything or self.inside)


NO_COVER = Cover(0.0, (0.0, 0.0, 0.0, 0.0), (False, False, False, False), (), 0.0)


def cover_around(
    needed: float,
    painted: Box,
    mask: Box,
    blank: tuple[float, float],
    least: float,
    *,
    everything: bool,
    goes_on: bool = False,
    clear: Sequence[Polygon] = (),
) -> Cover:
    """Return the paper to tape around a mask lying on a blank; all boxes in mm on the blank.

    Parameters
    ----------
    needed
        Beyond the artwork, mm: border and cover are one sum.
    painted, mask, blank
        What is painted through the mask, the mask, and the blank.
    least
        A narrower strip is one width of tape instead, mm.
    everything
        Whether paint drifts, so that all the rest of the blank is covered.
    goes_on
        Whether there is more of the cloth beyond what is called the blank.
    clear
        Areas that are kept clear, on the blank: the mask has no part there.

    Examples
    --------
    >>> around = cover_around(40, (100, 100, 500, 300), (60, 60, 540, 340), (600, 400), 25, everything=False)
    >>> around.is_empty
    True
    """
    room = (math.inf,) * 4 if goes_on else (painted[0], painted[1], blank[0] - painted[2], blank[1] - painted[3])
    border = (painted[0] - mask[0], painted[1] - mask[1], mask[2] - painted[2], mask[3] - painted[3])
    wanted = room if everything and not goes_on else tuple(min(needed, r) for r in room)
    # Exactly as far as needed is enough: no strip for a crumb.
    short = [w - b if w - b > _CRUMB_MM else 0.0 for w, b in zip(wanted, border, strict=True)]
    sides = tuple(s if s >= least else 0.0 for s in short)
    taped = tuple(0 < s < least for s in short)
    along = (mask[3] - mask[1], mask[2] - mask[0], mask[3] - mask[1], mask[2] - mask[0])
    reach = (painted[0] - needed, painted[1] - needed, painted[2] + needed, painted[3] + needed)
    inside = tuple(_inside(clear, (0.0, 0.0, *blank) if everything else reach))
    tape = sum(length for side, length in zip(short, along, strict=True) if side > 0)
    return Cover(
        needed,
        (sides[0], sides[1], sides[2], sides[3]),
        (taped[0], taped[1], taped[2], taped[3]),
        tuple(_strips(sides, short, mask)),
        tape + sum(2 * (box[2] - box[0] + box[3] - box[1]) for box in inside),
        everything,
        inside,
    )


def _inside(clear: Sequence[Polygon], within: Box) -> Iterator[Box]:
    """Yield boxes that cover areas kept clear where they lie within a box; a round one in rows."""
    for area in clear:
        part = shapely.intersection(area, shapely.box(*within))
        if part.area < 1:
            continue
        x0, y0, x1, y1 = part.bounds
        rows = 1 if part.area > _ALL * (x1 - x0) * (y1 - y0) else math.ceil((y1 - y0) / _ROW_MM)
        for k in range(rows):
            top, bottom = y0 + (y1 - y0) * k / rows, y0 + (y1 - y0) * (k + 1) / rows
            yield shapely.intersection(part, shapely.box(x0, top, x1, bottom)).bounds


def _strips(sides: tuple[float, ...], short: Sequence[float], mask: Box) -> Iterator[Box]:
    """Yield the paper at each side; it reaches round the corners of sides that a width of tape covers."""
    left, top, right, bottom = sides
    x0, y0, x1, y1 = mask
    above, below = y0 - short[1], y1 + short[3]
    if left:
        yield (x0 - left, above, x0, below)
    if right:
        yield (x1, above, x1 + right, below)
    across = x0 if left else x0 - short[0], x1 if right else x1 + short[2]
    if top:
        yield (across[0], y0 - top, across[1], y0)
    if bottom:
        yield (across[0], y1, across[1], y1 + bottom)
