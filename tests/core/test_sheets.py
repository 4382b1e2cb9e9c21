"""Sheets: right side up, within the reach, and together the whole mask."""

from itertools import pairwise

import cv2
import numpy as np
import pytest
import shapely

from dunestead.core.errors import BadInput
from dunestead.core.figures import Catalogue
from dunestead.core.mask.bridge_rules import BridgeRules
from dunestead.core.mask.tying import tie_mask
from dunestead.core.sheets.cells import Reach
from dunestead.core.sheets.facing import face, facing_stages
from dunestead.core.sheets.ground import Guards
from dunestead.core.sheets.layout import Layout, LayoutRules, PatchConstraint, lay_out
from tests.shapes import NESTED, WORD, masked, rect


def laid(
    body: str,
    width: float,
    reach,
    overlap=10.0,
    mirrored=False,
    fate="keep",
    border=30.0,
    sets=1,
    constraints=(),
    guards=Guards(),  # noqa: B008  # it is immutable
) -> Layout:
    mask = masked(body, width, border)
    tied = [piece.number for piece in mask.loose] if fate == "bridge" else []
    plan = tie_mask(mask, tied, BridgeRules(3.0, per_piece=1))
    return lay_out((plan,), (guards,), LayoutRules(Reach(*reach, overlap), mirrored, sets, constraints))


def cells_of(layout: Layout) -> list[tuple[float, float, float, float]]:
    return [patch.cell for patch in layout.patches]


@pytest.mark.parametrize(
    ("material", "seen_through", "mirrored"),
    [
        ("paper-coated-down", False, False),
        ("paper-coated-up", False, True),
        ("stencil-film", False, False),
        ("vinyl-removable", False, False),
        ("vinyl-permanent", False, False),
        ("iron-on", False, True),
        ("card", False, False),
        ("plastic", False, False),
        ("stencil-film", True, True),
        ("paper-coated-up", True, False),
        ("iron-on", True, False),
    ],
)
def test_mirroring_follows_from_the_side_the_knife_enters(catalogue: Catalogue, material, seen_through, mirrored):
    assert face(catalogue.material(material), seen_through=seen_through).mirrored is mirrored


@pytest.mark.parametrize("mirrored", [False, True])
@pytest.mark.parametrize("reach", [(292, 292), (292, 597), (108, 295), (600, 10000)])
@pytest.mark.parametrize("body", [WORD, NESTED])
def test_patches_put_back_make_the_mask_and_nothing_is_out_of_reach(body, reach, mirrored) -> None:
    plan = tie_mask(masked(body, 420.0, 30.0), (), BridgeRules(3.0))

    found = lay_out((plan,), (Guards(),), LayoutRules(Reach(*reach, 10.0), mirrored))

    back = []
    for sheet in found.sheets:
        assert sheet.width <= reach[0] + 1e-6
        assert sheet.height <= reach[1] + 1e-6
        boxes = [shapely.box(*one.box) for one in sheet.patches]
        assert all(one.distance(other) >= 5.0 - 1e-6 for k, one in enumerate(boxes) for other in boxes[:k])
        for one in sheet.patches:
            assert one.on_sheet().bounds == pytest.approx(one.box, abs=1e-6)
            assert one.to_artwork.determinant == pytest.approx(-1 if mirrored else 1)
            back.append(shapely.transform(one.on_sheet(), one.to_artwork.apply))
    together = shapely.union_all(back, grid_size=1e-6)
    assert shapely.symmetric_difference(together, plan.material).area < 0.5


def test_patches_put_back_agree_with_the_mask_pixel_by_pixel() -> None:
    plan = tie_mask(masked(WORD, 420.0, 30.0), (), BridgeRules(3.0))
    found = lay_out((plan,), (Guards(),), LayoutRules(Reach(108, 295, 10.0), True))

    def bitmap(parts) -> np.ndarray:
        x0, y0, x1, y1 = plan.box
        image = np.zeros((round((y1 - y0) * 4), round((x1 - x0) * 4)), np.uint8)
        for part in parts:
            own = np.zeros_like(image)
            rings = [np.round((shapely.get_coordinates(r) - (x0, y0)) * 4).astype(np.int32) for r in part]
            cv2.fillPoly(own, rings, 1)
            image |= own
        return image

    rings = [[polygon.exterior, *polygon.interiors] for polygon in plan.material.geoms]
    back = [
        [shapely.transform(ring, one.to_artwork.apply) for ring in (polygon.exterior, *polygon.interiors)]
        for sheet in found.sheets
        for one in sheet.patches
        for polygon in one.on_sheet().geoms
    ]
    whole, together = bitmap(rings), bitmap(back)
    assert (whole == together).mean() > 0.998
    assert cv2.connectedComponents(whole)[0] == cv2.connectedComponents(together)[0]


