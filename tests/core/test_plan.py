"""The whole plan of a job, station by station."""

from datetime import UTC, datetime, timedelta

import pytest

from dunestead.core.blanks.blank import Blank
from dunestead.core.changes.arranging import fit_design
from dunestead.core.curing.drying import Weather
from dunestead.core.errors import BadInput
from dunestead.core.figures import Catalogue
from dunestead.core.job.job import Job, Record, altered
from dunestead.core.job.log import LogEntry
from dunestead.core.job.proposing import start_job
from dunestead.core.painting.coatings import Coating
from dunestead.core.plan.plan import Plan, make_plan
from dunestead.core.stations.graph import next_of, stations_of, task_graph
from dunestead.core.stations.station import NAMES, Station
from dunestead.core.work.progress import Progress
from dunestead.core.work.saying import caution_of, detail_of, needs_in_words, title_of
from dunestead.formats.verified import check_cut
from tests.shapes import WORD, artwork, files, frame, rect

NOON = datetime(2026, 5, 10, 12, 0, tzinfo=UTC)


def job_for(
    catalogue: Catalogue, surface: str = "coir", width: float = 540.0, x: float = 0.0, y: float = 0.0, **changes
) -> Job:
    job = start_job("Cabin mat", catalogue.surface(surface), catalogue, artwork(width, x=x, y=y))
    paint, coats = changes.pop("paint", job.paint.coatings[0].paint), changes.pop("coats", None)
    more = {"coatings": (Coating("colour", paint, coats=coats),)} | changes
    return altered(job, **{"piece": Blank(600, 400, measured_width=596.0, measured_height=398.0), **more})


def plan_for(catalogue: Catalogue, body: str = WORD, surface: str = "coir", **changes) -> Plan:
    return make_plan(job_for(catalogue, surface, **changes), files(art=body), catalogue, check_cut)


def stations(catalogue: Catalogue, plan: Plan, now: datetime = NOON, unit: str = "mm", log=()) -> dict[str, Station]:
    progress = Progress(task_graph(plan, catalogue), log)
    return {station.code: station for station in stations_of(plan, progress, unit, now)}


def done(*tasks: str, at: datetime = NOON) -> list[LogEntry]:
    return [LogEntry("done", task, at) for task in tasks]


def test_a_new_job_fills_its_blank_to_the_margins(catalogue) -> None:
    """A coir mat of 600 by 400 has margins of 30; the artworks are 0.4 and 2 times as high as wide."""
    job = start_job("Mat", catalogue.surface("coir"), catalogue, artwork(100.0))

    wide = fit_design(job, files(art=WORD), catalogue)
    tall = fit_design(job, files(art=rect(0, 0, 10, 20)), catalogue)

    assert wide.elements[0].width == pytest.approx(540, abs=0.1)
    assert tall.elements[0].width == pytest.approx(170, abs=0.1)
    assert (job.mask.material, job.paint.coatings) == ("paper-coated-down", (Coating("colour", "outdoor-acrylic"),))


def test_every_station_has_its_line(catalogue) -> None:
    found = stations(catalogue, plan_for(catalogue))

    assert list(found) == list(NAMES)
    assert all(station.verdict.endswith(".") for station in found.values())


def test_the_design_lies_in_the_middle_of_the_measured_blank(catalogue) -> None:
    plan = plan_for(catalogue, width=400.0, x=10.0, y=-5.0)

    assert plan.painted_on_blank == pytest.approx((108, 114, 508, 274), abs=0.001)
    (mask,) = plan.masks
    assert (mask.tape.left, mask.tape.right) == pytest.approx((108, 88), abs=0.001)


def test_every_station_has_one_short_figure(catalogue) -> None:
    """Three letters on a mat that measures 596 by 398, three loose pieces; in inches too."""
    plan = plan_for(catalogue, width=500.0)
    kept = plan_for(catalogue, width=500.0, fates={1: "keep", 2: "keep", 3: "keep"})

    def briefs(plan, unit: str = "mm") -> dict[str, str]:
        progress = Progress(task_graph(plan, catalogue), [])
        return {one.code: one.brief for one in stations_of(plan, progress, unit, NOON)}

    found = briefs(plan)
    assert (found["blank"], found["artwork"], found["mask"]) == ("596 x 398 mm", "500 mm wide", "3 to decide")
    assert (found["weed"], found["record"], briefs(kept)["mask"]) == ("3 windows", "no rating", "3 kept")
    assert briefs(plan, "in")["blank"] == "23 15/32 x 15 21/32 in"
    assert all(0 < len(text.split()) <= 6 for text in (*found.values(), *briefs(kept).values()))


