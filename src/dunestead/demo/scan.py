"""A sheet of paper as a maker photographs it: a pen drawing of a gull, askew, unevenly lit, with grain."""

import io
import math
from collections.abc import Sequence

import cv2
import numpy as np
import numpy.typing as npt
from PIL import Image

__all__ = ["CORNERS", "scan_of_gull"]

_WIDE, _HIGH = 1500, 1100
_PAPER, _INK = 236, 42
_FINER = 4
# Where the sheet's corners lie in the picture, as shares of its width and height.
CORNERS = ((0.075, 0.06), (0.945, 0.03), (0.97, 0.95), (0.045, 0.92))

Points = npt.NDArray[np.float64]


def scan_of_gull() -> bytes:
    """Return the photograph as a JPEG; the same every time."""
    sheet = _drawing()
    corners = np.array([(0, 0), (_WIDE, 0), (_WIDE, _HIGH), (0, _HIGH)], np.float32)
    place = np.array(CORNERS, np.float32) * np.array([_WIDE, _HIGH], np.float32)
    carry = cv2.getPerspectiveTransform(corners, place)
    table = np.full((_HIGH, _WIDE), 96, np.uint8)
    cv2.warpPerspective(sheet, carry, (_WIDE, _HIGH), table, cv2.INTER_AREA, cv2.BORDER_TRANSPARENT)
    x, y = np.meshgrid(np.linspace(0, 1, _WIDE), np.linspace(0, 1, _HIGH))
    lit = table * (1.02 - 0.38 * x**1.5 - 0.16 * y)
    grain = np.random.default_rng(7).normal(0, 5, lit.shape)
    held = io.BytesIO()
    Image.fromarray(np.clip(lit + grain, 0, 255).astype(np.uint8)).save(held, "JPEG", quality=88)
    return held.getvalue()


def _drawing() -> npt.NDArray[np.uint8]:
    """Return the sheet seen from straight above: a gull on a post, its eye and two waves."""
    fine = np.full((_HIGH * _FINER, _WIDE * _FINER), _PAPER, np.uint8)
    for outline, shade in ((_body(), _INK), (_wing(), _PAPER), (_beak(), _INK), (_post(), _INK)):
        cv2.fillPoly(fine, [np.rint(outline * _FINER).astype(np.int32)], shade)
    cv2.circle(fine, (1052 * _FINER, 318 * _FINER), 19 * _FINER, _PAPER, -1)
    for down in (960, 1030):
        across = np.linspace(140, 1360, 200)
        wave = np.column_stack([across, down + 24 * np.sin(across / 62)])
        cv2.polylines(fine, [np.rint(wave * _FINER).astype(np.int32)], False, _INK, 24 * _FINER, cv2.LINE_AA)
    return cv2.resize(fine, (_WIDE, _HIGH), interpolation=cv2.INTER_AREA).astype(np.uint8)


def _closed(knots: Sequence[tuple[float, float]]) -> Points:
    """Return a smooth closed line through knots, as a hand draws it."""
    through = np.array(knots, float)
    before, after = np.roll(through, 1, axis=0), np.roll(through, -1, axis=0)
    slope, onward = (after - before) / 2, np.roll((after - before) / 2, -1, axis=0)
    t = np.linspace(0, 1, 30, endpoint=False)[:, None, None]
    curve = (
        (2 * t**3 - 3 * t**2 + 1) * through
        + (t**3 - 2 * t**2 + t) * slope
        + (3 * t**2 - 2 * t**3) * after
        + (t**3 - t**2) * onward
    )
    points: Points = curve.transpose(1, 0, 2).reshape(-1, 2)
    return points


def _body() -> Points:
    back = [(210, 520), (420, 430), (640, 400), (860, 350), (980, 250), (1090, 240), (1150, 320), (1120, 420)]
    belly = [(1030, 520), (930, 640), (760, 720), (560, 700), (380, 620)]
    return _closed([*back, *belly])


def _wing() -> Points:
    return _closed([(470, 520), (640, 470), (820, 470), (880, 520), (800, 600), (640, 620)])


def _beak() -> Points:
    return np.array([(1140, 300), (1310, 350), (1300, 372), (1140, 380)], float)


def _post() -> Points:
    legs = [(690, 700), (722, 700), (722, 800), (830, 800), (830, 900), (590, 900), (590, 800), (690, 800)]
    return np.array([(x, y + 6 * math.sin(x / 40)) for x, y in legs], float)
