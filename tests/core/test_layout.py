"""Findings of layout and colour, held against distances worked out by hand."""

from dataclasses import replace

import pytest
import shapely

from dunestead.core.artwork.elements import Repeat
from dunestead.core.blanks.blank import Blank
from dunestead.core.colours import colour_name, difference
from dunestead.core.painting.coatings import Coating
from tests.making import job_of, look, words
from tests.shapes import artwork, files, rect

RED, BLUE = 'fill="#a01010"', 'fill="#1030a0"'
SOURCES = files(
    bar=rect(0, 0, 40, 10),
    pair=rect(0, 0, 100, 20, RED) + rect(0, 40, 100, 20, BLUE),
    cross=rect(0, 20, 100, 20, RED) + rect(40, 0, 20, 60, BLUE),
)


def codes(job) -> dict[str, object]:
    return {finding.code: finding for finding in look(job, SOURCES).findings}


def test_within_the_margins_nothing_is_said() -> None:
    assert codes(job_of(artwork(300.0, "bar"))) == {}


def test_what_comes_near_the_edge_is_measured_to_it() -> None:
    """A bar 300 wide, its middle 138 right of a blank's 600: it ends 12 from the edge, where 30 look right."""
    finding = codes(job_of(artwork(300.0, "bar", x=138)))["off-margin"]

    assert (finding.severity, finding.element) == ("warn", 1)
    assert (finding.measured, finding.limit) == pytest.approx((12, 30), abs=0.01)
    assert "“" not in finding.message()
    assert "bar comes within 12 mm of the edge" in finding.message()


def test_what_runs_off_the_blank_is_measured_beyond_it() -> None:
    finding = codes(job_of(artwork(300.0, "bar", x=170)))["off-blank"]

    assert finding.severity == "stop"
    assert finding.measured == pytest.approx(20, abs=0.01)


def test_on_a_round_blank_corners_run_off_first() -> None:
    """Half a bar of 400 by 100 reaches (200, 50), 206.2 from the middle of a disc of 200."""
    finding = codes(job_of(artwork(400.0, "bar"), blank=Blank(400, 400, shape="oval")))["off-blank"]

    assert finding.measured == pytest.approx(6.155, abs=0.1)


def test_what_is_meant_to_run_off_is_not_found() -> None:
    assert codes(job_of(artwork(300.0, "bar", x=170, runs_off=True))) == {}


def test_what_is_trimmed_at_the_edge_is_no_thin_stroke() -> None:
    """A bar of 100 by 25 that shows only its last 3 mm on the blank."""
    found = codes(job_of(artwork(100.0, "bar", x=347, runs_off=True), words("HI", 300.0, number=2)))

    assert found == {}


def test_scattered_copies_may_come_near_the_edge() -> None:
    star = artwork(40.0, "bar", 2, repeat=Repeat("scatter", 40, gap_across=6))

    assert "off-margin" not in codes(job_of(words("HI", 200.0), star))


def test_copies_that_found_no_room_are_told() -> None:
    """A mat of 600 by 400 holds no forty discs of 200 around bars."""
    finding = codes(job_of(artwork(200.0, "bar", repeat=Repeat("scatter", 40))))["copies-fewer"]

    assert (finding.severity, finding.limit) == ("note", 40)
    assert 1 <= finding.measured <= 6
    assert f"{int(finding.measured)} of them lie on the blank" in finding.message()


def test_the_lowest_letter_is_found_with_how_many_more() -> None:
    """Capitals of 44 on coir stand; its small letters, about 33 high, want 40."""
    finding = codes(job_of(words("Moon", 44.0, sized_by="cap")))["letter-low"]

    assert finding.what in "on"
    assert 30 < finding.measured < 36
    assert finding.more == 2
    assert finding.severity == "warn"


@pytest.mark.parametrize("arc", [None, 150.0, -150.0])
def test_a_letter_is_found_where_it_stands(arc: float | None) -> None:
    """Of capitals and one small letter in the middle, the small one is the lowest; its ring lies on it."""
    seen = look(job_of(words("HHHoHHH", 44.0, sized_by="cap", arc=arc)), SOURCES)
    finding = next(finding for finding in seen.findings if finding.code == "letter-low")

    x0, _, x1, _ = seen.painted.bbox
    at = shapely.Point(finding.at)
    assert finding.at[0] == pytest.approx((x0 + x1) / 2, abs=2)
    assert min(piece.shape.distance(at) for piece in seen.loose) < 1


