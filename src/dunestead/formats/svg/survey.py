"""A look through an SVG before it is normalised: refuse what is hostile, tell what is not painted."""

import re
import xml.etree.ElementTree as ET
from collections.abc import Iterator

from dunestead.core.artwork.drawing import Notice
from dunestead.core.errors import ArtworkRefused, ArtworkUnreadable
from dunestead.formats.svg.guard import SVG, XLINK

__all__ = ["LARGEST_COORDINATE", "adopt_namespace", "survey"]

LARGEST_COORDINATE = 1e7
_NUMERIC = frozenset(
    {"d", "points", "transform", "viewBox", "gradientTransform", "patternTransform"}
    | {"x", "y", "x1", "y1", "x2", "y2", "cx", "cy", "r", "rx", "ry", "width", "height", "dx", "dy"}
    | {"stroke-width", "stroke-dasharray", "stroke-miterlimit", "stroke-dashoffset"}
)
_NOT_A_NUMBER = re.compile(r"(?<![a-z])(nan|inf(inity)?)(?![a-z])", re.IGNORECASE)
_LONG_NUMBER = re.compile(r"[0-9]{8}")
_EXPONENT = re.compile(r"[eE]\+?[0-9]")
_NUMBER = re.compile(r"[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?")
_PATH_DATA = re.compile(r"[MmZzLlHhVvCcSsQqTtAa\d\s,.eE+-]*")
_REMOTE = re.compile(r"\s*(?:[a-z][a-z0-9+.-]*:)?//|\s*(?:file|ftp|javascript|vbscript):", re.IGNORECASE)
_STYLE_REMOTE = re.compile(r"@import|url\(\s*['\"]?\s*(?:(?:[a-z][a-z0-9+.-]*:)?//|file:|javascript:)", re.IGNORECASE)
_PLAIN = "Save it as plain SVG without scripts or links, and add it again."


def adopt_namespace(root: ET.Element) -> None:
    """Take a root called ``svg`` without a namespace for SVG, as hand-made files often are.

    Raises
    ------
    ArtworkUnreadable
        When the root is something else.
    """
    if root.tag == "svg":
        for element in root.iter():
            if isinstance(element.tag, str) and not element.tag.startswith("{"):
                element.tag = SVG + element.tag
    if root.tag != SVG + "svg":
        name = str(root.tag).rpartition("}")[2]
        raise ArtworkUnreadable(
            f"This file is not an SVG drawing; it starts with <{name[:40]}>.", "Choose a file saved as SVG."
        )


def survey(root: ET.Element) -> list[Notice]:
    """Return what the file holds that is not painted.

    Raises
    ------
    ArtworkRefused
        Scripts, remote references, coordinates out of all proportion.
    ArtworkUnreadable
        Coordinates that are no numbers.
    """
    for element in root.iter():
        _refuse_active(element)
        _refuse_remote(element)
        for name, value in element.attrib.items():
            if name in _NUMERIC:
                _check_numbers(name, value)
    shown = list(_shown(root))
    return [*_live_text(shown), *_pictures(shown), *_effects(root), *_broken_paths(shown)]


def _local(element: ET.Element) -> str:
    tag = element.tag
    return tag[len(SVG) :] if isinstance(tag, str) and tag.startswith(SVG) else ""


def _refuse_active(element: ET.Element) -> None:
    if _local(element) == "script" or any(name.startswith("on") for name in element.attrib):
        raise ArtworkRefused("This file carries a script, which a drawing to cut has no need of.", _PLAIN)
    if "XInclude" in str(element.tag):
        raise ArtworkRefused("This file asks for other files from outside itself.", _PLAIN)


