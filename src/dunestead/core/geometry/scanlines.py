"""How much of a straight line, across or down, lies within a region."""

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

__all__ = ["Scan"]

Values = npt.NDArray[np.float64]


class Scan:
    """A region's edges, sorted once, for many lines along the axes.

    Parameters
    ----------
    region
        Any area; empty is allowed.

    Examples
    --------
    >>> Scan(shapely.box(0, 0, 4, 2)).crossed(np.array([1.0, 9.0]), 0, 2, 0, 0)[0]
    array([2., 0.])
    """

    def __init__(self, region: BaseGeometry) -> None:
        points, ring = shapely.get_coordinates(shapely.get_rings(shapely.get_parts(region)), return_index=True)
        same = ring[:-1] == ring[1:] if len(ring) else np.empty(0, bool)
        self._from, self._to = points[:-1][same], points[1:][same]

    @property
    def is_empty(self) -> bool:
        """Whether there is nothing to cross."""
        return len(self._from) == 0

    def crossed(self, at: Values, low: float, high: float, axis: int, short: float) -> tuple[Values, Values]:
        """Return the length of each line within the region, and how much its runs are shorter than wanted.

        Parameters
        ----------
        at
            Where the lines are: ``x`` for axis 0, which run down, ``y`` for axis 1, which run across.
        low, high
            Where they begin and end, along themselves.
        axis
            0 or 1.
        short
            A run of the line in the region is wanted to be as long at least.
        """
        inside, lacking = np.zeros(len(at)), np.zeros(len(at))
        if self.is_empty:
            return inside, lacking
        one, other = self._from[:, axis], self._to[:, axis]
        # Lines through a corner count one of its two sides only.
        least, most = np.minimum(one, other), np.maximum(one, other)
        near = np.flatnonzero((least <= at.max()) & (most > at.min()))
        one, other, least, most = one[near], other[near], least[near], most[near]
        begin, end = self._from[near, 1 - axis], self._to[near, 1 - axis]
        for k, line in enumerate(at.tolist()):
            met = np.flatnonzero((least <= line) & (line < most))
            share = (line - one[met]) / (other[met] - one[met])
            along = begin[met] + share * (end[met] - begin[met])
            runs = np.clip(np.sort(along), low, high).reshape(-1, 2)
            lengths = runs[:, 1] - runs[:, 0]
            inside[k] = lengths.sum()
            lacking[k] = np.maximum(short - lengths[lengths > 0], 0.0).sum()
        return inside, lacking
