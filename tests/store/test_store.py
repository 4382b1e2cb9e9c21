"""The store: one transaction a change, undo over restarts, nothing lost to a kill."""

import os
import signal
import sqlite3
import subprocess
import sys
import time
from dataclasses import replace
from datetime import UTC, date, datetime
from pathlib import Path

import pytest
from sqlalchemy import inspect

from dunestead.core.curing.drying import Room
from dunestead.core.errors import NoSuchThing, NotNow
from dunestead.core.mask.rollcall import RollEntry
from dunestead.core.planning.job import Blank, Job, Record
from dunestead.store import JobStore, open_database
from dunestead.store.models import Base

NOON = datetime(2026, 5, 10, 12, 0, tzinfo=UTC)
JOB = Job("Mat", "coir", Blank(600, 400), 500.0, "paper-coated-down", "outdoor-acrylic")
FULL = replace(
    JOB,
    due=date(2026, 6, 1),
    room=Room(12.5, 71),
    fates={1: "bridge", 2: "keep"},
    roll=(RollEntry(1, 0.25, 0.5),),
    ticks={"weed-windows": NOON},
    calls={2: {"dish": NOON}},
    record=Record(4, "well", {"weed": 12.0}, 58.0),
)


def test_a_job_comes_back_as_it_was_kept(store: JobStore) -> None:
    job_id = store.add(FULL, "mat.svg", b"<svg/>")

    stored = store.get(job_id)

    assert stored.job == FULL
    assert (stored.artwork, stored.artwork_name, stored.undo, stored.redo) == (b"<svg/>", "mat.svg", None, None)


def test_undo_and_redo_step_through_all_changes(store: JobStore) -> None:
    job_id = store.add(JOB, "mat.svg", b"x")
    store.change(job_id, 1, replace(JOB, copies=2), "Copies")
    store.change(job_id, 2, replace(JOB, copies=3), "Copies again")

    store.undo(job_id)
    assert (store.get(job_id).job.copies, store.get(job_id).undo, store.get(job_id).redo) == (
        2,
        "Copies",
        "Copies again",
    )
    store.undo(job_id)
    assert store.get(job_id).job.copies == 1
    store.redo(job_id)
    store.redo(job_id)
    assert store.get(job_id).job.copies == 3


def test_a_change_after_undo_cuts_off_what_was_undone(store: JobStore) -> None:
    job_id = store.add(JOB, "mat.svg", b"x")
    store.change(job_id, 1, replace(JOB, copies=2), "Copies")
    store.undo(job_id)
    store.change(job_id, 1, replace(JOB, copies=9), "Other copies")

    assert store.get(job_id).job.copies == 9
    with pytest.raises(NotNow, match="nothing to do again"):
        store.redo(job_id)


def test_there_is_an_end_to_undoing(store: JobStore) -> None:
    job_id = store.add(JOB, "mat.svg", b"x")

    with pytest.raises(NotNow, match="nothing to undo"):
        store.undo(job_id)


def test_a_change_made_on_an_old_state_is_refused(store: JobStore) -> None:
    job_id = store.add(JOB, "mat.svg", b"x")
    store.change(job_id, 1, replace(JOB, copies=2), "One window")

    with pytest.raises(NotNow, match="another window"):
        store.change(job_id, 1, replace(JOB, copies=3), "Another")
    assert store.get(job_id).job.copies == 2


def test_a_job_put_away_is_off_the_board_but_not_gone(store: JobStore) -> None:
    job_id = store.add(JOB, "mat.svg", b"x")

    store.put_away(job_id, away=True)
    assert store.all() == []
    assert store.get(job_id).put_away
    store.put_away(job_id, away=False)
    assert [stored.id for stored in store.all()] == [job_id]


def test_equal_artwork_is_kept_once(store: JobStore, tmp_path: Path) -> None:
    store.add(JOB, "a.svg", b"same")
    store.add(JOB, "b.svg", b"same")

    with sqlite3.connect(tmp_path / "workshop.sqlite") as database:
        assert database.execute("SELECT count(*) FROM artwork").fetchone() == (1,)


@pytest.mark.parametrize("work", ["get", "undo", "redo"])
def test_a_job_that_is_not_there_is_said_to_be_missing(store: JobStore, work: str) -> None:
    with pytest.raises(NoSuchThing, match="no job 77"):
        getattr(store, work)(77)


def test_migrations_make_the_tables_the_program_knows(tmp_path: Path) -> None:
    engine = open_database(tmp_path / "new.sqlite")

    found = inspect(engine)
    for table in Base.metadata.sorted_tables:
        assert {column["name"] for column in found.get_columns(table.name)} == {c.name for c in table.columns}
    with engine.connect() as connection:
        assert connection.exec_driver_sql("PRAGMA journal_mode").scalar() == "wal"
        assert connection.exec_driver_sql("PRAGMA foreign_keys").scalar() == 1
    engine.dispose()


def test_a_database_is_opened_again_with_all_its_jobs(tmp_path: Path) -> None:
    path = tmp_path / "again.sqlite"
    first = open_database(path)
    job_id = JobStore(first).add(FULL, "mat.svg", b"x")
    first.dispose()

    second = open_database(path)
    assert JobStore(second).get(job_id).job == FULL
    second.dispose()


WRITER = """
import sys
from dataclasses import replace
from pathlib import Path
from dunestead.store import JobStore, open_database
from tests.store.test_store import JOB
store = JobStore(open_database(Path(sys.argv[1])))
job_id = store.add(JOB, "mat.svg", b"x")
for copies in range(2, 1000):
    store.change(job_id, copies - 1, replace(JOB, copies=copies), f"Copies {copies}")
    print(copies, flush=True)
"""


def test_a_kill_at_any_moment_loses_at_most_the_change_in_flight(tmp_path: Path) -> None:
    path = tmp_path / "killed.sqlite"
    root = Path(__file__).parents[2]
    writer = subprocess.Popen(
        [sys.executable, "-c", WRITER, str(path)], cwd=root, stdout=subprocess.PIPE, text=True, env=os.environ
    )
    answered = 0
    while answered < 12:
        answered = int(writer.stdout.readline())
    time.sleep(0.013)
    os.kill(writer.pid, signal.SIGKILL)
    rest, _ = writer.communicate()
    rest = rest.split()
    answered = int(rest[-1]) if rest else answered

    engine = open_database(path)
    kept = JobStore(engine).get(1)
    assert kept.job.copies in (answered, answered + 1)
    assert kept.seq == kept.job.copies
    with sqlite3.connect(path) as database:
        assert database.execute("PRAGMA integrity_check").fetchone() == ("ok",)
    engine.dispose()
