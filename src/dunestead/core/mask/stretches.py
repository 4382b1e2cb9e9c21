"""Which stretches of an axis narrower than a limit run on into wider mask at both ends, and which end in a tip?"""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property

import numpy as np
import numpy.typing as npt

from dunestead.core.geometry.groups import group_labels
from dunestead.core.mask.axis import AxisSide

__all__ = ["Chain", "Knob", "Stretch", "stretches_under"]

Points = npt.NDArray[np.float64]
Floats = npt.NDArray[np.float64]


@dataclass(frozen=True, slots=True, eq=False)
class Knob:
    """A part of the mask that one chain alone holds: shapes ``(n, 2)`` and ``(n,)``, mm; at its last end or first."""

    at: Points
    width: Floats
    is_last: bool


@dataclass(frozen=True, slots=True, eq=False)
class Chain:
    """Points along an axis, a tongue's from its root to its tip.

    Attributes
    ----------
    at, width, way
        Shapes ``(n, 2)``, ``(n,)``, ``(n,)``, mm: where, how wide, and how far apart its two sides are along the edge.
    before, after
        The wider places it opens into at its ends, ``(x, y, width)``; None where it does not.
    knob
        For what hangs by it alone: its places and widths, and which end of the chain it hangs on. None for most.
    """

    at: Points
    width: Floats
    way: Floats
    before: tuple[float, float, float] | None = None
    after: tuple[float, float, float] | None = None
    knob: "Knob | None" = None

    @property
    def least(self) -> float:
        """The least width."""
        return float(self.width.min())


@dataclass(frozen=True, slots=True, eq=False)
class Stretch:
    """A connected stretch of axis under a limit: what is held at both ends, and what has a free one."""

    necks: tuple[Chain, ...]
    tongues: tuple[Chain, ...]


def stretches_under(axis: AxisSide, limit: float, knob: float) -> Iterator[Stretch]:
    """Yield the connected stretches of an axis that are narrower than a limit.

    Parameters
    ----------
    axis, limit
        The axis, and what counts as narrow, mm.
    knob
        What hangs by one stretch and is nowhere wider than this, mm, is a knob on it.

    Notes
    -----
    Taking tips off until none is left leaves what lies between openings into wider mask, or runs in a ring;
    what was taken off hangs on it by one end. A stretch with tips and no opening is a part of the mask
    that is narrow all over: it is judged by its size, and has no weak place.
    """
    under = axis.diameter < limit
    links = axis.links[under[axis.links].any(axis=1)]
    beside: dict[int, list[int]] = {}
    for a, b in links.tolist():
        beside.setdefault(a, []).append(b)
        beside.setdefault(b, []).append(a)
    onward = _Onward(axis, knob)
    label = group_labels(len(under), links[under[links].all(axis=1)])
    nodes = np.flatnonzero(under)
    order = nodes[np.argsort(label[nodes], kind="stable")]
    for group in np.split(order, np.flatnonzero(np.diff(label[order])) + 1):
        if len(group):
            stretch = _Graph(axis, group.tolist(), beside, onward).stretch()
            if stretch.necks or stretch.tongues:
                yield stretch


# What reaches further than so many times the width of the widest knob is none.
_FARTHEST = 3.0


class _Onward:
    """The whole axis, walked from where a stretch opens."""

    def __init__(self, axis: AxisSide, widest: float) -> None:
        self._axis, self._widest = axis, widest

    @cached_property
    def _beside(self) -> dict[int, list[int]]:
        beside: dict[int, list[int]] = {}
        for a, b in self._axis.links.tolist():
            beside.setdefault(a, []).append(b)
            beside.setdefault(b, []).append(a)
        return beside

    def knob(self, path: list[int], door: int) -> Points | None:
        """Return the nodes beyond a door of a path that nothing else holds; None where they run on, or are wide."""
        seen, waiting = {door}, [door]
        closed = set(path)
        while waiting:
            node = waiting.pop()
            away = math.dist(self._axis.at[node], self._axis.at[door])
            if self._axis.diameter[node] > self._widest or away > _FARTHEST * self._widest:
                return None
            for other in self._beside[node]:
                if other in closed and node != door:
                    # It comes round to the path again.
                    return None
                if other not in seen and other not in closed:
                    seen.add(other)
                    waiting.append(other)
        return np.array(sorted(seen))


