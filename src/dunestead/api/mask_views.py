"""From the masks of a plan to what goes over the wire."""

from collections.abc import Sequence
from dataclasses import asdict, replace

import shapely

from dunestead.api import schemas as wire
from dunestead.api.design_views import drawn, placed
from dunestead.core.figures import Catalogue
from dunestead.core.geometry.curves import shifted
from dunestead.core.looking.remedies import key_of
from dunestead.core.looking.weakness import FoundWeak, weak_findings
from dunestead.core.mask.bridges import Bridge
from dunestead.core.mask.gaps import Gap
from dunestead.core.mask.loose import LoosePiece
from dunestead.core.mask.naming import name_pieces
from dunestead.core.painting.separation import advise_masks
from dunestead.core.plan.laid import MeasuredTo, guides_of, patch_boxes, readings_of
from dunestead.core.plan.materials import MaterialFit, reuse_of
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.tacking.centring import Distances
from dunestead.core.tacking.laying import SIDES
from dunestead.core.words.laying import marks_in_words, side_in_words, what_of

__all__ = ["advice_out", "bridge_out", "mask_out", "pieces_out", "reuse_out", "weak_out"]


def mask_out(plan: Plan, mask: MaskPlan, unit: str) -> wire.MaskOut:
    """Return one mask as it lies on the blank."""
    origin = plan.origin
    guides = guides_of(plan, mask)
    return wire.MaskOut.showing(
        mask,
        name=mask.laid.name,
        colour=mask.laid.colour or None,
        is_reverse=mask.laid.is_reverse,
        frame=drawn(mask.cut.frame, origin),
        bridges=bridges_out(mask.cut.bridges, origin),
        bridged_area=mask.cut.bridged_area,
        patches=[
            wire.PatchOut(sheet=sheet.number, number=one.patch.number, box=shifted(one.shape.bounds, origin))
            for sheet in plan.layout.sheets
            for one in sheet.patches
            if one.patch.mask == mask.number and one.copy == 1
        ],
        passes=[wire.PassOut.showing(one) for one in mask.pressings],
        datum=guides.datum,
        marks=marks_in_words(guides, unit),
        distances=[_distances_out(line, unit) for line in guides.lines],
        readings=[
            wire.ShouldReadOut(
                patch=patch,
                to=to,
                **{side: list(values) for side, values in readings_of(plan, mask.number, patch, to).items()},
            )
            for patch, to in _laid_as(plan, mask)
        ],
        covers=list(mask.strips),
        pins=[replace(pin, at=placed(pin.at, origin)) for pin in mask.pinning.pins],
    )


def _laid_as(plan: Plan, mask: MaskPlan) -> list[tuple[int | None, MeasuredTo]]:
    """Return all that is measured to when a mask is laid: its edge, its artwork, the edge of each of its patches."""
    found: list[tuple[int | None, MeasuredTo]] = [(None, "mask"), (None, "artwork")]
    return found + [(patch, "mask") for patch in patch_boxes(plan, mask)]


def _distances_out(line: Distances, unit: str) -> wire.DistancesOut:
    reads = {side: side_in_words(line, side, unit) for side in SIDES}
    return wire.DistancesOut(to=what_of(line), datum=line.datum, reads=reads, **asdict(line.tape))


def bridges_out(bridges: Sequence[Bridge], origin: tuple[float, float]) -> list[wire.BridgeOut]:
    """Return bridges, each with its place among those of its piece."""
    seen: dict[int, int] = {}
    found = []
    for bridge in bridges:
        index = seen.get(bridge.piece, 0)
        seen[bridge.piece] = index + 1
        found.append(bridge_out(bridge, index, origin))
    return found


def bridge_out(bridge: Bridge, index: int, origin: tuple[float, float]) -> wire.BridgeOut:
    """Return one bridge on the blank."""
    return wire.BridgeOut.showing(
        bridge,
        to=bridge.other,
        index=index,
        start=placed(bridge.start, origin),
        end=placed(bridge.end, origin),
        by_hand=bridge.by_hand is not None,
        path=drawn(bridge.shape, origin),
    )


def pieces_out(plan: Plan) -> list[wire.PieceOut]:
    """Return every loose piece as drawn, those left out or dropped included."""
    look = plan.look
    around = {entry.number: entry.element for entry in look.job.mask.roll}
    names = name_pieces(
        look.found,
        [around[piece.number] for piece in look.found],
        look.composition,
        is_reverse=look.job.mask.reverse,
    )
    kept = {keeper.number for keeper in plan.keepers}
    least, gaps = look.least_sides(), {gap.piece: gap for mask in plan.masks for gap in mask.gaps}
    mask_of = {piece.number: laid.number for laid in look.masks for piece in laid.found.loose}
    bridges = [bridge.piece for bridge in plan.bridges]
    return [
        wire.PieceOut.showing(
            piece,
            mask=mask_of[piece.number],
            where=name,
            width=piece.box[2] - piece.box[0],
            least=least.get(piece.number) or _widest_disc(piece),
            box=shifted(piece.box, plan.origin),
            anchor=placed(piece.anchor, plan.origin),
            fate=plan.job.mask.fates.get(piece.number),
            is_kept=piece.number in kept,
            is_here=piece.number in least,
            bridges=bridges.count(piece.number),
            nearest=_nearest(gaps.get(piece.number), plan),
            path=drawn(piece.shape, plan.origin),
        )
        for piece, name in zip(look.found, names, strict=True)
    ]


def _widest_disc(piece: LoosePiece) -> float:
    """Return the least side of a piece that is no more, as the largest disc in it has it."""
    return 2 * float(shapely.maximum_inscribed_circle(piece.shape).length)


def _nearest(gap: Gap | None, plan: Plan) -> wire.NearestOut | None:
    if gap is None:
        return None
    return wire.NearestOut(
        to=gap.other, gap=gap.length, start=placed(gap.start, plan.origin), end=placed(gap.end, plan.origin)
    )


def weak_out(plan: Plan, catalogue: Catalogue, unit: str) -> list[wire.WeakOut]:
    """Return the necks and tongues of all masks."""
    return [_weak(weak, plan, unit) for weak in weak_findings(plan.look, catalogue)]


def _weak(weak: FoundWeak, plan: Plan, unit: str) -> wire.WeakOut:
    place = weak.place
    return wire.WeakOut.showing(
        place,
        key=key_of(weak.finding),
        mask=weak.laid.number,
        listed=weak.listed,
        at=placed(place.at, plan.origin),
        tip=placed(place.tip, plan.origin) if place.tip else None,
        message=weak.finding.message(unit),
        path=[placed(point, plan.origin) for point in place.path],
    )


def advice_out(plan: Plan, catalogue: Catalogue, unit: str) -> wire.AdviceOut:
    """Return how many masks to cut for the colours."""
    advice = advise_masks(
        plan.painted, plan.choices.paint.technique, catalogue.workshop, unit, dauber=plan.job.paint.dauber
    )
    return wire.AdviceOut.showing(advice)


def reuse_out(fits: Sequence[MaterialFit], catalogue: Catalogue, copies: int) -> wire.ReuseOut:
    """Return what a copy costs by the number of copies."""
    reuse = reuse_of(fits, catalogue, copies)
    return wire.ReuseOut(
        copies=list(reuse.copies),
        lines=[wire.MaterialCostOut(key=key, costs=list(costs)) for key, costs in reuse.costs],
        break_even=list(reuse.break_even),
    )
