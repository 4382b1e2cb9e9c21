"""A face: from characters to outlines, by way of HarfBuzz. The rest of the core sees paths only."""

import unicodedata
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np
import uharfbuzz

from dunestead.core.artwork.words.direction import levels_of, visual_order
from dunestead.core.errors import BadInput
from dunestead.core.geometry.affine import Affine
from dunestead.core.geometry.curves import Path, path_bounds

__all__ = ["Face", "Glyph", "Run"]

# Optional ligatures tie letters that a gap should part.
_APART = {"liga": False, "clig": False, "dlig": False}


@dataclass(frozen=True, slots=True, eq=False)
class Glyph:
    """An outline in its place on the line.

    Attributes
    ----------
    outline
        In ems, y down, the glyph's own origin on the baseline.
    x, y
        Its origin, from the start of the line.
    advance
        How far the line moves on.
    first
        Index in the text of the first character it stands for.
    """

    outline: Path
    x: float
    y: float
    advance: float
    first: int


@dataclass(frozen=True, slots=True, eq=False)
class Run:
    """A shaped line in ems, and the characters that the face does not have."""

    glyphs: tuple[Glyph, ...]
    missing: tuple[str, ...]


class Face:
    """A face in one or more font files, each a part of the alphabets it covers.

    Parameters
    ----------
    key, files
        What it is called; the font files, the most used first.
    joined
        Whether its letters run into each other.
    """

    def __init__(self, key: str, files: tuple[bytes, ...], *, joined: bool = False) -> None:
        self.key, self.joined = key, joined
        self._files = files
        self._loaded: dict[int, _FontFile] = {}

    def shape(self, text: str, *, apart: bool) -> Run:
        """Shape one line; characters no file covers are left out and named.

        Parameters
        ----------
        text
            A line without breaks.
        apart
            Whether letters are to be set apart, so that no optional ligature may tie them.
        """
        glyphs: list[Glyph] = []
        missing: list[str] = []
        x = 0.0
        stretches = list(self._parts(text, levels_of(text), missing))
        for index in visual_order([level for _, _, _, level in stretches]):
            file, first, part, level = stretches[index]
            shaped = list(file.shape(part, apart=apart, leftward=level % 2 == 1))
            glyphs += [Glyph(g.outline, x + g.x, g.y, g.advance, first + g.first) for g in shaped]
            x += sum(glyph.advance for glyph in shaped)
        return Run(tuple(glyphs), tuple(dict.fromkeys(missing)))

    @cached_property
    def cap_height(self) -> float:
        """Height of a capital in ems."""
        for letter in "HEXI":
            for glyph in self._file(0).shape(letter, apart=True):
                box = path_bounds(glyph.outline, Affine())
                if box and box[3] > box[1]:
                    return box[3] - box[1]
        return 0.7

    def _file(self, index: int) -> "_FontFile":
        if index not in self._loaded:
            self._loaded[index] = _FontFile(self._files[index], self.key)
        return self._loaded[index]

    def _covering(self, character: str) -> int | None:
        for index in range(len(self._files)):
            if self._file(index).has(character):
                return index
        return None

    def lacks(self, text: str) -> bool:
        """Say whether a text has a character that no file covers."""
        return any(not _is_unseen(one) and not one.isspace() and self._covering(one) is None for one in text)

    def _parts(
        self, text: str, levels: Sequence[int], missing: list[str]
    ) -> Iterator[tuple["_FontFile", int, str, int]]:
        """Yield stretches of the text that one file covers and that run one way: where they begin, their level."""
        stretch, begun, current = "", 0, -1
        for at, character in enumerate(text):
            if unicodedata.combining(character) and stretch and self._file(current).has(character):
                stretch += character
                continue
            file = self._covering(character)
            if file is None and not _is_unseen(character):
                missing.append(character)
            if file != current or file is None or levels[at] != levels[begun]:
                if stretch:
                    yield self._file(current), begun, stretch, levels[begun]
                stretch, begun, current = "", at, -1 if file is None else file
            if file is not None:
                stretch += character
        if stretch:
            yield self._file(current), begun, stretch, levels[begun]


def _is_unseen(character: str) -> bool:
    # Variation selectors choose between glyphs and have none themselves.
    return unicodedata.category(character) in ("Cc", "Cf", "Zs") or 0xFE00 <= ord(character) <= 0xFE0F


