"""From opened jobs to what goes over the wire."""

import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.api import schemas as wire
from dunestead.api.design_views import colours_out, drawn, elements_out, findings_out, picture_out, rail_out
from dunestead.api.mask_views import advice_out, mask_out, pieces_out, reuse_out, weak_out
from dunestead.api.sheet_views import sheets_out
from dunestead.core.artwork.sources import Sources
from dunestead.core.blanks.blank import collar_of, within_margin
from dunestead.core.figures import Catalogue, Surface
from dunestead.core.planning.arranging import guides_of
from dunestead.core.planning.cautions import LABEL_FIRST
from dunestead.core.planning.choices import bridge_rules
from dunestead.core.planning.job import fits
from dunestead.core.planning.laying import overlap_of
from dunestead.core.planning.plan import Plan, coats_of, materials_of
from dunestead.core.planning.stations import NAMES, Station
from dunestead.core.planning.steps import Step
from dunestead.core.units import show_length
from dunestead.workbench import OpenJob

__all__ = ["card_out", "catalogue_out", "job_out"]

_THUMB_MM = 0.6


def card_out(opened: OpenJob) -> wire.CardOut:
    """Return a job as the board shows it: its next station, its verdict, a small picture."""
    plan, step = opened.plan, opened.next_step
    station = next(s for s in opened.stations if s.code == (step.station if step else "record"))
    loudest = _loudest(opened.stations) or station
    width, height = plan.job.blank.size
    return wire.CardOut(
        id=opened.stored.id,
        name=plan.job.name,
        surface_name=plan.choices.surface.name,
        due=plan.job.due,
        station=station.code,
        station_name=NAMES[station.code],
        about=loudest.name,
        state=loudest.state,
        verdict=loudest.verdict,
        next_title=step.title if step else None,
        steps_done=sum(s.code in plan.job.ticks for s in opened.steps),
        steps=len(opened.steps),
        loose=len(plan.look.found),
        width=width,
        height=height,
        outline=drawn(plan.look.composition.outline, tolerance=_THUMB_MM),
        blank_colour=plan.job.blank.ground if plan.job.blank.base_coat == "everywhere" else plan.job.blank.colour,
        colours=colours_out(plan.look, _THUMB_MM),
    )


def _loudest(stations: list[Station]) -> Station | None:
    """Return the station that most wants to be seen: the first that must, else the first that should."""
    for state in ("stop", "warn"):
        for station in stations:
            if station.state == state:
                return station
    return None


def job_out(opened: OpenJob, catalogue: Catalogue, sources: Sources, unit: str) -> wire.JobOut:
    """Return a job with everything a page of it shows."""
    plan, stored, step = opened.plan, opened.stored, opened.next_step
    job = plan.job
    fits = materials_of(plan, catalogue, unit)
    materials = [wire.MaterialOut.model_validate(fit, from_attributes=True) for fit in fits]
    return wire.JobOut(
        id=stored.id,
        inputs=wire.InputsOut.model_validate(job, from_attributes=True),
        in_force=wire.InForceOut(
            border=plan.look.masks[0].mask.border,
            bridge_width=bridge_rules(job, catalogue).width,
            coats=coats_of(job, plan.choices.paint),
            overlap=overlap_of(job, catalogue),
            heat=plan.choices.surface.heat,
        ),
        stations=[
            wire.StationOut(
                code=station.code,
                name=station.name,
                state=station.state,
                verdict=station.verdict,
                rows=[wire.RowOut.model_validate(row, from_attributes=True) for row in station.rows],
                steps=[_step(plan, s) for s in station.steps],
            )
            for station in opened.stations
        ],
        next_step=_step(plan, step) if step else None,
        picture=_picture(plan),
        elements=elements_out(plan.look, sources),
        pieces=pieces_out(plan),
        gone=list(plan.look.gone),
        touch_up_minutes=len(plan.bridges) * catalogue.hand.touch_up_bridge / 60,
        weak=weak_out(plan, catalogue, unit),
        advice=advice_out(plan, catalogue, unit),
        materials=materials,
        reuse=reuse_out(fits, catalogue, job.copies),
        findings=findings_out(plan.look, unit),
        rail=rail_out(plan.rail),
        sheets=sheets_out(plan, catalogue),
        record=wire.RecordIn.model_validate(job.record, from_attributes=True),
        last_coat=plan.last_coat,
        peel_opens=plan.peel.opens_at,
        peel_closes=plan.peel.closes_at,
        history=wire.HistoryOut(undo=stored.undo, redo=stored.redo),
        label_first=LABEL_FIRST,
    )


