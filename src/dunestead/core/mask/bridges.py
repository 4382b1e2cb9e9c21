"""Strips of mask across the paint: laid so that they meet the mask flush and leave keepers alone."""

from collections.abc import Sequence
from dataclasses import dataclass, field, replace

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.mask.gaps import FRAME, Edges, Gap
from dunestead.core.mask.loose import LoosePiece
from dunestead.core.tolerances import TOLERANCES

__all__ = ["Bridge", "Site", "contact"]

# A way round a keeper is looked for from this many places along a piece's edge.
_DETOUR_STARTS = 240
# Places across a bridge at which its ends are looked at.
_ACROSS = 9
_MANY_POINTS = 500
# A strip set at a slant reaches at most this many times its width into the mask to be flush with it.
_DEEPEST = 2.0


@dataclass(frozen=True, slots=True)
class Bridge:
    """A strip of mask across the paint.

    Attributes
    ----------
    piece, other
        What it joins, the one further in first; 0 is the frame.
    start, end
        On the edges it joins, mm.
    width
        mm over its whole length.
    shape
        The paint it takes away.
    strip
        The bridge as it is laid, reaching into the mask at either end; what the mask is united with,
        since shapes that only share an edge may fail to join.
    by_hand
        Its place among those the maker set for the piece, counted from 0; None when it was reckoned.
    share
        How wide the mask is that it hangs on, in its widths, 1 at most.
    """

    piece: int
    other: int
    start: tuple[float, float]
    end: tuple[float, float]
    width: float
    shape: BaseGeometry = field(compare=False)
    strip: BaseGeometry = field(compare=False)
    by_hand: int | None = None
    share: float = 1.0

    @property
    def length(self) -> float:
        """Length across the paint, mm: of all the paint it takes away, the mean over its width."""
        return float(self.shape.area) / self.width

    @property
    def joint(self) -> float:
        """Least width of mask along it, its feet included, mm."""
        return self.width * self.share

    def turned(self) -> "Bridge":
        """Return the same bridge seen from its other end."""
        return replace(self, piece=self.other, other=self.piece, start=self.end, end=self.start)


def contact(
    starts: npt.NDArray[np.float64],
    ends: npt.NDArray[np.float64],
    one: shapely.Polygon,
    other: shapely.Polygon,
    width: float,
) -> npt.NDArray[np.float64]:
    """Return with which share of its width a bridge's ends, set in a little, lie on the mask: the lesser of both.

    Parameters
    ----------
    starts, ends
        Of ``n`` bridges, shape ``(n, 2)``, on the edges of the one part and of the other.
    """
    along = (ends - starts) / np.maximum(np.linalg.norm(ends - starts, axis=1), 1e-9)[:, None]
    side = np.column_stack([-along[:, 1], along[:, 0]])
    across = np.linspace(-0.49, 0.49, _ACROSS)[None, :, None] * width * side[:, None, :]
    inset = along * width / 4
    share = np.ones(len(starts))
    for part, places in ((one, starts - inset), (other, ends + inset)):
        shapely.prepare(part)
        points = (places[:, None, :] + across).reshape(-1, 2)
        share = np.minimum(share, shapely.contains_xy(part, points).reshape(-1, _ACROSS).mean(axis=1))
    return share


