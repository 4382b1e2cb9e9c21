"""What is cut off: side by side where there is room, and what is left over."""

import pytest
import shapely

from dunestead.core.geometry.affine import Affine
from dunestead.core.records import Stock
from dunestead.core.sheets.division import Patch
from dunestead.core.sheets.layout import PlacedPatch, Sheet
from dunestead.core.sheets.stock import trim_list


def sheet(number: int, width: float, height: float, runs: int = 1) -> Sheet:
    shape = shapely.MultiPolygon([shapely.box(0, 0, width, height)])
    box = (0.0, 0.0, width, height)
    placed = PlacedPatch(Patch("k", number, 1, box, shape), 1, box, Affine(), False)
    return Sheet(number, width, height, False, (placed,), runs)


ROLL = Stock("Roll", "vinyl-removable", 457)


def test_a_narrow_sheet_is_cut_beside_a_wide_one() -> None:
    """Pieces of 312 and 120 mm, allowance included, lie side by side on 457 mm: 610 mm of roll, not 1220."""
    found = trim_list([sheet(1, 292, 590), sheet(2, 100, 590)], ROLL, 10)

    assert found.length == pytest.approx(610)
    assert [(trim.across, trim.along, trim.beside) for trim in found.trims] == [(312, 610, None), (120, 610, 1)]
    assert found.waste == pytest.approx(1 - (292 + 100) * 590 / (457 * 610))


def test_an_offcut_says_what_it_would_serve() -> None:
    found = trim_list([sheet(1, 292, 590)], ROLL, 10)

    assert [(cut.beside, cut.across, cut.along) for cut in found.offcuts] == [(1, 145, 610)]


def test_every_run_takes_its_own_piece() -> None:
    """Five pieces of 312 by 120 mm take 480 mm of 457: area alone asks for 410, one below the other for 600."""
    found = trim_list([sheet(1, 292, 100, runs=5)], ROLL, 10)

    assert [trim.runs for trim in found.trims] == [5]
    assert 5 * 312 * 120 / 457 <= found.length <= 480


def test_allowance_is_given_up_where_the_roll_is_hardly_wider() -> None:
    narrow = Stock("Roll", "vinyl-removable", 305)

    assert trim_list([sheet(1, 292, 590)], narrow, 10).trims[0].across == 305


def test_a_sheet_may_be_wider_than_the_roll() -> None:
    found = trim_list([sheet(1, 292, 290), sheet(2, 400, 100)], Stock("Rest", "vinyl-removable", 305), 10)

    assert found.length == pytest.approx(310)
    assert found.too_wide == (2,)


def test_sheets_of_material_are_counted() -> None:
    pile = Stock("Card", "card", 300, 300, is_roll=False)

    found = trim_list([sheet(1, 280, 280, runs=3)], pile, 10)

    assert (found.pieces, found.length) == (3, 900)
