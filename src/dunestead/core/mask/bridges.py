"""The shortest ties that join loose pieces to the rest."""

import math
from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.mask.gaps import FRAME, Gap, spanning_gaps
from dunestead.core.mask.loose import LoosePiece
from dunestead.core.tolerances import TOLERANCES

__all__ = ["Bridge", "tie_pieces"]

# A way round a keeper is looked for from this many places along a piece's edge.
_DETOUR_STARTS = 240


@dataclass(frozen=True, slots=True)
class Bridge:
    """A strip of mask across the paint.

    Attributes
    ----------
    piece, other
        What it joins; 0 is the frame.
    start, end
        On the edges it joins, mm.
    width
        mm over its whole length.
    shape
        The paint it takes away.
    """

    piece: int
    other: int
    start: tuple[float, float]
    end: tuple[float, float]
    width: float
    shape: BaseGeometry = field(compare=False)

    @property
    def length(self) -> float:
        """Length across the paint, mm."""
        return math.dist(self.start, self.end)


def tie_pieces(
    frame: shapely.Polygon, tied: Sequence[LoosePiece], kept: Sequence[LoosePiece], width: float
) -> list[Bridge]:
    """Return bridges of least total length that join pieces to the frame.

    Parameters
    ----------
    frame, tied, kept
        Parts of the mask. Bridges go round keepers, for a keeper tied by accident is no keeper;
        pieces inside a ring that is kept are tied to that ring, since there is no other way out.
    width
        Width of the bridges, mm.

    Examples
    --------
    >>> tie_pieces(shapely.box(0, 0, 1, 1), [], [], 5.0)
    []
    """
    if not tied:
        return []
    parts = {FRAME: frame, **{piece.number: piece.shape for piece in tied}}
    enclosing = [ring for ring in kept if any(_encloses(ring, piece) for piece in tied)]
    parts |= {ring.number: ring.shape for ring in enclosing}
    site = _Site(frame, tied, kept)
    bridges = []
    for gap in spanning_gaps(parts, [FRAME, *(ring.number for ring in enclosing)]):
        bridge = site.lay(gap, width)
        if site.is_barred(bridge):
            bridge = site.lay_round(gap, parts[gap.piece], parts[gap.other], width) or bridge
        bridges.append(bridge)
    return bridges


def _encloses(ring: LoosePiece, piece: LoosePiece) -> bool:
    return bool(len(ring.shape.interiors)) and shapely.Polygon(ring.shape.exterior).contains(piece.shape)


class _Site:
    """The paint that bridges cross and the keepers they must leave alone, both indexed."""

    def __init__(self, frame: shapely.Polygon, tied: Sequence[LoosePiece], kept: Sequence[LoosePiece]) -> None:
        mask = shapely.MultiPolygon([frame, *(piece.shape for piece in (*tied, *kept))])
        self._paint = shapely.STRtree(shapely.get_parts(shapely.difference(shapely.Polygon(frame.exterior), mask)))
        self._keepers = shapely.STRtree([piece.shape for piece in kept])
        self._numbers = [piece.number for piece in kept]

    def lay(self, gap: Gap, width: float) -> Bridge:
        """Lay a strip over a gap, so long that it meets the mask flush, and keep what crosses the paint."""
        strip = _strip(gap.start, gap.end, width)
        near = self._paint.geometries[self._paint.query(strip)]
        # Cutting the neighbourhood out first spares an overlay with all of a large paint's edge.
        local = shapely.make_valid(shapely.clip_by_rect(near, *strip.buffer(width).bounds))
        parts = shapely.get_parts(shapely.intersection(strip, shapely.union_all(local)))
        line = shapely.LineString([gap.start, gap.end])
        on_line = parts[shapely.length(shapely.intersection(parts, line)) > gap.length / 4]
        return Bridge(
            gap.piece, gap.other, gap.start, gap.end, width, shapely.union_all(on_line if len(on_line) else parts)
        )

    def is_barred(self, bridge: Bridge) -> bool:
        """Say whether a bridge would tie a keeper it is not meant for."""
        touched = self._keepers.query(bridge.shape, predicate="dwithin", distance=TOLERANCES.grid)
        return any(self._numbers[i] not in (bridge.piece, bridge.other) for i in touched)

    def lay_round(self, gap: Gap, piece: shapely.Polygon, target: shapely.Polygon, width: float) -> Bridge | None:
        """Return the shortest bridge from a piece to its target that leaves the keepers alone."""
        places = piece.exterior.interpolate(np.linspace(0, 1, _DETOUR_STARTS, endpoint=False), normalized=True)
        lines = shapely.shortest_line(places, target.boundary)
        lines = lines[~shapely.crosses(lines, piece)]
        for line in lines[np.argsort(shapely.length(lines))]:
            (x0, y0), (x1, y1) = shapely.get_coordinates(line).tolist()
            bridge = self.lay(Gap(gap.piece, gap.other, float(line.length), (x0, y0), (x1, y1)), width)
            if not self.is_barred(bridge):
                return bridge
        return None


def _strip(start: tuple[float, float], end: tuple[float, float], width: float) -> shapely.Polygon:
    a, b = np.array(start), np.array(end)
    along = (b - a) / max(float(np.linalg.norm(b - a)), 1e-9)
    side = np.array([-along[1], along[0]]) * width / 2
    # Half its width further at either end reaches past any edge that the whole width meets.
    a, b = a - along * width / 2, b + along * width / 2
    return shapely.Polygon([a + side, b + side, b - side, a - side])
