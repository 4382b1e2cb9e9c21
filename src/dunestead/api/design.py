"""The design of a job: its parts, how they are set, drawn, traced and arranged, and what can be done about findings."""

import io
from typing import Any

from flask import Response, request

from dunestead.api import schemas as wire
from dunestead.api.description import hands_out, takes_files
from dunestead.api.design_views import drawn, look_out
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, changed
from dunestead.core.artwork.elements import Frame, Traced, Words, element_of
from dunestead.core.artwork.layout import name_of
from dunestead.core.artwork.trace.settings import TraceSettings
from dunestead.core.changes.arranging import arrange, copy_element, fit_design, follow_blank, place_on_garment
from dunestead.core.changes.editing import change_element, drop_element
from dunestead.core.errors import BadInput
from dunestead.core.job.job import Job
from dunestead.core.looking.faces import try_face
from dunestead.core.looking.remedies import finding_of, remedies_for, remedy_of
from dunestead.core.plan.plan import Plan

__all__ = ["design"]

design = Endpoints("design", __name__, url_prefix="/api/jobs/<int:job_id>", tag="Design")
_CLEARABLE = {"repeat", "arc"}
# What changed most, where several entries do, comes first.
_LABELS = {
    "text": "written anew",
    "face": "in another face",
    "trace": "traced anew",
    "edits": "parts changed",
    "repeat": "repeated",
    "width": "sized",
    "size": "sized",
    "turn": "turned",
    "flipped": "flipped",
    "x": "moved",
    "y": "moved",
    "letter_gap": "letter gap",
    "embolden": "strokes thickened",
    "colour": "recoloured",
    "letter_colours": "recoloured",
}


def _file(kind: str) -> tuple[bytes, str]:
    file = request.files.get(kind)
    if not file or not file.filename:
        raise BadInput("No file came with the request.", "Choose an SVG, a DXF or a picture.")
    return file.read(), file.filename


@design.post("/words")
def add_words(job_id: int, words: wire.WordsIn, query: wire.UnitQuery) -> wire.JobOut:
    """Add words to the design."""
    workbench = bench()
    make = workbench.designs.make_words(words.text, words.face)
    return changed(job_id, query, "Words added", lambda job, _: workbench.designs.with_new(job, make))


@design.post("/artwork")
@takes_files(
    artwork="An SVG, DXF, HP-GL or picture file.",
    plainer="Anything, to leave out of a drawing what is too fine for the surface, and to join its colours.",
)
def add_artwork(job_id: int, query: wire.UnitQuery) -> wire.JobOut:
    """Add a drawing or a picture of one to the design."""
    workbench = bench()
    blank = workbench.job(job_id).blank
    plainer = workbench.designs.plainer_for(blank.surface, blank.piece) if request.form.get("plainer") else None
    make = workbench.designs.keep_file(*_file("artwork"), plainer)
    return changed(job_id, query, "Artwork added", lambda job, _: workbench.designs.with_new(job, make))


@design.post("/frames")
def add_frame(job_id: int, frame: wire.FrameIn, query: wire.UnitQuery) -> wire.JobOut:
    """Add a frame that follows the blank's edge."""
    workbench = bench()
    return changed(
        job_id,
        query,
        "Frame added",
        lambda job, _: workbench.designs.with_new(job, lambda number: Frame(id=number, style=frame.style)),
    )


def _entries(given: wire.ElementIn) -> dict[str, Any]:
    """Return entries as the core takes them; a null clears what may be empty."""
    entries: dict[str, Any] = {name: getattr(given, name) for name in given.model_fields_set}
    for name, value in entries.items():
        if value is None and name not in _CLEARABLE:
            raise BadInput(f"The {name.replace('_', ' ')} cannot be empty.", "Give it a value.")
    for name in ("edits", "letter_colours"):
        if name in entries:
            entries[name] = tuple(entries[name])
    if isinstance(trace := entries.get("trace"), wire.TraceIn):
        entries["trace"] = trace.into(TraceSettings)
    return entries


@design.patch("/elements/<int:element>")
def change_part(job_id: int, element: int, given: wire.ElementIn, query: wire.UnitQuery) -> wire.JobOut:
    """Change entries of one part of the design."""
    workbench, entries = bench(), _entries(given)
    named = name_of(element_of(workbench.plan(job_id).job.elements, element))
    what = next((label for name, label in _LABELS.items() if name in entries), "changed")

    def edited(job: Job, _: Plan) -> Job:
        return change_element(job, element, entries, workbench.sources, workbench.catalogue)

    return changed(job_id, query, f"{named} {what}", edited)


@design.delete("/elements/<int:element>")
def drop_part(job_id: int, element: int, query: wire.UnitQuery) -> wire.JobOut:
    """Take a part out of the design."""
    return changed(job_id, query, "Part removed", lambda job, _: drop_element(job, element))


@design.post("/elements/<int:element>/copy")
def copy_part(job_id: int, element: int, query: wire.UnitQuery) -> wire.JobOut:
    """Copy a part of the design."""
    workbench = bench()
    return changed(
        job_id, query, "Part copied", lambda job, _: copy_element(job, element, workbench.sources, workbench.catalogue)
    )


