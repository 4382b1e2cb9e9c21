"""How bridges are to be: how wide, how many, which way they run, and where the maker set them."""

from dataclasses import dataclass
from typing import Literal, get_args

import numpy as np
import shapely

from dunestead.core.figures import Material, Surface

__all__ = ["STYLES", "BridgeRules", "BridgeStyle", "Footing", "usual_width"]

BridgeStyle = Literal["shortest", "upright", "level", "radial"]
STYLES: tuple[BridgeStyle, ...] = get_args(BridgeStyle)
# How much longer than the shortest a bridge may be: hardly, where the least length is asked for; more, where there is
# leave to look for firm ground.
_HARDLY_LONGER, _LONGER = 1.015, 1.25


def usual_width(surface: Surface, material: Material) -> float:
    """Return how wide a bridge is, mm: as the surface asks, and no narrower than a part the material lets be.

    A narrower one would be a neck itself.
    """
    return max(surface.bridge, material.least_part or 0.0)


@dataclass(frozen=True, slots=True)
class BridgeRules:
    """How bridges are planned.

    Attributes
    ----------
    width
        mm.
    style
        ``shortest``, or the way all of them run; ``radial`` is away from the middle of each piece.
    per_piece
        How many; None goes by the size of the piece.
    one_below, every
        A piece no longer than the one many widths has one bridge; a longer one two about opposite, and
        one more for every other many widths.
    """

    width: float
    style: BridgeStyle = "shortest"
    per_piece: int | None = None
    one_below: float = 6.0
    every: float = 30.0

    def count(self, piece: shapely.Polygon) -> int:
        """Return how many bridges a piece has."""
        if self.per_piece is not None:
            return self.per_piece
        envelope = shapely.get_coordinates(shapely.oriented_envelope(piece))
        longest = float(np.linalg.norm(np.diff(envelope, axis=0), axis=1).max(initial=0.0)) / self.width
        return 1 if longest <= self.one_below else 2 + int((longest - self.one_below) // self.every)

    @property
    def is_strict(self) -> bool:
        """Whether the least length is asked for, whatever the ground."""
        return self.per_piece == 1

    @property
    def leeway(self) -> float:
        """How many times longer than the shortest a bridge may be to stand on firm ground."""
        return _HARDLY_LONGER if self.is_strict else _LONGER


@dataclass(frozen=True, slots=True)
class Footing:
    """Where the maker set a bridge: near the edge of a piece, mm.

    Attributes
    ----------
    width
        mm; None for the usual.
    heading
        Which way it leaves, a unit vector; None for the nearest mask. The tie of a tongue has one, since the
        nearest mask is its own.
    """

    at: tuple[float, float]
    width: float | None = None
    heading: tuple[float, float] | None = None
