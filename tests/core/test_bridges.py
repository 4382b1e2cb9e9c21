"""Bridges and fates: shortest ties, nothing lost, keepers left alone."""

import math
from itertools import combinations

import numpy as np
import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st

from dunestead.core.mask.bridge_rules import BridgeRules, Footing
from dunestead.core.mask.gaps import FRAME, nearest_gaps
from dunestead.core.mask.loose import Mask, shape_mask
from dunestead.core.mask.tying import CutPlan, tie_mask
from tests.shapes import NESTED, WORD, frame, masked, painted, rect, ring


def bridged(mask: Mask, width: float = 5.0, but: tuple[int, ...] = (), **rules) -> CutPlan:
    tied = [piece.number for piece in mask.loose if piece.number not in but]
    return tie_mask(mask, tied, BridgeRules(width, **({"per_piece": 1} | rules)))


def least_tree(mask: Mask) -> float:
    """Length of the minimum spanning tree over all pairs (Prim), by brute force."""
    parts = [mask.frame, *(piece.shape for piece in mask.loose)]
    apart = {frozenset(p): shapely.distance(parts[p[0]], parts[p[1]]) for p in combinations(range(len(parts)), 2)}
    reached, total = {0}, 0.0
    while len(reached) < len(parts):
        length, new = min((apart[frozenset((i, j))], j) for i in reached for j in range(len(parts)) if j not in reached)
        reached.add(new)
        total += length
    return total


@pytest.mark.parametrize("body", [frame(0, 0, 40, 20), WORD, NESTED, ring(20, 20, 20, 12)])
@pytest.mark.parametrize("width", [1.5, 5.0])
def test_after_bridging_all_hangs_together_and_nothing_is_lost(body: str, width: float) -> None:
    mask = masked(body, 200.0)

    plan = bridged(mask, width)

    assert plan.keepers == ()
    assert all(shapely.contains_xy(plan.frame, *piece.anchor) for piece in mask.loose)
    whole = mask.frame.area + sum(piece.area for piece in mask.loose) + plan.bridged_area
    assert plan.frame.area == pytest.approx(whole, rel=1e-5)


@pytest.mark.parametrize("body", [WORD, NESTED, ring(20, 20, 20, 12) + frame(50, 0, 30, 12)])
def test_the_ties_are_as_short_as_any_tree_of_ties_can_be(body: str) -> None:
    mask = masked(body, 200.0)

    total = sum(bridge.length for bridge in bridged(mask, 3.0).bridges)

    assert total == pytest.approx(least_tree(mask), rel=0.02)


holes = st.lists(st.tuples(st.integers(0, 3), st.integers(0, 3), st.integers(1, 6)), min_size=1, max_size=8)


@given(holes)
@settings(max_examples=25, deadline=None)
def test_any_set_of_holes_is_tied_with_the_least_length(places) -> None:
    cells = {(x, y): side for x, y, side in places}
    cut = "".join(f"M{12 * x + 3} {12 * y + 3}h{side}v{side}h-{side}z" for (x, y), side in cells.items())
    mask = masked(f'<path fill-rule="evenodd" d="M0 0h50v50h-50z{cut}"/>', 300.0)

    plan = bridged(mask, 2.0)

    assert len(shapely.get_parts(plan.material)) == 1
    assert sum(bridge.length for bridge in plan.bridges) <= least_tree(mask) * 1.02 + 1e-6


def test_a_bridge_has_its_width_at_both_ends() -> None:
    """The narrowest way out of a square hole is along a whole side, corners included."""
    plan = bridged(masked(frame(0, 0, 40, 20), 200.0), 6.0)
    (bridge,) = plan.bridges

    assert bridge.shape.area == pytest.approx(6.0 * bridge.length, rel=1e-3)
    assert len(shapely.get_parts(plan.material.buffer(-2.9))) == 1
    assert bridge.other == FRAME


def test_where_parts_touch_in_a_corner_a_disc_joins_them() -> None:
    body = rect(10, 0, 10, 10) + rect(0, 10, 10, 10) + rect(20, 10, 10, 10) + rect(10, 20, 10, 10)

    plan = bridged(masked(body, 120.0), 5.0)

    assert plan.keepers == ()
    assert len(shapely.get_parts(plan.frame.buffer(-1.0))) == 1


def test_nested_pieces_are_tied_outwards_through_each_other() -> None:
    plan = bridged(masked(NESTED, 100.0), 2.0)

    assert sorted(round(bridge.length) for bridge in plan.bridges) == [5, 10, 10]


