"""The database file: opened, brought up to date, and set so that a crash costs nothing."""

import os
from datetime import datetime
from importlib import resources
from pathlib import Path
from typing import Any

from sqlalchemy import Connection, Engine, create_engine, event, inspect, text
from sqlalchemy.exc import DBAPIError
from sqlalchemy.orm import sessionmaker

from dunestead.store.backups import back_up
from dunestead.store.faults import fault_of, gone, newer

__all__ = ["Sessions", "newest_version", "open_database", "version_of"]

_WAIT_MS = 5000


def open_database(path: Path) -> Engine:
    """Return an engine on a database file, made or migrated to the newest tables.

    Parameters
    ----------
    path
        The file; its folder is made.

    Raises
    ------
    StoreFault
        When the file is no database, cannot be written, or was written by a later release.

    Notes
    -----
    Write-ahead log, full sync and immediate transactions: what a request has answered for
    is on the disk, and a kill at any moment loses at most the change in flight.
    """
    path.parent.mkdir(parents=True, exist_ok=True)
    engine = create_engine(f"sqlite:///{path}")
    event.listen(engine, "connect", _prepare)
    event.listen(engine, "begin", _begin)
    try:
        _migrate(engine, path)
    except DBAPIError as error:
        engine.dispose()
        raise fault_of(error) from error
    _watch(engine, path)
    return engine


def _watch(engine: Engine, path: Path) -> None:
    """Refuse to write to a file that was moved away: what is written there is lost to the maker."""
    opened = os.stat(path)

    @event.listens_for(engine, "begin")
    def is_still_there(_connection: Connection) -> None:
        try:
            now = os.stat(path)
        except OSError:
            raise gone(path) from None
        if (now.st_dev, now.st_ino) != (opened.st_dev, opened.st_ino):
            raise gone(path)


class Sessions:
    """Sessions on a database: those that write take its lock at once, those that read take none.

    Parameters
    ----------
    engine
        Of `open_database`.
    """

    def __init__(self, engine: Engine) -> None:
        self.write = sessionmaker(engine).begin
        self.read = sessionmaker(engine.execution_options(reads=True))


def _prepare(connection: Any, _record: Any) -> None:
    # The driver must not open transactions by itself: `_begin` does.
    connection.isolation_level = None
    for pragma in ("journal_mode=WAL", "synchronous=FULL", "foreign_keys=ON", f"busy_timeout={_WAIT_MS}"):
        connection.execute(f"PRAGMA {pragma}")


def _begin(connection: Connection) -> None:
    reads = connection.get_execution_options().get("reads", False)
    connection.exec_driver_sql("BEGIN" if reads else "BEGIN IMMEDIATE")


def _migrate(engine: Engine, path: Path) -> None:
    folder = resources.files("dunestead.store") / "migrations"
    newest = newest_version()
    version = _version(engine)
    if version == newest:
        return
    if version is not None and version > newest:
        engine.dispose()
        raise newer(version)
    if version is not None:
        # What a migration does cannot be taken back but by this.
        back_up(path, datetime.now().astimezone(), f"before-{newest}")
    # The migrator takes longer to load than all else here, and most starts have no need of it.
    from alembic import command
    from alembic.config import Config

    config = Config()
    config.set_main_option("script_location", str(folder))
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "head")


def newest_version() -> str:
    """Return the number of the newest migration that this release knows."""
    versions = resources.files("dunestead.store") / "migrations" / "versions"
    return max(entry.name.partition("_")[0] for entry in versions.iterdir() if entry.name[:1].isdigit())


def version_of(path: Path) -> str | None:
    """Return the number of the newest migration a database file has seen, None where it is no database of ours."""
    engine = create_engine(f"sqlite:///file:{path.absolute()}?mode=ro&uri=true")
    try:
        return _version(engine)
    finally:
        engine.dispose()


def _version(engine: Engine) -> str | None:
    """Return the number of the newest migration a database has seen, None for a new one."""
    with engine.connect() as connection:
        if not inspect(connection).has_table("alembic_version"):
            return None
        version: str | None = connection.scalar(text("SELECT version_num FROM alembic_version"))
        return version
