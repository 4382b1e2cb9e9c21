"""How long does it dry? Times off the table's 20 C and 50 % humidity, by rule of thumb."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime, timedelta

from dunestead.core.figures import Paint

__all__ = ["Room", "Timeline", "dry_from", "drying_factor"]

_TABLE_C = 20.0
_STEP_C = 10.0


@dataclass(frozen=True, slots=True)
class Room:
    """Where it dries: degrees C and % relative humidity."""

    temperature: float = 20.0
    humidity: float = 50.0


def drying_factor(room: Room, workshop: Mapping[str, float]) -> float:
    """Return by how much the table's times stretch; a rule of thumb, never certain.

    Parameters
    ----------
    room
        Where it dries.
    workshop
        Figures: ``drying_colder`` and ``drying_warmer`` for every 10 C off the table's 20, and by how much
        damp and wet air stretch the times.
    """
    steps = (room.temperature - _TABLE_C) / _STEP_C
    each = workshop["drying_warmer"] if steps > 0 else workshop["drying_colder"]
    heat = math.pow(each, abs(steps))
    if room.humidity > workshop["wet_above"]:
        return heat * workshop["wet_times"]
    return heat * (workshop["damp_times"] if room.humidity > workshop["damp_above"] else 1.0)


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


def dry_from(paint: Paint, room: Room, workshop: Mapping[str, float], last_coat: datetime | None) -> Timeline:
    """Return when a paint may be touched, handled, used and washed."""
    factor = drying_factor(room, workshop)
    table = {"touch": paint.touch, "handle": paint.handle, "use": paint.use, "wash": paint.wash}
    minutes = {name: time * factor for name, time in table.items() if time is not None}
    at = {name: last_coat + timedelta(minutes=time) for name, time in minutes.items()} if last_coat else {}
    return Timeline(minutes, at, factor)
