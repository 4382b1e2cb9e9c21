"""By how much does a maker differ from the table? From few values, one of which may be a slip of the pen."""

import math
from collections.abc import Sequence
from functools import lru_cache

import numpy as np

__all__ = ["factor_of"]

# Makers differ from the table by a factor; its logarithm is taken to spread so far around 0 before anything is known.
_PRIOR_SPREAD = 0.5
# How far one maker's jobs may differ among each other, as logarithms, each as likely before they are seen.
_SPREADS = np.array([0.08, 0.12, 0.2, 0.32, 0.5])
# So many of a hundred values are slips, anywhere within a factor of so much either way.
_SLIPS, _SLIP_REACH = 0.15, 30.0
# Factors looked at, as logarithms.
_FACTORS = np.linspace(-math.log(6), math.log(6), 1201)


@lru_cache(maxsize=4096)
def _mean_log(values: tuple[float, ...]) -> float:
    logs = np.array(values)[:, None, None]
    spread = _SPREADS[None, :, None]
    near = np.exp(-(((logs - _FACTORS) / spread) ** 2) / 2) / (spread * math.sqrt(2 * math.pi))
    each = (1 - _SLIPS) * near + _SLIPS / (2 * math.log(_SLIP_REACH))
    score = np.log(each).sum(axis=0) - ((_FACTORS / _PRIOR_SPREAD) ** 2) / 2
    weight = np.exp(score - score.max()).sum(axis=0)
    return float((weight * _FACTORS).sum() / weight.sum())


def factor_of(ratios: Sequence[float], width: float = 1.0) -> float:
    """Return by which factor a maker differs from the table.

    Parameters
    ----------
    ratios
        Own value over the table's, one a job, each above 0.
    width
        How far a figure may lie off, as a logarithm: 1 where makers differ by a factor of 2 either way, less where they
        hardly do, as by the heat of a plate.

    Notes
    -----
    The mean of the logarithm after the values are seen, where each value is either near the maker's own factor, by a
    spread that is not known, or a slip that may be anything. So one or two values move it part of the way only, and a
    value far from the others hardly at all. A two-part mixture as in Box and Tiao, *A Bayesian approach to some
    outlier problems* (1968), summed over a grid.

    Examples
    --------
    >>> factor_of([])
    1.0
    >>> round(factor_of([1.5, 1.5, 1.5, 1.5, 1.5, 15.0]), 2)
    1.5
    >>> 1.0 < factor_of([1.5]) < 1.5
    True
    """
    if not ratios:
        return 1.0
    scaled = tuple(sorted(round(math.log(ratio) / width, 4) for ratio in ratios))
    return math.exp(_mean_log(scaled) * width)
