"""The steps of a job in the order they are done, each with its figures, reason and caution."""

from collections.abc import Iterator
from dataclasses import dataclass, replace

from dunestead.core.colours import colour_name
from dunestead.core.figures import HandTimes
from dunestead.core.painting.amount import ColourAmount
from dunestead.core.planning.cautions import CAUTIONS
from dunestead.core.planning.job import Call
from dunestead.core.planning.plan import MaskPlan, Plan, mask_code
from dunestead.core.units import several, show_area, show_length, show_temperature, show_volume

__all__ = ["Step", "all_steps", "next_step"]

_DM2 = 1e4
_DM = 100.0
_MOST_NAMED = 12


@dataclass(frozen=True, slots=True)
class Step:
    """One thing to do.

    Attributes
    ----------
    code
        What it is ticked off by.
    station
        Where it belongs.
    title, detail
        What to do, and with which figures.
    minutes
        A median maker's time, None where it is waiting.
    call, numbers
        The roll-call that closes it, if any, and the keepers that must answer.
    caution
        What can hurt.
    mask
        Number of the mask it is about.
    """

    code: str
    station: str
    title: str
    detail: str
    minutes: float | None = None
    call: Call | None = None
    caution: str | None = None
    numbers: tuple[int, ...] = ()
    mask: int = 1


def all_steps(plan: Plan, hand: HandTimes, unit: str) -> list[Step]:
    """Return every step of a job, lengths shown in the maker's unit; masks are laid, painted and peeled in turn."""
    return [
        *_blank(plan, hand, unit),
        *_cut(plan, hand),
        *_weed(plan, hand),
        *(
            replace(step, mask=mask.number)
            for mask in plan.masks
            for step in (
                *_tack(plan, mask, hand, unit),
                *_paint(plan, mask, hand, unit),
                *_peel(plan, mask, hand),
            )
        ),
        *_touch_up(plan, hand, unit),
        *_cure(plan),
        Step(
            "record-written", "record", "Write down what happened", "Grade, times, amounts: next time starts from them."
        ),
    ]


def _of(plan: Plan, mask: MaskPlan) -> str:
    """Return which mask a step is about, where there are several."""
    return f" of {mask.laid.name}" if len(plan.masks) > 1 else ""


def next_step(plan: Plan, steps: list[Step]) -> Step | None:
    """Return the first step not ticked off, None when all are done."""
    return next((step for step in steps if step.code not in plan.job.ticks), None)


def _blank(plan: Plan, hand: HandTimes, unit: str) -> Iterator[Step]:
    caution = CAUTIONS["food"] if plan.choices.surface.key == "glass" else None
    yield Step(
        "blank-prepared", "blank", "Prepare the blank", plan.choices.surface.prepare, hand.prepare / 60, caution=caution
    )
    if plan.base_ml:
        blank = plan.job.blank
        where = "under the design and its margins" if blank.base_coat == "under" else "everywhere"
        yield Step(
            "blank-base-coat",
            "blank",
            f"Base coat in {colour_name(blank.base_colour)}: about {show_volume(plan.base_ml, unit)}",
            f"One even coat {where}. Let it dry through before a mask goes on: tape and film lift young paint.",
            caution=" ".join(CAUTIONS[key] for key in plan.choices.paint.cautions) or None,
        )


def _cut(plan: Plan, hand: HandTimes) -> Iterator[Step]:
    if not plan.is_by_hand:
        yield Step(
            "sheets-test-cut",
            "sheets",
            "Test cut",
            f"At {plan.settings}. {plan.settings_why} Not through: more force. Into the backing: less. "
            "Tears: half the speed and a fresh blade.",
            hand.test_cut / 60,
            caution=CAUTIONS["knife"],
        )
    for planned in plan.sheets:
        runs = planned.sheet.runs
        often = f", {runs} times" if runs > 1 else ""
        patches = ", ".join(one.id for one in planned.sheet.patches)
        how = (
            "Print it at true size on the dull side, tape it to a cutting mat. Smallest inside pieces first, begin on "
            "a straight run, turn the mat and not the hand, do not go back to mend a wobble; keepers go into the dish."
            if plan.is_by_hand
            else plan.facing.why
        )
        yield Step(
            f"sheets-cut-{planned.number}",
            "sheets",
            f"Cut sheet {planned.number} of {len(plan.sheets)}{often}: patch {patches}"
            if len(plan.layout.patches) > 1
            else f"Cut sheet {planned.number} of {len(plan.sheets)}{often}",
            how,
            runs * (hand.sheet + planned.time.seconds) / 60,
            caution=CAUTIONS["knife"] if plan.is_by_hand else None,
        )


