"""With the paint open: clocks, waits, trims, rounds and covers, held against what was worked out by hand."""

import json
import re
from datetime import UTC, datetime, timedelta
from pathlib import Path
from zoneinfo import ZoneInfo

import icalendar
import numpy as np
import pytest
import shapely

from dunestead.cli.sources import FolderSources
from dunestead.core.curing.drying import Weather
from dunestead.core.curing.peel import WetWork, peel_window
from dunestead.core.job.job import altered
from dunestead.core.job.log import LogEntry
from dunestead.core.painting.coatings import Coating
from dunestead.core.painting.cover import cover_around
from dunestead.core.painting.stack import doubts
from dunestead.core.plan.pace import order_of, pace_of
from dunestead.core.plan.plan import Plan, make_plan
from dunestead.core.plan.young import tapes_off, touches, trims_for
from dunestead.core.records import Hours
from dunestead.core.stations.graph import stations_of, task_graph
from dunestead.core.work.coating import BASE_COAT
from dunestead.core.work.progress import Progress
from dunestead.core.work.saying import detail_of, title_of
from dunestead.core.work.schedule import schedule_of
from dunestead.core.work.tasks import TaskGraph
from dunestead.formats.calendar_file import write_calendar
from dunestead.formats.job_file import read_job_file
from dunestead.formats.verified import check_cut
from tests.jobs.make import ART, job_file
from tests.making import CATALOGUE, job_of, words
from tests.shapes import Files

AT = datetime(2026, 5, 10, 11, 0, tzinfo=UTC)
FIGURES = CATALOGUE.workshop


@pytest.fixture
def planned(tmp_path: Path):
    for name, data in ART.items():
        (tmp_path / name).write_bytes(data)

    def of(number: str, **more) -> tuple[Plan, TaskGraph]:
        sources = FolderSources(tmp_path)
        job = read_job_file(json.dumps(job_file(number) | more), sources.keep, sources, CATALOGUE)
        plan = make_plan(job, sources, CATALOGUE, check_cut)
        return plan, task_graph(plan, CATALOGUE)

    return of


def done_until(graph: TaskGraph, last: str, at: datetime) -> list[LogEntry]:
    """Return the log of a job in which everything before a step was done at one time."""
    ids = [task.id for task in graph.tasks if not task.needs_marks]
    return [LogEntry("done", id_, at, began=at) for id_ in ids[: ids.index(last) + 1]]


# --- clocks -----------------------------------------------------------------------------------
def test_the_peel_opens_after_the_last_coat_and_until_then_it_is_said_what_is_left(planned) -> None:
    """Outdoor acrylic is dry to the touch 30 min after the first stroke, at 11:00: all must be off by 11:30."""
    plan, graph = planned("J05")
    progress = Progress(graph, done_until(graph, "paint-coat/m1/k1/c1/n1", AT))
    clock = next(one for one in progress.clocks() if one.task.station == "peel")
    peel = {one.code: one for one in stations_of(plan, progress, "mm", AT + timedelta(minutes=2))}["peel"]

    assert clock.opens is None
    assert clock.closes == AT + timedelta(minutes=30)
    assert clock.coats == 2
    assert (peel.state, peel.verdict) == ("ready", "2 coats, then peel before 11:30.")
    # Two coats of 36 s a dm2 and the look over everything have to begin this long before.
    left = sum(graph.by_id[id_].minutes for id_ in ("paint-coat/m1/k1/c1/n2", "paint-coat/m1/k1/c1/n3"))
    assert clock.fits_until <= AT + timedelta(minutes=30 - left)
    late = {one.code: one for one in stations_of(plan, progress, "mm", AT + timedelta(minutes=29))}["peel"]
    assert late.state == "warn"
    assert "no longer fit" in late.verdict

    progress = Progress(graph, done_until(graph, "paint-look-over/m1/k1", AT))
    clock = next(one for one in progress.clocks() if one.task.station == "peel")
    assert (clock.opens, clock.closes) == (AT, AT + timedelta(minutes=10))


def test_what_a_step_says_of_the_peel_is_what_its_clock_keeps(planned) -> None:
    for number, said in (("J05", "within 10 min of the last coat, at most 30 min after"), ("J12", "from 4 h to 16 h")):
        _, graph = planned(number)
        off = next(task for task in graph.tasks if task.station == "peel" and "Peel" in detail_of(task, graph, "mm"))
        assert said in detail_of(off, graph, "mm")


