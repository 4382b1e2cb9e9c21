"""The parts a design is put together from: words, drawn artwork, traced pictures, frames."""

import math
import unicodedata
from collections.abc import Sequence
from dataclasses import dataclass, fields, replace
from typing import Literal

from dunestead.core.artwork.trace.settings import TraceSettings, check_trace
from dunestead.core.artwork.words.setting import Setting
from dunestead.core.errors import BadInput, BadLength, NoSuchThing

__all__ = [
    "Drawn",
    "Element",
    "Frame",
    "Mend",
    "MendKind",
    "PartEdit",
    "Repeat",
    "Traced",
    "Words",
    "check_colour",
    "check_elements",
    "clean_text",
    "element_of",
    "entries_of",
    "next_id",
    "resized",
    "wider",
]

_SMALLEST_MM, _LARGEST_MM = 1.0, 20_000.0
_MOST_ELEMENTS = 60
_MOST_COPIES = 600
_MOST_MENDS = 400
_COLOUR_LENGTH = 7


AS_IT_IS = TraceSettings()


@dataclass(frozen=True, slots=True)
class Repeat:
    """An element many times over.

    Attributes
    ----------
    kind
        ``row`` and ``grid`` step by gaps between the boxes; ``ring`` goes around the element's
        own place; ``scatter`` lets copies fall where they keep a least gap.
    across, down
        How many; a row and a ring use ``across`` only, a scatter at most that many.
    gap_across, gap_down
        Between the boxes of a row or grid; the least gap of a scatter, mm.
    radius
        Of a ring, mm.
    turning
        Whether copies turn: with the ring, or at random in a scatter.
    seed
        Another number is another scatter.
    colours
        Shades the copies take in turn; none leaves them their own.
    """

    kind: Literal["row", "grid", "ring", "scatter"]
    across: int = 3
    down: int = 1
    gap_across: float = 10.0
    gap_down: float = 10.0
    radius: float = 100.0
    turning: bool = True
    seed: int = 1
    colours: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class PartEdit:
    """What the maker did with a part of drawn artwork: dropped it, or gave it a colour."""

    part: int
    dropped: bool = False
    colour: str | None = None


MendKind = Literal["open", "fill"]


@dataclass(frozen=True, slots=True)
class Mend:
    """One place of an element made wider, without touching the rest of it.

    Attributes
    ----------
    kind
        ``open`` takes paint away, for wider mask; ``fill`` adds paint, for a wider stroke.
    path
        Along the middle of the place, from the element's top left in shares of its width before it is thickened.
    width
        Of what is opened or filled, mm.
    """

    kind: MendKind
    path: tuple[tuple[float, float], ...]
    width: float


