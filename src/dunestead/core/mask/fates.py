"""What becomes of each loose piece, and the mask that is cut after all have been decided."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from functools import lru_cache
from typing import Literal, get_args

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.errors import BadInput
from dunestead.core.mask.bridges import Bridge, tie_pieces
from dunestead.core.mask.loose import LoosePiece, Mask

__all__ = ["FATES", "CutPlan", "Fate", "check_fates", "decide"]

Fate = Literal["bridge", "keep", "leave-out"]
FATES: tuple[Fate, ...] = get_args(Fate)


@dataclass(frozen=True, slots=True)
class CutPlan:
    """The mask that will be cut.

    Attributes
    ----------
    key
        Identifies the mask, the fates and the width of the bridges.
    frame
        What holds together, bridges included.
    keepers
        Loose pieces placed by hand, by number.
    bridges
        All ties.
    left_out
        Numbers of the pieces that go with the windows, so that their place is painted.
    """

    key: str
    mask: Mask = field(compare=False)
    frame: shapely.Polygon = field(compare=False)
    keepers: tuple[LoosePiece, ...] = field(compare=False)
    bridges: tuple[Bridge, ...] = field(compare=False)
    left_out: tuple[int, ...]

    @property
    def material(self) -> shapely.MultiPolygon:
        """All that stays: the frame and the keepers."""
        return shapely.MultiPolygon([self.frame, *(keeper.shape for keeper in self.keepers)])

    @property
    def windows(self) -> BaseGeometry:
        """All that is painted."""
        outline = shapely.Polygon(self.frame.exterior)
        return shapely.difference(outline, self.material)

    @property
    def window_count(self) -> int:
        """How many separate parts are taken out to be painted."""
        return len(shapely.get_parts(self.windows))

    @property
    def bridged_area(self) -> float:
        """Paint given up to bridges, mm²."""
        return float(shapely.union_all([bridge.shape for bridge in self.bridges]).area)


def check_fates(fates: Mapping[int, Fate], mask: Mask) -> None:
    """Raise `BadInput` when a number is not a piece of this mask or a fate is not one of ours."""
    known = {piece.number for piece in mask.loose}
    for number, fate in fates.items():
        if number not in known:
            raise BadInput(
                f"There is no loose piece {number}.",
                f"The pieces run from 1 to {max(known)}." if known else "This mask has no loose pieces.",
            )
        if fate not in FATES:
            raise BadInput(f"“{fate}” is not something to do with a loose piece.", f"Choose {', '.join(FATES)}.")


def decide(mask: Mask, fates: Mapping[int, Fate], bridge_width: float) -> CutPlan:
    """Return the mask to be cut once each loose piece has its fate; a piece without one is kept.

    Parameters
    ----------
    mask
        As found.
    fates
        By number of the piece.
    bridge_width
        Width of every bridge, mm.
    """
    check_fates(fates, mask)
    return _decide(mask, tuple(sorted(fates.items())), bridge_width)


@lru_cache(maxsize=64)
def _decide(mask: Mask, decided: tuple[tuple[int, Fate], ...], bridge_width: float) -> CutPlan:
    fates = dict(decided)
    tied = [piece for piece in mask.loose if fates.get(piece.number) == "bridge"]
    kept = [piece for piece in mask.loose if fates.get(piece.number, "keep") == "keep"]
    left_out = tuple(piece.number for piece in mask.loose if fates.get(piece.number) == "leave-out")
    bridges = tie_pieces(mask.frame, tied, kept, bridge_width)
    united = shapely.union_all(
        [mask.frame, *(p.shape for p in tied), *(p.shape for p in kept), *(b.strip for b in bridges)]
    )
    parts = shapely.get_parts(united)
    corner = shapely.Point(mask.frame.bounds[:2])
    is_frame = shapely.distance(parts, corner) == 0
    keepers = _keepers(parts[~is_frame], [*kept, *tied])
    key = f"{mask.key}|{decided}|{bridge_width}"
    return CutPlan(key, mask, parts[is_frame][0], keepers, tuple(bridges), left_out)


def _keepers(parts: npt.NDArray[np.object_], pieces: list[LoosePiece]) -> tuple[LoosePiece, ...]:
    """Return the parts that are still loose, each by the number of the first piece in it.

    Kept pieces come first in the list, so that a keeper that others are tied to goes by its own
    number; a piece that was to be tied and could not be is a keeper too, never lost.
    """
    if not len(parts):
        return ()
    anchors = [shapely.Point(piece.anchor) for piece in pieces]
    piece, part = shapely.STRtree(parts).query(anchors, predicate="intersects")
    first: dict[int, LoosePiece] = {}
    for i, j in zip(piece.tolist(), part.tolist(), strict=True):
        if j not in first or pieces.index(first[j]) > i:
            first[j] = pieces[i]
    keepers = [_as_cut(piece, parts[j]) for j, piece in first.items()]
    return tuple(sorted(keepers, key=lambda keeper: keeper.number))


def _as_cut(piece: LoosePiece, shape: shapely.Polygon) -> LoosePiece:
    """Return a piece as it is cut, with what is tied to it."""
    if math.isclose(shape.area, piece.area, rel_tol=1e-9):
        return piece
    return replace(piece, area=float(shape.area), centroid=(shape.centroid.x, shape.centroid.y), shape=shape)
