"""A random walk of changes, ticks, undo and restarts over two windows: no acknowledged change is ever lost."""

import tempfile
from pathlib import Path

from hypothesis import settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, initialize, invariant, rule

from dunestead.catalogue import load_catalogue
from dunestead.core.errors import Clash, NotNow
from dunestead.core.job.job import Job, altered
from dunestead.store import BlankStore, JobStore, RunStore, open_database, open_records
from dunestead.workshop.cutting_room import CuttingRoom
from dunestead.workshop.workbench import Workbench
from tests.shapes import rect, svg

windows = st.sampled_from([0, 1])
tasks = st.sampled_from(["sheets-test-cut", "sheets-cut/s1", "blank-prepared/k1"])


class TwoWindows(RuleBasedStateMachine):
    """Two windows on one job; each knows the version it saw last, the model what was acknowledged."""

    def __init__(self) -> None:
        super().__init__()
        self.path = Path(tempfile.mkdtemp()) / "walk.sqlite"
        self.open()

    def open(self) -> None:
        self.engine = open_database(self.path)
        store = JobStore(self.engine)
        room = CuttingRoom(RunStore(self.engine))
        self.bench = Workbench(store, BlankStore(self.engine), open_records(self.engine), load_catalogue(), room)

    @initialize()
    def begin(self) -> None:
        make = self.bench.designs.keep_file(svg(rect(0, 0, 100, 40)), "bar.svg")
        self.job = self.bench.begin(make, "Bar", "coir")
        self.states: list[Job] = [self.bench.job(self.job)]
        self.at = 0
        self.ticked: set[str] = set()
        self.seen = [self.bench.head(self.job).version] * 2

    def now(self) -> int:
        return self.bench.head(self.job).version

    @rule(window=windows)
    def look(self, window: int) -> None:
        self.seen[window] = self.now()

    @rule(window=windows, copies=st.integers(1, 4), border=st.integers(20, 40))
    def change(self, window: int, copies: int, border: int) -> None:
        fresh = self.seen[window] == self.now()
        before = self.states[self.at]
        wanted = altered(before, copies=copies, border=float(border))
        try:
            self.bench.alter(
                self.job, "Change", lambda job: altered(job, copies=copies, border=float(border)), self.seen[window]
            )
        except Clash:
            assert not fresh
            return
        assert fresh
        if wanted != before:
            self.states = [*self.states[: self.at + 1], wanted]
            self.at += 1
        self.seen[window] = self.now()

    @rule(window=windows, back=st.booleans())
    def step(self, window: int, back: bool) -> None:
        fresh = self.seen[window] == self.now()
        there = self.at + (-1 if back else 1)
        possible = 0 <= there < len(self.states)
        try:
            (self.bench.undo if back else self.bench.redo)(self.job, self.seen[window])
        except Clash:
            assert not fresh
        except NotNow:
            assert fresh
            assert not possible
        else:
            assert fresh
            assert possible
            self.at = there
            self.seen[window] = self.now()

    @rule(
        window=windows,
        task=st.sampled_from(["sheets-test-cut", "sheets-cut/s1", "blank-prepared/k1"]),
        done=st.booleans(),
    )
    def tick(self, window: int, task: str, done: bool) -> None:
        fresh = self.seen[window] == self.now()
        try:
            self.bench.work.tick(self.job, task, done=done, version=self.seen[window], reason="As it comes")
        except Clash:
            assert not fresh
            return
        assert fresh
        (self.ticked.add if done else self.ticked.discard)(task)

    @rule()
    def restart(self) -> None:
        self.engine.dispose()
        self.open()

    @invariant()
    def nothing_is_lost(self) -> None:
        if not hasattr(self, "states"):
            return
        assert self.bench.job(self.job) == self.states[self.at]
        opened = self.bench.open(self.job, "mm")
        assert {task.id for task in opened.graph.tasks if opened.progress.is_done(task)} == self.ticked

    def teardown(self) -> None:
        self.engine.dispose()


TwoWindows.TestCase.settings = settings(max_examples=12, stateful_step_count=20, deadline=None)
TestTwoWindows = TwoWindows.TestCase
