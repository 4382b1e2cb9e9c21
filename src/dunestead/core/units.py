"""Lengths as makers write them: read with a unit, shown in mm, cm or fractions of an inch."""

import math
import re
from fractions import Fraction
from string import ascii_uppercase

from dunestead.core.errors import BadLength

__all__ = [
    "MM_PER_INCH",
    "as_lines",
    "in_letters",
    "parse_length",
    "several",
    "show_apart",
    "show_area",
    "show_at_least",
    "show_length",
    "show_tape",
    "show_tape_up",
    "show_temperature",
    "show_time",
    "show_volume",
    "shown_up",
]

MM_PER_INCH = 25.4
_MM_PER_UNIT = {"": 1.0, "mm": 1.0, "cm": 10.0, "m": 1000.0, "in": MM_PER_INCH, '"': MM_PER_INCH, "ft": 304.8}
_LENGTH = re.compile(
    r"""\s*(?:(?P<whole>\d+)[\s-]+(?=\d+/))?
        (?P<number>\d+/\d+|\d*[.,]?\d+(?:[eE][+-]?\d+)?|\d+[.,])
        \s*(?P<unit>mm|cm|m|in|ft|")?\s*""",
    re.VERBOSE,
)
_LONGEST_MM = 50_000.0
_INCH_PARTS = 32
# A tape on a table is read no finer.
_TAPE_PARTS = 16
_ML_PER_OUNCE = 29.5735
_OUNCES_PER_GALLON = 128
# Words that are taken in at one look, and fewer sentences than are worth numbers.
_READ_AT_ONCE = 22
_FEWEST_LINES = 3
_SENTENCE_ENDS = re.compile(r"(?<=[.!?]) +(?=[A-Z0-9])")
# Lengths that differ by less are one.
_SAME_MM = 0.004


def parse_length(text: str, *, what: str = "length", allow_zero: bool = False) -> float:
    """Read a length and return it in mm; a bare number is mm.

    Parameters
    ----------
    text
        Such as ``400mm``, ``16in``, ``40 cm``, ``15 1/2 in`` or ``12,5``.
    what
        What the length is, for the error message.
    allow_zero
        Whether nothing at all is a sensible answer.

    Raises
    ------
    BadLength
        When the text is no length, is not above zero or is over 50 m.

    Examples
    --------
    >>> parse_length("40cm")
    400.0
    >>> parse_length("15 1/2in")
    393.7
    >>> parse_length("")
    Traceback (most recent call last):
    dunestead.core.errors.BadLength: “” is not a length for the length. Write a number with a unit, ...
    """
    match = _LENGTH.fullmatch(text)
    if not match:
        raise BadLength(
            f"“{text}” is not a length for the {what}.",
            "Write a number with a unit, such as 400mm, 40cm or 15 1/2in.",
        )
    number = match["number"].replace(",", ".")
    try:
        value = float(Fraction(number)) if "/" in number else float(number)
    except ZeroDivisionError:
        value = math.nan
    millimetres = (value + float(match["whole"] or 0)) * _MM_PER_UNIT[match["unit"] or ""]
    smallest_ok = millimetres >= 0 if allow_zero else millimetres > 0
    if not (smallest_ok and millimetres <= _LONGEST_MM):
        raise BadLength(f"The {what} of {text.strip()} is not possible here.", "Give a length above 0 and up to 50 m.")
    return round(millimetres, 6)


