"""The command line: the reckoning for scripts and for makers with many files."""

import sys

import click

from dunestead.cli.designs import fonts, text, trace
from dunestead.cli.jobs import lay, plan
from dunestead.cli.keeping import backup, doctor, passphrase, restore
from dunestead.cli.masks import check, mask, sheets, simulate
from dunestead.cli.reporting import BAD_INPUT
from dunestead.cli.running import bench, demo, openapi, schema, serve
from dunestead.core.errors import DunesteadError

__all__ = ["main"]


def main() -> None:
    """Run the command line; every error is one line, and exit code 2 for bad input."""
    try:
        code = cli.main(standalone_mode=False)
    except DunesteadError as error:
        _complain(str(error), BAD_INPUT)
    except click.ClickException as error:
        _complain(error.format_message(), BAD_INPUT)
    except click.Abort:
        _complain("Stopped.", BAD_INPUT)
    except BrokenPipeError:
        sys.exit(0)
    sys.exit(code if isinstance(code, int) else 0)


def _complain(message: str, code: int) -> None:
    click.echo(f"dunestead: {' '.join(message.split())}", err=True)
    sys.exit(code)


@click.group(context_settings={"help_option_names": ["-h", "--help"]})
@click.version_option(package_name="dunestead")
def cli() -> None:
    """Dunestead: from an artwork to a mask that holds, the right way up."""


for _command in (
    check,
    mask,
    sheets,
    simulate,
    plan,
    lay,
    text,
    fonts,
    trace,
    bench,
    serve,
    demo,
    backup,
    restore,
    doctor,
    passphrase,
    schema,
    openapi,
):
    cli.add_command(_command)
