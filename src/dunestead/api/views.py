"""From opened jobs to what goes over the wire."""

from collections.abc import Callable, Iterable, Mapping
from dataclasses import fields
from typing import Protocol, TypeVar

from dunestead.api import schemas as wire
from dunestead.api.design_views import colours_out, drawn, elements_out, findings_out, picture_out, rail_out
from dunestead.api.limits import limits_by_entry
from dunestead.api.mask_views import advice_out, mask_out, pieces_out, reuse_out, weak_out
from dunestead.api.sheet_views import sheets_out
from dunestead.api.work_views import clocks_out, next_title, work_entries
from dunestead.core.artwork.sources import Sources
from dunestead.core.blanks.blank import collar_of, within_margin
from dunestead.core.blanks.clear import clear_name, region_of
from dunestead.core.changes.arranging import guides_of
from dunestead.core.figures import Catalogue, Paint, Surface
from dunestead.core.job.choices import bridge_rules
from dunestead.core.job.ground import base_of, ground_colour
from dunestead.core.job.job import ENTRIES, Job, fits
from dunestead.core.job.reach import overlap_of
from dunestead.core.painting.coatings import ROLE_NAMES, where_of
from dunestead.core.plan.coats import PlannedCoating, under_of
from dunestead.core.plan.plan import Plan, materials_of, method_work
from dunestead.core.stations.graph import phase_of
from dunestead.core.stations.station import Station
from dunestead.core.tacking.methods import MethodFit, rank_methods
from dunestead.core.units import show_length
from dunestead.core.work.cautions import LABEL_FIRST
from dunestead.workshop.opened import OpenJob

__all__ = ["card_out", "catalogue_out", "job_out"]

_THUMB_MM = 0.6


def card_out(opened: OpenJob, unit: str) -> wire.CardOut:
    """Return a job as the board shows it: its next station, its verdict, a small picture."""
    plan, following, job = opened.plan, opened.next, opened.plan.job
    station = next(s for s in opened.stations if s.code == (following.station if following else "record"))
    loudest = _loudest(opened.stations) or station
    width, height = job.piece.size
    base = base_of(job)
    everywhere = base is not None and base.where != "under"
    return wire.CardOut.showing(
        loudest,
        id=opened.head.id,
        name=job.name,
        surface_name=plan.choices.surface.name,
        due=job.blank.due,
        station=station.code,
        station_name=station.name,
        about=loudest.name,
        next_title=next_title(following, unit),
        phase=phase_of(following, opened.progress, opened.at),
        tasks_done=sum(opened.progress.is_done(task) for task in opened.graph.tasks),
        tasks=len(opened.graph.tasks),
        clocks=clocks_out(opened, unit),
        loose=len(plan.look.found),
        width=width,
        height=height,
        outline=drawn(plan.look.composition.outline, tolerance=_THUMB_MM),
        blank_colour=ground_colour(job) if everywhere else job.piece.colour,
        colours=colours_out(plan.look, _THUMB_MM),
    )


def _loudest(stations: list[Station]) -> Station | None:
    """Return the station that most wants to be seen: the first that must, else the first that should."""
    for state in ("stop", "warn"):
        for station in stations:
            if station.state == state:
                return station
    return None


def job_out(opened: OpenJob, catalogue: Catalogue, sources: Sources, query: wire.UnitQuery) -> wire.JobOut:
    """Return a job as one station shows it, or with the parts of all of them."""
    plan, unit, room = opened.plan, query.unit, query.room
    job = plan.job
    return wire.JobOut(
        **work_entries(opened, unit, query.copy_no, room),
        room=room,
        inputs=_inputs(job),
        in_force=wire.InForceOut(
            border=plan.look.masks[0].mask.border,
            bridge_width=bridge_rules(job, catalogue).width,
            overlap=overlap_of(job, catalogue),
            heat=plan.choices.surface.heat,
            has_back=plan.choices.surface.has_back,
            see_through=plan.choices.surface.see_through,
        ),
        method=plan.method.key,
        coatings=[_coating(coat) for coat in plan.coatings],
        picture=_picture(plan, unit),
        elements=elements_out(plan.look, sources),
        pieces=pieces_out(plan),
        findings=findings_out(plan.look, unit),
        rail=rail_out(plan.rail),
        weak=weak_out(plan, catalogue, unit) if room in (None, "mask", "paint") else None,
        mask=_mask_room(plan, catalogue, unit) if room in (None, "mask") else None,
        sheets=sheets_out(plan, catalogue) if room in (None, "sheets") else None,
        record=wire.RecordOut.showing(job.record, photos=list(job.record.photos)),
        label_first=LABEL_FIRST,
    )


def _mask_room(plan: Plan, catalogue: Catalogue, unit: str) -> wire.MaskRoomOut:
    """Return what only *Mask* shows."""
    fits = materials_of(plan, catalogue, unit)
    return wire.MaskRoomOut(
        methods=[_method(fit) for fit in rank_methods(method_work(plan.look, plan.cuts, catalogue), catalogue, unit)],
        gone=list(plan.look.gone),
        touch_up_minutes=len(plan.bridges) * catalogue.hand.touch_up_bridge / 60,
        advice=advice_out(plan, catalogue, unit),
        materials=[wire.MaterialOut.showing(fit) for fit in fits],
        reuse=reuse_out(fits, catalogue, plan.job.blank.copies),
    )


def _inputs(job: Job) -> wire.InputsOut:
    """Return what the maker decided, each entry by its own name."""
    entries = {name: getattr(job, name) for name in ENTRIES if name != "record"}
    flat = {one.name: getattr(entry, one.name) for entry in entries.values() for one in fields(entry)}
    flat |= {"name": job.name, "blank": job.piece}
    return wire.InputsOut(**{name: flat[name] for name in wire.InputsOut.model_fields})


