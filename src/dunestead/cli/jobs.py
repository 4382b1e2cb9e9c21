"""A job file: its whole plan, without a workshop."""

from datetime import datetime
from pathlib import Path
from typing import Any

import click

from dunestead.catalogue import load_catalogue
from dunestead.cli.params import LENGTH, READINGS
from dunestead.cli.reading import read_file
from dunestead.cli.reporting import FAULTS, print_report
from dunestead.cli.sources import FolderSources
from dunestead.core.figures import Catalogue
from dunestead.core.plan.laid import MeasuredTo, laid_mask
from dunestead.core.plan.plan import Plan, make_plan
from dunestead.core.stations.graph import task_graph
from dunestead.core.tacking.laying import SIDES, Side, instructions_for
from dunestead.core.units import show_time
from dunestead.formats.job_file import read_job_file
from dunestead.formats.plan_report import has_red, plan_report
from dunestead.formats.verified import check_cut

__all__ = ["lay", "plan"]


@click.command()
@click.argument("job", type=click.Path(path_type=Path))
@click.option("--json", "as_json", is_flag=True, help="Print one JSON object and nothing else.")
def plan(job: Path, as_json: bool) -> int:
    """Reckon the whole plan of a job file: methods, coatings, masks, tasks, clocks, costs."""
    catalogue = load_catalogue()
    made = _made(job, catalogue)
    report = plan_report(made, task_graph(made, catalogue), catalogue, datetime.now().astimezone())
    print_report(report, as_json, _lines)
    return FAULTS if has_red(report) else 0


def _made(job: Path, catalogue: Catalogue) -> Plan:
    sources = FolderSources(job.parent)
    text = read_file(job).decode("utf-8", errors="replace")
    return make_plan(read_job_file(text, sources.keep, sources, catalogue), sources, catalogue, check_cut)


@click.command()
@click.argument("job", type=click.Path(path_type=Path))
@click.option("--mask", type=int, default=1, help="Which mask, by the order they are laid.")
@click.option("--left", type=READINGS, help="From the blank's edge to the mask's: in the middle, or at both ends.")
@click.option("--right", type=READINGS)
@click.option("--top", type=READINGS)
@click.option("--bottom", type=READINGS)
@click.option("--patch", type=int, help="One of its patches that is laid by itself.")
@click.option("--to", type=click.Choice(["mask", "artwork"]), default="mask", help="What was measured to.")
@click.option("--within", type=LENGTH, help="How far off a corner may be.")
@click.option("--json", "as_json", is_flag=True, help="Print one JSON object and nothing else.")
def lay(
    job: Path,
    mask: int,
    patch: int | None,
    to: MeasuredTo,
    within: float | None,
    as_json: bool,
    **read: tuple[float, ...] | None,
) -> int:
    """Say how to shift and turn a laid mask by what a tape read around it."""
    catalogue = load_catalogue()
    readings: dict[Side, tuple[float, ...]] = {side: given for side in SIDES if (given := read[side])}
    laid = laid_mask(_made(job, catalogue), mask, readings, catalogue, within, patch, to)
    report = {
        "shift_mm": list(laid.shift),
        "turn_deg": laid.turn,
        "within": laid.is_within,
        "doubtful": list(laid.doubtful),
        "known": {"across": laid.knows_across, "down": laid.knows_down, "turn": laid.knows_turn},
        "instructions": instructions_for(laid, "mm"),
    }
    print_report(report, as_json, lambda report: report["instructions"])
    return FAULTS if laid.doubtful else 0


def _lines(report: dict[str, Any]) -> list[str]:
    stations = [f"{one['code']:8} {one['state']:6} {one['verdict']}" for one in report["stations"]]
    tasks = [f"{show_time(task['minutes']):>7}  {task['id']:34} {task['title']}" for task in report["tasks"]]
    hours = show_time(report["minutes"])
    return [*stations, "", *tasks, "", f"{report['method']}; {report['sheets']} sheets; {hours} of the hands."]
