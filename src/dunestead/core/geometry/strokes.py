"""From a stroked path to the region its stroke paints."""

import math
from dataclasses import dataclass
from typing import Literal

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.errors import ArtworkRefused
from dunestead.core.geometry.curves import Polyline
from dunestead.core.tolerances import TOLERANCES

__all__ = ["Cap", "Join", "Pen", "outline_strokes", "turn_for_pen"]

Cap = Literal["butt", "round", "square"]
Join = Literal["miter", "round", "bevel"]
Points = npt.NDArray[np.float64]
_MOST_DASHES = 20_000
_SHAPELY_CAP: dict[Cap, Literal["flat", "round", "square"]] = {"butt": "flat", "round": "round", "square": "square"}


@dataclass(frozen=True, slots=True)
class Pen:
    """How a stroke is drawn. Lengths are in the units of the lines it follows."""

    width: float
    cap: Cap = "butt"
    join: Join = "miter"
    miter_limit: float = 4.0
    dashes: tuple[float, ...] = ()
    dash_offset: float = 0.0


def turn_for_pen(width: float, tolerance: float) -> float:
    """Return the widest turn a chord may take so that the stroke's edge stays within tolerance."""
    return 2 * math.acos(max(1 - 2 * tolerance / width, 0.0)) if width > 0 else math.pi


def outline_strokes(lines: list[Polyline], pen: Pen, tolerance: float) -> BaseGeometry:
    """Return the region painted by drawing a pen along lines.

    Parameters
    ----------
    lines
        Flattened contours; a single point paints its cap only, as SVG painting 4.3 has it.
    pen
        Width, caps, joins and dashes.
    tolerance
        Farthest a round cap or join may stray, in the units of the lines.

    Examples
    --------
    >>> line = Polyline(np.array([(0.0, 0.0), (10.0, 0.0)]), np.array([True, True]), False)
    >>> outline_strokes([line], Pen(2.0), 0.01).area
    20.0
    >>> outline_strokes([], Pen(2.0), 0.01).is_empty
    True
    """
    if pen.dashes:
        lines = [dash for line in lines for dash in _dashes(line, pen)]
    return shapely.union_all([part for line in lines for part in _stroke(line, pen, tolerance)])


def _quad_segments(radius: float, tolerance: float) -> int:
    return max(2, math.ceil(math.pi / 2 / turn_for_pen(2 * radius, tolerance)))


def _stroke(line: Polyline, pen: Pen, tolerance: float) -> list[BaseGeometry]:
    radius, points = pen.width / 2, line.points
    quad = _quad_segments(radius, tolerance)
    if len(points) < 2:
        return _dot(points, pen, quad)
    closed = line.closed and len(points) > 3
    if line.closed and not np.array_equal(points[0], points[-1]):
        points = np.vstack([points, points[:1]])
    spine = shapely.LinearRing(points) if closed else shapely.LineString(points)
    body = spine.buffer(
        radius,
        quad_segs=quad,
        cap_style=_SHAPELY_CAP[pen.cap],
        join_style="round" if pen.join == "round" else "bevel",
    )
    if pen.join == "round":
        return [body]
    return [body, *_joins(points, line.corner, closed, pen, tolerance)]


def _dot(points: Points, pen: Pen, quad: int) -> list[BaseGeometry]:
    radius = pen.width / 2
    if not len(points) or pen.cap == "butt":
        return []
    if pen.cap == "round":
        return [shapely.Point(points[0]).buffer(radius, quad_segs=quad)]
    x, y = points[0]
    return [shapely.box(x - radius, y - radius, x + radius, y + radius)]


