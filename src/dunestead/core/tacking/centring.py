"""Is it in the middle? Distances to measure with a tape before the mask is tacked."""

from dataclasses import dataclass

from dunestead.core.geometry.curves import Box

__all__ = ["TapeCheck", "tape_check"]


@dataclass(frozen=True, slots=True)
class TapeCheck:
    """Distances in mm from the edges of the blank to the painted area, as they should read."""

    left: float
    right: float
    top: float
    bottom: float


def tape_check(blank: tuple[float, float], painted: Box) -> TapeCheck:
    """Return what a tape should read from each edge of the blank to the artwork.

    Parameters
    ----------
    blank
        Measured width and height, mm.
    painted
        Box of the painted area on the blank, mm; negative readings are off the blank.
    """
    return TapeCheck(painted[0], blank[0] - painted[2], painted[1], blank[1] - painted[3])
