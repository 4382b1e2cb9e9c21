"""How a mask travels and holds: what the table of methods says of each."""

from dataclasses import dataclass
from typing import Literal

__all__ = ["Board", "Keepers", "Method", "PressPass"]

Keepers = Literal["mat", "tape", "carrier", "dish", "none"]
Board = Literal["always", "carried"]


@dataclass(frozen=True, slots=True)
class PressPass:
    """One going over of a mask with a hot plate: its name, C, seconds a rest, what it goes over, and why so."""

    name: str
    celsius: float
    seconds: float
    over: Literal["all", "pieces"] = "all"
    why: str = ""


@dataclass(frozen=True, slots=True)
class Method:
    """How a mask travels and holds.

    Attributes
    ----------
    materials, works_on
        Keys of the materials it serves; families of surfaces, or single surfaces.
    keepers
        Where loose pieces are from weeding until they lie on the blank.
    weed, tack, lift
        Codes of its tasks in their order.
    press
        The passes of the plate, as `tack-press` and `tack-press-again`.
    corner_pins
        Whether corners are pinned through the tape before it comes off.
    tape, carrier
        What carries it, in words, and which kind of tape that is; None where nothing does.
    tape_optional, strong_tape
        Whether a mask in one piece travels without it; whether it lifts paint that is not dry enough to use.
    pins
        Whether pins are set in it, where the blank and the material take them.
    hinged
        Whether a strip of mask is left free of tape, to lay it by.
    places_pieces, guide
        Whether pieces are set down one by one; whether the painted part is pulled out whole, to place them by.
    board
        When the blank is fixed on a rigid board: always, or where it is carried to be sprayed; None for never.
    wipes
        Whether any blank is wiped, not only a smooth one.
    reverse, by_hand
        Whether it serves reverse masks only, or a knife in the hand only.
    most_long, most_wide, most_windows
        mm and count beyond which it is not to be tried, None without such a bound.
    tools
        What it needs.
    effort, risk
        From 1 (little) to 3 (much); what its score starts from.
    """

    key: str
    name: str
    about: str
    materials: tuple[str, ...]
    works_on: tuple[str, ...]
    keepers: Keepers
    weed: tuple[str, ...]
    tack: tuple[str, ...]
    lift: tuple[str, ...]
    tools: tuple[str, ...]
    effort: int
    risk: int
    press: tuple[PressPass, ...] = ()
    corner_pins: bool = False
    tape: str | None = None
    carrier: str | None = None
    tape_optional: bool = False
    strong_tape: bool = False
    pins: bool = False
    hinged: bool = False
    places_pieces: bool = False
    guide: bool = False
    board: Board | None = None
    wipes: bool = False
    reverse: bool = False
    by_hand: bool = False
    most_long: float | None = None
    most_wide: float | None = None
    most_windows: int | None = None
