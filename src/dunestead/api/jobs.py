"""Jobs: begin, look, change, undo, put away, mend."""

import json
import re
from collections.abc import Mapping
from hashlib import sha256

from flask import Response, g, request

from dunestead.api import schemas as wire
from dunestead.api.description import takes_files
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, if_match, shown
from dunestead.api.views import card_out, catalogue_out
from dunestead.core.artwork.elements import clean_text
from dunestead.core.blanks.blank import Blank
from dunestead.core.changes.suiting import suited
from dunestead.core.errors import BadInput
from dunestead.core.figures import Surface
from dunestead.core.job.job import Job, altered
from dunestead.core.learning.looks import due_looks
from dunestead.core.limits import check_limits
from dunestead.core.units import parse_length
from dunestead.formats.job_file import read_job_file, read_job_log
from dunestead.formats.job_zip import open_job_zip
from dunestead.store import Where
from dunestead.workshop.excerpts import CARD

__all__ = ["jobs"]

jobs = Endpoints("jobs", __name__, url_prefix="/api", tag="Jobs")
_CARD_SHAPE = sha256(json.dumps(wire.CardOut.model_json_schema()).encode()).hexdigest()[:16]


@jobs.get("/catalogue")
def get_catalogue(query: wire.UnitQuery) -> wire.CatalogueOut:
    """Say what there is to choose from."""
    return catalogue_out(bench().catalogue, query.unit)


@jobs.get("/faces")
def get_faces(query: wire.TextQuery) -> wire.FaceKeysOut:
    """List the faces that have every letter of a text."""
    return wire.FaceKeysOut(faces=bench().designs.faces_for(query.text))


@jobs.get("/jobs", answers=wire.BoardOut)
def get_board(query: wire.UnitQuery) -> Response:
    """List the jobs on the board."""
    return _board(query.unit, "board")


@jobs.get("/jobs/away", answers=wire.BoardOut)
def get_drawer(query: wire.UnitQuery) -> Response:
    """List the jobs that were put away."""
    return _board(query.unit, "away")


@jobs.get("/jobs/deleted", answers=wire.BoardOut)
def get_deleted(query: wire.UnitQuery) -> Response:
    """List the jobs that were deleted and can still be brought back."""
    return _board(query.unit, "bin")


def _board(unit: str, where: Where) -> Response:
    """Return the cards as they are kept, in JSON: there may be thousands."""
    told = bench().excerpts.all(
        CARD, lambda opened: card_out(opened, unit).model_dump_json(), unit=unit, shape=_CARD_SHAPE, where=where
    )
    broken = [wire.BrokenOut.showing(error, id=number, name=name) for number, name, error in told.lost]
    today, figures = bench().clock.now().date(), bench().catalogue.workshop
    due = due_looks(bench().lessons.finished, today, figures) if where == "board" else []
    rest = wire.BoardOut(jobs=[], broken=broken, looks=due).model_dump_json(exclude={"jobs"})
    body = f'{{"jobs":[{",".join(told.texts)}],{rest[1:]}'
    return Response(body, content_type="application/json")


@jobs.post("/jobs", status=201)
@takes_files(
    artwork="An SVG, DXF, HP-GL or picture file; or else:",
    plainer="Anything, to leave out of a drawing what is too fine for the surface, and to join its colours.",
    words="What is to be read.",
    name="The job's name.",
    surface="Key of a surface.",
    blank="The number of one of the library.",
    face="Key of the words' face.",
    recipe="The number of one to make it by.",
    width="The blank's, as `600mm`.",
    height="The blank's, as `400mm`.",
)
def begin_job(query: wire.UnitQuery) -> wire.JobOut:
    """Begin a job from an artwork file or from words."""
    workbench, form = bench(), request.form
    number, recipe = _number(form, "blank"), _number(form, "recipe")
    blank = workbench.blanks.get(number) if number is not None else None
    surface = blank.surface if blank else form.get("surface", "coir")
    words = clean_text(form.get("words", "")).strip()
    file = request.files.get("artwork")
    own = blank.blank if blank else _sized(form, workbench.catalogue.surface(surface))
    if file and file.filename:
        plainer = workbench.designs.plainer_for(surface, own) if form.get("plainer") else None
        make = workbench.designs.keep_file(file.read(), file.filename, plainer)
        stem = file.filename.rsplit("/", 1)[-1].rsplit(".", 1)[0].replace("-", " ").replace("_", " ").strip()
    elif words:
        make = workbench.designs.first_words(words, form.get("face") or None, surface, own)
        stem = " ".join(words.split())
    else:
        raise BadInput("There is no artwork and no words yet.", "Choose a file, or type some words.")
    name = form.get("name", "").strip() or stem[:1].upper() + stem[1:]
    job_id = workbench.begin(make, name[:120], surface, own, recipe)
    return shown(job_id, query)


def _number(form: Mapping[str, str], what: str) -> int | None:
    """Return the number of a saved blank or recipe, None where none is named."""
    text = form.get(what, "")
    if text and not re.fullmatch(r"[0-9]{1,15}", text):
        raise BadInput(f"“{text[:40]}” is not one of your saved {what}s.", "Give its number.")
    return int(text) if text else None


