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
    noded = shapely.node(shapely.MultiLineString(lines))
    faces = shapely.get_parts(shapely.polygonize(shapely.get_parts(noded)))
    probes = shapely.get_coordinates(shapely.point_on_surface(faces)) if len(faces) else np.empty((0, 2))
    rings = [shapely.get_coordinates(line) for line in _without_doubles(lines) if line.is_closed]
    crossings = winding_numbers(probes, rings)[1] if rings else np.zeros(len(faces), int)
    pieces = tuple(
        FreePiece(float(face.area), (face.centroid.x, face.centroid.y), bool(count % 2), face)
        for face, count in zip(faces, crossings, strict=True)
    )
    told = broken_promises(promise, paths) if promise else []
    return CutReport(
        pieces,
        (
            *_open(paths),
            *_doubled(lines),
            *_nearly_doubled(lines),
            *_off(paths, stock),
            *(_beyond(paths, promise.reach) if promise else ()),
            *(Problem(broken.code, broken.at, broken.message) for broken in told),
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


def _signature(line: shapely.LineString) -> bytes:
    points = np.round(shapely.get_coordinates(shapely.normalize(line)) / _TWICE)
    return points.tobytes()


def _without_doubles(lines: list[shapely.LineString]) -> list[shapely.LineString]:
    return list({_canonical(line): line for line in lines}.values())


def _canonical(line: shapely.LineString) -> bytes:
    """Return the same bytes for the same closed line, wherever and whichever way it starts."""
    if not line.is_closed:
        return _signature(line)
    ring = shapely.normalize(shapely.Polygon(line))
    return bytes(np.round(shapely.get_coordinates(ring) / _TWICE).tobytes())


def _doubled(lines: list[shapely.LineString]) -> list[Problem]:
    seen: set[bytes] = set()
    problems = []
    for line in lines:
        key = _canonical(line)
        if key in seen:
            at = shapely.get_coordinates(line)[0]
            problems.append(
                Problem(
                    "doubled-path", _place(at), "The same line is cut twice; the second pass tears or cuts the mat."
                )
            )
        seen.add(key)
    return problems


def _nearly_doubled(lines: list[shapely.LineString]) -> list[Problem]:
    """Return the closed lines that run along another all the way, off by a hair or with other points."""
    tree = shapely.STRtree(lines)
    boxes = np.array([line.bounds for line in lines]).reshape(-1, 4)
    keys = [_canonical(line) for line in lines]
    one, other = tree.query(lines, "intersects" if len(lines) < 2 else "dwithin", _BESIDE)
    pairs = (one < other) & (np.abs(boxes[one] - boxes[other]) <= 2 * _BESIDE).all(axis=1)
    problems = []
    for i, j in zip(one[pairs].tolist(), other[pairs].tolist(), strict=True):
        if keys[i] != keys[j] and shapely.hausdorff_distance(lines[i], lines[j], densify=0.2) <= _BESIDE:
            at = shapely.get_coordinates(lines[j])[0]
            said = "A line is cut twice, a hair beside itself; the second pass tears or cuts the mat."
            problems.append(Problem("doubled-path", _place(at), said))
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
