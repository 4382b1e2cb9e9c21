"""SVG as people buy and draw it: each oddity paints the same as its plain twin."""

import gzip
import math

import pytest
import shapely

from dunestead.core.artwork.painted import paint
from dunestead.formats.svg import read_svg
from dunestead.formats.svg.arcs import arc_to_cubics
from dunestead.formats.svg.pathdata import read_path
from tests.shapes import SVG_NS, drawn, rect, svg

WIDTH = 200.0
TWO_SQUARES = rect(0, 0, 10, 10) + rect(20, 10, 10, 10)


def region(data: bytes) -> shapely.MultiPolygon:
    return paint(read_svg(data), WIDTH).region


def same(one: shapely.MultiPolygon, other: shapely.MultiPolygon) -> bool:
    return shapely.symmetric_difference(one, other).area < 2e-4 * other.area


TWINS = {
    "groups with transforms": '<g transform="translate(5 5)"><g transform="scale(2)">'
    + rect(0, 0, 5, 5)
    + '</g><g transform="translate(20,10)">'
    + rect(0, 0, 10, 10)
    + "</g></g>",
    "matrix and rotation": '<g transform="rotate(90 5 5)">'
    + rect(0, 0, 10, 10)
    + '</g><rect width="10" height="10" transform="matrix(1 0 0 1 20 10)"/>',
    "use with href": '<defs><rect id="a" width="10" height="10"/></defs><use href="#a"/><use href="#a" x="20" y="10"/>',
    "use with xlink": '<defs><rect id="a" width="10" height="10"/></defs>'
    '<use xlink:href="#a"/><use xlink:href="#a" transform="translate(20 10)"/>',
    "symbol with its own viewBox": '<symbol id="s" viewBox="0 0 1 1"><rect width="1" height="1"/></symbol>'
    '<use href="#s" width="10" height="10"/><use href="#s" x="20" y="10" width="10" height="10"/>',
    "nested pages": '<svg x="0" y="0" width="10" height="10" viewBox="0 0 2 2"><rect width="2" height="2"/></svg>'
    + rect(20, 10, 10, 10),
    "css classes": "<style>.k{fill:#123}.n{fill:none}</style>"
    + rect(0, 0, 10, 10, 'class="k"')
    + rect(20, 10, 10, 10, 'class="k"')
    + rect(0, 0, 40, 40, 'class="n"'),
    "css by element and id": "<style>rect{fill:none}#a,#b{fill:red}</style>"
    + rect(0, 0, 10, 10, 'id="a"')
    + rect(20, 10, 10, 10, 'id="b"')
    + rect(5, 5, 90, 9),
    "inline style over attribute": rect(0, 0, 10, 10, 'fill="none" style="fill:black"')
    + rect(20, 10, 10, 10)
    + rect(0, 0, 99, 99, 'style="fill:none"'),
    "currentColor": '<g color="#0a0" fill="currentColor">' + TWO_SQUARES + "</g>",
    "hidden parts": TWO_SQUARES
    + rect(-9, 0, 5, 5, 'display="none"')
    + rect(-9, 0, 5, 5, 'style="visibility:hidden"')
    + '<g opacity="0">'
    + rect(-9, 0, 5, 5)
    + "</g>",
    "polygons and polylines": '<polygon points="0,0 10,0 10,10 0,10"/><polyline points="20 10 30 10 30 20 20 20"/>',
    "relative path commands": '<path d="m0 0h10v10h-10z m20 10l10 0 0 10-10 0z"/>',
    "path without gaps": '<path d="M0,0H10V10H0zM20,10h10v10h-10z"/>',
    "clip path": '<clipPath id="c"><rect width="10" height="10"/></clipPath>'
    '<rect width="50" height="50" clip-path="url(#c)"/>' + rect(20, 10, 10, 10),
    "clip path by the box": '<clipPath id="c" clipPathUnits="objectBoundingBox">'
    '<rect width=".5" height=".5"/></clipPath>'
    '<rect width="20" height="20" clip-path="url(#c)"/>' + rect(20, 10, 10, 10),
    "clip within a clip": '<clipPath id="a"><rect width="10" height="99"/></clipPath>'
    '<clipPath id="b" clip-path="url(#a)"><rect width="99" height="10"/></clipPath>'
    '<rect width="50" height="50" clip-path="url(#b)"/>' + rect(20, 10, 10, 10),
    "mask": '<mask id="m"><rect width="99" height="99" fill="#fff"/><rect x="10" width="9" height="20"/></mask>'
    '<rect width="19" height="10" mask="url(#m)"/>' + rect(20, 10, 10, 10),
    "stroke as wide as the shape": '<path d="M0 5H10" stroke="red" stroke-width="10"/>' + rect(20, 10, 10, 10),
    "stroke scaled unevenly": '<path transform="scale(2 10)" d="M0 .5H5" stroke="red" stroke-width="1"/>'
    + rect(20, 10, 10, 10),
    "several colours": rect(0, 0, 10, 10, 'fill="red"') + rect(20, 10, 10, 10, 'fill="hsl(120,50%,50%)"'),
    "gradient": '<linearGradient id="g"><stop stop-color="#fff"/></linearGradient>'
    + rect(0, 0, 10, 10, 'fill="url(#g)"')
    + rect(20, 10, 10, 10),
    "switch": "<switch><g>" + TWO_SQUARES + "</g></switch>",
    "links": '<a href="https://example.invalid/"><g>' + TWO_SQUARES + "</g></a>",
    "editor's metadata": '<metadata><x:rdf xmlns:x="http://example.invalid/ns#" x:about=""/></metadata>'
    '<ed:view xmlns:ed="http://example.invalid/editor" ed:zoom="2"/>' + TWO_SQUARES,
    "whitespace and comments": "<!-- one --> \n" + TWO_SQUARES + "\n<!-- two -->",
}


