"""Each kind of job painted, peeled and cured: held against the tables of the trade, written down here once more."""

import json
import re
from datetime import UTC, datetime

import numpy as np
import pytest
import shapely

from dunestead.cli.sources import FolderSources
from dunestead.core.blanks.blank import Blank
from dunestead.core.painting.groups import window_groups
from dunestead.core.plan.coats import PlannedCoating
from dunestead.core.plan.painting import groups_for_wet
from dunestead.core.plan.plan import Plan, make_plan
from dunestead.core.stations.graph import task_graph
from dunestead.core.words.technique import tips_for
from dunestead.core.work.cautions import CAUTIONS
from dunestead.core.work.saying import caution_of
from dunestead.core.work.tasks import TaskGraph
from dunestead.formats.job_file import read_job_file
from dunestead.formats.plan_report import plan_report
from dunestead.formats.verified import check_cut
from tests.jobs.make import ART, JOBS, job_file
from tests.making import CATALOGUE, job_of, words
from tests.shapes import Files

# Cover, m2 a litre; share that lands; touch, handle, use, wash in minutes. From the tables.
PAINTS = {
    "outdoor-acrylic": (7, 1.0, 30, 240, 1440, None),
    "porch-paint": (9, 1.0, 60, 360, 1440, None),
    "craft-acrylic": (7, 1.0, 20, 120, 720, None),
    "fabric-brush": (6, 1.0, 60, 240, 1440, 4320),
    "fabric-spray": (4, 0.85, 30, 180, 1440, 4320),
    "rubber-spray": (4, 0.85, 45, 240, 1440, None),
    "spray-enamel": (4, 0.85, 20, 120, 1440, None),
    "leather-acrylic": (8, 0.85, 45, 120, 1440, None),
    "glitter-coat": (3, 1.0, 60, 240, 1440, 4320),
}
# How often the paint of a smooth surface is taken up: worked in, and sprayed.
SOAKS = {
    "coir": (4.0, 1.3),
    "cotton-rug": (2.5, 1.2),
    "jersey": (1.3, 1.0),
    "denim": (1.5, 1.0),
    "leather": (0.8, 1.0),
    "wood-sealed": (1.0, 1.0),
    "concrete": (1.5, 1.0),
    "glass": (0.8, 1.0),
}
# The peel of the first mask: when, and from and until how many minutes after the last coat.
PEELS = {
    "J01": ("touch-dry", 45, 90),
    "J02": ("wet", 0, 10),
    "J03": ("touch-dry", 45, 90),
    "J04": ("touch-dry", 60, 120),
    "J05": ("wet", 0, 10),
    # The seal goes over dry enamel: a wet peel would tear its skin.
    "J06": ("touch-dry", 30, 60),
    "J07": ("wet", 0, 10),
    "J08": ("set", 5, 10),
    "J09": ("wet", 0, 10),
    "J10": ("touch-dry", 45, 90),
    "J11": ("wet", 0, 10),
    "J12": ("dry", 240, 960),
    "J13": ("wet", 0, 10),
    "J14": ("wet", 0, 10),
    "J15": ("wet", 0, 10),
    "J16": ("wet", 0, 10),
    "J17": ("wet", 0, 10),
    "J18": ("touch-dry", 60, 120),
    "J19": ("at-once", 0, 10),
    "J20": ("wet", 0, 10),
    "J21": ("five-minutes", 0, 5),
}
# The longest of all coatings, minutes from the last coat: use, and wash.
USED = {"J02": 720, "J13": 2880, "J15": 720, "J19": 28 * 1440, "J21": 1440}
WASHED = {"J04": 4320, "J08": 4320, "J09": 4320, "J18": 4320, "J19": 28 * 1440, "J20": 4320}


@pytest.fixture(scope="module")
def jobs(tmp_path_factory):
    folder = tmp_path_factory.mktemp("jobs")
    for name, data in ART.items():
        (folder / name).write_bytes(data)
    sources, made = FolderSources(folder), {}

    def of(number: str) -> tuple[Plan, TaskGraph]:
        if number not in made:
            job = read_job_file(json.dumps(job_file(number)), sources.keep, sources, CATALOGUE)
            plan = make_plan(job, sources, CATALOGUE, check_cut)
            made[number] = (plan, task_graph(plan, CATALOGUE))
        return made[number]

    return of


