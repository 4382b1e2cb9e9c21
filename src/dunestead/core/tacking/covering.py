"""How few rests of a plate, lying either way round, cover all that is marked on a grid?"""

from collections.abc import Sequence
from functools import lru_cache
from typing import NamedTuple

import numpy as np
import numpy.typing as npt

__all__ = ["Cells", "Rest", "cover_cells", "fewest_at_least"]

Cells = npt.NDArray[np.bool_]
Places = npt.NDArray[np.intp]
Size = tuple[int, int]
# How often a few neighbouring rests are taken out and laid anew: enough to come within one of the fewest.
_TRIES, _MOST_OUT = 24, 5
# By how much a rest that covers less may still be tried, as a share.
_SPREAD = 0.25


class Rest(NamedTuple):
    """A rectangle of cells; it may reach beyond the grid."""

    row: int
    column: int
    rows: int
    columns: int

    @property
    def within(self) -> tuple[slice, slice]:
        """What of a grid it covers."""
        across = slice(max(self.column, 0), max(self.column + self.columns, 0))
        return slice(max(self.row, 0), max(self.row + self.rows, 0)), across


class _Turned(NamedTuple):
    """From which corner a grid is covered, and whether along its columns."""

    upwards: bool
    leftwards: bool
    across: bool


_ALL_WAYS = tuple(_Turned(bool(k & 1), bool(k & 2), bool(k & 4)) for k in range(8))


def cover_cells(wanted: Cells, sizes: Sequence[Size], barred: Cells | None = None) -> tuple[Rest, ...]:
    """Return few rests that together cover every wanted cell.

    Parameters
    ----------
    wanted
        The grid, rows by columns.
    sizes
        Rows and columns a rest may have.
    barred
        Cells no rest lies on where it can be helped.

    Notes
    -----
    The first open cell from a corner must be covered by some rest; of those the one that covers most is taken,
    from every corner both ways. Then a few neighbours are taken out and laid anew, as often as pays
    (ruin and recreate; Schrimpf et al. 2000). Never more than one above the fewest in the cases the tests hold
    against an exact cover; most often the fewest. The same grid always gives the same rests.
    """
    bars = None if barred is None or not barred.any() else barred
    key = (wanted.tobytes(), wanted.shape, tuple(dict.fromkeys(sizes)), None if bars is None else bars.tobytes())
    return _covered(*key)


@lru_cache(maxsize=128)
def _covered(data: bytes, shape: Size, sizes: tuple[Size, ...], bars: bytes | None) -> tuple[Rest, ...]:
    wanted = np.frombuffer(data, bool).reshape(shape)
    barred = None if bars is None else np.frombuffer(bars, bool).reshape(shape)
    if not wanted.any():
        return ()
    least = fewest_at_least(wanted, sizes)
    best = min((_greedy(wanted, sizes, turned, barred) for turned in _ALL_WAYS), key=len)
    chance = np.random.default_rng(len(best))
    for _ in range(_TRIES):
        if len(best) <= max(least, 2):
            break
        best = _laid_anew(best, wanted, sizes, barred, chance)
    return tuple(best)


