"""Lines masked one after the other: each line its own mask, pieces and paint; nothing lost between them."""

import pytest
import shapely

from dunestead.core.job.job import Job, altered
from dunestead.core.painting.coatings import Coating
from dunestead.core.plan.plan import make_plan
from dunestead.core.stations.graph import task_graph
from dunestead.core.words.tasks import detail_of
from dunestead.formats.verified import check_cut
from tests.making import CATALOGUE, job_of
from tests.shapes import artwork, files, frame, rect

# A square O of 100 mm with a centre of 50, and below it a bar of 100 by 20.
SOURCES = files(o=frame(0, 0, 100, 50), bar=rect(0, 0, 100, 20))


@pytest.fixture(scope="module")
def job() -> Job:
    return job_of(artwork(100.0, "o", y=-80.0), artwork(100.0, "bar", 2, y=60.0), masks="lines")


def test_each_line_has_a_mask_of_its_own_with_its_own_border(job: Job) -> None:
    plan = make_plan(job, SOURCES, CATALOGUE, check_cut)

    first, second = plan.masks
    border = first.laid.mask.border
    assert [mask.laid.name for mask in plan.masks] == ["the mask of line 1", "the mask of line 2"]
    assert first.box[2] - first.box[0] == pytest.approx(100 + 2 * border, abs=0.1)
    assert first.box[3] - first.box[1] == pytest.approx(100 + 2 * border, abs=0.1)
    assert second.box[3] - second.box[1] == pytest.approx(20 + 2 * border, abs=0.1)
    assert [len(mask.laid.mask.loose) for mask in plan.masks] == [1, 0]
    both = shapely.union(*(mask.laid.painted.region for mask in plan.masks))
    assert shapely.symmetric_difference(both, plan.painted.region).area < 1e-6


def test_each_line_is_painted_with_its_share(job: Job) -> None:
    """The O paints three quarters of 100 by 100, the bar 100 by 20: 7500 and 2000 mm2."""
    plan = make_plan(job, SOURCES, CATALOGUE, check_cut)
    coats = [t for t in task_graph(plan, CATALOGUE).tasks if t.code == "paint-coat" and t.coat == 1]

    assert [task.mask for task in coats] == [1, 2]
    assert coats[0].minutes / coats[1].minutes == pytest.approx(7500 / 2000, rel=1e-3)


def test_a_piece_left_out_or_dropped_changes_its_line_only(job: Job) -> None:
    out = make_plan(altered(job, fates={1: "leave-out"}), SOURCES, CATALOGUE, check_cut)
    dropped = make_plan(altered(job, fates={1: "drop"}), SOURCES, CATALOGUE, check_cut)

    assert out.masks[0].laid.painted.region.area == pytest.approx(10000, rel=1e-3)
    assert [mask.laid.line for mask in dropped.masks] == ["line 2"]


def test_small_masks_of_several_lines_share_a_sheet(job: Job) -> None:
    plan = make_plan(job, SOURCES, CATALOGUE, check_cut)

    (sheet,) = plan.sheets
    assert sorted(one.patch.mask for one in sheet.sheet.patches) == [1, 2]
    assert sheet.verdict.agrees


def test_each_line_has_its_own_distances_and_covers_and_no_notches(job: Job) -> None:
    """On 600 by 400 the O, 100 square, lies 80 above the middle; the bar, 100 by 20, 60 below it."""
    plan = make_plan(job, SOURCES, CATALOGUE, check_cut)
    lays = [task for task in task_graph(plan, CATALOGUE).tasks if task.code == "tack-lay"]

    assert [(m.tape.left, m.tape.top) for m in plan.masks] == [pytest.approx((250, 70)), pytest.approx((250, 250))]
    assert [(m.tape.right, m.tape.bottom) for m in plan.masks] == [pytest.approx((250, 230)), pytest.approx((250, 130))]
    assert all("notch" not in detail_of(task, "mm") for task in lays)
    sprayed = make_plan(altered(job, coatings=(Coating("colour", "rubber-spray"),)), SOURCES, CATALOGUE, check_cut)
    first, second = (mask.cover for mask in sprayed.masks)
    assert first.sides == pytest.approx((210, 30, 210, 190))
    assert second.sides == pytest.approx((210, 210, 210, 90))


def test_the_second_line_waits_until_the_first_may_be_handled(job: Job) -> None:
    graph = task_graph(make_plan(job, SOURCES, CATALOGUE, check_cut), CATALOGUE)
    wait = next(wait for wait in graph.by_id["tack-lay/m2/k1"].after if wait.task.startswith("paint-coat/m1"))

    assert wait.least == 240
