"""Backups, and how the workshop is."""

from pydantic import Field

from dunestead.api.wire import Shown


class BackupOut(Shown):
    """A backup that is kept: its file's name, when it was made by the workshop's clock and why, and its bytes."""

    name: str
    made_at: str
    why: str
    size: int


class BackupsOut(Shown):
    """Where the workshop's data lies, how large it is and what room is left, bytes; its backups, the newest first."""

    folder: str
    size: int
    free: int
    backups: list[BackupOut]


class HealthOut(Shown):
    """That all is well."""

    release: str
    empty: bool = Field(description="Whether no job was ever begun here.")
