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

from dunestead.core.artwork.elements import Frame, PartEdit, Repeat, Traced, Words
from dunestead.core.artwork.trace.settings import TraceSettings
from dunestead.core.artwork.words.setting import Setting
from dunestead.core.blanks.blank import Blank, Garment
from dunestead.core.curing.drying import Room
from dunestead.core.errors import BadInput, NoSuchThing, NotNow
from dunestead.core.mask.rollcall import RollEntry
from dunestead.core.job.job import Job, Record
from dunestead.store import BlankStore, JobStore, open_database
from dunestead.store.models import Base
from tests.shapes import artwork

NOON = datetime(2026, 5, 10, 12, 0, tzinfo=UTC)
DRAWN = artwork(500.0, x=4.0, edits=(PartEdit(2, dropped=True), PartEdit(3, colour="#ff0000")))
JOB = Job("Mat", "coir", Blank(600, 400), (DRAWN,), "paper-coated-down", "outdoor-acrylic")
ARCHED = Setting("Row\nhome", 80.0, "cap", arc=-200.0, letter_colours=((1, "#0f0f0f"),))
STRAIGHTENED = TraceSettings(((0, 0), (1, 0), (1, 1), (0, 1)), 90)
FULL = replace(
    JOB,
    blank=Blank(
        510, 720, shape="garment", rim=2.0, heat=150.0, base_coat="under", garment=Garment("l", "pocket", 90.0)
    ),
    elements=(
        DRAWN,
        Words(
            id=2,
            face="pacifico",
            setting=Setting("Row\nhome", 80.0, "cap", arc=-200.0, letter_colours=((1, "#00ff00"),)),
        ),
        Traced(
            id=3, source="b", file_name="b.png", width=90.0, trace=TraceSettings(((0, 0), (1, 0), (1, 1), (0, 1)), 90)
        ),
        Frame(id=4, style="dashed", repeat=Repeat("scatter", 5, colours=("#010203",))),
    ),
    last_element=7,
    due=date(2026, 6, 1),
    room=Room(12.5, 71),
    fates={1: "bridge", 2: "keep"},
    roll=(RollEntry(1, 0.25, 0.5),),
    ticks={"weed-windows": NOON},
    calls={2: {"dish": NOON}},
    record=Record(4, "well", {"weed": 12.0}, 58.0),
)


def test_a_job_comes_back_as_it_was_kept(store: JobStore) -> None:
    job_id = store.add(FULL)

    stored = store.get(job_id)

    assert stored.job == FULL
    assert (stored.undo, stored.redo) == (None, None)


def test_undo_and_redo_step_through_all_changes(store: JobStore) -> None:
    job_id = store.add(JOB)
    store.change(job_id, 1, replace(JOB, copies=2), "Copies")
    store.change(job_id, 2, replace(JOB, copies=3), "Copies again")

    store.undo(job_id)
    assert (store.get(job_id).job.blank.copies, store.get(job_id).undo, store.get(job_id).redo) == (
        2,
        "Copies",
        "Copies again",
    )
    store.undo(job_id)
    assert store.get(job_id).job.blank.copies == 1
    store.redo(job_id)
    store.redo(job_id)
    assert store.get(job_id).job.blank.copies == 3


def test_a_change_after_undo_cuts_off_what_was_undone(store: JobStore) -> None:
    job_id = store.add(JOB)
    store.change(job_id, 1, replace(JOB, copies=2), "Copies")
    store.undo(job_id)
    store.change(job_id, 1, replace(JOB, copies=9), "Other copies")

    assert store.get(job_id).job.blank.copies == 9
    with pytest.raises(NotNow, match="nothing to do again"):
        store.redo(job_id)


def test_there_is_an_end_to_undoing(store: JobStore) -> None:
    job_id = store.add(JOB)

    with pytest.raises(NotNow, match="nothing to undo"):
        store.undo(job_id)


def test_a_change_made_on_an_old_state_is_refused(store: JobStore) -> None:
    job_id = store.add(JOB)
    store.change(job_id, 1, replace(JOB, copies=2), "One window")

    with pytest.raises(NotNow, match="another window"):
        store.change(job_id, 1, replace(JOB, copies=3), "Another")
    assert store.get(job_id).job.blank.copies == 2


def test_a_job_put_away_is_off_the_board_but_not_gone(store: JobStore) -> None:
    job_id = store.add(JOB)

    store.put_away(job_id, away=True)
    assert store.all() == []
    assert store.get(job_id).put_away
    store.put_away(job_id, away=False)
    assert [stored.id for stored in store.all()] == [job_id]


def test_equal_artwork_is_kept_once(store: JobStore, tmp_path: Path) -> None:
    one, other = store.keep_file(b"same"), store.keep_file(b"same")

    assert one == other
    assert store.file(one) == b"same"
    with sqlite3.connect(tmp_path / "workshop.sqlite") as database:
        assert database.execute("SELECT count(*) FROM artwork").fetchone() == (1,)


def test_a_file_that_is_not_kept_is_said_to_be_missing(store: JobStore) -> None:
    with pytest.raises(NoSuchThing, match="not in the workshop"):
        store.file("0" * 64)


def test_a_blank_of_ones_own_is_kept_without_the_measures_of_one_piece(blanks: BlankStore) -> None:
    number = blanks.keep("  Round mat ", "coir", Blank(600, 600, shape="oval", measured_width=596.0))

    kept = blanks.get(number)
    assert (kept.name, kept.surface, kept.blank) == ("Round mat", "coir", Blank(600, 600, shape="oval"))


def test_a_blank_of_the_same_name_takes_the_place_of_the_first(blanks: BlankStore) -> None:
    first = blanks.keep("Mat", "coir", Blank(600, 400))
    again = blanks.keep("Mat", "synthetic-mat", Blank(500, 300))

    assert first == again
    assert [(kept.surface, kept.blank.width) for kept in blanks.all()] == [("synthetic-mat", 500)]


def test_a_blank_that_is_dropped_is_gone(blanks: BlankStore) -> None:
    number = blanks.keep("Mat", "coir", Blank(600, 400))
    blanks.drop(number)

    assert blanks.all() == []
    for ask in (blanks.get, blanks.drop):
        with pytest.raises(NoSuchThing, match="no blank"):
            ask(number)


@pytest.mark.parametrize("name", ["", "   ", "x" * 121])
def test_a_blank_needs_a_name(blanks: BlankStore, name: str) -> None:
    with pytest.raises(BadInput, match="needs a name"):
        blanks.keep(name, "coir", Blank(600, 400))


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
    job_id = JobStore(first).add(FULL)
    first.dispose()

    second = open_database(path)
    assert JobStore(second).get(job_id).job == FULL
    second.dispose()


WRITER = """
import sys
from dataclasses import replace
from pathlib import Path
from dunestead.store import BlankStore, JobStore, open_database
from tests.store.test_store import JOB
store = JobStore(open_database(Path(sys.argv[1])))
job_id = store.add(JOB)
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
    assert kept.job.blank.copies in (answered, answered + 1)
    assert kept.seq == kept.job.blank.copies
    with sqlite3.connect(path) as database:
        assert database.execute("PRAGMA integrity_check").fetchone() == ("ok",)
    engine.dispose()
