"""What a mask takes by its extent alone, whatever lies in it: the divisions that cost least for sheets and seams."""

from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

from dunestead.core.sheets.cells import (
    MOST_SHEETS,
    Candidate,
    Reach,
    Sized,
    candidates,
    check_overlap,
    fits,
    seams_in,
    sheets_at_least,
    sheets_for,
    sized,
)
from dunestead.core.sheets.packing import PackItem, quick_pack
from dunestead.core.sheets.price import USUAL_PRICES, Prices

__all__ = ["Takes", "cheapest_divisions", "takes", "takes_together"]

_ROUNDED = 3


@dataclass(frozen=True, slots=True, order=True)
class Takes:
    """So many sheets, and so many seams on them."""

    sheets: int
    seams: int

    def __str__(self) -> str:
        """Return it in words.

        Examples
        --------
        >>> str(Takes(3, 0)), str(Takes(1, 1))
        ('3 sheets, no seam', '1 sheet, 1 seam')
        """
        sheets = "1 sheet" if self.sheets == 1 else f"{self.sheets} sheets"
        return f"{sheets}, {self.seams or 'no'} seam{'s' if self.seams > 1 else ''}"

    def __add__(self, other: "Takes") -> "Takes":
        """Return what two masks take, each on sheets of its own."""
        return Takes(self.sheets + other.sheets, self.seams + other.seams)


def cheapest_divisions(
    extent: tuple[float, float], reach: Reach, prices: Prices, most: int
) -> list[tuple[float, Takes, Sized]]:
    """Return the divisions that cost least for sheets and seams, each with its price and what it takes.

    Parameters
    ----------
    extent
        Width and height, mm, of what does not fit the reach.
    most
        So many are returned.
    """
    of_count: dict[int, list[Candidate]] = defaultdict(list)
    for candidate in candidates(extent, reach):
        of_count[candidate.count].append(candidate)
    least_sheets = sheets_at_least([extent], reach)
    kept: list[tuple[float, Takes, Sized]] = []
    for count in sorted(of_count):
        # Cells hang together by one seam less than there are; the worst of those kept must be beaten.
        if len(kept) >= most and prices.of(least_sheets, count - 1) >= kept[-1][0]:
            break
        for least, seams, one in _by_area(of_count[count], extent, reach, prices):
            if len(kept) >= most and least >= kept[-1][0]:
                break
            taken = Takes(_sheets_of(tuple(sorted(one.sizes)), reach), seams)
            entry = (prices.of(taken.sheets, seams), taken, one)
            kept = sorted([*kept, entry], key=lambda entry: entry[0])[:most]
    return kept


def _by_area(
    of: Sequence[Candidate], extent: tuple[float, float], reach: Reach, prices: Prices
) -> list[tuple[float, int, Sized]]:
    """Return the patterns that fit, each set of sizes once, with the least they cost by their area, and their seams."""
    found: dict[tuple[int, tuple[tuple[float, float], ...]], tuple[float, int, Sized]] = {}
    for candidate in of:
        one = sized(candidate, reach)
        if one is None:
            continue
        key = (one.pattern.axis, one.sizes)
        if key not in found:
            seams = seams_in(one.pattern, extent, reach)
            found[key] = (prices.of(sheets_at_least(one.sizes, reach), seams), seams, one)
    return sorted(found.values(), key=lambda entry: entry[0])


@lru_cache(maxsize=4096)
def _sheets_of(sizes: tuple[tuple[float, float], ...], reach: Reach) -> int:
    return sheets_for(sizes, reach)


def takes(extent: tuple[float, float], reach: Reach, prices: Prices = USUAL_PRICES) -> Takes:
    """Return what the cheapest division of an extent takes.

    Examples
    --------
    A mask of 452 by 820 mm is 1.9 cm² larger than two sheets and their overlap.

    >>> reach = Reach(292, 597, 10)
    >>> takes((280, 300), reach), takes((452, 820), reach)
    (Takes(sheets=1, seams=0), Takes(sheets=3, seams=2))

    Raises
    ------
    BadInput
        As `check_overlap`.
    """
    return _takes(round(extent[0], _ROUNDED), round(extent[1], _ROUNDED), reach, prices)


def takes_together(extent: tuple[float, float], count: int, reach: Reach, prices: Prices = USUAL_PRICES) -> Takes:
    """Return what several masks of one extent take; small ones share a sheet."""
    if count > 1 and fits(*extent, reach):
        return Takes(quick_pack([PackItem(*extent)] * count, reach.room).sheets, 0)
    one = takes(extent, reach, prices)
    return Takes(count * one.sheets, count * one.seams)


@lru_cache(maxsize=8192)
def _takes(width: float, height: float, reach: Reach, prices: Prices) -> Takes:
    check_overlap(reach)
    if fits(width, height, reach):
        return Takes(1, 0)
    found = cheapest_divisions((width, height), reach, prices, 1)
    return found[0][1] if found else Takes(MOST_SHEETS * 10, 0)
