"""What goes over the wire. Lengths in mm, areas in mm², moments in ISO 8601 with their zone."""

from datetime import date, datetime
from typing import Literal, get_args

from pydantic import BaseModel, ConfigDict, Field

from dunestead.api.paint_schemas import MixPartIn
from dunestead.api.sheet_schemas import CutSettingsIn, SheetsOut
from dunestead.api.wire import COLOUR, Box, Point, Wire, limits_like, one_of
from dunestead.core.artwork.drawing import NoticeCode
from dunestead.core.artwork.elements import Drawn, Frame, Repeat
from dunestead.core.artwork.finding import Severity, registered_findings
from dunestead.core.artwork.trace.settings import TraceSettings
from dunestead.core.artwork.words.setting import Setting
from dunestead.core.blanks.blank import Blank, Garment
from dunestead.core.blanks.clear import ClearArea, Reason, Timing
from dunestead.core.curing.drying import Weather
from dunestead.core.curing.peel import PeelFirst
from dunestead.core.figures import PeelTime, Use
from dunestead.core.job.job import ENTRIES, BlankEntry, Job, LaterLook, Record, WhenLooked
from dunestead.core.job.log import LogEntry
from dunestead.core.limits import limits_of
from dunestead.core.painting.coatings import Coating
from dunestead.core.painting.coats import CoatLoad, Wanted
from dunestead.core.sheets.price import Aim
from dunestead.core.stations.graph import Phase
from dunestead.core.stations.onward import Deed
from dunestead.core.tacking.centring import Datum
from dunestead.core.work.kinds import Layer, Trait, registered
from dunestead.core.work.marks import MarkKind
from dunestead.core.work.resources import ResourceName
from dunestead.store import StoredBlank

__all__ = [
    "AgainIn",
    "ArrangeIn",
    "BegunOut",
    "BlankIn",
    "BlanksOut",
    "BoardOut",
    "BridgeIn",
    "BridgeKeyIn",
    "BridgeOut",
    "BrokenOut",
    "CallsIn",
    "CardOut",
    "CatalogueOut",
    "ClockOut",
    "CoatingOut",
    "DoneIn",
    "ElementIn",
    "FacePreviewOut",
    "FatesIn",
    "FileQuery",
    "FindingIn",
    "FrameIn",
    "HeadOut",
    "JobIn",
    "JobOut",
    "KeepBlankIn",
    "LookIn",
    "LookOut",
    "MendIn",
    "MendingOut",
    "NextOut",
    "PiecesIn",
    "RecordIn",
    "RecordOut",
    "RemediesOut",
    "RemedyIn",
    "SpotOut",
    "TaskOut",
    "UnitQuery",
    "WeatherIn",
    "WordsIn",
    "WorkOut",
]

Fate = Literal["bridge", "keep", "leave-out", "drop"]
Masks = Literal["one", "each", "lines"]
BridgeStyle = Literal["shortest", "upright", "level", "radial"]
Role = Literal["base", "edge-seal", "colour", "over-colour", "ground", "seal", "finish"]
Where = Literal["everywhere", "under", "mask", "over"]
TaskState = Literal["open", "waiting", "ready", "done", "outdated"]
State = Literal["stop", "warn", "ready", "done"]
Room = Literal["blank", "artwork", "mask", "sheets", "weed", "tack", "paint", "peel", "cure", "record"]
BlankShape = Literal["rectangle", "oval", "outline", "garment"]
_COPIES = limits_of(BlankEntry)["copies"]


class UnitQuery(BaseModel):
    """The maker's unit of length, the copy whose tasks are shown, and the station that is looked at."""

    model_config = ConfigDict(populate_by_name=True)

    unit: Literal["mm", "cm", "in"] = "mm"
    copy_no: int = Field(1, alias="copy", ge=1, le=int(_COPIES.most))
    room: Room | None = Field(None, description="The station whose part is wanted; without it, that of every station.")


class FileQuery(BaseModel):
    """The maker's unit of length, and whether a file is wanted although something red stands in the way."""

    unit: Literal["mm", "cm", "in"] = "mm"
    anyway: bool = False


class GarmentIn(Wire):
    """Where a design goes on a garment; null distances follow the table."""

    model_config = limits_like(Garment)

    size: str = "m"
    placement: str = "full-front"
    drop: float | None = None
    across: float | None = None
    widest: float | None = None


