"""What a job costs and may be sold for: material, paint, blank, hours, a share of what is fixed and of what spoils."""

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, field

from dunestead.core.figures import Catalogue
from dunestead.core.learning.finished import Finished
from dunestead.core.limits import Limit, limited
from dunestead.core.plan.plan import Plan
from dunestead.core.units import several
from dunestead.core.work.kinds import Trait
from dunestead.core.work.tasks import TaskGraph
from dunestead.core.work.values import OnTape

__all__ = ["CostLine", "Costs", "Rates", "costs_of", "spoiled_share"]

_MM2_PER_M2, _MM_PER_M, _ML_PER_L = 1e6, 1e3, 1e3
# Steps at which tape is laid over a mask, to carry it.


@dataclass(frozen=True, slots=True)
class Rates:
    """What a workshop reckons prices with; None goes by the table.

    Attributes
    ----------
    currency
        The maker's word for money.
    hour, fixed_hour
        What an hour at the bench is worth, and what rent, light and tools cost in it.
    margin
        Percent of the price that is to be left over.
    spoiled
        Percent of copies that spoil, until own jobs say.
    paint_litre, material_m2
        Own prices: of a litre by paint, of a square metre by mask material.
    """

    currency: str = limited("money", "word for money", 1, 12, "letters")
    hour: float | None = limited(None, "worth of an hour", 0.0, 1000.0)
    fixed_hour: float | None = limited(None, "fixed costs an hour", 0.0, 1000.0)
    margin: float | None = limited(None, "margin", 0.0, 95.0, "%")
    spoiled: float | None = limited(None, "share that spoils", 0.0, 90.0, "%")
    paint_litre: dict[str, float] = field(
        default_factory=dict, metadata={"limit": Limit("price of a litre", 0.0, 10_000.0)}
    )
    material_m2: dict[str, float] = field(
        default_factory=dict, metadata={"limit": Limit("price of a square metre", 0.0, 10_000.0)}
    )


@dataclass(frozen=True, slots=True)
class CostLine:
    """One part of the costs of all copies: what it is for, money, and the sum in words."""

    key: str
    name: str
    money: float
    why: str


@dataclass(frozen=True, slots=True)
class Costs:
    """What all copies of a job cost, and each.

    Attributes
    ----------
    lines
        Parts of the sum, for all copies; what spoils is the last.
    copies, hours
        How many are made, and hours at the bench for all.
    a_copy
        Cost of one good copy.
    by_margin
        Price of one at the workshop's margin.
    price
        What is asked for one: the maker's own price, else by margin.
    left_over
        Percent of the price left over; below 0 where it is sold under its cost.
    lacks
        What no price is known of.
    """

    lines: tuple[CostLine, ...]
    copies: int
    hours: float
    a_copy: float
    by_margin: float
    price: float
    left_over: float
    lacks: tuple[str, ...]

    @property
    def batch(self) -> float:
        """Cost of all copies, what spoils included."""
        return sum(line.money for line in self.lines)


def spoiled_share(finished: Iterable[Finished], table: float, weight: float) -> float:
    """Return the share of copies that spoil, 0 to 1: near the table's until many own copies say otherwise.

    Parameters
    ----------
    finished
        Own jobs.
    table, weight
        The table's share, which counts as so many own copies.

    Examples
    --------
    >>> spoiled_share([], 0.05, 20)
    0.05
    """
    jobs = list(finished)
    copies, spoiled = sum(one.copies for one in jobs), sum(one.spoiled for one in jobs)
    return (spoiled + table * weight) / (copies + weight)


def costs_of(
    plan: Plan, graph: TaskGraph, catalogue: Catalogue, rates: Rates, finished: Iterable[Finished] = ()
) -> Costs:
    """Return what a plan costs.

    Parameters
    ----------
    plan, graph
        The plan and its steps, for all copies.
    catalogue
        All figures.
    rates
        The workshop's own.
    finished
        Earlier jobs: how many of their copies spoiled.
    """
    figures, entry = catalogue.workshop, plan.job.price
    hours = _hours(graph)
    lines = [*_bought(plan, graph, catalogue, rates), *_used_up(plan, graph, figures), *_time(hours, figures, rates)]
    table = (figures["spoiled"] if rates.spoiled is None else rates.spoiled) / 100
    share = spoiled_share(finished, table, figures["spoiled_weight"])
    spent = sum(line.money for line in lines)
    lost = spent / (1 - share) - spent
    lines.append(CostLine("spoiled", "What spoils", lost, f"{share:.0%} of copies are made once more."))
    a_copy = (spent + lost) / plan.copies
    margin = (figures["margin"] if rates.margin is None else rates.margin) / 100
    by_margin = a_copy / (1 - margin)
    price = by_margin if entry.asked is None else entry.asked
    left_over = 100 * (price - a_copy) / price if price else 0.0
    lacks = () if entry.blank_price is not None else ("the blank",)
    return Costs(tuple(lines), plan.copies, hours, a_copy, by_margin, price, left_over, lacks)


