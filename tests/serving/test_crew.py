"""Workers answer as the workshop itself does; one that takes too long, too much or gives out harms nobody else."""

import io
import os
import random
import signal
import subprocess
import threading
import time
from collections.abc import Iterator
from dataclasses import replace
from multiprocessing import Pipe
from pathlib import Path
from threading import Thread

import pytest
from flask.testing import FlaskClient

from dunestead.api.app import create_app
from dunestead.core.checkpoints import KEEPING, Stopped, listened_by
from dunestead.core.errors import TooMuch
from dunestead.serving.crew import Crew, _Worker
from dunestead.serving.messages import Answer, Asked, Told
from dunestead.serving.worker import WorkerSettings
from dunestead.store import open_database
from tests.conftest import PageClient
from tests.shapes import frame, svg

KEY = {"Wait-Key": "waited-for-0002"}


class Workshop:
    """A workshop whose jobs are worked out by a crew."""

    def __init__(self, folder: Path, **more: object) -> None:
        self.database, plans = folder / "workshop.sqlite", folder / "plans"
        plans.mkdir()
        open_database(self.database).dispose()
        settings = WorkerSettings(self.database, plans, **{key: more.pop(key) for key in ("room",) if key in more})
        self.crew = Crew(settings, **more)
        app = create_app({"DATABASE": self.database, "HANDS": self.crew})
        app.test_client_class = PageClient
        self.client: FlaskClient = app.test_client()
        self.app = app

    def workers(self) -> list[int]:
        return [one.process.pid for one in [*self.crew._free, *self.crew._busy]]


@pytest.fixture
def workshop(tmp_path: Path) -> Iterator[Workshop]:
    opened = Workshop(tmp_path, hands=1)
    yield opened
    opened.crew.end()


@pytest.fixture
def hasty(tmp_path: Path) -> Iterator[Workshop]:
    """Open a workshop that gives one second to whoever brings a file."""
    opened = Workshop(tmp_path, hands=1, budget=(60.0, 1.0))
    yield opened
    opened.crew.end()


def star(points: int, seed: int = 7) -> bytes:
    """Return a line that crosses itself thousands of times: few bytes, and long to work out."""
    rolled = random.Random(seed)
    corners = " ".join(f"{rolled.uniform(0, 400):.3f},{rolled.uniform(0, 400):.3f}" for _ in range(points))
    polygon = f'<polygon fill-rule="evenodd" points="{corners}"/>'
    return f'<svg xmlns="http://www.w3.org/2000/svg" width="400" height="400">{polygon}</svg>'.encode()


def begin(client: FlaskClient, data: bytes | None = None, **headers: str):
    drawing = data or svg(frame(0, 0, 60, 20) + frame(80, 0, 60, 20))
    return client.post("/api/jobs", data={"artwork": (io.BytesIO(drawing), "rings.svg")}, headers=headers)


def until(met) -> None:
    """Wait for what must come about soon."""
    for _ in range(500):
        if met():
            return
        time.sleep(0.02)
    raise AssertionError("it did not come about")


def at_work(workshop: Workshop) -> str:
    told: str = workshop.client.get(f"/api/waits/{KEY['Wait-Key']}").get_json()["what"]
    return told


def test_workers_answer_as_the_workshop_itself_does(workshop: Workshop) -> None:
    number = begin(workshop.client).get_json()["id"]
    itself = create_app({"DATABASE": workshop.database}).test_client()

    for path in (f"/api/jobs/{number}", f"/api/jobs/{number}/work", "/api/jobs", "/api/catalogue"):
        by_worker, by_itself = workshop.client.get(path), itself.get(path)

        assert by_worker.status_code == 200
        assert by_worker.get_json() == by_itself.get_json()
        assert by_worker.headers.get("ETag") == by_itself.headers.get("ETag")

    small = workshop.client.get(f"/api/jobs/{number}", headers={"Accept-Encoding": "br"})
    assert (small.headers["Content-Encoding"], small.headers["ETag"]) == ("br", '"v1"')


