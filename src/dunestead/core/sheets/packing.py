"""How few sheets hold some rectangles: a good packing, a proven bound, and the solver between the two.

Rectangles keep a spacing, may be turned a quarter, may want a sheet of their own or a certain
sheet. The fewest sheets come first, then the least material along the feed.

Notes
-----
Packing is bottom-left over several orders [1]_. The count is then proven, where the simple bounds
do not prove it, by a decomposition [2]_: a constraint solver spreads the rectangles over so many sheets,
each sheet is tried on its own, and what does not fit is forbidden, until a spread holds or none is left.

References
----------
.. [1] Baker, Coffman, Rivest, "Orthogonal packings in two dimensions", SIAM J. Comput. 9, 1980.
.. [2] Hooker, Ottosson, "Logic-based Benders decomposition", Math. Program. 96, 2003.
"""

import itertools
import math
import random
import time
from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import dataclass

from dunestead.core.errors import BadInput
from dunestead.core.sheets.solver import fits_on_one, spread

__all__ = [
    "PackItem",
    "PackSpot",
    "Packing",
    "Room",
    "can_share",
    "fewest_by_bounds",
    "holds",
    "improved",
    "pack",
    "quick_pack",
]

_EPS = 1e-6
# Up to so many rectangles a count is proven before it is shown; beyond, only when the maker asks to go on.
PROVEN_UP_TO = 12
_PROOF_SECONDS = 1.4
_ALL_ORDERS_UP_TO = 4
# Beyond so many rectangles a quick packing looks at the largest first only.
_EVERY_ORDER_UP_TO = 40
_SHUFFLES = 24


@dataclass(frozen=True, slots=True)
class PackItem:
    """A rectangle to be cut, mm.

    Attributes
    ----------
    turns
        Whether it may lie a quarter turned.
    alone
        Whether it wants a sheet to itself.
    sheet
        Label of the sheet it must lie on, 1 and up without a gap, None for any.
    """

    width: float
    height: float
    turns: bool = True
    alone: bool = False
    sheet: int | None = None


@dataclass(frozen=True, slots=True)
class Room:
    """What one sheet offers, mm: width across the feed, length along it, and the spacing rectangles keep."""

    width: float
    length: float
    gap: float = 0.0


@dataclass(frozen=True, slots=True)
class PackSpot:
    """Where an item lies: its sheet, counted from 1, its corner, mm, and whether it is turned."""

    sheet: int
    x: float
    y: float
    turned: bool


@dataclass(frozen=True, slots=True)
class Packing:
    """All items in their places.

    Attributes
    ----------
    spots
        In the order of the items.
    sheets
        How many are used.
    bound
        These items need as many at least, proven.
    length
        Material used along the feed, over all sheets, mm.
    """

    spots: tuple[PackSpot, ...]
    sheets: int
    bound: int
    length: float

    @property
    def is_fewest(self) -> bool:
        """Whether the count is proven least for these items."""
        return self.sheets == self.bound

    def better_than(self, other: "Packing") -> bool:
        """Whether it takes fewer sheets, or as many and less material."""
        return (self.sheets, self.length) < (other.sheets, other.length - _EPS)


# --- one sheet --------------------------------------------------------------------------------
class _Sheet:
    """Rectangles set down one after the other, each as near to the corner as it goes."""

    __slots__ = ("closed", "length", "placed", "room")

    def __init__(self, room: Room) -> None:
        self.room, self.closed, self.length = room, False, 0.0
        self.placed: list[tuple[float, float, float, float]] = []

    def best(self, item: PackItem) -> tuple[tuple[float, float, float], PackSpot] | None:
        """Return the place that lengthens the sheet least, None when there is none."""
        if self.closed or (item.alone and self.placed):
            return None
        found: tuple[tuple[float, float, float], PackSpot] | None = None
        for turned in (False, True) if item.turns else (False,):
            width, height = (item.height, item.width) if turned else (item.width, item.height)
            for x, y in self._corners(width, height):
                key = (max(self.length, y + height), y + height, x)
                if (found is None or key < found[0]) and self._is_free(x, y, width, height):
                    found = (key, PackSpot(0, x, y, turned))
        return found

    def put(self, item: PackItem, spot: PackSpot) -> None:
        width, height = (item.height, item.width) if spot.turned else (item.width, item.height)
        self.placed.append((spot.x, spot.y, spot.x + width, spot.y + height))
        self.length = max(self.length, spot.y + height)
        self.closed = item.alone

    def _corners(self, width: float, height: float) -> Iterator[tuple[float, float]]:
        gap, room = self.room.gap, self.room
        xs = sorted({0.0, *(right + gap for _, _, right, _ in self.placed)})
        ys = sorted({0.0, *(bottom + gap for _, _, _, bottom in self.placed)})
        return ((x, y) for y in ys if y + height <= room.length + _EPS for x in xs if x + width <= room.width + _EPS)

    def _is_free(self, x: float, y: float, width: float, height: float) -> bool:
        gap = self.room.gap - _EPS
        return all(
            x >= right + gap or left >= x + width + gap or y >= bottom + gap or top >= y + height + gap
            for left, top, right, bottom in self.placed
        )


