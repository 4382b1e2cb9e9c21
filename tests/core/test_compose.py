"""Designs put together: places, turns, copies, frames; what runs over the edge is trimmed and not lost."""

import itertools
import math

import numpy as np
import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely import affinity

from dunestead.core.artwork.compose import Composition, compose
from dunestead.core.artwork.elements import Frame, PartEdit, Repeat, Words, resized
from dunestead.core.artwork.parts import parts_of
from dunestead.core.artwork.words.setting import Setting
from dunestead.core.blanks.blank import Blank, outline_of
from dunestead.core.errors import BadInput
from tests.shapes import artwork, drawn, files, rect

# An L, which tells every turn and flip apart: 40 wide, 20 high.
ELL = '<path d="M0 0h10v10h30v10h-40z"/>'
RED, BLUE = 'fill="#ff0000"', 'fill="#0000ff"'
TWO = rect(0, 0, 10, 10, RED) + rect(20, 0, 20, 20, BLUE) + rect(20, 30, 5, 5, RED)
SOURCES = files(art=ELL, two=TWO, bar=rect(0, 0, 40, 10))
MAT = outline_of(Blank(600, 400))


def design(*elements, outline=MAT) -> Composition:
    return compose(elements, outline, SOURCES)


def on_blank(composition: Composition) -> shapely.MultiPolygon:
    return affinity.translate(composition.painted.region, *composition.origin)


def test_a_part_lies_with_its_middle_where_it_is_put() -> None:
    found = design(artwork(200.0, x=50, y=-30))

    assert on_blank(found).bounds == pytest.approx((250, 120, 450, 220), abs=1e-3)


@pytest.mark.parametrize(
    ("more", "corner"),
    [
        ({}, (202, 152)),
        ({"turn": 90}, (348, 102)),
        ({"turn": 180}, (398, 248)),
        ({"flipped": True}, (398, 152)),
        ({"flipped": True, "turn": 90}, (348, 298)),
    ],
)
def test_turns_and_flips_carry_the_upper_left_corner(more, corner) -> None:
    """The L's short arm has its end at the top left; turned clockwise it goes to the top right, and so on."""
    region = on_blank(design(artwork(200.0, **more)))

    assert region.contains(shapely.Point(corner))
    assert region.area == pytest.approx(200 * 100 * (100 + 400) / 800, rel=1e-4)


@settings(max_examples=40, deadline=None)
@given(
    width=st.floats(20, 900),
    x=st.floats(-400, 400),
    y=st.floats(-300, 300),
    turn=st.floats(-180, 180),
    round_=st.booleans(),
)
def test_what_is_painted_and_what_is_trimmed_make_the_whole(width, x, y, turn, round_) -> None:
    outline = outline_of(Blank(600, 400, shape="oval")) if round_ else MAT
    try:
        found = compose([artwork(width, x=x, y=y, turn=turn)], outline, SOURCES)
    except BadInput:
        return
    whole = found.placed[0].region

    assert found.painted.region.area + found.overhang.area == pytest.approx(whole.area, rel=1e-5, abs=0.05)
    assert shapely.difference(on_blank(found), outline.buffer(0.01)).is_empty


def test_a_part_that_lies_off_the_blank_altogether_is_refused() -> None:
    with pytest.raises(BadInput, match="Nothing of the design"):
        design(artwork(100.0, x=900))


def test_parts_of_one_colour_are_united_and_others_kept_apart() -> None:
    found = design(artwork(400.0, "two"), artwork(400.0, "two", number=2))

    assert set(found.painted.colours) == {"#ff0000", "#0000ff"}
    assert found.painted.region.area == pytest.approx((100 + 400 + 25) * 100, rel=1e-4)


def test_strokes_are_made_thicker_on_both_sides() -> None:
    plain, bold, fine = (on_blank(design(artwork(400.0, "bar", embolden=by))).bounds for by in (0.0, 6.0, -6.0))

    assert bold == pytest.approx((plain[0] - 3, plain[1] - 3, plain[2] + 3, plain[3] + 3), abs=0.01)
    assert fine == pytest.approx((plain[0] + 3, plain[1] + 3, plain[2] - 3, plain[3] - 3), abs=0.01)


def test_strokes_made_thinner_than_nothing_are_refused() -> None:
    with pytest.raises(BadInput, match="nothing would be left"):
        design(artwork(40.0, "bar", embolden=-11))


