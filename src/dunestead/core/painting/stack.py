"""May a coating be moved in the stack? What cannot be is told why."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from dunestead.core.errors import BadInput
from dunestead.core.figures import Role, Surface, Use
from dunestead.core.painting.coatings import Coating, in_order, where_of

__all__ = ["Offer", "doubts", "move_coating", "offers"]

# Why the first of two roles goes on before the second; behind glass some change places.
_FRONT: dict[tuple[Role, Role], str] = {
    ("base", "edge-seal"): "The base is dry before any mask is laid; the edge seal goes through the mask.",
    ("base", "colour"): "The base goes under the design: over it, it would cover the colour.",
    ("edge-seal", "colour"): "The edge seal closes the mask's edge before any colour can creep under it.",
    ("colour", "over-colour"): "What goes over a colour would be hidden under it.",
    ("colour", "ground"): "A ground before the colour would hide it.",
    ("over-colour", "seal"): "Paint does not hold on a seal.",
    ("colour", "seal"): "Paint does not hold on a seal.",
    ("ground", "seal"): "Paint does not hold on a seal.",
    ("seal", "finish"): "The finish is the last of all: nothing holds on it.",
    ("colour", "finish"): "Paint does not hold on a finish.",
    ("over-colour", "finish"): "Paint does not hold on a finish.",
    ("ground", "finish"): "A glaze before the ground would show through, and the ground would not hold on it.",
}
_BEHIND: dict[tuple[Role, Role], str] = {
    ("over-colour", "colour"): "Behind glass the layer nearest the eye goes on first: the colour would hide it.",
    ("colour", "base"): "Behind glass the layer nearest the eye goes on first: the base would hide the colour.",
    ("colour", "ground"): "Behind glass the layer nearest the eye goes on first: the ground would hide the colour.",
    ("over-colour", "ground"): "Behind glass the layer nearest the eye goes on first: the ground would hide it.",
    ("base", "ground"): "Behind glass the base lies nearer the eye than the ground.",
}
_OTHERWISE = "It goes on at another time: each role has its place in the order."


def move_coating(coatings: Sequence[Coating], index: int, by: int, *, seen_through: bool) -> tuple[Coating, ...]:
    """Return coatings with one put on earlier or later among those of its role.

    Parameters
    ----------
    coatings
        As the maker listed them.
    index
        Which of them.
    by
        -1 for earlier, 1 for later.

    Raises
    ------
    BadInput
        When there is no such coating, or it cannot be: with the reason.
    """
    if not 0 <= index < len(coatings) or by not in (-1, 1):
        raise BadInput(f"There is no coating {index + 1} to move.", f"There are {len(coatings)}.")
    order = in_order(coatings, seen_through=seen_through)
    one = coatings[index]
    at = next(k for k, each in enumerate(order) if each is one)
    if not 0 <= at + by < len(order):
        raise BadInput("It is put on first already." if by < 0 else "It is put on last already.", "Leave it there.")
    other = order[at + by]
    if (other.role, where_of(other)) != (one.role, where_of(one)):
        first, second = (other, one) if by < 0 else (one, other)
        raise BadInput(_why(first.role, second.role, seen_through=seen_through), "Leave them in this order.")
    there = next(k for k, each in enumerate(coatings) if each is other)
    moved = list(coatings)
    moved[index], moved[there] = moved[there], moved[index]
    return tuple(moved)


def _why(first: Role, second: Role, *, seen_through: bool) -> str:
    reasons = {**_FRONT, **_BEHIND} if seen_through else _FRONT
    return reasons.get((first, second), _OTHERWISE)


def doubts(
    coatings: Sequence[Coating], surface: Surface, *, seen_through: bool, base_at_touch: bool = False
) -> Iterator[str]:
    """Yield what is doubtful about a stack, a sentence each."""
    roles = {one.role for one in coatings}
    if base_at_touch and "base" in roles:
        yield "The mask is laid on a base that is only dry to the touch: tape and tack may lift it. Many risk it."
    if seen_through and "ground" not in roles:
        yield "Seen through, the colours need a ground behind them: without it light and the wall shine through."
    if "ground" in roles and not seen_through:
        yield "A ground lies behind what is seen through; here it would cover the print."
    if "edge-seal" in roles and not surface.edge_seal:
        yield f"An edge seal is for wood and smooth blanks; {surface.name.lower()} only drinks it."


@dataclass(frozen=True, slots=True)
class Offer:
    """A coating that might be added: as what, what it would be good for, and the key of a paint where one is usual."""

    role: Role
    why: str
    paint: str | None = None


def offers(
    coatings: Sequence[Coating], surface: Surface, use: Use, *, light_on_dark: bool, seen_through: bool
) -> Iterator[Offer]:
    """Yield coatings that makers add to such a job; schools differ, so they are offered and not added.

    Parameters
    ----------
    use
        What the print must stand.
    light_on_dark
        Whether a colour is so much lighter than its ground that this shines through.
    seen_through
        Whether it is looked at through the blank.
    """
    roles = {one.role for one in coatings}
    colour = next((one.paint for one in coatings if one.role == "colour"), None)
    if seen_through and "ground" not in roles:
        yield Offer("ground", "A ground behind the colours makes them solid, seen through the blank.", colour)
    if seen_through and surface.finish_behind and "finish" not in roles:
        yield Offer("finish", "A finish over the ground keeps it on when the blank is wiped.", surface.finish_behind)
    if light_on_dark and "base" not in roles:
        yield Offer("base", "A light base under the design saves coats of a light colour on a dark ground.")
    if surface.edge_seal and "edge-seal" not in roles:
        yield Offer("edge-seal", "One thin clear coat first closes the mask's edges, so that no colour creeps under.")
    if use == "open" and not roles & {"seal", "finish"}:
        yield Offer("seal", "On an open doorstep a clear seal protects the print; outdoor paint lasts without it, too.")
