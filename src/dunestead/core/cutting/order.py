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
from collections.abc import Iterator, Sequence
from itertools import pairwise

import numpy as np
import numpy.typing as npt
import shapely

__all__ = ["by_hand_order", "cut_order"]

Points = npt.NDArray[np.float64]
Point = tuple[float, float]
Order = npt.NDArray[np.intp]
# A line may be entered at so many of its corners.
_ENTRIES = 48
_ROUNDS = 4
# Of more rings than this a tour is good enough as it is: none is tried elsewhere one by one, and they are entered at
# fewer corners in fewer rounds, which costs about a thousandth of the way.
_MOST_TRIED = 250
_ENTRIES_OF_MANY, _ROUNDS_OF_MANY = 24, 2
# Of so few the best order is found, or the best of so many that were looked at.
_FEW, _MOST_LOOKED = 8, 4000
_LONGEST_RUN = 3
_PASSES = 12
# Of many points toured at once, the passes after these win next to nothing.
_MANY, _PASSES_OF_MANY = 100, 4
# So many points are toured at once.
_BLOCK = 300


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
    is_many = len(rings) > _MOST_TRIED
    entries = [_entries(ring, _ENTRIES_OF_MANY if is_many else _ENTRIES) for ring in rings]
    at = [tuple(ring[0]) for ring in rings]
    order: list[int] = []
    for _ in range(_ROUNDS_OF_MANY if is_many else _ROUNDS):
        # Each round begins with the tour of the last, now that lines are entered elsewhere.
        place = {ring: k for k, ring in enumerate(order)}
        children = {around: sorted(inside, key=lambda k: place.get(k, 0)) for around, inside in children.items()}
        tried = _toured(-1, children, np.array(at, float).reshape(-1, 2), here, begun=bool(order))
        starts = _entered(tried, entries, here)
        if order and _travel(tried, starts, here) >= _travel(order, at, here) - 1e-9:
            break
        order, at = tried, starts
    for _ in range(0 if is_many else _ROUNDS):
        tried = _put_elsewhere(order, at, entries, parent, here)
        starts = _entered(tried, entries, here)
        if _travel(tried, starts, here) >= _travel(order, at, here) - 1e-9:
            break
        order, at = tried, starts
    if len(rings) <= _FEW:
        order, at = _of_few(order, at, entries, parent, here)
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
    trees = {k: shapely.STRtree([hole for _, hole in holes]) for k, holes in enumerate(hole_of) if holes}
    for k in range(len(parts)):
        around = [int(j) for j in outer[inside == k] if j != k]
        if around:
            nearest = min(around, key=lambda j: areas[j])
            at = parts[k].representative_point()
            holding = trees[nearest].query(at, predicate="within").tolist() if nearest in trees else []
            parent[k] = hole_of[nearest][holding[0]][0] if holding else nearest
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
    for k in _tour(at[inside], here, begun=begun):
        child = inside[k]
        order += [*_toured(child, children, at, here, begun=begun), child]
        here = (float(at[child, 0]), float(at[child, 1]))
    return order


def _tour(points: Points, here: Point, *, begun: bool) -> list[int]:
    """Return a short open tour of points from where the knife stands; they may be in a good order already.

    Many points are toured block by block, to and fro over the sheet, for the work grows with their square.
    """
    count = len(points)
    if count < 2:
        return list(range(count))
    if count > _BLOCK:
        order: list[int] = []
        for block in _slices(count) if begun else _blocks(points):
            order += block[_tour(points[block], here, begun=begun)].tolist()
            here = (float(points[order[-1], 0]), float(points[order[-1], 1]))
        return order
    spots = np.vstack([np.array(here), points])
    apart = np.hypot(spots[:, None, 0] - spots[None, :, 0], spots[:, None, 1] - spots[None, :, 1])
    tour = np.arange(count + 1) if begun else _nearest_next(apart)
    for _ in range(_PASSES if count <= _MANY else _PASSES_OF_MANY):
        tour, uncrossed = _uncrossed(tour, apart)
        tour, moved = _moved(tour, apart)
        if not (uncrossed or moved):
            break
    return [k - 1 for k in tour[1:].tolist()]


def _slices(count: int) -> Iterator[Order]:
    yield from np.array_split(np.arange(count), math.ceil(count / _BLOCK))


def _blocks(points: Points) -> Iterator[Order]:
    """Yield points in blocks of a limited number, in strips to and fro across the longer side."""
    long = int(np.argmax(np.ptp(points, axis=0)))
    strips = max(round(math.sqrt(len(points) / _BLOCK)), 1)
    for k, strip in enumerate(np.array_split(np.argsort(points[:, long], kind="stable"), strips)):
        along = strip[np.argsort(points[strip, 1 - long], kind="stable")]
        blocks = np.array_split(along, math.ceil(len(strip) / _BLOCK))
        yield from blocks if k % 2 == 0 else [block[::-1] for block in reversed(blocks)]


def _nearest_next(apart: Points) -> Order:
    order = [0]
    left = np.ones(len(apart), bool)
    left[0] = False
    for _ in range(len(apart) - 1):
        order.append(int(np.argmin(np.where(left, apart[order[-1]], np.inf))))
        left[order[-1]] = False
    return np.array(order)


