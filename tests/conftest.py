"""What most tests need: the shipped figures, a workbench on an empty database, a client of the API."""

from collections.abc import Iterator
from pathlib import Path

import pytest
from flask.testing import FlaskClient

from dunestead.api.app import create_app
from dunestead.catalogue import load_catalogue
from dunestead.core.figures import Catalogue
from dunestead.store import JobStore, open_database
from dunestead.workbench import Workbench


@pytest.fixture(scope="session")
def catalogue() -> Catalogue:
    return load_catalogue()


@pytest.fixture
def store(tmp_path: Path) -> Iterator[JobStore]:
    engine = open_database(tmp_path / "workshop.sqlite")
    yield JobStore(engine)
    engine.dispose()


@pytest.fixture
def workbench(store: JobStore, catalogue: Catalogue) -> Workbench:
    return Workbench(store, catalogue)


@pytest.fixture
def client(tmp_path: Path) -> FlaskClient:
    return create_app({"DATABASE": tmp_path / "api.sqlite", "TESTING": False}).test_client()
