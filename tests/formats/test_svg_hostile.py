"""Hostile files: a clear error in bounded time and memory, and nothing fetched or run."""

import gzip
import math
import time

import pytest

from dunestead.core.artwork.painted import paint
from dunestead.core.errors import ArtworkRefused, ArtworkUnreadable, BadInput
from dunestead.formats.svg import read_svg
from dunestead.formats.svg.guard import MOST_BYTES
from tests.shapes import SVG_NS, rect, svg

BOMB = "".join('<!ENTITY a{} "{}">'.format(i, f"&a{i - 1};" * 10) for i in range(1, 10))
USES = "".join('<g id="u{}">{}</g>'.format(i, f'<use href="#u{i - 1}"/>' * 10) for i in range(1, 9))
REFUSED = {
    "entity bomb": f'<!DOCTYPE svg [<!ENTITY a0 "ha">{BOMB}]><svg {SVG_NS}><text>&a9;</text></svg>'.encode(),
    "long entity": f'<!DOCTYPE svg [<!ENTITY a "{"x" * 5000}">]><svg {SVG_NS}>{"&a;" * 2000}</svg>'.encode(),
    "file entity": f'<!DOCTYPE svg [<!ENTITY a SYSTEM "file:///etc/passwd">]><svg {SVG_NS}>&a;</svg>'.encode(),
    "remote entity": f'<!DOCTYPE svg [<!ENTITY % a SYSTEM "http://example.invalid/"> %a;]><svg {SVG_NS}/>'.encode(),
    "deep nesting": svg("<g>" * 5000 + rect(0, 0, 1, 1) + "</g>" * 5000),
    "use bomb": svg('<rect id="u0" width="1" height="1"/>' + USES),
    "script": svg("<script>fetch('http://example.invalid/')</script>" + rect(0, 0, 1, 1)),
    "event": svg(rect(0, 0, 1, 1, 'onload="alert(1)"')),
    "script link": svg(f'<a href="javascript:alert(1)">{rect(0, 0, 1, 1)}</a>'),
    "remote picture": svg('<image href="http://example.invalid/a.png" width="9" height="9"/>'),
    "remote use": svg('<use xlink:href="https://example.invalid/a.svg#x"/>'),
    "remote use without scheme": svg('<use href="//example.invalid/a.svg#x"/>'),
    "remote style": svg("<style>@import url(http://example.invalid/a.css);</style>" + rect(0, 0, 1, 1)),
    "remote font": svg("<style>@font-face{src:url('https://example.invalid/f.woff')}</style>" + rect(0, 0, 1, 1)),
    "remote fill": svg(rect(0, 0, 1, 1, "style=\"fill:url('http://example.invalid/a.svg#g')\"")),
    "style sheet": b'<?xml-stylesheet href="http://example.invalid/a.css"?>' + svg(rect(0, 0, 1, 1)),
    "include": svg('<i:include xmlns:i="http://www.w3.org/2001/XInclude" href="/etc/passwd"/>'),
    "far coordinate": svg('<path d="M0 0L1000000000 5L4 4z"/>'),
    "far by exponent": svg('<path d="M0 0L1e9 5L4 4z"/>'),
    "far by transform": svg('<g transform="scale(1e6)"><g transform="scale(1000)">' + rect(0, 0, 9, 9) + "</g></g>"),
    "far from its page": svg(f'<g transform="rotate(1)">{rect(5_000_000, 5_000_000, 3, 3)}</g>'),
    "huge": b"<svg>" + b" " * (100 * 1024 * 1024),
    "zip of nothing": gzip.compress(b" " * (MOST_BYTES * 4)),
}
UNREADABLE = {
    "nan": svg('<path d="M0 0L NaN 5L4 4z"/>'),
    "infinity": svg('<rect width="inf" height="3"/>'),
    "nan in points": svg('<polygon points="0,0 nan,4 5,5"/>'),
    "empty": b"",
    "blank": b"  \n ",
    "not xml": b"PK\x03\x04 this is no drawing",
    "half a file": svg(rect(0, 0, 1, 1))[:-9],
    "a web page": b"<html><body>hello</body></html>",
    "odd encoding": b'<?xml version="1.0" encoding="klingon"?><svg/>',
    "broken zip": b"\x1f\x8b\x08\x00broken",
    "no size": f'<svg {SVG_NS} width="0" height="0">{rect(0, 0, 1, 1)}</svg>'.encode(),
}


@pytest.mark.parametrize("data", REFUSED.values(), ids=REFUSED.keys())
def test_a_trap_is_refused_with_a_sentence_and_what_to_do(data: bytes) -> None:
    before = time.process_time()

    with pytest.raises(ArtworkRefused) as error:
        read_svg(data)

    assert error.value.what.endswith(".")
    assert error.value.fix.endswith(".")
    # Processor time of this process: the deadline inside the cage is 0.8 s.
    assert time.process_time() - before < 5


@pytest.mark.parametrize("data", UNREADABLE.values(), ids=UNREADABLE.keys())
def test_what_is_no_drawing_is_said_to_be_none(data: bytes) -> None:
    with pytest.raises(ArtworkUnreadable) as error:
        read_svg(data)

    assert error.value.fix.endswith(".")


def test_a_use_of_itself_paints_nothing_and_ends() -> None:
    drawing = read_svg(svg('<g id="a"><use href="#a"/></g>' + rect(0, 0, 9, 9)))

    assert len(drawing.shapes) == 1


def test_a_reference_to_nothing_is_no_error() -> None:
    assert len(read_svg(svg(rect(0, 0, 9, 9, 'fill="url(#none) red"') + '<use href="#gone"/>')).shapes) == 1


def test_all_refusals_are_bad_input() -> None:
    assert issubclass(ArtworkRefused, BadInput)
    assert issubclass(ArtworkUnreadable, BadInput)


def test_names_with_signs_in_them_are_names_and_never_markup() -> None:
    """The normaliser writes names as they are: one could come out as a shape of its own."""
    page = '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="100mm" viewBox="0 0 100 100">'
    evil = "a&quot;/&gt;&lt;path d=&quot;M0 0H99V99Z&quot;/&gt;&lt;g id=&quot;b"
    drawing = read_svg(
        f'{page}<defs><linearGradient id="x &amp; y"><stop stop-color="#123456"/></linearGradient></defs>'
        f'<g id="Layer &amp; Co"><rect width="20" height="20" fill="url(#x &amp; y)"/></g>'
        f'<g id="{evil}"><rect x="50" width="20" height="20"/></g></svg>'.encode()
    )

    assert [shape.groups for shape in drawing.shapes] == [("Layer & Co",), ('a"/><path d="M0 0H99V99Z"/><g id="b',)]
    assert [shape.fill for shape in drawing.shapes] == ["#123456", "#000000"]


@pytest.mark.parametrize("radius", ["1e-300", "1e-12", "0.0001"])
def test_an_arc_too_small_for_its_way_grows_whatever_its_size(radius: str) -> None:
    """By the rule for radii too small the arc is half a circle over its chord of 40: 20 pi by hand, and the chord."""
    page = '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="100mm" viewBox="0 0 100 100">'
    drawing = read_svg(f'{page}<path d="M30 50A{radius} {radius} 0 0 1 70 50Z"/></svg>'.encode())

    region = paint(drawing, 40.0).region
    assert region.area == pytest.approx(math.pi * 20**2 / 2, rel=0.002)
