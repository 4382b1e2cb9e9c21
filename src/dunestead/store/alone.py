"""One server to a database: a second would not see what the first has in its hands."""

from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from filelock import FileLock, Timeout

from dunestead.core.errors import NotNow

__all__ = ["kept_alone"]


@contextmanager
def kept_alone(database: Path) -> Iterator[None]:
    """Hold a database for this process alone; the system lets go of it when the process ends, however it ends.

    Raises
    ------
    NotNow
        When another process holds it.
    """
    database.parent.mkdir(parents=True, exist_ok=True)
    lock = FileLock(database.with_suffix(".lock"), timeout=0)
    try:
        lock.acquire()
    except Timeout:
        raise NotNow(
            f"Another Dunestead already serves {database}.",
            "Use that one, stop it, or give another folder with --data.",
            code="served-already",
        ) from None
    try:
        yield
    finally:
        lock.release()
