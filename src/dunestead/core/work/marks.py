"""Places a maker marked on the picture: what is wrong there, and whether it was seen to."""

from dataclasses import dataclass
from datetime import datetime
from typing import Literal, get_args

__all__ = ["BEFORE_THE_PEEL", "KINDS", "ON_THE_PRINT", "Mark", "MarkKind"]

MarkKind = Literal["bare", "thin", "missed", "bleed", "torn"]
KINDS: tuple[MarkKind, ...] = get_args(MarkKind)
# What is looked for before the mask comes off, and on the print.
BEFORE_THE_PEEL: tuple[MarkKind, ...] = ("bare", "thin", "missed")
ON_THE_PRINT: tuple[MarkKind, ...] = ("bleed", "bare", "torn")


@dataclass(frozen=True, slots=True)
class Mark:
    """One marked place: its number, what is wrong there, where, mm on the blank; None while it is not mended."""

    number: int
    what: MarkKind
    place: tuple[float, float]
    mended: datetime | None = None
