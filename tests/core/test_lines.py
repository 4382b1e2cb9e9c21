"""Words of a new job break into lines where one line would be too low; scripts run their own way."""

import pytest

from dunestead.catalogue.face_files import open_face
from dunestead.core.artwork.painted import paint
from dunestead.core.artwork.words.lines import in_lines
from dunestead.core.artwork.words.setting import Setting, set_words
from tests.making import CATALOGUE

FACE = open_face("archivo-black")
MAT = (540.0, 340.0)


def height_of(text: str, room: tuple[float, float]) -> float:
    """Return the height of a capital when the words are set as wide or as high as the room, measured on outlines."""
    words = set_words(Setting(text, 100.0, "cap"), FACE)
    x0, y0, x1, y1 = paint(words.drawing, 100.0).region.bounds
    scale = words.width / (x1 - x0)
    return 100.0 * min(room[0] / (x1 - x0), room[1] / (y1 - y0)) / scale


def test_one_line_that_is_high_enough_is_left() -> None:
    assert in_lines("LOW TIDE", FACE, MAT, 40.0) == "LOW TIDE"


def test_what_the_maker_broke_or_cannot_be_broken_is_left() -> None:
    assert in_lines("MIND THE\nSTEP PLEASE", FACE, MAT, 40.0) == "MIND THE\nSTEP PLEASE"
    assert in_lines("UNBREAKABLEWORDTHATISLONG", FACE, MAT, 40.0) == "UNBREAKABLEWORDTHATISLONG"


@pytest.mark.parametrize("text", ["MIND THE STEP PLEASE", "WIPE YOUR SANDY FEET", "A B C D E F G H WINDOWSILLS"])
def test_lines_are_broken_so_that_letters_are_highest(text: str) -> None:
    """Held against every way of breaking the words, each set and measured."""
    words = text.split()
    ways = []
    for mask in range(2 ** (len(words) - 1)):
        line = words[0]
        for k, word in enumerate(words[1:]):
            line += ("\n" if mask >> k & 1 else " ") + word
        ways.append(line)

    chosen = in_lines(text, FACE, MAT, 60.0)

    assert chosen.replace("\n", " ") == text
    assert height_of(chosen, MAT) == pytest.approx(max(height_of(way, MAT) for way in ways), rel=0.04)


def test_hebrew_runs_from_right_to_left_and_figures_in_it_do_not() -> None:
    """The first letter stands furthest right; 12 after it stands left of all, its 1 before its 2."""
    glyphs = open_face("rubik").shape("אב 12", apart=False).glyphs
    at = {glyph.first: glyph.x for glyph in glyphs}

    assert at[0] > at[1] > at[4] > at[3]


def test_arabic_letters_are_joined_in_their_forms() -> None:
    """A letter between two others takes another form than one that stands alone."""
    face = open_face("rubik")
    middle = face.shape("ببب", apart=False).glyphs
    alone = face.shape("ب", apart=False).glyphs

    assert len(middle) == 3
    assert len({glyph.outline.segments.tobytes() for glyph in middle} | {alone[0].outline.segments.tobytes()}) >= 3


@pytest.mark.parametrize("text", ["ПРИВЕТ", "ΚΑΛΗΜΕΡΑ", "שלום", "مرحبا", "CAFÉ"])
def test_every_script_has_a_face_that_lacks_nothing(text: str) -> None:
    assert [key for key in CATALOGUE.faces if not open_face(key).lacks(text)]


def test_a_script_nobody_draws_is_said_to_be_lacking() -> None:
    assert all(open_face(key).lacks("海") for key in CATALOGUE.faces)
