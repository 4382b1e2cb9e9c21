"""What goes over the wire. Lengths in mm, areas in mm², moments in ISO 8601 with their zone."""

from datetime import date, datetime
from typing import Literal

from pydantic import BaseModel, Field

from dunestead.api.sheet_schemas import CutSettingsIn, SheetsOut
from dunestead.api.wire import COLOUR, Box, Point, Wire

__all__ = [
    "ArrangeIn",
    "BlankIn",
    "BlanksOut",
    "BoardOut",
    "BridgeIn",
    "BridgeKeyIn",
    "BridgeOut",
    "CallsIn",
    "CardOut",
    "CatalogueOut",
    "ElementIn",
    "FacePreviewOut",
    "FatesIn",
    "FindingIn",
    "FrameIn",
    "JobIn",
    "JobOut",
    "KeepBlankIn",
    "LookIn",
    "LookOut",
    "PiecesIn",
    "RecordIn",
    "RemediesOut",
    "RemedyIn",
    "RoomIn",
    "TickIn",
    "UnitQuery",
    "WordsIn",
]

Fate = Literal["bridge", "keep", "leave-out", "drop"]
Masks = Literal["one", "each", "lines"]
BridgeStyle = Literal["shortest", "upright", "level", "radial"]
Call = Literal["dish", "placed", "lifted"]
State = Literal["stop", "warn", "ready", "done"]
BlankShape = Literal["rectangle", "oval", "outline", "garment"]


class UnitQuery(BaseModel):
    """The unit that sentences show lengths in."""

    unit: Literal["mm", "cm", "in"] = "mm"


class GarmentIn(Wire):
    """Where a design goes on a garment; null distances follow the table."""

    size: str = "m"
    placement: str = "full-front"
    drop: float | None = None
    across: float | None = None
    widest: float | None = None


class BlankIn(Wire):
    """The blank; null takes a measured size back."""

    width: float
    height: float
    shape: BlankShape = "rectangle"
    colour: str = Field("#a9814f", pattern=COLOUR)
    corner: float = 0.0
    rim: float = 0.0
    measured_width: float | None = None
    measured_height: float | None = None
    heat: float | None = None
    base_coat: Literal["none", "under", "everywhere"] = "none"
    base_colour: str = Field("#f3efe4", pattern=COLOUR)
    outline: str | None = None
    outline_name: str = ""
    garment: GarmentIn | None = None
    keeps: Literal["size", "margins"] = "size"


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
    dauber: bool | None = None
    covered: bool | None = None
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
    reverse: bool | None = None
    field_colour: str | None = Field(None, pattern=COLOUR)
    masks: Masks | None = None
    mask_order: list[str] | None = None
    whole_blank: bool | None = None
    bridge_style: BridgeStyle | None = None
    bridges_per_piece: int | None = None
    stock: int | None = None
    cut: CutSettingsIn | None = None
    together: list[int] | None = None


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
    numbers: list[int]
    mask: int
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

    numbers: list[int] | None = None


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
    least: float
    box: Box
    anchor: Point
    fate: Fate | None
    is_kept: bool
    is_here: bool
    bridges: int
    nearest: NearestOut | None
    calls: dict[Call, datetime]
    path: str


class FindingOut(BaseModel):
    """Something to know before cutting; `key` names it as long as the design stays as it is."""

    key: str
    code: str
    severity: Literal["stop", "warn", "note"]
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
    """A rest of the plate."""

    number: int
    box: Box


class PinOut(BaseModel):
    """A pin."""

    at: Point
    holds: str
    piece: int | None


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
    placements: list[PlacementOut]
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
    masks: list[MaskOut]
    margin: str
    guides_x: list[GuideOut]
    guides_y: list[GuideOut]
    collar: CollarOut | None


class RepeatIn(Wire):
    """A part of a design many times over."""

    kind: Literal["row", "grid", "ring", "scatter"]
    across: int = 3
    down: int = 1
    gap_across: float = 10.0
    gap_down: float = 10.0
    radius: float = 100.0
    turning: bool = True
    seed: int = Field(1, ge=0, le=1_000_000)
    colours: list[str] = Field(default_factory=list)


class PartEditIn(Wire):
    """What was done with a part of drawn artwork."""

    part: int
    dropped: bool = False
    colour: str | None = None


class TraceIn(Wire):
    """How a picture is traced; a null threshold is found by itself."""

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
    letter_colours: list[tuple[int, str]] | None = None
    edits: list[PartEditIn] | None = None
    trace: TraceIn | None = None
    style: Literal["single", "double", "dashed"] | None = None
    inset: float | None = None
    thickness: float | None = None
    gap: float | None = None
    dash: float | None = None


class WordsIn(Wire):
    """Words to add."""

    text: str
    face: str = "archivo-black"


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

    numbers: list[int] = Field(default_factory=list)
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


class HistoryOut(BaseModel):
    """What can be undone and done again, in words."""

    undo: str | None
    redo: str | None


class InputsOut(BaseModel):
    """The maker's entries as they are in force; null follows the catalogue."""

    name: str
    surface: str
    blank: BlankIn
    dauber: bool
    covered: bool
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
    reverse: bool
    field_colour: str
    masks: Masks
    mask_order: list[str]
    whole_blank: bool
    bridge_style: BridgeStyle
    bridges_per_piece: int | None
    stock: int | None
    cut: CutSettingsIn | None
    together: list[int]


class InForceOut(BaseModel):
    """Figures in force where the maker gave none."""

    border: float
    bridge_width: float
    coats: int
    overlap: float
    heat: float | None


class AdviceOut(BaseModel):
    """How many masks to cut for the colours, and why."""

    masks: Masks
    why: str


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


class CostLineOut(BaseModel):
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
    lines: list[CostLineOut]
    break_even: list[BreakEvenOut]


class JobOut(BaseModel):
    """A job with all that was reckoned from it."""

    id: int
    inputs: InputsOut
    in_force: InForceOut
    stations: list[StationOut]
    next_step: StepOut | None
    picture: PictureOut
    elements: list[ElementOut]
    pieces: list[PieceOut]
    gone: list[int]
    touch_up_minutes: float
    weak: list[WeakOut]
    advice: AdviceOut
    materials: list[MaterialOut]
    reuse: ReuseOut
    findings: list[FindingOut]
    rail: RailOut
    sheets: SheetsOut
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
    outline: str
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


class FaceOut(BaseModel):
    """A shipped face."""

    key: str
    name: str
    kind: str
    kind_name: str


class CatalogueOut(BaseModel):
    """What there is to choose from."""

    surfaces: list[ChoiceOut]
    materials: list[ChoiceOut]
    cutters: list[ChoiceOut]
    presses: list[ChoiceOut]
    paints: list[ChoiceOut]
    figures: list[FigureOut]
    garments: list[ChoiceOut]
    placements: list[ChoiceOut]
    faces: list[FaceOut]
