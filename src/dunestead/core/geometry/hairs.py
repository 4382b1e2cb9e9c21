"""Slits that no knife leaves standing, closed; and where shapes touch."""

from dataclasses import dataclass

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.geometry.groups import group_labels

__all__ = ["close_hairs", "touching_places"]

Points = npt.NDArray[np.float64]
# Between two sides of a slit the edge runs at least this many times as far as straight across.
_DETOUR = 5.0
# Of more than this many points finding slits takes as long as all else; such edges are not lettering.
_MOST_POINTS = 30_000
# More of these at once are a tangle, and looked at less closely.
_MANY, _MOST_PAIRS = 3_000, 400_000
# More corners than this within a slit's width are no shape any more, as in a drawing with a point far off it; so many
# stand for all. More pairs than that altogether are no edge to find slits in.
_CROWD, _HOPELESS, _AT_ONCE = 60, 4_000_000, 1_000
# Plugs overlap the sides of their slit by this part of its width.
_OVERLAP = 30
# Set operations are done on a grid of this part of a slit's width, on which they never fail.
_GRID = 1e-5
_POLYGON = 3
# Places where shapes touch are one as long as the next pair of corners and sides is within so many widths.
_LINKED = 50.0


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
    pairs = _near(region, narrowest)
    if pairs is None:
        return region
    own = np.unique(pairs.polygons)
    near = shapely.MultiPolygon(list(shapely.get_parts(region)[own]))
    # Where shapes meet in a point there is no slit between them.
    slits = pairs.bars[shapely.length(pairs.bars) > 0]
    slits = slits[_thinned(_middles(slits), narrowest)]
    filled = _closing(near, narrowest)
    # What is filled besides are the crotches of corners.
    plugs = filled[np.unique(shapely.STRtree(filled).query(slits, "dwithin", narrowest / _OVERLAP)[1])]
    if not len(plugs):
        return region
    closed = shapely.union_all([region, *plugs], grid_size=narrowest * _GRID)
    parts = shapely.get_parts(closed)
    return shapely.MultiPolygon(list(parts[shapely.get_type_id(parts) == _POLYGON]))


def touching_places(region: shapely.MultiPolygon, narrowest: float) -> Points:
    """Return a point, shape ``(c, 2)``, for each place where edges come nearer to each other than ``narrowest``.

    Parameters
    ----------
    region
        Any; what bounds it on one side or two counts alike.
    narrowest
        In the region's units. Places that near to each other are one.

    Examples
    --------
    >>> corner = shapely.MultiPolygon([shapely.box(0, 0, 5, 5), shapely.box(5, 5, 9, 9)])
    >>> touching_places(corner, 0.04).tolist()
    [[5.0, 5.0]]
    """
    pairs = _near(region, narrowest)
    if pairs is None:
        return np.empty((0, 2))
    middle = _middles(pairs.bars)
    label = _linked(middle, _LINKED * narrowest)
    order = np.argsort(shapely.length(pairs.bars), kind="stable")
    _, first = np.unique(label[order], return_index=True)
    places: Points = middle[order[np.sort(first)]]
    return places


def _middles(bars: npt.NDArray[np.object_]) -> Points:
    middles: Points = shapely.get_coordinates(shapely.line_interpolate_point(bars, 0.5, normalized=True))
    return middles


def _linked(points: Points, reach: float) -> npt.NDArray[np.intp]:
    if len(points) > _MANY:
        # Where thousands lie as near to each other as that, as in a drawing with a point far off it, they are linked
        # by the cells they lie in, not each with each.
        cells, cell = np.unique(np.floor(points / (reach / np.sqrt(2))), axis=0, return_inverse=True)
        return _linked_each((cells + 0.5) * (reach / np.sqrt(2)), 2 * reach)[cell.ravel()]
    return _linked_each(points, reach)


