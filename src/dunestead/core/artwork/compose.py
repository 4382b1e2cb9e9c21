"""A design put together on its blank: every element in its place, what runs over the edge trimmed."""

import hashlib
import math
import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field, replace
from functools import lru_cache

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.artwork.drawing import Drawing, Notice
from dunestead.core.artwork.elements import Drawn, Element, Frame, Mend, Traced, Words, resized
from dunestead.core.artwork.frames import frame_region
from dunestead.core.artwork.painted import Painted, carried, paint, unite
from dunestead.core.artwork.parts import edited, parts_of
from dunestead.core.artwork.plainer import Plainer, made_plainer
from dunestead.core.artwork.repeats import copies
from dunestead.core.artwork.sources import Sources
from dunestead.core.artwork.trace.outline import trace
from dunestead.core.artwork.words.setting import Letter, set_words
from dunestead.core.errors import BadInput
from dunestead.core.geometry.affine import IDENTITY, Affine
from dunestead.core.geometry.curves import Box
from dunestead.core.geometry.hairs import close_hairs
from dunestead.core.tolerances import TOLERANCES

__all__ = ["Composition", "PlacedElement", "compose", "drawing_of", "is_fixed", "is_scattered", "parts_under"]

_QUAD_SEGS = 8
_ON_IT = 0.05
# Sizes at which forms are composed stand so many to a doubling.
_STEPS = 4
_FIGURES = re.compile(r"-?\d+\.\d+(?:e[+-]?\d+)?")


@dataclass(frozen=True, slots=True)
class PlacedElement:
    """An element where it lies, mm from the blank's top left.

    Attributes
    ----------
    colours
        What it paints, by colour, all copies, untrimmed.
    size
        Width and height before it is turned, of one copy, thickened as it is.
    corners
        Of the box of one copy, turned, from what was its top left clockwise.
    to_blank
        Carries points of the element, measured from its top left in shares of its width before it is
        thickened, to the blank.
    letters
        Its letters as set, for words; heights in mm.
    copies, asked, laid
        How many there are, how many were asked for, and how many lie on the blank, if only in part.
    as_painted
        The drawing it shows just as it was painted, None where anything was done to it but placing it.
    """

    element: Element
    colours: dict[str, shapely.MultiPolygon] = field(compare=False)
    size: tuple[float, float]
    corners: tuple[tuple[float, float], ...]
    to_blank: Affine
    letters: tuple[Letter, ...] = field(default=(), compare=False)
    notices: tuple[Notice, ...] = field(default=(), compare=False)
    copies: int = 1
    asked: int = 1
    laid: int = 1
    as_painted: Painted | None = field(default=None, compare=False)

    @property
    def region(self) -> BaseGeometry:
        """All it paints, untrimmed."""
        parts = [part for region in self.colours.values() for part in region.geoms]
        return shapely.MultiPolygon(parts) if len(self.colours) == 1 else shapely.union_all(parts)

    @property
    def box(self) -> Box:
        """Extent of all it paints, untrimmed."""
        return _bounds(self.colours.values())


@dataclass(frozen=True, slots=True)
class Composition:
    """A design on its blank.

    Attributes
    ----------
    painted
        What is painted after trimming, its own origin at the top left of its box.
    origin
        Where that lies, mm from the blank's top left.
    overhang
        What was trimmed off, on the blank.
    outline
        Of the blank.
    design_box
        Box of all that grows with the design, untrimmed: frames and scattered copies aside.
    """

    painted: Painted
    origin: tuple[float, float]
    placed: tuple[PlacedElement, ...] = field(compare=False)
    overhang: BaseGeometry = field(compare=False)
    outline: shapely.Polygon = field(compare=False)
    design_box: Box | None

    @property
    def notices(self) -> tuple[Notice, ...]:
        """What of the design's files is not painted."""
        return tuple(dict.fromkeys(notice for placed in self.placed for notice in placed.notices))

    @property
    def design_width(self) -> float:
        """Width of what grows with the design, else of all that is painted."""
        return self.design_box[2] - self.design_box[0] if self.design_box else self.painted.width

    def placed_of(self, number: int) -> PlacedElement:
        """Return an element in its place by its number."""
        return next(placed for placed in self.placed if placed.element.id == number)


def parts_under(placed: PlacedElement, drawing: Drawing, points: Sequence[tuple[float, float]]) -> list[int]:
    """Return for each point on the blank the number of the part of a drawing nearest to it.

    Parameters
    ----------
    placed, drawing
        A drawn or traced element, one copy of it.
    points
        On the blank.
    """
    polygons = [polygon for region in placed.colours.values() for polygon in region.geoms]
    parts = parts_of(drawing)
    tree = shapely.STRtree(polygons)
    own: dict[int, int] = {}
    anchors = shapely.points(placed.to_blank.apply(np.array([part.anchor for part in parts])))
    for part, polygon in tree.query(anchors, "dwithin", _ON_IT).T.tolist():
        own.setdefault(polygon, parts[part].number)
    nearest = tree.nearest(shapely.points(np.array(points)))
    return [own.get(int(polygon), parts[0].number) for polygon in np.atleast_1d(nearest)]


