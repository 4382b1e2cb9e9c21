"""Slits that no knife leaves standing, closed."""

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

__all__ = ["close_hairs"]

Points = npt.NDArray[np.float64]
# Between two sides of a slit the edge runs at least this many times as far as straight across.
_DETOUR = 5.0
# Of more than this many points finding slits takes as long as all else; such edges are not lettering.
_MOST_POINTS = 30_000
# Of what closing fills only what is this many times as long as a slit is wide is one; the rest are crotches of corners.
_LONG = 3.0
# Plugs overlap the sides of their slit by this part of its width.
_OVERLAP = 30
# Set operations are done on a grid of this part of a slit's width, on which they never fail.
_GRID = 1e-5
_POLYGON = 3


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
    rings, polygon = shapely.get_rings(shapely.get_parts(region), return_index=True)
    points, ring = shapely.get_coordinates(rings, return_index=True)
    same = ring[:-1] == ring[1:]
    start, end, ring = points[:-1][same], points[1:][same], ring[:-1][same]
    sides = shapely.linestrings(np.stack([start, end], axis=1))
    assert isinstance(sides, np.ndarray)
    vertex, side = shapely.STRtree(sides).query(shapely.points(start), "dwithin", narrowest)
    across = _way(start, end, ring, vertex, side) > _DETOUR * narrowest
    if not across.any():
        return region
    own = np.unique(np.concatenate([polygon[ring[vertex[across]]], polygon[ring[side[across]]]]))
    near = shapely.multipolygons(shapely.get_parts(region)[own])
    plugs = [plug for plug in _closing(near, narrowest) if _length(plug) > _LONG * narrowest]
    if not plugs:
        return region
    closed = shapely.union_all([region, *plugs], grid_size=narrowest * _GRID)
    parts = shapely.get_parts(closed)
    return shapely.MultiPolygon(list(parts[shapely.get_type_id(parts) == _POLYGON]))


def _closing(region: BaseGeometry, narrowest: float) -> npt.NDArray[np.object_]:
    """Return what growing and shrinking a region again fills, drawn out a little so that it meets its sides."""
    grown = region.buffer(narrowest / 2, quad_segs=2, join_style="mitre", mitre_limit=2.0)
    shrunk = grown.buffer(-narrowest / 2, quad_segs=2)
    filled: npt.NDArray[np.object_] = shapely.get_parts(shapely.difference(shrunk, region, grid_size=narrowest * _GRID))
    return np.asarray(shapely.buffer(filled, narrowest / _OVERLAP, quad_segs=1, join_style="mitre"))


def _length(plug: BaseGeometry) -> float:
    x0, y0, x1, y1 = plug.bounds
    return float(np.hypot(x1 - x0, y1 - y0))


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
