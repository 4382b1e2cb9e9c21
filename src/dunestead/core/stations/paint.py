"""Paint: what goes on through each mask, coat by coat, and what after it."""

from collections.abc import Iterator, Sequence
from typing import Any

from dunestead.core.colours import colour_name
from dunestead.core.curing.drying import drying_factor
from dunestead.core.effort import effort
from dunestead.core.figures import Catalogue
from dunestead.core.painting.coatings import ROLE_NAMES
from dunestead.core.painting.layers import dries_before
from dunestead.core.plan.coats import PlannedCoating
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.stations.station import Outcome, Row
from dunestead.core.units import several, show_volume
from dunestead.core.words.weather import refusal_of
from dunestead.core.work.coating import coat_code, coat_id, coat_task
from dunestead.core.work.progress import Progress
from dunestead.core.work.standing import place_standing
from dunestead.core.work.tasks import Lane, Task, Wait

__all__ = ["outcome", "paint_after", "paint_through", "try_first"]


def try_first(plan: Plan, catalogue: Catalogue, lane: Lane) -> None:
    """Add a trial on scrap where a paint was never tried on this surface; what is swatched needs none."""
    tried = {(one.paint, one.surface) for one in catalogue.swatches}
    paints = {coat.paint.key: coat.paint.name for coat in plan.coatings if coat.role in ("colour", "over-colour")}
    surface = plan.choices.surface
    new = [name for key, name in paints.items() if (key, surface.key) not in tried]
    if new:
        figures = {"paints": new, "surface": surface.name}
        lane.add(Task("paint-trial", "paint", copy=1, effort=effort(catalogue.hand, trial=1), figures=figures))


def paint_through(plan: Plan, catalogue: Catalogue, lane: Lane, mask: MaskPlan, copy: int) -> None:
    """Add all coats through one mask on one copy, and the look over everything before it comes off."""
    hand = catalogue.hand
    colours = [coat for coat in mask.coats if coat.role == "colour"]
    if len(colours) > 1 and (plan.job.paint.covered or plan.job.paint.dauber):
        figures = {
            "colours": len(colours),
            "covered": plan.job.paint.covered,
            "dauber": plan.job.paint.dauber,
        }
        lane.add(Task("paint-colours-apart", "paint", mask=mask.number, copy=copy, figures=figures))
    tongues = sum(place.kind == "tongue" for place in mask.weak)
    before: PlannedCoating | None = None
    for coat in mask.coats:
        for number in range(1, coat.coats + 1):
            waits = _waits(plan, catalogue, mask, coat, number, before, copy)
            lane.add(_coat(plan, catalogue, coat, copy, number, tongues), *waits)
        before = coat
    standing = place_standing(plan, mask)
    about: dict[str, Any] = {"mask": mask.number, "copy": copy, "standing": standing}
    keepers = {"keepers": len(mask.cut.keepers)}
    looked = lane.add(Task("paint-look-over", "paint", effort=effort(hand, look_over=1), figures=keepers, **about))
    lane.add(Task("paint-again", "paint", effort=effort(hand, second_pass=1), needs_marks=looked.id, **about))


def paint_after(plan: Plan, catalogue: Catalogue, lane: Lane, copy: int, last_through: Sequence[Wait]) -> None:
    """Add what is painted over everything once the masks are off: the ground behind glass."""
    coats = [coat for coat in plan.coatings if coat.mask is None and coat_code(coat) == "paint-coat"]
    if not coats:
        return
    if plan.choices.surface.edge_seal:
        lane.add(Task("paint-clean", "paint", copy=copy, effort=effort(catalogue.hand, clean_back=1)))
    before: Task | None = None
    for coat in coats:
        for number in range(1, coat.coats + 1):
            waits = [Wait(before.id, coat.drying.next_coat)] if before else list(last_through)
            before = lane.add(_coat(plan, catalogue, coat, copy, number, 0), *waits)


def _coat(plan: Plan, catalogue: Catalogue, coat: PlannedCoating, copy: int, number: int, tongues: int) -> Task:
    coarse = plan.choices.surface.coarse
    return coat_task(plan, catalogue.hand, coat, copy, number, coarse=coarse, tongues=tongues)


def _waits(
    plan: Plan,
    catalogue: Catalogue,
    mask: MaskPlan,
    coat: PlannedCoating,
    number: int,
    before: PlannedCoating | None,
    copy: int,
) -> list[Wait]:
    """Return what a coat waits for: its own coat before, or the coating before it through the same mask."""
    if number > 1:
        own = coat_id(coat, copy, number - 1)
        if mask.peel.when == "wet" and coat.role == "colour":
            factor = drying_factor(plan.job.paint.weather, catalogue.workshop)
            return [Wait(own, 0.0, catalogue.workshop["wet_on_wet"] * factor)]
        return [Wait(own, coat.drying.next_coat)]
    if before is None:
        return []
    last = coat_id(before, copy, before.coats)
    if not dries_before(before, coat, covered=plan.job.paint.covered):
        return [Wait(last)]
    return [Wait(last, before.drying.next_coat if before.role == "edge-seal" else before.drying.touch)]


def outcome(plan: Plan, progress: Progress, unit: str) -> Outcome:
    """Return the station's state, verdict and figures."""
    through = [coat for coat in plan.coatings if coat.mask is not None]
    colour = next(coat for coat in through if coat.role == "colour")
    family = plan.choices.surface.family
    rows = list(_rows(plan))
    if strange := [coat for coat in plan.coatings if family not in coat.paint.families]:
        name, surface = strange[0].paint.name, plan.choices.surface.name.lower()
        return "warn", f"{name} is not meant for {surface}.", rows
    coats = [task for task in progress.graph.of("paint") if task.code == "paint-coat"]
    to_spray = any(task.occupies == "outdoors" and not progress.is_done(task) for task in progress.graph.tasks)
    if to_spray and (why := refusal_of(plan.spraying, unit)):
        return "warn", why, rows
    done = sum(progress.is_done(task) for task in coats)
    total = sum(coat.amount.total_ml for coat in through)
    colours = sum(coat.role == "colour" for coat in through)
    what = f"{show_volume(total, unit)} of {colour.paint.name.lower()}"
    what += f" in {several(colour.coats, 'coat')}" if colours == 1 else f" in {several(colours, 'colour')}"
    return "ready", f"{what}; {done} of {len(coats)} coats done." if done else f"{what}.", rows


def _rows(plan: Plan) -> Iterator[Row]:
    yield Row("Paint and finish in all", "volume", plan.paint_ml)
    for coat in plan.coatings:
        named = f" in {colour_name(coat.colour)}" if coat.colour else ""
        yield Row(
            f"{coat.number}. {ROLE_NAMES[coat.role]}: {coat.paint.name}{named}",
            "volume",
            coat.amount.total_ml,
            f"{several(coat.coats, 'coat')}. {coat.amount.why}",
        )
        if coat.amount.cans:
            yield Row(f"{coat.number}. Cans", "count", coat.amount.cans, "Part of each can drifts past.")
        if coat.coats > 1 and coat.mask is not None:
            yield Row(f"{coat.number}. Between coats", "minutes", coat.drying.next_coat, "Sooner lifts the coat below.")
    if tongues := sum(place.kind == "tongue" for place in plan.weak):
        yield Row("Tongues", "count", tongues, "Dab from root to tip, as the arrows show, or straight down.")