# --- all sheets -------------------------------------------------------------------------------
def _filled(items: Sequence[PackItem], order: Iterable[int], room: Room) -> Packing | None:
    """Return the items packed in an order, each on the first sheet that takes it; None when one goes nowhere."""
    sheets: list[_Sheet] = []
    spots: dict[int, PackSpot] = {}
    pinned = [i for i, item in enumerate(items) if item.sheet is not None]
    for i in (*pinned, *(i for i in order if items[i].sheet is None)):
        item = items[i]
        if item.sheet is not None:
            while len(sheets) < item.sheet:
                sheets.append(_Sheet(room))
            candidates: Iterable[int] = (item.sheet - 1,)
        else:
            candidates = range(len(sheets) + 1)
        for k in candidates:
            if k == len(sheets):
                sheets.append(_Sheet(room))
            if found := sheets[k].best(item):
                spots[i] = PackSpot(k + 1, found[1].x, found[1].y, found[1].turned)
                sheets[k].put(item, found[1])
                break
        else:
            return None
    count = sum(bool(sheet.placed) for sheet in sheets)
    return Packing(tuple(spots[i] for i in range(len(items))), count, 0, sum(sheet.length for sheet in sheets))


def _orders(items: Sequence[PackItem]) -> Iterator[list[int]]:
    keys: tuple[Callable[[PackItem], float], ...] = (
        lambda item: item.width * item.height,
        lambda item: max(item.width, item.height),
        lambda item: item.height,
        lambda item: item.width,
        lambda item: min(item.width, item.height),
    )
    seen = set()
    for key in keys:
        order = sorted(range(len(items)), key=lambda i, key=key: -key(items[i]))  # type: ignore[misc]
        if tuple(order) not in seen:
            seen.add(tuple(order))
            yield order


def quick_pack(items: Sequence[PackItem], room: Room) -> Packing:
    """Return a good packing at once, with the bound that follows from sides and areas alone.

    Raises
    ------
    BadInput
        When an item is larger than the room, or what is set on one sheet does not fit there together.
    """
    for item in items:
        _check_fits(item, room)
    bound = fewest_by_bounds(items, room)
    best: Packing | None = None
    for order in _orders(items):
        packed = _filled(items, order, room)
        if packed and (best is None or packed.better_than(best)):
            best = packed
        if best and len(items) > PROVEN_UP_TO and (best.sheets == bound or len(items) > _EVERY_ORDER_UP_TO):
            break
    if best is None:
        raise _no_room()
    return Packing(best.spots, best.sheets, max(bound, 0), best.length)


def _no_room() -> BadInput:
    return BadInput(
        "What is set on one sheet does not fit there together.", "Let one of its patches lie where there is room."
    )


def _check_fits(item: PackItem, room: Room) -> None:
    straight = item.width <= room.width + _EPS and item.height <= room.length + _EPS
    turned = item.turns and item.height <= room.width + _EPS and item.width <= room.length + _EPS
    if not straight and not turned:
        raise BadInput(
            f"A patch of {item.width:.0f} x {item.height:.0f} mm does not fit a reach of "
            f"{room.width:.0f} x {room.length:.0f} mm{'' if item.turns else ' without being turned'}.",
            "Let it be turned, or choose a cutter that reaches further.",
        )


# --- bounds -----------------------------------------------------------------------------------
def fewest_by_bounds(items: Sequence[PackItem], room: Room) -> int:
    """Return a number of sheets that no packing can do without: by area, and by items no two of which share one.

    Examples
    --------
    >>> fewest_by_bounds([PackItem(60, 60)] * 3, Room(100, 100)), fewest_by_bounds([], Room(1, 1))
    (3, 0)
    """
    alone = sum(item.alone for item in items)
    rest = sorted((item for item in items if not item.alone), key=lambda item: -item.width * item.height)
    gap = room.gap
    area = sum((item.width + gap) * (item.height + gap) for item in rest)
    by_area = math.ceil(area / ((room.width + gap) * (room.length + gap)) - 1e-9)
    clique: list[PackItem] = []
    for item in rest:
        if not any(can_share(item, other, room) for other in clique):
            clique.append(item)
    pinned = len({item.sheet for item in items if item.sheet is not None})
    return max(alone + max(by_area, len(clique)), pinned)


