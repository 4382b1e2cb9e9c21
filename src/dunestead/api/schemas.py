"""What goes over the wire. Lengths in mm, areas in mm², moments in ISO 8601 with their zone."""

from datetime import date, datetime
from typing import Literal

from pydantic import BaseModel, ConfigDict, Field

__all__ = [
    "BlankIn",
    "BoardOut",
    "CallsIn",
    "CardOut",
    "CatalogueOut",
    "FatesIn",
    "JobIn",
    "JobOut",
    "RecordIn",
    "RoomIn",
    "TickIn",
    "UnitQuery",
]

Fate = Literal["bridge", "keep", "leave-out"]
Call = Literal["dish", "placed", "lifted"]
State = Literal["stop", "warn", "ready", "done"]
Point = tuple[float, float]
Box = tuple[float, float, float, float]


class Wire(BaseModel):
    """Base of all that comes in: what is not known is refused, numbers are finite."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)


class UnitQuery(BaseModel):
    """The unit that sentences show lengths in."""

    unit: Literal["mm", "cm", "in"] = "mm"


class BlankIn(Wire):
    """The blank; null takes a measured size back."""

    width: float
    height: float
    shape: Literal["rectangle", "oval"] = "rectangle"
    colour: str = Field("#a9814f", pattern=r"^#[0-9a-fA-F]{6}$")
    measured_width: float | None = None
    measured_height: float | None = None


class RoomIn(Wire):
    """Where it dries: degrees C and % humidity."""

    temperature: float
    humidity: float


class JobIn(Wire):
    """Some of a job's entries, to be changed; what is absent stays."""

    name: str | None = None
    surface: str | None = None
    blank: BlankIn | None = None
    design_width: float | None = None
    offset_x: float | None = None
    offset_y: float | None = None
    material: str | None = None
    border: float | None = None
    bridge_width: float | None = None
    overlap: float | None = None
    cutter: str | None = None
    press: str | None = None
    paint: str | None = None
    coats: int | None = None
    copies: int | None = None
    seen_through: bool | None = None
    due: date | None = None
    room: RoomIn | None = None


class FatesIn(Wire):
    """What becomes of loose pieces; without numbers, of all of them. A null fate is undecided."""

    numbers: list[int] | None = None
    fate: Fate | None


class TickIn(Wire):
    """A step done, or not after all."""

    code: str
    done: bool


class CallsIn(Wire):
    """Keepers that answered a roll-call, or did not after all; without numbers, all of them."""

    numbers: list[int] | None = None
    call: Call
    done: bool


class RecordIn(Wire):
    """What really happened."""

    grade: int | None = None
    notes: str = ""
    minutes: dict[str, float] = Field(default_factory=dict)
    paint_ml: float | None = None


class RowOut(BaseModel):
    """A figure with its reason."""

    label: str
    kind: Literal["length", "area", "volume", "minutes", "temperature", "count", "text", "moment"]
    value: float | str
    why: str


class StepOut(BaseModel):
    """A thing to do."""

    code: str
    station: str
    title: str
    detail: str
    minutes: float | None
    call: Call | None
    caution: str | None
    done_at: datetime | None


class StationOut(BaseModel):
    """A station as it stands."""

    code: str
    name: str
    state: State
    verdict: str
    rows: list[RowOut]
    steps: list[StepOut]


class NearestOut(BaseModel):
    """The nearest part of the mask a piece could be bridged to; 0 is the frame."""

    to: int
    gap: float
    start: Point
    end: Point


class PieceOut(BaseModel):
    """A loose piece; places in mm on the blank."""

    number: int
    area: float
    least: float
    box: Box
    anchor: Point
    fate: Fate | None
    is_kept: bool
    nearest: NearestOut
    calls: dict[Call, datetime]
    path: str


class FindingOut(BaseModel):
    """Something to know before cutting."""

    code: str
    severity: Literal["stop", "warn", "note"]
    at: Point | None
    measured: float | None
    limit: float | None
    message: str
    piece: int | None


class BridgeOut(BaseModel):
    """A bridge."""

    piece: int
    to: int
    start: Point
    end: Point
    length: float
    path: str


class PatchOut(BaseModel):
    """A sheet's place on the blank."""

    sheet: int
    box: Box


class PlacementOut(BaseModel):
    """A rest of the plate."""

    number: int
    box: Box


class PinOut(BaseModel):
    """A pin."""

    at: Point
    holds: str
    piece: int | None


class ColourOut(BaseModel):
    """What is painted in one colour."""

    colour: str
    path: str


class PictureOut(BaseModel):
    """The picture of the blank, as path data in mm from its top left."""

    width: float
    height: float
    shape: Literal["rectangle", "oval"]
    blank_colour: str
    colours: list[ColourOut]
    frame: str
    mask_box: Box
    painted_box: Box
    margin: float
    bridges: list[BridgeOut]
    patches: list[PatchOut]
    placements: list[PlacementOut]
    pins: list[PinOut]


class SheetOut(BaseModel):
    """A sheet and its file."""

    number: int
    file: str
    width: float
    height: float
    trim: Point
    mirrored: bool
    cut_length: float
    seconds: float
    mask_parts: int
    windows: int
    faults: list[str]
    path: str


class HistoryOut(BaseModel):
    """What can be undone and done again, in words."""

    undo: str | None
    redo: str | None


class InputsOut(BaseModel):
    """The maker's entries as they are in force; null follows the catalogue."""

    name: str
    surface: str
    blank: BlankIn
    design_width: float
    offset_x: float
    offset_y: float
    material: str
    border: float | None
    bridge_width: float | None
    overlap: float | None
    cutter: str
    press: str
    paint: str
    coats: int | None
    copies: int
    seen_through: bool
    due: date | None
    room: RoomIn


class InForceOut(BaseModel):
    """Figures in force where the maker gave none."""

    border: float
    bridge_width: float
    coats: int
    overlap: float


class JobOut(BaseModel):
    """A job with all that was reckoned from it."""

    id: int
    artwork_name: str
    inputs: InputsOut
    in_force: InForceOut
    stations: list[StationOut]
    next_step: StepOut | None
    picture: PictureOut
    pieces: list[PieceOut]
    findings: list[FindingOut]
    smallest_width: float
    largest_width: float
    sheets: list[SheetOut]
    record: RecordIn
    last_coat: datetime | None
    peel_opens: datetime | None
    peel_closes: datetime | None
    history: HistoryOut
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
    steps_done: int
    steps: int
    loose: int
    width: float
    height: float
    shape: Literal["rectangle", "oval"]
    blank_colour: str
    colours: list[ColourOut]


class BoardOut(BaseModel):
    """All jobs on the board."""

    jobs: list[CardOut]


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


class CatalogueOut(BaseModel):
    """What there is to choose from."""

    surfaces: list[ChoiceOut]
    materials: list[ChoiceOut]
    cutters: list[ChoiceOut]
    presses: list[ChoiceOut]
    paints: list[ChoiceOut]
    figures: list[FigureOut]
