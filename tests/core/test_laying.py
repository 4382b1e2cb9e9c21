"""From what a tape reads to shift and turn: against masks put anywhere by another way of reckoning."""

import math

import numpy as np
import pytest
import shapely

from dunestead.core.blanks.blank import Blank
from dunestead.core.errors import BadInput, NoSuchThing
from dunestead.core.job.job import altered
from dunestead.core.plan.laid import laid_mask
from dunestead.core.plan.plan import make_plan
from dunestead.core.tacking.laying import SIDES, LayRules, instructions_for, laid_by_tape
from dunestead.formats.verified import check_cut
from tests.making import CATALOGUE, job_of
from tests.shapes import artwork, files, rect

RULES = LayRules(error=1.0, within=2.0)
MAT, BOX = shapely.box(0, 0, 600, 400), (100.0, 80.0, 500.0, 320.0)
ENDS = {"left": ("top", "bottom"), "right": ("top", "bottom"), "top": ("left", "right"), "bottom": ("left", "right")}


def readings(mat, box, dx: float, dy: float, turn: float) -> dict[str, list[float]]:
    """Read a rectangle put askew on a rectangle, by complex numbers: its corners from its middle, turned, shifted."""
    x0, y0, x1, y1 = box
    middle, half = complex((x0 + x1) / 2, (y0 + y1) / 2), complex((x1 - x0) / 2, (y1 - y0) / 2)
    turned = np.exp(1j * math.radians(turn))
    tl, br = (middle + turned * sign * half + complex(dx, dy) for sign in (-1, 1))
    tr, bl = (middle + turned * sign * half.conjugate() + complex(dx, dy) for sign in (1, -1))
    wide, high = mat.bounds[2], mat.bounds[3]
    return {
        "left": [tl.real, bl.real],
        "right": [wide - tr.real, wide - br.real],
        "top": [tl.imag, tr.imag],
        "bottom": [high - bl.imag, high - br.imag],
    }


def test_a_mask_that_lies_right_is_said_to() -> None:
    laid = laid_by_tape(MAT, BOX, {"left": [100], "right": [100], "top": [80, 80]}, RULES)

    assert laid.is_within
    assert instructions_for(laid, "mm") == ["It lies where it should."]


def test_by_hand_five_to_the_right_and_two_up() -> None:
    laid = laid_by_tape(MAT, BOX, {"left": [105], "right": [95], "top": [78, 78]}, RULES)

    assert laid.shift == pytest.approx((-5, 2), abs=1e-6)
    assert instructions_for(laid, "mm")[-1] == "Shift it 5 mm to the left and 2 mm down."


def test_a_turn_is_told_by_what_a_reading_will_be() -> None:
    """Ten down at the right end of 400: 1.43 degrees clockwise; straight again both ends read 80 and 5 below."""
    laid = laid_by_tape(MAT, BOX, {"left": [100], "top": [80, 90]}, RULES)

    assert laid.turn == pytest.approx(-math.degrees(math.asin(10 / 400)), abs=0.02)
    assert laid.target is not None
    assert laid.target[1] == pytest.approx(85, abs=0.1)
    assert instructions_for(laid, "mm")[0].startswith("Turn it against the clock until the")


@pytest.mark.parametrize("seed", range(3))
def test_shifts_and_turns_are_found_however_the_tape_errs_and_a_wrong_reading_is_named(seed: int) -> None:
    """A hundred masks each: within 1.5 mm and 0.3 degrees; a reading wrong by 5 to 40 mm named nine times of ten."""
    rng = np.random.default_rng(seed)
    named = 0
    for _ in range(100):
        wide, high = rng.uniform(300, 900), rng.uniform(250, 700)
        half = rng.uniform(0.2, 0.45) * wide, rng.uniform(0.2, 0.45) * high
        box = (wide / 2 - half[0], high / 2 - half[1], wide / 2 + half[0], high / 2 + half[1])
        mat = shapely.box(0, 0, wide, high)
        dx, dy, turn = rng.uniform(-15, 15), rng.uniform(-15, 15), rng.uniform(-4, 4)
        read = {
            side: [value + rng.uniform(-1, 1) for value in values]
            for side, values in readings(mat, box, dx, dy, turn).items()
        }

        laid = laid_by_tape(mat, box, read, RULES)

        assert laid.shift == pytest.approx((-dx, -dy), abs=1.5)
        assert laid.turn == pytest.approx(-turn, abs=0.3)
        side, end = rng.choice(SIDES), int(rng.integers(2))
        read[side][end] += float(rng.choice([-1, 1]) * rng.uniform(5, 40))
        named += laid_by_tape(mat, box, read, RULES).doubtful == (f"{side}, {ENDS[side][end]} end",)
    assert named >= 90


