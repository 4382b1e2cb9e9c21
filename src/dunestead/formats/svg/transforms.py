"""Transforms as style sheets write them, as attributes write them."""

import re

__all__ = ["css_transform", "length_of"]

_FUNCTION = re.compile(r"([a-z]+)\(([^()]*)\)", re.IGNORECASE)
_LENGTH = re.compile(r"([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)(px|pt|pc|mm|cm|in)?", re.IGNORECASE)
_ANGLE = re.compile(r"([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)(deg|rad|turn|grad)?", re.IGNORECASE)
_PX = {"px": 1.0, "pt": 96 / 72, "pc": 16.0, "mm": 96 / 25.4, "cm": 960 / 25.4, "in": 96.0, "": 1.0}
_DEGREES = {"deg": 1.0, "rad": 57.29577951308232, "turn": 360.0, "grad": 0.9, "": 1.0}
_PLACES = {"left": 0.0, "top": 0.0, "center": 0.5, "right": 1.0, "bottom": 1.0}
_ANGLES = ("rotate", "skewx", "skewy", "rotatez")
_NAMES = {"skewx": "skewX", "skewy": "skewY", "rotatez": "rotate"}


def css_transform(declared: str, origin: str, page: tuple[float, float]) -> str | None:
    """Return a transform as the attribute of that name, about its origin; None where it has no such form.

    Parameters
    ----------
    said, origin
        Of the properties ``transform`` and ``transform-origin``.
    page
        Width and height of the view box, which shares of the origin are of.

    Examples
    --------
    >>> css_transform("rotate(0.25turn) translateX(3px)", "", (100, 100))
    'rotate(90.0) translate(3.0 0)'
    >>> css_transform("none", "10px 10px", (100, 100))
    ''
    >>> css_transform("translate(50%)", "", (100, 100)) is None
    True
    """
    if declared.strip().lower() in ("", "none"):
        return ""
    functions = [_function(name.lower(), inner) for name, inner in _FUNCTION.findall(declared)]
    about = _origin(origin, page)
    if about is None or not functions or not all(functions) or _FUNCTION.sub("", declared).strip(" ,\n\t"):
        return None
    x, y = about
    text = " ".join(filter(None, functions))
    return f"translate({x} {y}) {text} translate({-x} {-y})" if x or y else text


def _function(name: str, inner: str) -> str | None:
    parts = [part for part in re.split(r"[\s,]+", inner.strip()) if part]
    if name == "rotate" and len(parts) == 3:
        angle, *middle = parts
        turned, at = _measured(_ANGLE, _DEGREES, angle), [_measured(_LENGTH, _PX, part) for part in middle]
        return None if turned is None or None in at else f"rotate({turned} {at[0]} {at[1]})"
    pattern, units = (_ANGLE, _DEGREES) if name in _ANGLES else (_LENGTH, _PX)
    numbers = [_measured(pattern, units, part) for part in parts]
    if not numbers or None in numbers:
        return None
    given = " ".join(str(number) for number in numbers)
    if name in ("translatex", "scalex"):
        return f"{name[:-1]}({given} {'0' if name == 'translatex' else '1'})"
    if name in ("translatey", "scaley"):
        return f"{name[:-1]}({'0' if name == 'translatey' else '1'} {given})"
    if name in ("translate", "scale", "matrix", *_ANGLES):
        return f"{_NAMES.get(name, name)}({given})"
    return None


def _measured(pattern: re.Pattern[str], units: dict[str, float], text: str) -> float | None:
    match = pattern.fullmatch(text)
    return float(match[1]) * units[(match[2] or "").lower()] if match else None


def _origin(text: str, page: tuple[float, float]) -> tuple[float, float] | None:
    parts = text.lower().split()[:2]
    if not parts:
        return (0.0, 0.0)
    if parts[0] in ("top", "bottom") or (len(parts) == 2 and parts[1] in ("left", "right")):
        parts.reverse()
    parts += ["center"] * (2 - len(parts))
    at = [_place(part, size) for part, size in zip(parts, page, strict=True)]
    return None if at[0] is None or at[1] is None else (at[0], at[1])


def _place(text: str, size: float) -> float | None:
    if text in _PLACES:
        return _PLACES[text] * size
    if text.endswith("%"):
        share = _measured(_LENGTH, _PX, text[:-1])
        return None if share is None else share / 100 * size
    return _measured(_LENGTH, _PX, text)


def length_of(text: str) -> float | None:
    """Return a length in pixels, None where it is none or hangs on something else.

    Examples
    --------
    >>> length_of("1in"), length_of("50%")
    (96.0, None)
    """
    return _measured(_LENGTH, _PX, text.strip())
