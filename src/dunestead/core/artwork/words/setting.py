"""Words set in lines or along an arc, at a cap height or a width."""

import hashlib
import math
import unicodedata
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass, field, replace
from functools import lru_cache
from typing import Literal

import numpy as np
import numpy.typing as npt

from dunestead.core.artwork.drawing import Drawing, Notice, Shape
from dunestead.core.artwork.words.face import Face, Glyph
from dunestead.core.errors import ArtworkEmpty, BadInput
from dunestead.core.geometry.affine import IDENTITY, Affine
from dunestead.core.geometry.curves import Box, Path, paths_bounds
from dunestead.core.limits import REQUIRED, limited

__all__ = ["Letter", "SetWords", "Setting", "set_words"]

Align = Literal["left", "centre", "right"]
# Baselines of two lines are this many cap heights apart before a line gap is added.
LINE_PITCH = 1.45
# Words are set once at this size, mm, and carried to theirs.
_ONCE = 100.0
_ROUNDS = 80
_CLOSE_ENOUGH = 1e-7
_MOST_LETTERS = 400
# Where letters may touch: a stretch of arc longer than this share of the circle wraps into itself.
_MOST_OF_CIRCLE = 0.98


@dataclass(frozen=True, slots=True)
class Setting:
    """What the words say and how they are set. Lengths in mm.

    Attributes
    ----------
    text
        One line or several.
    size, sized_by
        Cap height or width of the whole.
    letter_gap, line_gap
        Added between letters, and between lines; may be below 0.
    arc
        Radius of the baseline, None for straight lines; below 0 the words run along the bottom of
        the circle and read from inside.
    capitals
        Whether all is set in capitals.
    colour, letter_colours
        Of all, and of single characters by their index in the text.
    """

    text: str
    size: float = limited(REQUIRED, "size of the words", 1.0, 20_000.0, "mm")
    sized_by: Literal["cap", "width"] = "width"
    letter_gap: float = limited(0.0, "letter gap", -1000.0, 2000.0, "mm", 0.1)
    line_gap: float = limited(0.0, "line gap", -1000.0, 2000.0, "mm", 0.5)
    align: Align = "centre"
    arc: float | None = limited(None, "radius of the arc", -20_000.0, 20_000.0, "mm")
    capitals: bool = False
    colour: str = "#22313a"
    letter_colours: tuple[tuple[int, str], ...] = ()


@dataclass(frozen=True, slots=True)
class Letter:
    """A letter as set.

    Attributes
    ----------
    character, index
        What it is, and its place in the text.
    box
        Of its ink on the straight line, mm.
    middle
        Of its ink where it stands in the end, mm from the top left of the words.
    """

    character: str
    index: int
    box: Box
    middle: tuple[float, float]

    @property
    def height(self) -> float:
        """Height of its ink, mm."""
        return self.box[3] - self.box[1]

    def grown(self, factor: float) -> "Letter":
        """Return the letter so many times larger."""
        x0, y0, x1, y1 = (side * factor for side in self.box)
        middle = (self.middle[0] * factor, self.middle[1] * factor)
        return Letter(self.character, self.index, (x0, y0, x1, y1), middle)


@dataclass(frozen=True, slots=True)
class SetWords:
    """Words as set, and what is known of their letters.

    Attributes
    ----------
    drawing
        The same at every size, in mm when set at the size words are set at.
    times
        How many times larger they are than drawn.
    cap_height, width
        In force, mm.
    letters
        Letters and figures only; their height is measured before they are bent.
    missing
        Characters the face does not have.
    """

    drawing: Drawing
    cap_height: float
    width: float
    letters: tuple[Letter, ...] = field(compare=False)
    missing: tuple[str, ...]
    times: float = 1.0

    def grown(self, factor: float) -> "SetWords":
        """Return the same words so many times larger."""
        letters = tuple(letter.grown(factor) for letter in self.letters)
        return SetWords(
            self.drawing, self.cap_height * factor, self.width * factor, letters, self.missing, self.times * factor
        )


def set_words(setting: Setting, face: Face) -> SetWords:
    """Return words as outlines; set once, whatever their size.

    Raises
    ------
    ArtworkEmpty
        When nothing of the text can be drawn in this face.
    BadInput
        When the letter gap leaves no width, or the words are longer than their circle.
    """
    if len(setting.text) > _MOST_LETTERS:
        raise BadInput(f"{len(setting.text)} letters are too many for a mask.", f"Write up to {_MOST_LETTERS}.")
    if not setting.size > 0:
        raise BadInput("Words need a size above 0.", "Give a cap height or a width.")
    factor = setting.size / _ONCE

    def once(length: float) -> float:
        return float(f"{length / factor:.9g}")

    arc = None if setting.arc is None else once(setting.arc)
    form = replace(setting, size=_ONCE, letter_gap=once(setting.letter_gap), line_gap=once(setting.line_gap), arc=arc)
    try:
        return _set_once(form, face).grown(factor)
    except _NoSuchWidth:
        raise BadInput(
            f"With these gaps and on this circle the words cannot be {setting.size:g} mm wide.",
            "Set the letters closer, or take a wider circle.",
        ) from None


