"""The workshop's clock, handed to whatever asks what time it is, so that tests can turn it."""

import time
from collections.abc import Callable
from dataclasses import dataclass
from datetime import datetime

__all__ = ["Clock"]


def _wall() -> datetime:
    return datetime.now().astimezone()


@dataclass(frozen=True, slots=True)
class Clock:
    """What time it is, and seconds that only ever go forward."""

    now: Callable[[], datetime] = _wall
    steady: Callable[[], float] = time.monotonic
