"""What belongs together in a drawing that has no words or elements to go by: shapes close to each other."""

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.geometry.curves import Box
from dunestead.core.geometry.groups import group_labels

__all__ = ["units_of"]

# Letters of a word stand nearer to each other than this share of their height, words further apart.
_NEAR = 0.25


def units_of(region: BaseGeometry) -> tuple[Box, ...]:
    """Return the boxes of groups of shapes that stand close together, mm.

    Examples
    --------
    >>> word = [shapely.box(x, 0, x + 8, 10) for x in (0, 9, 18, 40, 49)]
    >>> [box[::2] for box in units_of(shapely.MultiPolygon(word))]
    [(0.0, 26.0), (40.0, 57.0)]
    >>> units_of(shapely.MultiPolygon())
    ()
    """
    parts = shapely.get_parts(region)
    if not len(parts):
        return ()
    bounds = shapely.bounds(parts)
    reach = _NEAR * float(np.median(bounds[:, 3] - bounds[:, 1]))
    pairs = shapely.STRtree(parts).query(parts, predicate="dwithin", distance=reach).T
    label = group_labels(len(parts), pairs[pairs[:, 0] < pairs[:, 1]])
    boxes = []
    for group in range(int(label.max()) + 1):
        own = bounds[label == group]
        low, high = own[:, :2].min(axis=0), own[:, 2:].max(axis=0)
        boxes.append((float(low[0]), float(low[1]), float(high[0]), float(high[1])))
    return tuple(boxes)
