"""Each kind of job, from start to finish: method, coatings, counts, order and waits, worked out by hand."""

import json
import os
import re
import subprocess
import sys
from itertools import pairwise
from pathlib import Path

import pytest

from dunestead.cli.sources import FolderSources
from dunestead.core.plan.plan import Plan, make_plan
from dunestead.core.stations.graph import task_graph
from dunestead.core.work.saying import detail_of
from dunestead.core.work.tasks import Task, TaskGraph
from dunestead.formats.job_file import read_job_file, write_job_file
from dunestead.formats.verified import check_cut
from tests.jobs.make import ART, JOBS, job_file
from tests.making import CATALOGUE

DAY = 24 * 60


@pytest.fixture(scope="module")
def folder(tmp_path_factory) -> Path:
    path = tmp_path_factory.mktemp("jobs")
    for name, data in ART.items():
        (path / name).write_bytes(data)
    return path


@pytest.fixture(scope="module")
def jobs(folder: Path):
    sources, made = FolderSources(folder), {}

    def of(number: str) -> tuple[Plan, TaskGraph]:
        if number not in made:
            job = read_job_file(json.dumps(job_file(number)), sources.keep, sources, CATALOGUE)
            plan = make_plan(job, sources, CATALOGUE, check_cut)
            made[number] = (plan, task_graph(plan, CATALOGUE))
        return made[number]

    return of


