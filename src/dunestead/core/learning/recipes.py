"""What worked on what: made from a job that came out well, to begin another with."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from datetime import date

from dunestead.core.curing.peel import WetWork, peel_schools
from dunestead.core.errors import BadInput, NotNow, UnknownKey
from dunestead.core.figures import Catalogue, PeelTime
from dunestead.core.job.job import Job, PressAt, altered, fits
from dunestead.core.limits import REQUIRED, check_limits, limited
from dunestead.core.painting.coatings import Coating, check_coating
from dunestead.core.painting.coats import CoatLoad, Wanted
from dunestead.core.plan.plan import Plan
from dunestead.core.records import CutSettings, check_settings
from dunestead.core.work.coating import coat_id
from dunestead.core.work.kinds import Trait
from dunestead.core.work.progress import Progress

__all__ = ["Recipe", "check_recipe", "found_by", "is_worth_it", "recipe_of", "with_recipe"]

_MOST_COATINGS = 20


@dataclass(frozen=True, slots=True)
class Recipe:
    """How something was made.

    Attributes
    ----------
    surface, material, method, cutter
        Keys of the catalogue; the cutter None where it does not matter.
    cut
        How the mask was cut, None for a knife in the hand.
    heat
        Of each going over of the plate, as it was pressed.
    pins
        Set in one copy, as they were counted; None where none were.
    border
        Mask beyond the artwork, mm; None for the usual.
    coatings
        What went on, each with its coats.
    wanted, load, warm_air
        How it was to look, and how it was put on.
    peel_when, peel_minutes
        The school of the peel, and how long after the last coat it came off; None where nobody can tell.
    grade
        From 1 (spoiled) to 5 (as wished).
    made_for
        Name of the job it is from.
    """

    name: str = limited(REQUIRED, "name of the recipe", 1, 120, "letters")
    surface: str = REQUIRED
    material: str = REQUIRED
    method: str = REQUIRED
    on: date = REQUIRED
    coatings: tuple[Coating, ...] = REQUIRED
    cutter: str | None = None
    cut: CutSettings | None = None
    heat: tuple[PressAt, ...] = ()
    pins: int | None = limited(None, "number of pins", 0, 10_000)
    border: float | None = limited(None, "border", 0.0, 500.0, "mm")
    wanted: Wanted = "solid"
    load: CoatLoad | None = None
    warm_air: bool = False
    peel_when: PeelTime | None = None
    peel_minutes: float | None = limited(None, "time until the peel", 0.0, 100_000.0, "min")
    grade: int | None = limited(None, "grade", 1, 5)
    made_for: str = limited("", "name of the job", 0, 120, "letters")
    notes: str = limited("", "text of the notes", 0, 10_000, "letters")


def is_worth_it(job: Job, figures: Mapping[str, float]) -> bool:
    """Say whether a job came out so well that a recipe may be made of it; ``recipe_grade`` of the workshop says it."""
    return job.record.grade is not None and job.record.grade >= figures["recipe_grade"]


def recipe_of(plan: Plan, progress: Progress, name: str, on: date, figures: Mapping[str, float]) -> Recipe:
    """Return how a job was made: as it really was pressed, pinned and peeled where the log says so.

    Parameters
    ----------
    plan, progress
        The job and how far it came.
    name, on
        What the recipe is called, and the day.
    figures
        Of the workshop, for `is_worth_it`.

    Raises
    ------
    NotNow
        When nobody has said how it came out, or it did not come out well.
    """
    job, record = plan.job, plan.job.record
    if record.grade is None:
        raise NotNow("This job has no rating yet.", "Give it a grade first: a recipe is of what worked.")
    if not is_worth_it(job, figures):
        least = figures["recipe_grade"]
        raise NotNow(
            f"This job came out at {record.grade} of 5.", f"A recipe is of what worked: {least:g} of 5 or better."
        )
    recipe = Recipe(
        name=name.strip(),
        surface=plan.choices.surface.key,
        material=plan.choices.material.key,
        method=plan.method.key,
        on=on,
        coatings=tuple(_with_coats(coating, plan) for coating in job.paint.coatings),
        cutter=plan.choices.cutter.key,
        cut=None if plan.is_by_hand else plan.settings,
        heat=_heat(plan, progress),
        pins=_pins(progress),
        border=job.mask.border,
        wanted=job.paint.wanted,
        load=job.paint.load,
        warm_air=job.paint.warm_air,
        peel_when=plan.masks[-1].peel.when,
        peel_minutes=_peeled_after(plan, progress),
        grade=record.grade,
        made_for=job.name,
        notes=record.notes,
    )
    check_limits(recipe)
    return recipe


def _with_coats(coating: Coating, plan: Plan) -> Coating:
    """Return a coating with the coats it was really planned with."""
    coats = [one.coats for one in plan.coatings if (one.role, one.paint.key) == (coating.role, coating.paint)]
    return replace(coating, coats=max(coats)) if coats else coating


def _heat(plan: Plan, progress: Progress) -> tuple[PressAt, ...]:
    found = []
    for number, pressing in enumerate(plan.masks[0].pressings, 1):
        used = progress.pressed_at(Trait.PRESSES if number == 1 else Trait.PRESSES_AGAIN)
        celsius = used.celsius if used and used.celsius else pressing.celsius
        seconds = used.took if used and used.took else pressing.seconds
        found.append(PressAt(plan.choices.material.key, plan.method.key, number, celsius, seconds))
    return tuple(found)


def _pins(progress: Progress) -> int | None:
    """Return how many pins were set in the first copy, all its masks together; as planned where nobody counted."""
    tasks = [task for task in progress.graph.with_trait(Trait.SETS_PINS) if task.copy == 1 and task.call]
    counted = [
        count.planned if (value := progress.counted(task, count.code)) is None else value
        for task in tasks
        if task.call
        for count in task.call.counts
    ]
    return sum(value or 0 for value in counted) if counted else None


def _peeled_after(plan: Plan, progress: Progress) -> float | None:
    """Return how many minutes after its last coat the last mask came off the first copy."""
    mask = plan.masks[-1]
    last = progress.graph.by_id.get(coat_id(mask.coats[-1], 1, mask.coats[-1].coats))
    came_off = progress.graph.with_trait(Trait.TAKES_MASK_OFF)
    off = next((task for task in came_off if (task.mask, task.copy) == (mask.number, 1)), None)
    coated, peeled = (progress.done(task) if task else None for task in (last, off))
    if coated is None or peeled is None or peeled.at < coated.at:
        return None
    return round((peeled.at - coated.at).total_seconds() / 60, 1)


def check_recipe(recipe: Recipe, catalogue: Catalogue) -> None:
    """Raise `BadInput` when a recipe cannot be kept: it names what is in no table, or what cannot be."""
    check_limits(recipe)
    surface, method = catalogue.surface(recipe.surface), catalogue.method(recipe.method)
    catalogue.material(recipe.material)
    if recipe.material not in method.materials:
        raise UnknownKey(f"material of “{method.name}”", recipe.material, list(method.materials))
    if recipe.cutter is not None:
        catalogue.cutter(recipe.cutter)
    if recipe.cut is not None:
        check_settings(recipe.cut)
    for at in recipe.heat:
        check_limits(at)
    if not 0 < len(recipe.coatings) <= _MOST_COATINGS:
        raise BadInput("A recipe has at least one coating.", f"Give 1 to {_MOST_COATINGS}.")
    for coating in recipe.coatings:
        paint = catalogue.paint(coating.paint)
        check_coating(coating, paint)
        if not paint.suits(surface, surface.use):
            raise BadInput(f"{paint.name} is not meant for {surface.name.lower()}.", "Choose another paint.")


def with_recipe(job: Job, recipe: Recipe, catalogue: Catalogue) -> Job:
    """Return a job that is made by a recipe; its design, its blank and its number of copies stay.

    Raises
    ------
    BadInput
        When the recipe does not do on the job's blank.
    """
    surface, material = catalogue.surface(job.blank.surface), catalogue.material(recipe.material)
    method = catalogue.method(recipe.method)
    if not fits(material, surface):
        raise BadInput(
            f"“{recipe.name}” is for {catalogue.surface(recipe.surface).name.lower()}; {material.name.lower()} does "
            f"not hold on {surface.name.lower()}.",
            "Choose a recipe for this surface.",
        )
    for coating in recipe.coatings:
        paint = catalogue.paint(coating.paint)
        if not paint.suits(surface, surface.use):
            raise BadInput(
                f"{paint.name} in “{recipe.name}” is not meant for {surface.name.lower()}.",
                "Choose a recipe for this surface.",
            )
    knows = recipe.cutter in catalogue.cutters
    return altered(
        job,
        material=recipe.material,
        method=recipe.method,
        reverse=method.reverse,
        border=recipe.border,
        cutter=recipe.cutter if knows else job.sheets.cutter,
        cut=recipe.cut if knows else job.sheets.cut,
        stock=None,
        heat=recipe.heat,
        coatings=recipe.coatings,
        wanted=recipe.wanted,
        load=recipe.load,
        warm_air=recipe.warm_air,
        peel_when=_school(recipe, catalogue),
    )


def _school(recipe: Recipe, catalogue: Catalogue) -> PeelTime | None:
    """Return the school of the peel a recipe takes, None where it is the usual one for its paint and mask."""
    last = next((one for one in reversed(recipe.coatings) if one.role == "colour"), recipe.coatings[-1])
    paint, material = catalogue.paint(last.paint), catalogue.material(recipe.material)
    usual = [one.when for one in peel_schools(paint, material, 1.0, WetWork(0.0)) if one.usual]
    return None if recipe.peel_when in (None, *usual) else recipe.peel_when


def found_by(
    recipes: Mapping[int, Recipe], *, surface: str = "", material: str = "", paint: str = ""
) -> Iterable[tuple[int, Recipe]]:
    """Return recipes by what they are for, the best and then the newest first; what is empty may be anything."""
    found = [
        (number, one)
        for number, one in recipes.items()
        if surface in ("", one.surface)
        and material in ("", one.material)
        and (not paint or paint in {coating.paint for coating in one.coatings})
    ]
    return sorted(found, key=lambda row: (-(row[1].grade or 0), -row[1].on.toordinal(), row[0]))