def _hours(graph: TaskGraph) -> float:
    """Return hours of the hands; while a machine cuts they are free, and second passes are seldom needed."""
    return sum(task.hand_minutes for task in graph.tasks if task.needs_marks is None) / 60


def _bought(plan: Plan, graph: TaskGraph, catalogue: Catalogue, rates: Rates) -> Iterator[CostLine]:
    if plan.is_cut:
        yield _mask_cost(plan, rates)
    names = {need.key: need.name for task in graph.tasks for need in task.needs if need.kind == "paint"}
    for key, name in names.items():
        ml = graph.needed("paint", key)
        litre = rates.paint_litre.get(key, catalogue.workshop["price_paint"])
        yield CostLine("paint", name, ml / _ML_PER_L * litre, f"{ml:.0f} ml at {litre:g} a litre.")
    if plan.job.price.blank_price is not None:
        money = plan.copies * plan.job.price.blank_price
        yield CostLine("blank", "Blanks", money, f"{several(plan.copies, 'blank')} at {plan.job.price.blank_price:g}.")


def _mask_cost(plan: Plan, rates: Rates) -> CostLine:
    material = plan.choices.material
    area = plan.trims.width * plan.trims.length / _MM2_PER_M2
    each = rates.material_m2.get(material.key, material.price)
    why = f"{area:.2f} m² of {material.name.lower()}, waste included, at {each:g} a m²."
    return CostLine("mask", "Mask material", area * each, why)


def _used_up(plan: Plan, graph: TaskGraph, figures: Mapping[str, float]) -> Iterator[CostLine]:
    if plan.is_cut:
        metres = plan.cut_length / _MM_PER_M
        yield CostLine("blade", "Blade", metres * figures["price_blade"], f"{metres:.1f} m of cut.")
    yield from _pins(plan, graph, figures)
    yield from _carrier(plan, graph, figures)
    tape = graph.needed("tape") / _MM_PER_M
    if tape:
        yield CostLine("tape", "Tape", tape * figures["price_tape"], f"{tape:.1f} m around covers.")


def _pins(plan: Plan, graph: TaskGraph, figures: Mapping[str, float]) -> Iterator[CostLine]:
    """Yield a share of the pins: all of what goes to the bin with a mask, one use of those that come back."""
    pins = round(graph.needed("pins"))
    if pins and plan.pins_return:
        uses = figures["pin_uses"]
        why = f"{several(pins, 'pin')}, each set {uses:g} times before it is thrown away."
        yield CostLine("pins", "Pins", pins * figures["price_pin"] / uses, why)
    elif pins:
        why = f"{several(pins, 'pin')}, which go to the bin with the mask."
        yield CostLine("pins", "Pins", pins * figures["price_pin"], why)


def _carrier(plan: Plan, graph: TaskGraph, figures: Mapping[str, float]) -> Iterator[CostLine]:
    """Yield a share of the tape that carries the masks, which is used more than once."""
    taken_up = (task.values for task in graph.with_trait(Trait.CARRIES))
    metres = sum(one.carrier.used for one in taken_up if isinstance(one, OnTape)) / _MM_PER_M
    if metres and plan.method.carrier:
        uses = figures["carrier_uses_heat" if plan.method.carrier == "heat-proof" else "carrier_uses_transfer"]
        why = f"{metres:.1f} m, used {uses:g} times."
        yield CostLine("carrier", "Tape that carries the mask", metres * figures["price_carrier"] / uses, why)


def _time(hours: float, figures: Mapping[str, float], rates: Rates) -> Iterator[CostLine]:
    hour = figures["hour_worth"] if rates.hour is None else rates.hour
    fixed = figures["fixed_hour"] if rates.fixed_hour is None else rates.fixed_hour
    yield CostLine("hours", "Hours at the bench", hours * hour, f"{hours:.2f} h at {hour:g}.")
    yield CostLine("fixed", "Rent, light, tools", hours * fixed, f"{hours:.2f} h at {fixed:g}.")