@pytest.mark.parametrize("number", sorted(JOBS))
def test_the_mask_comes_off_when_paint_and_mask_ask_for_it(jobs, number: str) -> None:
    plan, _ = jobs(number)
    window = plan.masks[0].peel

    assert (window.when, window.opens, window.closes) == PEELS[number]


@pytest.mark.parametrize("number", sorted(JOBS))
def test_paint_is_area_times_coats_times_soak_over_cover_of_the_tables(jobs, number: str) -> None:
    plan, _ = jobs(number)

    for coat in plan.coatings:
        if coat.paint.key not in PAINTS:
            continue
        cover, lands, touch, handle, use, wash = PAINTS[coat.paint.key]
        sprayed = coat.paint.technique == "spray"
        soak = SOAKS[plan.job.blank.surface][sprayed]
        # A can is not stopped between letters: half a fan of 60 mm around them is passed over as well.
        wetted = passed(plan, coat) + coat.area * (soak - 1) if sprayed else coat.area * soak
        litres = wetted / 1e6 * coat.coats * plan.copies / cover / lands
        assert coat.batch.total_ml == pytest.approx(max(1000 * litres, 2.0), rel=0.01 if sprayed else 1e-6)
        drying = coat.drying
        assert (drying.touch, drying.handle, drying.use, drying.wash) == (touch, handle, use, wash)
        assert coat.batch.low_ml <= coat.batch.pour_ml <= coat.batch.high_ml


def passed(plan: Plan, coat: PlannedCoating) -> float:
    """Return what a can passes over, by bitmap: places at most 30 mm from what is painted, mm²."""
    mask = next((one for one in plan.masks if one.number == coat.mask), None)
    region = plan.look.composition.outline
    if mask is not None and not plan.job.mask.reverse:
        colours = mask.laid.painted.colours
        region = colours[coat.colour] if coat.role == "colour" else shapely.union_all(list(colours.values()))
    x0, y0, x1, y1 = region.bounds
    step = 2.0
    xs, ys = np.meshgrid(np.arange(x0 - 35, x1 + 35, step), np.arange(y0 - 35, y1 + 35, step))
    shapely.prepare(region)
    return float(shapely.dwithin(region, shapely.points(xs.ravel(), ys.ravel()), 30.0).sum()) * step**2


@pytest.mark.parametrize("number", sorted(JOBS))
def test_use_and_wash_wait_for_the_last_coating_of_all(jobs, number: str) -> None:
    _, graph = jobs(number)
    (use,) = [task for task in graph.tasks if task.code == "cure-use" and task.copy == 1]
    wash = [task for task in graph.tasks if task.code == "cure-wash" and task.copy == 1]

    assert max(wait.least for wait in use.after) == USED.get(number, 1440)
    assert [max(wait.least for wait in task.after) for task in wash] == [
        WASHED[one] for one in [number] if one in WASHED
    ]


@pytest.mark.parametrize("number", ["J01", "J06", "J08", "J10", "J19"])
def test_where_it_is_sprayed_it_is_outdoors_with_respirator_and_gloves(jobs, number: str) -> None:
    _, graph = jobs(number)
    sprayed = [task for task in graph.tasks if task.occupies == "outdoors"]

    assert sprayed
    assert all("spray" in task.cautions for task in sprayed)
    assert all("respirator" in (caution_of(task) or "") for task in sprayed)


def test_no_hot_iron_on_what_is_not_set_with_heat_and_food_is_warned_of(jobs) -> None:
    set_with_heat = {number for number in JOBS if any(t.code == "cure-heat-set" for t in jobs(number)[1].tasks)}
    plate = [task for task in jobs("J19")[1].tasks if task.code == "cure-finish"]

    # Fabric paint by brush, and nothing else, spray fabric paint neither.
    assert set_with_heat == {"J04", "J09", "J18", "J20"}
    assert all(CAUTIONS["food"] in (caution_of(task) or "") for task in plate)


def test_leather_acrylic_is_thinned_two_to_one(jobs) -> None:
    plan, _ = jobs("J03")
    tips = {
        tip.title: tip.text
        for tip in tips_for(
            plan.coatings[0],
            plan.choices.surface,
            CATALOGUE.workshop,
            load="heavy",
            tongues=3,
            keepers=1,
            unit="mm",
        )
    }

    assert re.search(r"2 parts paint \w+ 1 thinner", tips["Thinning"])
    assert "50 mm to 150 mm" in tips["Distance"]
    # Directions along tongues are for brushes only.
    assert "Direction" not in tips


