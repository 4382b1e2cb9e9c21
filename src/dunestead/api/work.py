"""The work: what is done, who answered at a roll-call, where a job stands."""

from dunestead.api import schemas as wire
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, if_match, opened, worked
from dunestead.api.work_views import head_out, station_out
from dunestead.core.errors import NoSuchThing
from dunestead.core.stations.station import NAMES
from dunestead.workshop.marking import begin_task, mark_place, mend_mark, unmark

__all__ = ["work"]

work = Endpoints("work", __name__, url_prefix="/api/jobs/<int:job_id>", tag="Work")


@work.get("/head")
def get_head(job_id: int, query: wire.UnitQuery) -> wire.HeadOut:
    """Say where a job stands: its version, each station's verdict, what comes next, what is waited for."""
    return head_out(opened(job_id, query), query.unit)


@work.get("/work")
def get_work(job_id: int, query: wire.UnitQuery) -> wire.WorkOut:
    """Show what is to be done on one copy, and what was done."""
    return worked(job_id, query)


@work.get("/stations/<code>")
def get_station(job_id: int, code: str, query: wire.UnitQuery) -> wire.StationOut:
    """Show one station: its verdict, its figures, its tasks."""
    if code not in NAMES:
        raise NoSuchThing(f"There is no station “{code[:40]}”.", f"There are: {', '.join(NAMES)}.")
    return station_out(opened(job_id, query), query.unit, code, query.copy_no)


@work.post("/tasks/done")
def set_done(job_id: int, given: wire.DoneIn, query: wire.UnitQuery) -> wire.WorkOut:
    """Log a task as done, or as not done after all; before its time only with a reason."""
    bench().work.tick(
        job_id,
        given.task,
        done=given.done,
        version=if_match(),
        reason=given.reason.strip(),
        at=given.at.astimezone() if given.at else None,
        began=given.began.astimezone() if given.began else None,
        unit=query.unit,
        all_here=given.all_here,
    )
    return worked(job_id, query)


@work.post("/tasks/call")
def set_calls(job_id: int, given: wire.CallsIn, query: wire.UnitQuery) -> wire.WorkOut:
    """Log keepers, or rests of the plate, that answered a roll-call, or did not after all."""
    bench().work.call(job_id, given.task, given.numbers, present=given.present, version=if_match())
    return worked(job_id, query)


@work.post("/tasks/count")
def set_count(job_id: int, given: wire.CountIn, query: wire.UnitQuery) -> wire.WorkOut:
    """Log how many windows, keepers or pins were counted."""
    bench().work.count(job_id, given.task, given.what, given.count, version=if_match())
    return worked(job_id, query)


@work.post("/tasks/used")
def set_used(job_id: int, given: wire.UsedIn, query: wire.UnitQuery) -> wire.WorkOut:
    """Log how a mask was really pressed: proposed the next time, where it held."""
    bench().work.used(job_id, given.task, given.celsius, given.seconds, version=if_match())
    return worked(job_id, query)


@work.post("/tasks/begun")
def set_begun(job_id: int, given: wire.BegunIn, query: wire.UnitQuery) -> wire.WorkOut:
    """Log the first stroke of a task, which starts its clock."""
    begin_task(bench(), opened(job_id, query), given.task, if_match())
    return worked(job_id, query)


@work.post("/tasks/dried")
def set_dried(job_id: int, given: wire.BegunIn, query: wire.UnitQuery) -> wire.WorkOut:
    """Log that a coat was found dry to the touch just now; how long it took is learnt from."""
    bench().work.dried(job_id, given.task, if_match())
    return worked(job_id, query)


@work.post("/tasks/mark")
def add_mark(job_id: int, given: wire.MarkIn, query: wire.UnitQuery) -> wire.WorkOut:
    """Mark a place that wants a second look."""
    mark_place(bench(), opened(job_id, query), given.task, given.what, given.at, if_match())
    return worked(job_id, query)


@work.post("/tasks/unmark")
def drop_mark(job_id: int, given: wire.MarkedIn, query: wire.UnitQuery) -> wire.WorkOut:
    """Take a mark back."""
    unmark(bench(), opened(job_id, query), given.task, given.number, if_match())
    return worked(job_id, query)


@work.post("/tasks/mended")
def set_mended(job_id: int, given: wire.MendedIn, query: wire.UnitQuery) -> wire.WorkOut:
    """Log that a marked place was seen to, or was not after all."""
    found = opened(job_id, query)
    mend_mark(bench(), found, given.task, given.number, mended=given.mended, version=if_match())
    return worked(job_id, query)


@work.post("/tasks/lifted")
def set_lifted(job_id: int, given: wire.LiftedIn, query: wire.UnitQuery) -> wire.WorkOut:
    """Log rests of the plate where the mask lifted, or held after all."""
    bench().work.mark_lifted(job_id, given.task, given.numbers, lifted=given.lifted, version=if_match())
    return worked(job_id, query)
