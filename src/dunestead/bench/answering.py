"""How long do the answers take that a maker waits for all day, in a workshop that has seen years of work?

The floor of an answer is the same file of SQLite, read or written by its bare driver: the rows the answer
needs, with full sync where something is kept.
"""

import contextlib
import json
import sqlite3
import statistics
import tempfile
import time
from collections.abc import Callable, Iterator
from functools import partial
from pathlib import Path
from typing import Any

from flask.testing import FlaskClient

from dunestead.api.app import create_app
from dunestead.core.job.job import altered
from dunestead.workshop.workbench import Workbench

__all__ = ["measure_answers"]

_JOBS = 5000
_CHANGES = 250
_COPIES = 4
_RUNS = 9


def measure_answers() -> dict[str, dict[str, float]]:
    """Return for the head of a job, the board and a tick the median of its answers and of its floor, in ms.

    The job asked for and ticked went through as many changes as can be undone; copies of it fill the board.
    """
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "workshop.sqlite"
        app = create_app({"DATABASE": path})
        job_id = _fill(app.extensions["workbench"], path)
        client = app.test_client()
        with contextlib.closing(sqlite3.connect(path)) as database:
            return {
                "head of a job": _compared(
                    lambda: _asked(client, f"/api/jobs/{job_id}/head"), lambda: _row(database, job_id)
                ),
                f"board of {_JOBS} jobs": _compared(
                    lambda: _asked(client, "/api/jobs"),
                    lambda: database.execute(
                        "SELECT id, version, key, text FROM job LEFT JOIN excerpt ON job_id = id"
                    ).fetchall(),
                ),
                "tick": _compared(_ticks(client, job_id).__next__, lambda: _kept(database, job_id)),
            }


def _fill(workbench: Workbench, path: Path) -> int:
    """Begin one job, change it often, and put copies of it beside it; return its number."""
    job_id = workbench.begin(workbench.designs.make_words("BOOTS OFF"), "Bench", "terry")
    workbench.alter(job_id, "Copies", lambda job: altered(job, copies=_COPIES))
    for number in range(_CHANGES):
        workbench.alter(job_id, "Name", partial(altered, name=f"Bench {number}"))
    with contextlib.closing(sqlite3.connect(path)) as database, database:
        row = database.execute("SELECT created_at, head, version FROM job WHERE id = ?", (job_id,)).fetchone()
        database.executemany("INSERT INTO job (created_at, head, version) VALUES (?, ?, ?)", [row] * (_JOBS - 1))
        database.execute(
            "INSERT INTO revision (job_id, seq, at, label, version, state) "
            "SELECT job.id, r.seq, r.at, r.label, r.version, r.state FROM job, revision r "
            "WHERE r.job_id = ? AND r.seq = ? AND job.id != r.job_id",
            (job_id, row[1]),
        )
    return job_id


def _ticks(client: FlaskClient, job_id: int) -> Iterator[None]:
    """Tick the first task and take it back, in turn."""
    work = json.loads(_asked(client, f"/api/jobs/{job_id}/work"))
    task = next(task["id"] for station in work["stations"] for task in station["tasks"])
    done = False
    while True:
        done = not done
        _asked(client, f"/api/jobs/{job_id}/tasks/done", {"task": task, "done": done}, work["version"])
        yield


def _asked(client: FlaskClient, address: str, change: dict[str, Any] | None = None, version: int = 0) -> bytes:
    answer = (
        client.get(address)
        if change is None
        else client.post(address, json=change, headers={"If-Match": f'"v{version}"'})
    )
    if answer.status_code >= 400:
        raise AssertionError(answer.get_data(as_text=True))
    return answer.get_data()


def _row(database: sqlite3.Connection, job_id: int) -> Any:
    return database.execute(
        "SELECT state FROM job JOIN revision ON job_id = id AND seq = head WHERE id = ?", (job_id,)
    ).fetchone()


def _kept(database: sqlite3.Connection, job_id: int) -> None:
    """Write one row as safely as the workshop does."""
    database.execute("PRAGMA synchronous = FULL")
    with database:
        database.execute(
            "INSERT INTO log (job_id, written_at, kind, task, at, state) "
            "SELECT ?, created_at, 'undone', 'floor', created_at, '{}' FROM job WHERE id = ?",
            (job_id, job_id),
        )


def _compared(work: Callable[[], Any], floor: Callable[[], Any]) -> dict[str, float]:
    work()  # The first plan, and the first drawing of each card, are not what is waited for all day.
    answer, bare = _median(work), _median(floor)
    return {"answer_ms": answer * 1e3, "floor_ms": bare * 1e3, "ratio": answer / bare}


def _median(work: Callable[[], Any]) -> float:
    times = []
    for _ in range(_RUNS):
        start = time.perf_counter()
        work()
        times.append(time.perf_counter() - start)
    return statistics.median(times)
