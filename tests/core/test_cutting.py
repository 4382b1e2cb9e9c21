"""Cutting: order, time, and a knife that cuts in geometry."""

import math
from itertools import pairwise, permutations

import numpy as np
import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st

from dunestead.core.cutting.order import by_hand_order, cut_order
from dunestead.core.cutting.paths import CutPath, sheet_paths, travel_length
from dunestead.core.cutting.simulate import simulate_cut
from dunestead.core.cutting.timing import HandKnife, knife_time, knife_time_by_hand, run_seconds
from dunestead.core.cutting.verify import verify_cut
from dunestead.core.figures import Catalogue
from dunestead.core.mask.bridge_rules import BridgeRules
from dunestead.core.mask.tying import tie_mask
from dunestead.core.sheets.cells import Reach
from dunestead.core.sheets.ground import Guards
from dunestead.core.sheets.layout import LayoutRules, Sheet, lay_out
from tests.shapes import NESTED, WORD, frame, masked


def path(*points: tuple[float, float], closed: bool = True) -> CutPath:
    ring = [*points, points[0]] if closed else list(points)
    return CutPath(np.array(ring, float))


def square(x: float, y: float, side: float) -> CutPath:
    return path((x, y), (x + side, y), (x + side, y + side), (x, y + side))


def one_sheet(body: str) -> Sheet:
    plan = tie_mask(masked(body, 150.0), (), BridgeRules(3.0))
    return lay_out((plan,), (Guards(),), LayoutRules(Reach(292.0, 292.0, 10.0), False)).sheets[0]


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
    paths = list(sheet_paths(sheet))
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


def test_time_is_length_over_speed_gathered_and_lost_at_each_corner_for_every_pass(catalogue: Catalogue) -> None:
    """Four sides of 100 mm at 100 mm/s: each 1 s and 100/1500 s to gather and lose speed; a lift of 0.15 s."""
    cutter = catalogue.cutter("table-square")
    once = knife_time([square(0, 0, 100)], cutter, speed=100, passes=1)
    four = knife_time([square(0, 0, 100)], cutter, speed=50, passes=4)

    assert once.cut_length == pytest.approx(400)
    assert once.seconds == pytest.approx(4 * (1 + 100 / 1500) + 0.15)
    assert four.seconds == pytest.approx(4 * (4 * (2 + 50 / 1500) + 0.15))


def test_a_short_run_never_reaches_full_speed() -> None:
    """From rest to rest over s at a: 2 sqrt(s / a)."""
    assert run_seconds(np.array([1.0]), 200.0, 1000.0)[0] == pytest.approx(2 * np.sqrt(1 / 1000))


def test_by_hand_a_curve_takes_twice_as_long_as_a_straight_and_a_corner_costs_a_turn() -> None:
    knife = HandKnife(straight=8.0, curve=4.0, corner=1.5)
    turns = np.linspace(0, 2 * np.pi, 181)
    round_one = CutPath(np.column_stack([np.cos(turns), np.sin(turns)]) * 20)

    assert knife_time_by_hand([square(0, 0, 80)], knife).seconds == pytest.approx(4 * (10 + 1.5))
    assert knife_time_by_hand([round_one], knife).seconds == pytest.approx(2 * np.pi * 20 / 4 + 1.5, rel=1e-3)


def test_travel_through_two_hundred_lines_is_within_a_seventh_of_a_routing_solver() -> None:
    """The solver visits the very points our knife enters at, so only the order is compared."""
    places = np.random.default_rng(7).uniform(5, 285, (400, 2))
    apart: list[np.ndarray] = []
    for place in places:
        if all(np.hypot(*(place - other)) > 9 for other in apart) and len(apart) < 200:
            apart.append(place)
    shape = shapely.MultiPolygon([shapely.box(x - 2, y - 2, x + 2, y + 2) for x, y in apart])

    rings = cut_order(shape, (0.0, 0.0))

    starts = np.array([(0.0, 0.0), *(ring[0] for ring in rings)])
    ours = float(np.hypot(*np.diff(starts, axis=0).T).sum())
    assert len(rings) == len(apart) > 190
    assert ours <= 1.15 * _routed(starts)


