"""How much transfer tape does a mask travel on: cut how large, in how many strips of the roll?"""

import math
from dataclasses import dataclass

from dunestead.core.geometry.curves import Box

__all__ = ["CarrierCut", "carrier_for"]

_EPS = 1e-6


@dataclass(frozen=True, slots=True)
class CarrierCut:
    """Transfer tape for one mask: so many strips, each so wide and long, mm; the tab to lift it by included.

    A strip of the mask as wide as `free` stays without tape, to be its hinge.
    """

    strips: int
    width: float
    length: float
    free: float = 0.0

    @property
    def used(self) -> float:
        """Length of the roll that it takes, mm."""
        return self.strips * self.length


def carrier_for(box: Box, roll: float, lap: float, tab: float, free: float = 0.0) -> CarrierCut:
    """Return how tape is cut for a mask: as wide as the roll or less, along the mask's longer side, a tab beyond it.

    Parameters
    ----------
    box
        Of the mask, mm.
    roll, lap, tab
        Width of the roll; what strips lie over each other; what stands beyond the mask at one end, mm.
    free
        What stays without tape along a long side, mm; never more than half of the mask.
    """
    short, long = sorted((box[2] - box[0], box[3] - box[1]))
    free = min(free, short / 2)
    short -= free
    strips = 1 if short <= roll + _EPS else math.ceil((short - lap) / (roll - lap) - _EPS)
    width = (short + (strips - 1) * lap) / strips
    return CarrierCut(strips, width, long + tab, free)