# --- young paint ------------------------------------------------------------------------------
def test_a_mask_is_trimmed_where_its_border_reaches_over_a_print_beside_it(planned) -> None:
    plan, _ = planned("J02")
    second = plan.masks[1]
    x0, y0, x1, _ = second.painted_box
    _, top, _, _ = second.box
    # A print that ends 16 mm above the lettering: 10 mm of border and 5 mm beside it are left.
    near = (x0, y0 - 80, x1, y0 - 16)

    assert touches(plan, second, near, FIGURES) is False
    (trim,) = trims_for(plan, second, [near], FIGURES)
    assert (trim.side, round(trim.by, 6)) == ("top", round(y0 - 16 - top + 5, 6))
    # One that ends 14 mm above leaves too little border, so the mask waits and is not trimmed.
    close = (x0, y0 - 80, x1, y0 - 14)
    assert touches(plan, second, close, FIGURES) is True
    assert trims_for(plan, second, [close], FIGURES) == ()
    # Far enough off, nothing is to be done; a width of tape beside the mask would still reach it.
    far = (x0, top - 80, x1, top - 6)
    assert (touches(plan, second, far, FIGURES), trims_for(plan, second, [far], FIGURES)) == (False, ())
    assert tapes_off(plan, second, [far], FIGURES) == ("top",)


def test_nothing_wipes_paint(planned) -> None:
    for number in ("J02", "J13", "J15", "J01"):
        _, graph = planned(number)
        wet = [k for k, task in enumerate(graph.tasks) if task.coat is not None]
        wiped = [
            k for k, task in enumerate(graph.tasks) if "alcohol" in title_of(task, "mm") and task.station == "tack"
        ]
        assert all(k < min(wet) for k in wiped)
        for task in graph.tasks:
            if task.code == "tack-wipe" and task.mask == 2:
                assert title_of(task, "mm") == "Brush the dust off"
                assert "No alcohol" in detail_of(task, graph, "mm")


# --- rounds -----------------------------------------------------------------------------------
def test_colours_go_by_rounds_where_that_is_quicker(planned) -> None:
    """Two coats each of two colours, peeled dry: two waits of 20 min one by one, one wait by rounds."""
    plan, graph = planned("J12")
    (mask,) = plan.masks
    pace = pace_of(plan, CATALOGUE, mask)
    brush = [max(coat.area / 1e4 * 40, 60) / 60 for coat in mask.coats]
    wash = 20 / 60

    assert pace.by_rounds
    assert pace.one_by_one == pytest.approx(2 * sum(brush) + wash + 2 * 20)
    # The first round dries 20 min before its first colour goes on again; the last only takes its work.
    assert pace.rounds == pytest.approx(20 + sum(brush) + 2 * wash)
    assert [(coat.number, n) for coat, n in order_of(mask, by_rounds=True)] == [(1, 1), (2, 1), (1, 2), (2, 2)]
    apart = next(task for task in graph.tasks if task.code == "paint-colours-apart")
    told = [int(number) for number in re.findall(r"(\d+) min", detail_of(apart, graph, "mm"))]
    assert told == [round(pace.rounds), round(pace.one_by_one)]


def test_a_plastic_mask_is_planned_with_one_coat_within_five_minutes(planned) -> None:
    told = [{"role": "colour", "paint": "craft-acrylic", "colour": "#22313a", "coats": None}]
    plan, _ = planned("J21", coatings=told)

    assert [coat.coats for coat in plan.coatings] == [1]
    window = plan.masks[0].peel
    assert (window.when, window.since_first) == ("five-minutes", 5)


