"""Where does a loose piece sit, in a maker's words? The centre of a letter, or in which part of the artwork."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from dunestead.core.artwork.compose import Composition, PlacedElement, parts_under
from dunestead.core.artwork.drawing import Drawing
from dunestead.core.artwork.elements import Words
from dunestead.core.artwork.layout import name_of
from dunestead.core.artwork.words.setting import Letter
from dunestead.core.mask.loose import LoosePiece

__all__ = ["name_pieces"]

_ORDINALS = ("first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth", "tenth")


@dataclass(frozen=True, slots=True)
class _Home:
    """What a piece sits in: an element, and one of its letters or parts."""

    placed: PlacedElement
    letter: int | None = None
    part: int | None = None


def name_pieces(
    pieces: Sequence[LoosePiece],
    around: Sequence[int],
    composition: Composition,
    drawings: Mapping[int, Drawing],
    *,
    is_reverse: bool,
) -> list[str]:
    """Return for each piece where it sits.

    Parameters
    ----------
    pieces
        In the coordinates of what is painted.
    around
        Number of the element around each.
    composition, drawings
        The design, and the drawings of its elements that have parts.
    is_reverse
        Whether the pieces are the artwork itself and not its centres.
    """
    homes = [_home(piece, composition, number, drawings) for piece, number in zip(pieces, around, strict=True)]
    return [
        _name(home, _beside(piece, home, pieces, homes), is_reverse=is_reverse)
        for piece, home in zip(pieces, homes, strict=True)
    ]


def _home(piece: LoosePiece, composition: Composition, number: int, drawings: Mapping[int, Drawing]) -> _Home:
    placed = composition.placed_of(number)
    at = (piece.anchor[0] + composition.origin[0], piece.anchor[1] + composition.origin[1])
    if placed.letters:
        return _Home(placed, letter=_letter_at(placed, at))
    if number in drawings and placed.copies == 1:
        return _Home(placed, part=parts_under(placed, drawings[number], [at])[0])
    return _Home(placed)


def _letter_at(placed: PlacedElement, at: tuple[float, float]) -> int:
    """Return the letter a place on the blank is in: the one whose ink is around it, else whose middle is nearest."""
    natural = placed.size[0] - placed.element.embolden
    x, y = placed.to_blank.inverse().apply(np.array(at)) * natural
    away = [np.hypot(letter.middle[0] - x, letter.middle[1] - y) / _reach(letter) for letter in placed.letters]
    return int(np.argmin(away))


def _reach(letter: Letter) -> float:
    """Return half of a letter's diagonal: a wide letter reaches further than a narrow one."""
    return max(float(np.hypot(letter.box[2] - letter.box[0], letter.height)) / 2, 1e-6)


def _beside(piece: LoosePiece, home: _Home, pieces: Sequence[LoosePiece], homes: Sequence[_Home]) -> tuple[int, int]:
    """Return a piece's place from above among those of its letter, and how many they are."""
    if home.letter is None:
        return 0, 1
    same = [
        other for other, at in zip(pieces, homes, strict=True) if at.placed is home.placed and at.letter == home.letter
    ]
    order = sorted(same, key=lambda other: (round(other.centroid[1], 3), other.centroid[0]))
    return order.index(piece), len(same)


def _name(home: _Home, beside: tuple[int, int], *, is_reverse: bool) -> str:
    element = home.placed.element
    if home.letter is None or not isinstance(element, Words):
        named = name_of(element)
        if home.part is not None:
            return f"part {home.part} of {named}" if is_reverse else f"in part {home.part} of {named}"
        return named if is_reverse else f"in {named[0].lower() + named[1:]}"
    what = _of_several(beside) if beside[1] > 1 else ("" if is_reverse else "centre of ")
    if is_reverse and beside[1] > 1:
        what = what.replace("centre", "part")
    return f"{what}{_letter_name(home.placed.letters[home.letter], element)}"


def _of_several(beside: tuple[int, int]) -> str:
    place, count = beside
    if count == 2:
        return f"{('upper', 'lower')[place]} centre of "
    return f"{_ordinal(place)} centre of "


def _ordinal(place: int) -> str:
    return _ORDINALS[place] if place < len(_ORDINALS) else f"{place + 1}th"


def _letter_name(letter: Letter, element: Words) -> str:
    """Return what a letter is called: which of its kind, in which word."""
    text = element.setting.text
    shown = text.upper() if element.setting.capitals and len(text.upper()) == len(text) else text
    start = max(shown.rfind(gap, 0, letter.index) for gap in (" ", "\n", "\t")) + 1
    ends = [end for gap in (" ", "\n", "\t") if (end := shown.find(gap, letter.index)) >= 0]
    word = shown[start : min(ends, default=len(shown))]
    same = [k for k, character in enumerate(word) if character == letter.character]
    if len(same) < 2 or letter.index - start not in same:
        return f"the {letter.character} in {word}"
    return f"the {_ordinal(same.index(letter.index - start))} {letter.character} in {word}"
