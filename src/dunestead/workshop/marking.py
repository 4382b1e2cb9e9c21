"""First strokes, and places that are marked for a second look and seen to."""

from dunestead.core.errors import BadInput, NoSuchThing
from dunestead.core.job.log import LogEntry
from dunestead.core.work.marks import Mark, MarkKind
from dunestead.workshop.opened import OpenJob
from dunestead.workshop.work import task_in
from dunestead.workshop.workbench import Workbench

__all__ = ["begin_task", "mark_place", "mend_mark", "unmark"]

_MOST = 200


def begin_task(bench: Workbench, opened: OpenJob, task_id: str, version: int | None) -> None:
    """Log the first stroke of a task.

    Raises
    ------
    BadInput
        When there is no such task, or it is done.
    """
    task = task_in(opened.graph, task_id)
    if opened.progress.is_done(task):
        raise BadInput("This is done already.", "Take it back first, if it is begun anew.")
    bench.work.log(opened.head.id, [LogEntry("begun", task.id, bench.clock.now())], version)


def mark_place(
    bench: Workbench, opened: OpenJob, task_id: str, what: MarkKind, place: tuple[float, float], version: int | None
) -> None:
    """Log a place that wants a second look.

    Raises
    ------
    BadInput
        When nothing is marked in this task, or the place is not on the blank.
    """
    task = task_in(opened.graph, task_id)
    if what not in task.kind.marks:
        raise BadInput("That is not marked in this task.", "Mark it where everything is looked over.")
    width, height = opened.plan.job.piece.size
    if not (0 <= place[0] <= width and 0 <= place[1] <= height):
        raise BadInput("This place is not on the blank.", "Point at the place itself.")
    marks = opened.progress.marks(task.id)
    if len(marks) >= _MOST:
        raise BadInput(f"{_MOST} places are marked already.", "That is a case for one more coat over all.")
    number = max((mark.number for mark in marks), default=0) + 1
    bench.work.log(
        opened.head.id,
        [LogEntry("marked", task.id, bench.clock.now(), numbers=(number,), what=what, place=place)],
        version,
    )


def unmark(bench: Workbench, opened: OpenJob, task_id: str, number: int, version: int | None) -> None:
    """Log that a place is no longer marked; raises `NoSuchThing` when it was not."""
    mark = _mark(opened, task_id, number)
    bench.work.log(opened.head.id, [LogEntry("unmarked", task_id, bench.clock.now(), numbers=(mark.number,))], version)


def mend_mark(
    bench: Workbench, opened: OpenJob, task_id: str, number: int, *, mended: bool, version: int | None
) -> None:
    """Log that a marked place was seen to, or was not after all; raises `NoSuchThing` when it is not marked."""
    mark = _mark(opened, task_id, number)
    entry = LogEntry("mended", task_id, bench.clock.now(), numbers=(mark.number,), within=mended)
    bench.work.log(opened.head.id, [entry], version)


def _mark(opened: OpenJob, task_id: str, number: int) -> Mark:
    for mark in opened.progress.marks(task_id):
        if mark.number == number:
            return mark
    raise NoSuchThing(f"Place {number} is not marked here.", "Look at the job as it is now.")
