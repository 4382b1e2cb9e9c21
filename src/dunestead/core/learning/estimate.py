"""By how much does a maker differ from the table now? From few values, one of which may be a slip of the pen."""

import math
from collections.abc import Sequence
from functools import cache, lru_cache

import numpy as np
import numpy.typing as npt

__all__ = ["factor_of"]

Array = npt.NDArray[np.float64]
# Makers differ from the table by a factor; its logarithm is taken to spread so far around 0 before anything is known.
_PRIOR_SPREAD = 0.5
# How far one maker's jobs may differ among each other, as logarithms, each as likely before they are seen.
_SPREADS = np.array([0.08, 0.12, 0.2, 0.32, 0.5])
# How far a maker's own factor may move from one job to the next, each as likely.
_DRIFTS = (0.0, 0.04, 0.1, 0.18)
# How likely it is that from one job to the next all is different: another tool, another way.
_TURN = 0.003
# So many of a hundred values are slips, anywhere within a factor of so much either way.
_SLIPS, _SLIP_REACH = 0.15, 30.0
# So many jobs, the newest, count fully; of those before them each counts half as much every ten.
_FULLY, _HALF = 6, 10.0
# Factors looked at, as logarithms.
_FACTORS: Array = np.linspace(-math.log(6), math.log(6), 301)
_PRIOR: Array = np.exp(-((_FACTORS / _PRIOR_SPREAD) ** 2) / 2) / np.exp(-((_FACTORS / _PRIOR_SPREAD) ** 2) / 2).sum()


@cache
def _steps() -> Array:
    """Return how likely each factor is to follow each other one from a job to the next, by how far it may move."""
    apart = _FACTORS[:, None] - _FACTORS[None, :]
    kernels = []
    for drift in _DRIFTS:
        near = np.exp(-((apart / drift) ** 2) / 2) if drift else np.eye(len(_FACTORS))
        kernels.append((1 - _TURN) * near / near.sum(axis=0) + _TURN * _PRIOR[:, None])
    return np.stack(kernels)


@lru_cache(maxsize=4096)
def _mean_log(logs: tuple[float, ...]) -> float:
    """Return the mean of a maker's factor after all values, the newest first, as a logarithm."""
    belief = np.broadcast_to(_PRIOR, (len(_DRIFTS), len(_SPREADS), len(_FACTORS))).copy()
    for age in range(len(logs) - 1, -1, -1):
        counts = 0.5 ** (max(age + 1 - _FULLY, 0) / _HALF)
        near = np.exp(-(((logs[age] - _FACTORS) / _SPREADS[:, None]) ** 2) / 2)
        near /= _SPREADS[:, None] * math.sqrt(2 * math.pi)
        belief *= ((1 - _SLIPS) * near + _SLIPS / (2 * math.log(_SLIP_REACH))) ** counts
        if age:
            belief = np.matmul(belief, _steps().transpose(0, 2, 1))
        belief /= belief.sum()
    weight = belief.sum(axis=(0, 1))
    return float((weight * _FACTORS).sum() / weight.sum())


def factor_of(ratios: Sequence[float], width: float = 1.0) -> float:
    """Return by which factor a maker differs from the table now.

    Parameters
    ----------
    ratios
        Own value over the table's, one a job, the newest first, each above 0.
    width
        How far a figure may lie off, as a logarithm: 1 where makers differ by a factor of 2 either way, less where they
        hardly do, as by the heat of a plate.

    Notes
    -----
    The mean of the logarithm after the values are seen, where each value is either near the maker's own factor, by a
    spread that is not known, or a slip that may be anything. So one or two values move it part of the way only, and a
    value far from the others hardly at all. A two-part mixture as in Box and Tiao, *A Bayesian approach to some
    outlier problems* (1968). Hands grow quicker and tools change: from job to job the factor may move, by how much is
    not known either (a local level, as in Harvey, *Forecasting, structural time series models and the Kalman filter*,
    1989). All of it is summed over a grid.

    Examples
    --------
    >>> factor_of([])
    1.0
    >>> round(factor_of([1.5, 15.0, 1.5, 1.5, 1.5, 1.5]), 1)
    1.5
    >>> 1.0 < factor_of([1.5]) < 1.5
    True
    """
    if not ratios:
        return 1.0
    return math.exp(_mean_log(tuple(round(math.log(ratio) / width, 4) for ratio in ratios)) * width)
