"""The painted region: union of all that a drawing paints, at the size it will have."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from functools import lru_cache
from itertools import islice

import numpy as np
import numpy.typing as npt
import shapely
from shapely import affinity
from shapely.geometry.base import BaseGeometry

from dunestead.core.artwork.drawing import Clip, Drawing, Shape, shape_bounds
from dunestead.core.checkpoints import tell
from dunestead.core.errors import ArtworkEmpty, ArtworkRefused
from dunestead.core.geometry.affine import IDENTITY, Affine
from dunestead.core.geometry.curves import Box, flatten, join_paths
from dunestead.core.geometry.groups import group_labels
from dunestead.core.geometry.hairs import close_hairs
from dunestead.core.geometry.rings import fill
from dunestead.core.geometry.runs import near_pairs
from dunestead.core.geometry.strokes import Pen, outline_strokes, turn_for_pen
from dunestead.core.tolerances import TOLERANCES
from dunestead.core.units import several

__all__ = ["Painted", "carried", "lightness", "paint", "paint_alone", "unite"]

_MOST_VERTICES = 400_000
_LIGHT = 0.5
_MOST_PASSES = 4
# Curves may be twice as coarse as meant and still be true to 0.02 mm, so the estimate may be short by nearly a half.
_SLACK = 1.9
_TALLEST_MM = 50_000.0
_POLYGON = 3


@dataclass(frozen=True, slots=True)
class Painted:
    """What is painted, in mm, the origin at the top left of its bounding box.

    Attributes
    ----------
    key
        Identifies drawing and size.
    shape_key
        Identifies what is painted whatever its size; None where not all of it grows with the size.
    region
        Union over all colours; polygons that meet in corners only stay apart.
    colours
        Region of each colour by ``#rrggbb``, in the order first met.
        Slits too fine to be mask are closed in ``region`` only.
    to_mm
        Carries drawing units to mm.
    scale
        How many times larger it is than designs are reckoned at.
    drawn
        The region before its slits were closed; None where it is not at hand, see ``as_drawn``.
    """

    key: str
    region: shapely.MultiPolygon = field(compare=False)
    colours: Mapping[str, shapely.MultiPolygon] = field(compare=False)
    to_mm: Affine = field(compare=False)
    scale: float = field(compare=False)
    shape_key: str | None = field(default=None, compare=False)
    drawn: shapely.MultiPolygon | None = field(default=None, compare=False)

    def grown(self, factor: float, key: str) -> "Painted":
        """Return the same design so many times larger."""
        grow = Affine.scaling(factor)
        colours = {colour: carried(part, grow) for colour, part in self.colours.items()}
        # A design of one colour is that colour's region, unless slits in it were closed.
        one = next(iter(self.colours.values())) is self.region and len(colours) == 1
        region = next(iter(colours.values())) if one else carried(self.region, grow)
        drawn = carried(self.drawn, grow) if self.drawn else None
        return Painted(key, region, colours, self.to_mm.then(grow), self.scale * factor, self.shape_key, drawn)

    @property
    def as_drawn(self) -> shapely.MultiPolygon:
        """The region with its slits open."""
        if len(self.colours) == 1:
            return next(iter(self.colours.values()))
        return self.drawn or unite(list(self.colours.values()))

    @property
    def bbox(self) -> Box:
        """Extent in mm; the first two are 0."""
        return self.region.bounds

    @property
    def width(self) -> float:
        """Width in mm."""
        return float(self.region.bounds[2])

    @property
    def height(self) -> float:
        """Height in mm."""
        return float(self.region.bounds[3])


@lru_cache(maxsize=128)
def paint(drawing: Drawing, width_mm: float) -> Painted:
    """Return what a drawing paints when the painted part is ``width_mm`` wide.

    Raises
    ------
    ArtworkEmpty
        When nothing visible is filled or stroked.
    ArtworkRefused
        When flattening it would take more vertices than we carry, or it would be a wall high.

    Notes
    -----
    It is painted once, at the size at which designs are reckoned, and carried to any other: a design
    has the same points at every size.
    """
    once = _painted(drawing)
    if once.height / once.width * width_mm > _TALLEST_MM:
        raise ArtworkRefused(
            f"At {width_mm:g} mm wide this artwork would be {once.height / once.width * width_mm / 1000:.0f} m tall.",
            "Give a smaller width, or look for a stray point far off the page.",
        )
    return once.grown(width_mm / once.width, f"{drawing.digest}@{width_mm:.4f}")


@lru_cache(maxsize=64)
def _painted(drawing: Drawing) -> Painted:
    """Paint a drawing at the size at which designs are reckoned.

    Notes
    -----
    The size sets how finely curves are flattened, and strokes are only known in width once
    they are outlined. So the scale is first estimated from exact curve bounds plus half
    stroke widths, curves are flattened at that scale, and the
    outcome is carried to the exact size.
    """
    box = _rough_bounds(drawing)
    for _ in range(_MOST_PASSES):
        to_mm = _fit(box)
        by_colour = _by_colour(drawing.shapes, to_mm)
        region = unite(list(by_colour.values())) if len(by_colour) != 1 else next(iter(by_colour.values()))
        if region.is_empty:
            raise _nothing_painted(drawing)
        x0, y0, x1, y1 = region.bounds
        if max(x1 - x0, y1 - y0) * _SLACK >= TOLERANCES.reference_size:
            break
        # Much was clipped away: what is left will be larger than thought, so look closer.
        corners = to_mm.inverse().apply(np.array([(x0, y0), (x1, y1)]))
        box = (corners[0, 0], corners[0, 1], corners[1, 0], corners[1, 1])
    settle = Affine.translation(-x0, -y0).then(Affine.scaling(TOLERANCES.reference_size / max(x1 - x0, y1 - y0)))
    final = {colour: carried(part, settle) for colour, part in by_colour.items()}
    whole = _multi(carried(region, settle)) if len(final) > 1 else _multi(next(iter(final.values())))
    closed = close_hairs(whole, TOLERANCES.hair)
    return Painted(drawing.digest, closed, final, to_mm.then(settle), 1.0, drawing.digest, whole)


def _fit(box: Box) -> Affine:
    longer = max(box[2] - box[0], box[3] - box[1])
    return Affine.translation(-box[0], -box[1]).then(Affine.scaling(TOLERANCES.reference_size / longer))


def _nothing_painted(drawing: Drawing) -> ArtworkEmpty:
    messages = " ".join(notice.message for notice in drawing.notices)
    return ArtworkEmpty(
        f"Nothing in this artwork would be painted. {messages}".strip(),
        "Give the shapes a fill or a line with a width; turn lettering into outlines before saving.",
    )


def _rough_bounds(drawing: Drawing) -> Box:
    seen = [shape for shape in drawing.shapes if shape.fill or shape.stroke]
    boxes = [box for box in shape_bounds(seen) if box]
    if not boxes:
        raise _nothing_painted(drawing)
    edges = np.array(boxes)
    low, high = edges[:, :2].min(axis=0), edges[:, 2:].max(axis=0)
    if not (high > low).any():
        raise _nothing_painted(drawing)
    return float(low[0]), float(low[1]), float(high[0]), float(high[1])


def _by_colour(shapes: tuple[Shape, ...], to_mm: Affine) -> dict[str, shapely.MultiPolygon]:
    parts: dict[str, list[BaseGeometry]] = {}
    clip_cache: dict[int, BaseGeometry] = {}
    fills = _fill_regions([shape for shape in shapes if shape.fill], to_mm)
    # Whoever has waited too long learns of what there is too much.
    colours = len({colour for shape in shapes for colour in (shape.fill, shape.stroke) if colour})
    outlining = f"Outlining {several(len(shapes), 'shape')} in {several(colours, 'colour')}"
    for k, shape in enumerate(shapes):
        tell(outlining, k / len(shapes))
        regions = [(shape.fill, next(fills))] if shape.fill else []
        if shape.stroke and shape.pen and shape.pen.width > 0:
            regions.append((shape.stroke, _stroke_region(shape, shape.pen, to_mm)))
        for colour, region in regions:
            for clip in shape.clips:
                if id(clip) not in clip_cache:
                    clip_cache[id(clip)] = _clip_region(clip, to_mm)
                region = shapely.intersection(region, clip_cache[id(clip)])
            parts.setdefault(colour, []).append(region)
    return {colour: united for colour, found in parts.items() if not (united := unite(found)).is_empty}


def paint_alone(shape: Shape, to_mm: Affine) -> BaseGeometry:
    """Return the region that one shape's fill paints."""
    return next(_fill_regions([shape], to_mm))


