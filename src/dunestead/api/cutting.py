"""At the sheets: what the maker chooses for patches, longer searches, and the cutter."""

from apiflask import APIBlueprint

from dunestead.api import schemas
from dunestead.api import sheet_schemas as wire
from dunestead.api.opened import bench, change, shown
from dunestead.api.sheet_views import layouts_out, run_out, search_out
from dunestead.core.errors import NoSuchThing
from dunestead.core.plan.laying import job_items, with_packing, with_patch_choice, without_patch_choices
from dunestead.core.plan.offers import offer_of
from dunestead.core.plan.plan import Plan
from dunestead.core.sheets.packing import Packing, quick_pack
from dunestead.devices.cutter import CutOrder
from dunestead.formats.verified import sheets_of

__all__ = ["cutting"]

cutting = APIBlueprint("cutting", __name__, url_prefix="/api", tag="Cutting")


# --- patches ----------------------------------------------------------------------------------
@cutting.post("/jobs/<int:job_id>/patches/<int:number>")
@cutting.input(wire.PatchIn, arg_name="given")
@cutting.input(schemas.UnitQuery, location="query")
@cutting.output(schemas.JobOut)
def choose_for_patch(job_id: int, number: int, given: wire.PatchIn, query_data: schemas.UnitQuery) -> schemas.JobOut:
    """Say on which sheet a patch shall lie, alone or not, turned or not; the rest is laid around it."""
    label = f"Patch {number} on sheet {given.sheet}" if given.sheet else f"Patch {number} on any sheet"

    change(
        job_id,
        label,
        lambda job, plan: with_patch_choice(
            job, plan.layout, plan.painted, number, sheet=given.sheet, alone=given.alone, turns=given.turns
        ),
    )
    return shown(job_id, query_data)


@cutting.delete("/jobs/<int:job_id>/patches")
@cutting.input(schemas.UnitQuery, location="query")
@cutting.output(schemas.JobOut)
def forget_patches(job_id: int, query_data: schemas.UnitQuery) -> schemas.JobOut:
    """Take back all that was chosen for patches, and lay them out anew."""
    change(job_id, "Patches laid out anew", lambda job, _: without_patch_choices(job))
    return shown(job_id, query_data)


# --- other layouts ----------------------------------------------------------------------------
@cutting.get("/jobs/<int:job_id>/layouts")
@cutting.input(schemas.UnitQuery, location="query")
@cutting.output(wire.LayoutsOut)
def get_layouts(job_id: int, query_data: schemas.UnitQuery) -> wire.LayoutsOut:
    """Say what other layouts there are, what each saves and costs; every one was tried."""
    workbench = bench()
    return layouts_out(workbench.plan(job_id), workbench.tools(query_data.unit))


@cutting.post("/jobs/<int:job_id>/layouts/<code>")
@cutting.input(schemas.UnitQuery, location="query")
@cutting.output(schemas.JobOut)
def take_layout(job_id: int, code: str, query_data: schemas.UnitQuery) -> schemas.JobOut:
    """Take another layout, with all that is to be done for it."""
    workbench = bench()
    offer = offer_of(workbench.plan(job_id), code, workbench.tools(query_data.unit))
    change(job_id, offer.label, lambda *_: offer.job)
    return shown(job_id, query_data)


# --- a longer search --------------------------------------------------------------------------
@cutting.post("/jobs/<int:job_id>/search")
@cutting.output(wire.SearchOut)
def begin_search(job_id: int) -> wire.SearchOut:
    """Search for a better layout; what is found is kept as a change of the job."""
    workbench = bench()
    plan = workbench.plan(job_id)
    items, room = job_items(plan.layout), plan.reach.room

    def keep(packing: Packing) -> None:
        workbench.change(
            job_id, f"Better packing: {packing.sheets} sheets", lambda job, _: with_packing(job, items, packing)
        )

    return search_out(workbench.searches.begin(job_id, items, room, quick_pack(items, room), keep))


@cutting.get("/jobs/<int:job_id>/search")
@cutting.output(wire.SearchOut)
def get_search(job_id: int) -> wire.SearchOut:
    """Say how far a search is."""
    return search_out(bench().searches.of(job_id))


@cutting.post("/jobs/<int:job_id>/search/stop")
@cutting.output(wire.SearchOut)
def stop_search(job_id: int) -> wire.SearchOut:
    """End a search; the best it found is kept."""
    bench().searches.stop(job_id)
    return search_out(bench().searches.of(job_id))


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


@cutting.get("/cutter")
@cutting.output(wire.CutRunsOut)
def get_cutter() -> wire.CutRunsOut:
    """Say what is at the cutter, and how far it is."""
    return _runs()


@cutting.post("/jobs/<int:job_id>/sheets/<int:number>/cut")
@cutting.input(wire.CutRunIn, arg_name="given")
@cutting.output(wire.CutRunsOut, status_code=201)
def send_sheet(job_id: int, number: int, given: wire.CutRunIn) -> wire.CutRunsOut:
    """Send a sheet to the cutter."""
    plan = bench().hand_out(job_id, f"sheet {number}, cutter", "mm", anyway=given.anyway).plan
    bench().cutting.send(job_id, number, plan.choices.cutter, _order(plan, number, given))
    return _runs()


@cutting.post("/cutter/<int:number>/<any(start, pause, stop):act>")
@cutting.output(wire.CutRunsOut)
def steer_cutter(number: int, act: str) -> wire.CutRunsOut:
    """Begin or go on, pause, or give up a sheet."""
    room = bench().cutting
    {"start": room.start, "pause": room.pause, "stop": room.stop}[act](number)
    return _runs()


@cutting.delete("/cutter/<int:number>")
@cutting.output(wire.CutRunsOut)
def clear_run(number: int) -> wire.CutRunsOut:
    """Take a run off the list."""
    bench().cutting.clear(number)
    return _runs()
