"""The steps of a job in the order they are done, each with its figures, reason and caution."""

from collections.abc import Iterator
from dataclasses import dataclass

from dunestead.core.figures import HandTimes
from dunestead.core.planning.cautions import CAUTIONS
from dunestead.core.planning.job import Call
from dunestead.core.planning.plan import Plan
from dunestead.core.units import several, show_length, show_temperature, show_volume

__all__ = ["Step", "all_steps", "next_step"]

_DM2 = 1e4
_DM = 100.0


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
    call
        The roll-call that closes it, if any: every keeper must answer.
    caution
        What can hurt.
    """

    code: str
    station: str
    title: str
    detail: str
    minutes: float | None = None
    call: Call | None = None
    caution: str | None = None


def all_steps(plan: Plan, hand: HandTimes, unit: str) -> list[Step]:
    """Return every step of a job, lengths shown in the maker's unit."""
    return [
        *_blank(plan, hand),
        *_cut(plan, hand),
        *_weed(plan, hand),
        *_tack(plan, hand, unit),
        *_paint(plan, hand, unit),
        *_peel(plan, hand),
        *_cure(plan),
        Step(
            "record-written", "record", "Write down what happened", "Grade, times, amounts: next time starts from them."
        ),
    ]


def next_step(plan: Plan, steps: list[Step]) -> Step | None:
    """Return the first step not ticked off, None when all are done."""
    return next((step for step in steps if step.code not in plan.job.ticks), None)


def _blank(plan: Plan, hand: HandTimes) -> Iterator[Step]:
    caution = CAUTIONS["food"] if plan.choices.surface.key == "glass" else None
    yield Step(
        "blank-prepared", "blank", "Prepare the blank", plan.choices.surface.prepare, hand.prepare / 60, caution=caution
    )


def _cut(plan: Plan, hand: HandTimes) -> Iterator[Step]:
    material = plan.choices.material
    setting = (
        f"{material.force:g} g, {material.passes} pass{'es' if material.passes > 1 else ''}, {material.speed:g} mm/s"
    )
    yield Step(
        "sheets-test-cut",
        "sheets",
        "Test cut",
        f"Start at {setting}. Not through: 15 % more force. Into the backing: 15 % less. "
        "Tears: half the speed and a fresh blade.",
        hand.test_cut / 60,
        caution=CAUTIONS["knife"],
    )
    for sheet, planned in zip(plan.division.sheets, plan.sheets, strict=True):
        yield Step(
            f"sheets-cut-{sheet.number}",
            "sheets",
            f"Cut sheet {sheet.number} of {len(plan.division.sheets)}",
            f"{plan.facing.why}",
            (hand.sheet + planned.time.seconds) / 60,
        )


def _weed(plan: Plan, hand: HandTimes) -> Iterator[Step]:
    windows = plan.cut.window_count
    cut_cm = sum(planned.time.cut_length for planned in plan.sheets) / 10
    keepers = len(plan.cut.keepers)
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
            f"Roll-call: {several(keepers, 'keeper')} in the dish",
            "Tick each number as it goes into the dish.",
            call="dish",
        )


