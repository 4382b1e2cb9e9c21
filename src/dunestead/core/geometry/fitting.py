"""Few smooth curves close to many points: lines and cubics fitted to a closed contour.

Corners are told first, from how far the contour turns over a short way; between corners each curve
reaches as far as it can within the tolerance. Least squares with chord length parameters, which
are then moved to the nearest place on the curve, after Schneider 1990.
"""

import math
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt

from dunestead.core.geometry.curves import Path

__all__ = ["FitRules", "fit_closed", "join_fitted"]

Points = npt.NDArray[np.float64]
Floats = npt.NDArray[np.float64]
# Fits look at no more points than this; they are spread evenly over the stretch.
_LOOKED_AT = 32
_ROUNDS = 3
# Handles longer than this share of the chord mean that the fit has run away.
_LONGEST_HANDLE = 3.0
# A fit this many times too far off at first is not brought near by moving its parameters.
_HOPELESS = 3.0


@dataclass(frozen=True, slots=True)
class FitRules:
    """How close and how smooth, in the units of the points.

    Attributes
    ----------
    tolerance
        Farthest a curve may stray from its points.
    reach
        Way along the contour on either side over which a turn is judged.
    corner
        A turn over that way of more than this many radians is a corner.
    rounding
        Points this near a corner are blurred and do not count.
    """

    tolerance: float
    reach: float
    corner: float = 0.75
    rounding: float = 2.0


@dataclass(frozen=True, slots=True, eq=False)
class _Fitted:
    control: Points
    is_line: bool


def join_fitted(contours: list[tuple[Points, npt.NDArray[np.bool_]]]) -> Path:
    """Return one path of closed contours as `fit_closed` returns them."""
    if not contours:
        return Path(np.empty((0, 4, 2)), np.empty(0, bool), np.empty(0, np.intp), ())
    return Path(
        np.concatenate([segments for segments, _ in contours]),
        np.concatenate([is_line for _, is_line in contours]),
        np.repeat(np.arange(len(contours)), [len(segments) for segments, _ in contours]).astype(np.intp),
        (True,) * len(contours),
    )


def fit_closed(points: Points, rules: FitRules) -> tuple[Points, npt.NDArray[np.bool_]]:
    """Return segments that follow a closed contour.

    Parameters
    ----------
    points
        Shape ``(n, 2)``, evenly spaced about one unit apart, the last not repeating the first.
    rules
        How close and how smooth.

    Returns
    -------
    tuple
        Control points ``(m, 4, 2)``, and for each segment whether it is a line.
    """
    corners = _corners(points, rules)
    if not corners:
        return _stack(_smooth_loop(points, rules))
    vertices = _sharpened(points, corners, rules)
    fitted: list[_Fitted] = []
    for k, first in enumerate(corners):
        last = corners[(k + 1) % len(corners)]
        stretch = _between(points, first, last)
        fitted += _stretch(stretch, vertices[k], vertices[(k + 1) % len(corners)], rules)
    return _stack(fitted)


def _stack(fitted: list[_Fitted]) -> tuple[Points, npt.NDArray[np.bool_]]:
    return np.array([f.control for f in fitted]), np.array([f.is_line for f in fitted])


def _between(points: Points, first: int, last: int) -> Points:
    """Return the points from one index to another, both included, onwards around the loop."""
    if last > first:
        return points[first : last + 1]
    return np.vstack([points[first:], points[: last + 1]])


