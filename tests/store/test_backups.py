"""Backups: whole while the workshop is used, checked, looked into without trust, put back with nothing lost."""

import json
import sqlite3
import zipfile
from datetime import UTC, datetime, timedelta
from pathlib import Path
from threading import Event, Thread

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from dunestead.core.errors import BadInput, DunesteadError, StoreFault
from dunestead.store import JobStore, open_database
from dunestead.store.backups import Backup, back_up, backups_of, folder_of, prune
from dunestead.store.restoring import database_in, restore
from tests.store.test_migrations import first_release

NOW = datetime(2026, 5, 10, 12, 0, tzinfo=UTC)


@pytest.fixture
def database(tmp_path: Path) -> Path:
    """Make a workshop with one job of two revisions."""
    path = tmp_path / "data" / "workshop.sqlite"
    path.parent.mkdir()
    first_release(path)
    open_database(path).dispose()
    for old in folder_of(path).iterdir():
        old.unlink()
    return path


def rows(path: Path) -> dict[str, list[tuple]]:
    with sqlite3.connect(path) as found:
        names = [row[0] for row in found.execute("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name")]
        return {name: sorted(found.execute(f"SELECT * FROM {name}").fetchall(), key=repr) for name in names}


def test_a_backup_put_into_a_new_folder_gives_equal_jobs(database: Path, tmp_path: Path) -> None:
    made = back_up(database, NOW, "hand")
    other = tmp_path / "new" / "workshop.sqlite"

    assert restore(made.path, other, NOW) is None

    assert rows(other) == rows(database)
    engine, again = open_database(database), open_database(other)
    assert JobStore(engine).get(3).job == JobStore(again).get(3).job
    engine.dispose()
    again.dispose()
    with zipfile.ZipFile(made.path) as archive:
        account = json.loads(archive.read("workshop.json"))
        assert account["rows"]["job"] == 1
        assert account["rows"]["revision"] == 2
        # The drawing stands there on its own, too.
        assert [archive.read(name) for name in archive.namelist() if name.endswith(".svg")] == [b"<svg/>"]


def test_what_is_there_is_kept_aside(database: Path) -> None:
    made = back_up(database, NOW, "hand")
    with sqlite3.connect(database) as changed:
        changed.execute("DELETE FROM revision WHERE seq = 2")
    before = rows(database)

    aside = restore(made.path, database, NOW)

    assert aside is not None
    assert rows(aside) == before
    assert len(rows(database)["revision"]) == 2


def test_a_backup_made_while_somebody_writes_is_whole(database: Path) -> None:
    """Each change writes two rows in one go: a backup has both or none."""
    stop = Event()

    def write() -> None:
        with sqlite3.connect(database, timeout=20, isolation_level=None) as writer:
            number = 0
            while not stop.is_set():
                number += 1
                writer.execute("BEGIN IMMEDIATE")
                for half in ("a", "b"):
                    writer.execute("INSERT INTO artwork VALUES (?, zeroblob(20000))", (f"{half}{number}",))
                writer.execute("COMMIT")

    thread = Thread(target=write)
    thread.start()
    try:
        made = [back_up(database, NOW + timedelta(seconds=k), "hand") for k in range(4)]
    finally:
        stop.set()
        thread.join()
    for one in made:
        with database_in(one.path) as copy:
            keys = {row[0] for row in rows(copy)["artwork"]}
            assert {key[1:] for key in keys if key[0] == "a" and key != "ab12"} == {
                key[1:] for key in keys if key[0] == "b"
            }


