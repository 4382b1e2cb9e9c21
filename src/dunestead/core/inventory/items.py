"""What is kept in store? Blanks, rolls, sheets and their offcuts, paint, pins, tape, masks that are used again."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date

from dunestead.core.errors import BadInput, UnknownKey
from dunestead.core.figures import Catalogue
from dunestead.core.limits import REQUIRED, check_limits, limited
from dunestead.core.records import KeptMask, Stock
from dunestead.core.work.needs import KINDS, UNITS, StockKind, Unit

__all__ = ["TABLES", "Item", "check_item", "kept_masks_in", "stock_in"]

# In which table of the catalogue its key stands.
TABLES: Mapping[StockKind, str] = {
    "blank": "surfaces",
    "roll": "materials",
    "sheets": "materials",
    "mask": "materials",
    "paint": "paints",
}
_NAMES: Mapping[str, str] = {"surfaces": "surface", "materials": "mask material", "paints": "paint"}
CARRIERS = ("heat-proof", "transfer")


@dataclass(frozen=True, slots=True)
class Item:
    """One thing in store; how much is left of it the ledger says.

    Attributes
    ----------
    kind, key
        What it is: a blank of a surface, a roll or sheets of a mask material, a paint, pins, tape for covers,
        transfer tape (``heat-proof`` or ``transfer``), a mask that is used again.
    width, length
        mm: across a roll; of a sheet; of a blank as its label says.
    colour
        None as it usually comes, or where it does not matter.
    opened
        When a tin or bottle was opened.
    is_offcut
        Whether it is what was left beside a sheet.
    keep_at_least
        In its unit: with less, it is on the shopping list; 0 for no such wish.
    job, mask, design
        Of a mask: which job it was cut for, which of its masks it is, and what tells its design from others.
    prints_before, worn
        Of a mask: how many prints it had given when it was kept, and when it was worn out.
    """

    name: str = limited(REQUIRED, "name in store", 1, 120, "letters")
    kind: StockKind = REQUIRED
    key: str = ""
    width: float | None = limited(None, "width in store", 1.0, 5000.0, "mm")
    length: float | None = limited(None, "length in store", 1.0, 20_000.0, "mm")
    colour: str | None = None
    opened: date | None = None
    is_offcut: bool = False
    keep_at_least: float = limited(0.0, "least to keep", 0.0, 1_000_000.0)
    notes: str = limited("", "text of the notes", 0, 2000, "letters")
    job: int | None = None
    mask: int | None = None
    design: str = ""
    prints_before: int = 0
    worn: date | None = None

    @property
    def unit(self) -> Unit:
        """What is left of it is told in this."""
        return UNITS[self.kind]


def check_item(item: Item, catalogue: Catalogue) -> None:
    """Raise `BadInput` when something cannot be kept in store."""
    check_limits(item)
    if item.kind not in KINDS:
        raise UnknownKey("kind of thing in store", item.kind, list(KINDS))
    if table := TABLES.get(item.kind):
        rows: Mapping[str, object] = getattr(catalogue, table)
        if item.key not in rows:
            raise UnknownKey(_NAMES[table], item.key, list(rows))
    if item.kind == "carrier" and item.key not in CARRIERS:
        raise UnknownKey("transfer tape", item.key, list(CARRIERS))
    if item.width is None and item.kind in ("roll", "sheets", "blank"):
        raise BadInput(f"“{item.name}” has no width.", "Measure it, and write its width down.")
    if item.length is None and item.kind in ("sheets", "blank"):
        raise BadInput(f"“{item.name}” has no length.", "Measure it, and write its length down.")


def stock_in(items: Mapping[int, Item]) -> dict[int, Stock]:
    """Return what masks can be cut from, by its number; offcuts are found by themselves."""
    return {
        number: Stock(item.name, item.key, item.width or 0.0, _sheet(item), item.kind == "roll", item.colour, number)
        for number, item in items.items()
        if item.kind in ("roll", "sheets") and not item.is_offcut
    }


def kept_masks_in(items: Mapping[int, Item]) -> dict[int, KeptMask]:
    """Return the masks that are used again, by their numbers."""
    return {number: KeptMask(item.key, item.design) for number, item in items.items() if item.kind == "mask"}


def _sheet(item: Item) -> float | None:
    return item.length if item.kind == "sheets" else None
