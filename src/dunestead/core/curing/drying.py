"""How long does it dry? Times off the table's 20 C and 50 % humidity, by rule of thumb."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, replace

from dunestead.core.figures import Paint
from dunestead.core.limits import limited

__all__ = ["Drying", "Weather", "dry_times", "drying_factor", "with_warm_air"]

_TABLE_C = 20.0
_STEP_C = 10.0


@dataclass(frozen=True, slots=True)
class Weather:
    """Where it is painted and dries.

    Attributes
    ----------
    temperature, humidity, wind, rain
        Degrees C, % relative humidity, m/s, and whether it rains.
    looked
        Whether somebody looked; what nobody looked at is no good weather, it is not known.
    """

    temperature: float = limited(20.0, "temperature", -20.0, 60.0, "C")
    humidity: float = limited(50.0, "humidity", 0.0, 100.0, "%")
    wind: float = limited(0.0, "wind", 0.0, 60.0, "m/s", 0.5)
    rain: bool = False
    looked: bool = True


def drying_factor(weather: Weather, figures: Mapping[str, float]) -> float:
    """Return by how much the table's times stretch; a rule of thumb, never certain.

    Parameters
    ----------
    weather
        Where it dries.
    figures
        Of the workshop: ``drying_colder`` and ``drying_warmer`` for every 10 C off the table's 20, and by how much
        damp and wet air stretch the times.
    """
    steps = (weather.temperature - _TABLE_C) / _STEP_C
    each = figures["drying_warmer"] if steps > 0 else figures["drying_colder"]
    heat = math.pow(each, abs(steps))
    if weather.humidity > figures["wet_above"]:
        return heat * figures["wet_times"]
    return heat * (figures["damp_times"] if weather.humidity > figures["damp_above"] else 1.0)


@dataclass(frozen=True, slots=True)
class Drying:
    """Minutes after a coat until the next, until it may be touched, handled, used; washed, None where it is not."""

    next_coat: float
    touch: float
    handle: float
    use: float
    wash: float | None


def dry_times(paint: Paint, factor: float) -> Drying:
    """Return a paint's times, stretched by a factor."""
    wash = None if paint.wash is None else paint.wash * factor
    return Drying(paint.next_coat * factor, paint.touch * factor, paint.handle * factor, paint.use * factor, wash)


def with_warm_air(drying: Drying, minutes: float) -> Drying:
    """Return times with warm air between the coats; it skins paint over, and cures none of it sooner.

    Examples
    --------
    >>> with_warm_air(Drying(20, 30, 240, 1440, None), 2)
    Drying(next_coat=2, touch=30, handle=240, use=1440, wash=None)
    """
    return replace(drying, next_coat=min(drying.next_coat, minutes))