@pytest.mark.parametrize(
    ("station", "changes", "state", "words"),
    [
        ("blank", {}, "ready", "measured"),
        ("blank", {"piece": Blank(600, 400)}, "warn", "the usual size"),
        ("blank", {"piece": Blank(610, 400)}, "warn", "by its label"),
        ("artwork", {"width": 500.0}, "ready", "holds on coir mat"),
        ("artwork", {"width": 590.0}, "warn", "of the edge"),
        ("artwork", {"width": 700.0}, "stop", "off the blank"),
        ("artwork", {"width": 60.0}, "stop", "holds from"),
        ("mask", {}, "warn", "3 loose pieces to decide"),
        ("mask", {"fates": {1: "keep", 2: "bridge", 3: "leave-out"}}, "ready", "1 kept, 1 bridged, 1 left out"),
        ("mask", {"material": "plastic", "surface": "wood-sealed"}, "stop", "needs all of them bridged"),
        ("mask", {"width": 25.0, "fates": {1: "keep", 2: "keep", 3: "keep"}}, "warn", "too small"),
        (
            "sheets",
            {"cutter": "wide-roll", "material": "iron-on", "border": 10.0, "width": 280.0},
            "ready",
            "by a simulated",
        ),
        ("sheets", {"material": "paper-coated-up", "width": 190.0}, "ready", "mirrored"),
        ("sheets", {"material": "paper-coated-up", "cutter": "hand", "width": 190.0}, "stop", "coated side down"),
        ("sheets", {"material": "paper-coated-down", "cutter": "hand", "width": 190.0}, "ready", "not mirrored"),
        (
            "sheets",
            {"material": "card", "cutter": "wide-roll", "width": 190.0},
            "warn",
            "only takes material on a backing",
        ),
        ("tack", {}, "ready", "rests at 155 °C"),
        ("tack", {"material": "card"}, "ready", "No heat"),
        ("tack", {"surface": "leather", "material": "paper-coated-down"}, "stop", "does not work here"),
        ("mask", {"surface": "wood-sealed", "material": "card"}, "stop", "does not hold on"),
        ("mask", {"surface": "synthetic-mat", "material": "paper-coated-down"}, "stop", "below 145"),
        ("paint", {}, "ready", "ml of outdoor acrylic in 3 coats"),
        ("paint", {"paint": "leather-dye"}, "warn", "not meant for"),
        ("peel", {}, "ready", "while wet"),
        ("cure", {}, "ready", "24 h"),
        ("cure", {"weather": Weather(10, 50)}, "ready", "48 h"),
        ("cure", {"surface": "wood-sealed", "material": "stencil-film", "paint": "chalk-paint"}, "warn", "sealed"),
        ("record", {}, "ready", "Nothing recorded"),
        ("record", {"record": Record(grade=4)}, "ready", "4 of 5"),
    ],
)
def test_a_station_judges_by_what_it_is_given(catalogue, station, changes, state, words) -> None:
    found = stations(catalogue, plan_for(catalogue, **changes))[station]

    assert found.state == state
    assert words in found.verdict


@pytest.mark.parametrize(
    ("minutes", "state", "words"),
    [(3, "stop", "Peel now"), (11, "warn", "Late: peel now")],
)
def test_the_peel_station_knows_what_time_it_is(catalogue, minutes, state, words) -> None:
    plan = plan_for(catalogue, coats=1)

    found = stations(catalogue, plan, NOON + timedelta(minutes=minutes), log=done("paint-coat/m1/k1/c1/n1"))["peel"]

    assert found.state == state
    assert words in found.verdict


@pytest.mark.parametrize("first", ["keepers", "sheet"])
def test_the_maker_says_what_comes_off_first(catalogue, first: str) -> None:
    graph = task_graph(plan_for(catalogue, peel_first=first), catalogue)
    codes = [task.code for task in graph.of("peel") if task.code in ("peel-count", "peel-sheet")]

    assert codes[0] == {"keepers": "peel-count", "sheet": "peel-sheet"}[first]


def test_a_peel_whose_time_has_not_come_is_waited_for(catalogue) -> None:
    plan = plan_for(catalogue, paint="rubber-spray", coats=1)

    found = stations(catalogue, plan, NOON + timedelta(minutes=44), log=done("paint-coat/m1/k1/c1/n1"))["peel"]

    assert (found.state, found.verdict) == ("warn", "Not yet: peel in 1 min.")