class Site:
    """The paint that bridges cross and the keepers they must leave alone, both indexed."""

    def __init__(
        self,
        frame: shapely.Polygon,
        tied: Sequence[LoosePiece],
        kept: Sequence[LoosePiece],
        edges: Edges,
        sheet: shapely.Polygon | None = None,
    ) -> None:
        self._parts = {piece.number: piece.shape for piece in (*tied, *kept)} | {FRAME: frame}
        mask = shapely.MultiPolygon([part for part in self._parts.values() if not part.is_empty])
        ground: BaseGeometry = (
            shapely.Polygon(frame.exterior) if not frame.is_empty else shapely.box(*mask.buffer(1.0).bounds)
        )
        if sheet is not None and len(sheet.interiors):
            # What is left open in the sheet is no paint to lay a bridge over.
            ground = shapely.intersection(ground, sheet)
        self.paint: npt.NDArray[np.object_] = shapely.get_parts(shapely.difference(ground, mask))
        self._paint = shapely.STRtree(self.paint)
        self._keepers = shapely.STRtree([piece.shape for piece in kept])
        self._numbers = [piece.number for piece in kept]
        self._edges = edges

    def crossed(self, bridges: Sequence[Bridge]) -> dict[int, list[Bridge]]:
        """Return for each painted place that bridges cross, by its index in ``paint``, which do."""
        found: dict[int, list[Bridge]] = {}
        for bridge, place in self._paint.query([b.strip for b in bridges], predicate="intersects").T.tolist():
            found.setdefault(place, []).append(bridges[bridge])
        return found

    def lay(self, gap: Gap, width: float) -> Bridge:
        """Lay a strip over a gap, so long that it meets the mask flush, and keep what crosses the paint.

        Beyond either end it stops at the first mask it meets, lest it be seen on the piece's other side.
        """
        core, strip = self._strips(gap, width)
        parts = self._paint_under(strip, width)
        if len(parts) == 1 or (gap.before and gap.after):
            # From body to body all of it is wanted: there is nothing beyond.
            return Bridge(
                gap.piece, gap.other, gap.start, gap.end, width, shapely.union_all(parts), strip, share=gap.share
            )
        line = shapely.LineString([gap.start, gap.end])
        on_line = shapely.length(shapely.intersection(parts, line)) > gap.length / 4
        if not on_line.any():
            on_line[:] = True
        beyond = shapely.difference(shapely.union_all(parts[~on_line]), core)
        laid = shapely.difference(strip, beyond)
        # What the strip only runs along is a line, not paint.
        shape = shapely.union_all(_areas(shapely.intersection(parts, laid)))
        return Bridge(gap.piece, gap.other, gap.start, gap.end, width, shape, laid, share=gap.share)

    def _paint_under(self, strip: BaseGeometry, width: float) -> npt.NDArray[np.object_]:
        """Return the connected places of paint that a strip covers."""
        near = self._paint.geometries[self._paint.query(strip)]
        if shapely.get_num_coordinates(near).sum() > _MANY_POINTS:
            # Cutting the neighbourhood out first spares an overlay with all of a large paint's edge.
            near = shapely.make_valid(shapely.clip_by_rect(near, *strip.buffer(width).bounds))
        return _areas(shapely.intersection(strip, near))

    def _strips(self, gap: Gap, width: float) -> tuple[BaseGeometry, BaseGeometry]:
        """Return a gap's strip from edge to edge, and as far into the mask as its sides need to meet it."""
        if gap.length < TOLERANCES.grid:
            # Where two parts touch in a corner there is no way across; a disc joins them from any side.
            disc = shapely.Point(gap.start).buffer(width / 2)
            return disc, disc
        a, b = np.array(gap.start), np.array(gap.end)
        along = (b - a) / gap.length
        side = np.array([-along[1], along[0]]) * width / 2
        if contact(a[None], b[None], self._parts[gap.piece], self._parts[gap.other], width)[0] == 1:
            before = after = width / 2
        else:
            before = self._depth(a, -along, side, gap.piece, width)
            after = self._depth(b, along, side, gap.other, width)
        before, after = gap.before or before, gap.after or after
        return _strip(a, b, side), _strip(a - along * before, b + along * after, side)

    def _depth(
        self,
        end: npt.NDArray[np.float64],
        inwards: npt.NDArray[np.float64],
        side: npt.NDArray[np.float64],
        part: int,
        width: float,
    ) -> float:
        """Return how far past its end a strip runs until both its sides are in the mask, mm.

        Half its width is enough for all that stand about square; a side that meets nothing further on
        has passed the mask by, and asks for no more.
        """
        usual = width / 2
        near = self._edges.around(shapely.Point(end).buffer(_DEEPEST * width).envelope, part)
        sides = np.array(
            [
                shapely.LineString([end + by, end + by + inwards * width * _DEEPEST])
                for by in (side * 0.999, -side * 0.999)
            ]
        )
        met = shapely.distance(shapely.points(shapely.get_coordinates(sides)[::2]), shapely.intersection(sides, near))
        met = met[np.isfinite(met)]
        return max(usual, float(met.max(initial=0.0)) + width / 8)

    def barred_by(self, bridge: Bridge) -> int | None:
        """Return the number of a keeper that a bridge would tie and is not meant for, if any."""
        touched = self._keepers.query(bridge.strip, predicate="dwithin", distance=TOLERANCES.grid)
        numbers = (self._numbers[i] for i in touched)
        return next((number for number in numbers if number not in (bridge.piece, bridge.other)), None)

    def frees(self, shape: BaseGeometry) -> bool:
        """Say whether a shape touches no keeper."""
        return not len(self._keepers.query(shape, predicate="dwithin", distance=TOLERANCES.grid))

    def lay_round(self, gap: Gap, piece: shapely.Polygon, target: shapely.Polygon, width: float) -> Bridge | None:
        """Return the shortest bridge from a piece to its target that leaves the keepers alone."""
        places = piece.exterior.interpolate(np.linspace(0, 1, _DETOUR_STARTS, endpoint=False), normalized=True)
        lines = shapely.shortest_line(places, target.boundary)
        lines = lines[~shapely.crosses(lines, piece)]
        for line in lines[np.argsort(shapely.length(lines))]:
            (x0, y0), (x1, y1) = shapely.get_coordinates(line).tolist()
            bridge = self.lay(Gap(gap.piece, gap.other, float(line.length), (x0, y0), (x1, y1)), width)
            if self.barred_by(bridge) is None:
                return bridge
        return None


def _areas(shapes: npt.NDArray[np.object_]) -> npt.NDArray[np.object_]:
    """Return the parts of shapes that have an area."""
    parts = shapely.get_parts(shapely.get_parts(shapes))
    found: npt.NDArray[np.object_] = parts[shapely.area(parts) > 0]
    return found


def _strip(a: npt.NDArray[np.float64], b: npt.NDArray[np.float64], side: npt.NDArray[np.float64]) -> shapely.Polygon:
    return shapely.Polygon([a + side, b + side, b - side, a - side])
