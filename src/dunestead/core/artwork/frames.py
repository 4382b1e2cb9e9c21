"""A frame that follows the blank's edge."""

import math

import shapely
from shapely import ops

from dunestead.core.artwork.elements import Frame
from dunestead.core.blanks.blank import within_margin
from dunestead.core.errors import BadInput

__all__ = ["frame_region"]

_SEGS = 16


def frame_region(frame: Frame, outline: shapely.Polygon) -> shapely.MultiPolygon:
    """Return what a frame paints on a blank.

    Raises
    ------
    BadInput
        When it does not fit on the blank.
    """
    if frame.style == "dashed":
        return _dashes(frame, outline)
    bands = [_band(outline, frame.inset, frame.thickness)]
    if frame.style == "double":
        bands.append(_band(outline, frame.inset + frame.thickness + frame.gap, frame.thickness))
    return shapely.MultiPolygon(bands)


def _inner(outline: shapely.Polygon, inset: float) -> shapely.Polygon:
    inner = within_margin(outline, inset) if inset else outline
    if inner.is_empty:
        raise BadInput(
            f"A frame {inset:.0f} mm inside the edge leaves no room on this blank.", "Set it nearer the edge."
        )
    return inner


def _band(outline: shapely.Polygon, inset: float, thickness: float) -> shapely.Polygon:
    outer, inner = _inner(outline, inset), _inner(outline, inset + thickness)
    return shapely.Polygon(outer.exterior, [inner.exterior])


def _dashes(frame: Frame, outline: shapely.Polygon) -> shapely.MultiPolygon:
    """Cut the line's middle into whole dashes and gaps, the gap a little more or less than asked."""
    line = _inner(outline, frame.inset + frame.thickness / 2).exterior
    count = max(round(line.length / (frame.dash + frame.gap)), 1)
    step = line.length / count
    dash = step * frame.dash / (frame.dash + frame.gap)
    if count > 2000 or not math.isfinite(step):
        raise BadInput(f"{count} dashes are too many for a mask.", "Make dashes and gaps longer.")
    # The line is begun anew half a dash in, so that no dash is cut in two where the ring closes.
    begun = _begun_at(line, step / 2)
    dashes = [ops.substring(begun, k * step + (step - dash) / 2, k * step + (step + dash) / 2) for k in range(count)]
    pieces = [
        part.buffer(frame.thickness / 2, cap_style="flat", join_style="mitre", quad_segs=_SEGS) for part in dashes
    ]
    united = shapely.union_all(pieces)
    return shapely.MultiPolygon(list(shapely.get_parts(united)))


def _begun_at(ring: shapely.LinearRing, at: float) -> shapely.LineString:
    """Return a ring as a line that begins and ends some way along it."""
    first, last = ops.substring(ring, at, ring.length), ops.substring(ring, 0, at)
    points = [*first.coords, *list(last.coords)[1:]]
    return shapely.LineString(points)
