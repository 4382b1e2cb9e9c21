"""Is it weather for spraying, and when will it be?"""

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from typing import Literal

from dunestead.core.curing.drying import Weather

__all__ = ["Hour", "Reading", "Spell", "Verdict", "dew_point", "good_spells", "spraying", "verdict_of"]

Verdict = Literal["go", "unknown", "wait", "no"]
_WORSE: tuple[Verdict, ...] = ("go", "unknown", "wait", "no")
# Of the Magnus formula over water (Sonntag 1990; WMO-No. 8): without a unit, and degrees C.
_MAGNUS_B, _MAGNUS_C = 17.62, 243.12
# Air is never drier than this, %, and the logarithm needs something.
_DRIEST = 1.0


@dataclass(frozen=True, slots=True)
class Reading:
    """One limit held against what is read.

    Attributes
    ----------
    code
        ``temperature``, ``humidity``, ``wind``, ``rain`` or ``dew``.
    value, low, high
        What is read, and between what it should be; None for no limit. Of rain 0 or 1.
    verdict
        ``go`` within the limits, ``wait`` where it is not the best, ``no`` beyond them; ``unknown`` where nobody
        looked.
    """

    code: Literal["temperature", "humidity", "wind", "rain", "dew"]
    value: float
    low: float | None
    high: float | None
    verdict: Verdict


@dataclass(frozen=True, slots=True)
class Hour:
    """The weather of an hour that begins at a moment."""

    at: datetime
    weather: Weather


@dataclass(frozen=True, slots=True)
class Spell:
    """A time in which all limits are kept."""

    begins: datetime
    ends: datetime


def dew_point(temperature: float, humidity: float) -> float:
    """Return at which temperature the air's water settles, degrees C (Magnus formula).

    Examples
    --------
    >>> round(dew_point(20, 50), 1), round(dew_point(20, 100), 1)
    (9.3, 20.0)
    """
    steam = math.log(max(humidity, _DRIEST) / 100) + _MAGNUS_B * temperature / (_MAGNUS_C + temperature)
    return _MAGNUS_C * steam / (_MAGNUS_B - steam)


def spraying(weather: Weather, figures: Mapping[str, float]) -> tuple[Reading, ...]:
    """Return each limit for spraying outdoors with what is read; the surface is taken to be as warm as the air.

    Parameters
    ----------
    weather
        Where it is sprayed.
    figures
        Of the workshop, those named ``spray_...``.
    """
    readings = tuple(_readings(weather, figures))
    return readings if weather.looked else tuple(replace(one, verdict="unknown") for one in readings)


def _readings(weather: Weather, figures: Mapping[str, float]) -> Iterator[Reading]:
    low, high = figures["spray_coldest"], figures["spray_hottest"]
    best = figures["spray_best_from"] <= weather.temperature <= figures["spray_best_until"]
    within = low <= weather.temperature <= high
    yield Reading("temperature", weather.temperature, low, high, _of(within, best=best))
    damp, wet = figures["spray_humid"], figures["spray_humid_most"]
    yield Reading("humidity", weather.humidity, None, damp, _of(weather.humidity <= wet, best=weather.humidity <= damp))
    most = figures["spray_wind"]
    calm = weather.wind < most
    yield Reading("wind", weather.wind, None, most, _of(calm, best=calm))
    yield Reading("rain", float(weather.rain), None, None, "no" if weather.rain else "go")
    above = weather.temperature - dew_point(weather.temperature, weather.humidity)
    clear = above >= figures["spray_dew"]
    yield Reading("dew", above, figures["spray_dew"], None, _of(clear, best=clear))


def _of(within: bool, *, best: bool) -> Verdict:
    if not within:
        return "no"
    return "go" if best else "wait"


def verdict_of(readings: Sequence[Reading]) -> Verdict:
    """Return the worst of all readings.

    Examples
    --------
    >>> verdict_of(())
    'go'
    """
    return max((one.verdict for one in readings), key=_WORSE.index, default="go")


def good_spells(hours: Sequence[Hour], figures: Mapping[str, float], day: tuple[int, int]) -> list[Spell]:
    """Return the spells in which it may be sprayed, none shorter than ``spray_window`` hours.

    Parameters
    ----------
    hours
        A forecast, each hour following the one before.
    figures
        Of the workshop.
    day
        From which hour of the clock until which somebody works.
    """
    spells: list[Spell] = []
    begins: datetime | None = None
    for hour in hours:
        is_good = verdict_of(spraying(hour.weather, figures)) == "go" and day[0] <= hour.at.hour < day[1]
        if is_good and begins is None:
            begins = hour.at
        elif not is_good and begins is not None:
            spells.append(Spell(begins, hour.at))
            begins = None
    if begins is not None:
        spells.append(Spell(begins, hours[-1].at + timedelta(hours=1)))
    least = timedelta(hours=figures["spray_window"])
    return [spell for spell in spells if spell.ends - spell.begins >= least]
