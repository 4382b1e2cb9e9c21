"""The cut lines of a patch, in the order they are cut."""

import math
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.sheets.division import Sheet

__all__ = ["CutPath", "sheet_paths", "travel_length"]

Points = npt.NDArray[np.float64]


@dataclass(frozen=True, slots=True, eq=False)
class CutPath:
    """One stroke of the knife: points ``(n, 2)`` in sheet mm; a closed one ends where it starts."""

    points: Points

    @property
    def is_closed(self) -> bool:
        """Whether the knife comes back to where it went in."""
        return len(self.points) > 2 and bool(np.allclose(self.points[0], self.points[-1], atol=1e-6))

    @property
    def length(self) -> float:
        """Length, mm."""
        return float(np.linalg.norm(np.diff(self.points, axis=0), axis=1).sum())

    @property
    def gap(self) -> float:
        """Distance from where the knife comes out to where it went in, mm."""
        return math.dist(self.points[0], self.points[-1])


def sheet_paths(sheet: Sheet) -> list[CutPath]:
    """Return the closed cut lines of a sheet: inner ones before outer ones, each next to the last.

    A piece cut out first would shift under the knife while its inside is cut; hence the
    deepest lines go first.
    """
    ordered: list[CutPath] = []
    here = (0.0, 0.0)
    for patch in sheet.patches:
        by_depth = _by_depth(patch.on_sheet())
        for depth in sorted(by_depth, reverse=True):
            for ring in _nearest_first(by_depth[depth], here):
                ordered.append(CutPath(ring))
                here = (float(ring[-1, 0]), float(ring[-1, 1]))
    return ordered


def _by_depth(shape: shapely.MultiPolygon) -> dict[int, list[Points]]:
    """Return the rings by how many others lie around them; the outline has depth 0."""
    outlines = [shapely.Polygon(part.exterior) for part in shape.geoms]
    tree = shapely.STRtree(outlines)
    rings: dict[int, list[Points]] = {}
    for part in shape.geoms:
        around = tree.query(part.representative_point(), predicate="within")
        depth = 2 * (len(around) - 1)
        rings.setdefault(depth, []).append(shapely.get_coordinates(part.exterior))
        for hole in part.interiors:
            rings.setdefault(depth + 1, []).append(shapely.get_coordinates(hole))
    return rings


def _nearest_first(rings: list[Points], here: tuple[float, float]) -> list[Points]:
    starts = np.array([ring[0] for ring in rings])
    left = np.ones(len(rings), bool)
    ordered = []
    for _ in rings:
        distance = np.where(left, np.hypot(starts[:, 0] - here[0], starts[:, 1] - here[1]), np.inf)
        nearest = int(np.argmin(distance))
        left[nearest] = False
        ordered.append(rings[nearest])
        here = (float(starts[nearest, 0]), float(starts[nearest, 1]))
    return ordered


def travel_length(paths: list[CutPath]) -> float:
    """Return how far the knife travels lifted, from the corner of the sheet through all paths, mm."""
    if not paths:
        return 0.0
    stops = [(0.0, 0.0), *(tuple(path.points[-1]) for path in paths[:-1])]
    return float(sum(math.dist(stop, path.points[0]) for stop, path in zip(stops, paths, strict=True)))
