"""How wide is it, and where? Widths of paint and of mask along their medial axes.

The Voronoi diagram of points along the paint's edge approximates the medial axis of the paint
(inside) and of the mask (outside) at once; widths are then taken exactly, from the edge's
segments. Source of the idea: Blum's medial axis; its approximation by Voronoi diagrams:
Brandt and Algazi 1992.
"""

from collections.abc import Sequence
from dataclasses import dataclass, field
from functools import lru_cache

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.artwork.painted import Painted
from dunestead.core.checkpoints import tell
from dunestead.core.geometry.affine import Affine
from dunestead.core.geometry.groups import group_labels
from dunestead.core.geometry.hairs import touching_places
from dunestead.core.geometry.voronoi import voronoi
from dunestead.core.mask.corners import without_corners
from dunestead.core.mask.edge import Edge, Sites
from dunestead.core.mask.loose import LoosePiece
from dunestead.core.tolerances import TOLERANCES

__all__ = ["AxisSide", "Widths", "forget_widths", "measure_widths"]

Points = npt.NDArray[np.float64]
Floats = npt.NDArray[np.float64]
Ints = npt.NDArray[np.intp]
Bools = npt.NDArray[np.bool_]
# Sites a usual and even a heavy artwork is measured with in a fraction of a second.
_MOST_SITES = 12_000
# Each round halves the slant at which a width is seen; after six there is none left to speak of.
_MOST_ROUNDS = 6
# The two sides of a point meet within so many times its width along the edge: a taper of over eleven degrees.
_POINTED = 10.0
# Sites further apart than this many times the width they face are set closer.
_SPARSE = 1.3
# A width is first seen at a slant, so that closing up overshoots a little saves a round.
_CLOSER = 0.7
# A taper ends in a point when no more than this share of its width is left: a stroke sooner counts as a thin one than
# the mask does, whose free ends lie in the corners of letters, often cut blunt, and are pulled at by nothing.
_STROKE_POINT, _WEB_POINT = 0.1, 0.25
# A round that would set no more than this share of sites anew is not worth its time.
_TOO_FEW = 0.0005
# The least width that usually matters in a design of the size at which designs are reckoned, and by how much its
# curves are thinned, mm. Sites start at half the one from each other and close up where the design is narrower.
_FINEST, _THINNED = 3.0, 0.02
# Sites come no closer than this, mm, so that widths under the other are seen in pieces.
_CLOSEST, _UNSURE = 0.15, 0.375
# Nearer than this share of the way to its sites no edge is to a vertex that is on the axis.
_ON_AXIS = 0.5
# Edges within about 35 degrees of each other run along each other; this is its cosine.
_PARALLEL = 0.82
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
    way
        Shape ``(n,)``, mm along the edge between the places each disc touches; infinite where they are on
        different edges.
    """

    at: Points
    diameter: Floats
    links: Ints
    way: Floats

    def scaled(self, factor: float) -> "AxisSide":
        """Return the axis of the same design so many times larger."""
        return AxisSide(self.at * factor, self.diameter * factor, self.links, self.way * factor)

    def where(self, kept: Bools) -> "AxisSide":
        """Return the points of an axis for which a mask holds, without their links."""
        return AxisSide(self.at[kept], self.diameter[kept], _NO_LINKS, self.way[kept])

    def least(self) -> tuple[float, tuple[float, float]] | None:
        """Return the least diameter and where it is; None when there is no axis."""
        if not len(self.diameter):
            return None
        i = int(np.argmin(self.diameter))
        return float(self.diameter[i]), (float(self.at[i, 0]), float(self.at[i, 1]))

    def stretches_under(self, width: float) -> list[Ints]:
        """Return the points of each connected stretch narrower than a width, the narrowest first in each and of all.

        Stretches that begin within a width of a narrower one are part of it: a hairline is seen in pieces.
        """
        under = self.diameter < width
        if not under.any():
            return []
        label = group_labels(len(under), self.links[under[self.links].all(axis=1)])
        order = np.flatnonzero(under)[np.argsort(self.diameter[under], kind="stable")]
        pieces = _split_by(label[order], order)
        at = self.at[[piece[0] for piece in pieces]]
        found: dict[int, list[Ints]] = {}
        for k, near in enumerate(_within(at, width)):
            # Those before it are narrower; the narrowest of them that leads a stretch takes it.
            lead = next((other for other in near if other < k and other in found), k)
            found.setdefault(lead, []).append(pieces[k])
        return [np.concatenate(parts) for parts in found.values()]


def _split_by(label: Ints, order: Ints) -> list[Ints]:
    """Return an order in groups of one label each, the group of its first first."""
    _, first, group = np.unique(label, return_index=True, return_inverse=True)
    rank = np.argsort(np.argsort(first))[group.ravel()]
    grouped = np.argsort(rank, kind="stable")
    return np.split(order[grouped], np.flatnonzero(np.diff(rank[grouped])) + 1)


def _within(at: Points, reach: float) -> list[list[int]]:
    """Return for each place those within reach of it, by their numbers."""
    # Loading this takes a while, which a refused file need not wait for.
    from scipy.spatial import KDTree

    near = np.asarray(KDTree(at).query_ball_point(at, reach * (1 - 1e-12), return_sorted=True))
    return [list(others) for others in near]


_NO_LINKS: Ints = np.empty((0, 2), np.intp)
_NO_AXIS = AxisSide(np.empty((0, 2)), np.empty(0), _NO_LINKS, np.empty(0))


@dataclass(frozen=True, slots=True)
class Widths:
    """Widths of the paint and of the mask.

    Attributes
    ----------
    strokes, webs
        Axes of the paint, and of the mask between two painted places.
    prongs, spits
        The same with what tapers to a point.
    parts
        Diameter in mm of the largest disc in each loose piece, in their order.
    blots
        The same of each painted shape, in the region's order.
    contacts
        Shape ``(c, 2)``: where shapes touch, for what is under a hair wide is no width, at any size.
    """

    key: str
    strokes: AxisSide = field(compare=False)
    webs: AxisSide = field(compare=False)
    prongs: AxisSide = field(compare=False)
    spits: AxisSide = field(compare=False)
    parts: tuple[float, ...] = field(compare=False)
    blots: tuple[float, ...] = field(compare=False)
    contacts: Points = field(compare=False)

    def scaled(self, factor: float) -> "Widths":
        """Return the widths of the same design so many times larger."""
        return Widths(
            self.key,
            self.strokes.scaled(factor),
            self.webs.scaled(factor),
            self.prongs.scaled(factor),
            self.spits.scaled(factor),
            tuple(part * factor for part in self.parts),
            tuple(blot * factor for blot in self.blots),
            self.contacts * factor,
        )

    def reversed(self, order: Sequence[int]) -> "Widths":
        """Return the widths where what was painted is the mask: its parts are the painted shapes in a given order."""
        parts = tuple(self.blots[k] for k in order)
        return Widths(f"{self.key}-", self.webs, self.strokes, self.spits, self.prongs, parts, (), self.contacts)


def measure_widths(painted: Painted, loose: tuple[LoosePiece, ...]) -> Widths:
    """Return the widths of a painted region and of the mask around and within it.

    Parameters
    ----------
    painted
        The region. Its outer frame does not count: discs touch paint on both sides.
    loose
        The loose pieces of its mask.

    Notes
    -----
    Widths grow in step with a design, so each form is measured once, at the size at which designs are reckoned.
    """
    form = painted.shape_key or painted.key
    ask = _Ask((form, tuple(piece.number for piece in loose)), painted, loose)
    return _measured(ask).scaled(painted.scale)


@dataclass(frozen=True)
class _Ask:
    """What is to be measured; equal when it is the same form with the same pieces."""

    key: tuple[object, ...]
    painted: Painted = field(compare=False)
    loose: tuple[LoosePiece, ...] = field(compare=False)


def forget_widths() -> None:
    """Forget all widths measured so far."""
    _measured.cache_clear()


@lru_cache(maxsize=64)
def _measured(ask: _Ask) -> Widths:
    shrink = Affine.scaling(1 / ask.painted.scale).apply
    painted = ask.painted
    region = shapely.transform(painted.region, shrink)
    # Slits are closed in the region only: where shapes touch is seen in the colours themselves.
    contacts = touching_places(shapely.transform(painted.as_drawn, shrink), TOLERANCES.hair)
    return _measure(painted.key, region, contacts, [shapely.transform(piece.shape, shrink) for piece in ask.loose])


def _measure(key: str, region: shapely.MultiPolygon, contacts: Points, parts: list[shapely.Polygon]) -> Widths:
    edge = Edge(region, parts, _THINNED)
    blots_of = list(region.geoms)
    found = _diagram(edge, _FINEST)
    if found is None:
        sides = tuple(map(_thickness, parts)), tuple(map(_thickness, blots_of))
        return Widths(key, _NO_AXIS, _NO_AXIS, _NO_AXIS, _NO_AXIS, *sides, np.empty((0, 2)))
    sites, vertices, ridges, pairs = found
    across = _is_across(pairs, sites)
    diameter = _diameters(vertices, ridges, pairs, across, sites)
    way = np.zeros(len(vertices))
    np.maximum.at(way, ridges.ravel(), np.repeat(_way_between(pairs, sites), 2))
    inside = _inside(region, vertices)
    links = ridges[across]
    links = links[np.isfinite(diameter[links]).all(axis=1)]
    ring: Ints = np.full(len(vertices), -1, np.intp)
    ring[ridges.ravel()] = np.repeat(sites.ring[pairs[:, 0]], 2)
    # Vertices between sites and the far fence only are of nothing.
    ours = ring >= 0
    blot = np.where(inside & ours, edge.polygon[ring], -1)
    counter = np.where(~inside & ours, edge.piece[ring], -1)
    within, outside = links[inside[links].all(axis=1)], links[~inside[links].any(axis=1)]
    joined = _at_contacts(vertices, diameter, contacts)
    strokes, prongs = _axis_nodes(vertices, diameter, way, within[~joined[within].any(axis=1)], blot, _STROKE_POINT)
    webs, spits = _axis_nodes(vertices, diameter, way, outside[~joined[outside].any(axis=1)], counter, _WEB_POINT)

    def side(nodes: Ints, own: Ints) -> AxisSide:
        return AxisSide(vertices[nodes], diameter[nodes], own, way[nodes])

    def widest(of: Ints, shapes: Sequence[shapely.Polygon]) -> tuple[float, ...]:
        found = _widest(of, diameter)
        return tuple(float(diameter[found[k]]) if k in found else _thickness(shape) for k, shape in enumerate(shapes))

    return Widths(
        key,
        side(*strokes),
        side(*webs),
        side(*prongs),
        side(*spits),
        widest(counter, parts),
        widest(blot, blots_of),
        contacts,
    )


def _by_node(links: Ints) -> tuple[Ints, Ints]:
    nodes, place = np.unique(links, return_inverse=True)
    return nodes, place.reshape(-1, 2)


def _diagram(edge: Edge, finest: float) -> tuple[Sites, Points, Ints, Ints] | None:
    """Return sites and their Voronoi diagram, the sites no further apart than about the width they face.

    Between sites further apart than twice the width, centres of discs fall outside the stroke and
    a hairline is missed. Sparse sites see a width at a slant first, so closing up takes a few
    rounds.
    """
    spacing = np.full(len(edge.length), max(finest / 2, float(edge.length.sum()) / _MOST_SITES))
    sites = edge.sites(spacing)
    diagram = voronoi(sites.at)
    for k in range(_MOST_ROUNDS):
        tell("Measuring widths", k / _MOST_ROUNDS)
        if diagram is None:
            return None
        wanted = _wanted_spacing(sites, diagram[2], spacing, _CLOSEST)
        too_sparse = np.minimum(spacing, edge.length) > _SPARSE * wanted
        if not too_sparse.any() or (edge.length / wanted).sum() > 3 * _MOST_SITES:
            break
        closer = np.where(too_sparse, _CLOSER * wanted, spacing)
        more = edge.count(closer) - len(sites.at)
        if more <= _TOO_FEW * len(sites.at):
            break
        spacing = closer
        sites = edge.sites(spacing)
        diagram = voronoi(sites.at)
    return (sites, *diagram) if diagram else None


def _wanted_spacing(sites: Sites, pairs: Ints, spacing: Floats, least: float) -> Floats:
    """Return for each segment the least width it faces, where that is less than its spacing.

    Only edges that run along each other count: those that meet in a corner come as near as one likes.
    """
    along = np.abs(np.einsum("ij,ij->i", sites.heading[pairs[:, 0]], sites.heading[pairs[:, 1]])) > _PARALLEL
    pairs = pairs[along & _is_across(pairs, sites)]
    apart = sites.at[pairs[:, 0]] - sites.at[pairs[:, 1]]
    width = np.maximum(np.hypot(apart[:, 0], apart[:, 1]), least)
    wanted = spacing.copy()
    for column in (0, 1):
        np.minimum.at(wanted, sites.segment[pairs[:, column]], width)
    return wanted


def _inside(region: shapely.MultiPolygon, points: Points) -> Bools:
    inside = np.zeros(len(points), bool)
    # Asked of each shape for the points about it: asked of all shapes at once, every point is held against each.
    inside[shapely.STRtree(np.asarray(shapely.points(points))).query(list(region.geoms), "contains")[1]] = True
    return inside


def _diameters(vertices: Points, ridges: Ints, pairs: Ints, across: Bools, sites: Sites) -> Floats:
    """Return for each vertex the width there: the least sum of distances to two edges across from each other.

    The sum does not depend on how far from the middle the vertex lies, so it is true to
    the width even where sites are sparse. Where no edges lie across, it is twice the
    distance to the nearest; and where that is far nearer than any site, the vertex only lies beside an edge
    between sparse sites, and is on no axis: its width is infinite.
    """
    diameter, nearest, from_site = (np.full(len(vertices), np.inf) for _ in range(3))
    for column in (0, 1):
        vertex = ridges[:, column]
        first, second = (_away(vertices[vertex], sites, pairs[:, site]) for site in (0, 1))
        reach, other = np.hypot(*first.T), np.hypot(*second.T)
        facing = across & (np.einsum("ij,ij->i", first, second) < _FACING * reach * other)
        np.minimum.at(nearest, vertex, np.minimum(reach, other))
        np.minimum.at(from_site, vertex, np.linalg.norm(vertices[vertex] - sites.at[pairs[:, 0]], axis=1))
        np.minimum.at(diameter, vertex[facing], (reach + other)[facing])
    alone = ~np.isfinite(diameter) & (nearest >= _ON_AXIS * from_site)
    return np.where(alone, 2 * nearest, diameter)


def _away(points: Points, sites: Sites, site: Ints) -> Points:
    """Return the vectors to points from the nearest places on the segments of their sites."""
    start, along = sites.start[site], sites.end[site] - sites.start[site]
    from_start = points - start
    share = np.einsum("ij,ij->i", from_start, along) / np.maximum(np.einsum("ij,ij->i", along, along), 1e-18)
    away: Points = from_start - np.clip(share, 0, 1)[:, None] * along
    return away


def _is_across(pairs: Ints, sites: Sites) -> Bools:
    """Keep the ridges whose two sites lie across from each other, not next to each other along the edge.

    Across, the edge between the two sites runs further than straight from one to the other;
    where it does not, the ridge only separates neighbours on a straight or gently curved edge.
    """
    apart = sites.at[pairs[:, 0]] - sites.at[pairs[:, 1]]
    result: Bools = _way_between(pairs, sites) > _LEAST_DETOUR * np.hypot(apart[:, 0], apart[:, 1])
    return result


def _way_between(pairs: Ints, sites: Sites) -> Floats:
    """Return the way along the edge between the sites of each pair, infinite from one ring to another."""
    i, j = pairs[:, 0], pairs[:, 1]
    way = np.abs(sites.arc[i] - sites.arc[j])
    around: Floats = np.minimum(way, sites.ring_length[sites.ring[i]] - way)
    return np.where(sites.ring[i] == sites.ring[j], around, np.inf)


def _axis_nodes(
    vertices: Points, diameter: Floats, way: Floats, links: Ints, part: Ints, point: float
) -> tuple[tuple[Ints, Ints], tuple[Ints, Ints]]:
    """Return which vertices are on the axis, and the links between them by place in that list; and with its tapers.

    A part that is all corners and so keeps no stretch of axis, such as a dot, is stood
    for by its largest disc.
    """
    links = links[~_is_tip(diameter, way)[links].any(axis=1)]
    links, tapered = without_corners(vertices, diameter, links, point)
    links, tapered = (_long_enough(vertices, diameter, kept) for kept in (links, tapered))
    has_axis = set(part[links.ravel()].tolist())
    blots = [centre for key, centre in _widest(part, diameter).items() if key not in has_axis]
    kept, place = np.unique(np.append(links.ravel(), np.array(blots, np.intp)), return_inverse=True)
    return (kept, place[: links.size].reshape(-1, 2)), _by_node(tapered)


def _at_contacts(vertices: Points, diameter: Floats, contacts: Points) -> Bools:
    """Say for which vertices a width is but that of two shapes where they touch: within a disc of such a place."""
    at = np.zeros(len(vertices), bool)
    usable = np.isfinite(diameter)
    for contact in contacts:
        at |= usable & (np.hypot(*(vertices - contact).T) <= diameter)
    return at


def _is_tip(diameter: Floats, way: Floats) -> Bools:
    """Say for which vertices a width finer than sites can be told apart is but the point of a corner.

    Its two sides meet a short way on. Between sites that far apart for their width stretches of axis come to pieces, so
    that such a point cannot be told from how it widens.
    """
    return (diameter < _UNSURE) & (way < _POINTED * diameter)


def _long_enough(vertices: Points, diameter: Floats, links: Ints) -> Ints:
    """Drop stretches shorter than they are wide anywhere: what is left of a dent in an edge, or of a blot."""
    if not len(links):
        return links
    nodes, place = np.unique(links, return_inverse=True)
    place = place.reshape(-1, 2)
    group = group_labels(len(nodes), place)
    length, narrowest = np.zeros(len(nodes)), np.full(len(nodes), np.inf)
    along = np.linalg.norm(vertices[links[:, 0]] - vertices[links[:, 1]], axis=1)
    np.add.at(length, group[place[:, 0]], along)
    np.minimum.at(narrowest, group, diameter[nodes])
    kept: Ints = links[(length > narrowest)[group[place[:, 0]]]]
    return kept


def _widest(part: Ints, diameter: Floats) -> dict[int, int]:
    """Return for each part (counted from 0) the vertex with the largest disc."""
    usable = np.flatnonzero((part >= 0) & np.isfinite(diameter))
    order = usable[np.argsort(diameter[usable], kind="stable")]
    return dict(zip(part[order].tolist(), order.tolist(), strict=True))


def _thickness(shape: shapely.Polygon) -> float:
    """Bound the width of a shape too small for any vertex of the diagram by its area and edge."""
    return 2 * float(shape.area / shape.length)