# What is done on the first copy through its first mask, after the cutting, in its order.
WEED_TAPE = "weed-windows weed-tape-over weed-burnish weed-mat-off weed-count"
# The backing comes off right before the mask is laid.
WEED_WEAK = (
    "weed-windows weed-weaken-tape weed-tape-over weed-burnish tack-board weed-backing-off weed-count weed-trim-tape"
)
WEED_GUIDE = "weed-guide weed-mat-off weed-count"
CLOTH = "tack-lay tack-press tack-guide-in tack-place tack-guide-out tack-press-again tack-tape-edges"
BARE = "tack-press tack-guide-in tack-place tack-guide-out tack-press-again tack-pins"
END = "peel-touched-up cure-dry"
# Several colours by brush: it is washed between them.
TURNS = "paint-coat paint-brush-washed "
ORDERS = {
    "J01": (
        "reverse-groups",
        "weed-field weed-weaken-tape weed-tape-groups weed-burnish weed-count "
        "tack-board tack-lay-groups tack-rub-down tack-tape-off "
        f"paint-coat*2 paint-look-over peel-count {END} cure-use",
    ),
    "J02": (
        "smooth-film",
        "weed-windows weed-tape-over weed-burnish weed-backing-off weed-count "
        "tack-wipe tack-lay tack-roll tack-tape-off tack-cover paint-coat*2 paint-look-over peel-count peel-sheet",
    ),
    "J03": (
        "smooth-film",
        "weed-windows weed-tape-over weed-burnish weed-backing-off weed-count "
        "tack-wipe tack-board tack-lay tack-roll tack-tape-off tack-cover "
        f"paint-coat*3 paint-look-over peel-sheet peel-count {END} cure-finish cure-use",
    ),
    "J04": (
        "paper-cloth",
        f"{WEED_GUIDE} tack-barrier {CLOTH} paint-colours-apart {TURNS * 5}paint-coat paint-look-over "
        f"peel-sheet peel-count {END} cure-heat-set cure-use cure-wash",
    ),
    "J05": (
        "paper-tape",
        f"{WEED_TAPE} tack-lay tack-seam? tack-press tack-cool tack-pin-corners tack-tape-off tack-pins "
        f"tack-press-again paint-coat*3 paint-look-over peel-count peel-sheet peel-pins {END} cure-use",
    ),
    "J06": (
        "card-pins",
        "weed-windows weed-mat-off weed-count tack-lay tack-seam tack-place tack-pins tack-cover "
        f"paint-coat*4 paint-look-over peel-sheet peel-count peel-pins {END} cure-use",
    ),
    "J07": (
        "paper-bare",
        f"{WEED_GUIDE} tack-lay tack-seam {BARE} paint-coat*2 paint-look-over peel-count peel-sheet peel-pins {END}",
    ),
    "J08": (
        "paper-cloth",
        "weed-windows weed-mat-off weed-count tack-barrier tack-board tack-lay tack-seam? tack-press tack-tape-edges "
        f"tack-cover paint-coat*3 paint-look-over peel-sheet {END} cure-use cure-wash",
    ),
    "J09": (
        "weak-tape",
        f"{WEED_WEAK} tack-lay tack-seam? tack-rub-down tack-tape-off tack-cover? "
        "paint-coat*2 paint-look-over peel-count peel-sheet",
    ),
    "J10": (
        "paper-bare",
        f"{WEED_GUIDE} tack-lay tack-seam? {BARE} tack-cover paint-coat*3 paint-look-over "
        f"peel-sheet peel-count peel-pins {END} cure-use",
    ),
    "J11": (
        "warm-air",
        "weed-windows weed-tape-over weed-burnish weed-count tack-lay tack-hinge tack-backing-off-hinged "
        "tack-warm-air tack-tape-off tack-cover? paint-coat*4 paint-look-over peel-count peel-sheet",
    ),
    "J12": (
        "iron-on",
        "weed-windows weed-count tack-lay tack-press tack-rub tack-cool tack-test-peel tack-press-again "
        f"tack-carrier-off tack-cover paint-colours-apart {TURNS * 3}paint-coat "
        "paint-look-over peel-rewarm peel-sheet peel-count peel-lint "
        f"{END} cure-use",
    ),
    "J13": (
        "smooth-film",
        "weed-windows weed-backing-off weed-count tack-wipe tack-lay tack-roll tack-cover paint-coat*2 "
        "paint-look-over peel-sheet",
    ),
    "J14": (
        "weak-tape",
        f"{WEED_WEAK} tack-lay tack-seam tack-rub-down tack-tape-off tack-cover? paint-coat*2 paint-look-over "
        f"peel-sheet {END} cure-use",
    ),
    "J15": (
        "smooth-film",
        "weed-windows weed-tape-over weed-burnish weed-backing-off weed-count "
        "tack-wipe tack-lay tack-roll tack-tape-off paint-coat*2 paint-look-over peel-count peel-sheet",
    ),
    "J16": (
        "weak-tape",
        f"{WEED_WEAK} tack-lay tack-seam? tack-rub-down tack-tape-off tack-cover? "
        f"paint-coat paint-look-over peel-count peel-sheet {END} cure-use",
    ),
    "J17": (
        "card-pins",
        "weed-windows weed-mat-off weed-count tack-lay tack-seam? tack-pins paint-coat*2 paint-look-over peel-sheet "
        f"peel-pins {END} cure-use",
    ),
    "J18": (
        "by-hand",
        "weed-count tack-barrier tack-lay tack-press tack-place tack-press-again paint-coat*3 paint-look-over "
        f"peel-sheet peel-count {END} cure-heat-set cure-use cure-wash",
    ),
    "J19": (
        "smooth-film",
        "weed-windows weed-tape-over weed-burnish weed-backing-off weed-count tack-wipe tack-lay tack-roll "
        "tack-tape-off tack-cover paint-coat*2 paint-look-over peel-count peel-sheet peel-touched-up paint-clean "
        "paint-coat*2 cure-dry cure-finish*3 cure-use cure-wash",
    ),
    "J20": (
        "untaped",
        "weed-windows weed-count tack-backing-off tack-lay tack-smooth tack-place tack-pins tack-cover? "
        f"paint-coat*2 paint-look-over peel-pins peel-count peel-sheet {END} cure-heat-set cure-use cure-wash",
    ),
    "J21": (
        "spray-tack",
        "weed-windows weed-count tack-spray tack-rest tack-lay tack-press-down tack-cover? paint-coat*3 "
        f"paint-look-over peel-sheet {END} cure-use",
    ),
}


def first_through(graph: TaskGraph) -> list[str]:
    """Return the codes of the first copy through its first mask, weeding first, and what follows all masks."""
    after = ("weed", "tack", "paint", "peel", "cure")
    tasks = [task for task in graph.tasks if task.copy == 1 and task.mask in (1, None) and task.station in after]
    # A trial on scrap comes before all of them, and a second pass only where something was marked.
    tasks = [task for task in tasks if not task.needs_marks and task.code != "paint-trial"]
    return [task.code for task in tasks]


