"""The library of blanks."""

from apiflask import APIBlueprint

from dunestead.api import schemas as wire
from dunestead.api.opened import bench, change, shown

__all__ = ["blanks"]

blanks = APIBlueprint("blanks", __name__, url_prefix="/api", tag="Blanks")


def _library() -> wire.BlanksOut:
    workbench = bench()
    surfaces = workbench.catalogue.surfaces
    return wire.BlanksOut(
        blanks=[
            wire.StoredBlankOut(
                id=kept.id,
                name=kept.name,
                surface=kept.surface,
                surface_name=surfaces[kept.surface].name if kept.surface in surfaces else kept.surface,
                width=kept.blank.width,
                height=kept.blank.height,
            )
            for kept in workbench.blanks.all()
        ]
    )


@blanks.get("/blanks")
@blanks.output(wire.BlanksOut)
def get_blanks() -> wire.BlanksOut:
    """List the blanks a workshop keeps."""
    return _library()


@blanks.post("/jobs/<int:job_id>/blank/keep")
@blanks.input(wire.KeepBlankIn, arg_name="given")
@blanks.output(wire.BlanksOut)
def keep_blank(job_id: int, given: wire.KeepBlankIn) -> wire.BlanksOut:
    """Keep a job's blank in the library, or replace the one of that name."""
    workbench = bench()
    job = workbench.plan(job_id).job
    workbench.blanks.keep(given.name, job.blank.surface, job.piece)
    return _library()


@blanks.post("/jobs/<int:job_id>/blank/take/<int:number>")
@blanks.input(wire.UnitQuery, location="query")
@blanks.output(wire.JobOut)
def take_blank(job_id: int, number: int, query_data: wire.UnitQuery) -> wire.JobOut:
    """Take a blank of the library for a job."""
    workbench = bench()
    kept = workbench.blanks.get(number)
    change(job_id, f"Blank “{kept.name}”", lambda job, _: workbench.designs.with_kept_blank(job, kept))
    return shown(job_id, query_data)


@blanks.delete("/blanks/<int:number>")
@blanks.output(wire.BlanksOut)
def drop_blank(number: int) -> wire.BlanksOut:
    """Take a blank out of the library."""
    bench().blanks.drop(number)
    return _library()
