"""Which way a mask comes off: with its tongues, from root to tip."""

import math

import pytest

from dunestead.core.curing.direction import peel_direction
from dunestead.core.mask.weak import WeakPlace
from dunestead.core.words.peeling import direction_in_words, too_late
from tests.making import CATALOGUE

BOX = (0.0, 0.0, 400.0, 200.0)


def tongue(dx: float, dy: float, length: float = 30.0) -> WeakPlace:
    size = math.hypot(dx, dy)
    return WeakPlace("tongue", (50.0, 50.0), 5.0, length, 4.0, "warn", (dx / size, dy / size))


@pytest.mark.parametrize(
    ("toward", "begins", "ends"),
    [
        ((1, 0), (0, 100), (400, 100)),
        ((0, 1), (200, 0), (200, 200)),
        ((-1, -1), (400, 200), (0, 0)),
        ((1, 1), (0, 0), (400, 200)),
    ],
)
def test_it_goes_the_way_the_tongues_point(toward, begins, ends) -> None:
    way = peel_direction(BOX, [tongue(*toward)], CATALOGUE.workshop)

    assert (way.begins, way.ends, way.against) == (begins, ends, 0)


def test_a_long_tongue_counts_for_more_than_a_short_one_and_that_is_told() -> None:
    way = peel_direction(BOX, [tongue(1, 0, 60), tongue(-1, 0, 20)], CATALOGUE.workshop)

    assert way.begins == (0, 100)
    assert way.against == 1
    assert "One tongue comes tip first" in direction_in_words(way, from_back=False)
    assert "left" in direction_in_words(way, from_back=False).split("towards")[0]
    assert "right" in direction_in_words(way, from_back=True).split("towards")[0]


def test_film_is_warmed_when_it_is_late_and_paper_is_not() -> None:
    assert "warm" in too_late("film")
    assert "warm" not in too_late("paper")
