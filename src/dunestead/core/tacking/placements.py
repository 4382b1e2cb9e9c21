"""Where does a hot plate rest, how hot and how long?"""

import math
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field

import cv2
import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.figures import Material, Press, Surface
from dunestead.core.geometry.curves import Box
from dunestead.core.method import PressPass
from dunestead.core.tacking.covering import Cells, Rest, cover_cells

__all__ = ["Placement", "PressGround", "Pressing", "press_mask"]

# The mask is looked at in square cells, mm: the finest of these that makes no more of them along it than this.
_SIDES, _MOST_ALONG = (5.0, 10.0, 25.0), 300
# Each cell is looked at so many times as fine.
_FINE = 5
_SHIFT = 4
_EPS = 1e-9


@dataclass(frozen=True, slots=True)
class Placement:
    """One rest of the plate.

    Attributes
    ----------
    number
        In the order of the work.
    box
        What it presses, mm on the blank.
    under_rim
        Numbers of the keepers that the rim of the plate crosses: paper goes between, so that none is dragged along.
    """

    number: int
    box: Box
    under_rim: tuple[int, ...] = ()


@dataclass(frozen=True, slots=True)
class Pressing:
    """One going over of the mask with a hot plate.

    Attributes
    ----------
    name
        What it is for.
    placements
        From the middle outwards.
    celsius, seconds
        As the method asks, or less where the surface or the plate asks for less; seconds a rest.
    hangs_over
        How far a rest hangs over the blank's edge at most, mm, where that is more than it may; else 0.
    """

    name: str
    placements: tuple[Placement, ...]
    celsius: float
    seconds: float
    why: str
    hangs_over: float = 0.0


@dataclass(frozen=True, slots=True)
class PressGround:
    """What is pressed, all in mm on the blank.

    Attributes
    ----------
    windows
        What is painted through: the plate goes over it and around it.
    keepers
        Shapes of the pieces that must hold, by number.
    within
        What of the blank is pressed at all.
    barred
        Where no plate rests: what is kept clear.
    beyond
        The plate covers windows and so much around them, mm; the outer border is pinned or taped.
    over_edge
        So much of its side a plate may hang over the edge of ``within``: a plate tips; on a rim it does not press.
    """

    windows: BaseGeometry
    keepers: Mapping[int, shapely.Polygon] = field(default_factory=dict)
    within: BaseGeometry | None = None
    barred: BaseGeometry | None = None
    beyond: float = 0.0
    over_edge: float = 1.0


def press_mask(
    ground: PressGround, press: Press, surface: Surface, material: Material, passes: Sequence[PressPass]
) -> tuple[Pressing, ...]:
    """Return the placements of a plate over a mask, pass by pass; none where there is no heat.

    Notes
    -----
    As few rests as cover every window with what lies around it, and every keeper; the plate lies either way round.
    Neighbours overlap, for plates are cooler at the rim. From the middle outwards, each beside one that is done
    where there is one, and never so that a loose place is shut in: air is pushed out and no bulge is left.
    """
    if surface.heat is None or not passes or (ground.windows.is_empty and not ground.keepers):
        return ()
    limit = min(surface.heat, press.heat)
    why = (
        f"{material.name} holds from about {material.holds_from or 0:g} °C; {surface.name.lower()} stands up to "
        f"{surface.heat:g} °C, {surface.seconds:g} s at most a rest."
    )
    if press.heat < surface.heat:
        why += f" The {press.name.lower()} reaches {press.heat:g} °C."
    placements = {over: _placements(ground, press, over) for over in dict.fromkeys(one.over for one in passes)}
    return tuple(
        Pressing(
            one.name,
            placements[one.over],
            min(one.celsius, limit),
            min(one.seconds, surface.seconds),
            one.why or why,
            _hangs_over(placements[one.over], ground),
        )
        for one in passes
    )


def _hangs_over(placements: Sequence[Placement], ground: PressGround) -> float:
    """Return how far a plate hangs over the edge where it does so by more than it may, mm; 0 where it does not."""
    if ground.within is None:
        return 0.0
    left, top, right, bottom = ground.within.bounds
    found = 0.0
    for x0, y0, x1, y1 in (placement.box for placement in placements):
        for by, side in ((left - x0, x1 - x0), (x1 - right, x1 - x0), (top - y0, y1 - y0), (y1 - bottom, y1 - y0)):
            if by > ground.over_edge * side + _EPS:
                found = max(found, by)
    return found


