"""Arranging, adding, changing: where parts of a design go, and what they keep."""

import itertools
from dataclasses import replace

import pytest

from dunestead.core.artwork.elements import Drawn, Frame, Words
from dunestead.core.blanks.blank import Blank, Garment, collar_of
from dunestead.core.changes.arranging import (
    add_element,
    arrange,
    as_garment,
    change_blank,
    copy_element,
    design_of,
    fit_design,
    follow_blank,
    guides_of,
    new_element,
    place_on_garment,
)
from dunestead.core.changes.editing import change_element, drop_element
from dunestead.core.errors import BadInput, NoSuchThing, NotNow
from dunestead.core.job.job import altered
from tests.making import CATALOGUE, job_of, words
from tests.shapes import artwork, files, rect

SOURCES = files(bar=rect(0, 0, 40, 10), tall=rect(0, 0, 10, 40))
THREE = job_of(
    artwork(80.0, "bar", 1, x=-150, y=-100), artwork(40.0, "tall", 2, x=20, y=0), artwork(120.0, "bar", 3, x=120, y=90)
)


def boxes(job) -> dict[int, tuple[float, ...]]:
    return {placed.element.id: placed.box for placed in design_of(job, SOURCES, CATALOGUE).placed}


@pytest.mark.parametrize(
    ("how", "edge"),
    [("left", lambda b: b[0]), ("right", lambda b: b[2]), ("top", lambda b: b[1]), ("bottom", lambda b: b[3])],
)
def test_edges_are_brought_in_line_with_the_outermost(how: str, edge) -> None:
    before = [edge(box) for box in boxes(THREE).values()]
    after = [edge(box) for box in boxes(arrange(THREE, [], how, SOURCES, CATALOGUE)).values()]

    wanted = min(before) if how in ("left", "top") else max(before)
    assert after == pytest.approx([wanted] * 3, abs=1e-3)


@pytest.mark.parametrize(("how", "axis"), [("middle", 0), ("centre", 1)])
def test_middles_are_brought_over_each_other(how: str, axis: int) -> None:
    after = boxes(arrange(THREE, [], how, SOURCES, CATALOGUE)).values()

    middles = [(box[axis] + box[axis + 2]) / 2 for box in after]
    assert middles == pytest.approx([middles[0]] * 3, abs=1e-3)


@pytest.mark.parametrize(("how", "axis"), [("spread-across", 0), ("spread-down", 1)])
def test_gaps_are_evened_out_and_the_outermost_stay(how: str, axis: int) -> None:
    before = sorted(boxes(THREE).values(), key=lambda box: box[axis])
    after = sorted(boxes(arrange(THREE, [], how, SOURCES, CATALOGUE)).values(), key=lambda box: box[axis])

    gaps = [b[axis] - a[axis + 2] for a, b in itertools.pairwise(after)]
    assert gaps[0] == pytest.approx(gaps[1], abs=1e-3)
    assert after[0][axis] == pytest.approx(before[0][axis], abs=1e-3)


def test_parts_are_centred_on_the_blank_as_one() -> None:
    moved = arrange(arrange(THREE, [], "blank-middle", SOURCES, CATALOGUE), [], "blank-centre", SOURCES, CATALOGUE)

    box = design_of(moved, SOURCES, CATALOGUE).design_box
    assert ((box[0] + box[2]) / 2, (box[1] + box[3]) / 2) == pytest.approx((300, 200), abs=1e-3)


def test_only_the_chosen_parts_move_and_frames_never() -> None:
    job = altered(THREE, elements=(*THREE.elements, Frame(id=4)))

    moved = arrange(job, [1, 3], "left", SOURCES, CATALOGUE)

    assert moved.elements[1] == job.elements[1]
    assert moved.elements[3] == job.elements[3]
    assert moved.elements[2] != job.elements[2]


@pytest.mark.parametrize(
    ("numbers", "how", "said"),
    [
        ([1], "left", "needs 2 parts"),
        ([1, 2], "spread-down", "needs 3 parts"),
        ([], "sideways", "not a way to arrange"),
    ],
)
def test_arranging_too_few_is_refused(numbers, how, said) -> None:
    with pytest.raises(BadInput, match=said):
        arrange(THREE, numbers, how, SOURCES, CATALOGUE)


