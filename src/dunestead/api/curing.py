"""The cure: the axis of time, ready by, care cards, the calendar file, the hours of the bench."""

from dataclasses import replace
from datetime import datetime

from flask import Response

from dunestead.api import schemas
from dunestead.api.description import hands_out
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, download, opened
from dunestead.api.schemas import cure as wire
from dunestead.core.errors import NotNow
from dunestead.core.records import Hours, check_hours
from dunestead.core.units import several, show_time
from dunestead.core.words.care import care_of
from dunestead.core.work.kinds import Trait
from dunestead.core.work.saying import title_of
from dunestead.core.work.schedule import MOST_TASKS, schedule_of
from dunestead.core.work.timeline import Event, timeline_of
from dunestead.formats.bundle import file_stem
from dunestead.formats.calendar_file import write_calendar
from dunestead.formats.care_card import write_care_cards
from dunestead.workshop.opened import OpenJob
from dunestead.workshop.readiness import Readiness, due_of, readiness_of

__all__ = ["curing"]

curing = Endpoints("curing", __name__, url_prefix="/api", tag="Curing")
_MOST_EVENTS = 400


@curing.get("/jobs/<int:job_id>/cure")
def get_cure(job_id: int, query: schemas.UnitQuery) -> wire.CureOut:
    """Show when each coat of a copy was or will be put on, dries, is used and washed, and whether it is in time."""
    found = opened(job_id, query)
    hours = bench().records.hours_kept()
    readiness = readiness_of(bench(), found, hours)
    schedule = readiness.schedule
    copy = min(query.copy_no, found.plan.copies)
    events = timeline_of(found.progress, schedule, copy) if schedule else []
    return wire.CureOut(
        now=found.at,
        events=[_event(event, query.unit) for event in events[:_MOST_EVENTS]],
        ready=schedule.ready if schedule else None,
        by=_by(found, readiness),
        hours=hours,
    )


def _event(event: Event, unit: str) -> wire.EventOut:
    waits = ""
    if event.waits_for is not None:
        waits = f"{show_time(event.minutes)} after: {title_of(event.waits_for, unit)}"
    return wire.EventOut.showing(event, task=event.task.id, title=title_of(event.task, unit), waits=waits)


def _by(found: OpenJob, readiness: Readiness) -> wire.ReadyOut | None:
    by, due = readiness.by, due_of(found.plan.job)
    if by is None or due is None:
        return None
    if by.meets:
        summary = "It will be ready in time."
    elif due < found.at:
        days = (by.schedule.ready - due).days + 1
        summary = f"The day it was due has passed. It will be {several(days, 'day')} late."
    else:
        summary = f"It cannot be ready in time: {show_time(by.late.total_seconds() / 60)} too late."
    return wire.ReadyOut.showing(
        by,
        due=due,
        late_minutes=by.late.total_seconds() / 60,
        summary=summary,
        helps=list(readiness.helps),
    )


@curing.put("/workshop/hours")
def set_hours(given: Hours) -> Hours:
    """Say when somebody is at the bench."""
    hours = replace(given, days=tuple(sorted(set(given.days))))
    check_hours(hours)
    bench().records.keep_hours(hours)
    return hours


def _from(found: OpenJob, trait: Trait, copy: int) -> datetime | None:
    """Return from when a copy may be used or washed, None while a coat of it is not on yet."""
    task = next((task for task in found.graph.with_trait(trait) if task.copy == copy), None)
    return found.progress.timed_from(task) if task else None


@curing.get("/jobs/<int:job_id>/care-cards-<any(a4, letter):paper>.pdf")
@hands_out("pdf")
def get_care_cards(job_id: int, paper: str, query: schemas.UnitQuery) -> Response:
    """Download a care card for every copy."""
    found = opened(job_id, query)
    cards = [
        care_of(found.plan, _from(found, Trait.IN_USE, copy), _from(found, Trait.MAY_BE_WASHED, copy))
        for copy in range(1, found.plan.copies + 1)
    ]
    data = write_care_cards(cards, "letter" if paper == "letter" else "a4")
    return download(data, "application/pdf", f"{file_stem(found.plan.job.name)}-care-cards.pdf")


@curing.get("/jobs/<int:job_id>/times.ics")
@hands_out("ics")
def get_times(job_id: int, query: schemas.UnitQuery) -> Response:
    """Download what is still to be done as a calendar file."""
    found = opened(job_id, query)
    if len(found.graph.tasks) > MOST_TASKS:
        raise NotNow("This job has too many tasks for a calendar.", "Divide it into several jobs.")
    schedule = schedule_of(found.progress, found.at, bench().records.hours_kept())
    alarm = bench().catalogue.workshop["alarm_before"]
    data = write_calendar(found.plan.job.name, job_id, found.progress, schedule, found.at, alarm, query.unit)
    return download(data, "text/calendar; charset=utf-8", f"{file_stem(found.plan.job.name)}.ics")
