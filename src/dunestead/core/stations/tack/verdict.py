"""How does the tacking stand? Where the mask lies, how it is made to hold, what is covered around it."""

from dunestead.core.blanks.clear import clear_name
from dunestead.core.plan.laid import guides_of
from dunestead.core.plan.plan import Plan
from dunestead.core.stations.station import Outcome, Row
from dunestead.core.tacking.centring import Datum
from dunestead.core.units import several, show_tape, show_temperature

__all__ = ["brief", "outcome"]

# Two places fix a mask in place and turn.
_ENOUGH_NOTCHES = 2
_OVER_EDGE = "A plate tips where too much of it hangs over; on a rim it does not press at all."


def brief(plan: Plan) -> str:
    """Return how many rests of the iron it takes, as the verdict says; or how many pins; else how it is laid."""
    if rests := sum(len(mask.pressings[0].placements) for mask in plan.masks if mask.pressings):
        return several(rests, "rest")
    if pins := sum(len(mask.pinning.pins) for mask in plan.masks):
        return several(pins, "pin")
    return plan.method.name.partition(",")[0].lower()


def outcome(plan: Plan, unit: str) -> Outcome:
    """Return the station's state, verdict and figures."""
    pins = sum(len(mask.pinning.pins) for mask in plan.masks)
    rows = [Row("Method", "text", plan.method.name, plan.method.about), *_tape_rows(plan)]
    if plan.look.aligned:
        rows.insert(1, Row("Register", "text", "Edge on edge", "The mask is as large as the blank."))
    elif len(plan.masks) > 1 and not plan.masks[0].laid.line:
        rows.insert(1, _register_row(plan.masks[0].laid.notches))
    first = plan.masks[0]
    for pressing in first.pressings:
        rows += [
            Row(f"Plate, {pressing.name}", "temperature", pressing.celsius, pressing.why),
            Row(
                f"Rests, {pressing.name}",
                "count",
                len(pressing.placements),
                f"{pressing.seconds:g} s each, from the middle outwards.",
            ),
        ]
    on_clear = [
        f"{clear_name(area)} under rest {placement.number} ({pressing.name})"
        for pressing, placement, area in plan.pressed_on()
    ]
    if on_clear:
        rows.append(Row("Plate over what is kept clear", "text", "; ".join(on_clear)))
    rows.append(Row("Pins", "count", pins, first.pinning.why))
    if by_tweezers := [number for mask in plan.masks for number in mask.pinning.by_tweezers]:
        numbers = ", ".join(str(number) for number in by_tweezers)
        rows.append(Row("Placed with tweezers", "text", numbers, "Held by no pin: a dry dab."))
    if plan.job.mask.reverse:
        order = ", ".join(str(number) for number in first.placing)
        rows.append(Row("Placing order", "text", order, "From the middle outwards, so that none is in the way."))
    if not first.cover.is_empty:
        rows.append(Row("Cover beyond the artwork", "length", first.cover.needed, "Border and cover are one sum."))
    if not plan.method_fit.allowed:
        return "stop", f"{plan.method.name} does not work here: {plan.method_fit.why[0]}", rows
    if on_clear:
        return "warn", f"The plate would rest on {on_clear[0]}: take a smaller plate there, or an iron's tip.", rows
    if over := max((one.hangs_over for mask in plan.masks for one in mask.pressings), default=0.0):
        rows.append(Row("Plate over the edge", "length", over, _OVER_EDGE))
        return "warn", _hangs_in_words(plan, over, unit), rows
    if first.pressings:
        pressing = first.pressings[0]
        heat = show_temperature(pressing.celsius, unit)
        rests = sum(len(mask.pressings[0].placements) for mask in plan.masks if mask.pressings)
        verdict = f"{several(rests, 'rest')} at {heat}, {pressing.seconds:g} s each"
        later = [one for one in first.pressings[1:] if one.placements]
        verdict += "".join(f", then {len(one.placements)} {one.name}" for one in later)
    else:
        verdict = f"No heat: {plan.method.name[:1].lower()}{plan.method.name[1:]}"
    pinned = f"; {pins} pins" if pins else ""
    return "ready", f"{verdict}{pinned}.", rows


def _hangs_in_words(plan: Plan, over: float, unit: str) -> str:
    if plan.job.piece.rim:
        return "The plate would rest on the rim and not press: take one that lies within it, or an iron's tip."
    return (
        f"The plate would hang {show_tape(over, unit)} over the blank's edge: lay something as thick beside the blank, "
        "or take a smaller plate."
    )


def _register_row(notches: int) -> Row:
    if notches >= _ENOUGH_NOTCHES:
        count = {2: "Two", 3: "Three"}.get(notches, "Four")
        return Row("Register", "text", f"{count} notches", "The same in every mask's border.")
    only = "One notch only" if notches else "No notches"
    return Row("Register", "text", only, "The mask ends at the blank's edges: lay every mask edge on edge there.")


def _tape_rows(plan: Plan) -> list[Row]:
    """Return the distances of each mask, its own; worked from the back left and right change places."""
    back = "Worked from the back: left and right as one stands there." if plan.job.blank.is_seen_through else ""
    several_masks = len(plan.masks) > 1 and bool(plan.masks[0].laid.line)
    rows = []
    for mask in plan.masks if several_masks else plan.masks[:1]:
        of = f", {mask.laid.name}" if several_masks else ""
        line = guides_of(plan, mask).lines[0]
        rows += [
            Row(f"Artwork{_FROM[line.datum][side]}{of}", "length", getattr(line.tape, side), back)
            for side in ("left", "right", "top", "bottom")
        ]
    return rows


_EDGES = {side: f" from the {side}" for side in ("left", "right", "top", "bottom")}
_FROM: dict[Datum, dict[str, str]] = {
    "edges": _EDGES,
    "seams": _EDGES,
    "rim": {side: f" from the rim, {side}" for side in _EDGES},
    "middle": {side: f" from the middle, to its {side}" for side in _EDGES},
    "collar": {
        "left": ", centre line to its left",
        "right": ", centre line to its right",
        "top": " below the collar seam",
        "bottom": " above the hem",
    },
}
