"""Where are the edges of a mask pinned: its corners, along its border, and between its windows?"""

import math
from collections.abc import Iterator, Sequence
from itertools import pairwise
from typing import Literal

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

__all__ = ["EdgeSpot", "edge_spots"]

Points = npt.NDArray[np.float64]
Place = tuple[float, float]
EdgeSpot = tuple[Place, Place, Literal["corner", "edge"], None]
# Dents and notches of the border narrower than twice this, mm, are passed over.
_DENT = 15.0
# An edge is looked at every so many mm.
_STEP = 5.0
# The border turns a corner where it turns by more than this.
_CORNER = math.radians(40)
# Pins go this much further from the paint than they must, mm.
_SPARE = 1.0


def edge_spots(
    frame: shapely.Polygon, spacing: float, circle: float, off: BaseGeometry, set_: Sequence[Place] = ()
) -> list[EdgeSpot]:
    """Return where the edges of a mask are pinned and how each pin leans.

    Parameters
    ----------
    frame
        The mask that holds together; its holes are the windows.
    spacing
        Between pins along the border, mm. No edge inside is further from a pin than in a lattice of that pitch,
        where there is mask enough.
    circle
        Width of mask a pin wants, mm.
    off
        Where no pin goes.
    set_
        Places that have a pin already.

    Notes
    -----
    Corners of the border first, then along it, as the outline of the mask runs; then along the windows where no
    pin is near yet, each as far on as it can be (the usual greedy cover of intervals).
    """
    ground = _Ground(frame, circle, off)
    found: list[EdgeSpot] = []
    for kind, at in _border_spots(frame, spacing, circle, ground):
        found.append((at, ground.lean(at), kind, None))
    taken = np.array([*(spot[0] for spot in found), *set_]).reshape(-1, 2)
    reach = spacing / math.sqrt(2)
    for ring in frame.interiors:
        for at in _ring_spots(ring, reach, circle, ground, taken):
            found.append((at, ground.lean(at), "edge", None))
            taken = np.vstack([taken, at])
    return found


class _Ground:
    """Where a pin finds mask enough around it."""

    def __init__(self, frame: shapely.Polygon, circle: float, off: BaseGeometry) -> None:
        self._frame, self._circle, self._off = frame, circle, off
        self._edge = frame.boundary
        self._windows = shapely.MultiLineString([ring.coords for ring in frame.interiors])
        shapely.prepare((self._frame, self._edge, self._windows))

    def takes(self, places: Points) -> npt.NDArray[np.bool_]:
        """Say which places take a pin."""
        points = np.asarray(shapely.points(places))
        firm: npt.NDArray[np.bool_] = np.asarray(shapely.contains(self._frame, points))
        firm[firm] = ~shapely.dwithin(self._edge, points[firm], self._circle / 2 - 1e-6)
        if not self._off.is_empty:
            firm[firm] = shapely.distance(self._off, points[firm]) > self._circle / 2
        return firm

    def lean(self, at: Place) -> Place:
        """Return the way away from the nearest paint."""
        if self._windows.is_empty:
            return 0.0, -1.0
        (_, _), (x, y) = shapely.shortest_line(shapely.Point(at), self._windows).coords
        far = math.dist(at, (x, y))
        return ((at[0] - x) / far, (at[1] - y) / far) if far > 0 else (0.0, -1.0)


