"""Points along the paint's edge, as dense as the edge needs them."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.tolerances import TOLERANCES

__all__ = ["Edge", "Sites"]

Points = npt.NDArray[np.float64]
Floats = npt.NDArray[np.float64]
Ints = npt.NDArray[np.intp]
_MANY_VERTICES = 30_000
_COARSER = 0.1


@dataclass(frozen=True, slots=True, eq=False)
class Sites:
    """Points along the edge, each with the segment it lies on.

    Attributes
    ----------
    at
        Shape ``(n, 2)``.
    segment
        Index of the segment of the edge.
    start, end
        Ends of that segment.
    heading
        Its direction, shape ``(n, 2)``, of length 1.
    arc, ring, ring_length
        Way along its ring, which ring, and how long that is.
    """

    at: Points
    segment: Ints
    start: Points
    end: Points
    heading: Points
    arc: Floats
    ring: Ints
    ring_length: Floats


class Edge:
    """The edge of a painted region as segments, its curves thinned by no more than ``thinned`` mm.

    Attributes
    ----------
    length
        Of each segment, mm.
    polygon, piece
        For each ring, whose paint is on its one side, and which loose piece, if any (else -1), on the other.
    """

    def __init__(self, region: shapely.MultiPolygon, parts: Sequence[shapely.Polygon], thinned: float) -> None:
        rings, self.polygon = shapely.get_rings(shapely.get_parts(region), return_index=True)
        self.piece = _pieces_beside(rings, parts)
        rings = _thin(rings, thinned)
        corners, owner = shapely.get_coordinates(rings, return_index=True)
        same = owner[:-1] == owner[1:]
        self._start, self._end, self._ring = corners[:-1][same], corners[1:][same], owner[:-1][same]
        self.length: Floats = np.linalg.norm(self._end - self._start, axis=1)
        self._ring_length = np.bincount(self._ring, self.length, minlength=len(rings)).astype(float)
        first_of_ring = np.append(True, self._ring[1:] != self._ring[:-1])
        before = np.cumsum(self.length) - self.length
        self._before = before - np.repeat(before[first_of_ring], np.bincount(self._ring))

    def count(self, spacing: Floats) -> int:
        """Return how many sites a spacing gives."""
        return int(self._counts(spacing).sum())

    def _counts(self, spacing: Floats) -> Ints:
        return np.maximum(np.rint(self.length / spacing), 1).astype(np.intp)

    def sites(self, spacing: Floats) -> Sites:
        """Return sites at a spacing given for each segment; every segment has one at least."""
        count = self._counts(spacing)
        segment = np.repeat(np.arange(len(count)), count)
        first = np.cumsum(count) - count
        share = (np.arange(len(segment)) - first[segment] + 0.5) / count[segment]
        start, end = self._start[segment], self._end[segment]
        return Sites(
            at=start + share[:, None] * (end - start),
            segment=segment,
            start=start,
            end=end,
            heading=(end - start) / self.length[segment, None],
            arc=self._before[segment] + share * self.length[segment],
            ring=self._ring[segment],
            ring_length=self._ring_length,
        )


def _thin(rings: npt.NDArray[np.object_], thinned: float) -> npt.NDArray[np.object_]:
    """Thin rings; an edge of very many vertices is thinned more, so that its sites stay countable."""
    if int(shapely.get_num_coordinates(rings).sum()) > _MANY_VERTICES:
        thinned = max(thinned, _COARSER)
    thin: npt.NDArray[np.object_] = np.asarray(shapely.simplify(rings, thinned, preserve_topology=False))
    # A ring smaller than the tolerance would vanish.
    return np.where(shapely.get_num_coordinates(thin) < 4, rings, thin)


def _pieces_beside(rings: npt.NDArray[np.object_], parts: Sequence[shapely.Polygon]) -> Ints:
    """Return for each ring of the paint the index of the loose piece along its other side, or -1."""
    beside = np.full(len(rings), -1)
    tree = shapely.STRtree(parts)
    firsts = [shapely.get_coordinates(ring)[:2] for ring in rings]
    middle = shapely.line_interpolate_point(shapely.linestrings(firsts), 0.5, normalized=True)
    ring, piece = tree.query(middle, predicate="dwithin", distance=TOLERANCES.grid / 4)
    beside[ring] = piece
    return beside
