"""Into which cells an extent may be divided, and on how many sheets they go.

A division is a set of strips across the extent, each divided again along its length: rows of
a text with seams between its words, say. Cells may be even, or as large as goes with a small rest
at either end, which then shares a sheet with other rests.
"""

import itertools
import math
from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

import numpy as np

from dunestead.core.errors import BadInput
from dunestead.core.geometry.curves import Box
from dunestead.core.sheets.packing import PackItem, Room, can_share, quick_pack

__all__ = [
    "PACKED_UP_TO",
    "Candidate",
    "Pattern",
    "Reach",
    "Run",
    "Sized",
    "candidates",
    "check_overlap",
    "fits",
    "meeting",
    "meetings",
    "run_of",
    "seams_in",
    "sheets_at_least",
    "sheets_for",
    "sized",
]

Point = tuple[float, float]
# Alike; full ones first or last; full ones first and the rest in two halves, which may find room beside others.
Fill = Literal["even", "first", "last", "halves"]
_EPS, _MET = 1e-6, 1e-3
MOST_SHEETS = 400
# Up to so many cells a pattern is packed to count its sheets; beyond, area tells enough, or each patch is given one.
PACKED_UP_TO = 60
# Up to so many strips, one of them may be divided once more than it must.
_APART_UP_TO = 4


@dataclass(frozen=True, slots=True)
class Reach:
    """What a sheet offers and what seams need, mm.

    Attributes
    ----------
    width, length
        Across and along the feed.
    overlap
        Mask that neighbouring patches share; 0 where they are butted.
    gap
        Spacing of patches on a sheet.
    least
        No patch is made narrower than this, where it can be helped.
    """

    width: float
    length: float
    overlap: float
    gap: float = 5.0
    least: float = 50.0

    @property
    def room(self) -> Room:
        """The same as a room for packing."""
        return Room(self.width, self.length, self.gap)

    @property
    def sides(self) -> tuple[float, ...]:
        """The sides, the longer first; one when they are equal."""
        return tuple(sorted({self.width, self.length}, reverse=True))


@dataclass(frozen=True, slots=True)
class Run:
    """Cells in a row along one line: the most that each may be long, mm, and how they are filled."""

    mosts: tuple[float, ...]
    fill: Fill

    @property
    def count(self) -> int:
        """How many there are."""
        return len(self.mosts)


@dataclass(frozen=True, slots=True)
class Pattern:
    """A way to divide: strips stacked along an axis (0 across, 1 down), each divided in its own way along the other."""

    axis: int
    strips: Run
    cells: tuple[Run, ...]


@dataclass(frozen=True, slots=True)
class Sized:
    """A pattern with the sizes of its cells.

    Attributes
    ----------
    sizes
        Width and height of each, strip by strip.
    """

    pattern: Pattern
    sizes: tuple[tuple[float, float], ...]


@dataclass(frozen=True, slots=True)
class Candidate:
    """A pattern whose cells' sizes are still to be worked out.

    Attributes
    ----------
    thick
        How thick its strips are, mm.
    along
        How long, mm.
    count
        How many cells there are.
    """

    pattern: Pattern
    thick: tuple[float, ...]
    along: float
    count: int


def check_overlap(reach: Reach) -> None:
    """Raise `BadInput` when the overlap leaves nothing of the reach."""
    if not 0 <= reach.overlap < min(reach.width, reach.length) / 2:
        raise BadInput(
            f"An overlap of {reach.overlap:g} mm does not fit a reach of {reach.width:g} x {reach.length:g} mm.",
            "Give an overlap under half the shorter reach.",
        )


def fits(width: float, height: float, reach: Reach) -> bool:
    """Say whether a patch fits the reach, turned or not."""
    across, along = (width, height) if (width <= height) == (reach.width <= reach.length) else (height, width)
    return across <= reach.width + _EPS and along <= reach.length + _EPS


