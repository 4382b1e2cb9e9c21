"""The maker's own records: cutters, mask material in store, test cuts. Each change can be taken back."""

from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any, Generic, Literal, TypeVar

from pydantic import TypeAdapter
from sqlalchemy import Engine, func, select
from sqlalchemy.orm import Session

from dunestead.core.errors import BadInput, NoSuchThing, NotNow
from dunestead.core.figures import Catalogue, Cutter, Paint, Press
from dunestead.core.inventory.items import Item, kept_masks_in, stock_in
from dunestead.core.learning.costs import Rates
from dunestead.core.learning.learnt import Learning
from dunestead.core.learning.recipes import Recipe
from dunestead.core.records import Hours, OwnPaint, Pressed, Swatch, TestCut, Tools
from dunestead.store.database import Sessions
from dunestead.store.ledger import Ledger
from dunestead.store.models import RecordRow

__all__ = ["RecordTable", "Records", "open_records"]

Kind = Literal[
    "cutter", "item", "test-cut", "recipe", "press", "tools", "pressed", "hours", "paint", "swatch", "learning", "rates"
]
Record = TypeVar("Record")
_MOST = 500


class RecordTable(Generic[Record]):
    """All records of one kind.

    Parameters
    ----------
    engine
        The database.
    kind, shape
        What is on it.
    forgets
        Whether what was taken off longest ago is let go where there is no room: no job names it.
    """

    def __init__(self, engine: Engine, kind: Kind, shape: TypeAdapter[Record], *, forgets: bool = False) -> None:
        self._sessions, self._kind, self._shape, self._forgets = Sessions(engine), kind, shape, forgets

    def all(self) -> Mapping[int, Record]:
        """Return what is on the shelf, by number."""
        query = select(RecordRow).where(RecordRow.kind == self._kind, RecordRow.gone.is_(False)).order_by(RecordRow.id)
        with self._sessions.read() as session:
            return {row.id: self._shape.validate_python(row.state) for row in session.scalars(query)}

    def gone(self) -> Mapping[int, Record]:
        """Return what was taken off the shelf, by number."""
        query = select(RecordRow).where(RecordRow.kind == self._kind, RecordRow.gone.is_(True)).order_by(RecordRow.id)
        with self._sessions.read() as session:
            return {row.id: self._shape.validate_python(row.state) for row in session.scalars(query)}

    def get(self, number: int) -> Record:
        """Return a record; raises `NoSuchThing` when there is none."""
        with self._sessions.read() as session:
            return self._shape.validate_python(self._row(session, number).state)

    def add(self, record: Record, *, lets_go: bool = False, also: Callable[[Session, int], None] | None = None) -> int:
        """Keep a new record and return its number; where there are too many the oldest is let go, or it is refused.

        What else belongs to it is written in the same transaction.
        """
        with self._sessions.write() as session:
            kept = session.scalars(select(RecordRow).where(RecordRow.kind == self._kind).order_by(RecordRow.id)).all()
            gone = next((row for row in kept if row.gone), None) if self._forgets else None
            if len(kept) >= _MOST and (gone or lets_go):
                session.delete(gone or kept[0])
            elif len(kept) >= _MOST:
                raise BadInput(f"There are {_MOST} records of this kind already.", "Take some out first.")
            row = RecordRow(kind=self._kind, state=self._dumped(record), before=None, gone=False)
            session.add(row)
            session.flush()
            if also:
                also(session, row.id)
            return row.id

    def change(self, number: int, record: Record) -> None:
        """Keep a record in place of what it was; that can be brought back once."""
        with self._sessions.write() as session:
            row = self._row(session, number)
            row.before, row.state = row.state, self._dumped(record)

    def add_all(self, records: Sequence[Record]) -> None:
        """Keep new records, all of them or none; raises `BadInput` where there would be too many."""
        with self._sessions.write() as session:
            kept = session.scalar(select(func.count()).select_from(RecordRow).where(RecordRow.kind == self._kind)) or 0
            if kept + len(records) > _MOST:
                raise BadInput(f"There would be more than {_MOST} records of this kind.", "Take some out first.")
            session.add_all(
                RecordRow(kind=self._kind, state=self._dumped(one), before=None, gone=False) for one in records
            )

    def drop(self, number: int) -> None:
        """Take a record off the shelf; it can be brought back."""
        with self._sessions.write() as session:
            self._row(session, number).gone = True

    def undo(self, number: int) -> None:
        """Take the last change of a record back: a dropped one returns, a changed one is as before.

        Raises
        ------
        NotNow
            When there is nothing to take back.
        """
        with self._sessions.write() as session:
            row = session.get(RecordRow, number)
            if row is None or row.kind != self._kind:
                raise self._missing(number)
            if row.gone:
                row.gone = False
            elif row.before is not None:
                row.before, row.state = row.state, row.before
            else:
                raise NotNow("There is nothing to take back here.", "Carry on from here.")

    def can_undo(self, number: int) -> bool:
        """Say whether the last change of a record can be taken back."""
        with self._sessions.read() as session:
            return self._row(session, number).before is not None

    def _row(self, session: Session, number: int) -> RecordRow:
        row = session.get(RecordRow, number)
        if row is None or row.gone or row.kind != self._kind:
            raise self._missing(number)
        return row

    def _missing(self, number: int) -> NoSuchThing:
        return NoSuchThing(f"There is no {self._kind} {number}.", "It may have been removed; bring it back first.")

    def _dumped(self, record: Record) -> dict[str, Any]:
        state: dict[str, Any] = self._shape.dump_python(record, mode="json")
        return state


