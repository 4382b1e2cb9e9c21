"""Packing: few sheets, proven few, and nothing over anything else."""

import itertools

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from dunestead.core.errors import BadInput
from dunestead.core.sheets.cells import Reach
from dunestead.core.sheets.extents import takes
from dunestead.core.sheets.packing import Packing, PackItem, Room, fewest_by_bounds, holds, improved, pack, quick_pack
from dunestead.core.sheets.price import USUAL_PRICES

ROOM = Room(100, 100)
SIDES = st.integers(10, 100)
SMALL = st.lists(st.tuples(SIDES, SIDES), min_size=1, max_size=4)


def items(*sides) -> list[PackItem]:
    return [PackItem(float(w), float(h)) for w, h in sides]


def is_sound(packing: Packing, of: list[PackItem], room: Room) -> bool:
    return holds(of, room, packing.spots) is not None


def least_by_trying(of: list[PackItem], room: Room) -> int:
    """Try every spread over sheets, and for every sheet every order, turning and corner: as dull as it is sure."""

    def fits(group: list[PackItem]) -> bool:
        for order in itertools.permutations(group):
            for turns in itertools.product((False, True), repeat=len(order)):
                sides = [(i.height, i.width) if t else (i.width, i.height) for i, t in zip(order, turns, strict=True)]
                if place(sides, []):
                    return True
        return not group

    def place(sides, placed) -> bool:
        if not sides:
            return True
        (w, h), *rest = sides
        xs = {0.0, *(x + pw for x, _, pw, _ in placed)}
        ys = {0.0, *(y + ph for _, y, _, ph in placed)}
        for x, y in itertools.product(xs, ys):
            free = all(x >= a + c or a >= x + w or y >= b + d or b >= y + h for a, b, c, d in placed)
            inside = x + w <= room.width and y + h <= room.length
            if inside and free and place(rest, [*placed, (x, y, w, h)]):
                return True
        return False

    for count in range(1, len(of) + 1):
        for spread in itertools.product(range(count), repeat=len(of)):
            if all(fits([i for i, k in zip(of, spread, strict=True) if k == sheet]) for sheet in range(count)):
                return count
    return len(of)


@given(SMALL)
@settings(max_examples=25, deadline=None)
def test_the_count_is_the_least_there_is(sides) -> None:
    of = items(*sides)

    packing = pack(of, ROOM)

    assert packing.sheets == least_by_trying(of, ROOM)
    assert packing.is_fewest
    assert is_sound(packing, of, ROOM)


@given(st.lists(st.tuples(SIDES, SIDES), min_size=1, max_size=30), st.sampled_from([0.0, 3.0]))
@settings(max_examples=40, deadline=None)
def test_nothing_lies_over_anything_and_the_bound_is_no_lie(sides, gap) -> None:
    of, room = items(*sides), Room(104, 130, gap)

    packing = quick_pack(of, room)

    assert is_sound(packing, of, room)
    assert fewest_by_bounds(of, room) <= packing.sheets
    area = sum(item.width * item.height for item in of)
    assert packing.sheets >= area / (104 * 130)


def test_a_dozen_are_proven_where_area_proves_nothing() -> None:
    """Squares of 51 share a sheet of 100 with none of their kind: 7 of them take 7, with 5 slips beside them."""
    of = items(*[(51, 51)] * 7, *[(45, 20)] * 5)

    packing = pack(of, ROOM)

    assert (packing.sheets, packing.is_fewest) == (7, True)


def test_turning_saves_a_sheet_unless_it_is_forbidden() -> None:
    free = items((100, 40), (40, 100), (20, 60))
    held = [PackItem(item.width, item.height, turns=False) for item in free]

    assert pack(free, ROOM).sheets == 1
    assert pack(held, ROOM).sheets == 2


def test_a_longer_search_tells_of_every_better_packing_and_stops_when_told() -> None:
    of = items(*[(30 + 7 * (k % 9), 25 + 11 * (k % 7)) for k in range(40)])
    start = quick_pack(of, ROOM)
    told: list[Packing] = []

    best = improved(of, ROOM, start, lambda: False, told.append, seconds=1.0)
    again = improved(of, ROOM, start, lambda: True, told.append, seconds=60.0)

    assert (best.sheets, best.length) <= (start.sheets, start.length)
    assert is_sound(best, of, ROOM)
    assert again == start


def test_what_does_not_fit_at_all_is_refused() -> None:
    with pytest.raises(BadInput, match="does not fit a reach"):
        pack(items((101, 20)), ROOM)
    with pytest.raises(BadInput, match="without being turned"):
        pack([PackItem(90, 120, turns=False)], Room(130, 100))


@pytest.mark.parametrize("reach", [Reach(100, 100, 10), Reach(80, 150, 5), Reach(108, 295, 10)])
def test_no_extent_takes_more_sheets_than_a_plain_grid_of_either_way_round(reach) -> None:
    for width in range(40, 420, 35):
        for height in range(40, 420, 45):
            cells = [
                -(-max(width - reach.overlap, 1) // (w - reach.overlap))
                * -(-max(height - reach.overlap, 1) // (h - reach.overlap))
                for w, h in ((reach.width, reach.length), (reach.length, reach.width))
            ]
            area = width * height / (reach.width * reach.length)

            assert area <= takes((width, height), reach, USUAL_PRICES.towards("sheets")).sheets <= min(cells)
