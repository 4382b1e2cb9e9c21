"""The shortest ties that join loose pieces to the rest."""

import math
from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.mask.gaps import FRAME, Edges, Gap, spanning_gaps
from dunestead.core.mask.loose import LoosePiece
from dunestead.core.tolerances import TOLERANCES

__all__ = ["Bridge", "tie_pieces"]

# A way round a keeper is looked for from this many places along a piece's edge.
_DETOUR_STARTS = 240
# A bridge may be slid to one of this many places if that makes it longer by no more than this.
_SLIDES = 33
_HARDLY_LONGER = 1.015


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
    strip
        The bridge as it is laid, reaching into the mask at either end; what the mask is united with,
        since shapes that only share an edge may fail to join.
    """

    piece: int
    other: int
    start: tuple[float, float]
    end: tuple[float, float]
    width: float
    shape: BaseGeometry = field(compare=False)
    strip: BaseGeometry = field(compare=False)

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
    site, edges = _Site(frame, tied, kept), Edges(parts)
    bridges = []
    for narrowest in spanning_gaps(parts, edges, [FRAME, *(ring.number for ring in enclosing)]):
        gap = _with_full_contact(narrowest, parts, edges, width)
        bridge = site.lay(gap, width)
        if site.is_barred(bridge):
            bridge = site.lay_round(gap, parts[gap.piece], parts[gap.other], width) or bridge
        bridges.append(bridge)
    return bridges


def _encloses(ring: LoosePiece, piece: LoosePiece) -> bool:
    return bool(len(ring.shape.interiors)) and shapely.Polygon(ring.shape.exterior).contains(piece.shape)


def _with_full_contact(gap: Gap, parts: dict[int, shapely.Polygon], edges: Edges, width: float) -> Gap:
    """Slide a gap along its piece to where a bridge has its whole width of mask at both ends.

    The narrowest place is often at a corner, where half a bridge would meet nothing. Only
    places hardly longer are taken; where the piece is narrower than the bridge, the
    narrowest place stays.
    """
    if _contact(gap.start, gap.end, parts[gap.piece], parts[gap.other], width) == 1:
        return gap
    near = shapely.Point(gap.start).buffer(2 * width).envelope
    own = shapely.line_merge(edges.around(near, gap.piece))
    target = edges.around(near.buffer(gap.length), gap.other)
    if own.is_empty or target.is_empty:
        return gap
    spots = [
        line.interpolate(along)
        for line in shapely.get_parts(own)
        for along in line.project(shapely.Point(gap.start)) + np.linspace(-width, width, _SLIDES)
        if 0 <= along <= line.length
    ]
    best, most = gap, 0.0
    for line in sorted(shapely.shortest_line(spots, target), key=lambda line: float(line.length)):
        if line.length > gap.length * _HARDLY_LONGER + TOLERANCES.sliver:
            break
        (x0, y0), (x1, y1) = shapely.get_coordinates(line).tolist()
        contact = _contact((x0, y0), (x1, y1), parts[gap.piece], parts[gap.other], width)
        if contact > most + 0.01:
            best, most = Gap(gap.piece, gap.other, float(line.length), (x0, y0), (x1, y1)), contact
    return best


def _contact(
    start: tuple[float, float], end: tuple[float, float], one: shapely.Polygon, other: shapely.Polygon, width: float
) -> float:
    """Return the lesser share of its width with which a bridge's ends, set in a little, lie on the mask."""
    a, b = np.array(start), np.array(end)
    along = (b - a) / max(float(np.linalg.norm(b - a)), 1e-9)
    across = np.outer(np.linspace(-0.49, 0.49, 9) * width, (-along[1], along[0]))
    inset = along * width / 4
    shares = []
    for part, place in ((one, a - inset), (other, b + inset)):
        shapely.prepare(part)
        shares.append(float(np.mean(shapely.contains_xy(part, place + across))))
    return min(shares)


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
        on_line = shapely.length(shapely.intersection(parts, line)) > gap.length / 4
        if not on_line.any():
            on_line[:] = True
        shape, beyond = shapely.union_all(parts[on_line]), shapely.union_all(parts[~on_line])
        laid = shapely.difference(strip, beyond)
        return Bridge(gap.piece, gap.other, gap.start, gap.end, width, shape, laid)

    def is_barred(self, bridge: Bridge) -> bool:
        """Say whether a bridge would tie a keeper it is not meant for."""
        touched = self._keepers.query(bridge.strip, predicate="dwithin", distance=TOLERANCES.grid)
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


def _strip(start: tuple[float, float], end: tuple[float, float], width: float) -> BaseGeometry:
    a, b = np.array(start), np.array(end)
    length = float(np.linalg.norm(b - a))
    if length < TOLERANCES.grid:
        # Where two parts touch in a corner there is no way across; a disc joins them from any side.
        return shapely.Point(start).buffer(width / 2)
    along = (b - a) / length
    side = np.array([-along[1], along[0]]) * width / 2
    # Half its width further at either end reaches past any edge that the whole width meets.
    a, b = a - along * width / 2, b + along * width / 2
    return shapely.Polygon([a + side, b + side, b - side, a - side])
