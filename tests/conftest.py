"""What most tests need: the shipped figures, a workbench on an empty database, a client of the API."""

from collections.abc import Iterator
from pathlib import Path

import pytest
from flask.testing import FlaskClient
from sqlalchemy import Engine

from dunestead.api.app import create_app
from dunestead.catalogue import load_catalogue
from dunestead.core.figures import Catalogue
from dunestead.store import BlankStore, JobStore, open_database, open_records
from dunestead.workshop.workbench import Workbench


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
    return Workbench(store, blanks, open_records(engine), catalogue)


@pytest.fixture
def client(tmp_path: Path) -> FlaskClient:
    return create_app({"DATABASE": tmp_path / "api.sqlite", "TESTING": False}).test_client()