def expected(order: str, present: list[str]) -> list[str]:
    """Return an order spelt out: ``*n`` n times, ``?`` where its size asks for it."""
    codes = []
    for word in order.split():
        code, times = re.fullmatch(r"([a-z-]+)(?:\*(\d+)|\?)?", word).groups()
        if not word.endswith("?") or code in present:
            codes += [code] * int(times or 1)
    return codes


@pytest.mark.parametrize("number", sorted(ORDERS))
def test_a_job_is_carried_in_the_order_of_its_method(jobs, number: str) -> None:
    plan, graph = jobs(number)
    method, order = ORDERS[number]
    codes = first_through(graph)

    wanted = expected(order, codes)
    assert plan.method.key == method
    assert plan.method_fit.allowed
    assert codes[: len(wanted)] == wanted


@pytest.mark.parametrize("number", sorted(JOBS))
def test_every_job_is_cut_as_planned_and_each_task_comes_after_what_it_waits_for(jobs, number: str) -> None:
    plan, graph = jobs(number)

    assert all(sheet.verdict.agrees for sheet in plan.sheets)
    assert len({task.id for task in graph.tasks}) == len(graph.tasks)
    place = {task.id: at for at, task in enumerate(graph.tasks)}
    assert all(place[wait.task] < place[task.id] for task in graph.tasks for wait in task.after)
    assert all(task.code.startswith(f"{task.station}-") for task in graph.tasks)
    assert all(wait.most is None or wait.least <= wait.most for task in graph.tasks for wait in task.after)


@pytest.mark.parametrize("number", sorted(JOBS))
def test_a_job_file_is_read_back_as_it_was_written(folder: Path, number: str) -> None:
    sources = FolderSources(folder)
    job = read_job_file(json.dumps(job_file(number)), sources.keep, sources, CATALOGUE)

    again = read_job_file(write_job_file(job, lambda key, _: key), sources.keep, sources, CATALOGUE)

    assert again == job


def waits(graph: TaskGraph, task: str) -> dict[str, tuple[float, float | None]]:
    return {wait.task: (wait.least, wait.most) for wait in graph.by_id[task].after}


def of(graph: TaskGraph, code: str) -> list[Task]:
    return [task for task in graph.tasks if task.code == code]


def test_j01_the_base_is_dry_to_use_before_film_touches_it(jobs) -> None:
    plan, graph = jobs("J01")

    assert [(coat.role, coat.where, coat.coats) for coat in plan.coatings] == [
        ("base", "everywhere", 2),
        ("colour", "mask", 2),
    ]
    assert waits(graph, "tack-lay-groups/m1/k1")["blank-base-coat/k1/c1/n2"] == (DAY, None)
    # Rubber coating: 45 min after its last coat, or at once and not between.
    assert waits(graph, "peel-count/m1/k1")["paint-coat/m1/k1/c2/n2"] == (45, 90)
    # The field is all of the mat but the eight letters.
    stays = float(plan.masks[0].cut.material.area)
    assert plan.coatings[1].area == pytest.approx(700 * 400 - stays)
    assert graph.by_id["weed-count/m1/k1"].call.numbers == tuple(range(1, 9))


def test_j03_leather_is_painted_at_45_minutes_peeled_and_finished(jobs) -> None:
    plan, graph = jobs("J03")

    assert waits(graph, "peel-sheet/m1/k1")["paint-coat/m1/k1/c1/n3"] == (45, 90)
    assert [(coat.role, coat.paint.key) for coat in plan.coatings][-1] == ("finish", "leather-finisher")
    assert waits(graph, "cure-use/k1")["cure-finish/k1/c2/n1"] == (DAY, None)


def test_j05_is_peeled_wet_within_half_an_hour_of_the_first_stroke(jobs) -> None:
    plan, graph = jobs("J05")
    after = graph.by_id["peel-count/m1/k1"].after

    assert ("paint-coat/m1/k1/c1/n1", 30.0, "start") in [(w.task, w.most, w.since) for w in after]
    assert waits(graph, "paint-coat/m1/k1/c1/n2") == {"paint-coat/m1/k1/c1/n1": (0, 5)}
    # 155 C through the tape for 30 s, then 165 C over the pins for 20 s.
    assert [(p.celsius, p.seconds) for p in plan.masks[0].pressings] == [(155, 30), (165, 20)]
    assert of(graph, "tack-pins")[0].values.count == of(graph, "peel-pins")[0].values.count > 4
    assert graph.by_id["weed-count/m1/k1"].values.where == "tape"