def run_of(start: float, end: float, run: Run, overlap: float, least: float) -> list[tuple[float, float, float]]:
    """Return for each seam of a run where it may begin, earliest and latest, and where it should, mm.

    A seam beginning at ``s`` gives the cell before it up to ``s + overlap`` and the one after from ``s``.
    """
    reached = [0.0, *itertools.accumulate(most - overlap for most in run.mosts)]
    seams: list[tuple[float, float, float]] = []
    left = start
    for index in range(1, run.count):
        # What is left must still fit into the cells that are left, and no cell be a mere strip.
        earliest = max(end - (reached[-1] - reached[index]) - overlap, left + least - overlap)
        latest = min(left + reached[index] - reached[index - 1], end - least)
        even = start + reached[index] / reached[-1] * (end - start - overlap)
        wanted = {"even": even, "first": latest, "last": earliest, "halves": latest}[run.fill]
        if run.fill == "halves" and index == run.count - 1:
            wanted = (left + end - overlap) / 2
        at = min(max(wanted, earliest), max(latest, earliest))
        seams.append((min(earliest, at), max(latest, at), at))
        left = at
    return seams


@lru_cache(maxsize=4096)
def _starts(extent: float, run: Run, reach: Reach) -> tuple[float, ...]:
    """Return where the seams of a run begin, mm."""
    return tuple(at for *_, at in run_of(0.0, extent, run, reach.overlap, reach.least))


@lru_cache(maxsize=4096)
def _lengths(extent: float, run: Run, reach: Reach) -> tuple[float, ...]:
    seams = _starts(extent, run, reach)
    begins, ends = [0.0, *seams], [*(at + reach.overlap for at in seams), extent]
    return tuple(end - begin for begin, end in zip(begins, ends, strict=True))


def _count(extent: float, most: float, overlap: float) -> int:
    return 1 if extent <= most + _EPS else math.ceil((extent - overlap) / (most - overlap) - 1e-9)


def _runs(mosts: tuple[float, ...]) -> Iterator[Run]:
    yield Run(mosts, "even")
    if len(mosts) > 1:
        yield from (Run(mosts, "first"), Run(mosts, "last"), Run((*mosts, mosts[-1]), "halves"))


def _stacks(extent: float, reach: Reach) -> Iterator[tuple[float, ...]]:
    """Yield how thick strips may be that cover an extent: as many of the longer side as may be, then of the shorter."""
    longer, shorter = reach.sides[0], reach.sides[-1]
    most = _count(extent, longer, reach.overlap)
    for long in range(most, -1, -1):
        rest = extent - long * (longer - reach.overlap)
        if long and rest <= reach.overlap + _EPS:
            yield (longer,) * long
        elif shorter < longer:
            yield (longer,) * long + (shorter,) * _count(rest, shorter, reach.overlap)


def candidates(extent: tuple[float, float], reach: Reach) -> Iterator[Candidate]:
    """Yield every pattern that may divide an extent."""
    for axis in (1, 0):
        stacked, along = extent[axis], extent[1 - axis]
        for stack in _stacks(stacked, reach):
            for strips in _runs(stack):
                thick = _lengths(stacked, strips, reach)
                mosts = [max((side for side in reach.sides if fits(side, one, reach)), default=0.0) for one in thick]
                if min(mosts) > reach.overlap:
                    counts = [_count(along, most, reach.overlap) for most in mosts]
                    for cells in _divided(mosts, counts):
                        yield Candidate(Pattern(axis, strips, cells), thick, along, sum(run.count for run in cells))


def _divided(mosts: Sequence[float], counts: Sequence[int]) -> Iterator[tuple[Run, ...]]:
    """Yield the ways strips are divided: all in one way, or one of a few strips with a cell more."""
    fills: tuple[Fill, ...] = ("even", "first", "last") if max(counts) > 1 else ("even",)
    for fill in fills:
        yield tuple(Run((most,) * count, fill) for most, count in zip(mosts, counts, strict=True))
    if max(counts) > 1:
        yield tuple(Run((most,) * (count + 1), "halves") for most, count in zip(mosts, counts, strict=True))
    if 1 < len(mosts) <= _APART_UP_TO:
        for apart in range(len(mosts)):
            yield tuple(
                Run((most,) * (count + (k == apart)), "even")
                for k, (most, count) in enumerate(zip(mosts, counts, strict=True))
            )


