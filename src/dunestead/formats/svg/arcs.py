"""Circles and arcs as cubics fine enough for a mask as wide as a rug.

A quarter circle drawn as one cubic, as normalisers do, strays by 0.027 % of its radius:
0.05 mm on a 400 mm disc, over our flatness. Twelfths of a circle stray by 0.00004 %.
"""

import math
import re
import xml.etree.ElementTree as ET

from fontTools.svgLib.path.parser import ARC_COMMANDS, COMMAND_RE, FLOAT_RE

from dunestead.formats.svg.guard import SVG

__all__ = ["arc_to_cubics", "refine_arcs"]

# Radii smaller than this share of the way they span would leave what a number can hold once they are squared.
_TOO_SMALL = 1e-4
_STEP = math.pi / 6
_PLAIN_NUMBER = re.compile(r"\s*[+-]?(\d+\.?\d*|\.\d+)([eE][+-]?\d+)?(px)?\s*")
_FLAG_NUMBER = re.compile(r"\s*,?\s*([01])")
_ARC_NUMBER = re.compile(r"\s*,?\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)")
_PARAMETERS = {"m": 2, "l": 2, "h": 1, "v": 1, "c": 6, "s": 4, "q": 4, "t": 2, "a": 7}
Cubic = tuple[float, float, float, float, float, float]


def refine_arcs(root: ET.Element) -> None:
    """Replace circles, ellipses and path arcs in a tree by paths of fine cubics, in place."""
    for element in root.iter():
        if element.tag in (SVG + "circle", SVG + "ellipse"):
            _refine_ellipse(element)
        elif element.tag == SVG + "path" and set("Aa") & set(element.get("d", "")):
            element.set("d", _refine_path(element.get("d", "")))


def _refine_ellipse(element: ET.Element) -> None:
    names = ("r", "r") if element.tag == SVG + "circle" else ("rx", "ry")
    raw = [element.get(name, "0") for name in ("cx", "cy", *names)]
    # Percentages and other units are left to the normaliser, which knows the page.
    if not all(_PLAIN_NUMBER.fullmatch(value) for value in raw) or any(n not in element.attrib for n in names):
        return
    cx, cy, rx, ry = (float(value.strip().removesuffix("px")) for value in raw)
    if rx <= 0 or ry <= 0:
        return
    cubics = [*_sweep(cx, cy, rx, ry, 0.0, 0.0, 2 * math.pi)]
    element.tag = SVG + "path"
    for name in ("cx", "cy", "r", "rx", "ry"):
        element.attrib.pop(name, None)
    element.set("d", f"M{cx + rx!r} {cy!r}{_draw(cubics)}Z")


def _draw(cubics: list[Cubic]) -> str:
    return "".join("C" + " ".join(repr(value) for value in cubic) for cubic in cubics)


def _refine_path(data: str) -> str:
    """Rewrite a path with its arcs as cubics; everything else stays in its own letters.

    Data that breaks off is passed on as it is: the normaliser paints up to the break.
    """
    pieces = COMMAND_RE.split(data)
    out, here, start = [pieces[0]], (0.0, 0.0), (0.0, 0.0)
    for command, body in zip(pieces[1::2], pieces[2::2], strict=True):
        kind, relative = command.lower(), command.islower()
        numbers = _arc_numbers(body) if command in ARC_COMMANDS else [float(n) for n in FLOAT_RE.findall(body)]
        size = _PARAMETERS.get(kind, 0)
        if numbers is None or (len(numbers) % size or not numbers if size else numbers):
            return data
        if kind == "z":
            here = start
        if kind != "a":
            out.append(command + body)
        for i in range(0, len(numbers), size or 1):
            if kind == "a":
                end = _absolute(here, numbers[i + 5 : i + 7], relative)
                out.append(_draw(arc_to_cubics(here, numbers[i : i + 5], end)))
                here = end
            else:
                here = _moved(kind, here, numbers[i : i + size], relative)
                start = here if kind == "m" and i == 0 else start
        if kind == "a":
            # A relative or smooth command that follows needs no help: the last cubic ends where the arc did,
            # and by the specification a smooth one after an arc starts without a reflected handle.
            out.append(f"L{here[0]!r} {here[1]!r}")
    return "".join(out)


