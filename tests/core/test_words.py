"""Words: shaped, set in lines and along arcs, sized; measured against the font's own tables."""

import io
import math
from importlib import resources

import numpy as np
import pytest
import shapely
from fontTools.pens.boundsPen import BoundsPen
from fontTools.ttLib import TTFont
from hypothesis import given, settings
from hypothesis import strategies as st

from dunestead.catalogue import load_catalogue
from dunestead.catalogue.face_files import open_face, open_font_file
from dunestead.core.artwork.elements import clean_text
from dunestead.core.artwork.painted import paint
from dunestead.core.artwork.words.face import Face
from dunestead.core.artwork.words.setting import Setting, SetWords, set_words
from dunestead.core.errors import ArtworkEmpty, BadInput, UnknownKey
from dunestead.core.mask.loose import cut_mask

FACES = list(load_catalogue().faces)
PRINTED = [
    row.key for row in load_catalogue().faces.values() if row.kind in ("chunky", "slab", "condensed", "typewriter")
]
STENCILS = [row.key for row in load_catalogue().faces.values() if row.kind == "stencil"]


def words(text: str, face: str = "archivo-black", size: float = 400.0, sized_by="width", **more) -> SetWords:
    return set_words(Setting(text, size, sized_by, **more), open_face(face))


def region_of(found: SetWords) -> shapely.MultiPolygon:
    return paint(found.drawing, found.width).region


def font_tables(face: str) -> TTFont:
    data = (resources.files("dunestead.catalogue") / "faces" / f"{face}.1.woff2").read_bytes()
    return TTFont(io.BytesIO(data))


def test_there_are_faces_of_every_kind() -> None:
    kinds = {row.kind for row in load_catalogue().faces.values()}

    assert len(FACES) >= 14
    assert kinds == {"chunky", "slab", "script", "hand", "typewriter", "condensed", "stencil"}


@pytest.mark.parametrize("face", FACES)
def test_every_face_has_its_licence_with_it(face: str) -> None:
    licence = (resources.files("dunestead.catalogue") / "faces" / f"{face}.licence.txt").read_text()

    assert "Open Font License" in licence or "Apache License" in licence


@pytest.mark.parametrize("face", FACES)
def test_words_are_as_wide_as_asked_in_every_face(face: str) -> None:
    found = words("Boats 8", face, 321.0)

    assert found.missing == ()
    assert region_of(found).bounds[2] == pytest.approx(321, abs=0.01)


@pytest.mark.parametrize("face", PRINTED)
def test_closed_letters_have_their_centres(face: str) -> None:
    """A and O have one each, B has two, 8 has two; D, P, R one each."""
    found = words("A O B 8 D P R", face, 700.0, letter_gap=6.0)

    assert len(cut_mask(paint(found.drawing, found.width), 30.0).loose) == 9


@pytest.mark.parametrize("face", STENCILS)
def test_true_stencil_faces_have_none(face: str) -> None:
    found = words("ABDOPQR04689abdegopq", face, 900.0)

    assert cut_mask(paint(found.drawing, found.width), 30.0).loose == ()


@pytest.mark.parametrize("face", ["courier-prime", "cutive-mono", "rubik-mono-one"])
def test_a_face_with_even_letters_is_set_by_its_own_advances(face: str) -> None:
    """Where nothing is kerned, a line reaches from the first letter's left side to the last one's right."""
    font = font_tables(face)
    glyphs, cmap, advances = font.getGlyphSet(), font.getBestCmap(), font["hmtx"]

    def bounds(letter: str) -> tuple[float, ...]:
        pen = BoundsPen(glyphs)
        glyphs[cmap[ord(letter)]].draw(pen)
        return pen.bounds

    text = "HATCH"
    ink = sum(advances[cmap[ord(c)]][0] for c in text[:-1]) + bounds("H")[2] - bounds("H")[0]
    tall = bounds("H")[3] - bounds("H")[1]
    found = words(text, face, 50.0, "cap")

    assert found.cap_height == pytest.approx(50)
    assert found.width == pytest.approx(50 * ink / tall, rel=1e-6)


