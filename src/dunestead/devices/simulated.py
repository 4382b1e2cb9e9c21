"""A simulated cutter that cuts in geometry.

It reads the lines of the very file, follows them at the pace of a real one, knows how deep it is set, and tells
what came free. Faults can be asked for, to learn what to do when they come.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass, field
from itertools import accumulate

import numpy as np

from dunestead.core.cutting.paths import CutPath
from dunestead.core.cutting.simulate import CutReport, simulate_cut
from dunestead.core.cutting.timing import KnifeTime, knife_time
from dunestead.core.figures import Cutter, Material
from dunestead.core.records import Answer, CutSettings
from dunestead.devices.cutter import CutOrder, CutOutcome, CutState, CutStatus, moved

__all__ = ["WEAR", "SimulatedCutter", "depth_of"]

# Faults come at this share of the way, and a slipped sheet lies so far off, mm.
_FAULT_AT = 0.55
_SLIPPED = (2.6, 1.4)
# So far off the reach is none, mm.
_SLACK = 0.05
# Faults that are mended with the sheet where it lies.
_GOES_ON = ("link-lost", "blunt")
# Cut so much deeper than needed, the knife is in the backing; so much faster than usual, thin material tears.
_TOO_DEEP, _TOO_FAST = 1.3, 1.6
# This cutter's blade is a little used: it needs so much more than a fresh one.
WEAR = 1.08
_REMEDY: dict[str, str] = {
    "slip": (
        "Stop and take the sheet off: it moved on the mat. Clean or renew the mat, tape the edges, "
        "and cut a fresh piece."
    ),
    "blunt": (
        "Leave the sheet where it lies. Put in a fresh blade and cut it once more: the lines fall on the same places."
    ),
    "link-lost": "Leave the sheet loaded. Plug the cable in again, then go on: it carries on where it stopped.",
    "shut-down": (
        "The workshop was shut down while this was on the mat. See how far the lines go; send it again with a fresh "
        "piece, or onto the same lines if nothing has moved."
    ),
    "off-reach": "The knife has not moved. Choose a cutter that reaches further, or divide the mask for this one.",
    "not-through": "Leave the sheet where it lies: cut it once more with more force, or do the test cut first.",
    "into-backing": "It will come free, but the backing may come along. Less force next time.",
    "tears": "Slower, and with a fresh blade. Look at thin places before you weed.",
}


def depth_of(settings: CutSettings, material: Material, *, wear: float = 1.0) -> Answer:
    """Return what a cut set so would give: the force of all passes against what the material needs."""
    if settings.speed > _TOO_FAST * material.speed:
        return "tears"
    bite = settings.force * settings.passes / (material.force * material.passes * wear)
    return "not-through" if bite < 1 - 1e-9 else "into-backing" if bite > _TOO_DEEP else "clean"


@dataclass(slots=True)
class SimulatedCutter:
    """A stand-in that cuts in geometry instead of paper.

    Attributes
    ----------
    cutter
        Gives reach and pace.
    haste
        How many times as fast as a real one it runs.
    wear
        How much more than a fresh blade it needs.
    """

    cutter: Cutter
    haste: float = 1.0
    wear: float = WEAR
    _order: CutOrder | None = None
    _time: KnifeTime = field(default_factory=lambda: KnifeTime(0.0, 0.0, 0.0))
    _state: CutState = "waiting"
    _done: float = 0.0
    _since: float = 0.0
    _trouble: str | None = None
    _faulted: bool = False
    _outcome: CutOutcome | None = None

    def load(self, order: CutOrder) -> CutStatus:
        """Take an order; one that reaches too far is refused before the knife moves."""
        self._order, self._done, self._outcome, self._faulted = order, 0.0, None, False
        self._time = self._timed(order)
        self._trouble = "off-reach" if self._reaches_off(order) else None
        self._state = moved("waiting", "refuse" if self._trouble else "load")
        return self.status(0.0)

    def take_up(self, order: CutOrder, state: CutState, share: float, trouble: str | None) -> CutStatus:
        """Take up an order where it was when the workshop was shut down."""
        self.load(order)
        if state == "loaded":
            return self.status(0.0)
        self._done = share * self._time.seconds
        self._faulted = order.fault is not None and share >= _FAULT_AT
        self._state, self._trouble = moved(state, "shut-down"), trouble
        if self._state != state:
            self._trouble = "shut-down"
        if state == "done":
            self._trouble, self._outcome = None, self._came_out(order, self._slipped_from(order))
        return self.status(0.0)

    def _reaches_off(self, order: CutOrder) -> bool:
        high = np.max([path.points.max(axis=0) for path in order.paths], axis=0)
        low = np.min([path.points.min(axis=0) for path in order.paths], axis=0)
        across = high[0] > self.cutter.reach_width + _SLACK
        return bool((low < -_SLACK).any() or across or high[1] > self.cutter.reach_length + _SLACK)

    def cut(self, order: CutOrder) -> CutOutcome:
        """Cut an order at once, as it would come out."""
        self._order, self._time = order, self._timed(order)
        return self._came_out(order, None)

    def start(self, now: float) -> CutStatus:
        """Begin, or go on: after a lost link where it stopped, after a blunt blade from the start of the sheet."""
        if self._state == "fault" and self._trouble not in _GOES_ON:
            return self.status(now)
        if (state := moved(self._state, "start")) != self._state:
            if self._trouble == "blunt":
                self._done = 0.0
            self._state, self._since, self._trouble = state, now, None
        return self.status(now)

    def pause(self, now: float) -> CutStatus:
        """Lift the knife and wait."""
        self._advance(now)
        self._state = moved(self._state, "pause")
        return self.status(now)

    def stop(self, now: float) -> CutStatus:
        """Give up the sheet."""
        self._advance(now)
        self._state = moved(self._state, "stop")
        return self.status(now)

    def status(self, now: float) -> CutStatus:
        """Say how far it is, and what came of it."""
        self._advance(now)
        total = max(self._time.seconds, 1e-9)
        share = min(self._done / total, 1.0)
        trouble = self._trouble or (self._outcome.trouble if self._outcome else None)
        return CutStatus(
            self._state,
            share,
            self._at(share),
            max(total - self._done, 0.0),
            trouble,
            _REMEDY.get(trouble or "", ""),
            self._outcome,
        )

    def _timed(self, order: CutOrder) -> KnifeTime:
        return knife_time(order.paths, self.cutter, speed=order.settings.speed, passes=order.settings.passes)

    def _advance(self, now: float) -> None:
        if self._state != "cutting" or not self._order:
            return
        before = self._done
        reached = before + (now - self._since) * self.haste
        self._done, self._since = reached, now
        total, fault = self._time.seconds, self._order.fault
        if fault and not self._faulted and before < _FAULT_AT * total <= self._done:
            self._faulted = True
            # A slip shows only when the sheet is done.
            if fault != "slip":
                self._done = _FAULT_AT * total
                self._state, self._trouble = moved(self._state, "trouble"), fault
                return
        if self._done >= total:
            self._done, self._state = total, moved(self._state, "finish")
            self._outcome = self._came_out(self._order, self._slipped_from(self._order))

    @staticmethod
    def _slipped_from(order: CutOrder) -> float | None:
        return _FAULT_AT if order.fault == "slip" else None

    def _came_out(self, order: CutOrder, slipped_from: float | None) -> CutOutcome:
        depth = depth_of(order.settings, order.material, wear=self.wear)
        paths: Sequence[CutPath] = order.paths
        if slipped_from is not None:
            first = self._index_at(slipped_from)
            paths = [path if k < first else CutPath(path.points + np.array(_SLIPPED)) for k, path in enumerate(paths)]
        through = depth != "not-through"
        report = simulate_cut(paths, order.page, order.promise) if through else CutReport((), ())
        trouble = "slip" if slipped_from is not None else None if depth == "clean" else depth
        return CutOutcome(report, self._time, depth, trouble, _REMEDY.get(trouble or "", ""))

    def _index_at(self, share: float) -> int:
        """Return the line the knife is on at a share of the way."""
        if not self._order:
            return 0
        ends = list(accumulate(path.length for path in self._order.paths))
        return next((k for k, end in enumerate(ends) if end >= share * ends[-1]), len(ends) - 1)

    def _at(self, share: float) -> tuple[float, float]:
        """Return where the knife is at a share of the way."""
        if not self._order or share <= 0:
            return (0.0, 0.0)
        index = self._index_at(share)
        before = sum(path.length for path in self._order.paths[:index])
        points = self._order.paths[index].points
        along = np.concatenate([[0.0], np.cumsum(np.hypot(*np.diff(points, axis=0).T))])
        total = sum(path.length for path in self._order.paths)
        where = min(max(share * total - before, 0.0), float(along[-1]))
        x, y = (float(np.interp(where, along, points[:, axis])) for axis in (0, 1))
        return (x, y) if math.isfinite(x + y) else (0.0, 0.0)
