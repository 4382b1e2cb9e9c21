"""How much larger may a design get and stay on its blank?"""

from collections.abc import Sequence

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.artwork.compose import Composition, is_fixed
from dunestead.core.blanks.blank import within_margin
from dunestead.core.blanks.clear import ClearArea, region_of
from dunestead.core.geometry.curves import Box

__all__ = ["room_beside", "room_on"]

Points = npt.NDArray[np.float64]
# A size is found to a millionth.
_HALVINGS = 20


def _growing(composition: Composition) -> Points:
    """Return the corners of the convex hull of all that grows with the design, on the blank."""
    regions = [
        placed.region for placed in composition.placed if not is_fixed(placed.element) and not placed.element.runs_off
    ]
    if not regions:
        x0, y0, x1, y1 = composition.design_box or (0, 0, 0, 0)
        return np.array([(x0, y0), (x1, y0), (x1, y1), (x0, y1)], float)
    hull = shapely.convex_hull(shapely.GeometryCollection(regions))
    return shapely.get_coordinates(hull)[:-1]


def room_on(composition: Composition, margin: float) -> float:
    """Return how many times larger a design may get about its middle and stay within a margin of the blank's edge."""
    if composition.design_box is None:
        return 1.0
    ground = within_margin(composition.outline, margin) if margin > 0 else composition.outline
    return _room(_growing(composition), composition.design_box, ground)


def room_beside(composition: Composition, areas: Sequence[ClearArea], gap: float, most: float) -> float:
    """Return how many times larger a design may get about its middle, up to a most, and keep a gap to areas.

    0 where its middle is too near to one of them.
    """
    box = composition.design_box
    growing = [placed.region for placed in composition.placed if not is_fixed(placed.element)]
    if box is None or not areas or not growing:
        return most
    middle = np.array([(box[0] + box[2]) / 2, (box[1] + box[3]) / 2])
    clear = shapely.union_all(region_of(areas))

    def keeps(factor: float) -> bool:
        grown = (shapely.transform(one, lambda points: middle + (points - middle) * factor) for one in growing)
        return all(not shapely.dwithin(one, clear, gap * (1 - 1e-9)) for one in grown)

    if keeps(most):
        return most
    low, high = 0.0, most
    for _ in range(_HALVINGS):
        between = (low + high) / 2
        low, high = (between, high) if keeps(between) else (low, between)
    return low if keeps(low) else 0.0


def _room(hull: Points, box: Box, ground: shapely.Polygon) -> float:
    """Return how many times larger a design may get about its own middle and stay on a ground.

    Every corner of its hull runs out on a ray from the middle; the first to meet the ground's edge
    sets the size. 0 when the middle itself is off the ground.
    """
    middle = np.array([(box[0] + box[2]) / 2, (box[1] + box[3]) / 2])
    if ground.is_empty or not ground.contains(shapely.Point(middle)):
        return 0.0
    ways = hull - middle
    ways = ways[np.linalg.norm(ways, axis=1) > 1e-9]
    edge = shapely.get_coordinates(ground.exterior)
    start, along = edge[:-1] - middle, np.diff(edge, axis=0)
    # Solve t * way = start + s * along for every corner and every side of the edge.
    cross = ways[:, None, 0] * along[None, :, 1] - ways[:, None, 1] * along[None, :, 0]
    with np.errstate(divide="ignore", invalid="ignore"):
        t = (start[None, :, 0] * along[None, :, 1] - start[None, :, 1] * along[None, :, 0]) / cross
        s = (start[None, :, 0] * ways[:, None, 1] - start[None, :, 1] * ways[:, None, 0]) / cross
    met = np.where((t > 0) & (s >= -1e-9) & (s <= 1 + 1e-9), t, np.inf)
    return float(met.min(initial=np.inf))
