"""Each station's one line of verdict, and the figures beside its picture with their reasons."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Literal

from dunestead.core.mask.bridge_rules import usual_width
from dunestead.core.mask.fates import FATES, Fate
from dunestead.core.mask.weak import WeakPlace
from dunestead.core.planning.look import Look
from dunestead.core.planning.plan import Plan, mask_code
from dunestead.core.planning.rail import SizeRail
from dunestead.core.planning.steps import Step
from dunestead.core.sheets.layout import Layout
from dunestead.core.units import several, show_length, show_temperature, show_volume

__all__ = ["NAMES", "Row", "State", "Station", "artwork_outcome", "fewest_in_words", "stations_of"]

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


def stations_of(plan: Plan, steps: Sequence[Step], unit: str, now: datetime) -> list[Station]:
    """Return the ten stations of a job in the order of the work."""
    outcome = {
        "blank": _blank(plan, unit),
        "artwork": artwork_outcome(plan.look, plan.rail, unit),
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


_MEASURED = {
    "stroke": "Thinnest stroke",
    "web": "Narrowest mask between windows",
    "part": "Smallest loose piece",
    "letter": "Lowest letter",
}
_FINE = ("stroke-thin", "web-thin", "letter-low")
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
    rows += _blank_rows(plan, unit)
    if not blank.is_measured:
        return "warn", f"{size} by its label. Measure it: labels are often wrong.", rows
    off = [
        f"{_off(by, unit)} {word}" for by, word in zip(blank.off_label, ("wide", "high"), strict=True) if abs(by) > 0.05
    ]
    told = f"; {' and '.join(off)} than its label says" if off else ""
    return "ready", f"{size}, measured{told}.", rows


def _off(by: float, unit: str) -> str:
    return f"{show_length(abs(by), unit)} {'more' if by > 0 else 'less'}"


def _blank_rows(plan: Plan, unit: str) -> list[Row]:
    blank, placement = plan.job.blank, plan.look.placement
    rows = []
    if blank.rim:
        rows.append(Row("Inside the rim", "text", " by ".join(show_length(side, unit) for side in blank.size)))
    if blank.is_measured:
        for side, by in zip(("Width", "Height"), blank.off_label, strict=True):
            rows.append(Row(f"{side} against its label", "text", _off(by, unit) if by else "as it says"))
    if plan.base_ml:
        where = "Under the design and its margins." if blank.base_coat == "under" else "Over all of it."
        rows.append(Row("Base coat", "volume", plan.base_ml, where))
    if placement:
        rows.append(Row("Below the collar seam", "length", placement.drop, "To the top of the design."))
        rows.append(Row("From the centre line", "length", placement.across, "To the middle of the design."))
    return rows


def artwork_outcome(look: Look, rail: SizeRail, unit: str) -> Outcome:
    """Return the Artwork station's state, verdict and figures."""
    painted, surface = look.painted, look.choices.surface.name
    rows = [
        Row("Painted width", "length", painted.width),
        Row("Painted height", "length", painted.height),
        Row("Painted area", "area", float(painted.region.area)),
        Row("Colours", "count", len(painted.colours)),
        *(
            Row(_MEASURED[least.measure], "length", least.measured, f"Wants {show_length(least.limit, unit)}.")
            for least in rail.least
        ),
    ]
    if rail.least:
        why = f"Limited by its {_MEASURED[rail.least[0].measure].lower()}."
        rows.append(Row("Works from a width of", "length", rail.smallest, why))
    found = {code: [f for f in look.findings if f.code == code] for code in (*_FINE, "off-blank", "off-margin")}
    if off := found["off-blank"]:
        over = show_length(max(f.measured for f in off), unit)
        return "stop", f"Runs {over} off the blank: make it smaller, shift it, or mean it.", rows
    fine = [f for code in _FINE for f in found[code]]
    if fine:
        stops = [f for f in fine if f.severity == "stop"]
        places, enough = several(len(stops or fine), "place"), show_length(rail.smallest, unit)
        holds = f"holds from {enough} wide" if rail.smallest > rail.width else "see what can be done"
        return "stop" if stops else "warn", f"Too fine in {places}; {holds}.", rows
    if near := found["off-margin"]:
        closest, right = min(f.measured for f in near), near[0].limit
        return (
            "warn",
            f"Comes within {show_length(closest, unit)} of the edge; {show_length(right, unit)} looks right.",
            rows,
        )
    for code, verdict in (("colour-gap", "Colours lie too close"), ("colours-alike", "Colours hardly show")):
        if several_found := [f for f in look.findings if f.code == code]:
            return "warn", f"{verdict}: {several_found[0].message(unit)}", rows
    return "ready", f"{show_length(painted.width, unit)} wide, holds on {surface.lower()}.", rows


