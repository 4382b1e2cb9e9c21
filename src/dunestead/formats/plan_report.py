"""A whole plan as plain values, for programs: places in mm from the blank's top left, y down; times in minutes.

A raised rim is part of the blank; what a tape reads is from within it.
"""

from collections.abc import Sequence
from dataclasses import asdict
from datetime import datetime
from typing import Any

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.artwork.finding import Finding
from dunestead.core.figures import Catalogue
from dunestead.core.geometry.affine import Affine
from dunestead.core.looking.weakness import weak_findings
from dunestead.core.plan.coats import PlannedCoating
from dunestead.core.plan.laid import guides_of
from dunestead.core.plan.plan import MaskPlan, Plan, materials_of
from dunestead.core.stations.graph import stations_of
from dunestead.core.stations.station import NAMES
from dunestead.core.words.laying import what_of
from dunestead.core.work.progress import Progress
from dunestead.core.work.saying import caution_of, title_of
from dunestead.core.work.tasks import Call, Task, TaskGraph

__all__ = ["has_red", "plan_report"]


def plan_report(plan: Plan, graph: TaskGraph, catalogue: Catalogue, now: datetime) -> dict[str, Any]:
    """Return everything a plan says.

    Parameters
    ----------
    plan, graph, catalogue
        The plan, its tasks and the figures it was made with.
    now
        The moment verdicts are given for.
    """
    stations = stations_of(plan, Progress(graph, ()), "mm", now)
    last = plan.masks[-1].peel
    final = plan.coatings[-1].drying
    washes = [coat.drying.wash for coat in plan.coatings if coat.drying.wash is not None]
    fit = next(one for one in materials_of(plan, catalogue, "mm") if one.key == plan.job.mask.material)
    return {
        "name": plan.job.name,
        "stations": [{"code": s.code, "state": s.state, "verdict": s.verdict} for s in stations],
        "methods": [
            {"key": one.key, "allowed": one.allowed, "score": one.score, "why": list(one.why)} for one in plan.methods
        ],
        "method": plan.method.key,
        "findings": [*_findings(plan, catalogue), *_red_stations(stations)],
        "coatings": [_coating(coat) for coat in plan.coatings],
        "masks": [_mask(plan, mask) for mask in plan.masks],
        "tasks": [_task(task) for task in graph.tasks],
        "peel": {
            "when": last.when,
            "opens": last.opens,
            "closes": last.closes,
            "since_first_stroke": last.since_first,
            "keepers_first": last.keepers_first,
            "why": last.why,
        },
        "times": {
            "touch": final.touch,
            "handle": final.handle,
            "use": max(coat.drying.use for coat in plan.coatings),
            "wash": max(washes, default=None),
        },
        "sheets": plan.layout.count,
        "cost_a_copy": fit.cost,
        "minutes": sum(task.minutes for task in graph.tasks if task.needs_marks is None),
    }


def has_red(report: dict[str, Any]) -> bool:
    """Say whether something red stands in the way."""
    return any(finding["severity"] == "stop" for finding in report["findings"])


def _findings(plan: Plan, catalogue: Catalogue) -> list[dict[str, Any]]:
    weak = [found.finding for found in weak_findings(plan.look, catalogue) if found.listed]
    kept = {keeper.number for keeper in plan.keepers}
    told = [finding for finding in plan.look.findings if not finding.kind.of_kept or finding.piece in kept]
    return [_finding(finding, _outer(plan, plan.origin)) for finding in (*told, *weak)]


def _finding(finding: Finding, origin: Sequence[float]) -> dict[str, Any]:
    return {
        "station": finding.kind.station,
        "code": finding.code,
        "severity": finding.severity,
        "at_mm": [finding.at[0] + origin[0], finding.at[1] + origin[1]],
        "measured": finding.measured,
        "limit": finding.limit,
        "message": finding.message(),
    }


def _red_stations(stations: Any) -> list[dict[str, Any]]:
    """Return what a station as a whole says against a job."""
    return [
        {
            "station": one.code,
            "code": f"{one.code}-verdict",
            "severity": one.state,
            "at_mm": None,
            "measured": None,
            "limit": None,
            "message": one.verdict,
        }
        for one in stations
        if one.state in ("stop", "warn") and one.code in NAMES
    ]


