"""Out of which things in store does a step take what it needs? What was used is written down, even below nothing."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime

from dunestead.core.inventory.items import Item
from dunestead.core.inventory.ledger import Move
from dunestead.core.inventory.reserving import serve
from dunestead.core.work.needs import Need

__all__ = ["Step", "moves_of"]


@dataclass(frozen=True, slots=True)
class Step:
    """A step of a job as it is ticked off, for which time, and when."""

    job: int
    task: str
    batch: int
    at: datetime

    def move(self, item: int, amount: float) -> Move:
        """Return a row of the ledger: used where something goes out, returned where it comes back."""
        return Move(item, amount, "used" if amount < 0 else "returned", self.at, self.job, self.task, self.batch)


def moves_of(
    step: Step,
    needs: Sequence[Need],
    returns: Sequence[Need],
    items: Mapping[int, Item],
    left: Mapping[int, float],
    alike: float,
) -> list[Move]:
    """Return what a step takes out of the stores and gives back.

    Parameters
    ----------
    step
        Which one.
    needs, returns
        What it takes, and what comes back.
    items, left
        What there is, and how much of each.
    alike
        Colours that differ by no more are the same paint, CIEDE2000.

    Notes
    -----
    What is short is taken of what would serve were there enough: it was used all the same, and the account of it is
    what is wrong. Of what is not kept at all nothing is written down.
    """
    free, moves = dict(left), list[Move]()
    for need in needs:
        served = serve(need, items, free, alike)
        taken = dict(served.taken)
        if served.short and served.first is not None:
            taken[served.first] = taken.get(served.first, 0.0) + served.short
        for number, amount in taken.items():
            free[number] = free.get(number, 0.0) - amount
            moves.append(step.move(number, -amount))
    for need in returns:
        first = serve(need, items, free, alike).first
        if first is not None:
            moves.append(step.move(first, need.amount))
    return moves
