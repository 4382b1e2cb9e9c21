"""What several blueprints take and answer."""

from typing import Literal, get_args

from pydantic import BaseModel, ConfigDict, Field

from dunestead.api.wire import Point, Room, Shown, one_of
from dunestead.core.artwork.drawing import NoticeCode
from dunestead.core.artwork.finding import Severity, registered_findings
from dunestead.core.job.job import BlankEntry
from dunestead.core.limits import limits_of

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