def test_letters_are_kerned() -> None:
    """An A tucks under a V: side by side they take less than one by one."""
    pair = words("AV", size=100.0, sized_by="cap").width
    apart = sum(words(letter, size=100.0, sized_by="cap").width for letter in "AV")

    assert pair < apart


def test_a_letter_gap_comes_between_letters_only() -> None:
    plain = words("HATCH", size=60.0, sized_by="cap").width
    spaced = words("HATCH", size=60.0, sized_by="cap", letter_gap=7.5).width

    assert spaced - plain == pytest.approx(4 * 7.5)


@pytest.mark.parametrize("face", ["pacifico", "dancing-script"])
def test_a_joined_script_is_one_piece(face: str) -> None:
    assert len(region_of(words("mum", face)).geoms) == 1


def test_letters_set_closer_join() -> None:
    assert len(region_of(words("HH", size=60.0, sized_by="cap")).geoms) == 2
    assert len(region_of(words("HH", size=60.0, sized_by="cap", letter_gap=-30.0)).geoms) == 1


def test_accents_and_other_alphabets_are_drawn() -> None:
    assert words("Ångström œuf", "patrick-hand").missing == ()
    assert words("Лодка", "pacifico").missing == ()


def test_an_accent_typed_apart_is_the_accented_letter() -> None:
    apart = words(clean_text("e\u0301te\u0301"), size=200.0)

    assert apart.drawing == words("\u00e9t\u00e9", size=200.0).drawing


def test_an_accent_the_face_cannot_set_is_said() -> None:
    assert words("q\u20dd", "anton").missing == ("\u20dd",)


def test_a_letter_the_face_lacks_is_said_and_never_a_box() -> None:
    found = words("BOAT Ж", "anton")

    assert found.missing == ("Ж",)
    assert "no “Ж”" in found.drawing.notices[0].message
    assert [letter.character for letter in found.letters] == list("BOAT")


@pytest.mark.parametrize("text", ["Ж", "  ", "🌊"])
def test_words_of_which_nothing_can_be_drawn_are_refused(text: str) -> None:
    with pytest.raises(ArtworkEmpty, match="nothing to draw"):
        words(text, "anton")


def test_lines_stand_under_each_other_centred_by_their_ink() -> None:
    found = words("I\nWWWW", size=40.0, sized_by="cap")
    top, bottom = (
        [letter for letter in found.letters if (letter.character == "I") == first] for first in (True, False)
    )
    middles = [
        (min(letter.box[0] for letter in line) + max(letter.box[2] for letter in line)) / 2 for line in (top, bottom)
    ]

    assert middles[0] == pytest.approx(middles[1], abs=1e-6)
    assert bottom[0].box[1] > top[0].box[3]


@pytest.mark.parametrize(("align", "edge"), [("left", 0), ("right", 2)])
def test_lines_are_aligned_at_an_edge(align: str, edge: int) -> None:
    found = words("HI\nHHHH", size=40.0, sized_by="cap", align=align)
    first = [letter.box for letter in found.letters if letter.index < 2]
    second = [letter.box for letter in found.letters if letter.index > 2]
    pick = min if edge == 0 else max

    assert pick(box[edge] for box in first) == pytest.approx(pick(box[edge] for box in second), abs=1e-6)


def test_a_line_gap_moves_lines_apart() -> None:
    near, far = (region_of(words("H\nH", size=40.0, sized_by="cap", line_gap=gap)).bounds[3] for gap in (0.0, 12.0))

    assert far - near == pytest.approx(12, abs=0.01)


def test_capitals_keep_every_letters_colour() -> None:
    found = words("ab", capitals=True, letter_colours=((1, "#ff0000"),))

    assert [letter.character for letter in found.letters] == ["A", "B"]
    assert [shape.fill for shape in found.drawing.shapes] == ["#22313a", "#ff0000"]


