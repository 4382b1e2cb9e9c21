"""Parts of a design, what was found, what helps."""

from typing import Literal

from pydantic import Field

from dunestead.api.schemas.common import FindingOut
from dunestead.api.schemas.picture import DesignPictureOut
from dunestead.api.wire import Box, Point, Shown, Wire, limits_like
from dunestead.core.artwork.elements import Drawn, Frame, PartEdit, Repeat
from dunestead.core.artwork.trace.settings import TraceSettings
from dunestead.core.artwork.words.setting import Setting
from dunestead.core.looking.rail import FineSpot, Least, SheetStep
from dunestead.core.stations.station import State


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
    repeat: Repeat | None = None
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
    edits: list[PartEdit] | None = Field(default=None, max_length=20_000)
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


class WordsOut(Shown):
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


class PartOut(Shown):
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


class FrameOut(Shown):
    """A frame along the blank's edge."""

    style: Literal["single", "double", "dashed"]
    inset: float
    thickness: float
    gap: float
    dash: float


class ElementOut(Shown):
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
    repeat: Repeat | None
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
    edits: list[PartEdit]
    trace: TraceOut | None
    frame: FrameOut | None


class RailOut(Shown):
    """Widths at which something changes."""

    width: float
    least: list[Least]
    smallest: float
    margin: float
    edge: float
    steps: list[SheetStep]
    low: float
    high: float
    fixed: bool
    spots: list[FineSpot]


class LookOut(Shown):
    """What a design would look like after a change that is not kept."""

    picture: DesignPictureOut
    elements: list[ElementOut]
    findings: list[FindingOut]
    rail: RailOut
    state: State
    verdict: str


class FacePreviewOut(Shown):
    """The maker's own words in another face at the same size: path data in mm, and whether they hold."""

    face: str
    path: str
    width: float
    height: float
    loose: int
    holds: bool
    verdict: str


class RemedyOut(Shown):
    """A change that was tried and helps."""

    code: str
    label: str
    consequence: str


class RemediesOut(Shown):
    """What can be done about a finding."""

    remedies: list[RemedyOut]


class TextQuery(Wire):
    """A text that is to be set."""

    text: str = Field("", max_length=400)


class FaceKeysOut(Shown):
    """Keys of faces."""

    faces: list[str]
