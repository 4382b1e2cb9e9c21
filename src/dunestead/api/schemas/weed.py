"""What goes over the wire of the weeding: the map, its words, rehearsals."""

from datetime import datetime
from typing import Literal

from pydantic import Field

from dunestead.api.wire import Point, Shown, Wire
from dunestead.core.words.weeding import HelpCard


class WeedRegionOut(Shown):
    """A part of a sheet that goes or stays: as it lies on the mat, and on the blank, mm."""

    id: str
    kind: Literal["window", "field", "keeper", "frame"]
    number: int | None
    mask: int
    patch: int
    name: str
    goes: bool
    pulled: str = Field(description="What pulling it out would mean.")
    sheet_path: str
    blank_path: str
    sheet_at: Point = Field(description="Where its number stands.")
    blank_at: Point
    sheet_start: Point | None = Field(description="Where its pull begins.")
    is_guide: bool
    sheet_weak: list[Point] = Field(description="Places beside it that tear.")


class WeedSheetOut(Shown):
    """A sheet on the weeding table."""

    number: int
    width: float
    height: float
    mirrored: bool
    windows: int
    regions: list[WeedRegionOut]


class RehearsalOut(Shown):
    """A rehearsal: when, how long, and how many wrong pulls."""

    at: datetime
    seconds: float
    slips: int


class WeedOut(Shown):
    """The weed map of one set of masks."""

    sheets: list[WeedSheetOut]
    where: str = Field(description="Where keepers are, in words.")
    help: list[HelpCard]
    rehearsals: list[RehearsalOut]


class RehearsalIn(Wire):
    """A rehearsal that was gone through to its end: how long it took, and how many pulls were wrong."""

    seconds: float = Field(ge=0, le=86_400)
    slips: int = Field(ge=0, le=100_000)
