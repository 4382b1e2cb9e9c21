"""The stores: sums of the ledger are what is left, whatever is done; offcuts first; those due sooner first."""

import math
from dataclasses import replace
from datetime import UTC, date, datetime

import pytest
from hypothesis import settings
from hypothesis import strategies as st
from hypothesis.stateful import Bundle, RuleBasedStateMachine, consumes, invariant, rule

from dunestead.core.inventory.items import Item
from dunestead.core.inventory.ledger import Move, counted, given_back, left_of
from dunestead.core.inventory.reserving import JobNeeds, StockLevel, reserve, serve
from dunestead.core.inventory.taking import Step, moves_of
from dunestead.core.words.inventory import overdrawn
from dunestead.core.work.needs import Need

AT = datetime(2026, 5, 10, 12, tzinfo=UTC)
ALIKE = 14.0
SLATE, BRICK = "#22313a", "#9c4a32"
KINDS = ("paint", "tape", "pins")
amounts = st.integers(0, 5000).map(float)


class Stores(RuleBasedStateMachine):
    """Things come, are used, counted and given back in any order; beside it a plain sum for each kind is kept."""

    ticked = Bundle("ticked")

    def __init__(self) -> None:
        super().__init__()
        self.items: dict[int, Item] = {}
        self.moves: list[Move] = []
        self.sums = dict.fromkeys(KINDS, 0.0)
        self.taken: dict[str, list[tuple[str, float]]] = {}

    @rule(kind=st.sampled_from(KINDS), left=amounts)
    def comes_in(self, kind: str, left: float) -> None:
        number = len(self.items) + 1
        self.items[number] = Item(f"{kind} {number}", kind)
        self.moves.append(Move(number, left, "begun", AT))
        self.sums[kind] += left

    @rule(number=st.integers(1, 6), found=amounts)
    def is_counted(self, number: int, found: float) -> None:
        if number in self.items:
            kind = self.items[number].kind
            others = sum(left for n, left in left_of(self.moves).items() if self.items[n].kind == kind and n != number)
            self.moves.append(counted(number, found, left_of(self.moves)[number], AT))
            self.sums[kind] = others + found

    @rule(target=ticked, needs=st.lists(st.tuples(st.sampled_from(KINDS), amounts), max_size=4))
    def is_ticked(self, needs: list[tuple[str, float]]) -> str:
        task = f"task-{len(self.taken)}"
        asked = [Need(kind, "", kind, amount) for kind, amount in needs]
        before = left_of(self.moves)
        took = moves_of(Step(7, task, 1, AT), asked, [], self.items, before, ALIKE)
        self.moves += took
        kept = {item.kind for item in self.items.values()}
        self.taken[task] = [(kind, amount) for kind, amount in needs if kind in kept]
        for kind, amount in self.taken[task]:
            self.sums[kind] -= amount
        self._nothing_is_overdrawn_while_another_has_some(took)
        return task

    def _nothing_is_overdrawn_while_another_has_some(self, took: list[Move]) -> None:
        after = left_of(self.moves)
        for number in {move.item for move in took if after[move.item] < 0}:
            alike = [n for n, item in self.items.items() if item.kind == self.items[number].kind]
            assert all(after[n] <= 0 for n in alike)

    @rule(task=consumes(ticked))
    def is_taken_back(self, task: str) -> None:
        self.moves += given_back(self.moves, 7, task, AT)
        for kind, amount in self.taken[task]:
            self.sums[kind] += amount
        assert given_back(self.moves, 7, task, AT) == []

    @invariant()
    def sums_are_what_is_left(self) -> None:
        left = left_of(self.moves)
        for kind in KINDS:
            own = math.fsum(left[number] for number, item in self.items.items() if item.kind == kind)
            assert own == pytest.approx(self.sums[kind], abs=1e-6)

    @invariant()
    def nothing_is_below_nothing_without_a_word(self) -> None:
        for number, left in left_of(self.moves).items():
            said = overdrawn(StockLevel(number, self.items[number], left, {}), "mm")
            assert bool(said) == (left < 0)

    @invariant()
    def no_more_is_spoken_for_than_there_is(self) -> None:
        jobs = [JobNeeds(n, "", None, tuple(Need(kind, "", kind, 700.0) for kind in KINDS)) for n in (1, 2)]
        left = left_of(self.moves)
        found = reserve(self.items, left, jobs, ALIKE)
        for held in found.held:
            assert sum(held.by_job.values()) <= max(held.left, 0.0) + 1e-6
        for kind in KINDS:
            spoken = sum(sum(one.by_job.values()) for one in found.held if one.item.kind == kind)
            short = sum(one.missing for one in found.short if one.need.kind == kind)
            assert spoken + short == pytest.approx(1400.0)


Stores.TestCase.settings = settings(max_examples=60, stateful_step_count=30, deadline=None)
TestStores = Stores.TestCase


def roll(width: float = 457.0) -> Item:
    return Item("Roll", "roll", "iron-on", width)


def piece(amount: float, size: tuple[float, float] | None = None, step: float = 0.0) -> Need:
    return Need("roll", "iron-on", "Iron-on film", amount, 457.0, piece=size, step=step or amount)


def offcut(width: float, length: float) -> Item:
    return Item("Rest", "sheets", "iron-on", width, length, is_offcut=True)


