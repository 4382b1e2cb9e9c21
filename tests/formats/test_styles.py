"""What drawings say in styles, and files that are none: read as meant, or told in a sentence."""

import base64
import io

import pytest
from PIL import Image

from dunestead.core.artwork.painted import paint
from dunestead.core.errors import ArtworkRefused, ArtworkUnreadable
from dunestead.formats import artwork
from dunestead.formats.artwork import read_drawing
from dunestead.formats.svg.guard import MOST_BYTES
from tests.shapes import svg

DOT = '<circle cx="80" cy="80" r="5"/>'


@pytest.mark.parametrize(
    ("style", "named"),
    [
        ("@media (min-width: 900px){circle{display:none}}", "min-width"),
        ("circle{transform:translate(50%, 0)}", "translate"),
        ("circle{r:calc(2px + 3px)}", "calc"),
        ("circle::::x{fill:none}", "circle"),
    ],
)
def test_what_a_style_says_and_is_not_understood_is_told(style: str, named: str) -> None:
    drawing = read_drawing(svg(f"<style>{style}</style>" + DOT, 'viewBox="0 0 100 100"'))
    (notice,) = drawing.notices

    assert notice.code == "style"
    assert named in notice.message


def test_a_mask_that_lets_a_little_through_is_told() -> None:
    mask = '<mask id="m"><rect width="20" height="20" fill="#555"/></mask>'
    drawn = mask + '<rect width="90" height="90" mask="url(#m)"/>' + DOT
    drawing = read_drawing(svg(drawn, 'viewBox="0 0 100 100"'))

    assert [notice.code for notice in drawing.notices] == ["faint-mask"]


def test_prefixes_that_a_drawing_program_forgot_to_declare_are_no_matter() -> None:
    data = svg('<sodi:view foo:bar="1"/>' + DOT)

    assert paint(read_drawing(data), 30.0).region.area == pytest.approx(706.86, rel=1e-3)


def test_a_survey_far_from_nought_keeps_its_corners() -> None:
    """A step of 1 on a plot 200 wide, a thousand kilometres off, in single precision nothing."""
    steps = "M5000000.5 4000000.25h200v100h-199v1h-1z"
    shape = paint(read_drawing(svg(f'<path d="{steps}"/>')), 200.0).region

    assert shape.area == pytest.approx(200 * 100 + 1, abs=0.05)
    assert shape.bounds == pytest.approx((0, 0, 200, 101), abs=0.01)


@pytest.mark.parametrize(
    ("data", "said"),
    [
        (b"%PDF-1.7 ...", "PDF"),
        (b"%!PS-Adobe-3.0", "PostScript"),
        (b"PK\x03\x04....", "zip"),
        (b"<!DOCTYPE html><html></html>", "web page"),
        (b'{"dunestead_job": 1}', "file of data"),
    ],
)
def test_other_files_are_called_by_their_name(data: bytes, said: str) -> None:
    with pytest.raises(ArtworkUnreadable, match=said):
        read_drawing(data)


def test_too_much_is_refused_before_it_is_looked_into() -> None:
    with pytest.raises(ArtworkRefused, match="MB"):
        read_drawing(b"<svg>" + b" " * MOST_BYTES)


def test_whatever_a_reader_stumbles_over_is_told_in_a_sentence(monkeypatch: pytest.MonkeyPatch) -> None:
    def stumble(_: bytes) -> None:
        raise ZeroDivisionError

    monkeypatch.setattr(artwork, "read_svg", stumble)

    with pytest.raises(ArtworkUnreadable, match="ZeroDivisionError"):
        read_drawing(svg(DOT))


def test_a_picture_in_a_drawing_is_left_out_and_told() -> None:
    """The normaliser keeps pictures by a name whose prefix it does not always declare."""
    bytes_of = io.BytesIO()
    Image.new("L", (1, 1)).save(bytes_of, "PNG")
    pixel = "data:image/png;base64," + base64.b64encode(bytes_of.getvalue()).decode()
    picture = f'<image width="9" height="9" xmlns:l="http://www.w3.org/1999/xlink" l:href="{pixel}"/>'
    drawing = read_drawing(svg(picture + DOT, 'viewBox="0 0 100 100"'))

    assert len(drawing.shapes) == 1
    assert [notice.code for notice in drawing.notices] == ["raster"]