def _coating(coat: PlannedCoating) -> dict[str, Any]:
    return {
        "number": coat.number,
        "role": coat.role,
        "paint": coat.paint.key,
        "colour": coat.colour or None,
        "coats": coat.coats,
        "where": coat.where,
        "mask": coat.mask,
        "area_mm2": coat.area,
        "ml_a_coat": coat.amount.coat_ml,
        "ml_total": coat.batch.total_ml,
        "cans": coat.batch.cans,
        "next_coat": coat.drying.next_coat,
        "touch": coat.drying.touch,
        "handle": coat.drying.handle,
        "use": coat.drying.use,
        "wash": coat.drying.wash,
    }


def _mask(plan: Plan, mask: MaskPlan) -> dict[str, Any]:
    move = Affine.translation(*_outer(plan, plan.origin))
    tape = mask.tape
    x0, y0, x1, y1 = painted_box = _outer(plan, mask.painted_box)
    kept = {keeper.number for keeper in mask.cut.keepers}
    return {
        "number": mask.number,
        "name": mask.laid.name,
        "colour": mask.laid.colour or None,
        "box_mm": _outer(plan, mask.box),
        "painted_box_mm": painted_box,
        "windows": [_rings(part) for part in shapely.get_parts(move.moved(mask.cut.windows))],
        "placements": [
            {
                "number": one.number,
                "box_mm": _outer(plan, one.box),
                "celsius": pressing.celsius,
                "seconds": pressing.seconds,
                "pass": number,
                "under_rim": list(one.under_rim),
            }
            for number, pressing in enumerate(mask.pressings, start=1)
            for one in pressing.placements
        ],
        "pins": [
            {
                "number": pin.number,
                "at_mm": _point(move, pin.at),
                "holds": pin.holds,
                "piece": pin.piece,
                "lean": list(pin.lean),
            }
            for pin in mask.pinning.pins
        ],
        "tape": [
            {"from": "left", "to": [x0, (y0 + y1) / 2], "mm": tape.left},
            {"from": "right", "to": [x1, (y0 + y1) / 2], "mm": tape.right},
            {"from": "top", "to": [(x0 + x1) / 2, y0], "mm": tape.top},
            {"from": "bottom", "to": [(x0 + x1) / 2, y1], "mm": tape.bottom},
        ],
        "measured_from": [
            {"datum": line.datum, "to": what_of(line), **{f"{side}_mm": v for side, v in asdict(line.tape).items()}}
            for line in guides_of(plan, mask).lines
        ],
        "worked_from": "back" if plan.job.blank.is_seen_through else "front",
        "blank_mm": list(plan.job.piece.outer),
        "covers": [{"number": one.number, "box_mm": _outer(plan, one.box)} for one in mask.strips],
        "cover_everything": mask.cover.everything,
        "loose_pieces": [
            {
                "id": piece.number,
                "area_mm2": piece.area,
                "centroid_mm": _point(move, piece.centroid),
                "fate": plan.job.mask.fates.get(piece.number),
                "where": plan.method.keepers if piece.number in kept and plan.method.keepers != "none" else None,
            }
            for piece in mask.laid.found.loose
        ],
    }


def _outer(plan: Plan, place: Sequence[float]) -> list[float]:
    """Return a point or box from the blank's own top left, where the plan counts from within its rim."""
    return [one + plan.job.piece.rim for one in place]


def _call(call: Call) -> dict[str, Any]:
    counts = {count.code: count.expected for count in call.counts}
    return {"numbers": list(call.numbers), "of": call.of, "counts": counts}


def _point(move: Affine, at: tuple[float, float]) -> list[float]:
    x, y = move.apply(np.array([at]))[0].tolist()
    return [x, y]


def _rings(part: BaseGeometry) -> list[list[list[float]]]:
    rings = shapely.get_rings(part)
    return [shapely.get_coordinates(ring).tolist() for ring in rings]


def _task(task: Task) -> dict[str, Any]:
    return {
        "id": task.id,
        "code": task.code,
        "station": task.station,
        "mask": task.mask,
        "sheet": task.sheet,
        "copy": task.copy,
        "coating": task.coating,
        "coat": task.coat,
        "title": title_of(task, "mm"),
        "minutes": task.minutes,
        "occupies": task.occupies,
        "after": [
            {"task": wait.task, "least": wait.least, "most": wait.most, "since": wait.since} for wait in task.after
        ],
        "call": _call(task.call) if task.call else None,
        "needs": [
            {"what": need.name, "amount": need.at_hand, "unit": need.told_unit} for need in task.needs if need.is_told
        ],
        "caution": caution_of(task),
    }
