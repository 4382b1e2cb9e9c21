"""Rests of the plate that set a print, counted by hand."""

from dataclasses import replace

import pytest

from dunestead.core.curing.heat_setting import rests_for
from tests.making import CATALOGUE

PLATE = replace(CATALOGUE.press("iron"), plate_width=100.0, plate_length=180.0, overlap=20.0)


@pytest.mark.parametrize(
    ("size", "rests"),
    [
        ((90, 90), 1),
        ((100, 180), 1),
        # Turned, it is the plate itself.
        ((180, 100), 1),
        # 260 = 100 + 2 x 80 across, 200 = 180 + 20 down: 3 x 2, or 2 x 3 the other way.
        ((260, 200), 6),
        ((181, 100), 2),
    ],
)
def test_rests_lie_in_rows_whichever_way_takes_fewer(size, rests) -> None:
    assert rests_for((50, 50, 50 + size[0], 50 + size[1]), PLATE) == rests
