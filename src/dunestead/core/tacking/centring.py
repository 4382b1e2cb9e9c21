"""Is it in the middle? Distances to measure with a tape before the mask is tacked."""

from dataclasses import dataclass

from dunestead.core.geometry.curves import Box

__all__ = ["TapeCheck", "tape_check"]


@dataclass(frozen=True, slots=True)
class TapeCheck:
    """Distances in mm from the edges of the blank to what is painted through a mask, as they should read."""

    left: float
    right: float
    top: float
    bottom: float


def tape_check(blank: tuple[float, float], painted: Box, *, from_back: bool = False) -> TapeCheck:
    """Return what a tape should read from each edge of the blank to the artwork of a mask.

    Parameters
    ----------
    blank
        Measured width and height, mm.
    painted
        Box of what is painted through the mask, on the blank, mm; negative readings are off the blank.
    from_back
        Whether the blank is worked from its back, where left and right change places.
    """
    left, right = painted[0], blank[0] - painted[2]
    if from_back:
        left, right = right, left
    return TapeCheck(left, right, painted[1], blank[1] - painted[3])
