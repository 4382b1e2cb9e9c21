"""What goes over the wire about sheets, cutters, material and test cuts. Lengths in mm."""

from datetime import date
from typing import Literal

from pydantic import Field

from dunestead.api.wire import COLOUR, Box, Point, Shown, Wire, limits_like
from dunestead.core.figures import Cutter, Press
from dunestead.core.job.job import PatchChoice
from dunestead.core.records import CutSettings, OwnPaint, Swatch, TestCut, Try
from dunestead.core.sheets.facing import Stage
from dunestead.core.sheets.stock import Offcut, Trim

Answer = Literal["not-through", "clean", "into-backing", "tears"]
Blade = Literal["fresh", "used", "worn"]


class PatchIn(Wire):
    """What the maker says of a patch; without any of it, the say is taken back."""

    model_config = limits_like(PatchChoice)

    sheet: int | None = None
    alone: bool = False
    turns: bool = True


class CutterIn(Wire):
    """A cutter of the maker's own."""

    model_config = limits_like(Cutter)

    name: str
    feeds: Literal["mat", "roll", "hand"]
    reach_width: float
    reach_length: float
    slowest: float
    fastest: float
    acceleration: float
    lift: float
    force_low: float
    force: float


class TestCutIn(Wire):
    """A test cut, as far as it has come."""

    model_config = limits_like(TestCut)

    name: str
    material: str
    cutter: str
    blade: Blade
    on: date
    tries: list[Try] = Field(default_factory=list, max_length=200)
    notes: str = ""


class OwnCutterOut(CutterIn):
    """A cutter on the shelf."""

    id: int
    key: str


class OwnStockOut(Shown):
    """A roll or a pile of sheets in store, to cut from."""

    id: int
    name: str
    material: str


class OwnTestCutOut(TestCutIn):
    """A test cut on the shelf, and the settings it found."""

    id: int
    material_name: str
    cutter_name: str
    found: CutSettings | None


class PressIn(Wire):
    """A hot plate: the part of it that presses evenly, mm, and the highest heat it can be set to, C."""

    model_config = limits_like(Press)

    name: str
    plate_width: float
    plate_length: float
    overlap: float = 15.0
    heat: float


class OwnPressOut(PressIn):
    """A hot plate on the shelf."""

    id: int
    key: str


class PaintIn(Wire):
    """A paint of the maker's own; minutes at 20 C and 50 % humidity."""

    model_config = limits_like(OwnPaint)

    name: str
    like: str
    cover: float
    coats_low: int = 1
    coats_high: int = 2
    next_coat: float
    touch: float
    handle: float
    use: float
    wash: float | None = None
    flow: Literal["runny", "usual", "thick"] = "usual"
    notes: str = ""


class OwnPaintOut(PaintIn):
    """A paint on the shelf."""

    id: int
    key: str


class SwatchIn(Wire):
    """A paint tried on a surface, from 1 (spoiled) to 5 (as wished)."""

    model_config = limits_like(Swatch)

    paint: str
    surface: str
    on: date
    coats: int = 1
    colour: str = Field("#22313a", pattern=COLOUR)
    result: int = 3
    note: str = ""


class OwnSwatchOut(SwatchIn):
    """A swatch on the shelf, and whether there is a photo of it."""

    id: int
    paint_name: str
    has_photo: bool


class ToolsIn(Wire):
    """What the workshop works with: keys."""

    owned: list[str] = Field(max_length=50)
    cutter: str | None = Field(None, description="What new jobs are cut on.")
    press: str | None = Field(None, description="What new jobs are pressed with.")


class WorkshopOut(Shown):
    """The maker's own records, and the classes to start from."""

    cutters: list[OwnCutterOut]
    stock: list[OwnStockOut]
    test_cuts: list[OwnTestCutOut]
    classes: list[Cutter]
    presses: list[OwnPressOut]
    paints: list[OwnPaintOut]
    swatches: list[OwnSwatchOut]
    owned: list[str] | None = Field(description="Tools there are; None while nobody has said.")
    cutter: str | None = Field(description="What new jobs are cut on; None while nobody has said.")
    press: str | None = Field(description="What new jobs are pressed with; None while nobody has said.")


