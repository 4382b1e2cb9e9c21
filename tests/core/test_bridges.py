"""Bridges and fates: shortest ties, nothing lost, keepers left alone."""

import math
from itertools import combinations

import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st

from dunestead.core.errors import BadInput
from dunestead.core.mask.fates import CutPlan, decide
from dunestead.core.mask.gaps import FRAME, nearest_gaps
from dunestead.core.mask.loose import Mask
from tests.shapes import NESTED, WORD, frame, masked, rect, ring


def bridged(mask: Mask, width: float = 5.0, **others: str) -> CutPlan:
    fates = {piece.number: "bridge" for piece in mask.loose}
    return decide(mask, fates | {int(key[1:]): fate for key, fate in others.items()}, width)


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
    plan = bridged(masked(WORD, 200.0), 3.0, p2="keep")

    assert [keeper.number for keeper in plan.keepers] == [2]
    assert all(bridge.shape.distance(plan.keepers[0].shape) > 1e-4 for bridge in plan.bridges)


def test_a_bridge_goes_round_a_keeper_in_its_way() -> None:
    """The upper hole's nearest edge is the lower hole; when that is kept, another way is taken."""
    body = '<path fill-rule="evenodd" d="M0 0h60v60h-60zM20 20h20v8h-20zM20 30h20v8h-20z"/>'
    mask = masked(body, 120.0)

    plan = bridged(mask, 3.0, p2="keep")

    assert [keeper.number for keeper in plan.keepers] == [2]
    assert plan.keepers[0].area == pytest.approx(mask.loose[1].area)
    assert shapely.contains_xy(plan.frame, *mask.loose[0].anchor)


def test_what_lies_in_a_kept_ring_is_tied_to_the_ring() -> None:
    mask = masked(NESTED, 100.0)
    outer = max(mask.loose, key=lambda piece: piece.area)

    plan = bridged(mask, 2.0, **{f"p{outer.number}": "keep"})

    assert [keeper.number for keeper in plan.keepers] == [outer.number]
    assert plan.keepers[0].area > outer.area


def test_a_piece_left_out_is_painted_solid() -> None:
    mask = masked(frame(0, 0, 40, 20), 40.0)

    plan = decide(mask, {1: "leave-out"}, 5.0)

    assert plan.left_out == (1,)
    assert plan.windows.area == pytest.approx(1600)
    assert len(plan.material.geoms) == 1


def test_undecided_pieces_count_as_kept() -> None:
    assert [keeper.number for keeper in decide(masked(WORD), {}, 5.0).keepers] == [1, 2, 3]


@pytest.mark.parametrize(
    ("fates", "said"), [({9: "keep"}, "no loose piece 9"), ({0: "keep"}, "no loose piece 0"), ({1: "sell"}, "sell")]
)
def test_a_fate_that_makes_no_sense_is_refused(fates, said) -> None:
    with pytest.raises(BadInput, match=said):
        decide(masked(WORD), fates, 5.0)


def test_each_piece_knows_the_nearest_part_it_could_be_bridged_to() -> None:
    gaps = {gap.piece: gap for gap in nearest_gaps(masked(WORD, 100.0))}

    assert (gaps[1].other, gaps[1].length) == (FRAME, pytest.approx(10))
    assert gaps[2].length == pytest.approx(5)
    assert math.dist(gaps[1].start, gaps[1].end) == pytest.approx(10)


def test_a_mask_without_pieces_has_no_gaps() -> None:
    assert nearest_gaps(masked(rect(0, 0, 9, 9))) == ()
