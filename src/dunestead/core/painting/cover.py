"""How far beyond the artwork must the blank be covered?"""

from dataclasses import dataclass

from dunestead.core.geometry.curves import Box

__all__ = ["Cover", "cover_around"]


@dataclass(frozen=True, slots=True)
class Cover:
    """Paper taped around the mask.

    Attributes
    ----------
    needed
        Cover beyond the artwork that the way of painting asks for, mm.
    sides
        Paper to add beyond the mask at left, top, right, bottom, mm; 0 where the mask or the blank's edge does.
    tape
        Length of tape along the mask's edge, mm.
    """

    needed: float
    sides: tuple[float, float, float, float]
    tape: float


def cover_around(needed: float, painted: Box, mask: Box, blank: tuple[float, float]) -> Cover:
    """Return the paper to tape around a mask lying on a blank; all boxes in mm on the blank."""
    room = (painted[0], painted[1], blank[0] - painted[2], blank[1] - painted[3])
    border = (painted[0] - mask[0], painted[1] - mask[1], mask[2] - painted[2], mask[3] - painted[3])
    sides = tuple(max(min(needed, r) - b, 0.0) for r, b in zip(room, border, strict=True))
    along = (mask[3] - mask[1], mask[2] - mask[0], mask[3] - mask[1], mask[2] - mask[0])
    tape = sum(length for side, length in zip(sides, along, strict=True) if side > 0)
    return Cover(needed, (sides[0], sides[1], sides[2], sides[3]), tape)
