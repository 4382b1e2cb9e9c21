"""What goes over the wire of the cure: the axis of time, ready by, the hours of the bench."""

from datetime import datetime

from pydantic import Field

from dunestead.api.wire import Shown
from dunestead.core.records import Hours
from dunestead.workshop.readiness import Help


class EventOut(Shown):
    """One task on the axis of time."""

    task: str
    title: str
    begins: datetime
    ends: datetime
    done: bool
    waits: str = Field(description="What it waits for, in words; empty where it waits for no drying.")


class ReadyOut(Shown):
    """A job held against its due date."""

    due: datetime
    meets: bool
    late_minutes: float
    latest: datetime | None = Field(description="The latest moment to go on.")
    summary: str
    helps: list[Help]


class CureOut(Shown):
    """All times of one copy, and whether the job is ready in time."""

    now: datetime
    events: list[EventOut]
    ready: datetime | None
    by: ReadyOut | None
    hours: Hours
