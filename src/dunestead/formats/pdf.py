"""Sheets as PDF at true scale: on one page of their own size, or tiled over sheets that a printer takes."""

import io
import math
from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import TYPE_CHECKING, Literal

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.cutting.drawing import SheetDrawing
from dunestead.core.cutting.paths import CutPath
from dunestead.core.geometry.affine import Affine
from dunestead.core.geometry.curves import Box
from dunestead.core.units import in_letters

if TYPE_CHECKING:
    from reportlab.pdfgen.canvas import Canvas

__all__ = [
    "PAPERS",
    "PdfPage",
    "Tile",
    "fill_shape",
    "plain",
    "read_pdf",
    "safe",
    "tiles_of",
    "window_of",
    "write_pdf",
    "write_tiled_pdf",
]

Paper = Literal["a4", "letter"]
# Width and height, mm.
PAPERS: dict[Paper, tuple[float, float]] = {"a4": (210.0, 297.0), "letter": (215.9, 279.4)}
_PT = 72 / 25.4
_MARGIN = 10.0
# Neighbouring pages share this much, mm.
_LAP = 10.0
_BEYOND = 0.5
_FOOT = 14.0
_BAR = 100.0
_CUT_INK = (0.12, 0.16, 0.19)
_MARK_INK = (0.76, 0.34, 0.1)
_FAINT_INK = (0.55, 0.55, 0.52)
_SAME_INK = 1e-3


@dataclass(frozen=True, slots=True)
class Tile:
    """One printed page of a sheet: its row and column from 1, and the corner of the sheet it begins at, mm."""

    row: int
    column: int
    x: float
    y: float

    @property
    def name(self) -> str:
        """As printed on it: a letter for the row, a number for the column."""
        return f"{in_letters(self.row - 1)}{self.column}"


@dataclass(frozen=True, slots=True)
class PdfPage:
    """A page read back: its size, mm, and the cut lines on it, mm from its top left, y down."""

    size: tuple[float, float]
    cuts: tuple[CutPath, ...]


def tiles_of(page: tuple[float, float], paper: Paper) -> list[Tile]:
    """Return the printed pages that a sheet takes, row by row.

    Examples
    --------
    >>> [tile.name for tile in tiles_of((290, 200), "a4")]
    ['A1', 'A2']
    """
    width, height = _window(paper)
    columns, rows = (
        max(1, math.ceil((side - _LAP) / (room - _LAP) - 1e-9))
        for side, room in zip(page, (width, height), strict=True)
    )
    return [
        Tile(row + 1, column + 1, column * (width - _LAP), row * (height - _LAP))
        for row in range(rows)
        for column in range(columns)
    ]


def window_of(tile: Tile, paper: Paper) -> Box:
    """Return what of a sheet a page shows, mm."""
    width, height = _window(paper)
    return (tile.x, tile.y, tile.x + width, tile.y + height)


def _window(paper: Paper) -> tuple[float, float]:
    width, height = PAPERS[paper]
    return width - 2 * _MARGIN, height - 2 * _MARGIN - _FOOT


# --- out --------------------------------------------------------------------------------------
def write_pdf(drawing: SheetDrawing) -> bytes:
    """Return a sheet on one page: its own size with a margin, and a check bar below."""
    width, height = drawing.page
    size = (max(width, _BAR) + 2 * _MARGIN, height + 2 * _MARGIN + _FOOT)
    held, canvas = _canvas(size, drawing.label)
    _draw(canvas, drawing, _onto(size, _MARGIN, _MARGIN))
    _foot(canvas, size, drawing.label)
    canvas.showPage()
    canvas.save()
    return held.getvalue()


def write_tiled_pdf(drawing: SheetDrawing, paper: Paper) -> bytes:
    """Return a sheet over as many pages as it takes, overlapping, each join numbered on both its pages."""
    size, window = PAPERS[paper], _window(paper)
    tiles = tiles_of(drawing.page, paper)
    held, canvas = _canvas(size, drawing.label)
    for tile in tiles:
        canvas.saveState()
        clip = canvas.beginPath()
        clip.rect(_MARGIN * _PT, (size[1] - _MARGIN - window[1]) * _PT, window[0] * _PT, window[1] * _PT)
        canvas.clipPath(clip, stroke=0, fill=0)
        _draw(canvas, _within(drawing, window_of(tile, paper)), _onto(size, _MARGIN - tile.x, _MARGIN - tile.y))
        canvas.restoreState()
        _joins(canvas, size, window, tile, {other.name for other in tiles})
        _foot(canvas, size, f"{drawing.label} / page {tile.name}, {len(tiles)} in all")
        canvas.showPage()
    canvas.save()
    return held.getvalue()


