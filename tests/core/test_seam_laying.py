"""What a tape reads across a seam: closer, further off, or right."""

import pytest

from dunestead.core.errors import BadInput
from dunestead.core.sheets.seams import CheckPair, Seam
from dunestead.core.tacking.seam_laying import laid_at_seam

PAIRS = (CheckPair("A1", (75.0, 20.0), (125.0, 20.0)), CheckPair("A2", (75.0, 220.0), (125.0, 220.0)))
SEAM = Seam("A", 1, (1, 2), (100.0, 0.0), (100.0, 240.0), 5.0, PAIRS)


@pytest.mark.parametrize(
    ("readings", "off", "words"),
    [
        ({"A1": 53, "A2": 50}, {"A1": 3, "A2": 0}, ["3 mm closer at A1", "leave it at A2"]),
        ({"A1": 46, "A2": 55}, {"A1": -4, "A2": 5}, ["4 mm further off at A1", "5 mm closer at A2"]),
        ({"A1": 51, "A2": 49}, {"A1": 1, "A2": -1}, ["within 2 mm", "Tape the seam"]),
        ({"A1": 50}, {"A1": 0}, ["within 2 mm", "Read A2 too"]),
        ({"A2": 58}, {"A2": 8}, ["8 mm closer at A2", "Read A1 too"]),
    ],
)
def test_the_second_patch_is_moved_by_what_the_marks_are_off(readings, off, words) -> None:
    laid = laid_at_seam(SEAM, readings, 2.0)

    assert laid.off == pytest.approx(off)
    assert laid.is_within is all(abs(error) <= 2 for error in off.values())
    assert laid.knows_turn is (len(off) == 2)
    assert all(word in " ".join(laid.instructions) for word in words)


@pytest.mark.parametrize(
    ("readings", "said"),
    [({}, "Nothing was read"), ({"B1": 50}, "no marks B1"), ({"A1": 500}, "A1 reads 500 mm, and should read 50 mm")],
)
def test_what_cannot_be_read_there_is_said(readings, said) -> None:
    with pytest.raises(BadInput, match=said):
        laid_at_seam(SEAM, readings, 2.0)


def test_inches_are_said_in_inches() -> None:
    assert "in closer at A1" in " ".join(laid_at_seam(SEAM, {"A1": 62.7, "A2": 50}, 2.0, "in").instructions)
