"""Schedules of random jobs, held against a check of constraints that knows nothing of how they were made."""

import itertools
import random
from dataclasses import replace
from datetime import datetime, timedelta

import pytest

from dunestead.core.effort import Effort
from dunestead.core.errors import BadInput
from dunestead.core.job.log import LogEntry
from dunestead.core.plan.plan import make_plan
from dunestead.core.records import Hours, check_hours
from dunestead.core.stations.graph import task_graph
from dunestead.core.work.progress import Progress
from dunestead.core.work.resources import HANDS
from dunestead.core.work.schedule import ready_by, schedule_of
from dunestead.core.work.tasks import Task, TaskGraph, Wait
from dunestead.core.work.timeline import timeline_of
from dunestead.formats.verified import check_cut
from tests.making import CATALOGUE, job_of, step, words
from tests.shapes import Files

MONDAY = datetime(2026, 5, 11, 9, 0).astimezone()
EPS = timedelta(seconds=1)


def random_graph(rng: random.Random) -> TaskGraph:
    """Return a job of one to four copies: sheets, preparing, coats with waits, a peel with a window, drying, use."""
    tasks: list[Task] = []
    for sheet in range(1, rng.randint(0, 3) + 1):
        machine = 60 * rng.uniform(1, 30)
        after = (Wait(tasks[-1].id),) if tasks else ()
        tasks.append(step("sheets-cut", sheet=sheet, effort=Effort(120 + machine, machine), after=after))
    for copy in range(1, rng.randint(1, 4) + 1):
        first = step("blank-prepared", copy=copy, effort=Effort(60 * rng.choice([2.0, 20.0, 90.0])))
        tasks.append(first)
        before, least, wet = first, 0.0, rng.random() < 0.5
        coats = rng.randint(1, 4)
        for coat in range(1, coats + 1):
            most = 5.0 if wet and coat > 1 else None
            least = 0.0 if coat == 1 or wet else rng.choice([4.0, 20.0, 120.0])
            wait = Wait(before.id, least, most)
            work = Effort(60 * rng.uniform(1, 9))
            task = step("paint-coat", copy=copy, coating=1, coat=coat, effort=work, after=(wait,))
            tasks.append(task)
            before = task
        opens = 0.0 if wet else rng.choice([5.0, 45.0])
        window = Wait(before.id, opens, opens + rng.choice([10.0, 45.0]))
        peel = step("peel-sheet", copy=copy, effort=Effort(60 * rng.uniform(1, 5)), after=(window,))
        dry = step("cure-dry", copy=copy, after=(Wait(before.id, 240.0), Wait(peel.id)))
        use = step("cure-use", copy=copy, after=(Wait(before.id, rng.choice([720.0, 1440.0])), Wait(dry.id)))
        tasks += [peel, dry, use]
    return TaskGraph(tuple(tasks))


def faults(graph: TaskGraph, slots, start: datetime, hours: Hours) -> list[str]:
    """Return every constraint that a schedule breaks."""
    found = []
    for task in graph.tasks:
        slot = slots[task.id]
        if slot.begins < start - EPS or abs(slot.ends - slot.begins - timedelta(minutes=task.minutes)) > EPS:
            found.append(f"{task.id} has no such length")
        for wait in task.after:
            end = slots[wait.task].ends
            if slot.begins < end + timedelta(minutes=wait.least) - EPS:
                found.append(f"{task.id} too early")
            if wait.most is not None and slot.begins > end + timedelta(minutes=wait.most) + EPS:
                found.append(f"{task.id} too late")
        begins = slot.begins.astimezone()
        hour = begins.hour + begins.minute / 60
        free = not task.minutes or any(wait.most is not None for wait in task.after)
        if not free and not (hours.day_from - 0.02 <= hour < hours.day_until and begins.weekday() in hours.days):
            found.append(f"{task.id} at night")
    hands = [(slots[t.id].begins, slots[t.id].begins + timedelta(minutes=t.hand_minutes), t.id) for t in graph.tasks]
    cutter = [(slots[t.id].begins, slots[t.id].ends, t.id) for t in graph.tasks if t.occupies == "cutter"]
    for busy in (sorted(one for one in hands if one[1] > one[0]), sorted(cutter)):
        found += [f"{b[2]} while {a[2]}" for a, b in itertools.pairwise(busy) if b[0] < a[1] - EPS]
    return found


