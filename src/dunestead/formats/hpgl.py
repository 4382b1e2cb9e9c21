"""HP-GL: sheets out for cutters that speak it, and drawings in.

A plotter counts in fortieths of a mm, y up; so what goes out is turned over, and thinned to
points that its steps can tell apart.
"""

import hashlib
import math
import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.artwork.drawing import Drawing, Notice, Shape
from dunestead.core.cutting.drawing import MarkText, SheetDrawing
from dunestead.core.cutting.paths import CutPath
from dunestead.core.errors import ArtworkEmpty, ArtworkRefused, ArtworkUnreadable
from dunestead.core.geometry.affine import Affine
from dunestead.core.geometry.curves import Path

__all__ = ["is_hpgl", "read_hpgl", "read_hpgl_cuts", "write_hpgl"]

_PER_MM = 40.0
# Points that stray less than this from a straight line, mm, are below what a step can show.
_THINNED = 0.01
_MOST_BYTES = 30_000_000
_MOST_POINTS = 1_000_000
_ARC_STEP = 3.0
_COMMAND = re.compile(r"([A-Za-z]{2})([^A-Za-z]*)")
_NUMBER = re.compile(r"[+-]?(?:\d+\.?\d*|\.\d+)")
# Pens have no colour that a file tells: each gets one of its own.
_PENS = ("#22313a", "#9c4a2f", "#4f6f52", "#2f5d7c", "#b3872c", "#6b4a7c", "#7c5a3a", "#3a7c74")
_CUT_PEN, _MARK_PEN = 1, 2
# A plotter's letter is so wide, in shares of its height.
_LETTER_WIDTH = 0.7


def is_hpgl(data: bytes) -> bool:
    """Say whether a file looks like HP-GL."""
    head = data[:4000].decode("latin-1").strip().upper()
    return bool(re.match(r"(?:\x1b[^A-Z]*[A-Z])*\s*(?:IN|DF|BP|PS|IP|SP|PU|PA|VS|WU)[\s;\d,.+-]", head + ";"))


# --- out --------------------------------------------------------------------------------------
def write_hpgl(drawing: SheetDrawing, *, with_pen: bool = False) -> bytes:
    """Return a sheet's cut lines with pen 1; which side is up is said in a comment.

    Parameters
    ----------
    with_pen
        Whether the cutter holds a pen besides its knife, as pen 2: it draws the marks, the flag and the numbers. A
        cutter without one would cut them.
    """
    height = drawing.page[1]
    out = ["IN;", f'CO"{_plain(drawing.label)}";', f"SP{_CUT_PEN};"]
    out += [_stroke(path.points, height) for path in drawing.cuts]
    if with_pen:
        out.append(f"PU0,0;SP{_MARK_PEN};")
        out += [_stroke(np.array(line.points), height) for line in drawing.lines]
        out.append(_stroke(np.array([*drawing.flag, drawing.flag[0]]), height))
        out += [_lettered(text, height) for text in drawing.texts]
    out.append("PU0,0;SP0;\n")
    return "\n".join(out).encode("ascii")


def _plain(text: str) -> str:
    """Return a text without what would end a comment or a label, in plain letters."""
    return re.sub(r'["\x00-\x1f]', " ", text).encode("ascii", "replace").decode("ascii")


def _lettered(text: MarkText, height: float) -> str:
    """Return a label in the plotter's own letters: size in cm, ended by the character 3."""
    x, y = round(text.at[0] * _PER_MM), round((height - text.at[1]) * _PER_MM)
    tall = text.height / 10
    return f"PU{x},{y};SI{tall * _LETTER_WIDTH:.3f},{tall:.3f};LB{_plain(text.text)}\x03"


def _stroke(points: npt.NDArray[np.float64], height: float) -> str:
    thinned = shapely.get_coordinates(shapely.LineString(points).simplify(_THINNED))
    steps = np.round(np.column_stack([thinned[:, 0], height - thinned[:, 1]]) * _PER_MM).astype(int)
    first, *rest = [f"{x},{y}" for x, y in steps.tolist()]
    return f"PU{first};PD{','.join(rest)};"


