"""Recipes as an open file: JSON, its lengths in mm, its heat in degrees C; read back as they were written."""

import json
from collections.abc import Iterable, Mapping
from dataclasses import replace
from typing import Any

from pydantic import TypeAdapter, ValidationError

from dunestead.core.errors import BadInput
from dunestead.core.figures import Catalogue
from dunestead.core.learning.recipes import Recipe, check_recipe

__all__ = ["VERSION", "read_recipes", "write_recipes"]

VERSION = 1
_MOST = 500
_RECIPE = TypeAdapter(Recipe)


def write_recipes(recipes: Iterable[Recipe], likes: Mapping[str, str]) -> str:
    """Return recipes as a file.

    Parameters
    ----------
    recipes
        Any number of them.
    likes
        By key of a paint of the maker's own: the shipped one it is like, which is known elsewhere too. A cutter of
        the maker's own is known nowhere else, and left out.
    """
    rows = [_RECIPE.dump_python(_portable(one, likes), mode="json") for one in recipes]
    return json.dumps({"dunestead_recipes": VERSION, "recipes": rows}, indent=1, ensure_ascii=False) + "\n"


def _portable(recipe: Recipe, likes: Mapping[str, str]) -> Recipe:
    coatings = tuple(replace(one, paint=likes.get(one.paint, one.paint)) for one in recipe.coatings)
    cutter = None if recipe.cutter and recipe.cutter.startswith("own-") else recipe.cutter
    return replace(recipe, coatings=coatings, cutter=cutter)


def read_recipes(text: str, catalogue: Catalogue) -> list[Recipe]:
    """Return the recipes of a file.

    Raises
    ------
    BadInput
        When it is no such file, or a recipe in it cannot be; then none is read.
    """
    try:
        held = json.loads(text)
    except (ValueError, RecursionError) as error:
        raise BadInput(f"The file is no JSON: {error}.", "Export it anew, or mend it in an editor.") from None
    if not isinstance(held, dict) or held.get("dunestead_recipes") != VERSION:
        raise BadInput("This is no file of recipes.", f"It begins with “dunestead_recipes”: {VERSION}.")
    rows = held.get("recipes")
    if not isinstance(rows, list) or not 0 < len(rows) <= _MOST:
        raise BadInput("There are no recipes in this file, or too many.", f"It holds a list of 1 to {_MOST}.")
    return [_read(number, row, catalogue) for number, row in enumerate(rows, 1)]


def _read(number: int, row: Any, catalogue: Catalogue) -> Recipe:
    try:
        recipe = _RECIPE.validate_python(row)
    except ValidationError as error:
        first = error.errors()[0]
        where = ".".join(str(part) for part in first["loc"]) or "all of it"
        raise BadInput(
            f"In recipe {number}, “{where}” cannot be used: {first['msg'].lower()}.", "Correct it."
        ) from None
    try:
        check_recipe(recipe, catalogue)
    except BadInput as error:
        raise BadInput(f"Recipe {number}: {error.what}", error.fix) from None
    return recipe