def show_length(millimetres: float, unit: str = "mm") -> str:
    """Write a length the way a maker reads it off a tape.

    Examples
    --------
    >>> show_length(393.7, "in")
    '15 1/2 in'
    >>> show_length(4.25), show_length(400.0), show_length(123.4, "cm")
    ('4.3 mm', '400 mm', '12.3 cm')
    >>> show_length(0.0, "in"), show_length(-12.7, "in"), show_length(-0.01)
    ('0 in', '-1/2 in', '0 mm')
    >>> show_length(0.15), show_length(-0.25)
    ('0.2 mm', '-0.3 mm')
    """
    if unit == "in":
        whole, part = divmod(round(abs(millimetres) / MM_PER_INCH * _INCH_PARTS), _INCH_PARTS)
        sign = "-" if millimetres < 0 and (whole or part) else ""
        fraction = f"{Fraction(part, _INCH_PARTS)}" if part else ""
        return sign + " ".join(p for p in (str(whole) if whole or not part else "", fraction, "in") if p)
    value = millimetres / 10 if unit == "cm" else millimetres
    decimals = 1 if unit == "cm" or abs(value) < 100 else 0
    # Halves go away from zero, as on the page; the crumb takes back what binary fractions lose of a half.
    rounded = math.floor(abs(value) * 10**decimals + 0.5 + 1e-9) / 10**decimals
    shown = f"{math.copysign(rounded, value) if rounded else 0.0:.{decimals}f}"
    return f"{shown.removesuffix('.0')} {unit}"


def show_tape(millimetres: float, unit: str = "mm") -> str:
    """Write a length as it is read off a tape while one works: to the mm, or to a sixteenth of an inch.

    Examples
    --------
    >>> show_tape(61.4), show_tape(61.4, "cm"), show_tape(61.4, "in"), show_tape(0.4)
    ('61 mm', '6.1 cm', '2 7/16 in', '0 mm')
    """
    step = MM_PER_INCH / _TAPE_PARTS if unit == "in" else 1.0
    return show_length(math.copysign(math.floor(abs(millimetres) / step + 0.5 + 1e-9) * step, millimetres), unit)


def show_tape_up(millimetres: float, unit: str = "mm") -> str:
    """Write what a tape must read at least, rounded up to its marks.

    Examples
    --------
    >>> show_tape_up(61.2), show_tape_up(61.0), show_tape_up(61.4, "in")
    ('62 mm', '61 mm', '2 7/16 in')
    """
    step = MM_PER_INCH / _TAPE_PARTS if unit == "in" else 1.0
    return show_length(math.ceil(millimetres / step - 1e-6) * step, unit)


def _shown_step(millimetres: float, unit: str) -> float:
    """Return the step, mm, to which a length is shown."""
    if unit == "in":
        return MM_PER_INCH / _INCH_PARTS
    return 1.0 if unit == "cm" or abs(millimetres) >= 100 else 0.1


def shown_up(millimetres: float, unit: str = "mm") -> float:
    """Return the least length that is shown as it is and is no shorter: what a maker can type and be sure of.

    Examples
    --------
    >>> shown_up(553.04), shown_up(553.0), shown_up(12.31)
    (554.0, 553.0, 12.4)
    >>> round(shown_up(100.0, "in") / MM_PER_INCH, 6)
    3.9375
    """
    step = _shown_step(millimetres, unit)
    return round(math.ceil(millimetres / step - 1e-6) * step, 6)


def show_at_least(millimetres: float, unit: str = "mm") -> str:
    """Write a length that must not be undercut, rounded up.

    Examples
    --------
    >>> show_at_least(553.04), show_at_least(4.0)
    ('554 mm', '4 mm')
    """
    return show_length(shown_up(millimetres, unit), unit)


def show_apart(measured: float, limit: float, unit: str = "mm") -> tuple[str, str]:
    """Write a measure and its limit so that they never read the same when they differ.

    Examples
    --------
    >>> show_apart(3.8, 4.0), show_apart(3.98, 4.0)
    (('3.8 mm', '4 mm'), ('3.98 mm', '4 mm'))
    >>> show_apart(3.9, 4.0, "in")
    ('just under 5/32 in', '5/32 in')
    >>> show_apart(4.0, 4.0)
    ('4 mm', '4 mm')
    """
    usual = show_length(measured, unit), show_length(limit, unit)
    if usual[0] != usual[1] or math.isclose(measured, limit, abs_tol=_SAME_MM):
        return usual
    if unit == "in":
        # A tape has no finer marks.
        return f"just {'under' if measured < limit else 'over'} {usual[1]}", usual[1]
    shown = [f"{length / (10 if unit == 'cm' else 1):.2f}".rstrip("0").rstrip(".") for length in (measured, limit)]
    return f"{shown[0]} {unit}", f"{shown[1]} {unit}"


