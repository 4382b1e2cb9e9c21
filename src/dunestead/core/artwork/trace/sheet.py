"""Where in a photo does the sheet of paper lie? Its four corners are proposed, and need no finding by hand."""

from functools import lru_cache

import cv2
import numpy as np
import numpy.typing as npt

from dunestead.core.artwork.trace.edges import sheet_by_edges
from dunestead.core.artwork.trace.outline import Picture
from dunestead.core.artwork.trace.settings import Corners

__all__ = ["find_sheet", "sheet_of"]

# Looked at no larger than this: corners to a pixel of it are near enough to be proposed.
_SIDE = 800
# A sheet covers at least so much of a photo of it; more than the most and it is the whole picture.
_LEAST_SHARE, _MOST_SHARE = 0.15, 0.97
# Photographed askew, corners of a sheet are no sharper and no blunter than these.
_SHARPEST, _BLUNTEST = 55.0, 125.0
# How far the outline may stray from four straight sides, as a share of its length.
_STRAY = (0.015, 0.025, 0.04)


@lru_cache(maxsize=64)
def sheet_of(picture: Picture) -> Corners | None:
    """Return the corners of the sheet in a picture, as `find_sheet` does; found once."""
    return find_sheet(picture.grey)


def find_sheet(grey: npt.NDArray[np.uint8]) -> Corners | None:
    """Return the corners of a bright sheet on a darker table, from the top left clockwise, as shares of the picture.

    None where no sheet stands out: a drawing that fills the picture, a scan, a table as bright as the paper.

    Parameters
    ----------
    grey
        The picture, rows by columns.
    """
    high, wide = grey.shape
    scale = min(1.0, _SIDE / max(high, wide))
    small = cv2.resize(grey, None, fx=scale, fy=scale, interpolation=cv2.INTER_AREA) if scale < 1 else grey
    seen = sheet_by_edges(small.astype(np.uint8))
    if seen is not None:
        return _in_order(seen / (np.array(small.shape[::-1]) - 1))
    for bright in _bright(small.astype(np.uint8)):
        if (corners := _quadrangle(bright)) is not None:
            return corners
    return None


def _bright(grey: npt.NDArray[np.uint8]) -> list[npt.NDArray[np.uint8]]:
    """Return what is brighter than the rest: by one threshold, and with the light evened out across the picture."""
    calm = cv2.medianBlur(grey, 7)
    _, plain = cv2.threshold(calm, 0, 255, cv2.THRESH_BINARY + cv2.THRESH_OTSU)
    y, x = np.mgrid[0 : grey.shape[0], 0 : grey.shape[1]]
    terms = np.column_stack([np.ones(grey.size), x.ravel() / grey.shape[1], y.ravel() / grey.shape[0]])
    # The light falls off across the table as across the paper: what is left is paper or table.
    bright = plain.ravel() > 0
    slope = np.linalg.lstsq(terms[bright], calm.ravel()[bright].astype(float), rcond=None)[0] if bright.any() else None
    if slope is None:
        return [np.asarray(plain, np.uint8)]
    lit = np.clip((terms @ slope).reshape(grey.shape), 1.0, None)
    even = np.clip(calm / lit * 200.0, 0, 255).astype(np.uint8)
    _, evened = cv2.threshold(even, 0, 255, cv2.THRESH_BINARY + cv2.THRESH_OTSU)
    return [np.asarray(evened, np.uint8), np.asarray(plain, np.uint8)]


def _quadrangle(bright: npt.NDArray[np.uint8]) -> Corners | None:
    high, wide = bright.shape
    reach = max(3, round(max(high, wide) / 60)) | 1
    # What is drawn on the sheet is part of it, up to its edge.
    whole = cv2.morphologyEx(bright, cv2.MORPH_CLOSE, np.ones((reach, reach), np.uint8))
    whole = cv2.morphologyEx(whole, cv2.MORPH_OPEN, np.ones((reach, reach), np.uint8))
    outlines, _ = cv2.findContours(whole, cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)
    if not outlines:
        return None
    outline = cv2.convexHull(max(outlines, key=cv2.contourArea))
    share = cv2.contourArea(outline) / max((high - 1) * (wide - 1), 1)
    if not _LEAST_SHARE <= share <= _MOST_SHARE:
        return None
    for stray in _STRAY:
        found = cv2.approxPolyDP(outline, stray * cv2.arcLength(outline, True), True)[:, 0, :].astype(float)
        if len(found) == 4 and cv2.contourArea(found.astype(np.float32)) >= 0.93 * cv2.contourArea(outline):
            return _in_order(found / (wide - 1, high - 1)) if _like_a_sheet(found) else None
    return None


def _like_a_sheet(corners: npt.NDArray[np.float64]) -> bool:
    before, after = np.roll(corners, 1, axis=0) - corners, np.roll(corners, -1, axis=0) - corners
    sizes = np.hypot(*before.T) * np.hypot(*after.T)
    angles = np.degrees(np.arccos(np.clip((before * after).sum(axis=1) / np.maximum(sizes, 1e-9), -1, 1)))
    return bool(np.all((angles >= _SHARPEST) & (angles <= _BLUNTEST)))


def _in_order(corners: npt.NDArray[np.float64]) -> Corners:
    """Return corners from the top left clockwise, as one looks at the picture."""
    middle = corners.mean(axis=0)
    around = corners[np.argsort(np.arctan2(corners[:, 1] - middle[1], corners[:, 0] - middle[0]))]
    first = int(np.argmin(around.sum(axis=1)))
    a, b, c, d = ((float(np.clip(x, 0, 1)), float(np.clip(y, 0, 1))) for x, y in np.roll(around, -first, axis=0))
    return (a, b, c, d)
