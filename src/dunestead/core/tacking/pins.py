"""Where do pins go, and how many must come back?"""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.figures import Pins, Surface
from dunestead.core.mask.loose import LoosePiece
from dunestead.core.mask.weak import WeakPlace

__all__ = ["Pin", "PinRules", "Pinning", "pin_mask"]

Holds = Literal["corner", "edge", "piece", "tongue"]


@dataclass(frozen=True, slots=True)
class PinRules:
    """When a piece takes pins: lengths in mm.

    Attributes
    ----------
    circle
        A pin goes where a circle so wide fits.
    two_above, slender
        Two go into a piece so long, or so many times as long as wide.
    tongue
        One goes to the tip of a tongue longer than this.
    spacing
        One goes every so many mm along edges.
    """

    circle: float
    two_above: float
    slender: float
    tongue: float
    spacing: float


@dataclass(frozen=True, slots=True)
class Pin:
    """A pin and what it holds."""

    at: tuple[float, float]
    holds: Holds
    piece: int | None = None


@dataclass(frozen=True, slots=True)
class Pinning:
    """All pins, and the numbers of the pieces too small for one."""

    pins: tuple[Pin, ...]
    by_tweezers: tuple[int, ...]
    why: str


def pin_mask(
    frame: shapely.Polygon,
    windows: BaseGeometry,
    keepers: Sequence[LoosePiece],
    tongues: Sequence[WeakPlace],
    surface: Surface,
    policy: Pins,
    rules: PinRules,
    off: Sequence[shapely.Polygon] = (),
) -> Pinning:
    """Return pins for corners, edges, tongues and every keeper that takes one.

    Parameters
    ----------
    frame, windows, keepers, tongues
        The mask, mm.
    surface
        Pins hold in coir and pile; smooth, woven and leather blanks keep the hole.
    policy
        What of this material is pinned: all, pieces and tips only, or nothing.
    rules
        See `PinRules`.
    off
        Areas no pin goes into, in the same coordinates.
    """
    small = tuple(k.number for k in keepers if _widest(k.shape) < rules.circle)
    if not surface.takes_pins or policy == "none":
        why = (
            f"No pins: {surface.name.lower()} keeps the holes. Use tape."
            if not surface.takes_pins
            else "No pins: this mask holds by itself."
        )
        return Pinning((), small, why)
    pins: list[Pin] = []
    if policy == "all" and not frame.is_empty:
        # A mask of separate shapes has no corners and edges of its own.
        pins += [*_corner_pins(frame, rules), *_edge_pins(frame, windows, rules)]
    pins += [Pin(tongue.tip, "tongue") for tongue in tongues if tongue.tip and tongue.length > rules.tongue]
    for keeper in keepers:
        if keeper.number not in small:
            pins += _piece_pins(keeper, rules)
    clear = shapely.union_all(list(off))
    pins = [pin for pin in pins if clear.is_empty or shapely.distance(clear, shapely.Point(pin.at)) > rules.circle / 2]
    edges = "corners, edges, " if policy == "all" else ""
    why = f"Set at an angle: {edges}tips of tongues, every piece that takes one. Count them out and back in."
    return Pinning(tuple(pins), small, why)


def _widest(shape: shapely.Polygon) -> float:
    """Return the width of the largest circle that fits, mm."""
    return 2 * float(shapely.length(shapely.maximum_inscribed_circle(shape)))


def _inset(frame: shapely.Polygon, rules: PinRules) -> float:
    x0, y0, x1, y1 = frame.bounds
    return min(min(x1 - x0, y1 - y0) / 40, rules.circle)


def _corner_pins(frame: shapely.Polygon, rules: PinRules) -> Iterator[Pin]:
    x0, y0, x1, y1 = frame.bounds
    inset = _inset(frame, rules)
    for x, y in ((x0, y0), (x1, y0), (x1, y1), (x0, y1)):
        yield Pin((x + math.copysign(inset, x0 + x1 - 2 * x), y + math.copysign(inset, y0 + y1 - 2 * y)), "corner")


def _edge_pins(frame: shapely.Polygon, windows: BaseGeometry, rules: PinRules) -> Iterator[Pin]:
    """Yield pins along the border, and on the mask between windows where it is wide enough for one."""
    x0, y0, x1, y1 = frame.bounds
    inset = _inset(frame, rules)
    across, down = _between(x0, x1, rules.spacing), _between(y0, y1, rules.spacing)
    for x in across:
        yield from (Pin((x, y0 + inset), "edge"), Pin((x, y1 - inset), "edge"))
    for y in down:
        yield from (Pin((x0 + inset, y), "edge"), Pin((x1 - inset, y), "edge"))
    inner = [shapely.Point(x, y) for x in across for y in down]
    firm = shapely.intersects(frame, inner) & (shapely.distance(windows, inner) >= rules.circle / 2)
    yield from (Pin((point.x, point.y), "edge") for point, holds in zip(inner, firm, strict=True) if holds)


def _between(start: float, end: float, spacing: float) -> list[float]:
    gaps = math.ceil((end - start) / spacing)
    return [float(place) for place in np.linspace(start, end, gaps + 1)[1:-1]]


def _piece_pins(keeper: LoosePiece, rules: PinRules) -> list[Pin]:
    box = shapely.get_coordinates(shapely.minimum_rotated_rectangle(keeper.shape))
    if len(box) < 4:
        return [Pin(keeper.anchor, "piece", keeper.number)]
    sides = sorted(float(np.linalg.norm(box[k + 1] - box[k])) for k in (0, 1))
    if sides[1] <= rules.two_above and sides[1] <= rules.slender * sides[0]:
        return [Pin(keeper.anchor, "piece", keeper.number)]
    # Two places inside the piece near either end of its longer side.
    start, along, across = box[0], box[1] - box[0], box[3] - box[0]
    if np.linalg.norm(along) < np.linalg.norm(across):
        along, across = across, along
    pins = []
    for low, high in ((0.0, 0.25), (0.75, 1.0)):
        quarter = shapely.Polygon(
            [start + low * along, start + high * along, start + high * along + across, start + low * along + across]
        )
        end = shapely.intersection(keeper.shape, quarter.buffer(1e-6)).representative_point()
        pins.append(Pin((end.x, end.y), "piece", keeper.number))
    return pins
