"""What goes over the wire of the cure: the axis of time, ready by, the hours of the bench."""

from datetime import datetime

from pydantic import Field

from dunestead.api.wire import Shown, Wire, limits_like
from dunestead.core.records import Hours


class EventOut(Shown):
    """One task on the axis of time."""

    task: str
    title: str
    begins: datetime
    ends: datetime
    done: bool
    waits: str = Field(description="What it waits for, in words; empty where it waits for no drying.")


class HelpChoiceOut(Shown):
    """A change that would help, and when it is ready then."""

    label: str
    ready: datetime
    meets: bool


class ReadyOut(Shown):
    """A job held against its due date."""

    due: datetime
    meets: bool
    late_minutes: float
    latest: datetime | None = Field(description="The latest moment to go on.")
    summary: str
    helps: list[HelpChoiceOut]


class HoursOut(Shown):
    """When somebody is at the bench: hours of the clock, and days of the week, Monday is 0."""

    day_from: float
    day_until: float
    days: list[int]


class HoursIn(Wire):
    """When somebody is at the bench."""

    model_config = limits_like(Hours)

    day_from: float
    day_until: float
    days: list[int] = Field(max_length=7)


class CureOut(Shown):
    """All times of one copy, and whether the job is ready in time."""

    now: datetime
    events: list[EventOut]
    ready: datetime | None
    by: ReadyOut | None
    hours: HoursOut
