"""The workshop on its machine: it listens, on the loopback address or on the network, and lets its crew answer."""

import asyncio
import logging
import resource
import shutil
import sys
import threading
import time
import webbrowser
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path

import click
from flask import Flask
from hypercorn.asyncio.run import worker_serve
from hypercorn.config import Config

from dunestead.api.app import create_app
from dunestead.api.journal import keep_journal
from dunestead.core.errors import BadInput, DunesteadError
from dunestead.serving.answering import Answering
from dunestead.serving.certificate import Certificate
from dunestead.serving.crew import Crew
from dunestead.serving.network import Network, check_free, settings_of
from dunestead.serving.worker import WorkerSettings
from dunestead.store.alone import kept_alone
from dunestead.store.places import PLANS, database_at
from dunestead.workshop.keeping import Keeper

__all__ = ["Serving", "serve_workshop"]

# Most of them only wait for a worker.
_THREADS = 32
_CUTTER_BEAT = 1.0
# A connection on which nothing is asked is let go after so long, s.
_SILENCE_S = 20.0
# A request that does not come in whole is let go after so long; longer than any is worked on, s.
_STALLED_S = 90
# Those being answered when the workshop is closed have so long, s.
_FAREWELL_S = 2.0
# How often it is looked whether the day has a backup, s.
_LOOKS_S = 1800
_LOGGER = logging.getLogger(__name__)


@dataclass(frozen=True, slots=True)
class Serving:
    """How a workshop is served.

    Attributes
    ----------
    network
        Where it listens.
    data
        Folder of the database; the user's own data folder when None.
    is_demo
        Whether it has a database of its own, filled with the demo when it is empty.
    opens_browser
        Whether the maker's browser is opened.
    debug
        Whether all there is to say is written to the log.
    """

    network: Network
    data: Path | None
    is_demo: bool = False
    opens_browser: bool = False
    debug: bool = False


def serve_workshop(serving: Serving) -> None:
    """Serve until stopped.

    Raises
    ------
    BadInput
        When it cannot listen there, or its folder cannot be used.
    """
    check_free(serving.network)
    database = database_at(serving.data, demo=serving.is_demo)
    try:
        with kept_alone(database), _crew(database) as crew:
            keep_journal(database.parent, debug=serving.debug)
            _serve(serving, database, crew)
    except OSError as error:
        raise BadInput(
            f"The folder {database.parent} cannot be used: {error.strerror}.", "Give another with --data."
        ) from None


@contextmanager
def _crew(database: Path) -> Iterator[Crew]:
    """Keep workers, and a folder for what they share, for as long as the workshop is served."""
    plans = database.parent / PLANS
    # A workshop that was killed could not tidy up.
    shutil.rmtree(plans, ignore_errors=True)
    plans.mkdir(mode=0o700)
    crew = Crew(WorkerSettings(database, plans))
    try:
        yield crew
    finally:
        crew.end()
        shutil.rmtree(plans, ignore_errors=True)


def _serve(serving: Serving, database: Path, crew: Crew) -> None:
    network = serving.network
    settings = settings_of(network, database.parent)
    certificate = network.certificate_in(database.parent)
    scheme = "https" if certificate else "http"
    app = create_app(
        {
            "DATABASE": database,
            "CUTTER_BEAT": _CUTTER_BEAT,
            "HANDS": crew,
            "PLANS": database.parent / PLANS,
            "SESSION_COOKIE_SECURE": certificate is not None,
            **settings,
        }
    )
    if serving.is_demo:
        from dunestead.demo.marram_row import fill_demo

        fill_demo(app.extensions["workbench"])
    else:
        threading.Thread(target=_keep_daily, args=(app.extensions["keeper"],), daemon=True).start()
    # Reckon the board through while the maker's browser opens.
    threading.Thread(target=_warm_up, args=(app, crew), daemon=True).start()
    address = f"{scheme}://{next(iter(app.config['NETWORK_NAMES']), f'{network.host}:{network.port}')}/"
    click.echo(f"Dunestead is at {address}  (stop with Ctrl+C)")
    if certificate and network.makes_certificate:
        click.echo(
            "It made its own certificate, which no browser knows: each warns once that the connection is not private. "
            f"Compare the fingerprint, then go on: {certificate.fingerprint}"
        )
    sys.stdout.flush()
    if serving.opens_browser:
        webbrowser.open(address)
    asyncio.run(_listen(app, crew, network, certificate))


async def _listen(app: Flask, crew: Crew, network: Network, certificate: Certificate | None) -> None:
    """Listen until asked to end."""
    _take_connections()
    asyncio.get_running_loop().set_default_executor(ThreadPoolExecutor(_THREADS))
    config = Config()
    config.bind = [f"{network.host}:{network.port}"]
    if certificate:
        config.certfile, config.keyfile = str(certificate.certificate), str(certificate.key)
    config.keep_alive_timeout, config.read_timeout = _SILENCE_S, _STALLED_S
    config.graceful_timeout = _FAREWELL_S
    config.include_server_header = False
    config.errorlog = logging.getLogger("dunestead.serving.hypercorn")
    await worker_serve(Answering(app, app.config["MAX_CONTENT_LENGTH"]), config)
    # Whoever still waits is let go with the workers.
    crew.end()


def _take_connections() -> None:
    """Let as many devices, and idle connections of theirs, come in as the system allows."""
    _, most = resource.getrlimit(resource.RLIMIT_NOFILE)
    resource.setrlimit(resource.RLIMIT_NOFILE, (most, most))


def _warm_up(app: Flask, crew: Crew) -> None:
    crew.warm_up()
    app.test_client().get("/api/jobs")


def _keep_daily(keeper: Keeper) -> None:
    """Make a backup a day for as long as the workshop is served."""
    while True:
        try:
            keeper.make_daily()
        except (DunesteadError, OSError):
            # Tried again in a while; the page shows how old the newest is.
            _LOGGER.exception("The backup of today could not be made")
        time.sleep(_LOOKS_S)