@pytest.mark.parametrize("body", TWINS.values(), ids=TWINS.keys())
def test_an_oddity_paints_as_its_plain_twin(body: str) -> None:
    assert same(region(svg(body)), region(svg(TWO_SQUARES)))


PLAIN = f"<svg {SVG_NS}>{TWO_SQUARES}</svg>"
WRAPPINGS = {
    "byte order mark": b"\xef\xbb\xbf" + PLAIN.encode(),
    "declaration": b'<?xml version="1.0" encoding="UTF-8" standalone="no"?>\n' + PLAIN.encode(),
    "two-byte characters": PLAIN.encode("utf-16"),
    "latin": b'<?xml version="1.0" encoding="ISO-8859-1"?><!-- caf\xe9 -->' + PLAIN.encode(),
    "doctype": b'<!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" '
    b'"http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd">' + PLAIN.encode(),
    "entity for a namespace": b'<!DOCTYPE svg [<!ENTITY ns "http://www.w3.org/2000/svg">]>'
    + PLAIN.replace("http://www.w3.org/2000/svg", "&ns;").encode(),
    "prefixed": '<s:svg xmlns:s="http://www.w3.org/2000/svg">{}</s:svg>'.format(
        TWO_SQUARES.replace("<rect", "<s:rect")
    ).encode(),
    "no namespace": f"<svg>{TWO_SQUARES}</svg>".encode(),
    "compressed": gzip.compress(PLAIN.encode()),
    "trailing newline": PLAIN.encode() + b"\n\n",
}


@pytest.mark.parametrize("data", WRAPPINGS.values(), ids=WRAPPINGS.keys())
def test_a_file_reads_the_same_however_it_is_wrapped(data: bytes) -> None:
    assert same(region(data), region(svg(TWO_SQUARES)))


@pytest.mark.parametrize(
    "attributes",
    [
        'viewBox="0 0 30 20"',
        'viewBox="-40 -10 100 100" width="10cm"',
        'width="30" height="20"',
        'width="8in" height="50%" viewBox="0 0 30 20"',
        'width="30mm" height="20mm" viewBox="0 0 30 20"',
        'width="300pt" height="200pt" viewBox="0 0 30 20" preserveAspectRatio="none"',
    ],
)
def test_the_page_does_not_change_what_is_painted(attributes: str) -> None:
    assert same(region(svg(TWO_SQUARES, attributes)), region(svg(TWO_SQUARES)))


@pytest.mark.parametrize(
    ("length", "units"),
    [("10mm", 37.7953), ("1cm", 37.7953), ("1in", 96), ("72pt", 96), ("96px", 96), ("96", 96), ("6pc", 96)],
)
def test_units_have_their_size(length: str, units: float) -> None:
    found = region(svg(f'<rect width="{length}" height="10"/>' + rect(0, 20, units, 10)))

    first, second = sorted(found.geoms, key=lambda part: part.bounds[1])
    assert first.bounds[2] == pytest.approx(second.bounds[2], rel=1e-4)


