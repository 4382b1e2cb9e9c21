"""Plans at hand: each made once, even when asked for twice at the same time, and kept while there is room."""

from collections import OrderedDict
from collections.abc import Callable
from concurrent.futures import Future
from dataclasses import dataclass
from threading import Lock

import shapely

from dunestead.core.checkpoints import Stopped
from dunestead.core.plan.plan import Plan
from dunestead.core.work.tasks import TaskGraph
from dunestead.workshop.shared_plans import SharedPlans

__all__ = ["Plans", "Reckoned"]

_MOST_BYTES = 400_000_000
# What a plan takes: its points, a few times over, and its tasks.
_A_POINT, _A_TASK, _A_PLAN = 200, 2_000, 200_000


@dataclass(frozen=True, slots=True)
class Reckoned:
    """A plan and its tasks."""

    plan: Plan
    graph: TaskGraph

    @property
    def size(self) -> int:
        """About how many bytes it takes."""
        points = sum(int(shapely.get_num_coordinates(mask.cut.material)) for mask in self.plan.masks)
        points += int(shapely.get_num_coordinates(self.plan.painted.region)) * (1 + len(self.plan.sheets))
        return _A_PLAN + points * _A_POINT + len(self.graph.tasks) * _A_TASK


class Plans:
    """Plans by what they were made from.

    Parameters
    ----------
    most
        Bytes that may be kept; the ones longest unused go first.
    shared
        What other processes have reckoned, None where there are none.
    """

    def __init__(self, most: int = _MOST_BYTES, shared: SharedPlans[Reckoned] | None = None) -> None:
        self._most, self._shared, self._lock, self._held = most, shared, Lock(), 0
        self._kept: OrderedDict[str, Reckoned] = OrderedDict()
        self._making: dict[str, Future[Reckoned]] = {}

    def get(self, key: str, make: Callable[[], Reckoned]) -> Reckoned:
        """Return what was reckoned under a key; made when it is not at hand, by the first that asks.

        Raises whatever making it raises, to all that asked meanwhile.
        """
        with self._lock:
            if key in self._kept:
                self._kept.move_to_end(key)
                return self._kept[key]
            future = self._making.get(key)
            mine = future is None
            if future is None:
                future = self._making[key] = Future()
        if mine:
            self._make(key, make, future)
            return future.result()
        try:
            return future.result()
        except Stopped:
            # It was stopped for another that waited, not for this one.
            return self.get(key, make)

    def also(self, key: str, reckoned: Reckoned) -> None:
        """Keep what was reckoned under another key too, unless it is there."""
        with self._lock:
            if key in self._kept:
                return
            self._keep(key, reckoned)
        if self._shared:
            self._shared.keep(key, reckoned)

    def _make(self, key: str, make: Callable[[], Reckoned], future: Future[Reckoned]) -> None:
        try:
            reckoned = self._reckoned(key, make)
        except BaseException as error:
            with self._lock:
                del self._making[key]
            future.set_exception(error)
            return
        with self._lock:
            self._keep(key, reckoned)
            del self._making[key]
        future.set_result(reckoned)

    def _reckoned(self, key: str, make: Callable[[], Reckoned]) -> Reckoned:
        if self._shared is None:
            return make()
        reckoned = self._shared.get(key)
        if reckoned is None:
            reckoned = make()
            self._shared.keep(key, reckoned)
        return reckoned

    def _keep(self, key: str, reckoned: Reckoned) -> None:
        self._kept[key] = reckoned
        # The same plan under two keys takes its room twice in this account, and so is let go the sooner.
        self._held += reckoned.size
        while self._held > self._most and len(self._kept) > 1:
            _, gone = self._kept.popitem(last=False)
            self._held -= gone.size
