"""Slits that no knife leaves fingerprint."""

import numpy as np
import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st

from dunestead.core.geometry.hairs import close_hairs, touching_places
from dunestead.core.mask.loose import cut_mask
from tests.shapes import noisy_disc, painted, polygon, rect


def broken_ring(gap: float) -> str:
    """Draw a square ring, 40 outside and 20 inside, with a slit through its right side."""
    low, high = 20 - gap / 2, 20 + gap / 2
    inside = [(30, low), (30, 10), (10, 10), (10, 30), (30, 30), (30, high)]
    return polygon([(40, low), *inside, (40, high), (40, 40), (0, 40), (0, 0), (40, 0)])


@pytest.mark.parametrize(("gap", "loose"), [(0.001, 1), (0.003, 1), (0.006, 0), (0.2, 0)])
def test_what_hangs_by_a_hair_alone_is_loose(gap: float, loose: int) -> None:
    assert len(cut_mask(painted(broken_ring(gap), 40.0), 20.0).loose) == loose


@pytest.mark.parametrize(
    "body", [rect(0, 0, 40, 0.02) + rect(0, 20, 40, 5), noisy_disc(5000, 30, 0.02), rect(0, 0, 60, 60, 'rx="12"')]
)
def test_fine_strokes_and_dense_edges_are_left_as_they_are(body: str) -> None:
    region = painted(body, 60.0).region

    assert close_hairs(region, 0.04) is region


@settings(max_examples=30, deadline=None)
@given(gap=st.one_of(st.floats(0.005, 0.039), st.floats(0.041, 0.5)), turn=st.floats(0, 90))
def test_closing_adds_next_to_nothing_and_takes_nothing_away(gap: float, turn: float) -> None:
    region = shapely.affinity.rotate(
        shapely.MultiPolygon([shapely.box(0, 0, 5, 10), shapely.box(5 + gap, 0, 10, 10)]), turn
    )

    closed = close_hairs(region, 0.04)

    assert shapely.difference(region, closed).area < 1e-4
    assert closed.area - region.area < 0.5
    assert (len(closed.geoms) == 1) == (gap < 0.04)


def test_a_slit_is_closed_beside_a_crowd_of_corners() -> None:
    slit = [shapely.box(0, 0, 5, 10), shapely.box(5.01, 0, 10, 10)]
    turn = np.linspace(0, 2 * np.pi, 4_000, endpoint=False)
    crowd = shapely.Polygon(np.column_stack([np.cos(turn), np.sin(turn)]) * 0.02 + 50)

    closed = close_hairs(shapely.MultiPolygon([*slit, crowd]), 0.04)

    assert len(closed.geoms) == 2
    assert shapely.area(closed) == pytest.approx(100 + shapely.area(crowd), rel=1e-3)


def test_thousands_that_touch_in_one_spot_are_one_place_and_another_spot_is_another() -> None:
    """As where a point far off a drawing leaves all the rest of it next to nothing in size."""
    spots = [
        shapely.box(x + 0.002 * i, 0.002 * j, x + 0.002 * i + 0.001, 0.002 * j + 0.001)
        for x in (0.0, 500.0)
        for i in range(30)
        for j in range(30)
    ]

    places = touching_places(shapely.MultiPolygon(spots), 0.09)

    assert sorted(round(x / 500) for x in places[:, 0].tolist()) == [0, 1]
