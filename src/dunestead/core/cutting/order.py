"""In which order closed lines are cut, and where each is entered.

A piece that is cut out first would shift under the knife while its inside is cut, so a line
comes after all that lie in it. Within that, the knife should travel little: lines side by side
are toured by 2-opt and by moving runs of them [1]_, and where each is entered is chosen for the whole
tour at once.

References
----------
.. [1] Or, "Traveling salesman-type combinatorial problems", Northwestern University, 1976.
"""

import math
from collections.abc import Sequence
from itertools import pairwise

import numpy as np
import numpy.typing as npt
import shapely

__all__ = ["by_hand_order", "cut_order"]

Points = npt.NDArray[np.float64]
Point = tuple[float, float]
# A line may be entered at so many of its corners.
_ENTRIES = 24
_ROUNDS = 3
_LONGEST_RUN = 3
_PASSES = 12


def cut_order(shape: shapely.MultiPolygon, here: Point) -> list[Points]:
    """Return the closed rings of a shape in cutting order, each turned to where it is entered.

    Parameters
    ----------
    shape
        What is cut out, mm.
    here
        Where the knife stands.
    """
    rings, parent = _nested(shape)
    children: dict[int, list[int]] = {}
    for ring, around in enumerate(parent):
        children.setdefault(around, []).append(ring)
    entries = [_entries(ring) for ring in rings]
    at = [tuple(ring[0]) for ring in rings]
    order: list[int] = []
    for _ in range(_ROUNDS):
        # Each round begins with the tour of the last, now that lines are entered elsewhere.
        place = {ring: k for k, ring in enumerate(order)}
        children = {around: sorted(inside, key=lambda k: place.get(k, 0)) for around, inside in children.items()}
        tried = _toured(-1, children, np.array(at, float).reshape(-1, 2), here, begun=bool(order))
        starts = _entered(tried, entries, here)
        if order and _travel(tried, starts, here) >= _travel(order, at, here) - 1e-9:
            break
        order, at = tried, starts
    return [_begun(rings[k], at[k]) for k in order]


def by_hand_order(shape: shapely.MultiPolygon) -> list[Points]:
    """Return rings smallest inside pieces first, each begun in the middle of its longest straight run."""
    rings, parent = _nested(shape)
    depth = [_depth(k, parent) for k in range(len(rings))]
    size = [shapely.Polygon(ring).area for ring in rings]
    order = sorted(range(len(rings)), key=lambda k: (-depth[k], size[k]))
    return [_on_a_straight(rings[k]) for k in order]


# --- nesting ----------------------------------------------------------------------------------
def _nested(shape: shapely.MultiPolygon) -> tuple[list[Points], list[int]]:
    """Return all rings, and for each the one right around it, -1 for none."""
    parts = list(shape.geoms)
    outlines = np.array([shapely.Polygon(part.exterior) for part in parts], dtype=object)
    rings: list[Points] = [shapely.get_coordinates(part.exterior) for part in parts]
    parent = [-1] * len(parts)
    hole_of: list[list[tuple[int, shapely.Polygon]]] = [[] for _ in parts]
    for k, part in enumerate(parts):
        for hole in part.interiors:
            hole_of[k].append((len(rings), shapely.Polygon(hole)))
            rings.append(shapely.get_coordinates(hole))
            parent.append(k)
    if len(parts) < 2:
        return rings, parent
    inside, outer = shapely.STRtree(outlines).query([part.representative_point() for part in parts], "within")
    areas = shapely.area(outlines)
    for k in range(len(parts)):
        around = [int(j) for j in outer[inside == k] if j != k]
        if around:
            nearest = min(around, key=lambda j: areas[j])
            at = parts[k].representative_point()
            parent[k] = next((ring for ring, hole in hole_of[nearest] if hole.contains(at)), nearest)
    return rings, parent


def _depth(ring: int, parent: Sequence[int]) -> int:
    depth = 0
    while (ring := parent[ring]) >= 0:
        depth += 1
    return depth


# --- touring ----------------------------------------------------------------------------------
def _toured(ring: int, children: dict[int, list[int]], at: Points, here: Point, *, begun: bool) -> list[int]:
    """Return what lies in a ring in the order of a short tour, each with its own inside before it."""
    inside = children.get(ring, [])
    order: list[int] = []
    for k in _tour(at[inside], here, begun=begun) if inside else []:
        child = inside[k]
        order += [*_toured(child, children, at, here, begun=begun), child]
        here = (float(at[child, 0]), float(at[child, 1]))
    return order