class _FontFile:
    """One font file opened for shaping."""

    def __init__(self, data: bytes, name: str) -> None:
        face = uharfbuzz.Face(_plain(data, name))
        self._font = uharfbuzz.Font(face)
        self._em = float(face.upem)
        self._characters = frozenset(face.unicodes)
        self._outlines: dict[int, Path] = {}
        if not self._characters or not self._em:
            raise BadInput(f"“{name}” is not a font that can be read.", "Choose a TTF, OTF, WOFF or WOFF2 file.")

    def has(self, character: str) -> bool:
        """Say whether the file has a glyph for a character."""
        return ord(character) in self._characters

    def shape(self, text: str, *, apart: bool, leftward: bool = False) -> Iterator[Glyph]:
        """Yield the glyphs of a stretch of text in ems."""
        buffer = uharfbuzz.Buffer()
        buffer.add_codepoints([ord(character) for character in text])
        buffer.guess_segment_properties()
        buffer.direction = "rtl" if leftward else "ltr"
        uharfbuzz.shape(self._font, buffer, _APART if apart else {})
        x = 0.0
        for info, position in zip(buffer.glyph_infos, buffer.glyph_positions, strict=True):
            advance = position.x_advance / self._em
            yield Glyph(
                self._outline(info.codepoint),
                x + position.x_offset / self._em,
                -position.y_offset / self._em,
                advance,
                info.cluster,
            )
            x += advance

    def _outline(self, glyph: int) -> Path:
        if glyph not in self._outlines:
            pen = _PathPen(1 / self._em)
            self._font.draw_glyph_with_pen(glyph, pen)
            self._outlines[glyph] = pen.path()
        return self._outlines[glyph]


def _plain(data: bytes, name: str) -> bytes:
    """Return a font without the web's compression, which HarfBuzz does not undo."""
    if data[:4] not in (b"wOFF", b"wOF2"):
        return data
    # Loading this takes as long as shaping a line, which plain fonts need not wait for.
    from io import BytesIO

    from fontTools.ttLib import TTFont

    try:
        font = TTFont(BytesIO(data))
        font.flavor = None
        held = BytesIO()
        font.save(held, reorderTables=False)
    except MemoryError:
        raise
    except Exception as error:  # It raises whatever decompressors and tables raise, of many kinds.
        raise BadInput(f"“{name}” is not a font that can be read.", "Choose a TTF, OTF, WOFF or WOFF2 file.") from error
    return held.getvalue()


class _PathPen:
    """Collects drawing calls as cubics, y down."""

    def __init__(self, scale: float) -> None:
        self._scale = scale
        self._segments: list[list[tuple[float, float]]] = []
        self._is_line: list[bool] = []
        self._contour: list[int] = []
        self._count = 0
        self._at = (0.0, 0.0)

    def path(self) -> Path:
        """Return all that was drawn; glyph contours are always closed."""
        if not self._segments:
            return Path(np.empty((0, 4, 2)), np.empty(0, bool), np.empty(0, np.intp), ())
        segments = np.array(self._segments) * (self._scale, -self._scale)
        _, contour = np.unique(self._contour, return_inverse=True)
        closed = (True,) * (int(contour.max()) + 1)
        return Path(segments, np.array(self._is_line), contour.astype(np.intp), closed)

    def moveTo(self, point: tuple[float, float]) -> None:  # noqa: N802
        self._at = point
        self._count += 1

    def lineTo(self, point: tuple[float, float]) -> None:  # noqa: N802
        self._add(point, point, point, is_line=True)

    def qCurveTo(self, control: tuple[float, float], point: tuple[float, float]) -> None:  # noqa: N802
        (x0, y0), (x1, y1), (x2, y2) = self._at, control, point
        first = (x0 + 2 / 3 * (x1 - x0), y0 + 2 / 3 * (y1 - y0))
        second = (x2 + 2 / 3 * (x1 - x2), y2 + 2 / 3 * (y1 - y2))
        self._add(first, second, point)

    def curveTo(self, first: tuple[float, float], second: tuple[float, float], point: tuple[float, float]) -> None:  # noqa: N802
        self._add(first, second, point)

    def closePath(self) -> None:  # noqa: N802
        pass

    def endPath(self) -> None:  # noqa: N802
        pass

    def _add(
        self,
        first: tuple[float, float],
        second: tuple[float, float],
        point: tuple[float, float],
        *,
        is_line: bool = False,
    ) -> None:
        self._segments.append([self._at, first, second, point])
        self._is_line.append(is_line)
        self._contour.append(self._count)
        self._at = point
