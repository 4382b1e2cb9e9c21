"""What most tests need: the shipped figures, a workbench on an empty database, a client of the API."""

import re
from collections.abc import Iterator
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient
from sqlalchemy import Engine

from dunestead.api.app import create_app
from dunestead.catalogue import load_catalogue
from dunestead.core.figures import Catalogue
from dunestead.store import BlankStore, JobStore, RunStore, open_database, open_records
from dunestead.workshop.clock import Clock
from dunestead.workshop.cutting_room import CuttingRoom
from dunestead.workshop.workbench import Workbench


class TurnedClock:
    """A clock that stands at noon until it is turned."""

    def __init__(self) -> None:
        self.now = datetime(2026, 5, 10, 12, 0, tzinfo=UTC)
        self.seconds = 0.0

    def turn(self, minutes: float) -> None:
        self.now += timedelta(minutes=minutes)
        self.seconds += 60 * minutes

    @property
    def clock(self) -> Clock:
        return Clock(lambda: self.now, lambda: self.seconds)


@pytest.fixture(scope="session")
def catalogue() -> Catalogue:
    return load_catalogue()


@pytest.fixture
def engine(tmp_path: Path) -> Iterator[Engine]:
    opened = open_database(tmp_path / "workshop.sqlite")
    yield opened
    opened.dispose()


@pytest.fixture
def store(engine: Engine) -> JobStore:
    return JobStore(engine)


@pytest.fixture
def blanks(engine: Engine) -> BlankStore:
    return BlankStore(engine)


@pytest.fixture
def workbench(engine: Engine, store: JobStore, blanks: BlankStore, catalogue: Catalogue) -> Workbench:
    return Workbench(store, blanks, open_records(engine), catalogue, CuttingRoom(RunStore(engine)))


class PageClient(FlaskClient):
    """A client that says, as the page does, which version of a job a change is made on: the one it saw last."""

    def open(self, *args: Any, **more: Any) -> Any:
        address, method = str(args[0] if args else more.get("path", "")), more.get("method", "GET")
        if isinstance(more.get("data"), dict):
            # The page sends forms with a body of parts, whether there is a file in them or not.
            more.setdefault("content_type", "multipart/form-data")
        job = re.match(r"/api/jobs/(\d+)/?", address)
        headers = dict(more.pop("headers", None) or {})
        if job and method != "GET" and "If-Match" not in headers:
            seen = super().open(f"/api/jobs/{job[1]}/head", method="GET")
            headers["If-Match"] = seen.headers.get("ETag", '"v1"')
        return super().open(*args, headers=headers, **more)


@pytest.fixture
def clock() -> TurnedClock:
    return TurnedClock()


@pytest.fixture
def client(tmp_path: Path, clock: TurnedClock) -> FlaskClient:
    app = create_app({"DATABASE": tmp_path / "api.sqlite", "TESTING": False, "CLOCK": clock.clock})
    app.test_client_class = PageClient
    return app.test_client()