def _placements(ground: PressGround, press: Press, over: str) -> tuple[Placement, ...]:
    grid = _Grid.over(ground, press.overlap, pieces_only=over == "pieces")
    if grid is None:
        return ()
    # Where two plates meet, each keeps half of the overlap to itself.
    short, long = sorted((press.plate_width - grid.shared, press.plate_length - grid.shared))
    small, large = (max(int((side + _EPS) // grid.side), 1) for side in (short, long))
    bars = grid.barred(ground.barred)
    wanted = grid.wanted if bars is None else grid.wanted & ~bars
    rests = _settled(cover_cells(wanted, ((small, large), (large, small)), bars), wanted, grid, bars)
    plates = {(small, large): (long, short), (large, small): (short, long)}
    boxes = [grid.box(rest, *plates[rest.rows, rest.columns]) for rest in rests]
    crossed = [_crossed(box, ground.keepers) for box in boxes]
    order = _outwards(boxes, grid.middle)
    return tuple(Placement(n, boxes[k], crossed[k]) for n, k in enumerate(order, start=1))


def _crossed(box: Box, keepers: Mapping[int, shapely.Polygon]) -> tuple[int, ...]:
    """Return the keepers that the rim of a plate crosses."""
    if not keepers:
        return ()
    numbers, shapes = np.array(list(keepers)), np.array(list(keepers.values()))
    bounds, plate = shapely.bounds(shapes), np.array(box)
    meets = (bounds[:, :2] < plate[2:]).all(axis=1) & (bounds[:, 2:] > plate[:2]).all(axis=1)
    inside = (bounds[:, :2] >= plate[:2]).all(axis=1) & (bounds[:, 2:] <= plate[2:]).all(axis=1)
    near = meets & ~inside
    rim = shapely.box(*box).exterior
    return tuple(numbers[near][shapely.intersects(rim, shapes[near])].tolist())


@dataclass(frozen=True, slots=True)
class _Grid:
    """What is to be pressed, in square cells from its top left; ``shared`` is the overlap of plates, mm."""

    x: float
    y: float
    side: float
    shared: float
    wanted: Cells
    blank: Box | None

    @classmethod
    def over(cls, ground: PressGround, overlap: float, *, pieces_only: bool) -> "_Grid | None":
        """Return what must lie under the plates; None where that is nothing.

        The overlap comes out of what is pressed around the windows, for the plates' own rims press that.
        """
        shared = min(overlap, 2 * ground.beyond)
        around = ground.beyond - shared / 2
        keepers = list(ground.keepers.values())
        windows = [] if pieces_only else list(shapely.get_parts(ground.windows))
        parts = [*windows, *keepers]
        if not parts:
            return None
        bounds = np.asarray(shapely.total_bounds(np.array(parts)))
        low, high = bounds[:2] - around, bounds[2:] + around
        blank = None if ground.within is None else ground.within.bounds
        if blank is not None:
            low, high = np.maximum(low, blank[:2]), np.minimum(high, blank[2:])
        if (high <= low).any():
            return None
        side = next((one for one in _SIDES if max(high - low) / one <= _MOST_ALONG), _SIDES[-1])
        columns, rows = (max(math.ceil(extent / side - _EPS), 1) for extent in (high - low))
        grid = cls(float(low[0]), float(low[1]), side, shared, np.zeros((rows, columns), bool), blank)
        fine = grid.fine(windows) | grid.fine(keepers)
        reach = math.ceil(around * _FINE / side - _EPS)
        if reach and fine.any():
            away = cv2.distanceTransform(1 - fine, cv2.DIST_L2, cv2.DIST_MASK_PRECISE)
            fine = (away <= reach + 1).astype(np.uint8)
        if ground.within is not None:
            fine &= grid.fine(list(shapely.get_parts(ground.within)))
        return cls(grid.x, grid.y, side, shared, grid.coarse(fine), blank)

    @property
    def middle(self) -> tuple[float, float]:
        """Middle of what is pressed, on the blank."""
        rows, columns = self.wanted.shape
        return self.x + columns * self.side / 2, self.y + rows * self.side / 2

    def fine(self, parts: Sequence[BaseGeometry]) -> npt.NDArray[np.uint8]:
        """Return what parts cover, each cell looked at finely; what only touches counts."""
        rows, columns = self.wanted.shape
        raster = np.zeros((rows * _FINE, columns * _FINE), np.uint8)
        polygons = [part for part in shapely.get_parts(np.array(parts, dtype=object)) if part.geom_type == "Polygon"]
        rings = [
            np.round(((shapely.get_coordinates(ring) - (self.x, self.y)) * _FINE / self.side - 0.5) * (1 << _SHIFT))
            for polygon in polygons
            for ring in (polygon.exterior, *polygon.interiors)
        ]
        cv2.fillPoly(raster, [ring.astype(np.int32) for ring in rings], (1,), shift=_SHIFT)
        return raster

    def coarse(self, fine: npt.NDArray[np.uint8]) -> Cells:
        """Return which cells hold anything."""
        rows, columns = self.wanted.shape
        found: Cells = fine.reshape(rows, _FINE, columns, _FINE).max(axis=(1, 3)) > 0
        return found

    def barred(self, areas: BaseGeometry | None) -> Cells | None:
        """Return where no plate may press, so that its rim keeps off too; None where it may anywhere."""
        if areas is None or areas.is_empty:
            return None
        return self.coarse(self.fine(list(shapely.get_parts(areas.buffer(self.shared / 2, join_style="mitre")))))

    def box(self, rest: Rest, width: float, height: float) -> Box:
        """Return what a plate presses that rests there, its rim included, on the blank."""
        half = self.shared / 2
        x = self.x + rest.column * self.side - half
        y = self.y + rest.row * self.side - half
        return (x, y, x + width + self.shared, y + height + self.shared)


def _settled(rests: Sequence[Rest], wanted: Cells, grid: _Grid, bars: Cells | None) -> list[Rest]:
    """Return rests moved over the middle of what they alone cover, and on to the blank; those for nothing go."""
    found = list(rests)
    place = 0
    while place < len(found):
        rest = found[place]
        alone = wanted.copy()
        for other in (*found[:place], *found[place + 1 :]):
            alone[other.within] = False
        if not alone.any():
            del found[place]
            continue
        rows, columns = np.nonzero(alone.any(axis=1))[0], np.nonzero(alone.any(axis=0))[0]
        row = _between(rows[0], rows[-1], rest.rows, _on_blank(grid, 1))
        column = _between(columns[0], columns[-1], rest.columns, _on_blank(grid, 0))
        moved = Rest(row, column, rest.rows, rest.columns)
        if bars is None or not bars[moved.within].any():
            found[place] = moved
        place += 1
    return found


def _on_blank(grid: _Grid, axis: int) -> tuple[float, float] | None:
    """Return between which cells of an axis a plate lies on the blank, its rim included."""
    if grid.blank is None:
        return None
    start, half = (grid.x, grid.y)[axis], grid.shared / 2
    return (grid.blank[axis] - start + half) / grid.side, (grid.blank[axis + 2] - start - half) / grid.side


def _between(first: int, last: int, length: int, blank: tuple[float, float] | None) -> int:
    """Return where a rest begins that covers the cells first to last: over their middle, on the blank if it can be."""
    low, high = int(last) - length + 1, int(first)
    at = round((int(first) + int(last) + 1 - length) / 2)
    if blank is not None and blank[1] - blank[0] >= length:
        at = min(max(at, math.ceil(blank[0] - _EPS)), math.floor(blank[1] - length + _EPS))
    return min(max(at, low), high)


def _outwards(boxes: Sequence[Box], middle: tuple[float, float]) -> list[int]:
    """Return boxes in the order they are pressed: from the middle, each beside those done, no place shut in."""
    shapes = [shapely.box(*box) for box in boxes]
    away = [round(math.dist(((b[0] + b[2]) / 2, (b[1] + b[3]) / 2), middle), 3) for b in boxes]
    left = sorted(range(len(boxes)), key=lambda k: (away[k], boxes[k][1], boxes[k][0]))
    order: list[int] = []
    done: BaseGeometry = shapely.Polygon()
    while left:
        beside = [k for k in left if not order or shapes[k].intersects(done)] or left
        chosen = next((k for k in beside if not _shuts_in(done.union(shapes[k]), shapes, left, k)), beside[0])
        order.append(chosen)
        left.remove(chosen)
        done = done.union(shapes[chosen])
    return order


def _shuts_in(done: BaseGeometry, shapes: Sequence[shapely.Polygon], left: Iterable[int], chosen: int) -> bool:
    """Say whether a place still to be pressed lies in a hole of what is pressed."""
    holes = [shapely.Polygon(ring) for part in shapely.get_parts(done) for ring in part.interiors]
    if not holes:
        return False
    shut = shapely.union_all(holes)
    return any(
        shapes[k].intersection(shut).area > 0 and shut.union(done).covers(shapes[k]) for k in left if k != chosen
    )
