"""The command line: the reckoning for scripts and for makers with many files."""

import json
import sys
from collections.abc import Callable
from pathlib import Path
from typing import Any

import click

from dunestead.catalogue import load_catalogue
from dunestead.core.artwork.drawing import Drawing
from dunestead.core.artwork.painted import Painted, paint
from dunestead.core.errors import BadInput, DunesteadError
from dunestead.core.figures import Material, Surface
from dunestead.core.mask.fates import CutPlan, Fate, decide
from dunestead.core.mask.findings import Fitness, judge, limits_for
from dunestead.core.mask.gaps import FRAME, nearest_gaps
from dunestead.core.mask.loose import Mask, cut_mask
from dunestead.core.sheets.division import Division, divide
from dunestead.core.sheets.facing import face
from dunestead.core.units import parse_length, show_length
from dunestead.formats.svg import read_svg
from dunestead.formats.svg.guard import MOST_BYTES

__all__ = ["main"]

_FAULTS, _BAD_INPUT = 1, 2
_DECIMALS = 4


class _Length(click.ParamType[float]):
    """A length with a unit, in mm."""

    name = "length"

    def convert(self, value: Any, param: click.Parameter | None, ctx: click.Context | None) -> float:  # noqa: ARG002
        return parse_length(str(value), what=(param.name or "length").replace("_", " ") if param else "length")


class _Reach(click.ParamType[tuple[float, float]]):
    """Two lengths with an x between them, in mm."""

    name = "WxL"

    def convert(self, value: Any, param: click.Parameter | None, ctx: click.Context | None) -> tuple[float, float]:  # noqa: ARG002
        parts = str(value).lower().replace("×", "x").split("x")
        if len(parts) != 2:
            raise BadInput(f"“{value}” is not a reach.", "Give width x length, such as 292x597 or 11.5inx23.5in.")
        return parse_length(parts[0], what="reach"), parse_length(parts[1], what="reach")


LENGTH, REACH = _Length(), _Reach()


def main() -> None:
    """Run the command line; every error is one line, and exit code 2 for bad input."""
    try:
        code = cli.main(standalone_mode=False)
    except DunesteadError as error:
        _complain(str(error), _BAD_INPUT)
    except click.ClickException as error:
        _complain(error.format_message(), _BAD_INPUT)
    except click.Abort:
        _complain("Stopped.", _BAD_INPUT)
    except BrokenPipeError:
        sys.exit(0)
    sys.exit(code if isinstance(code, int) else 0)


def _complain(message: str, code: int) -> None:
    click.echo(f"dunestead: {' '.join(message.split())}", err=True)
    sys.exit(code)


@click.group(context_settings={"help_option_names": ["-h", "--help"]})
@click.version_option(package_name="dunestead")
def cli() -> None:
    """Dunestead: from an artwork to a mask that holds, the right way up."""


def _artwork_options(command: Callable[..., Any]) -> Callable[..., Any]:
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


@cli.command()
@_artwork_options
def check(art: Path, width: float, surface: str, material: str, as_json: bool) -> int:
    """Say whether an artwork works at a width on a surface, and what would fall out."""
    bench = _Bench(art, width, surface, material)
    report = bench.report()
    _print(report, as_json, _check_lines)
    return _FAULTS if any(finding["severity"] == "stop" for finding in report["findings"]) else 0


@cli.command()
@_artwork_options
@click.option("--border", type=LENGTH, help="Mask beyond the artwork; as the material asks when not given.")
@click.option("--bridges", type=click.Choice(["none", "auto"]), default="none", show_default=True)
@click.option("--bridge-width", type=LENGTH, help="As the surface asks when not given.")
@click.option("-o", "--output", type=click.Path(path_type=Path), required=True, help="The SVG to write.")
def mask(
    art: Path,
    width: float,
    surface: str,
    material: str,
    as_json: bool,
    border: float | None,
    bridges: str,
    bridge_width: float | None,
    output: Path,
) -> int:
    """Write the mask of an artwork as one filled path at true scale."""
    from dunestead.formats.svg.writer import write_mask

    bench = _Bench(art, width, surface, material, border)
    plan = bench.plan(bridges, bridge_width)
    _write(output, write_mask(plan, f"Mask of {art.name}"))
    _print(
        bench.report() | _bridge_report(plan) | {"file": str(output)},
        as_json,
        lambda report: [*_check_lines(report), f"{len(report['bridges'])} bridges; written to {output}."],
    )
    return 0