@pytest.mark.parametrize("radius", [150.0, 400.0, -300.0])
def test_along_an_arc_every_letter_keeps_its_distance_from_the_middle(radius: float) -> None:
    """Feet of capitals stand on the circle: the ink's distances from its middle begin or end at the radius."""
    found = words("HIHIH", size=30.0, sized_by="cap", arc=radius)
    points = np.concatenate([shape.path.segments[:, [0, 3]].reshape(-1, 2) for shape in found.drawing.shapes])
    points = points * found.times
    away = np.hypot(*points.T)
    feet, heads = (away.min(), away.max()) if radius > 0 else (away.max(), away.min())

    assert feet == pytest.approx(abs(radius), rel=0.01, abs=0.5)
    assert abs(heads - feet) == pytest.approx(30, rel=0.05)


def test_words_along_the_bottom_read_from_inside() -> None:
    """Over the top the first letter is left of the last; along the bottom too, and both stand upright there."""
    for radius, up in ((200.0, -1), (-200.0, 1)):
        found = words("LIL", size=30.0, sized_by="cap", arc=radius)
        first, last = (found.drawing.shapes[k].path.segments[:, 0].mean(axis=0) for k in (0, -1))

        assert first[0] < 0 < last[0]
        assert first[1] * up > 0


def test_joined_letters_are_bent_and_stay_joined() -> None:
    assert len(region_of(words("mmmm", "pacifico", 300.0, arc=180.0)).geoms) == 1


@pytest.mark.parametrize(
    ("more", "said"),
    [
        ({"text": "MUCH TOO LONG FOR IT", "size": 60.0, "sized_by": "cap", "arc": 60.0}, "their circle measures"),
        ({"text": "A\nB\nC\nD", "size": 60.0, "sized_by": "cap", "arc": 120.0}, "past the middle"),
        ({"text": "ROUND", "size": 900.0, "arc": 50.0}, "cannot be 900 mm wide"),
        ({"text": "ABCDEF", "size": 20.0, "letter_gap": 40.0}, "cannot be 20 mm wide"),
        ({"text": "x" * 5000}, "too many for a mask"),
    ],
)
def test_what_cannot_be_set_is_refused(more, said: str) -> None:
    with pytest.raises(BadInput, match=said):
        words(**more)


@settings(max_examples=25, deadline=None)
@given(
    text=st.text("ABHMOW aeo\n", min_size=1, max_size=14).filter(str.strip),
    width=st.floats(60, 900),
    gap=st.floats(-0.5, 2.0),
)
def test_any_words_come_out_as_wide_as_asked(text: str, width: float, gap: float) -> None:
    found = words(text, "lilita-one", width, letter_gap=gap)

    assert found.width == pytest.approx(width, rel=1e-5)


def test_a_face_that_does_not_exist_is_named() -> None:
    with pytest.raises(UnknownKey, match="no face called"):
        open_face("comic-nonsense")


def test_a_damaged_font_is_refused() -> None:
    whole = (resources.files("dunestead.catalogue") / "faces" / "anton.1.woff2").read_bytes()

    for damaged in (whole[: len(whole) // 2], whole[:-500]):
        with pytest.raises(BadInput, match="not a font"):
            Face("mine", (damaged,)).shape("ROW", apart=False)


@pytest.mark.parametrize("data", [b"", b"not a font", b"wOF2 but not really", b"\x00\x01\x00\x00junk" * 30])
def test_a_file_that_is_no_font_is_refused(tmp_path, data: bytes) -> None:
    path = tmp_path / "own.ttf"
    path.write_bytes(data)

    with pytest.raises(BadInput, match="not a font"):
        open_font_file(path).shape("A", apart=False)


def test_a_font_file_of_ones_own_is_a_face(tmp_path) -> None:
    font = font_tables("anton")
    font.flavor = None
    font.save(tmp_path / "own.ttf")

    own = set_words(Setting("BOAT", 300.0), open_font_file(tmp_path / "own.ttf"))

    assert own.cap_height == pytest.approx(words("BOAT", "anton", 300.0).cap_height)


def test_the_height_of_a_letter_is_its_inks() -> None:
    found = words("Ho", size=100.0, sized_by="cap")
    high = {letter.character: letter.height for letter in found.letters}

    assert high["H"] == pytest.approx(100)
    assert 65 < high["o"] < 85
    assert math.isfinite(found.width)