def test_a_kept_piece_stays_loose_and_apart() -> None:
    plan = bridged(masked(WORD, 200.0), 3.0, but=(2,))

    assert [keeper.number for keeper in plan.keepers] == [2]
    assert all(bridge.shape.distance(plan.keepers[0].shape) > 1e-4 for bridge in plan.bridges)


def test_a_bridge_goes_round_a_keeper_in_its_way() -> None:
    """The upper hole's nearest edge is the lower hole; when that is kept, another way is taken."""
    body = '<path fill-rule="evenodd" d="M0 0h60v60h-60zM20 20h20v8h-20zM20 30h20v8h-20z"/>'
    mask = masked(body, 120.0)

    plan = bridged(mask, 3.0, but=(2,))

    assert [keeper.number for keeper in plan.keepers] == [2]
    assert plan.keepers[0].area == pytest.approx(mask.loose[1].area)
    assert shapely.contains_xy(plan.frame, *mask.loose[0].anchor)


def test_what_lies_in_a_kept_ring_is_tied_to_the_ring() -> None:
    mask = masked(NESTED, 100.0)
    outer = max(mask.loose, key=lambda piece: piece.area)

    plan = bridged(mask, 2.0, but=(outer.number,))

    assert [keeper.number for keeper in plan.keepers] == [outer.number]
    assert plan.keepers[0].area > outer.area


def test_what_is_not_bridged_is_kept() -> None:
    assert [keeper.number for keeper in tie_mask(masked(WORD), (), BridgeRules(5.0)).keepers] == [1, 2, 3]


def test_each_piece_knows_the_nearest_part_it_could_be_bridged_to() -> None:
    gaps = {gap.piece: gap for gap in nearest_gaps(masked(WORD, 100.0))}

    assert (gaps[1].other, gaps[1].length) == (FRAME, pytest.approx(10))
    assert gaps[2].length == pytest.approx(5)
    assert math.dist(gaps[1].start, gaps[1].end) == pytest.approx(10)


def test_a_mask_without_pieces_has_no_gaps() -> None:
    assert nearest_gaps(masked(rect(0, 0, 9, 9))) == ()


# --- number, style, ground ------------------------------------------------------------------------
BOX = frame(0, 0, 100, 80)
"""A square 80 mm hole in a square, 10 mm of paint all around, at 100 mm wide."""


@pytest.mark.parametrize(("width", "count"), [(16.0, 1), (8.0, 2), (2.5, 2), (2.0, 3)])
def test_larger_pieces_have_more_bridges(width: float, count: int) -> None:
    """The hole's side is 80 mm: 5, 10, 32 and 40 widths."""
    plan = bridged(masked(BOX, 100.0), width, per_piece=None)

    assert len(plan.bridges) == count


def test_two_bridges_stand_about_opposite() -> None:
    first, second = bridged(masked(BOX, 100.0), 5.0, per_piece=2).bridges

    middle = [(bridge.start[0] - 50, bridge.start[1] - 50) for bridge in (first, second)]
    cosine = sum(a * b for a, b in zip(*middle, strict=True)) / (math.hypot(*middle[0]) * math.hypot(*middle[1]))
    assert cosine < -0.7
    assert {first.other, second.other} == {FRAME}


@pytest.mark.parametrize(("style", "across"), [("upright", 0), ("level", 1)])
def test_bridges_run_the_way_the_style_asks(style: str, across: int) -> None:
    for body, width in ((BOX, 100.0), (ring(20, 20, 20, 12), 120.0), (WORD, 300.0)):
        plan = bridged(masked(body, width), 3.0, style=style, per_piece=2)

        assert plan.keepers == ()
        for bridge in plan.bridges:
            assert bridge.start[across] == pytest.approx(bridge.end[across], abs=1e-6)


def test_radial_bridges_lead_away_from_the_middle_of_their_piece() -> None:
    plan = bridged(masked(ring(20, 20, 20, 12), 120.0), 3.0, style="radial", per_piece=2)

    for bridge in plan.bridges:
        out, along = ((bridge.start[0] - 60, bridge.start[1] - 60), (bridge.end[0] - 60, bridge.end[1] - 60))
        assert math.atan2(*out) == pytest.approx(math.atan2(*along), abs=1e-3)