def _method(fit: MethodFit) -> wire.MethodOut:
    method = fit.method
    return wire.MethodOut.showing(
        method,
        allowed=fit.allowed,
        score=fit.score,
        why=list(fit.why),
        parts=list(fit.parts),
    )


def _coating(coat: PlannedCoating) -> wire.CoatingOut:
    drying, batch = coat.drying, coat.batch
    return wire.CoatingOut.showing(
        coat,
        role_name=ROLE_NAMES[coat.role],
        paint=coat.paint.key,
        paint_name=coat.paint.name,
        colour=coat.colour or None,
        coat_ml=coat.amount.coat_ml,
        total_ml=batch.total_ml,
        pour_ml=batch.pour_ml,
        low_ml=batch.low_ml,
        high_ml=batch.high_ml,
        cans=batch.cans,
        bottles=batch.bottles,
        why=batch.why,
        is_sprayed=coat.paint.is_sprayed,
        next_coat=drying.next_coat,
        touch=drying.touch,
        handle=drying.handle,
        use=drying.use,
        wash=drying.wash,
    )


def _picture(plan: Plan, unit: str) -> wire.PictureOut:
    look, blank = plan.look, plan.job.piece
    width, height = blank.size
    outline = look.composition.outline
    across, down = guides_of(look.composition, look.margin)
    design = picture_out(look)
    base, base_colour = _base(plan)
    return wire.PictureOut.showing(
        design,
        width=width,
        height=height,
        outline=drawn(outline),
        rim=blank.rim,
        blank_colour=blank.colour,
        base=base,
        base_colour=base_colour,
        field_colour=plan.job.mask.field_colour if plan.job.mask.reverse else None,
        mask_colour=plan.choices.material.colour,
        mask_box=plan.mask_on_blank,
        aligned=look.aligned,
        from_back=plan.job.blank.is_seen_through,
        masks=[mask_out(plan, mask, unit) for mask in plan.masks],
        margin=drawn(within_margin(outline, look.margin)),
        guides_x=list(across),
        guides_y=list(down),
        collar=_collar(plan),
        clear=[
            wire.ClearOut(path=drawn(region), name=clear_name(area), at=(area.x, area.y))
            for area, region in zip(blank.clear, region_of(blank.clear), strict=True)
        ],
    )


def _base(plan: Plan) -> tuple[str, str]:
    """Return where a base coating goes, as a path, and its colour."""
    base = base_of(plan.job)
    if base is None:
        return "", plan.job.piece.colour
    return drawn(under_of(plan.look, where_of(base))), ground_colour(plan.job)


def _collar(plan: Plan) -> wire.CollarOut | None:
    placement = plan.look.placement
    if placement is None:
        return None
    return wire.CollarOut.showing(placement, at=collar_of(plan.job.piece))


class _Row(Protocol):
    """A row of a table that there is to choose from."""

    @property
    def key(self) -> str: ...
    @property
    def name(self) -> str: ...


Row = TypeVar("Row", bound=_Row)


def _choices(
    rows: Mapping[str, Row],
    about: Callable[[Row], str],
    surfaces: Iterable[Surface],
    suits: Callable[[Row, Surface], bool],
) -> list[wire.ChoiceOut]:
    """Return the rows of a table: what is said of each, and which surfaces it suits."""
    return [
        wire.ChoiceOut.showing(row, about=about(row), suits=[one.key for one in surfaces if suits(row, one)])
        for row in rows.values()
    ]


def catalogue_out(catalogue: Catalogue, unit: str) -> wire.CatalogueOut:
    """Return what there is to choose from, and every figure with its reason."""
    surfaces = list(catalogue.surfaces.values())

    def size(width: float, length: float) -> str:
        return f"{show_length(width, unit)} by {show_length(length, unit)}"

    def any_of(_: object, __: Surface) -> bool:
        return True

    def cloth(_: object, surface: Surface) -> bool:
        return surface.family == "cloth"

    return wire.CatalogueOut(
        surfaces=_choices(catalogue.surfaces, lambda s: s.prepare, surfaces, lambda s, one: s.key == one.key),
        materials=_choices(catalogue.materials, lambda m: f"{m.facing} {m.reuse}", surfaces, fits),
        cutters=_choices(
            catalogue.cutters, lambda c: f"Reaches {size(c.reach_width, c.reach_length)}.", surfaces, any_of
        ),
        presses=_choices(
            catalogue.presses,
            lambda p: f"Presses {size(p.plate_width, p.plate_length)} evenly.",
            surfaces,
            lambda _, surface: bool(surface.heat),
        ),
        tools=list(catalogue.tools.items()),
        covers=_choices(catalogue.covers, lambda c: f"{show_length(c.width, unit)} wide.", surfaces, any_of),
        paints=_choices(catalogue.paints, _paint_about, surfaces, lambda p, surface: p.suits(surface, surface.use)),
        garments=_choices(catalogue.garments, lambda g: f"{size(g.width, g.height)} laid flat.", surfaces, cloth),
        placements=_choices(catalogue.placements, lambda p: p.about, surfaces, cloth),
        roles={p.key: list(p.roles) for p in catalogue.paints.values()},
        limits=limits_by_entry(),
        faces=[wire.FaceOut.showing(f, kind_name=catalogue.face_kinds[f.kind]) for f in catalogue.faces.values()],
        figures=[
            wire.FigureOut.showing(figure, table=table, key=key, name=name)
            for (table, key, name), figure in catalogue.figures.items()
        ],
    )


def _paint_about(paint: Paint) -> str:
    coats = f"{paint.coats_low} to {paint.coats_high}" if paint.coats_low < paint.coats_high else f"{paint.coats_low}"
    return f"{coats} coats, by {paint.technique}."