def _tack(plan: Plan, hand: HandTimes, unit: str) -> Iterator[Step]:
    surface, tape, pressing = plan.choices.surface, plan.tape, plan.pressing
    if surface.barrier:
        yield Step(
            "tack-barrier", "tack", "Put card inside or underneath", "Paint goes through this cloth.", hand.barrier / 60
        )
    left, right, top, bottom = (show_length(value, unit) for value in (tape.left, tape.right, tape.top, tape.bottom))
    yield Step(
        "tack-positioned",
        "tack",
        "Lay the mask by the tape measure",
        f"From the blank's edge to the artwork: left {left}, right {right}, top {top}, bottom {bottom}. "
        "Middle down first, then outwards.",
        hand.position / 60,
    )
    if pressing.placements and pressing.temperature:
        count, heat = len(pressing.placements), show_temperature(pressing.temperature, unit)
        yield Step(
            "tack-pressed",
            "tack",
            f"Press {several(count, 'placement')} at {heat}, {pressing.seconds:g} s each",
            plan.choices.material.tack,
            count * (pressing.seconds + hand.placement_move) / 60,
            caution=CAUTIONS["iron"],
        )
    else:
        caution = CAUTIONS["spray-tack"] if plan.choices.material.hold == "spray-tack" else None
        yield Step("tack-laid", "tack", "Lay it on", plan.choices.material.tack, hand.lay / 60, caution=caution)
    keepers = len(plan.cut.keepers)
    if keepers:
        yield Step(
            "tack-placed",
            "tack",
            f"Roll-call: place {several(keepers, 'keeper')}",
            "By the numbered map; lay the cut-outs back in as a guide. Press and lift, with paper between.",
            keepers * hand.place_keeper / 60,
            call="placed",
        )
    if plan.pinning.pins:
        count = len(plan.pinning.pins)
        yield Step(
            "tack-pinned",
            "tack",
            f"Set {count} pins",
            plan.pinning.why,
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
            "tack-covered",
            "tack",
            "Tape paper around the mask",
            f"Beyond the mask: {sides}.",
            plan.cover.tape / _DM * hand.cover_dm / 60,
        )


def _paint(plan: Plan, hand: HandTimes, unit: str) -> Iterator[Step]:
    paint, need = plan.choices.paint, plan.paint
    caution = " ".join(CAUTIONS[key] for key in paint.cautions) or None
    area = sum(colour.area for colour in need.colours) / _DM2
    dab = hand.dab_dm2_coir if plan.choices.surface.family == "coir" else hand.dab_dm2_cloth
    seconds = area * (hand.spray_dm2 if paint.technique in ("spray", "airbrush") else dab)
    coat_ml = sum(colour.coat_ml for colour in need.colours)
    for coat in range(1, need.coats + 1):
        wait = f" Next coat after {paint.next_coat * plan.timeline.factor:.0f} min." if coat < need.coats else ""
        yield Step(
            f"paint-coat-{coat}",
            "paint",
            f"Coat {coat} of {need.coats}: about {show_volume(coat_ml, unit)}",
            _how(paint.technique, coat, coarse=plan.choices.surface.family == "coir") + wait,
            seconds / 60,
            caution=caution,
        )


def _how(technique: str, coat: int, *, coarse: bool) -> str:
    if technique in ("spray", "airbrush"):
        return (
            "Upright, aimed square, 150 to 300 mm away, moving past the edge of the mask. "
            "A light coat: you can add, never take away."
        )
    if coarse:
        return "Plenty on the brush, straight down, worked between the fibres; bare mat showing means too little."
    return "Little on the brush, straight down. " + ("A very thin coat that seals the edges." if coat == 1 else "Thin.")


def _peel(plan: Plan, hand: HandTimes) -> Iterator[Step]:
    keepers, peel = len(plan.cut.keepers), plan.peel
    window = f"From {peel.opens:.0f} to {peel.closes:.0f} min after the last coat. {peel.why}"
    sheet = Step(
        "peel-sheet",
        "peel",
        "Peel the mask",
        f"{window} A corner first, low and slow, one direction.",
        hand.peel_start / 60,
    )
    calling = Step(
        "peel-lifted",
        "peel",
        f"Roll-call: lift {several(keepers, 'keeper')}",
        (f"{window} " if peel.keepers_first else "")
        + "With tweezers; tick each number, so that none stays in the print.",
        keepers * hand.peel_keeper / 60,
        call="lifted",
    )
    order = [calling, sheet] if peel.keepers_first else [sheet, calling]
    yield from (step for step in order if keepers or step is sheet)
    if plan.pinning.pins:
        yield Step(
            "peel-pins",
            "peel",
            f"Count {len(plan.pinning.pins)} pins back in",
            "None missing.",
            hand.count_pins / 60,
            caution=CAUTIONS["pins"],
        )
    gaps = len(plan.cut.bridges)
    detail = (
        f"{several(gaps, 'bridge gap')}, bare spots, and bleeds in the colour of the ground."
        if gaps
        else "Bare spots, and bleeds in the colour of the ground."
    )
    yield Step(
        "peel-touched-up",
        "peel",
        "Touch up with a fine brush",
        detail,
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
