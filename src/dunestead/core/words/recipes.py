"""A recipe in words, line by line, so that two can be laid side by side."""

from collections.abc import Iterator

from dunestead.core.colours import colour_name
from dunestead.core.figures import Catalogue
from dunestead.core.learning.recipes import Recipe
from dunestead.core.painting.coatings import ROLE_NAMES, Coating
from dunestead.core.units import several, show_length, show_temperature, show_time
from dunestead.core.words.peeling import PEEL_NAMES

__all__ = ["recipe_in_words"]

_WANTED = {"solid": "", "worn": "a little worn", "washed": "washed out"}


def recipe_in_words(recipe: Recipe, catalogue: Catalogue, unit: str) -> Iterator[tuple[str, str]]:
    """Yield what each line is called and what it says; always the same lines in the same order, empty or not."""
    cutter = catalogue.cutters.get(recipe.cutter or "")
    yield "Surface", catalogue.surface(recipe.surface).name
    yield "Mask", catalogue.material(recipe.material).name
    yield "Method", catalogue.method(recipe.method).name
    yield "Cut", ", ".join(part for part in (str(recipe.cut or ""), cutter.name if cutter else "") if part)
    yield (
        "Plate",
        "; then ".join(f"{show_temperature(one.celsius, unit)}, {one.seconds:g} s a rest" for one in recipe.heat),
    )
    yield "Pins", "" if recipe.pins is None else f"{recipe.pins} in a copy"
    yield "Border", "As usual" if recipe.border is None else show_length(recipe.border, unit)
    yield "Paint", "; ".join(_coating(one, catalogue) for one in recipe.coatings)
    looks = [_WANTED.get(recipe.wanted, recipe.wanted), "warm air between coats" if recipe.warm_air else ""]
    yield "Look", ", ".join(look for look in looks if look) or "Solid"
    after = "" if recipe.peel_minutes is None else f", {show_time(recipe.peel_minutes)} after the last coat"
    yield "Peel", f"{PEEL_NAMES[recipe.peel_when]}{after}" if recipe.peel_when else ""
    yield "Came out", "" if recipe.grade is None else f"{recipe.grade} of 5"


def _coating(coating: Coating, catalogue: Catalogue) -> str:
    colour = f" in {colour_name(coating.colour)}" if coating.colour else ""
    coats = f", {several(coating.coats, 'coat')}" if coating.coats else ""
    return f"{ROLE_NAMES[coating.role]}: {catalogue.paint(coating.paint).name.lower()}{colour}{coats}"
