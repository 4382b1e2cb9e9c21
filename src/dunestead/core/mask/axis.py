"""How wide is it, and where? Widths of paint and of mask along their medial axes.

The Voronoi diagram of points along the paint's edge approximates the medial axis of the paint
(inside) and of the mask (outside) at once; widths are then taken exactly, from the edge's
segments. Source of the idea: Blum's medial axis; its approximation by Voronoi diagrams:
Brandt and Algazi 1992.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass, field
from functools import lru_cache

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.artwork.painted import Painted
from dunestead.core.mask.loose import LoosePiece
from dunestead.core.tolerances import TOLERANCES

__all__ = ["AxisSide", "Widths", "measure_widths"]

Points = npt.NDArray[np.float64]
Floats = npt.NDArray[np.float64]
Ints = npt.NDArray[np.intp]
Bools = npt.NDArray[np.bool_]
# A stretch of axis on which the diameter shrinks by more than this share of the way runs into a corner.
_CORNER_SLOPE = 0.5
_MOST_SITES = 12_000
# Curves are thinned to this before sites are set: a quarter of what widths are trusted to.
_THINNED = 0.04
# Between sites across from each other the edge runs at least this many times as far as straight across.
_LEAST_DETOUR = 1.2
# Two edges face each other when seen at over 110 degrees from each other; this is its cosine.
_FACING = -0.34


@dataclass(frozen=True, slots=True, eq=False)
class AxisSide:
    """The medial axis on one side of the paint's edge, without the stretches that run into corners.

    Attributes
    ----------
    at
        Shape ``(n, 2)``, mm.
    diameter
        Shape ``(n,)``, mm: of the largest disc around each point that touches the edge from within.
    links
        Shape ``(m, 2)``: which points follow each other.
    """

    at: Points
    diameter: Floats
    links: Ints

    def least(self) -> tuple[float, tuple[float, float]] | None:
        """Return the least diameter and where it is; None when there is no axis."""
        if not len(self.diameter):
            return None
        i = int(np.argmin(self.diameter))
        return float(self.diameter[i]), (float(self.at[i, 0]), float(self.at[i, 1]))


_NO_AXIS = AxisSide(np.empty((0, 2)), np.empty(0), np.empty((0, 2), np.intp))


@dataclass(frozen=True, slots=True)
class Widths:
    """Widths of the paint and of the mask.

    Attributes
    ----------
    strokes, webs
        Axes of the paint, and of the mask between two painted places.
    parts
        Diameter in mm of the largest disc in each loose piece, in their order.
    """

    key: str
    strokes: AxisSide = field(compare=False)
    webs: AxisSide = field(compare=False)
    parts: tuple[float, ...] = field(compare=False)


@dataclass(frozen=True, slots=True, eq=False)
class _Sites:
    """Points along the paint's edge, each with the segment it lies on.

    ``arc`` is the way along its ring; ``polygon`` and ``piece`` say per ring whose paint is on
    its one side and which loose piece, if any (else -1), on the other.
    """

    at: Points
    start: Points
    end: Points
    arc: Floats
    ring: Ints
    ring_length: Floats
    polygon: Ints
    piece: Ints


@lru_cache(maxsize=64)
def measure_widths(painted: Painted, loose: tuple[LoosePiece, ...], spacing: float) -> Widths:
    """Return the widths of a painted region and of the mask around and within it.

    Parameters
    ----------
    painted
        The region. Its outer frame does not count: discs touch paint on both sides.
    loose
        The loose pieces of its mask.
    spacing
        Distance of sites along the edge, mm; widths down to twice this are found reliably, and
        finer ones where the edge itself has vertices.
    """
    sites = _sites(painted.region, loose, spacing)
    diagram = _voronoi(sites.at)
    if diagram is None:
        return Widths(painted.key, _NO_AXIS, _NO_AXIS, tuple(_thickness(piece.shape) for piece in loose))
    vertices, ridges, pairs = diagram
    across = _is_across(pairs, sites)
    diameter = _diameters(vertices, ridges, pairs, across, sites)
    inside = _inside(painted.region, vertices)
    links = ridges[across]
    ring: Ints = np.zeros(len(vertices), np.intp)
    ring[ridges.ravel()] = np.repeat(sites.ring[pairs[:, 0]], 2)
    blot, counter = np.where(inside, sites.polygon[ring], -1), np.where(inside, -1, sites.piece[ring])
    strokes = _axis_nodes(vertices, diameter, links[inside[links].all(axis=1)], blot)
    webs = _axis_nodes(vertices, diameter, links[~inside[links].any(axis=1)], counter)
    widest = _widest(counter, diameter)
    return Widths(
        painted.key,
        AxisSide(vertices[strokes[0]], diameter[strokes[0]], strokes[1]),
        AxisSide(vertices[webs[0]], diameter[webs[0]], webs[1]),
        tuple(float(diameter[widest[k]]) if k in widest else _thickness(piece.shape) for k, piece in enumerate(loose)),
    )


def _inside(region: shapely.MultiPolygon, points: Points) -> Bools:
    inside = np.zeros(len(points), bool)
    inside[:] = shapely.contains_xy(region, points)
    return inside


def _voronoi(sites: Points) -> tuple[Points, Ints, Ints] | None:
    """Return the Voronoi diagram of sites: its vertices, its bounded ridges, and the two sites of each ridge.

    It is read off the Delaunay triangles, whose circumcentres are its vertices. None when the
    sites span no triangle.
    """
    # Loading this takes as long as measuring a usual artwork, which a refused file need not wait for.
    from scipy.spatial import Delaunay, QhullError

    try:
        triangles = Delaunay(sites)
    except QhullError:
        return None
    corners, beside = triangles.simplices.astype(np.intp), triangles.neighbors
    centres = _circumcentres(*(sites[corners[:, k]] for k in range(3)))
    owner, opposite = np.nonzero(beside > np.arange(len(corners))[:, None])
    ridges = np.column_stack([owner, beside[owner, opposite]])
    pairs = np.column_stack([corners[owner, (opposite + 1) % 3], corners[owner, (opposite + 2) % 3]])
    sound: Bools = np.isfinite(centres[:, 0]) & np.isfinite(centres[:, 1])
    bounded = sound[ridges[:, 0]] & sound[ridges[:, 1]]
    return np.where(sound[:, None], centres, 0.0), ridges[bounded], pairs[bounded]


def _circumcentres(a: Points, b: Points, c: Points) -> Points:
    """Return the centres of circles through three points; flat triangles have none and give inf or nan."""
    b, c = b - a, c - a
    b2, c2 = np.einsum("ij,ij->i", b, b), np.einsum("ij,ij->i", c, c)
    with np.errstate(divide="ignore", invalid="ignore"):
        scale = 0.5 / (b[:, 0] * c[:, 1] - b[:, 1] * c[:, 0])
        x, y = (c[:, 1] * b2 - b[:, 1] * c2) * scale, (b[:, 0] * c2 - c[:, 0] * b2) * scale
    centres: Points = a + np.column_stack([x, y])
    return centres


def _sites(region: shapely.MultiPolygon, loose: Sequence[LoosePiece], spacing: float) -> _Sites:
    rings, polygon = shapely.get_rings(shapely.get_parts(region), return_index=True)
    piece = _pieces_beside(rings, loose)
    rings = shapely.simplify(rings, _THINNED)
    spacing = max(spacing, float(shapely.length(rings).sum()) / _MOST_SITES)
    corners, owner = shapely.get_coordinates(rings, return_index=True)
    same = owner[:-1] == owner[1:]
    start, end, ring = corners[:-1][same], corners[1:][same], owner[:-1][same]
    length = np.linalg.norm(end - start, axis=1)
    count = np.maximum(np.rint(length / spacing), 1).astype(np.intp)
    segment = np.repeat(np.arange(len(start)), count)
    first = np.cumsum(count) - count
    share = ((np.arange(len(segment)) - first[segment]) + 0.5) / count[segment]
    before = np.cumsum(length) - length
    ring_start = np.append(True, ring[1:] != ring[:-1])
    before = before - np.repeat(before[ring_start], np.bincount(ring))
    return _Sites(
        at=start[segment] + share[:, None] * (end - start)[segment],
        start=start[segment],
        end=end[segment],
        arc=before[segment] + share * length[segment],
        ring=ring[segment],
        ring_length=shapely.length(rings),
        polygon=polygon,
        piece=piece,
    )


def _pieces_beside(rings: npt.NDArray[np.object_], loose: Sequence[LoosePiece]) -> Ints:
    """Return for each ring of the paint the index of the loose piece along its other side, or -1."""
    beside = np.full(len(rings), -1)
    tree = shapely.STRtree([piece.shape for piece in loose])
    middle = shapely.line_interpolate_point(
        shapely.linestrings([shapely.get_coordinates(r)[:2] for r in rings]), 0.5, True
    )
    ring, piece = tree.query(middle, predicate="dwithin", distance=TOLERANCES.grid / 4)
    beside[ring] = piece
    return beside


def _diameters(vertices: Points, ridges: Ints, pairs: Ints, across: Bools, sites: _Sites) -> Floats:
    """Return for each vertex the width there: the least sum of distances to two edges across from each other.

    The sum does not depend on how far from the middle the vertex lies, so it is true to
    the width even where sites are sparse. Where no edges lie across, it is twice the
    distance to the nearest.
    """
    diameter, nearest = np.full(len(vertices), np.inf), np.full(len(vertices), np.inf)
    for column in (0, 1):
        vertex = ridges[:, column]
        first, second = (_away(vertices[vertex], sites, pairs[:, site]) for site in (0, 1))
        reach, other = np.hypot(*first.T), np.hypot(*second.T)
        facing = across & (np.einsum("ij,ij->i", first, second) < _FACING * reach * other)
        np.minimum.at(nearest, vertex, np.minimum(reach, other))
        np.minimum.at(diameter, vertex[facing], (reach + other)[facing])
    return np.where(np.isfinite(diameter), diameter, 2 * nearest)


def _away(points: Points, sites: _Sites, site: Ints) -> Points:
    """Return the vectors to points from the nearest places on the segments of their sites."""
    start, along = sites.start[site], sites.end[site] - sites.start[site]
    from_start = points - start
    share = np.einsum("ij,ij->i", from_start, along) / np.maximum(np.einsum("ij,ij->i", along, along), 1e-18)
    away: Points = from_start - np.clip(share, 0, 1)[:, None] * along
    return away


def _is_across(pairs: Ints, sites: _Sites) -> Bools:
    """Keep the ridges whose two sites lie across from each other, not next to each other along the edge.

    Across, the edge between the two sites runs further than straight from one to the other;
    where it does not, the ridge only separates neighbours on a straight or gently curved edge.
    """
    i, j = pairs[:, 0], pairs[:, 1]
    way = np.abs(sites.arc[i] - sites.arc[j])
    way = np.where(sites.ring[i] == sites.ring[j], np.minimum(way, sites.ring_length[sites.ring[i]] - way), np.inf)
    apart = sites.at[i] - sites.at[j]
    result: Bools = way > _LEAST_DETOUR * np.hypot(apart[:, 0], apart[:, 1])
    return result


def _axis_nodes(vertices: Points, diameter: Floats, links: Ints, part: Ints) -> tuple[Ints, Ints]:
    """Return which vertices are on the axis, and the links between them by place in that list.

    A part that is all corners and so keeps no stretch of axis, such as a dot, is stood for
    by its largest disc.
    """
    links = _without_corners(vertices, diameter, links)
    has_axis = set(part[links.ravel()].tolist())
    blots = [centre for key, centre in _widest(part, diameter).items() if key not in has_axis]
    kept, place = np.unique(np.append(links.ravel(), np.array(blots, np.intp)), return_inverse=True)
    return kept, place[: links.size].reshape(-1, 2)


def _widest(part: Ints, diameter: Floats) -> dict[int, int]:
    """Return for each part (counted from 0) the vertex with the largest disc."""
    usable = np.flatnonzero(part >= 0)
    order = usable[np.argsort(diameter[usable], kind="stable")]
    return dict(zip(part[order].tolist(), order.tolist(), strict=True))


def _thickness(shape: shapely.Polygon) -> float:
    """Bound the width of a shape too small for any vertex of the diagram by its area and edge."""
    return 2 * float(shape.area / shape.length)


def _without_corners(vertices: Points, diameter: Floats, links: Ints) -> Ints:
    """Take off, from their free ends inwards, the stretches along which the diameter shrinks too fast.

    A stretch is judged over its whole way from the free end, so that the noise of a single
    link does not decide. Where stretches taken off leave a new free end, it is judged in turn.
    """
    neighbours: dict[int, set[int]] = {}
    for a, b in links.tolist():
        neighbours.setdefault(a, set()).add(b)
        neighbours.setdefault(b, set()).add(a)
    tips = [node for node, near in neighbours.items() if len(near) == 1]
    gone: set[int] = set()
    while tips:
        path = _corner_stretch(tips.pop(), neighbours, vertices, diameter)
        for node in path[:-1]:
            gone.add(node)
            for near in neighbours.pop(node):
                neighbours[near].discard(node)
        if len(path) > 1 and len(neighbours[path[-1]]) == 1:
            tips.append(path[-1])
    if not gone:
        return links
    keep = ~np.isin(links, np.fromiter(gone, np.intp)).any(axis=1)
    return links[keep]


def _corner_stretch(tip: int, neighbours: dict[int, set[int]], vertices: Points, diameter: Floats) -> list[int]:
    """Return the nodes from a free end to where the stretch into the corner begins, that one included."""
    path, cut, way, node, previous = [tip], 0, 0.0, tip, -1
    while len(near := neighbours.get(node, set()) - {previous}) == 1:
        previous, node = node, next(iter(near))
        way += math.dist(vertices[previous], vertices[node])
        path.append(node)
        if diameter[node] - diameter[tip] > _CORNER_SLOPE * way:
            cut = len(path) - 1
        elif way > diameter[node]:
            break
    return path[: cut + 1]
