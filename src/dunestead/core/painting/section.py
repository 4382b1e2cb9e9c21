"""A section through what is painted, from the eye to the last of it: what lies where on what."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal, Protocol

from dunestead.core.figures import Role
from dunestead.core.painting.coatings import Where

__all__ = ["Layer", "section_of"]

# Along the section: windows of a mask, and how far the margins around the design reach.
_WINDOWS: tuple[tuple[float, float], ...] = ((0.16, 0.34), (0.42, 0.58), (0.66, 0.84))
_MARGINS, _ALL = ((0.08, 0.92),), ((0.0, 1.0),)
Spans = tuple[tuple[float, float], ...]


class _Planned(Protocol):
    @property
    def number(self) -> int: ...
    @property
    def role(self) -> Role: ...
    @property
    def colour(self) -> str: ...
    @property
    def coats(self) -> int: ...
    @property
    def where(self) -> Where: ...


@dataclass(frozen=True, slots=True)
class Layer:
    """One layer of the section.

    Attributes
    ----------
    kind
        The ``blank``, or a ``coating``.
    number
        Of the coating, None for the blank.
    spans
        Where along the section it lies, each from and to, 0 at the left and 1 at the right.
    """

    kind: Literal["blank", "coating"]
    number: int | None
    colour: str
    coats: int
    spans: Spans


def section_of(coatings: Sequence[_Planned], blank: str, *, seen_through: bool, reverse: bool) -> tuple[Layer, ...]:
    """Return the layers from the eye downwards.

    Parameters
    ----------
    coatings
        In the order they are put on.
    blank
        Its colour.
    seen_through
        Whether the eye looks through the blank: then it comes first, and what was put on first lies next.
    reverse
        Whether the windows of the section are what the mask covers, and the field around them is painted.

    Examples
    --------
    >>> [layer.kind for layer in section_of((), "#ffffff", seen_through=False, reverse=False)]
    ['blank']
    """
    colours = [one for one in coatings if one.role == "colour"]
    layers = [Layer("coating", one.number, one.colour, one.coats, _spans(one, colours, reverse)) for one in coatings]
    lowest = Layer("blank", None, blank, 0, _ALL)
    return (lowest, *layers) if seen_through else (*reversed(layers), lowest)


def _spans(one: _Planned, colours: Sequence[_Planned], reverse: bool) -> Spans:
    if one.where == "under":
        return _MARGINS
    if one.where != "mask":
        return _ALL
    if reverse:
        return _between(_WINDOWS)
    if one.role != "colour" or len(colours) == 1:
        return _WINDOWS
    # Each colour has windows of its own; of more than there are windows, some share one.
    own = colours.index(one)
    return tuple(span for k, span in enumerate(_WINDOWS) if k % min(len(colours), len(_WINDOWS)) == own % len(_WINDOWS))


def _between(spans: Spans) -> Spans:
    edges = [0.0, *(edge for span in spans for edge in span), 1.0]
    return tuple(zip(edges[::2], edges[1::2], strict=True))
