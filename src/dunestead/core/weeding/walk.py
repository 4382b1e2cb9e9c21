"""In which order do the windows of a mask come out so that it tears least, and where does each pull begin?"""

from collections.abc import Sequence

import numpy as np
import shapely

from dunestead.core.geometry.curves import Box

__all__ = ["pull_order", "pull_start"]

Point = tuple[float, float]
_ANOTHER_LINE = 2.0


def pull_order(windows: Sequence[shapely.Polygon], groups: Sequence[tuple[int, ...]], small: float) -> list[int]:
    """Return the windows in the order they are pulled out.

    Parameters
    ----------
    windows
        What goes, mm.
    groups
        For each what it belongs to, as numbers that grow as the work is read: its part of the design, its letter.
        Windows of one group are pulled each next to the one before.
    small
        A window whose longer side is at most this, mm, is a small inside piece.

    Notes
    -----
    Small pieces first, while everything around them still holds them flat, each next to the one before; then the
    large ones as they are read, with the run of a script from its root.
    """
    sides = [_long(one) for one in windows]
    few = [k for k, side in enumerate(sides) if side <= small]
    large = [k for k, side in enumerate(sides) if side > small]
    read = [_beside([k for k in large if groups[k] == group], windows) for group in sorted({groups[k] for k in large})]
    return [*_beside(few, windows), *(k for group in read for k in group)]


def _long(window: shapely.Polygon) -> float:
    x0, y0, x1, y1 = window.bounds
    return max(x1 - x0, y1 - y0)


def _beside(few: Sequence[int], windows: Sequence[shapely.Polygon]) -> list[int]:
    """Return them from the top left on, each the nearest to the one before, along a line rather than across lines."""
    left = set(few)
    if not left:
        return []
    boxes = {k: windows[k].bounds for k in few}
    order = [min(left, key=lambda k: (boxes[k][0] + boxes[k][1], k))]
    left.discard(order[0])
    while left:
        here = boxes[order[-1]]
        order.append(min(left, key=lambda k: (round(_gap(here, boxes[k]), 1), boxes[k][0], k)))
        left.discard(order[-1])
    return order


def _gap(a: Box, b: Box) -> float:
    """Return how far two windows lie apart, mm; another line counts as twice as far."""
    across = max(a[0] - b[2], b[0] - a[2], 0.0)
    down = max(a[1] - b[3], b[1] - a[3], 0.0)
    return across + _ANOTHER_LINE * down


def pull_start(window: shapely.Polygon) -> Point:
    """Return where a window is taken hold of: the end it begins at as it is read, mm."""
    edge = shapely.get_coordinates(window.exterior)
    x0, y0, _, y1 = window.bounds
    # Its leftmost point; of an upright one, as wide as high at most, the top one.
    upright = (y1 - y0) > 2 * (window.bounds[2] - x0)
    at = edge[int(np.argmin(edge[:, 1] if upright else edge[:, 0]))]
    return float(at[0]), float(at[1])
