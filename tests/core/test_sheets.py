"""Sheets: right side up, within the reach, and together the whole mask."""

from itertools import pairwise

import numpy as np
import pytest
import shapely

from dunestead.core.errors import BadInput
from dunestead.core.figures import Catalogue
from dunestead.core.mask.bridge_rules import BridgeRules
from dunestead.core.mask.tying import tie_mask
from dunestead.core.sheets.division import Division, divide
from dunestead.core.sheets.facing import face
from tests.shapes import NESTED, WORD, masked, rect


def division(body: str, width: float, reach, overlap=10.0, mirrored=False, fate="keep", border=30.0) -> Division:
    mask = masked(body, width, border)
    tied = [piece.number for piece in mask.loose] if fate == "bridge" else []
    plan = tie_mask(mask, tied, BridgeRules(3.0, per_piece=1))
    return divide(plan, reach, overlap, mirrored=mirrored)


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
    mask = masked(body, 420.0, 30.0)
    plan = tie_mask(mask, (), BridgeRules(3.0))

    found = divide(plan, reach, 10.0, mirrored=mirrored)

    back = []
    for sheet in found.sheets:
        short, long = sorted((sheet.width, sheet.height))
        assert short <= min(reach) + 1e-6
        assert long <= max(reach) + 1e-6
        for patch in sheet.patches:
            on_sheet = patch.on_sheet()
            assert on_sheet.bounds == pytest.approx(patch.box, abs=1e-6)
            back.append(shapely.transform(on_sheet, patch.to_artwork.apply))
    together = shapely.union_all(back, grid_size=1e-6)
    assert shapely.symmetric_difference(together, plan.material).area < 0.5


@pytest.mark.parametrize(
    ("width", "reach", "sheets", "fewest"),
    [
        (200.0, (292, 292), 1, 1),
        (232.0, (292, 292), 1, 1),
        (233.0, (292, 292), 2, 2),
        (500.0, (292, 597), 1, 1),
        (500.0, (292, 292), 2, 2),
    ],
)
def test_the_count_of_sheets_and_its_proven_bound(width, reach, sheets, fewest) -> None:
    found = division(rect(0, 0, 100, 20), width, reach)

    assert len(found.sheets) == sheets
    assert found.fewest_possible <= len(found.sheets)
    assert found.fewest_possible == fewest
    assert found.is_fewest == (sheets == fewest)


@pytest.mark.parametrize("mirrored", [False, True])
def test_a_sheet_reads_right_on_the_blank_whichever_way_it_is_cut(mirrored: bool) -> None:
    """An L has its foot to the right; on a mirrored sheet the foot is on the left."""
    body = '<path d="M0 0h20v80h40v20h-60z"/>'

    (sheet,) = division(body, 60.0, (292, 292), mirrored=mirrored).sheets

    window = shapely.difference(shapely.box(0, 0, sheet.width, sheet.height), sheet.patches[0].on_sheet())
    leans_left = window.centroid.x < (window.bounds[0] + window.bounds[2]) / 2
    # The stem is the heavier half: left when it reads, right when mirrored.
    assert leans_left is not mirrored
    assert sheet.patches[0].to_artwork.determinant == pytest.approx(-1 if mirrored else 1)


def test_a_seam_keeps_clear_of_keepers_where_it_can() -> None:
    row = "".join(f"M{40 * k + 8} 8v24h24v-24z" for k in range(10))
    found = division(f'<path fill-rule="evenodd" d="M0 0h400v40h-400z{row}"/>', 400.0, (292, 292))

    assert len(found.sheets) == 2
    assert found.cut_keepers == ()


def test_a_keeper_is_on_one_sheet_only() -> None:
    row = "".join(f"M{40 * k + 8} 8v24h24v-24z" for k in range(10))
    found = division(f'<path fill-rule="evenodd" d="M0 0h400v40h-400z{row}"/>', 400.0, (292, 292), overlap=40.0)

    keepers = [part for sheet in found.sheets for part in sheet.patches[0].shape.geoms if part.area < 600]
    assert len(keepers) == 10


def test_a_keeper_larger_than_the_reach_is_said_to_be_cut() -> None:
    assert division(NESTED, 700.0, (292, 292)).cut_keepers != ()


@pytest.mark.parametrize("overlap", [-1.0, 146.0, 400.0])
def test_an_overlap_that_leaves_nothing_is_refused(overlap: float) -> None:
    with pytest.raises(BadInput, match="overlap"):
        division(WORD, 400.0, (292, 292), overlap=overlap)


def test_sheets_beyond_counting_are_refused() -> None:
    with pytest.raises(BadInput, match="sheets"):
        division(WORD, 9000.0, (108, 295))


def test_cells_cover_the_extent_with_the_overlap_shared() -> None:
    found = division(rect(0, 0, 100, 20), 800.0, (292, 292), overlap=15.0)
    spans = sorted((p.shape.bounds[0], p.shape.bounds[2]) for s in found.sheets for p in s.patches)

    assert spans[0][0] == pytest.approx(-30)
    assert spans[-1][1] == pytest.approx(830)
    assert all(left[1] - right[0] == pytest.approx(15) for left, right in pairwise(spans))
    assert np.all([end - start <= 292 + 1e-6 for start, end in spans])
