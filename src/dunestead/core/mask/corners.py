"""Which stretches of a medial axis only run into corners?

Two kinds: those along which the diameter shrinks by more than half of the way travelled, which is
any corner of over 29 degrees; and those that taper to a point, losing most of their width on the way,
as the mask does between the legs of a W. What is left of such a point is next to nothing at any size,
so no growth would cure it. A taper with a blunt end is neither: it is as wide as its end. A hairline that
tapers, the end of a swash, counts as half as wide as it becomes. Where two shapes touch the axis is parted.
"""

import math
from collections.abc import Callable, Sequence

import numpy as np
import numpy.typing as npt

from dunestead.core.tolerances import TOLERANCES

__all__ = ["without_corners"]

Points = npt.NDArray[np.float64]
Floats = npt.NDArray[np.float64]
Ints = npt.NDArray[np.intp]
# A stretch of axis on which the diameter shrinks by more than this share of the way runs into a corner.
_CORNER_SLOPE = 0.5
# A taper slimmer on the whole than this slope, under six degrees, is a hairline and stays.
_TAPER_SLOPE = 0.1
# Over which way a slope is judged, mm.
_WINDOW = 1.5
_MOST_ROUNDS = 4
# Widths are known to this, mm, for curves are thinned.
_NOISE = 0.03
# An end hardly wider than a slit that was closed is what is left of a point, whatever the taper, mm.
_BLUNT_HAIR = 0.18
# Within so many times the width of its end a taper is twice as wide; a slimmer one is a hairline. Where two circles
# touch it takes longer.
_PROGRESSIVE, _CUSP = 12.0, 40.0
# Along a taper the width falls by no more than this share of the widest met.
_STEADY = 0.1
# Of a hairline that ends in a point so much of its width is kept.
_KEPT_OF_HAIRLINE = 0.5


def without_corners(vertices: Points, diameter: Floats, links: Ints, point: float) -> tuple[Ints, Ints]:
    """Take off, from their free ends inwards, the stretches that run into corners, and part what only touches.

    Parameters
    ----------
    vertices, diameter, links
        The axis: places, widths there, and which follow each other; mm on a design of the size designs are reckoned at.
    point
        A taper to a point ends in no more than this share of its width.

    Returns
    -------
    tuple
        The links without both kinds, and those without corners only, tapers left on.

    Notes
    -----
    Where stretches taken off leave a new free end, it is judged in turn. Corners come first, for a taper
    is seen whole only when no corner branches off it any more.
    """
    links = _pruned(vertices, diameter, links, point, [_Web.corner_stretch])
    # What is under a hair wide is no width, but where shapes touch.
    links = links[(diameter[links] >= TOLERANCES.hair).all(axis=1)]
    tapered = _pruned(vertices, diameter, links, point, [_Web.corner_stretch])
    kept = tapered
    for _ in range(_MOST_ROUNDS):
        fewer = _pruned(vertices, diameter, kept, point, [_Web.taper_stretch, _Web.corner_stretch])
        if len(fewer) == len(kept):
            break
        kept = fewer
    return _pruned(vertices, diameter, kept, point, [_Web.hairline_stretch]), tapered


Stretches = Callable[["_Web", int, float], list[int]]


def _pruned(vertices: Points, diameter: Floats, links: Ints, point: float, rules: Sequence[Stretches]) -> Ints:
    """Return the links left when rules, one after the other, have taken off what they find at free ends."""
    if not len(links):
        return links
    nodes, place = np.unique(links, return_inverse=True)
    place = place.reshape(-1, 2)
    web = _Web(vertices[nodes], diameter[nodes], place, point)
    for rule in rules:
        _take_off(web, rule)
    kept: Ints = links[web.alive[place].all(axis=1)]
    return kept


def _take_off(web: "_Web", rule: Stretches) -> None:
    """Take off what a rule finds at every free end."""
    tips = web.tips()
    while tips:
        path = rule(web, tips.pop(), _WINDOW)
        web.remove(path[:-1])
        if len(path) > 1 and web.degree[path[-1]] == 1:
            tips.append(path[-1])


