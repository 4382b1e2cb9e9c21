"""Where do pins go, and how many must come back?"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np
import shapely

from dunestead.core.figures import Pins, Surface
from dunestead.core.mask.loose import LoosePiece
from dunestead.core.mask.weak import WeakPlace
from dunestead.core.tacking.edges import edge_spots

__all__ = ["Pin", "PinRules", "Pinning", "pin_mask"]

Holds = Literal["corner", "edge", "piece", "tongue"]
Place = tuple[float, float]
_Spot = tuple[Place, Place, Holds, int | None]
# Of a piece that takes two, either end is so large a share of its length.
_END = 0.4
# Nearer its piece's middle than this, mm, a pin may lean any way.
_SAME = 0.5


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
    """A pin and what it holds.

    Attributes
    ----------
    number
        In the order they are set, from 1.
    at
        Where its point goes in, mm.
    lean
        Which way its head leans, a unit vector: over the mask, away from the paint and the brush in it.
    piece
        Number of the keeper it holds.
    """

    number: int
    at: Place
    lean: Place
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
    frame, keepers, tongues
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
    circles = _circles(keepers)
    small = tuple(k.number for k in keepers if circles[k.number][1] < rules.circle)
    if not surface.takes_pins or policy == "none":
        why = (
            f"No pins: {surface.name.lower()} keeps the holes. Use tape."
            if not surface.takes_pins
            else "No pins: this mask holds by itself."
        )
        return Pinning((), small, why)
    tips: list[_Spot] = [
        (_at_tip(tongue), _back(tongue), "tongue", None)
        for tongue in tongues
        if tongue.tip and tongue.length > rules.tongue
    ]
    spots: list[_Spot] = []
    if policy == "all" and not frame.is_empty:
        # A mask of separate shapes has no corners and edges of its own.
        set_ = [spot[0] for spot in tips]
        spots += edge_spots(frame, rules.spacing, rules.circle, shapely.union_all(list(off)), set_)
    spots += tips
    for keeper in keepers:
        if keeper.number not in small:
            spots += _piece_spots(keeper, circles[keeper.number], rules)
    pins = tuple(
        Pin(number, at, lean, holds, piece)
        for number, (at, lean, holds, piece) in enumerate(_off(spots, off, rules), 1)
    )
    edges = "corners, edges, " if policy == "all" else ""
    why = f"At an angle, heads away from the paint: {edges}tips of tongues, every piece that takes one."
    return Pinning(pins, small, why)


def _off(spots: Sequence[_Spot], off: Sequence[shapely.Polygon], rules: PinRules) -> list[_Spot]:
    """Return what is not in an area that keeps the holes."""
    if not off or not spots:
        return list(spots)
    away = shapely.distance(shapely.union_all(list(off)), shapely.points([spot[0] for spot in spots]))
    return [spot for spot, far in zip(spots, away, strict=True) if far > rules.circle / 2]


def _circles(keepers: Sequence[LoosePiece]) -> dict[int, tuple[Place, float]]:
    """Return by number the middle and the width of the largest circle that fits a piece, mm."""
    lines = shapely.maximum_inscribed_circle([keeper.shape for keeper in keepers])
    return {keeper.number: _circle(line) for keeper, line in zip(keepers, lines, strict=True)}


def _circle(line: shapely.LineString) -> tuple[Place, float]:
    (x, y), *_ = line.coords
    return (x, y), 2 * float(line.length)


def _at_tip(tongue: WeakPlace) -> Place:
    """Return the end of a tongue's axis: as near its tip as there is mask all around."""
    if not len(tongue.path):
        return tongue.tip or tongue.at
    x, y = tongue.path[-1]
    return float(x), float(y)


def _back(tongue: WeakPlace) -> Place:
    """Return the way from a tongue's tip back to its root, over the mask."""
    x, y = tongue.toward or (0.0, 1.0)
    return -x, -y


def _piece_spots(keeper: LoosePiece, circle: tuple[Place, float], rules: PinRules) -> list[_Spot]:
    """Return one place where the widest circle fits; of a long or slender piece one near either end, where one does."""
    ends = _ends(keeper.shape, rules)
    places = [at for at, width in ends if width >= rules.circle]
    if len(places) < 2:
        places = [circle[0]]
    return [(at, _inwards(keeper.shape, at), "piece", keeper.number) for at in places]


def _ends(shape: shapely.Polygon, rules: PinRules) -> list[tuple[Place, float]]:
    """Return the widest circle in either end of a long or slender piece; nothing for others."""
    box = shapely.get_coordinates(shapely.minimum_rotated_rectangle(shape))
    if len(box) < 4:
        return []
    start, along, across = box[0], box[1] - box[0], box[3] - box[0]
    if np.linalg.norm(along) < np.linalg.norm(across):
        along, across = across, along
    long, wide = float(np.linalg.norm(along)), float(np.linalg.norm(across))
    if long <= rules.two_above and long <= rules.slender * wide:
        return []
    found = []
    for low, high in ((0.0, _END), (1.0 - _END, 1.0)):
        corners = [start + low * along, start + high * along]
        end = shapely.Polygon([*corners, corners[1] + across, corners[0] + across])
        parts = [one for one in shapely.get_parts(shapely.intersection(shape, end)) if one.geom_type == "Polygon"]
        found += [_circle(shapely.maximum_inscribed_circle(max(parts, key=shapely.area)))] if parts else []
    return found


def _inwards(shape: shapely.Polygon, at: Place) -> Place:
    """Return the way from a pin to the middle of its piece, which is away from the paint around it."""
    x, y = shape.centroid.x - at[0], shape.centroid.y - at[1]
    far = math.hypot(x, y)
    return (x / far, y / far) if far > _SAME else (0.0, -1.0)