@dataclass(frozen=True, slots=True, kw_only=True)
class _Placed:
    """What every element has.

    Attributes
    ----------
    id
        Its number within the job, never given twice.
    x, y
        Its middle, mm right of and below the blank's middle.
    turn, flipped
        Degrees clockwise; whether mirrored left to right before it is turned.
    runs_off
        Whether it is meant to run off the blank's edge.
    embolden
        By how many mm every stroke is made thicker; below 0 thinner.
    mends
        Single places made wider.
    """

    id: int
    x: float = 0.0
    y: float = 0.0
    turn: float = 0.0
    flipped: bool = False
    runs_off: bool = False
    embolden: float = 0.0
    repeat: Repeat | None = None
    mends: tuple[Mend, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Words(_Placed):
    """Words in a shipped face."""

    kind: Literal["words"] = "words"
    face: str = "archivo-black"
    setting: Setting


@dataclass(frozen=True, slots=True, kw_only=True)
class Drawn(_Placed):
    """Artwork from a file, by the key of its bytes; width in mm before it is turned."""

    kind: Literal["drawn"] = "drawn"
    source: str
    file_name: str
    width: float
    edits: tuple[PartEdit, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Traced(_Placed):
    """A picture of a drawing, traced; by the key of its bytes."""

    kind: Literal["traced"] = "traced"
    source: str
    file_name: str
    width: float
    colour: str = "#22313a"
    trace: TraceSettings = AS_IT_IS
    edits: tuple[PartEdit, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Frame(_Placed):
    """A line that follows the blank's edge.

    Attributes
    ----------
    inset, thickness
        From the blank's edge to the line, and the line's own, mm.
    style, gap, dash
        One line, two with a gap, or dashes of a length with gaps between, mm.
    """

    kind: Literal["frame"] = "frame"
    style: Literal["single", "double", "dashed"] = "single"
    inset: float = 15.0
    thickness: float = 8.0
    gap: float = 8.0
    dash: float = 40.0
    colour: str = "#22313a"


Element = Words | Drawn | Traced | Frame


def element_of(elements: Sequence[Element], number: int) -> Element:
    """Return the element of a number; raises `NoSuchThing` where there is none."""
    for element in elements:
        if element.id == number:
            return element
    raise NoSuchThing(
        f"There is no part {number} in this design.", "Look at the job again: it may have been taken out."
    )


def resized(element: Element, factor: float) -> Element:
    """Return an element larger by a factor, its place with it; frames follow the blank and stay.

    Examples
    --------
    >>> resized(Drawn(id=1, source="", file_name="", width=200, x=30), 1.5).width
    300.0
    """
    if isinstance(element, Frame):
        return element
    moved = replace(element, x=element.x * factor, y=element.y * factor, embolden=element.embolden * factor)
    if repeat := moved.repeat:
        gaps = {name: getattr(repeat, name) * factor for name in ("gap_across", "gap_down", "radius")}
        moved = replace(moved, repeat=replace(repeat, **gaps))
    return wider(moved, factor)


def wider(element: Element, factor: float) -> Element:
    """Return an element larger by a factor, where it is; its letter gaps, arc and mends grow with it."""
    element = replace(element, mends=tuple(replace(mend, width=mend.width * factor) for mend in element.mends))
    if isinstance(element, Words):
        s = element.setting
        grown = replace(
            s,
            size=s.size * factor,
            letter_gap=s.letter_gap * factor,
            line_gap=s.line_gap * factor,
            arc=None if s.arc is None else s.arc * factor,
        )
        return replace(element, setting=grown)
    if isinstance(element, Frame):
        return element
    return replace(element, width=element.width * factor)


def clean_text(text: str) -> str:
    """Return a text as it is kept: accents on their letters, lines ended in one way, nothing unseen."""
    text = unicodedata.normalize("NFC", text.replace("\r\n", "\n").replace("\r", "\n"))
    return "".join(c for c in text if c == "\n" or unicodedata.category(c) not in ("Cc", "Cs"))


def check_elements(elements: Sequence[Element]) -> None:
    """Raise when an element cannot be reckoned with, saying which entry is at fault.

    Raises
    ------
    BadInput, BadLength
        With the value met and the values allowed.
    """
    if len(elements) > _MOST_ELEMENTS:
        raise BadInput(f"{len(elements)} parts are more than a design needs.", f"Use up to {_MOST_ELEMENTS}.")
    for element in elements:
        _check_place(element)
        if isinstance(element, Words):
            _check_words(element.setting)
        elif isinstance(element, Frame):
            for name in ("thickness", "gap", "dash"):
                _within(f"{name} of the frame", getattr(element, name), 0.1, 500)
            _within("inset of the frame", element.inset, 0, 2000)
            check_colour(element.colour)
        else:
            _within("width of the artwork", element.width, _SMALLEST_MM, _LARGEST_MM)
            for edit in element.edits:
                check_colour(edit.colour)
        if isinstance(element, Traced):
            check_colour(element.colour)
            check_trace(element.trace)


def _check_place(element: Element) -> None:
    for name, what in (("x", "place across"), ("y", "place down")):
        _within(what, getattr(element, name), -_LARGEST_MM, _LARGEST_MM)
    if not math.isfinite(element.turn):
        raise BadInput(f"A turn of {element.turn:g} degrees cannot be.", "Give -360 to 360.")
    _within("thickening", element.embolden, -100, 100)
    if len(element.mends) > _MOST_MENDS:
        raise BadInput(f"{len(element.mends)} mended places are more than can be carried.", "Mend the whole part.")
    for mend in element.mends:
        _within("width of a mended place", mend.width, 0.01, 200)
        if not mend.path:
            raise BadInput("A mended place has no place.", "Look at what is found and mend it again.")
    repeat = element.repeat
    if repeat is None:
        return
    if not (1 <= repeat.across <= _MOST_COPIES and repeat.down >= 1 and repeat.across * repeat.down <= _MOST_COPIES):
        raise BadInput(
            f"{repeat.across} by {repeat.down} copies cannot be carried.", f"Give 1 to {_MOST_COPIES} in all."
        )
    for name in ("gap_across", "gap_down"):
        _within("gap between copies", getattr(repeat, name), -2000, 2000)
    _within("radius of the ring", repeat.radius, 1, _LARGEST_MM)
    for colour in repeat.colours:
        check_colour(colour)


def _check_words(setting: Setting) -> None:
    if not setting.text.strip():
        raise BadInput("These words are empty.", "Write something, or take the words out.")
    what = "cap height" if setting.sized_by == "cap" else "width of the words"
    _within(what, setting.size, _SMALLEST_MM, _LARGEST_MM)
    _within("letter gap", setting.letter_gap, -1000, 2000)
    _within("line gap", setting.line_gap, -1000, 2000)
    if setting.arc is not None:
        _within("radius of the arc", abs(setting.arc), 5, _LARGEST_MM)
    check_colour(setting.colour)
    for index, colour in setting.letter_colours:
        check_colour(colour)
        if not 0 <= index < len(setting.text):
            raise BadInput(f"There is no letter {index + 1} in these words.", f"They have {len(setting.text)}.")


def check_colour(colour: str | None) -> None:
    """Raise `BadInput` when a colour is not written as ``#rrggbb``; None passes."""
    if colour is None:
        return
    digits = colour[1:]
    if not (len(colour) == _COLOUR_LENGTH and colour[0] == "#" and all(c in "0123456789abcdefABCDEF" for c in digits)):
        raise BadInput(f"“{colour}” is not a colour.", "Write it as #rrggbb.")


def _within(what: str, value: float, least: float, most: float) -> None:
    if not least <= value <= most:
        raise BadLength(f"The {what} of {value:g} mm makes no sense here.", f"Give {least:g} to {most:g} mm.")


def next_id(elements: Sequence[Element], given: int) -> int:
    """Return a number no element has or had; ``given`` is the highest ever given."""
    return max([given, *(element.id for element in elements)]) + 1


def entries_of(element: Element) -> set[str]:
    """Return the names of what can be changed of an element, those of its words' setting included."""
    names = {field.name for field in fields(element)} - {"id", "kind", "setting", "source", "file_name"}
    return names | ({field.name for field in fields(Setting)} if isinstance(element, Words) else set())
