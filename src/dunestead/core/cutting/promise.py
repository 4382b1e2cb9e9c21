"""What a cut file says of itself, and whether its lines still are what it says.

A file that was scaled, flipped, or lost a line on its way cuts cleanly and wrongly. So every
sheet file carries a short account of its lines; a cut in simulation holds the lines against it.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.cutting.paths import CutPath

__all__ = ["Broken", "Promise", "PromisedLine", "broken_promises", "lean_of", "promise_of"]

# The same line lies within this of where it should, and is as long within this share.
_NEAR_MM, _ALIKE = 0.3, 0.005
# An open line is still known by this.
_NEAR_OPEN_MM, _ALIKE_OPEN = 8.0, 0.2
_SCALE_OFF = 0.0015
_MOST_TOLD = 12
# Lines lean alike within this, mm and as a share; those with less area than this share of their box do not tell.
_LEANS_MM, _LEANS, _LEAST_AREA = 0.25, 0.004, 0.01


@dataclass(frozen=True, slots=True)
class PromisedLine:
    """A line: its middle and length, mm, how many others lie around it, and how it leans.

    ``lean`` is where its area's centre lies from its middle, mm, and its product moment as a share of its box: both
    turn or change their sign with a line that is turned or mirrored in its place.
    """

    x: float
    y: float
    length: float
    depth: int
    lean: tuple[float, float, float] | None = None


@dataclass(frozen=True, slots=True)
class Promise:
    """What a sheet file should hold.

    Attributes
    ----------
    page
        Width and height, mm.
    reach
        What the cutter it was made for reaches, mm.
    mirrored
        Whether it is cut mirrored.
    """

    page: tuple[float, float]
    reach: tuple[float, float]
    mirrored: bool
    lines: tuple[PromisedLine, ...] = field(repr=False)


@dataclass(frozen=True, slots=True)
class Broken:
    """Where a file is not what it says: a code, a place, mm, and a sentence."""

    code: str
    at: tuple[float, float]
    message: str


def promise_of(
    paths: Sequence[CutPath], page: tuple[float, float], reach: tuple[float, float], *, mirrored: bool
) -> Promise:
    """Return what a file with these closed lines says of itself."""
    depth = _depths(paths)
    lines = tuple(
        PromisedLine(*_middle(path.points), path.length, deep, lean_of(path.points))
        for path, deep in zip(paths, depth, strict=True)
    )
    return Promise(page, reach, mirrored, lines)


def _middle(points: npt.NDArray[np.float64]) -> tuple[float, float]:
    low, high = points.min(axis=0), points.max(axis=0)
    x, y = (low + high) / 2
    return float(x), float(y)


def lean_of(points: npt.NDArray[np.float64]) -> tuple[float, float, float] | None:
    """Return how the area within a closed line leans; None for one that has next to no area.

    Green's theorem: area, first moments and product moment are sums over the line's sides.
    """
    x, y = (points - np.array(_middle(points))).T
    wide, high = float(np.ptp(x)), float(np.ptp(y))
    cross = x[:-1] * y[1:] - x[1:] * y[:-1]
    area = float(cross.sum()) / 2
    if abs(area) < _LEAST_AREA * wide * high or not wide * high:
        return None
    gx = float(((x[:-1] + x[1:]) * cross).sum()) / 6 / area
    gy = float(((y[:-1] + y[1:]) * cross).sum()) / 6 / area
    product = x[:-1] * y[1:] + 2 * x[:-1] * y[:-1] + 2 * x[1:] * y[1:] + x[1:] * y[:-1]
    return gx, gy, float((product * cross).sum()) / 24 / area / (wide * high)


def _depths(paths: Sequence[CutPath]) -> list[int]:
    areas = [shapely.Polygon(path.points) for path in paths]
    if not areas:
        return []
    tree = shapely.STRtree(areas)
    inner, outer = tree.query([shapely.Point(path.points[0]) for path in paths], predicate="within")
    counts = np.bincount(inner[inner != outer], minlength=len(paths))
    return [int(count) for count in counts]


def broken_promises(promise: Promise, paths: Sequence[CutPath]) -> list[Broken]:
    """Return how the lines of a file differ from what it says of itself.

    Parameters
    ----------
    promise
        What the file says.
    paths
        Its lines as read back, sheet mm.
    """
    lines = np.array([(line.x, line.y, line.length) for line in promise.lines], float).reshape(-1, 3)
    # An open line is as long as it would be closed.
    found = np.array([(*_middle(path.points), path.length + path.gap) for path in paths], float).reshape(-1, 3)
    if not len(found):
        return []
    if scale := _wrong_scale(lines, found):
        at = (float(found[0, 0]), float(found[0, 1]))
        return [Broken("wrong-scale", at, f"Everything is {scale * 100:.2f} % of its size; cut so, nothing would fit.")]
    missing, extra = _unmatched(lines, found, paths)
    if not missing and not extra and (turned := _turned(promise, found, paths)):
        return turned
    if missing and extra and not _unmatched(_flipped(lines, found), found, paths)[0]:
        word = "is mirrored and should read" if not promise.mirrored else "reads and should be mirrored"
        return [Broken("wrong-facing", (promise.page[0] / 2, promise.page[1] / 2), f"The cut {word}.")]
    return [*_moved_or_missing(promise, lines, found, missing, extra)]


def _turned(promise: Promise, found: npt.NDArray[np.float64], paths: Sequence[CutPath]) -> list[Broken]:
    """Return the lines that lie in their place turned or mirrored."""
    turned, leaning = [], 0
    for line in promise.lines:
        if line.lean is None:
            continue
        k = int(np.argmin(np.hypot(found[:, 0] - line.x, found[:, 1] - line.y) + np.abs(found[:, 2] - line.length)))
        lean = lean_of(paths[k].points) if paths[k].is_closed else None
        if lean is None:
            continue
        leaning += not _alike(line.lean, (-line.lean[0], line.lean[1], -line.lean[2]))
        if not _alike(lean, line.lean):
            turned.append((line, _alike(lean, (-line.lean[0], line.lean[1], -line.lean[2]))))
    if turned and len(turned) >= leaning > 1 and all(mirrored for _, mirrored in turned):
        word = "is mirrored and should read" if not promise.mirrored else "reads and should be mirrored"
        return [Broken("wrong-facing", (promise.page[0] / 2, promise.page[1] / 2), f"The cut {word}.")]
    return [
        Broken("turned-cut", (line.x, line.y), f"The cut at {line.x:.0f}, {line.y:.0f} mm lies turned or mirrored.")
        for line, _ in turned[:_MOST_TOLD]
    ]


def _alike(one: tuple[float, float, float], other: tuple[float, float, float]) -> bool:
    return math.dist(one[:2], other[:2]) <= _LEANS_MM and abs(one[2] - other[2]) <= _LEANS


def _wrong_scale(lines: npt.NDArray[np.float64], found: npt.NDArray[np.float64]) -> float:
    """Return the factor by which all lines grew; 0 when they did not."""
    if not len(lines):
        return 0.0
    wanted, met = np.sort(lines[:, 2]), np.sort(found[:, 2])
    if len(wanted) == len(met):
        ratios = met / np.maximum(wanted, 1e-9)
        factor = float(np.median(ratios))
        if abs(factor - 1) > _SCALE_OFF and bool((np.abs(ratios / factor - 1) < _ALIKE).mean() > 0.8):
            return factor
    # With a line lost besides, the longest still tell.
    factor = float(met[-1] / wanted[-1])
    if abs(factor - 1) > _SCALE_OFF and len(met) > 1 and abs(met[-2] / (wanted[-2] * factor) - 1) < _SCALE_OFF:
        return factor
    return 0.0


def _flipped(lines: npt.NDArray[np.float64], found: npt.NDArray[np.float64]) -> npt.NDArray[np.float64]:
    """Return lines as they lie in a mirror, set down where those that were found lie."""
    flipped = lines.copy()
    flipped[:, 0] = found[:, 0].mean() + lines[:, 0].mean() - lines[:, 0]
    return flipped


def _unmatched(
    lines: npt.NDArray[np.float64], found: npt.NDArray[np.float64], paths: Sequence[CutPath]
) -> tuple[list[int], list[int]]:
    """Return the promised lines that are not there, and the lines that were not promised; doubles count once."""
    is_open = np.array([not path.is_closed for path in paths])
    near = np.where(is_open, _NEAR_OPEN_MM, _NEAR_MM)
    alike = np.where(is_open, _ALIKE_OPEN, _ALIKE)
    met = np.zeros(len(found), bool)
    missing = []
    for k, (x, y, length) in enumerate(lines.tolist()):
        same = (np.hypot(found[:, 0] - x, found[:, 1] - y) <= near) & (
            np.abs(found[:, 2] - length) <= alike * length + 0.02
        )
        met |= same
        if not same.any():
            missing.append(k)
    return missing, np.flatnonzero(~met).tolist()


def _moved_or_missing(
    promise: Promise,
    lines: npt.NDArray[np.float64],
    found: npt.NDArray[np.float64],
    missing: Sequence[int],
    extra: Sequence[int],
) -> list[Broken]:
    left = list(extra)
    broken: list[Broken] = []
    for k in missing:
        x, y, length = lines[k]
        moved = next((e for e in left if abs(found[e, 2] - length) <= _ALIKE * length + 0.02), None)
        if moved is not None:
            left.remove(moved)
            by = float(np.hypot(found[moved, 0] - x, found[moved, 1] - y))
            at = (float(found[moved, 0]), float(found[moved, 1]))
            broken.append(Broken("moved-cut", at, f"A cut lies {by:.1f} mm from where it should."))
        else:
            broken.append(Broken(*_lost(promise.lines[k])))
    for e in left:
        at = (float(found[e, 0]), float(found[e, 1]))
        broken.append(Broken("extra-cut", at, f"A cut of {found[e, 2]:.0f} mm that is not of this sheet."))
    return broken[:_MOST_TOLD]


def _lost(line: PromisedLine) -> tuple[str, tuple[float, float], str]:
    at = (line.x, line.y)
    where = f"at {line.x:.0f}, {line.y:.0f} mm"
    if line.depth == 0:
        return "missing-outline", at, f"The outline around the patch {where} is missing: it stays in the sheet."
    if line.depth % 2:
        return "missing-window", at, f"The window {where} is missing: what it should paint stays covered."
    return "missing-centre", at, f"The centre {where} is missing: it would be weeded away with the window around it."