def _absolute(here: tuple[float, float], values: list[float], relative: bool) -> tuple[float, float]:
    return (here[0] + values[0], here[1] + values[1]) if relative else (values[0], values[1])


def _moved(kind: str, here: tuple[float, float], values: list[float], relative: bool) -> tuple[float, float]:
    if kind == "h":
        return (here[0] + values[0] if relative else values[0], here[1])
    if kind == "v":
        return (here[0], here[1] + values[0] if relative else values[0])
    return _absolute(here, values[-2:], relative)


def _arc_numbers(body: str) -> list[float] | None:
    """Read arc parameters, whose two flags may be written without a gap."""
    numbers: list[float] = []
    at = 0
    while body[at:].strip(" \t\r\n,"):
        pattern = _FLAG_NUMBER if len(numbers) % 7 in (3, 4) else _ARC_NUMBER
        match = pattern.match(body, at)
        if not match:
            return None
        numbers.append(float(match[1]))
        at = match.end()
    return numbers


def arc_to_cubics(start: tuple[float, float], shape: list[float], end: tuple[float, float]) -> list[Cubic]:
    """Return cubics along an elliptical arc.

    Parameters
    ----------
    start, end
        The arc's ends.
    shape
        Radius x, radius y, turn in degrees, large-arc flag, sweep flag.

    Notes
    -----
    Centre from ends by SVG 2, appendix B.2.4; radii too small grow as B.2.5 says.
    """
    rx, ry, turn = abs(shape[0]), abs(shape[1]), math.radians(shape[2] % 360)
    if start == end:
        return []
    chord = math.dist(start, end)
    if max(rx, ry) < chord * _TOO_SMALL:
        # It grows to reach from end to end, whatever its size: only its shape counts.
        rx, ry = (radius / max(rx, ry) * chord * _TOO_SMALL if radius else 0.0 for radius in (rx, ry))
    if min(rx, ry) < chord * _TOO_SMALL**2:
        return [(*start, *end, *end)]
    cos, sin = math.cos(turn), math.sin(turn)
    half_x, half_y = (start[0] - end[0]) / 2, (start[1] - end[1]) / 2
    x1, y1 = cos * half_x + sin * half_y, -sin * half_x + cos * half_y
    excess = (x1 / rx) ** 2 + (y1 / ry) ** 2
    if excess > 1:
        rx, ry = rx * math.sqrt(excess), ry * math.sqrt(excess)
    ratio = max((rx * ry) ** 2 / ((rx * y1) ** 2 + (ry * x1) ** 2) - 1, 0.0)
    root = math.sqrt(ratio) * (1 if bool(shape[3]) != bool(shape[4]) else -1)
    cx1, cy1 = root * rx * y1 / ry, -root * ry * x1 / rx
    cx = cos * cx1 - sin * cy1 + (start[0] + end[0]) / 2
    cy = sin * cx1 + cos * cy1 + (start[1] + end[1]) / 2
    first = math.atan2((y1 - cy1) / ry, (x1 - cx1) / rx)
    sweep = math.atan2((-y1 - cy1) / ry, (-x1 - cx1) / rx) - first
    sweep = sweep % (2 * math.pi) if shape[4] else -(-sweep % (2 * math.pi))
    cubics = _sweep(cx, cy, rx, ry, turn, first, sweep)
    return [*cubics[:-1], (*cubics[-1][:4], *end)] if cubics else [(*start, *end, *end)]


def _sweep(cx: float, cy: float, rx: float, ry: float, turn: float, first: float, sweep: float) -> list[Cubic]:
    count = max(1, math.ceil(abs(sweep) / _STEP - 1e-9))
    step = sweep / count
    handle = 4 / 3 * math.tan(step / 4)
    cos, sin = math.cos(turn), math.sin(turn)

    def place(x: float, y: float) -> tuple[float, float]:
        return (cx + cos * rx * x - sin * ry * y, cy + sin * rx * x + cos * ry * y)

    cubics = []
    for i in range(count):
        a, b = first + i * step, first + (i + 1) * step
        p1 = place(math.cos(a) - handle * math.sin(a), math.sin(a) + handle * math.cos(a))
        p2 = place(math.cos(b) + handle * math.sin(b), math.sin(b) - handle * math.cos(b))
        cubics.append((*p1, *p2, *place(math.cos(b), math.sin(b))))
    return cubics
