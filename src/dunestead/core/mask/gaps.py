"""Which parts of the mask lie near each other, and where is the paint between them narrowest?"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.geometry.runs import edge_runs
from dunestead.core.mask.loose import Mask

__all__ = ["FRAME", "Clusters", "Edges", "Gap", "nearest_gaps", "spanning_gaps"]

FRAME = 0
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
    before, after
        How far a bridge over it reaches at least into the one and into the other, to hang on as much as it is wide, mm.
    share
        How wide the mask is that a bridge over it hangs on, in its widths, 1 at most.
    """

    piece: int
    other: int
    length: float
    start: tuple[float, float]
    end: tuple[float, float]
    before: float = 0.0
    after: float = 0.0
    share: float = 1.0


class Edges:
    """The edges of several parts in short runs, in one index."""

    def __init__(self, parts: dict[int, shapely.Polygon]) -> None:
        self.runs, part = edge_runs(list(parts.values()))
        self.owner = np.array(list(parts), np.intp)[part]
        self.tree = shapely.STRtree(self.runs)

    def around(self, place: BaseGeometry, number: int) -> BaseGeometry:
        """Return the edge of one part near a place."""
        found = self.tree.query(place)
        return shapely.MultiLineString(list(self.runs[found[self.owner[found] == number]]))

    def near(self, parts: dict[int, shapely.Polygon], reach: float) -> dict[int, dict[int, tuple[float, int]]]:
        """Return for some parts which others are within reach: their distance and the run that is nearest."""
        shapes = np.array(list(parts.values()), dtype=object)
        numbers = np.array(list(parts))
        boxes = shapely.bounds(shapes) + np.array([-reach, -reach, reach, reach])
        part, run = self.tree.query(shapely.box(*boxes.T))
        foreign = self.owner[run] != numbers[part]
        part, run = part[foreign], run[foreign]
        distance = np.asarray(shapely.distance(shapes[part], self.runs[run]))
        found: dict[int, dict[int, tuple[float, int]]] = {number: {} for number in parts}
        # The nearest run of each neighbour comes last and so stays.
        for i in np.argsort(-distance, kind="stable"):
            if distance[i] <= reach:
                found[int(numbers[part[i]])][int(self.owner[run[i]])] = (float(distance[i]), int(run[i]))
        return found


@lru_cache(maxsize=64)
def nearest_gaps(mask: Mask) -> tuple[Gap, ...]:
    """Return for each loose piece the narrowest place between it and any other part of the mask.

    A shape that is all of its mask has no other part, and no gap.
    """
    if len(mask.loose) + (not mask.frame.is_empty) < 2:
        return ()
    loose = {piece.number: piece.shape for piece in mask.loose}
    edges = Edges({FRAME: mask.frame, **loose})
    gaps: dict[int, Gap] = {}
    waiting, reach = dict(loose), _FIRST_REACH
    while waiting:
        for number, near in edges.near(waiting, reach).items():
            if near:
                other, (_, run) = min(near.items(), key=lambda item: (item[1][0], item[0]))
                gaps[number] = _gap(number, other, loose[number], edges.runs[run])
        waiting = {number: shape for number, shape in waiting.items() if number not in gaps}
        reach *= 2
    return tuple(gaps[piece.number] for piece in mask.loose)


def _gap(piece: int, other: int, shape: shapely.Polygon, run: shapely.LineString) -> Gap:
    ends = shapely.get_coordinates(shapely.shortest_line(shape, run))
    start, end = ((float(x), float(y)) for x, y in ends)
    return Gap(piece, other, float(np.linalg.norm(ends[1] - ends[0])), start, end)


def spanning_gaps(
    parts: dict[int, shapely.Polygon], edges: Edges, roots: Sequence[int], joined: "Clusters | None" = None
) -> list[Gap]:
    """Return gaps of least total length that, once bridged, join every part to a root.

    Parameters
    ----------
    parts
        All parts by number, roots among them.
    edges
        The edges of the same parts.
    roots
        Parts that need no tie; they count as joined to each other.
    joined
        What hangs together already.

    Notes
    -----
    A minimum spanning tree (Kruskal 1956) of the distances between parts, roots contracted to
    one. Distances are looked up within a reach that doubles for clusters not yet joined: by the
    cut property the shortest gap out of a cluster is in the tree, and it is found as soon
    as the reach covers it.
    """
    joined = joined or Clusters(roots)
    reach = _FIRST_REACH
    waiting = [number for number in parts if not joined.is_rooted(number)]
    chosen: list[Gap] = []
    while waiting:
        found: dict[tuple[int, int], tuple[float, int, int, int]] = {}
        for number, near in edges.near({number: parts[number] for number in waiting}, reach).items():
            for other, (distance, run) in near.items():
                pair = (min(number, other), max(number, other))
                if pair not in found or distance < found[pair][0]:
                    found[pair] = (distance, number, other, run)
        for _, number, other, run in sorted(found.values()):
            if joined.join(number, other):
                chosen.append(_gap(number, other, parts[number], edges.runs[run]))
        waiting = [number for number in waiting if not joined.is_rooted(number)]
        reach *= 2
    return chosen


class Clusters:
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
        """Join two parts; says whether they were apart."""
        top, below = self._top(one), self._top(other)
        self._above[below] = top
        return top != below

    def is_joined(self, one: int, other: int) -> bool:
        """Say whether two parts hang together."""
        return self._top(one) == self._top(other)

    def is_rooted(self, number: int) -> bool:
        """Say whether a part hangs together with a root."""
        return self._top(number) == self._top(self._root)
