"""From an opened job to its work: stations, the tasks of one copy, clocks, what comes next."""

from collections import Counter
from collections.abc import Sequence
from typing import Any

from dunestead.api import schemas as wire
from dunestead.api.mark_views import marking_out
from dunestead.core.job.log import LogEntry
from dunestead.core.learning.causes import tallies_at
from dunestead.core.learning.learnt import in_use
from dunestead.core.stations.graph import Next, red_before_cutting
from dunestead.core.stations.onward import onward_of
from dunestead.core.stations.station import Station
from dunestead.core.stations.ticking import all_here_in_words, not_yet
from dunestead.core.units import as_lines
from dunestead.core.words.learning import learnt_in_words, tally_in_words
from dunestead.core.words.peeling import UNFIT, first_in_words, too_late
from dunestead.core.work.kinds import Trait
from dunestead.core.work.progress import Clock, Progress
from dunestead.core.work.saying import caution_of, detail_of, needs_in_words, title_of
from dunestead.core.work.tasks import Call, Task
from dunestead.core.work.values import AcrossSeams, UnderPlate
from dunestead.workshop.opened import OpenJob

__all__ = ["clock_entries", "clocks_out", "head_out", "next_title", "station_out", "work_entries", "work_out"]

_MOST_CLOCKS = 60
_MOST_TALLIES = 6


def work_out(opened: OpenJob, unit: str, copy: int, room: str | None = None) -> wire.WorkOut:
    """Return what is to be done on a job, and what was done, on one copy; at one station when it is named."""
    return wire.WorkOut(**work_entries(opened, unit, copy, room))


def work_entries(opened: OpenJob, unit: str, copy: int, room: str | None) -> dict[str, Any]:
    """Return the entries of `WorkOut`, which a whole job has too."""
    views = _TaskViews(opened, unit)
    shown = min(copy, opened.plan.copies)
    return {
        "id": opened.head.id,
        "version": opened.head.version,
        "copy_no": shown,
        "copies": opened.plan.copies,
        "stations": [
            views.station(station.code, shown) if room in (None, station.code) else views.verdict(station)
            for station in opened.stations
        ],
        "next": views.next_out(),
        "held": red.verdict if (red := red_before_cutting(opened.stations)) else None,
        "clocks": clocks_out(opened, unit),
        "history": _history(opened),
    }


def station_out(opened: OpenJob, unit: str, code: str, copy: int) -> wire.StationOut:
    """Return one station with the tasks of one copy."""
    return _TaskViews(opened, unit).station(code, min(copy, opened.plan.copies))


def head_out(opened: OpenJob, unit: str) -> wire.HeadOut:
    """Return where a job stands, small."""
    return wire.HeadOut.showing(
        opened.head,
        name=opened.plan.job.name,
        stations=[wire.StationHeadOut.showing(s) for s in opened.stations],
        next=_TaskViews(opened, unit).next_out(),
        clocks=clocks_out(opened, unit),
        history=_history(opened),
    )


def _history(opened: OpenJob) -> wire.HistoryOut:
    return wire.HistoryOut.showing(opened.head)


def next_title(following: Next | None, unit: str) -> str | None:
    """Return what comes next in a line, None when all is done."""
    if following is None:
        return None
    return title_of(following.task, unit) if following.task else following.verdict


def clocks_out(opened: OpenJob, unit: str) -> list[wire.ClockOut]:
    """Return every task that is waited for, soonest first."""
    return [wire.ClockOut(**clock_entries(opened, clock, unit)) for clock in opened.progress.clocks()[:_MOST_CLOCKS]]


def _drying(progress: Progress, task: Task) -> str | None:
    """Return the coat that a task waits for and of which nobody has said yet that it is dry to the touch."""
    for wait in task.after:
        coat = progress.graph.by_id.get(wait.task)
        if coat and coat.has(Trait.FIRST_STROKE) and progress.done(coat) and progress.dried(coat) is None:
            return coat.id
    return None


def clock_entries(opened: OpenJob, clock: Clock, unit: str) -> dict[str, Any]:
    """Return the entries of `ClockOut`."""
    task = clock.task
    return {
        "task": task.id,
        "title": title_of(task, unit),
        "station": task.station,
        "copy_no": task.copy,
        "opens": clock.opens,
        "closes": clock.closes,
        "first": first_in_words(clock, opened.at) if clock.opens is None else "",
        "fits_until": clock.fits_until,
        "unfit": UNFIT if clock.fits_until else "",
        "late": too_late(opened.plan.choices.material.kind) if task.station == "peel" else "",
        "drying": _drying(opened.progress, task),
    }


