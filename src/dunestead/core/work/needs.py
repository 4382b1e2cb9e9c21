"""What must be at hand for a task, and what it takes out of the stores."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal, get_args

from dunestead.core.units import show_tape_up, show_volume

__all__ = ["KINDS", "UNITS", "Need", "NeedKind", "StockKind", "Unit", "need_in_words", "tool"]

StockKind = Literal["blank", "roll", "sheets", "paint", "pins", "tape", "carrier", "mask"]
NeedKind = Literal["blank", "roll", "sheets", "paint", "pins", "tape", "carrier", "mask", "tool"]
Unit = Literal["pieces", "mm", "ml", "uses"]
KINDS: tuple[StockKind, ...] = get_args(StockKind)
# What is left is told in these.
UNITS: Mapping[NeedKind, Unit] = {
    "blank": "pieces",
    "roll": "mm",
    "sheets": "pieces",
    "paint": "ml",
    "pins": "pieces",
    "tape": "mm",
    "carrier": "uses",
    "mask": "uses",
    "tool": "pieces",
}


@dataclass(frozen=True, slots=True)
class Need:
    """So much of something.

    Attributes
    ----------
    kind, key
        A tool, or what stands in the stores under a key of its table.
    name
        In words.
    amount
        What is used up by the task, in the unit of its kind; 0 for a tool.
    width, length
        mm: across the roll it is planned for; of a sheet of material; of the blank as its label says.
    colour
        Of paint.
    item
        Number of the very thing in store, where the maker chose it.
    step
        It is taken in whole steps of this; 0 where any amount may come from each of several.
    piece, pieces
        mm of the piece to be cut out, where an offcut would do, and how many of them; None where none may serve.
    returns
        Whether it comes back for the next copy.
    at_hand
        What must lie ready, in ml, mm or a count; None where it is not told apart from the thing itself.
    """

    kind: NeedKind
    key: str
    name: str
    amount: float = 0.0
    width: float | None = None
    length: float | None = None
    colour: str | None = None
    item: int | None = None
    step: float = 0.0
    piece: tuple[float, float] | None = None
    pieces: int = 1
    returns: bool = False
    at_hand: float | None = None

    @property
    def unit(self) -> Unit:
        """What its amount is told in."""
        return UNITS[self.kind]

    @property
    def is_told(self) -> bool:
        """Whether a task names it among what must lie ready: tools, and what is measured out."""
        return self.kind == "tool" or self.at_hand is not None

    @property
    def told_unit(self) -> Literal["", "ml", "mm"]:
        """What its `at_hand` is told in; nothing for a count."""
        if self.at_hand is None or self.kind not in ("paint", "roll", "sheets", "tape"):
            return ""
        return "ml" if self.kind == "paint" else "mm"


def tool(name: str) -> Need:
    """Return the need of a tool, or of something nobody counts."""
    return Need("tool", "", name)


def need_in_words(need: Need, unit: str) -> str:
    """Return what must be at hand, with its amount.

    Examples
    --------
    >>> need_in_words(Need("paint", "craft-acrylic", "Craft acrylic", 60.0, at_hand=57.0), "mm")
    '57 ml craft acrylic'
    >>> need_in_words(Need("pins", "", "pins", 12.0, at_hand=12), "mm"), need_in_words(tool("A bag"), "mm")
    ('12 pins', 'A bag')
    """
    if need.at_hand is None:
        return need.name
    if need.told_unit == "ml":
        return f"{show_volume(need.at_hand, unit)} {need.name.lower()}"
    if need.told_unit == "mm":
        return f"{show_tape_up(need.at_hand, unit)} of {need.name.lower()}"
    return f"{need.at_hand:g} {need.name}"