# --- in ---------------------------------------------------------------------------------------
@dataclass(slots=True)
class _Plotter:
    """Follows commands and keeps what was drawn: lines in steps, y up, each with its pen."""

    at: tuple[float, float] = (0.0, 0.0)
    pen: int = 1
    is_down: bool = False
    is_lifted: bool = True
    is_relative: bool = False
    lines: list[tuple[int, list[tuple[float, float]]]] = field(default_factory=list)
    noted: set[str] = field(default_factory=set)
    points: int = 0
    scale: tuple[float, float] = (1.0, 1.0)

    def do(self, command: str, numbers: list[float]) -> None:
        match command:
            case "PU" | "PD":
                self.is_down = command == "PD"
                # A pen that was lifted begins a line of its own, also where the last one ended.
                self.is_lifted = self.is_lifted or not self.is_down
                self._go(numbers)
            case "PA" | "PR":
                self.is_relative = command == "PR"
                self._go(numbers)
            case "SP":
                self.pen = int(numbers[0]) if numbers else 0
                self.is_down, self.is_lifted = False, True
            case "IN" | "DF":
                self.is_down = self.is_relative = False
                self.is_lifted = True
            case "AA" | "AR":
                self._arc(numbers, relative=command == "AR")
            case "CI":
                self._circle(numbers)
            case "SC" if numbers:
                self.noted.add("hpgl-scaled")
            case "LB" | "EW" | "WG" | "RA" | "EA":
                self.noted.add("hpgl-skipped")

    def _go(self, numbers: list[float]) -> None:
        for x, y in zip(numbers[::2], numbers[1::2], strict=False):
            to = (self.at[0] + x, self.at[1] + y) if self.is_relative else (x, y)
            self._to(to)

    def _to(self, to: tuple[float, float]) -> None:
        if self.is_down and self.pen:
            if self.is_lifted or self.lines[-1][0] != self.pen:
                self.lines.append((self.pen, [self.at]))
                self.is_lifted = False
            self.lines[-1][1].append(to)
            self.points += 1
            if self.points > _MOST_POINTS:
                raise ArtworkRefused("This plot has over a million points.", "Simplify the drawing and save it again.")
        self.at = to

    def _arc(self, numbers: list[float], *, relative: bool) -> None:
        if len(numbers) < 3:
            return
        cx, cy = (self.at[0] + numbers[0], self.at[1] + numbers[1]) if relative else (numbers[0], numbers[1])
        start = math.atan2(self.at[1] - cy, self.at[0] - cx)
        radius = math.hypot(self.at[0] - cx, self.at[1] - cy)
        sweep = math.radians(max(min(numbers[2], 360.0), -360.0))
        count = max(2, math.ceil(abs(math.degrees(sweep)) / _ARC_STEP))
        for k in range(1, count + 1):
            turn = start + sweep * k / count
            self._to((cx + radius * math.cos(turn), cy + radius * math.sin(turn)))

    def _circle(self, numbers: list[float]) -> None:
        if not numbers or not self.pen:
            return
        turns = np.linspace(0, 2 * np.pi, 121)
        ring = [(self.at[0] + numbers[0] * math.cos(turn), self.at[1] + numbers[0] * math.sin(turn)) for turn in turns]
        ring[-1] = ring[0]
        self.lines.append((self.pen, ring))
        self.is_lifted = True


def _plotted(data: bytes) -> _Plotter:
    if len(data) > _MOST_BYTES:
        raise ArtworkRefused("This plot is larger than any drawing to cut.", "Simplify it and save it again.")
    text = re.sub(r"\x1b[%.][^A-Z]*[A-Z(]|LB[^\x03]*\x03|CO\s*\"[^\"]*\"", " ", data.decode("latin-1"))
    plotter = _Plotter()
    for command, rest in _COMMAND.findall(text):
        numbers = [float(number) for number in _NUMBER.findall(rest)]
        if any(abs(number) > 1e8 for number in numbers):
            raise ArtworkRefused("This plot has coordinates out of all proportion.", "Save it again at its true size.")
        plotter.do(command.upper(), numbers)
    if not plotter.lines:
        raise ArtworkEmpty("This plot draws nothing.", "Choose the file that holds the outlines.")
    return plotter


def read_hpgl(data: bytes) -> Drawing:
    """Read a plot as artwork: what its closed lines go around is painted, each pen in a colour of its own.

    Raises
    ------
    ArtworkUnreadable, ArtworkEmpty, ArtworkRefused
        When it is no plot, draws nothing that is closed, or is out of all proportion.
    """
    if not is_hpgl(data):
        raise ArtworkUnreadable("This file is not an HP-GL plot.", "Save it anew as HP-GL, or as SVG.")
    plotter = _plotted(data)
    pens: dict[int, list[npt.NDArray[np.float64]]] = {}
    open_lines = 0
    for pen, line in plotter.lines:
        points = np.array(line)
        if len(points) > 3 and np.hypot(*(points[0] - points[-1])) <= 2.0:
            pens.setdefault(pen, []).append(points)
        else:
            open_lines += 1
    if not pens:
        raise ArtworkEmpty("No line of this plot is closed, so nothing can be painted.", "Close its outlines.")
    top = max(float(points[:, 1].max()) for rings in pens.values() for points in rings)
    to_mm = Affine(a=1 / _PER_MM, d=-1 / _PER_MM, f=top / _PER_MM)
    shapes = tuple(
        Shape(_path(rings), to_mm, fill=_PENS[(pen - 1) % len(_PENS)], fill_rule="evenodd")
        for pen, rings in sorted(pens.items())
    )
    digest = hashlib.sha256(data).hexdigest()
    return Drawing(digest, shapes, tuple(_notices(plotter.noted, open_lines)))


def _notices(noted: set[str], open_lines: int) -> Iterator[Notice]:
    if open_lines:
        yield Notice("open-lines", f"{open_lines} open lines of this plot are left out: they go around nothing.")
    if "hpgl-scaled" in noted:
        yield Notice("hpgl-scaled", "This plot sets a scale of its own, which is not followed: check its size.")
    if "hpgl-skipped" in noted:
        yield Notice("hpgl-skipped", "Lettering and filled shapes of the plotter itself are left out.")


def _path(rings: Sequence[npt.NDArray[np.float64]]) -> Path:
    segments, contour = [], []
    for k, ring in enumerate(rings):
        starts, ends = ring[:-1], ring[1:]
        segments.append(np.stack([starts, starts, ends, ends], axis=1))
        contour.append(np.full(len(starts), k, np.intp))
    joined = np.concatenate(segments)
    return Path(joined, np.ones(len(joined), bool), np.concatenate(contour), (True,) * len(rings))


def read_hpgl_cuts(data: bytes, height: float) -> tuple[CutPath, ...]:
    """Return the lines of pen 1 as they are cut, sheet mm, y down.

    Parameters
    ----------
    data
        The plot.
    height
        Of the page, mm.
    """
    return tuple(
        CutPath(np.column_stack([points[:, 0] / _PER_MM, height - points[:, 1] / _PER_MM]))
        for pen, line in _plotted(data).lines
        if pen == _CUT_PEN and len(points := np.array(line)) > 1
    )