# --- copies -----------------------------------------------------------------------------------
def boxes(composition: Composition) -> list[tuple[float, ...]]:
    return sorted(part.bounds for part in on_blank(composition).geoms)


def test_a_row_steps_by_its_gap_and_stays_in_the_middle() -> None:
    found = boxes(design(artwork(100.0, "bar", repeat=Repeat("row", 4, gap_across=20))))

    assert [box[0] for box in found] == pytest.approx([70, 190, 310, 430], abs=0.01)


def test_a_grid_steps_both_ways() -> None:
    found = boxes(design(artwork(100.0, "bar", repeat=Repeat("grid", 2, 3, gap_across=20, gap_down=15))))

    assert len(found) == 6
    assert sorted({round(box[1], 1) for box in found}) == [147.5, 187.5, 227.5]


@pytest.mark.parametrize("turning", [True, False])
def test_a_ring_stands_around_its_middle(turning: bool) -> None:
    found = design(artwork(40.0, "bar", repeat=Repeat("ring", 8, radius=120, turning=turning)))

    middles = np.array([(part.centroid.x, part.centroid.y) for part in on_blank(found).geoms])
    assert np.hypot(*(middles - (300, 200)).T) == pytest.approx([120] * 8, abs=0.01)
    top = min(on_blank(found).geoms, key=lambda part: part.centroid.y)
    assert top.bounds[2] - top.bounds[0] == pytest.approx(40, abs=0.01)


@pytest.mark.parametrize("seed", [1, 2, 77])
def test_scattered_copies_keep_their_gap_to_each_other_and_all_else(seed: int) -> None:
    words = Words(id=1, setting=Setting("ROW", 200.0))
    star = artwork(30.0, "art", number=2, repeat=Repeat("scatter", 25, gap_across=12, seed=seed))

    found = design(words, star)

    copies = list(found.placed[1].region.geoms)
    assert found.placed[1].copies == len(copies) > 10
    assert min(a.distance(b) for a, b in itertools.combinations(copies, 2)) >= 12 - 1e-6
    assert found.placed[1].region.distance(found.placed[0].region) >= 12 - 1e-6
    assert MAT.covers(found.placed[1].region)
    assert design(words, star).placed[1].region.equals(found.placed[1].region)


@pytest.mark.parametrize("seed", [1, 2, 77])
def test_a_scatter_that_may_run_off_leaves_the_blank_and_is_trimmed_at_its_edge(seed: int) -> None:
    star = artwork(60.0, "art", repeat=Repeat("scatter", 40, gap_across=5, seed=seed), runs_off=True)

    found = design(star)

    off = [copy for copy in found.placed[0].region.geoms if not MAT.covers(copy)]
    assert len(off) >= 3
    assert all(copy.intersects(MAT) for copy in off)
    assert MAT.buffer(1e-6).covers(on_blank(found))
    copies = list(found.placed[0].region.geoms)
    assert min(a.distance(b) for a, b in itertools.combinations(copies, 2)) >= 5 - 1e-6


def test_a_row_longer_than_the_blank_runs_off_at_both_ends_and_what_lies_on_it_is_counted() -> None:
    """Nine of 100 with 20 between, on 600: middles at -180 to 780, of which six lie on it, two of them in part."""
    bar = artwork(100.0, "art", repeat=Repeat("row", 9, gap_across=20), runs_off=True)

    placed = design(bar).placed[0]

    middles = 300 + (np.arange(9) - 4) * 120
    assert (placed.asked, placed.copies) == (9, 9)
    assert placed.laid == np.count_nonzero((middles + 50 >= 0) & (middles - 50 <= 600))


def test_another_seed_is_another_scatter() -> None:
    one, other = (design(artwork(30.0, repeat=Repeat("scatter", 9, seed=seed))).painted.region for seed in (1, 2))

    assert not one.equals(other)


def test_copies_take_their_shades_in_turn() -> None:
    found = design(artwork(30.0, "bar", repeat=Repeat("row", 5, colours=("#111111", "#222222"))))

    assert {colour: len(region.geoms) for colour, region in found.painted.colours.items()} == {
        "#111111": 3,
        "#222222": 2,
    }


# --- frames -----------------------------------------------------------------------------------
def test_a_frame_follows_the_edge_at_its_distance() -> None:
    found = design(artwork(100.0), Frame(id=2, inset=15, thickness=8))
    band = found.placed[1].region

    assert band.bounds == (15, 15, 585, 385)
    assert band.area == pytest.approx(570 * 370 - 554 * 354)


