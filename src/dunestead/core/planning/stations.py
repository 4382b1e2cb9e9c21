"""Each station's one line of verdict, and the figures beside its picture with their reasons."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Literal

from dunestead.core.figures import Catalogue
from dunestead.core.planning.plan import Plan
from dunestead.core.planning.steps import Step
from dunestead.core.units import several, show_length, show_temperature, show_volume

__all__ = ["NAMES", "Row", "State", "Station", "stations_of"]

State = Literal["stop", "warn", "ready", "done"]
Kind = Literal["length", "area", "volume", "minutes", "temperature", "count", "text", "moment"]
NAMES = {
    "blank": "Blank",
    "artwork": "Artwork",
    "mask": "Mask",
    "sheets": "Sheets",
    "weed": "Weed",
    "tack": "Tack",
    "paint": "Paint",
    "peel": "Peel",
    "cure": "Cure",
    "record": "Record",
}


@dataclass(frozen=True, slots=True)
class Row:
    """One figure: a number with its kind (mm, mm², ml, minutes, degrees C), or a text, and why."""

    label: str
    kind: Kind
    value: float | str
    why: str = ""


@dataclass(frozen=True, slots=True)
class Station:
    """A station as it stands: its verdict, its figures, its steps."""

    code: str
    name: str
    state: State
    verdict: str
    rows: tuple[Row, ...]
    steps: tuple[Step, ...]


def stations_of(plan: Plan, steps: Sequence[Step], catalogue: Catalogue, unit: str, now: datetime) -> list[Station]:
    """Return the ten stations of a job in the order of the work."""
    outcome = {
        "blank": _blank(plan, unit),
        "artwork": _artwork(plan, catalogue, unit),
        "mask": _mask(plan, unit),
        "sheets": _sheets(plan, unit),
        "weed": _weed(plan),
        "tack": _tack(plan, unit),
        "paint": _paint(plan, unit),
        "peel": _peel(plan, now),
        "cure": _cure(plan, now),
        "record": _record(plan),
    }
    stations = []
    for code, (state, verdict, rows) in outcome.items():
        own = tuple(step for step in steps if step.station == code)
        finished = bool(own) and all(step.code in plan.job.ticks for step in own)
        stations.append(Station(code, NAMES[code], "done" if finished else state, verdict, tuple(rows), own))
    return stations


Outcome = tuple[State, str, list[Row]]


def _blank(plan: Plan, unit: str) -> Outcome:
    blank, surface = plan.job.blank, plan.choices.surface
    width, height = blank.size
    size = f"{surface.name}, {show_length(width, unit)} by {show_length(height, unit)}"
    rows = [
        Row(
            "Width",
            "length",
            width,
            "Measured." if blank.is_measured else "From the label, until a tape says otherwise.",
        ),
        Row("Height", "length", height),
        Row("Highest plate heat", "temperature", surface.heat, "Hotter scorches or softens it.")
        if surface.heat
        else Row("Heat", "text", "None", "It softens or spoils under a plate."),
        Row("Swallows paint", "text", f"{surface.soak:g} times", "Against a smooth surface."),
        Row("Least stroke", "length", surface.stroke, "Thinner painted strokes fill in or break up."),
        Row("Least mask between windows", "length", surface.web, "Narrower mask tears or lifts."),
    ]
    if not blank.is_measured:
        return "warn", f"{size} by its label. Measure it: labels are often wrong.", rows
    return "ready", f"{size}, measured.", rows


def _artwork(plan: Plan, catalogue: Catalogue, unit: str) -> Outcome:
    fitness, painted, size = plan.fitness, plan.painted, plan.job.blank.size
    margin = size[0] * catalogue.workshop["margin_share"]
    rows = [
        Row("Painted width", "length", painted.width),
        Row("Painted height", "length", painted.height),
        Row("Painted area", "area", float(painted.region.area)),
        Row("Colours", "count", len(painted.colours)),
    ]
    for label, least, limit in (
        ("Thinnest stroke", fitness.least_stroke, plan.choices.surface.stroke),
        ("Narrowest mask between windows", fitness.least_web, plan.choices.surface.web),
    ):
        if least is not None:
            rows.append(Row(label, "length", least, f"{plan.choices.surface.name} wants {show_length(limit, unit)}."))
    if fitness.limited_by:
        rows.append(
            Row(
                "Works from a width of",
                "length",
                fitness.smallest_width,
                f"Limited by its thinnest {fitness.limited_by}.",
            )
        )
    over = -min(plan.tape.left, plan.tape.right, plan.tape.top, plan.tape.bottom)
    if over > 0:
        return "stop", f"Runs {show_length(over, unit)} off the blank: make it smaller or shift it.", rows
    stops = [f for f in fitness.findings if f.severity == "stop" and f.code in ("stroke-thin", "web-thin")]
    warns = [f for f in fitness.findings if f.severity == "warn" and f.code in ("stroke-thin", "web-thin")]
    if stops or warns:
        places, enough = several(len(stops) or len(warns), "place"), show_length(fitness.smallest_width, unit)
        verdict = f"Too fine in {places}; holds from {enough} wide."
        return "stop" if stops else "warn", verdict, rows
    if over > 0.05 - margin:
        return (
            "warn",
            f"Comes within {show_length(-over, unit)} of the edge; {show_length(margin, unit)} looks right.",
            rows,
        )
    return "ready", f"{show_length(painted.width, unit)} wide, holds on this surface.", rows


def _mask(plan: Plan, unit: str) -> Outcome:
    cut, mask = plan.cut, plan.mask
    undecided = [piece.number for piece in mask.loose if piece.number not in plan.job.fates]
    rows = [
        Row("Loose pieces", "count", len(mask.loose), "Parts of the mask not joined to the rest."),
        Row("Bridges", "count", len(cut.bridges)),
        Row(
            "Bridge width",
            "length",
            plan.job.bridge_width or plan.choices.surface.bridge,
            "Narrower tears, or paint creeps under.",
        ),
        Row("Unpainted under bridges", "area", cut.bridged_area, "To be touched up, or left as a look."),
        Row("Kept and placed by hand", "count", len(cut.keepers)),
        Row("Left out, painted solid", "count", len(cut.left_out)),
    ]
    if plan.fitness.least_part is not None:
        why = (
            f"{plan.choices.material.name} wants {show_length(plan.choices.material.least_part, unit)}."
            if plan.choices.material.least_part
            else ""
        )
        rows.append(Row("Smallest loose piece", "length", plan.fitness.least_part, why))
    if plan.choices.material.least_part is None and cut.keepers:
        return "stop", f"{len(cut.keepers)} pieces are loose; a mask that is used again needs every one bridged.", rows
    kept = {keeper.number for keeper in cut.keepers}
    small = [f for f in plan.fitness.findings if f.code == "part-small" and f.piece in kept]
    if small:
        return (
            "warn",
            f"{len(small)} kept piece{' is' if len(small) == 1 else 's are'} too small for this material.",
            rows,
        )
    if undecided:
        return "warn", f"{len(undecided)} of {len(mask.loose)} loose pieces undecided; they count as kept.", rows
    if not mask.loose:
        return "ready", "One piece: nothing falls out.", rows
    parts = [(len(cut.keepers), "kept"), (len(cut.bridges), "bridged"), (len(cut.left_out), "left out")]
    return "ready", f"{len(mask.loose)} loose pieces: " + ", ".join(f"{n} {word}" for n, word in parts if n) + ".", rows


def _sheets(plan: Plan, unit: str) -> Outcome:
    count, facing = len(plan.division.sheets), plan.facing
    minutes = sum(planned.time.seconds for planned in plan.sheets) / 60
    area = sum(planned.trim[0] * planned.trim[1] for planned in plan.sheets)
    rows = [
        Row(
            "Sheets",
            "count",
            count,
            "Proven fewest." if plan.division.is_fewest else f"At least {plan.division.fewest_possible} by area.",
        ),
        Row("Facing", "text", "Mirrored" if facing.mirrored else "As it reads", facing.why),
        Row("Border", "length", plan.mask.border, "Mask beyond the artwork on every side."),
        Row(
            "Knife time",
            "minutes",
            minutes,
            f"{plan.choices.material.passes} pass(es) at {plan.choices.material.speed:g} mm/s.",
        ),
        Row("Material to cut off", "area", area, "Allowance for trimming included."),
    ]
    faults = [fault for planned in plan.sheets for fault in planned.verdict.faults]
    if faults:
        return "stop", f"The simulated cut disagrees with the plan: {faults[0]}", rows
    if plan.division.cut_keepers:
        numbers = ", ".join(str(number) for number in plan.division.cut_keepers)
        return "warn", f"A seam runs through keeper {numbers}: bridge it or shift the design.", rows
    facing_word = "mirrored" if facing.mirrored else "as it reads"
    stock, needed = plan.choices.material.stock_width, max(min(planned.trim) for planned in plan.sheets)
    if needed > stock:
        verdict = f"Needs material {show_length(needed, unit)} wide; it usually comes {show_length(stock, unit)}."
        return "warn", verdict, rows
    return "ready", f"{several(count, 'sheet')}, cut {facing_word}, proven by a simulated cut.", rows


def _weed(plan: Plan) -> Outcome:
    windows = plan.cut.window_count
    keepers = len(plan.cut.keepers)
    in_dish = sum("dish" in plan.job.calls.get(keeper.number, {}) for keeper in plan.cut.keepers)
    rows = [
        Row("Windows to take out", "count", windows),
        Row("Keepers for the dish", "count", keepers),
        Row("In the dish", "count", in_dish),
    ]
    if keepers and "weed-dish" in plan.job.ticks and in_dish < keepers:
        return "stop", f"{keepers - in_dish} of {keepers} keepers are not in the dish.", rows
    dish = f", {keepers} to the dish" if keepers else ""
    return "ready", f"{several(windows, 'window')} out{dish}.", rows


def _tack(plan: Plan, unit: str) -> Outcome:
    pressing, pinning, tape = plan.pressing, plan.pinning, plan.tape
    rows = [
        Row(f"Artwork from the {side}", "length", getattr(tape, side)) for side in ("left", "right", "top", "bottom")
    ]
    if pressing.temperature:
        rows += [
            Row("Plate", "temperature", pressing.temperature, pressing.why),
            Row(
                "Placements",
                "count",
                len(pressing.placements),
                f"{pressing.seconds:g} s each, from the middle outwards.",
            ),
        ]
    rows.append(Row("Pins", "count", len(pinning.pins), pinning.why))
    if pinning.by_tweezers:
        numbers = ", ".join(str(number) for number in pinning.by_tweezers)
        rows.append(Row("Placed with tweezers", "text", numbers, "Held by no pin: a dry dab."))
    if any(plan.cover.sides):
        rows.append(Row("Cover beyond the artwork", "length", plan.cover.needed, f"By {plan.choices.paint.technique}."))
    if plan.choices.material.heat is not None and plan.choices.surface.heat is None:
        return "stop", pressing.why, rows
    named = plan.choices.material.works_on
    if plan.choices.surface.family not in named and plan.choices.surface.key not in named:
        return (
            "warn",
            f"{plan.choices.material.name} is not known to hold on {plan.choices.surface.name.lower()}.",
            rows,
        )
    if pressing.placements and pressing.temperature:
        heat = show_temperature(pressing.temperature, unit)
        verdict = f"{several(len(pressing.placements), 'placement')} at {heat}, {pressing.seconds:g} s each"
    else:
        verdict = "No heat: laid on and rubbed down"
    pins = f"; {len(pinning.pins)} pins" if pinning.pins else ""
    return "ready", f"{verdict}{pins}.", rows


def _paint(plan: Plan, unit: str) -> Outcome:
    need, paint = plan.paint, plan.choices.paint
    done = sum(f"paint-coat-{coat}" in plan.job.ticks for coat in range(1, need.coats + 1))
    rows = [
        Row("Paint in all", "volume", need.total_ml, need.why),
        Row("Coats", "count", need.coats, f"Usually {paint.coats_low} to {paint.coats_high}."),
        Row("Between coats", "minutes", paint.next_coat * plan.timeline.factor, "Sooner lifts the coat below."),
        *(
            Row(f"Colour {colour.colour}", "volume", colour.total_ml)
            for colour in need.colours
            if len(need.colours) > 1
        ),
    ]
    if need.cans:
        rows.append(Row("Cans", "count", need.cans, "Part of each can drifts past."))
    if plan.choices.surface.family not in paint.families:
        return "warn", f"{paint.name} is not meant for {plan.choices.surface.name.lower()}.", rows
    amount = f"{show_volume(need.total_ml, unit)} of {paint.name.lower()} in {several(need.coats, 'coat')}"
    return "ready", f"{amount}; {done} done." if done else f"{amount}.", rows


def _peel(plan: Plan, now: datetime) -> Outcome:
    peel = plan.peel
    lifted = sum("lifted" in plan.job.calls.get(keeper.number, {}) for keeper in plan.cut.keepers)
    rows = [
        Row("Opens after the last coat", "minutes", peel.opens, peel.why),
        Row("Closes after the last coat", "minutes", peel.closes, "A rule of thumb; the label goes first."),
        Row("Order", "text", "Keepers first" if peel.keepers_first else "Sheet first"),
        Row("Keepers lifted", "count", lifted, f"Of {len(plan.cut.keepers)}."),
    ]
    if "peel-sheet" in plan.job.ticks and lifted < len(plan.cut.keepers):
        return "stop", f"{len(plan.cut.keepers) - lifted} keepers are still in the print.", rows
    if peel.opens_at and peel.closes_at and "peel-sheet" not in plan.job.ticks:
        rows.append(Row("Window opens", "moment", peel.opens_at.isoformat()))
        rows.append(Row("Window closes", "moment", peel.closes_at.isoformat()))
        if now > peel.closes_at:
            return "warn", "The peel window has passed: peel now, warm it if it drags.", rows
        if now >= peel.opens_at:
            return "stop", "Peel now: the window is open.", rows
        return "warn", f"The window opens in {(peel.opens_at - now).total_seconds() / 60:.0f} min.", rows
    kind = {"wet": "while wet", "set": "when set", "touch-dry": "when touch-dry", "at-once": "at once"}[peel.when]
    return "ready", f"Peel {kind}: {peel.opens:.0f} to {peel.closes:.0f} min after the last coat.", rows


def _cure(plan: Plan, now: datetime) -> Outcome:
    timeline, paint = plan.timeline, plan.choices.paint
    names = {"touch": "Dry to the touch", "handle": "May be handled", "use": "May be used", "wash": "May be washed"}
    rows = [
        Row(names[key], "moment", timeline.at[key].isoformat())
        if timeline.at
        else Row(f"{names[key]} after", "minutes", value)
        for key, value in timeline.minutes.items()
    ]
    rows.append(Row("Heat-set", "text", paint.heat_set))
    rows.append(
        Row(
            "Room",
            "text",
            f"{plan.job.room.temperature:g} C, {plan.job.room.humidity:g} %",
            f"Times x {timeline.factor:.2g}: a rule of thumb, never certain.",
        )
    )
    if not timeline.at:
        return "ready", f"In use {timeline.minutes['use'] / 60:.0f} h after the last coat.", rows
    if now < timeline.at["use"]:
        return "warn", f"Not in use before {timeline.at['use']:%a %d %b, %H:%M}.", rows
    if "wash" in timeline.at and now < timeline.at["wash"]:
        return "ready", f"In use; not washed before {timeline.at['wash']:%a %d %b, %H:%M}.", rows
    return "ready", "Cured.", rows


def _record(plan: Plan) -> Outcome:
    record = plan.job.record
    rows = [
        *(Row(f"{NAMES.get(station, station)} took", "minutes", value) for station, value in record.minutes.items()),
        *(
            [Row("Paint used", "volume", record.paint_ml, f"Reckoned {plan.paint.total_ml:.0f} ml.")]
            if record.paint_ml
            else []
        ),
    ]
    if record.grade is None:
        return "ready", "Nothing written down yet.", rows
    return "ready", f"Graded {record.grade} of 5.", rows
