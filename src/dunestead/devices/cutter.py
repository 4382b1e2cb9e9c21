"""A cutter that takes a cut file and says what came of it."""

from dataclasses import dataclass
from typing import Protocol

from dunestead.core.cutting.paths import CutPath
from dunestead.core.cutting.simulate import CutReport, simulate_cut
from dunestead.core.cutting.timing import KnifeTime, knife_time
from dunestead.core.figures import Cutter, Material

__all__ = ["CutJob", "CutOutcome", "CutterDevice", "SimulatedCutter"]


class CutJob(Protocol):
    """What a cutter is sent: lines in order, and the page they are on, mm."""

    @property
    def paths(self) -> tuple[CutPath, ...]:
        """Cut lines in the order they are cut."""

    @property
    def page(self) -> tuple[float, float] | None:
        """Width and height of the material."""


@dataclass(frozen=True, slots=True)
class CutOutcome:
    """What came free, and how long it took."""

    report: CutReport
    time: KnifeTime


class CutterDevice(Protocol):
    """What any cutter, real or simulated, can do."""

    def cut(self, job: CutJob, material: Material) -> CutOutcome:
        """Cut a job out of a material."""


class SimulatedCutter:
    """A stand-in that cuts in geometry instead of paper."""

    def __init__(self, cutter: Cutter) -> None:
        self._cutter = cutter

    def cut(self, job: CutJob, material: Material) -> CutOutcome:
        """Cut a job and report what comes free, its problems and its time."""
        time = knife_time(list(job.paths), material, self._cutter)
        return CutOutcome(simulate_cut(job.paths, job.page), time)