def _weed(plan: Plan, hand: HandTimes) -> Iterator[Step]:
    windows = sum(mask.cut.window_count for mask in plan.masks)
    cut_cm = plan.cut_length / 10
    keepers = plan.keepers
    yield Step(
        "weed-lifted",
        "weed",
        "Take the mask off the mat",
        "Turn the mat over and peel the mat off the mask, so that it does not curl.",
        hand.off_the_mat / 60,
    )
    yield Step(
        "weed-windows",
        "weed",
        f"Weed {several(windows, 'window')}",
        "The parts to be painted go; everything else stays. Hold down the part that stays.",
        (windows * hand.weed_piece + cut_cm * hand.weed_cm) / 60,
        caution=CAUTIONS["knife"],
    )
    if keepers:
        yield Step(
            "weed-dish",
            "weed",
            f"Roll-call: {several(len(keepers), 'keeper')} in the dish",
            "Tick each number as it goes into the dish.",
            call="dish",
            numbers=tuple(keeper.number for keeper in keepers),
        )


def _tack(plan: Plan, mask: MaskPlan, hand: HandTimes, unit: str) -> Iterator[Step]:
    surface, pressing, number = plan.choices.surface, mask.pressing, mask.number
    if surface.barrier and number == 1:
        yield Step(
            "tack-barrier", "tack", "Put card inside or underneath", "Paint goes through this cloth.", hand.barrier / 60
        )
    yield Step(
        mask_code("tack-positioned", number),
        "tack",
        f"Lay {mask.laid.name} {'edge on edge' if plan.look.aligned else 'by the tape measure'}",
        _where(plan, mask, unit),
        hand.position / 60,
    )
    if pressing.placements and pressing.temperature:
        count, heat = len(pressing.placements), show_temperature(pressing.temperature, unit)
        yield Step(
            mask_code("tack-pressed", number),
            "tack",
            f"Press {several(count, 'placement')} at {heat}, {pressing.seconds:g} s each",
            plan.choices.material.tack,
            count * (pressing.seconds + hand.placement_move) / 60,
            caution=CAUTIONS["iron"],
        )
    else:
        caution = CAUTIONS["spray-tack"] if plan.choices.material.hold == "spray-tack" else None
        yield Step(
            mask_code("tack-laid", number),
            "tack",
            "Lay it on",
            plan.choices.material.tack,
            hand.lay / 60,
            caution=caution,
        )
    if mask.placing:
        yield Step(
            mask_code("tack-placed", number),
            "tack",
            f"Roll-call: place {several(len(mask.placing), 'keeper')}",
            _how_to_place(mask),
            len(mask.placing) * hand.place_keeper / 60,
            call="placed",
            numbers=mask.placing,
        )
    if mask.pinning.pins:
        count = len(mask.pinning.pins)
        yield Step(
            mask_code("tack-pinned", number),
            "tack",
            f"Set {count} pins",
            mask.pinning.why,
            count * hand.pin / 60,
            caution=CAUTIONS["pins"],
        )
    if any(plan.cover.sides):
        sides = ", ".join(
            f"{name} {show_length(side, unit)}"
            for name, side in zip(("left", "top", "right", "bottom"), plan.cover.sides, strict=True)
            if side
        )
        yield Step(
            mask_code("tack-covered", number),
            "tack",
            "Tape paper around the mask",
            f"Beyond the mask: {sides}.",
            plan.cover.tape / _DM * hand.cover_dm / 60,
        )


def _where(plan: Plan, mask: MaskPlan, unit: str) -> str:
    """Say where a mask is laid: by its edges, by marks, or by the tape measure."""
    if plan.look.aligned:
        return "The mask is as large as the blank: bring their edges together all around, then tack."
    tape = plan.tape
    left, right, top, bottom = (show_length(value, unit) for value in (tape.left, tape.right, tape.top, tape.bottom))
    by_tape = f"From the blank's edge to the artwork: left {left}, right {right}, top {top}, bottom {bottom}. "
    if len(plan.masks) == 1:
        return by_tape + "Middle down first, then outwards."
    if mask.number == 1:
        return by_tape + "Middle down first, then outwards. Mark the blank or its board at the four notches."
    return "Bring the four notches of its border onto the marks of the first mask; let the first colour dry before."


def _how_to_place(mask: MaskPlan) -> str:
    if mask.laid.is_reverse:
        order = ", ".join(map(str, mask.placing[:_MOST_NAMED])) + (" …" if len(mask.placing) > _MOST_NAMED else "")
        return f"From the middle outwards: {order}. Measure to the blank's edges; press and lift."
    return "By the numbered map; lay the cut-outs back in as a guide. Press and lift, with paper between."