def _within(drawing: SheetDrawing, window: Box) -> SheetDrawing:
    """Return what of a sheet shows in a window: whole lines in it, pieces of those that leave it.

    Pieces run on a little, under the page's margin, lest a line along its edge be lost.
    """
    x0, y0, x1, y1 = window[0] - _BEYOND, window[1] - _BEYOND, window[2] + _BEYOND, window[3] + _BEYOND
    cuts: list[CutPath] = []
    for path in drawing.cuts:
        low, high = path.points.min(axis=0), path.points.max(axis=0)
        if low[0] >= x0 and low[1] >= y0 and high[0] <= x1 and high[1] <= y1:
            cuts.append(path)
        elif low[0] <= x1 and low[1] <= y1 and high[0] >= x0 and high[1] >= y0:
            # A ring is in one piece also where it begins in the window.
            clipped = shapely.clip_by_rect(shapely.LineString(path.points), x0, y0, x1, y1)
            pieces = shapely.get_parts(shapely.line_merge(clipped))
            cuts += [CutPath(shapely.get_coordinates(piece)) for piece in pieces if piece.length > 0]
    return replace(drawing, cuts=tuple(cuts))


def _canvas(size: tuple[float, float], title: str) -> tuple[io.BytesIO, "Canvas"]:
    # Loading it takes a moment.
    from reportlab.pdfgen.canvas import Canvas

    held = io.BytesIO()
    canvas = Canvas(held, pagesize=(size[0] * _PT, size[1] * _PT), invariant=True, pageCompression=1)
    canvas.setTitle(title)
    return held, canvas


def _onto(size: tuple[float, float], x: float, y: float) -> Affine:
    """Return what carries sheet mm to points of a page, whose y runs up."""
    return Affine(a=_PT, d=-_PT, e=x * _PT, f=(size[1] - y) * _PT)


def _draw(canvas: "Canvas", drawing: SheetDrawing, onto: Affine) -> None:
    canvas.setLineWidth(0.2 * _PT)
    canvas.setStrokeColorRGB(*_CUT_INK)
    for path in drawing.cuts:
        _line(canvas, onto.apply(path.points), closed=path.is_closed)
    canvas.setStrokeColorRGB(*_MARK_INK)
    canvas.setFillColorRGB(*_MARK_INK)
    for line in drawing.lines:
        _line(canvas, onto.apply(np.array(line.points)), closed=False)
    _line(canvas, onto.apply(np.array([*drawing.flag, drawing.flag[0]])), closed=True)
    for text in drawing.texts:
        ((x, y),) = onto.apply(np.array([text.at]))
        canvas.setFont("Helvetica", text.height * _PT)
        canvas.drawString(float(x), float(y), plain(text.text))


def plain(text: str) -> str:
    """Return a text in letters that the fonts every PDF reader has can show."""
    return text.encode("cp1252", "replace").decode("cp1252")


def fill_shape(
    canvas: "Canvas", onto: Affine, shape: BaseGeometry, fill: float | str | None, *, outlined: bool = True
) -> None:
    """Draw a shape with its holes on a page.

    Parameters
    ----------
    onto
        From the shape's mm to the page's points.
    fill
        A grey of 0 to 1, or a colour such as ``#22313a``; None leaves what is under it.
    """
    path = canvas.beginPath()
    drawn = False
    for ring in shapely.get_rings(shapely.get_parts(shape)):
        points = onto.apply(shapely.get_coordinates(ring)).tolist()
        path.moveTo(*points[0])
        for point in points[1:-1]:
            path.lineTo(*point)
        path.close()
        drawn = True
    if drawn:
        if isinstance(fill, str):
            canvas.setFillColor(fill)
        elif fill is not None:
            canvas.setFillGray(fill)
        canvas.drawPath(path, stroke=int(outlined), fill=int(fill is not None), fillMode=0)


def safe(text: str) -> str:
    """Return a text as paragraphs of a PDF take it: letters its usual faces have, nothing taken for markup."""
    return plain(text).replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;")


def _line(canvas: "Canvas", points: np.ndarray, *, closed: bool) -> None:
    path = canvas.beginPath()
    ends = points[:-1] if closed else points
    path.moveTo(*ends[0].tolist())
    for x, y in ends[1:].tolist():
        path.lineTo(x, y)
    if closed:
        path.close()
    canvas.drawPath(path, stroke=1, fill=0)