@pytest.mark.parametrize(
    ("width", "reach", "sheets", "fewest"),
    [
        (200.0, (292, 292), 1, 1),
        (232.0, (292, 292), 1, 1),
        (233.0, (292, 292), 1, 1),
        (700.0, (292, 292), 3, 1),
        (500.0, (292, 597), 1, 1),
        (500.0, (292, 292), 2, 1),
    ],
)
def test_the_count_of_sheets_and_its_proven_bound(width, reach, sheets, fewest) -> None:
    found = laid(rect(0, 0, 100, 20), width, reach)

    assert found.count == sheets
    assert found.fewest_possible == fewest
    assert found.is_fewest == (sheets == fewest)


def test_a_rest_goes_beside_others_where_even_parts_would_need_a_sheet_each() -> None:
    """380 by 570 mm at a reach of 292: quarters of 195 by 290 take four; 98 by 292 goes beside 98 by 288."""
    assert laid(rect(0, 0, 320, 510), 320.0, (292, 292)).count == 3


@pytest.mark.parametrize("mirrored", [False, True])
def test_a_sheet_reads_right_on_the_blank_whichever_way_it_is_cut(mirrored: bool) -> None:
    """An L has its foot to the right; on a mirrored sheet the foot is on the left."""
    body = '<path d="M0 0h20v80h40v20h-60z"/>'

    (sheet,) = laid(body, 60.0, (292, 292), mirrored=mirrored).sheets

    window = shapely.difference(shapely.box(0, 0, sheet.width, sheet.height), sheet.patches[0].on_sheet())
    leans_left = window.centroid.x < (window.bounds[0] + window.bounds[2]) / 2
    # The stem is the heavier half: left when it reads, right when mirrored.
    assert leans_left is not mirrored


ROW = '<path fill-rule="evenodd" d="M0 0h400v40h-400z{}"/>'.format(
    "".join(f"M{40 * k + 8} 8v24h24v-24z" for k in range(10))
)


def test_a_seam_keeps_clear_of_keepers_where_it_can() -> None:
    found = laid(ROW, 400.0, (292, 292))

    assert len(found.patches) == 2
    assert found.cut_keepers == ()


def test_a_keeper_is_on_one_sheet_only() -> None:
    found = laid(ROW, 400.0, (292, 292), overlap=40.0)

    keepers = [part for patch in found.patches for part in patch.shape.geoms if part.area < 600]
    assert len(keepers) == 10


def test_a_keeper_larger_than_the_reach_is_said_to_be_cut() -> None:
    assert laid(NESTED, 900.0, (292, 292)).cut_keepers != ()


@pytest.mark.parametrize("overlap", [-1.0, 146.0, 400.0])
def test_an_overlap_that_leaves_nothing_is_refused(overlap: float) -> None:
    with pytest.raises(BadInput, match="overlap"):
        laid(WORD, 400.0, (292, 292), overlap=overlap)


def test_sheets_beyond_counting_are_refused() -> None:
    with pytest.raises(BadInput, match="sheets"):
        laid(WORD, 9000.0, (108, 295))


def test_cells_cover_the_extent_with_the_overlap_shared() -> None:
    found = laid(rect(0, 0, 100, 20), 800.0, (292, 292), overlap=15.0)
    spans = sorted((x0, x1) for x0, _, x1, _ in cells_of(found))

    assert spans[0][0] == pytest.approx(-30)
    assert spans[-1][1] == pytest.approx(830)
    assert all(left[1] - right[0] == pytest.approx(15) for left, right in pairwise(spans))
    assert np.all([end - start <= 292 + 1e-6 for start, end in spans])


TWO_WORDS = "".join(rect(x, 0, 22, 30) for x in (0, 26, 52, 78, 134, 160, 186, 212, 238, 264))
WORDS = Guards(units=((0, 0, 100, 30), (134, 0, 286, 30)))


def test_words_stay_whole_where_they_fit() -> None:
    (seam,) = laid(TWO_WORDS, 286.0, (260, 260), guards=WORDS).seams

    assert 100 <= seam.start[0] <= 134
    assert seam.runs_down