@pytest.mark.parametrize(
    ("sides", "known"),
    [
        (("left",), (True, False, True)),
        (("top",), (False, True, True)),
        (("left", "bottom"), (True, True, True)),
    ],
)
def test_what_the_readings_do_not_tell_is_said(sides, known) -> None:
    read = readings(MAT, BOX, 4.0, -3.0, 1.0)

    laid = laid_by_tape(MAT, BOX, {side: read[side] for side in sides}, RULES)

    assert (laid.knows_across, laid.knows_down, laid.knows_turn) == known
    wanted = [-by if tells else 0.0 for by, tells in zip((4.0, -3.0), known[:2], strict=True)]
    assert laid.shift == pytest.approx(wanted, abs=0.3 if all(known) else 3.0)
    assert all(known) or "Still to measure" in instructions_for(laid, "mm")[-1]


def test_readings_in_the_middle_tell_no_turn() -> None:
    laid = laid_by_tape(MAT, BOX, {"left": [104], "right": [96], "top": [80]}, RULES)

    assert not laid.knows_turn
    assert laid.shift == pytest.approx((-4, 0), abs=1e-6)
    assert "at both ends" in instructions_for(laid, "mm")[-1]


def test_where_any_of_several_may_be_wrong_all_are_named() -> None:
    """Left, mask and right are 600 together: 100, 400 and 115 are not, whichever it is."""
    laid = laid_by_tape(MAT, BOX, {"left": [100], "right": [115]}, RULES)

    assert {"left", "right"} <= set(laid.doubtful)
    assert not laid.is_within


def test_a_blank_that_was_measured_wrong_is_named() -> None:
    """Truly 612 wide: both readings at the right are 12 more."""
    read = readings(shapely.box(0, 0, 612, 400), BOX, 2.0, 1.0, 0.5)

    laid = laid_by_tape(MAT, BOX, read, RULES)

    assert laid.doubtful == ("width of the blank",)
    assert laid.shift == pytest.approx((-2, -1), abs=0.5)


def test_on_a_round_the_tape_reads_from_the_edge_where_it_is_laid() -> None:
    """A circle of 300 about 300, 300; a mask 300 wide whose side is read at half its height: the circle ends at 0."""
    disc = shapely.Point(300, 300).buffer(300, quad_segs=64)

    laid = laid_by_tape(disc, (150, 200, 450, 400), {"left": [156], "right": [144], "top": [200]}, RULES)

    assert laid.shift == pytest.approx((-6, 0), abs=0.1)


@pytest.mark.parametrize(
    "read", [{}, {"left": []}, {"left": [1, 2, 3]}, {"left": [1e6]}, {"top": [float("nan")]}], ids=str
)
def test_what_cannot_be_read_is_refused(read) -> None:
    with pytest.raises(BadInput):
        laid_by_tape(MAT, BOX, read, RULES)


def test_seen_through_left_and_right_are_the_makers_own() -> None:
    """A design 50 right of the middle, worked from the back: it lies 50 left of it before the maker."""
    sources = files(box=rect(0, 0, 100, 50))
    made = job_of(artwork(200.0, "box", x=50.0), surface="glass", blank=Blank(600, 400), border=50.0)
    plan = make_plan(altered(made, seen_through=True), sources, CATALOGUE, check_cut)
    front = make_plan(made, sources, CATALOGUE, check_cut)

    # The mask is 300 wide: from the front 200 to 500.
    assert laid_mask(front, 1, {"left": [200], "right": [100]}, CATALOGUE).shift[0] == pytest.approx(0, abs=0.01)
    assert laid_mask(plan, 1, {"left": [100], "right": [200]}, CATALOGUE).shift[0] == pytest.approx(0, abs=0.01)
    with pytest.raises(NoSuchThing):
        laid_mask(plan, 2, {"left": [100]}, CATALOGUE)
    # Read to the artwork, a border of 50 further in, it says the same; a patch is read to its own edge.
    off = laid_mask(front, 1, {"left": [255], "right": [145]}, CATALOGUE, to="artwork")
    assert off.shift[0] == pytest.approx(-5, abs=0.01)
    assert laid_mask(plan, 1, {"left": [150]}, CATALOGUE, to="artwork").is_within