def _routed(points: np.ndarray) -> float:
    from ortools.constraint_solver import pywrapcp, routing_enums_pb2

    count = len(points)
    apart = np.zeros((count + 1, count + 1), int)
    apart[:count, :count] = np.hypot(*(points[:, None] - points[None]).transpose(2, 0, 1)) * 100
    # The last stop is free: it is as near to everything as nothing.
    manager = pywrapcp.RoutingIndexManager(count + 1, 1, [0], [count])
    routing = pywrapcp.RoutingModel(manager)
    way = routing.RegisterTransitMatrix(apart.tolist())
    routing.SetArcCostEvaluatorOfAllVehicles(way)
    search = pywrapcp.DefaultRoutingSearchParameters()
    search.first_solution_strategy = routing_enums_pb2.FirstSolutionStrategy.PATH_CHEAPEST_ARC
    search.local_search_metaheuristic = routing_enums_pb2.LocalSearchMetaheuristic.GUIDED_LOCAL_SEARCH
    search.time_limit.FromSeconds(3)
    return routing.SolveWithParameters(search).ObjectiveValue() / 100


def test_by_hand_small_insides_come_first_and_each_begins_on_a_straight() -> None:
    shape = shapely.box(0, 0, 100, 60).difference(
        shapely.union_all([shapely.box(10, 10, 40, 40), shapely.box(60, 10, 70, 30)])
    )

    rings = by_hand_order(shapely.MultiPolygon([shape]))

    sizes = [shapely.Polygon(ring).area for ring in rings]
    assert sizes == sorted(sizes)
    for ring in rings:
        before, at, after = ring[-2], ring[0], ring[1]
        cross = (at[0] - before[0]) * (after[1] - at[1]) - (at[1] - before[1]) * (after[0] - at[0])
        assert cross == pytest.approx(0, abs=1e-6)


# --- travel -----------------------------------------------------------------------------------
def travelled(rings) -> float:
    return sum(math.dist(a, b) for a, b in pairwise([(0.0, 0.0), *(tuple(ring[0]) for ring in rings)]))


def shortest_way(shape: shapely.MultiPolygon) -> float:
    """Return the least travel, over every order that cuts insides first and every corner of entry."""
    rings = [shapely.get_coordinates(ring) for ring in shapely.get_rings(shapely.get_parts(shape))]
    areas = [shapely.Polygon(ring) for ring in rings]
    inside = [(a, b) for a in range(len(rings)) for b in range(len(rings)) if a != b and areas[a].within(areas[b])]
    best = math.inf
    for order in permutations(range(len(rings))):
        if any(order.index(a) > order.index(b) for a, b in inside):
            continue
        way, spots = np.zeros(1), np.zeros((1, 2))
        for ring in order:
            step = np.hypot(*(spots[:, None] - rings[ring][None, :-1]).transpose(2, 0, 1))
            way, spots = (way[:, None] + step).min(axis=0), rings[ring][:-1]
        best = min(best, float(way.min()))
    return best


@given(st.lists(st.tuples(st.integers(0, 6), st.integers(0, 4)), min_size=2, max_size=5, unique=True))
@settings(max_examples=25, deadline=None)
def test_the_knife_travels_no_further_than_it_must(places) -> None:
    """Windows on a grid, the first with a keeper in it: every order and entry is tried."""
    holes = [shapely.box(40 * x, 40 * y, 40 * x + 28, 40 * y + 22) for x, y in places]
    frame = shapely.Polygon(shapely.box(-20, -20, 300, 200).exterior, [hole.exterior for hole in holes])
    shape = shapely.MultiPolygon([frame, holes[0].buffer(-6, join_style="mitre")])

    cuts = cut_order(shape, (0.0, 0.0))

    assert travelled(cuts) <= shortest_way(shape) + 1e-6


@pytest.mark.parametrize("side", [12, 32])
def test_many_windows_are_toured_without_going_to_and_fro(side: int) -> None:
    """Windows 4 wide stand 10 apart on a grid: the shortest way between neighbours is 6, from corner to corner."""
    holes = [shapely.box(10 * x, 10 * y, 10 * x + 4, 10 * y + 4) for x in range(side) for y in range(side)]
    frame = shapely.Polygon(shapely.box(-5, -5, 10 * side, 10 * side).exterior, [hole.exterior for hole in holes])

    cuts = cut_order(shapely.MultiPolygon([frame]), (0.0, 0.0))

    # A knife leaves where it entered: from window to window are 10, but where it goes round a corner.
    assert travelled(cuts) <= 1.15 * 10 * len(holes)
    assert shapely.Polygon(cuts[-1]).equals(shapely.Polygon(frame.exterior))
