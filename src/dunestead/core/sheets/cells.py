"""Into which cells an extent may be divided, and how few sheets hold them.

A division is a set of strips across the extent, each divided again along its length: rows of
a text with seams between its words, say. Cells may be even, or as large as goes with a small rest
at either end, which then shares a sheet with other rests.
"""

import math
from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

from dunestead.core.errors import BadInput
from dunestead.core.sheets.packing import Item, Room, can_share, quick_pack

__all__ = [
    "Pattern",
    "Reach",
    "Run",
    "candidates",
    "check_overlap",
    "fewest_for",
    "fewest_of_many",
    "fits",
    "run_of",
    "sheets_for",
]

# Alike; full ones first or last; full ones first and the rest in two halves, which may find room beside others.
Fill = Literal["even", "first", "last", "halves"]
_EPS = 1e-6
MOST_SHEETS = 400
# Up to so many cells every pattern is packed; beyond, area tells enough.
_PACKED_UP_TO = 60
_ROUNDED = 3


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
    """Cells in a row along one line: how many, at most how long, and how they are filled."""

    count: int
    most: float
    fill: Fill


@dataclass(frozen=True, slots=True)
class Pattern:
    """A way to divide: strips stacked along an axis (0 across, 1 down), each divided along the other."""

    axis: int
    strips: Run
    cells: Run


def check_overlap(reach: Reach) -> None:
    """Raise `BadInput` when the overlap leaves nothing of the reach."""
    if not 0 <= reach.overlap < min(reach.width, reach.length) / 2:
        raise BadInput(
            f"An overlap of {reach.overlap:g} mm does not fit a reach of {reach.width:g} x {reach.length:g} mm.",
            "Give an overlap under half the shorter reach.",
        )


def fits(width: float, height: float, reach: Reach) -> bool:
    """Say whether a patch fits the reach, turned or not."""
    return any(w <= reach.width + _EPS and h <= reach.length + _EPS for w, h in ((width, height), (height, width)))


def run_of(start: float, end: float, run: Run, overlap: float, least: float) -> list[tuple[float, float, float]]:
    """Return for each seam of a run where it may begin, earliest and latest, and where it should, mm.

    A seam beginning at ``s`` gives the cell before it up to ``s + overlap`` and the one after from ``s``.
    """
    seams: list[tuple[float, float, float]] = []
    left = start
    for index in range(1, run.count):
        # What is left must still fit into the cells that are left, and no cell be a mere strip.
        earliest = max(end - (run.count - index) * (run.most - overlap) - overlap, left + least - overlap)
        latest = min(left + run.most - overlap, end - least)
        even = start + index * (end - start - overlap) / run.count
        wanted = {"even": even, "first": latest, "last": earliest, "halves": latest}[run.fill]
        if run.fill == "halves" and index == run.count - 1:
            wanted = (left + end - overlap) / 2
        at = min(max(wanted, earliest), max(latest, earliest))
        seams.append((min(earliest, at), max(latest, at), at))
        left = at
    return seams


def _lengths(extent: float, run: Run, reach: Reach) -> list[float]:
    seams = [at for *_, at in run_of(0.0, extent, run, reach.overlap, reach.least)]
    begins, ends = [0.0, *seams], [*(at + reach.overlap for at in seams), extent]
    return [end - begin for begin, end in zip(begins, ends, strict=True)]


def _count(extent: float, most: float, overlap: float) -> int:
    return 1 if extent <= most + _EPS else math.ceil((extent - overlap) / (most - overlap) - 1e-9)


def _runs(extent: float, most: float, overlap: float) -> Iterator[Run]:
    count = _count(extent, most, overlap)
    yield Run(count, most, "even")
    if count > 1:
        yield from (Run(count, most, "first"), Run(count, most, "last"), Run(count + 1, most, "halves"))


def candidates(extent: tuple[float, float], reach: Reach) -> Iterator[tuple[Pattern, list[tuple[float, float]]]]:
    """Yield every pattern with the width and height of its cells, fewest cells first by axis."""
    for axis in (1, 0):
        stacked, along = extent[axis], extent[1 - axis]
        for thickness in reach.sides:
            for strips in _runs(stacked, thickness, reach.overlap):
                thick = _lengths(stacked, strips, reach)
                widest = max(thick)
                most = max((side for side in reach.sides if fits(side, widest, reach)), default=0.0)
                if most <= reach.overlap:
                    continue
                for cells in _runs(along, most, reach.overlap):
                    lengths = _lengths(along, cells, reach)
                    sizes = [(length, high) for high in thick for length in lengths]
                    if axis == 0:
                        sizes = [(high, length) for length, high in sizes]
                    if all(fits(w, h, reach) for w, h in sizes):
                        yield Pattern(axis, strips, cells), sizes


def sheets_for(sizes: list[tuple[float, float]], reach: Reach, below: int = MOST_SHEETS * 10) -> int:
    """Return on how many sheets cells go, by a quick packing; or a bound, when that is not below a number already."""
    counts = Counter((round(min(size), 2), round(max(size), 2)) for size in sizes)
    kinds = {size: Item(*size) for size in counts}
    room = reach.room
    social = [
        size
        for size, item in kinds.items()
        if any(can_share(item, other, room) and (size != its or counts[size] > 1) for its, other in kinds.items())
    ]
    # What can share its sheet with nothing has one to itself; only the rest is packed.
    alone = sum(count for size, count in counts.items() if size not in social)
    rest = [kinds[size] for size in social for _ in range(counts[size])]
    if len(rest) > _PACKED_UP_TO:
        return alone + len(rest)
    area = sum((item.width + reach.gap) * (item.height + reach.gap) for item in rest)
    least = alone + math.ceil(area / ((reach.width + reach.gap) * (reach.length + reach.gap)) - 1e-9)
    if least >= below:
        return least
    return alone + (quick_pack(rest, room).sheets if rest else 0)


def fewest_for(extent: tuple[float, float], reach: Reach) -> int:
    """Return how few sheets an extent takes, whatever lies in it.

    Examples
    --------
    >>> fewest_for((480, 300), Reach(292, 597, 10)), fewest_for((300, 300), Reach(292, 597, 10))
    (2, 2)

    Raises
    ------
    BadInput
        As `check_overlap`.
    """
    return _fewest_for(round(extent[0], _ROUNDED), round(extent[1], _ROUNDED), reach)


def fewest_of_many(extent: tuple[float, float], count: int, reach: Reach) -> int:
    """Return how few sheets several masks of one extent take; small ones share a sheet."""
    if count > 1 and fits(*extent, reach):
        return quick_pack([Item(*extent)] * count, reach.room).sheets
    return count * fewest_for(extent, reach)


@lru_cache(maxsize=8192)
def _fewest_for(width: float, height: float, reach: Reach) -> int:
    check_overlap(reach)
    if fits(width, height, reach):
        return 1
    least = math.ceil(width * height / (reach.width * reach.length) - 1e-9)
    best = MOST_SHEETS * 10
    seen = set()
    for _, sizes in candidates((width, height), reach):
        key = tuple(sorted(round(side, 2) for size in sizes for side in size))
        if key in seen or len(sizes) > best * 8:
            continue
        seen.add(key)
        best = min(best, sheets_for(sizes, reach, best))
        if best <= least:
            break
    return best
