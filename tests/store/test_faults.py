"""What can be wrong with a database is said for what it is, and nothing is half-written."""

import sqlite3
import subprocess
import sys
from pathlib import Path

import pytest
from sqlalchemy import event, text
from sqlalchemy.exc import DBAPIError

from dunestead.core.errors import NotNow, StoreFault
from dunestead.store import open_database
from dunestead.store.alone import kept_alone
from dunestead.store.faults import fault_of


def code_of(path: Path) -> str:
    with pytest.raises(StoreFault) as met:
        open_database(path)
    assert met.value.what.endswith(".")
    assert met.value.fix.endswith(".")
    return met.value.code


def test_a_file_that_is_no_database_is_left_as_it_is(tmp_path: Path) -> None:
    path = tmp_path / "workshop.sqlite"
    path.write_bytes(b"a shopping list, and quite a long one" * 50)

    assert code_of(path) == "not-a-database"
    assert path.read_bytes().startswith(b"a shopping list")


def test_a_database_of_a_later_release_is_not_touched(tmp_path: Path) -> None:
    path = tmp_path / "workshop.sqlite"
    open_database(path).dispose()
    with sqlite3.connect(path) as database:
        database.execute("UPDATE alembic_version SET version_num = '9999'")

    assert code_of(path) == "newer-database"
    with sqlite3.connect(path) as database:
        assert database.execute("SELECT version_num FROM alembic_version").fetchone() == ("9999",)


def test_a_damaged_database_is_not_called_a_stranger(tmp_path: Path) -> None:
    path = tmp_path / "workshop.sqlite"
    open_database(path).dispose()
    data = bytearray(path.read_bytes())
    # All pages but the first, which says what kind of file it is.
    data[4096:] = b"\xa5" * (len(data) - 4096)
    path.write_bytes(data)

    assert code_of(path) == "damaged-database"


@pytest.mark.parametrize(
    ("pragma", "code"),
    [("max_page_count = 1", "disk-full"), ("query_only = 1", "read-only")],
    ids=["full", "read-only"],
)
def test_a_full_and_a_read_only_disk_keep_what_was_there(tmp_path: Path, pragma: str, code: str) -> None:
    path = tmp_path / "workshop.sqlite"
    engine = open_database(path)
    with engine.connect() as connection:
        connection.exec_driver_sql(f"PRAGMA {pragma}")
        with pytest.raises(DBAPIError) as met:
            connection.execute(text("INSERT INTO artwork VALUES ('ab', zeroblob(4000000))"))
        connection.rollback()

    assert fault_of(met.value).code == code
    engine.dispose()
    with sqlite3.connect(path) as database:
        assert database.execute("SELECT count(*) FROM artwork").fetchone() == (0,)
        assert database.execute("PRAGMA integrity_check").fetchone() == ("ok",)


def test_a_locked_database_is_said_to_be_locked(tmp_path: Path) -> None:
    path = tmp_path / "workshop.sqlite"
    engine = open_database(path)
    engine.dispose()
    event.listen(engine, "connect", lambda connection, _: connection.execute("PRAGMA busy_timeout = 20"))
    other = sqlite3.connect(path, isolation_level=None)
    other.execute("BEGIN EXCLUSIVE")

    with pytest.raises(DBAPIError) as met, engine.begin():
        pass

    other.rollback()
    other.close()
    engine.dispose()
    assert fault_of(met.value).code == "locked"


def test_nothing_is_written_to_a_file_that_was_moved_away(tmp_path: Path) -> None:
    path = tmp_path / "workshop.sqlite"
    engine = open_database(path)
    path.rename(tmp_path / "elsewhere.sqlite")

    with pytest.raises(StoreFault) as met, engine.begin():
        pass

    assert met.value.code == "moved-away"
    # Another file in its place is not the one that was opened either.
    path.write_bytes((tmp_path / "elsewhere.sqlite").read_bytes())
    with pytest.raises(StoreFault), engine.begin():
        pass
    engine.dispose()


def test_a_second_server_is_refused_until_the_first_has_ended_even_by_a_kill(tmp_path: Path) -> None:
    path = tmp_path / "workshop.sqlite"
    hold = f"""
import pathlib, sys, time
from dunestead.store.alone import kept_alone
with kept_alone(pathlib.Path({str(path)!r})):
    print("held", flush=True)
    time.sleep(60)
"""
    with subprocess.Popen([sys.executable, "-c", hold], stdout=subprocess.PIPE, text=True) as first:
        assert first.stdout.readline().strip() == "held"
        with pytest.raises(NotNow) as met, kept_alone(path):
            pass
        assert met.value.code == "served-already"
        first.kill()
    with kept_alone(path):
        pass
