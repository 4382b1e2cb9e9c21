"""Costs, prices and what they are reckoned with, as they go over the wire."""

from pydantic import Field

from dunestead.api.wire import Shown, Wire, limits_like
from dunestead.core.job.job import PriceEntry
from dunestead.core.learning.costs import CostLine, Rates


class PriceIn(Wire):
    """What the maker knows of the price, in the workshop's money."""

    model_config = limits_like(PriceEntry)

    blank_price: float | None = None
    bought_price: float | None = None
    asked: float | None = None


class RatesIn(Wire):
    """What a workshop reckons prices with; null goes by the table."""

    model_config = limits_like(Rates)

    currency: str = "money"
    hour: float | None = None
    fixed_hour: float | None = None
    margin: float | None = None
    spoiled: float | None = None
    paint_litre: dict[str, float] = Field(default_factory=dict, max_length=200)
    material_m2: dict[str, float] = Field(default_factory=dict, max_length=200)


class NumberOut(Shown):
    """What one costs, and its price by margin, when so many are made."""

    copies: int
    a_copy: float
    by_margin: float


class CostsOut(Shown):
    """What a job costs and may be sold for; how the price falls with the number, and what the figures are."""

    version: int
    name: str
    lines: list[CostLine]
    copies: int
    hours: float
    batch: float
    a_copy: float
    by_margin: float
    price: float
    left_over: float
    against_bought: float | None
    lacks: list[str]
    numbers: list[NumberOut]
    entry: PriceIn
    rates: RatesIn
    table: dict[str, float]
    paints: dict[str, str]
    material: str
    material_name: str
    material_price: float
