"""Lines masked one after the other: each line its own mask, pieces and paint; nothing lost between them."""

from dataclasses import replace

import pytest
import shapely

from dunestead.core.job.job import Job
from dunestead.core.plan.plan import make_plan
from dunestead.core.work.steps import all_steps
from dunestead.formats.verified import check_cut
from tests.shapes import artwork, files, frame, rect
from tests.workshop import CATALOGUE, job_of

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
    coats = [s for s in all_steps(plan, CATALOGUE.hand, "mm") if s.code.startswith("paint-coat-1")]

    assert [step.mask for step in coats] == [1, 2]
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
