"""The weather outside as the workshop is told it: a contract, and a simulated service behind it."""

import math
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Protocol

import numpy as np

from dunestead.core.curing.drying import Weather
from dunestead.core.painting.weather import Hour

__all__ = ["SimulatedWeather", "WeatherService"]

# A mild coast: means and swings over the year and the day, degrees C; how far fronts move it.
_MEAN, _YEAR, _DAY, _FRONT_C = 12.0, 7.0, 4.0, 4.0
_COLDEST_DAY, _WARMEST_HOUR = 25, 15
_HUMID, _HUMID_DAY, _HUMID_FRONT = 74.0, 12.0, 14.0
_WIND, _WIND_DAY, _WIND_FRONT = 3.2, 1.2, 2.2
_RAIN_ABOVE = 1.1
_FRONTS = ((53.0, 1.0), (29.0, 0.6), (17.0, 0.35))


class WeatherService(Protocol):
    """Where forecasts come from."""

    @property
    def name(self) -> str:
        """What it is called on the page."""
        ...

    def forecast(self, begins: datetime, hours: int) -> list[Hour]:
        """Return so many hours, the first the one that a moment lies in."""
        ...


@dataclass(frozen=True, slots=True)
class SimulatedWeather:
    """Made-up weather that is believable and the same each time: days swing, fronts pass, seasons turn.

    Attributes
    ----------
    seed
        Another one gives other fronts.
    """

    seed: int = 8
    name: str = "Simulated forecast"

    def forecast(self, begins: datetime, hours: int) -> list[Hour]:
        """Return so many hours, the first the one that a moment lies in."""
        first = begins.replace(minute=0, second=0, microsecond=0)
        return [Hour(at, self._at(at)) for k in range(hours) if (at := first + timedelta(hours=k))]

    def _at(self, at: datetime) -> Weather:
        hour = at.timestamp() / 3600
        front = self._front(hour)
        day = math.cos((at.hour - _WARMEST_HOUR) / 24 * math.tau)
        year = -math.cos((at.timetuple().tm_yday - _COLDEST_DAY) / 365 * math.tau)
        temperature = _MEAN + _YEAR * year + _DAY * day - _FRONT_C * front
        humidity = _HUMID - _HUMID_DAY * day + _HUMID_FRONT * front
        wind = max(_WIND + _WIND_DAY * day + _WIND_FRONT * front, 0.0)
        return Weather(
            round(temperature, 1), round(min(max(humidity, 25.0), 100.0)), round(wind, 1), rain=front > _RAIN_ABOVE
        )

    def _front(self, hour: float) -> float:
        """Return how far a front is over the workshop, about -2 to 2: waves that no two weeks share."""
        phases = np.random.default_rng(self.seed).uniform(0, math.tau, len(_FRONTS))
        return sum(
            share * math.sin(hour / period * math.tau + float(phase))
            for (period, share), phase in zip(_FRONTS, phases, strict=True)
        )
