"""Jobs: begin, look, change, undo, put away."""

from dataclasses import replace

from apiflask import APIBlueprint
from flask import current_app, request

from dunestead.api import schemas as wire
from dunestead.api.mask_views import bridge_out
from dunestead.api.sheet_schemas import CutSettingsIn
from dunestead.api.views import card_out, catalogue_out, job_out
from dunestead.core.artwork.elements import clean_text
from dunestead.core.blanks.blank import Blank, Garment
from dunestead.core.curing.drying import Room
from dunestead.core.errors import BadInput
from dunestead.core.planning.job import Job, Record
from dunestead.core.planning.plan import Plan
from dunestead.core.planning.steps import all_steps
from dunestead.core.planning.ties import BridgeMove
from dunestead.core.planning.ties import reset_bridges as reckon_again
from dunestead.core.records import CutSettings
from dunestead.workbench import Workbench, with_calls, with_fates, with_tick

__all__ = ["bench", "jobs", "shown"]

jobs = APIBlueprint("jobs", __name__, url_prefix="/api", tag="Jobs")
_LABELS = {
    "name": "Name",
    "surface": "Surface",
    "blank": "Blank",
    "design_width": "Width of the design",
    "dauber": "Foam dauber",
    "covered": "Neighbours covered",
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
    "reverse": "Reverse mask",
    "field_colour": "Colour of the field",
    "masks": "Masks for the colours",
    "mask_order": "Order of the colours",
    "whole_blank": "Mask as large as the blank",
    "bridge_style": "Style of bridges",
    "bridges_per_piece": "Bridges a piece",
    "stock": "Material in store",
    "cut": "Cut settings",
    "together": "What stays together",
}
_CLEARABLE = {"border", "bridge_width", "overlap", "coats", "due", "bridges_per_piece", "stock", "cut"}
_FATE_WORDS = {
    "bridge": "bridged",
    "keep": "kept",
    "leave-out": "left out",
    "drop": "dropped with its artwork",
    None: "undecided again",
}


def bench() -> Workbench:
    """Return the workbench of the application that answers."""
    workbench: Workbench = current_app.extensions["workbench"]
    return workbench


def shown(job_id: int, query: wire.UnitQuery) -> wire.JobOut:
    """Return a job as its page shows it."""
    return job_out(bench().open(job_id, query.unit), bench().catalogue, bench().sources, query.unit)


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
    description=(
        "Multipart form: `artwork` (an SVG, DXF or picture file) or `words`; `name`, `surface` and `blank` "
        "(the number of one of the library) as one likes."
    ),
)
def begin_job(query_data: wire.UnitQuery) -> wire.JobOut:
    """Begin a job from an artwork file or from words."""
    workbench, form = bench(), request.form
    if (number := form.get("blank", "")) and not number.isdigit():
        raise BadInput(f"“{number}” is no blank of the library.", "Give its number.")
    blank = workbench.blanks.get(int(number)) if number else None
    surface = blank.surface if blank else form.get("surface", "coir")
    words = clean_text(form.get("words", "")).strip()
    file = request.files.get("artwork")
    if file and file.filename:
        make = workbench.keep_file(file.read(), file.filename)
        stem = file.filename.rsplit("/", 1)[-1].rsplit(".", 1)[0].replace("-", " ").replace("_", " ").strip()
    elif words:
        make, stem = workbench.make_words(words), " ".join(words.split())
    else:
        raise BadInput("Neither artwork nor words came with the request.", "Drop a file on the board, or write words.")
    name = form.get("name", "").strip() or stem[:1].upper() + stem[1:]
    job_id = workbench.begin(make, name[:120], surface, blank.blank if blank else None)
    return shown(job_id, query_data)


def _blank(given: wire.BlankIn) -> Blank:
    entries = given.model_dump(exclude={"garment"})
    return Blank(**entries, garment=Garment(**given.garment.model_dump()) if given.garment else None)


@jobs.get("/jobs/<int:job_id>")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def get_job(job_id: int, query_data: wire.UnitQuery) -> wire.JobOut:
    """Show a job with all that was reckoned from it."""
    return shown(job_id, query_data)


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
    blank, width = given.pop("blank", None), given.pop("design_width", None)
    if isinstance(room := given.get("room"), wire.RoomIn):
        given["room"] = Room(**room.model_dump())
    if given.get("mask_order") is not None:
        given["mask_order"] = tuple(given["mask_order"])
    if given.get("together") is not None:
        given["together"] = tuple(given["together"])
    if isinstance(cut := given.get("cut"), CutSettingsIn):
        given["cut"] = CutSettings(**cut.model_dump())
    label = ", ".join(dict.fromkeys(_LABELS[key] for key in entries.model_fields_set)) or "Nothing"
    workbench = bench()

    def changed(job: Job, _: Plan) -> Job:
        job = replace(job, **given)
        if isinstance(blank, wire.BlankIn):
            job = workbench.with_blank(job, _blank(blank))
        return workbench.with_width(job, width) if width is not None else job

    workbench.change(job_id, label, changed)
    return shown(job_id, query_data)


