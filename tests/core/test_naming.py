"""Where a piece sits, in words."""

import pytest

from dunestead.core.mask.naming import name_pieces
from tests.making import job_of, look, words
from tests.shapes import WORD, artwork, files

# A bar of 120 by 60 with two holes near its middle.
PAIR = '<path fill-rule="evenodd" d="M0 0h120v60h-120zM46 26h8v8h-8zM64 26h8v8h-8z"/>'
SOURCES = files(gull=WORD, pair=PAIR)


def names(*elements, **entries) -> list[str]:
    seen = look(job_of(*elements, **entries), SOURCES)
    around = {entry.number: entry.element for entry in seen.job.mask.roll}
    return name_pieces(
        seen.found,
        [around[piece.number] for piece in seen.found],
        seen.composition,
        is_reverse=seen.job.mask.reverse,
    )


def test_the_centres_of_letters_are_named_by_letter_and_word() -> None:
    assert names(words("BOOTS", 500.0)) == [
        "upper centre of the B in BOOTS",
        "lower centre of the B in BOOTS",
        "centre of the first O in BOOTS",
        "centre of the second O in BOOTS",
    ]


def test_each_word_counts_its_own_letters() -> None:
    found = names(words("DO\nNOT", 300.0))

    assert found == ["centre of the D in DO", "centre of the O in DO", "centre of the O in NOT"]


@pytest.mark.parametrize("arc", [200.0, -200.0])
def test_along_an_arc_letters_are_told_apart_too(arc: float) -> None:
    assert set(names(words("ABOD", 40.0, sized_by="cap", arc=arc))) == {
        "centre of the A in ABOD",
        "upper centre of the B in ABOD",
        "lower centre of the B in ABOD",
        "centre of the O in ABOD",
        "centre of the D in ABOD",
    }


def test_capitals_are_named_as_they_are_set() -> None:
    assert names(words("oho", 300.0, capitals=True))[1] == "centre of the second O in OHO"


def test_the_centre_of_a_letter_with_another_one_in_it_stays_its_own() -> None:
    ring, inner = words("O", 200.0), words("8", 25.0, 2, colour="#c62828", sized_by="cap")

    assert "centre of the O in O" in names(ring, inner, masks="each")


def test_in_drawn_artwork_the_place_is_named_by_thirds() -> None:
    """Of 100 by 40 the holes are about (20, 20), (60, 10) and (60, 30)."""
    assert names(artwork(400.0, "gull")) == ["in gull, left", "in gull, top", "in gull, bottom"]


def test_pieces_in_one_place_are_counted_from_the_left() -> None:
    assert names(artwork(400.0, "pair")) == [
        "in pair, middle, 1 of 2 from the left",
        "in pair, middle, 2 of 2 from the left",
    ]


def test_in_a_reverse_mask_it_is_the_letter_itself() -> None:
    assert names(words("OX", 300.0), reverse=True) == ["the O in OX", "the X in OX"]
