"""A layout has a price: the cheapest is proposed, others are shown with what they save and cost."""

from itertools import pairwise

import numpy as np
import pytest
import shapely

from dunestead.core.blanks.blank import Blank
from dunestead.core.errors import NoSuchThing
from dunestead.core.job.job import Job, altered
from dunestead.core.looking.remedies import Tools
from dunestead.core.mask.bridge_rules import BridgeRules
from dunestead.core.mask.tying import CutPlan, tie_mask
from dunestead.core.plan.offers import in_use, offer_of, offers_for
from dunestead.core.plan.plan import Plan, make_plan
from dunestead.core.sheets.cells import Reach
from dunestead.core.sheets.division import Division, divide
from dunestead.core.sheets.extents import Takes, takes, takes_together
from dunestead.core.sheets.ground import Ground, Guards
from dunestead.core.sheets.price import AIMS, Prices
from dunestead.formats.verified import check_cut
from tests.making import CATALOGUE, job_of
from tests.shapes import Files, artwork, files, frame, masked, rect

LARGE = Blank(900, 900)
TABLE = Reach(292, 597, 10)
BARS = "".join(rect(x, 0, 40, 260) for x in (0, 56, 112, 173, 229, 285, 341, 397))


def cut(body: str, width: float, border: float = 30.0) -> CutPlan:
    return tie_mask(masked(body, width, border), (), BridgeRules(3.0))


def seams_across(division: Division) -> list[float]:
    """Return the middles of seams that run down."""
    edges = sorted((patch.cell[0], patch.cell[2]) for patch in division.patches)
    return [(right + left) / 2 for (_, right), (left, _) in pairwise(edges)]


def plan_of(job: Job, sources: Files) -> Plan:
    return make_plan(job, sources, CATALOGUE, check_cut)


# --- prices -----------------------------------------------------------------------------------
def test_a_sheet_is_worth_three_seams() -> None:
    prices = Prices()

    assert prices.of(sheets=3, seams=0) < prices.of(sheets=2, seams=12)
    assert prices.of(sheets=2, seams=2) < prices.of(sheets=3, seams=0)
    assert prices.towards("sheets").of(2, 12) < prices.towards("sheets").of(3, 0)
    assert prices.towards("seams").of(3, 0) < prices.towards("seams").of(2, 1)


def test_what_is_spared_is_spared() -> None:
    for extent in ((560, 860), (420, 1220), (610, 610), (900, 700)):
        found = {aim: takes(extent, TABLE, Prices().towards(aim)) for aim in AIMS}

        assert found["sheets"].sheets == min(one.sheets for one in found.values())
        assert found["seams"].seams == min(one.seams for one in found.values())
        assert Prices().of(found["price"].sheets, found["price"].seams) <= min(
            Prices().of(one.sheets, one.seams) for one in found.values()
        )


def test_several_masks_of_an_extent_share_sheets_or_are_divided_each() -> None:
    assert takes_together((140, 290), 4, Reach(292, 597, 10)) == Takes(1, 0)
    one = takes((500, 300), TABLE)
    assert takes_together((500, 300), 3, TABLE) == Takes(3 * one.sheets, 3 * one.seams) == one + one + one


@pytest.mark.parametrize("height", range(300, 1300, 70))
def test_no_strip_is_narrower_than_it_need_be(height: int) -> None:
    """A strip of 50 mm or more is always possible where a mask is longer than the reach."""
    division = divide(cut(rect(0, 0, 400, height), 400), TABLE, Guards(), Prices())

    assert all(min(x1 - x0, y1 - y0) >= 50 - 1e-6 for x0, y0, x1, y1 in (patch.cell for patch in division.patches))


