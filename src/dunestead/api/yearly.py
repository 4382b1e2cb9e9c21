"""A year looked over, as a page shows it and as a table for a spreadsheet."""

import csv
import io
from collections.abc import Iterator
from dataclasses import astuple

from flask import Response

from dunestead.api.description import hands_out
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, download
from dunestead.api.wire import Shown
from dunestead.core.learning.year import Period, Year, year_of, years_in

__all__ = ["yearly"]

yearly = Endpoints("yearly", __name__, url_prefix="/api/years", tag="Years")
_MONTHS = (
    *("January", "February", "March", "April", "May", "June"),
    *("July", "August", "September", "October", "November", "December"),
)
_HEAD = ("jobs", "prints", "spoiled", "hours", "paint, ml", "earned", "spent")


class PeriodOut(Shown):
    """What was finished in a month, or of a kind; hours, ml, and the workshop's money."""

    name: str
    jobs: int
    prints: int
    spoiled: int
    hours: float
    paint_ml: float
    earned: float
    spent: float


class YearOut(Shown):
    """A year by month and by kind of blank, and in which years anything was finished."""

    year: int
    years: list[int]
    currency: str
    months: list[PeriodOut]
    kinds: list[PeriodOut]
    total: PeriodOut


def _found(year: int) -> Year:
    return year_of((one for _, _, one in bench().lessons.finished), year)


def _kind_name(key: str) -> str:
    surfaces = bench().catalogue.surfaces
    return surfaces[key].name if key in surfaces else key


def _out(name: str, period: Period) -> PeriodOut:
    return PeriodOut.showing(period, name=name)


@yearly.get("/<int:year>")
def get_year(year: int) -> YearOut:
    """Show what was finished in a year, by month and by kind; 0 is the newest in which anything was, else this one."""
    workbench = bench()
    years = years_in(one for _, _, one in workbench.lessons.finished)
    year = year or next(iter(years), workbench.clock.now().year)
    found = _found(year)
    return YearOut(
        year=year,
        years=years,
        currency=workbench.records.rates_kept().currency,
        months=[_out(name, month) for name, month in zip(_MONTHS, found.months, strict=True)],
        kinds=[_out(_kind_name(key), kind) for key, kind in found.kinds],
        total=_out("In all", found.total),
    )


@yearly.get("/<int:year>.csv")
@hands_out("csv")
def get_year_table(year: int) -> Response:
    """Download a year as a table: months first, then kinds, then all."""
    held = io.StringIO()
    writer = csv.writer(held, lineterminator="\n")
    writer.writerow(("what", *_HEAD))
    writer.writerows(_rows(_found(year)))
    return download(held.getvalue(), "text/csv; charset=utf-8", f"year-{year}.csv")


def _rows(found: Year) -> Iterator[tuple[object, ...]]:
    named = [*zip(_MONTHS, found.months, strict=True), *((_kind_name(key), kind) for key, kind in found.kinds)]
    for name, period in [*named, ("In all", found.total)]:
        yield (name, *(round(value, 2) if isinstance(value, float) else value for value in astuple(period)))
