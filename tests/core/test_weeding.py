"""The weeding table: what goes and stays on each sheet, in which order, and the keepers at true size."""

import itertools

import numpy as np
import pytest
import shapely

from dunestead.catalogue import load_catalogue
from dunestead.core.plan.keeper_sheet import draw_keepers
from dunestead.core.plan.plan import Plan, make_plan
from dunestead.core.plan.weeding import sheet_windows, weed_map
from dunestead.core.weeding.walk import pull_order, pull_start
from dunestead.core.words.weeding import help_for, pulled
from dunestead.formats.pdf import read_pdf, write_tiled_pdf
from dunestead.formats.verified import check_cut
from tests.making import job_of, words
from tests.shapes import Files

CATALOGUE = load_catalogue()


def plan_of(text: str = "ROOT", size: float = 420.0, **entries) -> Plan:
    return make_plan(job_of(words(text, size), **entries), Files(), CATALOGUE, check_cut)


@pytest.mark.parametrize("material", ["paper-coated-down", "paper-coated-up"])
@pytest.mark.parametrize("cutter", ["table-square", "wide-roll"])
def test_what_goes_and_what_stays_make_up_every_sheet(material, cutter) -> None:
    """R, O, O, T: four windows and three centres, on one sheet or over several; mirrored or not."""
    plan = plan_of(material=material, cutter=cutter)
    sheets = weed_map(plan, CATALOGUE)

    regions = [region for sheet in sheets for region in sheet.regions]
    assert {region.number for region in regions if region.kind == "window"} == {1, 2, 3, 4}
    assert {region.number for region in regions if region.kind == "keeper"} == {1, 2, 3}
    for sheet, laid in zip(sheets, plan.layout.sheets, strict=True):
        assert sheet.mirrored is (material == "paper-coated-up")
        stays = shapely.union_all([region.on_sheet for region in sheet.regions if not region.goes])
        cut = shapely.union_all([placed.on_sheet() for placed in laid.patches])
        assert stays.symmetric_difference(cut).area < 1e-3
        goes = shapely.union_all([region.on_sheet for region in sheet.regions if region.goes])
        assert goes.intersection(cut).area < 1e-3


@pytest.mark.parametrize(("cutter", "over_a_seam"), [("table-square", 0), ("pocket", 7)])
def test_a_window_that_a_seam_divides_is_one_window_and_all_sheets_add_up(cutter: str, over_a_seam: int) -> None:
    """The word on several small sheets: told apart by number, each sheet shows those counted on it and the rest."""
    plan = plan_of(cutter=cutter)
    mask = plan.masks[0]

    counts = sheet_windows(plan, mask)

    shown = {
        sheet.number: len({r.number for r in sheet.regions if r.kind == "window"})
        for sheet in weed_map(plan, CATALOGUE)
    }
    assert {sheet: one.counted + one.reaching_over for sheet, one in counts.items()} == shown
    assert len(counts) > 1
    assert sum(shown.values()) == 4 + over_a_seam
    assert sum(one.counted for one in counts.values()) == mask.cut.window_count == 4


def test_small_pieces_come_out_first_and_the_rest_as_it_is_read() -> None:
    big = [shapely.box(x, 0, x + 60, 80) for x in (200, 0, 100)]
    small = [shapely.box(x, 200, x + 8, 208) for x in (40, 0, 20)]

    order = pull_order([*big, *small], [(0, 2), (0, 0), (0, 1), (1, 0), (1, 0), (1, 0)], 25.0)

    assert order == [4, 5, 3, 1, 2, 0]
    assert sorted(pull_order(big, [(0, 0)] * 3, 25.0)) == [0, 1, 2]


def test_drawn_lettering_is_walked_line_by_line_and_a_ring_around() -> None:
    """Two lines of three, 30 mm apart, letters 40 mm apart; a ring of eight is gone around, each beside the last."""
    lines = [shapely.box(x, y, x + 40, y + 60) for y in (0, 90) for x in (0, 80, 160)]
    ring = [shapely.Point(200 * np.cos(a), 200 * np.sin(a)).buffer(40) for a in np.linspace(0, 2 * np.pi, 9)[:-1]]

    assert pull_order(lines, [(0, 0)] * 6, 25.0)[:3] == [0, 1, 2]
    around = pull_order(ring, [(0, 0)] * 8, 25.0)
    assert all((b - a) % 8 in (1, 7) for a, b in itertools.pairwise(around))


def test_a_pull_begins_at_the_end_where_it_is_read_from() -> None:
    assert pull_start(shapely.box(5, 10, 105, 30))[0] == 5
    # Upright ones from the top.
    assert pull_start(shapely.box(5, 10, 15, 110))[1] == 10


def test_the_walk_reads_a_word_from_its_first_letter() -> None:
    (sheet,) = weed_map(plan_of("TIDE", cutter="wide-roll"), CATALOGUE)
    walk = sorted((r for r in sheet.regions if r.goes), key=lambda region: region.number)

    assert [region.name for region in walk] == [f"the {letter} in TIDE" for letter in "TIDE"]


def test_a_wrong_pull_says_what_it_would_have_cost_and_where_the_piece_stays() -> None:
    (sheet,) = weed_map(plan_of(cutter="wide-roll"), CATALOGUE)
    said = {(r.kind, r.number): pulled(r, "tape") for r in sheet.regions}

    assert said["keeper", 2].startswith("That is the centre of the first O in ROOT, keeper 2.")
    assert "on the tape" in said["keeper", 2]
    assert said["window", 1] == "Out: the R in ROOT."
    assert "mask itself" in said["frame", None]


def test_film_bubbles_and_paper_rips() -> None:
    film, paper = (
        {card.key for card in help_for(CATALOGUE.material(key))} for key in ("vinyl-removable", "paper-coated-down")
    )

    assert {"bubbles", "static"} <= film
    assert "rips" in paper
    assert not paper & {"bubbles", "static"}


def test_around_a_reverse_mask_the_field_goes_and_every_shape_stays() -> None:
    (sheet,) = weed_map(plan_of("TIDE", reverse=True, material="vinyl-removable", cutter="wide-roll"), CATALOGUE)

    assert [region.kind for region in sheet.regions].count("field") == 1
    assert {r.number for r in sheet.regions if r.kind == "keeper"} == {1, 2, 3, 4}


@pytest.mark.parametrize("seen_through", [False, True])
def test_keepers_are_printed_at_true_size_in_their_places_each_with_its_number(seen_through) -> None:
    plan = plan_of(seen_through=seen_through)
    keepers = plan.masks[0].cut.keepers

    drawing = draw_keepers(plan, plan.masks[0])

    areas = sorted(shapely.Polygon(path.points).area for path in drawing.cuts)
    assert areas == pytest.approx(sorted(keeper.area for keeper in keepers), rel=1e-6)
    assert {text.text for text in drawing.texts} >= {"1", "2", "3"}
    middles = [shapely.Polygon(path.points).centroid.x for path in drawing.cuts]
    apart = [keeper.shape.centroid.x for keeper in keepers]
    assert np.diff(middles) == pytest.approx(np.diff(apart) * (-1 if seen_through else 1), abs=1e-6)
    # As a PDF reader measures it: the first whole outline is as wide as the piece.
    pages = read_pdf(write_tiled_pdf(drawing, "a4"))
    widths = {round(float(np.ptp(path.points[:, 0])), 1) for page in pages for path in page.cuts if path.is_closed}
    assert widths & {round(keeper.box[2] - keeper.box[0], 1) for keeper in keepers}
