"""Ticks, taking back, counting, buying and changes in any order: the account of the stores always comes out."""

import math
from dataclasses import replace

import pytest
from hypothesis import settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, initialize, invariant, rule
from sqlalchemy import create_engine, text

from dunestead.core.inventory.items import Item
from dunestead.core.inventory.ledger import left_of
from dunestead.core.job.job import altered
from dunestead.store import BlankStore, JobStore, RunStore, open_database, open_records
from dunestead.workshop.cutting_room import CuttingRoom
from dunestead.workshop.workbench import Workbench
from tests.shapes import rect, svg

COATS, COPIES = 3, 2


class Walk(RuleBasedStateMachine):
    """One job of two copies in three coats, a tin of its paint and a pile of its blanks."""

    folder = None
    catalogue = None

    @initialize()
    def opens(self) -> None:
        path = self.folder / f"{id(self)}.sqlite"
        path.unlink(missing_ok=True)
        self.engine = open_database(path)
        self.address = f"sqlite:///{path}"
        records = open_records(self.engine)
        room = CuttingRoom(RunStore(self.engine))
        self.bench = Workbench(JobStore(self.engine), BlankStore(self.engine), records, self.catalogue, room)
        make = self.bench.designs.keep_file(svg(rect(0, 0, 300, 100)), "bar.svg")
        self.job = self.bench.begin(make, "Bar", "coir")
        self.bench.alter(self.job, "Copies", lambda job: altered(job, copies=COPIES))
        self.tin = self.bench.inventory.add(Item("Tin", "paint", "outdoor-acrylic"), 100.0)
        self.pile = self.bench.inventory.add(Item("Mats", "blank", "coir", 600.0, 400.0), 1.0)
        self.bench.lessons.refresh()
        # By task, what it took when it was ticked off; and what else came in.
        self.took: dict[str, float] = {}
        self.others = {self.tin: 100.0, self.pile: 1.0}

    def teardown(self) -> None:
        self.bench.close()
        self.engine.dispose()

    def _a_coat(self) -> float:
        return self.bench.plan(self.job).coatings[0].amount.poured_ml

    @rule(copy=st.integers(1, COPIES), coat=st.integers(1, COATS))
    def a_coat_is_ticked(self, copy: int, coat: int) -> None:
        task = f"paint-coat/m1/k{copy}/c1/n{coat}"
        before = self.took.get(task)
        self.bench.work.tick(self.job, task, done=True, reason="a walk")
        # What is done already on this very paint is not taken twice.
        self.took[task] = self._a_coat() if before is None else before

    @rule(copy=st.integers(1, COPIES), coat=st.integers(1, COATS))
    def a_coat_is_taken_back(self, copy: int, coat: int) -> None:
        task = f"paint-coat/m1/k{copy}/c1/n{coat}"
        self.bench.work.tick(self.job, task, done=False)
        self.took.pop(task, None)

    @rule(copy=st.integers(1, COPIES), done=st.booleans())
    def a_blank_is_made_ready_or_not(self, copy: int, done: bool) -> None:
        task = f"blank-prepared/k{copy}"
        self.bench.work.tick(self.job, task, done=done, reason="a walk")
        if done:
            self.took[task] = 1.0
        else:
            self.took.pop(task, None)

    @rule(width=st.sampled_from([200.0, 300.0, 500.0]))
    def the_design_changes(self, width: float) -> None:
        self.bench.change(self.job, "Width", lambda job, _: self.bench.designs.with_width(job, width))

    @rule(amount=st.integers(1, 400))
    def paint_comes_in(self, amount: int) -> None:
        self.bench.inventory.buy(self.tin, float(amount))
        self.others[self.tin] += amount

    @rule(found=st.integers(0, 300))
    def the_tin_is_counted(self, found: int) -> None:
        left = self.bench.inventory.ledger.left()[self.tin]
        if left != found:
            self.bench.inventory.count(self.tin, float(found))
            self.others[self.tin] += found - left

    @rule()
    def the_tin_is_renamed_and_put_away_and_back(self) -> None:
        item = self.bench.inventory.items[self.tin]
        self.bench.inventory.change(self.tin, replace(item, name="Old tin"))
        self.bench.inventory.drop(self.tin)
        self.bench.inventory.undo(self.tin)

    @invariant()
    def what_is_left_is_what_came_in_less_what_was_used(self) -> None:
        if not hasattr(self, "bench"):
            return
        ledger = self.bench.inventory.ledger
        with create_engine(self.address).connect() as raw:
            rows = raw.execute(text("SELECT item, amount FROM ledger")).all()
        raw.engine.dispose()
        for item, kind in ((self.tin, "paint"), (self.pile, "blank")):
            used = math.fsum(amount for task, amount in self.took.items() if task.startswith(kind))
            left = ledger.left()[item]
            assert left == pytest.approx(self.others[item] - used, abs=1e-5)
            assert left == pytest.approx(math.fsum(amount for one, amount in rows if one == item), abs=1e-5)
            assert left_of(ledger.of_item(item))[item] == pytest.approx(left, abs=1e-5)


def test_the_account_of_the_stores_comes_out_whatever_is_done(tmp_path, catalogue) -> None:
    Walk.folder, Walk.catalogue = tmp_path, catalogue
    case = Walk.TestCase
    case.settings = settings(max_examples=6, stateful_step_count=25, deadline=None)
    case("runTest").runTest()
