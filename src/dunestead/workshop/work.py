"""What happened to jobs: steps ticked off, roll-calls, counts, heat, drying, files handed out; rows of the log."""

from collections.abc import Callable, Sequence
from datetime import datetime

from dunestead.core.errors import BadInput, HeldBack, TooEarly
from dunestead.core.job.log import LogEntry
from dunestead.core.learning.lessons import closed_at
from dunestead.core.limits import check_limits
from dunestead.core.records import Pressed
from dunestead.core.stations.graph import red_before_cutting
from dunestead.core.stations.ticking import all_here as all_counted
from dunestead.core.stations.ticking import doubt_about
from dunestead.core.work.kinds import Trait
from dunestead.core.work.progress import Progress
from dunestead.core.work.tasks import Task, TaskGraph
from dunestead.store import JobStore, Records
from dunestead.workshop.clock import Clock
from dunestead.workshop.inventory import Inventory
from dunestead.workshop.lessons import Lessons
from dunestead.workshop.opened import OpenJob

__all__ = ["WorkLog", "task_in"]


class WorkLog:
    """What happens to jobs, written down.

    Parameters
    ----------
    store, records, inventory
        Where it is kept: the log, how a mask was pressed, what steps take.
    lessons
        Reckons with what closes a job.
    open_job
        Returns a job as it stands, its words in a unit.
    clock
        The workshop's.
    """

    def __init__(
        self,
        store: JobStore,
        records: Records,
        inventory: Inventory,
        lessons: Lessons,
        open_job: Callable[[int, str], OpenJob],
        clock: Clock,
    ) -> None:
        self._store, self._records, self._inventory, self._lessons = store, records, inventory, lessons
        self._open, self._clock = open_job, clock

    def tick(
        self,
        job_id: int,
        task_id: str,
        *,
        done: bool,
        version: int | None = None,
        reason: str = "",
        at: datetime | None = None,
        began: datetime | None = None,
        unit: str = "mm",
        all_here: bool = False,
    ) -> None:
        """Log a task as done, or as not done after all; with `all_here` its count is said to come out as well.

        Raises
        ------
        BadInput
            When there is no such task.
        TooEarly
            When it is before its turn or its time, or its count is not out, and no reason is given.
        """
        opened = self._open(job_id, unit)
        task = task_in(opened.graph, task_id)
        moment = at or self._clock.now()
        if moment > self._clock.now():
            raise BadInput("That time is in the future.", "Enter a time that has passed.")
        counts = all_counted(opened.progress, task, moment) if done and all_here else []
        progress = Progress(opened.graph, (*opened.log, *counts)) if counts else opened.progress
        doubt = doubt_about(opened.plan, progress, task, moment, unit) if done and not reason else None
        if doubt:
            raise TooEarly(doubt.what, doubt.fix)
        entry = LogEntry(
            "done" if done else "undone",
            task.id,
            moment,
            began=(began or opened.progress.begun(task)) if done else None,
            reason=reason,
            fingerprint=dict(task.fingerprint) if done else {},
        )
        check_limits(entry)
        # What closes a job makes it teach; taken back, it teaches nothing any more.
        finished = self._lessons.finished_of(job_id, opened.plan, opened.graph, (*opened.log, *counts, entry))
        moves = self._inventory.moves_for(opened, task, moment, done=done)
        self._store.write(job_id, version, [*counts, entry], finished, moves)
        if finished or closed_at(opened.log):
            self._lessons.relearn()

    def call(
        self, job_id: int, task_id: str, numbers: Sequence[int], *, present: bool, version: int | None = None
    ) -> None:
        """Log keepers, or rests of the plate, that answered a roll-call, or did not after all.

        Raises
        ------
        BadInput
            When there is no such roll-call, or a number is not on it.
        """
        task = self._numbered(job_id, task_id, numbers)
        entry = LogEntry("called" if present else "uncalled", task.id, self._clock.now(), numbers=tuple(numbers))
        self._store.write(job_id, version, [entry])

    def mark_lifted(
        self, job_id: int, task_id: str, numbers: Sequence[int], *, lifted: bool, version: int | None = None
    ) -> None:
        """Log rests of the plate where the mask lifted, or held after all; raises as `call`."""
        task = self._numbered(job_id, task_id, numbers)
        if task.call is None or task.call.of != "placements":
            raise BadInput("Nothing is pressed in this task.", "Mark what lifts where the mask is pressed.")
        entry = LogEntry("lifted" if lifted else "held", task.id, self._clock.now(), numbers=tuple(numbers))
        self._store.write(job_id, version, [entry])

    def count(self, job_id: int, task_id: str, what: str, value: int, version: int | None = None) -> None:
        """Log how many of something were counted; as many keepers as there should be have all answered.

        Raises
        ------
        BadInput
            When nothing of the kind is counted in this task.
        """
        task = task_in(self._open(job_id, "mm").graph, task_id)
        call = task.call
        keepers = call.numbers if call and call.of == "keepers" else ()
        if call is None or not (any(one.code == what for one in call.counts) or (what == "keepers" and keepers)):
            raise BadInput("That is not counted in this task.", "Tick the step off instead.")
        now = self._clock.now()
        entry = LogEntry("counted", task.id, now, what=what, count=value)
        check_limits(entry)
        all_here = what == "keepers" and value == len(keepers)
        called = [LogEntry("called", task.id, now, numbers=keepers)] if all_here else []
        self._store.write(job_id, version, [entry, *called])

    def used(self, job_id: int, task_id: str, celsius: float, seconds: float, version: int | None = None) -> None:
        """Log how a mask was really pressed; as it held or lifted, it is proposed the next time or not.

        Raises
        ------
        BadInput
            When nothing is pressed in this task, or a figure cannot be.
        """
        opened = self._open(job_id, "mm")
        task = task_in(opened.graph, task_id)
        if task.call is None or task.call.of != "placements":
            raise BadInput("Nothing is pressed in this task.", "Save where the mask is pressed.")
        plan, now = opened.plan, self._clock.now()
        record = Pressed(
            plan.choices.material.key,
            plan.choices.surface.key,
            plan.method.key,
            1 if task.has(Trait.PRESSES) else len(plan.method.press),
            celsius,
            seconds,
            now.date(),
            job_id,
        )
        check_limits(record)
        self._store.write(job_id, version, [LogEntry("used", task.id, now, celsius=celsius, took=seconds)])
        # What lifted is written down, and no proposal.
        if not opened.progress.lifted(task.call.again or task.id):
            self._records.keep_pressed(record)
            self._lessons.refresh()

    def dried(self, job_id: int, task_id: str, version: int | None = None) -> None:
        """Log that a coat was found dry to the touch just now.

        Raises
        ------
        BadInput
            When it is no coat, or it is not on yet.
        """
        opened, now = self._open(job_id, "mm"), self._clock.now()
        task = task_in(opened.graph, task_id)
        done = opened.progress.done(task) if task.coating is not None else None
        if done is None:
            raise BadInput("No coat is drying there.", "Tick the coat off first; then say when it is dry to the touch.")
        entry = LogEntry("dried", task.id, now, took=max((now - done.at).total_seconds(), 0.0))
        check_limits(entry)
        self._store.write(job_id, version, [entry])

    def rehearsed(self, job_id: int, seconds: float, slips: int, version: int | None = None) -> None:
        """Log a weeding that was rehearsed on the screen, how long it took and how many pulls were wrong."""
        entry = LogEntry("rehearsed", "weed", self._clock.now(), count=slips, took=seconds)
        check_limits(entry)
        self._store.write(job_id, version, [entry])

    def _numbered(self, job_id: int, task_id: str, numbers: Sequence[int]) -> Task:
        task = task_in(self._open(job_id, "mm").graph, task_id)
        if task.call is None or not task.call.numbers:
            raise BadInput("This task has no roll-call.", "Tick the step off instead.")
        if unknown := [number for number in numbers if number not in task.call.numbers]:
            what = "piece that is kept" if task.call.of == "keepers" else "rest of the plate"
            raise BadInput(f"{unknown[0]} is not a {what}.", "Call only the numbers on the map.")
        return task

    def hand_out(self, job_id: int, what: str, unit: str, *, anyway: bool) -> OpenJob:
        """Return a job whose file is asked for.

        Raises
        ------
        HeldBack
            When something red stands in the way, and the maker has not said to hand it out anyway; said so, it is
            logged.
        """
        opened = self._open(job_id, unit)
        if red := red_before_cutting(opened.stations):
            if not anyway:
                raise HeldBack(f"{red.name}: {red.verdict}", "Fix it first, or choose to download the file anyway.")
            self._store.write(job_id, None, [LogEntry("handed-out", what[:120], self._clock.now())])
        return opened

    def log(self, job_id: int, entries: Sequence[LogEntry], version: int | None = None) -> None:
        """Add rows to a job's log as they are; made on a version, they clash with any other."""
        self._store.write(job_id, version, entries)


def task_in(graph: TaskGraph, task_id: str) -> Task:
    """Return a task by its id; raises `BadInput` when a job has none."""
    task = graph.by_id.get(task_id)
    if task is None:
        raise BadInput(
            f"There is no task “{task_id[:80]}” in this job.", "Look at the job again: its tasks may have changed."
        )
    return task
