"""One artwork on the bench: what is found of it, as JSON and in lines."""

import json
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from pathlib import Path
from typing import Any

import click

from dunestead.catalogue import load_catalogue
from dunestead.cli.params import LENGTH
from dunestead.core.artwork.drawing import Drawing
from dunestead.core.artwork.painted import Painted, paint
from dunestead.core.errors import BadInput
from dunestead.core.figures import Material, Surface
from dunestead.core.mask.bridge_rules import BridgeRules, BridgeStyle, usual_width
from dunestead.core.mask.findings import Fitness, Least, judge, limits_for, widths_of
from dunestead.core.mask.gaps import FRAME, nearest_gaps
from dunestead.core.mask.loose import Mask, cut_mask, shape_mask
from dunestead.core.mask.tying import CutPlan, tie_mask
from dunestead.core.mask.weak import WeakPlace, weak_limit, weak_places
from dunestead.core.painting.separation import colour_order, notched_sheet, painted_through
from dunestead.core.planning.materials import MaskWork, MaterialFit, rank_materials
from dunestead.core.sheets.layout import Layout
from dunestead.core.units import show_length
from dunestead.formats.artwork import read_drawing
from dunestead.formats.svg.guard import MOST_BYTES

__all__ = [
    "BAD_INPUT",
    "FAULTS",
    "ArtBench",
    "MaskOptions",
    "artwork_options",
    "bridge_report",
    "check_lines",
    "mask_report",
    "print_report",
    "read_file",
    "sheet_report",
    "write_file",
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


@dataclass(frozen=True, slots=True)
class MaskOptions:
    """How a mask is wanted: border and width of bridges in mm, None for the usual."""

    border: float | None = None
    bridges: str = "none"
    bridge_width: float | None = None
    style: BridgeStyle = "shortest"
    per_piece: int | None = None
    reverse: bool = False
    each: bool = False


@dataclass(frozen=True, slots=True)
class CutMask:
    """One mask of an artwork: the colour painted through it, empty for all, and how it is cut."""

    colour: str
    painted: Painted
    cut: CutPlan


class ArtBench:
    """One artwork at one width, for one surface and material."""

    def __init__(
        self, art: Path | Drawing, width: float, surface: str, material: str, options: MaskOptions | None = None
    ) -> None:
        self.catalogue = load_catalogue()
        self.options = options or MaskOptions()
        self.surface: Surface = self.catalogue.surface(surface)
        self.material: Material = self.catalogue.material(material)
        self.drawing: Drawing = art if isinstance(art, Drawing) else read_drawing(read_file(art), art.name)
        self.painted: Painted = paint(self.drawing, width)
        border = self.options.border or self.material.border
        self.mask: Mask = (shape_mask if self.options.reverse else cut_mask)(self.painted, border)

    @property
    def rules(self) -> BridgeRules:
        """How bridges are planned."""
        o, figures = self.options, self.catalogue.workshop
        width = o.bridge_width or usual_width(self.surface, self.material)
        return BridgeRules(width, o.style, o.per_piece, figures["bridge_one_below"], figures["bridge_every"])

    def plan(self) -> CutPlan:
        """Return the one mask for all colours, with all pieces bridged, or all kept."""
        return self._tied(self.mask)

    def masks(self) -> list[CutMask]:
        """Return one mask for all colours, or one for each in the order they are painted."""
        if not self.options.each or len(self.painted.colours) < 2:
            return [CutMask("", self.painted, self.plan())]
        border = self.options.border or self.material.border
        sheet = notched_sheet(self.painted.bbox, border, self.catalogue.workshop["register_notch"])
        through = {colour: painted_through(self.painted, colour) for colour in colour_order(self.painted.colours)}
        return [CutMask(c, part, self._tied(cut_mask(part, border, sheet))) for c, part in through.items()]

    def _tied(self, mask: Mask) -> CutPlan:
        tied = [piece.number for piece in mask.loose] if self.options.bridges == "auto" else []
        return tie_mask(mask, tied, self.rules)

    def weak(self, mask: CutMask) -> tuple[WeakPlace, ...]:
        """Return the necks and tongues of a mask."""
        figures = self.catalogue.figures
        part = figures.get(("material", self.material.key, "least_part"))
        limit = weak_limit(figures["surface", self.surface.key, "web"], part)
        axis = widths_of(mask.painted, mask.cut.mask, self.surface).spits
        return weak_places(axis, limit, mask.cut.bridges)

    def materials(self, masks: Sequence[CutMask]) -> list[MaterialFit]:
        """Return every mask material held against these masks, for one copy on the usual cutter and press."""
        loose = [(number, side) for mask in masks for number, side in self._kept(mask)]
        work = MaskWork(
            box=(self.painted.width, self.painted.height),
            border=self.options.border,
            masks=len(masks),
            kept=tuple(loose),
            is_reverse=self.options.reverse,
            bridges=sum(len(mask.cut.bridges) for mask in masks),
            windows=sum(mask.cut.window_count for mask in masks),
            cut_length=sum(float(mask.cut.material.length) for mask in masks),
            axes=tuple(widths_of(mask.painted, mask.cut.mask, self.surface).spits for mask in masks),
        )
        overlap = self.catalogue.workshop["seam_overlap"]
        return rank_materials(
            work, self.surface, self.catalogue, cutter="table-long", press="iron", overlap=overlap, copies=1, unit="mm"
        )

    def _kept(self, mask: CutMask) -> list[tuple[int, float]]:
        sides = widths_of(mask.painted, mask.cut.mask, self.surface).parts
        least = dict(zip((piece.number for piece in mask.cut.mask.loose), sides, strict=True))
        return [(keeper.number, least[keeper.number]) for keeper in mask.cut.keepers]

    def report(self) -> dict[str, Any]:
        """Return what `check` reports."""
        limits = limits_for(self.catalogue, self.surface.key, self.material.key)
        fitness = judge(self.painted, self.mask, self.surface, self.material, limits)
        return {
            "width_mm": self.painted.width,
            "height_mm": self.painted.height,
            "surface": self.surface.key,
            "material": self.material.key,
            "painted": {
                "area_mm2": self.painted.region.area,
                "bbox_mm": self.painted.bbox,
                "colours": [{"colour": c, "area_mm2": r.area} for c, r in self.painted.colours.items()],
            },
            "loose_pieces": self._pieces(fitness),
            "findings": [*self._notices(), *_findings(fitness)],
            "smallest_workable_width_mm": self.painted.width * fitness.growth,
            "limited_by": _limited_by(fitness),
            **{f"least_{kind}_mm": least and least.width for kind, least in _least(fitness).items()},
        }

    def _pieces(self, fitness: Fitness) -> list[dict[str, Any]]:
        return [
            {
                "id": piece.number,
                "area_mm2": piece.area,
                "centroid_mm": piece.centroid,
                "least_mm": least,
                "nearest": {
                    "to": "frame" if gap.other == FRAME else gap.other,
                    "gap_mm": gap.length,
                    "from_mm": gap.start,
                    "to_mm": gap.end,
                },
            }
            for piece, least, gap in zip(self.mask.loose, fitness.parts, nearest_gaps(self.mask), strict=True)
        ]

    def _notices(self) -> list[dict[str, Any]]:
        return [
            {
                "code": notice.code,
                "severity": "warn",
                "at_mm": None,
                "measured_mm": None,
                "limit_mm": None,
                "message": notice.message,
            }
            for notice in self.drawing.notices
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


def mask_report(bench: ArtBench, masks: Sequence[CutMask]) -> dict[str, Any]:
    """Return what is said of masks: bridges, weak places, and which material suits."""
    reports = [{"colour": mask.colour or None, **_one_mask(bench, mask)} for mask in masks]
    together = {
        name: [entry for report in reports for entry in report[name]]
        for name in ("bridges", "kept", "necks", "tongues")
    }
    together["bridged_area_mm2"] = sum(report["bridged_area_mm2"] for report in reports)
    return {**together, "masks": reports, "materials": [_material_report(fit) for fit in bench.materials(masks)]}


def _one_mask(bench: ArtBench, mask: CutMask) -> dict[str, Any]:
    weak = bench.weak(mask)
    return {
        **bridge_report(mask.cut),
        "sheet_mm": mask.cut.mask.sheet.bounds,
        "loose": [{"id": p.number, "area_mm2": p.area, "centroid_mm": p.centroid} for p in mask.cut.mask.loose],
        "necks": [_weak_report(place) for place in weak if place.kind == "neck"],
        "tongues": [_weak_report(place) for place in weak if place.kind == "tongue"],
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
            }
            for bridge in plan.bridges
        ],
        "bridged_area_mm2": plan.bridged_area,
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


def check_lines(report: dict[str, Any]) -> list[str]:
    """Return a report of a check in lines."""
    size = f"{show_length(report['width_mm'])} by {show_length(report['height_mm'])}"
    smallest = report["smallest_workable_width_mm"]
    return [
        f"{size}; {report['painted']['area_mm2'] / 100:.1f} cm² painted, {len(report['loose_pieces'])} loose pieces.",
        *(f"{finding['severity']}: {finding['message']}" for finding in report["findings"]),
        f"Holds from a width of {show_length(smallest)} (limited by its least {report['limited_by']['measure']})."
        if report["limited_by"]
        else "Nothing limits its size.",
    ]


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


def read_file(path: Path, most: int = MOST_BYTES) -> bytes:
    """Return the bytes of a file; raises `BadInput` when it cannot be read or holds more than ``most``."""
    try:
        if path.stat().st_size > most:
            raise BadInput(
                f"{path.name} holds {path.stat().st_size / 1e6:.0f} MB, more than artwork to cut has need of.",
                "Remove embedded pictures and simplify its paths, or save the picture smaller.",
            )
        return path.read_bytes()
    except OSError as error:
        raise BadInput(
            f"{path} cannot be read: {(error.strerror or 'no reason given').lower()}.", "Check the name."
        ) from None


def write_file(path: Path, content: str | bytes) -> None:
    """Write a file whole or not at all."""
    draft = path.with_name(f".{path.name}.part")
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
        draft.write_bytes(content.encode() if isinstance(content, str) else content)
        draft.replace(path)
    except OSError as error:
        raise BadInput(
            f"{path} cannot be written: {(error.strerror or 'no reason given').lower()}.", "Choose another place."
        ) from None
