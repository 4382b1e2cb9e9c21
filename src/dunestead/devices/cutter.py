"""A cutter as the workshop sees it: what it is sent, what it can do, and how one state leads to another."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal, Protocol

from dunestead.core.cutting.paths import CutPath
from dunestead.core.cutting.promise import Promise
from dunestead.core.cutting.simulate import CutReport
from dunestead.core.cutting.timing import KnifeTime
from dunestead.core.figures import Material
from dunestead.core.records import Answer, CutSettings

__all__ = [
    "MOVES",
    "ON_THE_MAT",
    "CutFault",
    "CutOrder",
    "CutOutcome",
    "CutState",
    "CutStatus",
    "CutterDevice",
    "moved",
]

CutFault = Literal["slip", "blunt", "link-lost"]
CutState = Literal["waiting", "loaded", "cutting", "paused", "stopped", "fault", "done"]
Event = Literal["load", "refuse", "start", "pause", "stop", "trouble", "finish", "shut-down"]
# What is not here changes nothing: a sheet that is done cannot be paused.
MOVES: Mapping[tuple[CutState, Event], CutState] = {
    ("waiting", "load"): "loaded",
    ("waiting", "refuse"): "fault",
    ("loaded", "start"): "cutting",
    ("loaded", "stop"): "stopped",
    ("cutting", "pause"): "paused",
    ("cutting", "stop"): "stopped",
    ("cutting", "trouble"): "fault",
    ("cutting", "finish"): "done",
    ("cutting", "shut-down"): "stopped",
    ("paused", "start"): "cutting",
    ("paused", "stop"): "stopped",
    ("paused", "shut-down"): "stopped",
    ("fault", "start"): "cutting",
    ("fault", "stop"): "stopped",
}
# States in which nothing else can be on the mat of the same cutter.
ON_THE_MAT: frozenset[CutState] = frozenset({"cutting", "paused"})


def moved(state: CutState, event: Event) -> CutState:
    """Return the state an event leads to.

    Examples
    --------
    >>> moved("loaded", "start"), moved("done", "pause")
    ('cutting', 'done')
    """
    return MOVES.get((state, event), state)


@dataclass(frozen=True, slots=True)
class CutOrder:
    """What a cutter is sent.

    Attributes
    ----------
    paths, page, promise
        Of the file.
    material, settings
        What is cut, and how the cutter is set.
    fault
        A fault to come on the way, for practice.
    """

    title: str
    paths: tuple[CutPath, ...]
    page: tuple[float, float] | None
    promise: Promise | None
    material: Material
    settings: CutSettings
    fault: CutFault | None = None


@dataclass(frozen=True, slots=True)
class CutOutcome:
    """What came free, how it was cut, how long it took, and what to do about it."""

    report: CutReport
    time: KnifeTime
    depth: Answer
    trouble: str | None = None
    remedy: str = ""


@dataclass(frozen=True, slots=True)
class CutStatus:
    """How far a cut is.

    Attributes
    ----------
    share
        Of the way, from 0 to 1.
    at
        Where the knife is, sheet mm.
    seconds_left
        Until done, as a real cutter takes.
    """

    state: CutState
    share: float
    at: tuple[float, float]
    seconds_left: float
    trouble: str | None = None
    remedy: str = ""
    outcome: CutOutcome | None = None


class CutterDevice(Protocol):
    """What any cutter, real or simulated, can do; times are seconds of any steady clock."""

    def load(self, order: CutOrder) -> CutStatus:
        """Take an order on the mat; it may be refused with the trouble said."""

    def take_up(self, order: CutOrder, state: CutState, share: float, trouble: str | None) -> CutStatus:
        """Take up an order where it was when the workshop was shut down: what was on the mat is stopped there."""

    def start(self, now: float) -> CutStatus:
        """Begin, or go on after a pause or a mended fault."""

    def pause(self, now: float) -> CutStatus:
        """Lift the knife and wait."""

    def stop(self, now: float) -> CutStatus:
        """Lift the knife and give up the sheet."""

    def status(self, now: float) -> CutStatus:
        """Say how far it is."""
