"""The workshop on its own machine: a server made for production, on the loopback address."""

import errno
import logging
import shutil
import signal
import socket
import sys
import threading
import time
import webbrowser
from collections.abc import Sequence
from pathlib import Path
from typing import Any

import click
import waitress
from flask import Flask

from dunestead.api.app import create_app
from dunestead.api.journal import keep_journal
from dunestead.core.errors import BadInput, DunesteadError
from dunestead.serving.crew import Crew
from dunestead.serving.worker import WorkerSettings
from dunestead.store.alone import kept_alone
from dunestead.store.places import ACCESS_FILE, PLANS, database_at
from dunestead.workshop.access import Access
from dunestead.workshop.keeping import Keeper

__all__ = ["serve_workshop"]

# Most of them only wait for a worker.
_THREADS = 32
_CUTTER_BEAT = 1.0
_CONNECTIONS = 1000
_SILENCE_S = 20
_OWN_MACHINE = ("127.0.0.1", "localhost")
# How often it is looked whether the day has a backup.
_LOOKS_S = 1800
_LOGGER = logging.getLogger(__name__)


def serve_workshop(
    host: str,
    port: int,
    data: Path | None,
    *,
    demo: bool,
    browser: bool,
    debug: bool = False,
    names: Sequence[str] = (),
) -> None:
    """Serve until stopped.

    Parameters
    ----------
    host, port
        Where.
    data
        Folder of the database; the user's own data folder when None.
    demo
        Keep a database of its own and fill it with the demo when it is empty.
    browser
        Open the maker's browser.
    debug
        Write all there is to say to the log.
    names
        Further host names it answers under.
    """
    _check_free(host, port)
    database = database_at(data, demo=demo)
    try:
        with kept_alone(database):
            _serve(host, port, database, demo=demo, browser=browser, debug=debug, names=names)
    except OSError as error:
        raise BadInput(
            f"The folder {database.parent} cannot be used: {error.strerror}.", "Give another with --data."
        ) from None


def _serve(
    host: str, port: int, database: Path, *, demo: bool, browser: bool, debug: bool, names: Sequence[str]
) -> None:
    # Asked to end, it ends in order, as by Ctrl+C.
    signal.signal(signal.SIGTERM, lambda *_: sys.exit(0))
    plans = database.parent / PLANS
    # A workshop that was killed could not tidy up.
    shutil.rmtree(plans, ignore_errors=True)
    plans.mkdir(mode=0o700)
    crew = Crew(WorkerSettings(database, plans))
    try:
        _listen(crew, host, port, database, demo=demo, browser=browser, debug=debug, names=names)
    finally:
        crew.end()
        shutil.rmtree(plans, ignore_errors=True)


def _listen(
    crew: Crew,
    host: str,
    port: int,
    database: Path,
    *,
    demo: bool,
    browser: bool,
    debug: bool,
    names: Sequence[str],
) -> None:
    keep_journal(database.parent, debug=debug)
    settings = {"DATABASE": database, "CUTTER_BEAT": _CUTTER_BEAT, "HANDS": crew}
    app = create_app({**settings, **_network(host, port, database, names)})
    if demo:
        from dunestead.demo.marram_row import fill_demo

        fill_demo(app.extensions["workbench"])
    if not demo:
        threading.Thread(target=_keep_daily, args=(app.extensions["keeper"],), daemon=True).start()
    # Reckon the board through while the maker's browser opens.
    threading.Thread(target=_warm_up, args=(app, crew), daemon=True).start()
    address = f"http://{next(iter(app.config['NETWORK_NAMES']), f'{host}:{port}')}/"
    click.echo(f"Dunestead is at {address}  (stop with Ctrl+C)")
    sys.stdout.flush()
    if browser:
        webbrowser.open(address)
    # Requests that wait a moment are no news to a maker.
    logging.getLogger("waitress.queue").setLevel(logging.ERROR)
    waitress.serve(  # type: ignore[no-untyped-call]
        app,
        host=host,
        port=port,
        threads=_THREADS,
        ident=None,
        # Connections that send nothing are let go, so that none wait behind them.
        connection_limit=_CONNECTIONS,
        channel_timeout=_SILENCE_S,
        cleanup_interval=_SILENCE_S // 4,
        max_request_body_size=3 * app.config["MAX_CONTENT_LENGTH"],
        _quiet=True,
    )


def _warm_up(app: Flask, crew: Crew) -> None:
    crew.warm_up()
    app.test_client().get("/api/jobs")


def _network(host: str, port: int, database: Path, names: Sequence[str]) -> dict[str, Any]:
    """Return the settings of a workshop that listens to the network; none where it listens to its own machine alone.

    Raises
    ------
    BadInput
        When it would be open to everybody, for no passphrase is set.
    """
    if host in _OWN_MACHINE and not names:
        return {}
    access = Access(database.parent / ACCESS_FILE, time.monotonic)
    if host not in _OWN_MACHINE and not access.is_set:
        raise BadInput(
            f"On {host} everybody in the network could change this workshop: it has no passphrase.",
            "Set one first: dunestead passphrase. Or leave --host out, to use it on this machine alone.",
        )
    found = [_own_address() if host == "0.0.0.0" else host, socket.gethostname()]  # noqa: S104 - compared, not bound
    others = [name for name in dict.fromkeys([*found, *names]) if name and name not in _OWN_MACHINE]
    return {
        "TRUSTED_HOSTS": [*_OWN_MACHINE, *others],
        "NETWORK_NAMES": [f"{name}:{port}" for name in others],
        "ACCESS": access if access.is_set else None,
    }


def _own_address() -> str | None:
    """Return this machine's address in its network; nothing is sent to find it."""
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
        try:
            probe.connect(("10.255.255.255", 9))
            address: str = probe.getsockname()[0]
        except OSError:
            return None
    return address


def _keep_daily(keeper: Keeper) -> None:
    """Make a backup a day for as long as the workshop is served."""
    while True:
        try:
            keeper.make_daily()
        except (DunesteadError, OSError):
            # Tried again in a while; the page shows how old the newest is.
            _LOGGER.exception("The backup of today could not be made")
        time.sleep(_LOOKS_S)


def _check_free(host: str, port: int) -> None:
    if not 1 <= port <= 65535:
        raise BadInput(f"{port} is not a port.", "Give one from 1024 to 65535.")
    if ":" in host:
        raise BadInput(f"{host} is an IPv6 address, and Dunestead listens on IPv4 only.", "Use --host 127.0.0.1.")
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind((host, port))
        except socket.gaierror:
            raise BadInput(f"This machine has no address called {host}.", "Use --host 127.0.0.1.") from None
        except OSError as error:
            fix = "Use --host 127.0.0.1." if error.errno == errno.EADDRNOTAVAIL else "Give another with --port."
            raise BadInput(f"{host}:{port} cannot be used: {(error.strerror or 'in use').lower()}.", fix) from None
