"""Jobs: begin, look, change, undo, put away."""

from dataclasses import replace

from apiflask import APIBlueprint
from flask import current_app, request

from dunestead.api import schemas as wire
from dunestead.api.views import card_out, catalogue_out, job_out
from dunestead.core.curing.drying import Room
from dunestead.core.errors import BadInput
from dunestead.core.planning.job import Blank, Job, Record
from dunestead.core.planning.plan import Plan
from dunestead.core.planning.steps import all_steps
from dunestead.workbench import Workbench, with_calls, with_fates, with_tick

__all__ = ["jobs"]

jobs = APIBlueprint("jobs", __name__, url_prefix="/api", tag="Jobs")
_LABELS = {
    "name": "Name",
    "surface": "Surface",
    "blank": "Blank",
    "design_width": "Width of the design",
    "offset_x": "Place of the design",
    "offset_y": "Place of the design",
    "material": "Mask material",
    "border": "Border",
    "bridge_width": "Width of bridges",
    "overlap": "Overlap of sheets",
    "cutter": "Cutter",
    "press": "Press",
    "paint": "Paint",
    "coats": "Coats",
    "copies": "Copies",
    "seen_through": "Seen through the blank",
    "due": "Due date",
    "room": "Room",
}
_CLEARABLE = {"border", "bridge_width", "overlap", "coats", "due"}
_FATE_WORDS = {"bridge": "bridged", "keep": "kept", "leave-out": "left out", None: "undecided again"}


def bench() -> Workbench:
    """Return the workbench of the application that answers."""
    workbench: Workbench = current_app.extensions["workbench"]
    return workbench


def _shown(job_id: int, query: wire.UnitQuery) -> wire.JobOut:
    return job_out(bench().open(job_id, query.unit), bench().catalogue, query.unit)


@jobs.get("/catalogue")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.CatalogueOut)
def get_catalogue(query_data: wire.UnitQuery) -> wire.CatalogueOut:
    """Say what there is to choose from."""
    return catalogue_out(bench().catalogue, query_data.unit)


@jobs.get("/jobs")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.BoardOut)
def get_board(query_data: wire.UnitQuery) -> wire.BoardOut:
    """List the jobs on the board."""
    return wire.BoardOut(jobs=[card_out(opened) for opened in bench().board(query_data.unit)])


@jobs.post("/jobs")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut, status_code=201)
@jobs.doc(
    description="Multipart form: `artwork` (an SVG file), `name` and `surface` (both optional).",
)
def begin_job(query_data: wire.UnitQuery) -> wire.JobOut:
    """Begin a job from an artwork file."""
    file = request.files.get("artwork")
    if not file or not file.filename:
        raise BadInput("No artwork came with the request.", "Drop an SVG file on the board.")
    stem = file.filename.rsplit("/", 1)[-1].rsplit(".", 1)[0].replace("-", " ").replace("_", " ").strip()
    name = request.form.get("name", "").strip() or stem.capitalize()
    job_id = bench().begin(file.read(), file.filename, name[:120], request.form.get("surface", "coir"))
    return _shown(job_id, query_data)


@jobs.get("/jobs/<int:job_id>")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def get_job(job_id: int, query_data: wire.UnitQuery) -> wire.JobOut:
    """Show a job with all that was reckoned from it."""
    return _shown(job_id, query_data)


@jobs.patch("/jobs/<int:job_id>")
@jobs.input(wire.JobIn, arg_name="entries")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def change_job(job_id: int, entries: wire.JobIn, query_data: wire.UnitQuery) -> wire.JobOut:
    """Change entries of a job; a null takes a figure back to the catalogue's."""
    given = {key: getattr(entries, key) for key in entries.model_fields_set}
    for key, value in given.items():
        if value is None and key not in _CLEARABLE:
            raise BadInput(f"{_LABELS[key]} cannot be empty.", "Give it a value.")
    if isinstance(blank := given.get("blank"), wire.BlankIn):
        given["blank"] = Blank(**blank.model_dump())
    if isinstance(room := given.get("room"), wire.RoomIn):
        given["room"] = Room(**room.model_dump())
    label = ", ".join(dict.fromkeys(_LABELS[key] for key in given)) or "Nothing"
    bench().change(job_id, label, lambda job, _: replace(job, **given))
    return _shown(job_id, query_data)


