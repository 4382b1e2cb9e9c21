"""Databases of earlier releases are brought up to date with nothing lost."""

import json
import sqlite3
from datetime import UTC, datetime
from pathlib import Path

from alembic import command
from alembic.config import Config
from sqlalchemy import create_engine

from dunestead.core.artwork.elements import Drawn
from dunestead.core.curing.drying import Weather
from dunestead.core.painting.coatings import Coating
from dunestead.core.records import Tools
from dunestead.store import JobStore, open_database, open_records

FOLDER = Path(__file__).parents[2] / "src/dunestead/store/migrations"
STATE = {
    "name": "Mat",
    "surface": "coir",
    "blank": {"width": 600, "height": 400, "shape": "oval", "colour": "#a9814f"},
    "design_width": 512.5,
    "offset_x": 4.0,
    "offset_y": -7.0,
    "material": "paper-coated-down",
    "paint": "outdoor-acrylic",
    "fates": {"1": "bridge"},
    "roll": [{"number": 1, "x": 0.25, "y": 0.125}],
}


def release(path: Path, version: str) -> None:
    """Make an empty database as a release made it."""
    config = Config()
    config.set_main_option("script_location", str(FOLDER))
    engine = create_engine(f"sqlite:///{path}")
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, version)
    engine.dispose()


def first_release(path: Path) -> None:
    """Make a database as the first release made it, with a job of two revisions."""
    release(path, "0001")
    with sqlite3.connect(path) as database:
        database.execute("INSERT INTO artwork VALUES ('ab12', ?)", (b"<svg/>",))
        database.execute("INSERT INTO job VALUES (3, 'ab12', 'mat.svg', '2026-05-10 12:00:00', NULL, 2)")
        for seq, width in ((1, 400.0), (2, 512.5)):
            state = json.dumps({**STATE, "design_width": width})
            database.execute("INSERT INTO revision VALUES (3, ?, '2026-05-10 12:00:00', 'Width', ?)", (seq, state))


def test_one_artwork_a_job_becomes_the_first_part_of_its_design(tmp_path: Path) -> None:
    path = tmp_path / "old.sqlite"
    first_release(path)

    engine = open_database(path)
    store = JobStore(engine)
    stored = store.get(3)

    assert stored.job.elements == (Drawn(id=1, source="ab12", file_name="mat.svg", width=512.5, x=4.0, y=-7.0),)
    assert (stored.job.mask.fates, stored.job.mask.roll[0].element) == ({1: "bridge"}, 1)
    assert store.file("ab12") == b"<svg/>"
    store.undo(3)
    assert store.get(3).job.elements[0].width == 400.0
    engine.dispose()


def test_one_amount_for_all_paint_becomes_that_of_the_colours(tmp_path: Path) -> None:
    path = tmp_path / "old.sqlite"
    release(path, "0008")
    record = {"grade": 4, "paint_ml": 58.0}
    state = {"paint": {"coatings": [{"role": "base", "paint": "chalk"}, {"role": "colour", "paint": "fabric-brush"}]}}
    with sqlite3.connect(path) as database:
        database.execute("INSERT INTO job (id, created_at, head, version) VALUES (3, '2026-05-10 12:00:00', 1, 1)")
        row = (3, 1, "2026-05-10 12:00:00", "Record", json.dumps({**state, "record": record}), 1)
        database.execute("INSERT INTO revision (job_id, seq, at, label, state, version) VALUES (?, ?, ?, ?, ?, ?)", row)

    open_database(path).dispose()

    with sqlite3.connect(path) as database:
        kept = json.loads(database.execute("SELECT state FROM revision").fetchone()[0])
    assert kept["record"] == {"grade": 4, "used_ml": {"fabric-brush": 58.0}}


