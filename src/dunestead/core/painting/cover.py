"""How far beyond the artwork must the blank be covered?"""

from collections.abc import Iterator
from dataclasses import dataclass

from dunestead.core.geometry.curves import Box

__all__ = ["NO_COVER", "Cover", "cover_around"]


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
    """

    needed: float
    sides: tuple[float, float, float, float]
    taped: tuple[bool, bool, bool, bool]
    boxes: tuple[Box, ...]
    tape: float
    everything: bool = False

    @property
    def is_empty(self) -> bool:
        """Whether nothing is to be covered."""
        return not (any(self.sides) or any(self.taped) or self.everything)


NO_COVER = Cover(0.0, (0.0, 0.0, 0.0, 0.0), (False, False, False, False), (), 0.0)


def cover_around(
    needed: float, painted: Box, mask: Box, blank: tuple[float, float], least: float, *, everything: bool
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
    """
    room = (painted[0], painted[1], blank[0] - painted[2], blank[1] - painted[3])
    border = (painted[0] - mask[0], painted[1] - mask[1], mask[2] - painted[2], mask[3] - painted[3])
    wanted = room if everything else tuple(min(needed, r) for r in room)
    short = [max(w - b, 0.0) for w, b in zip(wanted, border, strict=True)]
    sides = tuple(s if s >= least else 0.0 for s in short)
    taped = tuple(0 < s < least for s in short)
    along = (mask[3] - mask[1], mask[2] - mask[0], mask[3] - mask[1], mask[2] - mask[0])
    tape = sum(length for side, length in zip(short, along, strict=True) if side > 0)
    return Cover(
        needed,
        (sides[0], sides[1], sides[2], sides[3]),
        (taped[0], taped[1], taped[2], taped[3]),
        tuple(_strips(sides, mask)),
        tape,
        everything,
    )


def _strips(sides: tuple[float, ...], mask: Box) -> Iterator[Box]:
    left, top, right, bottom = sides
    x0, y0, x1, y1 = mask
    if left:
        yield (x0 - left, y0 - top, x0, y1 + bottom)
    if right:
        yield (x1, y0 - top, x1 + right, y1 + bottom)
    if top:
        yield (x0, y0 - top, x1, y0)
    if bottom:
        yield (x0, y1, x1, y1 + bottom)
