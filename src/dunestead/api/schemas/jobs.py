"""A job, the board, what is written down."""

from datetime import date

from pydantic import Field

from dunestead.api.schemas.common import BlankIn, CoatingIn, ColourOut, FindingOut, WeatherIn
from dunestead.api.schemas.design import ElementOut, RailOut
from dunestead.api.schemas.mask import MaskRoomOut, PieceOut, WeakOut
from dunestead.api.schemas.picture import PictureOut
from dunestead.api.schemas.sheets import CutSettingsIn, SheetsOut
from dunestead.api.schemas.work import ClockOut, HistoryOut, WorkOut
from dunestead.api.wire import COLOUR, Room, Shown, Wire, limits_like
from dunestead.core.curing.peel import PeelFirst
from dunestead.core.figures import PeelTime, Role, Use
from dunestead.core.job.job import ENTRIES, Job, LaterLook, Record, WhenLooked
from dunestead.core.learning.looks import DueLook
from dunestead.core.mask.bridge_rules import BridgeStyle
from dunestead.core.painting.coatings import Where
from dunestead.core.painting.coats import CoatLoad, Wanted
from dunestead.core.painting.separation import Masks
from dunestead.core.sheets.price import Aim
from dunestead.core.stations.graph import Phase
from dunestead.core.stations.station import State


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


class InputsOut(Shown):
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


class InForceOut(Shown):
    """Figures in force where the maker gave none."""

    border: float
    bridge_width: float
    overlap: float
    heat: float | None


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
