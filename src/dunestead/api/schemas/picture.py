"""What is drawn of a job."""

from pydantic import Field

from dunestead.api.schemas.common import ColourOut
from dunestead.api.schemas.mask import BridgeOut
from dunestead.api.wire import Box, Point, Shown
from dunestead.core.changes.arranging import Guide
from dunestead.core.plan.laid import MeasuredTo
from dunestead.core.tacking.centring import Datum
from dunestead.core.tacking.laying import Side
from dunestead.core.tacking.pins import Pin
from dunestead.core.tacking.placements import Placement
from dunestead.core.tacking.strips import Strip


class PatchOut(Shown):
    """A sheet's place on the blank."""

    sheet: int
    number: int
    box: Box


class PassOut(Shown):
    """One going over of a mask with a hot plate: C, seconds a rest, and its rests from the middle outwards."""

    name: str
    celsius: float
    seconds: float
    placements: list[Placement]


class DistancesOut(Shown):
    """What a tape reads to something, and from where, mm."""

    to: str
    datum: Datum
    left: float
    right: float
    top: float
    bottom: float
    reads: dict[Side, str] = Field(description="Each in words, in the maker's unit.")


class ShouldReadOut(Shown):
    """What a tape reads at each side of a mask that lies right, or of one of its patches: middle, and two ends; mm."""

    patch: int | None
    to: MeasuredTo
    left: list[float]
    right: list[float]
    top: list[float]
    bottom: list[float]


class MaskOut(Shown):
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
    covers: list[Strip]
    painted_box: Box
    pins: list[Pin]
    placing: list[int]


class CollarOut(Shown):
    """A garment's guide: the middle of the collar seam, and where top and middle of a design go."""

    at: Point
    top: float
    middle: float


class DesignPictureOut(Shown):
    """A design on its blank, as path data in mm from the blank's top left."""

    colours: list[ColourOut]
    overhang: str
    painted_box: Box


class ClearOut(Shown):
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
    guides_x: list[Guide]
    guides_y: list[Guide]
    collar: CollarOut | None
    clear: list[ClearOut]
