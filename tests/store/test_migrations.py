"""Databases of earlier releases are brought up to date with nothing lost."""

import json
import sqlite3
from pathlib import Path

from alembic import command
from alembic.config import Config
from sqlalchemy import create_engine

from dunestead.core.artwork.elements import Drawn
from dunestead.store import JobStore, open_database

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


def first_release(path: Path) -> None:
    """Make a database as the first release made it, with a job of two revisions."""
    config = Config()
    config.set_main_option("script_location", str(FOLDER))
    engine = create_engine(f"sqlite:///{path}")
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "0001")
    engine.dispose()
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
        assert database.execute("SELECT version_num FROM alembic_version").fetchall() == [("0003",)]