class ClearAreaIn(Wire):
    """An area of the blank that nothing is painted, pressed or pinned on: its middle, mm from the blank's top left."""

    model_config = limits_like(ClearArea)

    x: float
    y: float
    width: float = 40.0
    height: float = 40.0
    shape: Literal["rectangle", "round"] = "rectangle"
    why: Reason = "other"
    name: str = ""
    timing: Timing = "there"


class BlankIn(Wire):
    """The blank; null takes a measured size back."""

    model_config = limits_like(Blank)

    width: float
    height: float
    shape: BlankShape = "rectangle"
    colour: str = Field("#a9814f", pattern=COLOUR)
    corner: float = 0.0
    rim: float = 0.0
    measured_width: float | None = None
    measured_height: float | None = None
    heat: float | None = None
    outline: str | None = None
    outline_name: str = ""
    garment: GarmentIn | None = None
    keeps: Literal["size", "margins"] = "size"
    clear: list[ClearAreaIn] = Field(default_factory=list, max_length=100, description="Areas that are kept clear.")


class WeatherIn(Wire):
    """Where it is painted and dries: degrees C, % humidity, wind in m/s, whether it rains."""

    model_config = limits_like(Weather)

    temperature: float
    humidity: float
    wind: float = 0.0
    rain: bool = False


class CoatingIn(Wire):
    """One coating: null for each colour of the design, as many coats as usual, where its role usually goes."""

    model_config = limits_like(Coating)

    role: Role
    paint: str
    colour: str | None = Field(None, pattern=COLOUR)
    coats: int | None = None
    where: Where | None = None
    mix: list[MixPartIn] = Field(default_factory=list, max_length=100, description="What it is mixed from, by parts.")


class JobIn(Wire):
    """Some of a job's entries, to be changed; what is absent stays."""

    model_config = limits_like(Job, *ENTRIES.values())

    name: str | None = None
    surface: str | None = None
    blank: BlankIn | None = None
    design_width: float | None = None
    dauber: bool | None = None
    covered: bool | None = None
    material: str | None = None
    method: str | None = None
    border: float | None = None
    bridge_width: float | None = None
    overlap: float | None = None
    cutter: str | None = None
    press: str | None = None
    cover_paper: str | None = None
    coatings: list[CoatingIn] | None = Field(default=None, max_length=100)
    copies: int | None = None
    seen_through: bool | None = None
    due: date | None = None
    weather: WeatherIn | None = None
    wanted: Wanted | None = None
    load: CoatLoad | None = None
    use: Use | None = None
    peel_when: PeelTime | None = None
    peel_first: PeelFirst | None = None
    warm_air: bool | None = None
    reverse: bool | None = None
    field_colour: str | None = Field(None, pattern=COLOUR)
    masks: Masks | None = None
    mask_order: list[str] | None = Field(default=None, max_length=1000)
    whole_blank: bool | None = None
    bridge_style: BridgeStyle | None = None
    bridges_per_piece: int | None = None
    stock: int | None = None
    offcuts: bool | None = None
    kept_masks: list[int] | None = Field(None, max_length=40)
    cut: CutSettingsIn | None = None
    together: list[int] | None = Field(default=None, max_length=1000)
    aim: Aim | None = None


class FollowIn(Wire):
    """The size of the blank a design was made for, inside its rim, mm."""

    width: float = Field(gt=0, le=20_000)
    height: float = Field(gt=0, le=20_000)


class FatesIn(Wire):
    """What happens to loose pieces; without numbers, of all of them. A null fate is undecided."""

    numbers: list[int] | None = Field(default=None, max_length=10_000)
    fate: Fate | None


class DoneIn(Wire):
    """A task done, or not after all: when it was, its first stroke, and why before its time."""

    model_config = limits_like(LogEntry)

    task: str = Field(max_length=120)
    done: bool
    reason: str = ""
    at: datetime | None = None
    began: datetime | None = None


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


class AgainIn(Wire):
    """What a job made again is called, for when, and on which blanks of the library; none for the same."""

    name: str = Field(max_length=200)
    due: date | None = None
    blanks: list[int] = Field(default_factory=list, max_length=50)


class BegunOut(BaseModel):
    """Numbers of the jobs that were begun."""

    jobs: list[int]


class MendIn(Wire):
    """A way to mend a job that cannot be reckoned."""

    mend: str


class LaterLookIn(Wire):
    """How a print wears, each from 1 (gone) to 5 (as new)."""

    model_config = limits_like(LaterLook)

    on: date
    paint: int | None = None
    fibres: int | None = None
    edge: int | None = None
    note: str = ""
    gone: bool = False


