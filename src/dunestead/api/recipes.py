"""Recipes: what worked on what, found, compared, used, and carried along as an open file."""

from collections.abc import Iterable
from dataclasses import replace

from flask import Response, request
from pydantic import Field

from dunestead.api import schemas
from dunestead.api.description import hands_out, takes_files
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, changed, download, opened
from dunestead.api.wire import Shown, Wire, limits_like
from dunestead.core.errors import BadInput
from dunestead.core.learning.recipes import Recipe, check_recipe, found_by, recipe_of, with_recipe
from dunestead.core.words.recipes import recipe_in_words
from dunestead.formats.recipe_file import read_recipes, write_recipes

__all__ = ["recipes"]

recipes = Endpoints("recipes", __name__, url_prefix="/api", tag="Recipes")
_MOST_BYTES = 2_000_000


class RecipesQuery(schemas.UnitQuery):
    """What recipes are for: keys of the catalogue; what is empty may be anything."""

    surface: str = Field("", max_length=60)
    material: str = Field("", max_length=60)
    paint: str = Field("", max_length=60)


class LineOut(Shown):
    """One line of a recipe: what it is called, and what it says."""

    name: str
    text: str


class RecipeOut(Shown):
    """A recipe, line by line; all recipes have the same lines."""

    id: int
    name: str
    surface: str
    material: str
    paints: list[str]
    grade: int | None
    made_for: str
    notes: str
    lines: list[LineOut]
    can_undo: bool


class RecipesOut(Shown):
    """Recipes, the best first."""

    recipes: list[RecipeOut]
    total: int = Field(description="How many there are in all, whatever was asked for.")


class RecipeIn(Wire):
    """What a maker changes of a recipe."""

    model_config = limits_like(Recipe)

    name: str
    notes: str | None = None


def _shown(query: RecipesQuery) -> RecipesOut:
    kept = bench().records.recipes.all()
    found = found_by(kept, surface=query.surface, material=query.material, paint=query.paint)
    return RecipesOut(recipes=list(_out(found, query.unit)), total=len(kept))


def _out(found: Iterable[tuple[int, Recipe]], unit: str) -> Iterable[RecipeOut]:
    catalogue, shelf = bench().catalogue, bench().records.recipes
    for number, one in found:
        lines = [LineOut(name=name, text=text) for name, text in recipe_in_words(one, catalogue, unit)]
        yield RecipeOut.showing(
            one,
            id=number,
            paints=[coating.paint for coating in one.coatings],
            lines=lines,
            can_undo=shelf.can_undo(number),
        )


@recipes.get("/recipes")
def get_recipes(query: RecipesQuery) -> RecipesOut:
    """List recipes by surface, mask material and paint, the best first."""
    return _shown(query)


@recipes.post("/jobs/<int:job_id>/recipe", status=201)
def make_recipe(job_id: int, given: RecipeIn, query: RecipesQuery) -> RecipesOut:
    """Keep how a job was made that came out well."""
    found = opened(job_id, query)
    recipe = recipe_of(found.plan, found.progress, given.name, found.at.date(), bench().catalogue.workshop)
    if given.notes is not None:
        recipe = replace(recipe, notes=given.notes)
    check_recipe(recipe, bench().catalogue)
    bench().records.recipes.add(recipe)
    return _shown(query)


@recipes.post("/jobs/<int:job_id>/recipe/<int:number>")
def use_recipe(job_id: int, number: int, query: schemas.UnitQuery) -> schemas.JobOut:
    """Make a job by a recipe: its mask, method, cut, heat, coatings and peel; the design stays."""
    recipe, catalogue = bench().records.recipes.get(number), bench().catalogue
    return changed(job_id, query, f"Recipe “{recipe.name[:60]}”", lambda job, _: with_recipe(job, recipe, catalogue))


@recipes.put("/recipes/<int:number>")
def change_recipe(number: int, given: RecipeIn, query: RecipesQuery) -> RecipesOut:
    """Rename a recipe, or change its notes."""
    before = bench().records.recipes.get(number)
    notes = before.notes if given.notes is None else given.notes
    recipe = replace(before, name=given.name.strip(), notes=notes)
    check_recipe(recipe, bench().catalogue)
    bench().records.recipes.change(number, recipe)
    return _shown(query)


@recipes.delete("/recipes/<int:number>")
def drop_recipe(number: int, query: RecipesQuery) -> RecipesOut:
    """Remove a recipe; it can be brought back."""
    bench().records.recipes.drop(number)
    return _shown(query)


@recipes.post("/recipes/<int:number>/undo")
def undo_recipe(number: int, query: RecipesQuery) -> RecipesOut:
    """Take the last change of a recipe back, or bring it back."""
    bench().records.recipes.undo(number)
    return _shown(query)


@recipes.get("/recipes.json")
@hands_out("json")
def get_recipe_file() -> Response:
    """Download all recipes as an open file."""
    records = bench().records
    own = {**records.paints.gone(), **records.paints.all()}
    likes = {f"own-{number}": one.like for number, one in own.items()}
    data = write_recipes(records.recipes.all().values(), likes)
    return download(data, "application/json", "recipes.json")


@recipes.post("/recipes/file", status=201)
@takes_files(file="A file of recipes in JSON.")
def read_recipe_file(query: RecipesQuery) -> RecipesOut:
    """Keep the recipes of a file, all of them or none; those that are kept already are passed over."""
    file = request.files.get("file")
    if file is None:
        raise BadInput("No file came with the request.", "Choose one.")
    data = file.read(_MOST_BYTES + 1)
    if len(data) > _MOST_BYTES:
        raise BadInput("A file of recipes has 2 MB at most.", "Split it.")
    found = read_recipes(data.decode("utf-8", "replace"), bench().catalogue)
    bench().records.keep_recipes(found)
    return _shown(query)
