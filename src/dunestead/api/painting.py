"""The painting: the stack, which paint, how it is put on, the weather."""

from datetime import timedelta

from dunestead.api import schemas
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, changed, opened
from dunestead.api.schemas import paint as wire
from dunestead.core.curing.drying import drying_factor
from dunestead.core.curing.peel import peel_schools
from dunestead.core.job.job import Job, altered
from dunestead.core.painting.choice import USES, rank_paints
from dunestead.core.painting.coatings import ROLE_NAMES
from dunestead.core.painting.mixing import batch_of, check_mix, mixed_colour
from dunestead.core.painting.section import Layer
from dunestead.core.painting.stack import doubts, move_coating, offers
from dunestead.core.painting.weather import good_spells, spraying, verdict_of
from dunestead.core.plan.painting import groups_for_wet, load_of, paint_work, section_of_plan
from dunestead.core.plan.plan import Plan, wet_work
from dunestead.core.words.peeling import PEEL_NAMES, groups_in_words
from dunestead.core.words.technique import tips_for
from dunestead.core.words.weather import NAMES, VERDICTS, limit_in_words, reading_in_words
from dunestead.workshop.opened import OpenJob
from dunestead.workshop.readiness import due_of

__all__ = ["painting"]

painting = Endpoints("painting", __name__, url_prefix="/api", tag="Painting")
_HOURS = 120


@painting.get("/jobs/<int:job_id>/paint")
def get_paint(job_id: int, query: schemas.UnitQuery) -> wire.PaintOut:
    """Show the stack, paints held against the job, how each coating is put on, and the weather."""
    found = opened(job_id, query)
    plan, catalogue, unit = found.plan, bench().catalogue, query.unit
    coatings, seen_through = plan.job.paint.coatings, plan.job.blank.is_seen_through
    work = paint_work(plan, catalogue, _until_due(found))
    by_brush = plan.choices.surface.coarse and not plan.choices.paint.is_sprayed
    stands_air = any(coat.paint.warm_air for coat in plan.coatings)
    has_base = any(coat.is_before_masks for coat in plan.coatings)
    return wire.PaintOut(
        section=[_layer(plan, layer) for layer in section_of_plan(plan)],
        seen_through=plan.job.blank.is_seen_through,
        choices=[
            wire.PaintFitOut.showing(fit, key=fit.paint.key, name=fit.paint.name)
            for fit in rank_paints(work, catalogue)
        ],
        uses=[wire.ChoiceKeyOut(key=key, name=name[:1].upper() + name[1:]) for key, name in USES.items()],
        use=work.use,
        wanted=plan.job.paint.wanted,
        load=load_of(plan) if by_brush else None,
        warm_air=plan.job.paint.warm_air if stands_air else None,
        base_at_touch=plan.job.paint.base_at_touch if has_base else None,
        technique=[_technique(plan, number, unit) for number in range(len(plan.coatings))],
        doubts=list(
            doubts(
                coatings,
                plan.choices.surface,
                seen_through=seen_through,
                base_at_touch=plan.job.paint.base_at_touch,
            )
        ),
        offers=list(
            offers(
                coatings,
                plan.choices.surface,
                work.use,
                light_on_dark=work.light_on_dark,
                seen_through=seen_through,
            )
        ),
        spraying=_spraying(plan, unit),
        schools=_schools(plan),
        groups=groups_in_words(groups_for_wet(plan, plan.masks[0], catalogue)),
    )


def _layer(plan: Plan, layer: Layer) -> wire.LayerOut:
    coat = next((one for one in plan.coatings if one.number == layer.number), None)
    return wire.LayerOut.showing(
        layer,
        name=f"{ROLE_NAMES[coat.role]}: {coat.paint.name}" if coat else plan.choices.surface.name,
        colour=layer.colour or None,
    )


def _technique(plan: Plan, index: int, unit: str) -> wire.TechniqueOut:
    coat = plan.coatings[index]
    mask = next((one for one in plan.masks if one.number == coat.mask), None)
    tips = tips_for(
        coat,
        plan.choices.surface,
        bench().catalogue.workshop,
        load=load_of(plan),
        tongues=sum(place.kind == "tongue" for place in mask.weak) if mask else 0,
        keepers=len(mask.cut.keepers) if mask else 0,
        unit=unit,
    )
    return wire.TechniqueOut(
        number=coat.number,
        name=f"{ROLE_NAMES[coat.role]}: {coat.paint.name}",
        tips=list(tips),
    )


def _spraying(plan: Plan, unit: str) -> wire.SprayingOut | None:
    readings = plan.spraying
    if not readings:
        return None
    verdict = verdict_of(readings)
    return wire.SprayingOut(
        verdict=verdict,
        summary=VERDICTS[verdict],
        readings=[
            wire.ReadingOut.showing(
                one, name=NAMES[one.code], reads=reading_in_words(one, unit), should=limit_in_words(one, unit)
            )
            for one in readings
        ],
    )


def _schools(plan: Plan) -> list[wire.SchoolOut]:
    coats, catalogue = plan.masks[0].coats, bench().catalogue
    factor = drying_factor(plan.job.paint.weather, catalogue.workshop)
    schools = peel_schools(coats[-1].paint, plan.choices.material, factor, wet_work(plan.look, coats, catalogue))
    return [wire.SchoolOut.showing(one, name=PEEL_NAMES[one.when]) for one in schools]


def _until_due(found: OpenJob) -> float | None:
    due = due_of(found.plan.job)
    return None if due is None else (due - found.at).total_seconds() / 60


@painting.post("/jobs/<int:job_id>/coatings/move")
def move(job_id: int, given: wire.MoveCoatingIn, query: schemas.UnitQuery) -> schemas.JobOut:
    """Put one coating on earlier or later; what cannot be is told why."""

    def moved(job: Job, _: Plan) -> Job:
        coatings = move_coating(job.paint.coatings, given.index, given.by, seen_through=job.blank.is_seen_through)
        return altered(job, coatings=coatings)

    return changed(job_id, query, "Order of the coatings", moved)


@painting.post("/mix")
def mix(given: wire.MixIn) -> wire.MixOut:
    """Say how much of each part makes a batch, and roughly which colour it has."""
    check_mix(given.mix)
    return wire.MixOut(each_ml=batch_of(given.mix, given.ml), colour=mixed_colour(given.mix))


@painting.get("/jobs/<int:job_id>/weather")
def get_weather(job_id: int, query: schemas.UnitQuery) -> wire.ForecastOut:
    """Show the forecast of the days to come, and when it may be sprayed."""
    found = opened(job_id, query)
    figures, service = bench().catalogue.workshop, bench().weather
    hours = service.forecast(found.at, _HOURS)
    spells = good_spells(hours, figures, (int(figures["day_from"]), int(figures["day_until"])))
    due = due_of(found.plan.job)
    least = timedelta(hours=figures["spray_window"])
    if not spells:
        summary = "No good time for spraying in the days ahead."
    elif due and spells[0].begins + least > due:
        summary = "The next good time comes only after the job is due."
    else:
        summary = "The next good time for spraying."
    return wire.ForecastOut(
        source=service.name,
        hours=[
            wire.HourOut.showing(hour.weather, at=hour.at, verdict=verdict_of(spraying(hour.weather, figures)))
            for hour in hours
        ],
        spells=list(spells),
        summary=summary,
    )