# --- covers -----------------------------------------------------------------------------------
@pytest.mark.parametrize("seed", range(100))
def test_nothing_within_reach_is_left_open(seed: int) -> None:
    """By bitmap: what is near the paint and neither painted, under the mask, nor under paper or tape, is open."""
    rng = np.random.default_rng(seed)
    width, height = rng.uniform(300, 700), rng.uniform(250, 500)
    x0, y0 = rng.uniform(20, width / 3), rng.uniform(20, height / 3)
    painted = (x0, y0, rng.uniform(width / 2, width - 20), rng.uniform(height / 2, height - 20))
    border = rng.choice([15.0, 25.0, 40.0])
    mask = (max(painted[0] - border, 0), max(painted[1] - border, 0))
    mask = (*mask, min(painted[2] + border, width), min(painted[3] + border, height))
    at = shapely.Point(rng.uniform(0, width), rng.uniform(0, height))
    clear = at.buffer(rng.uniform(8, 25)) if seed % 2 else shapely.box(at.x, at.y, at.x + 30, at.y + 12)
    clear = clear.difference(shapely.box(*painted))
    needed = rng.choice([40.0, 150.0])
    found = cover_around(needed, painted, mask, (width, height), 25.0, everything=False, clear=[clear])

    under = shapely.union_all(
        [
            shapely.box(*mask).difference(clear),
            *(shapely.box(*box) for box in (*found.boxes, *found.inside)),
            *_tapes(mask, found.taped),
        ]
    )
    xs, ys = np.meshgrid(np.arange(1, width, 3), np.arange(1, height, 3))
    points = shapely.points(xs.ravel(), ys.ravel())
    box = shapely.box(painted[0] - needed, painted[1] - needed, painted[2] + needed, painted[3] + needed)
    near = shapely.contains(box, points) & ~shapely.intersects(shapely.box(*painted), points)
    assert not (near & ~shapely.intersects(under.buffer(0.01), points)).any()


def _tapes(mask: tuple[float, ...], taped: tuple[bool, ...]) -> list[shapely.Polygon]:
    x0, y0, x1, y1 = mask
    sides = (
        (x0 - 25, y0 - 25, x0, y1 + 25),
        (x0 - 25, y0 - 25, x1 + 25, y0),
        (x1, y0 - 25, x1 + 25, y1 + 25),
        (x0 - 25, y1, x1 + 25, y1 + 25),
    )
    return [shapely.box(*side) for side, is_taped in zip(sides, taped, strict=True) if is_taped]


def test_exactly_far_enough_takes_no_strip_and_cloth_is_covered_beyond_its_panel() -> None:
    painted = (100.1, 100.2, 500.3, 300.4)
    mask = (60.1, 60.2, 540.3, 340.4)
    assert cover_around(40.0, painted, mask, (600, 400), 25.0, everything=False).is_empty
    shirt = cover_around(300.0, (50, 50, 250, 250), (10, 10, 290, 290), (300, 300), 25.0, everything=True, goes_on=True)
    assert shirt.sides == (260, 260, 260, 260)


# --- times ------------------------------------------------------------------------------------
@pytest.mark.parametrize("zone", ["UTC", "Europe/Lisbon", "Asia/Kolkata", "America/St_Johns", "Australia/Lord_Howe"])
@pytest.mark.parametrize("day", [datetime(2026, 3, 28, 16, 0), datetime(2026, 10, 24, 16, 0)])
def test_a_calendar_file_names_moments_in_utc_and_begins_with_the_first_coat(planned, zone: str, day: datetime) -> None:
    plan, graph = planned("J05")
    now = day.replace(tzinfo=ZoneInfo(zone)).astimezone()
    progress = Progress(graph, done_until(graph, "tack-press-again/m1/k1", now))
    schedule = schedule_of(progress, now, Hours(9, 17, (0, 1, 2, 3, 4, 5, 6)))
    data = write_calendar(plan.job.name, 7, progress, schedule, now, 1, "mm")

    assert b"TZID" not in data
    events = icalendar.Calendar.from_ical(data).walk("VEVENT")
    first = next(event for event in events if "Coat 1 of 3" in event["summary"])
    assert first.decoded("dtstart").utcoffset() == timedelta(0)
    begins = schedule.slots["paint-coat/m1/k1/c1/n1"].begins
    assert first.decoded("dtstart") == begins.replace(microsecond=0)


def test_a_long_window_is_met_at_the_bench(planned) -> None:
    """Film on its carrier comes off 4 to 16 h after the last coat: painted at 16:00, that is at nine, not at night."""
    _, graph = planned("J12")
    evening = datetime(2026, 5, 11, 16, 0).astimezone()
    progress = Progress(graph, done_until(graph, "paint-look-over/m1/k1", evening))
    schedule = schedule_of(progress, evening, Hours(7, 17, (0, 1, 2, 3, 4, 5, 6)))

    peel = schedule.slots["peel-rewarm/m1/k1"].begins
    assert timedelta(hours=4) <= peel - evening <= timedelta(hours=16)
    assert 7 <= peel.astimezone().hour < 17