@pytest.mark.parametrize("style", ["shortest", "upright", "level", "radial"])
@pytest.mark.parametrize("per_piece", [None, 1, 2])
@pytest.mark.parametrize("body", [WORD, NESTED, ring(20, 20, 20, 12) + frame(50, 0, 30, 12)])
def test_bridges_of_any_style_have_their_width_all_along(body: str, style, per_piece) -> None:
    plan = bridged(masked(body, 260.0), 2.5, style=style, per_piece=per_piece)

    assert plan.keepers == ()
    for bridge in plan.bridges:
        way = shapely.LineString([bridge.start, bridge.end])
        # A strip a hair narrower than the bridge, from edge to edge, is all mask.
        narrower = way.buffer((bridge.width - 0.05) / 2, cap_style="flat")
        assert shapely.difference(narrower, plan.frame).area < 1e-3


@pytest.mark.parametrize("style", ["shortest", "level"])
def test_no_crumb_of_paint_is_split_off(style) -> None:
    mask = masked(ring(20, 20, 20, 12) + frame(45, 0, 30, 12) + WORD, 200.0)
    before = shapely.get_parts(
        shapely.difference(mask.sheet, shapely.union_all([mask.frame, *(p.shape for p in mask.loose)]))
    )

    plan = bridged(mask, 3.0, style=style, per_piece=2)

    windows = shapely.get_parts(plan.windows)
    assert windows.size >= before.size
    assert shapely.area(windows).min() >= 0.5


def test_a_bridge_avoids_the_tongue_it_would_be_shortest_from() -> None:
    """A 2 mm wide spit of the hole reaches to 4 mm from the edge; elsewhere 5 mm of paint are crossed."""
    hole = "M5 5h40v18h6v2h-6v20h-40z"
    body = f'<path fill-rule="evenodd" d="M0 0h55v50h-55z{hole}"/>'

    (bridge,) = bridged(masked(body, 55.0), 5.0, per_piece=None).bridges[:1]

    assert bridge.length == pytest.approx(5.0, rel=0.02)
    assert bridge.start[0] < 46


def test_further_bridges_keep_off_keepers_and_each_other() -> None:
    body = '<path fill-rule="evenodd" d="M0 0h100v60h-100zM10 10h80v40h-80z"/>' + rect(20, 25, 60, 2)
    plan = bridged(masked(body, 100.0), 4.0, per_piece=None)

    shapes = [bridge.shape for bridge in plan.bridges]
    assert all(one.distance(other) >= 4.0 for one, other in combinations(shapes, 2))


# --- set by hand ----------------------------------------------------------------------------------
def test_a_bridge_stands_where_the_maker_sets_it() -> None:
    mask = masked(BOX, 100.0)

    plan = tie_mask(mask, {1}, BridgeRules(5.0), {1: [Footing((10, 30)), Footing((90, 70), width=8.0)]})

    assert [(bridge.start, bridge.end, bridge.width) for bridge in plan.bridges] == [
        ((10, 30), (0, 30), 5.0),
        ((90, 70), (100, 70), 8.0),
    ]
    assert [bridge.by_hand for bridge in plan.bridges] == [0, 1]


def test_pieces_that_only_hold_on_to_each_other_are_tied_to_the_frame_too() -> None:
    """Two holes 4 mm apart, each with a bridge set towards the other."""
    body = '<path fill-rule="evenodd" d="M0 0h84v50h-84zM10 10h30v30h-30zM44 10h30v30h-30z"/>'

    plan = tie_mask(masked(body, 84.0), {1, 2}, BridgeRules(3.0), {1: [Footing((40, 25))], 2: [Footing((44, 25))]})

    assert plan.keepers == ()
    assert any(FRAME in (bridge.piece, bridge.other) for bridge in plan.bridges)


# --- without a frame ------------------------------------------------------------------------------
def test_separate_shapes_are_tied_to_the_largest_of_them() -> None:
    mask = shape_mask(painted(rect(0, 0, 30, 30) + rect(40, 0, 20, 30) + rect(66, 0, 10, 30), 76.0), 10.0)

    plan = bridged(mask, 3.0)

    assert sorted(round(bridge.length) for bridge in plan.bridges) == [6, 10]
    assert plan.frame.is_empty
    assert [keeper.number for keeper in plan.keepers] == [1]
    assert len(plan.material.geoms) == 1


def test_one_shape_alone_has_nothing_to_be_tied_to() -> None:
    mask = shape_mask(painted(rect(0, 0, 30, 30) + rect(40, 0, 20, 30), 60.0), 10.0)

    plan = tie_mask(mask, {1}, BridgeRules(3.0))

    assert plan.bridges == ()
    assert [keeper.number for keeper in plan.keepers] == [1, 2]