@jobs.post("/jobs/<int:job_id>/fates")
@jobs.input(wire.FatesIn, arg_name="fates")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def set_fates(job_id: int, fates: wire.FatesIn, query_data: wire.UnitQuery) -> wire.JobOut:
    """Decide what becomes of loose pieces."""
    which = "All pieces" if fates.numbers is None else f"Piece {', '.join(map(str, fates.numbers[:6]))}"
    label = f"{which} {_FATE_WORDS[fates.fate]}"
    bench().change(job_id, label, lambda job, plan: with_fates(job, plan, fates.numbers, fates.fate))
    return shown(job_id, query_data)


def _move(given: wire.BridgeIn) -> BridgeMove:
    return BridgeMove(given.piece, given.index, given.at, given.slide, given.width)


@jobs.post("/jobs/<int:job_id>/bridges/try")
@jobs.input(wire.BridgeIn, arg_name="given")
@jobs.output(wire.BridgeOut)
def try_bridge(job_id: int, given: wire.BridgeIn) -> wire.BridgeOut:
    """Say what bridge a place would give, or why none can stand there; nothing is kept."""
    move = _move(given)
    plan, bridge = bench().try_bridge(job_id, move)
    return bridge_out(bridge, given.index or 0, plan.origin)


@jobs.post("/jobs/<int:job_id>/bridges")
@jobs.input(wire.BridgeIn, arg_name="given")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def set_bridge(job_id: int, given: wire.BridgeIn, query_data: wire.UnitQuery) -> wire.JobOut:
    """Move or widen a bridge of a piece, or add one."""
    workbench, move = bench(), _move(given)
    what = "added to" if given.index is None else "moved on" if given.at or given.slide else "widened on"
    label = f"Bridge {what} piece {given.piece}"
    workbench.change(job_id, label, lambda job, plan: workbench.with_bridge(job, plan, move))
    return shown(job_id, query_data)


@jobs.post("/jobs/<int:job_id>/bridges/remove")
@jobs.input(wire.BridgeKeyIn, arg_name="given")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def remove_bridge(job_id: int, given: wire.BridgeKeyIn, query_data: wire.UnitQuery) -> wire.JobOut:
    """Take a bridge away from a piece that has more than one."""
    workbench = bench()
    workbench.change(
        job_id,
        f"Bridge taken off piece {given.piece}",
        lambda job, plan: workbench.without_bridge(job, plan, given.piece, given.index),
    )
    return shown(job_id, query_data)


@jobs.post("/jobs/<int:job_id>/bridges/reset")
@jobs.input(wire.PiecesIn, arg_name="given")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def reset_bridges(job_id: int, given: wire.PiecesIn, query_data: wire.UnitQuery) -> wire.JobOut:
    """Have bridges that were set by hand reckoned again."""
    which = "All bridges" if given.numbers is None else f"Bridges of piece {', '.join(map(str, given.numbers[:6]))}"
    bench().change(
        job_id,
        f"{which} reckoned again",
        lambda job, _: reckon_again(job, list(job.spots) if given.numbers is None else given.numbers),
    )
    return shown(job_id, query_data)


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
        return with_tick(job, all_steps(plan, workbench.catalogue.hand, "mm"), tick.code, done=tick.done)

    workbench.change(job_id, f"{title}: {'done' if tick.done else 'not done'}", ticked)
    return shown(job_id, query_data)


@jobs.post("/jobs/<int:job_id>/calls")
@jobs.input(wire.CallsIn, arg_name="calls")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def set_calls(job_id: int, calls: wire.CallsIn, query_data: wire.UnitQuery) -> wire.JobOut:
    """Mark keepers at a roll-call."""
    which = "All keepers" if calls.numbers is None else f"Keeper {', '.join(map(str, calls.numbers[:6]))}"
    label = f"{which}: {calls.call if calls.done else f'not {calls.call}'}"
    bench().change(job_id, label, lambda job, plan: with_calls(job, plan, calls.numbers, calls.call, done=calls.done))
    return shown(job_id, query_data)


@jobs.put("/jobs/<int:job_id>/record")
@jobs.input(wire.RecordIn, arg_name="record")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def set_record(job_id: int, record: wire.RecordIn, query_data: wire.UnitQuery) -> wire.JobOut:
    """Write down what really happened."""
    bench().change(job_id, "Record", lambda job, _: replace(job, record=Record(**record.model_dump())))
    return shown(job_id, query_data)


@jobs.post("/jobs/<int:job_id>/undo")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def undo(job_id: int, query_data: wire.UnitQuery) -> wire.JobOut:
    """Take the last change back."""
    bench().undo(job_id)
    return shown(job_id, query_data)


@jobs.post("/jobs/<int:job_id>/redo")
@jobs.input(wire.UnitQuery, location="query")
@jobs.output(wire.JobOut)
def redo(job_id: int, query_data: wire.UnitQuery) -> wire.JobOut:
    """Make the change that was taken back again."""
    bench().redo(job_id)
    return shown(job_id, query_data)


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
