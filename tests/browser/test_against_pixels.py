"""Loose pieces and areas against another program: the browser draws, a labelling of pixels counts."""

import cv2
import numpy as np
import pytest
from playwright.sync_api import Page

from dunestead.catalogue import load_catalogue
from dunestead.catalogue.face_files import open_face
from dunestead.core.artwork.painted import paint
from dunestead.core.artwork.words.setting import Setting, set_words
from dunestead.core.mask.loose import cut_mask
from dunestead.formats.svg import read_svg
from dunestead.formats.svg.writer import write_drawing
from tests.shapes import NESTED, WORD, rect, ring, svg

pytestmark = pytest.mark.browser
WIDE = 1200
DEMO = ["cabin-mat", "boathouse-shirt", "kitchen-towel", "ferry-tote", "tide-rug"]
DRAWN = {
    "word": (WORD, "0 0 100 40"),
    "nested": (NESTED, "0 0 100 100"),
    "dashes": (
        '<circle cx="50" cy="50" r="40" fill="none" stroke="#000" stroke-width="9" stroke-dasharray="31 12 7"/>'
        + ring(50, 50, 25, 15),
        "0 0 100 100",
    ),
    "joins": (
        '<g fill="none" stroke="#000" stroke-width="8"><path d="M10 40L30 10L50 40z"/>'
        '<path stroke-linejoin="round" d="M60 40L80 10L95 40z"/><path stroke-linejoin="bevel" d="M10 90L30 60L50 90z"/>'
        '<path stroke-miterlimit="1" d="M60 90L80 60L95 90z"/></g>',
        "0 0 105 100",
    ),
    "a star that crosses itself": ('<path d="M25 2L40 48L2 20H48L10 48z"/>', "0 0 50 50"),
    "clips and uses": (
        '<clipPath id="c"><circle cx="25" cy="25" r="20"/></clipPath>'
        '<g clip-path="url(#c)"><rect width="50" height="50"/></g>'
        '<symbol id="s" viewBox="0 0 10 10"><path fill-rule="evenodd" d="M0 0h10v10H0zM3 3v4h4V3z"/></symbol>'
        '<use href="#s" x="55" y="5" width="40" height="40"/>',
        "0 0 100 50",
    ),
    "arcs": (
        '<path fill-rule="evenodd" d="M10 25a20 15 30 1 1 60 0a20 15 30 1 1-60 0z'
        'm12 0a9 9 0 1 0 18 0a9 9 0 1 0-18 0z"/>',
        "0 -10 80 70",
    ),
    "corner to corner": (
        rect(20, 0, 20, 20) + rect(0, 20, 20, 20) + rect(40, 20, 20, 20) + rect(20, 40, 20, 20),
        "0 0 60 60",
    ),
}  # fmt: skip

HALF = '<rect x="10" y="10" width="40" height="20"/>'
DOT = '<circle cx="80" cy="80" r="5"/>'
# What style sheets, masks and pages can say beyond plain shapes; the box is in the drawing's own units.
STYLED = {
    "alpha mask by style": '<mask id="m" style="mask-type:alpha"><rect x="10" y="10" width="20" height="50"/></mask>'
    '<rect width="100" height="100" mask="url(#m)"/>',
    "alpha mask by attribute": '<mask id="m" mask-type="alpha"><circle cx="50" cy="50" r="20" fill="#123"/></mask>'
    '<rect width="100" height="100" mask="url(#m)"/>',
    "light mask": '<mask id="m"><rect width="40" height="50" fill="#fff"/><path d="M9 9h9v9H9z"/></mask>'
    '<rect width="100" height="100" mask="url(#m)"/>',
    "transform by style": '<rect x="10" y="-50" width="40" height="20" style="transform:rotate(90deg)"/>' + DOT,
    "transform by rule": '<style>rect{transform:translate(20px,0) scale(1,2)}</style>' + HALF,
    "about an origin": '<rect x="10" y="10" width="40" height="20" transform="rotate(30)" transform-origin="30 20"/>',
    "about the middle": "<style>rect{transform:rotate(0.02turn);transform-origin:center}</style>" + HALF,
    "important": "<style>rect{fill:none!important}</style>"
    '<rect x="10" y="10" width="40" height="20" style="fill:red"/>' + DOT,
    "second child": "<style>rect:nth-child(3){display:none}</style>" + HALF + '<rect x="60" width="30" height="40"/>',
    "variables": "<style>:root{--c:none}.a{--d:#000}</style>"
    f'<g style="fill:var(--c)">{HALF}</g><g class="a"><path d="M60 0h9v9h-9z" style="fill:var(--d,none)"/></g>' + DOT,
    "for a screen": "<style>@media screen{.a{display:none}}@media print{circle{display:none}}</style>"
    f'<g class="a">{HALF}</g>' + DOT,
    "geometry by style": '<style>circle{r:30px;cx:40px}</style><circle cx="50" cy="50" r="5"/>',
    "specificity": "<style>#x{fill:none}.y{fill:#000}rect.y{fill:#000}</style>"
    '<rect id="x" class="y" width="30" height="30"/>' + DOT,
    "collapsed": f'<g visibility="collapse">{HALF}</g>' + DOT,
    "dashes by a length of their own": '<path d="M5 50H95" stroke="#000" stroke-width="10" pathLength="9" '
    'stroke-dasharray="1 2"/>',
    "nothing but transparent stops": '<linearGradient id="g"><stop stop-color="red" stop-opacity="0"/>'
    '<stop offset="1" stop-opacity="0"/></linearGradient><rect width="40" height="20" fill="url(#g)"/>' + DOT,
}  # fmt: skip


