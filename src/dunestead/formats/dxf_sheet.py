"""A sheet as DXF, in mm, y up: cut lines on the layer CUT, marks on the layer MARKS."""

import io

import numpy as np

from dunestead.core.cutting.drawing import SheetDrawing
from dunestead.core.cutting.paths import CutPath

__all__ = ["read_dxf_cuts", "write_dxf_sheet"]

_CUT, _MARKS = "CUT", "MARKS"
_MM = 4


def write_dxf_sheet(drawing: SheetDrawing) -> bytes:
    """Return a sheet as DXF of the year 2010."""
    # Loading it takes a second.
    from ezdxf.filemanagement import new

    document = new("R2010")
    document.header["$INSUNITS"] = _MM
    document.header["$MEASUREMENT"] = 1
    document.layers.add(_CUT, color=7)
    document.layers.add(_MARKS, color=30)
    space, height = document.modelspace(), drawing.page[1]
    for path in drawing.cuts:
        points = path.points[:-1] if path.is_closed else path.points
        flipped = np.column_stack([points[:, 0], height - points[:, 1]])
        space.add_lwpolyline(flipped.tolist(), close=path.is_closed, dxfattribs={"layer": _CUT})
    for line in drawing.lines:
        space.add_lwpolyline([(x, height - y) for x, y in line.points], dxfattribs={"layer": _MARKS})
    space.add_lwpolyline([(x, height - y) for x, y in drawing.flag], close=True, dxfattribs={"layer": _MARKS})
    for text in drawing.texts:
        space.add_text(text.text, height=text.height, dxfattribs={"layer": _MARKS}).set_placement(
            (text.at[0], height - text.at[1])
        )
    held = io.StringIO()
    document.write(held)
    return held.getvalue().encode("utf-8")


def read_dxf_cuts(data: bytes, height: float) -> tuple[CutPath, ...]:
    """Return the cut lines of a sheet's DXF, sheet mm, y down.

    Parameters
    ----------
    data
        The file.
    height
        Of the page, mm.
    """
    from ezdxf.filemanagement import read

    document = read(io.StringIO(data.decode("utf-8")))
    paths = []
    for line in document.modelspace().query(f'LWPOLYLINE[layer=="{_CUT}"]'):
        points = np.array([(x, y) for x, y, *_ in line.get_points()])  # type: ignore[attr-defined]
        if line.closed:  # type: ignore[attr-defined]
            points = np.vstack([points, points[:1]])
        paths.append(CutPath(np.column_stack([points[:, 0], height - points[:, 1]])))
    return tuple(paths)
