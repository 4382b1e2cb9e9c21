"""What is said of the weather: each limit with what is read."""

from dunestead.core.painting.weather import Reading, Verdict
from dunestead.core.units import show_temperature

__all__ = ["NAMES", "VERDICTS", "limit_in_words", "reading_in_words", "refusal_of"]

NAMES = {
    "temperature": "Temperature",
    "humidity": "Humidity",
    "wind": "Wind",
    "rain": "Rain",
    "dew": "Above the dew point",
}
VERDICTS: dict[Verdict, str] = {
    "go": "Good for spraying.",
    "unknown": "Not known yet: look before you spray.",
    "wait": "Spraying is possible, but not at its best.",
    "no": "No spraying now.",
}
_FAHRENHEIT_STEP = 1.8


def reading_in_words(reading: Reading, unit: str) -> str:
    """Return what is read."""
    if reading.verdict == "unknown":
        return "not known"
    if reading.code == "temperature":
        return show_temperature(reading.value, unit)
    if reading.code == "humidity":
        return f"{reading.value:.0f} %"
    if reading.code == "wind":
        return f"{reading.value:g} m/s"
    if reading.code == "rain":
        return "yes" if reading.value else "none"
    return _step(reading.value, unit)


def limit_in_words(reading: Reading, unit: str) -> str:
    """Return what it should be."""
    if reading.code == "temperature" and reading.low is not None and reading.high is not None:
        return f"{show_temperature(reading.low, unit)} to {show_temperature(reading.high, unit)}"
    if reading.code == "humidity":
        return f"at most {reading.high:g} %; some paints stand more, see the label"
    if reading.code == "wind":
        return f"under {reading.high:g} m/s"
    if reading.code == "rain":
        return "none"
    return f"at least {_step(reading.low or 0.0, unit)}"


def _step(degrees: float, unit: str) -> str:
    return f"{degrees * _FAHRENHEIT_STEP:.0f} °F" if unit == "in" else f"{degrees:.0f} °C"


def refusal_of(readings: tuple[Reading, ...], unit: str) -> str | None:
    """Return why it is no weather for spraying, None where it is."""
    against = [
        f"{NAMES[one.code].lower()} {reading_in_words(one, unit)} (should be {limit_in_words(one, unit)})"
        for one in readings
        if one.verdict == "no"
    ]
    return f"The weather is wrong for spraying: {'; '.join(against)}." if against else None
