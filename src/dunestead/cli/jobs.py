"""A job file: its whole plan, without a workshop."""

from datetime import datetime
from pathlib import Path
from typing import Any

import click

from dunestead.catalogue import load_catalogue
from dunestead.cli.reading import read_file
from dunestead.cli.reporting import FAULTS, print_report
from dunestead.cli.sources import FolderSources
from dunestead.core.plan.plan import make_plan
from dunestead.core.stations.graph import task_graph
from dunestead.core.units import show_time
from dunestead.formats.job_file import read_job_file
from dunestead.formats.plan_report import has_red, plan_report
from dunestead.formats.verified import check_cut

__all__ = ["plan"]


@click.command()
@click.argument("job", type=click.Path(path_type=Path))
@click.option("--json", "as_json", is_flag=True, help="Print one JSON object and nothing else.")
def plan(job: Path, as_json: bool) -> int:
    """Reckon the whole plan of a job file: methods, coatings, masks, tasks, clocks, costs."""
    catalogue, sources = load_catalogue(), FolderSources(job.parent)
    text = read_file(job).decode("utf-8", errors="replace")
    made = make_plan(read_job_file(text, sources.keep, sources, catalogue), sources, catalogue, check_cut)
    report = plan_report(made, task_graph(made, catalogue), catalogue, datetime.now().astimezone())
    print_report(report, as_json, _lines)
    return FAULTS if has_red(report) else 0


def _lines(report: dict[str, Any]) -> list[str]:
    stations = [f"{one['code']:8} {one['state']:6} {one['verdict']}" for one in report["stations"]]
    tasks = [f"{show_time(task['minutes']):>7}  {task['id']:34} {task['title']}" for task in report["tasks"]]
    hours = show_time(report["minutes"])
    return [*stations, "", *tasks, "", f"{report['method']}; {report['sheets']} sheets; {hours} of the hands."]
