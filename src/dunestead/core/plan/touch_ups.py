"""What is gone over on a print: the gaps that bridges left; and where windows are, to mark what is wrong in them."""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
import shapely

from dunestead.core.geometry.affine import Affine
from dunestead.core.plan.plan import MaskPlan, Plan

__all__ = ["BridgeGap", "Window", "bridge_gaps", "windows_in_order"]


@dataclass(frozen=True, slots=True)
class BridgeGap:
    """A gap that a bridge left: its number, its middle on the blank, its width and length in mm, the paint's colour."""

    number: int
    at: tuple[float, float]
    width: float
    length: float
    colour: str


@dataclass(frozen=True, slots=True)
class Window:
    """A window of a mask: its number in reading order, a place inside it, mm on the blank, and its area, mm²."""

    number: int
    at: tuple[float, float]
    area: float = 0.0


def bridge_gaps(plan: Plan) -> tuple[BridgeGap, ...]:
    """Return the gaps of all masks, in the order of their bridges."""
    return tuple(_gaps(plan))


def _gaps(plan: Plan) -> Iterator[BridgeGap]:
    number, (dx, dy) = 0, plan.origin
    for mask in plan.masks:
        colours = mask.laid.painted.colours
        names, regions = list(colours), list(colours.values())
        for bridge in mask.cut.bridges:
            number += 1
            x, y = (bridge.start[0] + bridge.end[0]) / 2, (bridge.start[1] + bridge.end[1]) / 2
            near = int(np.argmin(shapely.distance(regions, shapely.Point(x, y))))
            yield BridgeGap(number, (x + dx, y + dy), bridge.width, bridge.length, names[near])


def windows_in_order(plan: Plan, mask: MaskPlan) -> tuple[Window, ...]:
    """Return a mask's windows as one reads: line by line, from left to right."""
    parts = shapely.get_parts(Affine.translation(*plan.origin).moved(mask.cut.windows))
    if not len(parts):
        return ()
    bounds, areas = shapely.bounds(parts), shapely.area(parts)
    inside = shapely.get_coordinates(shapely.point_on_surface(parts))
    # Two windows are of one line where their middles lie closer than half of what is usual between top and bottom.
    line = max(float(np.median(bounds[:, 3] - bounds[:, 1])) / 2, 1.0)
    middles = (bounds[:, 1] + bounds[:, 3]) / 2
    order = sorted(range(len(parts)), key=lambda k: (_line(middles, k, line), bounds[k, 0]))
    return tuple(
        Window(number, (float(inside[k, 0]), float(inside[k, 1])), float(areas[k]))
        for number, k in enumerate(order, start=1)
    )


def _line(middles: "np.ndarray[tuple[int], np.dtype[np.float64]]", k: int, high: float) -> int:
    """Return in which line a window stands: lines begin where the next middle lies further down than `high`."""
    below = np.sort(middles)
    steps = np.cumsum(np.concatenate([[0], np.diff(below) > high]))
    return int(steps[int(np.searchsorted(below, middles[k]))])