ARCS = {
    "half by flags run together": ("M0 5a5 5 0 0110 0a5 5 0 01-10 0z", math.pi * 25),
    "large arc": ("M5 0A5 5 0 1 1 0 5L5 5z", math.pi * 25 * 3 / 4),
    "small arc": ("M5 0A5 5 0 0 1 10 5L5 5z", math.pi * 25 / 4),
    "turned ellipse": ("M0 0A10 5 90 1 1 10 0A10 5 90 1 1 0 0z", math.pi * 50),
    "radii too small": ("M0 0A1 1 0 0 1 10 0z", math.pi * 25 / 2),
    "no radius": ("M0 0A0 5 0 0 1 10 0L10 10z", 50),
    "smooth curve after an arc": ("M0 0A5 5 0 0 1 10 0S10 5 10 10L0 10z", math.pi * 25 / 2 + 100),
}


@pytest.mark.parametrize(("data", "area"), ARCS.values(), ids=ARCS.keys())
def test_arcs_enclose_what_they_should(data: str, area: float) -> None:
    drawing = drawn(f'<path d="{data}"/>')
    painted = paint(drawing, WIDTH)

    assert painted.region.area / painted.to_mm.a**2 == pytest.approx(area, rel=3e-4)


@pytest.mark.parametrize(
    "data", ["M0 0A5 5 0 0 1 9 0z7L9 9z", "M0 0A5 5 0 0", "M0 0a5 5 0 0 1 9 0L", "A", "M0 0 9 0A5 5 0 2 1 9 9z"]
)
def test_arcs_in_broken_data_are_left_to_the_normaliser(data: str) -> None:
    assert drawn(TWO_SQUARES + f'<path d="{data}"/>').shapes


def test_an_arc_stays_on_its_ellipse() -> None:
    cubics = arc_to_cubics((0.0, 100.0), [100.0, 100.0, 0, 0, 1], (100.0, 0.0))

    assert cubics[-1][4:] == (100.0, 0.0)
    start = (0.0, 100.0)
    for x1, y1, x2, y2, x, y in cubics:
        middle = ((start[0] + 3 * x1 + 3 * x2 + x) / 8, (start[1] + 3 * y1 + 3 * y2 + y) / 8)
        assert math.dist(middle, (100.0, 100.0)) == pytest.approx(100, abs=1e-4)
        start = (x, y)


@pytest.mark.parametrize(
    ("body", "code", "words"),
    [
        ("<text>Tide  table</text>", "live-text", "“Tide table”"),
        ("<text><tspan>Fer</tspan><tspan>ry</tspan></text>", "live-text", "“Ferry”"),
        ('<image href="data:image/png;base64,AAAA" width="9" height="9"/>', "raster", "1 picture"),
        ('<image href="beach.png" width="9" height="9"/>', "raster", "1 picture"),
        ("<foreignObject><p xmlns='http://www.w3.org/1999/xhtml'>x</p></foreignObject>", "foreign", "web page text"),
        ('<filter id="f"><feGaussianBlur/></filter><rect width="9" height="9" filter="url(#f)"/>', "effect", "Blurs"),
        ('<path d="M0 0L9 0L9 9z oops"/>', "broken-path", "“oops”"),
        (rect(500, 500, 9, 9), "off-page", "1 shape reaches off"),
        (
            '<pattern id="p" width="1" height="1"><rect width="1" height="1"/></pattern>'
            + rect(0, 0, 9, 9, 'fill="url(#p)"'),
            "pattern",
            "solid",
        ),
    ],
)
def test_what_is_not_painted_is_said_in_plain_words(body: str, code: str, words: str) -> None:
    drawing = drawn(TWO_SQUARES + body, 'viewBox="0 0 100 100"')

    (notice,) = drawing.notices
    assert notice.code == code
    assert words in notice.message


@pytest.mark.parametrize("hidden", ["<defs>{}</defs>", '<g display="none">{}</g>', '<g style="display: none">{}</g>'])
def test_text_that_is_not_shown_is_not_complained_of(hidden: str) -> None:
    assert drawn(TWO_SQUARES + hidden.format("<text>x</text>")).notices == ()


def test_groups_keep_their_names() -> None:
    drawing = drawn(f'<g id="outer"><g id="cut">{rect(0, 0, 5, 5)}</g></g>{rect(9, 9, 5, 5)}')

    assert [shape.groups for shape in drawing.shapes] == [("outer", "cut"), ()]


def test_equal_bytes_are_read_once() -> None:
    assert read_svg(svg(TWO_SQUARES)) is read_svg(svg(TWO_SQUARES))


def test_a_contour_goes_on_from_where_the_last_was_closed() -> None:
    path = read_path("M 1 1 L 5 1 L 5 5 Z L 0 0 Z M 9 9 L 8 8")

    assert path.closed == (True, True, False)
    assert path.segments[path.contour == 1][0, 0].tolist() == [1, 1]
