"""Widths of paint and mask, on shapes whose widths are known."""

import math

import pytest

from dunestead.catalogue.face_files import open_face
from dunestead.core.artwork.painted import paint
from dunestead.core.artwork.words.setting import Setting, set_words
from dunestead.core.mask.axis import Widths, measure_widths
from dunestead.core.mask.loose import cut_mask
from tests.shapes import frame, noisy_disc, painted, polygon, rect, ring


def widths(body: str, width: float) -> Widths:
    found = painted(body, width)
    return measure_widths(found, cut_mask(found, 20.0).loose)


def least(side) -> float:
    found = side.least()
    return math.inf if found is None else found[0]


@pytest.mark.parametrize("bar", [0.3, 0.6, 1.3, 2.0, 5.0, 7.0])
@pytest.mark.parametrize("turn", [0, 23])
def test_a_bar_measures_its_width_whatever_its_ends(bar: float, turn: int) -> None:
    length = 90.0
    turned = f'<g transform="rotate({turn})">{rect(0, 0, length, bar)}</g>'
    wide = length * math.cos(math.radians(turn)) + bar * math.sin(math.radians(turn))

    assert least(widths(turned, wide).strokes) == pytest.approx(bar, abs=0.1)


@pytest.mark.parametrize("end", ["butt", "round", "square"])
def test_the_end_of_a_stroke_does_not_count(end: str) -> None:
    body = f'<path d="M10 10H90" stroke="red" stroke-width="7" stroke-linecap="{end}" fill="none"/>'
    long = {"butt": 80, "round": 87, "square": 87}[end]

    assert least(widths(body, long).strokes) == pytest.approx(7, abs=0.1)


@pytest.mark.parametrize("diameter", [3.0, 12.0, 40.0, 300.0])
def test_a_disc_measures_its_diameter(diameter: float) -> None:
    assert least(widths('<circle r="1"/>', diameter).strokes) == pytest.approx(diameter, rel=0.01, abs=0.1)


@pytest.mark.parametrize("gap", [0.5, 2.0, 3.5, 6.0])
def test_two_bars_have_the_web_between_them(gap: float) -> None:
    found = widths(rect(0, 0, 80, 5) + rect(0, 5 + gap, 80, 5), 80.0)

    assert least(found.webs) == pytest.approx(gap, abs=0.1)
    assert least(found.strokes) == pytest.approx(5, abs=0.1)


def test_a_pinched_stroke_counts() -> None:
    pinched = polygon([(0, 0), (50, 20), (100, 0), (100, 40), (50, 22), (0, 40)])

    width, (x, _) = widths(pinched, 100.0).strokes.least()

    assert width == pytest.approx(2, abs=0.1)
    assert x == pytest.approx(50, abs=1)


def test_a_hairline_out_of_a_broad_body_counts() -> None:
    assert least(widths(rect(0, 0, 40, 40) + rect(40, 19, 30, 0.8), 70.0).strokes) == pytest.approx(0.8, abs=0.1)


@pytest.mark.parametrize(
    "body",
    [
        rect(0, 0, 60, 60),
        rect(0, 0, 60, 60, 'rx="12"'),
        polygon([(0, 0), (60, 0), (30, 52)]),
        polygon([(30, 0), (60, 60), (0, 60)]),
        noisy_disc(5000, 30, 0.06),
    ],
    ids=["square", "rounded", "triangle", "steep triangle", "noisy disc"],
)
def test_corners_and_noise_are_no_thin_strokes(body: str) -> None:
    assert least(widths(body, 60.0).strokes) > 25


@pytest.mark.parametrize("gap", [1.5, 3.0, 5.0])
def test_a_notch_between_the_arms_of_one_letter_is_a_web(gap: float) -> None:
    """A C with a narrow opening, as the S and the G of heavy faces have."""
    arm = (60 - gap) / 2
    upper = [(0, 0), (60, 0), (60, arm), (40, arm), (40, 15), (15, 15)]
    opening = polygon(upper + [(x, 60 - y) for x, y in reversed(upper)])

    assert least(widths(opening, 60.0).webs) == pytest.approx(gap, abs=0.1)


def test_a_lone_shape_has_no_web() -> None:
    assert least(widths(rect(0, 0, 60, 10), 60.0).webs) == math.inf


@pytest.mark.parametrize(("hole", "side"), [(20.0, 20.0), (3.0, 3.0)])
def test_a_loose_piece_has_the_width_of_its_largest_disc(hole: float, side: float) -> None:
    assert widths(frame(0, 0, 60, hole), 60.0).parts == (pytest.approx(side, abs=0.1),)


