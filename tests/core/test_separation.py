"""One mask or one a colour: advice from the gaps, the order, the marks that bring them together."""

import pytest
import shapely

from dunestead.core.painting.separation import advise_masks, colour_order, notch_count, notched, painted_through
from tests.making import CATALOGUE
from tests.shapes import painted, rect

RED, BLUE, PALE = "#c62828", "#1d2f55", "#f1ead8"


def apart(gap: float):
    """Return a red and a blue bar so far apart."""
    return painted(rect(0, 0, 40, 60, f'fill="{RED}"') + rect(40 + gap, 0, 40, 60, f'fill="{BLUE}"'), 80 + gap)


@pytest.mark.parametrize(
    ("gap", "technique", "dauber", "masks", "word"),
    [
        (30.0, "dab", False, "one", "apart"),
        (15.0, "dab", True, "one", "foam dauber"),
        (15.0, "dab", False, "one", "cover"),
        (4.0, "dab", False, "each", "too near"),
        (30.0, "spray", False, "one", "cover"),
        (0.0, "spray", False, "each", "too near"),
    ],
)
def test_the_advice_follows_the_gap_and_the_way_of_painting(gap, technique, dauber, masks, word) -> None:
    advice = advise_masks(apart(gap), technique, CATALOGUE.workshop, "mm", dauber=dauber)

    assert advice.masks == masks
    assert word in advice.why


def test_one_colour_needs_one_mask() -> None:
    assert advise_masks(painted(rect(0, 0, 9, 9)), "dab", CATALOGUE.workshop, "mm", dauber=False).masks == "one"


def test_light_comes_before_dark_and_small_before_large() -> None:
    big, small = shapely.MultiPolygon([shapely.box(0, 0, 9, 9)]), shapely.MultiPolygon([shapely.box(0, 0, 2, 2)])

    assert colour_order({BLUE: small, PALE: big, RED: small}) == [PALE, RED, BLUE]
    assert colour_order({"#c62828": big, "#c62829": small}) == ["#c62829", "#c62828"]
    assert colour_order({BLUE: small, PALE: big, RED: small}, [BLUE]) == [BLUE, PALE, RED]


def test_the_sheet_has_a_notch_in_the_middle_of_each_side() -> None:
    sheet = notched(shapely.box(-20, -20, 120, 80), (0, 0, 100, 60), 6.0)

    assert sheet.bounds == pytest.approx((-20, -20, 120, 80))
    assert notch_count(sheet, (0, 0, 100, 60), 6.0) == 4
    # Four triangles, 6 wide and 6 deep.
    assert sheet.area == pytest.approx(140 * 100 - 4 * 18)
    assert not any(sheet.contains(shapely.Point(*at)) for at in ((50, -19), (119, 30), (50, 79), (-19, 30)))
    assert sheet.is_valid


def test_where_the_mask_ends_at_the_blanks_edge_a_notch_keeps_out_of_the_design() -> None:
    """Nothing is left of the border at the left, and 4 mm of it at the top: a notch of 2."""
    sheet = notched(shapely.box(0, -4, 120, 80), (0, 0, 100, 60), 6.0)

    assert notch_count(sheet, (0, 0, 100, 60), 6.0) == 3
    # Half as wide as deep to either side of its middle: 2 x 2 / 2, and twice 6 x 6 / 2.
    assert sheet.area == pytest.approx(120 * 84 - 2 - 2 * 18)
    assert sheet.covers(shapely.box(0, 0, 100, 60))


def test_what_goes_through_the_mask_of_a_colour_stays_in_its_place() -> None:
    red = painted_through(apart(20.0), BLUE)

    assert red.region.bounds == pytest.approx((60, 0, 100, 60))
    assert painted_through(apart(20.0), "").region.area == pytest.approx(4800)
