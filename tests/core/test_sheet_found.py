"""The sheet of paper in a photo: found where it lies, and not where there is none."""

import io

import cv2
import numpy as np
import pytest
from PIL import Image

from dunestead.core.artwork.trace.sheet import find_sheet
from dunestead.demo.scan import CORNERS, scan_of_gull

WIDE, HIGH = 900, 660


def photo(seed: int) -> tuple[np.ndarray, np.ndarray]:
    """Return a photo of a sheet askew on a darker table in slanting light, and where its corners are."""
    rng = np.random.default_rng(seed)
    sheet = np.full((HIGH, WIDE), 235, np.uint8)
    for k in range(4):
        cv2.rectangle(sheet, (120 + 180 * k, 150), (200 + 180 * k, 520), 40, -1)
    corners = np.array([(0.14, 0.14), (0.86, 0.14), (0.86, 0.86), (0.14, 0.86)]) + rng.uniform(-0.08, 0.08, (4, 2))
    place = (corners * [WIDE, HIGH]).astype(np.float32)
    carry = cv2.getPerspectiveTransform(np.array([(0, 0), (WIDE, 0), (WIDE, HIGH), (0, HIGH)], np.float32), place)
    table = np.full((HIGH, WIDE), int(rng.uniform(40, 130)), np.uint8)
    cv2.warpPerspective(sheet, carry, (WIDE, HIGH), table, cv2.INTER_AREA, cv2.BORDER_TRANSPARENT)
    x, y = np.meshgrid(np.linspace(0, 1, WIDE), np.linspace(0, 1, HIGH))
    a, b = rng.uniform(-0.25, 0.25, 2)
    lit = table * (1 - abs(a) / 2 - abs(b) / 2 + a * x + b * y) + rng.normal(0, 5, table.shape)
    return np.clip(lit, 0, 255).astype(np.uint8), corners


def test_sheets_askew_in_slanting_light_are_found() -> None:
    found = 0
    for seed in range(30):
        grey, corners = photo(seed)
        told = find_sheet(grey)
        found += told is not None and np.abs(np.array(told) - corners).max() < 0.012

    assert found >= 28


def test_the_sheet_of_the_demo_is_found() -> None:
    grey = np.array(Image.open(io.BytesIO(scan_of_gull())).convert("L"))

    assert np.array(find_sheet(grey)) == pytest.approx(np.array(CORNERS), abs=0.006)


@pytest.mark.parametrize(
    "grey",
    [
        np.full((300, 400), 200, np.uint8),
        np.random.default_rng(3).integers(0, 255, (300, 400)).astype(np.uint8),
        cv2.rectangle(np.full((300, 400), 240, np.uint8), (100, 80), (180, 200), 30, -1),
        cv2.circle(np.full((300, 400), 40, np.uint8), (200, 150), 120, 230, -1),
        np.full((9, 9), 120, np.uint8),
    ],
    ids=["plain", "noise", "a drawing that fills the picture", "a round plate", "tiny"],
)
def test_where_there_is_no_sheet_none_is_proposed(grey: np.ndarray) -> None:
    assert find_sheet(grey) is None