def test_a_frame_follows_a_round_blank() -> None:
    disc = outline_of(Blank(500, 500, shape="oval"))
    band = compose([artwork(50.0), Frame(id=2, inset=20, thickness=10)], disc, SOURCES).placed[1].region

    assert band.area == pytest.approx(math.pi * (230**2 - 220**2), rel=2e-3)


def test_a_double_frame_has_a_gap() -> None:
    band = design(artwork(50.0), Frame(id=2, style="double", inset=10, thickness=5, gap=7)).placed[1].region

    assert len(band.geoms) == 2
    assert band.geoms[0].distance(band.geoms[1]) == pytest.approx(7)


def test_a_dashed_frame_has_whole_dashes_with_even_gaps() -> None:
    disc = outline_of(Blank(500, 500, shape="oval"))
    frame = Frame(id=2, style="dashed", inset=20, thickness=10, gap=15, dash=45)

    dashes = compose([artwork(50.0), frame], disc, SOURCES).placed[1].region.geoms

    areas = [dash.area for dash in dashes]
    assert len(dashes) == round(math.tau * 225 / 60)
    assert max(areas) - min(areas) < 0.01 * max(areas)


@pytest.mark.parametrize("style", ["single", "dashed"])
def test_a_frame_too_far_in_is_refused(style: str) -> None:
    with pytest.raises(BadInput, match="leaves no room on this blank"):
        design(artwork(50.0), Frame(id=2, style=style, inset=250))


# --- parts of a drawing -----------------------------------------------------------------------
def test_parts_are_connected_shapes_of_one_colour() -> None:
    parts = parts_of(SOURCES.drawing("two"))

    assert [(part.number, part.colour) for part in parts] == [(1, "#ff0000"), (2, "#ff0000"), (3, "#0000ff")]


def test_parts_know_the_groups_they_lie_in() -> None:
    body = f'<g id="sky">{rect(0, 0, 10, 10)}</g><g id="sea"><g id="wave">{rect(20, 0, 10, 10)}</g></g>'

    assert [part.groups for part in parts_of(drawn(body))] == [("sky",), ("sea", "wave")]


@pytest.mark.parametrize("width", [60.0, 400.0])
def test_parts_are_dropped_and_recoloured_at_any_size(width: float) -> None:
    edits = (PartEdit(1, dropped=True), PartEdit(2, colour="#00ff00"))

    colours = design(artwork(width, "two", edits=edits)).painted.colours

    scale = (width / 40) ** 2
    assert {colour: region.area for colour, region in colours.items()} == {
        "#00ff00": pytest.approx(25 * scale, rel=1e-3),
        "#0000ff": pytest.approx(400 * scale, rel=1e-3),
    }


@pytest.mark.parametrize(
    ("edits", "said"),
    [
        ((PartEdit(9, dropped=True),), "no part 9"),
        (tuple(PartEdit(number, dropped=True) for number in (1, 2, 3)), "nothing would be left"),
    ],
)
def test_edits_that_cannot_be_are_refused(edits, said: str) -> None:
    with pytest.raises(BadInput, match=said):
        design(artwork(100.0, "two", edits=edits))


# --- one form at every size -------------------------------------------------------------------
@settings(max_examples=20, deadline=None)
@given(factor=st.floats(0.4, 1.4))
def test_a_design_made_larger_is_the_same_form(factor: float) -> None:
    elements = (artwork(200.0, x=20, y=10, turn=30), Words(id=2, setting=Setting("ROW", 120.0, letter_gap=2), y=70))
    larger = tuple(resized(element, factor) for element in elements)

    one, other = design(*elements), design(*larger)

    assert one.painted.shape_key == other.painted.shape_key is not None
    assert other.painted.region.area == pytest.approx(one.painted.region.area * factor**2, rel=1e-4)


def test_a_design_whose_parts_moved_is_another_form() -> None:
    one = design(artwork(100.0), artwork(100.0, number=2, y=80))
    other = design(artwork(100.0), artwork(100.0, number=2, y=81))

    assert one.painted.shape_key != other.painted.shape_key


@pytest.mark.parametrize("more", [{"repeat": Repeat("scatter", 4)}, {"x": 280.0}])
def test_what_hangs_on_the_blank_has_no_form_of_its_own(more) -> None:
    assert design(artwork(100.0, **more)).painted.shape_key is None
