"""Every format a sheet is written in; none is handed out before it was read back and held against the plan."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import cv2
import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.cutting.drawing import SheetDrawing
from dunestead.core.cutting.paths import CutPath
from dunestead.core.cutting.promise import Broken, broken_promises
from dunestead.core.errors import BadInput, UnknownKey
from dunestead.core.geometry.curves import Box
from dunestead.formats.dxf_sheet import read_dxf_cuts, write_dxf_sheet
from dunestead.formats.hpgl import read_hpgl_cuts, write_hpgl
from dunestead.formats.pdf import Paper, read_pdf, tiles_of, window_of, write_pdf, write_tiled_pdf
from dunestead.formats.png import mask_shown, write_png
from dunestead.formats.svg.cutfile import read_cut_file
from dunestead.formats.svg.writer import write_sheet

__all__ = ["FORMATS", "SheetFormat", "sheet_file"]

Floats = npt.NDArray[np.float64]
# Pages have this margin, mm.
_MARGIN = 10.0
# A line keeps its place within this, mm, looked at in steps of so many.
_OFF, _STEP = 0.1, 1.0
# Pixels so near to an edge may be either; places between pixels are told to so many bits.
_EDGE_PIXELS, _SHIFT = 5, 4


@dataclass(frozen=True, slots=True)
class SheetFormat:
    """A format: what its file is called and is, and how it is written and checked.

    Attributes
    ----------
    check
        Given the file and the drawing, returns what is wrong with it.
    """

    key: str
    name: str
    suffix: str
    media_type: str
    write: Callable[[SheetDrawing], bytes]
    check: Callable[[bytes, SheetDrawing], Sequence[str]]


def sheet_file(drawing: SheetDrawing, key: str) -> tuple[SheetFormat, bytes]:
    """Return a sheet in a format, read back and found to be what was planned.

    Raises
    ------
    UnknownKey
        When there is no such format.
    BadInput
        When the file read back is not what was planned; it is not handed out.
    """
    if key not in FORMATS:
        raise UnknownKey("format", key, list(FORMATS))
    form = FORMATS[key]
    data = form.write(drawing)
    if faults := form.check(data, drawing):
        raise BadInput(
            f"The {form.name} file of sheet {drawing.number} does not read back as planned: {faults[0]}",
            "Take another format, and tell us of this one.",
        )
    return form, data


def _faults_of(drawing: SheetDrawing, cuts: Sequence[CutPath]) -> list[str]:
    if len(cuts) != len(drawing.cuts):
        return [f"It holds {len(cuts)} lines in place of {len(drawing.cuts)}."]
    broken: list[Broken] = broken_promises(drawing.promise, cuts)
    return [one.message for one in broken]


def _check_svg(data: bytes, drawing: SheetDrawing) -> list[str]:
    return _faults_of(drawing, read_cut_file(data).paths)


def _check_dxf(data: bytes, drawing: SheetDrawing) -> list[str]:
    return _faults_of(drawing, read_dxf_cuts(data, drawing.page[1]))


def _check_hpgl(data: bytes, drawing: SheetDrawing) -> list[str]:
    return _faults_of(drawing, read_hpgl_cuts(data, drawing.page[1]))


def _check_pdf(data: bytes, drawing: SheetDrawing) -> list[str]:
    pages = read_pdf(data)
    if len(pages) != 1:
        return [f"It has {len(pages)} pages."]
    return _faults_of(drawing, [CutPath(cut.points - _MARGIN) for cut in pages[0].cuts])


def _check_tiled(paper: Paper) -> Callable[[bytes, SheetDrawing], list[str]]:
    def check(data: bytes, drawing: SheetDrawing) -> list[str]:
        pages, tiles = read_pdf(data), tiles_of(drawing.page, paper)
        if len(pages) != len(tiles):
            return [f"It has {len(pages)} pages in place of {len(tiles)}."]

        lines = _segments([path.points for path in drawing.cuts])
        for page, tile in zip(pages, tiles, strict=True):
            shift = (tile.x - _MARGIN, tile.y - _MARGIN)
            found = _segments([cut.points + shift for cut in page.cuts])
            if fault := _unlike(lines, found, window_of(tile, paper)):
                return [f"Page {tile.name}: {fault}"]
        return []

    return check


def _segments(lines: Sequence[Floats]) -> Floats:
    """Return the straight pieces of lines, a row of two ends each: shape (n, 2, 2), mm."""
    pieces = [np.stack([points[:-1], points[1:]], axis=1) for points in lines if len(points) > 1]
    return np.concatenate(pieces) if pieces else np.empty((0, 2, 2))


def _unlike(wanted: Floats, found: Floats, window: Box) -> str | None:
    """Return where lines differ within a window: one that is missing, or one that nobody planned.

    Notes
    -----
    Lines are held against each other by their distance, both ways, not piece by piece: what runs along the window's
    very edge shows or not by a hair, and may come in one piece or in several. What is that near to the edge is left
    to the neighbouring page, which overlaps.
    """
    for these, those, what in ((wanted, found, "A line is missing"), (found, wanted, "A line nobody planned is shown")):
        points = _along(these, window)
        if len(points) and (off := _off(points, those)) is not None:
            x, y = points[off]
            return f"{what} about {x:.0f}, {y:.0f} mm."
    return None


def _along(segments: Floats, window: Box) -> Floats:
    """Return points along straight pieces, none further apart than a step, inside a window and off its edge."""
    x0, y0, x1, y1 = (window[0] + _OFF, window[1] + _OFF, window[2] - _OFF, window[3] - _OFF)
    low, high = segments.min(axis=1), segments.max(axis=1)
    near = segments[(low[:, 0] <= x1) & (low[:, 1] <= y1) & (high[:, 0] >= x0) & (high[:, 1] >= y0)]
    run = near[:, 1] - near[:, 0]
    counts = np.ceil(np.hypot(run[:, 0], run[:, 1]) / _STEP).astype(int) + 1
    which = np.repeat(np.arange(len(near)), counts)
    before = np.repeat(np.cumsum(counts) - counts, counts)
    share = (np.arange(len(which)) - before) / np.repeat(np.maximum(counts - 1, 1), counts)
    points: Floats = near[which, 0] + run[which] * share[:, None]
    inside = (points[:, 0] > x0) & (points[:, 1] > y0) & (points[:, 0] < x1) & (points[:, 1] < y1)
    return points[inside]


def _off(points: Floats, segments: Floats) -> int | None:
    """Return the first point that lies off every straight piece, None where all lie on one."""
    if not len(segments):
        return 0
    tree = shapely.STRtree(np.asarray(shapely.linestrings(segments), dtype=object))
    # By point: whether anything is near enough.
    met = np.zeros(len(points), bool)
    met[tree.query(shapely.points(points), predicate="dwithin", distance=_OFF)[0]] = True
    return None if met.all() else int(np.argmin(met))


def _check_png(data: bytes, drawing: SheetDrawing) -> list[str]:
    """Hold a picture against its lines filled in another way: only pixels at an edge, or under marks, may differ."""
    shown, marked = mask_shown(data)
    height, width = shown.shape
    scale = np.array([width / drawing.page[0], height / drawing.page[1]])
    rings = [np.round((path.points * scale - 0.5) * 2**_SHIFT).astype(np.int32) for path in drawing.cuts]
    planned = np.zeros(shown.shape, np.uint8)
    cv2.fillPoly(planned, rings, 1, shift=_SHIFT)
    edges = np.zeros(shown.shape, np.uint8)
    cv2.polylines(edges, rings, isClosed=True, color=1, thickness=_EDGE_PIXELS, shift=_SHIFT)
    wrong = np.argwhere((shown != planned.astype(bool)) & ~marked & (edges == 0))
    if not len(wrong):
        return []
    y, x = wrong[0] / scale[::-1]
    return [f"It shows mask for window, or window for mask, at {x:.0f}, {y:.0f} mm."]


FORMATS: dict[str, SheetFormat] = {
    form.key: form
    for form in (
        SheetFormat("svg", "SVG", "svg", "image/svg+xml", lambda d: write_sheet(d).encode(), _check_svg),
        SheetFormat("dxf", "DXF", "dxf", "image/vnd.dxf", write_dxf_sheet, _check_dxf),
        SheetFormat("hpgl", "HP-GL, knife only", "plt", "application/vnd.hp-hpgl", write_hpgl, _check_hpgl),
        SheetFormat(
            "hpgl-pen",
            "HP-GL, marks with a pen",
            "pen.plt",
            "application/vnd.hp-hpgl",
            lambda d: write_hpgl(d, with_pen=True),
            _check_hpgl,
        ),
        SheetFormat("pdf", "PDF, one page", "pdf", "application/pdf", write_pdf, _check_pdf),
        SheetFormat(
            "pdf-a4",
            "PDF on A4",
            "a4.pdf",
            "application/pdf",
            lambda d: write_tiled_pdf(d, "a4"),
            _check_tiled("a4"),
        ),
        SheetFormat(
            "pdf-letter",
            "PDF on Letter",
            "letter.pdf",
            "application/pdf",
            lambda d: write_tiled_pdf(d, "letter"),
            _check_tiled("letter"),
        ),
        SheetFormat("png", "PNG picture", "png", "image/png", write_png, _check_png),
    )
}
