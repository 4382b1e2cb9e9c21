"""How loose pieces are tied: how many bridges each, where they stand and which way they run."""

import math
from collections import deque
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace
from functools import cached_property, lru_cache

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.checkpoints import tell
from dunestead.core.errors import BadInput
from dunestead.core.mask.bodies import FULL, Bodies
from dunestead.core.mask.bridge_rules import BridgeRules, BridgeStyle, Footing
from dunestead.core.mask.bridges import Bridge, Site, contact
from dunestead.core.mask.gaps import FRAME, Clusters, Edges, Gap, spanning_gaps
from dunestead.core.mask.loose import LoosePiece, Mask
from dunestead.core.mask.ways import NOWHERE, Ways, outward
from dunestead.core.tolerances import TOLERANCES

__all__ = ["BridgePlanner", "planner_for"]

Points = npt.NDArray[np.float64]
Floats = npt.NDArray[np.float64]
_AXES: dict[BridgeStyle, tuple[float, float]] = {"upright": (0.0, 1.0), "level": (1.0, 0.0)}

# A bridge may be slid to one of this many places, so many widths either way.
_SLIDES, _SLIDE_WIDTHS = 31, 3.0
# Behind its ends a bridge wants mask as wide as itself; with less than this share it hangs on a tongue or a hairline.
_FIRM = 0.6
# What missing ground behind an end is worth, in lengths of the bridge; and what room around it, twice its width, is:
# of places equally good the one further from a corner is taken.
_GROUND_WEIGHT, _ROOM_WEIGHT, _ROOM = 2.0, 0.1, 2.0
# Places tried around a piece for its first bridge, and about each place where a further one is wanted.
_AROUND, _ABOUT = 32, 15
# A further bridge may stand this share of the way to the next one from its place, further where its style bids it,
# and straying costs so much of its length.
_LEEWAY, _STYLED_LEEWAY, _STRAY_WEIGHT = 0.35, 0.8, 1.5
# A bridge that meets an edge at less than this (a sine) is no bridge but a seam along it.
_LEAST_SQUARE = 0.3
# A further bridge longer than so many times the first and so many widths crosses a field of paint that was meant.
_TOO_LONG, _SHORT_WIDTHS = 4.0, 6.0
# Between bridges as much paint must stay as one is wide.
_APART = 1.0


@lru_cache(maxsize=16)
def planner_for(mask: Mask, bridged: frozenset[int], rules: BridgeRules) -> "BridgePlanner":
    """Return what plans the bridges of a mask.

    Parameters
    ----------
    mask
        Its parts. Bridges go round keepers, for a keeper tied by accident is no keeper;
        pieces inside a ring that is kept are tied to that ring, since there is no other way out.
    bridged
        Numbers of the pieces to tie; the others are kept.
    rules
        Width, style and number.
    """
    tied = [piece for piece in mask.loose if piece.number in bridged]
    kept = [piece for piece in mask.loose if piece.number not in bridged]
    return BridgePlanner(mask.frame, tied, kept, rules, mask.sheet)