def test_centres_left_in_the_print_stop_the_job(catalogue) -> None:
    log = [
        *done("paint-coat/m1/k1/c1/n1", "peel-sheet/m1/k1"),
        LogEntry("called", "peel-count/m1/k1", NOON, numbers=(1,)),
    ]
    found = stations(catalogue, plan_for(catalogue, coats=1), log=log)["peel"]

    assert (found.state, found.verdict) == ("stop", "2 keepers still in the print.")


def test_a_reverse_mask_with_all_lifted_counts_as_peeled(catalogue) -> None:
    coatings = (Coating("base", "outdoor-acrylic"), Coating("colour", "rubber-spray", coats=1))
    plan = plan_for(catalogue, reverse=True, coatings=coatings, material="vinyl-permanent")
    lifted = LogEntry("called", "peel-count/m1/k1", NOON, numbers=(1, 2, 3))
    log = [*done("paint-coat/m1/k1/c2/n1"), lifted, *done("peel-count/m1/k1")]

    late = stations(catalogue, plan, NOON + timedelta(hours=3), log=log)["peel"]

    assert late.state == "ready"


def test_with_two_masks_the_clock_of_the_second_goes_on_when_the_first_is_off(catalogue) -> None:
    body = rect(0, 0, 40, 40, 'fill="#ff0000"') + rect(120, 0, 40, 40, 'fill="#0000ff"')
    plan = plan_for(catalogue, body, width=300.0, masks="each", coats=1)
    log = done("paint-coat/m1/k1/c1/n1", "peel-sheet/m1/k1", "paint-coat/m2/k1/c2/n1")

    clocks = Progress(task_graph(plan, catalogue), log).clocks()

    assert "peel-sheet/m2/k1" in {clock.task.id for clock in clocks}
    assert "peel-sheet/m1/k1" not in {clock.task.id for clock in clocks}


def test_sentences_are_in_the_makers_unit(catalogue) -> None:
    plan = plan_for(catalogue, width=508.0)

    found = stations(catalogue, plan, unit="in")
    assert "20 in wide" in found["artwork"].verdict
    assert "311 °F" in found["tack"].verdict
    assert "fl oz" in found["paint"].verdict
    titles = [title_of(task, "in") for task in task_graph(plan, catalogue).tasks]
    assert not [title for title in titles if " mm" in title]


@pytest.mark.parametrize(
    ("surface", "changes", "present", "absent"),
    [
        ("coir", {}, {"tack-press", "tack-pins", "weed-count", "peel-count"}, {"tack-barrier", "cure-wash"}),
        ("jersey", {}, {"tack-barrier", "cure-wash", "cure-heat-set"}, {"tack-pins", "peel-pins"}),
        ("coir", {"material": "card"}, {"tack-pins"}, {"tack-press"}),
        ("coir", {"paint": "rubber-spray"}, {"tack-cover"}, set()),
        ("coir", {"fates": {1: "bridge", 2: "bridge", 3: "bridge"}}, {"weed-count"}, {"tack-place", "peel-count"}),
    ],
)
def test_only_the_tasks_a_job_needs_are_asked_for(catalogue, surface, changes, present, absent) -> None:
    codes = {task.code for task in task_graph(plan_for(catalogue, surface=surface, **changes), catalogue).tasks}

    assert present <= codes
    assert not absent & codes


def test_where_it_can_hurt_the_task_says_so(catalogue) -> None:
    tasks = {task.code: task for task in task_graph(plan_for(catalogue, paint="rubber-spray"), catalogue).tasks}

    assert "spray" in tasks["paint-coat"].cautions
    assert "iron" in tasks["tack-press"].cautions
    assert "pins" in tasks["tack-pins"].cautions
    assert all(caution_of(task) for task in tasks.values() if task.cautions)


def test_every_task_has_its_words_in_every_unit(catalogue) -> None:
    for key in catalogue.materials:
        material = catalogue.material(key)
        surface = "wood-sealed" if key in ("plastic", "stencil-film") else "coir"
        graph = task_graph(plan_for(catalogue, surface=surface, material=material.key), catalogue)
        for task in graph.tasks:
            assert title_of(task, "mm")
            assert detail_of(task, graph, "in") is not None
            assert all(needs_in_words(task, "cm"))


