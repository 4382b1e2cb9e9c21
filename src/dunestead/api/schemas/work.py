"""Tasks, clocks and stations, and what is ticked, called, counted and marked."""

from datetime import datetime
from typing import Literal

from pydantic import Field

from dunestead.api.wire import Point, Shown, Wire, limits_like, one_of
from dunestead.core.job.log import LogEntry
from dunestead.core.stations.onward import Onward
from dunestead.core.stations.station import Row, State
from dunestead.core.work.kinds import Layer, Trait, registered
from dunestead.core.work.marks import MarkKind
from dunestead.core.work.progress import TaskState
from dunestead.core.work.resources import ResourceName


class FollowIn(Wire):
    """The size of the blank a design was made for, inside its rim, mm."""

    width: float = Field(gt=0, le=20_000)
    height: float = Field(gt=0, le=20_000)


class DoneIn(Wire):
    """A task done, or not after all: when it was, its first stroke, and why before its time."""

    model_config = limits_like(LogEntry)

    task: str = Field(max_length=120)
    done: bool
    reason: str = ""
    at: datetime | None = None
    began: datetime | None = None
    all_here: bool = Field(False, description="Its count comes out: all pieces answered, as many of each as should be.")


class BegunIn(Wire):
    """A task whose first stroke is made now."""

    task: str = Field(max_length=120)


class MarkIn(Wire):
    """A place that wants a second look, mm on the blank, and what is wrong there."""

    task: str = Field(max_length=120)
    what: MarkKind
    at: Point


class MarkedIn(Wire):
    """A marked place of a task."""

    task: str = Field(max_length=120)
    number: int = Field(ge=1, le=100_000)


class MendedIn(MarkedIn):
    """A marked place that was seen to, or was not after all."""

    mended: bool


class CallsIn(Wire):
    """Keepers, or rests of the plate, that answered a task's roll-call, or did not after all."""

    task: str = Field(max_length=120)
    numbers: list[int] = Field(max_length=5000)
    present: bool


class CountIn(Wire):
    """How many of something were counted in a task."""

    model_config = limits_like(LogEntry)

    task: str = Field(max_length=120)
    what: str = Field(max_length=40)
    count: int


class UsedIn(Wire):
    """How a mask was really pressed: C, and seconds a rest."""

    task: str = Field(max_length=120)
    celsius: float
    seconds: float


class LiftedIn(Wire):
    """Rests of the plate where the mask lifted, or held after all."""

    task: str = Field(max_length=120)
    numbers: list[int] = Field(max_length=5000)
    lifted: bool


class CountOut(Shown):
    """Something that is counted: how many were, and how many there should be, where that is known.

    Where the count itself says how many there are, as with pins, `planned` is how many the plan has.
    """

    what: str
    name: str
    counted: int | None
    expected: int | None
    planned: int | None


class CallOut(Shown):
    """A roll-call: what must answer by its number, what has and when, where it lifted, and what is counted."""

    numbers: list[int]
    of: Literal["keepers", "placements", "touch-ups"]
    answered: dict[int, datetime]
    keepers_counted: int | None
    all_here: str | None = Field(description="What is said when the count comes out; None where that is not known.")
    lifted: list[int]
    counts: list[CountOut]


class TaskPairOut(Shown):
    """Two marks across a seam, and what a tape must read between them, mm."""

    name: str
    distance: float


class TaskSeamOut(Shown):
    """A seam that is measured and taped in a task; the patch laid first comes first."""

    name: str
    patches: tuple[int, int]
    pairs: list[TaskPairOut]


class TaskHeatOut(Shown):
    """How hot and how long a mask is pressed, C and seconds a rest, and why so."""

    celsius: float
    seconds: float
    why: str


class MarkOut(Shown):
    """A place to see to: marked by the maker, or a gap that a bridge left; what to do there."""

    number: int
    what: str
    text: str
    at: Point
    mended: bool
    marked: bool = Field(description="Whether the maker marked it.")


