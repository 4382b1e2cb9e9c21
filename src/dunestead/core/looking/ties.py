"""Bridges that the maker sets: moved, added, widened, taken away, or refused with a reason."""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
import shapely

from dunestead.core.artwork.compose import Composition
from dunestead.core.errors import BadInput
from dunestead.core.figures import Catalogue
from dunestead.core.geometry.affine import Affine
from dunestead.core.job.checks import check_bridge_width
from dunestead.core.job.choices import bridge_rules
from dunestead.core.job.job import BridgeSpot, Job, altered
from dunestead.core.looking.look import Look
from dunestead.core.looking.masks import LaidMask
from dunestead.core.mask.bridge_rules import Footing
from dunestead.core.mask.bridges import Bridge
from dunestead.core.mask.bridging import BridgePlanner, planner_for
from dunestead.core.mask.gaps import FRAME
from dunestead.core.mask.tying import CutPlan, tie_mask
from dunestead.core.mask.weak import WeakPlace

__all__ = ["BridgeMove", "add_tie", "bridge_at", "move_bridge", "remove_bridge", "reset_bridges", "spots_in", "tie"]

Point = tuple[float, float]
# Places tried along a piece's edge for one more bridge.
_PLACES = 48


@dataclass(frozen=True, slots=True)
class BridgeMove:
    """Where a bridge of a piece shall stand.

    Attributes
    ----------
    index
        Which of its bridges, counted from 0; None for one more.
    at
        mm on the blank; None for where it is, and for a new one where there is most room.
    slide
        mm along the piece's edge from there.
    width
        mm; None for what it has.
    """

    piece: int
    index: int | None = None
    at: Point | None = None
    slide: float = 0.0
    width: float | None = None


def tie(look: Look, laid: LaidMask, catalogue: Catalogue) -> CutPlan:
    """Return one mask of a job as it is cut, its pieces tied as decided."""
    fates = look.job.mask.fates
    bridged = [piece.number for piece in laid.mask.loose if fates.get(piece.number) == "bridge"]
    return tie_mask(laid.mask, bridged, bridge_rules(look.job, catalogue), spots_in(look, laid))


def spots_in(look: Look, laid: LaidMask) -> dict[int, list[Footing]]:
    """Return where the maker set bridges in one mask, in its coordinates; those of parts gone are passed over."""
    here = {piece.number for piece in laid.mask.loose} | {FRAME}
    seats = {placed.element.id: placed.to_blank for placed in look.composition.placed}
    back = Affine.translation(-look.composition.origin[0], -look.composition.origin[1])
    found: dict[int, list[Footing]] = {}
    for number, spots in look.job.mask.spots.items():
        if number not in here:
            continue
        for spot in spots:
            if spot.element in seats and (number != FRAME or spot.mask == laid.label):
                found.setdefault(number, []).append(_in_mm(spot, seats[spot.element].then(back)))
    return found


def _in_mm(spot: BridgeSpot, to_mm: Affine) -> Footing:
    x, y = to_mm.apply(np.array((spot.x, spot.y)))
    heading = None
    if spot.toward is not None:
        ahead = to_mm.apply(np.array((spot.x + spot.toward[0], spot.y + spot.toward[1])))
        run = math.hypot(ahead[0] - x, ahead[1] - y)
        heading = (float(ahead[0] - x) / run, float(ahead[1] - y) / run)
    return Footing((float(x), float(y)), spot.width, heading)


def _as_seen(composition: Composition, element: int, spot: Footing, mask: str) -> BridgeSpot:
    """Return a place in a mask's coordinates as an element sees it."""
    seat = composition.placed_of(element).to_blank.then(
        Affine.translation(-composition.origin[0], -composition.origin[1])
    )
    back = seat.inverse()
    at = spot.at
    x, y = back.apply(np.array(at))
    toward = None
    if spot.heading is not None:
        ahead = back.apply(np.array((at[0] + spot.heading[0], at[1] + spot.heading[1])))
        toward = (round(float(ahead[0] - x), 7), round(float(ahead[1] - y), 7))
    return BridgeSpot(round(float(x), 7), round(float(y), 7), element, spot.width, toward, mask)


def _spot_of(bridge: Bridge, usual: float) -> Footing:
    """Return a bridge as the place and the way it leaves, so that it stays as it is when others of its piece move."""
    run = max(bridge.length, 1e-9)
    heading = ((bridge.end[0] - bridge.start[0]) / run, (bridge.end[1] - bridge.start[1]) / run)
    return Footing(
        bridge.start, None if bridge.width == usual else bridge.width, heading if bridge.length > 1e-6 else None
    )


def _element_of(job: Job, piece: int) -> int:
    return next(entry.element for entry in job.mask.roll if entry.number == piece)


def _laid_of(look: Look, piece: int) -> LaidMask:
    for laid in look.masks:
        if any(p.number == piece for p in laid.mask.loose):
            return laid
    raise BadInput(f"There is no loose piece {piece}.", "Look at the job again: it may be gone.")