def test_what_was_left_of_a_roll_is_the_ledgers_from_then_on(tmp_path: Path) -> None:
    path = tmp_path / "old.sqlite"
    release(path, "0009")
    roll = {"name": "Roll", "material": "iron-on", "width": 305, "length": 2400, "is_roll": True, "count": 1}
    pile = {"name": "Card", "material": "card", "width": 500, "length": 700, "is_roll": False, "count": 6}
    test_cut = {"name": "Paper", "material": "card", "cutter": "table-long", "blade": "used", "on": "2026-05-02"}
    with sqlite3.connect(path) as database:
        for kind, state in (("stock", roll), ("stock", pile), ("recipe", test_cut)):
            row = (kind, json.dumps(state))
            database.execute("INSERT INTO shelf (kind, state, gone) VALUES (?, ?, 0)", row)

    engine = open_database(path)
    records = open_records(engine)

    assert [(one.kind, one.key, one.width, one.length) for one in records.items.all().values()] == [
        ("roll", "iron-on", 305, None),
        ("sheets", "card", 500, 700),
    ]
    assert records.ledger.left() == {1: 2400.0, 2: 6.0}
    assert [one.name for one in records.test_cuts.all().values()] == ["Paper"]
    engine.dispose()


def test_what_hangs_on_a_job_still_hangs_on_it(tmp_path: Path) -> None:
    path = tmp_path / "old.sqlite"
    first_release(path)
    open_database(path).dispose()

    with sqlite3.connect(path) as database:
        assert database.execute("PRAGMA foreign_key_check").fetchall() == []
        assert database.execute("PRAGMA foreign_key_list(revision)").fetchone()[2] == "job"
        assert database.execute("PRAGMA integrity_check").fetchone() == ("ok",)


def test_a_database_is_brought_up_to_date_once(tmp_path: Path) -> None:
    path = tmp_path / "old.sqlite"
    first_release(path)
    for _ in range(2):
        open_database(path).dispose()

    with sqlite3.connect(path) as database:
        assert database.execute("SELECT count(*) FROM revision").fetchone() == (2,)
        assert database.execute("SELECT version_num FROM alembic_version").fetchall() == [("0013",)]


def third_release(path: Path) -> None:
    """Make a database of the release before the log: a job of two copies, a base coat, and steps ticked off."""
    config = Config()
    config.set_main_option("script_location", str(FOLDER))
    engine = create_engine(f"sqlite:///{path}")
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "0003")
    engine.dispose()
    element = {"kind": "drawn", "id": 1, "source": "ab12", "file_name": "mat.svg", "width": 400.0}
    plain = {key: value for key, value in STATE.items() if key not in ("design_width", "offset_x", "offset_y")}
    blank = {**STATE["blank"], "base_coat": "under", "base_colour": "#ffffff"}
    start = {**plain, "blank": blank, "elements": [element], "last_element": 1, "copies": 2, "coats": 2}
    ticked = {**start, "ticks": {"sheets-cut-1": "2026-05-10T14:00:00+02:00"}}
    coated = {**ticked, "ticks": {**ticked["ticks"], "paint-coat-1": "2026-05-10T13:00:00Z"}}
    called = {**coated, "calls": {"1": {"dish": "2026-05-10T12:30:00Z"}}, "room": {"temperature": 10, "humidity": 60}}
    undone = {**called, "copies": 3}
    with sqlite3.connect(path) as database:
        database.execute("INSERT INTO job (id, created_at, head) VALUES (3, '2026-05-10 12:00:00', 4)")
        for seq, state in enumerate((start, ticked, coated, called, undone), start=1):
            row = (3, seq, "2026-05-10 12:00:00", f"Change {seq}", json.dumps(state))
            database.execute("INSERT INTO revision VALUES (?, ?, ?, ?, ?)", row)


