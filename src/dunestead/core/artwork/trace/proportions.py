"""How wide is a photographed sheet for its height? As a pinhole camera sees it, and as paper is sold."""

import numpy as np
import numpy.typing as npt

from dunestead.core.artwork.trace.settings import Corners

__all__ = ["proportion_of"]

Array = npt.NDArray[np.float64]
# Sheets as they are sold: width by height, and lying down.
_A4, _LETTER = 210 / 297, 216 / 279
_SOLD = (_A4, _LETTER, 1 / _LETTER, 1 / _A4)
# A sheet is taken for one of them that lies as near, as a share: the less that is known, the further.
_NEAR, _FURTHEST, _SPREADS = 0.02, 0.05, 2.5
# Focal lengths, in longer sides of the picture; the usual ones of phones lie around the middle.
_FOCAL: Array = np.geomspace(0.4, 3.0, 120)
_USUAL, _USUAL_SPREAD = 0.85, 0.22
# Corners are known to so much of the longer side; how often they are moved by that to see what hangs on it.
_CORNER, _MOVED = 0.0012, 48


def proportion_of(corners: Corners, size: tuple[int, int]) -> float:
    """Return a sheet's width over its height.

    Parameters
    ----------
    corners
        From its top left clockwise, as shares of the picture's width and height.
    size
        Of the picture, pixels.

    Notes
    -----
    A rectangle's four corners tell the camera's focal length, as its sides stand at right angles, and with that its
    proportions (Zhang and He, *Whiteboard scanning and image enhancement*, 2007). Looked at from nearly above they
    hardly tell it; then what is usual goes. Proportions near those of a sold sheet are taken for them.
    """
    wide, high = size
    longer = float(max(size))
    places = (np.array(corners) - 0.5) * (np.array([wide, high]) - 1) / longer
    dice = np.random.default_rng(0)
    moved = places + np.concatenate([np.zeros((1, 4, 2)), dice.normal(0, _CORNER, (_MOVED, 4, 2))])
    ratio, skew = _seen(moved)
    unsure = np.maximum(skew.std(axis=0), 1e-4)
    weight = np.exp(-((skew[0] / unsure) ** 2) / 2 - ((np.log(_FOCAL / _USUAL) / _USUAL_SPREAD) ** 2) / 2)
    weight /= weight.sum()
    mean = float(weight @ np.log(ratio[0]))
    spread = float(np.sqrt(weight @ (np.log(ratio[0]) - mean) ** 2 + (weight @ ratio.std(axis=0) / np.exp(mean)) ** 2))
    found = float(np.exp(mean))
    sold = min(_SOLD, key=lambda one: abs(np.log(one / found)))
    near = min(max(_NEAR, _SPREADS * spread), _FURTHEST)
    return sold if abs(np.log(sold / found)) < near else found


def _seen(places: Array) -> tuple[Array, Array]:
    """Return width over height by focal length, and the cosine of the angle between the sides; shapes (n, f)."""
    points = np.concatenate([places, np.ones((*places.shape[:2], 1))], axis=2)
    first, second, fourth, third = (points[:, k] for k in range(4))

    def triple(a: Array, b: Array, c: Array) -> Array:
        found: Array = (np.cross(a, b) * c).sum(axis=1)
        return found

    across = (triple(first, fourth, third) / triple(second, fourth, third))[:, None] * second - first
    down = (triple(first, fourth, second) / triple(third, fourth, second))[:, None] * third - first
    focal = _FOCAL[None, :] ** 2

    def product(a: Array, b: Array) -> Array:
        found: Array = (a[:, :2] * b[:, :2]).sum(axis=1)[:, None] / focal + (a[:, 2] * b[:, 2])[:, None]
        return found

    wide, high = product(across, across), product(down, down)
    return np.sqrt(wide / high), product(across, down) / np.sqrt(wide * high)