def test_what_the_maker_keeps_together_is_parted_by_no_seam() -> None:
    """The seam would run through the gap at 100 to 134; 70 to 150 is to stay whole, so it goes elsewhere."""
    guards = Guards(units=WORDS.units, together=((70, 0, 150, 30),))

    patches = laid(TWO_WORDS, 286.0, (260, 260), guards=guards).patches

    assert any(patch.cell[0] <= 70 and patch.cell[2] >= 150 for patch in patches)


def test_marks_of_a_seam_lie_on_firm_mask_of_both_patches_at_the_distance_told() -> None:
    found = laid(TWO_WORDS, 286.0, (260, 260), guards=WORDS)
    (seam,) = found.seams
    left, right = found.patches

    assert len(seam.pairs) == 2
    for pair in seam.pairs:
        assert pair.distance == pytest.approx(abs(pair.second[0] - pair.first[0]))
        assert shapely.Point(pair.first).buffer(2.9).within(left.shape)
        assert shapely.Point(pair.second).buffer(2.9).within(right.shape)
    assert abs(seam.pairs[0].first[1] - seam.pairs[1].first[1]) > 20


def test_butted_patches_share_nothing_but_their_seam() -> None:
    found = laid(TWO_WORDS, 286.0, (260, 260), overlap=0.0)

    shapes = [patch.shape for patch in found.patches]
    assert shapely.union_all(shapes).area == pytest.approx(sum(shape.area for shape in shapes))
    assert {seam.overlap for seam in found.seams} == {0.0}


def test_copies_of_a_small_mask_share_a_sheet() -> None:
    """A mask of 90 by 90 mm goes nine times on 292 by 292: 3 x 90 + 2 x 5 = 280."""
    found = laid(rect(0, 0, 30, 30), 30.0, (292, 292), sets=20)

    assert [len(sheet.patches) for sheet in found.sheets] == [9, 2]
    assert [sheet.runs for sheet in found.sheets] == [2, 1]
    assert found.count == 3


def test_a_mask_that_fills_a_sheet_is_cut_once_for_every_set() -> None:
    found = laid(rect(0, 0, 200, 200), 200.0, (292, 292), sets=5)

    assert [sheet.runs for sheet in found.sheets] == [5]


def test_a_patch_lies_on_the_sheet_the_maker_names_and_the_rest_around_it() -> None:
    body, reach = rect(0, 0, 260, 200), (160, 330)
    before = laid(body, 260.0, reach)
    assert [sheet.patches[0].patch.number for sheet in before.sheets] == [1, 2]

    x0, y0 = before.patches[0].cell[:2]
    after = laid(body, 260.0, reach, constraints=(PatchConstraint(1, (x0 + 1, y0 + 1), sheet=2),))

    assert [sheet.patches[0].patch.number for sheet in after.sheets] == [2, 1]


def test_a_patch_that_wants_a_sheet_to_itself_has_it() -> None:
    body, reach = rect(0, 0, 420, 40), (292, 292)
    assert laid(body, 420.0, reach).count == 1
    assert [
        len(s.patches) for s in laid(body, 420.0, reach, constraints=(PatchConstraint(1, (0, 0), alone=True),)).sheets
    ] == [1, 1]


def test_what_does_not_fit_one_sheet_together_is_refused() -> None:
    constraints = (PatchConstraint(1, (-25, -25), sheet=1), PatchConstraint(1, (395, 160), sheet=1))

    with pytest.raises(BadInput, match="does not fit there together"):
        laid(rect(0, 0, 400, 200), 400.0, (292, 292), constraints=constraints)


@pytest.mark.parametrize("seen_through", [False, True])
def test_the_stack_reads_right_at_its_end_and_its_back_is_on_the_blank(catalogue: Catalogue, seen_through) -> None:
    for material in catalogue.materials.values():
        cutter = catalogue.cutter("table-long")
        knife, laid_on, seen = facing_stages(material, cutter, "Coir", seen_through=seen_through)

        assert knife.mirrored == face(material, seen_through=seen_through).mirrored
        assert laid_on.layers[-1].role == "blank"
        assert laid_on.layers[-2].name == [*material.layers][-1]
        assert knife.layers[-1].role == "mat"
        assert laid_on.mirrored == seen_through
        assert not seen.mirrored
        assert seen.from_below == seen_through
