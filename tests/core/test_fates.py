"""Fates that change the design: centres painted solid, artwork dropped."""

import pytest

from dunestead.core.errors import BadInput
from dunestead.core.mask.fates import check_fates, settle
from dunestead.core.mask.loose import cut_mask, shape_mask
from tests.shapes import WORD, frame, masked, painted, rect


def settled(body: str, fates, width: float = 100.0):
    found = painted(body, width)
    return found, settle(found, [("", cut_mask(found, 20.0))], fates)


@pytest.mark.parametrize(
    ("fates", "said"), [({9: "keep"}, "no loose piece 9"), ({0: "keep"}, "no loose piece 0"), ({1: "sell"}, "sell")]
)
def test_a_fate_that_makes_no_sense_is_refused(fates, said) -> None:
    with pytest.raises(BadInput, match=said):
        check_fates(fates, masked(WORD).loose)


def test_keeping_and_bridging_leave_the_design_as_it_is() -> None:
    found, after = settled(WORD, {1: "keep", 2: "bridge"})

    assert after.painted is found


def test_a_piece_left_out_is_painted_solid() -> None:
    _, after = settled(frame(0, 0, 40, 20), {1: "leave-out"}, 40.0)

    assert after.painted.region.area == pytest.approx(1600)
    assert after.moved == (0.0, 0.0)


def test_it_takes_the_colour_around_it() -> None:
    red = frame(0, 0, 40, 20).replace("<path", '<path fill="#c62828"')
    blue = frame(60, 0, 40, 20).replace("<path", '<path fill="#2f6db5"')

    _, after = settled(red + blue, {2: "leave-out"})

    assert after.painted.colours["#2f6db5"].area == pytest.approx(1600)
    assert after.painted.colours["#c62828"].area == pytest.approx(1200)


def test_dropping_takes_the_shape_around_the_piece_and_leaves_its_neighbours() -> None:
    """The 8 of the word has two holes; dropping one of them drops the 8."""
    _, after = settled(WORD, {2: "drop"})

    assert after.painted.region.area == pytest.approx(1200 + 600)


def test_what_lies_further_in_stays() -> None:
    body = frame(0, 0, 100, 80) + rect(40, 40, 20, 20)

    found, after = settled(body, {1: "drop"})

    assert found.region.area == pytest.approx(3600 + 400)
    assert after.painted.region.area == pytest.approx(400)
    assert after.moved == (40.0, 40.0)
    assert after.painted.bbox == pytest.approx((0, 0, 20, 20))


def test_dropping_all_there_is_is_refused() -> None:
    with pytest.raises(BadInput, match="nothing to paint"):
        settled(frame(0, 0, 40, 20), {1: "drop"}, 40.0)


@pytest.mark.parametrize("fate", ["drop", "leave-out"])
def test_a_shape_of_a_reverse_mask_that_is_not_laid_is_painted_over(fate) -> None:
    found = painted(frame(0, 0, 40, 20) + rect(60, 0, 40, 40), 100.0)

    after = settle(found, [("", shape_mask(found, 20.0))], {2: fate})

    assert after.painted.region.area == pytest.approx(1200)