@pytest.mark.parametrize("seed", range(5))
def test_no_schedule_of_a_hundred_random_jobs_breaks_a_constraint(seed: int) -> None:
    rng = random.Random(seed)
    for _ in range(100):
        graph = random_graph(rng)
        hours = Hours(8.0, rng.choice([12.0, 17.0, 20.0]), tuple(sorted(rng.sample(range(7), rng.randint(2, 7)))))
        start = MONDAY + timedelta(minutes=rng.randint(0, 10_000))

        schedule = schedule_of(Progress(graph, ()), start, hours)

        assert faults(graph, schedule.slots, start, hours) == []
        assert schedule.ready == max(schedule.slots[task.id].ends for task in graph.tasks if task.code == "cure-use")


@pytest.mark.parametrize("seed", range(40))
def test_the_latest_start_is_in_time_and_half_an_hour_later_is_not(seed: int) -> None:
    graph, hours = random_graph(random.Random(seed)), Hours()
    progress = Progress(graph, ())
    due = (MONDAY + timedelta(days=6)).replace(hour=23, minute=59)

    by = ready_by(progress, MONDAY, due, hours)

    assert by.meets
    assert schedule_of(progress, by.latest, hours).ready <= due
    assert schedule_of(progress, by.latest + timedelta(minutes=30), hours).ready > due


def test_what_cannot_be_ready_is_said_to_be_late_by_as_much() -> None:
    graph = random_graph(random.Random(3))
    due = MONDAY + timedelta(hours=2)

    by = ready_by(Progress(graph, ()), MONDAY, due, Hours())

    assert (by.meets, by.latest) == (False, None)
    assert by.late == by.schedule.ready - due > timedelta(0)


def test_by_hand_a_mat_painted_on_monday_morning_is_used_on_tuesday() -> None:
    """24 h after its last coat: begun at nine and painted within the hour, between nine and eleven the next day."""
    plan = make_plan(job_of(words("HI", 300.0), cutter="wide-roll"), Files(), CATALOGUE, check_cut)
    progress = Progress(task_graph(plan, CATALOGUE), ())

    schedule = schedule_of(progress, MONDAY, Hours())
    events = timeline_of(progress, schedule, 1)

    assert MONDAY + timedelta(hours=24) < schedule.ready < MONDAY + timedelta(hours=26)
    assert [event.task.code for event in events][-1] == "cure-use"
    assert events[-1].waits_for.code == "paint-coat"
    assert events[-1].minutes == 24 * 60


def test_a_late_step_moves_all_that_follows() -> None:
    plan = make_plan(job_of(words("HI", 300.0), cutter="wide-roll"), Files(), CATALOGUE, check_cut)
    graph = task_graph(plan, CATALOGUE)
    log = [LogEntry("done", task.id, MONDAY) for task in graph.tasks if task.station in ("blank", "sheets", "weed")]

    early, late = (
        schedule_of(Progress(graph, log), MONDAY + timedelta(hours=hours), Hours()).ready for hours in (0, 5)
    )

    assert late - early == timedelta(hours=5)


def test_wet_work_is_not_begun_in_the_evening_when_it_cannot_be_ended() -> None:
    coat = step("paint-coat", copy=1, coat=1, effort=Effort(1200.0))
    peel = step("peel-sheet", copy=1, effort=Effort(1200.0), after=(Wait(coat.id, 0.0, 10.0),))
    graph = TaskGraph((coat, peel))
    evening = MONDAY.replace(hour=19, minute=45)

    slots = schedule_of(Progress(graph, ()), evening, Hours()).slots

    assert slots[coat.id].begins.astimezone().hour == 8
    assert slots[peel.id].begins == slots[coat.id].ends


@pytest.mark.parametrize("hours", [Hours(20, 20), Hours(8, 8.5), Hours(8, 20, ()), Hours(8, 20, (7,)), Hours(-1, 20)])
def test_hours_in_which_nothing_could_be_done_are_refused(hours: Hours) -> None:
    with pytest.raises(BadInput):
        check_hours(hours)
    check_hours(replace(Hours(), days=(5, 6)))


def test_while_the_machine_cuts_the_hands_go_on() -> None:
    """Two minutes to load a sheet, ten under the knife: the blank is prepared meanwhile, the next sheet waits."""
    sheets = [step("sheets-cut", sheet=number, effort=Effort(720.0, 600.0)) for number in (1, 2)]
    blank = step("blank-prepared", copy=1, effort=Effort(300.0))

    slots = schedule_of(Progress(TaskGraph((*sheets, blank)), ()), MONDAY, Hours()).slots

    begun = [round((slots[one.id].begins - MONDAY).total_seconds() / 60) for one in (*sheets, blank)]
    assert begun == [0, 12, 2]
    by_hand = [replace(one, resource=HANDS) for one in sheets]
    slots = schedule_of(Progress(TaskGraph((*by_hand, blank)), ()), MONDAY, Hours()).slots
    assert [round((slots[one.id].begins - MONDAY).total_seconds() / 60) for one in (*by_hand, blank)] == [0, 12, 24]
