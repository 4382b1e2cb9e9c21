"""The stores: what there is, what went in and out, what jobs will take of it, and what is to be bought."""

from collections.abc import Callable, Iterable, Mapping
from typing import Any

from flask import Response

from dunestead.api import schemas
from dunestead.api.description import hands_out
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, download, opened
from dunestead.api.schemas import inventory as wire
from dunestead.core.errors import NoSuchThing, NotNow
from dunestead.core.inventory.items import TABLES, Item
from dunestead.core.inventory.ledger import Move, taken_back
from dunestead.core.inventory.needed import LOOKED_FOR_AT
from dunestead.core.inventory.reserving import Reserved, Short, StockLevel, is_kept
from dunestead.core.sheets.stock import Offcut
from dunestead.core.words.inventory import (
    KIND_NAMES,
    WHY_NAMES,
    overdrawn,
    show_amount,
    show_packs,
    size_of,
    wanted,
)
from dunestead.core.work.needs import KINDS, UNITS
from dunestead.formats.shopping import Line, write_shopping_csv, write_shopping_pdf
from dunestead.workshop.inventory import Inventory
from dunestead.workshop.opened import OpenJob

__all__ = ["stores"]

stores = Endpoints("stores", __name__, url_prefix="/api", tag="Stores")


# So long a page waits for jobs that are to be reckoned anew, s; then it asks again.
_PATIENCE_S = 2.0
_SAME_MM = 0.1


def _room() -> Inventory:
    return bench().inventory


# --- all of it --------------------------------------------------------------------------------
@stores.get("/stores")
def get_stores(query: schemas.UnitQuery) -> wire.StoresOut:
    """List what is in store, what the jobs on the board will take of it, and what is short."""
    return _shown(query.unit)


def _shown(unit: str, seconds: float | None = _PATIENCE_S) -> wire.StoresOut:
    names = bench().job_names()
    reserved, waiting = _room().reserved(seconds)
    return wire.StoresOut(
        waiting=waiting,
        kinds=[wire.StockKindOut(kind=kind, name=KIND_NAMES[kind], unit=UNITS[kind]) for kind in KINDS],
        items=[_held(one, names, unit) for one in reserved.held],
        short=[
            _short(one, reserved, names, unit)
            for one in sorted(reserved.short, key=lambda short: (KINDS.index(short.need.kind), short.need.name))
        ],
    )


def _held(held: StockLevel, names: Mapping[int, str], unit: str) -> wire.HeldOut:
    item, records = held.item, bench().records
    return wire.HeldOut.showing(
        held,
        **{name: getattr(item, name) for name in wire.ItemIn.model_fields},
        id=held.number,
        unit=item.unit,
        about=_about(item, unit),
        shown=show_amount(held.left, item.unit, unit),
        free_shown=show_amount(held.free, item.unit, unit),
        reserved=[_reserved(job, amount, item.unit, names, unit) for job, amount in held.by_job.items()],
        said=overdrawn(held, unit),
        is_low=held.free < item.keep_at_least,
        can_undo=records.items.can_undo(held.number),
    )


def _about(item: Item, unit: str) -> str:
    """Return what a thing is, by the catalogue's name for it, and its size."""
    rows: Mapping[str, Any] = getattr(bench().catalogue, TABLES[item.kind]) if item.kind in TABLES else {}
    row = rows.get(item.key)
    named = row.name if row else {"heat-proof": "Heat-proof", "transfer": "Transfer tape"}.get(item.key, "")
    return ", ".join(part for part in (named, size_of(item.width, item.length, unit)) if part)


def _reserved(job: int, amount: float, told_in: Any, names: Mapping[int, str], unit: str) -> wire.ReservedOut:
    return wire.ReservedOut(job=job, name=names.get(job, f"Job {job}"), shown=show_amount(amount, told_in, unit))


def _short(short: Short, reserved: Reserved, names: Mapping[int, str], unit: str) -> wire.ShortOut:
    need = short.need
    return wire.ShortOut.showing(
        short,
        kind=need.kind,
        name=wanted(need, unit),
        shown=show_amount(short.missing, need.unit, unit),
        packs=_packs(short),
        jobs=[_reserved(job, amount, need.unit, names, unit) for job, amount in short.by_job.items()],
        is_kept=is_kept(need, {held.number: held.item for held in reserved.held}),
    )


def _packs(short: Short) -> str:
    paint = bench().catalogue.paints.get(short.need.key) if short.need.kind == "paint" else None
    return show_packs(short, paint.can_ml, paint.bottle_ml) if paint else ""