def _border_spots(
    frame: shapely.Polygon, spacing: float, circle: float, ground: _Ground
) -> Iterator[tuple[Literal["corner", "edge"], Place]]:
    x0, y0, x1, y1 = frame.bounds
    inset = max(min(min(x1 - x0, y1 - y0) / 40, circle), circle / 2)
    smooth = shapely.Polygon(frame.exterior).buffer(_DENT, join_style="mitre")
    ring = max(shapely.get_parts(smooth.buffer(-_DENT - inset, join_style="mitre")), key=shapely.area, default=None)
    if ring is None or ring.is_empty:
        return
    line = ring.exterior
    corners = _corners(line)
    places = np.arange(0.0, line.length, _STEP)
    spots = shapely.get_coordinates(shapely.line_interpolate_point(line, places))
    takes = ground.takes(spots)
    if not takes.any():
        return
    firm, along = spots[takes], places[takes]

    def nearest(place: float, within: float) -> Place | None:
        """Return the spot nearest along the border that takes a pin."""
        way = np.abs((along - place + line.length / 2) % line.length - line.length / 2)
        best = int(np.argmin(way))
        return (float(firm[best, 0]), float(firm[best, 1])) if way[best] <= within else None

    for corner in corners:
        if at := _own(line, corner, ground) or nearest(corner, spacing / 4):
            yield "corner", at
    for place in _between(corners, line.length, spacing):
        if at := _own(line, place, ground) or nearest(place, spacing / 4):
            yield "edge", at


def _own(line: shapely.LinearRing, place: float, ground: _Ground) -> Place | None:
    at = shapely.get_coordinates(shapely.line_interpolate_point(line, place))
    return (float(at[0, 0]), float(at[0, 1])) if ground.takes(at)[0] else None


def _corners(line: shapely.LinearRing) -> list[float]:
    """Return how far along a border its corners lie, mm."""
    points = shapely.get_coordinates(shapely.simplify(line, 1.0))[:-1]
    ways = np.roll(points, -1, axis=0) - points
    heading = np.arctan2(ways[:, 1], ways[:, 0])
    turn = np.abs((heading - np.roll(heading, 1) + np.pi) % (2 * np.pi) - np.pi)
    sharp = np.asarray(shapely.points(points[turn > _CORNER]))
    return sorted(np.asarray(shapely.line_locate_point(line, sharp)).tolist())


def _between(corners: list[float], length: float, spacing: float) -> list[float]:
    """Return evenly spaced places between corners, or all around where there are none."""
    ends = [*corners, corners[0] + length] if corners else [0.0, length]
    found = [] if corners else [0.0]
    for start, end in pairwise(ends):
        gaps = math.ceil((end - start) / spacing - 1e-9)
        found += [float(place) % length for place in np.linspace(start, end, gaps + 1)[1:-1]]
    return found


def _ring_spots(
    ring: shapely.LinearRing, reach: float, circle: float, ground: _Ground, taken: Points
) -> Iterator[Place]:
    """Yield spots beside a window so that none of its edge is further than the reach from a pin."""
    count = max(math.ceil(ring.length / _STEP), 4)
    edge = shapely.get_coordinates(shapely.line_interpolate_point(ring, np.linspace(0, ring.length, count + 1)[:-1]))
    ways = np.roll(edge, -1, axis=0) - np.roll(edge, 1, axis=0)
    sides = np.column_stack([ways[:, 1], -ways[:, 0]]) / np.maximum(np.hypot(*ways.T), 1e-9)[:, None]
    if not shapely.is_ccw(ring):
        sides = -sides
    spots = edge + sides * (circle / 2 + _SPARE)
    takes = ground.takes(spots)
    open_ = np.ones(count, bool)
    for at in taken:
        open_ &= np.hypot(*(edge - at).T) > reach
    while open_.any():
        place = int(np.argmax(open_))
        onwards = (np.arange(count) + place) % count
        within = np.hypot(*(edge[onwards] - edge[place]).T) <= reach
        # As far on along the edge as one pin still holds where it began.
        run = onwards[: count if within.all() else int(np.argmin(within))]
        firm = run[takes[run] & (np.hypot(*(spots[run] - edge[place]).T) <= reach)]
        if not len(firm):
            open_[place] = False
            continue
        chosen = spots[firm[-1]] if not within.all() else spots[firm[len(firm) // 2]]
        yield float(chosen[0]), float(chosen[1])
        open_ &= np.hypot(*(edge - chosen).T) > reach