# --- where seams run --------------------------------------------------------------------------
@pytest.mark.parametrize("axis", [0, 1])
@pytest.mark.parametrize("overlap", [0.0, 10.0, 16.0])
def test_a_seam_costs_the_paint_its_whole_overlap_covers(axis: int, overlap: float) -> None:
    """Held against strips cut out of the paint and seen from the side."""
    body = rect(0, 0, 60, 60) + rect(90, 20, 30, 120) + rect(140, 60, 60, 60) + "<circle cx='40' cy='150' r='35'/>"
    plan = cut(body, 200)
    x0, y0, x1, y1 = plan.box
    low, high = (y0, y1) if axis == 0 else (x0, x1)
    starts = np.arange((x0, y0)[axis] + 1, (x1, y1)[axis] - overlap - 1, 7.3)
    painted = shapely.box(*plan.box).difference(plan.frame)
    _, crossed = Ground(plan, Guards(), overlap).costs(starts, low, high, axis)

    def shade(begin: float, end: float) -> float:
        strip = shapely.box(begin, low, end, high) if axis == 0 else shapely.box(low, begin, high, end)
        parts = [part.bounds for part in shapely.get_parts(painted.intersection(strip)) if part.area]
        seen = [shapely.LineString([(box[1 - axis], 0), (box[3 - axis], 0)]) for box in parts]
        return float(shapely.union_all(seen).length)

    # Cells of half a mm: an edge may lie one further in or out.
    for start, found in zip(starts, crossed, strict=True):
        inner = shade(start + 1.1, start + overlap - 1.1) if overlap else 0.0
        assert inner - 2 <= found <= shade(start - 1.1, start + overlap + 1.1) + 2


def test_a_clear_gap_is_found_wherever_it_is() -> None:
    """Bars stand 16 apart, but for one gap of 21, from 152 to 173: an overlap of 20 goes in there only."""
    division = divide(cut(BARS, 437), Reach(400, 330, 20), Guards(), Prices())

    (seam,) = seams_across(division)
    assert 152 + 10 - 0.6 <= seam <= 173 - 10 + 0.6
    assert division.paint == pytest.approx(0, abs=1)


def test_a_word_is_cut_once_where_once_will_do() -> None:
    """A word 635 long on a reach of 400: one seam, in the gap from 305 to 330."""
    letters = "".join(rect(110 * k, 0, 85, 160) for k in range(6))
    division = divide(cut(letters, 635), Reach(400, 300, 10), Guards(units=((0, 0, 635, 160),)), Prices())

    assert len(division.patches) == 2
    assert division.paint == pytest.approx(0, abs=1)


def test_two_squares_in_opposite_corners_take_three_sheets() -> None:
    body = rect(0, 0, 60, 60) + rect(312, 680, 60, 60)
    plan = cut(body, 372, 40)
    assert tuple(np.subtract(plan.box[2:], plan.box[:2])) == pytest.approx((452, 820), abs=0.01)

    assert takes((452, 820), TABLE).sheets == 3


def test_what_is_left_of_a_sheet_is_the_next_sets() -> None:
    """One set goes on a sheet with three seams; of two, each with one seam, the halves share a sheet."""
    plan = cut(rect(0, 0, 240, 280), 240)

    alone, two = (divide(plan, TABLE, Guards(), Prices(), sets) for sets in (1, 2))

    assert len(alone.patches) == 3
    assert len(two.patches) == 2


# --- layouts beside the one in use ------------------------------------------------------------
MAT = files(art=rect(0, 0, 130, 280) + frame(150, 0, 110, 40) + frame(150, 150, 110, 40))


def tools(sources: Files) -> Tools:
    return Tools(sources, CATALOGUE)


def numbers(plan: Plan, sources: Files) -> tuple[int, int, int]:
    weighed = in_use(plan, tools(sources))
    return weighed.sheets, weighed.seams, weighed.parted


@pytest.mark.parametrize(("width", "copies"), [(520, 1), (250, 2), (560, 3)])
def test_every_offer_is_what_comes_of_it(width: float, copies: int) -> None:
    sources = MAT
    plan = plan_of(
        altered(job_of(artwork(width), blank=LARGE), copies=copies, cutter="table-long", border=40.0), sources
    )

    offers = list(offers_for(plan, tools(sources)))

    assert offers
    assert len({offer.code for offer in offers}) == len(offers)
    for offer in offers:
        then = plan_of(offer.job, sources)
        assert numbers(then, sources) == (offer.weighed.sheets, offer.weighed.seams, offer.weighed.parted)
        assert not [fault for sheet in then.sheets for fault in sheet.verdict.faults]
        assert offer_of(plan, offer.code, tools(sources)).job == offer.job


