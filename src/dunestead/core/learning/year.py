"""A year looked over: hours, prints, what spoiled, paint and money, by month and by kind of blank."""

from collections.abc import Iterable
from dataclasses import dataclass

from dunestead.core.learning.finished import Finished

__all__ = ["Period", "Year", "year_of", "years_in"]

_MONTHS = 12


@dataclass(frozen=True, slots=True)
class Period:
    """What was finished in a month, or of a kind.

    Attributes
    ----------
    prints, spoiled
        Good ones, and those that were not.
    earned, spent
        What the good ones were to be sold for, and what all cost; in the workshop's money.
    """

    jobs: int = 0
    prints: int = 0
    spoiled: int = 0
    hours: float = 0.0
    paint_ml: float = 0.0
    earned: float = 0.0
    spent: float = 0.0

    def with_job(self, one: Finished) -> "Period":
        """Return the period with one more job."""
        good = one.copies - one.spoiled
        return Period(
            self.jobs + 1,
            self.prints + good,
            self.spoiled + one.spoiled,
            self.hours + one.minutes / 60,
            self.paint_ml + sum(one.paint_ml.values()),
            self.earned + good * one.price,
            self.spent + one.cost,
        )


@dataclass(frozen=True, slots=True)
class Year:
    """A year: twelve months, and kinds by key of their surface, those with most prints first."""

    year: int
    months: tuple[Period, ...]
    kinds: tuple[tuple[str, Period], ...]
    total: Period


def years_in(finished: Iterable[Finished]) -> list[int]:
    """Return the years in which anything was finished, the newest first."""
    return sorted({one.on.year for one in finished}, reverse=True)


def year_of(finished: Iterable[Finished], year: int) -> Year:
    """Return what was finished in a year."""
    months, kinds, total = [Period() for _ in range(_MONTHS)], dict[str, Period](), Period()
    for one in finished:
        if one.on.year == year:
            months[one.on.month - 1] = months[one.on.month - 1].with_job(one)
            kinds[one.surface] = kinds.get(one.surface, Period()).with_job(one)
            total = total.with_job(one)
    ordered = sorted(kinds.items(), key=lambda kind: (-kind[1].prints, kind[0]))
    return Year(year, tuple(months), tuple(ordered), total)