def test_j06_the_seal_goes_through_the_mask_over_dry_enamel(jobs) -> None:
    _, graph = jobs("J06")

    assert waits(graph, "paint-coat/m1/k1/c2/n1") == {"paint-coat/m1/k1/c1/n2": (20, None)}
    assert "seam" in of(graph, "tack-seam")[0].code
    assert of(graph, "paint-coat")[0].occupies == "outdoors"


@pytest.mark.parametrize(("number", "wait"), [("J13", DAY), ("J15", DAY / 2)])
def test_a_mask_that_lies_on_the_first_print_waits_until_that_is_dry(jobs, number: str, wait: float) -> None:
    """It is bared only then. Tape that is strong lifts what is not dry enough to use."""
    plan, graph = jobs(number)
    last = plan.masks[0].coats[-1]

    assert len(plan.masks) == 2
    bared = waits(graph, "weed-backing-off/m2/k1")
    assert bared[f"paint-coat/m1/k1/c{last.number}/n{last.coats}"] == (wait, None)
    assert len(of(graph, "weed-count")) == 2


@pytest.mark.parametrize("number", ["J02", "J09", "J11"])
def test_a_mask_that_stays_off_the_first_print_waits_for_no_drying(jobs, number: str) -> None:
    """Lines, their masks far enough apart: nothing of the second has to wait but for the first to be off."""
    plan, graph = jobs(number)
    x0, y0, x1, y1 = plan.masks[1].box
    print_ = plan.masks[0].painted_box

    assert y0 > print_[3] or y1 < print_[1] or x0 > print_[2] or x1 < print_[0]
    second = [task for task in graph.tasks if task.mask == 2 and task.station in ("weed", "tack")]
    assert not any(wait.task.startswith("paint-coat/m1") for task in second for wait in task.after)


def test_j11_nothing_is_in_use_before_the_seal_is(jobs) -> None:
    plan, graph = jobs("J11")

    assert [coat.role for coat in plan.coatings] == ["colour", "colour", "seal"]
    used = waits(graph, "cure-use/k1")
    assert used["cure-finish/k1/c3/n2"] == (DAY, None)
    assert waits(graph, "cure-finish/k1/c3/n2")["cure-finish/k1/c3/n1"] == (30, None)


def test_j12_film_is_cut_mirrored_and_warmed_off_when_all_is_dry(jobs) -> None:
    plan, graph = jobs("J12")

    assert plan.facing.mirrored
    assert plan.masks[0].pinning.pins == ()
    assert waits(graph, "peel-rewarm/m1/k1")["paint-coat/m1/k1/c2/n2"] == (240, 960)
    assert {coat.colour for coat in plan.coatings} == {"#8f3d0f", "#22313a"}


def test_j13_the_sealers_are_a_day_apart_inside_the_rim(jobs) -> None:
    plan, graph = jobs("J13")

    assert plan.job.piece.size == (230, 230)
    assert waits(graph, "cure-finish/k1/c3/n2")["cure-finish/k1/c3/n1"] == (DAY, None)
    assert graph.by_id["tack-lay/m2/k1"].values.register == 2


def test_j14_a_pattern_that_runs_off_is_trimmed_and_divided(jobs) -> None:
    plan, graph = jobs("J14")

    assert plan.painted_on_blank[0] == pytest.approx(0, abs=0.1)
    assert plan.painted_on_blank[2] == pytest.approx(900, abs=0.1)
    assert plan.layout.count >= 6
    assert of(graph, "tack-seam")


def test_j15_masks_as_large_as_the_blank_are_laid_edge_on_edge(jobs) -> None:
    plan, graph = jobs("J15")

    assert plan.look.aligned
    assert all(task.values.aligned for task in of(graph, "tack-lay"))