@design.post("/arrange")
def arrange_parts(job_id: int, given: wire.ArrangeIn, query: wire.UnitQuery) -> wire.JobOut:
    """Align parts with each other, spread them, or centre them on the blank."""
    workbench = bench()
    return changed(
        job_id,
        query,
        "Parts arranged",
        lambda job, _: arrange(job, given.numbers, given.how, workbench.sources, workbench.catalogue),
    )


@design.post("/fit")
def fit(job_id: int, query: wire.UnitQuery) -> wire.JobOut:
    """Centre the design and make it as large as the margins let it."""
    workbench = bench()
    return changed(
        job_id,
        query,
        "Design fitted to the blank",
        lambda job, _: fit_design(job, workbench.sources, workbench.catalogue),
    )


@design.post("/place")
def place(job_id: int, query: wire.UnitQuery) -> wire.JobOut:
    """Lay the design where the garment's guide puts it."""
    workbench = bench()
    return changed(
        job_id,
        query,
        "Design placed on the garment",
        lambda job, _: place_on_garment(job, workbench.sources, workbench.catalogue),
    )


@design.post("/look")
def look(job_id: int, given: wire.LookIn, query: wire.UnitQuery) -> wire.LookOut:
    """Look at a change of the design without keeping it."""
    workbench = bench()
    entries = _entries(given.entries) if given.entries else {}

    def changed(job: Job, _: Plan) -> Job:
        if given.element is not None:
            job = change_element(job, given.element, entries, workbench.sources, workbench.catalogue)
        return workbench.designs.with_width(job, given.design_width) if given.design_width is not None else job

    seen, rail = workbench.look(job_id, changed)
    return look_out(seen, rail, workbench.sources, query.unit)


@design.get("/elements/<int:element>/faces/<face>")
def preview_face(job_id: int, element: int, face: str, query: wire.UnitQuery) -> wire.FacePreviewOut:
    """Show a part's words in another face at the same size, with its loose pieces and whether it holds."""
    workbench = bench()
    plan = workbench.plan(job_id)
    words = element_of(plan.job.elements, element)
    if not isinstance(words, Words):
        raise BadInput("Only words have a face.", "Choose words in the design.")
    tried = try_face(words, face, plan.choices, workbench.sources, workbench.catalogue)
    return wire.FacePreviewOut.showing(
        tried.painted,
        face=face,
        path=drawn(tried.painted.region, tolerance=0.2),
        loose=tried.loose,
        holds=tried.holds,
        verdict=tried.verdict(query.unit),
    )


@design.get("/elements/<int:element>/picture.png")
@hands_out("png")
def get_picture(job_id: int, element: int) -> Response:
    """Return the picture that a part was traced from, upright and in grey."""
    from PIL import Image

    workbench = bench()
    traced = element_of(workbench.plan(job_id).job.elements, element)
    if not isinstance(traced, Traced):
        raise BadInput("This part was not traced from a picture.", "Choose a traced part of the design.")
    held = io.BytesIO()
    image = Image.fromarray(workbench.sources.picture(traced.source).grey)
    image.thumbnail((1200, 1200))
    image.save(held, "PNG")
    return Response(held.getvalue(), content_type="image/png", headers={"Cache-Control": "no-cache"})


@design.post("/remedies")
def get_remedies(job_id: int, given: wire.FindingIn, query: wire.UnitQuery) -> wire.RemediesOut:
    """Say what can be done about a finding; each remedy was tried."""
    workbench = bench()
    seen = workbench.plan(job_id).look
    found = remedies_for(seen, finding_of(seen, given.finding, workbench.catalogue), workbench.tools(query.unit))
    return wire.RemediesOut(remedies=[wire.RemedyOut.showing(one) for one in found])


@design.post("/remedies/apply")
def apply_remedy(job_id: int, given: wire.RemedyIn, query: wire.UnitQuery) -> wire.JobOut:
    """Do what helps against a finding."""
    workbench = bench()
    tools = workbench.tools(query.unit)
    seen = workbench.plan(job_id).look
    remedy = remedy_of(seen, finding_of(seen, given.finding, workbench.catalogue), given.remedy, tools)
    return changed(job_id, query, remedy.label, lambda *_: remedy.job)


@design.post("/follow")
def follow(job_id: int, given: wire.FollowIn, query: wire.UnitQuery) -> wire.JobOut:
    """Let the design follow the blank from the size it had: it keeps its margins."""
    workbench = bench()
    before = (given.width, given.height)
    return changed(
        job_id,
        query,
        "The design follows the blank",
        lambda job, _: follow_blank(job, before, workbench.sources, workbench.catalogue),
    )


@design.post("/outline")
@takes_files(outline="An SVG or DXF file whose largest shape is the blank's outline.")
def set_outline(job_id: int, query: wire.UnitQuery) -> wire.JobOut:
    """Give the blank the outline of a drawing."""
    workbench = bench()
    data, name = _file("outline")
    key, ratio = workbench.designs.keep_outline(data, name)
    return changed(
        job_id,
        query,
        "Outline of the blank",
        lambda job, _: workbench.designs.with_outline(job, key, name[:120], ratio),
    )