def fewest_at_least(wanted: Cells, sizes: Sequence[Size]) -> int:
    """Return a number of rests that no cover can do without: by area, and by cells too far apart to share one."""
    by_area = -(-int(wanted.sum()) // max(rows * columns for rows, columns in sizes))
    left, apart = wanted.copy(), 0
    while left.any():
        row, column = _first(left)
        apart += 1
        for rows, columns in sizes:
            left[max(row - rows + 1, 0) : row + rows, max(column - columns + 1, 0) : column + columns] = False
    return max(by_area, apart)


def _laid_anew(
    best: list[Rest], wanted: Cells, sizes: Sequence[Size], barred: Cells | None, chance: np.random.Generator
) -> list[Rest]:
    """Return the rests with some neighbours laid anew, where that takes no more of them."""
    count = int(chance.integers(2, min(_MOST_OUT, len(best)) + 1))
    middles = np.array([(rest.row + rest.rows / 2, rest.column + rest.columns / 2) for rest in best])
    away = np.hypot(*(middles - middles[int(chance.integers(len(best)))]).T)
    out = set(np.argsort(away, kind="stable")[:count].tolist())
    kept = [rest for place, rest in enumerate(best) if place not in out]
    left = _open(wanted, kept)
    again = _greedy(left, sizes, _ALL_WAYS[int(chance.integers(len(_ALL_WAYS)))], barred, chance, count)
    return kept + again if len(again) <= count else best


def _open(wanted: Cells, rests: Sequence[Rest]) -> Cells:
    left = wanted.copy()
    for rest in rests:
        left[rest.within] = False
    return left


def _greedy(
    wanted: Cells,
    sizes: Sequence[Size],
    turned: _Turned,
    barred: Cells | None,
    chance: np.random.Generator | None = None,
    most: int | None = None,
) -> list[Rest]:
    """Cover the first open cell again and again; stop once there are more rests than wanted."""
    left = _seen(wanted, turned).copy()
    bars = None if barred is None else _seen(barred, turned)
    shapes = [(columns, rows) if turned.across else (rows, columns) for rows, columns in sizes]
    found: list[Rest] = []
    while left.any() and (most is None or len(found) <= most):
        at = _first(left)
        best = max(
            (_scored(left, bars, at, shape, chance) for shape in shapes),
            key=lambda scored: scored[0],
        )[1]
        found.append(best)
        left[best.within] = False
    return [_back(rest, left.shape, turned) for rest in found]


def _first(cells: Cells) -> tuple[int, int]:
    row = int(np.argmax(cells.any(axis=1)))
    return row, int(np.argmax(cells[row]))


def _scored(
    left: Cells, bars: Cells | None, at: tuple[int, int], size: Size, chance: np.random.Generator | None
) -> tuple[float, Rest]:
    """Return the best rest of a size on a cell before which nothing is open: what it covers, less what is barred."""
    (row, column), (rows, columns) = at, size
    # With nothing barred it may as well begin on the cell's own row: nothing above is open.
    tops = np.arange(row if bars is None else row - rows + 1, row + 1)
    starts = np.arange(max(column - columns + 1, 0), column + 1)
    gains = _under(left, tops, starts, size).astype(float)
    if chance is not None:
        gains *= 1 + _SPREAD * chance.random(gains.shape)
    if bars is not None:
        gains -= left.size * _under(bars, tops, starts, size)
    # The furthest on of the best ones reaches furthest.
    place = gains.size - 1 - int(np.argmax(gains.ravel()[::-1]))
    top, start = divmod(place, len(starts))
    return float(gains[top, start]), Rest(int(tops[top]), int(starts[start]), rows, columns)


def _under(cells: Cells, tops: Places, starts: Places, size: Size) -> Places:
    """Return how many marked cells lie under a rest, by its first row and column."""
    (rows, columns), first = size, max(int(tops[0]), 0)
    band = cells[first : int(tops[-1]) + rows, starts[0] : starts[-1] + columns]
    if len(tops) == 1:
        by_column = band.sum(axis=0)[None]
    else:
        down = np.zeros((band.shape[0] + 1, band.shape[1]), np.intp)
        np.cumsum(band, axis=0, out=down[1:])
        above, below = (np.clip(tops - first + by, 0, band.shape[0]) for by in (0, rows))
        by_column = down[below] - down[above]
    across = np.zeros((len(tops), band.shape[1] + 1), np.intp)
    np.cumsum(by_column, axis=1, out=across[:, 1:])
    before = starts - starts[0]
    found: Places = across[:, np.minimum(before + columns, band.shape[1])] - across[:, before]
    return found


def _seen(cells: Cells, turned: _Turned) -> Cells:
    seen = cells.T if turned.across else cells
    return seen[:: -1 if turned.upwards else 1, :: -1 if turned.leftwards else 1]


def _back(rest: Rest, shape: tuple[int, ...], turned: _Turned) -> Rest:
    row = shape[0] - rest.row - rest.rows if turned.upwards else rest.row
    column = shape[1] - rest.column - rest.columns if turned.leftwards else rest.column
    return Rest(column, row, rest.columns, rest.rows) if turned.across else Rest(row, column, rest.rows, rest.columns)
