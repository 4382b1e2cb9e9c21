"""Files out: the mask, each sheet, all of it in one zip."""

from apiflask import APIBlueprint
from flask import Response

from dunestead.api.jobs import bench
from dunestead.core.errors import NoSuchThing
from dunestead.formats.bundle import file_stem, zip_sheets
from dunestead.formats.svg.writer import write_mask
from dunestead.formats.verified import VerifiedSheet, verified_sheets
from dunestead.workbench import OpenJob

__all__ = ["files"]

files = APIBlueprint("files", __name__, url_prefix="/api/jobs/<int:job_id>", tag="Files")


def _checked(opened: OpenJob) -> tuple[VerifiedSheet, ...]:
    return verified_sheets(opened.plan.cut, opened.plan.division, opened.plan.job.name)


def _download(data: str | bytes, media_type: str, name: str) -> Response:
    disposition = f'attachment; filename="{name}"'
    return Response(data, content_type=media_type, headers={"Content-Disposition": disposition})


@files.get("/mask.svg")
def get_mask(job_id: int) -> Response:
    """Download the whole mask at true scale."""
    plan = bench().open(job_id, "mm").plan
    return _download(write_mask(plan.cut, plan.job.name), "image/svg+xml", f"{file_stem(plan.job.name)}-mask.svg")


@files.get("/sheets/<int:number>.svg")
def get_sheet(job_id: int, number: int) -> Response:
    """Download one sheet at true scale."""
    opened = bench().open(job_id, "mm")
    found = next((sheet for sheet in _checked(opened) if sheet.sheet.number == number), None)
    if not found:
        raise NoSuchThing(f"This job has no sheet {number}.", f"It has sheets 1 to {len(_checked(opened))}.")
    return _download(found.text, "image/svg+xml", f"{file_stem(opened.plan.job.name)}-{found.file_name}")


@files.get("/sheets.zip")
def get_sheets(job_id: int) -> Response:
    """Download all sheets, the mask and a cut list."""
    opened = bench().open(job_id, "mm")
    data = zip_sheets(opened.plan, _checked(opened))
    return _download(data, "application/zip", f"{file_stem(opened.plan.job.name)}-sheets.zip")