def _step(plan: Plan, step: Step) -> wire.StepOut:
    return wire.StepOut(
        code=step.code,
        station=step.station,
        title=step.title,
        detail=step.detail,
        minutes=step.minutes,
        call=step.call,
        numbers=list(step.numbers),
        mask=step.mask,
        caution=step.caution,
        done_at=plan.job.ticks.get(step.code),
    )


def _picture(plan: Plan) -> wire.PictureOut:
    look, blank = plan.look, plan.job.blank
    width, height = blank.size
    outline = look.composition.outline
    across, down = guides_of(look.composition, look.margin)
    design = picture_out(look)
    return wire.PictureOut(
        colours=design.colours,
        overhang=design.overhang,
        painted_box=design.painted_box,
        width=width,
        height=height,
        outline=drawn(outline),
        rim=blank.rim,
        blank_colour=blank.colour,
        base=drawn(_base(plan)) if plan.base_ml else "",
        base_colour=blank.base_colour,
        field_colour=plan.job.field_colour if plan.job.reverse else None,
        mask_colour=plan.choices.material.colour,
        mask_box=plan.mask_on_blank,
        aligned=look.aligned,
        masks=[mask_out(plan, mask) for mask in plan.masks],
        margin=drawn(within_margin(outline, look.margin)),
        guides_x=[wire.GuideOut(at=guide.at, element=guide.element) for guide in across],
        guides_y=[wire.GuideOut(at=guide.at, element=guide.element) for guide in down],
        collar=_collar(plan),
    )


def _base(plan: Plan) -> BaseGeometry:
    """Return where a base coat goes."""
    outline, margin = plan.look.composition.outline, plan.look.margin
    if plan.job.blank.base_coat == "everywhere":
        return outline
    x0, y0, x1, y1 = plan.painted_on_blank
    return outline.intersection(shapely.box(x0 - margin, y0 - margin, x1 + margin, y1 + margin))


def _collar(plan: Plan) -> wire.CollarOut | None:
    placement = plan.look.placement
    if placement is None:
        return None
    return wire.CollarOut(at=collar_of(plan.job.blank), top=placement.top, middle=placement.middle)


def catalogue_out(catalogue: Catalogue, unit: str) -> wire.CatalogueOut:
    """Return what there is to choose from, and every figure with its reason."""
    surfaces: list[Surface] = list(catalogue.surfaces.values())
    return wire.CatalogueOut(
        surfaces=[wire.ChoiceOut(key=s.key, name=s.name, about=s.prepare, suits=[s.key]) for s in surfaces],
        materials=[
            wire.ChoiceOut(
                key=m.key, name=m.name, about=f"{m.facing} {m.reuse}", suits=[s.key for s in surfaces if fits(m, s)]
            )
            for m in catalogue.materials.values()
        ],
        cutters=[
            wire.ChoiceOut(
                key=c.key,
                name=c.name,
                about=f"Reaches {show_length(c.reach_width, unit)} by {show_length(c.reach_length, unit)}.",
                suits=[s.key for s in surfaces],
            )
            for c in catalogue.cutters.values()
        ],
        presses=[
            wire.ChoiceOut(
                key=p.key,
                name=p.name,
                about=f"Presses {show_length(p.plate_width, unit)} by {show_length(p.plate_length, unit)} evenly.",
                suits=[s.key for s in surfaces if s.heat],
            )
            for p in catalogue.presses.values()
        ],
        paints=[
            wire.ChoiceOut(
                key=p.key,
                name=p.name,
                about=f"{p.coats_low} to {p.coats_high} coats, by {p.technique}.",
                suits=[s.key for s in surfaces if s.family in p.families],
            )
            for p in catalogue.paints.values()
        ],
        garments=[
            wire.ChoiceOut(
                key=g.key,
                name=g.name,
                about=f"{show_length(g.width, unit)} by {show_length(g.height, unit)} laid flat.",
                suits=[s.key for s in surfaces if s.family == "cloth"],
            )
            for g in catalogue.garments.values()
        ],
        placements=[
            wire.ChoiceOut(
                key=p.key, name=p.name, about=p.about, suits=[s.key for s in surfaces if s.family == "cloth"]
            )
            for p in catalogue.placements.values()
        ],
        faces=[
            wire.FaceOut(key=f.key, name=f.name, kind=f.kind, kind_name=catalogue.face_kinds[f.kind])
            for f in catalogue.faces.values()
        ],
        figures=[
            wire.FigureOut(
                table=table, key=key, name=name, value=f.value, low=f.low, high=f.high, unit=f.unit, why=f.why
            )
            for (table, key, name), f in catalogue.figures.items()
        ],
    )