def _linked_each(points: Points, reach: float) -> npt.NDArray[np.intp]:
    tree = shapely.STRtree(list(np.atleast_1d(np.asarray(shapely.points(points)))))
    links = tree.query(tree.geometries, "dwithin", reach).T
    return group_labels(len(points), links)


@dataclass(frozen=True, slots=True, eq=False)
class _Pairs:
    """Corners and sides of a region across from each other, the shortest bars between them, and whose they are."""

    bars: npt.NDArray[np.object_]
    polygons: npt.NDArray[np.intp]


def _near(region: shapely.MultiPolygon, narrowest: float) -> _Pairs | None:
    """Return what of a region's edge comes nearer than that to what is far along it; None when nothing does."""
    if not 0 < shapely.get_num_coordinates(region) <= _MOST_POINTS:
        return None
    rings, polygon = shapely.get_rings(shapely.get_parts(region), return_index=True)
    points, ring = shapely.get_coordinates(rings, return_index=True)
    same = ring[:-1] == ring[1:]
    start, end, ring = points[:-1][same], points[1:][same], ring[:-1][same]
    sides = shapely.linestrings(np.stack([start, end], axis=1))
    assert isinstance(sides, np.ndarray)
    corners = shapely.points(start)
    found = _within(np.asarray(corners), sides, _thinned(start, narrowest), narrowest)
    if found is None:
        return None
    vertex, side = found
    across = _way(start, end, ring, vertex, side) > _DETOUR * narrowest
    if not across.any():
        return None
    vertex, side = vertex[across], side[across]
    if len(vertex) > _MOST_PAIRS:
        # One side for each corner is enough to know that all of it is one tangle.
        _, first = np.unique(vertex, return_index=True)
        vertex, side = vertex[first], side[first]
    bars = np.asarray(shapely.shortest_line(np.asarray(corners)[vertex], sides[side]))
    return _Pairs(bars, np.concatenate([polygon[ring[vertex]], polygon[ring[side]]]))


def _thinned(points: Points, reach: float) -> npt.NDArray[np.intp]:
    """Return which points are looked at: all of them, but only some where they are crowded."""
    _, cell = np.unique(np.floor(points / reach), axis=0, return_inverse=True)
    order = np.argsort(cell.ravel(), kind="stable")
    first = np.flatnonzero(np.append(True, np.diff(cell.ravel()[order]) > 0))
    place = np.arange(len(order)) - np.repeat(first, np.diff(np.append(first, len(order))))
    return np.sort(order[place < _CROWD])


def _within(
    corners: npt.NDArray[np.object_], sides: npt.NDArray[np.object_], chosen: npt.NDArray[np.intp], reach: float
) -> tuple[npt.NDArray[np.intp], npt.NDArray[np.intp]] | None:
    """Return each chosen corner and side that come within reach of each other; None when all are near to all."""
    tree, pairs, count = shapely.STRtree(sides[chosen]), [np.empty((2, 0), np.intp)], 0
    for first in range(0, len(chosen), _AT_ONCE):
        some = chosen[first : first + _AT_ONCE]
        vertex, side = tree.query(corners[some], "dwithin", reach)
        pairs.append(np.array([some[vertex], chosen[side]]))
        count += len(vertex)
        if count > _HOPELESS:
            return None
    vertex, side = np.concatenate(pairs, axis=1)
    return vertex, side


def _closing(region: BaseGeometry, narrowest: float) -> npt.NDArray[np.object_]:
    """Return what growing and shrinking a region again fills, drawn out a little so that it meets its sides."""
    grown = region.buffer(narrowest / 2, quad_segs=2, join_style="mitre", mitre_limit=2.0)
    shrunk = grown.buffer(-narrowest / 2, quad_segs=2)
    filled: npt.NDArray[np.object_] = shapely.get_parts(shapely.difference(shrunk, region, grid_size=narrowest * _GRID))
    return np.asarray(shapely.buffer(filled, narrowest / _OVERLAP, quad_segs=1, join_style="mitre"))


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
