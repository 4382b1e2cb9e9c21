"""How long does it dry? Times off the table's 20 C and 50 % humidity, by rule of thumb."""

import math
from dataclasses import dataclass
from datetime import datetime, timedelta

from dunestead.core.figures import Paint

__all__ = ["Room", "Timeline", "dry_from", "drying_factor"]

_TABLE_C = 20.0
_STEP_C = 10.0
_COLDER, _WARMER = 2.0, 0.7
_DAMP, _WET = 70.0, 85.0
_DAMP_FACTOR, _WET_FACTOR = 1.5, 2.0


@dataclass(frozen=True, slots=True)
class Room:
    """Where it dries: degrees C and % relative humidity."""

    temperature: float = 20.0
    humidity: float = 50.0


def drying_factor(room: Room) -> float:
    """Return by how much the table's times stretch.

    Twice for every 10 C colder than 20, 0.7 for every 10 C warmer; half as long again above 70 %
    humidity, twice above 85 %. A rule of thumb, never certain.

    Examples
    --------
    >>> drying_factor(Room()), drying_factor(Room(10, 50)), drying_factor(Room(30, 90))
    (1.0, 2.0, 1.4)
    """
    steps = (room.temperature - _TABLE_C) / _STEP_C
    heat = math.pow(_WARMER, steps) if steps > 0 else math.pow(_COLDER, -steps)
    damp = _WET_FACTOR if room.humidity > _WET else _DAMP_FACTOR if room.humidity > _DAMP else 1.0
    return heat * damp


@dataclass(frozen=True, slots=True)
class Timeline:
    """Minutes after the last coat, and the moments themselves once it has been put on.

    Attributes
    ----------
    minutes
        By ``touch``, ``handle``, ``use``, ``wash``; a paint that is not washed has no ``wash``.
    at
        The same keys, empty until there is a last coat.
    """

    minutes: dict[str, float]
    at: dict[str, datetime]
    factor: float


def dry_from(paint: Paint, room: Room, last_coat: datetime | None) -> Timeline:
    """Return when a paint may be touched, handled, used and washed."""
    factor = drying_factor(room)
    table = {"touch": paint.touch, "handle": paint.handle, "use": paint.use, "wash": paint.wash}
    minutes = {name: time * factor for name, time in table.items() if time is not None}
    at = {name: last_coat + timedelta(minutes=time) for name, time in minutes.items()} if last_coat else {}
    return Timeline(minutes, at, factor)
