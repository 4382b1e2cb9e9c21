"""Cutting: order, time, and a knife that cuts in geometry."""

import numpy as np
import pytest

from dunestead.core.cutting.paths import CutPath, sheet_paths, travel_length
from dunestead.core.cutting.simulate import simulate_cut
from dunestead.core.cutting.timing import knife_time
from dunestead.core.cutting.verify import verify_cut
from dunestead.core.figures import Catalogue
from dunestead.core.mask.bridge_rules import BridgeRules
from dunestead.core.mask.tying import tie_mask
from dunestead.core.sheets.division import Sheet, divide
from tests.shapes import NESTED, WORD, frame, masked


def path(*points: tuple[float, float], closed: bool = True) -> CutPath:
    ring = [*points, points[0]] if closed else list(points)
    return CutPath(np.array(ring, float))


def square(x: float, y: float, side: float) -> CutPath:
    return path((x, y), (x + side, y), (x + side, y + side), (x, y + side))


def one_sheet(body: str) -> Sheet:
    return divide(tie_mask(masked(body, 150.0), (), BridgeRules(3.0)), (292.0, 292.0), 10.0, mirrored=False).sheets[0]


def test_nested_cuts_free_a_part_each_and_take_turns_as_mask_and_window() -> None:
    report = simulate_cut([square(0, 0, 100), square(20, 20, 60), square(40, 40, 20)], (100, 100))

    found = sorted((piece.area, piece.is_mask) for piece in report.pieces)
    assert found == [(400, True), (3200, False), (6400, True)]
    assert report.problems == ()


def test_crossing_cuts_free_every_face_between_them() -> None:
    report = simulate_cut([square(0, 0, 40), square(20, 20, 40)], None)

    assert sorted(piece.area for piece in report.pieces) == [400, 1200, 1200]


@pytest.mark.parametrize(
    ("paths", "code"),
    [
        ([path((0, 0), (50, 0), (50, 50), (0, 50), closed=False)], "open-path"),
        ([square(0, 0, 50), square(0, 0, 50)], "doubled-path"),
        ([square(0, 0, 50), path((50, 50), (50, 0), (0, 0), (0, 50))], "doubled-path"),
        ([square(80, 10, 50)], "off-sheet"),
        ([square(-5, 10, 50)], "off-sheet"),
        ([], "no-cuts"),
    ],
)
def test_a_faulty_file_is_told_by_its_fault(paths, code) -> None:
    assert [problem.code for problem in simulate_cut(paths, (100, 100)).problems] == [code]


def test_an_open_path_frees_nothing_and_says_how_far_it_stops_short() -> None:
    report = simulate_cut([path((0, 0), (50, 0), (50, 50), (0, 50), (0, 3), closed=False)], None)

    assert report.pieces == ()
    assert "3.00 mm" in report.problems[0].message


def test_ends_nearer_than_a_knife_is_wide_meet() -> None:
    assert len(simulate_cut([path((0, 0), (50, 0), (50, 50), (0, 0.04), closed=False)], None).pieces) == 1


@pytest.mark.parametrize("body", [WORD, NESTED, frame(0, 0, 40, 20)])
def test_a_sheet_cut_as_planned_agrees_with_the_plan(body: str) -> None:
    sheet = one_sheet(body)

    verdict = verify_cut(sheet, simulate_cut(sheet_paths(sheet), (sheet.width, sheet.height)))

    assert verdict.agrees
    assert verdict.mask_parts == len(sheet.patches[0].shape.geoms)


@pytest.mark.parametrize("drop", [0, 1, 2, -1])
def test_a_file_that_lost_a_line_does_not_agree(drop: int) -> None:
    sheet = one_sheet(WORD)
    paths = sheet_paths(sheet)
    del paths[drop]

    assert not verify_cut(sheet, simulate_cut(paths, (sheet.width, sheet.height))).agrees


def test_a_file_at_the_wrong_scale_does_not_agree() -> None:
    sheet = one_sheet(WORD)
    small = [CutPath(p.points * 0.98) for p in sheet_paths(sheet)]

    assert not verify_cut(sheet, simulate_cut(small, (sheet.width, sheet.height))).agrees


def test_a_file_with_a_cut_too_many_does_not_agree() -> None:
    sheet = one_sheet(WORD)
    extra = [*sheet_paths(sheet), square(2, 2, 10)]

    assert not verify_cut(sheet, simulate_cut(extra, (sheet.width, sheet.height))).agrees


def test_insides_are_cut_before_what_holds_them() -> None:
    sheet = one_sheet(NESTED)
    sizes = [np.ptp(p.points[:, 0]) for p in sheet_paths(sheet)]

    assert sizes == sorted(sizes)


def test_all_paths_are_closed_and_on_the_sheet() -> None:
    sheet = one_sheet(WORD)

    for p in sheet_paths(sheet):
        assert p.is_closed
        assert p.points.min() >= -1e-6
        assert (p.points.max(axis=0) <= (sheet.width + 1e-6, sheet.height + 1e-6)).all()


def test_travel_runs_from_the_corner_through_all_starts() -> None:
    assert travel_length([square(3, 4, 10), square(3, 16, 10)]) == pytest.approx(5 + 12)
    assert travel_length([]) == 0


def test_time_is_length_over_speed_for_every_pass(catalogue: Catalogue) -> None:
    cutter = catalogue.cutter("table-square")
    once = knife_time([square(0, 0, 100)], catalogue.material("paper-coated-down"), cutter)
    four = knife_time([square(0, 0, 100)], catalogue.material("plastic"), cutter)

    assert once.cut_length == pytest.approx(400)
    assert once.seconds == pytest.approx(400 / 100 + 0.15)
    assert four.seconds == pytest.approx(4 * (400 / 50 + 0.15))
