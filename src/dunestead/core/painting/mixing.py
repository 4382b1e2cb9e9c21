"""Paint mixed by parts: how much of each for a batch, and roughly which colour."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from coloraide import Color

from dunestead.core.colours import check_colour
from dunestead.core.errors import BadInput
from dunestead.core.limits import REQUIRED, check_limits, limited

__all__ = ["MixPart", "batch_of", "check_mix", "mixed_colour"]

_MOST_PARTS = 12
_CHANNELS = ("red", "green", "blue")
# A channel of no light at all would take all others with it.
_DARKEST = 1e-3


@dataclass(frozen=True, slots=True)
class MixPart:
    """So many parts of one paint of a mix."""

    name: str = limited(REQUIRED, "name of a paint", 1, 80, "letters")
    colour: str = REQUIRED
    parts: float = limited(1.0, "parts of a mix", 0.1, 1000.0)


def check_mix(mix: Sequence[MixPart]) -> None:
    """Raise `BadInput` for a mix that cannot be."""
    if len(mix) > _MOST_PARTS:
        raise BadInput(f"A mix of {len(mix)} paints turns to mud.", f"Use {_MOST_PARTS} at most.")
    for part in mix:
        check_limits(part)
        check_colour(part.colour)


def batch_of(mix: Sequence[MixPart], ml: float) -> list[float]:
    """Return how much of each part makes a batch, ml.

    Examples
    --------
    >>> batch_of([MixPart("white", "#ffffff", 3), MixPart("blue", "#0000ff", 1)], 40)
    [30.0, 10.0]
    >>> batch_of([], 40)
    []
    """
    whole = sum(part.parts for part in mix)
    return [ml * part.parts / whole for part in mix]


def mixed_colour(mix: Sequence[MixPart]) -> str | None:
    """Return roughly which colour a mix has, None for no mix.

    Notes
    -----
    Paints take light away, so their reflectances are averaged as products are: the geometric mean of linear light,
    weighted by parts. A guess for a swatch on the screen; dab it on a scrap to see.

    Examples
    --------
    >>> mixed_colour([MixPart("white", "#ffffff"), MixPart("white", "#ffffff", 3)])
    '#ffffff'
    >>> mixed_colour([]) is None
    True
    """
    if not mix:
        return None
    whole = sum(part.parts for part in mix)
    lights = [[max(Color(part.colour).convert("srgb-linear")[name], _DARKEST) for name in _CHANNELS] for part in mix]
    mean = [
        math.exp(sum(part.parts * math.log(light[k]) for part, light in zip(mix, lights, strict=True)) / whole)
        for k in range(len(_CHANNELS))
    ]
    return str(Color("srgb-linear", mean).convert("srgb").to_string(hex=True, fit=True))
