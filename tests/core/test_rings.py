"""Fill rules: nested, crossing and touching contours."""

import numpy as np
import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st

from dunestead.core.geometry.rings import fill, winding_numbers


def square(x: float, y: float, side: float, *, clockwise: bool = False) -> np.ndarray:
    ring = np.array([(x, y), (x + side, y), (x + side, y + side), (x, y + side)], float)
    return ring[::-1] if clockwise else ring


PENTAGRAM = np.array([(np.sin(k * 4 * np.pi / 5), np.cos(k * 4 * np.pi / 5)) for k in range(5)])
# By hand, for radius 1: the whole star, and the pentagon in its middle.
STAR_AREA, CORE_AREA = 1.1225699, 0.3467
BOWTIE = np.array([(0, 0), (4, 4), (4, 0), (0, 4)], float)


@pytest.mark.parametrize(
    ("contours", "rule", "area"),
    [
        ([square(0, 0, 4)], "nonzero", 16),
        ([square(0, 0, 4), square(1, 1, 2)], "evenodd", 12),
        ([square(0, 0, 4), square(1, 1, 2)], "nonzero", 16),
        ([square(0, 0, 4), square(1, 1, 2, clockwise=True)], "nonzero", 12),
        ([square(0, 0, 6), square(1, 1, 4, clockwise=True), square(2, 2, 2)], "nonzero", 24),
        ([square(0, 0, 6), square(1, 1, 4), square(2, 2, 2)], "evenodd", 24),
        ([square(0, 0, 4), square(2, 2, 4)], "nonzero", 28),
        ([square(0, 0, 4), square(2, 2, 4)], "evenodd", 24),
        ([square(0, 0, 4), square(2, 2, 4, clockwise=True)], "nonzero", 24),
        ([square(0, 0, 4), square(0, 0, 4)], "nonzero", 16),
        ([square(0, 0, 4), square(0, 0, 4)], "evenodd", 0),
        ([square(0, 0, 4), square(4, 0, 4)], "nonzero", 32),
        ([square(0, 0, 2), square(9, 9, 3)], "evenodd", 13),
        ([BOWTIE], "nonzero", 8),
        ([BOWTIE], "evenodd", 8),
        ([], "nonzero", 0),
        ([np.array([(0, 0), (1, 1)], float)], "evenodd", 0),
        ([np.empty((0, 2))], "nonzero", 0),
    ],
)
def test_contours_paint_what_their_rule_says(contours, rule, area) -> None:
    region = fill(contours, rule)

    assert region.area == pytest.approx(area, abs=1e-9)
    assert region.is_valid


@pytest.mark.parametrize(("rule", "area"), [("nonzero", STAR_AREA), ("evenodd", STAR_AREA - CORE_AREA)])
def test_a_pentagram_has_a_hole_by_one_rule_only(rule, area) -> None:
    assert fill([PENTAGRAM], rule).area == pytest.approx(area, abs=1e-3)


@given(st.lists(st.tuples(st.integers(0, 12), st.integers(0, 12)), min_size=3, max_size=9))
@settings(max_examples=80, deadline=None)
def test_any_scrawl_is_filled_as_counting_crossings_says(corners) -> None:
    ring = np.array(corners, float)
    closed = np.vstack([ring, ring[:1]])
    probes = np.array([(x + 0.37, y + 0.61) for x in range(12) for y in range(12)])
    edge = shapely.LineString(closed) if len(set(corners)) > 1 else None
    clear = shapely.distance(shapely.points(probes), edge) > 1e-6 if edge else np.ones(len(probes), bool)

    for rule in ("nonzero", "evenodd"):
        region = fill([ring], rule)
        winding, crossings = winding_numbers(probes, [closed])
        wanted = winding != 0 if rule == "nonzero" else crossings % 2 == 1
        assert (shapely.contains_xy(region, probes) == wanted)[clear].all()
