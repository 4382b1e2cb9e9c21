"""A photographed sheet laid flat and evenly lit."""

import cv2
import numpy as np
import numpy.typing as npt

from dunestead.core.artwork.trace.proportions import proportion_of
from dunestead.core.artwork.trace.settings import Corners

__all__ = ["Grey", "evened", "straightened"]

Grey = npt.NDArray[np.uint8]
_TILES = 24
# Paper is what is brighter than this share of a tile; a tile darker than its neighbourhood by more is all ink.
_PAPER_SHARE, _IS_PAPER = 90, 0.86
_ROUNDS = 8
_WHITE = 240.0
_LARGEST_SIDE = 6000


def straightened(grey: Grey, corners: Corners) -> Grey:
    """Return the sheet between four corners as seen from straight above.

    Parameters
    ----------
    grey
        Shape ``(h, w)``.
    corners
        From the sheet's top left clockwise, as shares of width and height.

    Notes
    -----
    It has the proportions that the camera saw, and its longest edge is as long as in the picture.
    """
    height, width = grey.shape
    source = np.array(corners, np.float32) * np.array([width - 1, height - 1], np.float32)
    edge = np.linalg.norm(np.roll(source, -1, axis=0) - source, axis=1)
    ratio = proportion_of(corners, (width, height))
    seen_across, seen_down = max(edge[0], edge[2]), max(edge[1], edge[3])
    tall = min(max(seen_down, seen_across / ratio, 16 / min(ratio, 1.0)), _LARGEST_SIDE / max(ratio, 1.0))
    across, down = round(tall * ratio), round(tall)
    target = np.array([(0, 0), (across - 1, 0), (across - 1, down - 1), (0, down - 1)], np.float32)
    carry = cv2.getPerspectiveTransform(source, target)
    flat = cv2.warpPerspective(grey, carry, (across, down), flags=cv2.INTER_CUBIC, borderMode=cv2.BORDER_REPLICATE)
    return flat.astype(np.uint8)


def evened(grey: Grey) -> Grey:
    """Return a picture with the light over its paper made even, the paper at about 240.

    Notes
    -----
    The paper's brightness is known in tiles that show any. A surface of third degree is laid through
    them, those that fall below it are taken for ink and left out, and so on until it settles.
    """
    height, width = grey.shape
    if min(height, width) < _TILES:
        # Too few pixels to tell light from ink.
        return grey
    bright, place = _tile_brightness(grey)
    light = _surface(bright, place)
    known = bright > _IS_PAPER * light
    # Where paper shows, its own brightness tells more than the surface does.
    mended = np.where(known, bright, light).reshape(_TILES, _TILES).astype(np.float32)
    smooth = cv2.GaussianBlur(mended, (0, 0), 1.2, borderType=cv2.BORDER_REPLICATE)
    full = cv2.resize(smooth, (width, height), interpolation=cv2.INTER_CUBIC)
    even: Grey = np.clip(grey / np.maximum(full, 8.0) * _WHITE, 0, 255).astype(np.uint8)
    return even


def _tile_brightness(grey: Grey) -> tuple[npt.NDArray[np.float64], npt.NDArray[np.float64]]:
    """Return how bright the paper of each tile is, and its middle from -1 to 1 on both axes."""
    calm = cv2.GaussianBlur(grey, (0, 0), 1.5)
    rows = np.array_split(calm, _TILES, axis=0)
    bright = [np.percentile(tile, _PAPER_SHARE) for row in rows for tile in np.array_split(row, _TILES, axis=1)]
    middle = (np.arange(_TILES) + 0.5) / _TILES * 2 - 1
    y, x = np.meshgrid(middle, middle, indexing="ij")
    return np.array(bright), np.column_stack([x.ravel(), y.ravel()])


def _surface(bright: npt.NDArray[np.float64], place: npt.NDArray[np.float64]) -> npt.NDArray[np.float64]:
    x, y = place.T
    basis = np.column_stack([x**i * y**j for i in range(4) for j in range(4 - i)])
    kept = bright >= np.percentile(bright, 40)
    light = np.full(len(bright), float(np.percentile(bright, 90)))
    for _ in range(_ROUNDS):
        degree = basis if kept.sum() > 3 * basis.shape[1] else basis[:, :1]
        light = degree @ np.linalg.lstsq(degree[kept], bright[kept], rcond=None)[0]
        settled = bright > _IS_PAPER * light
        if (settled == kept).all() or not settled.any():
            break
        kept = settled
    clipped: npt.NDArray[np.float64] = np.clip(light, 8.0, 300.0)
    return clipped