def can_share(one: PackItem, other: PackItem, room: Room) -> bool:
    """Say whether two items fit one sheet together."""
    if one.sheet is not None and other.sheet is not None and one.sheet != other.sheet:
        return False
    ways = [[(item.width, item.height), *([(item.height, item.width)] if item.turns else [])] for item in (one, other)]
    return any(
        (
            (w1 + w2 + room.gap <= room.width + _EPS and max(h1, h2) <= room.length + _EPS)
            or (h1 + h2 + room.gap <= room.length + _EPS and max(w1, w2) <= room.width + _EPS)
        )
        for (w1, h1), (w2, h2) in itertools.product(*ways)
    )


def holds(items: Sequence[PackItem], room: Room, spots: Sequence[PackSpot]) -> Packing | None:
    """Return a packing given by its places, with its bound; None when something overlaps or runs over."""
    sheets: dict[int, list[tuple[float, float, float, float]]] = {}
    gap = room.gap - _EPS
    for item, spot in zip(items, spots, strict=True):
        width, height = (item.height, item.width) if spot.turned else (item.width, item.height)
        x0, y0, x1, y1 = spot.x, spot.y, spot.x + width, spot.y + height
        if x0 < -_EPS or y0 < -_EPS or x1 > room.width + _EPS or y1 > room.length + _EPS:
            return None
        own = sheets.setdefault(spot.sheet, [])
        if any(x0 < r + gap and l < x1 + gap and y0 < b + gap and t < y1 + gap for l, t, r, b in own):  # noqa: E741
            return None
        own.append((x0, y0, x1, y1))
    length = sum(max(box[3] for box in own) for own in sheets.values())
    return Packing(tuple(spots), len(sheets), fewest_by_bounds(items, room), length)


# --- proof and improvement --------------------------------------------------------------------
def pack(items: Sequence[PackItem], room: Room) -> Packing:
    """Return the fewest sheets, proven for up to a dozen items; beyond, a good packing and its bound.

    Raises
    ------
    BadInput
        As `quick_pack`.
    """
    packing = quick_pack(items, room)
    if not packing.is_fewest and len(items) <= PROVEN_UP_TO:
        packing = _proven(items, room, packing, time.monotonic() + _PROOF_SECONDS, lambda: False)
    return _tightened(items, room, packing)


def improved(
    items: Sequence[PackItem],
    room: Room,
    start: Packing,
    stop: Callable[[], bool],
    report: Callable[[Packing], None],
    *,
    seconds: float,
) -> Packing:
    """Return the best packing found within a time, telling of every better one; it may be stopped at any moment.

    Parameters
    ----------
    items, room, start
        What is packed, and the packing to improve on.
    stop
        Asked often; true ends the search.
    report
        Called with every better packing and every better bound.
    seconds
        How long at most.
    """
    until, shuffle = time.monotonic() + seconds, random.Random(1)  # noqa: S311  # no secret hangs on it
    best = start
    if not best.is_fewest:
        better = _proven(items, room, best, time.monotonic() + seconds / 2, stop)
        if better != best:
            best = better
            report(best)
    order = sorted(range(len(items)), key=lambda i: -items[i].width * items[i].height)
    while time.monotonic() < until and not stop():
        tried = _filled(items, _disturbed(order, shuffle), room)
        if tried and tried.better_than(best):
            best = Packing(tried.spots, tried.sheets, best.bound, tried.length)
            report(best)
    return best