def _paint(plan: Plan, mask: MaskPlan, hand: HandTimes, unit: str) -> Iterator[Step]:
    paint, need = plan.choices.paint, plan.paint
    caution = " ".join(CAUTIONS[key] for key in paint.cautions) or None
    colours = _colours_of(plan, mask)
    area = sum(colour.area for colour in colours) / _DM2
    dab = hand.dab_dm2_coir if plan.choices.surface.family == "coir" else hand.dab_dm2_cloth
    seconds = area * (hand.spray_dm2 if paint.technique in ("spray", "airbrush") else dab)
    coat_ml = sum(colour.coat_ml for colour in colours)
    if len(colours) > 1 and (plan.job.covered or plan.job.dauber):
        how = "Before each colour cover what lies close by with paper, its edges taped. " if plan.job.covered else ""
        tool = "Dab with a foam dauber, which keeps closer to its place than a brush. " if plan.job.dauber else ""
        yield Step(
            "paint-colours-apart",
            "paint",
            f"Keep {several(len(colours), 'colour')} apart",
            f"{how}{tool}Start with the small or the light one.",
        )
    tongues = sum(place.kind == "tongue" for place in mask.weak)
    from_root = f" {several(tongues, 'tongue')}: from root to tip, by the arrows, or straight down." if tongues else ""
    named = f" in {colour_name(mask.laid.colour)}" if mask.laid.colour else ""
    for coat in range(1, need.coats + 1):
        wait = f" Next coat after {paint.next_coat * plan.timeline.factor:.0f} min." if coat < need.coats else ""
        yield Step(
            mask_code(f"paint-coat-{coat}", mask.number),
            "paint",
            f"Coat {coat} of {need.coats}{named}: about {show_volume(coat_ml, unit)}",
            _how(paint.technique, coat, coarse=plan.choices.surface.family == "coir") + from_root + wait,
            seconds / 60,
            caution=caution,
        )


def _colours_of(plan: Plan, mask: MaskPlan) -> list[ColourAmount]:
    """Return the paint that goes through a mask: of one colour, or of each colour what lies in its line."""
    if not mask.laid.line:
        return [c for c in plan.paint.colours if mask.laid.colour in ("", c.colour)]
    found = []
    for amount in plan.paint.colours:
        own, whole = mask.laid.painted.colours.get(amount.colour), plan.painted.colours[amount.colour]
        if own is not None:
            share = float(own.area / whole.area)
            found.append(
                ColourAmount(amount.colour, amount.area * share, amount.coat_ml * share, amount.total_ml * share)
            )
    return found


def _how(technique: str, coat: int, *, coarse: bool) -> str:
    if technique in ("spray", "airbrush"):
        return (
            "Upright, aimed square, 150 to 300 mm away, moving past the edge of the mask. "
            "A light coat: you can add, never take away."
        )
    if coarse:
        return "Plenty on the brush, straight down, worked between the fibres; bare mat showing means too little."
    return "Little on the brush, straight down. " + ("A very thin coat that seals the edges." if coat == 1 else "Thin.")


def _peel(plan: Plan, mask: MaskPlan, hand: HandTimes) -> Iterator[Step]:
    keepers, peel = mask.cut.keepers, plan.peel
    window = f"From {peel.opens:.0f} to {peel.closes:.0f} min after the last coat. {peel.why}"
    sheet = Step(
        mask_code("peel-sheet", mask.number),
        "peel",
        f"Peel {mask.laid.name}",
        f"{window} A corner first, low and slow, one direction.",
        hand.peel_start / 60,
    )
    calling = Step(
        mask_code("peel-lifted", mask.number),
        "peel",
        f"Roll-call: lift {several(len(keepers), 'keeper')}",
        (f"{window} " if peel.keepers_first or mask.laid.is_reverse else "")
        + "With tweezers; tick each number, so that none stays in the print.",
        len(keepers) * hand.peel_keeper / 60,
        call="lifted",
        numbers=tuple(keeper.number for keeper in keepers),
    )
    order = [calling, sheet] if peel.keepers_first else [sheet, calling]
    if mask.laid.is_reverse:
        order = [calling]
    yield from (step for step in order if keepers or step is sheet)
    if mask.pinning.pins:
        yield Step(
            mask_code("peel-pins", mask.number),
            "peel",
            f"Count {len(mask.pinning.pins)} pins back in",
            "None missing.",
            hand.count_pins / 60,
            caution=CAUTIONS["pins"],
        )


def _touch_up(plan: Plan, hand: HandTimes, unit: str) -> Iterator[Step]:
    gaps = len(plan.bridges)
    bare = "bare spots, and bleeds in the colour of the ground."
    where = f"{several(gaps, 'bridge gap')}, {show_area(plan.bridged_area, unit)} in all, " if gaps else ""
    yield Step(
        "peel-touched-up",
        "peel",
        "Touch up with a fine brush",
        f"{where}{bare}" if gaps else bare.capitalize(),
        (hand.touch_up + gaps * hand.touch_up_bridge) / 60,
    )


def _cure(plan: Plan) -> Iterator[Step]:
    paint, minutes = plan.choices.paint, plan.timeline.minutes
    yield Step(
        "cure-dry", "cure", "Leave it to dry", f"May be handled {_hours(minutes['handle'])} after the last coat."
    )
    if paint.heat_set != "No.":
        yield Step("cure-set", "cure", "Set or seal it", paint.heat_set, caution=CAUTIONS["iron"])
    caution = CAUTIONS["wet-mat"] if plan.choices.surface.family == "coir" else None
    yield Step("cure-used", "cure", "Put it to use", f"{_hours(minutes['use'])} after the last coat.", caution=caution)
    if "wash" in minutes:
        yield Step("cure-washed", "cure", "First wash", f"Not before {_hours(minutes['wash'])} after the last coat.")


def _hours(minutes: float) -> str:
    if minutes < 90:
        return f"{minutes:.0f} min"
    return f"{minutes / 60:.0f} h" if minutes < 72 * 60 else f"{minutes / 1440:.0f} days"
