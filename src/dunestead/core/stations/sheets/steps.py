"""What is there to do at the sheets? A test cut and each sheet; or a print, where the knife is in the hand."""

import math
from collections.abc import Mapping
from dataclasses import dataclass

from dunestead.core.effort import effort
from dunestead.core.figures import HandTimes
from dunestead.core.plan.plan import Plan, SheetPlan
from dunestead.core.units import show_tape_up
from dunestead.core.work.fingerprint import check_fingerprint, cut_fingerprint
from dunestead.core.work.kinds import TaskKind, Trait
from dunestead.core.work.needs import Need
from dunestead.core.work.resources import CUTTER, HANDS
from dunestead.core.work.saying import Said
from dunestead.core.work.tasks import Chain, Task, task_of

__all__ = ["cut"]

_EPS = 1e-9
# More sizes than these are read from the list of the material.
_SIZES_TOLD = 3


@dataclass(frozen=True, slots=True)
class PrintValues:
    """Whether the mask material can be printed on; whether what is printed is mirrored."""

    takes_print: bool
    mirrored: bool


def _print_how(values: PrintValues, _: Said) -> str:
    if values.takes_print:
        return (
            "Print it once on the dull side of the mask material, taped to a cutting mat, and once on plain paper as "
            "your map. Check first which side your printer prints on."
        )
    side = " The sheets are mirrored because this material is cut from its back." if values.mirrored else ""
    return (
        "This material cannot be printed on, so print twice on plain paper. Tape one print over the material and cut "
        f"through both; the other is your map.{side}"
    )


@dataclass(frozen=True, slots=True)
class CheckValues:
    """Material each sheet needs, mm across and along; how it lies under the knife, and how the files then read."""

    pieces: tuple[tuple[float, float], ...]
    lies: str
    mirrored: bool


def _check_how(values: CheckValues, said: Said) -> str:
    sizes = [
        f"{show_tape_up(across, said.unit)} by {show_tape_up(along, said.unit)}" for across, along in values.pieces
    ]
    told = ", ".join(sizes) if len(sizes) <= _SIZES_TOLD else f"{sizes[0]} for the largest"
    each = " for each sheet" if len(sizes) > 1 else ""
    reads = (
        "Mirrored: words in the file read backwards"
        if values.mirrored
        else "Not mirrored: words in the file read right"
    )
    return f"Measure the material{each}: at least {told}. {values.lies} {reads}. If not, stop."


@dataclass(frozen=True, slots=True)
class TestCutValues:
    """How a test is cut, and where that is from."""

    settings: str
    why: str


def _test_how(values: TestCutValues, _: Said) -> str:
    return (
        f"Cut at {values.settings}. {values.why} If it does not cut through, use more force; if it "
        "cuts into the backing, less. If it tears, halve the speed and take a fresh blade."
    )


@dataclass(frozen=True, slots=True)
class CutValues:
    """Which of how many sheets, how often; its patches, where the mask is divided; why it faces as it does."""

    sheet: int
    sheets: int
    runs: int
    patches: tuple[str, ...]
    by_hand: bool
    why: str


def _cut_title(values: CutValues, _: str) -> str:
    often = f", {values.runs} times" if values.runs > 1 else ""
    patches = f": patch {', '.join(values.patches)}" if values.patches else ""
    return f"Cut sheet {values.sheet} of {values.sheets}{often}{patches}"


def _cut_how(values: CutValues, _: Said) -> str:
    if not values.by_hand:
        return values.why
    return (
        "Cut the smallest inside pieces first and begin each on a straight run. Turn the mat, not your hand, and "
        "do not go back to mend a wobble. Hold down the part that stays; keepers go into a dish with their numbers."
    )


PRINT = TaskKind("sheets-print", PrintValues, "Print it twice, at true size", _print_how)
CHECK = TaskKind("sheets-check", CheckValues, "Check the material and which side is up", _check_how)
TEST_CUT = TaskKind(
    "sheets-test-cut",
    TestCutValues,
    "Test cut",
    _test_how,
    CUTTER,
    ("knife",),
    frozenset({Trait.TRIES_THE_CUT}),
)
CUT = TaskKind("sheets-cut", CutValues, _cut_title, _cut_how, CUTTER, traits=frozenset({Trait.CUTS}))


