"""From a task to what may be marked in it, and what there is to see to."""

from dunestead.api import schemas as wire
from dunestead.core.job.ground import ground_colour
from dunestead.core.plan.plan import Plan
from dunestead.core.plan.touch_ups import bridge_gaps, windows_in_order
from dunestead.core.words.touch_ups import MARK_NAMES, gap_in_words, remedy_for
from dunestead.core.work.marks import Mark
from dunestead.core.work.progress import Progress
from dunestead.core.work.tasks import Task
from dunestead.workshop.opened import OpenJob

__all__ = ["marking_out"]


def marking_out(opened: OpenJob, task: Task, unit: str) -> wire.MarkingOut | None:
    """Return what may be marked in a task and what there is to see to, None where nothing is."""
    marked_in = task.needs_marks or task.id
    kinds = task.kind.marks
    if not kinds and not task.needs_marks:
        return None
    plan, progress = opened.plan, opened.progress
    masks = [mask for mask in plan.masks if task.mask in (None, mask.number)]
    windows = [window for mask in masks for window in windows_in_order(plan, mask)] if kinds else []
    marks = [_marked(plan, task, mark) for mark in progress.marks(marked_in)]
    return wire.MarkingOut(
        task=marked_in,
        kinds=[wire.MarkKindOut(key=kind, name=MARK_NAMES[kind]) for kind in kinds],
        windows=[wire.MarkPlaceOut(number=k, at=window.at) for k, window in enumerate(windows, start=1)],
        marks=[*_gaps(plan, task, progress, unit), *marks],
    )


def _marked(plan: Plan, task: Task, mark: Mark) -> wire.MarkOut:
    return wire.MarkOut(
        number=mark.number,
        what=MARK_NAMES[mark.what],
        text=remedy_for(
            mark.what,
            plan.choices.surface,
            plan.choices.material,
            ground_colour(plan.job),
            masked=task.station == "paint",
        ),
        at=mark.place,
        mended=mark.mended is not None,
        marked=True,
    )


def _gaps(plan: Plan, task: Task, progress: Progress, unit: str) -> list[wire.MarkOut]:
    if task.call is None or task.call.of != "touch-ups":
        return []
    called = progress.calls(task)
    return [
        wire.MarkOut.showing(
            gap, what="Bridge gap", text=gap_in_words(gap, unit), mended=gap.number in called, marked=False
        )
        for gap in bridge_gaps(plan)
    ]
