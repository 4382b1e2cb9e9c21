"""What goes over the wire of the painting: the stack, which paint, how it is put on, the weather."""

from datetime import datetime
from typing import Literal

from pydantic import Field

from dunestead.api.wire import Point, Shown, Wire
from dunestead.core.figures import PeelTime, Use
from dunestead.core.painting.coats import CoatLoad, Wanted
from dunestead.core.painting.mixing import MixPart
from dunestead.core.painting.stack import Offer
from dunestead.core.painting.weather import Spell, Verdict
from dunestead.core.tacking.methods import Part
from dunestead.core.words.technique import Tip


class LayerOut(Shown):
    """A layer of the section, from the eye downwards; where it lies along it, 0 at the left and 1 at the right."""

    kind: Literal["blank", "coating"]
    number: int | None
    name: str
    colour: str | None
    coats: int
    spans: list[tuple[float, float]]


class PaintFitOut(Shown):
    """A paint held against the job."""

    key: str
    name: str
    allowed: bool
    why: list[str]
    score: int
    parts: list[Part]


class TechniqueOut(Shown):
    """How one coating is put on."""

    number: int
    name: str
    tips: list[Tip]


class ReadingOut(Shown):
    """One limit for spraying with what is read."""

    code: str
    name: str
    reads: str
    should: str
    verdict: Verdict


class SprayingOut(Shown):
    """Whether it is weather for spraying."""

    verdict: Verdict
    summary: str
    readings: list[ReadingOut]


class ChoiceKeyOut(Shown):
    """Something to choose, by its key."""

    key: str
    name: str


class SchoolOut(Shown):
    """A way of timing the peel: whether it will do, and why."""

    when: PeelTime
    name: str
    allowed: bool
    usual: bool
    why: str


class PaintOut(Shown):
    """All that *Paint* decides on."""

    section: list[LayerOut]
    seen_through: bool
    choices: list[PaintFitOut]
    uses: list[ChoiceKeyOut]
    use: Use
    wanted: Wanted
    load: CoatLoad | None = Field(description="Null where it is no question.")
    warm_air: bool | None = Field(description="Null where no paint of the job stands it.")
    base_at_touch: bool | None = Field(description="Null where there is no base under the mask.")
    technique: list[TechniqueOut]
    doubts: list[str]
    offers: list[Offer]
    spraying: SprayingOut | None
    schools: list[SchoolOut] = Field(description="Of the first mask.")
    groups: str = Field(description="How to peel it wet all the same, in groups; empty where there is no need.")


class PeelWayOut(Shown):
    """From where to where a mask is peeled, mm on the blank, and places that tear easily."""

    number: int
    begins: Point
    ends: Point
    summary: str
    weak: list[Point]


class PeelOut(Shown):
    """Which way each mask comes off."""

    masks: list[PeelWayOut]
    late: str


class MoveCoatingIn(Wire):
    """One coating put on earlier or later."""

    index: int = Field(ge=0, le=1000)
    by: Literal[-1, 1]


class MixIn(Wire):
    """A mix by parts, and how much of it is wanted."""

    mix: list[MixPart] = Field(max_length=100)
    ml: float = Field(gt=0, le=100_000)


class MixOut(Shown):
    """How much of each part, ml, and roughly which colour comes of it."""

    each_ml: list[float]
    colour: str | None


class HourOut(Shown):
    """An hour of a forecast."""

    at: datetime
    temperature: float
    humidity: float
    wind: float
    rain: bool
    verdict: Verdict


class ForecastOut(Shown):
    """A forecast, and when it may be sprayed."""

    source: str
    hours: list[HourOut]
    spells: list[Spell]
    summary: str