def test_j17_a_card_mask_goes_round_three_times(jobs) -> None:
    """Four copies, three prints a mask: two sets, the second for copy 4; copies 2 and 3 wait for the one before."""
    plan, graph = jobs("J17")

    assert plan.layout.sets == 2
    assert [task.copy for task in of(graph, "weed-count")] == [1, 4]
    assert "peel-pins/m1/k1" in waits(graph, "tack-lay/m1/k2")
    assert "peel-pins/m1/k2" in waits(graph, "tack-lay/m1/k3")
    assert "weed-count/m1/k4" in waits(graph, "tack-lay/m1/k4")


def test_j18_glitter_goes_over_the_dry_base_and_is_set_with_heat(jobs) -> None:
    plan, graph = jobs("J18")

    assert [coat.role for coat in plan.coatings] == ["colour", "over-colour"]
    assert waits(graph, "paint-coat/m1/k1/c2/n1") == {"paint-coat/m1/k1/c1/n1": (60, None)}
    assert of(graph, "sheets-print")
    assert not of(graph, "sheets-test-cut")
    assert graph.by_id["weed-count/m1/k1"].values.where == "dish"
    assert waits(graph, "cure-heat-set/k1")["paint-coat/m1/k1/c1/n1"] == (DAY, None)


def test_j19_behind_glass_colours_come_before_the_ground_and_all_is_mirrored(jobs) -> None:
    plan, graph = jobs("J19")

    assert [(coat.role, coat.where) for coat in plan.coatings] == [
        ("colour", "mask"),
        ("ground", "everywhere"),
        ("finish", "over"),
    ]
    assert plan.facing.mirrored
    assert "reads" not in plan.facing.why
    assert graph.by_id["tack-lay/m1/k1"].values.from_back
    assert waits(graph, "cure-use/k4")["cure-finish/k4/c3/n3"] == (28 * DAY, None)
    assert plan.layout.sets == 4
    # Four copies share the sheets they fit on.
    assert plan.layout.count < 4


def test_j21_a_plastic_mask_goes_round_and_is_washed_after_five(jobs) -> None:
    plan, graph = jobs("J21")

    assert plan.layout.sets == 1
    assert [(task.copy, task.values.prints) for task in of(graph, "mask-wash")] == [(5, 5)]
    # The next copy's spray comes only when the mask is off the one before, and washed.
    assert "mask-wash/m1/k5" in waits(graph, "tack-spray/m1/k6")
    assert "peel-sheet/m1/k1" in waits(graph, "tack-spray/m1/k2")
    assert waits(graph, "peel-sheet/m1/k1")["paint-coat/m1/k1/c3/n2"] == (0, 5)
    since = [(w.task, w.most) for w in graph.by_id["peel-sheet/m1/k1"].after if w.since == "start"]
    assert since == [("paint-coat/m1/k1/c3/n1", 5)]
    # The edge seal dries one and a half hours before colour goes over it.
    assert waits(graph, "paint-coat/m1/k1/c3/n1") == {"paint-coat/m1/k1/c2/n1": (90, None)}
    assert waits(graph, "tack-rest/m1/k1") == {"tack-spray/m1/k1": (1, None)}
    assert not plan.keepers


def test_twelve_towels_with_paper_are_twelve_masks_counts_and_peels(folder: Path) -> None:
    told = {**job_file("J05"), "surface": "flat-towel", "blank": {"width": 500, "height": 700}, "copies": 12}
    told |= {"design": [{"words": "ROW", "width": 200}], "coatings": None, "material": "paper-coated-down"}
    sources = FolderSources(folder)
    plan = make_plan(read_job_file(json.dumps(told), sources.keep, sources, CATALOGUE), sources, CATALOGUE, check_cut)
    graph = task_graph(plan, CATALOGUE)

    assert plan.layout.sets == 12
    for code in ("weed-count", "tack-lay", "peel-count", "peel-sheet", "cure-use"):
        assert [task.copy for task in of(graph, code)] == list(range(1, 13))
    assert sum(len(task.call.numbers) for task in of(graph, "peel-count")) == 12 * 2