def test_ticks_become_a_log_and_one_paint_becomes_coatings(tmp_path: Path) -> None:
    path = tmp_path / "old.sqlite"
    third_release(path)

    engine = open_database(path)
    store = JobStore(engine)
    stored = store.get(3)

    assert stored.job.paint.coatings == (
        Coating("base", "outdoor-acrylic", "#ffffff", 1, "under"),
        Coating("colour", "outdoor-acrylic", coats=2),
    )
    assert (stored.job.blank.copies, stored.job.paint.weather) == (2, Weather(10, 60))
    done = {entry.task: entry.at for entry in stored.log if entry.kind == "done"}
    noon = datetime(2026, 5, 10, 12, 0, tzinfo=UTC)
    assert done["sheets-cut/s1"] == noon
    # What was one step for all copies was done on each of them.
    assert {f"paint-coat/m1/k{copy}/c2/n1" for copy in (1, 2)} <= set(done)
    called = [(entry.task, entry.numbers) for entry in stored.log if entry.kind == "called"]
    assert called == [("weed-count/m1/k1", (1,)), ("weed-count/m1/k2", (1,))]
    engine.dispose()


def test_changes_that_only_ticked_something_are_no_steps_to_undo_any_more(tmp_path: Path) -> None:
    path = tmp_path / "old.sqlite"
    third_release(path)

    engine = open_database(path)
    store = JobStore(engine)

    assert (store.get(3).head.undo, store.get(3).head.redo) == ("Change 4", "Change 5")
    store.redo(3)
    assert store.get(3).job.blank.copies == 3
    store.undo(3)
    store.undo(3)
    assert store.get(3).head.undo is None
    engine.dispose()


def test_what_was_chosen_for_patches_and_read_off_the_tape_is_found_by_its_new_name(tmp_path: Path) -> None:
    path = tmp_path / "old.sqlite"
    first_release(path)
    engine = open_database(path)
    choice = {"x": 0.25, "y": 0.5, "mask": 1, "sheet": 2, "alone": False, "turns": True}
    config = Config()
    config.set_main_option("script_location", str(FOLDER))
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        command.downgrade(config, "0006")
    engine.dispose()
    with sqlite3.connect(path) as database:
        database.execute(
            "UPDATE revision SET state = json_set(state, '$.sheets.says', json(?))", (json.dumps([choice]),)
        )
        row = (3, "2026-05-10 12:00:00", "laid", "tack-lay/m1", "2026-05-10 12:00:00", '{"told": "Shift it 2 mm."}')
        database.execute("INSERT INTO log (job_id, written_at, kind, task, at, state) VALUES (?, ?, ?, ?, ?, ?)", row)

    engine = open_database(path)
    stored = JobStore(engine).get(3)

    assert [(one.y, one.sheet) for one in stored.job.sheets.patch_choices] == [(0.5, 2)]
    assert [entry.instruction for entry in stored.log] == ["Shift it 2 mm."]
    engine.dispose()


def test_what_a_step_stood_on_is_kept_under_its_new_name(tmp_path: Path) -> None:
    path = tmp_path / "old.sqlite"
    release(path, "0010")
    stood, at = {"surface": "coir", "blank": "600.0 x 400.0"}, "2026-05-10 12:00:00"
    with sqlite3.connect(path) as database:
        database.execute(f"INSERT INTO job (id, created_at, head, version) VALUES (3, '{at}', 1, 1)")
        rows = [({"standing": stood, "reason": "dry"}, "blank-prepared/k1"), ({"reason": "early"}, "sheets-cut/s1")]
        for state, task in rows:
            database.execute(
                "INSERT INTO log (job_id, written_at, kind, task, at, state) VALUES (3, ?, 'done', ?, ?, ?)",
                (at, task, at, json.dumps(state)),
            )

    open_database(path).dispose()

    with sqlite3.connect(path) as database:
        kept = [json.loads(state) for (state,) in database.execute("SELECT state FROM log ORDER BY id")]
    assert kept == [{"reason": "dry", "fingerprint": stood}, {"reason": "early"}]


def test_who_said_what_they_own_has_a_place_outdoors_as_before(tmp_path: Path) -> None:
    path = tmp_path / "old.sqlite"
    engine = open_database(path)
    open_records(engine).keep_tools(Tools(("pins", "plate")))
    engine.dispose()
    with sqlite3.connect(path) as database:
        database.execute("UPDATE alembic_version SET version_num = '0012'")

    assert open_records(open_database(path)).kit() == Tools(("outdoors", "pins", "plate"))