def _foot(canvas: "Canvas", size: tuple[float, float], label: str) -> None:
    """Draw a bar of 100 mm to hold a rule against, and the label."""
    y = (_MARGIN + 5.0) * _PT
    left, right = _MARGIN * _PT, (_MARGIN + _BAR) * _PT
    canvas.setStrokeColorRGB(*_MARK_INK)
    canvas.setFillColorRGB(*_MARK_INK)
    canvas.setLineWidth(0.3 * _PT)
    for x0, y0, x1, y1 in ((left, y, right, y), *((x, y - 4, x, y + 4) for x in (left, (left + right) / 2, right))):
        canvas.line(x0, y0, x1, y1)
    canvas.setFont("Helvetica", 8)
    canvas.drawString(right + 6, y - 3, "100 mm: print at 100 %, not fitted to the page")
    canvas.drawString(left, y - 14, plain(label)[: int(size[0] / 1.5)])


def _joins(
    canvas: "Canvas", size: tuple[float, float], window: tuple[float, float], tile: Tile, names: set[str]
) -> None:
    """Draw where the neighbouring pages begin, and what each join is called on both pages."""
    canvas.setStrokeColorRGB(*_FAINT_INK)
    canvas.setFillColorRGB(*_FAINT_INK)
    canvas.setLineWidth(0.2 * _PT)
    canvas.setDash(3, 3)
    canvas.setFont("Helvetica-Bold", 9)
    right, bottom = _MARGIN + window[0], _MARGIN + window[1]
    for x0, y0, x1, y1, row, column in (
        (right - _LAP, _MARGIN, right - _LAP, bottom, tile.row, tile.column + 1),
        (_MARGIN + _LAP, _MARGIN, _MARGIN + _LAP, bottom, tile.row, tile.column - 1),
        (_MARGIN, bottom - _LAP, right, bottom - _LAP, tile.row + 1, tile.column),
        (_MARGIN, _MARGIN + _LAP, right, _MARGIN + _LAP, tile.row - 1, tile.column),
    ):
        other = Tile(row, column, 0.0, 0.0).name if row > 0 and column > 0 else ""
        if other in names:
            canvas.line(x0 * _PT, (size[1] - y0) * _PT, x1 * _PT, (size[1] - y1) * _PT)
            name = "-".join(sorted((tile.name, other)))
            x, y = ((x0 + x1) / 2 + 1.0) * _PT, (size[1] - (y0 + y1) / 2 + 1.0) * _PT
            canvas.drawString(x, y, f"join {name}")
    canvas.setDash()


# --- in ---------------------------------------------------------------------------------------
def read_pdf(data: bytes) -> list[PdfPage]:
    """Read a sheet's PDF back: the cut lines of each page, told by their ink."""
    from pypdf import PdfReader

    pages = []
    for page in PdfReader(io.BytesIO(data)).pages:
        width, height = float(page.mediabox.width), float(page.mediabox.height)
        contents = page.get_contents()
        operations = contents.operations if contents is not None else []
        to_mm = Affine(a=1 / _PT, d=-1 / _PT, f=height / _PT)
        cuts = tuple(CutPath(to_mm.apply(line)) for line in _cut_lines(operations))
        pages.append(PdfPage((width / _PT, height / _PT), cuts))
    return pages


def _cut_lines(operations: list[tuple[list[object], bytes]]) -> Iterator[np.ndarray]:
    """Yield the lines stroked in the ink of cuts, in points of the page."""
    ink: tuple[float, ...] = (0.0, 0.0, 0.0)
    matrix, stack = Affine(), []
    lines: list[list[tuple[float, float]]] = []
    for operands, operator in operations:
        numbers = [float(value) for value in operands if isinstance(value, int | float)]
        match operator:
            case b"q":
                stack.append((matrix, ink))
            case b"Q" if stack:
                matrix, ink = stack.pop()
            case b"cm":
                matrix = Affine(*numbers).then(matrix)
            case b"RG":
                ink = tuple(numbers)
            case b"m":
                lines.append([(numbers[0], numbers[1])])
            case b"l" if lines:
                lines[-1].append((numbers[0], numbers[1]))
            case b"h" if lines:
                lines[-1].append(lines[-1][0])
            case b"S":
                if all(abs(a - b) < _SAME_INK for a, b in zip(ink, _CUT_INK, strict=False)):
                    yield from (matrix.apply(np.array(line)) for line in lines if len(line) > 1)
                lines = []
            case b"n" | b"f" | b"B" | b"f*":
                lines = []
