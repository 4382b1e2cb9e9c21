"""A sheet of paper by its four straight edges: found where the table is as bright as it, or a shadow falls over it."""

from itertools import combinations
from typing import Any

import cv2
import numpy as np
import numpy.typing as npt

__all__ = ["sheet_by_edges"]

Array = npt.NDArray[np.float64]
# Edges shorter than this share of the picture's longer side are grain; so many lines, the longest, are looked at.
_SHORTEST, _MOST_LINES, _MOST_PIECES = 0.03, 40, 400
# An edge is clear where it stands out by so much, as a logarithm; more makes it no likelier to be the sheet's.
_CLEAR = 0.3
# Pieces of one edge: degrees they may differ in direction, and pixels they may lie off its line.
_TURNED, _BESIDE = 2.5, 2.5
# Opposite sides of a sheet seen askew run together by no more than this, degrees; and its corners.
_CONVERGE, _SHARPEST, _BLUNTEST = 32.0, 52.0, 128.0
# A sheet covers at least so much of the picture.
_LEAST_SHARE = 0.1
# How far inside and outside an edge is looked, pixels: close by, and beyond the width of a drawn line.
_NEAR, _FAR = (2.0, 3.5, 5.0), (11.0, 15.0, 19.0)
# Paper is brighter than what lies beside it by at least this, as a logarithm; along so much of each side, and in all.
_BRIGHTER, _LEAST_SIDE, _LEAST_ALL = 0.011, 0.72, 0.86
# So much darker close to its edge may paper be than further in.
_SAME_PAPER = 0.12
_SAMPLES, _TRIED = 48, 500


def sheet_by_edges(grey: npt.NDArray[np.uint8]) -> Array | None:
    """Return the corners of a sheet, pixels in order around it; None where no four edges make one.

    Parameters
    ----------
    grey
        The picture, rows by columns, no larger than is needed to see the sheet.

    Notes
    -----
    Straight edges are put together to four-sided figures. Of those whose inside is brighter than what lies just
    outside, all along all four sides, the largest that is borne out best is the sheet. A shadow darkens paper and
    table by the same share, so all is compared in logarithms.
    """
    light = np.log(np.maximum(cv2.GaussianBlur(grey, (0, 0), 1.0).astype(float), 4.0))
    lines = _lines(grey, light)
    if len(lines) < 4:
        return None
    figures = _figures(lines, grey.shape)
    if not len(figures):
        return None
    borne, even = _borne_out(figures, light)
    areas = _areas(figures) / grey.size
    score = borne.mean(axis=1) ** 3 * borne.min(axis=1) ** 2 * areas**0.35 * even**0.5
    score[(borne.min(axis=1) < _LEAST_SIDE) | (borne.mean(axis=1) < _LEAST_ALL)] = 0
    best = int(score.argmax())
    return figures[best] if score[best] > 0 else None


def _lines(grey: npt.NDArray[np.uint8], light: Array) -> Array:
    """Return the longest and clearest edges as ``a x + b y + c``, above 0 on their brighter side; shape (n, 4).

    The fourth value is how many pixels of edge lie on each.
    """
    calm = cv2.bilateralFilter(grey, 7, 18, 5)
    found: Any = cv2.createLineSegmentDetector(cv2.LSD_REFINE_STD, 0.8, 0.6, 1.0, 22.5, 0.0, 0.6).detect(calm)[0]
    if found is None:
        return np.empty((0, 4))
    ends = found.reshape(-1, 2, 2).astype(float)
    length = np.hypot(*(ends[:, 1] - ends[:, 0]).T)
    kept = length > _SHORTEST * max(grey.shape)
    ends, length = ends[kept], length[kept]
    along = (ends[:, 1] - ends[:, 0]) / length[:, None]
    # The detector goes along an edge with its brighter side on one hand always.
    normal = np.column_stack([-along[:, 1], along[:, 0]])
    places = ends[:, :1] + (ends[:, 1:] - ends[:, :1]) * np.linspace(0.1, 0.9, 9)[None, :, None]
    sides = (_at(light, places + side * normal[:, None] * _NEAR[1]).mean(axis=1) for side in (1, -1))
    order = np.argsort(-length * np.minimum(np.abs(np.subtract(*sides)), _CLEAR))[:_MOST_PIECES]
    ends, length, along, normal = ends[order], length[order], along[order], normal[order]
    lines: list[Array] = []
    left = np.ones(len(ends), bool)
    for k in range(len(ends)):
        if not left[k] or len(lines) >= _MOST_LINES:
            continue
        same = left & (along @ along[k] > np.cos(np.radians(_TURNED)))
        same &= (np.abs((ends - ends[k].mean(axis=0)) @ normal[k]) < _BESIDE).all(axis=1)
        left &= ~same
        lines.append(_through(ends[same], length[same], normal[k]))
    return np.array(sorted(lines, key=lambda line: -line[3]))


def _through(ends: Array, length: Array, normal: Array) -> Array:
    """Return the line through pieces of an edge, each by its length."""
    points, weight = ends.reshape(-1, 2), np.repeat(length, 2)
    middle = (points * weight[:, None]).sum(axis=0) / weight.sum()
    spread = ((points - middle) * weight[:, None]).T @ (points - middle)
    across = np.linalg.eigh(spread)[1][:, 0]
    across = across if across @ normal > 0 else -across
    return np.array([*across, -across @ middle, length.sum()])


