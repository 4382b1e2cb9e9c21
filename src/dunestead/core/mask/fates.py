"""What happens to each loose piece, and what is painted once some are left out or dropped."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal, get_args

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.artwork.painted import Painted, unite
from dunestead.core.errors import BadInput
from dunestead.core.geometry.hairs import close_hairs
from dunestead.core.mask.loose import LoosePiece, Mask
from dunestead.core.tolerances import TOLERANCES

__all__ = ["FATES", "Fate", "Settled", "check_fates", "settle"]

Fate = Literal["bridge", "keep", "leave-out", "drop"]
FATES: tuple[Fate, ...] = get_args(Fate)
_BESIDE = 0.05


@dataclass(frozen=True, slots=True)
class Settled:
    """What is painted once pieces are left out and dropped, and by how much its origin moved, mm."""

    painted: Painted
    moved: tuple[float, float] = (0.0, 0.0)


def check_fates(fates: Mapping[int, Fate], mask: Sequence[LoosePiece]) -> None:
    """Raise `BadInput` when a number is not one of these pieces or a fate is not one of ours."""
    known = {piece.number for piece in mask}
    for number, fate in fates.items():
        if number not in known:
            raise BadInput(
                f"There is no loose piece {number}.",
                f"The pieces run from 1 to {max(known)}." if known else "This mask has no loose pieces.",
            )
        if fate not in FATES:
            raise BadInput(f"“{fate}” is not one of the choices for a loose piece.", f"Choose {', '.join(FATES)}.")


def settle(painted: Painted, masks: Sequence[tuple[str, Mask]], fates: Mapping[int, Fate]) -> Settled:
    """Return what is painted when pieces left out are filled and the artwork around dropped ones is gone.

    Parameters
    ----------
    painted, masks
        As drawn, and the masks for it with their pieces numbered, each with its colour or, one for all, none.
    fates
        By number of the piece.

    Raises
    ------
    BadInput
        When nothing would be left to paint.

    Notes
    -----
    A piece left out takes the colour of what is around it. Dropping takes away the connected painted
    shape the piece lies in, whatever lies further in staying. In a reverse mask the pieces are the
    artwork, and either way the shape itself is painted over.
    """
    chosen: dict[Fate, list[tuple[str, LoosePiece]]] = {"leave-out": [], "drop": []}
    for colour, mask in masks:
        for piece in mask.loose:
            fate = fates.get(piece.number)
            if fate in chosen:
                chosen["drop" if mask.frame.is_empty else fate].append((colour, piece))
    if not chosen["leave-out"] and not chosen["drop"]:
        return Settled(painted)
    is_reverse = all(mask.frame.is_empty for _, mask in masks)
    return _settled(painted, tuple(chosen["leave-out"]), tuple(chosen["drop"]), is_reverse)


_Chosen = tuple[tuple[str, LoosePiece], ...]


@lru_cache(maxsize=32)
def _settled(painted: Painted, out: _Chosen, dropped: _Chosen, is_reverse: bool) -> Settled:
    colours = dict(painted.colours)
    for colour, piece in dropped:
        gone = piece.shape if is_reverse else _around(colours[colour] if colour else painted.region, piece)
        if gone is not None:
            taken = gone.buffer(_BESIDE / 10, quad_segs=2)
            for own in [colour] if colour else list(colours):
                colours[own] = unite([shapely.difference(colours[own], taken)])
    for colour, piece in out:
        own = colour or _colour_beside(painted, piece)
        colours[own] = unite([colours[own], piece.shape])
    colours = {colour: region for colour, region in colours.items() if not region.is_empty}
    if not colours:
        raise BadInput(
            "Dropping this would leave nothing to paint.", "Leave the piece out or bridge it, or remove the part."
        )
    region = next(iter(colours.values())) if len(colours) == 1 else unite(list(colours.values()))
    region = close_hairs(region, TOLERANCES.hair * painted.scale)
    x, y = region.bounds[:2]
    done = f"{[piece.number for _, piece in out]}-{[piece.number for _, piece in dropped]}"
    settled = Painted(
        f"{painted.key}-{done}",
        _moved(region, -x, -y),
        {colour: _moved(part, -x, -y) for colour, part in colours.items()},
        painted.to_mm,
        painted.scale,
        f"{painted.shape_key}-{done}" if painted.shape_key else None,
    )
    return Settled(settled, (float(x), float(y)))


def _moved(region: shapely.MultiPolygon, dx: float, dy: float) -> shapely.MultiPolygon:
    if not dx and not dy:
        return region
    moved: shapely.MultiPolygon = shapely.transform(region, lambda points: points + np.array((dx, dy)))
    return moved


def _around(region: shapely.MultiPolygon, piece: LoosePiece) -> shapely.Polygon | None:
    """Return the painted shape a piece lies in."""
    anchor = shapely.Point(piece.anchor)
    around = [part for part in region.geoms if shapely.Polygon(part.exterior).contains(anchor)]
    return min(around, key=lambda part: float(shapely.Polygon(part.exterior).area), default=None)


def _colour_beside(painted: Painted, piece: LoosePiece) -> str:
    """Return the colour along most of a piece's edge."""
    if len(painted.colours) == 1:
        return next(iter(painted.colours))
    rim: BaseGeometry = piece.shape.exterior.buffer(_BESIDE)
    shared = [float(shapely.intersection(rim, region).area) for region in painted.colours.values()]
    return list(painted.colours)[int(np.argmax(shared))]
