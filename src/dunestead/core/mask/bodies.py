"""Where is the mask as wide as a bridge? Ways over the paint that hang on nothing narrower than themselves."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from itertools import product

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.mask.gaps import Gap
from dunestead.core.tolerances import TOLERANCES

__all__ = ["FULL", "Bodies", "BodyWay"]

Points = npt.NDArray[np.float64]
# Shares of a bridge's width that ground is looked for at, the widest first.
_SHARES = (1.0, 0.85, 0.7, 0.5, 0.0)
# From this share of its width on a bridge counts as joined by all of it: outlines are polygons.
FULL = 0.97
# Ground is looked for this many widths around a gap, and then wider.
_NEAR, _FAR = 4.0, 16.0
# What is so little longer than the narrowest place is not looked for any wider.
_HARDLY_LONGER = 1.1
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


class Bodies:
    """The parts of a mask without what is narrower than a bridge.

    A disc as wide as a bridge can stand anywhere on a part's body (erosion by half the width). The shortest line
    between two bodies is the axis of the shortest bridge that is joined by its whole width: the disc passes
    along it from one to the other.
    """

    def __init__(self, parts: Mapping[int, shapely.Polygon], width: float) -> None:
        self._parts, self._width = parts, width

    def way(self, gap: Gap, longest: float) -> BodyWay | None:
        """Return the way between two parts, near their gap, that hangs on most mask; None where there is none.

        Parameters
        ----------
        longest
            A bridge over it may be no longer, mm.
        """
        best: BodyWay | None = None
        for around in (_NEAR, _FAR):
            box = shapely.LineString([gap.start, gap.end]).buffer(around * self._width).bounds
            near = [_clipped(self._parts[number], box) for number in (gap.piece, gap.other)]
            way = self._between(near, shapely.box(*box).boundary, gap, longest)
            if way and (best is None or (way.gap.share, -way.taken) > (best.gap.share, -best.taken)):
                best = way
            if best and best.gap.share == 1 and best.taken <= gap.length * _HARDLY_LONGER:
                break
        return best

    def _between(self, near: list[BaseGeometry], border: BaseGeometry, gap: Gap, longest: float) -> BodyWay | None:
        pairs = sorted(product(_SHARES, _SHARES), key=lambda pair: (min(pair), sum(pair)), reverse=True)
        bodies = [{share: self._body(part, share, border) for share in _SHARES} for part in near]
        for one, other in pairs:
            ends = (bodies[0][one], bodies[1][other])
            if ends[0].is_empty or ends[1].is_empty:
                continue
            axis = shapely.shortest_line(*ends)
            crossed = self._crossing(gap, axis, near)
            strip = axis.buffer(self._width / 2, cap_style="flat")
            taken = float(shapely.difference(strip, shapely.union_all(near)).area) / self._width
            if crossed and taken <= longest:
                return BodyWay(replace(crossed, share=min(one, other)), taken)
        return None

    def _body(self, part: BaseGeometry, share: float, border: BaseGeometry) -> BaseGeometry:
        """Return a part without what is narrower: what leads on beyond what is looked at, else its largest rest."""
        if not share:
            return part
        inset = share * FULL * self._width / 2
        rest = shapely.get_parts(part.buffer(-inset, quad_segs=_QUARTER))
        if len(rest) < 2:
            return shapely.MultiPolygon(list(rest))
        leads_on = shapely.distance(rest, border) <= inset * (1 + _EPS) + _EPS
        # A bulge on a spike is as wide as a bridge, but hangs on the spike.
        return shapely.MultiPolygon(list(rest[leads_on] if leads_on.any() else rest[[np.argmax(shapely.area(rest))]]))

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


def _clipped(part: shapely.Polygon, box: tuple[float, float, float, float]) -> BaseGeometry:
    x0, y0, x1, y1 = part.bounds
    if box[0] <= x0 and box[1] <= y0 and box[2] >= x1 and box[3] >= y1:
        return part
    return shapely.make_valid(shapely.clip_by_rect(part, *box))


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
