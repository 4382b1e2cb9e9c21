"""Paths of lines and cubic curves: their exact extent, and polylines close to them."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt

from dunestead.core.geometry.affine import Affine

__all__ = ["Box", "Path", "Polyline", "flatten", "join_paths", "path_bounds", "paths_bounds", "shifted"]

Box = tuple[float, float, float, float]
Points = npt.NDArray[np.float64]


def shifted(box: Box, by: tuple[float, float]) -> Box:
    """Return a box moved.

    Examples
    --------
    >>> shifted((0, 0, 4, 3), (10, 20))
    (10, 20, 14, 23)
    """
    return (box[0] + by[0], box[1] + by[1], box[2] + by[0], box[3] + by[1])


@dataclass(frozen=True, slots=True, eq=False)
class Path:
    """One or more contours, every segment held as a cubic.

    Attributes
    ----------
    segments
        Control points, shape ``(m, 4, 2)``; a line carries its ends only in the first and last.
    is_line
        Shape ``(m,)``; where true the inner control points mean nothing.
    contour
        Shape ``(m,)``; index of the contour a segment belongs to, not decreasing.
    closed
        One flag for each contour.
    """

    segments: Points
    is_line: npt.NDArray[np.bool_]
    contour: npt.NDArray[np.intp]
    closed: tuple[bool, ...]

    def carried(self, transform: Affine) -> "Path":
        """Return the path transformed."""
        return Path(transform.apply(self.segments), self.is_line, self.contour, self.closed)


def join_paths(paths: Sequence[Path]) -> Path:
    """Return one path with all contours of several, in order."""
    if not paths:
        return Path(np.empty((0, 4, 2)), np.empty(0, bool), np.empty(0, np.intp), ())
    shift = np.cumsum([0, *(len(path.closed) for path in paths[:-1])])
    return Path(
        np.concatenate([path.segments for path in paths]),
        np.concatenate([path.is_line for path in paths]),
        np.concatenate([path.contour + first for path, first in zip(paths, shift, strict=True)]),
        tuple(closed for path in paths for closed in path.closed),
    )


@dataclass(frozen=True, slots=True, eq=False)
class Polyline:
    """A flattened contour: points ``(n, 2)``, and which are corners between segments."""

    points: Points
    corner: npt.NDArray[np.bool_]
    closed: bool


def path_bounds(path: Path, transform: Affine) -> Box | None:
    """Return the exact extent of a transformed path, or None when it has no segment."""
    return paths_bounds([path.carried(transform)])[0]


def paths_bounds(paths: Sequence[Path]) -> list[Box | None]:
    """Return the exact extent of each path, None for one without a segment; all are reckoned in one go.

    The extreme points of a cubic lie at its ends or where a coordinate's derivative,
    a quadratic, is zero.
    """
    drawn = [k for k, path in enumerate(paths) if len(path.segments)]
    boxes: list[Box | None] = [None] * len(paths)
    if not drawn:
        return boxes
    joined = join_paths([paths[k] for k in drawn])
    low, high = joined.segments[:, [0, 3]].min(axis=1), joined.segments[:, [0, 3]].max(axis=1)
    curved = np.flatnonzero(~joined.is_line)
    if len(curved):
        reached = _extreme_points(joined.segments[curved])
        low[curved], high[curved] = (
            np.fmin(low[curved], reached.min(axis=0)),
            np.fmax(high[curved], reached.max(axis=0)),
        )
    first = np.cumsum([0, *(len(paths[k].segments) for k in drawn[:-1])])
    lows, highs = np.minimum.reduceat(low, first), np.maximum.reduceat(high, first)
    for k, (x0, y0), (x1, y1) in zip(drawn, lows.tolist(), highs.tolist(), strict=True):
        boxes[k] = (x0, y0, x1, y1)
    return boxes


def _extreme_points(curves: Points) -> Points:
    p0, p1, p2, p3 = (curves[:, i] for i in range(4))
    a, b, c = p3 - 3 * p2 + 3 * p1 - p0, 2 * (p2 - 2 * p1 + p0), p1 - p0
    with np.errstate(divide="ignore", invalid="ignore", over="ignore"):
        root = np.sqrt(b * b - 4 * a * c)
        straight = -c / b
        times = np.stack([(-b + root) / (2 * a), (-b - root) / (2 * a), straight])
    times = np.where((times > 0) & (times < 1), times, 0.0)
    # Six candidates a curve, shape (6, m, 2): three roots for either coordinate.
    return np.stack([_evaluate(curves, times[k, :, axis]) for k in range(3) for axis in range(2)])


def _evaluate(curves: Points, time: npt.NDArray[np.float64]) -> Points:
    t = time[:, None]
    s = 1 - t
    value: Points = (
        s**3 * curves[:, 0] + 3 * s * s * t * curves[:, 1] + 3 * s * t * t * curves[:, 2] + t**3 * curves[:, 3]
    )
    return value


def flatten(path: Path, transform: Affine, tolerance: float, *, widest_turn: float = math.pi) -> list[Polyline]:
    """Return the contours of a transformed path as polylines.

    Parameters
    ----------
    path, transform
        What to flatten, and how it is carried first.
    tolerance
        Farthest the polyline may stray, in the units after the transform.
    widest_turn
        Largest turn in radians one chord may stand for; strokes need it, because their
        outer edge runs further out than the line that is flattened.

    Notes
    -----
    A chord over the parameter step 1/n strays by at most ``max|B''| / (8 n²)``, and the second
    derivative of a cubic is greatest at one of its ends.
    """
    if not len(path.segments):
        return []
    control = transform.apply(path.segments)
    steps = _steps(control, path.is_line, tolerance, widest_turn)
    owner = np.repeat(np.arange(len(control)), steps)
    first = np.cumsum(steps) - steps
    time = (np.arange(len(owner)) - first[owner]) / steps[owner]
    line = path.is_line[owner]
    points = np.empty((len(owner), 2))
    # A line has one step only, at time 0: its start.
    points[line] = control[owner[line], 0]
    points[~line] = _evaluate(control[owner[~line]], time[~line])
    corner = time == 0
    return [
        _contour(points, corner, control[last, 3], slice(first[start], first[last] + steps[last]), path.closed[k])
        for k, (start, last) in enumerate(_contour_ranges(path.contour))
    ]


def _steps(
    control: Points, is_line: npt.NDArray[np.bool_], tolerance: float, widest_turn: float
) -> npt.NDArray[np.intp]:
    bend = np.maximum(
        np.linalg.norm(control[:, 0] - 2 * control[:, 1] + control[:, 2], axis=1),
        np.linalg.norm(control[:, 1] - 2 * control[:, 2] + control[:, 3], axis=1),
    )
    steps = np.ceil(np.sqrt(6 * bend / (8 * tolerance)))
    if widest_turn < math.pi:
        steps = np.maximum(steps, np.ceil(_turn(control) / widest_turn))
    return np.where(is_line, 1, np.clip(steps, 1, 4096)).astype(np.intp)


def _turn(control: Points) -> npt.NDArray[np.float64]:
    """Return the whole turn of each control polygon, which is never less than the curve's."""
    legs = np.diff(control, axis=1)
    heading = np.arctan2(legs[..., 1], legs[..., 0])
    turn = np.abs((np.diff(heading, axis=1) + math.pi) % (2 * math.pi) - math.pi)
    total: npt.NDArray[np.float64] = turn.sum(axis=1)
    return total


def _contour_ranges(contour: npt.NDArray[np.intp]) -> list[tuple[int, int]]:
    starts = np.flatnonzero(np.diff(contour, prepend=-1))
    lasts = np.append(starts[1:], len(contour)) - 1
    return list(zip(starts.tolist(), lasts.tolist(), strict=True))


def _contour(points: Points, corner: npt.NDArray[np.bool_], end: Points, where: slice, closed: bool) -> Polyline:
    pts, flags = np.vstack([points[where], end]), np.append(corner[where], True)
    keep = np.append(True, np.any(np.diff(pts, axis=0) != 0, axis=1))
    return Polyline(pts[keep], flags[keep], closed)