def _tour(points: Points, here: Point, *, begun: bool) -> list[int]:
    """Return a short open tour of points from where the knife stands; they may be in a good order already."""
    count = len(points)
    spots = np.vstack([np.array(here), points])
    apart = np.hypot(spots[:, None, 0] - spots[None, :, 0], spots[:, None, 1] - spots[None, :, 1])
    order = list(range(count + 1)) if begun else _nearest_next(apart)
    for _ in range(_PASSES):
        if not (_uncrossed(order, apart) | _moved(order, apart)):
            break
    return [k - 1 for k in order[1:]]


def _nearest_next(apart: Points) -> list[int]:
    order = [0]
    left = np.ones(len(apart), bool)
    left[0] = False
    for _ in range(len(apart) - 1):
        order.append(int(np.argmin(np.where(left, apart[order[-1]], np.inf))))
        left[order[-1]] = False
    return order


def _uncrossed(order: list[int], apart: Points) -> bool:
    """Turn stretches of the tour round while that shortens it; the far end is free."""
    better = False
    count = len(order)
    for i in range(count - 2):
        tour = np.array(order)
        ends = np.arange(i + 2, count + 1)
        before, first = tour[i], tour[i + 1]
        last = tour[ends - 1]
        after = tour[np.minimum(ends, count - 1)]
        is_end = ends == count
        old = apart[before, first] + np.where(is_end, 0.0, apart[last, after])
        new = apart[before, last] + np.where(is_end, 0.0, apart[first, after])
        gain = old - new
        best = int(np.argmax(gain))
        if gain[best] > 1e-9:
            order[i + 1 : ends[best]] = order[i + 1 : ends[best]][::-1]
            better = True
    return better


def _moved(order: list[int], apart: Points) -> bool:
    """Move short runs of the tour to where they cost less."""
    better = False
    # What is hardly out of its way is not worth a try.
    least = 0.02 * float(apart[order[:-1], order[1:]].mean()) if len(order) > 1 else 0.0
    for length in range(1, _LONGEST_RUN + 1):
        i = 0
        while (i := i + 1) + length <= len(order):
            run = order[i : i + length]
            saved = apart[order[i - 1], run[0]]
            if i + length < len(order):
                saved += apart[run[-1], order[i + length]] - apart[order[i - 1], order[i + length]]
            if saved < least:
                continue
            rest = np.array(order[:i] + order[i + length :])
            nexts = np.append(rest[1:], -1)
            is_end = nexts < 0
            there = np.where(is_end, 0.0, apart[rest, nexts])
            ends = ((run[0], run[-1]), (run[-1], run[0]))
            cost = np.array([apart[rest, a] + np.where(is_end, 0.0, apart[b, nexts]) - there for a, b in ends])
            way, place = np.unravel_index(int(np.argmin(cost)), cost.shape)
            if saved - cost[way, place] > 1e-9:
                moved = run if way == 0 else run[::-1]
                order[:] = [*rest[: place + 1].tolist(), *moved, *rest[place + 1 :].tolist()]
                better = True
    return better


# --- entering ---------------------------------------------------------------------------------
def _entries(ring: Points) -> Points:
    corners = ring[:-1]
    if len(corners) <= _ENTRIES:
        return corners
    chosen: Points = corners[np.linspace(0, len(corners) - 1, _ENTRIES).astype(int)]
    return chosen


def _entered(order: Sequence[int], entries: Sequence[Points], here: Point) -> list[Point]:
    """Return where each ring is entered so that the whole way is shortest; the knife leaves where it entered."""
    way = np.zeros(1)
    spots = np.array([here], float)
    back: list[npt.NDArray[np.intp]] = []
    for k in order:
        step = np.hypot(spots[:, None, 0] - entries[k][None, :, 0], spots[:, None, 1] - entries[k][None, :, 1])
        total = way[:, None] + step
        back.append(np.argmin(total, axis=0))
        way, spots = total.min(axis=0), entries[k]
    at: list[Point] = [(0.0, 0.0)] * len(entries)
    chosen = int(np.argmin(way))
    for k, before in zip(reversed(order), reversed(back), strict=True):
        x, y = entries[k][chosen]
        at[k] = (float(x), float(y))
        chosen = int(before[chosen])
    return at


def _travel(order: Sequence[int], at: Sequence[Point], here: Point) -> float:
    stops = [here, *(at[k] for k in order)]
    return sum(math.dist(a, b) for a, b in pairwise(stops))


def _begun(ring: Points, at: Point) -> Points:
    corners = ring[:-1]
    first = int(np.argmin(np.hypot(corners[:, 0] - at[0], corners[:, 1] - at[1])))
    turned = np.roll(corners, -first, axis=0)
    return np.vstack([turned, turned[:1]])


def _on_a_straight(ring: Points) -> Points:
    sides = np.hypot(*np.diff(ring, axis=0).T)
    longest = int(np.argmax(sides))
    middle = (ring[longest] + ring[longest + 1]) / 2
    corners = np.roll(ring[:-1], -(longest + 1), axis=0)
    return np.vstack([middle, corners, middle])
