"""The peel: which way each mask comes off; and the clocks of all jobs."""

from datetime import UTC, datetime

from pydantic import TypeAdapter

from dunestead.api import schemas
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, opened
from dunestead.api.schemas import paint as wire
from dunestead.api.work_views import clock_entries
from dunestead.core.curing.direction import peel_direction
from dunestead.core.words.peeling import direction_in_words, too_late
from dunestead.workshop.excerpts import CLOCKS
from dunestead.workshop.opened import OpenJob
from dunestead.workshop.uses import short_hash

__all__ = ["peeling"]

_MOST = 100
_CLOCKS = TypeAdapter(list[schemas.JobClockOut])
_SHAPE = short_hash(str(schemas.JobClockOut.model_json_schema()))
peeling = Endpoints("peeling", __name__, url_prefix="/api", tag="Peeling")


@peeling.get("/jobs/<int:job_id>/peel")
def get_peel(job_id: int, query: schemas.UnitQuery) -> wire.PeelOut:
    """Show which way each mask comes off, and what to do when it is late."""
    plan, figures = opened(job_id, query).plan, bench().catalogue.workshop
    ways = {mask.number: peel_direction(mask.box, mask.weak, figures) for mask in plan.masks}
    return wire.PeelOut(
        masks=[
            wire.PeelWayOut.showing(
                ways[mask.number],
                number=mask.number,
                summary=direction_in_words(ways[mask.number], from_back=plan.job.blank.is_seen_through),
                weak=[
                    (place.at[0] + plan.origin[0], place.at[1] + plan.origin[1])
                    for place in mask.weak
                    if place.kind == "neck"
                ],
            )
            for mask in plan.masks
        ],
        late=too_late(plan.choices.material.kind),
    )


@peeling.get("/clocks")
def get_clocks(query: schemas.UnitQuery) -> schemas.ClocksOut:
    """Show what is waited for, over all jobs."""
    workbench = bench()
    told = workbench.excerpts.all(
        CLOCKS, lambda opened: _CLOCKS.dump_json(_of_job(opened, query.unit)).decode(), unit=query.unit, shape=_SHAPE
    )
    clocks = [clock for text in told.texts for clock in _CLOCKS.validate_json(text)]
    return schemas.ClocksOut(
        clocks=sorted(clocks, key=lambda clock: clock.opens or clock.closes or datetime.max.replace(tzinfo=UTC))[
            :_MOST
        ],
        alarm_minutes=workbench.catalogue.workshop["alarm_before"],
    )


def _of_job(opened: OpenJob, unit: str) -> list[schemas.JobClockOut]:
    job, name = opened.head.id, opened.plan.job.name
    return [
        schemas.JobClockOut(**clock_entries(opened, clock, unit), job=job, job_name=name)
        for clock in opened.progress.clocks()
    ]
