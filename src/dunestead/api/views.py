"""From opened jobs to what goes over the wire."""

import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.api import schemas as wire
from dunestead.core.figures import Catalogue, Surface
from dunestead.core.geometry.curves import Box
from dunestead.core.mask.gaps import Gap
from dunestead.core.mask.loose import LoosePiece
from dunestead.core.planning.cautions import LABEL_FIRST
from dunestead.core.planning.job import fits
from dunestead.core.planning.plan import Plan, coats_of
from dunestead.core.planning.stations import NAMES, Station
from dunestead.core.planning.steps import Step
from dunestead.core.units import show_length
from dunestead.formats.svg.writer import path_data
from dunestead.formats.verified import verified_sheets
from dunestead.workbench import OpenJob

__all__ = ["card_out", "catalogue_out", "job_out"]

_SEEN_MM = 0.05
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
        loose=len(plan.mask.loose),
        width=width,
        height=height,
        shape=plan.job.blank.shape,
        blank_colour=plan.job.blank.colour,
        colours=_colours(plan, _THUMB_MM),
    )


def _loudest(stations: list[Station]) -> Station | None:
    """Return the station that most wants to be seen: the first that must, else the first that should."""
    for state in ("stop", "warn"):
        for station in stations:
            if station.state == state:
                return station
    return None


def job_out(opened: OpenJob, catalogue: Catalogue, unit: str) -> wire.JobOut:
    """Return a job with everything a page of it shows."""
    plan, stored, step = opened.plan, opened.stored, opened.next_step
    job = plan.job
    return wire.JobOut(
        id=stored.id,
        artwork_name=stored.artwork_name,
        inputs=wire.InputsOut.model_validate(job, from_attributes=True),
        in_force=wire.InForceOut(
            border=plan.mask.border,
            bridge_width=job.bridge_width or plan.choices.surface.bridge,
            coats=coats_of(job, plan.choices.paint),
            overlap=catalogue.workshop["seam_overlap"] if job.overlap is None else job.overlap,
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
        picture=_picture(plan, catalogue),
        pieces=_pieces(plan),
        findings=_findings(plan, unit),
        smallest_width=plan.fitness.smallest_width,
        largest_width=_largest_width(plan, catalogue),
        sheets=_sheets(plan),
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
        caution=step.caution,
        done_at=plan.job.ticks.get(step.code),
    )


def _drawn(region: BaseGeometry, origin: tuple[float, float], tolerance: float = _SEEN_MM) -> str:
    """Return path data as far as an eye can see it, shifted to where it lies on the blank."""
    moved = shapely.transform(shapely.simplify(region, tolerance), lambda points: points + origin)
    return path_data(moved, decimals=2)


def _colours(plan: Plan, tolerance: float = _SEEN_MM) -> list[wire.ColourOut]:
    return [
        wire.ColourOut(colour=colour, path=_drawn(region, plan.origin, tolerance))
        for colour, region in plan.painted.colours.items()
    ]


def _picture(plan: Plan, catalogue: Catalogue) -> wire.PictureOut:
    width, height = plan.job.blank.size
    origin = plan.origin
    return wire.PictureOut(
        width=width,
        height=height,
        shape=plan.job.blank.shape,
        blank_colour=plan.job.blank.colour,
        colours=_colours(plan),
        frame=_drawn(plan.cut.frame, origin),
        mask_box=plan.mask_on_blank,
        painted_box=plan.painted_on_blank,
        margin=width * catalogue.workshop["margin_share"],
        bridges=[
            wire.BridgeOut(
                piece=bridge.piece,
                to=bridge.other,
                start=_moved(bridge.start, origin),
                end=_moved(bridge.end, origin),
                length=bridge.length,
                path=_drawn(bridge.shape, origin),
            )
            for bridge in plan.cut.bridges
        ],
        patches=[
            wire.PatchOut(sheet=sheet.number, box=_shifted(patch.shape.bounds, origin))
            for sheet in plan.division.sheets
            for patch in sheet.patches
        ],
        placements=[wire.PlacementOut(number=p.number, box=p.box) for p in plan.pressing.placements],
        pins=[wire.PinOut(at=_moved(pin.at, origin), holds=pin.holds, piece=pin.piece) for pin in plan.pinning.pins],
    )


def _pieces(plan: Plan) -> list[wire.PieceOut]:
    kept = {keeper.number for keeper in plan.cut.keepers}
    return [
        _piece(plan, piece, least, gap, piece.number in kept)
        for piece, least, gap in zip(plan.mask.loose, plan.fitness.parts, plan.gaps, strict=True)
    ]


def _piece(plan: Plan, piece: LoosePiece, least: float, gap: Gap, is_kept: bool) -> wire.PieceOut:
    return wire.PieceOut(
        number=piece.number,
        area=piece.area,
        least=least,
        box=_shifted(piece.box, plan.origin),
        anchor=_moved(piece.anchor, plan.origin),
        fate=plan.job.fates.get(piece.number),
        is_kept=is_kept,
        nearest=wire.NearestOut(
            to=gap.other, gap=gap.length, start=_moved(gap.start, plan.origin), end=_moved(gap.end, plan.origin)
        ),
        calls=plan.job.calls.get(piece.number, {}),
        path=_drawn(piece.shape, plan.origin),
    )


def _findings(plan: Plan, unit: str) -> list[wire.FindingOut]:
    heard = [
        wire.FindingOut(
            code=notice.code, severity="warn", at=None, measured=None, limit=None, message=notice.message, piece=None
        )
        for notice in plan.drawing.notices
    ]
    found = [
        wire.FindingOut(
            code=finding.code,
            severity=finding.severity,
            at=_moved(finding.at, plan.origin),
            measured=finding.measured,
            limit=finding.limit,
            message=finding.message(unit),
            piece=finding.piece,
        )
        for finding in plan.fitness.findings
    ]
    return [*heard, *found]


def _sheets(plan: Plan) -> list[wire.SheetOut]:
    checked = verified_sheets(plan.cut, plan.division, plan.job.name)
    return [
        wire.SheetOut(
            number=sheet.sheet.number,
            file=sheet.file_name,
            width=sheet.sheet.width,
            height=sheet.sheet.height,
            trim=planned.trim,
            mirrored=sheet.sheet.mirrored,
            cut_length=planned.time.cut_length,
            seconds=planned.time.seconds,
            mask_parts=sheet.verdict.mask_parts,
            windows=sheet.verdict.windows,
            faults=list(sheet.verdict.faults),
            path="".join(_drawn(patch.on_sheet(), (0.0, 0.0), 0.2) for patch in sheet.sheet.patches),
        )
        for sheet, planned in zip(checked, plan.sheets, strict=True)
    ]


def _largest_width(plan: Plan, catalogue: Catalogue) -> float:
    """Return the width at which the design, centred, fills the blank up to its margins."""
    width, height = plan.job.blank.size
    margin = width * catalogue.workshop["margin_share"]
    return min(width - 2 * margin, (height - 2 * margin) * plan.painted.width / plan.painted.height)


def _moved(point: tuple[float, float], by: tuple[float, float]) -> tuple[float, float]:
    return (point[0] + by[0], point[1] + by[1])


def _shifted(box: Box, by: tuple[float, float]) -> Box:
    return (box[0] + by[0], box[1] + by[1], box[2] + by[0], box[3] + by[1])


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
        figures=[
            wire.FigureOut(
                table=table, key=key, name=name, value=f.value, low=f.low, high=f.high, unit=f.unit, why=f.why
            )
            for (table, key, name), f in catalogue.figures.items()
        ],
    )