# --- one thing --------------------------------------------------------------------------------
def _kept(act: Callable[[], Any], query: schemas.UnitQuery) -> wire.StoresOut:
    """Do something to what is in store; plans that are cut from it are reckoned anew after it."""
    act()
    bench().lessons.refresh()
    return _shown(query.unit)


def _item(given: wire.ItemIn) -> Item:
    return Item(**{name: getattr(given, name) for name in wire.ItemIn.model_fields})


@stores.post("/stores/items", status=201)
def add_item(given: wire.ItemNewIn, query: schemas.UnitQuery) -> wire.StoresOut:
    """Keep something in store."""
    return _kept(lambda: _room().add(_item(given), given.left), query)


@stores.put("/stores/items/<int:number>")
def change_item(number: int, given: wire.ItemIn, query: schemas.UnitQuery) -> wire.StoresOut:
    """Change what is known of something; how much is left is counted."""
    return _kept(lambda: _room().change(number, _item(given)), query)


@stores.delete("/stores/items/<int:number>")
def drop_item(number: int, query: schemas.UnitQuery) -> wire.StoresOut:
    """Take something out of the stores; it can be brought back."""
    return _kept(lambda: _room().drop(number), query)


@stores.post("/stores/items/<int:number>/undo")
def undo_item(number: int, query: schemas.UnitQuery) -> wire.StoresOut:
    """Take the last change of something back, or bring it back."""
    return _kept(lambda: _room().undo(number), query)


@stores.post("/stores/items/<int:number>/count")
def count_item(number: int, given: wire.AmountIn, query: schemas.UnitQuery) -> wire.StoresOut:
    """Write down what a stock-take found."""
    _room().count(number, given.amount, given.note)
    return _shown(query.unit)


@stores.post("/stores/items/<int:number>/buy")
def buy_item(number: int, given: wire.AmountIn, query: schemas.UnitQuery) -> wire.StoresOut:
    """Write down that more came in."""
    _room().buy(number, given.amount, given.note)
    return _shown(query.unit)


@stores.post("/stores/items/<int:number>/take-back")
def take_back(number: int, query: schemas.UnitQuery) -> wire.StoresOut:
    """Take the last count back, or what was bought last."""
    _room().take_back(number)
    return _shown(query.unit)


@stores.post("/stores/items/<int:number>/worn")
def wear_out_item(number: int, query: schemas.UnitQuery) -> wire.StoresOut:
    """Take a mask out that is worn out; how many prints it gave is learnt from."""
    return _kept(lambda: _room().wear_out(number), query)


@stores.get("/stores/items/<int:number>/ledger")
def get_ledger(number: int, query: schemas.UnitQuery) -> wire.LedgerOut:
    """List what went in and out of one thing, newest first."""
    item, names, unit = bench().records.items.get(number), bench().job_names(), query.unit
    moves = _room().ledger.of_item(number)
    rows, left = [], 0.0
    for move in moves:
        left += move.amount
        rows.append(_move(move, left, item, names, unit))
    can_take_back = taken_back(moves, bench().clock.now()) is not None
    return wire.LedgerOut(id=number, name=item.name, moves=rows[::-1], can_take_back=can_take_back)


def _move(move: Move, left: float, item: Item, names: Mapping[int, str], unit: str) -> wire.MoveOut:
    return wire.MoveOut.showing(
        move,
        said=WHY_NAMES[move.why],
        shown=show_amount(move.amount, item.unit, unit),
        left_shown=show_amount(left, item.unit, unit),
        job_name="" if move.job is None else names.get(move.job, "a job that is deleted"),
    )


# --- what is to be bought ---------------------------------------------------------------------
def _lines(unit: str) -> list[Line]:
    found = _shown(unit, None)
    return [
        Line(
            KIND_NAMES[one.kind],
            one.name,
            one.shown,
            one.packs,
            ", ".join(f"{job.name} ({job.shown})" for job in one.jobs) or "To keep some in store",
        )
        for one in found.short
    ]


@stores.get("/stores/shopping.csv")
@hands_out("csv")
def get_shopping_table(query: schemas.UnitQuery) -> Response:
    """Download what is to be bought for the jobs on the board, as a table."""
    return download(write_shopping_csv(_lines(query.unit)), "text/csv; charset=utf-8", "shopping-list.csv")


@stores.get("/stores/shopping-<any(a4, letter):paper>.pdf")
@hands_out("pdf")
def get_shopping_list(paper: str, query: schemas.UnitQuery) -> Response:
    """Download what is to be bought for the jobs on the board, to take along."""
    now = bench().clock.now()
    data = write_shopping_pdf(_lines(query.unit), f"{now.day} {now:%B %Y}", "letter" if paper == "letter" else "a4")
    return download(data, "application/pdf", "shopping-list.pdf")