class _NoSuchWidth(Exception):
    """No size of letters gives the width that is wanted."""


@lru_cache(maxsize=256)
def _set_once(setting: Setting, face: Face) -> SetWords:
    lines, missing = _shape_lines(setting, face)
    if not any(len(glyph.outline.segments) for line in lines for glyph in line):
        named = f" It has no {_named(missing)}." if missing else ""
        raise ArtworkEmpty(
            f"There is nothing to draw in these words.{named}", "Write some letters, or choose another lettering."
        )
    em = _solve_em(lines, setting, face)
    placed = [glyph for line in _place(lines, em, setting, face) for glyph in line]
    digest = hashlib.sha256(f"{setting!r} {face.key}".encode()).hexdigest()
    notices = [Notice("no-glyph", f"This lettering has no {_named(missing)}; it is left out.")] if missing else []
    boxes = paths_bounds([glyph.path for glyph in placed])
    low, high = _extent(boxes)
    return SetWords(
        Drawing(digest, tuple(_shapes(placed, setting)), tuple(notices)),
        em * face.cap_height,
        high[0] - low[0],
        tuple(_letters(placed, boxes, low)),
        missing,
    )


def _named(missing: Iterable[str]) -> str:
    return ", ".join(f"“{character}”" for character in missing)


def _written(setting: Setting) -> str:
    """Return the text as it is drawn; capitals must not shift the index of any letter."""
    text = setting.text.replace("\t", " ")
    if not setting.capitals:
        return text
    return "".join(capital if len(capital := letter.upper()) == 1 else letter for letter in text)


Line = tuple[Glyph, ...]


def _shape_lines(setting: Setting, face: Face) -> tuple[list[Line], tuple[str, ...]]:
    lines: list[Line] = []
    missing: dict[str, None] = {}
    start = 0
    for text in _written(setting).split("\n"):
        run = face.shape(text, apart=setting.letter_gap > 0)
        lines.append(tuple(Glyph(g.outline, g.x, g.y, g.advance, g.first + start) for g in run.glyphs))
        missing |= dict.fromkeys(run.missing)
        start += len(text) + 1
    return lines, tuple(missing)


@dataclass(frozen=True, slots=True)
class _Placed:
    """A glyph's path at its place in mm, and its box before any bending."""

    path: Path
    straight: Box | None
    first: int
    character: str


def _solve_em(lines: list[Line], setting: Setting, face: Face) -> float:
    """Return the size of an em in mm."""
    if setting.sized_by == "cap":
        return setting.size / face.cap_height

    def width(em: float) -> float:
        low, high = _extent(paths_bounds([g.path for line in _place(lines, em, setting, face) for g in line]))
        return high[0] - low[0]

    return _invert(width, setting.size)


def _invert(width: Callable[[float], float], wanted: float) -> float:
    """Return where a width that grows with the em is as wanted: bracketed by doubling, then halved.

    Where words no longer fit on their circle the em is too large.
    """

    def missing(em: float) -> float:
        try:
            return width(em) - wanted
        except BadInput:
            return math.inf

    low, high = wanted * 1e-6, wanted / 64
    at_low, at_high = missing(low), missing(high)
    while at_high < 0 and high < 100 * wanted:
        low, at_low, high = high, at_high, 4 * high
        at_high = missing(high)
    for turn in range(_ROUNDS):
        # On straight lines a width is a straight function of the em, so the chord hits at once.
        steep = at_high - at_low
        chord = low - at_low * (high - low) / steep if math.isfinite(steep) and steep else math.inf
        middle = chord if low < chord < high and turn % 3 < 2 else (low + high) / 2
        off = missing(middle)
        if abs(off) <= _CLOSE_ENOUGH * wanted:
            return middle
        if off < 0:
            low, at_low = middle, off
        else:
            high, at_high = middle, off
    raise _NoSuchWidth


def _place(lines: list[Line], em: float, setting: Setting, face: Face) -> Iterator[list[_Placed]]:
    """Yield each line's glyphs in mm: straight, or along the arc."""
    text = _written(setting)
    pitch = LINE_PITCH * em * face.cap_height + setting.line_gap
    straight = [_straight(line, em, setting.letter_gap, text) for line in lines]
    for number, line in enumerate(straight):
        low, high = _extent([glyph.straight for glyph in line])
        if not math.isfinite(low[0]):
            continue
        shift = {"left": -low[0], "centre": -(low[0] + high[0]) / 2, "right": -high[0]}[setting.align]
        if setting.arc is None:
            yield [_moved(glyph, shift, number * pitch) for glyph in line]
        else:
            middle = -(low[0] + high[0]) / 2
            yield _bent([_moved(glyph, middle, 0) for glyph in line], _radius(setting, number * pitch), face)


