"""Later looks at a print: how it wears after a week, a month and a year."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import date, timedelta

from dunestead.core.job.job import WHEN_LOOKED, WhenLooked
from dunestead.core.learning.finished import Finished

__all__ = ["AFTER_DAYS", "DueLook", "due_looks"]

AFTER_DAYS: Mapping[WhenLooked, int] = {"week": 7, "month": 30, "year": 365}


@dataclass(frozen=True, slots=True)
class DueLook:
    """A look that is due: of which job, after how long, and since when."""

    job: int
    name: str
    when: WhenLooked
    since: date


def due_looks(jobs: Iterable[tuple[int, str, Finished]], today: date) -> list[DueLook]:
    """Return the looks that are due, the longest due first; of each job the latest only.

    A print that is not at hand any more is not asked for again.
    """
    found = []
    for number, name, one in jobs:
        if one.is_gone:
            continue
        passed = [when for when in WHEN_LOOKED if one.on + timedelta(days=AFTER_DAYS[when]) <= today]
        if passed and passed[-1] not in one.looked:
            found.append(DueLook(number, name, passed[-1], one.on + timedelta(days=AFTER_DAYS[passed[-1]])))
    return sorted(found, key=lambda due: (due.since, due.job))