def _mask(plan: Plan, unit: str) -> Outcome:
    look, material = plan.look, plan.choices.material
    loose, fates = look.found, plan.job.fates
    undecided = [piece.number for piece in loose if piece.number not in fates]
    gone = [number for number in plan.look.gone if number in fates]
    counts = {fate: sum(fates.get(piece.number) == fate for piece in loose) for fate in FATES}
    tongues = [place for place in plan.weak if place.kind == "tongue" and place.severity != "note"]
    necks = [place for place in plan.weak if place.kind == "neck" and place.severity != "note"]
    rows = [
        Row("Loose pieces", "count", len(loose), "Parts of the mask not joined to the rest."),
        Row("Bridges", "count", len(plan.bridges)),
        Row(
            "Bridge width",
            "length",
            plan.job.bridge_width or usual_width(plan.choices.surface, plan.choices.material),
            "Narrower tears, or paint creeps under.",
        ),
        Row("Unpainted under bridges", "area", plan.bridged_area, "To be touched up, or left as a look."),
        Row("Kept and placed by hand", "count", len(plan.keepers)),
        Row("Left out, painted solid", "count", counts["leave-out"]),
        Row("Dropped with their artwork", "count", counts["drop"]),
        Row("Necks", "count", len(necks), "Held at both ends; narrower than asked for, they tear when weeded."),
        Row("Tongues", "count", len(tongues), "With a free end; they lift when brushed towards their root."),
    ]
    if look.fitness.part is not None:
        wanted = material.least_part
        why = f"{material.name} wants {show_length(wanted, unit)}." if wanted else ""
        rows.append(Row("Smallest loose piece", "length", look.fitness.part.width, why))
    if len(plan.masks) > 1:
        rows.append(
            Row(
                "Masks",
                "count",
                len(plan.masks),
                "One line after the other, so that none disturbs the one before."
                if plan.job.masks == "lines"
                else "One for each colour, with the same notches in their borders.",
            )
        )
    verdict = _mask_verdict(plan, undecided, counts, [*necks, *tongues], unit)
    told = f" {_numbers(gone)} {'is' if len(gone) == 1 else 'are'} gone from the design." if gone else ""
    return verdict[0], verdict[1] + told, rows


def _mask_verdict(
    plan: Plan, undecided: Sequence[int], counts: Mapping[Fate, int], weak: Sequence[WeakPlace], unit: str
) -> tuple[State, str]:
    loose, material = plan.look.found, plan.choices.material
    if any(f.code == "base-missing" for f in plan.look.findings):
        return "stop", "A reverse mask shows the base coat, and this blank has none."
    if material.least_part is None and plan.keepers and not plan.job.reverse:
        return (
            "stop",
            f"{several(len(plan.keepers), 'piece')} loose; a mask that is used again needs every one bridged.",
        )
    kept = {keeper.number for keeper in plan.keepers}
    small = [f for f in plan.look.findings if f.code == "part-small" and f.piece in kept]
    if small:
        are = "is" if len(small) == 1 else "are"
        return "warn", f"{several(len(small), 'kept piece')} {are} too small for this material."
    if undecided:
        return "warn", f"{len(undecided)} of {len(loose)} loose pieces undecided; they count as kept."
    if weak:
        worst = weak[0] if weak[0].width <= weak[-1].width else weak[-1]
        return (
            "warn",
            f"{several(len(weak), 'weak place')}: the worst, a {worst.kind}, is {show_length(worst.width, unit)} wide.",
        )
    if not loose:
        return "ready", "One piece: nothing falls out."
    parts = [
        (len(plan.keepers), "kept"),
        (counts["bridge"], "bridged"),
        (counts["leave-out"], "left out"),
        (counts["drop"], "dropped"),
    ]
    return "ready", f"{len(loose)} loose pieces: " + ", ".join(f"{n} {word}" for n, word in parts if n) + "."


