"""The mask: what becomes of its loose pieces, and its bridges."""

from dunestead.api import schemas as wire
from dunestead.api.endpoints import Endpoints
from dunestead.api.mask_views import bridge_out
from dunestead.api.opened import bench, changed, opened
from dunestead.core.looking.ties import BridgeMove
from dunestead.core.looking.ties import reset_bridges as reckon_again
from dunestead.core.stations.consequence import with_method
from dunestead.core.tacking.laying import SIDES, Side, instructions_for
from dunestead.workshop.designs import with_fates
from dunestead.workshop.laying import lay_mask, lay_seam

__all__ = ["mask"]

mask = Endpoints("mask", __name__, url_prefix="/api", tag="Mask")
_FATE_WORDS = {
    "bridge": "bridged",
    "keep": "kept",
    "leave-out": "left out",
    "drop": "dropped with its artwork",
    None: "undecided again",
}


@mask.post("/jobs/<int:job_id>/fates")
def set_fates(job_id: int, fates: wire.FatesIn, query: wire.UnitQuery) -> wire.JobOut:
    """Decide what becomes of loose pieces."""
    which = "All pieces" if fates.numbers is None else f"Piece {', '.join(map(str, fates.numbers[:6]))}"
    label = f"{which} {_FATE_WORDS[fates.fate]}"
    return changed(job_id, query, label, lambda job, plan: with_fates(job, plan, fates.numbers, fates.fate))


@mask.get("/jobs/<int:job_id>/methods/<key>")
def get_method_change(job_id: int, key: str) -> wire.MethodChangeOut:
    """Say what another method would change, before it is chosen."""
    now, then = bench().try_method(job_id, key)
    return wire.MethodChangeOut(now=now, then=then)


@mask.post("/jobs/<int:job_id>/methods/<key>")
def set_method(job_id: int, key: str, query: wire.UnitQuery) -> wire.JobOut:
    """Choose a method, with a mask material that serves it where the job's own does not."""
    catalogue = bench().catalogue
    return changed(
        job_id, query, f"Method: {catalogue.method(key).name}", lambda job, _: with_method(job, key, catalogue)
    )


@mask.post("/jobs/<int:job_id>/seams/<name>/laid")
def tell_seam_laid(job_id: int, name: str, given: wire.SeamReadingsIn, query: wire.UnitQuery) -> wire.SeamLaidOut:
    """Say how to move the patch laid second by what a tape read across a seam; both are logged."""
    found = opened(job_id, query)
    laid = lay_seam(bench(), found, name, query.copy_no, given.readings, query.unit)
    return wire.SeamLaidOut(off=dict(laid.off), within=laid.is_within, instructions=list(laid.instructions))


@mask.post("/jobs/<int:job_id>/masks/<int:number>/laid")
def tell_laid(job_id: int, number: int, given: wire.ReadingsIn, query: wire.UnitQuery) -> wire.LaidOut:
    """Say how to shift and turn a laid mask by what a tape read around it; both are logged."""
    readings: dict[Side, list[float]] = {side: getattr(given, side) for side in SIDES}
    found = opened(job_id, query)
    how = (given.patch, query.unit, given.within, given.to)
    laid = lay_mask(bench(), found, number, query.copy_no, readings, *how)
    return wire.LaidOut.showing(laid, within=laid.is_within, instructions=instructions_for(laid, query.unit))


@mask.post("/jobs/<int:job_id>/bridges/try")
def try_bridge(job_id: int, move: BridgeMove) -> wire.BridgeOut:
    """Say what bridge a place would give, or why none can stand there; nothing is kept."""
    plan, bridge = bench().try_bridge(job_id, move)
    return bridge_out(bridge, move.index or 0, plan.origin)


@mask.post("/jobs/<int:job_id>/bridges")
def set_bridge(job_id: int, move: BridgeMove, query: wire.UnitQuery) -> wire.JobOut:
    """Move or widen a bridge of a piece, or add one."""
    workbench = bench()
    what = "added to" if move.index is None else "moved on" if move.at or move.slide else "widened on"
    label = f"Bridge {what} piece {move.piece}"
    return changed(job_id, query, label, lambda job, plan: workbench.designs.with_bridge(job, plan, move))


@mask.post("/jobs/<int:job_id>/bridges/remove")
def remove_bridge(job_id: int, given: wire.BridgeKeyIn, query: wire.UnitQuery) -> wire.JobOut:
    """Take a bridge away from a piece that has more than one."""
    workbench = bench()
    return changed(
        job_id,
        query,
        f"Bridge taken off piece {given.piece}",
        lambda job, plan: workbench.designs.without_bridge(job, plan, given.piece, given.index),
    )


@mask.post("/jobs/<int:job_id>/bridges/reset")
def reset_bridges(job_id: int, given: wire.PiecesIn, query: wire.UnitQuery) -> wire.JobOut:
    """Have bridges that were set by hand reckoned again."""
    which = "All bridges" if given.numbers is None else f"Bridges of piece {', '.join(map(str, given.numbers[:6]))}"
    return changed(
        job_id,
        query,
        f"{which} reckoned again",
        lambda job, _: reckon_again(job, list(job.mask.spots) if given.numbers is None else given.numbers),
    )
