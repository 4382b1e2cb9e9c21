"""Costs, prices and what they are reckoned with, as they go over the wire."""

from pydantic import Field

from dunestead.api.wire import Shown
from dunestead.core.job.job import PriceEntry
from dunestead.core.learning.costs import CostLine, Rates


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
    rights: str = Field(description="Whose drawing it is and whether prints may be sold, as far as it is noted.")
    numbers: list[NumberOut]
    entry: PriceEntry
    rates: Rates
    table: dict[str, float]
    paints: dict[str, str]
    material: str
    material_name: str
    material_price: float
