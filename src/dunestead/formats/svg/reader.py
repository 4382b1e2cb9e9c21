"""From an SVG file to a drawing."""

import hashlib
import math
import re
import xml.etree.ElementTree as ET
from dataclasses import replace
from functools import lru_cache

import numpy as np

from dunestead.core.artwork.drawing import Clip, Drawing, Notice, Page, Shape, shape_bounds
from dunestead.core.artwork.painted import lightness
from dunestead.core.errors import ArtworkRefused
from dunestead.core.geometry.affine import IDENTITY, Affine
from dunestead.core.geometry.curves import Box, path_bounds
from dunestead.core.geometry.strokes import Pen
from dunestead.core.units import MM_PER_INCH
from dunestead.formats.svg.arcs import refine_arcs
from dunestead.formats.svg.cage import normalise
from dunestead.formats.svg.cascade import settle_styles
from dunestead.formats.svg.guard import SVG, parse_plain, parse_xml
from dunestead.formats.svg.names import plain_names
from dunestead.formats.svg.page import bring_near, scale_dashes, settle_page
from dunestead.formats.svg.pathdata import read_paths
from dunestead.formats.svg.survey import LARGEST_COORDINATE, adopt_namespace, survey

__all__ = ["read_svg"]

_REFERENCE = re.compile(r"url\(#(.*?)\)")
# Single precision keeps 24 bits; below this share of its distance from the origin a length is lost.
_FINEST_SHARE = 2.0**-23
_LEAST_STEPS = 20_000
_GREY = "#808080"
_PER_INCH = 96.0
# Lines that only brush past the edge of the page, by this share of it, are no news.
_BLEED = 0.02


@lru_cache(maxsize=32)
def read_svg(data: bytes) -> Drawing:
    """Read an SVG file.

    Parameters
    ----------
    data
        The whole file, gzipped or not.

    Raises
    ------
    ArtworkUnreadable, ArtworkRefused
        With a sentence for the maker; see `guard`, `survey` and `cage`.

    Notes
    -----
    Equal bytes give the very same drawing, so that all reckoning on it is done once.
    """
    root = parse_xml(data)
    adopt_namespace(root)
    notices = [*survey(root), *settle_styles(root), *settle_page(root), *scale_dashes(root)]
    bring_near(root)
    refine_arcs(root)
    names = plain_names(root)
    plain = parse_plain(normalise(ET.tostring(root)))
    shapes = _Walk(plain, names).shapes()
    boxes = shape_bounds(shapes)
    _check_precision(boxes)
    page = _page(plain)
    notices += _faint_masks(shapes)
    return Drawing(hashlib.sha256(data).hexdigest(), tuple(shapes), (*notices, *_off_page(page, boxes)), page)


class _Walk:
    """Carries transforms and clips down a normalised tree and collects the visible shapes."""

    def __init__(self, root: ET.Element, named: dict[str, str]) -> None:
        self._root, self._named = root, named
        self._defined = {e.get("id"): e for e in root.iter() if e.get("id")}
        drawn = list(root.iter(SVG + "path"))
        self._paths = dict(zip(drawn, read_paths([element.get("d", "") for element in drawn]), strict=True))

    def shapes(self) -> list[Shape]:
        return self._group(self._root, IDENTITY, ())

    def _group(self, group: ET.Element, outer: Affine, names: tuple[str, ...]) -> list[Shape]:
        if group.get("opacity") == "0":
            return []
        found: list[Shape] = []
        for child in group:
            if child.tag == SVG + "g":
                own = child.get("id", "")
                inner = (*names, self._named.get(own, own)) if own else names
                found += self._group(child, _transform(child).then(outer), inner)
            elif child.tag == SVG + "path" and child.get("visibility") != "hidden":
                found += self._path(child, _transform(child).then(outer), names)
        clips = self._clips(group, outer, found)
        return found if not clips else [_clipped(shape, clips) for shape in found]

    def _path(
        self, element: ET.Element, transform: Affine, names: tuple[str, ...] = (), *, as_clip: bool = False
    ) -> list[Shape]:
        fill = "#000000" if as_clip else self._paint(element, "fill", "#000000")
        stroke = None if as_clip else self._paint(element, "stroke", "none")
        if not fill and not stroke:
            return []
        rule = element.get("clip-rule" if as_clip else "fill-rule", "nonzero")
        shape = Shape(
            self._paths[element],
            transform,
            fill,
            "evenodd" if rule == "evenodd" else "nonzero",
            stroke,
            _pen(element) if stroke else None,
            groups=names,
        )
        clips = self._clips(element, transform, [shape])
        return [_clipped(shape, clips) if clips else shape]

    def _paint(self, element: ET.Element, kind: str, default: str) -> str | None:
        value = element.get(kind, default)
        if value == "none" or float(element.get(f"{kind}-opacity", "1")) == 0:
            return None
        if reference := _REFERENCE.search(value):
            # A gradient is painted in one colour: the first that is seen.
            source = self._defined.get(reference[1])
            stops = source.findall(SVG + "stop") if source is not None else []
            seen = [stop for stop in stops if float(stop.get("stop-opacity", "1")) > 0]
            if stops and not seen:
                return None
            return seen[0].get("stop-color", _GREY) if seen else _GREY
        return value

    def _clips(self, element: ET.Element, transform: Affine, inside: list[Shape]) -> tuple[Clip, ...]:
        clips = []
        for attribute in ("clip-path", "mask"):
            reference = _REFERENCE.search(element.get(attribute, ""))
            source = self._defined.get(reference[1]) if reference else None
            if source is not None:
                clips.append(self._clip(source, transform, inside))
        return tuple(clips)

    def _clip(self, source: ET.Element, transform: Affine, inside: list[Shape]) -> Clip:
        is_mask = source.tag == SVG + "mask"
        units = source.get("maskContentUnits" if is_mask else "clipPathUnits")
        if units == "objectBoundingBox":
            transform = _box_transform(inside, transform).then(transform)
        transform = _transform(source).then(transform)
        if is_mask:
            alpha = source.get("mask-type") == "alpha" or "mask-type:alpha" in source.get("style", "")
            return Clip("clip" if alpha else "mask", tuple(self._group(source, transform, ())))
        paths = [
            shape
            for path in source.iter(SVG + "path")
            for shape in self._path(path, _transform(path).then(transform), as_clip=True)
        ]
        return Clip("clip", tuple(paths), self._clips(source, transform, inside))