def test_pieces_keep_their_order() -> None:
    found = widths(ring(20, 20, 20, 12) + frame(60, 0, 40, 10), 100.0)

    assert found.parts == (pytest.approx(24, abs=0.2), pytest.approx(10, abs=0.1))


# --- tapers -----------------------------------------------------------------------------------
@pytest.mark.parametrize(
    ("wide", "end", "length"), [(8.0, 2.0, 100.0), (12.0, 3.0, 60.0), (20.0, 4.0, 60.0), (6.0, 5.0, 90.0)]
)
def test_a_taper_with_a_blunt_end_is_as_wide_as_its_end(wide: float, end: float, length: float) -> None:
    """The disc that touches both sides and the end is a little larger than the end is wide: by half the slope."""
    low, high = (wide - end) / 2, (wide + end) / 2
    body = polygon([(0, 0), (length, low), (length, high), (0, wide)])

    found = least(widths(body, length).strokes)

    assert end <= found <= end * (1 + (wide - end) / length)


@pytest.mark.parametrize(("wide", "length"), [(20.0, 80.0), (10.0, 60.0)])
def test_a_taper_to_a_point_is_no_thin_stroke(wide: float, length: float) -> None:
    assert least(widths(polygon([(0, 0), (length, wide / 2), (0, wide)]), length).strokes) > wide / 2


def test_a_needle_counts_as_half_as_wide_as_it_becomes() -> None:
    assert least(widths(polygon([(0, 0), (80, 2), (0, 4)]), 80.0).strokes) == pytest.approx(2, abs=0.2)


def test_the_crotch_between_two_legs_is_no_narrow_web() -> None:
    """A V whose legs meet at the bottom in a crotch cut blunt, as faces have it."""
    vee = polygon([(0, 0), (10, 0), (29.7, 78), (30.3, 78), (50, 0), (60, 0), (36, 100), (24, 100)])

    assert least(widths(vee, 60.0).webs) > 5


@pytest.mark.parametrize("letter", list("AMNVWXYZ"))
def test_pointed_letters_of_a_chunky_face_hold_on_coir(letter: str) -> None:
    found = set_words(Setting(letter, 120.0, "cap"), open_face("archivo-black"))
    region = paint(found.drawing, found.width)

    assert least(measure_widths(region, cut_mask(region, 20.0).loose).webs) > 4


@pytest.mark.parametrize("width", [7.0, 60.0, 333.0, 2400.0])
@pytest.mark.parametrize(
    "body",
    [
        rect(0, 0, 80, 5) + rect(0, 5.4, 80, 5),
        polygon([(0, 0), (80, 30), (0, 60)]) + ring(110, 30, 29, 21),
        noisy_disc(3000, 30, 0.03) + rect(70, 0, 3, 60),
        ring(30, 30, 30, 26) + ring(90.2, 30, 30, 26),
    ],
    ids=["bars", "triangle and ring", "noise", "near rings"],
)
def test_widths_grow_in_step_with_a_design_whatever_size_it_is_looked_at(body: str, width: float) -> None:
    once, again = widths(body, 100.0), widths(body, width)

    for name in ("strokes", "webs", "spits"):
        assert least(getattr(again, name)) == pytest.approx(least(getattr(once, name)) * width / 100, rel=0.005)
    assert again.parts == pytest.approx([part * width / 100 for part in once.parts], rel=0.005)


# --- contacts ---------------------------------------------------------------------------------
@pytest.mark.parametrize("width", [50.0, 400.0, 1500.0])
def test_shapes_that_touch_in_a_point_are_contacts_at_every_size_and_no_width(width: float) -> None:
    chequers = "".join(rect(10 * i, 10 * j, 10, 10) for i in range(5) for j in range(5) if (i + j) % 2)
    found = widths(chequers, width)

    assert len(found.contacts) > 0
    assert min(least(found.strokes), least(found.webs)) > width / 20


def test_circles_that_kiss_touch_once_and_the_paint_beside_is_no_thin_stroke() -> None:
    found = widths('<circle cx="30" cy="30" r="30"/><circle cx="90" cy="30" r="30"/>', 120.0)

    assert len(found.contacts) == 1
    assert least(found.strokes) > 20
    assert least(found.webs) > 4


def test_the_point_where_a_crescent_runs_out_is_no_contact_and_no_width() -> None:
    crescent = '<path d="M0 50A50 50 0 1 1 100 50A57 57 0 0 0 0 50Z"/>'
    found = widths(crescent, 100.0)

    assert len(found.contacts) == 0
    assert least(found.strokes) > 8


def test_an_arm_of_a_body_ten_times_as_wide_is_no_taper() -> None:
    assert least(widths(rect(0, 0, 40, 40) + rect(40, 18, 60, 4), 100.0).strokes) == pytest.approx(4, abs=0.1)