def test_minutes_are_the_sums_of_the_table(jobs) -> None:
    """J05: windows at 4 s and 0.2 s a cm; rests at 30 and 20 s and 5 s to move; 40 s a dm² and coat; 12 s a keeper."""
    plan, graph = jobs("J05")
    (mask,) = plan.masks
    minutes = {task.code: task.minutes for task in graph.tasks}

    cut_cm = float(mask.cut.material.length) / 10
    rests = len(mask.pressings[0].placements)
    assert minutes["weed-windows"] == pytest.approx((mask.cut.window_count * 4 + cut_cm * 0.2) / 60)
    assert minutes["tack-press"] == pytest.approx(rests * 35 / 60)
    assert minutes["tack-press-again"] == pytest.approx(rests * 25 / 60)
    assert minutes["tack-pins"] == pytest.approx(len(mask.pinning.pins) * 5 / 60)
    assert minutes["paint-coat"] == pytest.approx(float(plan.painted.region.area) / 1e4 * 40 / 60)
    assert minutes["peel-count"] == pytest.approx(len(plan.keepers) * 12 / 60)
    assert minutes["peel-sheet"] == 1
    assert minutes["cure-dry"] == minutes["cure-use"] == 0


def test_no_window_closes_before_it_can_be_reached(jobs) -> None:
    """From first stroke to a wet peel the hands have time: all that lies between takes less."""
    for number in JOBS:
        plan, graph = jobs(number)
        for mask in plan.masks:
            if mask.peel.since_first is None:
                continue
            coats = [task.minutes for task in of(graph, "paint-coat") if (task.mask, task.copy) == (mask.number, 1)]
            assert sum(coats) <= mask.peel.since_first, number


def test_waits_between_coats_never_overlap_the_wrong_way(jobs) -> None:
    for number in JOBS:
        _, graph = jobs(number)
        for one, two in pairwise([task for task in of(graph, "paint-coat") if task.copy == 1]):
            if one.coating == two.coating and one.mask == two.mask:
                assert any(wait.task == one.id for wait in two.after), number


def standings(number: str, folder: Path) -> str:
    """Return what each task of a job stands on, as another process reckons it."""
    sources = FolderSources(folder)
    job = read_job_file(json.dumps(job_file(number)), sources.keep, sources, CATALOGUE)
    graph = task_graph(make_plan(job, sources, CATALOGUE, check_cut), CATALOGUE)
    return json.dumps({task.id: dict(task.fingerprint) for task in graph.tasks})


@pytest.mark.parametrize("number", ["J02", "J07"])
def test_what_was_done_is_known_again_after_a_start(folder: Path, number: str) -> None:
    """What a tick stood on is kept: it must read the same whatever Python salts its hashes with."""
    call = f"standings({number!r}, Path({str(folder)!r}))"
    code = f"from pathlib import Path; from tests.jobs.test_jobs import standings; print({call})"
    read = [
        subprocess.run(
            [sys.executable, "-c", code],
            env={**os.environ, "PYTHONHASHSEED": seed},
            capture_output=True,
            text=True,
            check=True,
            cwd=Path(__file__).parents[2],
        ).stdout
        for seed in ("1", "2")
    ]

    assert len(json.loads(read[0])) > 5
    assert read[0] == read[1]


# --- before the cut ----------------------------------------------------------------------------
@pytest.mark.parametrize(
    ("number", "reads", "lies"),
    [
        ("J05", "Not mirrored", "Coated side down"),
        ("J07", "Mirrored", "Coated side up"),
        ("J12", "Mirrored", "Carrier down"),
        ("J19", "Mirrored", "Vinyl up"),
    ],
)
def test_before_the_cut_size_side_and_facing_are_looked_at(jobs, number: str, reads: str, lies: str) -> None:
    """Whatever is cut from its back is mirrored, and what is seen through the blank once more (trade: stacks)."""
    plan, graph = jobs(number)
    check = next(task for task in graph.tasks if task.station == "sheets")
    said = detail_of(check, graph, "mm")

    assert check.code == "sheets-check"
    assert f"{reads}: words in the file" in said
    assert lies in said
    sizes = [(float(a), float(b)) for a, b in re.findall(r"(\d+) mm by (\d+) mm", said)]
    for planned in plan.sheets:
        # The file of a sheet fits on a piece as large as is said, either way round.
        sides = sorted((planned.sheet.width, planned.sheet.height))
        assert any(all(a <= b + 0.01 for a, b in zip(sides, sorted(size), strict=True)) for size in sizes)
    cuts = {task.id for task in graph.tasks if task.code in ("sheets-test-cut", "sheets-cut")}
    assert cuts
    assert check.id in {wait.task for task in graph.tasks if task.id in cuts for wait in task.after}
