"""Normalised path data, which knows moves, lines, cubics and closings only, to a path."""

from collections.abc import Sequence
from itertools import pairwise

import numpy as np
import numpy.typing as npt

from dunestead.core.geometry.curves import Path

__all__ = ["read_path", "read_paths"]

_NUMBERS = np.zeros(128, np.intp)
_NUMBERS[[ord(letter) for letter in "MLC"]] = 2, 2, 6
_WITHOUT_LETTERS = str.maketrans("MLCZ", "    ")
_MOVE, _LINE, _CURVE, _CLOSE = (ord(letter) for letter in "MLCZ")


def read_path(data: str) -> Path:
    """Return the path of absolute ``M``, ``L``, ``C`` and ``Z`` commands set apart by spaces.

    A contour that is only closed is kept as a line of no length: with a round or square cap
    it paints a dot.

    Examples
    --------
    >>> read_path("M 0 0 L 4 0 L 4 4 Z").closed
    (True,)
    >>> len(read_path("").segments)
    0
    """
    return read_paths([data])[0]


def read_paths(data: Sequence[str]) -> list[Path]:
    """Return several paths, each as `read_path` does; they are read in one go, for there may be thousands."""
    whole, owner = _read(data)
    ends = np.searchsorted(owner, np.arange(len(data) + 1)).tolist()
    return [_part(whole, first, last) for first, last in pairwise(ends)]


def _part(whole: Path, first: int, last: int) -> Path:
    contour = whole.contour[first:last]
    begins, ends = (int(contour[0]), int(contour[-1]) + 1) if last > first else (0, 0)
    return Path(whole.segments[first:last], whole.is_line[first:last], contour - begins, whole.closed[begins:ends])


def _read(data: Sequence[str]) -> tuple[Path, npt.NDArray[np.intp]]:
    """Return all paths one after the other, and for each segment whose it is; each path begins with a move."""
    text = " ".join(data)
    signs = np.frombuffer(text.encode("ascii"), np.uint8)
    # Capitals: the e of an exponent is none.
    at = np.flatnonzero((signs >= ord("A")) & (signs <= ord("Z")))
    kind, size = signs[at], _NUMBERS[signs[at]]
    owner = np.searchsorted(np.cumsum([len(one) + 1 for one in data]), at, side="right")
    numbers = np.fromstring(text.translate(_WITHOUT_LETTERS), sep=" ")
    if not len(kind):
        return Path(np.empty((0, 4, 2)), np.empty(0, bool), np.empty(0, np.intp), ()), owner
    end_of = np.cumsum(size)
    ends = np.empty((len(kind), 2))
    drawn = kind != _CLOSE
    ends[drawn] = numbers[end_of[drawn, None] + np.array([-2, -1])]
    last_move = np.maximum.accumulate(np.where(kind == _MOVE, np.arange(len(kind)), 0))
    ends[~drawn] = ends[last_move[~drawn]]
    segments = np.zeros((len(kind), 4, 2))
    segments[1:, 0] = ends[:-1]
    segments[:, 3] = ends
    curves = np.flatnonzero(kind == _CURVE)
    segments[curves, 1:3] = numbers[end_of[curves, None] + np.arange(-6, -2)].reshape(-1, 2, 2)
    # A contour begins at a move, and where drawing goes on after a closing without one.
    begins = (kind == _MOVE) | np.append(False, kind[:-1] == _CLOSE)
    is_segment = kind != _MOVE
    group = np.cumsum(begins)[is_segment]
    kept, contour = np.unique(group, return_inverse=True)
    closed = np.zeros(len(kept), bool)
    closed[contour[kind[is_segment] == _CLOSE]] = True
    path = Path(segments[is_segment], kind[is_segment] != _CURVE, contour.astype(np.intp), tuple(closed.tolist()))
    return path, owner[is_segment]
