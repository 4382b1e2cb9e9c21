"""From closed contours and a fill rule to the region they paint."""

from collections.abc import Sequence
from typing import Literal

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

__all__ = ["FillRule", "fill", "winding_numbers"]

FillRule = Literal["nonzero", "evenodd"]
Points = npt.NDArray[np.float64]
_NOTHING = shapely.MultiPolygon()


def fill(contours: Sequence[Points], rule: FillRule) -> BaseGeometry:
    """Return the region that closed contours paint under a fill rule.

    Parameters
    ----------
    contours
        Points of shape ``(n, 2)`` each; the last joins the first by itself. Contours may
        cross themselves and each other.
    rule
        As in the SVG specification, painting 4.2.

    Examples
    --------
    >>> outer = np.array([(0, 0), (4, 0), (4, 4), (0, 4)], float)
    >>> inner = outer / 2 + 1
    >>> fill([outer, inner], "nonzero").area, fill([outer, inner], "evenodd").area
    (16.0, 12.0)
    >>> fill([], "nonzero").is_empty
    True
    """
    rings = [closed for points in contours if (closed := _closed(points)) is not None]
    if not rings:
        return _NOTHING
    polygons = np.array([shapely.Polygon(ring) for ring in rings], dtype=object)
    if len(rings) == 1:
        return polygons[0] if polygons[0].is_valid else _fill_crossing(rings, rule)
    return _fill_nested(rings, polygons, rule) or _fill_crossing(rings, rule)


def _closed(points: Points) -> Points | None:
    if len(points) and not np.array_equal(points[0], points[-1]):
        points = np.vstack([points, points[:1]])
    return points if len(points) >= 4 else None


def _fill_nested(rings: list[Points], polygons: npt.NDArray[np.object_], rule: FillRule) -> BaseGeometry | None:
    """Fill contours of which none crosses itself or another; None when that does not hold.

    Inside such a contour the winding number is the sum of the directions of the
    contours around it, so no line needs to be cut. The validity check at the end
    proves the assumption: it fails when any two contours cross.
    """
    if not shapely.is_valid(polygons).all():
        return None
    around = _containers(polygons)
    direction = np.where(shapely.is_ccw(shapely.get_exterior_ring(polygons)), 1, -1)
    order = sorted(range(len(rings)), key=lambda i: len(around[i]))
    winding, parent = np.zeros(len(rings), int), np.full(len(rings), -1)
    for i in order:
        innermost = max(around[i], key=lambda j: len(around[j]), default=-1)
        parent[i] = innermost
        winding[i] = direction[i] + (winding[innermost] if innermost >= 0 else 0)
    filled = _is_filled(winding, np.array([len(around[i]) + 1 for i in range(len(rings))]), rule)
    outside_filled = np.array([parent[i] >= 0 and filled[parent[i]] for i in range(len(rings))])
    if (filled == outside_filled).any():
        return None
    holes: dict[int, list[Points]] = {}
    for hole in np.flatnonzero(~filled).tolist():
        holes.setdefault(int(parent[hole]), []).append(rings[hole])
    region = shapely.MultiPolygon(
        [shapely.Polygon(rings[shell], holes.get(shell)) for shell in np.flatnonzero(filled).tolist()]
    )
    return region if region.is_valid else None


def _containers(polygons: npt.NDArray[np.object_]) -> list[list[int]]:
    """Return for each polygon the larger ones around it."""
    inside_point = shapely.point_on_surface(polygons)
    area = shapely.area(polygons)
    around: list[list[int]] = [[] for _ in polygons]
    point, container = shapely.STRtree(polygons).query(inside_point, predicate="within")
    for i, j in zip(point.tolist(), container.tolist(), strict=True):
        if area[j] > area[i]:
            around[i].append(j)
    return around


def _is_filled(winding: npt.NDArray[np.int_], crossings: npt.NDArray[np.int_], rule: FillRule) -> npt.NDArray[np.bool_]:
    filled: npt.NDArray[np.bool_] = (winding != 0) if rule == "nonzero" else (crossings % 2 == 1)
    return filled


def _fill_crossing(rings: list[Points], rule: FillRule) -> BaseGeometry:
    """Cut every line where it meets another, and keep the faces the rule fills."""
    noded = shapely.node(shapely.MultiLineString([ring.tolist() for ring in rings]))
    faces = shapely.get_parts(shapely.polygonize(shapely.get_parts(noded)))
    if not len(faces):
        return _NOTHING
    probes = shapely.get_coordinates(shapely.point_on_surface(faces))
    winding, crossings = winding_numbers(probes, rings)
    return shapely.union_all(faces[_is_filled(winding, crossings, rule)])


def winding_numbers(probes: Points, rings: Sequence[Points]) -> tuple[npt.NDArray[np.int_], npt.NDArray[np.int_]]:
    """Return the winding number and the count of crossings of a ray, for each probe.

    Parameters
    ----------
    probes
        Shape ``(p, 2)``; none may lie on a ring.
    rings
        Closed, first point repeated last.
    """
    starts = np.concatenate([ring[:-1] for ring in rings])
    ends = np.concatenate([ring[1:] for ring in rings])
    # A ray runs to the right from each probe; only sides whose box it meets can cross it.
    far = max(float(starts[:, 0].max()), float(probes[:, 0].max(initial=0.0))) + 1.0
    x, y = probes.T
    rays = shapely.linestrings(np.stack([probes, np.column_stack([np.full(len(probes), far), y])], axis=1))
    side, probe = shapely.STRtree(np.asarray(rays)).query(shapely.linestrings(np.stack([starts, ends], axis=1)))
    (x0, y0), (x1, y1) = starts[side].T, ends[side].T
    spans = (y0 <= y[probe]) != (y1 <= y[probe])
    (x0, y0), (x1, y1), probe = (x0[spans], y0[spans]), (x1[spans], y1[spans]), probe[spans]
    right = x0 + (y[probe] - y0) * (x1 - x0) / (y1 - y0) > x[probe]
    upward, probe = (y1 > y0)[right], probe[right]
    crossings = np.bincount(probe, minlength=len(probes))
    return 2 * np.bincount(probe[upward], minlength=len(probes)) - crossings, crossings
