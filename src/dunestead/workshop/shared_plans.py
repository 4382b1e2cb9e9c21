"""Plans that several processes share: what one has reckoned the others read, for as long as the workshop is served."""

import copyreg
import logging
import os
import pickle
from contextlib import suppress
from hashlib import sha256
from pathlib import Path
from types import MappingProxyType
from typing import Any, Generic, TypeVar

__all__ = ["SharedPlans"]

_LOGGER = logging.getLogger(__name__)
_MOST_BYTES = 300_000_000
Kept = TypeVar("Kept")


def _proxied(entries: dict[Any, Any]) -> MappingProxyType[Any, Any]:
    return MappingProxyType(entries)


copyreg.pickle(MappingProxyType, lambda proxy: (_proxied, (dict(proxy),)))


class SharedPlans(Generic[Kept]):
    """A folder of plans by what they were made from.

    Parameters
    ----------
    folder
        Only the workshop itself may write there, and it is empty when it begins: what lies in it is run when read.
    most
        Bytes that may be kept; the ones longest unused go first.

    Notes
    -----
    A plan is written beside its place and moved into it, so that one half written is never read.
    """

    def __init__(self, folder: Path, most: int = _MOST_BYTES) -> None:
        self._folder, self._most = folder, most

    def get(self, key: str) -> Kept | None:
        """Return what is kept under a key, None when nothing is."""
        path = self._path(key)
        try:
            data = path.read_bytes()
        except OSError:
            return None
        with suppress(OSError):
            path.touch()
        kept: Kept = pickle.loads(data)  # noqa: S301 - written by ourselves, into a folder nobody else may write to
        return kept

    def keep(self, key: str, plan: Kept) -> None:
        """Keep what was made under a key; a disk that is full does no harm."""
        path = self._path(key)
        part = path.with_suffix(f".{os.getpid()}")
        try:
            part.write_bytes(pickle.dumps(plan, pickle.HIGHEST_PROTOCOL))
            part.replace(path)
            self._make_room()
        except OSError:
            _LOGGER.warning("A plan could not be kept for the others", exc_info=True)
            part.unlink(missing_ok=True)

    def _make_room(self) -> None:
        found = []
        for path in self._folder.glob("*.plan"):
            with suppress(OSError):
                state = path.stat()
                found.append((state.st_mtime, state.st_size, path))
        held = sum(size for _, size, _ in found)
        for _, size, path in sorted(found)[:-1]:
            if held <= self._most:
                break
            path.unlink(missing_ok=True)
            held -= size

    def _path(self, key: str) -> Path:
        return self._folder / f"{sha256(key.encode()).hexdigest()}.plan"
