"""How long the knife takes, in a machine and by hand."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt

from dunestead.core.cutting.paths import CutPath, travel_length
from dunestead.core.figures import Cutter

__all__ = ["HandKnife", "KnifeTime", "knife_time", "knife_time_by_hand", "run_seconds"]

# The knife stops where its way turns by more than this, radians; on gentler turns it goes on.
_CORNER = np.radians(30.0)
# By hand a run is straight when it is longer than this without a turn, mm.
_STRAIGHT = 12.0


@dataclass(frozen=True, slots=True)
class KnifeTime:
    """Lengths in mm, time in seconds, all passes counted."""

    cut_length: float
    travel: float
    seconds: float


@dataclass(frozen=True, slots=True)
class HandKnife:
    """A knife by hand: mm/s on straights and around curves, seconds to turn the mat at a corner."""

    straight: float
    curve: float
    corner: float


def knife_time(paths: Sequence[CutPath], cutter: Cutter, *, speed: float, passes: int) -> KnifeTime:
    """Return lengths and time of cutting some paths in a machine.

    Parameters
    ----------
    paths
        In cutting order.
    cutter
        Gives travel with the knife up, how it gathers speed, and the time of a lift.
    speed, passes
        mm/s with the knife down, and how often each line is cut.
    """
    cut = sum(path.length for path in paths)
    travel = travel_length(list(paths))
    speed = min(speed, cutter.fastest)
    lengths = np.concatenate([_runs(path.points) for path in paths]) if paths else np.empty(0)
    down = float(run_seconds(lengths, speed, cutter.acceleration).sum())
    starts = np.array([(0.0, 0.0), *(tuple(path.points[-1]) for path in paths[:-1])])[: len(paths)]
    hops = np.hypot(*(np.array([path.points[0] for path in paths]).reshape(-1, 2) - starts.reshape(-1, 2)).T)
    up = float(run_seconds(hops, cutter.fastest, cutter.acceleration).sum())
    return KnifeTime(cut, travel, passes * (down + len(paths) * cutter.lift) + up)


def run_seconds(lengths: npt.NDArray[np.float64], speed: float, acceleration: float) -> npt.NDArray[np.float64]:
    """Return the time of straight runs from rest to rest, gathering and losing speed evenly.

    Examples
    --------
    >>> run_seconds(np.array([0.0, 100.0, 10000.0]), 100.0, 1000.0)
    array([  0. ,   1.1, 100.1])
    """
    reached = lengths >= speed**2 / acceleration
    seconds: npt.NDArray[np.float64] = np.where(
        reached, lengths / speed + speed / acceleration, 2 * np.sqrt(lengths / acceleration)
    )
    return seconds


def knife_time_by_hand(paths: Sequence[CutPath], knife: HandKnife) -> KnifeTime:
    """Return lengths and time of cutting by hand: slow around curves, with a turn of the mat at every corner."""
    seconds = 0.0
    for path in paths:
        sides = np.hypot(*np.diff(path.points, axis=0).T)
        straight = sides >= _STRAIGHT
        seconds += sides[straight].sum() / knife.straight + sides[~straight].sum() / knife.curve
        seconds += knife.corner * len(_runs(path.points))
    cut = sum(path.length for path in paths)
    return KnifeTime(cut, 0.0, float(seconds))


def _runs(points: npt.NDArray[np.float64]) -> npt.NDArray[np.float64]:
    """Return the lengths of the runs between a path's corners."""
    steps = np.diff(points, axis=0)
    lengths = np.hypot(steps[:, 0], steps[:, 1])
    steps, lengths = steps[lengths > 1e-9], lengths[lengths > 1e-9]
    if len(steps) < 2:
        return lengths
    heading = np.arctan2(steps[:, 1], steps[:, 0])
    turn = np.abs((np.diff(heading) + np.pi) % (2 * np.pi) - np.pi)
    return np.add.reduceat(lengths, np.concatenate([[0], np.flatnonzero(turn > _CORNER) + 1]))
