"""Styles as a browser applies them: rules, specificity, importance, variables; written back as plain attributes.

The normaliser knows presentation attributes well and style sheets a little. So all that a style says is settled here,
by the CSS cascade (CSS Cascading and Inheritance 4, section 6), and nothing of it is left for it to overlook.
"""

import xml.etree.ElementTree as ET
from collections.abc import Iterator
from dataclasses import dataclass, field

import cssselect2
import tinycss2

from dunestead.core.artwork.drawing import Notice
from dunestead.formats.svg.guard import SVG
from dunestead.formats.svg.transforms import css_transform

__all__ = ["settle_styles"]

_GEOMETRY = frozenset({"x", "y", "cx", "cy", "r", "rx", "ry", "width", "height"})
_PRESENTATION = frozenset(
    {"fill", "fill-opacity", "fill-rule", "stroke", "stroke-dasharray", "stroke-dashoffset", "stroke-linecap"}
    | {"stroke-linejoin", "stroke-miterlimit", "stroke-opacity", "stroke-width", "clip-path", "clip-rule", "mask"}
    | {"mask-type", "opacity", "display", "visibility", "color", "overflow", "stop-color", "stop-opacity", "filter"}
    | {"marker-start", "marker-mid", "marker-end", "paint-order", "vector-effect", "isolation", "mix-blend-mode"}
    | {"font-family", "font-size", "font-style", "font-weight", "text-anchor", "letter-spacing", "word-spacing"}
)
_MOST_SUBSTITUTIONS = 8
_NAMED = 3
_SCREEN = ("", "all", "screen", "only screen", "only all")
_MEDIA = {
    "(prefers-color-scheme:light)": True,
    "(prefers-color-scheme:dark)": False,
    "(prefers-reduced-motion:no-preference)": True,
    "(prefers-reduced-motion:reduce)": False,
}
Order = tuple[bool, bool, tuple[int, ...], int]


@dataclass(frozen=True, slots=True)
class _Declaration:
    name: str
    value: str
    order: Order


@dataclass(slots=True)
class _Unknown:
    """What of the styles was not understood, each told once."""

    things: dict[str, None] = field(default_factory=dict)

    def add(self, thing: str) -> None:
        self.things[thing[:40]] = None

    def notices(self) -> list[Notice]:
        if not self.things:
            return []
        named = ", ".join(f"“{thing}”" for thing in list(self.things)[:3]) + (
            " and more" if len(self.things) > 3 else ""
        )
        return [
            Notice("style", f"Not everything its styles say was understood: {named}. Look whether anything is missing.")
        ]


def settle_styles(root: ET.Element) -> list[Notice]:
    """Write what a drawing's styles say into plain attributes, in place; returns what was not understood."""
    unknown = _Unknown()
    matcher = _matcher(root, unknown)
    inherited: dict[ET.Element, dict[str, str]] = {}
    for wrapper in cssselect2.ElementWrapper.from_xml_root(root).iter_subtree():
        element = wrapper.etree_element
        if not isinstance(element.tag, str):
            continue
        found = [declaration for *_, own in matcher.match(wrapper) for declaration in own]
        found += _declared(element.attrib.pop("style", ""), (), 0, inline=True)
        found.sort(key=lambda declaration: declaration.order)
        own = {declaration.name: declaration.value for declaration in found}
        above = inherited.get(wrapper.parent.etree_element, {}) if wrapper.parent else {}
        variables = above | {name: value for name, value in own.items() if name.startswith("--")}
        inherited[element] = variables
        _apply(element, own, variables, root, unknown)
    for parent in list(root.iter()):
        for style in [child for child in parent if child.tag == SVG + "style"]:
            parent.remove(style)
    _alpha_masks(root)
    return unknown.notices()


# --- rules ------------------------------------------------------------------------------------
def _matcher(root: ET.Element, unknown: _Unknown) -> cssselect2.Matcher:
    matcher, order = cssselect2.Matcher(), 0
    sheets = [style.text or "" for style in root.iter(SVG + "style") if style.get("type", "text/css") == "text/css"]
    for sheet in sheets:
        rules = tinycss2.parse_stylesheet(sheet, skip_comments=True, skip_whitespace=True)
        for rule in _applying(rules, unknown):
            order += 1
            text = tinycss2.serialize(rule.prelude)
            try:
                selectors = cssselect2.compile_selector_list(rule.prelude)
            except cssselect2.SelectorError:
                unknown.add(text.strip())
                continue
            for selector in selectors:
                if selector.pseudo_element is None:
                    own = _declared(rule.content, selector.specificity, order, inline=False)
                    matcher.add_selector(selector, own)
    return matcher


