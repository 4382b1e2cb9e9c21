"""The workers and who gets which request: the one that knows the job where it is free, another where it is not."""

import logging
import multiprocessing
import os
import time
from collections import OrderedDict
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field, replace
from multiprocessing.connection import Connection
from multiprocessing.process import BaseProcess
from pathlib import Path
from threading import Condition

from dunestead.api.problems import CALMER, SIMPLER
from dunestead.core.artwork.trace.outline import TRACING
from dunestead.core.checkpoints import KEEPING, Stopped, tell
from dunestead.core.errors import TooMuch
from dunestead.serving.messages import Answer, Asked, Ready, Stop, Told
from dunestead.serving.worker import WorkerSettings, work

__all__ = ["Crew"]

_LOGGER = logging.getLogger(__name__)
# It may have given out before its change was kept, or after.
_GAVE_OUT = "Look whether your change is there, then try again; a simpler drawing takes less."
# A request that takes longer than this has a worker to itself, and another is begun for the short ones, s.
_SHORT_S = 3.0
_MOST_LONG = 4
# So much of a processor's time a request may take, and one that brings a file: what takes long to come in is opened
# again and again, and then at a busy time, s. A busy machine takes longer over it, up to so many times.
_BUDGET_S, _FILE_BUDGET_S = 60.0, 15.0
_BUSY = 4.0
# Those who take files in let all others go before them.
_NICENESS = 10
# After a worker was asked to stop it may go on to its next checkpoint for so long, s.
_GRACE_S = 1.0
# Once it has begun to keep what it did, nothing stops it any more; for so long it may still take, s.
_KEEPING_S = 30.0
_LOOKS_S = 0.2
# A worker that is not ready after so long never will be, s.
_BEGINS_S = 30.0
# For so long a request waits for the worker that knows its job, s.
_FOR_ITS_OWN_S = 0.15
# A worker that ever took more is let go, and with it what it did not give back, bytes.
_MOST_MEMORY = 500_000_000
_KNOWN_JOBS = 500


@dataclass(eq=False)
class _Worker:
    """A process, the line to it, and whether it lets others go before it."""

    process: BaseProcess
    line: Connection
    is_upload: bool
    busy_since: float = 0.0
    is_spent: bool = False

    def processor_seconds(self) -> float:
        """Return how much of a processor's time it has taken; where the system does not tell, the time that passed."""
        try:
            fields = Path(f"/proc/{self.process.pid}/stat").read_text().rpartition(")")[2].split()
            return (int(fields[11]) + int(fields[12])) / os.sysconf("SC_CLK_TCK")
        except (OSError, ValueError, IndexError):
            return time.monotonic()

    def end(self) -> None:
        """End the process at once; whatever it was about to keep is kept wholly or not at all."""
        self.process.kill()
        self.process.join()
        self.line.close()


@dataclass(frozen=True, eq=False)
class _Waiter:
    """A request that waits for a worker, and since when."""

    job: int | None
    is_upload: bool
    since: float = field(default_factory=time.monotonic)

    @property
    def has_waited(self) -> bool:
        """Whether it waits no longer for the worker that knows its job."""
        return time.monotonic() - self.since > _FOR_ITS_OWN_S


