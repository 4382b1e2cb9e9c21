"""Blanks: outlines by hand, rims, margins, where a design goes on a garment."""

import math

import pytest
import shapely

from dunestead.core.blanks.blank import Blank, Garment, collar_of, outline_of, within_margin
from dunestead.core.blanks.garments import check_garment, placement_of
from dunestead.core.errors import BadInput, UnknownKey

SQUARE_IN_SQUARE = shapely.MultiPolygon([shapely.box(0, 0, 8, 4), shapely.box(20, 20, 21, 21)])


def test_a_rectangle_with_round_corners_lacks_what_a_circle_leaves() -> None:
    """Four corners lack a square less a quarter disc each: (4 - pi) r²."""
    outline = outline_of(Blank(600, 400, corner=40))

    assert outline.area == pytest.approx(600 * 400 - (4 - math.pi) * 1600, rel=1e-5)
    assert outline.bounds == (0, 0, 600, 400)


@pytest.mark.parametrize("corner", [200.0, 999.0])
def test_corners_never_reach_past_the_middle(corner: float) -> None:
    outline = outline_of(Blank(600, 400, corner=corner))

    assert outline.area == pytest.approx(200 * 400 + math.pi * 200**2, rel=5e-4)


def test_an_oval_has_the_area_of_one() -> None:
    assert outline_of(Blank(500, 300, shape="oval")).area == pytest.approx(math.pi * 250 * 150, rel=2e-4)


@pytest.mark.parametrize("shape", ["rectangle", "oval", "garment"])
def test_only_what_is_inside_a_rim_counts(shape: str) -> None:
    blank = Blank(250, 250, shape=shape, rim=8, measured_width=246.0)

    assert blank.size == (230, 234)
    assert outline_of(blank).bounds == pytest.approx((0, 0, 230, 234))


def test_a_drawn_outline_is_its_largest_shape_at_the_blanks_size() -> None:
    outline = outline_of(Blank(400, 100, shape="outline"), SQUARE_IN_SQUARE)

    assert outline.bounds == (0, 0, 400, 100)
    assert outline.area == pytest.approx(40_000)


def test_a_drawn_outline_has_its_rim_taken_off_all_around() -> None:
    outline = outline_of(Blank(400, 100, shape="outline", rim=10), SQUARE_IN_SQUARE)

    assert outline.bounds == pytest.approx((0, 0, 380, 80), abs=0.01)


def test_an_outline_must_be_given() -> None:
    with pytest.raises(BadInput, match="no outline yet"):
        outline_of(Blank(400, 100, shape="outline"))


@pytest.mark.parametrize("blank", [Blank(60, 400, rim=30), Blank(60, 400, shape="outline", rim=30)])
def test_a_rim_that_leaves_nothing_is_refused(blank: Blank) -> None:
    with pytest.raises(BadInput, match="leaves nothing"):
        outline_of(blank, SQUARE_IN_SQUARE)


def test_a_margin_runs_alongside_the_edge() -> None:
    inner = within_margin(outline_of(Blank(600, 400)), 30)

    assert inner.bounds == (30, 30, 570, 370)
    assert within_margin(outline_of(Blank(600, 400)), 200).is_empty


def test_the_difference_to_the_label_is_known() -> None:
    assert Blank(250, 250, measured_width=246.0, measured_height=251.0).off_label == (-4, 1)


@pytest.mark.parametrize("size", ["child", "s", "m", "l", "xl"])
@pytest.mark.parametrize("placement", ["front-chest", "full-front", "back", "pocket"])
def test_every_placement_lies_on_every_garment(catalogue, size: str, placement: str) -> None:
    row = catalogue.garment(size)
    blank = Blank(row.width, row.height, shape="garment", garment=Garment(size, placement))

    found = placement_of(blank, catalogue)

    half = found.widest / 2
    design = shapely.box(found.middle - half, found.top, found.middle + half, found.top + half)
    assert outline_of(blank).covers(design)


def test_distances_are_measured_from_the_middle_of_the_collar_seam(catalogue) -> None:
    blank = Blank(500, 700, shape="garment", garment=Garment("m", "pocket", drop=100, across=-60))

    found = placement_of(blank, catalogue)

    x, y = collar_of(blank)
    assert (x, found.top - y, found.middle - x) == (250, 100, -60)
    assert outline_of(blank).exterior.distance(shapely.Point(x, y)) < 0.01


def test_other_blanks_have_no_placement(catalogue) -> None:
    assert placement_of(Blank(600, 400), catalogue) is None


@pytest.mark.parametrize(
    ("garment", "error"),
    [
        (Garment("m", "full-front", drop=900), BadInput),
        (Garment("m", "full-front", across=400), BadInput),
        (Garment("huge", "full-front"), UnknownKey),
        (Garment("m", "sleeve"), UnknownKey),
    ],
)
def test_placements_off_the_garment_are_refused(catalogue, garment: Garment, error) -> None:
    with pytest.raises(error):
        check_garment(Blank(510, 720, shape="garment", garment=garment), catalogue)


def test_the_back_is_measured_from_its_own_collar_seam(catalogue) -> None:
    """The back's seam sits higher than the front's: the same distance ends higher on the blank."""
    front, back = (
        Blank(500, 700, shape="garment", garment=Garment("m", side, drop=100)) for side in ("full-front", "back")
    )

    (_, front_y), (_, back_y) = collar_of(front), collar_of(back)

    assert back_y < front_y / 2
    assert placement_of(back, catalogue).top == back_y + 100
    for blank in (front, back):
        assert outline_of(blank).exterior.distance(shapely.Point(*collar_of(blank))) < 0.01
