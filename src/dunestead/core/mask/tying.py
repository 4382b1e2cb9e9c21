"""The mask that is cut: some loose pieces tied by bridges, the others kept to be placed by hand."""

import math
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property, lru_cache

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.geometry.curves import Box
from dunestead.core.mask.bridge_rules import BridgeRules, Footing
from dunestead.core.mask.bridges import Bridge
from dunestead.core.mask.bridging import BridgePlanner, planner_for
from dunestead.core.mask.gaps import FRAME
from dunestead.core.mask.loose import LoosePiece, Mask

__all__ = ["CutPlan", "tie_mask"]

# Paint that a bridge splits off smaller than this is no paint anyone could put on, and too small to weed.
_CRUMB_MM2 = 0.5


@dataclass(frozen=True)
class CutPlan:
    """The mask that will be cut.

    Attributes
    ----------
    key
        Identifies the mask and how it is tied.
    frame
        What holds together, bridges included; empty for a mask of separate shapes.
    keepers
        Loose pieces placed by hand, by number.
    bridges
        All ties.
    shortest
        Least total length of paint that ties could cross, however little mask they hung on, mm.
    """

    key: str
    mask: Mask = field(compare=False)
    frame: shapely.Polygon = field(compare=False)
    keepers: tuple[LoosePiece, ...] = field(compare=False)
    bridges: tuple[Bridge, ...] = field(compare=False)
    shortest: float = 0.0

    @cached_property
    def material(self) -> shapely.MultiPolygon:
        """All that stays: the frame and the keepers."""
        parts = [self.frame, *(keeper.shape for keeper in self.keepers)]
        return shapely.MultiPolygon([part for part in parts if not part.is_empty])

    @property
    def box(self) -> Box:
        """Extent of all that stays, mm."""
        return self.material.bounds

    @cached_property
    def windows(self) -> BaseGeometry:
        """All that is taken out."""
        return shapely.difference(self.mask.sheet, self.material)

    @cached_property
    def window_count(self) -> int:
        """How many separate parts are taken out."""
        return len(shapely.get_parts(self.windows))

    @cached_property
    def bridged(self) -> BaseGeometry:
        """Paint given up to bridges."""
        return shapely.disjoint_subset_union_all([bridge.shape for bridge in self.bridges])

    @property
    def bridged_area(self) -> float:
        """Paint given up to bridges, mm²."""
        return float(self.bridged.area)


def tie_mask(
    mask: Mask,
    bridged: Collection[int],
    rules: BridgeRules,
    spots: Mapping[int, Sequence[Footing]] | None = None,
) -> CutPlan:
    """Return the mask to be cut once some of its pieces are bridged; the others are kept.

    Parameters
    ----------
    mask
        As found.
    bridged
        Numbers of the pieces to tie; numbers it has not are passed over.
    rules
        How bridges are planned.
    spots
        Where the maker set bridges, by the number of the piece, 0 for the frame.
    """
    by_hand = tuple(sorted((number, tuple(set_)) for number, set_ in (spots or {}).items()))
    return _tied(mask, frozenset(bridged), rules, by_hand)


@lru_cache(maxsize=64)
def _tied(
    mask: Mask, bridged: frozenset[int], rules: BridgeRules, by_hand: tuple[tuple[int, tuple[Footing, ...]], ...]
) -> CutPlan:
    tied = [piece for piece in mask.loose if piece.number in bridged]
    kept = [piece for piece in mask.loose if piece.number not in bridged]
    spots = {number: set_ for number, set_ in by_hand if number == FRAME or number in bridged}
    bridges: list[Bridge] = []
    crumbs: list[BaseGeometry] = []
    shortest = 0.0
    if tied or spots.get(FRAME):
        planner = planner_for(mask, bridged, rules)
        bridges = planner.plan(spots)
        crumbs = _crumbs(planner, bridges) if bridges else []
        shortest = planner.shortest
    key = f"{mask.key}|{sorted(bridged)}|{rules}|{by_hand}"
    if not bridges:
        return CutPlan(key, mask, mask.frame, mask.loose, (), shortest)
    united = shapely.union_all(
        [mask.frame, *(piece.shape for piece in (*tied, *kept)), *(bridge.strip for bridge in bridges), *crumbs]
    )
    parts = shapely.get_parts(united)
    is_frame = np.zeros(len(parts), bool)
    if not mask.frame.is_empty:
        is_frame = shapely.intersects(parts, mask.frame.representative_point())
    frame = parts[is_frame][0] if is_frame.any() else shapely.Polygon()
    return CutPlan(key, mask, frame, _keepers(parts[~is_frame], [*kept, *tied]), tuple(bridges), shortest)


def _crumbs(planner: BridgePlanner, bridges: Sequence[Bridge]) -> list[BaseGeometry]:
    """Return the paint that bridges would split off in pieces too small to weed; it stays mask instead."""
    crumbs: list[BaseGeometry] = []
    for place, across in planner.site.crossed(bridges).items():
        paint = planner.site.paint[place]
        left = shapely.get_parts(shapely.difference(paint, shapely.union_all([bridge.strip for bridge in across])))
        small = left[shapely.area(left) < _CRUMB_MM2]
        if len(small) < len(left):
            # A hair wider, so that it joins what it lies against.
            crumbs += [crumb.buffer(1e-3, quad_segs=1) for crumb in small if planner.site.frees(crumb)]
    return crumbs


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
