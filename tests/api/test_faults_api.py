"""A database that fails is told as what it is; nothing is said to be kept that is not, and all comes back."""

import io
import os
import sqlite3
from pathlib import Path

import pytest
from sqlalchemy import event

from dunestead.api.app import create_app
from tests.conftest import PageClient
from tests.shapes import WORD, svg


class Workshop:
    """An application, its database's file, and what is done to every connection to it before it is used."""

    def __init__(self, path: Path) -> None:
        self.path, self.pragma = path, ""
        app = create_app({"DATABASE": path})
        app.test_client_class = PageClient
        self.client = app.test_client()
        engine = app.extensions["workbench"]._store._sessions.write.__self__.kw["bind"]
        event.listen(engine, "begin", self._spoil, insert=True)

    def _spoil(self, connection) -> None:
        if self.pragma:
            connection.exec_driver_sql(f"PRAGMA {self.pragma}")

    def begin(self, **form: object):
        drawing = {"artwork": (io.BytesIO(svg(WORD)), "word.svg")}
        return self.client.post("/api/jobs", data={**drawing, **form})


@pytest.fixture
def workshop(tmp_path: Path) -> Workshop:
    found = Workshop(tmp_path / "workshop.sqlite")
    found.begin(name="Kept before")
    return found


def told(answer) -> str:
    body = answer.get_json()
    assert (answer.status_code, answer.mimetype) == (503, "application/problem+json")
    assert body["title"].endswith(".")
    assert body["fix"].endswith(".")
    code: str = body["code"]
    return code


@pytest.mark.parametrize(
    ("spoilt", "sound", "code"),
    [
        ("max_page_count = 1", "max_page_count = 1073741823", "disk-full"),
        ("query_only = 1", "query_only = 0", "read-only"),
    ],
)
def test_what_cannot_be_written_is_told_and_works_again_when_it_can(workshop, spoilt, sound, code) -> None:
    before = workshop.client.get("/api/jobs/1").get_json()

    workshop.pragma = spoilt
    # Larger than any page that is free in the file already.
    answers = [workshop.begin(name="x" * 100), workshop.client.patch("/api/jobs/1", json={"name": "y" * 100})]
    assert code in [told(one) for one in answers if one.status_code >= 400]
    workshop.pragma = sound

    assert workshop.client.patch("/api/jobs/1", json={"name": before["inputs"]["name"]}).status_code == 200
    with sqlite3.connect(workshop.path) as database:
        assert database.execute("PRAGMA integrity_check").fetchone() == ("ok",)


def test_a_folder_moved_away_is_told_and_nothing_is_answered_that_is_not_kept(workshop) -> None:
    aside = workshop.path.with_name("aside.sqlite")
    workshop.path.rename(aside)
    try:
        assert told(workshop.client.get("/api/jobs/1")) == "moved-away"
        assert told(workshop.begin()) == "moved-away"
    finally:
        aside.rename(workshop.path)

    assert workshop.client.get("/api/jobs/1").status_code == 200


def test_a_database_that_another_program_holds_is_told(workshop, monkeypatch) -> None:
    workshop.pragma = "busy_timeout = 50"
    other = sqlite3.connect(workshop.path, isolation_level=None)
    other.execute("BEGIN IMMEDIATE")
    try:
        assert told(workshop.client.patch("/api/jobs/1", json={"name": "Held"})) == "locked"
    finally:
        other.rollback()
        other.close()

    assert workshop.client.patch("/api/jobs/1", json={"name": "Free"}).status_code == 200


def test_a_full_disk_loses_nothing_that_was_answered_for(tmp_path: Path) -> None:
    """On a disk of its own where this machine lets one be made: the whole of it is filled while changes go on."""
    disk = tmp_path / "disk"
    disk.mkdir()
    if os.geteuid() or os.system(f"mount -t tmpfs -o size=3m none {disk} 2>/dev/null"):
        pytest.skip("no disk can be made here")
    try:
        workshop = Workshop(disk / "workshop.sqlite")
        workshop.begin(name="Start")
        kept, refused = "Start", 0
        for number in range(400):
            answer = workshop.client.patch("/api/jobs/1", json={"name": f"Change {number} " + "z" * 80})
            if answer.status_code == 200:
                kept = answer.get_json()["inputs"]["name"]
            else:
                assert told(answer) == "disk-full"
                refused += 1
            if refused > 5:
                break
            (disk / f"filling-{number}").write_bytes(b"0" * min(20_000, max(os.statvfs(disk).f_bavail * 4096 - 1, 0)))
        assert refused
        for filling in disk.glob("filling-*"):
            filling.unlink()

        again = create_app({"DATABASE": disk / "workshop.sqlite"}).test_client()
        assert again.get("/api/jobs/1").get_json()["inputs"]["name"] == kept
        assert workshop.client.patch("/api/jobs/1", json={"name": "Room again"}).status_code == 200
        with sqlite3.connect(disk / "workshop.sqlite") as database:
            assert database.execute("PRAGMA integrity_check").fetchone() == ("ok",)
    finally:
        os.system(f"umount -l {disk}")


def test_a_wrong_address_shows_a_person_a_page_and_tells_a_program(client) -> None:
    page = {"Accept": "text/html,application/xhtml+xml,*/*;q=0.8"}

    shown = client.get("/jobs/3", headers=page)
    assert (shown.status_code, shown.headers["Location"]) == (302, "/#/nowhere")
    for address, headers in (("/jobs/3", {}), ("/api/nothing", page), ("/assets/gone.js", page)):
        told = client.get(address, headers=headers)
        assert (told.status_code, told.mimetype) == (404, "application/problem+json")
