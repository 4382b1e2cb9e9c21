"""Requests that take long: how far each is, and which were stopped."""

import time
from collections import OrderedDict
from dataclasses import dataclass, field
from threading import Lock

from dunestead.core.checkpoints import Stopped

__all__ = ["Wait", "Waits"]

# So many requests are known at once; a maker has a few.
_MOST = 200


@dataclass(slots=True)
class Wait:
    """One request that someone waits for.

    Attributes
    ----------
    what, share
        What is done just now, and how far that is, 0 to 1.
    began
        On a clock that only runs on, s.
    """

    what: str = "Beginning"
    share: float = 0.0
    began: float = field(default_factory=time.monotonic)
    is_stopped: bool = False

    def listen(self, what: str, share: float) -> None:
        """Take down where the work is.

        Raises
        ------
        Stopped
            When it was stopped meanwhile.
        """
        self.what, self.share = what, min(max(share, 0.0), 1.0)
        if self.is_stopped:
            raise Stopped

    @property
    def seconds(self) -> float:
        """For how long it has been going on."""
        return time.monotonic() - self.began


class Waits:
    """All requests someone waits for, by the key each brought."""

    def __init__(self) -> None:
        self._lock, self._going = Lock(), OrderedDict[str, Wait]()

    def begin(self, key: str) -> Wait:
        """Take up a request."""
        with self._lock:
            wait = self._going[key] = Wait()
            while len(self._going) > _MOST:
                self._going.popitem(last=False)
        return wait

    def end(self, key: str) -> None:
        """Let a request go that was answered."""
        with self._lock:
            self._going.pop(key, None)

    def get(self, key: str) -> Wait | None:
        """Return a request by its key, None when it is answered already."""
        with self._lock:
            return self._going.get(key)

    def stop(self, key: str) -> None:
        """Stop a request at its next checkpoint; one that is answered already stays as it is."""
        if wait := self.get(key):
            wait.is_stopped = True