def test_a_worker_tells_a_fault_in_the_same_words_under_the_requests_own_number(workshop: Workshop) -> None:
    answer = workshop.client.get("/api/jobs/77")

    assert answer.status_code == 404
    assert answer.content_type == "application/problem+json"
    assert answer.get_json()["instance"].endswith(answer.headers["X-Request-Id"])


def test_who_may_not_ask_is_refused_before_any_worker_hears_of_it(workshop: Workshop) -> None:
    answer = workshop.client.get("/api/jobs", headers={"Host": "elsewhere.example"})

    assert answer.status_code == 400
    assert workshop.workers() == []


def test_records_that_one_worker_changed_are_known_to_all(tmp_path: Path) -> None:
    workshop = Workshop(tmp_path, hands=2)
    try:
        workshop.crew.warm_up()
        owned = {"owned": ["pins"]}
        assert workshop.client.put("/api/workshop/tools", json=owned).status_code == 200

        number = begin(workshop.client).get_json()["id"]
        seen = {str(workshop.client.get(f"/api/jobs/{number}").get_json()["mask"]["methods"]) for _ in range(4)}

        assert len(seen) == 1
        assert workshop.client.get("/api/workshop").get_json()["owned"] == ["pins"]
    finally:
        workshop.crew.end()


def test_a_file_that_takes_too_long_is_told_and_nothing_of_it_is_kept(hasty: Workshop) -> None:
    answer = begin(hasty.client, star(300))

    told = answer.get_json()
    assert (answer.status_code, told["code"]) == (422, "too-much")
    assert "after 1 s" in told["title"]
    assert hasty.client.get("/api/jobs").get_json() == {"jobs": [], "broken": [], "looks": []}


def test_who_asks_for_little_does_not_wait_for_who_asks_for_much(workshop: Workshop) -> None:
    number = begin(workshop.client).get_json()["id"]
    heavy = Thread(target=lambda: begin(workshop.app.test_client(), star(300), **KEY))
    heavy.start()
    until(lambda: at_work(workshop).startswith("Outlining"))

    assert workshop.client.get(f"/api/jobs/{number}/head").status_code == 200
    assert heavy.is_alive()

    workshop.client.post(f"/api/waits/{KEY['Wait-Key']}/stop")
    heavy.join(20)
    assert not heavy.is_alive()


def test_what_is_stopped_between_its_checkpoints_has_changed_nothing(workshop: Workshop) -> None:
    answers = []
    heavy = Thread(target=lambda: answers.append(begin(workshop.app.test_client(), star(400), **KEY)))
    heavy.start()
    until(lambda: at_work(workshop).startswith("Outlining"))
    workshop.client.post(f"/api/waits/{KEY['Wait-Key']}/stop")
    heavy.join(20)

    assert (answers[0].status_code, answers[0].get_json()["code"]) == (409, "stopped")
    assert workshop.client.get("/api/jobs").get_json()["jobs"] == []


def test_a_worker_that_dies_takes_only_its_own_request_along(workshop: Workshop) -> None:
    number = begin(workshop.client).get_json()["id"]
    answers = []
    heavy = Thread(target=lambda: answers.append(begin(workshop.app.test_client(), star(400), **KEY)))
    heavy.start()
    until(lambda: workshop.crew._busy)
    for worker in list(workshop.crew._busy):
        os.kill(worker.process.pid, signal.SIGKILL)
    heavy.join(20)

    assert answers[0].get_json()["code"] == "too-much"
    assert workshop.client.get(f"/api/jobs/{number}").status_code == 200


def test_a_worker_that_died_while_idle_is_noticed_by_nobody(workshop: Workshop) -> None:
    number = begin(workshop.client).get_json()["id"]
    assert workshop.client.get(f"/api/jobs/{number}").status_code == 200
    for worker in workshop.crew._free:
        os.kill(worker.process.pid, signal.SIGKILL)
        worker.process.join(10)

    assert workshop.client.get(f"/api/jobs/{number}").status_code == 200


def test_what_needs_more_memory_than_there_is_is_told(tmp_path: Path) -> None:
    workshop = Workshop(tmp_path, hands=1, room=20_000_000)
    try:
        answer = begin(workshop.client, star(300))

        assert answer.get_json()["code"] == "too-much"
    finally:
        workshop.crew.end()