def test_three_hundred_pieces_are_tied_with_one_bridge_each() -> None:
    holes = "".join(f"M{10 * (k % 20) + 3} {10 * (k // 20) + 3}h4v4h-4z" for k in range(300))
    mask = masked(f'<path fill-rule="evenodd" d="M0 0h200v150h-200z{holes}"/>', 1000.0)

    plan = bridged(mask, 5.0, per_piece=None)

    assert len(plan.bridges) == 300
    assert plan.keepers == ()


# --- what bridges hang on -------------------------------------------------------------------
def holds(plan: CutPlan, width: float, share: float = 0.9) -> bool:
    """Say whether the bodies of all pieces and the frame are one still when a share of the width is eroded."""
    eroded = shapely.get_parts(plan.frame.buffer(-share * width / 2))
    bodies = [max(shapely.get_parts(p.shape.buffer(-share * width / 2)), key=shapely.area) for p in plan.mask.loose]
    places = [body.representative_point() for body in bodies if not body.is_empty]
    frame = shapely.Point(plan.mask.sheet.bounds[0] + width, plan.mask.sheet.bounds[1] + width)
    return any(all(part.covers(place) for place in (frame, *places)) for part in eroded)


def star(spikes: int, inner: float, turn: float = 0.0) -> str:
    angles = np.radians(turn) + np.pi * np.arange(2 * spikes) / spikes
    radii = np.where(np.arange(2 * spikes) % 2, inner, 46.0)
    points = np.round(np.column_stack([50 + radii * np.cos(angles), 50 + radii * np.sin(angles)]), 3)
    return "M" + "L".join(f"{x} {y}" for x, y in points.tolist()) + "z"


@pytest.mark.parametrize("turn", [0, 7, 30, 45])
@pytest.mark.parametrize(("spikes", "inner"), [(3, 14), (5, 20), (8, 28), (12, 36)])
def test_no_piece_hangs_on_a_spike(spikes: int, inner: float, turn: float) -> None:
    """The points of a star are nearest to the frame, and thinnest: its bridge stands where it is wide."""
    body = f'<path fill-rule="evenodd" d="M0 0h100v100h-100z{star(spikes, inner, turn)}"/>'
    plan = bridged(masked(body, 100.0), 4.0)

    (bridge,) = plan.bridges
    assert holds(plan, 4.0)
    assert bridge.joint == 4.0
    assert plan.shortest == pytest.approx(least_tree(plan.mask), rel=1e-6)
    assert bridge.length > plan.shortest


def test_no_bridge_ends_on_a_spike_of_the_frame() -> None:
    """A tooth of the frame, 1 wide and 7 long, comes within 3 of the piece: made as wide as the bridge it will do.

    That takes 3 of paint at its tip and 3/4 of 7 beside it, less than the 10 there are everywhere else.
    """
    body = '<path fill-rule="evenodd" d="M0 0h80v80h-80zM0 40v1h7v-1zM10 10h60v60h-60z"/>'
    plan = bridged(masked(body, 80.0), 4.0)

    assert holds(plan, 4.0)
    assert plan.shortest == pytest.approx(3, abs=0.01)
    assert plan.bridges[0].length == pytest.approx(3 + 0.75 * 7, abs=0.05)


def test_shapes_that_touch_in_a_corner_are_joined_by_the_whole_width() -> None:
    body = '<path fill-rule="evenodd" d="M0 0h90v90h-90zM15 15h30v30h-30zM45 45h30v30h-30z"/>'
    plan = bridged(masked(body, 90.0), 5.0)

    assert holds(plan, 5.0)


def test_a_piece_too_thin_to_hold_a_bridge_says_how_much_holds_it() -> None:
    body = '<path fill-rule="evenodd" d="M0 0h80v40h-80zM10 18h60v3h-60z"/>'
    (bridge,) = bridged(masked(body, 80.0), 5.0).bridges

    assert bridge.joint == pytest.approx(3, abs=0.6)


def test_what_is_said_of_a_bridge_is_what_it_takes() -> None:
    """A bridge along a tooth takes the paint beside the tooth, not only what lies before its tip."""
    mask = masked('<path fill-rule="evenodd" d="M0 0h40v40h-40zM10 10h12v7h7v2h-7v11h-12z"/>', 40.0)
    for width in (1.0, 3.0, 6.0):
        plan = bridged(mask, width)
        taken = mask.sheet.difference(shapely.union_all([mask.frame, *(p.shape for p in mask.loose)]))

        assert plan.bridges[0].length * width == pytest.approx(taken.intersection(plan.bridges[0].strip).area, rel=1e-3)
