"""The stores in words: amounts, what is short, what an account says that cannot be."""

from collections.abc import Mapping

from dunestead.core.colours import colour_name
from dunestead.core.inventory.ledger import Why
from dunestead.core.inventory.reserving import Short, StockLevel
from dunestead.core.units import show_length, show_volume
from dunestead.core.work.needs import Need, NeedKind, Unit

__all__ = ["KIND_NAMES", "WHY_NAMES", "overdrawn", "show_amount", "show_packs", "size_of", "wanted"]

KIND_NAMES: Mapping[NeedKind, str] = {
    "blank": "Blanks",
    "roll": "Rolls",
    "sheets": "Sheets and offcuts",
    "paint": "Paint and finishes",
    "pins": "Pins",
    "tape": "Tape for covers",
    "carrier": "Tape that carries masks",
    "mask": "Masks used again",
}
WHY_NAMES: Mapping[Why, str] = {
    "begun": "There to begin with",
    "bought": "Bought",
    "used": "Used",
    "returned": "Came back",
    "undone": "Step taken back",
    "counted": "Counted",
    "lost": "Spoiled or given away",
}
_ONE = {"pieces": "piece", "uses": "use"}


def show_amount(amount: float, told_in: Unit, unit: str) -> str:
    """Return an amount as a maker reads it who measures in ``unit``.

    Examples
    --------
    >>> show_amount(3, "pieces", "mm"), show_amount(1, "uses", "mm"), show_amount(2400, "mm", "cm")
    ('3', '1 use', '240 cm')
    >>> show_amount(59.147, "ml", "in")
    '2.0 fl oz'
    """
    if told_in == "mm":
        return show_length(amount, unit)
    if told_in == "ml":
        return show_volume(amount, unit)
    number = f"{amount:.0f}" if amount == round(amount) else f"{amount:.1f}"
    if told_in == "pieces":
        return number
    return f"{number} {_ONE[told_in] if number == '1' else told_in}"


def size_of(width: float | None, length: float | None, unit: str) -> str:
    """Return a size: both sides, or how wide a roll is; empty where there is none.

    Examples
    --------
    >>> size_of(457.0, None, "mm"), size_of(600.0, 400.0, "cm"), size_of(None, None, "mm")
    ('457 mm wide', '60 cm by 40 cm', '')
    """
    if width is None:
        return ""
    if length is None:
        return f"{show_length(width, unit)} wide"
    return f"{show_length(width, unit)} by {show_length(length, unit)}"


def wanted(need: Need, unit: str) -> str:
    """Return what is wanted, with its size and its colour."""
    name = f"{need.name[:1].upper()}{need.name[1:]}"
    parts = [name, size_of(need.width, need.length, unit), colour_name(need.colour) if need.colour else ""]
    return ", ".join(part for part in parts if part)


def show_packs(short: Short, can_ml: float | None, bottle_ml: float | None) -> str:
    """Return in how many cans or bottles what is missing comes; empty for what comes in neither.

    Examples
    --------
    >>> from dunestead.core.work.needs import Need, NeedKind, StockKind, Unit

    >>> show_packs(Short(Need("paint", "rubber-spray", "Rubber coating", 300.0), 260.0, {}), 250.0, None)
    '2 cans'
    """
    each, word = (can_ml, "can") if can_ml else (bottle_ml, "bottle")
    if not each or short.need.unit != "ml":
        return ""
    count = -int(-short.missing // each)
    return f"{count} {word}" if count == 1 else f"{count} {word}s"


def overdrawn(held: StockLevel, unit: str) -> str:
    """Return what is said of something of which more was used than there was; empty where the account holds."""
    if not held.is_overdrawn:
        return ""
    missing = show_amount(-held.left, held.item.unit, unit)
    return f"You used {missing} more than was in stock. Check what is left."