@jobs.post("/jobs/<int:job_id>/fates")
@jobs.input(wire.FatesIn, arg_name="fates")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def set_fates(job_id: int, fates: wire.FatesIn, query_data: wire.UnitQuery) -> wire.JobOut:
    """Decide what becomes of loose pieces."""
    which = "All pieces" if fates.numbers is None else f"Piece {', '.join(map(str, fates.numbers[:6]))}"
    label = f"{which} {_FATE_WORDS[fates.fate]}"
    bench().change(job_id, label, lambda job, plan: with_fates(job, plan, fates.numbers, fates.fate))
    return _shown(job_id, query_data)


@jobs.post("/jobs/<int:job_id>/ticks")
@jobs.input(wire.TickIn, arg_name="tick")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def set_tick(job_id: int, tick: wire.TickIn, query_data: wire.UnitQuery) -> wire.JobOut:
    """Tick a step off, or take the tick back."""
    workbench = bench()
    opened = workbench.open(job_id, "mm")
    title = next((step.title for step in opened.steps if step.code == tick.code), tick.code)

    def ticked(job: Job, plan: Plan) -> Job:
        return with_tick(job, all_steps(plan, workbench.catalogue.hand, "mm"), plan, tick.code, done=tick.done)

    workbench.change(job_id, f"{title}: {'done' if tick.done else 'not done'}", ticked)
    return _shown(job_id, query_data)


@jobs.post("/jobs/<int:job_id>/calls")
@jobs.input(wire.CallsIn, arg_name="calls")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def set_calls(job_id: int, calls: wire.CallsIn, query_data: wire.UnitQuery) -> wire.JobOut:
    """Mark keepers at a roll-call."""
    which = "All keepers" if calls.numbers is None else f"Keeper {', '.join(map(str, calls.numbers[:6]))}"
    label = f"{which}: {calls.call if calls.done else f'not {calls.call}'}"
    bench().change(job_id, label, lambda job, plan: with_calls(job, plan, calls.numbers, calls.call, done=calls.done))
    return _shown(job_id, query_data)


@jobs.put("/jobs/<int:job_id>/record")
@jobs.input(wire.RecordIn, arg_name="record")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def set_record(job_id: int, record: wire.RecordIn, query_data: wire.UnitQuery) -> wire.JobOut:
    """Write down what really happened."""
    bench().change(job_id, "Record", lambda job, _: replace(job, record=Record(**record.model_dump())))
    return _shown(job_id, query_data)


@jobs.post("/jobs/<int:job_id>/undo")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def undo(job_id: int, query_data: wire.UnitQuery) -> wire.JobOut:
    """Take the last change back."""
    bench().undo(job_id)
    return _shown(job_id, query_data)


@jobs.post("/jobs/<int:job_id>/redo")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def redo(job_id: int, query_data: wire.UnitQuery) -> wire.JobOut:
    """Make the change that was taken back again."""
    bench().redo(job_id)
    return _shown(job_id, query_data)


@jobs.post("/jobs/<int:job_id>/put-away")
@jobs.output({}, status_code=204)
def put_away(job_id: int) -> str:
    """Take a job off the board; nothing of it is lost."""
    bench().put_away(job_id, away=True)
    return ""


@jobs.post("/jobs/<int:job_id>/bring-back")
@jobs.output({}, status_code=204)
def bring_back(job_id: int) -> str:
    """Put a job back on the board."""
    bench().put_away(job_id, away=False)
    return ""
