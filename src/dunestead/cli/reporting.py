"""What is found of an artwork, as JSON and in lines."""

import json
from collections.abc import Callable, Sequence
from pathlib import Path
from typing import Any

import click

from dunestead.cli.artwork_job import ArtJob
from dunestead.cli.params import LENGTH
from dunestead.core.looking.rail import WIDEST, holding
from dunestead.core.mask.findings import Fitness, Least
from dunestead.core.mask.gaps import FRAME, Gap, nearest_gaps
from dunestead.core.mask.tying import CutPlan
from dunestead.core.mask.weak import WeakPlace
from dunestead.core.plan.materials import MaterialFit
from dunestead.core.plan.offers import Offer
from dunestead.core.plan.plan import MaskPlan, materials_of
from dunestead.core.sheets.extents import Takes
from dunestead.core.sheets.layout import Layout, Weighed
from dunestead.core.units import several, show_length

__all__ = [
    "BAD_INPUT",
    "FAULTS",
    "artwork_options",
    "bridge_report",
    "check_lines",
    "check_report",
    "layout_reports",
    "mask_report",
    "offer_line",
    "print_report",
    "sheet_report",
]

# Exit codes: something must be mended; the input cannot be used.
FAULTS, BAD_INPUT = 1, 2
_DECIMALS = 4


def artwork_options(command: Callable[..., Any]) -> Callable[..., Any]:
    """Add what every command on an artwork takes."""
    for option in (
        click.option("--json", "as_json", is_flag=True, help="Print one JSON object and nothing else."),
        click.option("--material", default="paper-coated-down", show_default=True, help="Mask material."),
        click.option("--surface", default="coir", show_default=True, help="What is printed on."),
        click.option("--width", type=LENGTH, required=True, help="Painted width, such as 400mm or 16in."),
        click.argument("art", type=click.Path(path_type=Path)),
    ):
        command = option(command)
    return command


def check_report(art: ArtJob) -> dict[str, Any]:
    """Return what `check` reports."""
    look = art.look
    painted, fitness = look.painted, look.fitness
    least, spots = holding(look, WIDEST)
    ox, oy = look.composition.origin
    return {
        "width_mm": painted.width,
        "height_mm": painted.height,
        "surface": look.choices.surface.key,
        "material": look.choices.material.key,
        "painted": {
            "area_mm2": painted.region.area,
            "bbox_mm": painted.bbox,
            "colours": [{"colour": c, "area_mm2": r.area} for c, r in painted.colours.items()],
        },
        "loose_pieces": _pieces(art),
        "findings": [*_notices(art), *_findings(fitness)],
        "smallest_workable_width_mm": painted.width * fitness.growth,
        "limited_by": _limited_by(fitness),
        "widest_mm": WIDEST,
        "spots": [
            {"measure": spot.measure, "at_mm": (spot.at[0] - ox, spot.at[1] - oy), "measured_mm": spot.measured}
            for spot in spots
        ],
        "without_spots_mm": least[0].width if least else 0.0,
        **{f"least_{kind}_mm": least and least.width for kind, least in _least(fitness).items()},
    }


def _pieces(art: ArtJob) -> list[dict[str, Any]]:
    """Return every loose piece of the design as one mask cuts it."""
    mask = art.whole.masks[0]
    gaps = {gap.piece: gap for gap in nearest_gaps(mask.mask)}
    return [
        {
            "id": piece.number,
            "area_mm2": piece.area,
            "centroid_mm": piece.centroid,
            "least_mm": least,
            "nearest": _nearest(gaps.get(piece.number)),
        }
        for piece, least in zip(mask.mask.loose, mask.fitness.parts, strict=True)
    ]


def _nearest(gap: Gap | None) -> dict[str, Any] | None:
    if gap is None:
        return None
    return {
        "to": "frame" if gap.other == FRAME else gap.other,
        "gap_mm": gap.length,
        "from_mm": gap.start,
        "to_mm": gap.end,
    }


def _notices(art: ArtJob) -> list[dict[str, Any]]:
    return [
        {
            "code": notice.code,
            "severity": "warn",
            "at_mm": None,
            "measured_mm": None,
            "limit_mm": None,
            "message": notice.message,
        }
        for notice in art.drawing.notices
    ]


def _least(fitness: Fitness) -> dict[str, Least | None]:
    return {"stroke": fitness.stroke, "web": fitness.web, "part": fitness.part}


def _limited_by(fitness: Fitness) -> dict[str, Any] | None:
    kind = fitness.limited_by
    if kind is None:
        return None
    least = fitness.least(kind)
    return {"measure": kind, "at_mm": least and least.at, "measured_mm": least and least.width}


def _findings(fitness: Fitness) -> list[dict[str, Any]]:
    return [
        {
            "code": finding.code,
            "severity": finding.severity,
            "at_mm": finding.at,
            "measured_mm": finding.measured,
            "limit_mm": finding.limit,
            "message": finding.message(),
            **({"piece": finding.piece} if finding.piece else {}),
        }
        for finding in fitness.findings
    ]


def mask_report(art: ArtJob) -> dict[str, Any]:
    """Return what is said of masks: bridges, weak places, and which material suits."""
    reports = [{"colour": mask.laid.colour or None, **_one_mask(mask)} for mask in art.plan.masks]
    together = {
        name: [entry for report in reports for entry in report[name]]
        for name in ("bridges", "kept", "necks", "tongues")
    }
    together["bridged_area_mm2"] = sum(report["bridged_area_mm2"] for report in reports)
    materials = materials_of(art.plan, art.catalogue, "mm")
    return {**together, "masks": reports, "materials": [_material_report(fit) for fit in materials]}