def _sized(form: Mapping[str, str], surface: Surface) -> Blank | None:
    """Return a blank of the size that was given, None for the surface's usual one."""
    given = [form.get(side, "").strip() for side in ("width", "height")]
    if not any(given):
        return None
    width, height = (
        parse_length(text, what=f"{what} of the blank") if text else usual
        for text, usual, what in zip(given, surface.blank, ("width", "height"), strict=True)
    )
    blank = Blank(width, height, colour=surface.colour)
    check_limits(blank)
    return blank


@jobs.post("/jobs/job-file", status=201)
@takes_files(file="A job file in JSON, or a zip of it with the files it names.")
def read_job(query: wire.UnitQuery) -> wire.JobOut:
    """Begin a job from a job file."""
    workbench, file = bench(), request.files.get("file")
    if file is None:
        raise BadInput("No job file came with the request.", "Choose one.")
    text, files = open_job_zip(file.read())
    job = read_job_file(text, workbench.designs.keep_named(files), workbench.sources, workbench.catalogue)
    return shown(workbench.add(job, read_job_log(text)), query)


@jobs.get("/jobs/<int:job_id>")
def get_job(job_id: int, query: wire.UnitQuery) -> wire.JobOut:
    """Show a job with all that was reckoned from it."""
    return shown(job_id, query)


@jobs.patch("/jobs/<int:job_id>")
def change_job(job_id: int, entries: wire.JobIn, query: wire.UnitQuery) -> wire.JobOut:
    """Change entries of a job; a null takes a figure back to the catalogue's."""
    given = {key: getattr(entries, key) for key in entries.model_fields_set}
    for key, value in given.items():
        if value is None and key not in wire.CLEARABLE:
            raise BadInput(f"{_label(key)} cannot be empty.", "Give it a value.")
    blank, width = given.pop("blank", None), given.pop("design_width", None)
    values = {name: tuple(value) if isinstance(value, list) else value for name, value in given.items()}
    label = ", ".join(dict.fromkeys(_label(key) for key in entries.model_fields_set)) or "Nothing"
    workbench = bench()

    def changed(before: Job) -> Job:
        job = suited(altered(before, **values), before, workbench.catalogue)
        if blank:
            job = workbench.designs.with_blank(job, blank)
        return workbench.designs.with_width(job, width) if width is not None else job

    workbench.alter(job_id, label, changed, if_match())
    return shown(job_id, query)


def _label(entry: str) -> str:
    """Return what the list of changes calls an entry."""
    return wire.JobIn.model_fields[entry].title or entry


@jobs.post("/jobs/<int:job_id>/undo")
def undo(job_id: int, query: wire.UnitQuery) -> wire.JobOut:
    """Take the last change back."""
    bench().undo(job_id, if_match())
    return shown(job_id, query)


@jobs.post("/jobs/<int:job_id>/redo")
def redo(job_id: int, query: wire.UnitQuery) -> wire.JobOut:
    """Make the change that was taken back again."""
    bench().redo(job_id, if_match())
    return shown(job_id, query)


@jobs.post("/jobs/<int:job_id>/put-away")
def put_away(job_id: int) -> None:
    """Take a job off the board; nothing of it is lost."""
    bench().put_away(job_id, away=True)


@jobs.post("/jobs/<int:job_id>/bring-back")
def bring_back(job_id: int) -> None:
    """Put a job back on the board."""
    bench().put_away(job_id, away=False)


@jobs.post("/jobs/<int:job_id>/again", status=201)
def make_again(job_id: int, given: wire.AgainIn) -> wire.BegunOut:
    """Begin jobs with all that was decided about another: on the same blank, or one on each blank named."""
    return wire.BegunOut(jobs=bench().make_again(job_id, given.name, given.due, given.blanks))


@jobs.delete("/jobs/<int:job_id>")
def delete_job(job_id: int) -> None:
    """Delete a job; it can be brought back until it is erased."""
    bench().delete(job_id)


@jobs.post("/jobs/<int:job_id>/erase")
def erase_job(job_id: int) -> None:
    """Erase a deleted job for good; this cannot be undone."""
    bench().erase(job_id)


@jobs.get("/jobs/<int:job_id>/mending")
def get_mending(job_id: int) -> wire.MendingOut:
    """Say what is wrong with a job that cannot be reckoned, and what mends it."""
    found = bench().mending(job_id)
    g.shown_version = found.head.version
    return wire.MendingOut.showing(
        found, id=job_id, version=found.head.version, history=wire.HistoryOut.showing(found.head)
    )


@jobs.post("/jobs/<int:job_id>/mend")
def mend(job_id: int, given: wire.MendIn, query: wire.UnitQuery) -> wire.JobOut:
    """Mend a job in one of the ways offered; it can be taken back."""
    bench().mend(job_id, given.mend, if_match())
    return shown(job_id, query)
