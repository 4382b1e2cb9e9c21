"""What of a print is seen in which colour."""

from collections.abc import Mapping

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.looking.look import Look

__all__ = ["colours_seen"]


def colours_seen(look: Look) -> Mapping[str, BaseGeometry]:
    """Return what is painted in each colour, mm from the painted box's top left; around a reverse mask the field."""
    if not look.job.mask.reverse:
        return look.painted.colours
    back = np.array([-look.composition.origin[0], -look.composition.origin[1]])
    ground = shapely.transform(look.composition.outline, lambda points: points + back)
    return {look.job.mask.field_colour: shapely.difference(ground, look.painted.region)}