def _one_mask(mask: MaskPlan) -> dict[str, Any]:
    return {
        **bridge_report(mask.cut),
        "sheet_mm": mask.cut.mask.sheet.bounds,
        "loose": [{"id": p.number, "area_mm2": p.area, "centroid_mm": p.centroid} for p in mask.cut.mask.loose],
        "necks": [_weak_report(place) for place in mask.weak if place.kind == "neck"],
        "tongues": [_weak_report(place) for place in mask.weak if place.kind == "tongue"],
    }


def _weak_report(place: WeakPlace) -> dict[str, Any]:
    return {
        "at_mm": place.at,
        "width_mm": place.width,
        "length_mm": place.length,
        "limit_mm": place.limit,
        "severity": place.severity,
        **({"dab_toward": place.toward} if place.toward else {}),
    }


def _material_report(fit: MaterialFit) -> dict[str, Any]:
    return {
        "key": fit.key,
        "fits": fit.fits,
        "excluded": list(fit.excluded),
        "small_parts": fit.small,
        "weak_places": fit.weak,
        "sheets": fit.sheets,
        "cost_a_copy": fit.cost,
        "minutes_a_copy": fit.minutes,
    }


def bridge_report(plan: CutPlan) -> dict[str, Any]:
    """Return what is said of the bridges of a mask."""
    return {
        "bridges": [
            {
                "piece": bridge.piece,
                "to": "frame" if bridge.other == FRAME else bridge.other,
                "from_mm": bridge.start,
                "to_mm": bridge.end,
                "width_mm": bridge.width,
                "length_mm": bridge.length,
                "joint_mm": bridge.joint,
            }
            for bridge in plan.bridges
        ],
        "bridged_area_mm2": plan.bridged_area,
        "bridges_length_mm": sum(bridge.length for bridge in plan.bridges),
        "shortest_length_mm": plan.shortest,
        "kept": [keeper.number for keeper in plan.keepers],
    }


def sheet_report(layout: Layout) -> dict[str, Any]:
    """Return what is said of the sheets of a mask."""
    return {
        "sheets": [
            {
                "file": f"sheet-{sheet.number}.svg",
                "width_mm": sheet.width,
                "height_mm": sheet.height,
                "mirrored": sheet.mirrored,
                "runs": sheet.runs,
                "patches": [
                    {
                        "id": one.id,
                        "box_mm": one.box,
                        "transform": one.to_artwork.as_tuple(),
                        "turned": one.turned,
                    }
                    for one in sheet.patches
                ],
            }
            for sheet in layout.sheets
        ],
        "seams": [
            {
                "name": seam.name,
                "patches": [str(number) for number in seam.patches],
                "from_mm": seam.start,
                "to_mm": seam.end,
                "overlap_mm": seam.overlap,
                "checks": [
                    {
                        "name": pair.name,
                        "from_mm": pair.first,
                        "to_mm": pair.second,
                        "distance_mm": pair.distance,
                    }
                    for pair in seam.pairs
                ],
            }
            for seam in layout.seams
        ],
        "fewest_possible": layout.fewest_possible,
        "fewest_for_these_patches": max(layout.fewest_for_these, layout.fewest_possible),
        "optimal": layout.is_fewest,
    }


def layout_reports(used: Weighed, beside: Sequence[Offer]) -> list[dict[str, Any]]:
    """Return the layout in use, and those beside it, in a few numbers each."""
    found = [("in-use", used, "", ""), *((one.code, one.weighed, one.label, one.consequence) for one in beside)]
    return [
        {
            "code": code,
            "sheets": weighed.sheets,
            "seams": weighed.seams,
            "parted": weighed.parted,
            "poor": weighed.poor,
            "price_seams": weighed.price,
            "label": label,
            "consequence": consequence,
        }
        for code, weighed, label, consequence in found
    ]


def offer_line(offer: Offer) -> str:
    """Return a layout beside the one in use in a line, such as "fewest seams: 3 sheets, no seam. Costs 1 sheet"."""
    label = offer.label[0].lower() + offer.label[1:]
    return f"{label}: {Takes(offer.weighed.sheets, offer.weighed.seams)}. {offer.consequence}"


def check_lines(report: dict[str, Any]) -> list[str]:
    """Return a report of a check in lines."""
    size = f"{show_length(report['width_mm'])} by {show_length(report['height_mm'])}"
    smallest = report["smallest_workable_width_mm"]
    return [
        f"{size}; {report['painted']['area_mm2'] / 100:.1f} cm² painted, {len(report['loose_pieces'])} loose pieces.",
        *(f"{finding['severity']}: {finding['message']}" for finding in report["findings"]),
        _size_line(report, smallest),
    ]


def _size_line(report: dict[str, Any], smallest: float) -> str:
    if not report["limited_by"]:
        return "Nothing limits its size."
    if report["spots"]:
        without = report["without_spots_mm"]
        rest = f"Without them from a width of {show_length(without)}." if without else "Nothing else limits its size."
        count = several(len(report["spots"]), "spot")
        return f"Will not hold at any size up to {show_length(report['widest_mm'])}; the reason: {count}. {rest}"
    return f"Holds from a width of {show_length(smallest)} (limited by its least {report['limited_by']['measure']})."


def print_report(report: dict[str, Any], as_json: bool, lines: Callable[[dict[str, Any]], list[str]]) -> None:
    """Print a report as one JSON object, or in lines."""
    click.echo(json.dumps(_rounded(report)) if as_json else "\n".join(lines(report)))


def _rounded(value: Any) -> Any:
    if isinstance(value, float):
        return round(value, _DECIMALS)
    if isinstance(value, dict):
        return {key: _rounded(inner) for key, inner in value.items()}
    if isinstance(value, list | tuple):
        return [_rounded(inner) for inner in value]
    return value
