"""The sheet of paper in a photo: found where it lies, and not where there is none."""

import io

import cv2
import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from PIL import Image

from dunestead.core.artwork.trace.paper import straightened
from dunestead.core.artwork.trace.proportions import proportion_of
from dunestead.core.artwork.trace.sheet import find_sheet
from dunestead.demo.scan import CORNERS, scan_of_gull
from tests.photos import Shot, corners_of, homography, photo_of

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


TABLES = [
    ("dark", False, False),
    ("wood", False, False),
    ("white", False, False),
    ("wood", True, False),
    ("dark", True, False),
    ("wood", False, True),
]
SHEETS = [(210.0, 297.0), (297.0, 210.0), (216.0, 279.0), (200.0, 200.0), (180.0, 260.0)]


def sketch(sheet: tuple[float, float]) -> np.ndarray:
    wide, high = (round(side * 3) for side in sheet)
    drawn = np.full((high, wide), 245, np.uint8)
    cv2.circle(drawn, (wide // 2, high // 2), min(wide, high) // 4, 20, -1)
    cv2.rectangle(drawn, (wide // 5, high // 6), (wide * 4 // 5, high // 4), 30, 8)
    return drawn


def test_sixty_photos_are_cut_out_and_have_the_proportions_of_their_sheets() -> None:
    """Tilts up to 24 degrees; on dark, wooden and white tables, under a hard shadow, and beside a second sheet."""
    dice = np.random.default_rng(20261201)
    found, off = 0, dict[tuple[float, float], list[float]]()
    for number in range(60):
        (on, shadow, second), sheet = TABLES[number % len(TABLES)], SHEETS[number % len(SHEETS)]
        lean, towards = dice.uniform(0, 24), dice.uniform(0, 2 * np.pi)
        shot = Shot(
            tilt=lean * np.cos(towards),
            sideways=lean * np.sin(towards),
            roll=dice.uniform(-8, 8),
            focal=dice.uniform(0.7, 1.0),
            fills=dice.uniform(0.55, 0.75),
            size=(1280, 960),
        )
        grey = photo_of(sketch(sheet), sheet, shot, dice, on=on, shadow=shadow, second=second)
        corners = find_sheet(grey)
        if (
            corners is None
            or np.abs(np.array(corners) * (1279, 959) - corners_of(homography(shot, sheet), sheet)).max() > 12
        ):
            continue
        found += 1
        high, wide = straightened(grey, corners).shape
        off.setdefault(sheet, []).append(abs(wide / high / (sheet[0] / sheet[1]) - 1))

    assert found >= 57
    assert max(error for sheet in SHEETS[:3] for error in off[sheet]) < 0.01
    # What is not sold so is less well known, and one of them lies within 2 % of A4.
    assert max(off[SHEETS[3]]) < 0.02
    assert max(off[SHEETS[4]]) < 0.023


@given(tilt=st.floats(8, 24), sideways=st.floats(-24, -8), focal=st.floats(0.65, 1.1))
def test_the_proportions_of_a_sold_sheet_are_told_from_its_corners_alone(tilt, sideways, focal) -> None:
    shot = Shot(tilt, sideways, focal=focal)
    for sheet in SHEETS[:3]:
        corners = corners_of(homography(shot, sheet), sheet) / (1599, 1199)
        seen = tuple((x, y) for x, y in corners.tolist())
        assert proportion_of(seen, (1600, 1200)) == pytest.approx(sheet[0] / sheet[1], rel=1e-6)
