"""The library of blanks."""

from dunestead.api import schemas as wire
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, changed

__all__ = ["blanks"]

blanks = Endpoints("blanks", __name__, url_prefix="/api", tag="Blanks")


def _library() -> wire.BlanksOut:
    workbench = bench()
    surfaces = workbench.catalogue.surfaces
    return wire.BlanksOut(
        blanks=[
            wire.StoredBlankOut.showing(
                kept,
                surface_name=surfaces[kept.surface].name if kept.surface in surfaces else kept.surface,
                width=kept.blank.width,
                height=kept.blank.height,
            )
            for kept in workbench.blanks.all()
        ]
    )


@blanks.get("/blanks")
def get_blanks() -> wire.BlanksOut:
    """List the blanks a workshop keeps."""
    return _library()


@blanks.post("/jobs/<int:job_id>/blank/keep")
def keep_blank(job_id: int, given: wire.KeepBlankIn) -> wire.BlanksOut:
    """Keep a job's blank in the library, or replace the one of that name."""
    workbench = bench()
    job = workbench.plan(job_id).job
    workbench.blanks.keep(given.name, job.blank.surface, job.piece)
    return _library()


@blanks.post("/jobs/<int:job_id>/blank/take/<int:number>")
def take_blank(job_id: int, number: int, query: wire.UnitQuery) -> wire.JobOut:
    """Take a blank of the library for a job."""
    workbench = bench()
    kept = workbench.blanks.get(number)
    return changed(job_id, query, f"Blank “{kept.name}”", lambda job, _: workbench.designs.with_kept_blank(job, kept))


@blanks.delete("/blanks/<int:number>")
def drop_blank(number: int) -> wire.BlanksOut:
    """Take a blank out of the library."""
    bench().blanks.drop(number)
    return _library()