def show_area(square_millimetres: float, unit: str = "mm") -> str:
    """Write an area for a maker who measures in ``unit``.

    Examples
    --------
    >>> show_area(523.0), show_area(1290.32, "in")
    ('5.2 cm²', '2.0 sq in')
    """
    if unit == "in":
        return f"{square_millimetres / MM_PER_INCH**2:.1f} sq in"
    return f"{square_millimetres / 100:.1f} cm²"


def show_temperature(celsius: float, unit: str = "mm") -> str:
    """Write a temperature for a maker who measures in ``unit``: Fahrenheit goes with inches.

    Examples
    --------
    >>> show_temperature(150.0), show_temperature(150.0, "in")
    ('150 °C', '302 °F')
    """
    return f"{celsius * 1.8 + 32:.0f} °F" if unit == "in" else f"{celsius:.0f} °C"


def show_volume(millilitres: float, unit: str = "mm") -> str:
    """Write a volume for a maker who measures in ``unit``: fluid ounces go with inches.

    Examples
    --------
    >>> show_volume(59.147), show_volume(59.147, "in")
    ('59 ml', '2.0 fl oz')
    >>> show_volume(1250), show_volume(4000, "in")
    ('1.3 l', '1.1 gal')
    """
    if unit == "in":
        ounces = millilitres / _ML_PER_OUNCE
        return f"{ounces / _OUNCES_PER_GALLON:.1f} gal" if ounces >= _OUNCES_PER_GALLON else f"{ounces:.1f} fl oz"
    # Halves go up, as on the page.
    return f"{math.floor(millilitres / 100 + 0.5) / 10:.1f} l" if millilitres >= 999.5 else f"{millilitres:.0f} ml"


def in_letters(index: int) -> str:
    """Return a letter for each of a row of things, counted from 0, and two or more beyond Z.

    Examples
    --------
    >>> in_letters(0), in_letters(25), in_letters(26), in_letters(701), in_letters(702)
    ('A', 'Z', 'AA', 'ZZ', 'AAA')
    """
    more, at = divmod(index, len(ascii_uppercase))
    return (in_letters(more - 1) if more else "") + ascii_uppercase[at]


def as_lines(text: str) -> tuple[str, ...]:
    """Part a long text into its sentences, each to be read as a line of its own; a short one stays one.

    Examples
    --------
    >>> as_lines("Press. Let it cool."), as_lines("")
    (('Press. Let it cool.',), ())
    >>> len(as_lines("Lay it down flat. " * 8))
    8
    """
    lines = [line for line in _SENTENCE_ENDS.split(text.strip()) if line]
    if len(text.split()) <= _READ_AT_ONCE or len(lines) < _FEWEST_LINES:
        return (text,) if text else ()
    return tuple(lines)


def several(count: int, what: str) -> str:
    """Write a count with its noun.

    Examples
    --------
    >>> several(1, "sheet"), several(0, "sheet")
    ('1 sheet', '0 sheets')
    """
    return f"{count} {what}" if count == 1 else f"{count} {what}s"


def show_time(minutes: float) -> str:
    """Write a time as people say it.

    Examples
    --------
    >>> show_time(45), show_time(90), show_time(150), show_time(1440), show_time(40320)
    ('45 min', '90 min', '2 h 30 min', '24 h', '28 days')
    """
    if minutes < 120:
        return f"{minutes:.0f} min"
    if minutes < 72 * 60:
        hours, rest = divmod(round(minutes), 60)
        return f"{hours} h {rest} min" if rest else f"{hours} h"
    return f"{minutes / 1440:.3g} days"
