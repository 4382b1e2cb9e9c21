"""The store: one transaction a change, undo over restarts, nothing lost to a kill."""

import os
import signal
import sqlite3
import subprocess
import sys
import time
from datetime import UTC, date, datetime
from pathlib import Path

import pytest
from sqlalchemy import inspect

from dunestead.core.artwork.elements import Frame, PartEdit, Repeat, Traced, Words
from dunestead.core.artwork.trace.settings import TraceSettings
from dunestead.core.artwork.words.setting import Setting
from dunestead.core.blanks.blank import Blank, Garment
from dunestead.core.curing.drying import Weather
from dunestead.core.errors import BadInput, Clash, NoSuchThing, NotNow
from dunestead.core.job.job import BlankEntry, DesignEntry, Job, MaskEntry, PaintEntry, Record, altered
from dunestead.core.job.log import LogEntry
from dunestead.core.mask.rollcall import RollEntry
from dunestead.core.painting.coatings import Coating
from dunestead.store import BlankStore, JobStore, open_database
from dunestead.store.jobs import UNDO_STEPS
from dunestead.store.models import Base
from tests.shapes import artwork

NOON = datetime(2026, 5, 10, 12, 0, tzinfo=UTC)
DRAWN = artwork(500.0, x=4.0, edits=(PartEdit(2, dropped=True), PartEdit(3, colour="#ff0000")))
JOB = Job(
    "Mat",
    BlankEntry("coir", Blank(600, 400)),
    DesignEntry((DRAWN,)),
    MaskEntry("paper-coated-down"),
    paint=PaintEntry((Coating("colour", "outdoor-acrylic"),)),
)
ARCHED = Setting("Row\nhome", 80.0, "cap", arc=-200.0, letter_colours=((1, "#00ff00"),))
STRAIGHTENED = TraceSettings(((0, 0), (1, 0), (1, 1), (0, 1)), 90)
FULL = altered(
    JOB,
    piece=Blank(510, 720, shape="garment", rim=2.0, heat=150.0, garment=Garment("l", "pocket", 90.0)),
    elements=(
        DRAWN,
        Words(id=2, face="pacifico", setting=ARCHED),
        Traced(id=3, source="b", file_name="b.png", width=90.0, trace=STRAIGHTENED),
        Frame(id=4, style="dashed", repeat=Repeat("scatter", 5, colours=("#010203",))),
    ),
    last_element=7,
    due=date(2026, 6, 1),
    weather=Weather(12.5, 71, 2.0, True),
    coatings=(Coating("base", "outdoor-acrylic", "#ffffff", 1, "under"), Coating("colour", "outdoor-acrylic")),
    method="paper-bare",
    fates={1: "bridge", 2: "keep"},
    roll=(RollEntry(1, 0.25, 0.5),),
    record=Record(4, "well", {"weed": 12.0}, {"outdoor-acrylic": 58.0}, {"bled": 1}),
)


def head(store: JobStore, job_id: int) -> tuple[int, str | None, str | None]:
    found = store.get(job_id)
    return found.job.blank.copies, found.head.undo, found.head.redo


def test_a_job_comes_back_as_it_was_kept(store: JobStore) -> None:
    job_id = store.add(FULL)

    stored = store.get(job_id)

    assert stored.job == FULL
    assert (stored.head.undo, stored.head.redo) == (None, None)


def test_undo_and_redo_step_through_all_changes(store: JobStore) -> None:
    job_id = store.add(JOB)
    store.change(job_id, 1, altered(JOB, copies=2), "Copies")
    store.change(job_id, 2, altered(JOB, copies=3), "Copies again")

    store.undo(job_id)
    assert head(store, job_id) == (2, "Copies", "Copies again")
    store.undo(job_id)
    assert store.get(job_id).job.blank.copies == 1
    store.redo(job_id)
    store.redo(job_id)
    assert store.get(job_id).job.blank.copies == 3


def test_a_change_after_undo_cuts_off_what_was_undone(store: JobStore) -> None:
    job_id = store.add(JOB)
    store.change(job_id, 1, altered(JOB, copies=2), "Copies")
    store.undo(job_id)
    store.change(job_id, 3, altered(JOB, copies=9), "Other copies")

    assert store.get(job_id).job.blank.copies == 9
    with pytest.raises(NotNow, match="nothing to redo"):
        store.redo(job_id)


def test_there_is_an_end_to_undoing(store: JobStore) -> None:
    job_id = store.add(JOB)

    with pytest.raises(NotNow, match="nothing to undo"):
        store.undo(job_id)


