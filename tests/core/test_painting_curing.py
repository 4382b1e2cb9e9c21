"""Paint, cover, drying and the peel window, with figures worked out by hand."""

import pytest

from dunestead.core.curing.drying import Weather, dry_times, drying_factor
from dunestead.core.curing.peel import WetWork, peel_window
from dunestead.core.errors import BadInput
from dunestead.core.painting.amount import Load, amount_of
from dunestead.core.painting.coatings import Coating, check_coating, in_order
from dunestead.core.painting.cover import cover_around
from tests.making import poured


@pytest.mark.parametrize(
    ("surface", "paint", "coats", "copies", "ml"),
    [
        # 0.1 m² x 2 coats x soak 4 / 7 m² a litre.
        ("coir", "outdoor-acrylic", 2, 1, 114.3),
        # 0.1 x 3 x 1.3, sprayed, / 4, of which 85 % lands.
        ("coir", "rubber-spray", 3, 1, 114.7),
        # 0.1 x 1 x 1.3 / 6, twelve times.
        ("jersey", "fabric-brush", 1, 12, 260.0),
        ("glass", "spray-enamel", 2, 4, 235.3),
    ],
)
def test_paint_is_area_times_coats_times_soak_over_cover(catalogue, surface, paint, coats, copies, ml) -> None:
    one = amount_of(1e5, catalogue.surface(surface), catalogue.paint(paint), catalogue.workshop, Load(coats))
    need = poured(1e5, surface, paint, coats, copies)

    assert need.total_ml == pytest.approx(ml, abs=0.1)
    assert one.coat_ml * coats * copies == pytest.approx(need.total_ml)
    assert one.poured_ml * coats * copies == pytest.approx(need.pour_ml)


@pytest.mark.parametrize(("coats", "least", "most"), [(2, 1, 2), (3, 1, 2)])
def test_a_mat_wholly_sprayed_takes_one_to_two_cans_and_its_lettering_well_under_one(catalogue, coats, least, most):
    stuff = catalogue.paint("rubber-spray")
    # The can passes half a fan beyond its edges, rounded at the corners.
    whole = poured(600 * 400.0, "coir", "rubber-spray", coats, 1, passed=660 * 460.0 - 0.86 * 900)
    words = poured(0.15 * 600 * 400.0, "coir", "rubber-spray", coats, 1, passed=440 * 160.0)

    assert least <= whole.cans <= most
    assert words.total_ml / stuff.can_ml < 0.5


def test_a_row_of_words_in_two_light_coats_takes_about_24_ml(catalogue) -> None:
    """380 x 28 mm: 440 x 88 are passed, and letters fill 55 % of the row. (0.0387 + 0.0059 x 0.3) x 2 / 4 / 0.85."""
    letters = 0.55 * 380 * 28
    assert poured(letters, "coir", "rubber-spray", 2, 1, passed=440 * 88.0).total_ml == pytest.approx(24, abs=0.5)


def test_cans_are_whole_ones_and_no_plan_says_nothing_is_poured(catalogue) -> None:
    """A can of 250 ml does 250 x 0.85 x 4 / (1000 x 1.3 x 3) m² in three coats: 0.2179."""
    cans = [poured(area, "coir", "rubber-spray", 3, 1).cans for area in (2.17e5, 2.18e5)]
    assert cans == [1, 2]
    speck = poured(10.0, "coir", "outdoor-acrylic", 1, 1)
    assert (speck.total_ml, speck.cans) == (2, None)
    few = amount_of(10.0, catalogue.surface("coir"), catalogue.paint("outdoor-acrylic"), catalogue.workshop, Load(1))
    assert few.coat_ml == 2


@pytest.mark.parametrize(
    ("weather", "factor"),
    [
        (Weather(20, 50), 1.0),
        (Weather(10, 50), 2.0),
        (Weather(0, 50), 4.0),
        (Weather(30, 50), 0.7),
        (Weather(15, 50), 2**0.5),
        (Weather(20, 70), 1.0),
        (Weather(20, 71), 1.5),
        (Weather(20, 86), 2.0),
        (Weather(10, 90), 4.0),
    ],
)
def test_drying_stretches_when_it_is_colder_or_damper(catalogue, weather: Weather, factor: float) -> None:
    assert drying_factor(weather, catalogue.workshop) == pytest.approx(factor)


def test_a_mat_is_not_washed_and_all_times_stretch_alike(catalogue) -> None:
    mat, shirt = (dry_times(catalogue.paint(key), 2.0) for key in ("outdoor-acrylic", "fabric-brush"))

    assert (mat.next_coat, mat.touch, mat.handle, mat.use, mat.wash) == (40, 60, 480, 2880, None)
    assert shirt.wash == 2 * 72 * 60


