"""A job, the board, what is written down."""

from datetime import date

from pydantic import Field

from dunestead.api.schemas.common import ColourOut, FindingOut
from dunestead.api.schemas.design import ElementOut, RailOut
from dunestead.api.schemas.mask import MaskRoomOut, PieceOut, WeakOut
from dunestead.api.schemas.picture import PictureOut
from dunestead.api.schemas.sheets import SheetsOut
from dunestead.api.schemas.work import ClockOut, HistoryOut, WorkOut
from dunestead.api.wire import COLOUR, Room, Shown, Wire, filled, limits_like
from dunestead.core.blanks.blank import Blank
from dunestead.core.curing.drying import Weather
from dunestead.core.curing.peel import PeelFirst
from dunestead.core.figures import PeelTime, Role, Use
from dunestead.core.job.job import ENTRIES, Job, LaterLook, Record, WhenLooked
from dunestead.core.learning.looks import DueLook
from dunestead.core.mask.bridge_rules import BridgeStyle
from dunestead.core.painting.coatings import Coating, Where
from dunestead.core.painting.coats import CoatLoad, Wanted
from dunestead.core.painting.separation import Masks
from dunestead.core.records import CutSettings
from dunestead.core.sheets.price import Aim
from dunestead.core.stations.graph import Phase
from dunestead.core.stations.station import State

# What may be empty; most then follows the catalogue.
CLEARABLE = {
    *("border", "bridge_width", "method", "overlap", "due", "bridges_per_piece", "stock", "cut", "seen_through"),
    *("load", "use", "peel_when", "peel_first", "may_sell"),
}


class JobIn(Wire):
    """Some of a job's entries, to be changed; what is absent stays."""

    model_config = limits_like(Job, *ENTRIES.values())

    name: str | None = Field(None, title="Name")
    surface: str | None = Field(None, title="Surface")
    blank: Blank | None = Field(None, title="Blank")
    design_width: float | None = Field(None, title="Width of the design")
    dauber: bool | None = Field(None, title="Foam dauber")
    covered: bool | None = Field(None, title="Neighbours covered")
    material: str | None = Field(None, title="Mask material")
    method: str | None = Field(None, title="Method")
    border: float | None = Field(None, title="Border")
    bridge_width: float | None = Field(None, title="Width of bridges")
    overlap: float | None = Field(None, title="Overlap of sheets")
    cutter: str | None = Field(None, title="Cutter")
    press: str | None = Field(None, title="Press")
    cover_paper: str | None = Field(None, title="Cover")
    coatings: tuple[Coating, ...] | None = Field(None, title="Coatings", max_length=100)
    copies: int | None = Field(None, title="Copies")
    seen_through: bool | None = Field(None, title="Seen through the blank")
    due: date | None = Field(None, title="Due date")
    weather: Weather | None = Field(None, title="Weather")
    wanted: Wanted | None = Field(None, title="Look of the print")
    load: CoatLoad | None = Field(None, title="Load of the brush")
    use: Use | None = Field(None, title="Use")
    peel_when: PeelTime | None = Field(None, title="Time of the peel")
    peel_first: PeelFirst | None = Field(None, title="Order of the peel")
    warm_air: bool | None = Field(None, title="Warm air")
    base_at_touch: bool | None = Field(None, title="Mask on a base dry to the touch")
    origin: str | None = Field(None, title="Whose drawing it is")
    may_sell: bool | None = Field(None, title="Whether prints may be sold")
    reverse: bool | None = Field(None, title="Reverse mask")
    field_colour: str | None = Field(None, title="Colour of the field", pattern=COLOUR)
    masks: Masks | None = Field(None, title="Masks for the colours")
    mask_order: list[str] | None = Field(None, title="Order of the colours", max_length=1000)
    whole_blank: bool | None = Field(None, title="Mask as large as the blank")
    bridge_style: BridgeStyle | None = Field(None, title="Style of bridges")
    bridges_per_piece: int | None = Field(None, title="Bridges a piece")
    stock: int | None = Field(None, title="Material in store")
    offcuts: bool | None = Field(None, title="Offcuts first")
    kept_masks: list[int] | None = Field(None, title="Masks used again", max_length=40)
    cut: CutSettings | None = Field(None, title="Cut settings")
    together: list[int] | None = Field(None, title="What stays together", max_length=1000)
    aim: Aim | None = Field(None, title="Aim of the layout")


class AgainIn(Wire):
    """What a job made again is called, for when, and on which blanks of the library; none for the same."""

    name: str = Field(max_length=200)
    due: date | None = None
    blanks: list[int] = Field(default_factory=list, max_length=50)


class BegunOut(Shown):
    """Numbers of the jobs that were begun."""

    jobs: list[int]


class MendIn(Wire):
    """A way to mend a job that cannot be reckoned."""

    mend: str


class RecordIn(Wire):
    """What really happened."""

    model_config = limits_like(Record)

    grade: int | None = None
    notes: str = ""
    minutes: dict[str, float] = Field(default_factory=dict, max_length=50)
    used_ml: dict[str, float] = Field(default_factory=dict, max_length=50)
    troubles: dict[str, int] = Field(default_factory=dict, max_length=50)
    looks: dict[WhenLooked, LaterLook] = Field(default_factory=dict)


class RecordOut(RecordIn):
    """What really happened, and of what there are photos."""

    photos: list[str]


@filled(clearable=CLEARABLE, without="design_width")
class InputsOut(JobIn):
    """The maker's entries as they are in force; null follows the catalogue."""


class InForceOut(Shown):
    """Figures in force where the maker gave none."""

    border: float
    bridge_width: float
    overlap: float
    heat: float | None
    has_back: bool = Field(description="Whether the blank has a back of its own, so that it is asked what that is.")
    see_through: bool = Field(description="Whether one can look through the blank, so that it is asked from where.")


class CoatingOut(Shown):
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


class CardOut(Shown):
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


class BrokenOut(Shown):
    """A job that cannot be reckoned: what is wrong, and what can be done."""

    id: int
    name: str
    what: str
    fix: str


class BoardOut(Shown):
    """All jobs on the board, or all that were put away; on the board also the looks that are due."""

    jobs: list[CardOut]
    broken: list[BrokenOut]
    looks: list[DueLook]


class ExampleOut(Shown):
    """An example job: what it is known by, and what it shows."""

    key: str
    name: str


class ExamplesOut(Shown):
    """The example jobs."""

    examples: list[ExampleOut]


class MendOut(Shown):
    """A way to mend a job, in words."""

    key: str
    label: str


class MendingOut(Shown):
    """A job that cannot be reckoned, what is wrong with it, and what mends it; nothing where it is sound."""

    id: int
    name: str
    version: int
    what: str
    fix: str
    mends: list[MendOut]
    history: HistoryOut