class MarkKindOut(Shown):
    """Something that may be wrong, by its key."""

    key: MarkKind
    name: str


class MarkPlaceOut(Shown):
    """A window that may be marked, by its number."""

    number: int
    at: Point


class MarkingOut(Shown):
    """What may be marked in a task, where, and what there is to see to."""

    task: str = Field(description="The task in which it is marked.")
    kinds: list[MarkKindOut]
    windows: list[MarkPlaceOut]
    marks: list[MarkOut]


class ReadOut(Shown):
    """What a tape read last where a mask was laid."""

    at: datetime
    what: str
    within: bool
    instruction: str


class TaskOut(Shown):
    """One thing to do on the copy that is shown, and on how many copies it is done."""

    id: str
    code: str = Field(json_schema_extra=one_of(registered()))
    traits: list[Trait] = Field(description="What is so of all steps of its kind.")
    shows: list[Layer] = Field(description="Layers of its picture.")
    station: str
    title: str
    detail: str
    lines: list[str] = Field(description="The same by its sentences, where it is long.")
    mask: int | None
    sheet: int | None
    copy_no: int | None
    coating: int | None
    minutes: float
    occupies: ResourceName
    needs: list[str]
    caution: str | None
    call: CallOut | None
    seams: list[TaskSeamOut]
    heat: TaskHeatOut | None
    read: ReadOut | None
    begun: datetime | None
    marking: MarkingOut | None
    state: TaskState
    held_up: str = Field(description="What comes before it, or must pass: ticked now it asks for a reason.")
    done_at: datetime | None
    done_by: str = Field(description="First name of who did it; empty where nobody signs in.")
    reason: str
    changed: list[str]
    opens: datetime | None
    closes: datetime | None
    copies_done: int
    copies: int
    counted: Literal["copies", "sets"]


class StationHeadOut(Shown):
    """A station's line of verdict."""

    code: str
    name: str
    state: State
    verdict: str
    brief: str = Field(description="Its one short figure.")


class StationOut(StationHeadOut):
    """A station: its verdict, what its main button does, its figures, its tasks and how many of them are done."""

    onward: Onward | None
    tasks_done: int
    tasks_all: int

    rows: list[Row]
    learnt: list[str]
    earlier: list[str]
    tasks: list[TaskOut]


class NextOut(Shown):
    """What comes next: something to decide at a station, or a task."""

    kind: Literal["decide", "do"]
    station: str
    verdict: str
    task: TaskOut | None


class ClockOut(Shown):
    """A task that is waited for: from when, and until when it should be done."""

    task: str
    title: str
    station: str
    copy_no: int | None
    opens: datetime | None = Field(description="Null while something that it is timed by is still to be done.")
    closes: datetime | None
    first: str = Field(description="What is still to be done before it opens, and until when.")
    fits_until: datetime | None = Field(description="When that must be begun at the latest.")
    unfit: str = Field(description="What to do once it is later than that.")
    late: str = Field(description="What to do once it is too late.")
    drying: str | None = Field(description="The coat it waits for, until somebody says that it is dry to the touch.")


class JobClockOut(ClockOut):
    """A clock of any job."""

    job: int
    job_name: str


class ClocksOut(Shown):
    """All that is waited for, soonest first; how many minutes before a moment the alarm sounds."""

    clocks: list[JobClockOut]
    alarm_minutes: float


class HistoryOut(Shown):
    """What can be taken back and done again."""

    undo: str | None
    redo: str | None


class HeadOut(Shown):
    """Where a job stands, small: its version, each station's verdict, what comes next, what is waited for."""

    id: int
    name: str
    version: int
    stations: list[StationHeadOut]
    next: NextOut | None
    clocks: list[ClockOut]
    history: HistoryOut


class WorkOut(Shown):
    """What is to be done on a job and what was done; the tasks of one copy."""

    id: int
    version: int
    copy_no: int
    copies: int
    stations: list[StationOut]
    next: NextOut | None
    held: str | None
    clocks: list[ClockOut]
    history: HistoryOut