def bridge_at(look: Look, bridges: Sequence[Bridge], move: BridgeMove, catalogue: Catalogue) -> Bridge:
    """Return the bridge that a move would give.

    Parameters
    ----------
    bridges
        As they are, of the mask the piece is in.

    Raises
    ------
    BadInput
        When no bridge can stand there, with the reason.
    """
    check_bridge_width(move.width)
    laid = _laid_of(look, move.piece)
    fates = look.job.mask.fates
    tied = {p.number for p in laid.mask.loose if fates.get(p.number) == "bridge"} | {move.piece}
    planner = planner_for(laid.mask, frozenset(tied), bridge_rules(look.job, catalogue))
    own = [bridge for bridge in bridges if bridge.piece == move.piece]
    if move.index is not None and not 0 <= move.index < len(own):
        raise BadInput(f"Piece {move.piece} has no bridge {move.index + 1}.", f"It has {len(own)}.")
    moved = own[move.index] if move.index is not None else None
    width = move.width or (moved.width if moved else None)
    others = [bridge for bridge in bridges if bridge is not moved]
    if move.at is None and moved is None:
        return _where_most_room(planner, move.piece, own, width, others)
    ox, oy = look.composition.origin
    if move.at is not None:
        spot = Footing((move.at[0] - ox, move.at[1] - oy), width)
    else:
        assert moved is not None
        spot = replace(_spot_of(moved, 0.0), width=width)
        if move.slide:
            ring = planner.parts[move.piece].exterior
            place = ring.interpolate((ring.project(shapely.Point(moved.start)) + move.slide) % ring.length)
            spot = Footing((place.x, place.y), width)
    return planner.checked(move.piece, spot, others)


def _where_most_room(
    planner: BridgePlanner, piece: int, own: Sequence[Bridge], width: float | None, others: Sequence[Bridge]
) -> Bridge:
    """Return one more bridge of a piece as far from its others as one can stand."""
    ring = planner.parts[piece].exterior
    ways = np.linspace(0, ring.length, _PLACES, endpoint=False)
    taken = np.array([ring.project(shapely.Point(bridge.start)) for bridge in own])
    if len(taken):
        apart = np.abs(ways[:, None] - taken[None, :])
        room = np.minimum(apart, ring.length - apart).min(axis=1)
        ways = ways[np.argsort(-room, kind="stable")]
    for way in ways:
        place = ring.interpolate(float(way))
        try:
            return planner.checked(piece, Footing((place.x, place.y), width), others)
        except BadInput:
            continue
    raise BadInput(f"There is no room for another bridge on piece {piece}.", "Make the bridges it has wider instead.")


def move_bridge(look: Look, bridges: Sequence[Bridge], move: BridgeMove, catalogue: Catalogue) -> Job:
    """Return the job with a bridge moved, widened or added; the piece is bridged then, whatever it was.

    Raises
    ------
    BadInput
        When no bridge can stand there, with the reason.
    """
    job, bridge = look.job, bridge_at(look, bridges, move, catalogue)
    usual = bridge_rules(job, catalogue).width
    own = [b for b in bridges if b.piece == move.piece]
    own = [*own, bridge] if move.index is None else [bridge if k == move.index else b for k, b in enumerate(own)]
    laid, element = _laid_of(look, move.piece), _element_of(job, move.piece)
    spots = tuple(_as_seen(look.composition, element, _spot_of(b, usual), laid.label) for b in own)
    return altered(job, spots=job.mask.spots | {move.piece: spots}, fates=job.mask.fates | {move.piece: "bridge"})


def remove_bridge(look: Look, bridges: Sequence[Bridge], piece: int, index: int, catalogue: Catalogue) -> Job:
    """Return the job without one bridge of a piece.

    Raises
    ------
    BadInput
        When it is the only one: then the piece itself would have to be kept, left out or dropped.
    """
    job, usual = look.job, bridge_rules(look.job, catalogue).width
    own = [bridge for bridge in bridges if bridge.piece == piece]
    if not 0 <= index < len(own):
        raise BadInput(f"Piece {piece} has no bridge {index + 1}.", f"It has {len(own)}.")
    if len(own) == 1:
        raise BadInput(f"This is the last bridge of piece {piece}.", "Keep the piece or leave it out instead.")
    laid, element = _laid_of(look, piece), _element_of(job, piece)
    spots = tuple(
        _as_seen(look.composition, element, _spot_of(b, usual), laid.label) for k, b in enumerate(own) if k != index
    )
    return altered(job, spots=job.mask.spots | {piece: spots})


def reset_bridges(job: Job, pieces: Sequence[int]) -> Job:
    """Return the job with the bridges of some pieces reckoned again."""
    return altered(job, spots={number: spots for number, spots in job.mask.spots.items() if number not in pieces})


def add_tie(look: Look, laid: LaidMask, tongue: WeakPlace, element: int) -> Job:
    """Return the job with a tongue tied at its tip, across the paint in front of it."""
    assert tongue.tip is not None
    spot = Footing(tongue.tip, heading=tongue.toward)
    owner = next((p.number for p in laid.mask.loose if p.shape.covers(shapely.Point(tongue.at))), FRAME)
    tie = _as_seen(look.composition, element, spot, laid.label)
    return altered(look.job, spots=look.job.mask.spots | {owner: (*look.job.mask.spots.get(owner, ()), tie)})