def test_a_full_stop_is_no_letter() -> None:
    assert "letter-low" not in codes(job_of(words("HI.", 60.0, sized_by="cap")))


def test_the_gap_between_colours_is_measured() -> None:
    """At 100 wide the bars are 20 apart, where a brush wants 25."""
    finding = codes(job_of(artwork(100.0, "pair")))["colour-gap"]

    assert (finding.measured, finding.limit) == pytest.approx((20, 25), abs=0.01)
    assert "by brush" in finding.message()
    assert finding.at == pytest.approx((finding.at[0], 30), abs=0.5)


@pytest.mark.parametrize(
    ("entries", "surface"),
    [({"dauber": True}, "coir"), ({"covered": True}, "coir")],
)
def test_a_dauber_or_a_cover_settles_a_gap(entries, surface) -> None:
    assert "colour-gap" not in codes(job_of(artwork(100.0, "pair"), surface=surface, **entries))


def test_colours_that_cross_have_no_gap() -> None:
    assert codes(job_of(artwork(300.0, "cross"), dauber=True))["colour-gap"].measured == 0


def test_spray_wants_its_colours_far_apart() -> None:
    finding = codes(job_of(artwork(100.0, "pair"), surface="jersey", coatings=(Coating("colour", "fabric-spray"),)))[
        "colour-gap"
    ]

    assert finding.limit == 300
    assert "by spray" in finding.message()


def test_paint_that_hardly_shows_is_found_and_a_base_coat_settles_it() -> None:
    dark = Blank(600, 400, colour="#242c33")

    assert codes(job_of(words("HI", 300.0), blank=dark))["colours-alike"].measured < 14
    paints = (Coating("base", "outdoor-acrylic", "#f3efe4", where="under"), Coating("colour", "outdoor-acrylic"))
    assert "colours-alike" not in codes(job_of(words("HI", 300.0), blank=dark, coatings=paints))


@pytest.mark.parametrize(("paint", "told"), [("#ffffff", True), ("#f1eee0", True), ("#22313a", False)])
def test_white_paint_through_a_white_mask_is_noted_for_painting(paint: str, told: bool) -> None:
    """Coated paper is white: on a dark mat white letters show, but while they are painted they do not."""
    element = replace(words("HI", 300.0), setting=replace(words("HI", 300.0).setting, colour=paint))
    found = codes(job_of(element, blank=Blank(600, 400, colour="#5a3b1c")))

    assert ("paint-like-mask" in found) is told
    if told:
        assert "while you paint and peel" in found["paint-like-mask"].message()


def test_many_shades_that_lie_close_are_one_finding_for_two_groups() -> None:
    """Four greys and four reds, bars of 10, 1 apart: 25 are wanted, so each lies too close to the three next to it."""
    greys = ("#202020", "#232323", "#262626", "#292929")
    reds = ("#b01010", "#b41010", "#b81010", "#bc1010")
    shades = "".join(rect(11 * k, 0, 10, 40, f'fill="{colour}"') for k, colour in enumerate((*greys, *reds)))
    found = look(job_of(artwork(87.0, "shades")), files(shades=shades)).findings

    gaps = [finding for finding in found if finding.code == "colour-gap"]
    assert len(gaps) <= 3
    assert sum(1 + finding.more for finding in gaps) == 7 + 6 + 5


def test_a_white_mask_on_a_white_blank_is_noted() -> None:
    finding = codes(job_of(words("HI", 300.0), surface="canvas", blank=Blank(600, 400, colour="#f6f3ea")))["mask-alike"]

    assert finding.severity == "note"
    assert "weeding" in finding.message()


@pytest.mark.parametrize(
    ("one", "other", "apart"),
    [
        ("#ffffff", "#000000", 100.0),
        # sRGB primaries, differences as the CIE's own formula gives them to a tenth.
        ("#ff0000", "#00ff00", 86.6),
        ("#ff0000", "#0000ff", 52.9),
        ("#808080", "#818181", 0.4),
    ],
)
def test_differences_of_colours_are_those_of_the_standard(one: str, other: str, apart: float) -> None:
    assert difference(one, other) == pytest.approx(apart, abs=0.15)
    assert difference(other, one) == pytest.approx(difference(one, other), abs=1e-6)


@pytest.mark.parametrize(
    ("colour", "name"), [("#fdfdfd", "white"), ("#101010", "black"), ("#b3261e", "red"), ("#1f3a5f", "navy")]
)
def test_colours_have_plain_names(colour: str, name: str) -> None:
    assert colour_name(colour) == name
