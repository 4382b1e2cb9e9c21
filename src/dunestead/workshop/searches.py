"""Longer searches for a better packing, one a job: with progress, and stopped when the maker has enough."""

import logging
import multiprocessing
import os
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field
from multiprocessing.connection import Connection
from threading import Event, Lock, Thread

from dunestead.core.sheets.packing import Packing, PackItem, Room, improved
from dunestead.store.searches import SearchStore

__all__ = ["Search", "Searches"]

_SECONDS = 30.0
_LOOKS_S = 0.1
_NICENESS = 10
_LOGGER = logging.getLogger(__name__)


@dataclass(slots=True)
class Search:
    """A search as it stands: the best so far, what is proven, and how long it has been going."""

    items: Sequence[PackItem]
    room: Room
    start: Packing
    best: Packing
    clock: Callable[[], float]
    begun: float
    seconds: float = _SECONDS
    ended: float | None = None
    stop: Event = field(default_factory=Event)

    @property
    def is_running(self) -> bool:
        """Whether it still looks."""
        return self.ended is None

    @property
    def share(self) -> float:
        """How much of its time is used."""
        return min(((self.ended or self.clock()) - self.begun) / self.seconds, 1.0)


def _follow(search: Search) -> None:
    """Let a process search, and take down the best it has found until it is done, stopped or gone."""
    context = multiprocessing.get_context("forkserver")
    here, there = context.Pipe()
    asked = (there, search.items, search.room, search.start, search.seconds)
    process = context.Process(target=_improve, args=asked, daemon=True)
    process.start()
    there.close()
    is_told = False
    try:
        while True:
            if search.stop.is_set() and not is_told:
                here.send(None)
                is_told = True
            if here.poll(_LOOKS_S):
                found = here.recv()
                if found is None:
                    break
                search.best = found
    except (EOFError, OSError):
        _LOGGER.warning("A search for a better layout gave out; what it had found stays")
    finally:
        here.close()
        process.join()
        process.close()


def _improve(line: Connection, items: Sequence[PackItem], room: Room, start: Packing, seconds: float) -> None:
    """Search in a process of its own, after all others; whatever is heard, or nobody listening, ends it."""
    os.nice(_NICENESS)
    try:
        line.send(improved(items, room, start, line.poll, line.send, seconds=seconds))
        line.send(None)
    except OSError:
        # Whoever asked is gone.
        return


class Searches:
    """All searches, by job.

    Parameters
    ----------
    clock
        Steady seconds.
    store
        Where it is written down which are under way; None where nothing outlives the process.
    """

    def __init__(self, clock: Callable[[], float], store: SearchStore | None = None) -> None:
        self._clock, self._store = clock, store
        self._lock = Lock()
        # The workshop was closed, or died, in the midst of these.
        self._broken_off = store.all() if store else set[int]()
        self._by_job: dict[int, Search] = {}
        self._is_closed = False

    def begin(
        self, job: int, items: Sequence[PackItem], room: Room, start: Packing, done: Callable[[Packing], None]
    ) -> Search:
        """Look for a better packing of a job's patches; one that is under way is let be.

        Parameters
        ----------
        job, items, room, start
            What is packed, and the packing to improve on.
        done
            Called with a better packing when the search has ended.
        """
        with self._lock:
            now = self._by_job.get(job)
            if now and now.is_running:
                return now
            search = self._by_job[job] = Search(items, room, start, start, self._clock, self._clock())
            self._broken_off.discard(job)
            if self._store:
                self._store.begin(job)
        Thread(target=self._look, args=(job, search, done), daemon=True).start()
        return search

    def of(self, job: int) -> Search | None:
        """Return the search of a job, None when there was none."""
        return self._by_job.get(job)

    def is_broken_off(self, job: int) -> bool:
        """Say whether a job's search was broken off when the workshop was last closed."""
        return job in self._broken_off

    def forget(self, job: int) -> None:
        """Let a search be that was broken off."""
        with self._lock:
            if job in self._broken_off:
                self._broken_off.discard(job)
                if self._store:
                    self._store.end(job)

    def close(self) -> None:
        """End all searches, and keep nothing of them: the jobs are others now."""
        self._is_closed = True
        for search in self._by_job.values():
            search.stop.set()

    def stop(self, job: int) -> None:
        """End a job's search; what it found is kept."""
        if search := self._by_job.get(job):
            search.stop.set()

    def _look(self, job: int, search: Search, done: Callable[[Packing], None]) -> None:
        try:
            _follow(search)
            if search.best.better_than(search.start) and not self._is_closed:
                done(search.best)
        finally:
            search.ended = self._clock()
            if self._store and not self._is_closed:
                self._store.end(job)
