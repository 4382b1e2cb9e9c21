"""The ledger of the stores, in and out of the database."""

from collections.abc import Callable, Iterable
from dataclasses import replace

from sqlalchemy import Engine, func, select
from sqlalchemy.orm import Session

from dunestead.core.inventory.ledger import WHYS, Move
from dunestead.store.database import Sessions
from dunestead.store.models import LedgerRow

__all__ = ["Ledger", "write_moves"]


class Ledger:
    """All that went in and out.

    Parameters
    ----------
    engine
        The database.
    by
        Who is at work; empty where nobody says.
    """

    def __init__(self, engine: Engine, by: Callable[[], str] = str) -> None:
        self._sessions, self._by = Sessions(engine), by

    def left(self) -> dict[int, float]:
        """Return what is left of each item that ever moved."""
        query = select(LedgerRow.item, func.sum(LedgerRow.amount)).group_by(LedgerRow.item)
        with self._sessions.read() as session:
            return {item: round(amount, 6) + 0.0 for item, amount in session.execute(query)}

    def used(self) -> dict[int, float]:
        """Return how much steps of jobs took of each item, what they gave back taken off."""
        query = (
            select(LedgerRow.item, -func.sum(LedgerRow.amount))
            .where(LedgerRow.job.is_not(None))
            .group_by(LedgerRow.item)
        )
        with self._sessions.read() as session:
            return {item: round(amount, 6) + 0.0 for item, amount in session.execute(query)}

    def of_item(self, item: int) -> list[Move]:
        """Return what went in and out of one item, oldest first."""
        return self._moves(LedgerRow.item == item)

    def of_task(self, job: int, task: str) -> list[Move]:
        """Return what a step of a job took and gave back, oldest first."""
        return self._moves(LedgerRow.job == job, LedgerRow.task == task)

    def add(self, moves: Iterable[Move]) -> None:
        """Write rows down, all of them or none."""
        with self._sessions.write() as session:
            self.write(session, moves)

    def write(self, session: Session, moves: Iterable[Move]) -> None:
        """Write rows down within a transaction."""
        write_moves(session, moves, self._by())

    def _moves(self, *which: object) -> list[Move]:
        query = select(LedgerRow).where(*which).order_by(LedgerRow.id)  # type: ignore[arg-type]  # columns' comparisons
        with self._sessions.read() as session:
            return [_move(row) for row in session.scalars(query)]


def write_moves(session: Session, moves: Iterable[Move], by: str) -> None:
    """Write rows of the ledger down within a transaction, signed."""
    for move in moves:
        signed = move if move.by else replace(move, by=by)
        session.add(LedgerRow(**{name: getattr(signed, name) for name in Move.__dataclass_fields__}))


def _move(row: LedgerRow) -> Move:
    why = next(one for one in WHYS if one == row.why)
    return Move(row.item, row.amount, why, row.at, row.job, row.task, row.batch, row.note, row.by)