class AdviceIn(Wire):
    """Test cuts so far, to be told what to try next."""

    material: str
    cutter: str
    tries: list[Try] = Field(default_factory=list, max_length=200)


class CutAdviceOut(Shown):
    """What to try next and why, and what the simulated cutter would give."""

    settings: CutSettings
    why: str
    is_found: bool
    simulated: Answer


class PlacedPatchOut(Shown):
    """A patch on a sheet."""

    id: str
    number: int
    mask: int
    box: Box
    turned: bool
    path: str
    chosen_sheet: int | None
    alone: bool
    turns: bool


class SheetOut(Shown):
    """A sheet and its file."""

    number: int
    file: str
    width: float
    height: float
    runs: int
    mirrored: bool
    cut_length: float
    travel: float
    seconds: float
    mask_parts: int
    windows: int
    faults: list[str]
    entries: list[Point] = Field(description="Where the knife goes in, in cutting order.")
    patches: list[PlacedPatchOut]


class CheckPairOut(Shown):
    """Two marks and the distance between them, on the blank."""

    name: str
    first: Point
    second: Point
    distance: float


class SeamOut(Shown):
    """A seam on the blank."""

    name: str
    mask: int
    patches: tuple[int, int]
    start: Point
    end: Point
    overlap: float
    checks: list[CheckPairOut]


class AssembledOut(Shown):
    """A patch on the blank, with its distances from the blank's edges: left, top, right, bottom."""

    number: int
    mask: int
    box: Box
    path: str
    from_edges: tuple[float, float, float, float]
    whole: bool


class TrimListOut(Shown):
    """All pieces to cut off."""

    stock: str
    width: float
    length: float
    pieces: int
    is_roll: bool
    trims: list[Trim]
    offcuts: list[Offcut]
    waste: float
    too_wide: list[int]


class FacingSchoolOut(Shown):
    """The same stuff the other way up."""

    key: str
    name: str
    about: str
    advised: bool


class SheetsOut(Shown):
    """Everything about the sheets of a job.

    ``reach`` is what a sheet offers; ``fewest`` says how few sheets there could be and what proves it.
    """

    sheets: list[SheetOut]
    reach: Point
    count: int
    fewest: str
    fewest_possible: int
    is_fewest: bool
    can_improve: bool
    sets: int
    seams: list[SeamOut]
    assembly: list[AssembledOut]
    trims: TrimListOut
    stages: list[Stage]
    facing: str
    school: FacingSchoolOut | None
    settings: CutSettings
    settings_why: str
    by_hand: bool
    contrast: str | None
    formats: list[tuple[str, str]]


class WeighedOut(Shown):
    """A layout in a few numbers, of all sets of masks."""

    sheets: int
    seams: int
    parted: int
    poor: int


class LayoutOfferOut(WeighedOut):
    """A layout that is not in use: what to do for it, what it saves and costs."""

    code: str
    label: str
    consequence: str


class LayoutsOut(Shown):
    """The layout in use, and those beside it, each tried."""

    in_use: WeighedOut
    offers: list[LayoutOfferOut]


class SearchOut(Shown):
    """A longer search for a better packing, as it stands; or broken off when the workshop was closed."""

    running: bool
    broken_off: bool
    share: float
    sheets: int
    bound: int
    length: float
    better: bool


class CutRunIn(Wire):
    """A sheet to be cut, with a fault to come for practice."""

    anyway: bool = False
    fault: Literal["slip", "blunt", "link-lost"] | None = None


class CutRunOut(Shown):
    """A sheet at the cutter."""

    number: int
    job: int
    sheet: int
    title: str
    cutter: str
    settings: str
    state: Literal["waiting", "loaded", "cutting", "paused", "stopped", "fault", "done"]
    share: float
    at: Point
    seconds_left: float
    trouble: str | None
    remedy: str
    freed: int | None
    mask_parts: int | None
    windows: int | None
    problems: list[str]


class CutRunsOut(Shown):
    """All runs of the cutter, oldest first."""

    runs: list[CutRunOut]
