"""Which windows are painted and peeled together, where all of them would not stay wet long enough?"""

from collections.abc import Sequence
from dataclasses import dataclass

__all__ = ["WindowGroup", "window_groups"]


@dataclass(frozen=True, slots=True)
class WindowGroup:
    """Windows that are dabbed with all their coats and peeled before the next: numbers, and minutes of the hands."""

    windows: tuple[int, ...]
    minutes: float


def window_groups(minutes: Sequence[float], most: float) -> tuple[WindowGroup, ...]:
    """Return the fewest runs of windows, in their order, each no longer than what stays wet.

    Parameters
    ----------
    minutes
        Of the hands for every window with all its coats, in reading order.
    most
        Minutes from the first stroke to the peel. A window that takes longer is a group of its own.

    Notes
    -----
    Taking as many as fit gives the fewest runs of a row, for no run can reach further than the greedy one.

    Examples
    --------
    >>> [group.windows for group in window_groups([10, 10, 15, 5], 30)]
    [(1, 2), (3, 4)]
    >>> window_groups([], 30)
    ()
    """
    groups: list[WindowGroup] = []
    run: list[int] = []
    total = 0.0
    for number, each in enumerate(minutes, start=1):
        if run and total + each > most:
            groups.append(WindowGroup(tuple(run), total))
            run, total = [], 0.0
        run.append(number)
        total += each
    if run:
        groups.append(WindowGroup(tuple(run), total))
    return tuple(groups)