def test_what_comes_next_is_the_first_task_not_done_and_ready(catalogue) -> None:
    plan = plan_for(catalogue, fates={1: "keep", 2: "keep", 3: "keep"}, width=500.0)
    graph = task_graph(plan, catalogue)

    def following(log):
        progress = Progress(graph, log)
        return next_of(plan, progress, stations_of(plan, progress, "mm", NOON), NOON)

    assert following(done("blank-prepared/k1")).task.code == "paint-trial"
    assert following(done("blank-prepared/k1", "paint-trial/k1")).task.code == "sheets-check"
    assert following(done(*(task.id for task in graph.tasks))) is None
    # While the paint dries there is nothing to do but wait.
    all_but = done(*(task.id for task in graph.tasks if task.station not in ("cure", "record")))
    assert following(all_but).task.code == "cure-dry"


def test_a_finished_station_never_hides_its_warning(catalogue) -> None:
    plan = plan_for(catalogue, piece=Blank(600, 400))

    found = stations(catalogue, plan, log=done("blank-prepared/k1"))["blank"]

    assert found.state == "warn"
    measured = stations(catalogue, plan_for(catalogue), log=done("blank-prepared/k1"))["blank"]
    assert measured.state == "done"


def test_what_bridges_cover_is_taken_off_the_colour_they_cross(catalogue) -> None:
    """A blue ring, bridged, beside a small red dot: the dot keeps its paint, and none is below nothing."""
    ring = frame(0, 0, 100, 60).replace("<path", '<path fill="#0000ff"')
    body = rect(130, 45, 8, 8, 'fill="#ff0000"') + ring
    kept = plan_for(catalogue, body, width=276.0, fates={1: "keep"})
    tied = plan_for(catalogue, body, width=276.0, fates={1: "bridge"}, bridge_width=20.0)

    area = [{coat.colour: coat.area for coat in plan.coatings} for plan in (kept, tied)]
    assert area[0]["#ff0000"] == pytest.approx(area[1]["#ff0000"])
    assert area[0]["#0000ff"] - area[1]["#0000ff"] == pytest.approx(tied.bridged_area)


def test_bridges_are_taken_off_the_paint_and_left_out_centres_put_on(catalogue) -> None:
    body = frame(0, 0, 100, 50)
    kept = plan_for(catalogue, body, width=200.0, fates={1: "keep"})
    solid = plan_for(catalogue, body, width=200.0, fates={1: "leave-out"})
    tied = plan_for(catalogue, body, width=200.0, fates={1: "bridge"})

    assert solid.paint_ml / kept.paint_ml == pytest.approx(4 / 3, rel=1e-5)
    assert kept.coatings[0].area - tied.coatings[0].area == pytest.approx(tied.bridged_area)


@pytest.mark.parametrize(
    ("changes", "said"),
    [
        ({"name": " "}, "name"),
        ({"width": 0.0}, "width of the artwork"),
        ({"width": float("nan")}, "width of the artwork"),
        ({"width": 1e6}, "width of the artwork"),
        ({"border": -1.0}, "border"),
        ({"bridge_width": -2.0}, "bridge width"),
        ({"coats": 0}, "coats"),
        ({"copies": 5000}, "copies"),
        ({"surface": "moon"}, "moon"),
        ({"paint": "tar"}, "tar"),
        ({"weather": Weather(200, 50)}, "temperature"),
        ({"weather": Weather(20, 50, wind=-1)}, "wind"),
        ({"method": "glue"}, "glue"),
        ({"record": Record(grade=9)}, "grade"),
        ({"record": Record(notes="x" * 20_000)}, "notes"),
        ({"piece": Blank(0.0, 400)}, "width of the blank"),
        ({"piece": Blank(600, 400, measured_width=-1.0)}, "measured width"),
    ],
)
def test_entries_that_cannot_be_are_refused_by_name(catalogue, changes, said) -> None:
    with pytest.raises(BadInput, match=said):
        plan_for(catalogue, rect(0, 0, 10, 4), **changes)


@pytest.mark.parametrize(
    ("material", "takes_print", "words"),
    [("paper-coated-down", True, "dull side"), ("vinyl-removable", False, "plain paper")],
)
def test_by_hand_the_pattern_is_printed_on_what_takes_a_print(
    catalogue, material: str, takes_print: bool, words: str
) -> None:
    plan = plan_for(catalogue, cutter="hand", material=material, width=190.0, surface="wood-sealed")

    graph = task_graph(plan, catalogue)
    printing = graph.by_id["sheets-print"]

    assert printing.values.takes_print is takes_print
    assert words in detail_of(printing, graph, "mm")
