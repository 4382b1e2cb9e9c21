"""Jobs the row finished earlier in the year: what they took, how they came out, and so what they teach."""

from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from dunestead.core.blanks.blank import Blank
from dunestead.core.job.job import LaterLook, Record, WhenLooked, altered
from dunestead.core.job.log import LogEntry
from dunestead.core.job.proposing import start_job
from dunestead.core.learning.happened import hand_seconds
from dunestead.core.learning.recipes import recipe_of
from dunestead.core.looking.look import look_at
from dunestead.core.work.kinds import CLOSED_BY
from dunestead.core.work.tasks import Task
from dunestead.workshop.workbench import Workbench

__all__ = ["fill_earlier"]


@dataclass(frozen=True, slots=True)
class _Earlier:
    """A finished job.

    Attributes
    ----------
    pace, thirst
        By which factor hands and paint took other than planned.
    ago
        Days since it was closed.
    """

    name: str
    words: str
    surface: str
    blank: Blank
    width: float
    pace: float
    thirst: float
    ago: int
    record: Record
    material: str = ""
    copies: int = 1


_LOOKED_BEFORE = 60
_MAT = Blank(500, 350, measured_width=498, measured_height=349, colour="#b08a57")
_TOWEL = Blank(500, 700, measured_width=496, measured_height=700, colour="#f3efe4")
_SYNTHETIC = Blank(500, 350, measured_width=500, measured_height=350, colour="#8d9a9b")
_EARLIER = (
    _Earlier("Cabin 1 mat", "ONE", "coir", _MAT, 340, 0.72, 1.18, 160, Record(5, "Crisp. Same again.")),
    _Earlier(
        "Cabin 2 mat",
        "TWO",
        "coir",
        _MAT,
        340,
        0.81,
        1.22,
        131,
        Record(4, "A centre was late.", troubles={"bled": 0}),
    ),
    _Earlier("Cabin 3 mat", "TEN", "coir", _MAT, 340, 0.76, 1.15, 96, Record(5, "")),
    _Earlier(
        "Harbour hut mat",
        "HUT",
        "synthetic-mat",
        _SYNTHETIC,
        320,
        0.83,
        1.05,
        74,
        Record(3, "Lifted at both ends while dabbing.", troubles={"lifted": 0}),
        "vinyl-removable",
    ),
    _Earlier(
        "Jetty mat",
        "JET",
        "synthetic-mat",
        _SYNTHETIC,
        320,
        0.78,
        1.1,
        52,
        Record(2, "Lifted again, paint ran under it.", troubles={"lifted": 1, "bled": 0}),
        "vinyl-removable",
    ),
    _Earlier("Galley towels", "SALT", "flat-towel", _TOWEL, 300, 0.9, 0.88, 33, Record(5, ""), copies=2),
)


# What the row wrote down of the ones that came out well.
_RECIPES = {
    "Cabin 1 mat": "Row mat, as in spring",
    "Cabin 3 mat": "Row mat, the usual way",
    "Galley towels": "Towels, ironed paper",
}


def fill_earlier(workbench: Workbench) -> None:
    """Add the finished jobs, put away; all are begun by the table, before any of them teaches."""
    made = [(_made(workbench, one), one) for one in _EARLIER]
    for job_id, one in made:
        _work(workbench, job_id, one)
        if name := _RECIPES.get(one.name):
            opened, figures = workbench.open(job_id, "mm"), workbench.catalogue.workshop
            workbench.records.recipes.add(recipe_of(opened.plan, opened.progress, name, opened.at.date(), figures))
        workbench.put_away(job_id, away=True)


def _made(workbench: Workbench, one: _Earlier) -> int:
    catalogue = workbench.catalogue
    begun = start_job(
        one.name, catalogue.surface(one.surface), catalogue, workbench.designs.make_words(one.words)(1), one.blank
    )
    sized = altered(workbench.designs.with_width(begun, one.width), copies=one.copies)
    chosen = altered(sized, material=one.material) if one.material else sized
    found = look_at(chosen, workbench.sources, catalogue).found
    job_id = workbench.add(altered(chosen, fates={piece.number: "keep" for piece in found}))
    plan = workbench.plan(job_id)
    used = {coat.paint.key: 0.0 for coat in plan.coatings}
    for coat in plan.coatings:
        used[coat.paint.key] += coat.batch.total_ml * one.thirst
    record = Record(
        one.record.grade,
        one.record.notes,
        used_ml={paint: round(ml, 1) for paint, ml in used.items()},
        troubles=one.record.troubles,
        looks=_looks(workbench, one),
    )
    workbench.alter(job_id, "Record", lambda job: altered(job, record=record))
    return job_id


def _looks(workbench: Workbench, one: _Earlier) -> dict[WhenLooked, LaterLook]:
    """Return the looks that were taken: the newest two jobs wait for theirs."""
    ended = workbench.clock.now().date() - timedelta(days=one.ago)
    if one.ago < _LOOKED_BEFORE:
        return {}
    return {
        "week": LaterLook(ended + timedelta(days=8), 5, 5, 5),
        "month": LaterLook(ended + timedelta(days=33), 5, 4, 4, "Trodden on daily."),
    }


def _work(workbench: Workbench, job_id: int, one: _Earlier) -> None:
    """Tick every step at the end of its work, one after the other, waiting where it must."""
    graph = workbench.open(job_id, "mm").graph
    ends = workbench.clock.now() - timedelta(days=one.ago)
    log: list[LogEntry] = []
    done: dict[str, datetime] = {}
    figures = workbench.catalogue.figures
    # Told from a day long enough ago for all of it, and moved so that it ends when it should.
    at = ends
    for task in graph.tasks:
        if task.needs_marks or task.id == CLOSED_BY:
            continue
        waits = [done[wait.task] + timedelta(minutes=wait.least) for wait in task.after if wait.task in done]
        at = max([at, *waits]) + timedelta(
            seconds=task.effort.machine_seconds + sum(hand_seconds((task,), figures).values()) * one.pace
        )
        done[task.id] = at
        log += _ticked(task, at)
    over = at - ends + timedelta(minutes=3)
    workbench.work.log(job_id, [replace(entry, at=entry.at - over) for entry in log])
    workbench.work.tick(job_id, CLOSED_BY, done=True, at=ends)


def _ticked(task: Task, at: datetime) -> list[LogEntry]:
    entries = []
    if task.call:
        entries.append(LogEntry("called", task.id, at, numbers=task.call.numbers))
        for count in task.call.counts:
            found = (count.planned or 6) if count.expected is None else count.expected
            entries.append(LogEntry("counted", task.id, at, what=count.code, count=found))
    return [*entries, LogEntry("done", task.id, at, fingerprint=dict(task.fingerprint))]
