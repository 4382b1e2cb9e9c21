"""Which things in store serve what is wanted, offcuts first; what is spoken for by which job, and what is short."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date

from dunestead.core.colours import difference
from dunestead.core.inventory.items import Item
from dunestead.core.work.needs import Need

__all__ = ["JobNeeds", "Reserved", "Served", "Short", "StockLevel", "is_kept", "reserve", "serve"]

# Sizes that differ by less are the same, mm.
_SAME = 1.0
_EPS = 1e-6


@dataclass(frozen=True, slots=True)
class Served:
    """What serves a need.

    Attributes
    ----------
    taken
        By number of the item: how much of it, in its own unit; a whole offcut is 1.
    short
        What nothing is there for, in the need's unit.
    first
        Number of the item that would serve were there enough of it; None where nothing of the kind is kept.
    """

    taken: Mapping[int, float]
    short: float
    first: int | None


@dataclass(frozen=True, slots=True)
class JobNeeds:
    """What a job will still take."""

    job: int
    name: str
    due: date | None
    needs: tuple[Need, ...]

    @property
    def turn(self) -> tuple[date, int]:
        """When it has its things, before or after others: what is due first, then what was begun first."""
        return (self.due or date.max, self.job)


@dataclass(frozen=True, slots=True)
class StockLevel:
    """Something in store: how much is left, and how much of that which job will take."""

    number: int
    item: Item
    left: float
    by_job: Mapping[int, float]

    @property
    def free(self) -> float:
        """What no job will take."""
        return self.left - sum(self.by_job.values())

    @property
    def is_overdrawn(self) -> bool:
        """Whether more was taken than there was by the ledger: it must be counted."""
        return self.left < -_EPS


@dataclass(frozen=True, slots=True)
class Short:
    """What is wanted and not there.

    Attributes
    ----------
    need
        What it is; its amount is all that is wanted.
    missing
        Of that, in the same unit.
    by_job
        What each job misses.
    is_low
        Whether it is wanted by no job: less is left than the maker likes to keep.
    """

    need: Need
    missing: float
    by_job: Mapping[int, float]
    is_low: bool = False


@dataclass(frozen=True, slots=True)
class Reserved:
    """All in store with what is spoken for, and what is short."""

    held: tuple[StockLevel, ...]
    short: tuple[Short, ...]


def serve(need: Need, items: Mapping[int, Item], left: Mapping[int, float], alike: float) -> Served:
    """Return what in store serves a need.

    Parameters
    ----------
    items, left
        What there is, and how much of each is free.
    alike
        Colours that differ by no more are the same paint, CIEDE2000.

    Notes
    -----
    Offcuts that are large enough go first, the smallest of them, for as many pieces as they hold. Then the one chosen;
    then what there is least of, so that ends are used up.
    """
    taken = _offcuts(need, items, left)
    to_cut = max(need.pieces - sum(taken.values()), 0)
    if taken and not to_cut:
        return Served(dict.fromkeys(taken, 1.0), 0.0, next(iter(taken)))
    able = [number for number, item in items.items() if _serves(number, item, need, alike)]
    able.sort(key=lambda number: _order(items[number], left.get(number, 0.0), number))
    used: dict[int, float] = dict.fromkeys(taken, 1.0)
    missing = _whole(need.amount * to_cut / need.pieces, need.step)
    for number in able:
        free = max(left.get(number, 0.0), 0.0)
        amount = min(missing, _in_steps(free, need.step))
        if amount > _EPS:
            used[number] = amount
            missing -= amount
    return Served(used, missing if missing > _EPS else 0.0, next(iter(able), None))


def is_kept(need: Need, items: Mapping[int, Item]) -> bool:
    """Say whether anything of this kind is kept in store: who keeps no account of pins is told of none."""
    return any(item.kind == need.kind for item in items.values())


def _in_steps(free: float, step: float) -> float:
    return math.floor(free / step + _EPS) * step if step else free


def _order(item: Item, left: float, number: int) -> tuple[date, float, int]:
    return (item.opened or date.max, left if left > _EPS else math.inf, number)


def _whole(amount: float, step: float) -> float:
    return math.ceil(amount / step - _EPS) * step if step else amount


def _offcuts(need: Need, items: Mapping[int, Item], left: Mapping[int, float]) -> dict[int, int]:
    """Return the offcuts that serve, and how many pieces are cut from each."""
    if need.piece is None:
        return {}
    able = sorted(
        (_area(item), number, holds)
        for number, item in items.items()
        if item.is_offcut and item.key == need.key and left.get(number, 0.0) >= 1 - _EPS
        for holds in [_holds(item, need.piece)]
        if holds
    )
    found, wanted = dict[int, int](), need.pieces
    for _, number, holds in able:
        if wanted:
            found[number] = min(holds, wanted)
            wanted -= found[number]
    return found


def _area(item: Item) -> float:
    return (item.width or 0.0) * (item.length or 0.0)


def _holds(item: Item, piece: tuple[float, float]) -> int:
    """Return how many pieces an offcut holds, all lying one way."""
    sides = (item.width or 0.0, item.length or 0.0)
    ways = (piece, piece[::-1])
    return max(math.prod(int(side / own + _EPS) for side, own in zip(sides, way, strict=True)) for way in ways)


def _serves(number: int, item: Item, need: Need, alike: float) -> bool:
    if need.item is not None:
        return number == need.item
    if item.is_offcut or (item.kind, item.key) != (need.kind, need.key):
        return False
    if item.colour and need.colour and difference(item.colour, need.colour) > alike:
        return False
    own, wanted = (item.width, item.length), (need.width, need.length)
    # What has two sides may be turned.
    return _alike(own, wanted) or (need.length is not None and _alike(own, wanted[::-1]))


def _alike(own: tuple[float | None, float | None], wanted: tuple[float | None, float | None]) -> bool:
    return all(
        side is None or other is None or abs(side - other) <= _SAME for side, other in zip(own, wanted, strict=True)
    )


def reserve(items: Mapping[int, Item], left: Mapping[int, float], jobs: Sequence[JobNeeds], alike: float) -> Reserved:
    """Return what is spoken for by which job, those due first before the others, and what is short.

    Parameters
    ----------
    items, left
        What there is, and how much.
    jobs
        What each will still take.
    alike
        As for `serve`.
    """
    free = {number: max(left.get(number, 0.0), 0.0) for number in items}
    by_item: dict[int, dict[int, float]] = {number: {} for number in items}
    missing: dict[Need, dict[int, float]] = {}
    wanted: dict[Need, float] = {}
    for job in sorted(jobs, key=lambda one: one.turn):
        for need in job.needs:
            same = replace(
                need, amount=0.0, step=0.0, piece=None, pieces=1, item=need.item if need.kind == "mask" else None
            )
            wanted[same] = wanted.get(same, 0.0) + need.amount
            served = serve(need, items, free, alike)
            for number, amount in served.taken.items():
                free[number] -= amount
                own = by_item[number]
                own[job.job] = own.get(job.job, 0.0) + amount
            if served.short:
                short = missing.setdefault(same, {})
                short[job.job] = short.get(job.job, 0.0) + served.short
    held = tuple(StockLevel(number, item, left.get(number, 0.0), by_item[number]) for number, item in items.items())
    short_of = [Short(replace(same, amount=wanted[same]), sum(own.values()), own) for same, own in missing.items()]
    return Reserved(held, (*short_of, *_low(held, short_of)))


def _low(held: Sequence[StockLevel], short: Sequence[Short]) -> list[Short]:
    """Return what there is less of than the maker likes to keep, unless it is to be bought anyhow."""
    listed = {(one.need.kind, one.need.key) for one in short}
    found = []
    for one in held:
        item = one.item
        lacks = item.keep_at_least - max(one.free, 0.0)
        if item.keep_at_least and lacks > _EPS and (item.kind, item.key) not in listed:
            need = Need(item.kind, item.key, item.name, item.keep_at_least, item.width, item.length, item.colour)
            found.append(Short(need, lacks, {}, is_low=True))
    return found
