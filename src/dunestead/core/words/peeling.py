"""What the times of the peel are called, and what to do when one has passed."""

from collections.abc import Sequence
from datetime import datetime

from dunestead.core.curing.direction import PeelDirection
from dunestead.core.figures import MaskKind, PeelTime
from dunestead.core.painting.groups import WindowGroup
from dunestead.core.units import several
from dunestead.core.work.progress import Clock

__all__ = ["PEEL_NAMES", "UNFIT", "direction_in_words", "first_in_words", "groups_in_words", "too_late"]

PEEL_NAMES: dict[PeelTime, str] = {
    "wet": "While wet",
    "set": "Once it has set",
    "touch-dry": "When dry to the touch",
    "at-once": "At once",
    "dry": "When dry",
    "five-minutes": "Within five minutes",
}


UNFIT = "The coats that are left no longer fit: peel now, or let it dry to the touch and peel then."


def first_in_words(clock: Clock, now: datetime) -> str:
    """Return what is left before a clock's step and until when, on the clock that now is told by.

    Examples
    --------
    ``2 coats, then peel before 11:42``
    """
    coats = several(clock.coats, "coat") if clock.coats else several(len(clock.first), "step")
    by = f" before {clock.closes.astimezone(now.tzinfo):%H:%M}" if clock.closes else ""
    return f"{coats}, then peel{by}"


def too_late(kind: MaskKind) -> str:
    """Return what to do when the peel window has passed."""
    score = "Run a blade lightly along every edge first, so that the skin of paint does not tear"
    warm = "warm the film a little, " if kind == "film" else ""
    return f"Too late for a clean peel: {score[:1].lower()}{score[1:]}; {warm}then pull low and slow."


def direction_in_words(way: PeelDirection, *, from_back: bool) -> str:
    """Return where to begin and which way to go; left and right as the maker sees the blank.

    Examples
    --------
    >>> direction_in_words(PeelDirection((0.0, 0.0), (100.0, 60.0), 0), from_back=False)
    'Begin at the top left and pull, low and slow, towards the bottom right.'
    """
    begins, ends = (_where(way, at, from_back=from_back) for at in (0, 1))
    tips = (
        f" {several(way.against, 'tongue')} come tip first: hold them down with a finger as it passes."
        if way.against > 1
        else " One tongue comes tip first: hold it down with a finger as it passes."
        if way.against
        else ""
    )
    return f"Begin at the {begins} and pull, low and slow, towards the {ends}.{tips}"


def _where(way: PeelDirection, at: int, *, from_back: bool) -> str:
    one, other = (way.begins, way.ends) if at == 0 else (way.ends, way.begins)
    across = one[0] - other[0] if not from_back else other[0] - one[0]
    down = one[1] - other[1]
    words = (
        "top" if down < 0 else "bottom" if down > 0 else "",
        "left" if across < 0 else "right" if across > 0 else "",
    )
    return " ".join(word for word in words if word)


def groups_in_words(groups: Sequence[WindowGroup]) -> str:
    """Return how a mask is painted and peeled wet in groups, empty where there are none.

    Examples
    --------
    >>> groups_in_words([])
    ''
    """
    if len(groups) < _TWO:
        return ""
    first, *rest = groups
    others = " and ".join(_windows_in_words(group) for group in rest)
    return (
        f"1. Paint {_windows_in_words(first)}, all coats ({first.minutes:.0f} min). "
        f"2. Cut the mask along the line and peel that part. 3. The same with {others}."
    )


def _windows_in_words(group: WindowGroup) -> str:
    if len(group.windows) == 1:
        return f"window {group.windows[0]}"
    return f"windows {group.windows[0]} to {group.windows[-1]}"


_TWO = 2
