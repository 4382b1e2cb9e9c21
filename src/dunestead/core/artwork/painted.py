"""The painted region: union of all that a drawing paints, at the size it will have."""

from dataclasses import dataclass, field
from functools import lru_cache

import numpy as np
import shapely
from shapely import affinity
from shapely.geometry.base import BaseGeometry

from dunestead.core.artwork.drawing import Clip, Drawing, Shape
from dunestead.core.errors import ArtworkEmpty, ArtworkRefused
from dunestead.core.geometry.affine import Affine
from dunestead.core.geometry.curves import Box, flatten, path_bounds
from dunestead.core.geometry.rings import fill
from dunestead.core.geometry.strokes import Pen, outline_strokes, turn_for_pen
from dunestead.core.tolerances import TOLERANCES

__all__ = ["Painted", "paint", "paint_region"]

_MOST_VERTICES = 400_000
_LIGHT = 0.5
_MOST_PASSES = 4
# Curves are flattened to half the tolerance, so the estimate may be short by nearly a half.
_SLACK = 1.9
_TALLEST_MM = 50_000.0


@dataclass(frozen=True, slots=True)
class Painted:
    """What is painted, in mm, the origin at the top left of its bounding box.

    Attributes
    ----------
    key
        Identifies drawing and size.
    region
        Union over all colours; polygons that meet in corners only stay apart.
    colours
        Region of each colour by ``#rrggbb``, in the order first met.
    to_mm
        Carries drawing units to mm.
    """

    key: str
    region: shapely.MultiPolygon = field(compare=False)
    colours: dict[str, BaseGeometry] = field(compare=False)
    to_mm: Affine = field(compare=False)

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


@lru_cache(maxsize=64)
def paint(drawing: Drawing, width_mm: float) -> Painted:
    """Return what a drawing paints when the painted part is ``width_mm`` wide.

    Raises
    ------
    ArtworkEmpty
        When nothing visible is filled or stroked.
    ArtworkRefused
        When flattening it would take more vertices than we carry.

    Notes
    -----
    The size sets how finely curves are flattened, and strokes are only known in width once
    they are outlined. So the scale is first estimated from exact curve bounds plus half
    stroke widths, curves are flattened to half the tolerance at that scale, and the
    outcome is carried to the exact width.
    """
    box = _rough_bounds(drawing)
    for _ in range(_MOST_PASSES):
        to_mm = _fit(box, width_mm)
        by_colour = _by_colour(drawing.shapes, to_mm)
        region = _union(list(by_colour.values()))
        if region.is_empty:
            raise _nothing_painted(drawing)
        x0, y0, x1, y1 = region.bounds
        if (x1 - x0) * _SLACK >= width_mm:
            break
        # Much was clipped away: what is left will be larger than thought, so look closer.
        corners = to_mm.inverse().apply(np.array([(x0, y0), (x1, y1)]))
        box = (corners[0, 0], corners[0, 1], corners[1, 0], corners[1, 1])
    settle = Affine.translation(-x0, -y0).then(Affine.scaling(width_mm / (x1 - x0)))
    final = {colour: _carried(part, settle) for colour, part in by_colour.items()}
    whole = _multi(_carried(region, settle)) if len(final) > 1 else _multi(next(iter(final.values())))
    return Painted(f"{drawing.digest}@{width_mm:.4f}", whole, final, to_mm.then(settle))


def _fit(box: Box, width_mm: float) -> Affine:
    width, height = box[2] - box[0], box[3] - box[1]
    if not width > 0:
        raise ArtworkEmpty("The artwork has no width.", "Draw shapes with an area, or lines with a thickness.")
    if height / width * width_mm > _TALLEST_MM:
        raise ArtworkRefused(
            f"At {width_mm:g} mm wide this artwork would be {height / width * width_mm / 1000:.0f} m tall.",
            "Give a smaller width, or look for a stray point far off the page.",
        )
    return Affine.translation(-box[0], -box[1]).then(Affine.scaling(width_mm / width))


def _nothing_painted(drawing: Drawing) -> ArtworkEmpty:
    heard = " ".join(notice.message for notice in drawing.notices)
    return ArtworkEmpty(
        f"Nothing in this artwork would be painted. {heard}".strip(),
        "Give the shapes a fill or a line with a width; turn lettering into outlines before saving.",
    )


