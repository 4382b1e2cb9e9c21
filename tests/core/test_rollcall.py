"""The roll-call: a piece keeps its number while it is the same piece."""

from dunestead.core.geometry.affine import Affine
from dunestead.core.mask.loose import cut_mask
from dunestead.core.mask.rollcall import Seat, call_roll
from tests.shapes import WORD, frame, masked, painted, rect


def numbered(body: str, width: float, roll=()):
    found = painted(body, width)
    seat = Seat(1, found.colours, Affine.scaling(found.width))
    (mask,), known = call_roll([("", cut_mask(found, 20.0))], [seat], roll)
    return {piece.number: piece for piece in mask.loose}, known


def test_at_first_pieces_are_numbered_from_one_in_reading_order() -> None:
    pieces, roll = numbered(WORD, 100.0)

    assert list(pieces) == [1, 2, 3]
    assert [entry.number for entry in roll] == [1, 2, 3]


def test_numbers_survive_another_size() -> None:
    small, roll = numbered(WORD, 100.0)
    large, _ = numbered(WORD, 350.0, roll)

    assert [round(large[n].centroid[0] / small[n].centroid[0], 6) for n in (1, 2, 3)] == [3.5] * 3


def test_a_new_piece_gets_a_new_number_and_the_others_keep_theirs() -> None:
    whole = WORD + rect(0, 60, 100, 5)
    before, roll = numbered(whole, 100.0)
    more, _ = numbered(whole + frame(40, 70, 20, 10), 100.0, roll)

    assert sorted(more) == [1, 2, 3, 4]
    assert all(more[n].centroid == before[n].centroid for n in (1, 2, 3))


def test_a_number_once_given_is_not_given_again() -> None:
    whole = WORD + rect(0, 60, 100, 5)
    _, roll = numbered(whole, 100.0)
    fewer, roll = numbered(whole + rect(10, 10, 20, 20), 100.0, roll)
    more, _ = numbered(whole + rect(10, 10, 20, 20) + frame(40, 70, 20, 10), 100.0, roll)

    assert sorted(fewer) == [2, 3]
    assert sorted(more) == [2, 3, 4]


def test_a_piece_that_comes_back_has_its_old_number() -> None:
    _, roll = numbered(WORD, 100.0)
    _, roll = numbered(WORD + rect(10, 10, 20, 20), 100.0, roll)
    back, _ = numbered(WORD, 100.0, roll)

    assert sorted(back) == [1, 2, 3]


def test_without_pieces_the_roll_stays_as_it_is() -> None:
    assert call_roll([("", masked(rect(0, 0, 5, 5)))], [], ())[1] == ()
