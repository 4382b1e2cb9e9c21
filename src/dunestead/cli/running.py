"""Serving the workshop, with the demo or without, and measuring how quick it is."""

import json
from pathlib import Path
from typing import Any

import click

from dunestead.cli.reporting import print_report

_FILE = click.Path(path_type=Path, dir_okay=False)
__all__ = ["bench", "demo", "openapi", "schema", "serve"]


@click.command()
@click.option("--json", "as_json", is_flag=True, help="Print one JSON object and nothing else.")
def bench(as_json: bool) -> None:
    """Measure checks against the bare geometry under them, and answers against the bare rows."""
    from dunestead.bench import run_bench

    print_report(run_bench(), as_json, lambda report: report["lines"])


@click.command()
@click.option("--host", default="127.0.0.1", show_default=True)
@click.option("--port", default=8765, show_default=True)
@click.option("--data", type=click.Path(path_type=Path, file_okay=False), help="Folder of the database.")
@click.option("--allow-host", "names", multiple=True, help="A further host name it answers under.")
@click.option("--certificate", type=_FILE, help="Your own certificate (PEM): connections are encrypted.")
@click.option("--key", type=_FILE, help="Its key, where that is a file of its own.")
@click.option("--make-certificate", is_flag=True, help="Encrypt with a certificate the workshop makes for itself.")
@click.option("--browser/--no-browser", default=False, help="Open the browser at it, or leave that to you (the usual).")
@click.option("--debug", is_flag=True, help="Write all there is to say to the log in the data folder.")
def serve(data: Path | None, debug: bool, browser: bool, **where: Any) -> None:
    """Serve the workshop, on this machine alone or, with a passphrase, on the network."""
    from dunestead.serving.network import Network
    from dunestead.serving.server import Serving, serve_workshop

    network = Network(makes_certificate=where.pop("make_certificate"), **where)
    serve_workshop(Serving(network, data, debug=debug, opens_browser=browser))


@click.command()
@click.option("--port", default=8765, show_default=True)
@click.option("--no-browser", is_flag=True, help="Do not open the browser.")
@click.option("--data", type=click.Path(path_type=Path, file_okay=False), help="Folder of the database.")
def demo(port: int, no_browser: bool, data: Path | None) -> None:
    """Fill a database with the workshop of Marram Row and serve it."""
    from dunestead.serving.network import Network
    from dunestead.serving.server import Serving, serve_workshop

    serve_workshop(Serving(Network("127.0.0.1", port), data, is_demo=True, opens_browser=not no_browser))


@click.command()
def schema() -> None:
    """Print the schema of job files (JSON Schema)."""
    from dunestead.formats.job_schema import job_schema

    click.echo(json.dumps(job_schema(), indent=2))


@click.command(hidden=True)
def openapi() -> None:
    """Print the description of the API."""
    from dunestead.api.app import create_app

    click.echo(json.dumps(create_app().spec, indent=2, sort_keys=True))
