"""How does the painting stand? What goes on, how much of it, and how much is on."""

from collections.abc import Iterator

from dunestead.core.figures import OUTDOORS
from dunestead.core.painting.coatings import ROLE_NAMES
from dunestead.core.plan.plan import Plan
from dunestead.core.stations.station import Outcome, Row
from dunestead.core.units import several, show_volume
from dunestead.core.words.weather import refusal_of
from dunestead.core.work.kinds import Trait
from dunestead.core.work.progress import Progress

__all__ = ["brief", "outcome"]


def brief(plan: Plan) -> str:
    """Return how many coats go on through the masks of one copy."""
    return several(sum(coat.coats for coat in plan.coatings if coat.mask is not None), "coat")


def outcome(plan: Plan, progress: Progress, unit: str) -> Outcome:
    """Return the station's state, verdict and figures."""
    through = [coat for coat in plan.coatings if coat.mask is not None]
    colour = next(coat for coat in through if coat.role == "colour")
    rows, surface = list(_rows(plan)), plan.choices.surface
    use = plan.job.paint.use or surface.use
    if strange := [coat.paint for coat in plan.coatings if not coat.paint.suits(surface, use)]:
        where = " outdoors" if use in OUTDOORS and strange[0].works_on != strange[0].outdoors_on else ""
        return "warn", f"{strange[0].name} is not meant for {surface.name.lower()}{where}.", rows
    coats = [task for task in progress.graph.of("paint") if task.has(Trait.FIRST_STROKE)]
    to_spray = any(task.occupies == "outdoors" and not progress.is_done(task) for task in progress.graph.tasks)
    if to_spray and (why := refusal_of(plan.spraying, unit)):
        return "warn", why, rows
    done = sum(progress.is_done(task) for task in coats)
    total = sum(coat.batch.total_ml for coat in through)
    colours = sum(coat.role == "colour" for coat in through)
    what = f"{show_volume(total, unit)} of {colour.paint.name.lower()}"
    what += f" in {several(colour.coats, 'coat')}" if colours == 1 else f" in {several(colours, 'colour')}"
    return "ready", f"{what}; {done} of {len(coats)} coats done." if done else f"{what}.", rows


def _rows(plan: Plan) -> Iterator[Row]:
    yield Row("Paint and finish in all", "volume", plan.paint_ml)
    for coat in plan.coatings:
        named = f" in {coat.named}" if coat.named else ""
        yield Row(
            f"{coat.number}. {ROLE_NAMES[coat.role]}: {coat.paint.name}{named}",
            "volume",
            coat.batch.total_ml,
            f"{several(coat.coats, 'coat')}. {coat.batch.why}",
        )
        if coat.batch.cans:
            yield Row(f"{coat.number}. Cans", "count", coat.batch.cans, "Part of each can drifts past.")
        if coat.coats > 1 and coat.mask is not None:
            yield Row(f"{coat.number}. Between coats", "minutes", coat.drying.next_coat, "Sooner lifts the coat below.")
    if tongues := sum(place.kind == "tongue" for place in plan.weak):
        yield Row("Tongues", "count", tongues, "Dab from root to tip, as the arrows show, or straight down.")