class RecordIn(Wire):
    """What really happened."""

    model_config = limits_like(Record)

    grade: int | None = None
    notes: str = ""
    minutes: dict[str, float] = Field(default_factory=dict, max_length=50)
    used_ml: dict[str, float] = Field(default_factory=dict, max_length=50)
    troubles: dict[str, int] = Field(default_factory=dict, max_length=50)
    looks: dict[WhenLooked, LaterLookIn] = Field(default_factory=dict)


class RecordOut(RecordIn):
    """What really happened, and of what there are photos."""

    photos: list[str]


class RowOut(BaseModel):
    """A figure with its reason."""

    label: str
    kind: Literal["length", "area", "volume", "minutes", "temperature", "count", "text", "moment"]
    value: float | str
    why: str


class CountOut(BaseModel):
    """Something that is counted: how many were, and how many there should be, where that is known.

    Where the count itself says how many there are, as with pins, `planned` is how many the plan has.
    """

    what: str
    name: str
    counted: int | None
    expected: int | None
    planned: int | None


class CallOut(BaseModel):
    """A roll-call: what must answer by its number, what has and when, where it lifted, and what is counted."""

    numbers: list[int]
    of: Literal["keepers", "placements", "touch-ups"]
    answered: dict[int, datetime]
    keepers_counted: int | None
    lifted: list[int]
    counts: list[CountOut]


class TaskPairOut(BaseModel):
    """Two marks across a seam, and what a tape must read between them, mm."""

    name: str
    distance: float


class TaskSeamOut(BaseModel):
    """A seam that is measured and taped in a task; the patch laid first comes first."""

    name: str
    patches: tuple[int, int]
    pairs: list[TaskPairOut]


class TaskHeatOut(BaseModel):
    """How hot and how long a mask is pressed, C and seconds a rest, and why so."""

    celsius: float
    seconds: float
    why: str


class MarkOut(BaseModel):
    """A place to see to: marked by the maker, or a gap that a bridge left; what to do there."""

    number: int
    what: str
    text: str
    at: Point
    mended: bool
    marked: bool = Field(description="Whether the maker marked it.")


class MarkKindOut(BaseModel):
    """Something that may be wrong, by its key."""

    key: MarkKind
    name: str


class MarkPlaceOut(BaseModel):
    """A window that may be marked, by its number."""

    number: int
    at: Point


class MarkingOut(BaseModel):
    """What may be marked in a task, where, and what there is to see to."""

    task: str = Field(description="The task in which it is marked.")
    kinds: list[MarkKindOut]
    windows: list[MarkPlaceOut]
    marks: list[MarkOut]


class ReadOut(BaseModel):
    """What a tape read last where a mask was laid."""

    at: datetime
    what: str
    within: bool
    instruction: str


class TaskOut(BaseModel):
    """One thing to do on the copy that is shown, and on how many copies it is done."""

    id: str
    code: str = Field(json_schema_extra=one_of(registered()))
    traits: list[Trait] = Field(description="What is so of all steps of its kind.")
    shows: list[Layer] = Field(description="Layers of its picture.")
    station: str
    title: str
    detail: str
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


class StationHeadOut(BaseModel):
    """A station's line of verdict."""

    code: str
    name: str
    state: State
    verdict: str


class SessionOut(BaseModel):
    """Whether one must sign in here, whether one has, and under which first name."""

    guarded: bool
    signed_in: bool
    by: str


class SignInIn(Wire):
    """The workshop's passphrase, and who comes in."""

    passphrase: str = Field(max_length=500)
    by: str = Field(default="", max_length=40, description="First name, for the log.")


class KeyIn(Wire):
    """A key that works once, and who comes in."""

    key: str = Field(max_length=100)
    by: str = Field(default="", max_length=40)


class InvitationOut(BaseModel):
    """A key for another device: its address, the minutes it works, and a picture of it as a data address."""

    address: str
    minutes: int
    picture: str


class SignOutQuery(Wire):
    """Whether all devices are meant."""

    everywhere: bool = False


class BackupOut(BaseModel):
    """A backup that is kept: its file's name, when it was made by the workshop's clock and why, and its bytes."""

    name: str
    made_at: str
    why: str
    size: int


class BackupsOut(BaseModel):
    """Where the workshop's data lies, how large it is and what room is left, bytes; its backups, the newest first."""

    folder: str
    size: int
    free: int
    backups: list[BackupOut]


class HealthOut(BaseModel):
    """That all is well."""

    release: str
    empty: bool = Field(description="Whether no job was ever begun here.")


class TermOut(BaseModel):
    """A word of the trade, how it stands in sentences, and what it means."""

    word: str
    forms: list[str]
    meaning: str