def drawn_by_the_browser(page: Page, data: str, width: float, height: float) -> np.ndarray:
    """Return where the browser paints, one value a pixel."""
    high = round(WIDE * height / width)
    page.set_viewport_size({"width": WIDE, "height": high})
    page.set_content(f"<style>body{{margin:0}}svg{{display:block;width:{WIDE}px;height:{high}px}}</style>{data}")
    picture = cv2.imdecode(np.frombuffer(page.screenshot(), np.uint8), cv2.IMREAD_COLOR)
    ink = (255 - picture.astype(int)).max(axis=2)
    return ink > ink.max() / 2


def holes(painted: np.ndarray) -> list[int]:
    """Return the areas in pixels of all background that does not reach the rim; corners do not join."""
    background = np.pad(~painted, 2, constant_values=True).astype(np.uint8)
    count, labels, stats, _ = cv2.connectedComponentsWithStats(background, connectivity=4)
    areas = [int(stats[k, cv2.CC_STAT_AREA]) for k in range(1, count) if k != labels[0, 0]]
    return sorted(area for area in areas if area > 4)


def compare(page: Page, data: bytes, box: tuple[float, float]) -> None:
    drawing = read_svg(data)
    found = paint(drawing, 400.0)
    mask = cut_mask(found, 20.0)
    seen = drawn_by_the_browser(page, data.decode().split("?>")[-1], *box)
    mm2 = (box[0] / WIDE * found.to_mm.a) ** 2

    counted = holes(seen)
    assert len(counted) == len(mask.loose)
    for pixels, piece in zip(counted, sorted(mask.loose, key=lambda p: p.area), strict=True):
        # Half a pixel along the edge either way.
        assert pixels * mm2 == pytest.approx(piece.area, rel=0.005, abs=0.6 * piece.shape.length * mm2**0.5)
    assert seen.sum() * mm2 == pytest.approx(found.region.area, rel=0.01)


@pytest.mark.parametrize(("body", "view"), DRAWN.values(), ids=DRAWN.keys())
def test_shapes_are_counted_as_the_browser_draws_them(page: Page, body: str, view: str) -> None:
    width, height = (float(n) for n in view.split()[2:])

    compare(page, svg(body, f'viewBox="{view}"'), (width, height))


@pytest.mark.parametrize("body", STYLED.values(), ids=STYLED.keys())
def test_styles_masks_and_pages_are_read_as_the_browser_reads_them(page: Page, body: str) -> None:
    compare(page, svg(body.replace("red", "#000"), 'viewBox="0 0 100 100"'), (100, 100))


def test_a_page_that_stretches_stretches_what_lies_on_it(page: Page) -> None:
    around = 'width="200" height="100" viewBox="0 0 100 100" preserveAspectRatio="none"'

    compare(page, svg(ring(50, 50, 40, 20), around), (100, 50))


@pytest.mark.parametrize("name", DEMO)
def test_the_demos_artwork_is_counted_as_the_browser_draws_it(page: Page, name: str) -> None:
    from importlib import resources

    data = (resources.files("dunestead.demo") / "artwork" / f"{name}.svg").read_bytes()
    page_of = read_svg(data).page
    # Cream on white would not be seen; what is painted counts, not its colour.
    dark = data.replace(b"#f3efe4", b"#000000").replace(b"#c9a24b", b"#000000")

    compare(page, dark, (page_of.width, page_of.height))


@pytest.mark.parametrize("face", load_catalogue().faces)
def test_words_are_counted_as_the_browser_draws_their_file(page: Page, face: str) -> None:
    """Every face, its letters set close, as the command line writes them."""
    setting = Setting("Boat 8\ngang 46", 400.0, letter_gap=-1.0, colour="#000000")
    drawing = set_words(setting, open_face(face)).drawing
    data = write_drawing(drawing, 400.0, "Words").encode()
    page_of = read_svg(data).page

    compare(page, data, (page_of.width, page_of.height))
    assert len(cut_mask(paint(drawing, 400.0), 20.0).loose) == len(cut_mask(paint(read_svg(data), 400.0), 20.0).loose)
