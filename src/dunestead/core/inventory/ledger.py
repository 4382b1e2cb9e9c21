"""What went in and out of the stores: rows that are only ever added to; what is left is their sum."""

import math
from collections.abc import Iterable
from dataclasses import dataclass, replace
from datetime import datetime
from typing import Literal, get_args

from dunestead.core.limits import REQUIRED, limited

__all__ = ["WHYS", "Move", "counted", "given_back", "left_of", "taken_back"]

Why = Literal["begun", "bought", "used", "returned", "undone", "counted", "lost"]
WHYS: tuple[Why, ...] = get_args(Why)
# Sums of what was poured come out to this, in any unit.
_EPS = 1e-6


@dataclass(frozen=True, slots=True)
class Move:
    """So much of something went in, above 0, or out.

    Attributes
    ----------
    item
        Its number in store.
    amount
        In the item's unit.
    why
        It was there to begin with, bought, used by a job, returned by it (pins), a step was taken back, a stock-take
        found other than there should be, or it was spoiled or given away.
    job, task
        Which step of which job it was for.
    batch
        Which time that step was done, from 1: taken back, only what it took then comes back.
    """

    item: int
    amount: float = limited(REQUIRED, "amount", -10_000_000.0, 10_000_000.0)
    why: Why = REQUIRED
    at: datetime = REQUIRED
    job: int | None = None
    task: str = ""
    batch: int = 0
    note: str = limited("", "note", 0, 500, "letters")
    by: str = ""


def left_of(moves: Iterable[Move]) -> dict[int, float]:
    """Return what is left of each item: the sum of all that went in and out.

    Examples
    --------
    >>> left_of([])
    {}
    """
    amounts: dict[int, list[float]] = {}
    for move in moves:
        amounts.setdefault(move.item, []).append(move.amount)
    return {item: _rounded(math.fsum(own)) for item, own in amounts.items()}


def _rounded(amount: float) -> float:
    # Neither a speck of paint nor a minus of one is left.
    return 0.0 if abs(amount) < _EPS else amount


def counted(item: int, found: float, left: float, at: datetime, note: str = "") -> Move:
    """Return what a stock-take adds, so that the sum is what was found."""
    return Move(item, found - left, "counted", at, note=note)


def given_back(moves: Iterable[Move], job: int, task: str, at: datetime) -> list[Move]:
    """Return what is given back when a step is taken back: all that it took when it was done last.

    Examples
    --------
    >>> from datetime import UTC
    >>> at = datetime(2026, 5, 10, tzinfo=UTC)
    >>> took = Move(4, -30.0, "used", at, 7, "paint-coat/k1", 1)
    >>> [(one.item, one.amount, one.why) for one in given_back([took], 7, "paint-coat/k1", at)]
    [(4, 30.0, 'undone')]
    >>> given_back([took, *given_back([took], 7, "paint-coat/k1", at)], 7, "paint-coat/k1", at)
    []
    """
    own: dict[int, dict[int, list[Move]]] = {}
    for move in moves:
        if (move.job, move.task) == (job, task):
            own.setdefault(move.batch, {}).setdefault(move.item, []).append(move)
    for batch in sorted(own, reverse=True):
        back = [
            replace(rows[0], amount=-total, why="undone", at=at, note="", by="")
            for rows in own[batch].values()
            if (total := _rounded(math.fsum(row.amount for row in rows)))
        ]
        if back:
            return back
    return []


def taken_back(moves: Iterable[Move], at: datetime) -> Move | None:
    """Return what takes the maker's last entry back: what was bought or counted last; None where there is none left.

    Examples
    --------
    >>> from datetime import UTC
    >>> at = datetime(2026, 5, 10, tzinfo=UTC)
    >>> bought = Move(4, 250.0, "bought", at)
    >>> back = taken_back([Move(4, 10.0, "begun", at), bought], at)
    >>> back.amount, taken_back([bought, back], at)
    (-250.0, None)
    """
    own: list[Move] = []
    for move in moves:
        if move.job is None and move.why in ("bought", "counted", "lost"):
            own.append(move)
        elif move.job is None and move.why == "undone" and own:
            own.pop()
    return replace(own[-1], amount=-own[-1].amount, why="undone", at=at, note="", by="") if own else None