class HandbookOut(BaseModel):
    """The words of the trade, and what each station is for."""

    terms: list[TermOut]
    purposes: dict[str, str]


class OnwardOut(BaseModel):
    """What a station's main button does while the job is still being decided."""

    deed: Deed
    prompt: str
    label: str
    station: str
    width: float | None = Field(description="mm, of the deed `width`.")
    numbers: list[int]
    fate: Fate | None


class StationOut(StationHeadOut):
    """A station: its verdict, what its main button does, its figures, its tasks and how many of them are done."""

    onward: OnwardOut | None
    tasks_done: int
    tasks_all: int

    rows: list[RowOut]
    learnt: list[str]
    earlier: list[str]
    tasks: list[TaskOut]


class NextOut(BaseModel):
    """What comes next: something to decide at a station, or a task."""

    kind: Literal["decide", "do"]
    station: str
    verdict: str
    task: TaskOut | None


class ClockOut(BaseModel):
    """A task that is waited for: from when, and until when it should be done."""

    task: str
    title: str
    station: str
    copy_no: int | None
    opens: datetime
    closes: datetime | None
    late: str = Field(description="What to do once it is too late.")
    drying: str | None = Field(description="The coat it waits for, until somebody says that it is dry to the touch.")


class JobClockOut(ClockOut):
    """A clock of any job."""

    job: int
    job_name: str


class ClocksOut(BaseModel):
    """All that is waited for, soonest first; how many minutes before a moment the alarm sounds."""

    clocks: list[JobClockOut]
    alarm_minutes: float


class HistoryOut(BaseModel):
    """What can be taken back and done again."""

    undo: str | None
    redo: str | None


class HeadOut(BaseModel):
    """Where a job stands, small: its version, each station's verdict, what comes next, what is waited for."""

    id: int
    name: str
    version: int
    stations: list[StationHeadOut]
    next: NextOut | None
    clocks: list[ClockOut]
    history: HistoryOut


class WorkOut(BaseModel):
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


class BridgeIn(Wire):
    """Where a bridge of a piece shall stand.

    Which of its bridges, none for one more; where on the blank, and how far along the piece's edge from there.
    """

    piece: int
    index: int | None = None
    at: Point | None = None
    slide: float = 0.0
    width: float | None = None


class BridgeKeyIn(Wire):
    """One bridge of a piece."""

    piece: int
    index: int


class PiecesIn(Wire):
    """Some loose pieces, all when not given."""

    numbers: list[int] | None = Field(default=None, max_length=10_000)


class NearestOut(BaseModel):
    """The nearest part of the mask a piece could be bridged to; 0 is the frame."""

    to: int
    gap: float
    start: Point
    end: Point


class PieceOut(BaseModel):
    """A loose piece; places in mm on the blank."""

    number: int
    mask: int
    where: str
    area: float
    width: float = Field(description="How far it reaches across, mm.")
    least: float
    box: Box
    anchor: Point
    fate: Fate | None
    is_kept: bool
    is_here: bool
    bridges: int
    nearest: NearestOut | None
    path: str


class FindingOut(BaseModel):
    """Something to know before cutting; `key` names it as long as the design stays as it is."""

    key: str
    code: str = Field(json_schema_extra=one_of({*registered_findings(), *get_args(NoticeCode)}))
    station: str = Field(description="Where it is decided what to do about it.")
    severity: Severity
    at: Point | None
    measured: float | None
    limit: float | None
    message: str
    piece: int | None
    element: int | None


class BridgeOut(BaseModel):
    """A bridge."""

    piece: int
    to: int
    index: int
    start: Point
    end: Point
    width: float
    length: float
    by_hand: bool
    path: str


class WeakOut(BaseModel):
    """A neck or a tongue of the mask, in mm on the blank; the way to dab along a tongue."""

    key: str
    kind: Literal["neck", "tongue"]
    mask: int
    severity: Literal["stop", "warn", "note"]
    listed: bool = Field(description="Whether it is told by itself; of very many alike only the worst are.")
    at: Point
    tip: Point | None
    toward: Point | None
    width: float
    length: float
    limit: float
    message: str
    path: list[Point]


class PatchOut(BaseModel):
    """A sheet's place on the blank."""

    sheet: int
    number: int
    box: Box


class PlacementOut(BaseModel):
    """A rest of the plate; paper goes between where a keeper lies under its rim."""

    number: int
    box: Box
    under_rim: list[int]