def test_the_smallest_offcut_that_holds_the_piece_goes_before_the_roll() -> None:
    items = {1: roll(), 2: offcut(400, 400), 3: offcut(210, 310), 4: offcut(100, 900)}
    left = {1: 5000.0, 2: 1.0, 3: 1.0, 4: 1.0}

    assert serve(piece(320, (300, 200)), items, left, ALIKE).taken == {3: 1.0}
    assert serve(piece(320, (300, 250)), items, left, ALIKE).taken == {2: 1.0}
    assert serve(piece(320, (450, 250)), items, left, ALIKE).taken == {1: 320.0}
    assert serve(piece(320), items, left, ALIKE).taken == {1: 320.0}


def test_an_offcut_takes_as_many_of_several_pieces_as_it_holds_and_the_roll_the_rest() -> None:
    two = replace(piece(640, (300, 200), step=320), pieces=2)
    items = {1: roll(), 2: offcut(310, 210), 3: offcut(420, 310)}

    assert serve(two, items, {1: 5000.0, 2: 1.0}, ALIKE).taken == {2: 1.0, 1: 320.0}
    # The smallest first, and what it does not hold from the next: 420 by 310 would hold both.
    assert serve(two, items, {1: 5000.0, 2: 1.0, 3: 1.0}, ALIKE).taken == {2: 1.0, 3: 1.0}
    assert serve(two, items, {1: 5000.0, 3: 1.0}, ALIKE).taken == {3: 1.0}
    assert serve(two, items, {1: 100.0, 2: 1.0}, ALIKE).short == 320.0
    assert serve(two, items, {1: 5000.0}, ALIKE).taken == {1: 640.0}


def test_a_sheet_is_not_cut_half_from_one_roll_and_half_from_another() -> None:
    """Two runs of 300 mm: 450 mm hold one of them, the other roll holds the second; 250 mm hold none."""
    items, left = {1: roll(), 2: roll()}, {1: 450.0, 2: 900.0}

    assert serve(piece(600, step=300), items, left, ALIKE).taken == {1: 300.0, 2: 300.0}
    assert serve(piece(600, step=300), items, {1: 250.0, 2: 250.0}, ALIKE).short == 600.0


@pytest.mark.parametrize(
    ("item", "need", "serves"),
    [
        (roll(305), piece(100), False),
        (Item("Tin", "paint", "chalk-paint", colour=SLATE), Need("paint", "chalk-paint", "", 5, colour=SLATE), True),
        (Item("Tin", "paint", "chalk-paint", colour=BRICK), Need("paint", "chalk-paint", "", 5, colour=SLATE), False),
        (Item("Tin", "paint", "chalk-paint"), Need("paint", "chalk-paint", "", 5, colour=SLATE), True),
        (Item("Mats", "blank", "coir", 400, 600), Need("blank", "coir", "", 1, 600, 400), True),
        (Item("Mats", "blank", "coir", 400, 650), Need("blank", "coir", "", 1, 600, 400), False),
        (Item("Tape", "carrier", "transfer"), Need("carrier", "heat-proof", "", 1), False),
    ],
)
def test_only_what_is_of_the_kind_the_size_and_the_colour_serves(item, need, serves) -> None:
    assert (serve(need, {1: item}, {1: 9000.0}, ALIKE).first is not None) is serves


def test_what_was_opened_first_is_used_up_first_then_what_there_is_least_of() -> None:
    tins = {
        1: Item("New", "paint", "chalk-paint"),
        2: Item("Open", "paint", "chalk-paint", opened=date(2026, 4, 1)),
        3: Item("Rest", "paint", "chalk-paint"),
    }

    served = serve(Need("paint", "chalk-paint", "", 150.0), tins, {1: 500.0, 2: 90.0, 3: 40.0}, ALIKE)

    assert served.taken == {2: 90.0, 3: 40.0, 1: 20.0}


def test_jobs_due_sooner_have_theirs_and_the_others_are_told_what_is_short() -> None:
    items = {1: Item("Pins", "pins", keep_at_least=30.0), 2: Item("Tape", "tape", keep_at_least=900.0)}
    jobs = [
        JobNeeds(1, "Late", date(2026, 6, 2), (Need("pins", "", "Pins", 60.0, step=1.0),)),
        JobNeeds(2, "Soon", date(2026, 5, 12), (Need("pins", "", "Pins", 50.0, step=1.0),)),
    ]

    found = reserve(items, {1: 80.0, 2: 500.0}, jobs, ALIKE)

    assert found.held[0].by_job == {2: 50.0, 1: 30.0}
    assert [(one.need.kind, one.missing, one.by_job, one.is_low) for one in found.short] == [
        ("pins", 30.0, {1: 30.0}, False),
        ("tape", 400.0, {}, True),
    ]


def test_who_is_in_no_hurry_waits_for_who_is_due() -> None:
    """One pin too few: the job without a date, though begun first, is the one that goes short."""
    jobs = [
        JobNeeds(1, "Some day", None, (Need("pins", "", "pins", 60.0, step=1.0),)),
        JobNeeds(2, "For Saturday", date(2026, 5, 16), (Need("pins", "", "pins", 41.0, step=1.0),)),
    ]

    found = reserve({1: Item("Pins", "pins")}, {1: 100.0}, jobs, ALIKE)

    assert found.held[0].by_job == {2: 41.0, 1: 59.0}
    assert [one.by_job for one in found.short] == [{1: 1.0}]


def test_what_is_kept_in_hand_is_what_no_job_will_take() -> None:
    """100 pins, 80 of them spoken for, 30 always to be there: 10 are to be bought, though 100 lie in the box."""
    jobs = [JobNeeds(1, "Mat", date(2026, 5, 16), (Need("pins", "", "pins", 80.0, step=1.0),))]

    (low,) = reserve({1: Item("Pins", "pins", keep_at_least=30.0)}, {1: 100.0}, jobs, ALIKE).short

    assert (low.is_low, low.missing) == (True, 10.0)
