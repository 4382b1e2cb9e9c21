"""Files out: the mask, each sheet, all of it in one zip."""

from typing import Any
from urllib.parse import quote

from flask import Response

from dunestead.api import schemas
from dunestead.api.description import hands_out
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, download
from dunestead.core.errors import NoSuchThing
from dunestead.core.plan.keeper_sheet import draw_keepers
from dunestead.core.plan.laid import mask_of
from dunestead.core.plan.plan import mask_title
from dunestead.formats.bench_sheet import write_bench_sheet
from dunestead.formats.bundle import file_stem, mask_file, zip_sheets
from dunestead.formats.job_zip import zip_job
from dunestead.formats.pdf import write_tiled_pdf
from dunestead.formats.sheet_files import sheet_file
from dunestead.formats.svg.writer import write_mask
from dunestead.formats.verified import sheets_of

__all__ = ["files"]

files = Endpoints("files", __name__, url_prefix="/api/jobs/<int:job_id>", tag="Files")


@files.get("/masks/<int:number>.svg")
@hands_out("svg")
def get_mask(job_id: int, number: int, query: schemas.FileQuery) -> Response:
    """Download a whole mask at true scale."""
    plan = bench().work.hand_out(job_id, f"mask {number}", "mm", anyway=query.anyway).plan
    mask = mask_of(plan, number)
    text = write_mask(mask.cut, mask_title(plan.job, mask.laid))
    return download(text, "image/svg+xml", f"{file_stem(plan.job.name)}-{mask_file(number, mask.laid.label)}")


@files.get('/sheets/<int:number>.<any(svg, dxf, hpgl, pdf, "pdf-a4", "pdf-letter", png):kind>')
@hands_out("svg", "dxf", "hpgl", "pdf", "png")
def get_sheet(job_id: int, number: int, kind: str, query: schemas.FileQuery) -> Response:
    """Download one sheet at true scale in a format, read back and checked; a PDF on A4 or Letter is tiled."""
    plan = bench().work.hand_out(job_id, f"sheet {number}, {kind}", "mm", anyway=query.anyway).plan
    found = next((sheet for sheet in sheets_of(plan) if sheet.sheet.number == number), None)
    if not found:
        raise NoSuchThing(f"This job has no sheet {number}.", f"It has sheets 1 to {len(plan.sheets)}.")
    form, data = sheet_file(found.drawing, kind)
    return download(data, form.media_type, f"{file_stem(plan.job.name)}-sheet-{number}.{form.suffix}")


@files.get("/sheets.zip")
@hands_out("zip")
def get_sheets(job_id: int, query: schemas.FileQuery) -> Response:
    """Download all sheets, the mask and a cut list."""
    opened = bench().work.hand_out(job_id, "sheets.zip", query.unit, anyway=query.anyway)
    data, left_out = zip_sheets(opened.plan, sheets_of(opened.plan), query.unit)
    answer = download(data, "application/zip", f"{file_stem(opened.plan.job.name)}-sheets.zip")
    if left_out:
        answer.headers["X-Left-Out"] = quote(f"Left out: {' '.join(left_out)}")
    return answer


@files.get("/masks/<int:number>/keepers-<any(a4, letter):paper>.pdf")
@hands_out("pdf")
def get_keepers(job_id: int, number: int, paper: Any, query: schemas.UnitQuery) -> Response:
    """Download the outlines of a mask's keepers with their numbers, each in its place at true size."""
    plan = bench().open(job_id, query.unit).plan
    mask = mask_of(plan, number)
    if not mask.cut.keepers:
        raise NoSuchThing("No piece of this mask is kept.", "There is nothing to lay in place, so nothing to print.")
    data = write_tiled_pdf(draw_keepers(plan, mask), paper)
    return download(data, "application/pdf", f"{file_stem(plan.job.name)}-keepers-{number}.pdf")


@files.get("/bench-sheet-<any(a4, letter):paper>.pdf")
@hands_out("pdf")
def get_bench_sheet(job_id: int, paper: Any, query: schemas.UnitQuery) -> Response:
    """Download what is done from the weeding to the peel of one copy, to be ticked off; keepers at true size behind."""
    found = bench().open(job_id, query.unit)
    copy = min(query.copy_no, found.plan.copies)
    data = write_bench_sheet(found.plan, found.graph, query.unit, copy, paper)
    return download(data, "application/pdf", f"{file_stem(found.plan.job.name)}-bench-sheet.pdf")


@files.get("/job-file")
@hands_out("zip")
def get_job_file(job_id: int) -> Response:
    """Download the job as an open job file, with what happened to it, in a zip with the files it names."""
    workbench = bench()
    job, log = workbench.stored(job_id)
    return download(zip_job(job, workbench.file, log), "application/zip", f"{file_stem(job.name)}-job.zip")