class PassOut(BaseModel):
    """One going over of a mask with a hot plate: C, seconds a rest, and its rests from the middle outwards."""

    name: str
    celsius: float
    seconds: float
    placements: list[PlacementOut]


class StripOut(BaseModel):
    """A strip of cover on the blank, in the order they are laid."""

    number: int
    box: Box


class PinOut(BaseModel):
    """A pin, and which way its head leans, a unit vector."""

    number: int
    at: Point
    lean: Point
    holds: str
    piece: int | None


class DistancesOut(BaseModel):
    """What a tape reads to something, and from where, mm."""

    to: str
    datum: Datum
    left: float
    right: float
    top: float
    bottom: float


class ShouldReadOut(BaseModel):
    """What a tape reads at each side of a mask that lies right, or of one of its patches: middle, and two ends; mm."""

    patch: int | None
    left: list[float]
    right: list[float]
    top: list[float]
    bottom: list[float]


class MaskOut(BaseModel):
    """One mask as it lies on the blank, mm."""

    number: int
    name: str
    colour: str | None
    is_reverse: bool
    frame: str
    box: Box
    bridges: list[BridgeOut]
    bridged_area: float
    patches: list[PatchOut]
    passes: list[PassOut]
    datum: Datum
    marks: list[str] = Field(description="What to mark before it is laid.")
    distances: list[DistancesOut]
    readings: list[ShouldReadOut]
    covers: list[StripOut]
    painted_box: Box
    pins: list[PinOut]
    placing: list[int]


class ColourOut(BaseModel):
    """What is painted in one colour."""

    colour: str
    path: str


class GuideOut(BaseModel):
    """A line to snap to, mm on the blank; null for the blank's own."""

    at: float
    element: int | None


class CollarOut(BaseModel):
    """A garment's guide: the middle of the collar seam, and where top and middle of a design go."""

    at: Point
    top: float
    middle: float


class DesignPictureOut(BaseModel):
    """A design on its blank, as path data in mm from the blank's top left."""

    colours: list[ColourOut]
    overhang: str
    painted_box: Box


class ClearOut(BaseModel):
    """An area that is kept clear, as a path on the blank, and what it is called."""

    path: str
    name: str
    at: Point


class PictureOut(DesignPictureOut):
    """The picture of the blank."""

    width: float
    height: float
    outline: str
    rim: float
    blank_colour: str
    base: str
    base_colour: str
    field_colour: str | None
    mask_colour: str
    mask_box: Box
    aligned: bool
    from_back: bool
    masks: list[MaskOut]
    margin: str
    guides_x: list[GuideOut]
    guides_y: list[GuideOut]
    collar: CollarOut | None
    clear: list[ClearOut]


class RepeatIn(Wire):
    """A part of a design many times over."""

    model_config = limits_like(Repeat)

    kind: Literal["row", "grid", "ring", "scatter"]
    across: int = 3
    down: int = 1
    gap_across: float = 10.0
    gap_down: float = 10.0
    radius: float = 100.0
    turning: bool = True
    seed: int = 1
    colours: list[str] = Field(default_factory=list, max_length=1000)


class PartEditIn(Wire):
    """What was done with a part of drawn artwork."""

    part: int
    dropped: bool = False
    colour: str | None = None


class TraceIn(Wire):
    """How a picture is traced; a null threshold is found by itself."""

    model_config = limits_like(TraceSettings)

    corners: tuple[Point, Point, Point, Point] | None = None
    threshold: int | None = None
    inverted: bool = False
    evened: bool = True
    despeckle: int = 4
    smooth: float = 0.5
    ink: Literal["area", "line"] = "area"
    pen: float | None = None


class ElementIn(Wire):
    """Some entries of a part of a design, to be changed; what is absent stays. Lengths in mm."""

    model_config = limits_like(Drawn, Frame, Setting)

    x: float | None = None
    y: float | None = None
    turn: float | None = None
    flipped: bool | None = None
    runs_off: bool | None = None
    embolden: float | None = None
    repeat: RepeatIn | None = None
    width: float | None = None
    colour: str | None = None
    face: str | None = None
    text: str | None = None
    size: float | None = None
    sized_by: Literal["cap", "width"] | None = None
    letter_gap: float | None = None
    line_gap: float | None = None
    align: Literal["left", "centre", "right"] | None = None
    arc: float | None = None
    capitals: bool | None = None
    letter_colours: list[tuple[int, str]] | None = Field(default=None, max_length=5000)
    edits: list[PartEditIn] | None = Field(default=None, max_length=20_000)
    trace: TraceIn | None = None
    style: Literal["single", "double", "dashed"] | None = None
    inset: float | None = None
    thickness: float | None = None
    gap: float | None = None
    dash: float | None = None