@cli.command()
@_artwork_options
@click.option("--reach", type=REACH, required=True, help="What the knife reaches, width x length.")
@click.option("--border", type=LENGTH, help="Mask beyond the artwork; as the material asks when not given.")
@click.option("--overlap", type=LENGTH, help="Mask shared by neighbouring sheets.")
@click.option("--bridges", type=click.Choice(["none", "auto"]), default="none", show_default=True)
@click.option("--mirror", type=click.Choice(["auto", "on", "off"]), default="auto", show_default=True)
@click.option("-o", "--output", type=click.Path(path_type=Path), required=True, help="The folder to write to.")
def sheets(
    art: Path,
    width: float,
    surface: str,
    material: str,
    as_json: bool,
    reach: tuple[float, float],
    border: float | None,
    overlap: float | None,
    bridges: str,
    mirror: str,
    output: Path,
) -> int:
    """Divide the mask over sheets within the cutter's reach, and prove each by a simulated cut."""
    from dunestead.formats.verified import verified_sheets

    bench = _Bench(art, width, surface, material, border)
    plan = bench.plan(bridges, None)
    mirrored = face(bench.material, seen_through=False).mirrored if mirror == "auto" else mirror == "on"
    shared = bench.catalogue.workshop["seam_overlap"] if overlap is None else overlap
    division = divide(plan, reach, shared, mirrored=mirrored)
    checked = verified_sheets(plan, division, art.stem)
    for sheet in checked:
        _write(output / sheet.file_name, sheet.text)
    faults = [f"{sheet.file_name}: {fault}" for sheet in checked for fault in sheet.verdict.faults]
    _print(
        bench.report() | _bridge_report(plan) | _sheet_report(division) | {"faults": faults},
        as_json,
        lambda report: [
            *_check_lines(report),
            f"{len(report['sheets'])} sheets ({report['fewest_possible']} at least), written to {output}.",
            *(faults or ["Each was cut in simulation and agrees with the plan."]),
        ],
    )
    return _FAULTS if faults else 0


@cli.command()
@click.argument("cut", type=click.Path(path_type=Path))
@click.option("--material", default="paper-coated-down", show_default=True, help="Sets speed and passes.")
@click.option("--json", "as_json", is_flag=True, help="Print one JSON object and nothing else.")
def simulate(cut: Path, material: str, as_json: bool) -> int:
    """Cut a file on the simulated cutter and say what comes free."""
    from dunestead.devices.cutter import SimulatedCutter
    from dunestead.formats.svg.cutfile import read_cut_file

    catalogue = load_catalogue()
    cutter = SimulatedCutter(catalogue.cutter("table-long"))
    outcome = cutter.cut(read_cut_file(_read(cut)), catalogue.material(material))
    report = {
        "pieces": [
            {"area_mm2": piece.area, "centroid_mm": piece.centroid, "kind": "mask" if piece.is_mask else "window"}
            for piece in outcome.report.pieces
        ],
        "cut_length_mm": outcome.time.cut_length,
        "travel_mm": outcome.time.travel,
        "seconds": outcome.time.seconds,
        "problems": [
            {"code": problem.code, "at_mm": problem.at, "message": problem.message}
            for problem in outcome.report.problems
        ],
    }
    _print(
        report,
        as_json,
        lambda report: [
            f"{len(report['pieces'])} pieces come free; {report['cut_length_mm'] / 10:.0f} cm of cut "
            f"in {report['seconds']:.0f} s.",
            *(f"{problem['code']}: {problem['message']}" for problem in report["problems"]),
        ],
    )
    return _FAULTS if report["problems"] else 0


@cli.command()
@click.option("--json", "as_json", is_flag=True, help="Print one JSON object and nothing else.")
def bench(as_json: bool) -> None:
    """Measure the check of three sizes against the bare geometry under it."""
    from dunestead.bench import run_bench

    _print(run_bench(), as_json, lambda report: report["lines"])


@cli.command()
@click.option("--host", default="127.0.0.1", show_default=True)
@click.option("--port", default=8765, show_default=True)
@click.option("--data", type=click.Path(path_type=Path, file_okay=False), help="Folder of the database.")
def serve(host: str, port: int, data: Path | None) -> None:
    """Serve the workshop."""
    from dunestead.api.serving import serve_workshop

    serve_workshop(host, port, data, demo=False, browser=False)