def _numbers(numbers: Sequence[int]) -> str:
    named = ", ".join(str(number) for number in numbers)
    return f"Piece {named}" if len(numbers) == 1 else f"Pieces {named}"


def _sheets(plan: Plan, unit: str) -> Outcome:
    layout, facing, trims = plan.layout, plan.facing, plan.trims
    count = layout.count
    rows = [
        Row("Sheets", "count", count, fewest_in_words(layout)),
        Row("Patches", "count", len(layout.patches), _patches_in_words(layout)),
        Row("Facing", "text", "Mirrored" if facing.mirrored else "As it reads", facing.why),
        Row("Border", "length", plan.look.masks[0].mask.border, "Mask beyond the artwork on every side."),
        Row(
            "Knife time",
            "minutes",
            plan.knife_seconds / 60,
            "By hand: slower around curves, a turn of the mat at every corner."
            if plan.is_by_hand
            else f"At {plan.settings}, stopping at every corner.",
        ),
        Row("Material to cut off", "length", trims.length, f"{trims.waste * 100:.0f} % of it is used by no patch."),
    ]
    faults = [fault for planned in plan.sheets for fault in planned.verdict.faults]
    if faults:
        return "stop", f"The simulated cut disagrees with the plan: {faults[0]}", rows
    if cut := layout.cut_keepers:
        numbers = ", ".join(str(number) for number in cut)
        return "warn", f"A seam runs through keeper {numbers}: bridge it or shift the design.", rows
    facing_word = "mirrored" if facing.mirrored else "as it reads"
    if trims.too_wide:
        numbers = ", ".join(str(number) for number in trims.too_wide)
        return "warn", f"Sheet {numbers} is larger than {plan.stock.name.lower()}.", rows
    if trims.lacking:
        lacking = show_length(trims.lacking, unit)
        return "warn", f"{plan.stock.name} is {lacking} too short for all sheets.", rows
    if plan.choices.cutter.feeds == "roll" and not plan.choices.material.is_backed:
        return "warn", "This cutter feeds without a mat: it takes material on a backing only.", rows
    if layout.divisions and any(division.cut_units for division in layout.divisions):
        words = sum(division.cut_units for division in layout.divisions)
        return "warn", f"{several(count, 'sheet')}; {several(words, 'seam')} could not spare a word or element.", rows
    return "ready", f"{several(count, 'sheet')}, cut {facing_word}, proven by a simulated cut.", rows


def fewest_in_words(layout: Layout) -> str:
    """Return how few sheets there could be, and what proves it."""
    count = layout.count
    if layout.is_fewest:
        return "Proven fewest." if count == 1 else f"Proven fewest: {count - 1} cannot do."
    if layout.is_fewest_for_these:
        return f"Proven fewest for these patches; at least {layout.fewest_possible} by area, however divided."
    least = max(layout.fewest_for_these, layout.fewest_possible)
    return f"At least {least}; whether {count - 1} would do is not proven."


def _patches_in_words(layout: Layout) -> str:
    turned = sum(one.turned for sheet in layout.sheets for one in sheet.patches)
    sets = f"{layout.sets} sets of masks. " if layout.sets > 1 else ""
    seams = several(len(layout.seams), "seam")
    return f"{sets}{seams}, {turned} turned."


