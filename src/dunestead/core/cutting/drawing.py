"""Everything that is drawn on a sheet: cut lines, marks for the seams, numbers, and its side-up label.

One drawing serves every format that a sheet is written in.
"""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
import shapely

from dunestead.core.cutting.paths import CutPath, sheet_paths
from dunestead.core.cutting.promise import Promise, promise_of
from dunestead.core.sheets.layout import Layout, PlacedPatch, Sheet
from dunestead.core.sheets.seams import Seam

__all__ = ["FLAG", "MarkLine", "MarkText", "SheetDrawing", "draw_sheet"]

Point = tuple[float, float]
# The strip below the cut that carries the label, mm, where the reach has room for it.
_STRIP = 8.0
_TEXT, _SMALL = 4.0, 3.0
_CROSS = 3.0
_CORNER = 7.0
# Around a patch's number the mask is this wide at least, mm.
_FIRM = 1.5
# A flag on a leaning mast, in shares of its height: like nothing that reads the same in a mirror.
FLAG: tuple[Point, ...] = (
    (0.0, 1.0),
    (0.16, 0.0),
    (0.32, 0.0),
    (0.26, 0.18),
    (0.75, 0.18),
    (0.58, 0.4),
    (0.72, 0.62),
    (0.2, 0.62),
    (0.16, 1.0),
)


@dataclass(frozen=True, slots=True)
class MarkLine:
    """A line drawn, not cut: a check cross or where the neighbour's edge comes."""

    points: tuple[Point, ...]


@dataclass(frozen=True, slots=True)
class MarkText:
    """A short text: the left end of its foot, mm, and its height."""

    at: Point
    text: str
    height: float


@dataclass(frozen=True, slots=True)
class SheetDrawing:
    """A sheet as it is written to a file, mm.

    Attributes
    ----------
    page
        Width and height: the cut, and the strip with the label where there is room for it.
    cuts
        In cutting order.
    lines, texts, flag
        Marks; the flag reads as the artwork does on this sheet.
    label
        What it is, and which side is up.
    promise
        What the file says of itself.
    """

    number: int
    page: tuple[float, float]
    cuts: tuple[CutPath, ...]
    lines: tuple[MarkLine, ...]
    texts: tuple[MarkText, ...]
    flag: tuple[Point, ...]
    label: str
    promise: Promise


def draw_sheet(
    sheet: Sheet, layout: Layout, title: str, reach: tuple[float, float], *, by_hand: bool = False
) -> SheetDrawing:
    """Return all that a sheet's files show.

    Parameters
    ----------
    sheet, layout
        The sheet, and all of them with their seams.
    title
        Name of the job.
    reach
        What the cutter reaches, mm.
    by_hand
        Whether it is cut by hand.
    """
    has_strip = sheet.height + _STRIP <= reach[1] + 1e-6
    page = (sheet.width, sheet.height + (_STRIP if has_strip else 0.0))
    facing = "cut mirrored" if sheet.mirrored else "not mirrored"
    often = f", cut {sheet.runs} times" if sheet.runs > 1 else ""
    label = f"{title} / sheet {sheet.number} of {len(layout.sheets)}{often} / {facing} / this side up"
    cuts = sheet_paths(sheet, by_hand=by_hand)
    corner = (1.0, sheet.height + 1.5) if has_strip else (_CORNER, _CORNER)
    size = _STRIP - 3.0
    flag = tuple((corner[0] + size * ((1 - x) if sheet.mirrored else x), corner[1] + size * y) for x, y in FLAG)
    height = min(_SMALL, 1.6 * max(page[0] - corner[0] - size - 3.0, 10.0) / max(len(label), 1))
    texts = [MarkText((corner[0] + size + 2.0, corner[1] + size - 1.0), label, height)]
    lines: list[MarkLine] = []
    for placed in sheet.patches:
        texts.append(_number(placed))
        for seam in layout.seams:
            if placed.patch.number in seam.patches:
                lines += _lay_lines(placed, seam)
                own_lines, own_texts = _checks(placed, seam)
                lines += own_lines
                texts += own_texts
    return SheetDrawing(
        sheet.number,
        page,
        cuts,
        tuple(lines),
        tuple(texts),
        flag,
        label,
        promise_of(cuts, page, reach, mirrored=sheet.mirrored),
    )


def _number(placed: PlacedPatch) -> MarkText:
    """Return a patch's number on firm mask near a corner of it."""
    shape = placed.on_sheet()
    x0, y0, x1, y1 = shape.bounds
    inset = min(_CORNER, (x1 - x0) / 4, (y1 - y0) / 4)
    corners = [(x0 + inset, y0 + inset), (x1 - inset, y0 + inset), (x0 + inset, y1 - inset), (x1 - inset, y1 - inset)]
    edge = shape.boundary
    firm = (at for at in corners if shapely.contains_xy(shape, *at) and edge.distance(shapely.Point(at)) >= _FIRM)
    at = next(firm, None) or shape.representative_point().coords[0]
    return MarkText((float(at[0]), float(at[1]) + _TEXT / 2), placed.id, _TEXT)


def _lay_lines(placed: PlacedPatch, seam: Seam) -> Iterator[MarkLine]:
    """Yield where the edge of the patch laid over this one comes; none where they are butted."""
    if not seam.overlap or placed.patch.number != seam.patches[0]:
        return
    (x0, y0), (x1, y1) = seam.start, seam.end
    half, cell = seam.overlap / 2, placed.patch.cell
    if seam.runs_down:
        back = -half if x0 - cell[0] > cell[2] - x0 else half
        ends = np.array([(x0 + back, y0), (x1 + back, y1)])
    else:
        back = -half if y0 - cell[1] > cell[3] - y0 else half
        ends = np.array([(x0, y0 + back), (x1, y1 + back)])
    met = shapely.get_parts(shapely.intersection(shapely.LineString(ends), placed.patch.shape))
    for part in met:
        if part.geom_type == "LineString" and part.length > 1.0:
            yield MarkLine(_on_sheet(placed, shapely.get_coordinates(part)))


def _checks(placed: PlacedPatch, seam: Seam) -> tuple[list[MarkLine], list[MarkText]]:
    lines, texts = [], []
    inside = placed.patch.cell
    for pair in seam.pairs:
        for at in (pair.first, pair.second):
            # A mark belongs to the patch whose mask it lies on, beyond the overlap.
            if not (inside[0] <= at[0] <= inside[2] and inside[1] <= at[1] <= inside[3]):
                continue
            ((x, y),) = _on_sheet(placed, np.array([at]))
            lines.append(MarkLine(((x - _CROSS, y), (x + _CROSS, y))))
            lines.append(MarkLine(((x, y - _CROSS), (x, y + _CROSS))))
            texts.append(MarkText((x + 1.0, y - 1.0), pair.name, _SMALL))
    return lines, texts


def _on_sheet(placed: PlacedPatch, points: "np.ndarray") -> tuple[Point, ...]:
    moved = placed.to_artwork.inverse().apply(np.asarray(points, float))
    return tuple((float(x), float(y)) for x, y in moved)
