"""Tack: where the mask lies, how it is made to hold, what is covered around it."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from dunestead.core.blanks.clear import clear_name
from dunestead.core.effort import NO_EFFORT, Effort, effort
from dunestead.core.figures import HandTimes
from dunestead.core.plan.laid import guides_of
from dunestead.core.plan.laying import groups_of
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.stations.station import Outcome, Row
from dunestead.core.tacking.centring import Datum
from dunestead.core.tacking.placements import Pressing
from dunestead.core.units import several, show_temperature
from dunestead.core.work.standing import place_standing
from dunestead.core.work.tasks import Call, Count, Lane, Need, Task, Wait, task_id

__all__ = ["outcome", "tack"]

_DM = 100.0
_DM2 = 1e4
_CORNERS = 4


# Two places fix a mask in place and turn.
_ENOUGH_NOTCHES = 2


def tack(
    plan: Plan,
    hand: HandTimes,
    lane: Lane,
    mask: MaskPlan,
    copy: int,
    before: Sequence[Wait],
    workshop: Mapping[str, float],
) -> None:
    """Add the laying of a mask on one copy, as its method has it.

    Parameters
    ----------
    before
        What must be done and dry before the mask touches the blank.
    workshop
        Figures of the workshop: minutes a pressed mask cools and spray tack rests, and others.
    """
    making = _Making(plan, hand, mask, copy, workshop)
    waits = list(before)
    for key in plan.method.tack:
        task = _TASKS[key](making, key)
        if task is None:
            continue
        pause = {"tack-cool": workshop["cool"], "tack-rest": workshop["carried_by"]}.get(task.code)
        held = [Wait(lane.last.id, pause)] if pause else []
        touches = task.code in ("tack-lay", "tack-lay-groups")
        lane.add(task, *held, *(waits if touches else ()))


@dataclass(frozen=True, slots=True)
class _Making:
    """One mask going onto one copy."""

    plan: Plan
    hand: HandTimes
    mask: MaskPlan
    copy: int
    workshop: Mapping[str, float]

    @property
    def is_taped(self) -> bool:
        """Whether it came on tape."""
        method = self.plan.method
        return bool(method.tape) and (not method.tape_optional or bool(self.mask.cut.keepers))

    @property
    def is_placed(self) -> bool:
        """Whether pieces are set down one by one."""
        return bool(self.mask.placing) and "tack-place" in self.plan.method.tack

    def by(self, besides: float = 0.0, **counts: float) -> Effort:
        """Return the effort of so many of each figure of the hand, and of seconds besides."""
        return effort(self.hand, besides, **counts)

    def task(self, code: str, work: Effort, **more: Any) -> Task:
        """Return a task of this mask on this copy."""
        entries = {"standing": place_standing(self.plan, self.mask), **more}
        figures = {"mask": self.mask.laid.name} | entries.pop("figures", {})
        return Task(
            code,
            "tack",
            mask=self.mask.number,
            copy=self.copy,
            effort=work,
            figures=figures,
            **entries,
        )


Maker = Callable[[_Making, str], Task | None]


def _simple(figure: str, *cautions: str) -> Maker:
    return lambda making, code: making.task(code, making.by(**{figure: 1}), cautions=cautions)


def _first(figure: str) -> Maker:
    """Return what makes a task done before the first mask of a copy only."""
    return lambda making, code: making.task(code, making.by(**{figure: 1})) if making.mask.number == 1 else None


def _barrier(making: _Making, code: str) -> Task | None:
    return _first("barrier")(making, code) if making.plan.choices.surface.barrier else None


def _board_if_carried(making: _Making, _: str) -> Task | None:
    return _first("board")(making, "tack-board") if making.plan.is_sprayed else None


def _wipe_smooth(making: _Making, _: str) -> Task | None:
    return making.task("tack-wipe", making.by(wipe=1)) if making.plan.choices.surface.edge_seal else None


def _lay(making: _Making, code: str) -> Task:
    plan, mask = making.plan, making.mask
    notched = len(plan.masks) > 1 and not mask.laid.line and not plan.look.aligned
    figures = {
        "aligned": plan.look.aligned,
        "guides": guides_of(plan, mask),
        "register": mask.number if notched else 0,
        "notches": mask.laid.notches,
        "from_back": plan.job.blank.seen_through,
    }
    return making.task(code, making.by(position=1), figures=figures)


def _groups(making: _Making, code: str) -> Task:
    groups = groups_of(making.plan.look)
    figures = {"groups": groups, "placing": making.mask.placing, "guides": guides_of(making.plan, making.mask)}
    return making.task(code, making.by(position=groups), figures=figures)


def _seam(making: _Making, code: str) -> Task | None:
    numbers = {patch.number for patch in making.plan.layout.patches if patch.mask == making.mask.number}
    seams = [seam for seam in making.plan.layout.seams if numbers & set(seam.patches)]
    if not seams:
        return None
    return making.task(code, making.by(seam=len(seams)), figures={"seams": tuple(seams)})


def _press(making: _Making, code: str) -> Task | None:
    if not making.mask.pressings:
        return None
    pressing = making.mask.pressings[0]
    rests = len(pressing.placements)
    figures = {"pressing": pressing, "placements": rests}
    call = _rests(pressing)
    work = making.by(rests * pressing.seconds, placement_move=rests)
    return making.task(code, work, occupies="plate", call=call, figures=figures, cautions=("iron",))


def _rests(pressing: Pressing, again: str | None = None) -> Call:
    return Call(tuple(one.number for one in pressing.placements), "placements", again=again)


def _press_again(making: _Making, code: str) -> Task | None:
    """Press a second time: over the pins, over what was placed, or where it lifts."""
    mask = making.mask
    if not mask.pressings or ("tack-place" in making.plan.method.tack and not making.is_placed):
        return None
    pressing = mask.pressings[-1]
    where_it_lifts = len(mask.pressings) == 1
    rests = 1 if where_it_lifts else len(pressing.placements)
    figures = {"pressing": pressing, "placements": rests, "where_it_lifts": where_it_lifts}
    work = making.by(rests * pressing.seconds, placement_move=rests)
    call = _rests(pressing, task_id("tack-press", mask=mask.number, copy=making.copy))
    return making.task(code, work, occupies="plate", call=call, figures=figures, cautions=("iron",))


def _cool(making: _Making, code: str) -> Task | None:
    return making.task(code, NO_EFFORT, occupies="rack") if making.mask.pressings else None


def _pin_corners(making: _Making, code: str) -> Task | None:
    if not making.plan.choices.surface.takes_pins:
        return None
    needs = (Need("pins", _CORNERS),)
    return making.task(code, making.by(pin=_CORNERS), needs=needs, cautions=("pins",))


def _pins(making: _Making, code: str) -> Task | None:
    pinning = making.mask.pinning
    count = len(pinning.pins)
    if not count:
        return None
    figures = {"count": count, "why": pinning.why, "tweezers": pinning.by_tweezers}
    # How many were set is what must come back, whatever was planned.
    call = Call(counts=(Count("pins", None, planned=count),))
    needs = (Need("pins", count),)
    return making.task(code, making.by(pin=count), call=call, figures=figures, needs=needs, cautions=("pins",))


def _push_pins(making: _Making, code: str) -> Task:
    back = (task_id(code, mask=making.mask.number, copy=making.copy), "push-pins")
    call = Call(counts=(Count("push-pins", None), Count("push-pins-out", None, back)))
    return making.task(code, making.by(push_pins=1), call=call, cautions=("pins",))


def _tape_off(making: _Making, code: str) -> Task | None:
    return making.task(code, making.by(tape_off=1)) if making.is_taped else None


def _guide(making: _Making, code: str) -> Task | None:
    return making.task(code, making.by(guide=1)) if making.is_placed else None


def _place(making: _Making, code: str) -> Task | None:
    if not making.is_placed:
        return None
    mask = making.mask
    figures = {"placing": mask.placing, "reverse": mask.laid.is_reverse, "tweezers": mask.pinning.by_tweezers}
    work = making.by(place_keeper=len(mask.placing))
    return making.task(code, work, call=Call(mask.placing), figures=figures)


def _warm_air(making: _Making, code: str) -> Task:
    x0, y0, x1, y1 = making.mask.box
    area = (x1 - x0) * (y1 - y0) / _DM2
    return making.task(code, making.by(warm_air_dm2=area), cautions=("hot-air",))


def _rub_down(making: _Making, code: str) -> Task | None:
    """Rub down what holds by pressure; what is pressed warm or pinned needs none."""
    return None if making.mask.pressings or not _is_sticky(making.plan) else making.task(code, making.by(lay=1))


def _is_sticky(plan: Plan) -> bool:
    return plan.choices.material.hold == "pressure"


def _cover(making: _Making, code: str) -> Task | None:
    cover = making.mask.cover
    if cover.is_empty:
        return None
    needs = (Need("tape", cover.tape, "mm"),)
    paper = making.plan.choices.cover_paper
    figures = {
        "cover": cover,
        "pinned": making.plan.choices.surface.coarse,
        "strips": making.mask.strips,
        "paper": paper.name,
        "wind": making.workshop["spray_wind"],
    }
    return making.task(code, making.by(cover_dm=cover.tape / _DM), figures=figures, needs=needs)


def _hinge(making: _Making, code: str) -> Task:
    x0, y0, x1, y1 = making.mask.box
    figures = {"free": making.workshop["hinge_strip"], "long": max(x1 - x0, y1 - y0)}
    return making.task(code, making.by(hinge=1), figures=figures)


_TASKS: dict[str, Maker] = {
    "tack-barrier": _barrier,
    "tack-board": _first("board"),
    "tack-board-if-carried": _board_if_carried,
    "tack-wipe": _simple("wipe"),
    "tack-wipe-smooth": _wipe_smooth,
    "tack-backing-off": _push_pins,
    "tack-lay": _lay,
    "tack-lay-groups": _groups,
    "tack-hinge": _hinge,
    "tack-backing-off-hinged": _simple("backing_off"),
    "tack-seam": _seam,
    "tack-press": _press,
    "tack-rub": _simple("rub", "iron"),
    "tack-cool": _cool,
    "tack-test-peel": _simple("test_peel"),
    "tack-press-again": _press_again,
    "tack-carrier-off": _simple("carrier_off"),
    "tack-pin-corners": _pin_corners,
    "tack-warm-air": _warm_air,
    "tack-rub-down": _rub_down,
    "tack-smooth": _simple("lay"),
    "tack-roll": _simple("roller"),
    "tack-spray": _simple("spray_tack", "spray-tack"),
    "tack-rest": lambda making, code: making.task(code, NO_EFFORT, occupies="rack"),
    "tack-press-down": _simple("lay"),
    "tack-tape-off": _tape_off,
    "tack-guide-in": _guide,
    "tack-place": _place,
    "tack-guide-out": _guide,
    "tack-tape-edges": _simple("trim_tape"),
    "tack-pins": _pins,
    "tack-cover": _cover,
}


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
                f"Placements, {pressing.name}",
                "count",
                len(pressing.placements),
                f"{pressing.seconds:g} s each, from the middle outwards.",
            ),
        ]
    on_clear = [
        f"{clear_name(area)} under placement {placement.number} ({pressing.name})"
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
    if first.pressings:
        pressing = first.pressings[0]
        heat = show_temperature(pressing.celsius, unit)
        rests = sum(len(mask.pressings[0].placements) for mask in plan.masks if mask.pressings)
        verdict = f"{several(rests, 'placement')} at {heat}, {pressing.seconds:g} s each"
        later = [one for one in first.pressings[1:] if one.placements]
        verdict += "".join(f", then {len(one.placements)} {one.name}" for one in later)
    else:
        verdict = f"No heat: {plan.method.name[:1].lower()}{plan.method.name[1:]}"
    pinned = f"; {pins} pins" if pins else ""
    return "ready", f"{verdict}{pinned}.", rows


def _register_row(notches: int) -> Row:
    if notches >= _ENOUGH_NOTCHES:
        count = {2: "Two", 3: "Three"}.get(notches, "Four")
        return Row("Register", "text", f"{count} notches", "The same in every mask's border.")
    only = "One notch only" if notches else "No notches"
    return Row("Register", "text", only, "The mask ends at the blank's edges: lay every mask edge on edge there.")


def _tape_rows(plan: Plan) -> list[Row]:
    """Return the distances of each mask, its own; worked from the back left and right change places."""
    back = "Worked from the back: left and right as one stands there." if plan.job.blank.seen_through else ""
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
