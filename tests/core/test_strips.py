"""Paper around a mask: pieces that cover, lap and stay on the blank."""

import pytest
import shapely

from dunestead.core.figures import CoverPaper
from dunestead.core.tacking.carrier import carrier_for
from dunestead.core.tacking.strips import strips_for

ROLL = CoverPaper("roll", "Roll", 300)
PAGES = CoverPaper("pages", "Pages", 400, 570)
MASK = (300.0, 200.0, 900.0, 600.0)
SIDES = (
    (0.0, 0.0, 300.0, 800.0),
    (900.0, 0.0, 1200.0, 800.0),
    (300.0, 0.0, 900.0, 200.0),
    (300.0, 600.0, 900.0, 800.0),
)
BLANK = shapely.box(0, 0, 1200, 800)


@pytest.mark.parametrize("paper", [ROLL, PAGES])
def test_strips_cover_all_around_lap_over_the_mask_and_are_no_wider_than_the_paper(paper) -> None:
    strips, joints = strips_for(SIDES, MASK, paper, 20.0, BLANK)

    covered = shapely.union_all([shapely.box(*one.box) for one in strips])
    assert BLANK.difference(shapely.box(*MASK)).difference(covered).area < 1e-6
    # On the mask lie 20 mm all around, and no more.
    assert covered.intersection(shapely.box(*MASK)).area == pytest.approx(600 * 400 - 560 * 360)
    for one in strips:
        short, long = one.size
        assert short <= paper.width + 1e-6
        assert paper.length is None or long <= paper.length + 1e-6
    assert joints > 0


def test_a_side_of_300_takes_two_rows_of_a_roll_of_300_for_it_laps_over_the_mask() -> None:
    """320 mm with the lap: two rows of 170, lapped by 20; the outermost first. One joint, 800 mm long."""
    strips, joints = strips_for(SIDES[:1], MASK, ROLL, 20.0, BLANK)

    assert [one.box for one in strips] == [(0, 0, 170, 800), (150, 0, 320, 800)]
    assert joints == 800
    right, _ = strips_for(SIDES[1:2], MASK, ROLL, 20.0, BLANK)
    assert [one.box[0] for one in right] == [1030, 880]


def test_nothing_is_covered_in_the_air_beyond_a_round_blank() -> None:
    disc = shapely.Point(600, 400).buffer(390)

    strips, _ = strips_for(SIDES, MASK, PAGES, 20.0, disc)

    x0, y0, x1, y1 = disc.bounds
    for one in strips:
        assert shapely.box(*one.box).intersection(disc).area > 0
        assert one.box[0] >= x0 - 1e-6
        assert one.box[1] >= y0 - 1e-6
        assert one.box[2] <= x1 + 1e-6
        assert one.box[3] <= y1 + 1e-6


@pytest.mark.parametrize(
    ("box", "strips", "width", "length"),
    [
        # 200 by 300 mm: one piece, 30 mm of tab beyond the longer side.
        ((0, 0, 200, 300), 1, 200, 330),
        # 400 wide from a roll of 305: two strips of 205 lap by 10; 600 in one length.
        ((10, 10, 610, 410), 2, 205, 630),
        ((0, 0, 305, 305), 1, 305, 335),
        # 610 wants three: two would reach 600.
        ((0, 0, 900, 610), 3, 210, 930),
    ],
)
def test_transfer_tape_is_cut_along_the_mask_in_as_few_strips_as_its_roll_allows(box, strips, width, length) -> None:
    cut = carrier_for(box, 305, 10, 30)

    assert (cut.strips, cut.width, cut.length) == pytest.approx((strips, width, length))
    assert cut.used == pytest.approx(strips * length)
