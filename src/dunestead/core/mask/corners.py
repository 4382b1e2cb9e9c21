"""Which stretches of a medial axis only run into corners?"""

import math

import numpy as np
import numpy.typing as npt

__all__ = ["without_corners"]

Points = npt.NDArray[np.float64]
Floats = npt.NDArray[np.float64]
Ints = npt.NDArray[np.intp]
# A stretch of axis on which the diameter shrinks by more than this share of the way runs into a corner.
_CORNER_SLOPE = 0.1
_NOISE = 0.005


def without_corners(vertices: Points, diameter: Floats, links: Ints, window: float) -> Ints:
    """Take off, from their free ends inwards, the stretches along which the diameter shrinks too fast.

    Where stretches taken off leave a new free end, it is judged in turn.
    """
    if not len(links):
        return links
    nodes, place = np.unique(links, return_inverse=True)
    web = _Web(vertices[nodes], diameter[nodes], place.reshape(-1, 2))
    tips = web.tips()
    while tips:
        path = web.corner_stretch(tips.pop(), window)
        web.remove(path[:-1])
        if len(path) > 1 and web.degree[path[-1]] == 1:
            tips.append(path[-1])
    kept: Ints = links[web.alive[place.reshape(-1, 2)].all(axis=1)]
    return kept


class _Web:
    """Nodes and links that free ends can be taken off of."""

    def __init__(self, at: Points, diameter: Floats, links: Ints) -> None:
        both = np.concatenate([links, links[:, ::-1]])
        both = both[np.argsort(both[:, 0], kind="stable")]
        degree = np.bincount(both[:, 0], minlength=len(at))
        self._first = np.append(0, np.cumsum(degree)).tolist()
        self._other = both[:, 1].tolist()
        self._at, self._diameter = at.tolist(), diameter.tolist()
        self.degree: list[int] = degree.tolist()
        self.alive = np.ones(len(at), bool)

    def tips(self) -> list[int]:
        """Return the nodes with one link only."""
        return [node for node, degree in enumerate(self.degree) if degree == 1]

    def _near(self, node: int) -> list[int]:
        return [other for other in self._other[self._first[node] : self._first[node + 1]] if self.alive[other]]

    def remove(self, path: list[int]) -> None:
        """Take nodes off, and their links."""
        for node in path:
            for other in self._near(node):
                self.degree[other] -= 1
            self.alive[node] = False

    def corner_stretch(self, tip: int, window: float) -> list[int]:
        """Return the nodes from a free end to where the stretch into the corner begins, that one included.

        A hairline that grows out of a broad body does not shrink over any stretch of its length, so
        it stays.
        """
        path, way = self._path(tip)
        width = [self._diameter[node] for node in path]
        first = 0
        while first < len(path) - 1 and _shrinks(first, way, width, window):
            first += 1
        return path[: first + 1]

    def _path(self, tip: int) -> tuple[list[int], list[float]]:
        """Return the nodes from a free end to the next branching, and the way to each."""
        path, way, node, previous = [tip], [0.0], tip, -1
        while len(near := [other for other in self._near(node) if other != previous]) == 1:
            previous, node = node, near[0]
            path.append(node)
            way.append(way[-1] + math.dist(self._at[previous], self._at[node]))
            if node == tip:
                break
        return path, way


def _shrinks(first: int, way: list[float], width: list[float], window: float) -> bool:
    """Say whether the diameter grows inwards from a place fast enough over some stretch up to a window's length."""
    for last in range(first + 1, len(way)):
        gain, run = width[last] - width[first], way[last] - way[first]
        if gain > max(_CORNER_SLOPE * run, _NOISE):
            return True
        if run > window:
            break
    return False
