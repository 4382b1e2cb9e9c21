"""Where a workshop's data lies on this machine."""

import os
from pathlib import Path

from platformdirs import user_data_path

__all__ = ["ACCESS_FILE", "PLANS", "database_at", "write_private"]

# The passphrase's hash, beside the database: a backup that is put back does not change who may come in.
ACCESS_FILE = "access.json"
# What is at hand while it is served, and empty when it is not.
PLANS = "at-hand"


def database_at(folder: Path | None, *, demo: bool = False) -> Path:
    """Return the database of a data folder; the platform's own folder for the user's data when None."""
    return (folder or user_data_path("dunestead")) / ("demo.sqlite" if demo else "workshop.sqlite")


def write_private(path: Path, data: bytes) -> None:
    """Write a file wholly or not at all; nobody but its owner may read it, not even for the moment it is written."""
    path.parent.mkdir(parents=True, exist_ok=True)
    part = path.with_name(f"{path.name}.part")
    with os.fdopen(os.open(part, os.O_WRONLY | os.O_CREAT | os.O_TRUNC, 0o600), "wb") as file:
        file.write(data)
    part.replace(path)