class _Graph:
    """One connected stretch, and the wider places it opens into."""

    def __init__(self, axis: AxisSide, group: list[int], beside: dict[int, list[int]], onward: _Onward) -> None:
        self._axis, self._onward = axis, onward
        own = set(group)
        self._beside = {node: list(dict.fromkeys(beside.get(node, ()))) for node in group}
        self._openings = {other for near in self._beside.values() for other in near if other not in own}

    def stretch(self) -> Stretch:
        """Return it as chains."""
        tips = [node for node, near in self._beside.items() if len(near) == 1]
        if tips and not self._openings:
            return Stretch((), ())
        inwards, core = self._without_tips(tips)
        return Stretch(tuple(self._necks(core)), tuple(self._tongues(tips, inwards)))

    def _without_tips(self, tips: list[int]) -> tuple[dict[int, int], set[int]]:
        """Take tips off until none is left; returns for each node taken off the next one inwards, and what is left."""
        degree = {node: len(near) for node, near in self._beside.items()}
        core, inwards = set(self._beside), dict[int, int]()
        waiting = list(tips)
        while waiting:
            node = waiting.pop()
            if node not in core:
                continue
            core.discard(node)
            for other in self._beside[node]:
                if other in core or other in self._openings:
                    inwards[node] = other
                if other in core:
                    degree[other] -= 1
                    if degree[other] == 1:
                        waiting.append(other)
        return inwards, core

    def _tongues(self, tips: list[int], inwards: dict[int, int]) -> Iterator[Chain]:
        """Yield what hangs by one end, the longest first; branches of it from where they leave it."""
        paths = [self._inwards(tip, inwards) for tip in tips]
        used: set[int] = set()
        for path in sorted(paths, key=lambda path: (-self._length(path), path[0])):
            fresh = [node for node in path if node not in used]
            used.update(fresh)
            if len(fresh) > 1:
                yield self._chain(fresh[::-1])

    def _inwards(self, tip: int, inwards: dict[int, int]) -> list[int]:
        path = [tip]
        while (onward := inwards.get(path[-1])) is not None and onward in self._beside:
            path.append(onward)
        return path

    def _length(self, path: list[int]) -> float:
        return float(np.linalg.norm(np.diff(self._axis.at[path], axis=0), axis=1).sum())

    def _necks(self, core: set[int]) -> Iterator[Chain]:
        """Yield the chains of what is left between openings and branchings."""
        near = {node: [o for o in self._beside[node] if o in core or o in self._openings] for node in core}
        joints = {node for node, others in near.items() if len(others) != 2 or any(o in self._openings for o in others)}
        walked: set[tuple[int, int]] = set()
        for joint in sorted(joints):
            for other in near[joint]:
                if other in self._openings:
                    if len(near[joint]) == 2 and all(o in self._openings for o in near[joint]):
                        yield self._chain([joint])
                        break
                    continue
                if (joint, other) in walked:
                    continue
                path = [joint, other]
                while path[-1] not in joints:
                    path.append(next(o for o in near[path[-1]] if o != path[-2]))
                walked |= {(joint, other), (path[-1], path[-2])}
                yield self._chain(path)
        if core and not joints:
            yield self._chain(self._ring(min(core), near))

    def _ring(self, start: int, near: dict[int, list[int]]) -> list[int]:
        path = [start, near[start][0]]
        while path[-1] != start:
            path.append(next(o for o in near[path[-1]] if o != path[-2]))
        return path

    def _chain(self, path: list[int]) -> Chain:
        nodes = np.array(path)
        axis = self._axis
        doors = self._door(path[0]), self._door(path[-1], first=len(path) > 1)
        before, after = (self._opening(door) for door in doors)
        return Chain(axis.at[nodes], axis.diameter[nodes], axis.way[nodes], before, after, self._knob(path, doors))

    def _door(self, node: int, *, first: bool = True) -> int | None:
        """Return the wider place a node opens into: its first or its last."""
        wider = [other for other in self._beside[node] if other in self._openings]
        return wider[0 if first else -1] if wider else None

    def _opening(self, door: int | None) -> tuple[float, float, float] | None:
        if door is None:
            return None
        x, y = self._axis.at[door]
        return float(x), float(y), float(self._axis.diameter[door])

    def _knob(self, path: list[int], doors: tuple[int | None, int | None]) -> Knob | None:
        """Return what hangs by a path alone, with wider mask at its other end to hold it."""
        if None in doors or doors[0] == doors[1]:
            return None
        # One window lies all around a knob, so that the sides of its stem are one edge.
        if not np.isfinite(self._axis.way[path[int(np.argmin(self._axis.diameter[path]))]]):
            return None
        found = [self._onward.knob(path, door) for door in doors if door is not None]
        # A path with a knob on either end holds two of a kind together: it is a neck.
        held = [k for k, nodes in enumerate(found) if nodes is not None]
        if len(held) != 1:
            return None
        nodes = found[held[0]]
        return Knob(self._axis.at[nodes], self._axis.diameter[nodes], held[0] == 1)