def compose(elements: Sequence[Element], outline: shapely.Polygon, sources: Sources) -> Composition:
    """Return a design on a blank.

    Parameters
    ----------
    elements
        At least one.
    outline
        The blank's, its box's top left at the origin.
    sources
        Opens files and faces.

    Raises
    ------
    BadInput
        When nothing of it lies on the blank, or an element cannot be made.
    """
    return _compose(tuple(elements), outline.wkb, sources)


@lru_cache(maxsize=48)
def _compose(elements: tuple[Element, ...], outline_wkb: bytes, sources: Sources) -> Composition:
    outline = shapely.from_wkb(outline_wkb)
    assert isinstance(outline, shapely.Polygon)
    placed: list[PlacedElement] = []
    for element in sorted(elements, key=is_scattered):
        taken = [shapely.box(*other.box) for other in placed if not isinstance(other.element, Frame)]
        placed.append(_place(element, outline, taken, sources))
    order = {element.id: k for k, element in enumerate(elements)}
    placed.sort(key=lambda one: order[one.element.id])
    trimmed = {colour: _trim(region, outline) for colour, region in _by_colour(placed).items()}
    trimmed = {colour: region for colour, region in trimmed.items() if not region.is_empty}
    if not trimmed:
        raise BadInput("Nothing of the design would lie on the blank.", "Move it back, or make it smaller.")
    key = hashlib.sha256(repr(elements).encode() + outline_wkb).hexdigest()
    overhang, box = _overhang(placed, outline), _design_box(placed)
    grows = overhang.is_empty and not any(is_fixed(element) for element in elements)
    if grows:
        x0, y0, x1, _ = _bounds(trimmed.values())
        once = _composed_once(_Form.of(elements, box, sources))
        painted, origin = once.grown((x1 - x0) / once.width, key), (x0, y0)
    else:
        painted, origin = _settled(key, trimmed)
    return Composition(painted, origin, tuple(placed), overhang, outline, box)


def is_scattered(element: Element) -> bool:
    """Say whether copies of an element fall over the blank at random."""
    return element.repeat is not None and element.repeat.kind == "scatter"


def is_fixed(element: Element) -> bool:
    """Say whether where an element lies follows the blank and not the design."""
    return isinstance(element, Frame) or is_scattered(element)


@dataclass(frozen=True, slots=True)
class _Form:
    """A design whatever its size and place: its elements as if it were about as large as designs are reckoned.

    Attributes
    ----------
    name
        Of entries rounded, for they are exact where measured boxes are not, so that equal forms have equal names.
    """

    name: str
    elements: tuple[Element, ...] = field(compare=False)
    sources: Sources

    @classmethod
    def of(cls, elements: tuple[Element, ...], box: Box | None, sources: Sources) -> "_Form":
        first = elements[0]
        assert not isinstance(first, Frame)
        assert box is not None
        size = first.setting.size if isinstance(first, Words) else first.width
        longer = max(box[2] - box[0], box[3] - box[1])
        # In steps, so that a design measured a hair larger has the same form.
        steps = round(_STEPS * math.log2(longer / size))
        factor = TOLERANCES.reference_size / size / 2 ** (steps / _STEPS)
        plain = tuple(resized(replace(e, x=e.x - first.x, y=e.y - first.y), factor) for e in elements)
        return cls(hashlib.sha256(_FIGURES.sub(_rounded, repr(plain)).encode()).hexdigest(), plain, sources)


@lru_cache(maxsize=48)
def _composed_once(form: _Form) -> Painted:
    """Return a design put together at the size at which designs are reckoned."""
    ground = shapely.box(0, 0, 1, 1)
    placed = [_place(element, ground, (), form.sources) for element in form.elements]
    only = placed[0].as_painted if len(placed) == 1 else None
    painted = _as_painted(form.name, placed[0], only) if only else _settled(form.name, _by_colour(placed))[0]
    return replace(painted, shape_key=form.name)


_ALL_COLOURS = 1_000_000


def _as_painted(key: str, placed: PlacedElement, painted: Painted) -> Painted:
    """Return a design that is but one drawing, with what is known of it already: uniting its colours takes long."""
    x0, y0, x1, y1 = placed.box
    seat = placed.to_blank.then(Affine.translation(-x0, -y0))
    # What was painted is as wide as it is there; the seat takes shares of that width.
    carry = Affine.scaling(1 / painted.width).then(seat)
    region, drawn = carried(painted.region, carry), carried(painted.drawn, carry) if painted.drawn else None
    times = max(x1 - x0, y1 - y0) / TOLERANCES.reference_size
    back = Affine.translation(-x0, -y0)
    own = {colour: carried(part, back) for colour, part in placed.colours.items()}
    return Painted(key, region, own, back, times, drawn=drawn)


