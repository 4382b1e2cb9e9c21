"""Where pins go, and how many must come back."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import numpy as np
import shapely

from dunestead.core.figures import Surface
from dunestead.core.mask.loose import LoosePiece

__all__ = ["Pin", "PinRules", "Pinning", "pin_mask"]

_TAKES_PINS = ("coir", "low-pile")


@dataclass(frozen=True, slots=True)
class PinRules:
    """Lengths in mm: least piece that takes a pin, from when it takes two, spacing along edges."""

    least_part: float
    two_above: float
    spacing: float


@dataclass(frozen=True, slots=True)
class Pin:
    """A pin and what it holds: ``corner``, ``edge`` or ``piece``."""

    at: tuple[float, float]
    holds: str
    piece: int | None = None


@dataclass(frozen=True, slots=True)
class Pinning:
    """All pins, and the numbers of the pieces too small for one."""

    pins: tuple[Pin, ...]
    by_tweezers: tuple[int, ...]
    why: str


def pin_mask(
    frame: shapely.Polygon,
    keepers: Sequence[LoosePiece],
    least_sides: Sequence[float],
    surface: Surface,
    rules: PinRules,
) -> Pinning:
    """Return pins for corners, long edges and every keeper that takes one.

    Parameters
    ----------
    frame, keepers
        The mask, mm.
    least_sides
        Least side of each keeper, mm.
    surface
        Pins hold in coir and pile; smooth, woven and leather blanks keep the hole.
    rules
        See `PinRules`.
    """
    small = tuple(k.number for k, side in zip(keepers, least_sides, strict=True) if side < rules.least_part)
    if surface.family not in _TAKES_PINS:
        return Pinning(
            (), tuple(k.number for k in keepers), f"No pins: {surface.name.lower()} keeps the holes. Use tape."
        )
    # A mask of separate shapes has no corners and edges of its own.
    pins = [] if frame.is_empty else [*_corner_pins(frame), *_edge_pins(frame, rules.spacing)]
    for keeper in keepers:
        if keeper.number not in small:
            pins += _piece_pins(keeper, rules.two_above)
    why = "Set at an angle: corners, edges, every piece that takes one. Count them out and back in."
    return Pinning(tuple(pins), small, why)


def _corner_pins(frame: shapely.Polygon) -> Iterator[Pin]:
    x0, y0, x1, y1 = frame.bounds
    inset = min(x1 - x0, y1 - y0) / 40
    for x, y in ((x0, y0), (x1, y0), (x1, y1), (x0, y1)):
        yield Pin((x + math.copysign(inset, x0 + x1 - 2 * x), y + math.copysign(inset, y0 + y1 - 2 * y)), "corner")


def _edge_pins(frame: shapely.Polygon, spacing: float) -> Iterator[Pin]:
    x0, y0, x1, y1 = frame.bounds
    inset = min(x1 - x0, y1 - y0) / 40
    for x in _between(x0, x1, spacing):
        yield from (Pin((x, y0 + inset), "edge"), Pin((x, y1 - inset), "edge"))
    for y in _between(y0, y1, spacing):
        yield from (Pin((x0 + inset, y), "edge"), Pin((x1 - inset, y), "edge"))


def _between(start: float, end: float, spacing: float) -> list[float]:
    gaps = math.ceil((end - start) / spacing)
    return [float(place) for place in np.linspace(start, end, gaps + 1)[1:-1]]


def _piece_pins(keeper: LoosePiece, two_above: float) -> list[Pin]:
    box = keeper.box
    if max(box[2] - box[0], box[3] - box[1]) <= two_above:
        return [Pin(keeper.anchor, "piece", keeper.number)]
    # Two places inside the piece near either end of its longer side.
    wide = box[2] - box[0] >= box[3] - box[1]
    pins = []
    for share in (0.0, 0.75):
        low, high = (share, share + 0.25)
        x = (box[0] + low * (box[2] - box[0]), box[0] + high * (box[2] - box[0])) if wide else (box[0], box[2])
        y = (box[1], box[3]) if wide else (box[1] + low * (box[3] - box[1]), box[1] + high * (box[3] - box[1]))
        end = shapely.intersection(keeper.shape, shapely.box(x[0], y[0], x[1], y[1])).representative_point()
        pins.append(Pin((end.x, end.y), "piece", keeper.number))
    return pins
