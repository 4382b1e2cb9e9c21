"""Where does a loose piece sit, in a maker's words? The centre of a letter, or in which part of the artwork."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from dunestead.core.artwork.compose import Composition, PlacedElement
from dunestead.core.artwork.elements import Words
from dunestead.core.artwork.layout import name_of
from dunestead.core.artwork.words.setting import Letter
from dunestead.core.mask.loose import LoosePiece

__all__ = ["letter_at", "name_pieces"]

_ORDINALS = ("first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth", "tenth")


@dataclass(frozen=True, slots=True)
class _Home:
    """What a piece sits in: an element and one of its letters, or where in a drawing, in words."""

    placed: PlacedElement
    letter: int | None = None
    place: str = ""


def name_pieces(
    pieces: Sequence[LoosePiece],
    around: Sequence[int],
    composition: Composition,
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
    composition
        The design.
    is_reverse
        Whether the pieces are the artwork itself and not its centres.
    """
    homes: list[_Home] = [_Home(composition.placed[0])] * len(pieces)
    for number in dict.fromkeys(around):
        inside = [k for k, element in enumerate(around) if element == number]
        found = _homes([pieces[k] for k in inside], composition, number)
        for k, home in zip(inside, found, strict=True):
            homes[k] = home
    beside = _beside(pieces, homes)
    named = [_name(home, place, is_reverse=is_reverse) for home, place in zip(homes, beside, strict=True)]
    return _told_apart(named, pieces)


def _told_apart(names: list[str], pieces: Sequence[LoosePiece]) -> list[str]:
    """Count those that are called alike from the left."""
    alike: dict[str, list[int]] = {}
    for k, name in enumerate(names):
        alike.setdefault(name, []).append(k)
    for name, same in alike.items():
        if len(same) > 1:
            order = sorted(same, key=lambda k: (round(pieces[k].anchor[0], 3), pieces[k].anchor[1]))
            for place, k in enumerate(order, start=1):
                names[k] = f"{name}, {place} of {len(same)} from the left"
    return names


def _homes(pieces: Sequence[LoosePiece], composition: Composition, number: int) -> list[_Home]:
    """Return what each of the pieces within one element sits in."""
    placed = composition.placed_of(number)
    ox, oy = composition.origin
    at = [(piece.anchor[0] + ox, piece.anchor[1] + oy) for piece in pieces]
    if placed.letters:
        return [_Home(placed, letter=letter_at(placed, one)) for one in at]
    if placed.copies > 1:
        return [_Home(placed)] * len(pieces)
    return [_Home(placed, place=_place_in(placed, one)) for one in at]


def _place_in(placed: PlacedElement, at: tuple[float, float]) -> str:
    """Return where in an element a place on the blank lies: by thirds across and down, as one looks at it."""
    xs, ys = zip(*placed.corners, strict=True)
    across = _third(at[0], min(xs), max(xs), ("left", "", "right"))
    down = _third(at[1], min(ys), max(ys), ("top", "", "bottom"))
    return " ".join(filter(None, (down, across))) or "middle"


def _third(value: float, low: float, high: float, words: tuple[str, str, str]) -> str:
    share = (value - low) / max(high - low, 1e-9)
    return words[min(max(int(share * 3), 0), 2)]


def letter_at(placed: PlacedElement, at: tuple[float, float]) -> int:
    """Return the letter a place on the blank is in: the one whose ink is around it, else whose middle is nearest."""
    natural = placed.size[0] - placed.element.embolden
    x, y = placed.to_blank.inverse().apply(np.array(at)) * natural
    away = [np.hypot(letter.middle[0] - x, letter.middle[1] - y) / _reach(letter) for letter in placed.letters]
    return int(np.argmin(away))


def _reach(letter: Letter) -> float:
    """Return half of a letter's diagonal: a wide letter reaches further than a narrow one."""
    return max(float(np.hypot(letter.box[2] - letter.box[0], letter.height)) / 2, 1e-6)


def _beside(pieces: Sequence[LoosePiece], homes: Sequence[_Home]) -> list[tuple[int, int]]:
    """Return each piece's place from above among those of its letter, and how many they are."""
    same: dict[tuple[int, int], list[int]] = {}
    for k, home in enumerate(homes):
        if home.letter is not None:
            same.setdefault((home.placed.element.id, home.letter), []).append(k)
    beside = [(0, 1)] * len(pieces)
    for others in same.values():
        order = sorted(others, key=lambda k: (round(pieces[k].centroid[1], 3), pieces[k].centroid[0]))
        for place, k in enumerate(order):
            beside[k] = (place, len(order))
    return beside


def _name(home: _Home, beside: tuple[int, int], *, is_reverse: bool) -> str:
    element = home.placed.element
    if home.letter is None or not isinstance(element, Words):
        named = name_of(element)
        inside = named if is_reverse else f"in {named[0].lower() + named[1:]}"
        return f"{inside}, {home.place}" if home.place else inside
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
