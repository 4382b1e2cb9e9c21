"""A job as it stands at one moment, or why it cannot be told."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import datetime

from dunestead.core.job.log import LogEntry
from dunestead.core.learning.finished import Finished
from dunestead.core.learning.learnt import Learnt
from dunestead.core.looking.mending import Mend
from dunestead.core.plan.plan import Plan
from dunestead.core.stations.graph import Next
from dunestead.core.stations.station import Station
from dunestead.core.work.progress import Progress
from dunestead.core.work.tasks import TaskGraph
from dunestead.store import JobHead

__all__ = ["UNRECKONED", "Mending", "OpenJob"]

# What is said of a job whose fault nobody foresaw, and what to do.
UNRECKONED = ("This job cannot be worked out.", "Undo its last change, or put it away and start again.")


@dataclass(frozen=True, slots=True)
class OpenJob:
    """A job with its plan and what happened, at one moment; what own jobs taught, and the other finished ones."""

    head: JobHead
    plan: Plan
    progress: Progress
    stations: list[Station]
    next: Next | None
    at: datetime
    learnt: Mapping[str, Learnt] = field(default_factory=dict)
    earlier: tuple[Finished, ...] = ()
    knows_kit: bool = True

    @property
    def graph(self) -> TaskGraph:
        """Its tasks."""
        return self.progress.graph

    @property
    def log(self) -> tuple[LogEntry, ...]:
        """What happened, oldest first."""
        return self.progress.log


@dataclass(frozen=True, slots=True)
class Mending:
    """A job that cannot be reckoned: what is wrong, what to do, and the changes that would mend it."""

    head: JobHead
    name: str
    what: str
    fix: str
    mends: tuple[Mend, ...]
