"""Where would a bridge from a place on the mask's edge run to, and would it stand on mask that is wide enough?"""

from dataclasses import dataclass

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.mask.gaps import Edges

__all__ = ["NOWHERE", "Cast", "Ways", "outward"]

Points = npt.NDArray[np.float64]
Floats = npt.NDArray[np.float64]
Ints = npt.NDArray[np.intp]
NOWHERE = -1
_FIRST_REACH = 16.0
_LONGEST = 50_000.0
# A ray leaves the edge it starts on by this much, mm, before it can meet another.
_OFF = 1e-3
# The direction of an edge is read off this much of it, mm, either side of a place.
_READ = 0.05
# A disc of the bridge's width must fit behind either end; it is looked for at these shares of the width.
_DEPTHS = (0.125, 0.25, 0.5)


@dataclass(frozen=True, slots=True, eq=False)
class Cast:
    """What straight ways out of some places meet.

    Attributes
    ----------
    owner
        Shape ``(n,)``: number of the part first met, `NOWHERE` for none.
    end
        Shape ``(n, 2)``: where, mm.
    square
        Shape ``(n,)``: how squarely it is met, 1 at right angles, 0 along it.
    """

    owner: Ints
    end: Points
    square: Floats


def outward(ring: shapely.LinearRing, ways: Floats) -> tuple[Points, Points]:
    """Return places along a piece's outer edge and the directions straight out of it, both ``(n, 2)``.

    Parameters
    ----------
    ring
        The outer edge, in either sense.
    ways
        mm along it, shape ``(n,)``.
    """
    points = shapely.get_coordinates(ring)
    steps = np.diff(points, axis=0)
    lengths = np.hypot(steps[:, 0], steps[:, 1])
    ends = np.cumsum(lengths)
    ways = np.mod(ways, ends[-1])
    segment = np.minimum(np.searchsorted(ends, ways, side="right"), len(lengths) - 1)
    share = (ways - (ends[segment] - lengths[segment])) / np.maximum(lengths[segment], 1e-12)
    places = points[segment] + np.clip(share, 0, 1)[:, None] * steps[segment]
    along = steps[segment] / np.maximum(lengths[segment], 1e-12)[:, None]
    sense = 1.0 if shapely.is_ccw(ring) else -1.0
    return places, np.column_stack([along[:, 1], -along[:, 0]]) * sense


class Ways:
    """Straight ways across the paint, between the edges of the mask's parts."""

    def __init__(self, edges: Edges) -> None:
        self._edges = edges

    def cast(self, starts: Points, headings: Points) -> Cast:
        """Return what is met from places in given directions, both ``(n, 2)``."""
        owner, square = np.full(len(starts), NOWHERE, np.intp), np.zeros(len(starts))
        ends = starts.copy()
        waiting, reach = np.arange(len(starts)), _FIRST_REACH
        while len(waiting) and reach < _LONGEST:
            met, away, run = self._first_met(starts[waiting], headings[waiting], reach)
            found = waiting[met]
            owner[found] = self._edges.owner[run[met]]
            ends[found] = starts[found] + headings[found] * away[met][:, None]
            square[found] = np.abs(np.einsum("ij,ij->i", self._across(ends[found], run[met]), headings[found]))
            waiting, reach = waiting[~met], reach * 4
        return Cast(owner, ends, square)

    def _first_met(self, starts: Points, headings: Points, reach: float) -> tuple[npt.NDArray[np.bool_], Floats, Ints]:
        rays = np.asarray(shapely.linestrings(np.stack([starts + headings * _OFF, starts + headings * reach], axis=1)))
        ray, run = self._edges.tree.query(rays, predicate="intersects")
        points, pair = shapely.get_coordinates(
            shapely.intersection(rays[ray], self._edges.runs[run]), return_index=True
        )
        ray, run = ray[pair], run[pair]
        away = np.einsum("ij,ij->i", points - starts[ray], headings[ray])
        nearest = np.full(len(starts), np.inf)
        at = np.zeros(len(starts), np.intp)
        order = np.argsort(-away, kind="stable")
        nearest[ray[order]], at[ray[order]] = away[order], run[order]
        return np.isfinite(nearest), nearest, at

    def _across(self, places: Points, run: Ints) -> Points:
        """Return unit vectors across the runs where places lie on them."""
        lines = self._edges.runs[run]
        way = shapely.line_locate_point(lines, shapely.points(places))
        before, after = (
            shapely.get_coordinates(shapely.line_interpolate_point(lines, np.maximum(way + by, 0.0)))
            for by in (-_READ, _READ)
        )
        along = after - before
        along /= np.maximum(np.hypot(along[:, 0], along[:, 1]), 1e-12)[:, None]
        return np.column_stack([along[:, 1], -along[:, 0]])

    def nearest_other(self, place: tuple[float, float], own: int) -> tuple[int, tuple[float, float]] | None:
        """Return the nearest part other than the one a place lies on, and where it is nearest; None without any."""
        point, reach = shapely.Point(place), _FIRST_REACH
        while reach < _LONGEST:
            runs = self._edges.tree.query(point, predicate="dwithin", distance=reach)
            runs = runs[self._edges.owner[runs] != own]
            if len(runs):
                best = runs[int(np.argmin(shapely.distance(point, self._edges.runs[runs])))]
                end = shapely.get_coordinates(shapely.shortest_line(point, self._edges.runs[best]))[1]
                return int(self._edges.owner[best]), (float(end[0]), float(end[1]))
            reach *= 4
        return None

    def footing(self, places: Points, inwards: Points, width: float) -> Floats:
        """Return how wide the mask is behind each place, in shares of a width: 1 where a disc of it fits.

        Less means that a bridge there would hang on a tongue, a hairline or a corner.
        """
        share = np.ones(len(places))
        for part in _DEPTHS:
            depth = part * width
            points = np.asarray(shapely.points(places + inwards * depth))
            i, run = self._edges.tree.query(points, predicate="dwithin", distance=depth * 0.999)
            np.minimum.at(share, i, shapely.distance(points[i], self._edges.runs[run]) / depth)
        return share
