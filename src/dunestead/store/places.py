"""Where a workshop's data lies on this machine."""

from pathlib import Path

from platformdirs import user_data_path

__all__ = ["database_at"]


def database_at(folder: Path | None, *, demo: bool = False) -> Path:
    """Return the database of a data folder; the platform's own folder for the user's data when None."""
    return (folder or user_data_path("dunestead")) / ("demo.sqlite" if demo else "workshop.sqlite")
