"""What dries between two coatings through one mask, and what is still wet when the mask comes off?"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Protocol, TypeVar

from dunestead.core.figures import Role

__all__ = ["WetRun", "dries_before", "wet_run"]


class _Goes(Protocol):
    @property
    def role(self) -> Role: ...


Coat = TypeVar("Coat", bound=_Goes)


@dataclass(frozen=True, slots=True)
class WetRun:
    """The last coatings through a mask with nothing drying between them.

    Attributes
    ----------
    first
        Index of the first of them.
    paint_dried
        Whether paint of the design has dried under the mask before: its skin would tear with a wet peel.
    """

    first: int
    paint_dried: bool


def dries_before(before: _Goes, after: _Goes, *, covered: bool) -> bool:
    """Say whether a coating must have dried before the next goes through the same mask.

    Colours beside each other wait for nothing, unless the first is covered for the second.
    """
    return not (before.role == "colour" and after.role == "colour") or covered


def wet_run(coats: Sequence[Coat], *, covered: bool) -> WetRun:
    """Return which coatings are wet together at the end.

    Examples
    --------
    >>> from dunestead.core.painting.coatings import Coating
    >>> seal, red, blue = Coating("edge-seal", "m"), Coating("colour", "a", "#f00"), Coating("colour", "a", "#00f")
    >>> wet_run([seal, red, blue], covered=False)
    WetRun(first=1, paint_dried=False)
    >>> wet_run([red, blue], covered=True)
    WetRun(first=1, paint_dried=True)
    >>> wet_run([], covered=False)
    WetRun(first=0, paint_dried=False)
    """
    first = max(len(coats) - 1, 0)
    while first > 0 and not dries_before(coats[first - 1], coats[first], covered=covered):
        first -= 1
    return WetRun(first, any(coat.role != "edge-seal" for coat in coats[:first]))
