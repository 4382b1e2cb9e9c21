"""What does each step of a job take out of the stores, and what comes back?"""

import math
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, replace

from dunestead.core.plan.plan import Plan
from dunestead.core.stores.items import UNITS, Kind, Unit
from dunestead.core.work.progress import Progress
from dunestead.core.work.tasks import Count, Task

__all__ = ["TAKEN_AT", "Want", "returned_by", "wanted_by", "wants_left"]

_EPS = 1e-9


@dataclass(frozen=True, slots=True)
class Want:
    """So much of something.

    Attributes
    ----------
    kind, key
        As of an `Item`.
    name
        In words.
    amount
        In the unit of its kind.
    width, length
        mm: across the roll it is planned for; of a sheet of material; of the blank as its label says.
    colour
        Of paint.
    item
        Number of the very thing, where the maker chose it.
    step
        It is taken in whole steps of this; 0 where any amount may come from each of several.
    piece
        mm of the piece to be cut out, where an offcut would do; None where none may serve.
    returns
        Whether it comes back for the next copy.
    """

    kind: Kind
    key: str
    name: str
    amount: float
    width: float | None = None
    length: float | None = None
    colour: str | None = None
    item: int | None = None
    step: float = 0.0
    piece: tuple[float, float] | None = None
    returns: bool = False

    @property
    def unit(self) -> Unit:
        """What its amount is told in."""
        return UNITS[self.kind]


def wanted_by(plan: Plan, task: Task) -> list[Want]:
    """Return what a step takes."""
    found = _BY_CODE.get(task.code)
    return list(found(plan, task)) if found else []


def returned_by(plan: Plan, task: Task, progress: Progress) -> list[Want]:
    """Return what a step gives back: pins of a mask that does not take them to the bin, as many as were counted."""
    if task.code != "peel-pins" or not plan.pins_return or task.call is None:
        return []
    values = [_found(progress, task, count) for count in task.call.counts]
    return [replace(_pins(value, plan), returns=True) for value in values if value]


def wants_left(plan: Plan, progress: Progress) -> list[Want]:
    """Return what a job will still take, what is taken in the same way in one sum.

    What comes back for the next copy is wanted once only, and not while it is still out.
    """
    sums: dict[Want, float] = {}
    most: dict[Want, float] = {}
    for task in progress.graph.tasks:
        if progress.is_done(task) or task.needs_marks is not None:
            continue
        for want in wanted_by(plan, task):
            same = replace(want, amount=0.0)
            if want.returns:
                most[same] = max(most.get(same, 0.0), want.amount)
            else:
                sums[same] = sums.get(same, 0.0) + want.amount
    out = _out(plan, progress)
    most = {want: amount - out for want, amount in most.items() if amount > out}
    return [replace(want, amount=amount) for want, amount in (*sums.items(), *most.items()) if amount > 0]


def _out(plan: Plan, progress: Progress) -> float:
    """Return how many pins are in masks that still lie on their blanks."""
    if not plan.pins_return:
        return 0.0
    done = [task for task in progress.graph.tasks if progress.is_done(task)]
    taken = sum(want.amount for task in done for want in wanted_by(plan, task) if want.returns)
    back = sum(want.amount for task in done for want in returned_by(plan, task, progress))
    return max(taken - back, 0.0)


def _found(progress: Progress, task: Task, count: Count) -> float:
    value = progress.counted(task, count)
    return float(value if value is not None else progress.expected(count) or 0)


# At which station a maker looks for it.
TAKEN_AT: Mapping[Kind, str] = {
    "blank": "blank",
    "roll": "sheets",
    "sheets": "sheets",
    "mask": "sheets",
    "carrier": "weed",
    "pins": "tack",
    "tape": "tack",
    "paint": "paint",
}


# --- step by step -----------------------------------------------------------------------------
def _blank(plan: Plan, _task: Task) -> Iterator[Want]:
    piece, surface = plan.job.piece, plan.choices.surface
    yield Want("blank", surface.key, surface.name, 1.0, piece.width, piece.height, step=1.0)


def _material(plan: Plan, task: Task) -> Iterator[Want]:
    """Yield the share of the material of one sheet, all its runs."""
    trims, stock, sheets, material = plan.trims, plan.stock, plan.job.sheets, plan.choices.material
    shares = _shares(plan)
    trim = next((one for one in trims.trims if one.sheet == task.sheet), None)
    if trim is None or task.sheet is None:
        return
    piece = (trim.across, trim.along) if sheets.offcuts and trim.runs == 1 else None
    amount = shares[task.sheet]
    if stock.is_roll:
        step = amount / trim.runs
        yield Want(
            "roll", material.key, material.name, amount, stock.width, None, stock.colour, stock.number, step, piece
        )
    elif amount:
        size = (stock.width, stock.length)
        yield Want("sheets", material.key, material.name, amount, *size, stock.colour, stock.number, 1.0, piece)


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


def _coat(plan: Plan, task: Task) -> Iterator[Want]:
    coat = next((one for one in plan.coatings if one.number == task.coating), None)
    if coat:
        # What stays in the brush is gone from the bottle too.
        ml = coat.amount.pour_ml / (coat.coats * plan.copies)
        yield Want("paint", coat.paint.key, coat.paint.name, ml, colour=coat.colour or None)


def _pins(count: float, plan: Plan) -> Want:
    return Want("pins", "", "Pins", count, step=1.0, returns=plan.pins_return)


def _set_pins(plan: Plan, task: Task) -> Iterator[Want]:
    mask = next(one for one in plan.masks if one.number == task.mask)
    if mask.pinning.pins:
        yield _pins(float(len(mask.pinning.pins)), plan)


def _tape(plan: Plan, task: Task) -> Iterator[Want]:
    mask = next(one for one in plan.masks if one.number == task.mask)
    yield Want("tape", "", "Tape for covers", mask.cover.tape)


def _carrier(plan: Plan, _task: Task) -> Iterator[Want]:
    if plan.method.carrier:
        name = "Heat-proof tape" if plan.method.carrier == "heat-proof" else "Transfer tape"
        yield Want("carrier", plan.method.carrier, name, 1.0, step=1.0)


def _kept_mask(plan: Plan, task: Task) -> Iterator[Want]:
    kept = plan.kept_mask(task.mask)
    if kept is not None:
        yield Want("mask", plan.choices.material.key, "The kept mask", 1.0, item=kept, step=1.0)


_BY_CODE: Mapping[str, Callable[[Plan, Task], Iterator[Want]]] = {
    "blank-prepared": _blank,
    "blank-base-coat": _coat,
    "sheets-cut": _material,
    "weed-tape-over": _carrier,
    "weed-tape-groups": _carrier,
    "tack-pins": _set_pins,
    "tack-cover": _tape,
    "paint-coat": _coat,
    "peel-sheet": _kept_mask,
    "cure-finish": _coat,
}
