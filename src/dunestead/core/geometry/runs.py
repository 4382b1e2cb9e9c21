"""The edges of shapes in short runs, so that an index finds what lies near without looking at whole edges."""

from collections.abc import Sequence

import numpy as np
import numpy.typing as npt
import shapely

__all__ = ["edge_runs", "near_pairs"]

Shapes = npt.NDArray[np.object_]
Ints = npt.NDArray[np.intp]
# Sides in a run.
_CHUNK = 16


def edge_runs(polygons: Sequence[shapely.Polygon] | Shapes) -> tuple[Shapes, Ints]:
    """Return the edges of polygons as short lines, and for each line the index of its polygon.

    Examples
    --------
    >>> runs, owner = edge_runs([shapely.box(0, 0, 1, 1), shapely.Point(5, 5).buffer(1)])
    >>> owner.tolist(), float(round(shapely.length(runs[owner == 0]).sum(), 6))
    ([0, 1, 1, 1, 1], 4.0)
    """
    rings, owner = shapely.get_rings(np.asarray(polygons, dtype=object), return_index=True)
    points, ring = shapely.get_coordinates(rings, return_index=True)
    if not len(points):
        return np.empty(0, dtype=object), np.empty(0, np.intp)
    count = np.bincount(ring)
    first = np.cumsum(count) - count
    runs_of = np.maximum(-(-(count - 1) // _CHUNK), 1)
    run_ring = np.repeat(np.arange(len(rings)), runs_of)
    place = np.arange(len(run_ring)) - np.repeat(np.cumsum(runs_of) - runs_of, runs_of)
    start = first[run_ring] + place * _CHUNK
    stop = np.minimum(start + _CHUNK + 1, first[run_ring] + count[run_ring])
    length = stop - start
    of_run = np.repeat(np.arange(len(start)), length)
    at = np.arange(len(of_run)) - np.repeat(np.cumsum(length) - length, length) + start[of_run]
    return np.asarray(shapely.linestrings(points[at], indices=of_run)), owner[run_ring].astype(np.intp)


def near_pairs(polygons: Shapes, distance: float) -> Ints:
    """Return which polygons overlap or come that near to each other, shape ``(n, 2)``, the lesser index first.

    Examples
    --------
    >>> shapes = np.array([shapely.box(0, 0, 9, 9), shapely.box(4, 4, 5, 5), shapely.box(9.1, 0, 12, 9)])
    >>> near_pairs(shapes, 0.2).tolist()
    [[0, 1], [0, 2]]
    """
    meeting = _sorted(shapely.STRtree(polygons).query(polygons, predicate="intersects").T)
    runs, owner = edge_runs(polygons)
    boxes = shapely.box(*(shapely.bounds(runs) + np.array([-distance, -distance, distance, distance])).T)
    run, other = shapely.STRtree(runs).query(boxes)
    beside = np.column_stack([owner[run], owner[other]])
    known = meeting[:, 0] * len(polygons) + meeting[:, 1]
    # Only what does not meet anyhow is measured.
    asked = (beside[:, 0] < beside[:, 1]) & ~np.isin(beside[:, 0] * len(polygons) + beside[:, 1], known)
    near = shapely.dwithin(runs[run[asked]], runs[other[asked]], distance)
    return np.concatenate([meeting, _sorted(beside[asked][near])])


def _sorted(pairs: Ints) -> Ints:
    found: Ints = np.unique(pairs[pairs[:, 0] < pairs[:, 1]], axis=0).astype(np.intp)
    return found