def _applying(rules: list[tinycss2.ast.Node], unknown: _Unknown) -> Iterator[tinycss2.ast.QualifiedRule]:
    """Yield the rules that hold on a screen."""
    for rule in rules:
        if rule.type == "qualified-rule":
            yield rule
        elif rule.type == "at-rule" and rule.lower_at_keyword == "media" and rule.content is not None:
            if _holds(tinycss2.serialize(rule.prelude), unknown):
                inner = tinycss2.parse_rule_list(rule.content, skip_comments=True, skip_whitespace=True)
                yield from _applying(inner, unknown)
        elif rule.type == "at-rule" and rule.lower_at_keyword in ("supports", "layer", "container"):
            unknown.add(f"@{rule.lower_at_keyword}")


def _holds(media: str, unknown: _Unknown) -> bool:
    """Say whether a media query holds on a light screen; what hangs on a window's size is told."""
    return any(_one_holds(query, unknown) for query in media.lower().split(","))


def _one_holds(query: str, unknown: _Unknown) -> bool:
    for part in query.split(" and "):
        plain = part.strip()
        if plain in _SCREEN:
            continue
        known = _MEDIA.get(plain.replace(" ", ""))
        if known is None and plain.split(" ")[0] in ("print", "speech", "not"):
            known = plain in ("not print", "not speech")
        if known is None:
            unknown.add(f"@media {query.strip()}")
        if not known:
            return False
    return True


def _declared(
    content: str | list[tinycss2.ast.Node], specificity: tuple[int, ...], order: int, *, inline: bool
) -> list[_Declaration]:
    found = tinycss2.parse_blocks_contents(content, skip_comments=True, skip_whitespace=True)
    return [
        _Declaration(
            node.name if node.name.startswith("--") else node.lower_name,
            tinycss2.serialize(node.value).strip(),
            (node.important, inline, specificity, order),
        )
        for node in found
        if node.type == "declaration"
    ]


# --- what an element gets ---------------------------------------------------------------------
def _apply(
    element: ET.Element, own: dict[str, str], variables: dict[str, str], root: ET.Element, unknown: _Unknown
) -> None:
    settled: dict[str, str] = {}
    for name, raw in own.items():
        if not name.startswith("--") and (value := _resolved(raw, variables)) is not None:
            settled[name] = value
    for name, value in list(element.attrib.items()):
        if "var(" in value and (resolved := _resolved(value, variables)) is not None:
            element.set(name, resolved)
    if "marker" in settled:
        for end in ("start", "mid", "end"):
            settled.setdefault(f"marker-{end}", settled["marker"])
    for name, value in settled.items():
        if "calc(" in value:
            unknown.add(f"{name}: {value}")
        elif name in _PRESENTATION or (name in _GEOMETRY and element.tag != SVG + "svg"):
            element.set(name, value)
        elif name == "d" and value.startswith("path("):
            element.set("d", value[5:-1].strip().strip("\"'"))
    if element.get("visibility") == "collapse":
        element.set("visibility", "hidden")
    _transform(element, settled, root, unknown)


def _transform(element: ET.Element, settled: dict[str, str], root: ET.Element, unknown: _Unknown) -> None:
    origin = settled.get("transform-origin", element.attrib.pop("transform-origin", ""))
    declared = settled.get("transform", element.get("transform", ""))
    if "transform" not in settled and not origin:
        return
    box = [float(n) for n in root.get("viewBox", "0 0 0 0").replace(",", " ").split()]
    as_attribute = css_transform(declared, origin, (box[2], box[3]))
    if as_attribute is None or "transform-box" in settled:
        unknown.add(f"transform: {declared} {origin}".strip())
    elif as_attribute:
        element.set("transform", as_attribute)
    else:
        element.attrib.pop("transform", None)


def _resolved(value: str, variables: dict[str, str]) -> str | None:
    """Return a value with its variables put in; None where one is not known and has no fallback."""
    for _ in range(_MOST_SUBSTITUTIONS):
        if "var(" not in value:
            return value
        parts = []
        for node in tinycss2.parse_component_value_list(value):
            if node.type == "function" and node.lower_name == "var":
                name, _, fallback = tinycss2.serialize(node.arguments).partition(",")
                known = variables.get(name.strip(), fallback.strip() or None)
                if known is None:
                    return None
                parts.append(known)
            else:
                parts.append(node.serialize())
        value = "".join(parts)
    return None


def _alpha_masks(root: ET.Element) -> None:
    """Paint white what lies in masks that let through by opacity and not by lightness."""
    for mask in root.iter(SVG + "mask"):
        if mask.get("mask-type") != "alpha":
            continue
        mask.set("fill", "#ffffff")
        for inside in mask.iter():
            for paint in ("fill", "stroke"):
                if inside.get(paint, "none") != "none":
                    inside.set(paint, "#ffffff")
