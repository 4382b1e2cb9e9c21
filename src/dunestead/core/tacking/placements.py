"""Resting places of a hot plate that cover the mask."""

import math
from dataclasses import dataclass
from itertools import product

from dunestead.core.figures import Material, Press, Surface
from dunestead.core.geometry.curves import Box

__all__ = ["Placement", "Pressing", "press_mask"]


@dataclass(frozen=True, slots=True)
class Placement:
    """One rest of the plate: its number in order, and the box it presses, mm."""

    number: int
    box: Box


@dataclass(frozen=True, slots=True)
class Pressing:
    """How the mask is pressed on.

    Attributes
    ----------
    placements
        Empty where no heat may or need be used.
    temperature
        degrees C: of the material, or less where the surface asks for less. None without heat.
    seconds
        A placement.
    """

    placements: tuple[Placement, ...]
    temperature: float | None
    seconds: float
    why: str


def press_mask(area: Box, press: Press, surface: Surface, material: Material) -> Pressing:
    """Return the placements of a plate over a mask, from the middle outwards.

    Parameters
    ----------
    area
        The mask on the blank, mm.
    press, surface, material
        The plate, and what sets heat and time.

    Notes
    -----
    The plate lies either way round, whichever needs fewer rests; neighbours overlap because
    plates are cooler at the rim. Pressing from the middle pushes air outwards.
    """
    if material.heat is None:
        return Pressing((), None, 0.0, f"{material.name} holds without heat.")
    if surface.heat is None:
        return Pressing((), None, 0.0, f"{surface.name}: no heat. Choose a mask material that holds without.")
    width, height = area[2] - area[0], area[3] - area[1]
    plates = ((press.plate_width, press.plate_length), (press.plate_length, press.plate_width))
    plate = min(plates, key=lambda p: _count(width, p[0], press.overlap) * _count(height, p[1], press.overlap))
    columns = _rests(area[0], width, plate[0], press.overlap)
    rows = _rests(area[1], height, plate[1], press.overlap)
    centre = ((area[0] + area[2]) / 2, (area[1] + area[3]) / 2)
    boxes = [(x, y, x + plate[0], y + plate[1]) for x, y in product(columns, rows)]
    boxes.sort(key=lambda b: (round(math.dist(((b[0] + b[2]) / 2, (b[1] + b[3]) / 2), centre), 3), b[1], b[0]))
    temperature = min(material.heat, surface.heat)
    seconds = min(material.seconds, surface.seconds)
    why = (
        f"{material.name} bonds at about {material.heat:g} C; {surface.name.lower()} stands up to {surface.heat:g} C, "
        f"{surface.seconds:g} s at most a placement."
    )
    placements = tuple(Placement(number, box) for number, box in enumerate(boxes, start=1))
    return Pressing(placements, temperature, seconds, why)


def _count(extent: float, plate: float, overlap: float) -> int:
    return 1 if extent <= plate else math.ceil((extent - overlap) / (plate - overlap) - 1e-9)


def _rests(start: float, extent: float, plate: float, overlap: float) -> list[float]:
    """Return where the plate's near edge rests along one axis, spread evenly over the extent."""
    count = _count(extent, plate, overlap)
    if count == 1:
        return [start + (extent - plate) / 2]
    step = (extent - plate) / (count - 1)
    return [start + index * step for index in range(count)]
