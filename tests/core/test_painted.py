"""What a drawing paints, at the size it will have."""

import math

import pytest
import shapely

from dunestead.core.artwork.painted import paint
from dunestead.core.errors import ArtworkEmpty, ArtworkRefused
from tests.shapes import drawn, painted, rect


@pytest.mark.parametrize("width", [1.0, 100.0, 406.4, 2500.0])
def test_the_painted_box_is_as_wide_as_asked_and_starts_at_the_origin(width: float) -> None:
    found = painted(rect(30, 70, 20, 5), width)

    assert found.bbox == pytest.approx((0, 0, width, width / 4), abs=1e-6)


@pytest.mark.parametrize(
    ("body", "share"),
    [
        (rect(0, 0, 10, 10), 1.0),
        (rect(0, 0, 10, 10) + rect(5, 0, 5, 5, 'fill="#fff"'), 1.0),
        (rect(0, 0, 10, 10) + rect(20, 0, 10, 10), 2 / 3),
        ('<circle r="5"/>', math.pi / 4),
        ('<ellipse rx="5" ry="2"/>', math.pi / 4),
        ('<path d="M0 0L10 0L10 10L0 10Z"/>', 1.0),
        ('<path d="M5 0A5 5 0 0 1 5 10A5 5 0 0 1 5 0Z"/>', math.pi / 4),
        ('<circle cx="5" cy="5" r="4" fill="none" stroke="red" stroke-width="2"/>', math.pi * (25 - 9) / 100),
    ],
)
def test_the_painted_area_is_the_union_of_all_shapes(body: str, share: float) -> None:
    found = painted(body, 400.0)
    box_area = found.width * found.height

    assert found.region.area / box_area == pytest.approx(share, rel=2e-4)


def test_a_disc_is_round_to_a_fiftieth_of_a_mm_at_rug_size() -> None:
    edge = shapely.get_coordinates(painted('<circle r="3"/>', 600.0).region)

    away = [math.dist(point, (300, 300)) for point in edge]
    assert max(away) - min(away) < 0.005
    middles = shapely.LineString(edge).segmentize(0.5)
    assert min(math.dist(p, (300, 300)) for p in middles.coords) > 300 - 0.02


def test_a_clipped_giant_does_not_make_what_is_left_coarse() -> None:
    body = '<clipPath id="c"><circle r="1"/></clipPath><circle r="1000" clip-path="url(#c)"/>'

    found = painted(body, 400.0)

    assert found.region.area == pytest.approx(math.pi * 200**2, rel=2e-4)


def test_squares_that_meet_in_a_corner_stay_apart() -> None:
    found = painted(rect(0, 0, 10, 10) + rect(10, 10, 10, 10))

    assert len(found.region.geoms) == 2


def test_squares_that_share_an_edge_are_one() -> None:
    found = painted('<g transform="rotate(17)">' + rect(0, 0, 10, 10) + rect(10, 0, 10, 7) + "</g>")

    assert len(found.region.geoms) == 1


def test_colours_are_told_apart_in_the_order_met() -> None:
    found = painted(rect(0, 0, 10, 10, 'fill="#ff0000"') + rect(20, 0, 10, 10, 'style="fill:#00f"'))

    assert list(found.colours) == ["#ff0000", "#0000ff"]
    assert found.colours["#ff0000"].bounds == pytest.approx((0, 0, 100 / 3, 100 / 3), abs=1e-3)


@pytest.mark.parametrize(
    "body",
    [
        "",
        "<text>Hello</text>",
        rect(0, 0, 10, 10, 'fill="none"'),
        rect(0, 0, 10, 10, 'fill-opacity="0"'),
        rect(0, 0, 10, 10, 'opacity="0"'),
        rect(0, 0, 10, 10, 'display="none"'),
        rect(0, 0, 10, 10, 'visibility="hidden"'),
        '<path d="M0 0L10 0" fill="none"/>',
    ],
)
def test_what_paints_nothing_is_said_in_words(body: str) -> None:
    with pytest.raises(ArtworkEmpty, match="Nothing in this artwork"):
        painted(body)


def test_a_drawing_far_taller_than_wide_is_refused_at_a_great_width() -> None:
    with pytest.raises(ArtworkRefused, match="m tall"):
        painted('<path d="M0 0h.01v1000h-.01z"/>', 1000.0)


def test_equal_drawings_at_one_width_are_painted_once() -> None:
    drawing = drawn(rect(0, 0, 4, 4))

    assert paint(drawing, 77.0) is paint(drawing, 77.0)
