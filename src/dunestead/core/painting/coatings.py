"""What goes on a blank, and in which order?

A job is an ordered list of coatings. Each has a role, which says where it goes and when; behind glass the layer
nearest the eye is painted first, so the roles come in another order there.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal, get_args

from dunestead.core.errors import BadInput, UnknownKey
from dunestead.core.figures import Paint, Role
from dunestead.core.limits import check_limits, limited
from dunestead.core.painting.mixing import MixPart, check_mix

__all__ = ["ROLES", "ROLE_NAMES", "Coating", "Where", "check_coating", "in_order", "where_of"]

ROLES: tuple[Role, ...] = get_args(Role)
Where = Literal["everywhere", "under", "mask", "over"]
_USUAL: dict[Role, Where] = {
    "base": "everywhere",
    "edge-seal": "mask",
    "colour": "mask",
    "over-colour": "mask",
    "ground": "everywhere",
    "seal": "over",
    "finish": "over",
}
ROLE_NAMES: dict[Role, str] = {
    "base": "Base",
    "edge-seal": "Edge seal",
    "colour": "Colour",
    "over-colour": "Over it",
    "ground": "Ground",
    "seal": "Seal",
    "finish": "Finish",
}
_ALLOWED: dict[Role, tuple[Where, ...]] = {role: (where,) for role, where in _USUAL.items()} | {
    "base": ("everywhere", "under"),
    "seal": ("over", "mask"),
}
_SEEN_FROM_THE_FRONT: tuple[Role, ...] = ("base", "edge-seal", "colour", "over-colour", "ground", "seal", "finish")
_SEEN_THROUGH: tuple[Role, ...] = ("edge-seal", "over-colour", "colour", "base", "ground", "seal", "finish")


@dataclass(frozen=True, slots=True)
class Coating:
    """One coating as the maker decided it.

    Attributes
    ----------
    role, paint
        What it is for, and a key of the paints' table.
    colour
        None for each colour of the design, or what has no colour of its own.
    coats
        None for as many as the paint is usually given.
    mix
        What it is mixed from by parts, empty for paint as it comes.
    where
        None for where its role usually goes: ``everywhere``, ``under`` the design and its margins, through the
        ``mask``, or ``over`` all of it once the mask is off.
    """

    role: Role
    paint: str
    colour: str | None = None
    coats: int | None = limited(None, "coats", 1, 12)
    where: Where | None = None
    mix: tuple[MixPart, ...] = ()


def where_of(coating: Coating) -> Where:
    """Return where a coating goes."""
    return coating.where or _USUAL[coating.role]


def in_order(coatings: Sequence[Coating], *, seen_through: bool) -> tuple[Coating, ...]:
    """Return coatings in the order they are put on; those of one role stay as the maker set them.

    Examples
    --------
    >>> stack = (Coating("ground", "spray-enamel"), Coating("colour", "spray-enamel"), Coating("base", "spray-enamel"))
    >>> [coating.role for coating in in_order(stack, seen_through=False)]
    ['base', 'colour', 'ground']
    >>> [coating.role for coating in in_order(stack, seen_through=True)]
    ['colour', 'base', 'ground']
    >>> in_order((), seen_through=True)
    ()
    """
    order = _SEEN_THROUGH if seen_through else _SEEN_FROM_THE_FRONT
    return tuple(sorted(coatings, key=lambda coating: (order.index(coating.role), _after_mask(coating))))


def _after_mask(coating: Coating) -> bool:
    return where_of(coating) == "over"


def check_coating(coating: Coating, paint: Paint) -> None:
    """Raise `BadInput` when a coating cannot be."""
    if coating.role not in ROLES:
        raise UnknownKey("role of a coating", coating.role, list(ROLES))
    if coating.role not in paint.roles:
        raise BadInput(
            f"{paint.name} is no {coating.role}.",
            f"It serves as {', '.join(paint.roles)}; choose another for this coating.",
        )
    if coating.where is not None and coating.where not in _ALLOWED[coating.role]:
        raise UnknownKey(f"place for a coating of the role {coating.role}", coating.where, list(_ALLOWED[coating.role]))
    check_limits(coating)
    check_mix(coating.mix)
