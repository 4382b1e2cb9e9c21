"""A cut file read back: the lines the knife will follow, in mm."""

import json
from dataclasses import dataclass
from itertools import groupby
from typing import Any

import numpy as np
from pydantic import TypeAdapter

from dunestead.core.cutting.paths import CutPath
from dunestead.core.cutting.promise import Promise
from dunestead.core.errors import ArtworkEmpty
from dunestead.core.geometry.affine import Affine
from dunestead.core.geometry.curves import flatten, join_paths
from dunestead.core.tolerances import TOLERANCES
from dunestead.formats.svg.guard import SVG, parse_xml
from dunestead.formats.svg.reader import read_svg
from dunestead.formats.svg.writer import PROMISE_ID, seal_of

__all__ = ["CutFile", "read_cut_file"]

_GROUP = "cut"
_PROMISE = TypeAdapter(Promise)


@dataclass(frozen=True, slots=True)
class CutFile:
    """Cut lines in file order, and the page they are on: width and height in mm, None when not said.

    Attributes
    ----------
    promise
        What the file says of itself; None for a file that is not one of our sheets.
    """

    paths: tuple[CutPath, ...]
    page: tuple[float, float] | None
    promise: Promise | None = None
    is_damaged: bool = False


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
    for transform, alike in groupby(shapes, key=lambda shape: shape.transform):
        for line in flatten(join_paths([shape.path for shape in alike]), transform.then(to_mm), TOLERANCES.flatness):
            points = line.points
            if line.closed and not np.array_equal(points[0], points[-1]):
                points = np.vstack([points, points[:1]])
            if len(points) > 1:
                paths.append(CutPath(points))
    if not paths:
        raise ArtworkEmpty("This file has no lines to cut.", "Choose a sheet file, or any SVG with paths in it.")
    size = (page.width * page.unit_mm, page.height * page.unit_mm) if page else None
    promise, is_damaged = _promise(data)
    return CutFile(tuple(paths), size, promise, is_damaged)


def _promise(data: bytes) -> tuple[Promise | None, bool]:
    """Return what a file says of itself, and whether that was damaged or changed; None when it says nothing."""
    for element in parse_xml(data).iter(f"{SVG}metadata"):
        if element.get("id") == PROMISE_ID:
            try:
                stated = json.loads(element.text or "")
                promise = _PROMISE.validate_python(_named(stated))
            except (ValueError, TypeError, KeyError):
                return None, True
            return promise, "seal" in stated and stated["seal"] != seal_of(stated)
    return None, False


def _named(stated: dict[str, Any]) -> dict[str, Any]:
    names = ("x", "y", "length", "depth", "lean")
    kept = {key: value for key, value in stated.items() if key != "seal"}
    # Files written before lines were known by their lean have four figures a line.
    return {**kept, "lines": [dict(zip(names, line, strict=False)) for line in stated["lines"]]}