def sized(candidate: Candidate, reach: Reach) -> Sized | None:
    """Return a pattern with the sizes of its cells, None when one does not fit the reach."""
    divided = [_lengths(candidate.along, run, reach) for run in candidate.pattern.cells]
    sizes = [(length, high) for high, lengths in zip(candidate.thick, divided, strict=True) for length in lengths]
    if candidate.pattern.axis == 0:
        sizes = [(high, length) for length, high in sizes]
    if not all(fits(w, h, reach) for w, h in sizes):
        return None
    return Sized(candidate.pattern, tuple(sizes))


def seams_in(pattern: Pattern, extent: tuple[float, float], reach: Reach) -> int:
    """Return how many pairs of cells meet: beside each other in a strip, and across from strip to strip."""
    along = extent[1 - pattern.axis]
    starts = [_starts(along, run, reach) for run in pattern.cells]
    within = sum(len(one) for one in starts)
    # Each seam that has none just across from it parts what lies across.
    across = sum(1 + len({round(at) for at in (*one, *other)}) for one, other in itertools.pairwise(starts))
    return within + across


def sheets_at_least(sizes: Sequence[tuple[float, float]], reach: Reach) -> int:
    """Return on how many sheets cells go at least, by their area."""
    area = sum((width + reach.gap) * (height + reach.gap) for width, height in sizes)
    return max(math.ceil(area / ((reach.width + reach.gap) * (reach.length + reach.gap)) - 1e-9), 1)


def sheets_for(sizes: Sequence[tuple[float, float]], reach: Reach) -> int:
    """Return on how many sheets cells go, by a quick packing; of very many, each has one to itself."""
    counts = Counter((round(min(size), 2), round(max(size), 2)) for size in sizes)
    kinds = {size: PackItem(*size) for size in counts}
    room = reach.room
    social = [
        size
        for size, item in kinds.items()
        if any(can_share(item, other, room) and (size != its or counts[size] > 1) for its, other in kinds.items())
    ]
    # What can share its sheet with nothing has one to itself; only the rest is packed.
    alone = sum(count for size, count in counts.items() if size not in social)
    rest = [kinds[size] for size in social for _ in range(counts[size])]
    if len(rest) > PACKED_UP_TO:
        return alone + len(rest)
    return alone + (quick_pack(rest, room).sheets if rest else 0)


def meeting(one: Box, other: Box, overlap: float) -> tuple[Point, Point] | None:
    """Return the middle line along which two cells meet, None where they do not, or at a corner only."""
    x0, y0 = max(one[0], other[0]), max(one[1], other[1])
    x1, y1 = min(one[2], other[2]), min(one[3], other[3])
    across, down = x1 - x0, y1 - y0
    if min(across, down) < -_MET or max(across, down) <= overlap + 1.0:
        return None
    if across <= down:
        if across > overlap + _MET:
            return None
        middle = (x0 + x1) / 2
        return (middle, y0), (middle, y1)
    if down > overlap + _MET:
        return None
    middle = (y0 + y1) / 2
    return (x0, middle), (x1, middle)


def meetings(cells: Sequence[Box], overlap: float) -> int:
    """Return how many pairs of cells meet along a line, as `meeting` has it."""
    grid = np.array(cells)
    low = np.maximum(grid[:, None, :2], grid[None, :, :2])
    shared = np.minimum(grid[:, None, 2:], grid[None, :, 2:]) - low
    least, most = shared.min(axis=2), shared.max(axis=2)
    met = (least >= -_MET) & (least <= overlap + _MET) & (most > overlap + 1.0)
    return int(np.triu(met, 1).sum())
