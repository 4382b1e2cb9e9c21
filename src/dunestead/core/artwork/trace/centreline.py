"""The middle of drawn lines, to be followed with an even pen."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import cv2
import numpy as np
import numpy.typing as npt

from dunestead.core.artwork.trace.ink import Ink
from dunestead.core.artwork.trace.settings import TraceSettings
from dunestead.core.geometry.curves import Path

__all__ = ["centre_lines", "thinned"]

Bits = npt.NDArray[np.uint8]
Points = npt.NDArray[np.float64]
# Lines up to so many times as wide as the finest of them are drawn with one pen.
_ONE_PEN = 1.25
_NEIGHBOURS = ((-1, 0), (-1, 1), (0, 1), (1, 1), (1, 0), (1, -1), (0, -1), (-1, -1))


def _goes(first_pass: bool) -> npt.NDArray[np.bool_]:
    """Return for each of the 256 neighbourhoods, as bits from the north clockwise, whether its middle goes."""
    bits = (np.arange(256)[:, None] >> np.arange(8)) & 1
    north, east, south, west = bits[:, 0], bits[:, 2], bits[:, 4], bits[:, 6]
    count = bits.sum(axis=1)
    rises = ((bits == 0) & (np.roll(bits, -1, axis=1) == 1)).sum(axis=1)
    sides = (east * south * north, east * south * west) if first_pass else (north * west * east, north * west * south)
    table: npt.NDArray[np.bool_] = (count >= 2) & (count <= 6) & (rises == 1) & (sides[0] == 0) & (sides[1] == 0)
    return table


_GOES_FIRST, _GOES_SECOND = _goes(True), _goes(False)


def centre_lines(ink: Ink, settings: TraceSettings) -> list[tuple[Path, float]]:
    """Return the lines in the middle of ink, those of one width together, with their pen, pixels."""
    mask = ink.mask
    bones = thinned(mask)
    half_width = cv2.distanceTransform(mask, cv2.DIST_L2, 5)
    # A bulge is no longer than the ink about it is wide; the middle of a pixel lies half a pixel off its edge.
    bulge = 2 * float(np.median(half_width[bones > 0])) - 1
    drawn = [line for line in _walk(bones) if not (line.is_spur and len(line.points) < bulge)]
    calm = [_calmed(line.points, line.is_loop) for line in drawn]
    pens = [settings.pen * max(mask.shape)] * len(drawn) if settings.pen else _widths(ink, drawn, calm)
    tolerance = 0.6 + 1.2 * settings.smooth
    found = []
    for alike in _alike(pens):
        points = [_simplified(calm[k], drawn[k].is_loop, tolerance) for k in alike]
        length = [_length(calm[k]) for k in alike]
        pen = float(np.average([pens[k] for k in alike], weights=length))
        found.append((_as_path(points, [drawn[k].is_loop for k in alike]), max(pen, 1.0)))
    return found


def _length(points: Points) -> float:
    return max(float(np.hypot(*np.diff(points, axis=0).T).sum()), 1.0)


def _widths(ink: Ink, drawn: Sequence["_Line"], calm: Sequence[Points]) -> list[float]:
    """Return how wide the ink of each line is, pixels: the ink that is nearest to it, over its length.

    Thinning takes half a width off a free end: ink there belongs to a line that much longer.
    """
    covered = ink.coverage
    bones = np.ones(covered.shape, np.uint8)
    for line in drawn:
        x, y = line.points.astype(int).T
        bones[y, x] = 0
    _, nearest = cv2.distanceTransformWithLabels(bones, cv2.DIST_L2, 5, labelType=cv2.DIST_LABEL_PIXEL)
    held = np.bincount(nearest.ravel(), weights=covered.ravel(), minlength=int(nearest.max()) + 1)
    widths = []
    for line, points in zip(drawn, calm, strict=True):
        x, y = line.points.astype(int).T
        area, length, free = float(held[np.unique(nearest[y, x])].sum()), _length(points), line.free_ends
        # width x (length + free x width / 2) = area
        widths.append((-length + math.sqrt(length**2 + 2 * free * area)) / free if free else area / length)
    return widths


def _alike(pens: Sequence[float]) -> Iterator[list[int]]:
    """Yield lines in groups of about one width, the finest first."""
    group: list[int] = []
    for k in sorted(range(len(pens)), key=lambda k: pens[k]):
        if group and pens[k] > _ONE_PEN * pens[group[0]]:
            yield group
            group = []
        group.append(k)
    if group:
        yield group


def thinned(mask: Bits) -> Bits:
    """Return the skeleton of a bitmap, one pixel wide, by the method of Zhang and Suen 1984.

    Examples
    --------
    >>> bar = np.zeros((7, 12), np.uint8); bar[2:5, 1:11] = 1
    >>> int(thinned(bar).sum(axis=0).max())
    1
    """
    image = np.pad(mask, 1).astype(np.uint8)
    flat = image.ravel()
    around = np.array([dy * image.shape[1] + dx for dy, dx in _NEIGHBOURS])
    ink = np.flatnonzero(flat)
    while True:
        before = len(ink)
        for goes in (_GOES_FIRST, _GOES_SECOND):
            neighbours = (flat[ink[:, None] + around] << np.arange(8, dtype=np.uint8)).sum(axis=1, dtype=np.uint8)
            gone = goes[neighbours]
            flat[ink[gone]] = 0
            ink = ink[~gone]
        if len(ink) == before:
            return image[1:-1, 1:-1]


@dataclass(frozen=True, slots=True)
class _Line:
    """A line of a skeleton; a spur has a free end, and a short one is only a bulge of the ink."""

    points: Points
    is_loop: bool = False
    is_spur: bool = False
    free_ends: int = 0


def _walk(bones: Bits) -> list[_Line]:
    """Return the lines of a skeleton: from each end or branching to the next, and closed loops."""
    pixels = {(int(y), int(x)) for y, x in np.argwhere(bones)}
    near = {pixel: _near(pixel, pixels) for pixel in pixels}
    nodes = {pixel for pixel, others in near.items() if len(others) != 2}
    used: set[frozenset[tuple[int, int]]] = set()
    lines: list[_Line] = []
    for start in sorted(nodes):
        for step in near[start]:
            if frozenset((start, step)) in used:
                continue
            points = _follow(start, step, near, nodes, used)
            ends = (near[start], near[int(points[-1][1]), int(points[-1][0])])
            # A line with two free ends stands alone, however short.
            free = sum(len(end) == 1 for end in ends)
            lines.append(_Line(points, is_spur=free == 1, free_ends=free))
    for start in sorted(pixels - nodes):
        if any(frozenset((start, step)) in used for step in near[start]):
            continue
        loop = _follow(start, near[start][0], near, {start}, used)
        lines.append(_Line(loop, is_loop=True))
    return [line for line in lines if len(line.points) > 1]


def _near(pixel: tuple[int, int], pixels: set[tuple[int, int]]) -> list[tuple[int, int]]:
    """Return the neighbours of a pixel; a diagonal one only where no straight step leads there."""
    y, x = pixel
    found = [(y + dy, x + dx) for dy, dx in _NEIGHBOURS if (y + dy, x + dx) in pixels]
    straight = {(v, u) for v, u in found if v == y or u == x}
    return [(v, u) for v, u in found if (v, u) in straight or not ({(v, x), (y, u)} & straight)]


def _follow(
    start: tuple[int, int],
    step: tuple[int, int],
    near: dict[tuple[int, int], list[tuple[int, int]]],
    ends: set[tuple[int, int]],
    used: set[frozenset[tuple[int, int]]],
) -> Points:
    line, previous, at = [start], start, step
    used.add(frozenset((start, step)))
    while at not in ends:
        line.append(at)
        onward = [other for other in near[at] if other != previous and frozenset((at, other)) not in used]
        if not onward:
            break
        used.add(frozenset((at, onward[0])))
        previous, at = at, onward[0]
    line.append(at)
    return np.array([(x, y) for y, x in line], float)


def _calmed(line: Points, closed: bool) -> Points:
    """Take the steps of the pixels out of a line, its ends kept."""
    if len(line) < 5:
        return line
    padded = np.vstack([line[-3:-1], line, line[1:3]]) if closed else np.pad(line, ((2, 2), (0, 0)), mode="edge")
    weight = np.array([1, 4, 6, 4, 1]) / 16
    calm = np.column_stack([np.convolve(padded[:, k], weight, mode="valid") for k in (0, 1)])
    if not closed:
        calm[0], calm[-1] = line[0], line[-1]
    return calm


def _simplified(line: Points, closed: bool, tolerance: float) -> Points:
    """Return fewer points of a line; a loop still ends where it begins."""
    around = line[:-1] if closed else line
    kept = np.asarray(cv2.approxPolyDP(around.astype(np.float32)[:, None, :], tolerance, closed)[:, 0, :], float)
    return np.vstack([kept, kept[:1]]) if closed else kept


def _as_path(lines: list[Points], closed: list[bool]) -> Path:
    """Return smooth curves through the points of lines: each leaves a point in the direction of its neighbours."""
    segments, contour = [], []
    for number, (line, is_loop) in enumerate(zip(lines, closed, strict=True)):
        step = np.diff(line, axis=0)
        if is_loop:
            ahead = np.vstack([step, step[:1]])
            slope = ahead + np.vstack([step[-1:], step])
        else:
            slope = np.gradient(line, axis=0) if len(line) > 2 else np.repeat(step, 2, axis=0)
        unit = slope / np.maximum(np.linalg.norm(slope, axis=1, keepdims=True), 1e-9)
        length = np.linalg.norm(step, axis=1, keepdims=True) / 3
        controls = np.stack([line[:-1], line[:-1] + unit[:-1] * length, line[1:] - unit[1:] * length, line[1:]], axis=1)
        segments.append(controls)
        contour += [number] * len(controls)
    if not segments:
        return Path(np.empty((0, 4, 2)), np.empty(0, bool), np.empty(0, np.intp), ())
    stacked = np.concatenate(segments)
    return Path(stacked, np.zeros(len(stacked), bool), np.array(contour, np.intp), tuple(closed))
