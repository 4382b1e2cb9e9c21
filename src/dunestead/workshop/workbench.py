"""Jobs opened: stored entries, the plan reckoned from them, what happened, and changes made to it."""

import logging
from collections.abc import Callable, Sequence
from datetime import date
from hashlib import sha256

from pydantic import TypeAdapter

from dunestead.core.artwork.elements import Element
from dunestead.core.blanks.blank import Blank
from dunestead.core.changes.arranging import (
    start_design,
)
from dunestead.core.errors import BadInput, DamagedJob, DunesteadError
from dunestead.core.figures import Catalogue
from dunestead.core.job.job import Job, Record, altered
from dunestead.core.job.log import LogEntry
from dunestead.core.job.proposing import on_kit, start_job
from dunestead.core.learning.lessons import closed_at
from dunestead.core.learning.recipes import with_recipe
from dunestead.core.limits import check_limits
from dunestead.core.looking.look import Look, look_at
from dunestead.core.looking.mending import mends_for
from dunestead.core.looking.rail import SizeRail, size_rail
from dunestead.core.looking.remedies import Tools
from dunestead.core.looking.ties import BridgeMove, bridge_at
from dunestead.core.mask.bridges import Bridge
from dunestead.core.plan.plan import Plan, make_plan
from dunestead.core.stations.consequence import Consequence, consequence_of, with_method
from dunestead.core.stations.graph import next_of, stations_of, task_graph
from dunestead.core.work.progress import Progress
from dunestead.devices.weather import SimulatedWeather, WeatherService
from dunestead.formats.verified import check_cut
from dunestead.store import BlankStore, JobHead, JobStore, Records, StoredJob
from dunestead.store.searches import SearchStore
from dunestead.workshop.clock import Clock
from dunestead.workshop.cutting_room import CuttingRoom
from dunestead.workshop.designs import Designs, bridges_beside
from dunestead.workshop.excerpts import Excerpts
from dunestead.workshop.inventory import Inventory
from dunestead.workshop.lessons import Lessons
from dunestead.workshop.opened import UNRECKONED, Mending, OpenJob
from dunestead.workshop.plans import Plans, Reckoned
from dunestead.workshop.searches import Searches
from dunestead.workshop.sources import StoredSources
from dunestead.workshop.uses import uses_of
from dunestead.workshop.work import WorkLog

__all__ = ["Change", "Workbench"]

_LOGGER = logging.getLogger(__name__)
_LONGEST_NAME = 120
_JOB = TypeAdapter(Job)
Change = Callable[[Job, Plan], Job]


