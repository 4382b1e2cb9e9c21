"""A cut file read back: the lines the knife will follow, in mm."""

from dataclasses import dataclass

import numpy as np

from dunestead.core.cutting.paths import CutPath
from dunestead.core.errors import ArtworkEmpty
from dunestead.core.geometry.affine import Affine
from dunestead.core.geometry.curves import flatten
from dunestead.core.tolerances import TOLERANCES
from dunestead.formats.svg.reader import read_svg

__all__ = ["CutFile", "read_cut_file"]

_GROUP = "cut"


@dataclass(frozen=True, slots=True)
class CutFile:
    """Cut lines in file order, and the page they are on: width and height in mm, None when not said."""

    paths: tuple[CutPath, ...]
    page: tuple[float, float] | None


def read_cut_file(data: bytes) -> CutFile:
    """Read the cut lines of an SVG.

    The lines of a group called ``cut`` are taken if there is one, else every line of the file.

    Raises
    ------
    ArtworkUnreadable, ArtworkRefused
        As for any SVG.
    ArtworkEmpty
        When there is no line in it.
    """
    drawing = read_svg(data)
    shapes = [shape for shape in drawing.shapes if _GROUP in shape.groups] or list(drawing.shapes)
    page = drawing.page
    to_mm = Affine()
    if page:
        to_mm = Affine.translation(-page.x, -page.y).then(Affine.scaling(page.unit_mm))
    paths = []
    for shape in shapes:
        for line in flatten(shape.path, shape.transform.then(to_mm), TOLERANCES.flatness):
            points = line.points
            if line.closed and not np.array_equal(points[0], points[-1]):
                points = np.vstack([points, points[:1]])
            if len(points) > 1:
                paths.append(CutPath(points))
    if not paths:
        raise ArtworkEmpty("This file has no lines to cut.", "Choose a sheet file, or any SVG with paths in it.")
    return CutFile(tuple(paths), (page.width * page.unit_mm, page.height * page.unit_mm) if page else None)