def _weed(plan: Plan) -> Outcome:
    windows = sum(mask.cut.window_count for mask in plan.masks)
    keepers = len(plan.keepers)
    in_dish = sum("dish" in plan.job.calls.get(keeper.number, {}) for keeper in plan.keepers)
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
    pressing, tape = plan.masks[0].pressing, plan.tape
    rests = sum(len(mask.pressing.placements) for mask in plan.masks)
    pins = sum(len(mask.pinning.pins) for mask in plan.masks)
    rows = [
        Row(f"Artwork from the {side}", "length", getattr(tape, side)) for side in ("left", "right", "top", "bottom")
    ]
    if plan.look.aligned:
        rows.insert(0, Row("Register", "text", "Edge on edge", "The mask is as large as the blank."))
    elif len(plan.masks) > 1:
        rows.insert(0, Row("Register", "text", "Four notches", "The same in every mask's border."))
    if pressing.temperature:
        rows += [
            Row("Plate", "temperature", pressing.temperature, pressing.why),
            Row("Placements", "count", rests, f"{pressing.seconds:g} s each, from the middle outwards."),
        ]
    rows.append(Row("Pins", "count", pins, plan.masks[0].pinning.why))
    if by_tweezers := [number for mask in plan.masks for number in mask.pinning.by_tweezers]:
        numbers = ", ".join(str(number) for number in by_tweezers)
        rows.append(Row("Placed with tweezers", "text", numbers, "Held by no pin: a dry dab."))
    if plan.job.reverse:
        order = ", ".join(str(number) for number in plan.masks[0].placing)
        rows.append(Row("Placing order", "text", order, "From the middle outwards, so that none is in the way."))
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
        verdict = f"{several(rests, 'placement')} at {heat}, {pressing.seconds:g} s each"
    else:
        verdict = "No heat: laid on and rubbed down"
    pinned = f"; {pins} pins" if pins else ""
    return "ready", f"{verdict}{pinned}.", rows


def _paint(plan: Plan, unit: str) -> Outcome:
    need, paint = plan.paint, plan.choices.paint
    done = sum(
        mask_code(f"paint-coat-{coat}", mask.number) in plan.job.ticks
        for mask in plan.masks
        for coat in range(1, need.coats + 1)
    )
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
    if tongues := sum(place.kind == "tongue" for place in plan.weak):
        rows.append(Row("Tongues", "count", tongues, "Dab from root to tip, as the arrows show, or straight down."))
    if need.cans:
        rows.append(Row("Cans", "count", need.cans, "Part of each can drifts past."))
    if plan.choices.surface.family not in paint.families:
        return "warn", f"{paint.name} is not meant for {plan.choices.surface.name.lower()}.", rows
    amount = f"{show_volume(need.total_ml, unit)} of {paint.name.lower()} in {several(need.coats, 'coat')}"
    return "ready", f"{amount}; {done} done." if done else f"{amount}.", rows


def _peel(plan: Plan, now: datetime) -> Outcome:
    peel = plan.peel
    keepers = plan.keepers
    lifted = sum("lifted" in plan.job.calls.get(keeper.number, {}) for keeper in keepers)
    peeled = all(mask_code("peel-sheet", mask.number) in plan.job.ticks for mask in plan.masks)
    rows = [
        Row("Opens after the last coat", "minutes", peel.opens, peel.why),
        Row("Closes after the last coat", "minutes", peel.closes, "A rule of thumb; the label goes first."),
        Row("Order", "text", "Keepers first" if peel.keepers_first else "Sheet first"),
        Row("Keepers lifted", "count", lifted, f"Of {len(keepers)}."),
    ]
    if peeled and lifted < len(keepers):
        return "stop", f"{len(keepers) - lifted} keepers are still in the print.", rows
    if peel.opens_at and peel.closes_at and not peeled:
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