class BridgePlanner:
    """The parts of a mask, ready for bridges to be planned between them."""

    def __init__(
        self,
        frame: shapely.Polygon,
        tied: Sequence[LoosePiece],
        kept: Sequence[LoosePiece],
        rules: BridgeRules,
        sheet: shapely.Polygon | None = None,
    ) -> None:
        self._rules = rules
        self._tied = {piece.number: piece for piece in tied}
        rings = {ring.number: ring.shape for ring in kept if any(_encloses(ring, piece) for piece in tied)}
        self.parts = {piece.number: piece.shape for piece in tied} | rings
        if not frame.is_empty:
            self.parts[FRAME] = frame
        self._all = self.parts | {piece.number: piece.shape for piece in kept}
        self._roots = [FRAME, *rings] if not frame.is_empty else [self._largest(), *rings]
        self._edges = Edges(self.parts)
        self._ways = Ways(self._edges if len(self._all) == len(self.parts) else Edges(self._all))
        self.site = Site(frame, tied, kept, self._edges, sheet)
        self._bodies = Bodies(self.parts, rules.width)

    def _largest(self) -> int:
        return max(self._tied.values(), key=lambda piece: piece.area).number

    def plan(self, spots: Mapping[int, tuple[Footing, ...]]) -> list[Bridge]:
        """Return bridges that join all pieces to the frame, or to the largest of them where there is no frame.

        Parameters
        ----------
        spots
            Where the maker set the bridges of a piece, by its number; 0 for ties of the frame's tongues.
        """
        joined = Clusters(self._roots)
        by_hand = [bridge for number in spots for bridge in self._by_hand(number, spots[number])]
        for bridge in by_hand:
            joined.join(bridge.piece, bridge.other)
        straight = list(self._straight(joined, spots))
        apart = spanning_gaps(self.parts, self._edges, self._roots, joined) if by_hand or straight else self._narrowest
        first = [*straight, *self._shortest(apart)]
        outward_bound = self._outwards([*by_hand, *first])
        reckoned = {bridge.piece: bridge for bridge in outward_bound if bridge.by_hand is None}
        firsts = [bridge for number, bridge in reckoned.items() if number in self._tied and number not in spots]
        return [*outward_bound, *self._further(firsts, outward_bound)]

    @cached_property
    def shortest(self) -> float:
        """Least total length of paint, mm, that could join all pieces, however little mask that hung on."""
        return sum(gap.length for gap in self._narrowest)

    @cached_property
    def _narrowest(self) -> list[Gap]:
        return spanning_gaps(self.parts, self._edges, self._roots, Clusters(self._roots))

    # --- set by hand --------------------------------------------------------------------------
    def _by_hand(self, number: int, spots: Sequence[Footing]) -> Iterator[Bridge]:
        if number not in self.parts:
            return
        for index, spot in enumerate(spots):
            if bridge := self.at_spot(number, spot):
                yield replace(bridge, by_hand=index)

    def at_spot(self, number: int, spot: Footing) -> Bridge | None:
        """Return the bridge that a spot on a piece's edge gives; None where it leads to no other mask."""
        width = spot.width or self._rules.width
        edge = self.parts[number].boundary if spot.heading else self.parts[number].exterior
        start = shapely.get_coordinates(edge.interpolate(edge.project(shapely.Point(spot.at))))[0]
        place = (float(start[0]), float(start[1]))
        for gap in self._gaps_from(number, place, spot.heading):
            ground = self._ground(np.array([gap.start]), np.array([gap.end]), width)
            bridge = self.site.lay(replace(gap, share=float(ground[0])), width)
            if self.site.barred_by(bridge) is None:
                return bridge
        return None

    def checked(self, number: int, spot: Footing, others: Sequence[Bridge]) -> Bridge:
        """Return the bridge that a spot gives.

        Raises
        ------
        BadInput
            When it leads nowhere, would tie a keeper, hangs on too little mask or stands too near to another.
        """
        bridge = self.at_spot(number, spot)
        if bridge is None:
            raise BadInput(
                f"From here a bridge of piece {number} would end on the piece itself or on one that is kept.",
                "Take it to a side that faces other mask.",
            )
        if bridge.share < _FIRM:
            raise BadInput(
                "The mask here is too narrow to hang a bridge on: it would tear off.",
                "Take it to where the mask is as wide as the bridge, or make the bridge narrower.",
            )
        gap = Gap(bridge.piece, bridge.other, bridge.length, bridge.start, bridge.end)
        if near := self.crowded_by(gap, bridge.width, others):
            raise BadInput(
                f"Here it would stand too near to a bridge of piece {near.piece}: the paint between would be a sliver.",
                "Keep at least a bridge's width between them.",
            )
        return bridge

    def _gaps_from(self, number: int, place: tuple[float, float], heading: tuple[float, float] | None) -> Iterator[Gap]:
        """Yield ways out from a place on a piece: the one it is told, else to the nearest mask or straight out."""
        own = self.parts[number]
        if heading is None:
            if self._rules.style == "shortest" and (near := self._ways.nearest_other(place, number)):
                other, end = near
                line = shapely.LineString([place, end])
                if other in self.parts and not shapely.crosses(line, own):
                    yield Gap(number, other, float(line.length), place, end)
            ring = own.exterior
            starts, out = outward(ring, np.array([ring.project(shapely.Point(place))]))
            headings = self._headings(number, starts, out)
            if not np.isfinite(headings).all():
                headings = out
        else:
            starts, headings = np.array([place]), np.array([heading])
        met = self._ways.cast(starts, headings)
        other = int(met.owner[0])
        if other in self.parts and (other != number or heading is not None):
            yield _gap_over(number, other, starts[0], met.end[0])

    # --- the first of each piece --------------------------------------------------------------
    def _shortest(self, narrowest: Sequence[Gap]) -> Iterator[Bridge]:
        """Yield bridges over the narrowest places, or near them where they hang on more mask."""
        width = self._rules.width
        for k, gap in enumerate(self._on_firm_ground(narrowest)):
            tell("Laying bridges", k / len(narrowest))
            bridge = self.site.lay(gap, width)
            if self.site.barred_by(bridge) is not None:
                bridge = self.site.lay_round(gap, self.parts[gap.piece], self.parts[gap.other], width) or bridge
            yield bridge

    def _on_firm_ground(self, gaps: Sequence[Gap]) -> list[Gap]:
        """Slide gaps along their pieces to where a bridge has its whole width of mask at both ends.

        The narrowest place is often at a corner, where half a bridge would meet nothing, or at a tongue.
        Where the piece itself is narrower than the bridge, the narrowest place stays.
        """
        if not gaps:
            return []
        starts, ends = np.array([gap.start for gap in gaps]), np.array([gap.end for gap in gaps])
        firm = self._ground(starts, ends) >= FULL
        loose = [
            k
            for k, gap in enumerate(gaps)
            if not (firm[k] and self._contact(gap, starts[k : k + 1], ends[k : k + 1])[0] == 1)
        ]
        apart = [k for k in loose if gaps[k].length >= TOLERANCES.grid]
        best, share = self._cheapest(gaps, {k: self._slid(gaps[k]) for k in apart})
        for n, k in enumerate(loose):
            tell("Finding firm ground for bridges", n / len(loose))
            # Strength goes before length: what finds no firm ground nearby leads from body to body.
            best[k] = replace(best[k], share=share.get(k, 0.0))
            if best[k].share >= FULL:
                continue
            way = self._bodies.way(gaps[k], self._longest(gaps[k]))
            if way and way.gap.share >= best[k].share:
                best[k] = way.gap
        return best

    def _longest(self, gap: Gap) -> float:
        return max(_TOO_LONG * gap.length, _SHORT_WIDTHS * self._rules.width)

    def _cheapest(self, gaps: Sequence[Gap], others: Mapping[int, Points]) -> tuple[list[Gap], dict[int, float]]:
        """Return gaps, each of those with other ways over it by the one that makes the best bridge, and its ground."""
        best, found = list(gaps), dict[int, float]()
        if not others:
            return best, found
        tried = {k: np.concatenate([np.array([[gaps[k].start, gaps[k].end]]), more]) for k, more in others.items()}
        for k, ways in tried.items():
            longest = gaps[k].length * self._rules.leeway + TOLERANCES.sliver
            tried[k] = ways[np.linalg.norm(ways[:, 1] - ways[:, 0], axis=1) <= longest]
        every = np.concatenate(list(tried.values()))
        parts = np.cumsum([len(ways) for ways in tried.values()])[:-1]
        ground = np.split(self._ground(every[:, 0], every[:, 1]), parts)
        room = np.split(self._ground(every[:, 0], every[:, 1], _ROOM * self._rules.width), parts)
        for (k, ways), own, around in zip(tried.items(), ground, room, strict=True):
            starts, ends = ways[:, 0], ways[:, 1]
            share = np.minimum(self._contact(gaps[k], starts, ends), own)
            length = np.linalg.norm(ends - starts, axis=1)
            lacks = _GROUND_WEIGHT * (1 - share) + _ROOM_WEIGHT * (1 - around)
            i = int(np.argmin((length + self._rules.width / 2) * (1 + lacks)))
            best[k], found[k] = _gap_over(gaps[k].piece, gaps[k].other, starts[i], ends[i]), float(share[i])
        return best, found

    def _slid(self, gap: Gap) -> Points:
        """Return other ways over a gap near its narrowest place, shape ``(n, 2, 2)``."""
        width = self._rules.width
        near = shapely.Point(gap.start).buffer((_SLIDE_WIDTHS + 1) * width).envelope
        own = shapely.get_parts(shapely.line_merge(self._edges.around(near, gap.piece)))
        target = self._edges.around(near.buffer(gap.length), gap.other)
        if not len(own) or target.is_empty:
            return np.empty((0, 2, 2))
        along = (
            shapely.line_locate_point(own, shapely.Point(gap.start))[:, None]
            + np.linspace(-1, 1, _SLIDES) * _SLIDE_WIDTHS * width
        )
        line, slide = np.nonzero((along >= 0) & (along <= shapely.length(own)[:, None]))
        spots = shapely.line_interpolate_point(own[line], along[line, slide])
        return shapely.get_coordinates(shapely.shortest_line(spots, target)).reshape(-1, 2, 2)

    def _contact(self, gap: Gap, starts: Points, ends: Points) -> Floats:
        return contact(starts, ends, self.parts[gap.piece], self.parts[gap.other], self._rules.width)

    def _ground(self, starts: Points, ends: Points, width: float | None = None) -> Floats:
        """Return how wide the mask is behind the ends of ways over gaps, in shares of the bridges' width."""
        along = (ends - starts) / np.maximum(np.linalg.norm(ends - starts, axis=1), 1e-9)[:, None]
        both = self._ways.footing(np.vstack([starts, ends]), np.vstack([-along, along]), width or self._rules.width)
        ground: Floats = both.reshape(2, -1).min(axis=0)
        return ground

    def _straight(self, joined: Clusters, spots: Mapping[int, tuple[Footing, ...]]) -> Iterator[Bridge]:
        """Yield a first bridge of each piece that runs the way the style asks, where there is one."""
        if self._rules.style == "shortest":
            return
        tried = [self._around(number) for number in self._tied if number not in spots]
        if not tried:
            return
        number, starts, headings = (np.concatenate(part) for part in zip(*tried, strict=True))
        sound = np.isfinite(headings).all(axis=1)
        for gap in self._best_first(number[sound], starts[sound], headings[sound]):
            if joined.is_joined(gap.piece, gap.other):
                continue
            bridge = self.site.lay(gap, self._rules.width)
            if self.site.barred_by(bridge) is None:
                joined.join(gap.piece, gap.other)
                yield bridge

    def _around(self, number: int) -> tuple[npt.NDArray[np.intp], Points, Points]:
        """Return places around a piece to start from, with the way the style has there (nan where it has none)."""
        ring = self.parts[number].exterior
        points = shapely.get_coordinates(ring)
        furthest = [int(k) for axis in (0, 1) for k in (points[:, axis].argmin(), points[:, axis].argmax())]
        steps = np.append(0.0, np.cumsum(np.linalg.norm(np.diff(points, axis=0), axis=1)))
        ways = np.append(np.linspace(0, ring.length, _AROUND, endpoint=False), steps[furthest])
        starts, out = outward(ring, ways)
        return np.full(len(ways), number, np.intp), starts, self._headings(number, starts, out)

    def _headings(self, number: int, starts: Points, out: Points) -> Points:
        """Return which way bridges leave from places with the given way out; nan where the style has none there."""
        style = self._rules.style
        if style == "shortest":
            return out
        if style == "radial":
            middle = shapely.get_coordinates(shapely.centroid(self.parts[number]))[0]
            headings = starts - middle
            headings /= np.maximum(np.linalg.norm(headings, axis=1, keepdims=True), 1e-9)
        else:
            axis = np.array(_AXES[style])
            headings = np.sign(out @ axis)[:, None] * axis
        square = np.einsum("ij,ij->i", headings, out)
        return np.where((square >= _LEAST_SQUARE)[:, None], headings, np.nan)

    def _best_first(self, number: npt.NDArray[np.intp], starts: Points, headings: Points) -> Iterator[Gap]:
        """Yield ways out that end on other mask, the cheapest first."""
        met = self._ways.cast(starts, headings)
        known = np.isin(met.owner, list(self.parts)) & (met.owner != number) & (met.square >= _LEAST_SQUARE)
        number, starts, headings = number[known], starts[known], headings[known]
        owner, end, square = met.owner[known], met.end[known], met.square[known]
        cost = self._cast_cost(starts, end, headings, square)
        ground = self._ground(starts, end)
        for i in np.lexsort((cost, ground < FULL)):
            yield replace(_gap_over(int(number[i]), int(owner[i]), starts[i], end[i]), share=float(ground[i]))

    def _cast_cost(self, starts: Points, ends: Points, headings: Points, square: Floats) -> Floats:
        width = self._rules.width
        ground = np.minimum(self._ways.footing(starts, -headings, width), self._ways.footing(ends, headings, width))
        length: Floats = np.linalg.norm(ends - starts, axis=1) + width / 2
        return length * (1 + _GROUND_WEIGHT * (1 - ground)) * (2 - square)

    def _outwards(self, bridges: Sequence[Bridge]) -> list[Bridge]:
        """Turn bridges so that each leads from the piece further in to the one nearer to the frame."""
        beside: dict[int, list[int]] = {}
        for index, bridge in enumerate(bridges):
            beside.setdefault(bridge.piece, []).append(index)
            beside.setdefault(bridge.other, []).append(index)
        turned = list(bridges)
        seen, waiting = set(self._roots), deque(self._roots)
        while waiting:
            part = waiting.popleft()
            for index in beside.get(part, ()):
                bridge = bridges[index]
                inner = bridge.other if bridge.piece == part else bridge.piece
                if inner in seen:
                    continue
                seen.add(inner)
                waiting.append(inner)
                if bridge.piece != inner and bridge.by_hand is None:
                    turned[index] = bridge.turned()
        return turned

    # --- further ones -------------------------------------------------------------------------
    def _further(self, firsts: Sequence[Bridge], laid: Sequence[Bridge]) -> list[Bridge]:
        """Return the bridges of pieces beyond their first, about equally far apart along their edges."""
        wide = _LEEWAY if self._rules.style == "shortest" else _STYLED_LEEWAY
        stray = np.linspace(-wide, wide, _ABOUT)
        wanted: list[tuple[Bridge, Points, Points, Points]] = []
        for first in firsts:
            ring = self.parts[first.piece].exterior
            begun, count = ring.project(shapely.Point(first.start)), self._rules.count(self.parts[first.piece])
            for k in range(1, count):
                starts, out = outward(ring, begun + (k + stray) / count * ring.length)
                wanted.append((first, starts, out, self._headings(first.piece, starts, out)))
        if not wanted:
            return []
        starts, headings = np.concatenate([w[1] for w in wanted]), np.concatenate([w[3] for w in wanted])
        first_of = np.repeat(np.arange(len(wanted)), _ABOUT)
        cost, ends, owner = self._cast_further(starts, headings, [w[0] for w in wanted], first_of)
        cost *= 1 + _STRAY_WEIGHT * np.tile(stray / _LEEWAY, len(wanted)) ** 2
        added: list[Bridge] = []
        for k, (first, *_) in enumerate(wanted):
            own = np.flatnonzero((first_of == k) & np.isfinite(cost))
            for i in own[np.argsort(cost[own], kind="stable")]:
                gap = _gap_over(first.piece, int(owner[i]), starts[i], ends[i])
                if self.crowded_by(gap, self._rules.width, [*laid, *added]):
                    continue
                bridge = self.site.lay(gap, self._rules.width)
                if self.site.barred_by(bridge) is None:
                    added.append(bridge)
                    break
        return added

    def _cast_further(
        self, starts: Points, headings: Points, firsts: Sequence[Bridge], first_of: npt.NDArray[np.intp]
    ) -> tuple[Floats, Points, npt.NDArray[np.intp]]:
        """Return what bridges from places would cost (inf where none will do), where they end and on what."""
        width = self._rules.width
        sound = np.isfinite(headings).all(axis=1)
        cost, ends, owner = np.full(len(starts), np.inf), starts.copy(), np.full(len(starts), NOWHERE)
        met = self._ways.cast(starts[sound], headings[sound])
        ends[sound], owner[sound] = met.end, met.owner
        length = np.linalg.norm(ends - starts, axis=1)
        number = np.array([first.piece for first in firsts])[first_of]
        longest = np.array([max(_TOO_LONG * first.length, _SHORT_WIDTHS * width) for first in firsts])[first_of]
        square = np.zeros(len(starts))
        square[sound] = met.square
        usable = np.isin(owner, list(self.parts)) & (owner != number) & (square >= _LEAST_SQUARE)
        usable &= (length > TOLERANCES.grid) & (length <= longest)
        k = np.flatnonzero(usable)
        k = k[self._ground(starts[k], ends[k]) >= FULL] if len(k) else k
        cost[k] = self._cast_cost(starts[k], ends[k], headings[k], square[k]) if len(k) else 0.0
        return cost, ends, owner

    def crowded_by(self, gap: Gap, width: float, laid: Sequence[Bridge]) -> Bridge | None:
        """Return a bridge that another over a gap would stand too near to, if any."""
        line = shapely.LineString([gap.start, gap.end]).buffer(width / 2, cap_style="flat")
        if not laid:
            return None
        near = shapely.dwithin(
            np.array([bridge.shape for bridge in laid], dtype=object), line, _APART * width * (1 - 1e-9)
        )
        return laid[int(np.argmax(near))] if near.any() else None


def _gap_over(piece: int, other: int, start: Points, end: Points) -> Gap:
    a, b = (float(start[0]), float(start[1])), (float(end[0]), float(end[1]))
    return Gap(piece, other, math.dist(a, b), a, b)


def _encloses(ring: LoosePiece, piece: LoosePiece) -> bool:
    return bool(len(ring.shape.interiors)) and shapely.Polygon(ring.shape.exterior).contains(piece.shape)