def test_after_a_backup_is_brought_back_workers_know_of_nothing_else(workshop: Workshop) -> None:
    begin(workshop.client)
    name = workshop.client.post("/api/backups").get_json()["backups"][0]["name"]
    begin(workshop.client)
    before = workshop.workers()

    assert workshop.client.post(f"/api/backups/{name}/restore").status_code == 200

    assert len(workshop.client.get("/api/jobs").get_json()["jobs"]) == 1
    assert not set(before) & set(workshop.workers())


def test_a_workshop_that_is_gone_leaves_no_worker_behind(workshop: Workshop) -> None:
    begin(workshop.client)
    processes = [one.process for one in workshop.crew._free]
    for one in workshop.crew._free:
        one.line.close()

    for process in processes:
        process.join(10)
        assert process.exitcode == 0
    workshop.crew._free.clear()


def test_a_worker_that_cannot_begin_is_told_of(workshop: Workshop, caplog: pytest.LogCaptureFixture) -> None:
    """A worker that finds a folder where the database should be ends before it is ready."""
    workshop.crew._settings = replace(workshop.crew._settings, database=workshop.database.parent)

    told = workshop.client.post("/api/jobs", data={"words": "ROW"})

    assert told.status_code == 422
    assert "could not begin" in told.get_json()["title"]
    assert "did not begin" in caplog.text
    assert workshop.crew._busy == set()


class HungWorker:
    """A stand-in for a worker's process: what its line tells, and whether it was ended."""

    def __init__(self, *tells: Told, pid: int | None = None) -> None:
        self.line, self.there = Pipe()
        self.exitcode, self.pid = None, pid
        for told in tells:
            self.there.send(told)

    def worker(self) -> _Worker:
        return _Worker(self, self.line, is_upload=False)


@pytest.mark.parametrize("is_stopped", [False, True])
def test_a_worker_that_hangs_while_it_keeps_is_let_go_and_what_is_known_is_said(tmp_path, is_stopped: bool) -> None:
    crew = Crew(WorkerSettings(tmp_path / "none.sqlite", tmp_path), hands=1, keeping=0.3)
    hung = HungWorker(*([Told("Dividing", 0.1)] if is_stopped else []), Told(KEEPING, 1.0)).worker()

    def not_wanted(what: str, share: float) -> None:
        raise Stopped

    with listened_by(not_wanted), pytest.raises(TooMuch) as told:
        crew._asked(hung, Asked({}, b"", 0), budget=60.0)

    assert "being saved" in told.value.what
    assert "may be there already" in told.value.fix
    assert hung.is_spent


def test_who_keeps_in_time_is_waited_for_though_nobody_wants_it_any_more(tmp_path) -> None:
    crew = Crew(WorkerSettings(tmp_path / "none.sqlite", tmp_path), hands=1, keeping=5.0)
    stand_in = HungWorker(Told("Dividing", 0.1), Told(KEEPING, 1.0))
    kept = Answer(200, (), b"kept", (), has_changed_records=False, memory=0)
    stand_in.there.send(kept)

    def not_wanted(what: str, share: float) -> None:
        raise Stopped

    with listened_by(not_wanted):
        assert crew._asked(stand_in.worker(), Asked({}, b"", 0), budget=60.0) == kept


def test_a_busy_machine_is_not_counted_against_a_request(tmp_path) -> None:
    """The time passes, but the worker's process has not had any of it."""
    crew = Crew(WorkerSettings(tmp_path / "none.sqlite", tmp_path), hands=1, keeping=5.0)
    answer = Answer(200, (), b"done", (), has_changed_records=False, memory=0)
    with subprocess.Popen(["sleep", "20"]) as idle:
        waits, hangs = HungWorker(pid=idle.pid), HungWorker(pid=idle.pid)
        threading.Timer(0.9, waits.there.send, [answer]).start()

        assert crew._heard(waits.worker(), budget=0.4) == answer
        with pytest.raises(TooMuch, match="stopped after"):
            crew._heard(hangs.worker(), budget=0.1)
        idle.kill()