class Crew:
    """Workers for one database.

    Parameters
    ----------
    settings
        What each works on.
    hands
        How many answer short requests at the same time; two for each of the machine's cores when None.
    budget
        For so long a request may be worked on, and one that brings a file, s.
    keeping
        For so long it may still take once it has begun to keep what it did, s.
    """

    def __init__(
        self,
        settings: WorkerSettings,
        hands: int | None = None,
        budget: tuple[float, float] = (_BUDGET_S, _FILE_BUDGET_S),
        keeping: float = _KEEPING_S,
    ) -> None:
        self._settings, self._budget, self._keeping = settings, budget, keeping
        self._hands = hands or 2 * max(os.cpu_count() or 2, 2)
        self._free: list[_Worker] = []
        self._busy: set[_Worker] = set()
        self._coming: list[bool] = []
        self._waiting: list[_Waiter] = []
        self._home: OrderedDict[int | None, _Worker] = OrderedDict()
        self._changed = Condition()
        self._begun = multiprocessing.get_context("forkserver")
        self._begun.set_forkserver_preload(["dunestead.serving.worker"])

    def answer(self, environ: dict[str, str], body: bytes, records: int, job: int | None) -> Answer:
        """Have a request answered.

        Parameters
        ----------
        environ, body
            The request, as WSGI has it.
        records
            Which state of the maker's records it is to be answered from.
        job
            Which job it is about, None when it is about none or several.

        Raises
        ------
        TooMuch
            When it takes too long or the worker gave out.
        Stopped
            When it was not wanted any more; raised by whoever listens.
        """
        asked, brings_file = Asked(environ, body, records), environ.get("CONTENT_TYPE", "").startswith("multipart/")
        answer = None
        while answer is None:
            with self._one(job, is_upload=brings_file) as worker:
                answer = self._asked(worker, asked, self._budget[brings_file])
        for line in answer.lines:
            logging.getLogger(line.logger).log(line.level, "%s", line.text)
        return answer

    def _asked(self, worker: _Worker, asked: Asked, budget: float) -> Answer | None:
        """Return a worker's answer, None when it was gone before it was asked; one that fails is let go."""
        try:
            worker.line.send(asked)
        except OSError:
            worker.is_spent = True
            return None
        try:
            answer = self._heard(worker, budget)
        except (EOFError, OSError):
            worker.is_spent = True
            _LOGGER.exception("A worker gave out (%s)", worker.process.exitcode)
            raise TooMuch("Working this out was more than the machine could carry.", _GAVE_OUT) from None
        except BaseException:
            worker.is_spent = True
            raise
        worker.is_spent = worker.is_spent or answer.memory > _MOST_MEMORY
        return answer

    def renew(self) -> None:
        """Let all workers go, those at work when they are done: what they know of the database is not true any more."""
        with self._changed:
            gone, self._free = self._free, []
            for worker in self._busy:
                worker.is_spent = True
        for worker in gone:
            worker.end()

    def end(self) -> None:
        """End all workers at once."""
        with self._changed:
            gone, self._free = [*self._free, *self._busy], []
        for worker in gone:
            worker.end()

    def warm_up(self) -> None:
        """Begin the workers before anybody asks."""
        begun = [self._begin(is_upload=False) for _ in range(self._hands)]
        with self._changed:
            self._free += begun
            self._changed.notify_all()

    # --- one worker -------------------------------------------------------------------------------
    def _begin(self, *, is_upload: bool) -> _Worker:
        here, there = self._begun.Pipe()
        settings = replace(self._settings, niceness=_NICENESS if is_upload else 0)
        process = self._begun.Process(target=work, args=(there, settings), daemon=True)
        process.start()
        there.close()
        try:
            is_ready = here.poll(_BEGINS_S) and isinstance(here.recv(), Ready)
        except (EOFError, OSError):
            is_ready = False
        worker = _Worker(process, here, is_upload)
        if not is_ready:
            worker.end()
            _LOGGER.error("A worker did not begin (%s)", process.exitcode)
            raise TooMuch(
                "The machine could not begin to work on this: it may be too busy.",
                "Try again in a minute. If it stays so, stop Dunestead, run `dunestead doctor` and start it again.",
            )
        return worker

    def _heard(self, worker: _Worker, budget: float) -> Answer:
        """Return a worker's answer; meanwhile its progress is told, and it is ended when that must be."""
        began, before, told = time.monotonic(), worker.processor_seconds(), Told("Beginning", 0.0)
        while True:
            if worker.line.poll(_LOOKS_S):
                heard = worker.line.recv()
                if isinstance(heard, Answer):
                    return heard
                told = heard
            if told.what == KEEPING:
                return self._kept(worker)
            try:
                tell(told.what, told.share)
            except Stopped:
                if answer := self._stopped(worker):
                    return answer
                raise
            passed = time.monotonic() - began
            if worker.processor_seconds() - before > budget or passed > budget * _BUSY:
                fix = CALMER if told.what == TRACING else SIMPLER
                raise TooMuch(f"That took too long and was stopped after {passed:.0f} s, at “{told.what}”.", fix)

    def _stopped(self, worker: _Worker) -> Answer | None:
        """Ask a worker to stop at its next checkpoint; its answer, or None when it did not get there in time.

        Once it has begun to keep what it did, that is waited for: so nobody is told that nothing was changed when it
        was.
        """
        worker.line.send(Stop())
        ends = time.monotonic() + _GRACE_S
        while (left := ends - time.monotonic()) > 0 and worker.line.poll(left):
            heard = worker.line.recv()
            if isinstance(heard, Answer):
                return heard
            if heard.what == KEEPING:
                return self._kept(worker)
        return None

    def _kept(self, worker: _Worker) -> Answer:
        """Return the answer of a worker that is keeping what it did; one that hangs there is let go."""
        if not worker.line.poll(self._keeping):
            raise TooMuch(
                f"This was being saved, and did not come to an end within {self._keeping:.0f} s.",
                "Look at it again: the change may be there already. If it is not, make it once more.",
            )
        answer: Answer = worker.line.recv()
        return answer

    # --- who does it ------------------------------------------------------------------------------
    @contextmanager
    def _one(self, job: int | None, *, is_upload: bool) -> Iterator[_Worker]:
        worker = self._taken(job, is_upload=is_upload)
        try:
            yield worker
        finally:
            with self._changed:
                self._busy.discard(worker)
                alike = sum(one.is_upload == worker.is_upload for one in self._free)
                keep = not worker.is_spent and alike < self._hands
                if keep:
                    self._free.append(worker)
                self._changed.notify_all()
            if not keep:
                worker.end()

    def _taken(self, job: int | None, *, is_upload: bool) -> _Worker:
        """Return a worker: the one that knows the job, or after a moment any; who came first is served first."""
        waiter = _Waiter(job, is_upload)
        try:
            with self._changed:
                self._waiting.append(waiter)
                while not (found := self._found(waiter)) and not self._may_begin(is_upload):
                    self._changed.wait(_FOR_ITS_OWN_S)
                    tell("Waiting for its turn")
                if found:
                    self._free.remove(found)
                    return self._take(found, job)
                # Its place is taken before it stands, so that no more are begun than there are to be.
                self._coming.append(is_upload)
        finally:
            with self._changed:
                self._waiting.remove(waiter)
        try:
            begun = self._begin(is_upload=is_upload)
        finally:
            with self._changed:
                self._coming.remove(is_upload)
        with self._changed:
            return self._take(begun, job)

    def _found(self, waiter: _Waiter) -> _Worker | None:
        """Return a free worker for a request, None while it has to wait."""
        free = [one for one in self._free if one.is_upload == waiter.is_upload]
        before = self._waiting[: self._waiting.index(waiter)]
        if len(free) <= sum(one.has_waited and one.is_upload == waiter.is_upload for one in before):
            return None
        home = self._home.get(waiter.job)
        if home in free:
            return home
        # What a worker has reckoned of a job it has at hand: that is worth a moment.
        return None if home in self._busy and not waiter.has_waited else free[0]

    def _take(self, worker: _Worker, job: int | None) -> _Worker:
        worker.busy_since = time.monotonic()
        self._busy.add(worker)
        self._home[job] = worker
        self._home.move_to_end(job)
        while len(self._home) > _KNOWN_JOBS:
            self._home.popitem(last=False)
        return worker

    def _may_begin(self, is_upload: bool) -> bool:
        """Say whether there may be another.

        Of those who take files in there are as many as hands, of the others one more while all are long at work.
        """
        busy = [one for one in self._busy if one.is_upload == is_upload]
        free = sum(one.is_upload == is_upload for one in self._free)
        count = len(busy) + free + self._coming.count(is_upload)
        if is_upload or count < self._hands:
            return count < self._hands
        now = time.monotonic()
        all_are_long = len(busy) == count and all(now - worker.busy_since > _SHORT_S for worker in busy)
        return all_are_long and count < self._hands + _MOST_LONG
