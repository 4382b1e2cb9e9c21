"""What may an entry be? Least, most, unit and step stand with the entry itself, once.

A text's limits are its letters.
"""

from collections.abc import Mapping
from dataclasses import MISSING, dataclass, field, fields
from typing import Any

from dunestead.core.errors import BadInput, BadLength

__all__ = ["REQUIRED", "Limit", "check_limits", "limited", "limits_of"]

REQUIRED: Any = MISSING


@dataclass(frozen=True, slots=True)
class Limit:
    """What a number, or the length of a text, may be.

    Attributes
    ----------
    name
        What a maker calls the entry.
    least, most, step
        In its unit.
    unit
        ``mm``, ``C``, ``%``, ``m/s``, ``ml``, ``min``, ``letters`` for a text, or empty for a count.
    """

    name: str
    least: float
    most: float
    unit: str = ""
    step: float = 1.0


def limited(default: Any, name: str, least: float, most: float, unit: str = "", step: float = 1.0) -> Any:
    """Return a dataclass field that knows its limits; None, where it is the default, passes always."""
    return field(default=default, metadata={"limit": Limit(name, least, most, unit, step)})


def limits_of(kind: type) -> Mapping[str, Limit]:
    """Return the limits of an entry's fields, by their names; a field of many values has those of each."""
    return {one.name: one.metadata["limit"] for one in fields(kind) if "limit" in one.metadata}


def check_limits(entry: Any) -> None:
    """Raise when a field of an entry is beyond its limits.

    Raises
    ------
    BadLength
        For a length.
    BadInput
        For anything else.
    """
    for name, limit in limits_of(type(entry)).items():
        value = getattr(entry, name)
        for one in value.values() if isinstance(value, Mapping) else (value,):
            _check(one, limit)


def _check(value: float | str | None, limit: Limit) -> None:
    if isinstance(value, str):
        _check_letters(value.strip(), limit)
    elif value is not None and not limit.least <= value <= limit.most:
        allowed = f"Enter {limit.least:,.10g} to {limit.most:,.10g}{f' {limit.unit}' if limit.unit else ''}."
        if limit.unit == "mm":
            raise BadLength(f"The {limit.name} of {value:g} mm is not possible here.", allowed)
        if limit.unit:
            raise BadInput(f"The {limit.name} of {value:g} {limit.unit} is not possible here.", allowed)
        name = limit.name.removeprefix("as a ")
        raise BadInput(f"{value:g} is outside what is possible for the {name}.", allowed)


def _check_letters(text: str, limit: Limit) -> None:
    if not limit.least <= len(text) <= limit.most:
        allowed = f"Enter {limit.least:g} to {limit.most:,.10g} letters."
        what = f"has {len(text):,} letters" if text else "is missing"
        raise BadInput(f"The {limit.name} {what}.", allowed)
