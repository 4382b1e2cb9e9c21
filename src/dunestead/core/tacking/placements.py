"""Where does a hot plate rest, how hot and how long?"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import product

import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.figures import Material, Press, PressPass, Surface
from dunestead.core.geometry.curves import Box

__all__ = ["Placement", "Pressing", "press_mask"]


@dataclass(frozen=True, slots=True)
class Placement:
    """One rest of the plate: its number in order, and the box it presses, mm."""

    number: int
    box: Box


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
        As the method asks, or less where the surface asks for less; seconds a rest.
    """

    name: str
    placements: tuple[Placement, ...]
    celsius: float
    seconds: float
    why: str


def press_mask(
    wanted: BaseGeometry, beyond: float, press: Press, surface: Surface, material: Material, passes: Sequence[PressPass]
) -> tuple[Pressing, ...]:
    """Return the placements of a plate over a mask, pass by pass; none where there is no heat.

    Parameters
    ----------
    wanted
        The windows and keepers on the blank, mm.
    beyond
        The plate covers them and so much around them, mm; the outer border is pinned or taped.
    press, surface, material, passes
        The plate, and what sets heat and time.

    Notes
    -----
    The plate lies either way round, whichever needs fewer rests; neighbours overlap because
    plates are cooler at the rim. Pressing from the middle pushes air outwards.
    """
    if surface.heat is None or not passes or wanted.is_empty:
        return ()
    placements = _placements(wanted, beyond, press)
    why = (
        f"{material.name} holds from about {material.holds_from or 0:g} C; {surface.name.lower()} stands up to "
        f"{surface.heat:g} C, {surface.seconds:g} s at most a placement."
    )
    return tuple(
        Pressing(one.name, placements, min(one.celsius, surface.heat), min(one.seconds, surface.seconds), why)
        for one in passes
    )


def _placements(wanted: BaseGeometry, beyond: float, press: Press) -> tuple[Placement, ...]:
    x0, y0, x1, y1 = wanted.bounds
    area = (x0 - beyond, y0 - beyond, x1 + beyond, y1 + beyond)
    width, height = area[2] - area[0], area[3] - area[1]
    plates = ((press.plate_width, press.plate_length), (press.plate_length, press.plate_width))
    plate = min(plates, key=lambda p: _count(width, p[0], press.overlap) * _count(height, p[1], press.overlap))
    columns = _rests(area[0], width, plate[0], press.overlap)
    rows = _rests(area[1], height, plate[1], press.overlap)
    centre = ((area[0] + area[2]) / 2, (area[1] + area[3]) / 2)
    parts = shapely.STRtree(shapely.get_parts(wanted))
    boxes = [
        (x, y, x + plate[0], y + plate[1])
        for x, y in product(columns, rows)
        if len(
            parts.query(shapely.box(x - beyond, y - beyond, x + plate[0] + beyond, y + plate[1] + beyond), "intersects")
        )
    ]
    boxes.sort(key=lambda b: (round(math.dist(((b[0] + b[2]) / 2, (b[1] + b[3]) / 2), centre), 3), b[1], b[0]))
    return tuple(Placement(number, box) for number, box in enumerate(boxes, start=1))


def _count(extent: float, plate: float, overlap: float) -> int:
    return 1 if extent <= plate else math.ceil((extent - overlap) / (plate - overlap) - 1e-9)


def _rests(start: float, extent: float, plate: float, overlap: float) -> list[float]:
    """Return where the plate's near edge rests along one axis, spread evenly over the extent."""
    count = _count(extent, plate, overlap)
    if count == 1:
        return [start + (extent - plate) / 2]
    step = (extent - plate) / (count - 1)
    return [start + index * step for index in range(count)]
