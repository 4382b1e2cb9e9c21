"""The page a drawing lies on: how it is stretched, and what lies far off brought near before precision is lost."""

import re
import xml.etree.ElementTree as ET
from itertools import islice

from fontTools.pens.perimeterPen import PerimeterPen
from fontTools.pens.svgPathPen import SVGPathPen
from fontTools.pens.transformPen import TransformPen
from fontTools.svgLib.path.parser import parse_path

from dunestead.core.artwork.drawing import Notice
from dunestead.formats.svg.guard import SVG
from dunestead.formats.svg.transforms import length_of

__all__ = ["bring_near", "scale_dashes", "settle_page"]

# In single precision, coordinates as many times larger than a drawing lose a fiftieth of a millimetre of a mat.
_FAR = 20.0
_DIGITS = 12
_NUMBER = re.compile(r"[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?")
_POINTS = (SVG + "polygon", SVG + "polyline")
_AT = {
    SVG + "rect": (("x",), ("y",)),
    SVG + "circle": (("cx",), ("cy",)),
    SVG + "ellipse": (("cx",), ("cy",)),
    SVG + "line": (("x1", "x2"), ("y1", "y2")),
}


def settle_page(root: ET.Element) -> list[Notice]:
    """Stretch a drawing as its page is stretched, where it asks to be, in place."""
    if not root.get("preserveAspectRatio", "").strip().startswith("none"):
        return []
    view = [float(n) for n in root.get("viewBox", "").replace(",", " ").split()]
    width, height = (length_of(root.get(side, "")) for side in ("width", "height"))
    if len(view) != 4 or not width or not height or not (view[2] > 0 and view[3] > 0):
        return []
    stretch = (height / view[3]) / (width / view[2])
    _wrap(root, f"scale(1 {stretch!r})")
    root.set("viewBox", f"{view[0]} {view[1] * stretch} {view[2]} {view[3] * stretch}")
    return []


def _wrap(root: ET.Element, transform: str) -> None:
    group = ET.Element(SVG + "g", {"transform": transform})
    group.extend(list(root))
    for child in list(root):
        root.remove(child)
    root.append(group)


def scale_dashes(root: ET.Element) -> list[Notice]:
    """Measure dashes by the length that a path says it has, in place."""
    unknown = False
    for element in root.iter():
        length_text = element.attrib.pop("pathLength", None)
        dashes = element.get("stroke-dasharray", "none")
        if length_text is None or dashes == "none":
            continue
        true = _length(element)
        stated = length_of(length_text)
        numbers = [length_of(part) for part in dashes.replace(",", " ").split()]
        if not true or not stated or any(number is None for number in numbers):
            unknown = True
            continue
        scale = true / stated
        element.set("stroke-dasharray", " ".join(repr((number or 0.0) * scale) for number in numbers))
        if offset := length_of(element.get("stroke-dashoffset", "0")):
            element.set("stroke-dashoffset", repr(offset * scale))
    if unknown:
        return [Notice("dashes", "Dashes measured by a length of their own are taken as they are written.")]
    return []


def _length(element: ET.Element) -> float | None:
    if element.tag == SVG + "path":
        pen = PerimeterPen()  # type: ignore[no-untyped-call]
        try:
            parse_path(element.get("d", ""), pen)  # type: ignore[no-untyped-call]
        except Exception:
            return None
        return float(pen.value)
    if element.tag == SVG + "line":
        x1, y1, x2, y2 = (length_of(element.get(name, "0")) or 0.0 for name in ("x1", "y1", "x2", "y2"))
        return float(((x2 - x1) ** 2 + (y2 - y1) ** 2) ** 0.5)
    if element.tag == SVG + "circle":
        return 6.283185307179586 * (length_of(element.get("r", "0")) or 0.0)
    return None


def bring_near(root: ET.Element) -> None:
    """Shift a drawing whose coordinates are far from nought, as surveys have them, to nought, in place.

    Only where nothing in it is transformed: elsewhere coordinates are not what they seem.
    """
    if any("transform" in element.attrib or "gradientTransform" in element.attrib for element in root.iter()):
        return
    places = [place for element in root.iter() if (place := _first_point(element))]
    if not places:
        return
    x, y = (sorted(axis)[len(axis) // 2] for axis in zip(*places, strict=True))
    spread = max(max(abs(px - x), abs(py - y)) for px, py in places) or 1.0
    view = [float(n) for n in root.get("viewBox", "").replace(",", " ").split()]
    size = max(view[2:]) if len(view) == 4 else spread
    if max(abs(x), abs(y)) < _FAR * max(spread, size):
        return
    for element in root.iter():
        _shift(element, -x, -y)
    if len(view) == 4:
        root.set("viewBox", f"{view[0] - x!r} {view[1] - y!r} {view[2]!r} {view[3]!r}")


def _first_two(data: str) -> list[str]:
    return [match[0] for match in islice(_NUMBER.finditer(data), 2)]


def _first_point(element: ET.Element) -> tuple[float, float] | None:
    if element.tag == SVG + "path":
        numbers = _first_two(element.get("d", ""))
    elif element.tag in _POINTS:
        numbers = _first_two(element.get("points", ""))
    elif element.tag in _AT:
        numbers = [element.get(names[0], "0") for names in _AT[element.tag]]
    else:
        return None
    found = [length_of(number) for number in numbers[:2]]
    return (found[0], found[1]) if len(found) == 2 and found[0] is not None and found[1] is not None else None


def _shift(element: ET.Element, dx: float, dy: float) -> None:
    if element.tag == SVG + "path":
        pen = SVGPathPen(None, ntos=lambda number: f"{number:.{_DIGITS}g}")
        try:
            shifting = TransformPen(pen, (1, 0, 0, 1, dx, dy))  # type: ignore[no-untyped-call]
            parse_path(element.get("d", ""), shifting)  # type: ignore[no-untyped-call]
        except Exception:
            return
        element.set("d", pen.getCommands())  # type: ignore[no-untyped-call]
    elif element.tag in _POINTS:
        numbers = [float(n) for n in element.get("points", "").replace(",", " ").split()]
        moved = [repr(n + (dx if k % 2 == 0 else dy)) for k, n in enumerate(numbers)]
        element.set("points", " ".join(moved))
    elif element.tag in _AT:
        for names, by in zip(_AT[element.tag], (dx, dy), strict=True):
            for name in names:
                element.set(name, repr((length_of(element.get(name, "0")) or 0.0) + by))
