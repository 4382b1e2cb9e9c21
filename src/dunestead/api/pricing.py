"""What a job costs and may be sold for, and a quotation for whoever orders it."""

from collections.abc import Mapping
from dataclasses import asdict
from datetime import date, timedelta

from flask import Response

from dunestead.api import schemas
from dunestead.api.description import hands_out
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, download, if_match, opened
from dunestead.api.schemas import price as wire
from dunestead.core.errors import UnknownKey
from dunestead.core.job.job import PriceEntry, altered
from dunestead.core.learning.costs import Costs, Rates, costs_of
from dunestead.core.limits import check_limits
from dunestead.core.words.care import care_of
from dunestead.core.words.rights import rights_in_words
from dunestead.formats.bundle import file_stem
from dunestead.formats.quotation import Offer, write_quotation
from dunestead.workshop.opened import OpenJob

__all__ = ["pricing"]

pricing = Endpoints("pricing", __name__, url_prefix="/api", tag="Pricing")
# How the price falls with the number is reckoned for these, each through a plan of its own.
_NUMBERS = (1, 2, 5, 10, 20)
_STANDS = timedelta(days=30)
_FIGURES = ("hour_worth", "fixed_hour", "margin", "spoiled", "price_paint")


@pricing.get("/jobs/<int:job_id>/costs")
def get_costs(job_id: int, query: schemas.UnitQuery) -> wire.CostsOut:
    """Show what a job costs, what it may be sold for, and how that falls with the number."""
    return _shown(opened(job_id, query))


@pricing.put("/jobs/<int:job_id>/price")
def set_price(job_id: int, given: PriceEntry, query: schemas.UnitQuery) -> wire.CostsOut:
    """Say what a blank costs, what something like it costs in a shop, and what is asked."""
    check_limits(given)
    bench().change(job_id, "Price", lambda job, _: altered(job, **asdict(given)), if_match())
    return _shown(opened(job_id, query))


@pricing.put("/workshop/rates")
def set_rates(rates: Rates) -> Rates:
    """Say what prices are reckoned with in this workshop."""
    catalogue = bench().catalogue
    check_limits(rates)
    for named, known, what in (
        (rates.paint_litre, catalogue.paints, "paint"),
        (rates.material_m2, catalogue.materials, "mask material"),
    ):
        if unknown := sorted(set(named) - set(known)):
            raise UnknownKey(what, unknown[0], list(known))
    bench().records.keep_rates(rates)
    return rates


@pricing.post("/workshop/rates/undo")
def undo_rates() -> Rates:
    """Take the last change of what prices are reckoned with back."""
    bench().records.undo_rates()
    return bench().records.rates_kept()


@pricing.get("/jobs/<int:job_id>/quotation-<any(a4, letter):paper>.pdf")
@hands_out("pdf")
def get_quotation(job_id: int, paper: str, query: schemas.UnitQuery) -> Response:
    """Download a quotation: the print, its sizes and colours, care and price; nothing of how that was reckoned."""
    found = opened(job_id, query)
    costs, currency = _costs(found), bench().records.rates_kept().currency
    # One is never offered at a price that all of them together do not come to.
    each = round(costs.price, 2)
    offer = Offer(
        f"{each:.2f} {currency}",
        f"{each * costs.copies:.2f} {currency}",
        _day(found.at.date()),
        _day(found.at.date() + _STANDS),
    )
    care = care_of(found.plan, None, None)
    data = write_quotation(found.plan, offer, care, query.unit, "letter" if paper == "letter" else "a4")
    return download(data, "application/pdf", f"{file_stem(found.plan.job.name)}-quotation.pdf")


def _day(day: date) -> str:
    return f"{day.day} {day:%B %Y}"


def _costs(found: OpenJob) -> Costs:
    workbench = bench()
    return costs_of(found.plan, found.graph, workbench.catalogue, workbench.records.rates_kept(), found.earlier)


def _numbers(found: OpenJob) -> list[wire.NumberOut]:
    workbench, rates = bench(), bench().records.rates_kept()
    counts = sorted({*_NUMBERS, found.plan.copies})
    numbers = []
    for copies in counts:
        reckoned = workbench.reckon(altered(found.plan.job, copies=copies))
        costs = costs_of(reckoned.plan, reckoned.graph, workbench.catalogue, rates, found.earlier)
        numbers.append(wire.NumberOut.showing(costs, copies=copies))
    return numbers


def _shown(found: OpenJob) -> wire.CostsOut:
    workbench, plan, costs = bench(), found.plan, _costs(found)
    figures: Mapping[str, float] = workbench.catalogue.workshop
    entry, rates = plan.job.price, workbench.records.rates_kept()
    return wire.CostsOut.showing(
        costs,
        version=found.head.version,
        name=plan.job.name,
        against_bought=None if entry.bought_price is None else costs.price - entry.bought_price,
        numbers=_numbers(found),
        rights=rights_in_words(plan.job),
        entry=entry,
        rates=rates,
        table={name: figures[name] for name in _FIGURES},
        paints={coat.paint.key: coat.paint.name for coat in plan.coatings},
        material=plan.choices.material.key,
        material_name=plan.choices.material.name,
        material_price=plan.choices.material.price,
    )
