"""Where is the mask as wide as a bridge? Ways over the paint that hang on nothing narrower than themselves."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from itertools import product

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.mask.gaps import Edges, Gap
from dunestead.core.tolerances import TOLERANCES

__all__ = ["FULL", "Bodies", "BodyWay"]

Points = npt.NDArray[np.float64]
# Shares of a bridge's width that ground is looked for at, the widest first.
_SHARES = (1.0, 0.85, 0.7, 0.5, 0.0)
# From this share of its width on a bridge counts as joined by all of it: outlines are polygons.
FULL = 0.97
_PAIRS = sorted(product(_SHARES, _SHARES), key=lambda pair: (min(pair), sum(pair)), reverse=True)
# What is left of a part is its body from so many squares of the width on, or when nothing larger is left.
_ROOM = 1.0
# Shapes of more points are searched by their runs.
_MANY = 200
_QUARTER = 8
_EPS = 1e-6


@dataclass(frozen=True, slots=True)
class BodyWay:
    """A way from the body of one part to the body of another.

    Attributes
    ----------
    gap
        Where it crosses the paint, and how far it reaches into the mask on either side.
    taken
        Length of the paint a bridge over it takes away, the mean over its width, mm.
    """

    gap: Gap
    taken: float


class _Body:
    """What is left of a part when all narrower than a share of a bridge is taken off, its edge in short runs."""

    def __init__(self, part: shapely.Polygon, inset: float, room: float) -> None:
        x0, y0, x1, y1 = part.bounds
        if 2 * inset >= min(x1 - x0, y1 - y0):
            rest: npt.NDArray[np.object_] = np.empty(0, dtype=object)
        else:
            rest = shapely.get_parts(part.buffer(-inset, quad_segs=_QUARTER)) if inset else np.array([part], object)
        if len(rest) > 1:
            # A bulge on a spike is as wide as a bridge, but hangs on the spike.
            areas = shapely.area(rest)
            rest = rest[areas >= min(room, float(areas.max()))]
        self.shape = shapely.MultiPolygon(list(rest))
        self._runs: shapely.STRtree | None = None

    def towards(self, other: BaseGeometry) -> shapely.LineString:
        """Return the shortest line from another shape to this one."""
        if shapely.get_num_coordinates(self.shape) <= _MANY:
            return shapely.shortest_line(other, self.shape)
        if self._runs is None:
            self._runs = Edges(dict(enumerate(self.shape.geoms))).tree
        nearest: shapely.LineString = self._runs.geometries[self._runs.query_nearest(other)[0]]
        return shapely.shortest_line(other, nearest)


class Bodies:
    """The parts of a mask without what is narrower than a bridge.

    A disc as wide as a bridge can stand anywhere on a part's body (erosion by half the width). The shortest line
    between two bodies is the axis of the shortest bridge that is joined by its whole width: the disc passes
    along it from one to the other.
    """

    def __init__(self, parts: Mapping[int, shapely.Polygon], width: float) -> None:
        self._parts, self._width = parts, width
        self._known: dict[tuple[int, float], _Body] = {}
        self._grounds: dict[int, _Ground] = {}

    def way(self, gap: Gap, longest: float) -> BodyWay | None:
        """Return the way between two parts that hangs on most mask; None where there is none.

        Parameters
        ----------
        longest
            A bridge over it may be no longer, mm.
        """
        for one, other in _PAIRS:
            body, target = self._body(gap.piece, one), self._body(gap.other, other)
            if body.shape.is_empty or target.shape.is_empty:
                continue
            if shapely.get_num_coordinates(body.shape) > shapely.get_num_coordinates(target.shape):
                axis = shapely.reverse(body.towards(target.shape))
            else:
                axis = target.towards(body.shape)
            strip = axis.buffer(self._width / 2, cap_style="flat")
            near = [self._ground_of(number).within(strip.bounds) for number in (gap.piece, gap.other)]
            crossed = self._crossing(gap, axis, near)
            if crossed is None:
                continue
            taken = float(shapely.difference(strip, shapely.union_all(near)).area) / self._width
            if taken <= longest:
                return BodyWay(replace(crossed, share=min(one, other)), taken)
        return None

    def _body(self, number: int, share: float) -> _Body:
        known = self._known.get((number, share))
        if known is None:
            inset, room = share * FULL * self._width / 2, _ROOM * self._width**2
            known = self._known[(number, share)] = _Body(self._parts[number], inset, room)
        return known

    def _ground_of(self, number: int) -> "_Ground":
        if number not in self._grounds:
            self._grounds[number] = _Ground(self._parts[number])
        return self._grounds[number]

    def _crossing(self, gap: Gap, axis: shapely.LineString, near: list[BaseGeometry]) -> Gap | None:
        """Return where an axis crosses the paint last on its way out of one part, into the other."""
        length = axis.length
        if length < _EPS:
            return None
        left = _last(axis, shapely.intersection(axis, near[0]))
        met = _first_after(axis, shapely.intersection(axis, near[1]), left)
        if met is None:
            return None
        if met - left < 2 * TOLERANCES.grid:
            # They touch: the bridge still needs a way to run.
            left, met = max(left - TOLERANCES.grid, 0.0), min(met + TOLERANCES.grid, length)
        start, end = (shapely.get_coordinates(axis.interpolate(at))[0] for at in (left, met))
        return Gap(
            gap.piece,
            gap.other,
            met - left,
            (float(start[0]), float(start[1])),
            (float(end[0]), float(end[1])),
            left,
            length - met,
        )


class _Ground:
    """A part of the mask that is looked at through boxes: of a frame's many holes only those about one matter."""

    def __init__(self, part: shapely.Polygon) -> None:
        self._part = part
        self._holes: list[shapely.LinearRing] = list(part.interiors)
        self._tree = shapely.STRtree(self._holes)

    def within(self, box: tuple[float, float, float, float]) -> BaseGeometry:
        """Return what of the part lies in a box."""
        x0, y0, x1, y1 = self._part.bounds
        if box[0] <= x0 and box[1] <= y0 and box[2] >= x1 and box[3] >= y1:
            return self._part
        holes = [self._holes[k] for k in self._tree.query(shapely.box(*box)).tolist()]
        return shapely.make_valid(shapely.clip_by_rect(shapely.Polygon(self._part.exterior, holes), *box))


def _stretches(axis: shapely.LineString, inside: BaseGeometry) -> list[tuple[float, float]]:
    """Return the stretches of an axis that lie in a part, from its start, mm."""
    runs = [part for part in shapely.get_parts(inside) if part.geom_type == "LineString" and not part.is_empty]
    ends = [sorted(axis.project(shapely.Point(xy)) for xy in (run.coords[0], run.coords[-1])) for run in runs]
    return sorted((a, b) for a, b in ends)


def _last(axis: shapely.LineString, inside: BaseGeometry) -> float:
    stretches = _stretches(axis, inside)
    return stretches[-1][1] if stretches else 0.0


def _first_after(axis: shapely.LineString, inside: BaseGeometry, at: float) -> float | None:
    return next((a for a, b in _stretches(axis, inside) if b > at + _EPS and a >= at - 2 * TOLERANCES.grid), None)
