"""From an artwork to a mask, to sheets, to a simulated cut."""

from pathlib import Path
from typing import TYPE_CHECKING, Any

import click

from dunestead.catalogue import load_catalogue
from dunestead.cli.artwork_job import MaskOptions, SheetOptions, art_job
from dunestead.cli.params import LENGTH, LENGTH_OR_NONE, REACH
from dunestead.cli.reading import read_file, write_file
from dunestead.cli.reporting import (
    FAULTS,
    artwork_options,
    bridge_report,
    check_lines,
    check_report,
    layout_reports,
    mask_report,
    offer_line,
    print_report,
    sheet_report,
)
from dunestead.core.cutting.settings import starting_settings
from dunestead.core.errors import BadInput, UnknownKey
from dunestead.core.looking.remedies import Tools
from dunestead.core.mask.bridge_rules import STYLES, BridgeStyle
from dunestead.core.plan.offers import in_use, offers_for
from dunestead.core.sheets.extents import Takes
from dunestead.core.sheets.price import AIMS, Aim
from dunestead.core.stations.sheets.verdict import fewest_in_words

if TYPE_CHECKING:
    from dunestead.formats.svg.cutfile import CutFile

__all__ = ["check", "mask", "sheets", "simulate"]


@click.command()
@artwork_options
def check(art: Path, width: float, surface: str, material: str, as_json: bool) -> int:
    """Say whether an artwork works at a width on a surface, and what would fall out."""
    report = check_report(art_job(art, width, surface, material))
    print_report(report, as_json, check_lines)
    return FAULTS if any(finding["severity"] == "stop" for finding in report["findings"]) else 0


@click.command()
@artwork_options
@click.option("--border", type=LENGTH_OR_NONE, help="Mask beyond the artwork; as the material asks when not given.")
@click.option("--bridges", type=click.Choice(["none", "auto"]), default="none", show_default=True)
@click.option("--bridge-width", type=LENGTH, help="As the surface asks when not given.")
@click.option(
    "--style", type=click.Choice(STYLES), default="shortest", show_default=True, help="Which way bridges run."
)
@click.option("--bridges-per-piece", type=click.Choice(["auto", "1", "2"]), default="auto", show_default=True)
@click.option("--reverse", is_flag=True, help="The artwork's own shapes are the mask.")
@click.option("--colours", type=click.Choice(["one", "each"]), default="one", show_default=True)
@click.option(
    "-o",
    "--output",
    type=click.Path(path_type=Path),
    required=True,
    help="The SVG to write; a folder with a mask for each colour.",
)
def mask(
    art: Path,
    width: float,
    surface: str,
    material: str,
    as_json: bool,
    border: float | None,
    bridges: str,
    bridge_width: float | None,
    style: BridgeStyle,
    bridges_per_piece: str,
    reverse: bool,
    colours: str,
    output: Path,
) -> int:
    """Write the mask of an artwork as one filled path at true scale."""
    from dunestead.formats.bundle import mask_file
    from dunestead.formats.svg.writer import write_mask

    if reverse and colours == "each":
        raise BadInput("A reverse mask leaves one field to paint around it.", "Leave out --reverse or --colours each.")
    per_piece = None if bridges_per_piece == "auto" else int(bridges_per_piece)
    options = MaskOptions(border, bridges, bridge_width, style, per_piece, reverse, colours == "each")
    found = art_job(art, width, surface, material, options)
    masks = found.plan.masks
    files = [output / mask_file(one.number, one.laid.colour) if options.each else output for one in masks]
    for file, one in zip(files, masks, strict=True):
        write_file(file, write_mask(one.cut, f"Mask of {art.name}"))
    report = check_report(found) | mask_report(found) | {"file": str(output)}
    for own, file in zip(report["masks"], files, strict=True):
        own["file"] = file.name
    print_report(
        report,
        as_json,
        lambda report: [
            *check_lines(report),
            f"{len(report['bridges'])} bridges; {len(report['necks'])} necks, {len(report['tongues'])} tongues.",
            f"Written to {output}.",
        ],
    )
    return 0


