"""What several blueprints take and answer."""

from typing import Literal, get_args

from pydantic import BaseModel, ConfigDict, Field

from dunestead.api.schemas.paint import MixPartIn
from dunestead.api.wire import COLOUR, Point, Room, Shown, Wire, limits_like, one_of
from dunestead.core.artwork.drawing import NoticeCode
from dunestead.core.artwork.finding import Severity, registered_findings
from dunestead.core.blanks.blank import Back, Blank, BlankShape, Garment
from dunestead.core.blanks.clear import ClearArea, Reason, Timing
from dunestead.core.curing.drying import Weather
from dunestead.core.figures import Role
from dunestead.core.job.job import BlankEntry
from dunestead.core.limits import limits_of
from dunestead.core.painting.coatings import Coating, Where

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
    back: Back | None = Field(None, description="What the back of a mat or rug is made of.")


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


class FindingOut(Shown):
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


class ColourOut(Shown):
    """What is painted in one colour."""

    colour: str
    path: str


class WaitOut(Shown):
    """How far a request is that someone waits for."""

    going: bool
    what: str
    share: float = Field(description="How much of that is done, 0 to 1.")
    seconds: float