def _uncrossed(tour: Order, apart: Points) -> tuple[Order, bool]:
    """Turn stretches of a tour round while that shortens it, the far end being free; says whether any was."""
    tour, better, count = tour.copy(), False, len(tour)
    for i in range(count - 2):
        before, first = tour[i], tour[i + 1]
        # A stretch ends before each of these; the last has nothing behind it.
        last, after = tour[i + 1 :], tour[i + 2 :]
        gain = apart[before, first] - apart[before, last]
        gain[:-1] += apart[last[:-1], after] - apart[first, after]
        best = int(np.argmax(gain))
        if gain[best] > 1e-9:
            tour[i + 1 : i + best + 2] = tour[i + 1 : i + best + 2][::-1].copy()
            better = True
    return tour, better


def _moved(tour: Order, apart: Points) -> tuple[Order, bool]:
    """Move short runs of a tour to where they cost less; says whether any was."""
    better = False
    # What is hardly out of its way is not worth a try.
    least = 0.02 * float(apart[tour[:-1], tour[1:]].mean()) if len(tour) > 1 else 0.0
    for length in range(1, _LONGEST_RUN + 1):
        i = 0
        while (i := i + 1) + length <= len(tour):
            first, last = tour[i], tour[i + length - 1]
            saved = apart[tour[i - 1], first]
            if i + length < len(tour):
                saved += apart[last, tour[i + length]] - apart[tour[i - 1], tour[i + length]]
            if saved < least:
                continue
            rest = np.concatenate([tour[:i], tour[i + length :]])
            there = np.append(apart[rest[:-1], rest[1:]], 0.0)
            ways = ((first, last), (last, first))
            cost = np.array([apart[rest, a] + np.append(apart[b, rest[1:]], 0.0) - there for a, b in ways])
            way, place = np.unravel_index(int(np.argmin(cost)), cost.shape)
            if saved - cost[way, place] > 1e-9:
                run = tour[i : i + length]
                moved = run if way == 0 else run[::-1]
                tour = np.concatenate([rest[: place + 1], moved, rest[place + 1 :]])
                better = True
    return tour, better


def _put_elsewhere(
    order: Sequence[int], at: Sequence[Point], entries: Sequence[Points], parent: Sequence[int], here: Point
) -> list[int]:
    """Return an order in which each ring was taken out and put where it costs least, wherever it lies.

    A ring may go anywhere after all that lies in it and before what lies around it, and be entered anew there.
    """
    tour, spots = list(order), list(at)
    above = [_around(ring, parent) for ring in range(len(parent))]
    for ring in order:
        place = tour.index(ring)
        rest = tour[:place] + tour[place + 1 :]
        stops = np.array([here, *(spots[k] for k in rest)])
        to_entry = np.hypot(
            stops[:, None, 0] - entries[ring][None, :, 0], stops[:, None, 1] - entries[ring][None, :, 1]
        )
        step = np.hypot(*np.diff(stops, axis=0).T)
        # Put in behind each stop; behind the last nothing follows.
        detour = to_entry + np.vstack([to_entry[1:], np.zeros(to_entry.shape[1])]) - np.append(step, 0.0)[:, None]
        inside = [k for k, other in enumerate(rest) if ring in above[other]]
        around = [k for k, other in enumerate(rest) if other in above[ring]]
        first, last = max(inside, default=-1) + 1, min(around, default=len(rest))
        best, entry = np.unravel_index(int(np.argmin(detour[first : last + 1])), detour[first : last + 1].shape)
        x, y = entries[ring][entry]
        tour = [*rest[: first + int(best)], ring, *rest[first + int(best) :]]
        spots[ring] = (float(x), float(y))
    return tour


def _of_few(
    order: list[int], at: list[Point], entries: Sequence[Points], parent: Sequence[int], here: Point
) -> tuple[list[int], list[Point]]:
    """Return the best order and entries of a few rings, by branch and bound from the best that is known.

    A way begun is given up when it is as long as the best already.
    """
    inside = [{k for k in range(len(parent)) if ring in _around(k, parent)} for ring in range(len(parent))]
    best = _travel(order, at, here)
    looked = 0
    # Each way begun: its rings, how long it is at least to each entry of the last, and where those are.
    begun: list[tuple[list[int], Points, Points]] = [([], np.zeros(1), np.array([here], float))]
    while begun and (looked := looked + 1) <= _MOST_LOOKED:
        rings, way, spots = begun.pop()
        if float(way.min()) >= best - 1e-9:
            continue
        if len(rings) == len(parent):
            order, best = rings, float(way.min())
            continue
        onward = []
        for ring in set(range(len(parent))) - set(rings):
            if inside[ring] <= set(rings):
                across = spots[:, None] - entries[ring][None, :]
                longer = (way[:, None] + np.hypot(across[..., 0], across[..., 1])).min(axis=0)
                onward.append(([*rings, ring], longer, entries[ring]))
        # The nearest is looked at first: it is the last of those waiting.
        begun += sorted(onward, key=lambda one: -float(one[1].min()))
    return order, _entered(order, entries, here)


def _around(ring: int, parent: Sequence[int]) -> set[int]:
    found = set()
    while (ring := parent[ring]) >= 0:
        found.add(ring)
    return found


# --- entering ---------------------------------------------------------------------------------
def _entries(ring: Points, most: int) -> Points:
    corners = ring[:-1]
    if len(corners) <= most:
        return corners
    chosen: Points = corners[np.linspace(0, len(corners) - 1, most).astype(int)]
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
