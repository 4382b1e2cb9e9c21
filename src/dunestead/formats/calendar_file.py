"""A job's times as an iCalendar file (RFC 5545)."""

from datetime import UTC, datetime, timedelta

from icalendar import Alarm, Calendar, Event

from dunestead.core.units import show_time
from dunestead.core.work.kinds import Trait
from dunestead.core.work.progress import Progress
from dunestead.core.work.saying import detail_of, title_of
from dunestead.core.work.schedule import Schedule
from dunestead.core.work.tasks import Task, TaskGraph

__all__ = ["write_calendar"]

# What is over sooner is no entry of a calendar by itself; what only waits is one at its end.
_LEAST_MIN = 2.0
_STATIONS = ("paint", "peel", "cure", "blank")


def write_calendar(
    name: str, job_id: int, progress: Progress, schedule: Schedule, now: datetime, alarm_minutes: float, unit: str
) -> bytes:
    """Return what is still to be done on a job, with an alarm before each, as iCalendar.

    Parameters
    ----------
    name, job_id
        Of the job.
    progress, schedule
        Its tasks, and when each is done.
    now
        When it is written.
    alarm_minutes
        How long before a begin the alarm sounds.
    """
    calendar = Calendar()
    calendar.add("prodid", "-//Dunestead//Times of a job//EN")
    calendar.add("version", "2.0")
    calendar.add("name", name)
    for task in progress.graph.tasks:
        slot = schedule.slots.get(task.id)
        if slot is None or slot.done or not _is_entry(task):
            continue
        event = Event()
        event.add("uid", f"{job_id}-{task.id.replace('/', '-')}@dunestead.local")
        # In UTC: every calendar knows it, and no change of clocks moves it.
        event.add("dtstamp", now.astimezone(UTC))
        event.add("dtstart", slot.begins.astimezone(UTC))
        event.add("dtend", max(slot.ends, slot.begins + timedelta(minutes=_LEAST_MIN)).astimezone(UTC))
        copy = f", copy {task.copy}" if task.copy and task.copy > 1 else ""
        event.add("summary", f"{name}: {title_of(task, unit)}{copy}")
        event.add("description", _described(task, progress.graph, unit))
        alarm = Alarm()
        alarm.add("action", "DISPLAY")
        alarm.add("description", title_of(task, unit))
        alarm.add("trigger", timedelta(minutes=-alarm_minutes))
        event.add_component(alarm)
        calendar.add_component(event)
    data: bytes = calendar.to_ical()
    return data


def _is_entry(task: Task) -> bool:
    timed = any(wait.least or wait.most is not None for wait in task.after)
    begins = timed or task.has(Trait.FIRST_STROKE) or task.minutes >= _LEAST_MIN
    return task.needs_marks is None and task.station in _STATIONS and begins


def _described(task: Task, graph: TaskGraph, unit: str) -> str:
    hands = f" About {show_time(task.minutes)}." if task.minutes else ""
    return f"{detail_of(task, graph, unit)}{hands}".strip()
