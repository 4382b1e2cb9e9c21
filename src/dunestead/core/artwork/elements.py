"""The parts a design is put together from: words, drawn artwork, traced pictures, frames."""

import unicodedata
from collections.abc import Sequence
from dataclasses import dataclass, fields, replace
from typing import Literal

from dunestead.core.artwork.trace.settings import TraceSettings, check_trace
from dunestead.core.artwork.words.setting import Setting
from dunestead.core.colours import check_colour
from dunestead.core.errors import BadInput, BadLength, NoSuchThing
from dunestead.core.limits import REQUIRED, check_limits, limited

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
    "check_elements",
    "clean_text",
    "element_of",
    "entries_of",
    "next_id",
    "resized",
    "wider",
]

_SMALLEST_MM, _LARGEST_MM = 1.0, 20_000.0
_LEAST_ARC = 5.0
_MOST_ELEMENTS = 60
_MOST_COPIES = 600
_MOST_MENDS = 400


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
    across: int = limited(3, "copies across", 1, _MOST_COPIES)
    down: int = limited(1, "copies down", 1, _MOST_COPIES)
    gap_across: float = limited(10.0, "gap between copies", -2000.0, 2000.0, "mm")
    gap_down: float = limited(10.0, "gap between copies", -2000.0, 2000.0, "mm")
    radius: float = limited(100.0, "radius of the ring", 1.0, _LARGEST_MM, "mm")
    turning: bool = True
    seed: int = limited(1, "as a number of a scatter", 0, 1_000_000)
    colours: tuple[str, ...] = ()

    @property
    def asked(self) -> int:
        """How many copies are asked for."""
        return self.across * (self.down if self.kind == "grid" else 1)


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
    width: float = limited(REQUIRED, "width of a mended place", 0.01, 200.0, "mm")


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
    x: float = limited(0.0, "place across", -_LARGEST_MM, _LARGEST_MM, "mm")
    y: float = limited(0.0, "place down", -_LARGEST_MM, _LARGEST_MM, "mm")
    turn: float = limited(0.0, "degrees of turn", -3600.0, 3600.0, step=0.5)
    flipped: bool = False
    runs_off: bool = False
    embolden: float = limited(0.0, "thickening", -100.0, 100.0, "mm", 0.1)
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
    """Artwork from a file, by the key of its bytes; width in mm before it is turned.

    Where it was more than can be worked out: the share of its longer side under which shapes are left out, and how
    many of its colours stay.
    """

    kind: Literal["drawn"] = "drawn"
    source: str
    file_name: str
    width: float = limited(REQUIRED, "width of the artwork", _SMALLEST_MM, _LARGEST_MM, "mm")
    edits: tuple[PartEdit, ...] = ()
    least: float | None = limited(None, "share under which shapes are left out", 0.0001, 0.5)
    colours: int | None = limited(None, "number of colours", 1, 60)


@dataclass(frozen=True, slots=True, kw_only=True)
class Traced(_Placed):
    """A picture of a drawing, traced; by the key of its bytes."""

    kind: Literal["traced"] = "traced"
    source: str
    file_name: str
    width: float = limited(REQUIRED, "width of the artwork", _SMALLEST_MM, _LARGEST_MM, "mm")
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
    inset: float = limited(15.0, "inset of the frame", 0.0, 2000.0, "mm")
    thickness: float = limited(8.0, "thickness of the frame", 0.1, 500.0, "mm")
    gap: float = limited(8.0, "gap of the frame", 0.1, 500.0, "mm")
    dash: float = limited(40.0, "dash of the frame", 0.1, 500.0, "mm")
    colour: str = "#22313a"


Element = Words | Drawn | Traced | Frame


def element_of(elements: Sequence[Element], number: int) -> Element:
    """Return the element of a number; raises `NoSuchThing` where there is none."""
    for element in elements:
        if element.id == number:
            return element
    raise NoSuchThing(f"There is no part {number} in this design.", "Look at the job again: it may have been removed.")


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
        raise BadInput(f"{len(elements)} parts are more than a design can have.", f"Use up to {_MOST_ELEMENTS}.")
    for element in elements:
        _check_place(element)
        if isinstance(element, Words):
            _check_words(element.setting)
        elif isinstance(element, Frame):
            check_colour(element.colour)
        else:
            for edit in element.edits:
                check_colour(edit.colour)
        if isinstance(element, Traced):
            check_colour(element.colour)
            check_trace(element.trace)


def _check_place(element: Element) -> None:
    check_limits(element)
    if len(element.mends) > _MOST_MENDS:
        raise BadInput(f"{len(element.mends)} corrected places are too many.", "Mend the whole part.")
    for mend in element.mends:
        check_limits(mend)
        if not mend.path:
            raise BadInput("A corrected place has no position.", "Look at what is found and mend it again.")
    repeat = element.repeat
    if repeat is None:
        return
    check_limits(repeat)
    if repeat.across * repeat.down > _MOST_COPIES:
        raise BadInput(f"{repeat.across} by {repeat.down} copies are too many.", f"Give 1 to {_MOST_COPIES} in all.")
    for colour in repeat.colours:
        check_colour(colour)


def _check_words(setting: Setting) -> None:
    if not setting.text.strip():
        raise BadInput("These words are empty.", "Type something, or remove these words.")
    check_limits(setting)
    if setting.arc is not None and abs(setting.arc) < _LEAST_ARC:
        raise BadLength(f"An arc of {abs(setting.arc):g} mm radius is too narrow.", f"Give at least {_LEAST_ARC:g} mm.")
    check_colour(setting.colour)
    for index, colour in setting.letter_colours:
        check_colour(colour)
        if not 0 <= index < len(setting.text):
            raise BadInput(f"There is no letter {index + 1} in these words.", f"They have {len(setting.text)}.")


def next_id(elements: Sequence[Element], given: int) -> int:
    """Return a number no element has or had; ``given`` is the highest ever given."""
    return max([given, *(element.id for element in elements)]) + 1


def entries_of(element: Element) -> set[str]:
    """Return the names of what can be changed of an element, those of its words' setting included."""
    names = {field.name for field in fields(element)} - {"id", "kind", "setting", "source", "file_name"}
    return names | ({field.name for field in fields(Setting)} if isinstance(element, Words) else set())