def test_a_change_made_on_an_old_state_is_refused(store: JobStore) -> None:
    job_id = store.add(JOB)
    store.change(job_id, 1, altered(JOB, copies=2), "One window")

    with pytest.raises(Clash, match="in another window: One window"):
        store.change(job_id, 1, altered(JOB, copies=3), "Another")
    assert store.get(job_id).job.blank.copies == 2


def test_a_version_is_never_met_twice(store: JobStore) -> None:
    """Undone and changed again, a job stands at the same revision with other contents: no window mixes them up."""
    job_id = store.add(JOB)
    store.change(job_id, 1, altered(JOB, copies=2), "Two")
    store.undo(job_id)
    store.change(job_id, 3, altered(JOB, copies=3), "Three")

    with pytest.raises(Clash, match="Three"):
        store.change(job_id, 2, altered(JOB, copies=4), "On what is no more")
    with pytest.raises(Clash):
        store.undo(job_id, 2)


def test_old_revisions_are_let_go_and_what_is_left_can_be_undone(store: JobStore, tmp_path: Path) -> None:
    job_id = store.add(JOB)
    for copies in range(2, UNDO_STEPS + 12):
        store.change(job_id, copies - 1, altered(JOB, copies=copies % 999 + 1), f"Copies {copies}")

    with sqlite3.connect(tmp_path / "workshop.sqlite") as database:
        assert database.execute("SELECT count(*) FROM revision").fetchone() == (UNDO_STEPS + 1,)
    for _ in range(UNDO_STEPS):
        store.undo(job_id)
    with pytest.raises(NotNow, match="nothing to undo"):
        store.undo(job_id)
    assert UNDO_STEPS >= 200


def test_reading_waits_for_no_writer(store: JobStore, tmp_path: Path) -> None:
    job_id = store.add(JOB)
    writer = sqlite3.connect(tmp_path / "workshop.sqlite", isolation_level=None)
    writer.execute("BEGIN IMMEDIATE")
    writer.execute("UPDATE job SET head = head")

    begun = time.monotonic()
    assert store.get(job_id).job == JOB
    assert [row.id for row in store.excerpts("card")] == [job_id]
    # A writer is waited for 5 s; a reader never.
    assert time.monotonic() - begun < 4
    writer.execute("ROLLBACK")
    writer.close()


def test_the_log_is_added_to_and_comes_back_in_order(store: JobStore) -> None:
    job_id = store.add(JOB)
    entries = [
        LogEntry("called", "weed-count/m1/k1", NOON, numbers=(1, 3)),
        LogEntry("done", "weed-count/m1/k1", NOON, began=NOON, reason="One is lost", fingerprint={"design": "ab"}),
        LogEntry("undone", "weed-count/m1/k1", NOON),
    ]
    store.write(job_id, 1, entries[:2])
    store.write(job_id, None, entries[2:])

    assert store.get(job_id).log == tuple(entries)
    store.change(job_id, 1, altered(JOB, copies=2), "Copies")
    with pytest.raises(Clash):
        store.write(job_id, 1, entries[:1])
    assert len(store.get(job_id).log) == 3


def test_a_card_is_kept_with_what_it_was_drawn_from(store: JobStore) -> None:
    job_id = store.add(JOB)
    store.keep_excerpt(job_id, "card", "key", '{"id":1}')

    (row,) = store.excerpts("card")
    assert (row.key, row.text, row.version, row.logged) == ("key", '{"id":1}', 1, 0)


def test_a_job_put_away_is_off_the_board_but_not_gone(store: JobStore) -> None:
    job_id = store.add(JOB)

    store.put_away(job_id, away=True)
    assert store.excerpts("card") == []
    assert [row.id for row in store.excerpts("card", "away")] == [job_id]
    assert store.get(job_id).head.put_away
    store.put_away(job_id, away=False)
    assert [row.id for row in store.excerpts("card")] == [job_id]


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
    with pytest.raises(BadInput, match="name of the blank"):
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
from pathlib import Path
from dunestead.core.job.job import altered
from dunestead.store import BlankStore, JobStore, open_database
from tests.store.test_store import JOB
store = JobStore(open_database(Path(sys.argv[1])))
job_id = store.add(JOB)
for copies in range(2, 1000):
    store.change(job_id, copies - 1, altered(JOB, copies=copies), f"Copies {copies}")
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
    assert kept.head.version == kept.job.blank.copies
    with sqlite3.connect(path) as database:
        assert database.execute("PRAGMA integrity_check").fetchone() == ("ok",)
    engine.dispose()