def _rough_bounds(drawing: Drawing) -> Box:
    boxes = []
    for shape in drawing.shapes:
        box = path_bounds(shape.path, shape.transform)
        if box and (shape.fill or shape.stroke):
            reach = shape.pen.width / 2 * shape.transform.stretch if shape.stroke and shape.pen else 0.0
            boxes.append((box[0] - reach, box[1] - reach, box[2] + reach, box[3] + reach))
    if not boxes:
        raise _nothing_painted(drawing)
    edges = np.array(boxes)
    low, high = edges[:, :2].min(axis=0), edges[:, 2:].max(axis=0)
    if not (high > low).any():
        raise _nothing_painted(drawing)
    return float(low[0]), float(low[1]), float(high[0]), float(high[1])


def _by_colour(shapes: tuple[Shape, ...], to_mm: Affine) -> dict[str, BaseGeometry]:
    parts: dict[str, list[BaseGeometry]] = {}
    clip_cache: dict[int, BaseGeometry] = {}
    for shape in shapes:
        for colour, region in _shape_regions(shape, to_mm):
            for clip in shape.clips:
                if id(clip) not in clip_cache:
                    clip_cache[id(clip)] = _clip_region(clip, to_mm)
                region = shapely.intersection(region, clip_cache[id(clip)])
            parts.setdefault(colour, []).append(region)
    return {colour: united for colour, found in parts.items() if not (united := _union(found)).is_empty}


def _shape_regions(shape: Shape, to_mm: Affine) -> list[tuple[str, BaseGeometry]]:
    regions = []
    if shape.fill:
        regions.append((shape.fill, paint_region(shape, to_mm)))
    if shape.stroke and shape.pen and shape.pen.width > 0:
        regions.append((shape.stroke, _stroke_region(shape, shape.pen, to_mm)))
    return regions


def paint_region(shape: Shape, to_mm: Affine) -> BaseGeometry:
    """Return the region a shape's fill paints, on the working grid."""
    lines = flatten(shape.path, shape.transform.then(to_mm), TOLERANCES.flatness / 2)
    _count(sum(len(line.points) for line in lines))
    return fill([_snap(line.points) for line in lines], shape.fill_rule)


def _stroke_region(shape: Shape, pen: Pen, to_mm: Affine) -> BaseGeometry:
    """Outline in the path's own units, where the pen is round, then carry the outline."""
    whole = shape.transform.then(to_mm)
    if whole.determinant == 0:
        return shapely.MultiPolygon()
    tolerance = TOLERANCES.flatness / 2 / whole.stretch
    lines = flatten(shape.path, Affine(), tolerance, widest_turn=turn_for_pen(pen.width, tolerance))
    _count(sum(len(line.points) for line in lines))
    outline = affinity.affine_transform(outline_strokes(lines, pen, tolerance), whole.for_shapely())
    return shapely.make_valid(shapely.set_precision(outline, TOLERANCES.grid))


def _count(vertices: int) -> None:
    if vertices > _MOST_VERTICES:
        raise ArtworkRefused(
            f"One shape of this artwork needs {vertices} points, over the {_MOST_VERTICES} we carry.",
            "Simplify its path, or take apart what is joined into one, and save it again.",
        )


def _snap(points: np.ndarray) -> np.ndarray:  # type: ignore[type-arg]
    return np.round(points / TOLERANCES.grid) * TOLERANCES.grid


def _clip_region(clip: Clip, to_mm: Affine) -> BaseGeometry:
    region: BaseGeometry = shapely.MultiPolygon()
    for shape in clip.shapes:
        for colour, part in _shape_regions(shape, to_mm):
            for inner in shape.clips:
                part = shapely.intersection(part, _clip_region(inner, to_mm))
            lets_through = clip.kind == "clip" or _luminance(colour) > _LIGHT
            region = shapely.union(region, part) if lets_through else shapely.difference(region, part)
    for outer in clip.clips:
        region = shapely.intersection(region, _clip_region(outer, to_mm))
    return region


def _luminance(colour: str) -> float:
    red, green, blue = (int(colour[i : i + 2], 16) / 255 for i in (1, 3, 5))
    return 0.2126 * red + 0.7152 * green + 0.0722 * blue


def _union(parts: list[BaseGeometry]) -> shapely.MultiPolygon:
    """Unite on the working grid: gaps and overlaps finer than it are none."""
    return _multi(shapely.union_all(parts, grid_size=TOLERANCES.grid))


def _multi(geometry: BaseGeometry) -> shapely.MultiPolygon:
    return shapely.MultiPolygon([part for part in shapely.get_parts(geometry) if part.geom_type == "Polygon"])


def _carried(region: BaseGeometry, transform: Affine) -> BaseGeometry:
    return shapely.transform(region, transform.apply)