def test_there_are_guides_at_middles_margins_and_parts() -> None:
    across, down = guides_of(design_of(THREE, SOURCES, CATALOGUE), 30)

    assert [guide.at for guide in across if guide.element is None] == [30, 300, 570]
    assert [guide.at for guide in down if guide.element is None] == [30, 200, 370]
    assert [guide.at for guide in across if guide.element == 1] == pytest.approx([110, 150, 190], abs=1e-3)


# --- filling the blank ------------------------------------------------------------------------
def test_a_design_fills_its_blank_up_to_the_margins() -> None:
    fitted = fit_design(THREE, SOURCES, CATALOGUE)

    box = design_of(fitted, SOURCES, CATALOGUE).design_box
    assert min(box[0], box[1], 600 - box[2], 400 - box[3]) == pytest.approx(30, abs=0.3)


def test_a_design_lost_off_its_blank_is_brought_back() -> None:
    lost = job_of(artwork(5000.0, "bar", x=9000))

    box = design_of(fit_design(lost, SOURCES, CATALOGUE), SOURCES, CATALOGUE).design_box

    assert box == pytest.approx((30, 132.5, 570, 267.5), abs=0.5)


@pytest.mark.parametrize(("keeps", "width"), [("size", 540.0), ("margins", 490.0)])
def test_on_another_blank_a_design_keeps_its_size_or_its_margins(keeps: str, width: float) -> None:
    job = job_of(artwork(540.0, "bar"), blank=Blank(600, 400, keeps=keeps))

    changed = change_blank(job, replace(job.piece, measured_width=550.0, measured_height=398.0), SOURCES, CATALOGUE)

    assert changed.elements[0].width == pytest.approx(width, abs=0.01)


def test_a_design_that_kept_its_size_follows_when_it_is_asked_to() -> None:
    """Measured 550 in place of 600, 50 less: the design of 540 keeps its margins of 30 at 490."""
    job = job_of(artwork(540.0, "bar"), blank=Blank(600, 400))
    measured = change_blank(job, replace(job.piece, measured_width=550.0, measured_height=398.0), SOURCES, CATALOGUE)

    followed = follow_blank(measured, (600.0, 400.0), SOURCES, CATALOGUE)

    assert measured.elements[0].width == 540
    assert followed.elements[0].width == pytest.approx(490, abs=0.01)
    assert follow_blank(measured, measured.piece.size, SOURCES, CATALOGUE) == measured


def test_on_a_blank_too_small_for_its_margins_they_shrink_with_it() -> None:
    job = job_of(artwork(200.0, "bar"), blank=Blank(600, 400, keeps="margins"))

    changed = change_blank(job, replace(job.piece, width=300.0), SOURCES, CATALOGUE)

    assert changed.elements[0].width == pytest.approx(100, abs=0.01)


# --- garments ---------------------------------------------------------------------------------
def test_a_design_is_laid_where_the_guide_says() -> None:
    blank = Blank(510, 720, shape="garment", garment=Garment("m", "pocket", drop=150, across=90))
    job = job_of(artwork(200.0, "bar"), surface="jersey", blank=blank)

    box = design_of(place_on_garment(job, SOURCES, CATALOGUE), SOURCES, CATALOGUE).design_box

    x, y = collar_of(blank)
    assert box[1] == pytest.approx(y + 150, abs=0.01)
    assert (box[0] + box[2]) / 2 == pytest.approx(x + 90, abs=0.01)
    assert box[2] - box[0] == pytest.approx(75, abs=0.01)


def test_only_garments_have_a_guide() -> None:
    with pytest.raises(NotNow, match="Only garments"):
        place_on_garment(THREE, SOURCES, CATALOGUE)


def test_a_garment_of_another_size_has_its_sides_and_distances_of_its_own() -> None:
    before = Blank(510, 720, shape="garment", measured_width=505.0, garment=Garment("m", drop=99))

    after = as_garment(replace(before, garment=Garment("xl", drop=99)), before, CATALOGUE)

    assert (after.width, after.height, after.measured_width, after.garment.drop) == (610, 760, None, None)
    assert as_garment(before, before, CATALOGUE) == before
    assert as_garment(Blank(600, 400), before, CATALOGUE) == Blank(600, 400)


# --- adding and changing ----------------------------------------------------------------------
def test_what_joins_a_design_is_smaller_than_it_and_has_a_number_of_its_own() -> None:
    job = altered(THREE, last_element=9)

    more = add_element(job, lambda number: new_element(job, artwork(9.0, "bar", number), SOURCES, CATALOGUE))

    assert more.elements[-1].id == more.design.last_element == 10
    assert 40 < more.elements[-1].width < 330


