"""Areas of a blank that are kept clear: mask, pins and findings keep off them; what is put on is a step."""

from dataclasses import replace

import pytest
import shapely

from dunestead.core.blanks.blank import Blank
from dunestead.core.blanks.clear import ClearArea, region_of
from dunestead.core.changes.arranging import fit_design
from dunestead.core.errors import BadInput, BadLength
from dunestead.core.job.job import altered
from dunestead.core.looking.remedies import Tools, remedies_for
from dunestead.core.plan.plan import make_plan
from dunestead.core.stations.graph import task_graph
from dunestead.formats.verified import check_cut
from tests.making import CATALOGUE, job_of, look
from tests.shapes import artwork, files, frame, rect

SOURCES = files(box=rect(0, 0, 100, 100), ring=frame(0, 0, 100, 40))


def job(*areas: ClearArea, source: str = "box", **entries):
    """Lay a design of 200 in the middle of 600 by 400: from 200, 100 to 400, 300."""
    return job_of(artwork(200.0, source), blank=Blank(600, 400, clear=areas), **entries)


def plan(made):
    return make_plan(made, SOURCES, CATALOGUE, check_cut)


def codes(made):
    return {finding.code: finding for finding in look(made, SOURCES).findings}


def test_paint_on_what_is_kept_clear_is_a_stop_with_how_far_it_reaches() -> None:
    """A strap from 390 to 450 across is painted over by ten."""
    found = codes(job(ClearArea(420, 200, 60, 100, why="strap")))["clear-painted"]

    assert (found.severity, found.measured) == ("stop", pytest.approx(10, abs=0.01))
    assert "over the strap" in found.message()


@pytest.mark.parametrize(("gap", "told"), [(2.0, True), (3.9, True), (4.1, False), (30.0, False)])
def test_mask_between_paint_and_such_an_area_must_hold(gap: float, told: bool) -> None:
    """Coir wants 4 mm of mask between two places."""
    found = codes(job(ClearArea(400 + gap + 20, 200, 40, 40)))

    assert ("clear-near" in found) is told


def test_the_border_ends_at_what_is_kept_clear() -> None:
    area = ClearArea(430, 200, 40, 500, "rectangle", "staples")

    sheet = look(job(area), SOURCES).masks[0].mask.sheet

    # The border of 40 or more would reach 440; the staples begin at 410, and the design's left edge is at 200.
    assert sheet.bounds[2] == pytest.approx(210)


def test_an_area_within_the_mask_is_left_open_and_no_paint() -> None:
    """A hole of 20 in the counter of a ring: 80 by 80 of mask less 20 by 20."""
    made = plan(job(ClearArea(300, 200, 20, 20, why="holes"), source="ring"))

    cut = made.masks[0].cut
    (piece,) = made.look.loose
    assert piece.area == pytest.approx(80 * 80 - 20 * 20)
    assert cut.windows.area == pytest.approx(200 * 200 - 80 * 80)
    assert all(sheet.verdict.agrees for sheet in made.sheets)


def test_bridges_are_laid_over_paint_and_not_over_what_is_kept_clear() -> None:
    made = plan(job(ClearArea(300, 200, 20, 20), source="ring", fates={1: "bridge"}))

    opened = shapely.box(90, 90, 110, 110)
    assert made.bridges
    assert all(shapely.intersection(bridge.shape, opened).area == 0 for bridge in made.bridges)


def test_no_pin_goes_into_it() -> None:
    bare = [pin.at for pin in plan(job()).masks[0].pinning.pins]
    at = bare[0]
    area = ClearArea(at[0] + 200, at[1] + 100, 30, 30)

    pinned = [pin.at for pin in plan(job(area)).masks[0].pinning.pins]

    (region,) = region_of([area])
    assert bare
    assert all(not region.contains(shapely.Point(x + 200, y + 100)) for x, y in pinned)


def test_a_plate_keeps_off_it_where_it_can_and_is_told_where_it_cannot() -> None:
    """Staples in the middle of a ring lie beside the plate; in a ring of them no plate finds room."""
    assert plan(job()).pressed_on() == []
    assert plan(job(ClearArea(300, 200, 10, 10, why="staples"), source="ring")).pressed_on() == []
    around = [ClearArea(300 + dx, 200 + dy, 8, 8, why="staples") for dx in (-130, 0, 130) for dy in (-130, 0, 130)]
    (told, *_) = plan(job(*around, source="ring")).pressed_on()

    assert told[2].why == "staples"
    after = [replace(area, timing="after") for area in around]
    assert plan(job(*after, source="ring")).pressed_on() == []


def test_what_is_sewn_on_is_a_step_before_or_after_the_painting() -> None:
    areas = ClearArea(30, 30, why="strap", timing="before"), ClearArea(570, 30, name="the badge", timing="after")
    made = altered(job(*areas), copies=2)

    graph = task_graph(plan(made), CATALOGUE)

    order = [task.code for task in graph.tasks]
    assert order.count("blank-fit") == order.count("cure-fit") == 2
    assert order.index("blank-fit") < order.index("paint-coat") < order.index("cure-fit")
    fitting = next(task for task in graph.tasks if task.code == "cure-fit")
    assert [name for name, *_ in fitting.values.places] == ["the badge"]


@pytest.mark.parametrize(
    ("areas", "error"),
    [
        ((ClearArea(10, 10, width=0.0),), BadLength),
        ((ClearArea(10, 10, name="x" * 41),), BadInput),
        (tuple(ClearArea(10, 10) for _ in range(41)), BadInput),
    ],
    ids=["no width", "a long name", "too many"],
)
def test_an_area_that_cannot_be_is_refused(areas, error) -> None:
    with pytest.raises(error):
        look(job(*areas), SOURCES)


def test_a_smaller_design_that_keeps_off_is_offered_and_holds() -> None:
    """Paint may reach 390 less 4 mm of mask: 86 from the middle at 300, so 172 across."""
    made = job(ClearArea(420, 200, 60, 100, why="strap"))
    seen = look(made, SOURCES)

    (remedy,) = [
        one
        for one in remedies_for(seen, codes(made)["clear-painted"], Tools(SOURCES, CATALOGUE))
        if one.code == "beside"
    ]

    after = look(remedy.job, SOURCES)
    assert after.composition.design_width == pytest.approx(172, abs=0.2)
    assert not {"clear-painted", "clear-near"} & {finding.code for finding in after.findings}


def test_fitting_the_design_keeps_it_off() -> None:
    areas = (ClearArea(60, 200, 60, 400, why="strap"), ClearArea(540, 200, 60, 400, why="strap"))

    fitted = fit_design(job(*areas), SOURCES, CATALOGUE)

    # Straps end at 90: the design reaches to 94 at most, and the margins would let it have 340 across anyhow.
    box = look(fitted, SOURCES).composition.design_box
    assert box is not None
    assert box[0] >= 94 - 0.1
    narrow = fit_design(job(ClearArea(420, 200, 60, 100)), SOURCES, CATALOGUE)
    assert look(narrow, SOURCES).composition.design_width == pytest.approx(172, abs=0.2)


def test_around_a_reverse_mask_what_is_kept_clear_is_to_be_covered() -> None:
    made = job(ClearArea(30, 30, why="strap"), ClearArea(570, 30, timing="after"), reverse=True)

    found = [one for one in look(made, SOURCES).findings if one.code == "clear-field"]

    assert [one.subject for one in found] == ["the strap"]
    assert "Cover it before you paint" in found[0].message()