# --- as a job sees them -----------------------------------------------------------------------
@stores.get("/jobs/<int:job_id>/stores")
def get_job_stores(job_id: int, query: schemas.UnitQuery) -> wire.JobStoresOut:
    """Show what a job will still take and what is short, its masks in store, and what can be kept of it."""
    return _of_job(opened(job_id, query), query.unit)


@stores.post("/jobs/<int:job_id>/masks/<int:number>/keep", status=201)
def keep_mask(job_id: int, number: int, query: schemas.UnitQuery) -> wire.JobStoresOut:
    """Keep a mask of a job in store, to be used again."""
    return _after(lambda: _room().keep_mask(opened(job_id, query), number), job_id, query)


@stores.post("/jobs/<int:job_id>/offcuts", status=201)
def keep_offcut(job_id: int, given: wire.OffcutIn, query: schemas.UnitQuery) -> wire.JobStoresOut:
    """Keep what was left beside a sheet."""
    found = opened(job_id, query)
    size = (given.width, given.length)
    offcut = next((one for one in found.plan.trims.offcuts if _is_of(one, given.sheet, size)), None)
    if offcut is None:
        raise NoSuchThing(
            f"Nothing of that size is left beside sheet {given.sheet}.", "Look at what to cut off at Sheets."
        )
    item = _offcut_item(found, offcut)
    if _is_kept_offcut(item):
        raise NotNow(f"“{item.name}” is in store already.", "Look for it at the stores.")
    return _after(lambda: _room().add(item, 1.0), job_id, query)


def _after(act: Callable[[], Any], job_id: int, query: schemas.UnitQuery) -> wire.JobStoresOut:
    act()
    bench().lessons.refresh()
    return _of_job(opened(job_id, query), query.unit)


def _is_of(offcut: Offcut, sheet: int, size: tuple[float, float]) -> bool:
    own = (offcut.across, offcut.along)
    return offcut.beside == sheet and all(abs(a - b) < _SAME_MM for a, b in zip(own, size, strict=True))


def _offcut_item(found: OpenJob, offcut: Offcut) -> Item:
    plan = found.plan
    return Item(
        f"Offcut of {plan.job.name[:80]}, sheet {offcut.beside}",
        "sheets",
        plan.choices.material.key,
        round(offcut.across, 1),
        round(offcut.along, 1),
        plan.stock.colour,
        is_offcut=True,
        job=found.head.id,
    )


def _is_kept_offcut(item: Item) -> bool:
    same = (item.name, item.key, item.width, item.length, item.job)
    return any(
        (one.name, one.key, one.width, one.length, one.job) == same for one in _room().items.values() if one.is_offcut
    )


def _of_job(found: OpenJob, unit: str) -> wire.JobStoresOut:
    room, plan = _room(), found.plan
    items = room.items
    return wire.JobStoresOut(
        wants=[
            wire.WantOut(
                kind=one.need.kind,
                station=LOOKED_FOR_AT[one.need.kind],
                name=wanted(one.need, unit),
                shown=show_amount(one.need.amount, one.need.unit, unit),
                taken_from=[items[number].name for number in one.taken_from],
                short=show_amount(one.short, one.need.unit, unit) if one.short else "",
            )
            for one in room.for_job(found)
        ],
        masks=list(_kept_masks(found, items, unit)),
        used_masks=list(plan.job.sheets.kept_masks),
        can_keep=[mask.number for mask in plan.masks if room.why_not_kept(found, mask.number) is None],
        offcuts=[
            wire.KeptOffcutOut(
                sheet=one.beside,
                width=one.across,
                length=one.along,
                is_kept=_is_kept_offcut(_offcut_item(found, one)),
            )
            for one in plan.trims.offcuts
        ],
        uses_offcuts=plan.job.sheets.offcuts,
    )


def _kept_masks(found: OpenJob, items: Mapping[int, Item], unit: str) -> Iterable[wire.KeptMaskOut]:
    """Yield masks in store that are of the design and material of this job's."""
    plan, left = found.plan, _room().ledger.left()
    for mask in plan.masks:
        for number, item in items.items():
            if item.kind == "mask" and (item.key, item.design) == (plan.choices.material.key, mask.design):
                uses = left.get(number, 0.0)
                yield wire.KeptMaskOut(
                    item=number,
                    mask=mask.number,
                    name=item.name,
                    shown=show_amount(uses, "uses", unit),
                    is_enough=uses >= plan.copies,
                )
