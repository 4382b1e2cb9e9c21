"""The cutters at work: what is queued, loaded, being cut, and what came of it.

Each cutter has a queue and a mat of its own. What was sent is kept, so a queue outlives the workshop's being shut
down; what was on a mat then is found stopped where it was.
"""

import time
from collections.abc import Callable
from dataclasses import dataclass, replace
from threading import RLock, Thread

from dunestead.core.errors import BadInput, NoSuchThing
from dunestead.core.figures import Cutter
from dunestead.devices.cutter import ON_THE_MAT, CutOrder, CutStatus, CutterDevice
from dunestead.devices.simulated import SimulatedCutter
from dunestead.store.runs import RunStore

__all__ = ["CuttingRoom", "Run"]

# The simulated cutter is in a hurry, or a demo would take all day.
_HASTE = 12.0
_KEPT = 24
# How far a run is is written down anew for every so much of its way.
_STEP = 0.01


@dataclass(frozen=True, slots=True)
class Run:
    """One sheet sent to a cutter, and how far it is."""

    number: int
    job: int
    sheet: int
    cutter: Cutter
    order: CutOrder
    status: CutStatus


class CuttingRoom:
    """All cutters and their queues.

    Parameters
    ----------
    store
        Where what was sent is kept.
    clock
        Steady seconds.
    beat
        Every so many seconds it is written down how far a cut is, though nobody looks; None for when looked at only.
    """

    def __init__(
        self, store: RunStore, clock: Callable[[], float] = time.monotonic, *, beat: float | None = None
    ) -> None:
        self._store, self._clock, self._beat, self._lock = store, clock, beat, RLock()
        self._runs: dict[int, tuple[Run, CutterDevice]] = {}
        self._watch: Thread | None = None
        self._is_closed = False
        for kept in store.all():
            device = SimulatedCutter(kept.cutter, haste=_HASTE)
            status = device.take_up(kept.order, kept.state, kept.share, kept.trouble)
            self._keep(Run(kept.number, kept.job, kept.sheet, kept.cutter, kept.order, status), device)

    def send(self, job: int, sheet: int, cutter: Cutter, order: CutOrder) -> Run:
        """Queue a sheet; returns it loaded, or with why it cannot be cut."""
        with self._lock:
            device = SimulatedCutter(cutter, haste=_HASTE)
            status = device.load(order)
            number = self._store.add(job, sheet, cutter, order, status.state, status.trouble)
            run = self._keep(Run(number, job, sheet, cutter, order, status), device)
            for old in list(self._runs)[:-_KEPT]:
                self.clear(old)
            return run

    def runs(self) -> list[Run]:
        """Return all runs as they stand, oldest first."""
        with self._lock:
            now = self._clock()
            return [self._noted(run, device, device.status(now)) for run, device in list(self._runs.values())]

    def start(self, number: int) -> Run:
        """Begin a run or go on with it; raises `BadInput` while another is on the mat of its cutter."""
        with self._lock:
            mine, _ = self._found(number)
            for run in self.runs():
                same_mat = run.number != number and run.cutter.key == mine.cutter.key
                if same_mat and run.status.state in ON_THE_MAT:
                    where = f"Sheet {run.sheet} is on the mat of “{run.cutter.name}”."
                    raise BadInput(where, "Wait until it is done, or stop it first.")
            started = self._do(number, lambda device, now: device.start(now))
            self._watch_on()
            return started

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
            self._store.drop(number)
            del self._runs[number]

    def close(self) -> None:
        """Write nothing down any more: the store is another one now, where numbers mean other runs."""
        with self._lock:
            self._is_closed = True

    def _do(self, number: int, act: Callable[[CutterDevice, float], CutStatus]) -> Run:
        with self._lock:
            run, device = self._found(number)
            return self._noted(run, device, act(device, self._clock()))

    def _noted(self, run: Run, device: CutterDevice, status: CutStatus) -> Run:
        """Return a run as it stands, written down where that is worth it."""
        before = run.status
        is_news = (status.state, status.trouble) != (before.state, before.trouble)
        if not is_news and abs(status.share - before.share) < _STEP:
            return replace(run, status=status)
        if not self._is_closed:
            self._store.note(run.number, status.state, status.share, status.trouble)
        return self._keep(replace(run, status=status), device)

    def _keep(self, run: Run, device: CutterDevice) -> Run:
        self._runs[run.number] = (run, device)
        return run

    def _found(self, number: int) -> tuple[Run, CutterDevice]:
        if number not in self._runs:
            raise NoSuchThing(f"No cutter knows of a run {number}.", "It was taken off the list: send it again.")
        return self._runs[number]

    def _watch_on(self) -> None:
        if self._beat and not (self._watch and self._watch.is_alive()):
            self._watch = Thread(target=self._look, args=(self._beat,), daemon=True)
            self._watch.start()

    def _look(self, beat: float) -> None:
        while not self._is_closed and any(run.status.state == "cutting" for run in self.runs()):
            time.sleep(beat)
