"""Masks and sheets as SVG at true scale, in mm."""

import hashlib
import json
from collections.abc import Sequence
from typing import Any
from xml.sax.saxutils import escape

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.artwork.drawing import Drawing, Shape
from dunestead.core.artwork.painted import Painted, paint, paint_alone, unite
from dunestead.core.cutting.drawing import SheetDrawing
from dunestead.core.cutting.paths import CutPath
from dunestead.core.cutting.promise import Promise
from dunestead.core.geometry.affine import Affine
from dunestead.core.geometry.curves import Path
from dunestead.core.geometry.groups import group_labels
from dunestead.core.mask.tying import CutPlan

__all__ = [
    "PROMISE_ID",
    "curve_data",
    "path_data",
    "promise_json",
    "rings_data",
    "seal_of",
    "write_drawing",
    "write_mask",
    "write_sheet",
]

PROMISE_ID = "what-is-cut"

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
    return rings_data(shapely.get_rings(shapely.get_parts(region)), decimals=decimals)


def rings_data(rings: npt.NDArray[np.object_], *, decimals: int = _DECIMALS) -> str:
    """Return SVG path data for rings, every one closed."""
    return "".join(_ring_data(shapely.get_coordinates(ring)[:-1], decimals) + "Z" for ring in rings)


def _ring_data(points: npt.NDArray[np.float64], decimals: int) -> str:
    # Adding nought takes the sign from a nought.
    numbers = (np.round(points, decimals) + 0.0).ravel().tolist()
    return "M" + "L".join(["%.12g %.12g"] * len(points)) % tuple(numbers)


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


def write_sheet(drawing: SheetDrawing) -> str:
    """Return one sheet: cut lines as closed paths in the group ``cut``, marks in the group ``marks``.

    What the file says of itself stands in a ``metadata`` element, to be held against its lines when it is read.
    """
    cuts = "".join(f'<path d="{_cut_data(path)}"/>\n' for path in drawing.cuts)
    lines = "".join(f'<path d="{_ring_data(np.array(line.points), 2)}"/>\n' for line in drawing.lines)
    texts = "".join(
        f'<text x="{_number(text.at[0], 2)}" y="{_number(text.at[1], 2)}" font-size="{_number(text.height, 2)}">'
        f"{escape(text.text)}</text>\n"
        for text in drawing.texts
    )
    promised = promise_json(drawing.promise)
    promise = escape(json.dumps({**promised, "seal": seal_of(promised)}, separators=(",", ":")))
    body = (
        f'<metadata id="{PROMISE_ID}">{promise}</metadata>\n'
        f'<g id="cut" fill="none" stroke="#1f2a30" stroke-width="{_HAIRLINE}">\n{cuts}</g>\n'
        f'<g id="marks" fill="#c2571a" stroke="none" font-family="sans-serif">\n'
        f'<path d="{_ring_data(np.array(drawing.flag), 2)}Z"/>\n'
        f'<g fill="none" stroke="#c2571a" stroke-width="{2 * _HAIRLINE}">\n{lines}</g>\n{texts}</g>\n'
    )
    return _page(0, 0, *drawing.page, drawing.label, body)


def seal_of(promised: dict[str, Any]) -> str:
    """Return what tells whether an account was changed after it was written."""
    plain = json.dumps({key: value for key, value in promised.items() if key != "seal"}, sort_keys=True)
    return hashlib.sha256(plain.encode()).hexdigest()[:16]


def _rounded_lean(lean: tuple[float, float, float] | None) -> list[float] | None:
    return None if lean is None else [round(lean[0], 3), round(lean[1], 3), round(lean[2], 5)]


def promise_json(promise: Promise) -> dict[str, Any]:
    """Return what a file says of itself as it is written: lengths in mm."""
    return {
        "page": [round(side, 3) for side in promise.page],
        "reach": [round(side, 3) for side in promise.reach],
        "mirrored": promise.mirrored,
        "lines": [
            [round(line.x, 3), round(line.y, 3), round(line.length, 3), line.depth, _rounded_lean(line.lean)]
            for line in promise.lines
        ],
    }


def _cut_data(path: CutPath) -> str:
    points = path.points[:-1] if path.is_closed else path.points
    return _ring_data(points, _DECIMALS) + ("Z" if path.is_closed else "")
