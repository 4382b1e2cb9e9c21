"""Painted regions as bitmaps, the way a camera or a scanner sees them."""

import cv2
import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

_FINER = 6
PAPER, INK = 232, 38


def bitmap(region: BaseGeometry, width_px: int, margin: float = 0.08) -> np.ndarray:
    """Draw a region, its box's top left at the origin, on paper with a margin as a share of its width.

    Every pixel is the mean of many, so that edges lie where they are to a hundredth of a pixel.
    """
    scale, edge = scale_of(region, width_px), int(width_px * margin)
    high = int(region.bounds[3] * scale) + 2 * edge
    fine = np.full((high * _FINER, (width_px + 2 * edge) * _FINER), PAPER, np.uint8)
    rings = [
        np.round(((shapely.get_coordinates(ring) * scale + edge) * _FINER - 0.5) * 16).astype(np.int32)
        for ring in shapely.get_rings(shapely.get_parts(region))
    ]
    cv2.fillPoly(fine, rings, INK, lineType=cv2.LINE_8, shift=4)
    return cv2.resize(fine, (fine.shape[1] // _FINER, high), interpolation=cv2.INTER_AREA)


def scale_of(region: BaseGeometry, width_px: int) -> float:
    return width_px / region.bounds[2]


def photographed(picture: np.ndarray, *, noise: float = 0.0, light: float = 0.0, turned: float = 0.0) -> np.ndarray:
    """Turn a bitmap by degrees, let the light fall off across it, and add grain."""
    high, wide = picture.shape
    seen = picture.astype(float)
    if turned:
        about = cv2.getRotationMatrix2D((wide / 2, high / 2), turned, 1)
        seen = cv2.warpAffine(seen, about, (wide, high), borderValue=PAPER)
    x, y = np.meshgrid(np.linspace(0, 1, wide), np.linspace(0, 1, high))
    seen = seen * (1 - light * (0.6 * x + 0.4 * y)) + np.random.default_rng(5).normal(0, noise, seen.shape)
    return np.clip(seen, 0, 255).astype(np.uint8)


def overlap(one: BaseGeometry, other: BaseGeometry) -> float:
    """Return intersection over union of two regions."""
    return float(shapely.intersection(one, other).area / shapely.union(one, other).area)
