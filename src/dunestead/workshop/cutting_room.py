"""The cutter at work: what is queued, loaded, being cut, and what came of it.

The queue is in memory, as it would be in a cutter: it outlives a page that is closed or loaded anew,
not a machine that is switched off.
"""

import time
from collections.abc import Callable
from dataclasses import dataclass, replace
from threading import Lock

from dunestead.core.errors import BadInput, NoSuchThing
from dunestead.core.figures import Cutter
from dunestead.devices.cutter import CutOrder, CutStatus, SimulatedCutter

__all__ = ["CuttingRoom", "Run"]

# The simulated cutter is in a hurry, or a demo would take all day.
_HASTE = 12.0
_KEPT = 24


@dataclass(frozen=True, slots=True)
class Run:
    """One sheet sent to the cutter, and how far it is."""

    number: int
    job: int
    sheet: int
    cutter: str
    order: CutOrder
    status: CutStatus


class CuttingRoom:
    """One cutter and its queue; the first that is not finished has the mat.

    Parameters
    ----------
    clock
        Steady seconds.
    """

    def __init__(self, clock: Callable[[], float] = time.monotonic) -> None:
        self._clock, self._lock = clock, Lock()
        self._runs: dict[int, tuple[Run, SimulatedCutter]] = {}
        self._last = 0

    def send(self, job: int, sheet: int, cutter: Cutter, order: CutOrder) -> Run:
        """Queue a sheet; returns it loaded, or with why it cannot be cut."""
        with self._lock:
            self._last += 1
            device = SimulatedCutter(cutter, haste=_HASTE)
            run = Run(self._last, job, sheet, cutter.name, order, device.load(order))
            self._runs[run.number] = (run, device)
            for number in list(self._runs)[:-_KEPT]:
                del self._runs[number]
            return run

    def runs(self) -> list[Run]:
        """Return all runs as they stand, oldest first."""
        with self._lock:
            now = self._clock()
            return [replace(run, status=device.status(now)) for run, device in self._runs.values()]

    def start(self, number: int) -> Run:
        """Begin a run or go on with it; raises `BadInput` while another is on the mat."""
        for run in self.runs():
            if run.number != number and run.status.state in ("cutting", "paused"):
                raise BadInput(f"Sheet {run.sheet} is on the mat.", "Wait until it is done, or stop it first.")
        return self._do(number, lambda device, now: device.start(now))

    def pause(self, number: int) -> Run:
        """Lift the knife and wait."""
        return self._do(number, lambda device, now: device.pause(now))

    def stop(self, number: int) -> Run:
        """Give up the sheet."""
        return self._do(number, lambda device, now: device.stop(now))

    def clear(self, number: int) -> None:
        """Take a run off the list; one that is being cut is stopped."""
        with self._lock:
            self._found(number)
            del self._runs[number]

    def _do(self, number: int, act: Callable[[SimulatedCutter, float], CutStatus]) -> Run:
        with self._lock:
            run, device = self._found(number)
            return replace(run, status=act(device, self._clock()))

    def _found(self, number: int) -> tuple[Run, SimulatedCutter]:
        if number not in self._runs:
            raise NoSuchThing(f"The cutter knows of no run {number}.", "It was switched off meanwhile: send it again.")
        return self._runs[number]
