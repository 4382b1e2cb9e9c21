"""Paint, cover, drying and the peel window, with figures worked out by hand."""

from datetime import UTC, datetime

import pytest

from dunestead.core.curing.drying import Room, dry_from, drying_factor
from dunestead.core.curing.peel import peel_window
from dunestead.core.painting.amount import paint_need
from dunestead.core.painting.cover import cover_around

NOON = datetime(2026, 5, 10, 12, 0, tzinfo=UTC)


@pytest.mark.parametrize(
    ("surface", "paint", "coats", "copies", "ml"),
    [
        # 0.1 m² x 2 coats x soak 4 / 7 m² a litre.
        ("coir", "outdoor-acrylic", 2, 1, 114.3),
        # 0.1 x 3 x 4 / 2, of which 60 % lands.
        ("coir", "rubber-spray", 3, 1, 1000.0),
        # 0.1 x 1 x 1.3 / 6, twelve times.
        ("jersey", "fabric-brush", 1, 12, 260.0),
        ("glass", "spray-enamel", 2, 4, 266.7),
    ],
)
def test_paint_is_area_times_coats_times_soak_over_cover(catalogue, surface, paint, coats, copies, ml) -> None:
    need = paint_need({"#000000": 1e5}, catalogue.surface(surface), catalogue.paint(paint), coats, copies)

    assert need.total_ml == pytest.approx(ml, abs=0.1)
    assert need.colours[0].coat_ml * coats * copies == pytest.approx(need.total_ml)


def test_cans_are_whole_ones(catalogue) -> None:
    spray, surface = catalogue.paint("rubber-spray"), catalogue.surface("coir")

    assert [paint_need({"#0": a}, surface, spray, 3, 1).cans for a in (2.4e4, 2.5e4, 2.6e4)] == [1, 1, 2]
    assert paint_need({"#0": 1e5}, surface, catalogue.paint("outdoor-acrylic"), 1, 1).cans is None


def test_colours_share_the_paint_by_their_areas(catalogue) -> None:
    need = paint_need({"#f00": 3e4, "#00f": 1e4}, catalogue.surface("canvas"), catalogue.paint("fabric-brush"), 2, 1)

    assert need.colours[0].total_ml == pytest.approx(3 * need.colours[1].total_ml)


@pytest.mark.parametrize(
    ("room", "factor"),
    [
        (Room(20, 50), 1.0),
        (Room(10, 50), 2.0),
        (Room(0, 50), 4.0),
        (Room(30, 50), 0.7),
        (Room(15, 50), 2**0.5),
        (Room(20, 70), 1.0),
        (Room(20, 71), 1.5),
        (Room(20, 86), 2.0),
        (Room(10, 90), 4.0),
    ],
)
def test_drying_stretches_when_it_is_colder_or_damper(catalogue, room: Room, factor: float) -> None:
    assert drying_factor(room, catalogue.workshop) == pytest.approx(factor)


def test_dates_count_from_the_last_coat(catalogue) -> None:
    timeline = dry_from(catalogue.paint("fabric-brush"), Room(), catalogue.workshop, NOON)

    assert timeline.at["touch"].hour == 13
    assert timeline.at["use"].day == 11
    assert timeline.at["wash"].day == 13


def test_before_the_last_coat_there_are_no_dates_and_no_wash_for_a_mat(catalogue) -> None:
    timeline = dry_from(catalogue.paint("outdoor-acrylic"), Room(), catalogue.workshop, None)

    assert timeline.at == {}
    assert "wash" not in timeline.minutes


@pytest.mark.parametrize(
    ("paint", "material", "when", "opens", "closes", "keepers_first"),
    [
        ("outdoor-acrylic", "paper-coated-down", "wet", 0, 10, True),
        ("fabric-spray", "paper-coated-down", "set", 5, 10, False),
        ("rubber-spray", "paper-coated-down", "touch-dry", 45, 90, False),
        ("fabric-brush", "paper-coated-up", "touch-dry", 60, 120, False),
        ("fabric-brush", "stencil-film", "wet", 0, 10, True),
        ("outdoor-acrylic", "iron-on", "touch-dry", 30, 60, False),
        ("spray-enamel", "card", "at-once", 0, 10, True),
    ],
)
def test_the_peel_window_follows_paint_and_mask(catalogue, paint, material, when, opens, closes, keepers_first) -> None:
    window = peel_window(catalogue.paint(paint), catalogue.material(material), Room(), catalogue.workshop, NOON)

    assert (window.when, window.opens, window.closes) == (when, opens, closes)
    assert window.keepers_first is keepers_first
    assert (window.opens_at - NOON).total_seconds() == opens * 60


def test_a_cold_room_keeps_the_window_open_longer(catalogue) -> None:
    paint, paper = catalogue.paint("fabric-spray"), catalogue.material("paper-coated-down")

    window = peel_window(paint, paper, Room(10, 50), catalogue.workshop, None)

    assert (window.opens, window.closes, window.opens_at) == (10, 20, None)


@pytest.mark.parametrize(
    ("needed", "sides"),
    [
        (40, (0, 0, 0, 0)),
        (300, (60, 60, 60, 60)),
        (90, (50, 50, 50, 50)),
    ],
)
def test_cover_reaches_as_far_as_paint_drifts_or_to_the_blanks_edge(needed, sides) -> None:
    """Artwork 100 mm from each edge of the blank, under a border of 40."""
    cover = cover_around(needed, (100, 100, 500, 300), (60, 60, 540, 340), (600, 400))

    assert cover.sides == sides
    assert cover.tape == (2 * (280 + 480) if any(sides) else 0)
