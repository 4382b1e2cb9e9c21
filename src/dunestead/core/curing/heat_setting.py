"""How many rests of a plate set a print with heat?"""

import math

from dunestead.core.figures import Press
from dunestead.core.geometry.curves import Box

__all__ = ["rests_for"]

_EPS = 1e-9


def rests_for(box: Box, press: Press) -> int:
    """Return the fewest rests in rows that cover a box, the plate laid along or across, its rests lapping.

    Parameters
    ----------
    box
        Of what is painted, mm.
    press
        With the part of its plate that presses evenly, and how far rests overlap.

    Examples
    --------
    By hand: a plate of 100 by 180 mm with 20 mm of lap covers 80 by 160 more each time; 260 by 200 mm want 3 by 2 of
    them along, or 2 by 3 across.
    """
    wide, high = box[2] - box[0], box[3] - box[1]
    sides = (press.plate_width, press.plate_length)
    return min(_along(wide, a, press.overlap) * _along(high, b, press.overlap) for a, b in (sides, sides[::-1]))


def _along(length: float, side: float, lap: float) -> int:
    if length <= side + _EPS:
        return 1
    return 1 + math.ceil((length - side) / max(side - lap, 1.0) - _EPS)
