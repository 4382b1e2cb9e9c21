"""How many coats, and how heavy?"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal, get_args

from dunestead.core.colours import lightness
from dunestead.core.figures import Paint

__all__ = ["LOADS", "WANTED", "CoatLoad", "Coats", "Wanted", "coats_for", "is_light_on_dark"]

Wanted = Literal["solid", "worn", "washed"]
CoatLoad = Literal["heavy", "light"]
WANTED: tuple[Wanted, ...] = get_args(Wanted)
LOADS: tuple[CoatLoad, ...] = get_args(CoatLoad)


@dataclass(frozen=True, slots=True)
class Coats:
    """So many coats, each so much of a full one, and why."""

    count: int
    share: float
    why: str


def is_light_on_dark(colour: str, ground: str, figures: Mapping[str, float]) -> bool:
    """Say whether a colour is so much lighter than its ground that this shines through the usual coats.

    Examples
    --------
    >>> is_light_on_dark("#f3efe4", "#22313a", {"light_on_dark": 30.0})
    True
    >>> is_light_on_dark("#22313a", "#f3efe4", {"light_on_dark": 30.0})
    False
    """
    return lightness(colour) - lightness(ground) > figures["light_on_dark"]


def coats_for(
    paint: Paint,
    wanted: Wanted,
    *,
    own: int | None,
    light_on_dark: bool,
    load: CoatLoad,
    figures: Mapping[str, float],
    at_once: bool = False,
) -> Coats:
    """Return the coats of a colour.

    Parameters
    ----------
    paint
        With its usual number of coats.
    wanted
        Solid takes the most of them, a little worn the fewest, washed out a single one.
    own
        The maker's own number, which goes first.
    light_on_dark
        Whether one more is wanted, for a solid print.
    load
        Light coats by brush leave less each, so one more is wanted.
    at_once
        Whether the mask comes off within minutes of the first stroke, so that there is time for one.
    """
    share = figures["light_load"] if load == "light" else 1.0
    if own is not None:
        return Coats(own, share, "Your own number.")
    if at_once:
        return Coats(1, share, "One coat: this mask comes off within minutes of the first stroke.")
    count, why = {
        "solid": (paint.coats_high, "A solid print."),
        "worn": (paint.coats_low, "A little worn: fewer coats, sanded a little once dry if you like."),
        "washed": (1, "Washed out: one thin coat lets the ground through."),
    }[wanted]
    if wanted == "solid" and light_on_dark:
        count, why = count + 1, "One more: a light colour on a dark ground. A white base under it would do too."
    if load == "light" and wanted != "washed":
        count, why = count + 1, f"{why} One more, because the coats are light."
    return Coats(count, share, why)