class _TaskViews:
    """Tasks of an opened job as they go over the wire."""

    def __init__(self, opened: OpenJob, unit: str) -> None:
        self._opened, self._unit = opened, unit
        tasks = opened.graph.tasks
        self._copies = Counter(map(_alike, tasks))
        self._done = Counter(_alike(task) for task in tasks if opened.progress.is_done(task))

    def station(self, code: str, copy: int) -> wire.StationOut:
        """Return a station with what is to be done there on one copy."""
        station = next(one for one in self._opened.stations if one.code == code)
        found = self.verdict(station)
        found.rows = list(station.rows)
        plan, progress = self._opened.plan, self._opened.progress
        own = in_use(self._opened.learnt, station.tasks, plan)
        found.learnt = [f"{one.about} {learnt_in_words(one, self._unit)}" for one in own]
        tallies = tallies_at(code, self._opened.earlier, plan)
        found.earlier = [tally_in_words(what, tally) for what, tally in tallies[:_MOST_TALLIES]]
        shown = [t for t in self._of_copy(station.tasks, copy) if not t.needs_marks or progress.marks(t.needs_marks)]
        found.tasks = [self.task(task) for task in shown]
        return found

    def verdict(self, station: Station) -> wire.StationOut:
        """Return a station without its tasks and figures."""
        opened, progress = self._opened, self._opened.progress
        by_code = {one.code: one for one in opened.stations}
        onward = onward_of(
            opened.plan, progress, by_code, station.code, opened.next, self._unit, knows_kit=self._opened.knows_kit
        )
        return wire.StationOut.showing(
            station,
            onward=onward,
            tasks_done=sum(progress.is_done(task) for task in station.tasks),
            tasks_all=len(station.tasks),
            rows=[],
            learnt=[],
            earlier=[],
            tasks=[],
        )

    def next_out(self) -> wire.NextOut | None:
        """Return what comes next."""
        following = self._opened.next
        if following is None:
            return None
        task = self.task(following.task) if following.task else None
        return wire.NextOut.showing(following, task=task)

    def _of_copy(self, tasks: Sequence[Task], copy: int) -> list[Task]:
        """Return the tasks of one copy; of its masks those of the set that it is painted through."""
        first = self._opened.plan.first_of_set(copy)
        return [
            task for task in tasks if task.copy is None or task.copy == (first if task.has(Trait.PER_SET) else copy)
        ]

    def _held_up(self, task: Task) -> str:
        opened = self._opened
        if opened.progress.is_done(task):
            return ""
        doubt = not_yet(opened.plan, opened.progress, task, opened.at, self._unit)
        return doubt.what if doubt else ""

    def task(self, task: Task) -> wire.TaskOut:
        """Return one task."""
        progress = self._opened.progress
        entry = progress.done(task)
        call = _call_out(task, task.call, progress) if task.call else None
        detail = detail_of(task, self._opened.graph, self._unit)
        return wire.TaskOut.showing(
            task,
            title=title_of(task, self._unit),
            detail=detail,
            lines=list(as_lines(detail)),
            copy_no=task.copy,
            needs=needs_in_words(task, self._unit),
            caution=caution_of(task),
            call=call,
            heat=_heat_out(task),
            read=_read_out(progress.laid(task)),
            begun=progress.begun(task),
            traits=sorted(task.kind.traits),
            shows=list(task.kind.shows),
            marking=marking_out(self._opened, task, self._unit),
            seams=_seams_out(task),
            state=progress.state(task, self._opened.at),
            held_up=self._held_up(task),
            done_at=entry.at if entry else None,
            done_by=entry.by if entry else "",
            reason=entry.reason if entry else "",
            changed=list(progress.outdated_by(task)),
            opens=progress.opens(task),
            closes=progress.closes(task),
            copies_done=self._done[_alike(task)],
            copies=self._copies[_alike(task)],
            counted="sets" if task.has(Trait.PER_SET) else "copies",
        )


def _read_out(entry: LogEntry | None) -> wire.ReadOut | None:
    if entry is None:
        return None
    return wire.ReadOut.showing(entry, within=bool(entry.within))


def _seams_out(task: Task) -> list[wire.TaskSeamOut]:
    seams = task.values.seams if isinstance(task.values, AcrossSeams) else ()
    return [wire.TaskSeamOut.showing(seam) for seam in seams]


def _heat_out(task: Task) -> wire.TaskHeatOut | None:
    if not isinstance(task.values, UnderPlate) or not task.call:
        return None
    pressing = task.values.pressing
    return wire.TaskHeatOut.showing(pressing)


def _call_out(task: Task, call: Call, progress: Progress) -> wire.CallOut:
    called = progress.calls(task)
    return wire.CallOut.showing(
        call,
        answered={number: called[number] for number in call.numbers if number in called},
        keepers_counted=progress.counted(task, "keepers"),
        all_here=all_here_in_words(progress, task),
        lifted=list(progress.lifted(call.again or task.id)),
        counts=[
            wire.CountOut.showing(
                count, what=count.code, counted=progress.counted(task, count.code), expected=progress.expected(count)
            )
            for count in call.counts
        ],
    )


def _alike(task: Task) -> tuple[object, ...]:
    """Return what tasks of several copies have in common."""
    return (task.code, task.mask, task.sheet, task.coating, task.coat)