@pytest.mark.parametrize(("y", "side"), [(-120.0, 1), (0.0, 1), (130.0, -1)])
def test_what_joins_a_design_lies_below_it_or_above_where_there_is_room(y: float, side: int) -> None:
    job = job_of(artwork(200.0, "bar", y=y))

    more = add_element(job, lambda number: new_element(job, artwork(9.0, "bar", number), SOURCES, CATALOGUE))

    first, fresh = (boxes(more)[number] for number in (1, 2))
    assert (fresh[1] - first[3] if side > 0 else first[1] - fresh[3]) > 3
    assert fresh[1] >= 30
    assert fresh[3] <= 370


def test_where_there_is_no_room_it_lies_in_the_middle() -> None:
    job = job_of(artwork(80.0, "tall"))

    more = add_element(job, lambda number: new_element(job, artwork(9.0, "tall", number), SOURCES, CATALOGUE))

    assert more.elements[-1].y == 0


def test_a_number_of_a_part_taken_out_is_not_given_again() -> None:
    fewer = drop_element(THREE, 3)

    assert copy_element(fewer, 1, SOURCES, CATALOGUE).elements[-1].id == 4


def test_a_copy_is_set_off_from_the_first() -> None:
    copied = copy_element(THREE, 1, SOURCES, CATALOGUE)

    first, again = copied.elements[0], copied.elements[-1]
    assert (again.x - first.x, again.y - first.y) == pytest.approx((5, 5), abs=0.01)


def test_the_last_part_stays() -> None:
    with pytest.raises(NotNow, match="last part"):
        drop_element(job_of(artwork(100.0, "bar"), Frame(id=2)), 1)


def test_entries_of_words_reach_their_setting() -> None:
    job = job_of(words("Boat", 200.0))

    changed = change_element(job, 1, {"text": "Row\r\nboat", "letter_gap": 3.0, "x": 12.0}, SOURCES, CATALOGUE)

    element = changed.elements[0]
    assert isinstance(element, Words)
    assert (element.setting.text, element.setting.letter_gap, element.x) == ("Row\nboat", 3.0, 12.0)


def test_colours_of_letters_that_are_gone_go_too() -> None:
    job = job_of(words("Boat", 200.0, letter_colours=((0, "#ff0000"), (3, "#00ff00"))))

    changed = change_element(job, 1, {"text": "Bo"}, SOURCES, CATALOGUE)

    assert changed.elements[0].setting.letter_colours == ((0, "#ff0000"),)


def test_words_sized_in_another_way_stay_as_large() -> None:
    job = job_of(words("Boat", 200.0))
    before = boxes(job)[1]

    by_height = change_element(job, 1, {"sized_by": "cap"}, SOURCES, CATALOGUE)
    back = change_element(by_height, 1, {"sized_by": "width"}, SOURCES, CATALOGUE)

    assert boxes(by_height)[1] == pytest.approx(before, abs=0.02)
    assert back.elements[0].setting.size == pytest.approx(200, abs=0.01)


@pytest.mark.parametrize("element", [artwork(80.0, "bar", embolden=4.0), words("Boat", 80.0, letter_gap=1.0)])
def test_a_part_is_made_as_wide_as_asked(element) -> None:
    changed = change_element(job_of(element), 1, {"width": 160.0}, SOURCES, CATALOGUE)

    box = boxes(changed)[1]
    assert box[2] - box[0] == pytest.approx(160, abs=0.02)


@pytest.mark.parametrize(
    ("element", "entries", "said"),
    [
        (artwork(80.0, "bar"), {"text": "no"}, "has no text"),
        (artwork(80.0, "bar"), {"width": -4.0}, "width of -4"),
        (words("Boat"), {"edits": ()}, "has no edits"),
        (Frame(id=2), {"width": 30.0}, "follows the blank"),
        (words("Boat"), {"face": "none"}, "no face called"),
    ],
)
def test_entries_a_part_does_not_have_are_refused(element, entries, said) -> None:
    job = job_of(artwork(100.0, "bar", 7), element)

    with pytest.raises((BadInput, NotNow), match=said):
        change_element(job, element.id, entries, SOURCES, CATALOGUE)


def test_a_part_that_is_not_there_is_said_to_be_missing() -> None:
    with pytest.raises(NoSuchThing, match="no part 8"):
        change_element(THREE, 8, {"x": 1.0}, SOURCES, CATALOGUE)


def test_a_drawn_part_is_what_it_was() -> None:
    assert isinstance(THREE.elements[0], Drawn)
