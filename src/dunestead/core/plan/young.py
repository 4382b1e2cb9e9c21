"""Which young paint does a mask touch, and how is it trimmed so that it stays off it?"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from dunestead.core.geometry.curves import Box
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.tacking.laying import SIDES, Side

__all__ = ["Trim", "tapes_off", "touches", "trims_for"]


@dataclass(frozen=True, slots=True)
class Trim:
    """So much of the mask's border is cut off at one side, mm."""

    side: Side
    by: float


def touches(plan: Plan, mask: MaskPlan, paint: Box, figures: Mapping[str, float]) -> bool:
    """Say whether a mask, its cover, its tape or the plate touches young paint even where the mask is trimmed.

    Parameters
    ----------
    plan, mask
        What is laid.
    paint
        Box of what was painted, mm on the blank.
    figures
        Of the workshop: ``young_clear`` is how far all of it stays off, ``trim_leaves`` the least border, mm.
    """
    laid = _grown(mask.box, figures["young_clear"])
    for side in _crossed(plan, mask, laid, paint, figures):
        laid = _without(laid, side, paint)
    others = [*mask.cover.boxes, *(rest.box for one in mask.pressings for rest in one.placements)]
    return _meet(laid, paint) or any(_meet(box, paint) for box in others)


def trims_for(plan: Plan, mask: MaskPlan, paints: Sequence[Box], figures: Mapping[str, float]) -> tuple[Trim, ...]:
    """Return what is cut off a mask's border so that it stays off young paint; nothing where it need not, or cannot."""
    clear = figures["young_clear"]
    by: dict[Side, float] = {}
    for paint in paints:
        if touches(plan, mask, paint, figures):
            continue
        for side in _crossed(plan, mask, _grown(mask.box, clear), paint, figures):
            by[side] = max(by.get(side, 0.0), abs(_edge(paint, _OPPOSITE[side]) - _edge(mask.box, side)) + clear)
    return tuple(Trim(side, by[side]) for side in SIDES if side in by)


def tapes_off(plan: Plan, mask: MaskPlan, paints: Sequence[Box], figures: Mapping[str, float]) -> tuple[Side, ...]:
    """Return the sides of a mask at which a width of tape would lie on young paint that the mask itself stays off."""
    off: list[Side] = []
    for side, taped in zip(_AT, mask.cover.taped, strict=True):
        edges = list(_grown(mask.box, figures["young_clear"]))
        edges[_AT[side]] += figures["cover_least"] * (-1 if _AT[side] < 2 else 1)
        reach = (edges[0], edges[1], edges[2], edges[3])
        if taped and any(_meet(reach, paint) and not touches(plan, mask, paint, figures) for paint in paints):
            off.append(side)
    return tuple(off)


_OPPOSITE: Mapping[Side, Side] = {"left": "right", "right": "left", "top": "bottom", "bottom": "top"}
_AT: Mapping[Side, int] = {"left": 0, "top": 1, "right": 2, "bottom": 3}


def _edge(box: Box, side: Side) -> float:
    return box[_AT[side]]


def _grown(box: Box, by: float) -> Box:
    return (box[0] - by, box[1] - by, box[2] + by, box[3] + by)


def _meet(one: Box, other: Box) -> bool:
    return one[0] < other[2] and other[0] < one[2] and one[1] < other[3] and other[1] < one[3]


def _crossed(plan: Plan, mask: MaskPlan, laid: Box, paint: Box, figures: Mapping[str, float]) -> list[Side]:
    """Return the side at which a mask reaches over young paint that lies wholly beyond its artwork; none or one.

    Masks that are laid by their notches or by the blank's edges keep their borders.
    """
    if not _meet(laid, paint) or not mask.laid.line or plan.look.aligned:
        return []
    room = figures["young_clear"] + figures["trim_leaves"]
    art = mask.painted_box
    beyond: dict[Side, float] = {
        "left": art[0] - paint[2],
        "top": art[1] - paint[3],
        "right": paint[0] - art[2],
        "bottom": paint[1] - art[3],
    }
    side = max(beyond, key=lambda one: beyond[one])
    return [side] if beyond[side] >= room else []


def _without(box: Box, side: Side, paint: Box) -> Box:
    """Return a box cut back to where the paint begins."""
    edges = list(box)
    edges[_AT[side]] = _edge(paint, _OPPOSITE[side])
    return (edges[0], edges[1], edges[2], edges[3])
