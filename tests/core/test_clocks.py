"""Clocks: right to the second when the clock on the wall is put on or back."""

from datetime import UTC, datetime, timedelta
from zoneinfo import ZoneInfo

import pytest

from dunestead.core.effort import Effort
from dunestead.core.job.log import LogEntry
from dunestead.core.work.progress import Progress
from dunestead.core.work.tasks import TaskGraph, Wait
from tests.making import step

COAT = step("paint-coat", copy=1, coat=1, effort=Effort(600.0))
PEEL = step("peel-sheet", copy=1, after=(Wait(COAT.id, 45.0, 90.0), Wait(COAT.id, 0.0, 240.0, "start")))
GRAPH = TaskGraph((COAT, PEEL))


@pytest.mark.parametrize(
    "before",
    # A quarter of an hour before the clocks go back, and before they go on.
    [datetime(2026, 10, 25, 0, 45, tzinfo=UTC), datetime(2026, 3, 29, 0, 45, tzinfo=UTC)],
)
def test_minutes_are_minutes_across_a_change_of_summer_time(before: datetime) -> None:
    progress = Progress(GRAPH, [LogEntry("done", COAT.id, before.astimezone(ZoneInfo("Europe/Berlin")))])

    assert progress.opens(PEEL) == before + timedelta(minutes=45)
    assert progress.closes(PEEL) == before + timedelta(minutes=90)


def test_without_a_first_stroke_it_was_as_long_before_as_the_hands_take() -> None:
    at = datetime(2026, 5, 10, 12, 0, tzinfo=UTC)
    strict = step("peel-sheet", copy=1, after=(Wait(COAT.id, 0.0, 30.0, "start"),))
    graph = TaskGraph((COAT, strict))

    guessed = Progress(graph, [LogEntry("done", COAT.id, at)]).closes(strict)
    said = Progress(graph, [LogEntry("done", COAT.id, at, began=at - timedelta(minutes=25))]).closes(strict)

    assert guessed == at + timedelta(minutes=20)
    assert said == at + timedelta(minutes=5)
