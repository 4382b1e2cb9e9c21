"""Cut a file before the knife does: what comes free, and what is wrong with the file."""

from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.cutting.paths import CutPath
from dunestead.core.cutting.promise import Promise, broken_promises
from dunestead.core.geometry.rings import winding_numbers

__all__ = ["CutReport", "FreePiece", "Problem", "simulate_cut"]

# A knife is about this wide: ends nearer than this meet.
_KERF = 0.05
_TWICE = 0.02
# A line nowhere further than this from another is the same line once more, mm.
_BESIDE = 0.25


@dataclass(frozen=True, slots=True)
class FreePiece:
    """Something that comes free of the stock.

    Attributes
    ----------
    area, centroid
        mm², mm in sheet coordinates.
    is_mask
        True for what belongs to a mask (inside an odd number of cuts), False for what is
        weeded out of one.
    """

    area: float
    centroid: tuple[float, float]
    is_mask: bool
    shape: shapely.Polygon = field(compare=False)


@dataclass(frozen=True, slots=True)
class Problem:
    """Something wrong with a cut file, and where, mm."""

    code: str
    at: tuple[float, float]
    message: str


@dataclass(frozen=True, slots=True)
class CutReport:
    """The outcome of a simulated cut."""

    pieces: tuple[FreePiece, ...]
    problems: tuple[Problem, ...]


def simulate_cut(
    paths: Sequence[CutPath], stock: tuple[float, float] | None, promise: Promise | None = None
) -> CutReport:
    """Cut paths into stock and report what comes free.

    Parameters
    ----------
    paths
        Open or closed, sheet mm.
    stock
        Width and height of the material from the origin; None when the file does not say.
    promise
        What the file says of itself, if anything.

    Notes
    -----
    All cuts are noded and the faces between them taken: a face with cuts all around comes
    free, whatever paths it was cut by, just as on the mat.
    """
    if not paths:
        return CutReport((), (Problem("no-cuts", (0.0, 0.0), "There is nothing to cut in this file."),))
    lines = [shapely.LineString(_closed_if_near(path)) for path in paths if len(path.points) > 1]
    keys = _keys(lines)
    noded = shapely.node(shapely.MultiLineString(lines))
    faces = shapely.get_parts(shapely.polygonize(shapely.get_parts(noded)))
    probes = shapely.get_coordinates(shapely.point_on_surface(faces)) if len(faces) else np.empty((0, 2))
    once = dict(zip(keys, lines, strict=True)).values()
    rings = [shapely.get_coordinates(line) for line in once if line.is_closed]
    crossings = winding_numbers(probes, rings)[1] if rings else np.zeros(len(faces), int)
    centres = shapely.get_coordinates(shapely.centroid(faces)).tolist()
    pieces = tuple(
        FreePiece(area, (x, y), odd, face)
        for face, area, (x, y), odd in zip(
            faces, shapely.area(faces).tolist(), centres, (crossings % 2 == 1).tolist(), strict=True
        )
    )
    unkept = broken_promises(promise, paths) if promise else []
    return CutReport(
        pieces,
        (
            *_open(paths),
            *_doubled(lines, keys),
            *_nearly_doubled(lines, keys),
            *_off(paths, stock),
            *(_beyond(paths, promise.reach) if promise else ()),
            *(Problem(broken.code, broken.at, broken.message) for broken in unkept),
        ),
    )


def _closed_if_near(path: CutPath) -> npt.NDArray[np.float64]:
    points = path.points
    if not path.is_closed and len(points) > 2 and path.gap <= _KERF:
        return np.vstack([points, points[:1]])
    return points


def _open(paths: Sequence[CutPath]) -> list[Problem]:
    return [
        Problem(
            "open-path",
            _place(path.points[-1]),
            f"A cut stops {path.gap:.2f} mm short of where it began; what it should free stays attached.",
        )
        for path in paths
        if not path.is_closed and path.gap > _KERF
    ]


def _keys(lines: Sequence[shapely.LineString]) -> list[bytes]:
    """Return the same bytes for the same line, wherever and whichever way it starts."""
    alike = shapely.normalize([shapely.Polygon(line) if _bounds(line) else line for line in lines])
    points, owner = shapely.get_coordinates(alike, return_index=True)
    whole = np.round(points / _TWICE)
    return [part.tobytes() for part in np.split(whole, np.searchsorted(owner, np.arange(1, len(lines))))]


def _bounds(line: shapely.LineString) -> bool:
    return bool(line.is_closed) and len(line.coords) > 3


def _doubled(lines: Sequence[shapely.LineString], keys: Sequence[bytes]) -> list[Problem]:
    seen: set[bytes] = set()
    problems = []
    for line, key in zip(lines, keys, strict=True):
        if key in seen:
            at = shapely.get_coordinates(line)[0]
            problems.append(
                Problem(
                    "doubled-path", _place(at), "The same line is cut twice; the second pass tears or cuts the mat."
                )
            )
        seen.add(key)
    return problems


def _nearly_doubled(lines: Sequence[shapely.LineString], keys: Sequence[bytes]) -> list[Problem]:
    """Return the closed lines that run along another all the way, off by a hair or with other points."""
    tree = shapely.STRtree(lines)
    boxes = shapely.bounds(lines).reshape(-1, 4)
    one, other = tree.query(lines, "intersects" if len(lines) < 2 else "dwithin", _BESIDE)
    pairs = (one < other) & (np.abs(boxes[one] - boxes[other]) <= 2 * _BESIDE).all(axis=1)
    problems = []
    for i, j in zip(one[pairs].tolist(), other[pairs].tolist(), strict=True):
        if keys[i] != keys[j] and shapely.hausdorff_distance(lines[i], lines[j], densify=0.2) <= _BESIDE:
            at = shapely.get_coordinates(lines[j])[0]
            message = "A line is cut twice, a hair beside itself; the second pass tears or cuts the mat."
            problems.append(Problem("doubled-path", _place(at), message))
    return problems


def _off(paths: Sequence[CutPath], stock: tuple[float, float] | None) -> list[Problem]:
    if not stock:
        return []
    problems = []
    for path in paths:
        low, high = path.points.min(axis=0), path.points.max(axis=0)
        if (low < -_KERF).any() or (high > np.array(stock) + _KERF).any():
            over = max(-low.min(), (high - np.array(stock)).max())
            problems.append(
                Problem("off-sheet", _place(path.points[0]), f"A cut runs {over:.1f} mm over the edge of the sheet.")
            )
    return problems


def _beyond(paths: Sequence[CutPath], reach: tuple[float, float]) -> list[Problem]:
    problems = []
    for path in paths:
        over = float((path.points.max(axis=0) - np.array(reach)).max())
        if over > _KERF:
            problems.append(
                Problem("off-reach", _place(path.points[0]), f"A cut runs {over:.1f} mm beyond the cutter's reach.")
            )
    return problems


def _place(point: npt.NDArray[np.float64]) -> tuple[float, float]:
    return (float(point[0]), float(point[1]))
