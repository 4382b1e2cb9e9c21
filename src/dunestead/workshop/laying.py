"""What a tape read at the table: told what to do, and logged with what was told."""

from collections.abc import Mapping, Sequence

from dunestead.core.job.log import LogEntry
from dunestead.core.plan.laid import MeasuredTo, laid_mask, laid_seam
from dunestead.core.tacking.laying import Laid, Readings, instructions_for
from dunestead.core.tacking.seam_laying import SeamLaid
from dunestead.core.work.kinds import Trait
from dunestead.core.work.tasks import Task
from dunestead.core.work.values import AcrossSeams
from dunestead.workshop.opened import OpenJob
from dunestead.workshop.workbench import Workbench

__all__ = ["lay_mask", "lay_seam"]


def lay_mask(
    bench: Workbench,
    opened: OpenJob,
    number: int,
    copy: int,
    readings: Readings,
    patch: int | None,
    unit: str,
    within: float | None = None,
    to: MeasuredTo = "mask",
) -> Laid:
    """Return what to do to a mask of a copy by what a tape read, until no corner is off by more than `within` mm.

    Raises
    ------
    BadInput, NoSuchThing
        When the readings cannot be, or there is no such mask or patch; then nothing is logged.
    """
    laid = laid_mask(opened.plan, number, readings, bench.catalogue, within, patch, to)
    tasks = [task for task in _laying(opened, copy) if task.has(Trait.LAYS) and task.mask == number]
    what = f"patch {patch}" if patch is not None else "to the artwork" if to == "artwork" else ""
    read: dict[str, tuple[float, ...]] = {side: tuple(values) for side, values in readings.items() if values}
    _log(bench, opened, tasks, read, within=laid.is_within, instruction=instructions_for(laid, unit), what=what)
    return laid


def lay_seam(
    bench: Workbench, opened: OpenJob, name: str, copy: int, readings: Mapping[str, float], unit: str
) -> SeamLaid:
    """Return how the second patch of a seam is to be moved by what a tape read across it; raises as `lay_mask`."""
    laid = laid_seam(opened.plan, name, readings, bench.catalogue, unit)
    tasks = [task for task in _laying(opened, copy) if name in _seams_of(task)]
    read = {mark: (value,) for mark, value in readings.items()}
    _log(bench, opened, tasks, read, within=laid.is_within, instruction=laid.instructions, what=f"seam {name}")
    return laid


def _seams_of(task: Task) -> list[str]:
    return [seam.name for seam in task.values.seams] if isinstance(task.values, AcrossSeams) else []


def _laying(opened: OpenJob, copy: int) -> list[Task]:
    return [task for task in opened.graph.of("tack") if task.copy == copy]


def _log(
    bench: Workbench,
    opened: OpenJob,
    tasks: Sequence[Task],
    read: Mapping[str, tuple[float, ...]],
    *,
    within: bool,
    instruction: Sequence[str],
    what: str,
) -> None:
    now = bench.clock.now()
    text = " ".join(instruction)
    entries = [LogEntry("laid", t.id, now, what=what, readings=read, within=within, instruction=text) for t in tasks]
    bench.work.log(opened.head.id, entries)