class WordsIn(Wire):
    """Words to add."""

    text: str
    face: str | None = Field(None, description="Null for the first that has all the letters.")


class FrameIn(Wire):
    """A frame to add."""

    style: Literal["single", "double", "dashed"] = "single"


class LookIn(Wire):
    """A change to look at without keeping it: another width of the design, or entries of one of its parts."""

    design_width: float | None = None
    element: int | None = None
    entries: ElementIn | None = None


class ArrangeIn(Wire):
    """Parts to align, spread or centre; none means all."""

    numbers: list[int] = Field(default_factory=list, max_length=10_000)
    how: Literal[
        "left",
        "middle",
        "right",
        "top",
        "centre",
        "bottom",
        "spread-across",
        "spread-down",
        "blank-middle",
        "blank-centre",
    ]


class RemedyIn(Wire):
    """A finding by its key, and one of its remedies."""

    finding: str
    remedy: str


class FindingIn(Wire):
    """A finding by its key."""

    finding: str


class KeepBlankIn(Wire):
    """A name for the library."""

    model_config = limits_like(StoredBlank)

    name: str


class WordsOut(BaseModel):
    """Words as set."""

    text: str
    face: str
    size: float
    sized_by: Literal["cap", "width"]
    cap_height: float
    letter_gap: float
    line_gap: float
    align: Literal["left", "centre", "right"]
    arc: float | None
    usual_arc: float
    capitals: bool
    letter_colours: list[tuple[int, str]]
    missing: list[str]


class PartOut(BaseModel):
    """A connected shape of drawn artwork; its place on the blank."""

    number: int
    colour: str
    own_colour: str
    groups: list[str]
    dropped: bool
    too_fine: bool
    at: Point


class TraceOut(TraceIn):
    """How a picture is traced, with what is in force."""

    found_threshold: float
    points: int
    sheet: list[Point] | None = Field(description="Corners of a sheet of paper found in the photo, as shares of it.")


class FrameOut(BaseModel):
    """A frame along the blank's edge."""

    style: Literal["single", "double", "dashed"]
    inset: float
    thickness: float
    gap: float
    dash: float


class ElementOut(BaseModel):
    """A part of a design in its place on the blank; `width` and `height` before it is turned."""

    id: int
    kind: Literal["words", "drawn", "traced", "frame"]
    name: str
    colour: str | None
    colour_name: str | None
    x: float
    y: float
    turn: float
    flipped: bool
    runs_off: bool
    embolden: float
    repeat: RepeatIn | None
    copies: int
    asked: int = Field(description="How many copies are asked for.")
    laid: int = Field(description="How many of them lie on the blank, if only in part.")
    width: float
    height: float
    box: Box
    corners: list[Point]
    path: str
    words: WordsOut | None
    parts: list[PartOut]
    parts_more: int
    edits: list[PartEditIn]
    trace: TraceOut | None
    frame: FrameOut | None


class LeastOut(BaseModel):
    """The width from which one measure of a design holds."""

    measure: Literal["stroke", "web", "part", "letter"]
    width: float
    measured: float
    limit: float
    at: Point


class SheetStepOut(BaseModel):
    """Up to this width so many sheets do."""

    width: float
    sheets: int


class SpotOut(BaseModel):
    """A place that is too fine at every size that fits the blank."""

    measure: Literal["stroke", "web", "part", "letter"]
    measured: float
    at: Point


class RailOut(BaseModel):
    """Widths at which something changes."""

    width: float
    least: list[LeastOut]
    smallest: float
    margin: float
    edge: float
    steps: list[SheetStepOut]
    low: float
    high: float
    fixed: bool
    spots: list[SpotOut]


class LookOut(BaseModel):
    """What a design would look like after a change that is not kept."""

    picture: DesignPictureOut
    elements: list[ElementOut]
    findings: list[FindingOut]
    rail: RailOut
    state: State
    verdict: str


class FacePreviewOut(BaseModel):
    """The maker's own words in another face at the same size: path data in mm, and whether they hold."""

    face: str
    path: str
    width: float
    height: float
    loose: int
    holds: bool
    verdict: str


class RemedyOut(BaseModel):
    """A change that was tried and helps."""

    code: str
    label: str
    consequence: str


class RemediesOut(BaseModel):
    """What can be done about a finding."""

    remedies: list[RemedyOut]


_READ = "Mm from the blank's edge to the mask's: one value in the middle of that side, or two at its ends."