def _radius(setting: Setting, down: float) -> float:
    """Return the radius of a line's baseline, below 0 along the bottom; further lines lie below the first."""
    assert setting.arc is not None
    radius = setting.arc - down
    if setting.arc * radius <= 0:
        raise BadInput("The lines reach past the middle of their circle.", "Take a wider circle, or fewer lines.")
    return radius


def _straight(line: Line, em: float, gap: float, text: str) -> list[_Placed]:
    """Set a line from 0 on its baseline, the gap added after each letter."""
    glyphs = []
    letters_before, last = -1, None
    for glyph in line:
        if glyph.first != last:
            letters_before, last = letters_before + 1, glyph.first
        carry = Affine.scaling(em).then(Affine.translation(glyph.x * em + letters_before * gap, glyph.y * em))
        glyphs.append((glyph.outline.carried(carry), glyph.first))
    boxes = paths_bounds([path for path, _ in glyphs])
    return [_Placed(path, box, first, text[first]) for (path, first), box in zip(glyphs, boxes, strict=True)]


def _moved(glyph: _Placed, dx: float, dy: float) -> _Placed:
    carry = Affine.translation(dx, dy)
    box = glyph.straight and (
        glyph.straight[0] + dx,
        glyph.straight[1] + dy,
        glyph.straight[2] + dx,
        glyph.straight[3] + dy,
    )
    return _Placed(glyph.path.carried(carry), box, glyph.first, glyph.character)


def _bent(line: list[_Placed], radius: float, face: Face) -> list[_Placed]:
    """Lay a straight line, its middle at 0, along a circle around the origin.

    Letters are turned whole; those of a joined face are bent, so that their joins still meet.
    """
    low, high = _extent([glyph.straight for glyph in line])
    # Along the bottom letters stand with their heads together, so there they keep their distance.
    spread = radius if radius > 0 or face.joined else min(radius - low[1], radius / 4)
    if high[0] - low[0] > math.tau * abs(spread) * _MOST_OF_CIRCLE:
        raise BadInput(
            f"The words are {(high[0] - low[0]) / (math.tau * abs(spread)):.2g} times as long as "
            "their circle measures around.",
            "Take a wider circle or smaller letters.",
        )
    if face.joined:
        return [_Placed(_wrapped(g.path, radius), g.straight, g.first, g.character) for g in line]
    turned = []
    for glyph in line:
        middle = (glyph.straight[0] + glyph.straight[2]) / 2 if glyph.straight else 0.0
        turn = middle / spread
        carry = Affine.translation(-middle, -radius).then(
            Affine(math.cos(turn), math.sin(turn), -math.sin(turn), math.cos(turn))
        )
        turned.append(_Placed(glyph.path.carried(carry), glyph.straight, glyph.first, glyph.character))
    return turned


def _wrapped(path: Path, radius: float) -> Path:
    """Carry every control point around the circle: exact on the baseline, close above it."""

    def wrap(points: npt.NDArray[np.float64]) -> npt.NDArray[np.float64]:
        turn, reach = points[..., 0] / radius, radius - points[..., 1]
        return np.stack([reach * np.sin(turn), -reach * np.cos(turn)], axis=-1)

    segments = path.segments.copy()
    lines = path.is_line
    # A straight line bends too, so it becomes a curve with its thirds as handles.
    segments[lines, 1] = segments[lines, 0] + (segments[lines, 3] - segments[lines, 0]) / 3
    segments[lines, 2] = segments[lines, 0] + (segments[lines, 3] - segments[lines, 0]) * 2 / 3
    return Path(wrap(segments), np.zeros(len(segments), bool), path.contour, path.closed)


def _extent(boxes: Iterable[Box | None]) -> tuple[tuple[float, float], tuple[float, float]]:
    edges = np.array([box for box in boxes if box])
    if not len(edges):
        return (math.inf, math.inf), (-math.inf, -math.inf)
    low, high = edges[:, :2].min(axis=0), edges[:, 2:].max(axis=0)
    return (float(low[0]), float(low[1])), (float(high[0]), float(high[1]))


def _shapes(placed: list[_Placed], setting: Setting) -> Iterator[Shape]:
    own = dict(setting.letter_colours)
    for glyph in placed:
        if len(glyph.path.segments):
            yield Shape(glyph.path, IDENTITY, own.get(glyph.first, setting.colour))


def _letters(placed: list[_Placed], boxes: Iterable[Box | None], corner: tuple[float, float]) -> Iterator[Letter]:
    for glyph, box in zip(placed, boxes, strict=True):
        if glyph.straight and box and unicodedata.category(glyph.character)[0] in "LN":
            middle = ((box[0] + box[2]) / 2 - corner[0], (box[1] + box[3]) / 2 - corner[1])
            yield Letter(glyph.character, glyph.first, glyph.straight, middle)
