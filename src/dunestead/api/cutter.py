"""The cutter and the longer searches: what goes on between requests, and is asked about."""

from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench
from dunestead.api.schemas import sheets as wire
from dunestead.api.sheet_views import run_out, search_out
from dunestead.core.errors import NoSuchThing
from dunestead.core.plan.laying import job_items, with_packing
from dunestead.core.plan.plan import Plan
from dunestead.core.sheets.packing import Packing, quick_pack
from dunestead.devices.cutter import CutOrder
from dunestead.formats.verified import sheets_of

__all__ = ["cutter"]

cutter = Endpoints("cutter", __name__, url_prefix="/api", tag="Cutter")


# --- a longer search --------------------------------------------------------------------------
@cutter.post("/jobs/<int:job_id>/search")
def begin_search(job_id: int) -> wire.SearchOut:
    """Search for a better layout; what is found is kept as a change of the job."""
    workbench = bench()
    plan = workbench.plan(job_id)
    items, room = job_items(plan.layout), plan.reach.room

    def keep(packing: Packing) -> None:
        workbench.change(
            job_id, f"Better packing: {packing.sheets} sheets", lambda job, _: with_packing(job, items, packing)
        )

    workbench.searches.begin(job_id, items, room, quick_pack(items, room), keep)
    return _search(job_id)


@cutter.get("/jobs/<int:job_id>/search")
def get_search(job_id: int) -> wire.SearchOut:
    """Say how far a search is."""
    return _search(job_id)


@cutter.delete("/jobs/<int:job_id>/search")
def forget_search(job_id: int) -> wire.SearchOut:
    """Let a search be that was broken off when the workshop was closed."""
    bench().searches.forget(job_id)
    return _search(job_id)


@cutter.post("/jobs/<int:job_id>/search/stop")
def stop_search(job_id: int) -> wire.SearchOut:
    """End a search; the best it found is kept."""
    bench().searches.stop(job_id)
    return _search(job_id)


def _search(job_id: int) -> wire.SearchOut:
    searches = bench().searches
    return search_out(searches.of(job_id), is_broken_off=searches.is_broken_off(job_id))


# --- the cutter -------------------------------------------------------------------------------
def _runs() -> wire.CutRunsOut:
    return wire.CutRunsOut(runs=[run_out(run) for run in bench().cutting.runs()])


def _order(plan: Plan, number: int, given: wire.CutRunIn) -> CutOrder:
    checked = next((sheet for sheet in sheets_of(plan) if sheet.sheet.number == number), None)
    if checked is None:
        raise NoSuchThing(f"This job has no sheet {number}.", f"It has sheets 1 to {len(plan.sheets)}.")
    drawing = checked.drawing
    return CutOrder(
        checked.drawing.label,
        drawing.cuts,
        drawing.page,
        drawing.promise,
        plan.choices.material,
        plan.settings,
        given.fault,
    )


@cutter.get("/cutter")
def get_cutter() -> wire.CutRunsOut:
    """Say what is at the cutter, and how far it is."""
    return _runs()


@cutter.post("/jobs/<int:job_id>/sheets/<int:number>/cut", status=201)
def send_sheet(job_id: int, number: int, given: wire.CutRunIn) -> wire.CutRunsOut:
    """Send a sheet to the cutter."""
    plan = bench().work.hand_out(job_id, f"sheet {number}, cutter", "mm", anyway=given.anyway).plan
    bench().cutting.send(job_id, number, plan.choices.cutter, _order(plan, number, given))
    return _runs()


@cutter.post("/cutter/<int:number>/<any(start, pause, stop):act>")
def steer_cutter(number: int, act: str) -> wire.CutRunsOut:
    """Begin or go on, pause, or give up a sheet."""
    room = bench().cutting
    {"start": room.start, "pause": room.pause, "stop": room.stop}[act](number)
    return _runs()


@cutter.delete("/cutter/<int:number>")
def clear_run(number: int) -> wire.CutRunsOut:
    """Take a run off the list."""
    bench().cutting.clear(number)
    return _runs()