def _refuse_remote(element: ET.Element) -> None:
    link = element.get("href") or element.get(XLINK + "href") or ""
    styled = " ".join(filter(None, (element.get("style"), element.text if _local(element) == "style" else "")))
    painted = " ".join(element.get(name, "") for name in ("fill", "stroke", "clip-path", "mask", "filter"))
    remote_link = _REMOTE.match(link) and (_local(element) not in ("", "a") or "script:" in link.lower())
    if remote_link or _STYLE_REMOTE.search(styled) or _STYLE_REMOTE.search(painted):
        raise ArtworkRefused("This file refers to something on the network or in another file.", _PLAIN)


def _check_numbers(name: str, value: str) -> None:
    if ("n" in value or "N" in value) and _NOT_A_NUMBER.search(value):
        raise ArtworkUnreadable(
            f"A coordinate in this file is not a number ({name}=“{_excerpt(value)}”).",
            "Repair or redraw that part in a drawing program, and save it again.",
        )
    if _LONG_NUMBER.search(value) or _EXPONENT.search(value):
        for number in _NUMBER.findall(value):
            if abs(float(number)) > LARGEST_COORDINATE:
                raise ArtworkRefused(
                    f"A coordinate in this file is out of all proportion ({number[:24]}).",
                    "Look for a stray point far off the page, delete it, and save the file again.",
                )


def _excerpt(value: str) -> str:
    return value if len(value) <= 40 else value[:37] + "..."


def _shown(element: ET.Element) -> Iterator[ET.Element]:
    if _local(element) in ("defs", "symbol", "clipPath", "mask", "pattern", "marker") or _is_hidden(element):
        return
    yield element
    for child in element:
        yield from _shown(child)


def _is_hidden(element: ET.Element) -> bool:
    style = (element.get("style") or "").replace(" ", "")
    return element.get("display") == "none" or "display:none" in style or "opacity:0;" in f"{style};"


def _live_text(shown: list[ET.Element]) -> list[Notice]:
    words = [" ".join("".join(e.itertext()).split()) for e in shown if _local(e) == "text"]
    words = [w for w in words if w]
    if not words:
        return []
    quoted = ", ".join(f"“{_excerpt(w)}”" for w in words[:3]) + (" and more" if len(words) > 3 else "")
    return [
        Notice(
            "live-text", f"Lettering kept as live text is not painted: {quoted}. Turn it into outlines before saving."
        )
    ]


def _pictures(shown: list[ET.Element]) -> list[Notice]:
    count = sum(_local(e) == "image" for e in shown)
    notices = []
    if count:
        subject = "1 picture made of pixels is" if count == 1 else f"{count} pictures made of pixels are"
        notices.append(Notice("raster", f"{subject} not painted. Trace it into shapes before saving."))
    if any(_local(e) == "foreignObject" for e in shown):
        notices.append(Notice("foreign", "A part made of web page text is not painted. Turn it into outlines."))
    return notices


def _effects(root: ET.Element) -> list[Notice]:
    styles = " ".join(e.get("style", "") + (e.text or "" if _local(e) == "style" else "") for e in root.iter())
    notices = []
    if any(e.get("filter", "none") != "none" for e in root.iter()) or re.search(r"filter\s*:\s*url", styles):
        notices.append(Notice("effect", "Blurs, shadows and other effects are left out; the plain shapes are painted."))
    if any(_local(e) == "pattern" for e in root.iter()):
        notices.append(Notice("pattern", "Areas filled with a pattern are painted solid."))
    if any(e.get("vector-effect") for e in root.iter()) or "non-scaling-stroke" in styles:
        notices.append(
            Notice("fixed-stroke", "Lines set to keep their width on screen are taken at their drawn width.")
        )
    return notices


def _broken_paths(shown: list[ET.Element]) -> list[Notice]:
    broken = [e.get("d", "") for e in shown if _local(e) == "path" and not _PATH_DATA.fullmatch(e.get("d", ""))]
    if not broken:
        return []
    at = _PATH_DATA.match(broken[0])
    rest = broken[0][at.end() if at else 0 :]
    return [Notice("broken-path", f"A path breaks off at “{_excerpt(rest)}”; what comes before it is painted.")]