def _clipped(shape: Shape, clips: tuple[Clip, ...]) -> Shape:
    return replace(shape, clips=(*shape.clips, *clips))


def _transform(element: ET.Element) -> Affine:
    text = element.get("transform")
    if not text:
        return IDENTITY
    a, b, c, d, e, f = (float(n) for n in text[text.index("(") + 1 : -1].replace(",", " ").split())
    return Affine(a, b, c, d, e, f)


def _pen(element: ET.Element) -> Pen:
    join = element.get("stroke-linejoin", "miter")
    cap = element.get("stroke-linecap", "butt")
    dashes = element.get("stroke-dasharray", "none")
    return Pen(
        width=float(element.get("stroke-width", "1")),
        cap="round" if cap == "round" else "square" if cap == "square" else "butt",
        join="round" if join == "round" else "bevel" if join == "bevel" else "miter",
        miter_limit=float(element.get("stroke-miterlimit", "4")),
        dashes=() if dashes == "none" else tuple(float(n) for n in dashes.replace(",", " ").split()),
        dash_offset=float(element.get("stroke-dashoffset", "0")),
    )


def _box_transform(inside: list[Shape], transform: Affine) -> Affine:
    """Return what carries the unit square to the box of some shapes, in their group's own units."""
    back = transform.inverse()
    box = _joint_box([path_bounds(shape.path, shape.transform.then(back)) for shape in inside])
    return Affine(a=box[2] - box[0], d=box[3] - box[1], e=box[0], f=box[1])


def _joint_box(boxes: list[Box | None]) -> Box:
    edges = np.array([box for box in boxes if box] or [(0.0, 0.0, 1.0, 1.0)])
    low, high = edges[:, :2].min(axis=0), edges[:, 2:].max(axis=0)
    return float(low[0]), float(low[1]), float(high[0]), float(high[1])


def _check_precision(boxes: list[Box | None]) -> None:
    box = _joint_box(boxes)
    farthest = max(abs(edge) for edge in box)
    if not math.isfinite(farthest) or farthest > LARGEST_COORDINATE:
        raise ArtworkRefused(
            "A part of this drawing lies out of all proportion far from the rest.",
            "Look for a stray point far off the page, delete it, and save the file again.",
        )
    if farthest * _FINEST_SHARE * _LEAST_STEPS > max(box[2] - box[0], box[3] - box[1]) > 0:
        raise ArtworkRefused(
            "The drawing sits so far from its page's corner that its lines lose their sharpness.",
            "Move it to the page in a drawing program, and save it again.",
        )


def _faint_masks(shapes: list[Shape]) -> list[Notice]:
    """Tell of masks that a browser lets a little through of, and that are taken to let nothing through."""
    faint = {
        shape.fill
        for drawn in shapes
        for clip in drawn.clips
        if clip.kind == "mask"
        for shape in clip.shapes
        if shape.fill and shape.fill != "#000000" and lightness(shape.fill) <= 0.5
    }
    if not faint:
        return []
    return [Notice("faint-mask", "What shows only faintly through a mask in the file is not painted.")]


def _page(root: ET.Element) -> Page | None:
    """Return the page: its box in drawing units, and the size of a unit, 96 to the inch on the page itself."""
    width = float(root.get("width", "0"))
    box = [float(n) for n in root.get("viewBox", f"0 0 {width} {root.get('height', '0')}").split()]
    if not width or not box[2] > 0:
        return None
    return Page(box[0], box[1], box[2], box[3], width / box[2] * MM_PER_INCH / _PER_INCH)


def _off_page(page: Page | None, boxes: list[Box | None]) -> list[Notice]:
    if not page:
        return []
    x, y = page.x - _BLEED * page.width, page.y - _BLEED * page.height
    right, bottom = page.x + (1 + _BLEED) * page.width, page.y + (1 + _BLEED) * page.height
    outside = sum(box is not None and (box[0] < x or box[1] < y or box[2] > right or box[3] > bottom) for box in boxes)
    if not outside:
        return []
    subject = "1 shape reaches" if outside == 1 else f"{outside} shapes reach"
    return [Notice("off-page", f"{subject} off the drawing's page; all of it counts as painted.")]