@cli.command()
@click.option("--port", default=8765, show_default=True)
@click.option("--no-browser", is_flag=True, help="Do not open the browser.")
@click.option("--data", type=click.Path(path_type=Path, file_okay=False), help="Folder of the database.")
def demo(port: int, no_browser: bool, data: Path | None) -> None:
    """Fill a database with the workshop of Marram Row and serve it."""
    from dunestead.api.serving import serve_workshop

    serve_workshop("127.0.0.1", port, data, demo=True, browser=not no_browser)


@cli.command(hidden=True)
def openapi() -> None:
    """Print the description of the API."""
    from dunestead.api.app import create_app

    click.echo(json.dumps(create_app().spec, indent=2, sort_keys=True))


class _Bench:
    """One artwork at one width, for one surface and material."""

    def __init__(self, art: Path, width: float, surface: str, material: str, border: float | None = None) -> None:
        self.catalogue = load_catalogue()
        self.surface: Surface = self.catalogue.surface(surface)
        self.material: Material = self.catalogue.material(material)
        self.drawing: Drawing = read_svg(_read(art))
        self.painted: Painted = paint(self.drawing, width)
        self.mask: Mask = cut_mask(self.painted, border or self.material.border)

    def plan(self, bridges: str, bridge_width: float | None) -> CutPlan:
        """Return the mask with all pieces bridged, or all kept."""
        fate: Fate = "bridge" if bridges == "auto" else "keep"
        return decide(self.mask, {p.number: fate for p in self.mask.loose}, bridge_width or self.surface.bridge)

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
            "smallest_workable_width_mm": fitness.smallest_width,
            "limited_by": fitness.limited_by,
            "least_stroke_mm": fitness.least_stroke,
            "least_web_mm": fitness.least_web,
            "least_part_mm": fitness.least_part,
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


def _bridge_report(plan: CutPlan) -> dict[str, Any]:
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


def _sheet_report(division: Division) -> dict[str, Any]:
    return {
        "sheets": [
            {
                "file": f"sheet-{sheet.number}.svg",
                "width_mm": sheet.width,
                "height_mm": sheet.height,
                "mirrored": sheet.mirrored,
                "patches": [
                    {"id": patch.id, "box_mm": patch.box, "transform": patch.to_artwork.as_tuple()}
                    for patch in sheet.patches
                ],
            }
            for sheet in division.sheets
        ],
        "fewest_possible": division.fewest_possible,
        "optimal": division.is_fewest,
    }


def _check_lines(report: dict[str, Any]) -> list[str]:
    size = f"{show_length(report['width_mm'])} by {show_length(report['height_mm'])}"
    smallest = report["smallest_workable_width_mm"]
    return [
        f"{size}; {report['painted']['area_mm2'] / 100:.1f} cm² painted, {len(report['loose_pieces'])} loose pieces.",
        *(f"{finding['severity']}: {finding['message']}" for finding in report["findings"]),
        f"Holds from a width of {show_length(smallest)} (by its {report['limited_by']})."
        if report["limited_by"]
        else "Nothing limits its size.",
    ]


def _print(report: dict[str, Any], as_json: bool, lines: Callable[[dict[str, Any]], list[str]]) -> None:
    click.echo(json.dumps(_rounded(report)) if as_json else "\n".join(lines(report)))


def _rounded(value: Any) -> Any:
    if isinstance(value, float):
        return round(value, _DECIMALS)
    if isinstance(value, dict):
        return {key: _rounded(inner) for key, inner in value.items()}
    if isinstance(value, list | tuple):
        return [_rounded(inner) for inner in value]
    return value


def _read(path: Path) -> bytes:
    try:
        if path.stat().st_size > MOST_BYTES:
            raise BadInput(
                f"{path.name} holds {path.stat().st_size / 1e6:.0f} MB, more than a drawing to cut has need of.",
                "Remove embedded pictures and simplify its paths, then save it again.",
            )
        return path.read_bytes()
    except OSError as error:
        raise BadInput(
            f"{path} cannot be read: {(error.strerror or 'no reason given').lower()}.", "Check the name."
        ) from None


def _write(path: Path, text: str) -> None:
    """Write a file whole or not at all."""
    draft = path.with_name(f".{path.name}.part")
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
        draft.write_text(text, encoding="utf-8")
        draft.replace(path)
    except OSError as error:
        raise BadInput(
            f"{path} cannot be written: {(error.strerror or 'no reason given').lower()}.", "Choose another place."
        ) from None
