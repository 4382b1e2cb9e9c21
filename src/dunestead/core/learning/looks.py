"""Later looks at a print: how it wears after a week, a month and a year."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import date, timedelta

from dunestead.core.job.job import WHEN_LOOKED, WhenLooked
from dunestead.core.learning.finished import Finished

__all__ = ["DueLook", "due_looks"]


@dataclass(frozen=True, slots=True)
class DueLook:
    """A look that is due: of which job, after how long, and since when."""

    job: int
    name: str
    when: WhenLooked
    since: date


def due_looks(jobs: Iterable[tuple[int, str, Finished]], today: date, figures: Mapping[str, float]) -> list[DueLook]:
    """Return the looks that are due, the longest due first; of each job the latest only.

    A print that is not at hand any more is not asked for again.

    Parameters
    ----------
    jobs
        All that are finished, each by its number and name.
    today
        The day it is.
    figures
        Of the workshop: after how many days it is looked at, ``look_week`` and so on.
    """
    after = {when: timedelta(days=figures[f"look_{when}"]) for when in WHEN_LOOKED}
    found = []
    for number, name, one in jobs:
        if one.is_gone:
            continue
        passed = [when for when in WHEN_LOOKED if one.on + after[when] <= today]
        if passed and passed[-1] not in one.looked:
            found.append(DueLook(number, name, passed[-1], one.on + after[passed[-1]]))
    return sorted(found, key=lambda due: (due.since, due.job))