class SeamReadingsIn(Wire):
    """What a tape read across a seam: mm, by the name of the marks."""

    readings: dict[str, float] = Field(max_length=20)


class SeamLaidOut(BaseModel):
    """What to do to the patch laid second: by marks, how much too far apart they are, mm."""

    off: dict[str, float]
    within: bool
    instructions: list[str]


class ReadingsIn(Wire):
    """What a tape read around a laid mask; left and right as one stands before the blank."""

    left: list[float] = Field(default_factory=list, max_length=2, description=_READ)
    right: list[float] = Field(default_factory=list, max_length=2, description=_READ)
    top: list[float] = Field(default_factory=list, max_length=2, description=_READ)
    bottom: list[float] = Field(default_factory=list, max_length=2, description=_READ)
    patch: int | None = Field(None, ge=1, description="One of its patches that is laid by itself.")
    within: float | None = Field(None, description="How far off a corner may be, mm.")


class LaidOut(BaseModel):
    """What to do to a laid mask: shift it, mm right and down, after turning it, degrees clockwise."""

    shift: Point
    turn: float
    within: bool
    doubtful: list[str]
    instructions: list[str]
    lies: list[Point] = Field(description="Its corners where it lies, mm on the blank as one stands before it.")
    should: list[Point] = Field(description="Its corners where it should lie.")


class WaitOut(BaseModel):
    """How far a request is that someone waits for."""

    going: bool
    what: str
    share: float = Field(description="How much of that is done, 0 to 1.")
    seconds: float


class StoredBlankOut(BaseModel):
    """A blank of the library."""

    id: int
    name: str
    surface: str
    surface_name: str
    width: float
    height: float


class BlanksOut(BaseModel):
    """The library of blanks."""

    blanks: list[StoredBlankOut]


class InputsOut(BaseModel):
    """The maker's entries as they are in force; null follows the catalogue."""

    name: str
    surface: str
    blank: BlankIn
    dauber: bool
    covered: bool
    material: str
    method: str | None
    border: float | None
    bridge_width: float | None
    overlap: float | None
    cutter: str
    press: str
    cover_paper: str
    coatings: list[CoatingIn]
    copies: int
    seen_through: bool
    due: date | None
    weather: WeatherIn
    wanted: Wanted
    load: CoatLoad | None
    use: Use | None
    peel_when: PeelTime | None
    peel_first: PeelFirst | None
    warm_air: bool
    reverse: bool
    field_colour: str
    masks: Masks
    mask_order: list[str]
    whole_blank: bool
    bridge_style: BridgeStyle
    bridges_per_piece: int | None
    stock: int | None
    offcuts: bool
    kept_masks: list[int]
    cut: CutSettingsIn | None
    together: list[int]
    aim: Aim


class InForceOut(BaseModel):
    """Figures in force where the maker gave none."""

    border: float
    bridge_width: float
    overlap: float
    heat: float | None


class AdviceOut(BaseModel):
    """How many masks to cut for the colours, and why."""

    masks: Masks
    why: str


class ScorePartOut(BaseModel):
    """What counts for or against a method."""

    points: int
    why: str


class ConsequenceOut(BaseModel):
    """What hangs on a method: mm, counts, minutes of the hands for a copy, and what a copy costs."""

    material: str
    mirrored: bool
    border: float
    sheets: int
    seams: int
    placed: int
    rests: int
    pins: int
    keepers: str
    minutes: float
    cost: float | None


class MethodChangeOut(BaseModel):
    """A job as it is, and as it would be with another method."""

    now: ConsequenceOut
    then: ConsequenceOut


class MethodOut(BaseModel):
    """How a mask may travel and hold: whether it will do, how well, and why."""

    key: str
    name: str
    about: str
    allowed: bool
    score: int
    why: list[str]
    parts: list[ScorePartOut]


class CoatingOut(BaseModel):
    """One coating as it will be put on: mm² of one copy, ml, and minutes after a coat."""

    number: int
    role: Role
    role_name: str
    paint: str
    paint_name: str
    colour: str | None
    coats: int
    where: Where
    mask: int | None
    area: float
    coat_ml: float
    total_ml: float
    pour_ml: float = Field(description="With what stays in the tool.")
    low_ml: float
    high_ml: float
    cans: int | None
    bottles: int | None
    why: str
    coats_why: str
    is_sprayed: bool
    next_coat: float
    touch: float
    handle: float
    use: float
    wash: float | None


