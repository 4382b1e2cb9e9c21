"""How different do two colours look, and what would one call them?"""

import re
from collections.abc import Iterable
from functools import lru_cache

from coloraide import Color

from dunestead.core.errors import BadInput

__all__ = ["check_colour", "colour_name", "difference", "lightness", "names_of"]

_WRITTEN = re.compile("#[0-9a-fA-F]{6}")
# Plain words for colours as one says them in a workshop.
_NAMES = {
    "black": "#16191b",
    "slate": "#33424e",
    "grey": "#85888a",
    "pale grey": "#c4c7c8",
    "white": "#ffffff",
    "cream": "#f1ead8",
    "sand": "#d6bf94",
    "straw": "#b08a57",
    "brown": "#6b4a2f",
    "brick": "#9c4a32",
    "red": "#c62828",
    "coral": "#ef8267",
    "orange": "#e07b22",
    "yellow": "#f0c93a",
    "lime": "#a6c840",
    "grass": "#5d8436",
    "dark green": "#274a2c",
    "sea green": "#2f8f83",
    "turquoise": "#5fc4c9",
    "sky": "#8fc1e3",
    "blue": "#2f6db5",
    "navy": "#1d2f55",
    "violet": "#6e4a9e",
    "plum": "#6a2f52",
    "pink": "#e5a3b9",
}


@lru_cache(maxsize=4096)
def difference(one: str, other: str) -> float:
    """Return how different two colours look: 0 the same, 1 just told apart side by side, 100 black and white.

    The measure is the CIE's of 2000 (CIEDE2000, ISO/CIE 11664-6).

    Examples
    --------
    >>> difference("#22313a", "#22313a")
    0.0
    >>> round(difference("#000000", "#ffffff"))
    100
    """
    return float(_lab(one).delta_e(_lab(other), method="2000"))


def lightness(colour: str) -> float:
    """Return how light a colour is: 0 black, 100 white (CIELAB).

    Examples
    --------
    >>> lightness("#000000"), round(lightness("#ffffff"))
    (0.0, 100)
    """
    return float(_lab(colour)["l"])


@lru_cache(maxsize=4096)
def _lab(colour: str) -> Color:
    """Return a colour in the space in which the measure is taken."""
    return Color(colour).convert("lab-d65")


def names_of(colours: Iterable[str]) -> dict[str, str]:
    """Return a word for each colour that tells it from the others: of those with one name, the lighter and darker.

    Examples
    --------
    >>> names_of(["#22313a", "#fefefe"])
    {'#22313a': 'slate', '#fefefe': 'white'}
    >>> names_of(["#3f5360", "#22313a"])
    {'#3f5360': 'light slate', '#22313a': 'dark slate'}
    """
    known = dict.fromkeys(colours)
    alike: dict[str, list[str]] = {}
    for colour in known:
        alike.setdefault(colour_name(colour), []).append(colour)
    found = {}
    for name, shades in alike.items():
        ordered = sorted(shades, key=lightness, reverse=True)
        for k, shade in enumerate(ordered):
            which = "" if len(ordered) == 1 else "light " if k == 0 else "dark " if k == len(ordered) - 1 else "medium "
            number = f" {k}" if which == "medium " and len(ordered) > _SHADES else ""
            found[shade] = f"{which}{name}{number}"
    return {colour: found[colour] for colour in known}


# Of one name: light, medium and dark; more are numbered.
_SHADES = 3


@lru_cache(maxsize=1024)
def colour_name(colour: str) -> str:
    """Return a plain word for a colour.

    Examples
    --------
    >>> colour_name("#22313a"), colour_name("#fefefe")
    ('slate', 'white')
    """
    return min(_NAMES, key=lambda name: difference(colour, _NAMES[name]))


def check_colour(colour: str | None) -> None:
    """Raise `BadInput` when a colour is not written as ``#rrggbb``; None passes."""
    if colour is None:
        return
    if not _WRITTEN.fullmatch(colour):
        raise BadInput(f"“{colour}” is not a colour.", "Write it as #rrggbb.")