def _fill_regions(shapes: Sequence[Shape], to_mm: Affine) -> Iterator[BaseGeometry]:
    """Yield the region of each shape's fill, on the working grid; all are flattened in one go."""
    paths = [shape.path.carried(shape.transform.then(to_mm)) for shape in shapes]
    lines = iter(flatten(join_paths(paths), IDENTITY, TOLERANCES.flatness))
    for shape, path in zip(shapes, paths, strict=True):
        contours = [_snap(line.points) for line in islice(lines, len(path.closed))]
        _count(sum(map(len, contours)))
        yield fill(contours, shape.fill_rule)


def _stroke_region(shape: Shape, pen: Pen, to_mm: Affine) -> BaseGeometry:
    """Outline in the path's own units, where the pen is round, then carry the outline."""
    whole = shape.transform.then(to_mm)
    if whole.determinant == 0:
        return shapely.MultiPolygon()
    tolerance = TOLERANCES.flatness / whole.stretch
    lines = flatten(shape.path, IDENTITY, tolerance, widest_turn=turn_for_pen(pen.width, tolerance))
    _count(sum(len(line.points) for line in lines))
    outline = affinity.affine_transform(outline_strokes(lines, pen, tolerance), whole.for_shapely())
    return shapely.make_valid(shapely.set_precision(outline, TOLERANCES.grid))


