"""At the sheets: what the maker chooses for patches, and other layouts."""

from dunestead.api import schemas
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, changed
from dunestead.api.schemas import sheets as wire
from dunestead.api.sheet_views import layouts_out
from dunestead.core.plan.laying import with_patch_choice, without_patch_choices
from dunestead.core.plan.offers import offer_of

__all__ = ["cutting"]

cutting = Endpoints("cutting", __name__, url_prefix="/api", tag="Cutting")


# --- patches ----------------------------------------------------------------------------------
@cutting.post("/jobs/<int:job_id>/patches/<int:number>")
def choose_for_patch(job_id: int, number: int, given: wire.PatchIn, query: schemas.UnitQuery) -> schemas.JobOut:
    """Say on which sheet a patch shall lie, alone or not, turned or not; the rest is laid around it."""
    label = f"Patch {number} on sheet {given.sheet}" if given.sheet else f"Patch {number} on any sheet"

    return changed(
        job_id,
        query,
        label,
        lambda job, plan: with_patch_choice(
            job, plan.layout, plan.painted, number, sheet=given.sheet, alone=given.alone, turns=given.turns
        ),
    )


@cutting.delete("/jobs/<int:job_id>/patches")
def forget_patches(job_id: int, query: schemas.UnitQuery) -> schemas.JobOut:
    """Take back all that was chosen for patches, and lay them out anew."""
    return changed(job_id, query, "Patches laid out anew", lambda job, _: without_patch_choices(job))


# --- other layouts ----------------------------------------------------------------------------
@cutting.get("/jobs/<int:job_id>/layouts")
def get_layouts(job_id: int, query: schemas.UnitQuery) -> wire.LayoutsOut:
    """Say what other layouts there are, what each saves and costs; every one was tried."""
    workbench = bench()
    return layouts_out(workbench.plan(job_id), workbench.tools(query.unit))


@cutting.post("/jobs/<int:job_id>/layouts/<code>")
def take_layout(job_id: int, code: str, query: schemas.UnitQuery) -> schemas.JobOut:
    """Take another layout, with all that is to be done for it."""
    workbench = bench()
    offer = offer_of(workbench.plan(job_id), code, workbench.tools(query.unit))
    return changed(job_id, query, offer.label, lambda *_: offer.job)