def _disturbed(order: Sequence[int], shuffle: random.Random) -> list[int]:
    """Return an order in which a few have changed places."""
    changed = list(order)
    for _ in range(shuffle.randint(1, max(2, len(order) // 3))):
        i, j = shuffle.randrange(len(order)), shuffle.randrange(len(order))
        changed[i], changed[j] = changed[j], changed[i]
    return changed


def _proven(items: Sequence[PackItem], room: Room, packing: Packing, until: float, stop: Callable[[], bool]) -> Packing:
    """Try fewer sheets from the bound upwards; each count either holds everything or is proven not to."""
    apart = [(i, j) for i, j in itertools.combinations(range(len(items)), 2) if not can_share(items[i], items[j], room)]
    known: dict[frozenset[int], tuple[PackSpot, ...] | None] = {}
    for count in range(packing.bound, packing.sheets):
        forbidden: list[frozenset[int]] = [subset for subset, spots in known.items() if spots is None]
        while True:
            left = until - time.monotonic()
            if left <= 0 or stop():
                return packing
            answer = spread(_areas(items, room), _area(room), count, apart, forbidden, _pins(items), left)
            if answer.groups is None:
                if not answer.is_proven:
                    return packing
                packing = Packing(packing.spots, packing.sheets, count + 1, packing.length)
                break
            failed = [group for group in answer.groups if not _on_one(group, items, room, known, until)]
            if not failed:
                return _assembled(answer.groups, items, known, count)
            if any(group not in known for group in failed):
                return packing
            forbidden += failed
    return packing


def _pins(items: Sequence[PackItem]) -> list[tuple[int | None, bool]]:
    return [(None if item.sheet is None else item.sheet - 1, item.alone) for item in items]


def _area(room: Room) -> float:
    return (room.width + room.gap) * (room.length + room.gap)


def _areas(items: Sequence[PackItem], room: Room) -> list[float]:
    return [(item.width + room.gap) * (item.height + room.gap) for item in items]


def _on_one(
    group: frozenset[int],
    items: Sequence[PackItem],
    room: Room,
    known: dict[frozenset[int], tuple[PackSpot, ...] | None],
    until: float,
) -> bool:
    """Say whether a group fits one sheet, and keep its places; a group that ran out of time stays unknown."""
    if group not in known:
        members = sorted(group)
        own = [PackItem(items[i].width, items[i].height, items[i].turns) for i in members]
        packed = min(
            (p for order in _orders(own) if (p := _filled(own, order, room))), key=lambda p: p.sheets, default=None
        )
        if packed and packed.sheets <= 1:
            known[group] = packed.spots
        else:
            answer = fits_on_one(
                [(item.width, item.height, item.turns) for item in own],
                (room.width, room.length),
                room.gap,
                max(until - time.monotonic(), 0.05),
            )
            if answer.is_proven:
                known[group] = (
                    None
                    if answer.places is None
                    else tuple(PackSpot(1, x, y, turned) for x, y, turned in answer.places)
                )
    return known.get(group) is not None


def _assembled(
    groups: Sequence[frozenset[int]],
    items: Sequence[PackItem],
    known: dict[frozenset[int], tuple[PackSpot, ...] | None],
    count: int,
) -> Packing:
    spots: dict[int, PackSpot] = {}
    length = 0.0
    for sheet, group in enumerate(groups, start=1):
        places = known[group] or ()
        for i, place in zip(sorted(group), places, strict=True):
            spots[i] = PackSpot(sheet, place.x, place.y, place.turned)
        length += _length_of([(items[i], spots[i]) for i in group])
    return Packing(tuple(spots[i] for i in range(len(items))), count, count, length)


def _length_of(placed: Iterable[tuple[PackItem, PackSpot]]) -> float:
    return max((spot.y + (item.width if spot.turned else item.height) for item, spot in placed), default=0.0)


def _tightened(items: Sequence[PackItem], room: Room, packing: Packing) -> Packing:
    """Pack each sheet anew in every order, or many, for the least length."""
    spots, length = list(packing.spots), 0.0
    for sheet in range(1, packing.sheets + 1):
        members = [i for i, spot in enumerate(packing.spots) if spot.sheet == sheet]
        own = [PackItem(items[i].width, items[i].height, items[i].turns) for i in members]
        best = Packing(
            tuple(spots[i] for i in members),
            1,
            1,
            _length_of((items[i], spots[i]) for i in members),
        )
        if 1 < len(own) <= PROVEN_UP_TO:
            for order in _many_orders(len(own)):
                tried = _filled(own, order, room)
                if tried and tried.better_than(best):
                    best = tried
        for i, spot in zip(members, best.spots, strict=True):
            spots[i] = PackSpot(sheet, spot.x, spot.y, spot.turned)
        length += best.length
    return Packing(tuple(spots), packing.sheets, packing.bound, length)


def _many_orders(count: int) -> Iterator[Sequence[int]]:
    if count <= _ALL_ORDERS_UP_TO:
        yield from itertools.permutations(range(count))
        return
    shuffle = random.Random(count)  # noqa: S311  # the same every time
    for _ in range(_SHUFFLES):
        order = list(range(count))
        shuffle.shuffle(order)
        yield order