class Workbench:
    """Opens and changes jobs; every change is reckoned through before it is kept."""

    def __init__(
        self,
        store: JobStore,
        blanks: BlankStore,
        records: Records,
        catalogue: Catalogue,
        cutting: CuttingRoom,
        clock: Clock | None = None,
        weather: WeatherService | None = None,
        plans: Plans | None = None,
        searches: SearchStore | None = None,
    ) -> None:
        self._store = store
        self.weather = weather or SimulatedWeather()
        self.clock = clock or Clock()
        self.blanks = blanks
        self.records = records
        self.cutting = cutting
        self.searches = Searches(self.clock.steady, searches)
        self.sources = StoredSources(store.file)
        self._plans = plans or Plans()
        self.excerpts = Excerpts(store, self.open, catalogue)
        self.lessons = Lessons(store, records, catalogue, self.excerpts.refresh)
        self.inventory = Inventory(records, self.excerpts, lambda: self.catalogue, self.clock)
        self.designs = Designs(store, self.sources, lambda: self.catalogue)
        self.work = WorkLog(store, records, self.inventory, self.lessons, self.open, self.clock)

    def close(self) -> None:
        """End what goes on between requests: the database is another one now."""
        self.cutting.close()
        self.searches.close()

    @property
    def catalogue(self) -> Catalogue:
        """All figures, with the maker's own records."""
        return self.lessons.catalogue

    @property
    def is_empty(self) -> bool:
        """Whether no job was ever begun here."""
        return self._store.is_empty()

    def tools(self, unit: str) -> Tools:
        """Return what trying a remedy needs."""
        return Tools(self.sources, self.catalogue, unit)

    # --- opening ----------------------------------------------------------------------------------
    def begin(
        self,
        make: Callable[[int], Element],
        name: str,
        surface: str,
        blank: Blank | None = None,
        recipe: int | None = None,
    ) -> int:
        """Begin a job with its first element, which fills the blank up to its margins; returns its number.

        It is made by a recipe where the number of one is given; raises `BadInput` where that does not do.
        """
        job = start_job(name, self.catalogue.surface(surface), self.catalogue, make(1), blank)
        if recipe is not None:
            job = with_recipe(job, self.records.recipes.get(recipe), self.catalogue)
        job = on_kit(start_design(job, self.sources, self.catalogue), self.records.kit(), self.catalogue)
        return self._store.add(self.reckon(job).plan.job)

    def add(self, job: Job, log: Sequence[LogEntry] = ()) -> int:
        """Keep a job that was put together elsewhere, and what happened to it, once it is reckoned through.

        Returns its number. One whose record is written down teaches as those made here do.
        """
        number = self._store.add(self.reckon(job).plan.job, log)
        self._teach_anew(number)
        return number

    def open(self, job_id: int, unit: str) -> OpenJob:
        """Return a job with all that follows from it."""
        return self._opened(self._store.get(job_id), unit)

    def plan(self, job_id: int) -> Plan:
        """Return the plan of a job as it stands."""
        return self.reckon(self._store.get(job_id).job).plan

    def try_method(self, job_id: int, key: str) -> tuple[Consequence, Consequence]:
        """Return what hangs on the method of a job, as it is and with another; nothing is kept."""
        job, catalogue = self._store.get(job_id).job, self.catalogue
        now, then = self.reckon(job), self.reckon(with_method(job, key, catalogue))
        return (
            consequence_of(now.plan, now.graph, catalogue),
            consequence_of(then.plan, then.graph, catalogue),
        )

    def reckon(self, job: Job) -> Reckoned:
        """Return the plan of a job and its tasks.

        Raises
        ------
        BadInput
            When it cannot be reckoned with.
        """
        catalogue, own = self.lessons.figures

        def make() -> Reckoned:
            plan = make_plan(job, self.sources, catalogue, check_cut)
            return Reckoned(plan, task_graph(plan, catalogue))

        def key(of: Job) -> str:
            return f"{own.reckoned_from(uses_of(of))}:{sha256(_JOB.dump_json(of)).hexdigest()}"

        reckoned = self._plans.get(key(job), make)
        # What is kept is the job with its roll brought up to date, and asked for next: its plan is the same.
        self._plans.also(key(reckoned.plan.job), reckoned)
        return reckoned

    def _opened(self, stored: StoredJob, unit: str) -> OpenJob:
        reckoned = self.reckon(stored.job)
        plan, at = reckoned.plan, self.clock.now()
        progress = Progress(reckoned.graph, stored.log)
        stations = stations_of(plan, progress, unit, at)
        earlier = tuple(one for number, _, one in self.lessons.finished if number != stored.id)
        following = next_of(plan, progress, stations, at)
        kit = self.records.kit()
        knows_kit = kit is not None and kit.cutter is not None
        learnt = self.lessons.learnt
        return OpenJob(stored.head, plan, progress, stations, following, at, learnt, earlier, knows_kit)

    def job(self, job_id: int) -> Job:
        """Return what the maker decided about a job."""
        return self._store.get(job_id).job

    def stored(self, job_id: int) -> tuple[Job, tuple[LogEntry, ...]]:
        """Return what the maker decided about a job, and what happened to it."""
        stored = self._store.get(job_id)
        return stored.job, stored.log

    def job_names(self) -> dict[int, str]:
        """Return what each job that is not deleted is called."""
        return self._store.names()

    def file(self, key: str) -> bytes:
        """Return the bytes of a kept file."""
        return self._store.file(key)

    def head(self, job_id: int) -> JobHead:
        """Return where a job stands, without what is in it."""
        return self._store.head(job_id)

    # --- the board --------------------------------------------------------------------------------
    def put_away(self, job_id: int, *, away: bool) -> None:
        """Take a job off the board, or bring it back."""
        self._store.put_away(job_id, away=away)
        self.lessons.relearn(job_id)

    def delete(self, job_id: int) -> None:
        """Delete a job; for a while it can be brought back. Those whose time is up are erased."""
        self._store.delete(job_id)
        self._store.erase()
        self.lessons.relearn(job_id)

    def erase(self, job_id: int) -> None:
        """Erase a deleted job for good."""
        self._store.erase(job_id)

    def make_again(self, job_id: int, name: str, due: date | None, blanks: Sequence[int] = ()) -> list[int]:
        """Begin jobs with all that was decided about another, and nothing of what happened; returns their numbers.

        Parameters
        ----------
        name, due
            What it is called, and for when; of several each is called by its blank too.
        blanks
            Numbers of the library: one job on each, the design fitted to it; on the same blank where there are none.

        Raises
        ------
        BadInput
            When one of them cannot be reckoned with; then none is begun.
        """
        like = altered(self._store.get(job_id).job, name=name, due=due, record=Record())
        check_limits(like)
        kept = [self.blanks.get(number) for number in dict.fromkeys(blanks)]
        jobs = [self.designs.with_kept_blank(like, one) for one in kept] or [like]
        if len(jobs) > 1:
            room = _LONGEST_NAME - 2
            names = [f"{name[: room - len(one.name[:60])]}, {one.name[:60]}" for one in kept]
            jobs = [altered(job, name=own) for job, own in zip(jobs, names, strict=True)]
        return self._store.add_all([self.reckon(job).plan.job for job in jobs])

    # --- mending ----------------------------------------------------------------------------------
    def mending(self, job_id: int) -> Mending:
        """Return what is wrong with a job that cannot be reckoned, and what mends it; each way was tried."""
        head, name = self._store.head(job_id), self._store.name_of(job_id)
        try:
            job = self._store.get(job_id).job
            self.reckon(job)
        except DamagedJob as error:
            return Mending(head, name, error.what, error.fix, ())
        except DunesteadError as error:
            mends = tuple(mend for mend in mends_for(job, self.catalogue, self.sources) if self._holds(mend.job))
            return Mending(head, name, error.what, error.fix, mends)
        except Exception:
            _LOGGER.exception("Job %s cannot be reckoned", job_id)
            return Mending(head, name, *UNRECKONED, ())
        return Mending(head, name, "", "", ())

    def _holds(self, job: Job) -> bool:
        try:
            self.reckon(job)
        except DunesteadError:
            return False
        return True

    def mend(self, job_id: int, key: str, version: int) -> None:
        """Mend a job in one of the ways offered.

        Raises
        ------
        BadInput
            When that way is not offered.
        """
        found = next((mend for mend in self.mending(job_id).mends if mend.key == key), None)
        if found is None:
            raise BadInput("This is not offered any more.", "Look at the job again.")
        self.alter(job_id, found.label, lambda _: found.job, version)

    # --- changing ---------------------------------------------------------------------------------
    def change(self, job_id: int, label: str, changed: Change, version: int | None = None) -> None:
        """Change a job as one undoable step.

        Parameters
        ----------
        job_id, label
            Which job, and the change in words.
        changed
            Given the job and its plan, returns the job as it shall be.
        version
            What the change was made on, None for what is there.

        Raises
        ------
        BadInput
            When the outcome cannot be reckoned with; then nothing is kept.
        Clash
            When the job is at another version.
        """
        self.alter(job_id, label, lambda job: changed(job, self.reckon(job).plan), version)

    def alter(self, job_id: int, label: str, changed: Callable[[Job], Job], version: int | None = None) -> None:
        """Change a job by its entries alone, which mends one that cannot be reckoned; else as `change`."""
        stored = self._store.get(job_id)
        self._store.expect(job_id, version)
        job = changed(stored.job)
        if job == stored.job:
            return
        reckoned = self.reckon(job)
        finished = self.lessons.finished_of(job_id, reckoned.plan, reckoned.graph, stored.log)
        self._store.change(job_id, version or stored.head.version, reckoned.plan.job, label, finished)
        if finished:
            self.lessons.relearn()

    def undo(self, job_id: int, version: int | None = None) -> None:
        """Step back one change."""
        self._store.undo(job_id, version)
        self._teach_anew(job_id)

    def redo(self, job_id: int, version: int | None = None) -> None:
        """Step forward again."""
        self._store.redo(job_id, version)
        self._teach_anew(job_id)

    def _teach_anew(self, job_id: int) -> None:
        """Learn from a finished job once more: what the maker wrote down of it was taken back, or brought back."""
        stored = self._store.get(job_id)
        if closed_at(stored.log):
            reckoned = self.reckon(stored.job)
            self._store.finish(job_id, self.lessons.finished_of(job_id, reckoned.plan, reckoned.graph, stored.log))
            self.lessons.relearn()

    # --- looking ----------------------------------------------------------------------------------
    def look(self, job_id: int, changed: Change) -> tuple[Look, SizeRail]:
        """Return what a job's design would look like after a change that is not kept.

        Raises
        ------
        BadInput
            When the outcome cannot be reckoned with.
        """
        job = self._store.get(job_id).job
        look = look_at(changed(job, self.reckon(job).plan), self.sources, self.catalogue)
        return look, size_rail(look, self.catalogue)

    def try_bridge(self, job_id: int, move: BridgeMove) -> tuple[Plan, Bridge]:
        """Return the bridge a move would give, nothing kept.

        Raises
        ------
        BadInput
            When no bridge can stand there, with the reason.
        """
        plan = self.plan(job_id)
        return plan, bridge_at(plan.look, bridges_beside(plan, move.piece), move, self.catalogue)