@pytest.mark.parametrize(
    ("paint", "material", "when", "opens", "closes", "keepers_first"),
    [
        ("outdoor-acrylic", "paper-coated-down", "wet", 0, 10, True),
        ("porch-paint", "vinyl-permanent", "wet", 0, 10, True),
        ("fabric-spray", "paper-coated-down", "set", 5, 10, False),
        ("rubber-spray", "paper-coated-down", "touch-dry", 45, 90, False),
        ("fabric-brush", "paper-coated-up", "touch-dry", 60, 120, False),
        ("fabric-brush", "stencil-film", "wet", 0, 10, True),
        ("outdoor-acrylic", "iron-on", "dry", 240, 960, False),
        ("spray-enamel", "card", "at-once", 0, 10, True),
        ("craft-acrylic", "plastic", "five-minutes", 0, 5, True),
        ("leather-acrylic", "stencil-film", "touch-dry", 45, 90, False),
    ],
)
def test_the_peel_window_follows_paint_and_mask(catalogue, paint, material, when, opens, closes, keepers_first) -> None:
    window = peel_window(
        catalogue.paint(paint), catalogue.material(material), Weather(), catalogue.workshop, WetWork(5.0)
    )

    assert (window.when, window.opens, window.closes) == (when, opens, closes)
    assert window.keepers_first is keepers_first


def test_what_takes_longer_to_dab_than_it_stays_wet_is_peeled_when_touch_dry(catalogue) -> None:
    paint, paper = catalogue.paint("outdoor-acrylic"), catalogue.material("paper-coated-down")
    quick, slow = (peel_window(paint, paper, Weather(), catalogue.workshop, WetWork(minutes)) for minutes in (29, 31))

    assert (quick.when, quick.since_first) == ("wet", 30)
    assert (slow.when, slow.since_first, slow.opens) == ("touch-dry", None, 30)


def test_a_cold_room_keeps_the_window_open_longer(catalogue) -> None:
    paint, paper = catalogue.paint("fabric-spray"), catalogue.material("paper-coated-down")

    window = peel_window(paint, paper, Weather(10, 50), catalogue.workshop, WetWork(5.0))

    assert (window.opens, window.closes) == (10, 20)


@pytest.mark.parametrize(
    ("needed", "everything", "sides", "taped"),
    [
        (40, False, (0, 0, 0, 0), 0),
        (300, False, (60, 60, 60, 60), 0),
        (90, False, (50, 50, 50, 50), 0),
        # Ten mm beyond the border are one width of tape.
        (50, False, (0, 0, 0, 0), 4),
        (300, True, (60, 60, 60, 60), 0),
    ],
)
def test_cover_reaches_as_far_as_paint_drifts_or_to_the_blanks_edge(needed, everything, sides, taped) -> None:
    """Artwork 100 mm from each edge of the blank, under a border of 40; no strip is under 25."""
    cover = cover_around(needed, (100, 100, 500, 300), (60, 60, 540, 340), (600, 400), 25, everything=everything)

    assert cover.sides == sides
    assert sum(cover.taped) == taped
    assert cover.tape == (2 * (280 + 480) if any(sides) or taped else 0)
    assert len(cover.boxes) == sum(side > 0 for side in sides)


def test_coatings_come_in_the_order_of_their_roles_and_behind_glass_in_another() -> None:
    roles = ("finish", "ground", "over-colour", "seal", "colour", "edge-seal", "base")
    stack = [Coating(role, "spray-enamel") for role in roles]

    front = [one.role for one in in_order(stack, seen_through=False)]
    behind = [one.role for one in in_order(stack, seen_through=True)]
    assert front == ["base", "edge-seal", "colour", "over-colour", "ground", "seal", "finish"]
    assert behind == ["edge-seal", "over-colour", "colour", "base", "ground", "seal", "finish"]


@pytest.mark.parametrize(
    ("coating", "said"),
    [
        (Coating("finish", "outdoor-acrylic"), "is no finish"),
        (Coating("colour", "outdoor-acrylic", coats=13), "coats"),
        (Coating("colour", "outdoor-acrylic", where="everywhere"), "place for a coating"),
        (Coating("seal", "outdoor-acrylic"), "is no seal"),
    ],
)
def test_a_coating_that_cannot_be_is_refused(catalogue, coating, said) -> None:
    with pytest.raises(BadInput, match=said):
        check_coating(coating, catalogue.paint(coating.paint))