def test_five_minutes_through_plastic_say_when_the_coats_do_not_fit() -> None:
    paint, plastic = CATALOGUE.paint("craft-acrylic"), CATALOGUE.material("plastic")
    window = peel_window(paint, plastic, Weather(20, 50), FIGURES, WetWork(8.0))
    assert "All coats take 8 min" in window.why
    assert "lay the mask again" in window.why
    assert "All coats" not in peel_window(paint, plastic, Weather(20, 50), FIGURES, WetWork(3.0)).why


def test_glass_is_asked_about_and_a_rubber_back_takes_no_iron(planned) -> None:
    asked, _ = planned("J19", seen_through=None)
    assert asked.job.blank.seen_through is None
    rubber = {"width": 900, "height": 600, "back": "rubber"}
    plan, graph = planned("J20", blank=rubber)
    assert plan.choices.surface.heat == 110
    assert not [task for task in graph.tasks if task.code == "cure-heat-set"]
    (hang,) = [task for task in graph.tasks if task.code == "cure-hang"]
    assert max(wait.least for wait in hang.after) == 7 * 24 * 60
    assert "7 days" in detail_of(hang, graph, "mm")


@pytest.mark.parametrize(
    ("size", "asked"),
    [((60, 40), "600 mm by 400 mm?"), ((6000, 4000), "600 mm by 400 mm?"), ((700, 400), None), ((300, 200), None)],
)
def test_a_size_ten_times_off_is_asked_about_before_all_else(planned, size: tuple[float, float], asked) -> None:
    told = {"words": "TIDE", "face": "archivo-black", "width": size[0] / 2, "colour": "#22313a"}
    plan, graph = planned("J05", blank={"width": size[0], "height": size[1]}, design=[told])
    state = {one.code: one for one in stations_of(plan, Progress(graph, []), "mm", AT)}["blank"]

    assert state.state == "warn"
    assert ("Should it be" in state.verdict) == bool(asked)
    assert asked is None or state.verdict.endswith(asked)


def test_two_shades_of_one_name_are_told_apart(planned) -> None:
    told = [
        {"words": "A", "face": "archivo-black", "width": 100, "x": -150, "colour": "#9c4a32"},
        {"words": "B", "face": "archivo-black", "width": 100, "x": 150, "colour": "#8a3d2a"},
    ]
    plan, graph = planned("J05", design=told, coatings=None)
    titles = {title_of(task, "mm").partition(":")[0] for task in graph.tasks if task.coat == 1}
    assert titles >= {"Coat 1 of 3 in light brick", "Coat 1 of 3 in dark brick"}
    assert len({coat.named for coat in plan.coatings}) == 2


AT_TOUCH = {"base_at_touch": True}


@pytest.mark.parametrize(
    ("entries", "waits"),
    [({}, 1440.0), ({"warm_air": True}, 1440.0), (AT_TOUCH, 30.0), ({**AT_TOUCH, "warm_air": True}, 10.0)],
)
def test_a_mask_waits_for_a_base_to_be_fit_for_use_unless_the_maker_risks_it_at_the_touch(entries, waits) -> None:
    """Outdoor acrylic is dry to the touch after 30 min and may be used after a day."""
    coatings = (Coating("base", "outdoor-acrylic", "#f6f3ea", 1), Coating("colour", "outdoor-acrylic"))
    job = altered(job_of(words("ROW", 300.0), coatings=coatings), **entries)
    plan = make_plan(job, Files(), CATALOGUE, check_cut)
    tasks = task_graph(plan, CATALOGUE).tasks
    base = next(task.id for task in tasks if task.code == BASE_COAT)
    least = [wait.least for task in tasks if task.station == "tack" for wait in task.after if wait.task == base]

    assert max(least) == waits
    risks = bool(plan.job.paint.base_at_touch)
    told = doubts(coatings, plan.choices.surface, seen_through=False, base_at_touch=risks)
    assert any("may lift it" in one for one in told) == risks
