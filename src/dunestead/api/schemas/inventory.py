"""The stores, as they go over the wire; amounts in the unit of each thing, and in words."""

from datetime import date, datetime

from pydantic import Field

from dunestead.api.wire import COLOUR, Shown, Wire, limits_like
from dunestead.core.inventory.items import Item
from dunestead.core.inventory.ledger import Why
from dunestead.core.work.needs import NeedKind, StockKind, Unit


class ItemIn(Wire):
    """One thing in store, as the maker writes it down."""

    model_config = limits_like(Item)

    name: str
    kind: StockKind
    key: str = Field("", max_length=60)
    width: float | None = None
    length: float | None = None
    colour: str | None = Field(None, pattern=COLOUR)
    opened: date | None = None
    is_offcut: bool = False
    keep_at_least: float = 0.0
    notes: str = ""


class ItemNewIn(ItemIn):
    """Something new in store, and how much there is of it."""

    left: float = Field(description="In the unit of its kind: pieces, mm, ml or uses.")


class AmountIn(Wire):
    """How much was counted, or came in; and a note on it."""

    amount: float
    note: str = Field("", max_length=500)


class OffcutIn(Wire):
    """Which offcut of a job is kept: the sheet it was left beside, and its size, mm."""

    sheet: int
    width: float
    length: float


class ReservedOut(Shown):
    """How much of something a job will take."""

    job: int
    name: str
    shown: str


class HeldOut(ItemIn):
    """Something in store: how much is left, what jobs will take of it, and what is said of its account."""

    id: int
    unit: Unit
    about: str
    left: float
    shown: str
    free: float
    free_shown: str
    reserved: list[ReservedOut]
    said: str
    is_low: bool
    can_undo: bool


class ShortOut(Shown):
    """What is wanted and not there."""

    kind: NeedKind
    name: str
    missing: float
    shown: str
    packs: str
    jobs: list[ReservedOut]
    is_low: bool
    is_kept: bool = Field(description="Whether anything of this kind is in the account at all.")


class StockKindOut(Shown):
    """A kind of thing in store, and what it is counted in."""

    kind: StockKind
    name: str
    unit: Unit


class StoresOut(Shown):
    """All in store, and the shopping list for the jobs on the board."""

    kinds: list[StockKindOut]
    items: list[HeldOut]
    short: list[ShortOut]
    waiting: int = Field(description="Jobs on the board that are not reckoned yet: ask again.")


class MoveOut(Shown):
    """A row of the ledger, and what was left after it."""

    at: datetime
    why: Why
    said: str
    amount: float
    shown: str
    left_shown: str
    job: int | None
    job_name: str
    note: str
    by: str


class LedgerOut(Shown):
    """What went in and out of one thing, newest first."""

    id: int
    name: str
    moves: list[MoveOut]
    can_take_back: bool


class WantOut(Shown):
    """What a job will still take: out of which things, and what is short."""

    kind: NeedKind
    station: str
    name: str
    shown: str
    taken_from: list[str]
    short: str


class KeptMaskOut(Shown):
    """A mask in store that is of the design of one of this job's masks."""

    item: int
    mask: int
    name: str
    shown: str
    is_enough: bool


class KeptOffcutOut(Shown):
    """What is left beside a sheet once it is cut, large enough to keep."""

    sheet: int
    width: float
    length: float
    is_kept: bool


class JobStoresOut(Shown):
    """The stores, as a job sees them."""

    wants: list[WantOut]
    masks: list[KeptMaskOut]
    used_masks: list[int]
    can_keep: list[int] = Field(description="Numbers of its masks that can be kept in store now.")
    offcuts: list[KeptOffcutOut]
    uses_offcuts: bool