def _figures(lines: Array, shape: tuple[int, ...]) -> Array:
    """Return four-sided figures of these lines, the likeliest, with their corners in order around; shape (n, 4, 2)."""
    angle = np.degrees(np.arctan2(lines[:, 1], lines[:, 0]))
    pairs = [(i, j) for i, j in combinations(range(len(lines)), 2) if _apart(angle[i], angle[j]) < _CONVERGE]
    if len(pairs) < 2:
        return np.empty((0, 4, 2))
    one = np.array(pairs)
    first, second = np.triu_indices(len(one), 1)
    sides = np.stack([one[first, 0], one[second, 0], one[first, 1], one[second, 1]], axis=1)
    crossing = np.abs(_turn(angle[sides[:, 0]] - angle[sides[:, 1]]))
    sides = sides[(np.minimum(crossing, 180 - crossing) > _SHARPEST - _CONVERGE / 2)]
    corners = np.stack([_crossing(lines[sides[:, k - 1]], lines[sides[:, k]]) for k in range(4)], axis=1)
    high, wide = shape[:2]
    slack = 0.03 * max(shape)
    fits = np.isfinite(corners).all(axis=(1, 2)) & (corners > -slack).all(axis=(1, 2))
    fits &= (corners < np.array([wide, high]) + slack).all(axis=(1, 2))
    corners, sides = corners[fits], sides[fits]
    like = _like_a_sheet(corners)
    corners, sides = corners[like], sides[like]
    areas = _areas(corners) / (high * wide)
    # Most of each side must have been seen as an edge somewhere along it.
    edge = np.hypot(*np.moveaxis(corners - np.roll(corners, -1, axis=1), 2, 0))
    seen = np.minimum(lines[sides, 3] / np.maximum(edge, 1), 1).min(axis=1)
    score = seen * areas**0.35 * (areas > _LEAST_SHARE)
    best = np.argsort(-score)[:_TRIED]
    found: Array = corners[best[score[best] > 0]]
    return found


def _like_a_sheet(corners: Array) -> npt.NDArray[np.bool_]:
    """Say of each figure whether it goes once around, and is no sharper at a corner than a sheet seen askew."""
    before, after = np.roll(corners, 1, axis=1) - corners, np.roll(corners, -1, axis=1) - corners
    sizes = np.hypot(before[..., 0], before[..., 1]) * np.hypot(after[..., 0], after[..., 1])
    corner = np.degrees(np.arccos(np.clip((before * after).sum(axis=2) / np.maximum(sizes, 1e-9), -1, 1)))
    turns = before[..., 0] * after[..., 1] - before[..., 1] * after[..., 0]
    goes_round = (turns > 0).all(axis=1) | (turns < 0).all(axis=1)
    found: npt.NDArray[np.bool_] = ((corner > _SHARPEST) & (corner < _BLUNTEST)).all(axis=1) & goes_round
    return found


def _turn(angle: Array) -> Array:
    return (angle + 180) % 360 - 180


def _apart(one: float, other: float) -> float:
    """Return by how many degrees two lines differ in direction, either way along them."""
    turn = abs(one - other) % 180
    return float(min(turn, 180 - turn))


def _crossing(one: Array, other: Array) -> Array:
    """Return where lines cross, pair by pair; shape (n, 2)."""
    det = one[:, 0] * other[:, 1] - other[:, 0] * one[:, 1]
    det = np.where(np.abs(det) < 1e-9, np.nan, det)
    x = (one[:, 1] * other[:, 2] - other[:, 1] * one[:, 2]) / det
    y = (other[:, 0] * one[:, 2] - one[:, 0] * other[:, 2]) / det
    return np.column_stack([x, y])


def _areas(corners: Array) -> Array:
    ahead = np.roll(corners, -1, axis=1)
    found: Array = np.abs((corners[..., 0] * ahead[..., 1] - corners[..., 1] * ahead[..., 0]).sum(axis=1)) / 2
    return found


def _borne_out(figures: Array, light: Array) -> tuple[Array, Array]:
    """Return along which share of each side of each figure its inside is the brighter, and how alike its sides are.

    Shapes (n, 4) and (n,): paper stands out from its table by much the same on all sides, shadow or not.
    """
    ahead = np.roll(figures, -1, axis=1)
    along = ahead - figures
    size = np.maximum(np.hypot(along[..., 0], along[..., 1]), 1e-9)[..., None]
    inward = np.stack([-along[..., 1], along[..., 0]], axis=2) / size
    towards = figures.mean(axis=1)[:, None] - (figures + ahead) / 2
    inward *= np.sign((inward * towards).sum(axis=2))[..., None]
    steps = np.linspace(0.04, 0.96, _SAMPLES)
    places = figures[:, :, None] + along[:, :, None] * steps[None, None, :, None]
    near, far = (
        [np.mean([_at(light, places + side * inward[:, :, None] * step) for step in reach], axis=0) for side in (1, -1)]
        for reach in (_NEAR, _FAR)
    )
    found = (near[0] - near[1] > _BRIGHTER) & (far[0] - far[1] > _BRIGHTER)
    # What lies close within the edge is the paper already, and no strip of the table.
    found &= near[0] > far[0] - _SAME_PAPER
    stands_out = np.maximum(np.median(far[0] - far[1], axis=2), 1e-3)
    return found.mean(axis=2), stands_out.min(axis=1) / stands_out.max(axis=1)


def _at(light: Array, places: Array) -> Array:
    high, wide = light.shape
    x = np.clip(np.rint(places[..., 0]).astype(int), 0, wide - 1)
    y = np.clip(np.rint(places[..., 1]).astype(int), 0, high - 1)
    found: Array = light[y, x]
    return found