@dataclass(frozen=True, slots=True)
class Records:
    """The maker's own cutters, what is in store, test cuts and plates, what tools there are, and what held."""

    cutters: RecordTable[Cutter]
    items: RecordTable[Item]
    test_cuts: RecordTable[TestCut]
    recipes: RecordTable[Recipe]
    presses: RecordTable[Press]
    tools: RecordTable[Tools]
    pressed: RecordTable[Pressed]
    hours: RecordTable[Hours]
    paints: RecordTable[OwnPaint]
    swatches: RecordTable[Swatch]
    learning: RecordTable[Learning]
    rates: RecordTable[Rates]
    ledger: Ledger

    def keep_pressed(self, pressed: Pressed) -> None:
        """Keep how a mask was pressed, in place of what is known of the same way of pressing in the same job."""
        same = (pressed.way, pressed.job)
        known = next((number for number, was in self.pressed.all().items() if (was.way, was.job) == same), None)
        if known is None:
            self.pressed.add(pressed, lets_go=True)
        else:
            self.pressed.change(known, pressed)

    def keep_recipes(self, recipes: Iterable[Recipe]) -> None:
        """Keep recipes that are not kept already, all of them or none."""
        known = list(self.recipes.all().values())
        self.recipes.add_all([one for one in recipes if one not in known])

    def keep_tools(self, tools: Tools) -> None:
        """Keep what the workshop has; there is one such record."""
        known = next(iter(self.tools.all()), None)
        if known is None:
            self.tools.add(tools)
        else:
            self.tools.change(known, tools)

    def kit(self) -> Tools | None:
        """Return what the workshop works with, None while nobody has said."""
        return next(iter(self.tools.all().values()), None)

    def worn_masks(self) -> list[tuple[Item, float]]:
        """Return the masks that were worn out, each with the prints it gave in all."""
        worn = {number: one for number, one in self.items.gone().items() if one.worn}
        used = self.ledger.used() if worn else {}
        return [(one, one.prints_before + used.get(number, 0.0)) for number, one in worn.items()]

    def learning_kept(self) -> Learning:
        """Return what the maker made of what was learnt."""
        return next(iter(self.learning.all().values()), Learning())

    def keep_learning(self, learning: Learning) -> None:
        """Keep what the maker made of what was learnt; there is one such record."""
        known = next(iter(self.learning.all()), None)
        # The first is there before it is changed, so that even the first choice can be taken back.
        self.learning.change(self.learning.add(Learning()) if known is None else known, learning)

    def undo_rates(self) -> None:
        """Take the last change of what prices are reckoned with back; raises `NotNow` when there is none."""
        self._undo_only(self.rates)

    def _undo_only(self, shelf: RecordTable[Any]) -> None:
        for number in shelf.all():
            shelf.undo(number)
            return
        raise NotNow("There is nothing to take back here.", "Carry on from here.")

    def can_undo_learning(self) -> bool:
        """Say whether the last choice about what was learnt can be taken back."""
        return any(self.learning.can_undo(number) for number in self.learning.all())

    def undo_learning(self) -> None:
        """Take the last choice about what was learnt back; raises `NotNow` when there is none."""
        self._undo_only(self.learning)

    def rates_kept(self) -> Rates:
        """Return what prices are reckoned with."""
        return next(iter(self.rates.all().values()), Rates())

    def keep_rates(self, rates: Rates) -> None:
        """Keep what prices are reckoned with; there is one such record."""
        known = next(iter(self.rates.all()), None)
        # The first is there before it is changed, so that even the first change can be taken back.
        self.rates.change(self.rates.add(Rates()) if known is None else known, rates)

    def keep_hours(self, hours: Hours) -> None:
        """Keep when somebody is at the bench; there is one such record."""
        known = next(iter(self.hours.all()), None)
        if known is None:
            self.hours.add(hours)
        else:
            self.hours.change(known, hours)

    def hours_kept(self) -> Hours:
        """Return when somebody is at the bench, the usual day while nobody has said."""
        return next(iter(self.hours.all().values()), Hours())

    def added_to(self, catalogue: Catalogue) -> Catalogue:
        """Return the catalogue with the maker's records in it; own cutters and plates come after the shipped ones.

        A cutter or plate that was taken out stays known, for jobs may be planned for it.
        """
        tools, items = self.kit(), self.items.all()
        return replace(
            catalogue,
            cutters={**catalogue.cutters, **_own(self.cutters)},
            presses={**catalogue.presses, **_own(self.presses)},
            paints={**catalogue.paints, **_own_paints(self.paints, catalogue)},
            swatches=tuple(self.swatches.all().values()),
            stock=stock_in(items),
            kept_masks=kept_masks_in(items),
            test_cuts=self.test_cuts.all(),
            owned=None if tools is None else frozenset(tools.owned),
        )


