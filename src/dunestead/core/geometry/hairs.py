"""Slits that no knife leaves standing, closed."""

import numpy as np
import numpy.typing as npt
import shapely

__all__ = ["close_hairs"]

Points = npt.NDArray[np.float64]
# Between two sides of a slit the edge runs at least this many times as far as straight across.
_DETOUR = 5.0
# Of more than this many points finding slits takes as long as all else; such edges are not lettering.
_MOST_POINTS = 30_000
_SPREAD = 0.75


def close_hairs(region: shapely.MultiPolygon, narrowest: float) -> shapely.MultiPolygon:
    """Return a region with its slits closed where their sides are nearer than ``narrowest`` to each other.

    Parameters
    ----------
    region
        Any.
    narrowest
        In the region's units. What lies beyond a closed slit is apart.

    Examples
    --------
    >>> slit = shapely.MultiPolygon([shapely.box(0, 0, 5, 10), shapely.box(5.01, 0, 10, 10)])
    >>> len(close_hairs(slit, 0.04).geoms), len(close_hairs(slit, 0.005).geoms)
    (1, 2)
    >>> close_hairs(shapely.MultiPolygon(), 0.04).is_empty
    True
    """
    if not 0 < shapely.get_num_coordinates(region) <= _MOST_POINTS:
        return region
    points, ring = shapely.get_coordinates(shapely.get_rings(shapely.get_parts(region)), return_index=True)
    same = ring[:-1] == ring[1:]
    start, end, ring = points[:-1][same], points[1:][same], ring[:-1][same]
    sides = shapely.linestrings(np.stack([start, end], axis=1))
    assert isinstance(sides, np.ndarray)
    vertex, side = shapely.STRtree(sides).query(shapely.points(start), "dwithin", narrowest)
    across = _way(start, end, ring, vertex, side) > _DETOUR * narrowest
    if not across.any():
        return region
    bars = shapely.shortest_line(shapely.points(start[vertex[across]]), sides[side[across]])
    # Sides that touch leave no slit between them.
    plugs = shapely.buffer(bars[shapely.length(bars) > 0], narrowest * _SPREAD, quad_segs=2)
    if not len(plugs):
        return region
    closed = shapely.union_all([region, *plugs])
    return shapely.MultiPolygon(list(shapely.get_parts(closed)))


def _way(
    start: Points, end: Points, ring: npt.NDArray[np.intp], vertex: npt.NDArray[np.intp], side: npt.NDArray[np.intp]
) -> npt.NDArray[np.float64]:
    """Return the way along its ring from a vertex to a side of it, infinite to another ring's."""
    length = np.linalg.norm(end - start, axis=1)
    total = np.bincount(ring, length)
    before = np.cumsum(length) - length
    first = np.flatnonzero(np.append(True, ring[1:] != ring[:-1]))
    arc = before - before[first][np.searchsorted(first, np.arange(len(ring)), side="right") - 1]
    near, far = np.abs(arc[vertex] - arc[side]), np.abs(arc[vertex] - arc[side] - length[side])
    around = total[ring[vertex]]
    way = np.minimum(np.minimum(near, around - near), np.minimum(far, around - far))
    result: npt.NDArray[np.float64] = np.where(ring[vertex] == ring[side], way, np.inf)
    return result
