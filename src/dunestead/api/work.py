"""The work: what is done, who answered at a roll-call, where a job stands."""

from apiflask import APIBlueprint

from dunestead.api import schemas as wire
from dunestead.api.opened import bench, if_match, opened, worked
from dunestead.api.work_views import head_out, station_out
from dunestead.core.errors import NoSuchThing
from dunestead.core.stations.station import NAMES
from dunestead.workshop.marking import begin_task, mark_place, mend_mark, unmark

__all__ = ["work"]

work = APIBlueprint("work", __name__, url_prefix="/api/jobs/<int:job_id>", tag="Work")


@work.get("/head")
@work.input(wire.UnitQuery, location="query")
@work.output(wire.HeadOut)
def get_head(job_id: int, query_data: wire.UnitQuery) -> wire.HeadOut:
    """Say where a job stands: its version, each station's verdict, what comes next, what is waited for."""
    return head_out(opened(job_id, query_data), query_data.unit)


@work.get("/work")
@work.input(wire.UnitQuery, location="query")
@work.output(wire.WorkOut)
def get_work(job_id: int, query_data: wire.UnitQuery) -> wire.WorkOut:
    """Show what is to be done on one copy, and what was done."""
    return worked(job_id, query_data)


@work.get("/stations/<code>")
@work.input(wire.UnitQuery, location="query")
@work.output(wire.StationOut)
def get_station(job_id: int, code: str, query_data: wire.UnitQuery) -> wire.StationOut:
    """Show one station: its verdict, its figures, its tasks."""
    if code not in NAMES:
        raise NoSuchThing(f"There is no station “{code[:40]}”.", f"There are: {', '.join(NAMES)}.")
    return station_out(opened(job_id, query_data), query_data.unit, code, query_data.copy_no)


@work.post("/tasks/done")
@work.input(wire.DoneIn, arg_name="given")
@work.input(wire.UnitQuery, location="query")
@work.output(wire.WorkOut)
def set_done(job_id: int, given: wire.DoneIn, query_data: wire.UnitQuery) -> wire.WorkOut:
    """Log a task as done, or as not done after all; before its time only with a reason."""
    bench().work.tick(
        job_id,
        given.task,
        done=given.done,
        version=if_match(),
        reason=given.reason.strip(),
        at=given.at.astimezone() if given.at else None,
        began=given.began.astimezone() if given.began else None,
        unit=query_data.unit,
    )
    return worked(job_id, query_data)


@work.post("/tasks/call")
@work.input(wire.CallsIn, arg_name="given")
@work.input(wire.UnitQuery, location="query")
@work.output(wire.WorkOut)
def set_calls(job_id: int, given: wire.CallsIn, query_data: wire.UnitQuery) -> wire.WorkOut:
    """Log keepers, or rests of the plate, that answered a roll-call, or did not after all."""
    bench().work.call(job_id, given.task, given.numbers, present=given.present, version=if_match())
    return worked(job_id, query_data)


@work.post("/tasks/count")
@work.input(wire.CountIn, arg_name="given")
@work.input(wire.UnitQuery, location="query")
@work.output(wire.WorkOut)
def set_count(job_id: int, given: wire.CountIn, query_data: wire.UnitQuery) -> wire.WorkOut:
    """Log how many windows, keepers or pins were counted."""
    bench().work.count(job_id, given.task, given.what, given.count, version=if_match())
    return worked(job_id, query_data)


@work.post("/tasks/used")
@work.input(wire.UsedIn, arg_name="given")
@work.input(wire.UnitQuery, location="query")
@work.output(wire.WorkOut)
def set_used(job_id: int, given: wire.UsedIn, query_data: wire.UnitQuery) -> wire.WorkOut:
    """Log how a mask was really pressed: proposed the next time, where it held."""
    bench().work.used(job_id, given.task, given.celsius, given.seconds, version=if_match())
    return worked(job_id, query_data)


@work.post("/tasks/begun")
@work.input(wire.BegunIn, arg_name="given")
@work.input(wire.UnitQuery, location="query")
@work.output(wire.WorkOut)
def set_begun(job_id: int, given: wire.BegunIn, query_data: wire.UnitQuery) -> wire.WorkOut:
    """Log the first stroke of a task, which starts its clock."""
    begin_task(bench(), opened(job_id, query_data), given.task, if_match())
    return worked(job_id, query_data)


@work.post("/tasks/dried")
@work.input(wire.BegunIn, arg_name="given")
@work.input(wire.UnitQuery, location="query")
@work.output(wire.WorkOut)
def set_dried(job_id: int, given: wire.BegunIn, query_data: wire.UnitQuery) -> wire.WorkOut:
    """Log that a coat was found dry to the touch just now; how long it took is learnt from."""
    bench().work.dried(job_id, given.task, if_match())
    return worked(job_id, query_data)


@work.post("/tasks/mark")
@work.input(wire.MarkIn, arg_name="given")
@work.input(wire.UnitQuery, location="query")
@work.output(wire.WorkOut)
def add_mark(job_id: int, given: wire.MarkIn, query_data: wire.UnitQuery) -> wire.WorkOut:
    """Mark a place that wants a second look."""
    mark_place(bench(), opened(job_id, query_data), given.task, given.what, given.at, if_match())
    return worked(job_id, query_data)


@work.post("/tasks/unmark")
@work.input(wire.MarkedIn, arg_name="given")
@work.input(wire.UnitQuery, location="query")
@work.output(wire.WorkOut)
def drop_mark(job_id: int, given: wire.MarkedIn, query_data: wire.UnitQuery) -> wire.WorkOut:
    """Take a mark back."""
    unmark(bench(), opened(job_id, query_data), given.task, given.number, if_match())
    return worked(job_id, query_data)


@work.post("/tasks/mended")
@work.input(wire.MendedIn, arg_name="given")
@work.input(wire.UnitQuery, location="query")
@work.output(wire.WorkOut)
def set_mended(job_id: int, given: wire.MendedIn, query_data: wire.UnitQuery) -> wire.WorkOut:
    """Log that a marked place was seen to, or was not after all."""
    found = opened(job_id, query_data)
    mend_mark(bench(), found, given.task, given.number, mended=given.mended, version=if_match())
    return worked(job_id, query_data)


@work.post("/tasks/lifted")
@work.input(wire.LiftedIn, arg_name="given")
@work.input(wire.UnitQuery, location="query")
@work.output(wire.WorkOut)
def set_lifted(job_id: int, given: wire.LiftedIn, query_data: wire.UnitQuery) -> wire.WorkOut:
    """Log rests of the plate where the mask lifted, or held after all."""
    bench().work.mark_lifted(job_id, given.task, given.numbers, lifted=given.lifted, version=if_match())
    return worked(job_id, query_data)
