"""Which parts of a mask are not joined to the rest?"""

from collections.abc import Sequence
from dataclasses import dataclass, field
from functools import lru_cache

import numpy as np
import shapely

from dunestead.core.artwork.painted import Painted
from dunestead.core.geometry.curves import Box
from dunestead.core.tolerances import TOLERANCES

__all__ = ["LoosePiece", "Mask", "cut_mask", "reading_order"]


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
        The part that holds together, out to the border.
    loose
        All other parts, by number.
    """

    key: str
    border: float
    frame: shapely.Polygon = field(compare=False)
    loose: tuple[LoosePiece, ...] = field(compare=False)


@lru_cache(maxsize=64)
def cut_mask(painted: Painted, border: float) -> Mask:
    """Return the mask around a painted region.

    Parameters
    ----------
    painted
        What the windows are.
    border
        Mask beyond the painted bounding box on every side, mm, above 0.

    Notes
    -----
    A hole of the painted region is a part of the mask of its own; parts that meet in a corner
    only are apart. Every component of the difference is reported but the frame, save slivers
    thinner than the flattening can vouch for.
    """
    x0, y0, x1, y1 = painted.bbox
    sheet = shapely.box(x0 - border, y0 - border, x1 + border, y1 + border)
    parts = shapely.get_parts(shapely.difference(sheet, painted.region))
    corner = shapely.Point(x0 - border, y0 - border)
    is_frame = shapely.distance(parts, corner) == 0
    pieces = [part for part in parts[~is_frame] if not _is_sliver(part)]
    loose = tuple(_piece(number, part) for number, part in enumerate(reading_order(pieces), start=1))
    return Mask(f"{painted.key}+{border:.3f}", border, parts[is_frame][0], loose)


def _is_sliver(part: shapely.Polygon) -> bool:
    # Twice the area over the length of the edge bounds the width of anything long and thin from below.
    if part.area / part.length > TOLERANCES.sliver:
        return False
    return bool(part.buffer(-TOLERANCES.sliver / 2, quad_segs=2).is_empty)


def _piece(number: int, shape: shapely.Polygon) -> LoosePiece:
    anchor = shapely.point_on_surface(shape)
    return LoosePiece(
        number, float(shape.area), (shape.centroid.x, shape.centroid.y), (anchor.x, anchor.y), shapely.normalize(shape)
    )


def reading_order(shapes: Sequence[shapely.Polygon]) -> list[shapely.Polygon]:
    """Sort shapes as text is read: rows from the top, each from the left.

    A shape belongs to a row when its middle is above the lower edge of the row's first shape.
    """
    if not len(shapes):
        return []
    bounds = shapely.bounds(np.array(shapes, dtype=object))
    middle = (bounds[:, 1] + bounds[:, 3]) / 2
    rows: list[list[int]] = []
    row_end = -np.inf
    for i in np.lexsort((bounds[:, 0], middle)):
        if middle[i] >= row_end:
            rows.append([])
            row_end = bounds[i, 3]
        rows[-1].append(int(i))
    return [shapes[i] for row in rows for i in sorted(row, key=lambda k: float(bounds[k, 0]))]
