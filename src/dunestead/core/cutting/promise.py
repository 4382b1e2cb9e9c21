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

__all__ = ["Broken", "Promise", "PromisedLine", "broken_promises", "promise_of"]

# The same line lies within this of where it should, and is as long within this share.
_NEAR_MM, _ALIKE = 0.3, 0.005
# An open line is still known by this.
_NEAR_OPEN_MM, _ALIKE_OPEN = 8.0, 0.2
_SCALE_OFF = 0.0015
_MOST_TOLD = 12
# Lines lean alike within this, mm and as a share; those with less area than this share of their box do not tell.
_LEANS_MM, _LEANS, _LEAST_AREA = 0.25, 0.004, 0.01
Floats = npt.NDArray[np.float64]


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
    lines = tuple(
        PromisedLine(x, y, length, deep, lean)
        for (x, y, length), deep, lean in zip(_measures(paths).tolist(), _depths(paths), _leans(paths), strict=True)
    )
    return Promise(page, reach, mirrored, lines)


def _measures(paths: Sequence[CutPath]) -> Floats:
    """Return the middle of each line's box and the line's length, shape ``(n, 3)``, mm."""
    if not paths:
        return np.empty((0, 3))
    points, first = _strung(paths)
    low, high = np.minimum.reduceat(points, first), np.maximum.reduceat(points, first)
    steps = np.append(0.0, np.hypot(*np.diff(points, axis=0).T))
    # The step from one line to the next is no part of either.
    steps[first] = 0.0
    return np.column_stack([(low + high) / 2, np.add.reduceat(steps, first)])


def _leans(paths: Sequence[CutPath]) -> list[tuple[float, float, float] | None]:
    """Return how the area within each closed line leans; None for one that has next to no area.

    Green's theorem: area, first moments and product moment are sums over the line's sides.
    """
    if not paths:
        return []
    points, first = _strung(paths)
    low, high = np.minimum.reduceat(points, first), np.maximum.reduceat(points, first)
    x, y = (points - np.repeat((low + high) / 2, np.diff(np.append(first, len(points))), axis=0)).T
    x0, y0, x1, y1 = x[:-1], y[:-1], x[1:], y[1:]
    cross = x0 * y1 - x1 * y0
    cross[first[1:] - 1] = 0.0

    def summed(share: Floats) -> Floats:
        sums: Floats = np.add.reduceat(np.append(share * cross, 0.0), first)
        return sums

    area, box = summed(np.full(len(cross), 0.5)), np.prod(high - low, axis=1)
    product = x0 * y1 + 2 * x0 * y0 + 2 * x1 * y1 + x1 * y0
    with np.errstate(divide="ignore", invalid="ignore"):
        moments = (summed(x0 + x1) / 6 / area, summed(y0 + y1) / 6 / area, summed(product) / 24 / area / box)
    tells = (np.abs(area) >= _LEAST_AREA * box) & (box > 0)
    rows = zip(tells.tolist(), *(moment.tolist() for moment in moments), strict=True)
    return [(gx, gy, turned) if is_stated else None for is_stated, gx, gy, turned in rows]


def _strung(paths: Sequence[CutPath]) -> tuple[Floats, npt.NDArray[np.intp]]:
    """Return the points of all lines one after the other, and where each line begins."""
    counts = [len(path.points) for path in paths]
    return np.concatenate([path.points for path in paths]), np.cumsum([0, *counts[:-1]]).astype(np.intp)


def _depths(paths: Sequence[CutPath]) -> list[int]:
    areas = [shapely.Polygon(path.points) for path in paths]
    if not areas:
        return []
    tree = shapely.STRtree(areas)
    firsts = np.array([path.points[0] for path in paths])
    inner, outer = tree.query(shapely.points(firsts), predicate="within")
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
    found = _measures(paths) + np.array([(0.0, 0.0, path.gap) for path in paths]).reshape(-1, 3)
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


def _turned(promise: Promise, found: Floats, paths: Sequence[CutPath]) -> list[Broken]:
    """Return the lines that lie in their place turned or mirrored."""
    turned, leaning = [], 0
    leans = _leans(paths)
    for line, k in zip(promise.lines, _nearest(promise, found), strict=True):
        lean = leans[k] if paths[k].is_closed else None
        if line.lean is None or lean is None:
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


def _nearest(promise: Promise, found: Floats) -> list[int]:
    """Return for each promised line the one found that is nearest in place and length."""
    # Loading this takes a while, which a file that is refused need not wait for.
    from scipy.spatial import KDTree

    lines = np.array([(line.x, line.y, line.length) for line in promise.lines])
    nearest = np.asarray(KDTree(found).query(lines)[1])
    return [int(k) for k in nearest]


def _alike(one: tuple[float, float, float], other: tuple[float, float, float]) -> bool:
    return math.dist(one[:2], other[:2]) <= _LEANS_MM and abs(one[2] - other[2]) <= _LEANS


def _wrong_scale(lines: Floats, found: Floats) -> float:
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


def _flipped(lines: Floats, found: Floats) -> Floats:
    """Return lines as they lie in a mirror, set down where those that were found lie."""
    flipped = lines.copy()
    flipped[:, 0] = found[:, 0].mean() + lines[:, 0].mean() - lines[:, 0]
    return flipped


def _unmatched(lines: Floats, found: Floats, paths: Sequence[CutPath]) -> tuple[list[int], list[int]]:
    """Return the promised lines that are not there, and the lines that were not promised; doubles count once."""
    is_open = np.array([not path.is_closed for path in paths])
    near = np.where(is_open, _NEAR_OPEN_MM, _NEAR_MM)
    alike = np.where(is_open, _ALIKE_OPEN, _ALIKE)
    tree = shapely.STRtree(np.asarray(shapely.points(found[:, :2])))
    line, other = tree.query(shapely.points(lines[:, :2]), "dwithin", float(near.max()))
    apart = np.hypot(*(lines[line, :2] - found[other, :2]).T)
    longer = np.abs(found[other, 2] - lines[line, 2])
    same = (apart <= near[other]) & (longer <= alike[other] * lines[line, 2] + 0.02)
    missing = np.setdiff1d(np.arange(len(lines)), line[same])
    return missing.tolist(), np.setdiff1d(np.arange(len(found)), other[same]).tolist()


def _moved_or_missing(
    promise: Promise,
    lines: Floats,
    found: Floats,
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
