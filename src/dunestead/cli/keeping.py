"""Backups of the workshop, and a look whether all is well with it."""

from datetime import datetime
from pathlib import Path

import click

from dunestead.cli.reporting import FAULTS, print_report
from dunestead.core.errors import BadInput

__all__ = ["backup", "doctor", "passphrase", "restore"]

_data = click.option("--data", type=click.Path(path_type=Path, file_okay=False), help="Folder of the database.")


def _database(data: Path | None) -> Path:
    from dunestead.store.places import database_at

    database = database_at(data)
    if not database.exists():
        raise BadInput(f"There is no workshop in {database.parent}.", "Give its folder with --data.")
    return database


@click.command()
@_data
@click.argument("file", type=click.Path(path_type=Path, dir_okay=False), required=False)
def backup(data: Path | None, file: Path | None) -> None:
    """Make a backup of the workshop, into FILE or beside the others; it may be in use meanwhile."""
    from dunestead.store.backups import back_up

    if file is not None and file.exists():
        raise BadInput(f"{file} is there already.", "Give another name: a backup never overwrites anything.")
    made = back_up(_database(data), datetime.now().astimezone(), "hand", file)
    click.echo(f"{made.path} ({made.size / 1_000_000:.1f} MB, checked)")


@click.command()
@_data
@click.argument("file", type=click.Path(path_type=Path, dir_okay=False, exists=True))
def restore(data: Path | None, file: Path) -> None:
    """Put the workshop of a backup FILE in place; what is there now is kept beside it."""
    from dunestead.store.alone import kept_alone
    from dunestead.store.places import database_at
    from dunestead.store.restoring import restore as put_back

    database = database_at(data)
    with kept_alone(database):
        aside = put_back(file, database, datetime.now().astimezone())
    click.echo(f"{database} is the workshop of {file.name} now.")
    if aside:
        click.echo(f"What was there is kept as {aside.name}.")


@click.command()
@_data
@click.option("--json", "as_json", is_flag=True, help="Print one JSON object and nothing else.")
def doctor(data: Path | None, as_json: bool) -> int:
    """Look whether all is well with the workshop's data, and say what would mend what is not. Changes nothing."""
    from dunestead.store.places import database_at
    from dunestead.workshop.doctor import examine

    checks = list(examine(database_at(data), datetime.now().astimezone()))
    report = {
        "well": all(one.is_well for one in checks),
        "checks": [
            {"code": one.code, "well": one.is_well, "found": one.found, "mend": one.mend or None} for one in checks
        ],
    }
    print_report(
        report,
        as_json,
        lambda _: [f"{'ok  ' if one.is_well else 'MEND'}  {one.found} {one.mend}".rstrip() for one in checks],
    )
    return 0 if report["well"] else FAULTS


@click.command()
@_data
@click.option("--stdin", "from_stdin", is_flag=True, help="Read it from standard input, a line.")
def passphrase(data: Path | None, from_stdin: bool) -> None:
    """Set the passphrase that lets tablets and others in; whoever is signed in is signed out at the next start."""
    import sys
    import time

    from dunestead.store.places import ACCESS_FILE, database_at
    from dunestead.workshop.access import Access

    chosen = (
        sys.stdin.readline().rstrip("\n")
        if from_stdin
        else click.prompt("Passphrase", hide_input=True, confirmation_prompt=True)
    )
    Access(database_at(data).parent / ACCESS_FILE, time.monotonic).choose(chosen)
    click.echo("The passphrase is set. Serve the workshop to your network with: dunestead serve --host 0.0.0.0")
