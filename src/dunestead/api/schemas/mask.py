"""Pieces, bridges, weak places, methods, materials."""

from typing import Literal

from pydantic import Field

from dunestead.api.wire import Box, Point, Shown, Wire
from dunestead.core.mask.fates import Fate
from dunestead.core.painting.separation import Masks
from dunestead.core.plan.materials import BreakEven
from dunestead.core.stations.consequence import Consequence
from dunestead.core.tacking.methods import Part


class FatesIn(Wire):
    """What happens to loose pieces; without numbers, of all of them. A null fate is undecided."""

    numbers: list[int] | None = Field(default=None, max_length=10_000)
    fate: Fate | None


class BridgeKeyIn(Wire):
    """One bridge of a piece."""

    piece: int
    index: int


class PiecesIn(Wire):
    """Some loose pieces, all when not given."""

    numbers: list[int] | None = Field(default=None, max_length=10_000)


class NearestOut(Shown):
    """The nearest part of the mask a piece could be bridged to; 0 is the frame."""

    to: int
    gap: float
    start: Point
    end: Point


class PieceOut(Shown):
    """A loose piece; places in mm on the blank."""

    number: int
    mask: int
    where: str
    area: float
    width: float = Field(description="How far it reaches across, mm.")
    least: float
    box: Box
    anchor: Point
    fate: Fate | None
    is_kept: bool
    is_here: bool
    bridges: int
    nearest: NearestOut | None
    path: str


class BridgeOut(Shown):
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


class WeakOut(Shown):
    """A neck or a tongue of the mask, in mm on the blank; the way to dab along a tongue."""

    key: str
    kind: Literal["neck", "tongue"]
    mask: int
    severity: Literal["stop", "warn", "note"]
    listed: bool = Field(description="Whether it is told by itself; of very many alike only the worst are.")
    at: Point
    tip: Point | None
    toward: Point | None
    width: float
    length: float
    limit: float
    message: str
    path: list[Point]


class AdviceOut(Shown):
    """How many masks to cut for the colours, and why."""

    masks: Masks
    why: str


class MethodChangeOut(Shown):
    """A job as it is, and as it would be with another method."""

    now: Consequence
    then: Consequence


class MethodOut(Shown):
    """How a mask may travel and hold: whether it will do, how well, and why."""

    key: str
    name: str
    about: str
    allowed: bool
    score: int
    why: list[str]
    parts: list[Part]


class MaterialOut(Shown):
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


class MaterialCostOut(Shown):
    """What a copy costs with a material, for 1 copy, 2, 3 and so on."""

    key: str
    costs: list[float]


class ReuseOut(Shown):
    """What a copy costs by the number of copies."""

    copies: list[int]
    lines: list[MaterialCostOut]
    break_even: list[BreakEven]


class MaskRoomOut(Shown):
    """What only *Mask* shows."""

    methods: list[MethodOut]
    gone: list[int]
    touch_up_minutes: float
    advice: AdviceOut
    materials: list[MaterialOut]
    reuse: ReuseOut
