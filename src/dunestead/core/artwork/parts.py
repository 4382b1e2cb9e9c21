"""The parts of drawn artwork: connected shapes of one colour, to be chosen, recoloured, dropped."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.artwork.drawing import Drawing, Shape
from dunestead.core.artwork.elements import PartEdit
from dunestead.core.artwork.painted import Painted, paint
from dunestead.core.errors import BadInput

__all__ = ["Part", "check_edits", "edited", "parts_of"]

# Parts are told at this width, whatever the design's own, so that their numbers never change.
_LOOKED_AT_MM = 400.0
_NEAR = 0.01
_POLYGON = 3


@dataclass(frozen=True, slots=True)
class Part:
    """A connected shape of one colour.

    Attributes
    ----------
    number
        From 1, colour by colour in the order they are met.
    colour
        As the file has it.
    groups
        Names of the file's groups it lies in.
    anchor
        A point inside, as shares of the artwork's width from its top left.
    area
        As a share of the square over its width.
    """

    number: int
    colour: str
    groups: tuple[str, ...]
    anchor: tuple[float, float]
    area: float


@lru_cache(maxsize=64)
def parts_of(drawing: Drawing) -> tuple[Part, ...]:
    """Return the parts of a drawing."""
    painted = paint(drawing, _LOOKED_AT_MM)
    parts: list[Part] = []
    for colour, region in painted.colours.items():
        polygons = _polygons(region)
        named = _groups(polygons, [shape for shape in drawing.shapes if colour in (shape.fill, shape.stroke)], painted)
        for polygon, groups in zip(polygons, named, strict=True):
            inside = shapely.point_on_surface(polygon)
            anchor = (inside.x / painted.width, inside.y / painted.width)
            parts.append(Part(len(parts) + 1, colour, groups, anchor, float(polygon.area) / painted.width**2))
    return tuple(parts)


def _polygons(region: BaseGeometry) -> list[shapely.Polygon]:
    parts = shapely.get_parts(region)
    return list(parts[shapely.get_type_id(parts) == _POLYGON])


def _groups(polygons: list[shapely.Polygon], shapes: Sequence[Shape], painted: Painted) -> list[tuple[str, ...]]:
    """Return for each polygon the groups of the shapes that begin on it."""
    grouped = [shape for shape in shapes if shape.groups and len(shape.path.segments)]
    names: list[dict[str, None]] = [{} for _ in polygons]
    if grouped and polygons:
        starts = [painted.to_mm.apply(shape.transform.apply(shape.path.segments[0, 0])) for shape in grouped]
        reach = [_NEAR + (shape.pen.width * shape.transform.stretch if shape.pen else 0.0) for shape in grouped]
        found = shapely.STRtree(polygons).query_nearest(
            shapely.points(np.array(starts)), max_distance=max(reach) + _NEAR
        )
        for shape, polygon in found.T.tolist():
            names[polygon] |= dict.fromkeys(grouped[shape].groups)
    return [tuple(found) for found in names]


def check_edits(drawing: Drawing, edits: Sequence[PartEdit]) -> None:
    """Raise `BadInput` when an edit names no part, or nothing is left to paint."""
    parts = parts_of(drawing)
    for edit in edits:
        if not 1 <= edit.part <= len(parts):
            raise BadInput(f"There is no part {edit.part} in this artwork.", f"Its parts run from 1 to {len(parts)}.")
    if len({edit.part for edit in edits if edit.dropped}) == len(parts):
        raise BadInput("With this dropped nothing would be left of the artwork.", "Remove the whole artwork instead.")


def edited(painted: Painted, drawing: Drawing, edits: Sequence[PartEdit]) -> dict[str, shapely.MultiPolygon]:
    """Return a painted drawing's regions by colour, with parts dropped and recoloured."""
    own = {colour: _polygons(region) for colour, region in painted.colours.items()}
    if not edits:
        return {colour: shapely.MultiPolygon(polygons) for colour, polygons in own.items()}
    check_edits(drawing, edits)
    parts = parts_of(drawing)
    changed: dict[tuple[str, int], PartEdit] = {}
    for edit in edits:
        part = parts[edit.part - 1]
        point = shapely.Point(part.anchor[0] * painted.width, part.anchor[1] * painted.width)
        at = int(np.argmin(shapely.distance(own[part.colour], point)))
        changed[part.colour, at] = edit
    result: dict[str, list[shapely.Polygon]] = {}
    for colour, polygons in own.items():
        for at, polygon in enumerate(polygons):
            now = changed.get((colour, at))
            if now is None or not now.dropped:
                result.setdefault((now and now.colour) or colour, []).append(polygon)
    return {colour: shapely.MultiPolygon(polygons) for colour, polygons in result.items()}