@click.command()
@artwork_options
@click.option("--reach", type=REACH, required=True, help="What the knife reaches, width x length.")
@click.option("--border", type=LENGTH_OR_NONE, help="Mask beyond the artwork; as the material asks when not given.")
@click.option("--overlap", type=LENGTH_OR_NONE, help="Mask shared by neighbouring sheets.")
@click.option("--bridges", type=click.Choice(["none", "auto"]), default="none", show_default=True)
@click.option("--mirror", type=click.Choice(["auto", "on", "off"]), default="auto", show_default=True)
@click.option("--copies", type=click.IntRange(1, 1000), default=1, show_default=True, help="Sets of the mask.")
@click.option("--gap", type=LENGTH_OR_NONE, help="Spacing of patches on a sheet.")
@click.option("--aim", type=click.Choice(AIMS), default="price", show_default=True, help="What to spare.")
@click.option("--formats", default="svg", show_default=True, help="svg,dxf,hpgl,pdf,pdf-a4,pdf-letter,png or all.")
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
    copies: int,
    gap: float | None,
    aim: Aim,
    formats: str,
    output: Path,
) -> int:
    """Divide the mask over sheets within the cutter's reach, and prove each by a simulated cut."""
    from dunestead.formats.sheet_files import FORMATS, sheet_file
    from dunestead.formats.verified import sheets_of

    wanted = list(FORMATS) if formats == "all" else formats.split(",")
    if unknown := [key for key in wanted if key not in FORMATS]:
        raise UnknownKey("format", unknown[0], list(FORMATS))
    options = SheetOptions(reach, overlap, gap, mirror, copies, aim)
    found = art_job(art, width, surface, material, MaskOptions(border, bridges), options)
    layout, tools = found.plan.layout, Tools(found.sources, found.catalogue)
    beside = list(offers_for(found.plan, tools))
    checked = sheets_of(found.plan)
    files: list[tuple[str, str | bytes]] = []
    for sheet in checked:
        files.append((sheet.file_name, sheet.text))
        for key in wanted:
            if key != "svg":
                form, data = sheet_file(sheet.drawing, key)
                files.append((f"sheet-{sheet.sheet.number}.{form.suffix}", data))
    # All are made before the first is written: a format that fails leaves no half of them behind.
    for name, content in files:
        write_file(output / name, content)
    faults = [f"{sheet.file_name}: {fault}" for sheet in checked for fault in sheet.verdict.faults]
    print_report(
        check_report(found)
        | bridge_report(found.plan.masks[0].cut)
        | sheet_report(layout)
        | {"layouts": layout_reports(in_use(found.plan, tools), beside), "faults": faults},
        as_json,
        lambda report: [
            *check_lines(report),
            f"{Takes(layout.count, len(layout.seams))}. {fewest_in_words(layout)}",
            *(f"Or {offer_line(offer)}" for offer in beside),
            *(
                f"Seam {seam['name']}: patches {seam['patches'][0]} and {seam['patches'][1]}; measure "
                + ", ".join(f"{check['name']} {check['distance_mm']:g} mm" for check in seam["checks"])
                for seam in report["seams"]
            ),
            f"Written to {output}.",
            *(faults or ["Each was cut in simulation and agrees with the plan."]),
        ],
    )
    return FAULTS if faults else 0


def _account_problems(file: "CutFile") -> list[dict[str, Any]]:
    """Return what is wrong with the account a file gives of itself."""
    if file.is_damaged:
        message = "What this file says of itself was damaged or changed: it cannot be checked against the plan."
        return [{"code": "broken-account", "at_mm": (0.0, 0.0), "message": message}]
    if file.promise is None:
        message = "This file says nothing of itself: it cannot be checked against the plan."
        return [{"code": "no-account", "at_mm": (0.0, 0.0), "message": message}]
    return []


@click.command()
@click.argument("cut", type=click.Path(path_type=Path))
@click.option("--material", default="paper-coated-down", show_default=True, help="Sets speed and passes.")
@click.option("--cutter", default="table-long", show_default=True, help="Sets the pace.")
@click.option("--json", "as_json", is_flag=True, help="Print one JSON object and nothing else.")
def simulate(cut: Path, material: str, cutter: str, as_json: bool) -> int:
    """Cut a file on the simulated cutter and say what comes free."""
    from dunestead.devices.cutter import CutOrder
    from dunestead.devices.simulated import SimulatedCutter
    from dunestead.formats.svg.cutfile import read_cut_file

    catalogue = load_catalogue()
    machine, stuff = catalogue.cutter(cutter), catalogue.material(material)
    file = read_cut_file(read_file(cut))
    settings = starting_settings(stuff, machine)
    order = CutOrder(cut.name, file.paths, file.page, file.promise, stuff, settings)
    outcome = SimulatedCutter(machine, wear=1.0).cut(order)
    report = {
        "pieces": [
            {"area_mm2": piece.area, "centroid_mm": piece.centroid, "kind": "mask" if piece.is_mask else "window"}
            for piece in outcome.report.pieces
        ],
        "cut_length_mm": outcome.time.cut_length,
        "travel_mm": outcome.time.travel,
        "seconds": outcome.time.seconds,
        "problems": [
            *(
                {"code": problem.code, "at_mm": problem.at, "message": problem.message}
                for problem in outcome.report.problems
            ),
            *_account_problems(file),
        ],
    }
    print_report(
        report,
        as_json,
        lambda report: [
            f"{len(report['pieces'])} pieces come free; {report['cut_length_mm'] / 10:.0f} cm of cut "
            f"in {report['seconds']:.0f} s.",
            *(f"{problem['code']}: {problem['message']}" for problem in report["problems"]),
        ],
    )
    return FAULTS if report["problems"] else 0
