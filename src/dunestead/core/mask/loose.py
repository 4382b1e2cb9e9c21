"""Which parts of a mask are not joined to the rest?"""

from dataclasses import dataclass, field
from functools import lru_cache
from hashlib import sha256

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.artwork.painted import Painted
from dunestead.core.errors import BadInput
from dunestead.core.geometry.curves import Box
from dunestead.core.tolerances import TOLERANCES

__all__ = ["LoosePiece", "Mask", "cut_mask", "shape_mask", "sheet_around"]


@dataclass(frozen=True, slots=True)
class LoosePiece:
    """A part of the mask that falls out when the mask is weeded.

    Attributes
    ----------
    number
        From 1, in reading order when first found.
    area, centroid
        mm² and mm, origin at the top left of the painted bounding box.
    anchor
        A point surely inside the piece; what the roll-call knows it by.
    """

    number: int
    area: float
    centroid: tuple[float, float]
    anchor: tuple[float, float]
    shape: shapely.Polygon = field(compare=False)

    @property
    def box(self) -> Box:
        """Extent in mm."""
        return self.shape.bounds


@dataclass(frozen=True, slots=True)
class Mask:
    """A sheet minus what is painted.

    Attributes
    ----------
    key
        Identifies the painted region and the border.
    frame
        The part that holds together, out to the border; empty for a mask of separate shapes.
    loose
        All other parts, by number.
    sheet
        What it is cut from, out to the border.
    """

    key: str
    border: float
    frame: shapely.Polygon = field(compare=False)
    loose: tuple[LoosePiece, ...] = field(compare=False)
    sheet: shapely.Polygon = field(compare=False)


@lru_cache(maxsize=64)
def cut_mask(painted: Painted, border: float, outline: shapely.Polygon | None = None) -> Mask:
    """Return the mask around a painted region.

    Parameters
    ----------
    painted
        What the windows are.
    border
        Mask beyond the painted bounding box on every side, mm, above 0.
    outline
        What the mask is cut to instead, such as the blank itself.

    Notes
    -----
    A hole of the painted region is a part of the mask of its own; parts that meet in a corner
    only are apart. Every component of the difference is reported but the frame, save slivers
    thinner than the flattening can vouch for.
    """
    sheet = outline or sheet_around(painted, border)
    parts = shapely.get_parts(shapely.difference(sheet, painted.region))
    parts = parts[~shapely.is_empty(parts)]
    if not len(parts):
        raise BadInput("The design leaves no mask around it.", "Make it smaller, or the mask larger than the blank.")
    # Where artwork runs out to the edge of the sheet, it may part what is around it; the largest part is the frame.
    at_edge = np.flatnonzero(shapely.distance(parts, sheet.exterior) == 0)
    frame = (
        int(at_edge[np.argmax(shapely.area(parts[at_edge]))]) if len(at_edge) else int(np.argmax(shapely.area(parts)))
    )
    pieces = [part for k, part in enumerate(parts) if k != frame and not _is_sliver(part, painted.scale)]
    loose = tuple(_piece(number, part) for number, part in enumerate(_reading_order(pieces, painted.region), start=1))
    # Not by Python's own hash, which is another one after every start: what was cut is remembered by this key.
    named = f"@{sha256(outline.wkb).hexdigest()[:12]}" if outline else ""
    return Mask(f"{painted.key}+{border:.3f}{named}", border, parts[frame], loose, sheet)


@lru_cache(maxsize=32)
def shape_mask(painted: Painted, border: float) -> Mask:
    """Return the reverse mask: the artwork's own shapes stay down, and all around them is painted.

    Parameters
    ----------
    painted
        What the design shows, its shapes the parts of the mask, each loose.
    border
        Material around the shapes on the sheet they are cut from, mm.
    """
    firm = [part for part in painted.region.geoms if not _is_sliver(part, painted.scale)]
    parts = _reading_order(firm, painted.region)
    loose = tuple(_piece(number, part) for number, part in enumerate(parts, start=1))
    sheet = sheet_around(painted, border)
    return Mask(f"{painted.key}-{border:.3f}", border, shapely.Polygon(), loose, sheet)


def sheet_around(painted: Painted, border: float) -> shapely.Polygon:
    """Return the box of what is painted with a border around it, mm."""
    x0, y0, x1, y1 = painted.region.bounds
    return shapely.box(x0 - border, y0 - border, x1 + border, y1 + border)


def _is_sliver(part: shapely.Polygon, times: float) -> bool:
    """Say whether a part of a design so many times larger than designs are reckoned at is but two curves' noise."""
    sliver = TOLERANCES.sliver * times
    # Twice the area over the length of the edge bounds the width of anything long and thin from below.
    if part.area / part.length > sliver:
        return False
    return bool(part.buffer(-sliver / 2, quad_segs=2).is_empty)


def _piece(number: int, shape: shapely.Polygon) -> LoosePiece:
    anchor = shapely.point_on_surface(shape)
    return LoosePiece(
        number, float(shape.area), (shape.centroid.x, shape.centroid.y), (anchor.x, anchor.y), shapely.normalize(shape)
    )


def _reading_order(parts: list[shapely.Polygon], region: shapely.MultiPolygon) -> list[shapely.Polygon]:
    """Sort parts of the mask as text is read: by the painted shape around each, then from its top.

    Painted shapes stand in rows; one belongs to a row when its middle is above the lower edge
    of the row's first.
    """
    if not parts:
        return []
    outlines = [shapely.Polygon(painted.exterior) for painted in region.geoms]
    part, outline = shapely.STRtree(outlines).query(shapely.point_on_surface(parts), predicate="intersects")
    area = np.array([outline.area for outline in outlines])
    own = shapely.bounds(parts)
    # Between painted shapes that touch in corners a piece has none around it, and stands for itself.
    around = {i: len(outlines) + i for i in range(len(parts))}
    for i, j in zip(part.tolist(), outline.tolist(), strict=True):
        if around[i] >= len(outlines) or area[j] < area[around[i]]:
            around[i] = j
    place = _rows(np.vstack([shapely.bounds(outlines), own]), sorted(set(around.values())))
    order = sorted(range(len(parts)), key=lambda i: (*place[around[i]], float(own[i, 1]), float(own[i, 0])))
    return [parts[i] for i in order]


def _rows(bounds: npt.NDArray[np.float64], shapes: list[int]) -> dict[int, tuple[int, float, int]]:
    """Return for each shape its row, its left edge, and itself to tell apart what starts at the same place."""
    middle = (bounds[:, 1] + bounds[:, 3]) / 2
    places: dict[int, tuple[int, float, int]] = {}
    row, row_end = 0, -np.inf
    for shape in sorted(shapes, key=lambda k: (float(middle[k]), float(bounds[k, 0]))):
        if middle[shape] >= row_end:
            row, row_end = row + 1, float(bounds[shape, 3])
        places[shape] = (row, float(bounds[shape, 0]), shape)
    return places