class MaterialOut(BaseModel):
    """A mask material held against the job: what rules it out, else what a copy costs in money and minutes."""

    key: str
    name: str
    fits: bool
    excluded: list[str]
    small: int
    weak: int
    sheets: int
    uses: int
    wash_every: int | None
    cost: float
    minutes: float


class MaterialCostOut(BaseModel):
    """What a copy costs with a material, for 1 copy, 2, 3 and so on."""

    key: str
    costs: list[float]


class BreakEvenOut(BaseModel):
    """From so many copies on a material is the cheapest."""

    copies: int
    material: str


class ReuseOut(BaseModel):
    """What a copy costs by the number of copies."""

    copies: list[int]
    lines: list[MaterialCostOut]
    break_even: list[BreakEvenOut]


class MaskRoomOut(BaseModel):
    """What only *Mask* shows."""

    methods: list[MethodOut]
    gone: list[int]
    touch_up_minutes: float
    advice: AdviceOut
    materials: list[MaterialOut]
    reuse: ReuseOut


class JobOut(WorkOut):
    """A job as one station shows it: what all of them show, and the part of that station.

    The parts of other stations are null; so are the tasks and figures of theirs left out.
    """

    room: Room | None
    inputs: InputsOut
    in_force: InForceOut
    method: str
    coatings: list[CoatingOut]
    picture: PictureOut
    elements: list[ElementOut]
    pieces: list[PieceOut]
    findings: list[FindingOut]
    rail: RailOut
    weak: list[WeakOut] | None = Field(description="For *Mask* and *Paint*.")
    mask: MaskRoomOut | None
    sheets: SheetsOut | None
    record: RecordOut
    label_first: str


class CardOut(BaseModel):
    """A job on the board."""

    id: int
    name: str
    surface_name: str
    due: date | None
    station: str
    station_name: str
    about: str
    state: State
    verdict: str
    next_title: str | None
    phase: Phase
    tasks_done: int
    tasks: int
    clocks: list[ClockOut]
    loose: int
    width: float
    height: float
    outline: str
    blank_colour: str
    colours: list[ColourOut]


class BrokenOut(BaseModel):
    """A job that cannot be reckoned: what is wrong, and what can be done."""

    id: int
    name: str
    what: str
    fix: str


class LookDueOut(BaseModel):
    """A finished print that should be looked at again: after a week, a month or a year."""

    job: int
    name: str
    when: WhenLooked
    since: date


class BoardOut(BaseModel):
    """All jobs on the board, or all that were put away; on the board also the looks that are due."""

    jobs: list[CardOut]
    broken: list[BrokenOut]
    looks: list[LookDueOut]


class ExampleOut(BaseModel):
    """An example job: what it is known by, and what it shows."""

    key: str
    name: str


class ExamplesOut(BaseModel):
    """The example jobs."""

    examples: list[ExampleOut]


class MendOut(BaseModel):
    """A way to mend a job, in words."""

    key: str
    label: str


class MendingOut(BaseModel):
    """A job that cannot be reckoned, what is wrong with it, and what mends it; nothing where it is sound."""

    id: int
    name: str
    version: int
    what: str
    fix: str
    mends: list[MendOut]
    history: HistoryOut


class LimitOut(BaseModel):
    """What a number may be, in its unit, or how many letters a text."""

    name: str
    least: float
    most: float
    unit: str
    step: float


class ChoiceOut(BaseModel):
    """A row of the catalogue to choose; `suits` lists the surfaces it works on."""

    key: str
    name: str
    about: str
    suits: list[str]


class FigureOut(BaseModel):
    """One figure of the catalogue with unit, range and reason."""

    table: str
    key: str
    name: str
    value: float
    low: float
    high: float
    unit: str
    why: str


class FaceOut(BaseModel):
    """A shipped face."""

    key: str
    name: str
    kind: str
    kind_name: str


class TextQuery(Wire):
    """A text that is to be set."""

    text: str = Field("", max_length=400)


class FaceKeysOut(BaseModel):
    """Keys of faces."""

    faces: list[str]


class CatalogueOut(BaseModel):
    """What there is to choose from."""

    surfaces: list[ChoiceOut]
    materials: list[ChoiceOut]
    cutters: list[ChoiceOut]
    presses: list[ChoiceOut]
    covers: list[ChoiceOut]
    tools: list[tuple[str, str]] = Field(description="What a workshop may have to make masks hold: keys and names.")
    paints: list[ChoiceOut]
    figures: list[FigureOut]
    garments: list[ChoiceOut]
    placements: list[ChoiceOut]
    faces: list[FaceOut]
    roles: dict[str, list[str]]
    limits: dict[str, LimitOut]