def _joins(
    points: Points, corner: npt.NDArray[np.bool_], closed: bool, pen: Pen, tolerance: float
) -> list[BaseGeometry]:
    """Return what a bevelled outline lacks: miters at corners, round joins within curves.

    GEOS cuts a miter over the limit short instead of falling back to a bevel as SVG does,
    hence miters are added one by one.
    """
    legs = np.diff(points, axis=0)
    legs = legs / np.linalg.norm(legs, axis=1, keepdims=True)
    at = np.arange(1, len(points) - 1)
    before, after = legs[:-1], legs[1:]
    is_corner = corner[at] if len(corner) == len(points) else np.append(corner, True)[at]
    if closed:
        at, before, after = np.append(at, 0), np.vstack([before, legs[-1:]]), np.vstack([after, legs[:1]])
        is_corner = np.append(is_corner, True)
    turn = np.arctan2(_cross(before, after), np.einsum("ij,ij->i", before, after))
    radius = pen.width / 2
    sharp = is_corner & (np.abs(turn) > TOLERANCES.join_angle)
    mitred = sharp & (pen.miter_limit * np.cos(turn / 2) >= 1) if pen.join == "miter" else np.zeros(len(turn), bool)
    # Within a curve a bevel strays by half the tolerance at most, but where the curve was drawn coarsely.
    coarse = ~sharp & (np.abs(turn) > 1e-6) & (radius * (1 - np.cos(turn / 2)) > tolerance / 2)
    extra = list(_miters(points[at[mitred]], before[mitred], after[mitred], turn[mitred], radius))
    if coarse.any():
        dots = shapely.points(points[at[coarse]])
        extra += list(np.atleast_1d(shapely.buffer(dots, radius, quad_segs=_quad_segments(radius, tolerance))))
    return extra


def _cross(u: Points, v: Points) -> npt.NDArray[np.float64]:
    product: npt.NDArray[np.float64] = u[:, 0] * v[:, 1] - u[:, 1] * v[:, 0]
    return product


def _miters(
    at: Points, before: Points, after: Points, turn: npt.NDArray[np.float64], radius: float
) -> npt.NDArray[np.object_]:
    """Return the kite that a miter adds to a bevel at each corner, all in one go."""
    if not len(at):
        return np.empty(0, dtype=object)
    side = -np.copysign(radius, turn)[:, None]
    first = at + side * np.column_stack([-before[:, 1], before[:, 0]])
    last = at + side * np.column_stack([-after[:, 1], after[:, 0]])
    tip = first + before * (radius * np.abs(np.tan(turn / 2)))[:, None]
    return np.asarray(shapely.polygons(np.stack([at, first, tip, last, at], axis=1)))


def _dashes(line: Polyline, pen: Pen) -> list[Polyline]:
    """Cut a line into its dashes, keeping its vertices; an odd pattern is run twice."""
    pattern = np.array(pen.dashes * (1 + len(pen.dashes) % 2), float)
    period = pattern.sum()
    points = line.points if not line.closed else np.vstack([line.points, line.points[:1]])
    if period <= 0 or len(points) < 2:
        return [line]
    along = np.append(0.0, np.cumsum(np.linalg.norm(np.diff(points, axis=0), axis=1)))
    edges = np.append(0.0, np.cumsum(pattern))
    if along[-1] > _MOST_DASHES * period:
        raise ArtworkRefused(
            f"A dashed line in this artwork has over {_MOST_DASHES} dashes.",
            "Draw it solid, or with longer dashes, and save it again.",
        )
    dashes = []
    shift = -(pen.dash_offset % period)
    while shift < along[-1]:
        for start, end in zip(edges[:-1:2] + shift, edges[1::2] + shift, strict=True):
            if end >= 0 and start <= along[-1]:
                dashes.append(_between(points, along, max(start, 0.0), min(end, along[-1])))
        shift += period
    return dashes


def _between(points: Points, along: Points, start: float, end: float) -> Polyline:
    inner = (along > start) & (along < end)
    ends = np.array([[np.interp(t, along, points[:, axis]) for axis in (0, 1)] for t in (start, end)])
    cut = np.vstack([ends[:1], points[inner], ends[1:]])
    keep = np.append(True, np.any(np.diff(cut, axis=0) != 0, axis=1))
    return Polyline(cut[keep], np.ones(int(keep.sum()), bool), False)
