"""Masks and sheets as SVG at true scale, in mm."""

from collections.abc import Sequence
from xml.sax.saxutils import escape

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.artwork.drawing import Drawing, Shape
from dunestead.core.artwork.painted import Painted, paint, paint_alone, unite
from dunestead.core.cutting.paths import CutPath, sheet_paths
from dunestead.core.geometry.affine import Affine
from dunestead.core.geometry.curves import Path
from dunestead.core.geometry.groups import group_labels
from dunestead.core.mask.tying import CutPlan
from dunestead.core.sheets.division import Sheet

__all__ = ["curve_data", "path_data", "write_drawing", "write_mask", "write_sheet"]

_DECIMALS = 4
_HAIRLINE = 0.1


def path_data(region: BaseGeometry, *, decimals: int = _DECIMALS) -> str:
    """Return SVG path data for a region: every ring closed, holes by the evenodd rule.

    Examples
    --------
    >>> path_data(shapely.box(0, 0, 2, 1))
    'M2 0L2 1L0 1L0 0Z'
    >>> path_data(shapely.MultiPolygon())
    ''
    """
    rings = shapely.get_rings(shapely.get_parts(region))
    return "".join(_ring_data(shapely.get_coordinates(ring)[:-1], decimals) + "Z" for ring in rings)


def _ring_data(points: npt.NDArray[np.float64], decimals: int) -> str:
    return "M" + "L".join(f"{_number(x, decimals)} {_number(y, decimals)}" for x, y in points.tolist())


def _number(value: float, decimals: int) -> str:
    text = f"{value:.{decimals}f}".rstrip("0").rstrip(".")
    return "0" if text in ("-0", "") else text


def _page(x: float, y: float, width: float, height: float, title: str, body: str) -> str:
    w, h = _number(width, _DECIMALS), _number(height, _DECIMALS)
    return (
        '<?xml version="1.0" encoding="UTF-8"?>\n'
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{w}mm" height="{h}mm" '
        f'viewBox="{_number(x, _DECIMALS)} {_number(y, _DECIMALS)} {w} {h}">\n'
        f"<title>{escape(title)}</title>\n{body}</svg>\n"
    )


def write_drawing(drawing: Drawing, width: float, title: str) -> str:
    """Return a drawing as artwork whose painted part is so wide, mm, at true scale with its curves kept.

    Filled shapes of one colour that overlap, as the letters of a joined script do, are merged.
    """
    painted = paint(drawing, width)
    filled = [shape for shape in drawing.shapes if shape.fill and not shape.stroke and not shape.clips]
    merged = _merged(filled, painted)
    body = ""
    for shape in drawing.shapes:
        if id(shape) in merged:
            continue
        body += _shape_markup(shape, painted.to_mm)
    for colour, region in dict.fromkeys(merged.values()):
        body += f'<path fill="{colour}" fill-rule="evenodd" d="{path_data(region)}"/>\n'
    return _page(0, 0, painted.width, painted.height, title, body)


def _merged(shapes: Sequence[Shape], painted: Painted) -> dict[int, tuple[str, BaseGeometry]]:
    """Return for each shape that overlaps another of its colour what it is merged into."""
    merged: dict[int, tuple[str, BaseGeometry]] = {}
    for colour in dict.fromkeys(shape.fill for shape in shapes):
        same = [shape for shape in shapes if shape.fill == colour]
        regions = [paint_alone(shape, painted.to_mm) for shape in same]
        pairs = shapely.STRtree(regions).query(regions, predicate="intersects").T
        group = group_labels(len(same), pairs[pairs[:, 0] < pairs[:, 1]])
        for label in np.flatnonzero(np.bincount(group) > 1).tolist():
            members = [k for k in range(len(same)) if group[k] == label]
            region = unite([regions[k] for k in members])
            merged |= {id(same[k]): (colour or "", region) for k in members}
    return merged


def _shape_markup(shape: Shape, to_mm: Affine) -> str:
    carried = shape.path.carried(shape.transform.then(to_mm))
    paint_of = f'fill="{shape.fill or "none"}" fill-rule="{shape.fill_rule}"'
    if shape.stroke and shape.pen:
        width = shape.pen.width * shape.transform.then(to_mm).stretch
        paint_of += (
            f' stroke="{shape.stroke}" stroke-width="{_number(width, _DECIMALS)}" '
            f'stroke-linecap="{shape.pen.cap}" stroke-linejoin="{shape.pen.join}"'
        )
    return f'<path {paint_of} d="{curve_data(carried)}"/>\n'


def curve_data(path: Path) -> str:
    """Return path data with lines and cubics as they are.

    Examples
    --------
    >>> curve_data(Path(np.empty((0, 4, 2)), np.empty(0, bool), np.empty(0, np.intp), ()))
    ''
    """
    data: list[str] = []
    for k, (controls, is_line) in enumerate(zip(path.segments.tolist(), path.is_line.tolist(), strict=True)):
        contour = path.contour[k]
        begins = k == 0 or path.contour[k - 1] != contour
        ends = k + 1 == len(path.segments) or path.contour[k + 1] != contour
        if begins:
            data.append("M" + _points(controls[:1]))
        closes = ends and path.closed[contour]
        if not (closes and is_line):
            data.append("L" + _points(controls[3:]) if is_line else "C" + _points(controls[1:]))
        if closes:
            data.append("Z")
    return "".join(data)


def _points(points: list[list[float]]) -> str:
    return " ".join(f"{_number(x, _DECIMALS)} {_number(y, _DECIMALS)}" for x, y in points)


def write_mask(plan: CutPlan, title: str) -> str:
    """Return the whole mask as one filled path; the origin is the top left of the painted box."""
    x0, y0, x1, y1 = plan.box
    body = f'<path id="mask" fill="#8a8f86" fill-rule="evenodd" stroke="none" d="{path_data(plan.material)}"/>\n'
    return _page(x0, y0, x1 - x0, y1 - y0, title, body)


def write_sheet(sheet: Sheet, of: int, title: str) -> str:
    """Return one sheet: cut lines as closed paths in the group ``cut``, marks in the group ``marks``."""
    cuts = "".join(f'<path d="{_cut_data(path)}"/>\n' for path in sheet_paths(sheet))
    facing = "cut mirrored" if sheet.mirrored else "cut as it reads"
    label = f"{title} / sheet {sheet.number} of {of} / {facing} / this side up"
    corner = min(sheet.width, sheet.height) / 40
    body = (
        f'<g id="cut" fill="none" stroke="#1f2a30" stroke-width="{_HAIRLINE}">\n{cuts}</g>\n'
        f'<g id="marks" fill="#c2571a" stroke="none">\n'
        f'<path d="M{_number(corner, 2)} {_number(corner, 2)}h{_number(corner, 2)}l-{_number(corner, 2)} '
        f'{_number(corner, 2)}Z"/>\n'
        f'<text x="{_number(3 * corner, 2)}" y="{_number(2 * corner, 2)}" '
        f'font-family="sans-serif" font-size="{_number(min(4.0, corner * 1.2), 2)}">{escape(label)}</text>\n</g>\n'
    )
    return _page(0, 0, sheet.width, sheet.height, label, body)


def _cut_data(path: CutPath) -> str:
    points = path.points[:-1] if path.is_closed else path.points
    return _ring_data(points, _DECIMALS) + ("Z" if path.is_closed else "")