def _bounds(regions: Iterable[BaseGeometry]) -> Box:
    edges = np.array([region.bounds for region in regions])
    low, high = edges[:, :2].min(axis=0), edges[:, 2:].max(axis=0)
    return (float(low[0]), float(low[1]), float(high[0]), float(high[1]))


def _rounded(figure: re.Match[str]) -> str:
    return f"{float(figure[0]):.6g}"


def drawing_of(element: Element, sources: Sources) -> Drawing | None:
    """Return the drawing of an element, None for a frame."""
    if isinstance(element, Words):
        return set_words(element.setting, sources.face(element.face)).drawing
    if isinstance(element, Drawn):
        drawing = sources.drawing(element.source)
        if element.least is None and element.colours is None:
            return drawing
        return made_plainer(drawing, Plainer(element.least or 0.0, element.colours or _ALL_COLOURS))
    if isinstance(element, Traced):
        return trace(sources.picture(element.source), element.trace, element.colour).drawing
    return None


def _place(
    element: Element, outline: shapely.Polygon, taken: Sequence[BaseGeometry], sources: Sources
) -> PlacedElement:
    width, height = outline.bounds[2], outline.bounds[3]
    middle = (width / 2 + element.x, height / 2 + element.y)
    if isinstance(element, Frame):
        region = frame_region(element, outline)
        sides = ((0.0, 0.0), (width, 0.0), (width, height), (0.0, height))
        return PlacedElement(element, {element.colour: region}, (width, height), sides, Affine.scaling(width))
    local, size, letters, notices, plain = _local(element, sources)
    if element.embolden:
        local = {colour: _emboldened(region, element.embolden) for colour, region in local.items()}
        local = {colour: region for colour, region in local.items() if not region.is_empty}
        if not local:
            raise BadInput(
                f"Made {-element.embolden:g} mm thinner, nothing would be left of this part.",
                "Take less off its strokes.",
            )
    if element.mends:
        local = _mended(local, element.mends, size[0])
    carry = _carry(element, size, middle)
    whole = {colour: carried(region, carry) for colour, region in local.items()}
    # Thicker strokes stand out on all sides.
    out = element.embolden / 2
    left, right, top, bottom = -out, size[0] + out, -out, size[1] + out
    corners_local = np.array([(left, top), (right, top), (right, bottom), (left, bottom)])
    corners = tuple((float(x), float(y)) for x, y in carry.apply(corners_local))
    seen = (right - left, bottom - top)
    to_blank = Affine.scaling(size[0]).then(carry)
    if not element.repeat:
        # Turned askew its box is another, and with it what counts as a slit.
        as_painted = None if element.embolden or element.mends or element.turn % 90 else plain
        return PlacedElement(element, whole, seen, corners, to_blank, letters, tuple(notices), as_painted=as_painted)
    box = np.array(corners)
    span = (float(np.ptp(box[:, 0])), float(np.ptp(box[:, 1])))
    moves = copies(element.repeat, span, middle, outline, taken, runs_off=element.runs_off) or [IDENTITY]
    laid = [outline.intersects(move.moved(shapely.Polygon(corners))) for move in moves]
    whole = _repeated(whole, moves, element.repeat.colours)
    counts = (len(moves), element.repeat.asked, sum(laid))
    return PlacedElement(element, whole, seen, corners, to_blank, letters, tuple(notices), *counts)


_Local = tuple[dict[str, shapely.MultiPolygon], tuple[float, float], tuple[Letter, ...], list[Notice], Painted | None]


def _local(element: Element, sources: Sources) -> _Local:
    """Return what one copy paints from its own top left, its size, its letters, and what was left out."""
    if isinstance(element, Words):
        words = set_words(element.setting, sources.face(element.face))
        painted = paint(words.drawing, words.width)
        regions = dict(painted.colours)
        return regions, (painted.width, painted.height), words.letters, list(words.drawing.notices), painted
    drawing = drawing_of(element, sources)
    assert drawing is not None
    assert isinstance(element, Drawn | Traced)
    painted = paint(drawing, element.width)
    regions = edited(painted, drawing, element.edits)
    plain = None if element.edits else painted
    return regions, (painted.width, painted.height), (), list(drawing.notices), plain


def _emboldened(region: shapely.MultiPolygon, by: float) -> shapely.MultiPolygon:
    grown: BaseGeometry = region.buffer(by / 2, quad_segs=_QUAD_SEGS, join_style="mitre", mitre_limit=2.0)
    return unite([grown])