def repacked(path: Path, change) -> None:
    """Write a backup anew with its members changed."""
    with zipfile.ZipFile(path) as archive:
        members = {name: archive.read(name) for name in archive.namelist()}
    with zipfile.ZipFile(path, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, data in change(members).items():
            archive.writestr(name, data)


def damaged(members: dict[str, bytes]) -> dict[str, bytes]:
    data = bytearray(members["workshop.sqlite"])
    data[5000:5010] = b"0123456789"
    return {**members, "workshop.sqlite": bytes(data)}


def bomb(members: dict[str, bytes]) -> dict[str, bytes]:
    return {**members, "workshop.sqlite": members["workshop.sqlite"] + bytes(60_000_000)}


@pytest.mark.parametrize(
    "change",
    [
        damaged,
        bomb,
        lambda members: {name: data for name, data in members.items() if name != "workshop.json"},
        lambda members: {**members, "workshop.json": b"[" * 100_000},
        lambda members: {**members, "workshop.json": b"{}"},
        lambda members: {name: data for name, data in members.items() if name != "workshop.sqlite"},
    ],
    ids=["damaged", "bomb", "no-account", "nested", "empty", "no-database"],
)
def test_what_is_no_sound_backup_is_refused_and_changes_nothing(database: Path, change) -> None:
    made = back_up(database, NOW, "hand")
    repacked(made.path, change)
    before = rows(database)

    with pytest.raises(BadInput):
        restore(made.path, database, NOW)

    assert rows(database) == before
    assert sorted(path.name for path in database.parent.iterdir() if "before-restore" in path.name) == []


@pytest.mark.parametrize("data", [b"", b"PK\x03\x04", b"not a zip" * 100])
def test_what_is_no_zip_is_refused(database: Path, tmp_path: Path, data: bytes) -> None:
    (tmp_path / "x.zip").write_bytes(data)
    with pytest.raises(BadInput, match="not a backup"):
        restore(tmp_path / "x.zip", database, NOW)


def test_a_backup_of_a_later_release_is_refused(database: Path) -> None:
    with sqlite3.connect(database) as changed:
        changed.execute("UPDATE alembic_version SET version_num = '9999'")
    made = back_up(database, NOW, "hand")
    with pytest.raises(StoreFault, match="newer"):
        restore(made.path, database, NOW)


def test_a_backup_is_made_before_the_tables_change(tmp_path: Path) -> None:
    path = tmp_path / "workshop.sqlite"
    first_release(path)

    open_database(path).dispose()

    (made,) = backups_of(path)
    assert made.why == "before-0013"
    with zipfile.ZipFile(made.path) as archive:
        archive.extract("workshop.sqlite", tmp_path / "old")
    with sqlite3.connect(tmp_path / "old" / "workshop.sqlite") as old:
        assert old.execute("SELECT version_num FROM alembic_version").fetchone() == ("0001",)


def test_without_room_nothing_is_left_behind(database: Path, monkeypatch) -> None:
    monkeypatch.setattr("dunestead.store.backups.shutil.disk_usage", lambda _: type("Usage", (), {"free": 1000}))
    with pytest.raises(StoreFault) as met:
        back_up(database, NOW, "hand")
    assert met.value.code == "disk-full"
    assert list(folder_of(database).iterdir()) == []


def kept(day: int, why: str = "day", hour: int = 9) -> Backup:
    at = datetime(2026, 1, 1, hour) + timedelta(days=day)
    return Backup(Path(f"{day}-{hour}-{why}"), at, why, 1)


def test_fourteen_days_and_one_a_month_are_kept() -> None:
    """A hundred days from 1 January: the last fourteen are 86 to 99; the newest of January to March are 30, 58, 89."""
    days = [kept(day) for day in reversed(range(100))]

    left = {int(one.path.name.split("-")[0]) for one in days} - {
        int(one.path.name.split("-")[0]) for one in prune(days)
    }

    assert left == {*range(86, 100), 30, 58}


@settings(max_examples=60, deadline=None)
@given(st.lists(st.tuples(st.integers(0, 400), st.sampled_from(["day", "hand", "before-restore"])), unique=True))
def test_the_newest_is_never_let_go_and_a_second_look_lets_nothing_more_go(made: list[tuple[int, str]]) -> None:
    backups = sorted((kept(day, why) for day, why in made), key=lambda one: (one.made_at, one.path.name), reverse=True)

    gone = {one.path for one in prune(backups)}

    left = [one for one in backups if one.path not in gone]
    assert not backups or backups[0] in left
    assert prune(left) == []


def test_every_refusal_is_ours(database: Path, tmp_path: Path) -> None:
    """Whatever bytes a zip of ours is cut to, it is refused in a sentence."""
    data = back_up(database, NOW, "hand").path.read_bytes()
    for length in range(0, len(data), max(len(data) // 40, 1)):
        (tmp_path / "cut.zip").write_bytes(data[:length])
        with pytest.raises(DunesteadError), database_in(tmp_path / "cut.zip"):
            pass
