"""A worker: one process that answers what is asked about jobs, one request after the other, until the front is gone."""

import logging
import os
import resource
import signal
import sys
import time
from dataclasses import dataclass
from io import BytesIO
from multiprocessing.connection import Connection
from pathlib import Path
from typing import Any

from flask import Flask
from werkzeug.test import run_wsgi_app

from dunestead.api.app import create_app
from dunestead.core.checkpoints import Stopped, listened_by
from dunestead.serving.messages import Answer, Asked, Line, Ready, Stop, Told
from dunestead.workshop.workbench import Workbench

__all__ = ["WorkerSettings", "work"]

# What a request may take beyond what a worker takes when it begins, bytes.
_ROOM = 600_000_000
# How far the same step is is told no more often than this, s: nobody could read it.
_PAUSE_S = 0.05


@dataclass(frozen=True, slots=True)
class WorkerSettings:
    """What a worker works on, and how.

    Attributes
    ----------
    database
        The workshop's, brought up to date already.
    plans
        Folder through which workers share what they reckon.
    niceness
        By how much it lets others go before it.
    room
        Memory for a request, bytes.
    """

    database: Path
    plans: Path
    niceness: int = 0
    room: int = _ROOM


def work(connection: Connection, settings: WorkerSettings) -> None:
    """Answer requests until the other end of the connection is closed.

    Parameters
    ----------
    connection
        To the front.
    settings
        What it works on, and how.
    """
    # Ctrl+C is for the front, which then lets its workers go.
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    lines = _Lines()
    logging.getLogger("dunestead").addHandler(lines)
    logging.getLogger("dunestead").propagate = False
    os.nice(settings.niceness)
    app = create_app({"DATABASE": settings.database, "PLANS": settings.plans, "WORKER": True})
    _keep_within(settings.room)
    try:
        connection.send(Ready())
        while True:
            asked = connection.recv()
            if isinstance(asked, Asked):
                connection.send(_answer(app, asked, connection, lines))
    except (EOFError, BrokenPipeError, ConnectionResetError):
        # The front is gone, and nobody waits for an answer.
        return


def _answer(app: Flask, asked: Asked, connection: Connection, lines: "_Lines") -> Answer:
    workbench: Workbench = app.extensions["workbench"]
    if workbench.lessons.state != asked.records:
        workbench.lessons.refresh(asked.records)
    environ: dict[str, Any] = {**asked.environ, "wsgi.input": BytesIO(asked.body), "wsgi.errors": sys.stderr}
    with listened_by(_Teller(connection)):
        parts, status, headers = run_wsgi_app(app, environ, buffered=True)
    return Answer(
        status=int(status.split()[0]),
        headers=tuple(headers.items()),
        body=b"".join(parts),
        lines=lines.taken(),
        has_changed_records=workbench.lessons.state != asked.records,
        memory=resource.getrusage(resource.RUSAGE_SELF).ru_maxrss * 1000,
    )


class _Teller:
    """Tells the front how far the work is, and hears from it whether it is still wanted."""

    def __init__(self, connection: Connection) -> None:
        self._connection, self._told_at, self._told = connection, 0.0, ""

    def __call__(self, what: str, share: float) -> None:
        now = time.monotonic()
        if what != self._told or now - self._told_at >= _PAUSE_S:
            self._connection.send(Told(what, share))
            self._told_at, self._told = now, what
            if self._connection.poll() and isinstance(self._connection.recv(), Stop):
                raise Stopped


class _Lines(logging.Handler):
    """Keeps what is written to the log, to go to the front with the answer: one process alone writes the file."""

    def __init__(self) -> None:
        super().__init__()
        self._kept: list[Line] = []
        self.setFormatter(logging.Formatter("%(message)s"))

    def emit(self, record: logging.LogRecord) -> None:
        self._kept.append(Line(record.name, record.levelno, self.format(record)))

    def taken(self) -> tuple[Line, ...]:
        taken, self._kept = tuple(self._kept), []
        return taken


def _keep_within(room: int) -> None:
    """Let no request take all of the machine's memory: it gets a `MemoryError` before."""
    try:
        status = Path("/proc/self/status").read_text()
        taken = next(int(line.split()[1]) * 1024 for line in status.splitlines() if line.startswith("VmData:"))
        resource.setrlimit(resource.RLIMIT_DATA, (taken + room, resource.RLIM_INFINITY))
    except (OSError, StopIteration, ValueError):
        # A system that does not count it: then the clock alone holds requests back.
        return
