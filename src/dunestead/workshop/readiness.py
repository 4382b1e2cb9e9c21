"""Will a job be ready in time, and if not, what would help?"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import datetime, time, timedelta

from dunestead.core.errors import DunesteadError
from dunestead.core.job.job import Job, altered
from dunestead.core.painting.choice import rank_paints
from dunestead.core.plan.painting import paint_work
from dunestead.core.records import Hours
from dunestead.core.units import several
from dunestead.core.work.kinds import Trait
from dunestead.core.work.progress import Progress
from dunestead.core.work.schedule import MOST_TASKS, ReadyBy, Schedule, ready_by, schedule_of
from dunestead.workshop.opened import OpenJob
from dunestead.workshop.workbench import Workbench

__all__ = ["Help", "Readiness", "due_of", "readiness_of"]

_MOST_PAINTS = 3


@dataclass(frozen=True, slots=True)
class Help:
    """A change that would bring a job nearer to its due date: when it is ready then, and whether that is in time."""

    label: str
    ready: datetime
    meets: bool


@dataclass(frozen=True, slots=True)
class Readiness:
    """When a job is ready, against its due date.

    Attributes
    ----------
    schedule
        None where it has more tasks than are put in order one by one.
    by
        None where it is not due.
    helps
        What would help, soonest first, where it is not ready in time.
    """

    schedule: Schedule | None
    by: ReadyBy | None
    helps: tuple[Help, ...]


def due_of(job: Job) -> datetime | None:
    """Return the end of the day a job is due, by the clock on the wall; None where it is not."""
    if job.blank.due is None:
        return None
    return datetime.combine(job.blank.due, time.max).astimezone()


def readiness_of(bench: Workbench, opened: OpenJob, hours: Hours) -> Readiness:
    """Return whether a job is ready in time when it is gone on with now, and what would help."""
    if len(opened.graph.tasks) > MOST_TASKS:
        return Readiness(None, None, ())
    due = due_of(opened.plan.job)
    if due is None:
        return Readiness(schedule_of(opened.progress, opened.at, hours), None, ())
    by = ready_by(opened.progress, opened.at, due, hours)
    helps = () if by.meets else tuple(_helps(bench, opened, hours, due, by.schedule.ready))
    return Readiness(by.schedule, by, tuple(sorted(helps, key=lambda one: one.ready)))


def _helps(bench: Workbench, opened: OpenJob, hours: Hours, due: datetime, ready: datetime) -> Iterator[Help]:
    for label, job in _changes(bench, opened):
        try:
            graph = bench.reckon(job).graph
        except DunesteadError:
            continue
        then = schedule_of(Progress(graph, opened.log), opened.at, hours).ready
        if then < ready - timedelta(minutes=1):
            yield Help(label, then, then <= due)
    if due < opened.at:
        # No days more help where the day has passed.
        return
    late = ready - due
    days = late.days + 1
    yield Help(f"{several(days, 'day')} more", ready, meets=True)


def _changes(bench: Workbench, opened: OpenJob) -> Iterator[tuple[str, Job]]:
    """Yield what might be changed about a job."""
    plan, job = opened.plan, opened.plan.job
    if any(opened.progress.is_done(task) for task in opened.graph.of("paint") if task.has(Trait.FIRST_STROKE)):
        # What is on is on.
        return
    if not job.paint.warm_air and any(coat.paint.warm_air for coat in plan.coatings):
        yield "Warm air between the coats", altered(job, warm_air=True)
    if not job.paint.base_at_touch and any(coat.is_before_masks for coat in plan.coatings):
        yield "The mask laid once the base is dry to the touch; tape may lift it", altered(job, base_at_touch=True)
    planned = {coat.role: coat.coats for coat in plan.coatings}
    if planned.get("colour", 1) > 1:
        fewer = tuple(
            replace(one, coats=planned["colour"] - 1) if one.role == "colour" else one for one in job.paint.coatings
        )
        yield "One coat less", altered(job, coatings=fewer)
    if any(one.role in ("seal", "finish") for one in job.paint.coatings):
        bare = tuple(one for one in job.paint.coatings if one.role not in ("seal", "finish"))
        yield "No finish", altered(job, coatings=bare)
    fits = [fit.paint for fit in rank_paints(paint_work(plan, bench.catalogue, None), bench.catalogue) if fit.allowed]
    others = [paint for paint in fits if paint.use < plan.choices.paint.use]
    for paint in others[:_MOST_PAINTS]:
        coatings = tuple(replace(one, paint=paint.key) if one.role == "colour" else one for one in job.paint.coatings)
        yield f"{paint.name} instead", altered(job, coatings=coatings)
