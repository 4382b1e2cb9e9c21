"""What a plan asks of its paint, and how it is put on."""

from dunestead.core.curing.peel import WetWork, peel_schools
from dunestead.core.figures import Catalogue
from dunestead.core.job.ground import ground_colour
from dunestead.core.painting.choice import PaintWork
from dunestead.core.painting.coats import CoatLoad, is_light_on_dark
from dunestead.core.painting.groups import WindowGroup, window_groups
from dunestead.core.painting.section import Layer, section_of
from dunestead.core.painting.weather import spraying, verdict_of
from dunestead.core.plan.plan import MaskPlan, Plan, wet_work
from dunestead.core.plan.touch_ups import windows_in_order

__all__ = ["groups_for_wet", "load_of", "paint_work", "section_of_plan"]


def load_of(plan: Plan) -> CoatLoad:
    """Return how heavy coats by brush are."""
    return plan.job.paint.load or "heavy"


def paint_work(plan: Plan, catalogue: Catalogue, until_due: float | None) -> PaintWork:
    """Return what a job asks of its paint.

    Parameters
    ----------
    until_due
        Minutes from now until it is wanted, None where it is not due.
    """
    ground = ground_colour(plan.job)
    colours = [coat.colour for coat in plan.coatings if coat.role == "colour" and coat.colour]
    return PaintWork(
        surface=plan.choices.surface,
        material=plan.choices.material,
        use=plan.job.paint.use or plan.choices.surface.use,
        owned=catalogue.owned,
        until_due=until_due,
        light_on_dark=any(is_light_on_dark(colour, ground, catalogue.workshop) for colour in colours),
        pieces=len(plan.keepers),
        swatches=_results(catalogue, plan.choices.surface.key),
        spraying=verdict_of(spraying(plan.job.paint.weather, catalogue.workshop)),
    )


def _results(catalogue: Catalogue, surface: str) -> dict[str, tuple[int, ...]]:
    found: dict[str, tuple[int, ...]] = {}
    for swatch in catalogue.swatches:
        if swatch.surface == surface:
            found[swatch.paint] = (*found.get(swatch.paint, ()), swatch.result)
    return found


def groups_for_wet(plan: Plan, mask: MaskPlan, catalogue: Catalogue) -> tuple[WindowGroup, ...]:
    """Return the groups in which a mask could be painted and peeled wet, where all of it takes too long; else none."""
    paint = mask.coats[-1].paint
    usual = peel_schools(paint, plan.choices.material, 1.0, WetWork(0.0))[0].when
    work = wet_work(plan.look, mask.coats, catalogue)
    touch = mask.coats[-1].drying.touch
    windows = windows_in_order(plan, mask)
    whole = sum(window.area for window in windows)
    if usual != "wet" or work.paint_dried or work.minutes <= touch or not whole:
        return ()
    return window_groups([work.minutes * window.area / whole for window in windows], touch)


def section_of_plan(plan: Plan) -> tuple[Layer, ...]:
    """Return the section through what is painted, from the eye downwards."""
    return section_of(
        plan.coatings,
        plan.job.piece.colour,
        seen_through=plan.job.blank.is_seen_through,
        reverse=plan.job.mask.reverse,
    )
