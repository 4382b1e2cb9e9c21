"""The weeding: the map of every sheet, and rehearsals."""

import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.api import schemas
from dunestead.api.design_views import drawn, placed
from dunestead.api.endpoints import Endpoints
from dunestead.api.opened import bench, if_match, opened
from dunestead.api.schemas import weed as wire
from dunestead.core.geometry.affine import Affine
from dunestead.core.plan.weeding import WeedRegion, WeedSheet, weed_map
from dunestead.core.words.weeding import WHERE, help_for, pulled
from dunestead.workshop.opened import OpenJob

__all__ = ["weeding"]

weeding = Endpoints("weeding", __name__, url_prefix="/api/jobs/<int:job_id>", tag="Weeding")
# Further back only the last are shown.
_SHOWN = 5
_FINE_MM = 0.1


@weeding.get("/weed")
def get_weed(job_id: int, query: schemas.UnitQuery) -> wire.WeedOut:
    """Show what goes and what stays on every sheet of one set of masks, in the order it is pulled out."""
    return _weed_out(opened(job_id, query))


@weeding.post("/weed/rehearsals")
def add_rehearsal(job_id: int, given: wire.RehearsalIn, query: schemas.UnitQuery) -> wire.WeedOut:
    """Keep how a rehearsal went."""
    bench().work.rehearsed(job_id, given.seconds, given.slips, version=if_match())
    return _weed_out(opened(job_id, query))


def _weed_out(found: OpenJob) -> wire.WeedOut:
    plan = found.plan
    return wire.WeedOut(
        sheets=[_sheet_out(found, sheet) for sheet in weed_map(plan, bench().catalogue)],
        where=WHERE[plan.method.keepers] if plan.keepers else "",
        help=list(help_for(plan.choices.material)),
        rehearsals=[
            wire.RehearsalOut(at=one.at, seconds=one.took or 0.0, slips=one.count or 0)
            for one in found.progress.rehearsals[-_SHOWN:]
        ],
    )


def _sheet_out(found: OpenJob, sheet: WeedSheet) -> wire.WeedSheetOut:
    return wire.WeedSheetOut.showing(
        sheet,
        windows=sum(region.kind == "window" for region in sheet.regions),
        regions=[_region_out(found, region) for region in sheet.regions],
    )


def _region_out(found: OpenJob, region: WeedRegion) -> wire.WeedRegionOut:
    origin = found.plan.origin
    onto = region.onto_sheet
    return wire.WeedRegionOut.showing(
        region,
        pulled=pulled(region, found.plan.method.keepers),
        sheet_path=drawn(region.on_sheet, (0.0, 0.0), _FINE_MM),
        blank_path=drawn(region.shape, origin, _FINE_MM),
        sheet_at=_inside(region.on_sheet),
        blank_at=placed(_inside(region.shape), origin),
        sheet_start=_on_sheet(onto, region.start) if region.start else None,
        sheet_weak=[_on_sheet(onto, at) for at in region.weak],
    )


def _inside(shape: BaseGeometry) -> tuple[float, float]:
    """Return the middle of the widest place of a shape."""
    part = max(shapely.get_parts(shape), key=shapely.area)
    (x, y), *_ = shapely.maximum_inscribed_circle(part, tolerance=0.5).coords
    return x, y


def _on_sheet(onto: Affine, at: tuple[float, float]) -> tuple[float, float]:
    x, y = onto.apply(shapely.get_coordinates(shapely.Point(at)))[0].tolist()
    return x, y
