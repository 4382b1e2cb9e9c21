"""The maker's own records that refine the figures: mask material in store, and test cuts."""

from dataclasses import dataclass, field
from datetime import date
from typing import Literal

from dunestead.core.errors import BadInput, UnknownKey

__all__ = [
    "ANSWERS",
    "BLADES",
    "Answer",
    "Blade",
    "CutSettings",
    "Recipe",
    "Stock",
    "Try",
    "check_name",
    "check_recipe",
    "check_settings",
    "check_stock",
]

Answer = Literal["not-through", "clean", "into-backing", "tears"]
Blade = Literal["fresh", "used", "worn"]
ANSWERS: tuple[Answer, ...] = ("not-through", "clean", "into-backing", "tears")
BLADES: tuple[Blade, ...] = ("fresh", "used", "worn")


@dataclass(frozen=True, slots=True)
class Stock:
    """A roll, or a pile of sheets, of mask material that a maker has.

    Attributes
    ----------
    material
        Key of the catalogue.
    width, length
        Width of the roll or sheet; what is left on the roll, or the length of one sheet. mm.
    is_roll
        Whether it is a roll.
    count
        How many sheets are left; 1 for a roll.
    colour
        As it is, None as it usually comes.
    """

    name: str
    material: str
    width: float
    length: float
    is_roll: bool = True
    count: int = 1
    colour: str | None = None


@dataclass(frozen=True, slots=True)
class CutSettings:
    """How a material is cut: gram, count, mm/s."""

    force: float
    passes: int
    speed: float

    def __str__(self) -> str:
        """Return them as they are set on a cutter."""
        return f"{self.force:g} g, {self.passes} pass{'' if self.passes == 1 else 'es'}, {self.speed:g} mm/s"


@dataclass(frozen=True, slots=True)
class Try:
    """A test cut and what came of it."""

    settings: CutSettings
    answer: Answer


@dataclass(frozen=True, slots=True)
class Recipe:
    """Settings found for a material on a cutter, with the tries that led there.

    Attributes
    ----------
    material, cutter
        Keys of the catalogue.
    blade
        As it was.
    on
        The day.
    """

    name: str
    material: str
    cutter: str
    blade: Blade
    on: date
    tries: tuple[Try, ...] = field(default_factory=tuple)
    notes: str = ""

    @property
    def found(self) -> CutSettings | None:
        """The settings that cut cleanly, None while none have."""
        return next((tried.settings for tried in reversed(self.tries) if tried.answer == "clean"), None)


def check_name(what: str, name: str) -> None:
    """Raise `BadInput` when a record has no name to know it by."""
    if not name.strip() or len(name) > 120:
        raise BadInput(f"A {what} needs a name of up to 120 letters.", "Give it one you will know it by.")


def check_settings(settings: CutSettings) -> None:
    """Raise `BadInput` for settings no cutter has."""
    if not (1 <= settings.force <= 5000 and 1 <= settings.passes <= 20 and 1 <= settings.speed <= 2000):
        raise BadInput(f"{settings} cannot be.", "Give 1 to 5000 g, 1 to 20 passes and 1 to 2000 mm/s.")


def check_recipe(recipe: Recipe) -> None:
    """Raise `BadInput` when a recipe cannot be kept."""
    check_name("recipe", recipe.name)
    if recipe.blade not in BLADES:
        raise UnknownKey("state of the blade", recipe.blade, list(BLADES))
    if len(recipe.tries) > 60 or len(recipe.notes) > 2000:
        raise BadInput("That is more than a recipe holds.", "Begin a new one.")
    for tried in recipe.tries:
        if tried.answer not in ANSWERS:
            raise UnknownKey("answer", tried.answer, list(ANSWERS))
        check_settings(tried.settings)


def check_stock(stock: Stock) -> None:
    """Raise `BadInput` when stock cannot be kept."""
    check_name("piece of stock", stock.name)
    if not (10 <= stock.width <= 5000 and 0 <= stock.length <= 1_000_000 and 0 <= stock.count <= 100_000):
        raise BadInput(
            f"{stock.width:g} by {stock.length:g} mm is no roll or sheet.",
            "Give a width of 10 to 5000 mm and what is left, up to 1 km.",
        )
