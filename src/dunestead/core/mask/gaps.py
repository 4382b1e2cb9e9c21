"""Which parts of the mask lie near each other, and where is the paint between them narrowest?"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.mask.loose import Mask

__all__ = ["FRAME", "Edges", "Gap", "nearest_gaps", "spanning_gaps"]

FRAME = 0
_CHUNK = 16
_FIRST_REACH = 4.0


@dataclass(frozen=True, slots=True)
class Gap:
    """The narrowest place of the paint between two parts of the mask.

    Attributes
    ----------
    piece, other
        Numbers of the parts; `FRAME` is the frame.
    start, end
        On the edge of the one and of the other, mm.
    """

    piece: int
    other: int
    length: float
    start: tuple[float, float]
    end: tuple[float, float]


class Edges:
    """The edges of several parts in short runs, in one index."""

    def __init__(self, parts: dict[int, shapely.Polygon]) -> None:
        runs, owner = [], []
        for number, part in parts.items():
            for ring in shapely.get_rings(part):
                points = shapely.get_coordinates(ring)
                cuts = range(0, len(points) - 1, _CHUNK)
                runs += [points[start : start + _CHUNK + 1] for start in cuts]
                owner += [number] * len(cuts)
        lengths = [len(run) for run in runs]
        self.runs: npt.NDArray[np.object_] = np.asarray(
            shapely.linestrings(np.concatenate(runs), indices=np.repeat(np.arange(len(runs)), lengths))
        )
        self.owner = np.array(owner)
        self.tree = shapely.STRtree(self.runs)

    def around(self, place: BaseGeometry, number: int) -> BaseGeometry:
        """Return the edge of one part near a place."""
        found = self.tree.query(place)
        return shapely.union_all(self.runs[found[self.owner[found] == number]])

    def near(self, part: shapely.Polygon, number: int, reach: float) -> dict[int, tuple[float, int]]:
        """Return for each other part within reach its distance and the run that is nearest."""
        found = self.tree.query(part, predicate="dwithin", distance=reach)
        found = found[self.owner[found] != number]
        distance = np.asarray(shapely.distance(part, self.runs[found]))
        order = np.argsort(-distance)
        return {
            int(owner): (float(d), int(run))
            for owner, d, run in zip(self.owner[found[order]], distance[order], found[order], strict=True)
        }


@lru_cache(maxsize=64)
def nearest_gaps(mask: Mask) -> tuple[Gap, ...]:
    """Return for each loose piece the narrowest place between it and any other part of the mask."""
    if not mask.loose:
        return ()
    parts = {FRAME: mask.frame, **{piece.number: piece.shape for piece in mask.loose}}
    edges = Edges(parts)
    gaps = []
    for piece in mask.loose:
        reach, near = _FIRST_REACH, {}
        while not (near := edges.near(piece.shape, piece.number, reach)):
            reach *= 2
        other, (_, run) = min(near.items(), key=lambda item: (item[1][0], item[0]))
        gaps.append(_gap(piece.number, other, piece.shape, edges.runs[run]))
    return tuple(gaps)


def _gap(piece: int, other: int, shape: shapely.Polygon, run: shapely.LineString) -> Gap:
    ends = shapely.get_coordinates(shapely.shortest_line(shape, run))
    start, end = ((float(x), float(y)) for x, y in ends)
    return Gap(piece, other, float(np.linalg.norm(ends[1] - ends[0])), start, end)


def spanning_gaps(parts: dict[int, shapely.Polygon], edges: Edges, roots: Sequence[int]) -> list[Gap]:
    """Return gaps of least total length that, once bridged, join every part to a root.

    Parameters
    ----------
    parts
        All parts by number, roots among them.
    edges
        The edges of the same parts.
    roots
        Parts that need no tie; they count as joined to each other.

    Notes
    -----
    A minimum spanning tree (Kruskal 1956) of the distances between parts, roots contracted to
    one. Distances are looked up within a reach that doubles for clusters not yet joined: by the
    cut property the shortest gap out of a cluster is in the tree, and it is found as soon
    as the reach covers it.
    """
    joined = _Clusters(roots)
    reach = _FIRST_REACH
    waiting = [number for number in parts if number not in roots]
    chosen: list[Gap] = []
    while waiting:
        found: dict[tuple[int, int], tuple[float, int, int, int]] = {}
        for number in waiting:
            for other, (distance, run) in edges.near(parts[number], number, reach).items():
                pair = (min(number, other), max(number, other))
                if pair not in found or distance < found[pair][0]:
                    found[pair] = (distance, number, other, run)
        for _, number, other, run in sorted(found.values()):
            if joined.join(number, other):
                chosen.append(_gap(number, other, parts[number], edges.runs[run]))
        waiting = [number for number in waiting if not joined.is_rooted(number)]
        reach *= 2
    return chosen


class _Clusters:
    """Which parts hang together so far (union-find); all roots from the start."""

    def __init__(self, roots: Sequence[int]) -> None:
        self._above: dict[int, int] = {}
        self._root = roots[0]
        for other in roots[1:]:
            self.join(self._root, other)

    def _top(self, number: int) -> int:
        while (above := self._above.get(number, number)) != number:
            self._above[number] = self._above.get(above, above)
            number = above
        return number

    def join(self, one: int, other: int) -> bool:
        top, below = self._top(one), self._top(other)
        self._above[below] = top
        return top != below

    def is_rooted(self, number: int) -> bool:
        return self._top(number) == self._top(self._root)