def test_a_mask_that_takes_too_long_to_dab_is_peeled_wet_in_groups() -> None:
    """A mat full of letters in three coats: more than the half hour that outdoor acrylic stays wet."""
    lines = [words("MARRAM ROW", 1100.0, number=k, y=-240.0 + 160.0 * k) for k in range(4)]
    plan = make_plan(job_of(*lines, blank=Blank(1200, 800), cutter="wide-roll"), Files(), CATALOGUE, check_cut)

    groups = groups_for_wet(plan, plan.masks[0], CATALOGUE)

    assert plan.masks[0].peel.when == "touch-dry"
    assert len(groups) > 1
    assert all(group.minutes <= 30 for group in groups)
    numbers = [number for group in groups for number in group.windows]
    assert numbers == list(range(1, plan.masks[0].cut.window_count + 1))


def test_groups_are_as_few_as_can_be_and_a_long_window_stands_alone() -> None:
    assert [group.windows for group in window_groups([20, 10, 1, 29, 45, 2], 30)] == [(1, 2), (3, 4), (5,), (6,)]


@pytest.mark.parametrize(("celsius", "factor"), [(20, 1.0), (10, 2.0), (0, 4.0)])
def test_in_the_cold_there_is_more_time_from_one_wet_coat_to_the_next(tmp_path, celsius: int, factor: float) -> None:
    """Five minutes at 20 degrees; twice as long for every ten colder."""
    data = {**job_file("J05"), "weather": {"temperature": celsius, "humidity": 50, "wind": 0, "rain": False}}
    sources = FolderSources(tmp_path)
    plan = make_plan(read_job_file(json.dumps(data), sources.keep, sources, CATALOGUE), sources, CATALOGUE, check_cut)
    second = task_graph(plan, CATALOGUE).by_id["paint-coat/m1/k1/c1/n2"]

    assert [(wait.least, wait.most) for wait in second.after] == [(0.0, 5.0 * factor)]


def test_another_coating_goes_on_what_is_dry_to_the_touch_not_on_what_would_take_a_next_coat(jobs) -> None:
    """Glitter over dark fabric paint: an hour, though its own next coat may follow after half of one."""
    plan, graph = jobs("J18")
    over = next(coat for coat in plan.coatings if coat.role == "over-colour")
    first = graph.by_id[f"paint-coat/m1/k1/c{over.number}/n1"]

    assert [wait.least for wait in first.after] == [60.0]
    assert plan.coatings[0].drying.next_coat == 30.0


def test_a_piece_that_is_bridged_is_not_told_to_be_too_small_to_place(tmp_path) -> None:
    data = {**job_file("J05"), "surface": "wood-sealed", "blank": {"width": 90, "height": 60}, "material": "card"}
    data |= {"design": [{"words": "LOW TIDE", "face": "archivo-black", "width": 75}], "coatings": None}
    sources, found = FolderSources(tmp_path), {}
    for fates in ("keep", "bridge"):
        job = read_job_file(json.dumps(data | {"fates": fates}), sources.keep, sources, CATALOGUE)
        plan = make_plan(job, sources, CATALOGUE, check_cut)
        report = plan_report(plan, task_graph(plan, CATALOGUE), CATALOGUE, datetime(2026, 5, 1, tzinfo=UTC))
        found[fates] = sum(one["code"] == "part-small" for one in report["findings"])

    assert found["keep"] > 0
    assert found["bridge"] == 0


def test_a_report_counts_places_from_the_blanks_own_corner_rim_and_all(jobs) -> None:
    """A tray of 250 mm with a rim of 10: the artwork lies in the middle of it, 160 mm wide."""
    plan, graph = jobs("J13")
    report = plan_report(plan, graph, CATALOGUE, datetime(2026, 5, 1, tzinfo=UTC))
    painted = [mask["painted_box_mm"] for mask in report["masks"]]

    left, right = min(box[0] for box in painted), max(box[2] for box in painted)
    assert (left, right) == (pytest.approx(45), pytest.approx(205))
    assert report["masks"][0]["blank_mm"] == [250, 250]
    xs = [x for mask in report["masks"] for window in mask["windows"] for x, _ in window[0]]
    assert (min(xs), max(xs)) == (pytest.approx(45), pytest.approx(205))
    # What the tape reads is from within the rim.
    assert report["masks"][0]["tape"][0]["mm"] == pytest.approx(painted[0][0] - 10)
    assert report["masks"][0]["measured_from"][0]["datum"] == "rim"
