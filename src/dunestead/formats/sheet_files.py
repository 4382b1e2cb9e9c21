"""Every format a sheet is written in; none is handed out before it was read back and held against the plan."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import shapely

from dunestead.core.cutting.drawing import SheetDrawing
from dunestead.core.cutting.paths import CutPath
from dunestead.core.cutting.promise import Broken, broken_promises
from dunestead.core.errors import BadInput, UnknownKey
from dunestead.formats.dxf_sheet import read_dxf_cuts, write_dxf_sheet
from dunestead.formats.hpgl import read_hpgl_cuts, write_hpgl
from dunestead.formats.pdf import Paper, read_pdf, tiles_of, write_pdf, write_tiled_pdf
from dunestead.formats.png import mask_share, write_png
from dunestead.formats.svg.cutfile import read_cut_file
from dunestead.formats.svg.writer import write_sheet

__all__ = ["FORMATS", "SheetFormat", "sheet_file"]

# Marks drawn on light ground count as mask in the picture.
_PIXELS_OFF = 0.04
# A line keeps its length and place to this share and within this, mm.
_MARGIN = 10.0


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


def _told(drawing: SheetDrawing, cuts: Sequence[CutPath]) -> list[str]:
    if len(cuts) != len(drawing.cuts):
        return [f"It holds {len(cuts)} lines in place of {len(drawing.cuts)}."]
    broken: list[Broken] = broken_promises(drawing.promise, cuts)
    return [one.message for one in broken]


def _check_svg(data: bytes, drawing: SheetDrawing) -> list[str]:
    return _told(drawing, read_cut_file(data).paths)


def _check_dxf(data: bytes, drawing: SheetDrawing) -> list[str]:
    return _told(drawing, read_dxf_cuts(data, drawing.page[1]))


def _check_hpgl(data: bytes, drawing: SheetDrawing) -> list[str]:
    return _told(drawing, read_hpgl_cuts(data, drawing.page[1]))


def _check_pdf(data: bytes, drawing: SheetDrawing) -> list[str]:
    pages = read_pdf(data)
    if len(pages) != 1:
        return [f"It has {len(pages)} pages."]
    return _told(drawing, [CutPath(cut.points - _MARGIN) for cut in pages[0].cuts])


def _check_tiled(paper: Paper) -> Callable[[bytes, SheetDrawing], list[str]]:
    def check(data: bytes, drawing: SheetDrawing) -> list[str]:
        pages, tiles = read_pdf(data), tiles_of(drawing.page, paper)
        if len(pages) != len(tiles):
            return [f"It has {len(pages)} pages in place of {len(tiles)}."]
        for page, tile in zip(pages, tiles, strict=True):
            shift = (tile.x - _MARGIN, tile.y - _MARGIN)
            if faults := _told(drawing, [CutPath(cut.points + shift) for cut in page.cuts]):
                return [f"Page {tile.name}: {faults[0]}"]
        return []

    return check


def _check_png(data: bytes, drawing: SheetDrawing) -> list[str]:
    outline = shapely.node(shapely.MultiLineString([path.points for path in drawing.cuts]))
    faces = shapely.get_parts(shapely.polygonize(shapely.get_parts(outline)))
    solid = [shapely.Polygon(path.points) for path in drawing.cuts]
    tree = shapely.STRtree(solid)
    inside, _ = tree.query(shapely.point_on_surface(faces), predicate="within")
    counts = [int((inside == k).sum()) for k in range(len(faces))]
    area = sum(float(face.area) for face, count in zip(faces, counts, strict=True) if count % 2)
    off = abs(mask_share(data) - area / (drawing.page[0] * drawing.page[1]))
    return [] if off <= _PIXELS_OFF else [f"Its mask is off by {off * 100:.1f} % of the page."]


FORMATS: dict[str, SheetFormat] = {
    form.key: form
    for form in (
        SheetFormat("svg", "SVG", "svg", "image/svg+xml", lambda d: write_sheet(d).encode(), _check_svg),
        SheetFormat("dxf", "DXF", "dxf", "image/vnd.dxf", write_dxf_sheet, _check_dxf),
        SheetFormat("hpgl", "HP-GL", "plt", "application/vnd.hp-hpgl", write_hpgl, _check_hpgl),
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