Device = TypeVar("Device", Cutter, Press)


def _own(shelf: RecordTable[Device]) -> dict[str, Device]:
    """Return the devices of a shelf by the keys jobs know them by, those taken out included."""
    own = {f"own-{number}": replace(device, key=f"own-{number}") for number, device in shelf.all().items()}
    for number, device in shelf.gone().items():
        own[f"own-{number}"] = replace(device, key=f"own-{number}", name=f"{device.name} (removed)")
    return own


def _own_paints(shelf: RecordTable[OwnPaint], catalogue: Catalogue) -> dict[str, Paint]:
    """Return the maker's paints by the keys jobs know them by, those taken out included."""
    kept = [(number, own, "") for number, own in shelf.all().items()]
    kept += [(number, own, " (removed)") for number, own in shelf.gone().items()]
    return {
        f"own-{number}": replace(
            catalogue.paint(own.like),
            key=f"own-{number}",
            name=f"{own.name}{suffix}",
            cover=own.cover,
            coats_low=own.coats_low,
            coats_high=own.coats_high,
            next_coat=own.next_coat,
            touch=own.touch,
            handle=own.handle,
            use=own.use,
            wash=own.wash,
            flow=own.flow,
        )
        for number, own, suffix in kept
    }


def open_records(engine: Engine, by: Callable[[], str] = str) -> Records:
    """Return all shelves of a database, and the ledger of the stores, signed by who is at work."""
    return Records(
        RecordTable(engine, "cutter", TypeAdapter(Cutter)),
        RecordTable(engine, "item", TypeAdapter(Item), forgets=True),
        RecordTable(engine, "test-cut", TypeAdapter(TestCut)),
        RecordTable(engine, "recipe", TypeAdapter(Recipe), forgets=True),
        RecordTable(engine, "press", TypeAdapter(Press)),
        RecordTable(engine, "tools", TypeAdapter(Tools)),
        RecordTable(engine, "pressed", TypeAdapter(Pressed)),
        RecordTable(engine, "hours", TypeAdapter(Hours)),
        RecordTable(engine, "paint", TypeAdapter(OwnPaint)),
        RecordTable(engine, "swatch", TypeAdapter(Swatch)),
        RecordTable(engine, "learning", TypeAdapter(Learning)),
        RecordTable(engine, "rates", TypeAdapter(Rates)),
        Ledger(engine, by),
    )