# --- corners ----------------------------------------------------------------------------------
def _corners(points: Points, rules: FitRules) -> list[int]:
    """Return indices at which the contour turns sharply, in order."""
    count = len(points)
    reach = min(max(round(rules.reach), 2), count // 4)
    if reach < 2:
        return []
    turn = np.abs(_turn(points, reach))
    candidates = np.flatnonzero(turn > rules.corner)
    kept: list[int] = []
    for i in candidates[np.argsort(-turn[candidates], kind="stable")].tolist():
        if all(min(abs(i - j), count - abs(i - j)) > reach for j in kept):
            kept.append(i)
    return sorted(i for i in kept if _is_sharp(points, i, reach, float(turn[i])))


def _turn(points: Points, reach: int) -> Floats:
    before = points - np.roll(points, reach, axis=0)
    after = np.roll(points, -reach, axis=0) - points
    cross = before[:, 0] * after[:, 1] - before[:, 1] * after[:, 0]
    turn: Floats = np.arctan2(cross, np.einsum("ij,ij->i", before, after))
    return turn


def _is_sharp(points: Points, at: int, reach: int, turn: float) -> bool:
    """Tell a corner from a tight curve: of a corner, the way just before and after it runs straight on.

    Around a curve the legs go on turning, so twice as far out the turn has about doubled.
    """
    count = len(points)
    if 4 * reach >= count:
        return True
    leg = np.array([points[(at + k) % count] for k in (-2 * reach, -reach, reach, 2 * reach)])
    outer_in, outer_out = leg[1] - leg[0], leg[3] - leg[2]
    cross = outer_in[0] * outer_out[1] - outer_in[1] * outer_out[0]
    wider = abs(math.atan2(cross, float(outer_in @ outer_out)))
    return wider < 1.5 * turn or turn > 1.2


def _sharpened(points: Points, corners: list[int], rules: FitRules) -> Points:
    """Return where each corner was before it was blurred: where the edges on either side of it meet."""
    reach, skip = max(round(rules.reach), 3), round(rules.rounding)
    count = len(points)
    found = []
    for k, at in enumerate(corners):
        room_before = (at - corners[k - 1]) % count or count
        room_after = (corners[(k + 1) % len(corners)] - at) % count or count
        before = _line_at(points, at, -skip, -min(skip + reach, room_before - skip))
        after = _line_at(points, at, skip, min(skip + reach, room_after - skip))
        found.append(_meeting(before, after, points[at], 2 * rules.rounding))
    return np.array(found)


def _line_at(points: Points, at: int, near: int, far: int) -> tuple[Points, Points] | None:
    """Return middle and direction of the line through the points between two places off a corner."""
    step = 1 if far > near else -1
    if abs(far) - abs(near) < 2 or near * far < 0:
        return None
    taken = points[[(at + k) % len(points) for k in range(near, far + step, step)]]
    middle = taken.mean(axis=0)
    direction = np.linalg.svd(taken - middle)[2][0]
    return middle, direction


def _meeting(
    one: tuple[Points, Points] | None, other: tuple[Points, Points] | None, corner: Points, farthest: float
) -> Points:
    if one is None or other is None:
        return corner
    (p, d), (q, e) = one, other
    cross = d[0] * e[1] - d[1] * e[0]
    if abs(cross) < 0.25:
        return corner
    along = ((q - p)[0] * e[1] - (q - p)[1] * e[0]) / cross
    met: Points = p + along * d
    return met if float(np.linalg.norm(met - corner)) <= farthest else corner


# --- curves -----------------------------------------------------------------------------------
def _smooth_loop(points: Points, rules: FitRules) -> list[_Fitted]:
    """Fit a loop without corners, split where it reaches furthest, as type is drawn."""
    extremes = sorted({int(k) for k in (*points.argmin(axis=0), *points.argmax(axis=0))})
    reach = max(round(rules.reach), 2)
    splits = [extremes[0]]
    for k in extremes[1:]:
        if k - splits[-1] > reach and len(points) - k + splits[0] > reach:
            splits.append(k)
    if len(splits) < 2:
        splits = [0, len(points) // 2]
    fitted: list[_Fitted] = []
    for k, first in enumerate(splits):
        stretch = _between(points, first, splits[(k + 1) % len(splits)])
        start, end = (_direction_at(points, at, reach) for at in (first, splits[(k + 1) % len(splits)]))
        fitted += _curves(stretch, start, end, rules)
    return fitted


def _direction_at(points: Points, at: int, reach: int) -> Points:
    """Return the direction of a loop at an index, as a vector of length 1."""
    reach = min(reach, len(points) // 4)
    way = points[(at + reach) % len(points)] - points[(at - reach) % len(points)]
    direction: Points = way / max(float(np.linalg.norm(way)), 1e-12)
    return direction


def _stretch(points: Points, start: Points, end: Points, rules: FitRules) -> list[_Fitted]:
    """Fit the way between two corners that lie at ``start`` and ``end``."""
    trimmed = _trimmed(points, start, end, rules)
    if _strays(trimmed, start, end) <= rules.tolerance:
        return [_line(start, end)]
    reach = max(round(rules.reach), 3)
    whole = np.vstack([start, trimmed, end])
    leave = _leaving(whole, reach)
    arrive = -_leaving(whole[::-1], reach)
    return _curves(whole, leave, arrive, rules)


def _trimmed(points: Points, start: Points, end: Points, rules: FitRules) -> Points:
    far = (np.linalg.norm(points - start, axis=1) > rules.rounding) & (
        np.linalg.norm(points - end, axis=1) > rules.rounding
    )
    return points[far] if far.sum() >= 2 else points[len(points) // 2 : len(points) // 2 + 1]


def _strays(points: Points, start: Points, end: Points) -> float:
    way = end - start
    length = float(np.linalg.norm(way))
    if length == 0:
        return float(np.linalg.norm(points - start, axis=1).max(initial=0.0))
    off = np.abs((points - start) @ np.array([-way[1], way[0]])) / length
    return float(off.max(initial=0.0))


def _line(start: Points, end: Points) -> _Fitted:
    return _Fitted(np.array([start, start, end, end]), True)


def _leaving(points: Points, reach: int) -> Points:
    """Return the direction in which a curve leaves its first point: the tangent of a parabola through its start."""
    taken = points[: max(2 * reach, 4) + 1]
    way = np.linalg.norm(np.diff(taken, axis=0), axis=1).cumsum()
    if len(taken) < 4 or not way[-1] > 0:
        direction = points[min(reach, len(points) - 1)] - points[0]
    else:
        basis = np.column_stack([way, way**2])
        direction = np.linalg.lstsq(basis, taken[1:] - taken[0], rcond=None)[0][0]
    unit: Points = direction / max(float(np.linalg.norm(direction)), 1e-12)
    return unit


def _curves(points: Points, leave: Points, arrive: Points, rules: FitRules) -> list[_Fitted]:
    """Fit a smooth stretch with as few cubics as keep within the tolerance, each as long as it can be."""
    fitted: list[_Fitted] = []
    first, last = 0, len(points) - 1
    reach = max(round(rules.reach), 2)
    while first < last:
        direction = leave
        best, reached = _longest(points, first, last, direction, arrive, reach, rules)
        fitted.append(best)
        first = reached
        leave = _tangent(points, first, reach)
    return fitted


def _longest(
    points: Points, first: int, last: int, leave: Points, arrive: Points, reach: int, rules: FitRules
) -> tuple[_Fitted, int]:
    """Return the longest curve from an index that stays within the tolerance, and where it ends."""

    def attempt(end: int) -> _Fitted | None:
        to = arrive if end == last else _tangent(points, end, reach)
        return _fit_one(points[first : end + 1], leave, to, rules.tolerance)

    if whole := attempt(last):
        return whole, last
    least = min(first + 2, last)
    good, found = least, attempt(least) or _line(points[first], points[least])
    bad = last
    while bad - good > max(1, (bad - first) // 24):
        middle = (good + bad) // 2
        if curve := attempt(middle):
            good, found = middle, curve
        else:
            bad = middle
    # A crumb left at the end makes for a curve too many: share the way out evenly instead.
    if last - good < (good - first) // 3 and (even := attempt((first + last) // 2)):
        return even, (first + last) // 2
    return found, good


def _tangent(points: Points, at: int, reach: int) -> Points:
    low, high = max(at - reach, 0), min(at + reach, len(points) - 1)
    way = points[high] - points[low]
    unit: Points = way / max(float(np.linalg.norm(way)), 1e-12)
    return unit


def _fit_one(points: Points, leave: Points, arrive: Points, tolerance: float) -> _Fitted | None:
    """Return the cubic through the ends of some points with given directions, None when it strays."""
    if len(points) > _LOOKED_AT:
        points = points[np.unique(np.linspace(0, len(points) - 1, _LOOKED_AT).round().astype(int))]
    start, end = points[0], points[-1]
    way = np.append(0.0, np.linalg.norm(np.diff(points, axis=0), axis=1).cumsum())
    if not way[-1] > 0:
        return None
    time = way / way[-1]
    for _ in range(_ROUNDS):
        control = _least_squares(points, time, leave, arrive)
        if control is None:
            return None
        off = float(np.linalg.norm(_at(control, time) - points, axis=1).max())
        if off <= tolerance:
            straight = _strays(control[1:3], start, end) < tolerance / 4
            return _line(start, end) if straight else _Fitted(control, False)
        if off > _HOPELESS * tolerance:
            return None
        time = _nearest(control, time, points)
    return None


def _least_squares(points: Points, time: Floats, leave: Points, arrive: Points) -> Points | None:
    start, end = points[0], points[-1]
    t, s = time, 1 - time
    b1, b2 = 3 * s * s * t, 3 * s * t * t
    a1, a2 = b1[:, None] * leave, -b2[:, None] * arrive
    c11, c12, c22 = float((a1 * a1).sum()), float((a1 * a2).sum()), float((a2 * a2).sum())
    rest = points - (s**3 + b1)[:, None] * start - (t**3 + b2)[:, None] * end
    x1, x2 = float((a1 * rest).sum()), float((a2 * rest).sum())
    determinant = c11 * c22 - c12 * c12
    chord = float(np.linalg.norm(end - start))
    if abs(determinant) < 1e-12 * max(c11 * c22, 1e-12):
        one = two = chord / 3
    else:
        one, two = (x1 * c22 - x2 * c12) / determinant, (c11 * x2 - c12 * x1) / determinant
    if not (0 < one < _LONGEST_HANDLE * max(chord, 1e-9) and 0 < two < _LONGEST_HANDLE * max(chord, 1e-9)):
        return None
    return np.array([start, start + one * leave, end - two * arrive, end])


def _at(control: Points, time: Floats) -> Points:
    t, s = time[:, None], 1 - time[:, None]
    value: Points = s**3 * control[0] + 3 * s * s * t * control[1] + 3 * s * t * t * control[2] + t**3 * control[3]
    return value


def _nearest(control: Points, time: Floats, points: Points) -> Floats:
    """Move each parameter to the nearest place on the curve by one step of Newton's method."""
    t, s = time[:, None], 1 - time[:, None]
    legs = 3 * np.diff(control, axis=0)
    bends = 2 * np.diff(legs, axis=0)
    off = _at(control, time) - points
    first = s * s * legs[0] + 2 * s * t * legs[1] + t * t * legs[2]
    second = s * bends[0] + t * bends[1]
    slope = np.einsum("ij,ij->i", first, first) + np.einsum("ij,ij->i", off, second)
    step = np.einsum("ij,ij->i", off, first) / np.where(np.abs(slope) > 1e-12, slope, 1e12)
    moved: Floats = np.clip(time - step, 0, 1)
    moved[0], moved[-1] = 0.0, 1.0
    return np.maximum.accumulate(moved)
