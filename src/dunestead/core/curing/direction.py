"""Which way does a mask come off so that its tongues are lifted from the root to the tip?"""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from dunestead.core.geometry.curves import Box
from dunestead.core.mask.weak import WeakPlace

__all__ = ["PeelDirection", "peel_direction"]

# From the corners first, as one frees a mask; then from the sides.
_WAYS = ((1, 1), (-1, 1), (1, -1), (-1, -1), (1, 0), (-1, 0), (0, 1), (0, -1))


@dataclass(frozen=True, slots=True)
class PeelDirection:
    """From where to where a mask is peeled, mm as it lies, and how many tongues it still meets tip first."""

    begins: tuple[float, float]
    ends: tuple[float, float]
    against: int


def peel_direction(box: Box, places: Sequence[WeakPlace], figures: Mapping[str, float]) -> PeelDirection:
    """Return the way to peel a mask.

    Parameters
    ----------
    box
        Of the mask as it lies.
    places
        Its weak places, in coordinates that are only shifted against the box.

    Notes
    -----
    Of eight ways the one along which tongues point furthest, each by its length. Without tongues it begins at the top
    left corner.

    Examples
    --------
    >>> peel_direction((0, 0, 100, 60), (), {"peel_against": 105.0})
    PeelDirection(begins=(0.0, 0.0), ends=(100.0, 60.0), against=0)
    """
    tongues = [place for place in places if place.kind == "tongue" and place.toward is not None]

    def along(way: tuple[int, int]) -> list[float]:
        size = math.hypot(*way)
        return [(way[0] * t.toward[0] + way[1] * t.toward[1]) / size for t in tongues if t.toward is not None]

    best = max(_WAYS, key=lambda way: sum(t.length * dot for t, dot in zip(tongues, along(way), strict=True)))
    against = sum(dot < math.cos(math.radians(figures["peel_against"])) for dot in along(best))
    (bx, ex), (by, ey) = _span(box[0], box[2], best[0]), _span(box[1], box[3], best[1])
    return PeelDirection((bx, by), (ex, ey), against)


def _span(low: float, high: float, way: int) -> tuple[float, float]:
    middle = (low + high) / 2
    return {1: (float(low), float(high)), -1: (float(high), float(low)), 0: (middle, middle)}[way]