def _mended(
    local: dict[str, shapely.MultiPolygon], mends: Sequence[Mend], width: float
) -> dict[str, shapely.MultiPolygon]:
    """Return what an element paints with some places opened or filled; fillings in the colour beside them."""
    strips: dict[str, list[BaseGeometry]] = {"open": [], "fill": []}
    for mend in mends:
        points = np.array(mend.path) * width
        spine = shapely.LineString(points) if len(points) > 1 else shapely.Point(points[0])
        strips[mend.kind].append(spine.buffer(mend.width / 2, quad_segs=_QUAD_SEGS))
    if strips["open"]:
        opened = shapely.union_all(strips["open"])
        local = {colour: unite([shapely.difference(region, opened)]) for colour, region in local.items()}
    for strip in strips["fill"]:
        colour = max(local, key=lambda colour: float(shapely.intersection(local[colour], strip).area))
        local[colour] = unite([local[colour], strip])
    mended = {colour: region for colour, region in local.items() if not region.is_empty}
    if not mended:
        raise BadInput("Mended like this, nothing would be left of this part.", "Take the last change back.")
    return mended


def _carry(element: Element, size: tuple[float, float], middle: tuple[float, float]) -> Affine:
    """Return what carries an element from its own top left to its place on the blank."""
    turn = math.radians(element.turn)
    c, s = math.cos(turn), math.sin(turn)
    flip = Affine.scaling(-1.0, 1.0) if element.flipped else IDENTITY
    return (
        Affine.translation(-size[0] / 2, -size[1] / 2)
        .then(flip)
        .then(Affine(c, s, -s, c) if element.turn % 360 else IDENTITY)
        .then(Affine.translation(*middle))
    )


def _repeated(
    whole: dict[str, shapely.MultiPolygon], moves: Sequence[Affine], shades: tuple[str, ...]
) -> dict[str, shapely.MultiPolygon]:
    parts: dict[str, list[BaseGeometry]] = {}
    for k, move in enumerate(moves):
        for colour, region in whole.items():
            shade = shades[k % len(shades)] if shades else colour
            parts.setdefault(shade, []).append(carried(region, move))
    return {colour: unite(found) for colour, found in parts.items()}


def _by_colour(placed: Sequence[PlacedElement]) -> dict[str, shapely.MultiPolygon]:
    found: dict[str, list[shapely.MultiPolygon]] = {}
    for one in placed:
        for colour, region in one.colours.items():
            found.setdefault(colour, []).append(region)
    return {colour: regions[0] if len(regions) == 1 else unite(regions) for colour, regions in found.items()}


def _trim(region: shapely.MultiPolygon, outline: shapely.Polygon) -> shapely.MultiPolygon:
    if region.is_empty or _is_on(region, outline):
        return region
    return unite([shapely.intersection(region, outline)])


def _is_on(region: BaseGeometry, outline: shapely.Polygon) -> bool:
    x0, y0, x1, y1 = region.bounds
    return bool(outline.contains(shapely.box(x0, y0, x1, y1)) or outline.covers(region))


def _overhang(placed: Sequence[PlacedElement], outline: shapely.Polygon) -> BaseGeometry:
    off: list[BaseGeometry] = [
        shapely.difference(region, outline)
        for one in placed
        for region in one.colours.values()
        if not _is_on(region, outline)
    ]
    return unite(off) if off else shapely.MultiPolygon()


def _design_box(placed: Sequence[PlacedElement]) -> Box | None:
    boxes = []
    for one in placed:
        if isinstance(one.element, Frame):
            continue
        if is_scattered(one.element):
            corners = np.array(one.corners)
            boxes.append((*corners.min(axis=0), *corners.max(axis=0)))
        else:
            boxes.append(one.box)
    if not boxes:
        return None
    edges = np.array(boxes)
    low, high = edges[:, :2].min(axis=0), edges[:, 2:].max(axis=0)
    return (float(low[0]), float(low[1]), float(high[0]), float(high[1]))


def _settled(key: str, colours: dict[str, shapely.MultiPolygon]) -> tuple[Painted, tuple[float, float]]:
    """Return what is painted with its own origin at its box's top left, and where that lies."""
    region = next(iter(colours.values())) if len(colours) == 1 else unite(list(colours.values()))
    x0, y0, x1, y1 = region.bounds
    back = Affine.translation(-x0, -y0)
    own = {colour: carried(part, back) for colour, part in colours.items()}
    times = max(x1 - x0, y1 - y0) / TOLERANCES.reference_size
    drawn = next(iter(own.values())) if len(own) == 1 else carried(region, back)
    whole = close_hairs(drawn, TOLERANCES.hair * times)
    return Painted(key, whole, own, back, times, drawn=drawn), (float(x0), float(y0))