def test_a_narrower_border_that_saves_a_sheet_is_offered_with_the_cover_it_wants() -> None:
    """230 wide and a border of 40 is 310, over the reach of 292; a border of 31 is 292."""
    sources = files(square=rect(0, 0, 230, 500))
    square = altered(job_of(artwork(230.0, "square"), blank=LARGE), cutter="table-long")
    plan = plan_of(altered(square, border=40.0), sources)

    offer = offer_of(plan, "border-31", tools(sources))

    assert offer.job.mask.border == 31
    assert (offer.weighed.sheets, offer.weighed.seams) == (1, 0)
    assert "Cover the blank around it to 40 mm" in offer.consequence
    # Where nobody gave a border, it is no wider than that from the start.
    usual = plan_of(square, sources)
    assert (usual.look.masks[0].mask.border, usual.layout.count, len(usual.layout.seams)) == (31, 1, 0)


@pytest.mark.parametrize(("width", "border", "seams"), [(510, 40, 0), (560, 18, 0), (566, 15, 0), (568, 40, 1)])
def test_a_border_gives_way_before_a_design_is_divided(width: float, border: float, seams: int) -> None:
    """On a mat of 600 under a knife that reaches 597: 560 leaves 18 on either side, less than 15 is no border."""
    sources = files(bar=rect(0, 0, width, 100))
    job = altered(job_of(artwork(width, "bar"), blank=Blank(600, 400)), cutter="table-long")
    plan = plan_of(job, sources)

    assert (plan.look.masks[0].mask.border, len(plan.layout.seams)) == (border, seams)
    assert plan.rail.smallest < width


def test_a_smaller_design_that_saves_a_sheet_is_offered_with_how_much() -> None:
    """231 wide and its borders are 311; at 212 they are the 292 that the cutter reaches, and nothing is divided."""
    sources = files(tall=rect(0, 0, 231, 500))
    plan = plan_of(altered(job_of(artwork(231.0, "tall"), blank=LARGE), cutter="table-long", border=40.0), sources)

    offer = list(offers_for(plan, tools(sources)))[-1]

    assert (offer.weighed.sheets, offer.weighed.seams) == (1, 0)
    assert offer.job.design.elements[0].width == pytest.approx(212, abs=0.11)
    assert offer.consequence.startswith("19 mm less. Saves")


def test_what_is_too_fine_already_is_offered_no_smaller() -> None:
    sources = files(fine=rect(0, 0, 216, 500) + rect(230, 0, 4.0, 500))
    plan = plan_of(altered(job_of(artwork(234.0, "fine"), blank=LARGE), cutter="table-long"), sources)

    assert plan.rail.smallest > 234
    assert not [offer for offer in offers_for(plan, tools(sources)) if offer.code.startswith("size")]


def test_a_large_piece_whose_wholeness_costs_a_sheet_may_be_bridged() -> None:
    """A piece of 280 by 400 in the middle of 420 by 540: no part of the mask within 292 by 597 holds it whole."""
    sources = files(ring='<path fill-rule="evenodd" d="M0 0h340v460h-340z M30 30h280v400h-280z"/>')
    job = altered(job_of(artwork(340.0, "ring"), blank=LARGE), cutter="table-long", fates={1: "keep"})
    plan = plan_of(job, sources)

    offer = offer_of(plan, "bridge", tools(sources))

    assert (in_use(plan, tools(sources)).sheets, offer.weighed.sheets) == (3, 2)
    assert offer.job.mask.fates == {1: "bridge"}
    assert offer.label == "Piece 1 bridged"


def test_an_offer_that_is_not_made_cannot_be_taken() -> None:
    sources = files(small=rect(0, 0, 100, 100))
    plan = plan_of(job_of(artwork(100.0, "small")), sources)

    assert not list(offers_for(plan, tools(sources)))
    with pytest.raises(NoSuchThing):
        offer_of(plan, "border", tools(sources))