def _count(vertices: int) -> None:
    if vertices > _MOST_VERTICES:
        raise ArtworkRefused(
            f"One shape of this artwork needs {vertices} points, over the {_MOST_VERTICES} we carry.",
            "Simplify its path, or take apart what is joined into one, and save it again.",
        )


def _snap(points: npt.NDArray[np.float64]) -> npt.NDArray[np.float64]:
    return np.round(points / TOLERANCES.grid) * TOLERANCES.grid


def _clip_region(clip: Clip, to_mm: Affine) -> BaseGeometry:
    region: BaseGeometry = shapely.MultiPolygon()
    for shape in clip.shapes:
        for colour, part in _by_colour((shape,), to_mm).items():
            lets_through = clip.kind == "clip" or lightness(colour) > _LIGHT
            region = shapely.union(region, part) if lets_through else shapely.difference(region, part)
    for outer in clip.clips:
        region = shapely.intersection(region, _clip_region(outer, to_mm))
    return region


def lightness(colour: str) -> float:
    """Return the relative luminance of a colour, 0 for black to 1 for white; masks let through what is light."""
    red, green, blue = (int(colour[i : i + 2], 16) / 255 for i in (1, 3, 5))
    return 0.2126 * red + 0.7152 * green + 0.0722 * blue


def unite(parts: Sequence[BaseGeometry]) -> shapely.MultiPolygon:
    """Unite on the working grid, on which gaps and overlaps finer than it are none.

    Snapping is dear, so only parts that come near each other are united; the others are
    set side by side.
    """
    polygons = shapely.get_parts(np.array([part for part in parts if not part.is_empty], dtype=object))
    polygons = polygons[shapely.get_type_id(polygons) == _POLYGON]
    if not len(polygons):
        return shapely.MultiPolygon()
    near = near_pairs(polygons, 2 * TOLERANCES.grid)
    if not near.size:
        return _multi(shapely.GeometryCollection(list(polygons)))
    group = group_labels(len(polygons), near)
    size = np.bincount(group)
    alone = polygons[size[group] == 1]
    joined = []
    labels = np.flatnonzero(size > 1)
    for k, label in enumerate(labels):
        tell("Joining what overlaps", k / len(labels))
        joined.append(shapely.union_all(polygons[group == label], grid_size=TOLERANCES.grid))
    return _multi(shapely.GeometryCollection([*alone, *joined]))


def _multi(geometry: BaseGeometry) -> shapely.MultiPolygon:
    parts = shapely.get_parts(shapely.get_parts(geometry))
    return shapely.MultiPolygon(list(parts[shapely.get_type_id(parts) == _POLYGON]))


def carried(region: shapely.MultiPolygon, transform: Affine) -> shapely.MultiPolygon:
    """Return a region carried; where rounding made two of its edges cross, it is mended."""
    moved: shapely.MultiPolygon = shapely.transform(region, transform.apply)
    return moved if moved.is_valid else _multi(shapely.make_valid(moved))