def cut(plan: Plan, hand: HandTimes, chain: Chain) -> None:
    """Add the cutting of all sheets: after a look at the material; a test cut, or a print where a hand cuts."""
    chain.add(_check(plan, hand))
    if plan.is_by_hand:
        values = PrintValues(plan.choices.material.kind in ("paper", "card"), plan.facing.mirrored)
        chain.add(task_of(PRINT, values, effort=effort(hand, print_twice=1)))
    else:
        fingerprint = {"material": plan.job.mask.material, "settings": str(plan.settings)}
        test = TestCutValues(str(plan.settings), plan.settings_why)
        chain.add(task_of(TEST_CUT, test, effort=effort(hand, test_cut=1), fingerprint=fingerprint))
    shares = _shares(plan)
    for planned in plan.sheets:
        chain.add(_sheet(plan, hand, planned, shares))


def _check(plan: Plan, hand: HandTimes) -> Task:
    """Return what is looked at before anything is cut: size, side, mirrored or not."""
    pieces = tuple(sorted({(trim.across, trim.along) for trim in plan.trims.trims}, reverse=True))
    values = CheckValues(pieces, plan.choices.material.facing, plan.facing.mirrored)
    stands_on = check_fingerprint(plan, pieces)
    return task_of(CHECK, values, effort=effort(hand, check_sheets=1), fingerprint=stands_on)


def _sheet(plan: Plan, hand: HandTimes, planned: SheetPlan, shares: Mapping[int, float]) -> Task:
    runs = planned.sheet.runs
    patches = tuple(one.id for one in planned.sheet.patches) if len(plan.layout.patches) > 1 else ()
    return task_of(
        CUT,
        CutValues(planned.number, len(plan.sheets), runs, patches, plan.is_by_hand, plan.facing.why),
        sheet=planned.number,
        effort=effort(hand, runs * planned.time.seconds, sheet=runs),
        resource=HANDS if plan.is_by_hand else CUTTER,
        needs=(_material(plan, planned, shares),),
        cautions=("knife",) if plan.is_by_hand else (),
        fingerprint=cut_fingerprint(plan, planned),
    )


def _material(plan: Plan, planned: SheetPlan, shares: Mapping[int, float]) -> Need:
    """Return the share of the material of one sheet, all its runs."""
    stock, material, runs = plan.stock, plan.choices.material, planned.sheet.runs
    trim = next((one for one in plan.trims.trims if one.sheet == planned.number), None)
    amount = shares.get(planned.number, 0.0)
    return Need(
        "roll" if stock.is_roll else "sheets",
        material.key,
        material.name,
        amount,
        width=stock.width,
        length=None if stock.is_roll else stock.length,
        colour=stock.colour,
        item=stock.number,
        step=amount / runs if stock.is_roll else 1.0,
        piece=(trim.across, trim.along) if trim and plan.job.sheets.offcuts else None,
        pieces=runs,
        at_hand=planned.sheet.height * runs,
    )


def _shares(plan: Plan) -> Mapping[int, float]:
    """Return by sheet what of the material it takes: mm of the roll, by area; or how many whole sheets of a pile.

    The shares of all add up to what the trim list takes, in whichever order they are cut.
    """
    trims = plan.trims
    areas = {trim.sheet: trim.across * trim.along * trim.runs for trim in trims.trims}
    whole = sum(areas.values())
    if plan.stock.is_roll:
        return {sheet: trims.length * area / whole for sheet, area in areas.items()}
    found, before, given = {}, 0.0, 0
    for sheet, area in sorted(areas.items()):
        before += area
        upto = math.ceil(trims.pieces * before / whole - _EPS)
        found[sheet], given = float(upto - given), upto
    return found
