"""Strokes outlined: widths, caps, joins, dashes; areas worked out by hand."""

import math

import numpy as np
import pytest

from dunestead.core.errors import ArtworkRefused
from dunestead.core.geometry.curves import Polyline
from dunestead.core.geometry.strokes import Pen, outline_strokes

FINE = 0.001


def line(*points: tuple[float, float], closed: bool = False) -> Polyline:
    return Polyline(np.array(points, float), np.ones(len(points), bool), closed)


STRAIGHT = line((0, 0), (10, 0))
CORNER = line((0, 0), (10, 0), (10, 10))
SQUARE = line((0, 0), (10, 0), (10, 10), (0, 10), closed=True)
DOT = line((5, 5))
# A turn back of 160 degrees: the mitre would be 1 / sin(10 degrees) = 5.76 widths long.
SHARP = line((0, 0), (10, 0), (10 - 10 * math.cos(math.radians(20)), 10 * math.sin(math.radians(20))))


@pytest.mark.parametrize(
    ("shape", "pen", "area"),
    [
        (STRAIGHT, Pen(2), 20),
        (STRAIGHT, Pen(2, cap="square"), 24),
        (STRAIGHT, Pen(2, cap="round"), 20 + math.pi),
        (CORNER, Pen(2), 40),
        (CORNER, Pen(2, join="bevel"), 40 - 0.5),
        (CORNER, Pen(2, join="round"), 40 - 1 + math.pi / 4),
        (CORNER, Pen(2, miter_limit=1.0), 40 - 0.5),
        (SQUARE, Pen(2), 144 - 64),
        (SQUARE, Pen(2, join="round"), 144 - 64 - 4 + math.pi),
        (DOT, Pen(2, cap="round"), math.pi),
        (DOT, Pen(2, cap="square"), 4),
        (DOT, Pen(2), 0),
        (STRAIGHT, Pen(2, dashes=(2.0, 3.0)), 8),
        (STRAIGHT, Pen(2, dashes=(2.0, 3.0), dash_offset=1.0), 2 * (1 + 2 + 1)),
        (STRAIGHT, Pen(2, dashes=(2.0,)), 2 * (2 + 2 + 2)),
        (STRAIGHT, Pen(2, dashes=(2.0, 3.0), dash_offset=-4.0), 2 * (1 + 2 + 1)),
        (STRAIGHT, Pen(2, cap="round", dashes=(2.0, 6.0)), 2 * (2 * 2 + math.pi)),
    ],
)
def test_a_stroke_paints_its_visible_area(shape: Polyline, pen: Pen, area: float) -> None:
    assert outline_strokes([shape], pen, FINE).area == pytest.approx(area, abs=0.01)


def test_a_mitre_over_its_limit_is_bevelled_not_cut_short() -> None:
    bevelled = outline_strokes([SHARP], Pen(2, join="bevel"), FINE)

    assert outline_strokes([SHARP], Pen(2, miter_limit=5.7), FINE).area == pytest.approx(bevelled.area)
    mitred = outline_strokes([SHARP], Pen(2, miter_limit=5.8), FINE)
    assert mitred.bounds[2] > 10 + 5.6


def test_a_dashed_corner_keeps_its_join() -> None:
    dashed = outline_strokes([CORNER], Pen(2, dashes=(9.0, 100.0), dash_offset=-6.0), FINE)

    assert dashed.bounds == pytest.approx((6, -1, 11, 5))


def test_dashes_beyond_counting_are_refused() -> None:
    with pytest.raises(ArtworkRefused, match="dashes"):
        outline_strokes([STRAIGHT], Pen(1, dashes=(1e-5, 1e-5)), FINE)


def test_no_lines_paint_nothing() -> None:
    assert outline_strokes([], Pen(2), FINE).is_empty