class _Web:
    """Nodes and links that free ends can be taken off of.

    A node on a stretch has two neighbours, so the sum of their numbers less the one it is come from
    is the one to go on to; that is all a walk needs, and a free end's sum is its only neighbour.
    """

    def __init__(self, at: Points, diameter: Floats, links: Ints, point: float) -> None:
        self._point = point
        both = np.concatenate([links, links[:, ::-1]])
        self.degree: list[int] = np.bincount(both[:, 0], minlength=len(at)).tolist()
        self._sum: list[int] = np.bincount(both[:, 0], both[:, 1], minlength=len(at)).astype(np.intp).tolist()
        self._x, self._y, self._diameter = at[:, 0].tolist(), at[:, 1].tolist(), diameter.tolist()
        self.alive = np.ones(len(at), bool)

    def tips(self) -> list[int]:
        """Return the nodes with one link only."""
        return [node for node, degree in enumerate(self.degree) if degree == 1 and self.alive[node]]

    def remove(self, path: list[int]) -> None:
        """Take nodes off, from a free end on."""
        for node in path:
            if self.degree[node]:
                other = self._sum[node]
                self.degree[other] -= 1
                self._sum[other] -= node
            self.degree[node] = 0
            self.alive[node] = False

    def corner_stretch(self, tip: int, window: float) -> list[int]:
        """Return the nodes from a free end to where the stretch into the corner begins, that one included.

        A hairline that grows out of a broad body does not shrink over any stretch of its length, so
        it stays.
        """
        stretch = _Stretch(self, tip)
        first = 0
        while stretch.has(first + 1) and stretch.gains(first, window, _CORNER_SLOPE):
            first += 1
        return stretch.path[: first + 1]

    def taper_stretch(self, tip: int, window: float) -> list[int]:
        """Return the nodes from a free end to where its taper begins, when it ends in a point."""
        stretch = _Stretch(self, tip)
        way, width = stretch.way, stretch.width
        last, top = 0, self._widest_of_rise(stretch)
        while last < top and (
            stretch.gains(last, window, _TAPER_SLOPE) or width[last] - width[0] < _TAPER_SLOPE * way[last]
        ):
            last += 1
        is_taper = width[last] - width[0] >= _TAPER_SLOPE * way[last]
        return stretch.path[: last + 1] if is_taper and self._is_point(stretch, last) else stretch.path[:1]

    def hairline_stretch(self, tip: int, _: float) -> list[int]:
        """Return the nodes from a free end to where its slim taper is wide enough, when it ends in a point."""
        stretch = _Stretch(self, tip)
        width, top = stretch.width, self._widest_of_rise(stretch)
        if not self._is_point(stretch, top):
            return stretch.path[:1]
        wide = next(k for k in range(top + 1) if width[k] >= _KEPT_OF_HAIRLINE * width[top])
        return stretch.path[: wide + 1]

    def _is_point(self, stretch: "_Stretch", top: int) -> bool:
        """Say whether next to nothing is left of a width at a free end, and that little by little.

        A hairline that grows out of a broad body is as thin for a long way, and no point.
        """
        width, way = stretch.width, stretch.way
        end, wide = width[0], width[top]
        if end > self._point * wide and not end < _BLUNT_HAIR <= wide:
            return False
        end = max(end, TOLERANCES.hair)
        doubled = next((k for k in range(top + 1) if width[k] >= 2 * end), top)
        return way[doubled] <= (_CUSP if end < _BLUNT_HAIR else _PROGRESSIVE) * end

    @staticmethod
    def _widest_of_rise(stretch: "_Stretch") -> int:
        """Return how far from a free end the width rises, give or take what it is uneven by: its widest place."""
        width, last, widest = stretch.width, 0, 0
        while stretch.has(last + 1) and width[last + 1] >= (1 - _STEADY) * width[widest] - _NOISE:
            last += 1
            widest = last if width[last] > width[widest] else widest
        return widest

    def onward(self, node: int, previous: int) -> int:
        """Return the next node of a stretch, -1 at its end: a branching or another free end."""
        if self.degree[node] == (1 if previous < 0 else 2):
            return self._sum[node] - max(previous, 0)
        return -1

    def step(self, one: int, other: int) -> float:
        """Return the way between two nodes."""
        return math.hypot(self._x[one] - self._x[other], self._y[one] - self._y[other])

    def width_at(self, node: int) -> float:
        """Return the diameter at a node."""
        width: float = self._diameter[node]
        return width


class _Stretch:
    """The nodes from a free end to the next branching, walked only as far as is asked for."""

    def __init__(self, web: _Web, tip: int) -> None:
        self._web = web
        self._previous = -1
        self.path, self.way, self.width = [tip], [0.0], [web.width_at(tip)]

    def has(self, index: int) -> bool:
        """Say whether the stretch goes that far, and walk there."""
        while len(self.path) <= index:
            node = self.path[-1]
            following = self._web.onward(node, self._previous)
            if following < 0:
                return False
            self._previous = node
            self.path.append(following)
            self.way.append(self.way[-1] + self._web.step(node, following))
            self.width.append(self._web.width_at(following))
        return True

    def gains(self, first: int, window: float, slope: float) -> bool:
        """Say whether the diameter grows inwards from a place fast enough over some stretch up to a window's length."""
        last = first + 1
        while self.has(last):
            gain, run = self.width[last] - self.width[first], self.way[last] - self.way[first]
            if gain > max(slope * run, _NOISE):
                return True
            if run > window:
                break
            last += 1
        return False
