"""How do the sheets stand? Divided, laid, turned, and checked by a simulated cut."""

from collections.abc import Iterator

from dunestead.core.plan.plan import Plan
from dunestead.core.sheets.layout import Layout
from dunestead.core.stations.station import Outcome, Row
from dunestead.core.units import several

__all__ = ["brief", "fewest_in_words", "outcome"]


_NOT_THIS = "The mask in store is of another design, size or material, or is gone: cut a new one, or undo the change."
_PRINTED_SIDE = (
    "By hand the pattern is printed on the paper's dull side, which then lies up: choose the paper coated side down, "
    "or a cutter."
)


def brief(plan: Plan) -> str:
    """Return how many sheets are cut."""
    if plan.job.sheets.kept_masks:
        return "masks in stock"
    return several(plan.layout.count, "sheet")


def outcome(plan: Plan) -> Outcome:
    """Return the station's state, verdict and figures."""
    layout, facing, trims = plan.layout, plan.facing, plan.trims
    count = layout.count
    if plan.job.sheets.kept_masks:
        return _kept(plan)
    rows = [
        Row("Sheets", "count", count, fewest_in_words(layout)),
        Row("Patches", "count", len(layout.patches), _patches_in_words(layout)),
        *_masks(plan),
        Row("Facing", "text", "Mirrored" if facing.mirrored else "Not mirrored", facing.why),
        Row("Border", "length", plan.look.masks[0].mask.border, _border_in_words(plan)),
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
    if (
        plan.is_by_hand
        and plan.choices.material.kind == "paper"
        and plan.facing.mirrored != plan.job.blank.is_seen_through
    ):
        return "stop", _PRINTED_SIDE, rows
    faults = [fault for planned in plan.sheets for fault in planned.verdict.faults]
    if faults:
        return "stop", f"The simulated cut does not match the plan: {faults[0]}", rows
    if cut := layout.cut_keepers:
        numbers = ", ".join(str(number) for number in cut)
        return "warn", f"A seam runs through keeper {numbers}: bridge it or shift the design.", rows
    facing_word = "cut mirrored" if facing.mirrored else "not mirrored"
    if trims.too_wide:
        numbers = ", ".join(str(number) for number in trims.too_wide)
        return "warn", f"Sheet {numbers} is larger than {plan.stock.name.lower()}.", rows
    if plan.choices.cutter.feeds == "roll" and not plan.choices.material.is_backed:
        return "warn", "This cutter has no mat, so it only takes material on a backing.", rows
    if layout.divisions and any(division.cut_shapes for division in layout.divisions):
        shapes = sum(division.cut_shapes for division in layout.divisions)
        through = "a letter or shape" if shapes == 1 else f"{shapes} letters or shapes"
        return "warn", f"{several(count, 'sheet')}. A seam cuts through {through}.", rows
    return "ready", f"{several(count, 'sheet')}, {facing_word}, checked by a simulated cut.", rows


def _border_in_words(plan: Plan) -> str:
    around = "Mask beyond the artwork on every side."
    if plan.job.mask.border is None and plan.look.masks[0].mask.border < plan.choices.material.border:
        return f"{around} Narrower than usual, so that the mask is cut in one piece."
    return around


def _masks(plan: Plan) -> Iterator[Row]:
    """Yield how many masks there are where one goes round the copies."""
    sets = plan.layout.sets
    if sets < plan.copies and plan.choices.material.uses > 1:
        yield Row(
            "Masks of each design",
            "count",
            sets,
            f"For {plan.copies} copies. One more halves the waiting: one is washed or dries while the other is used.",
        )


def _kept(plan: Plan) -> Outcome:
    kept = several(len(plan.job.sheets.kept_masks), "mask")
    rows = [Row("Used again", "text", f"{kept} in store", "Nothing is cut and nothing is weeded.")]
    if plan.is_cut:
        wrong = (
            "The mask in store is of another design, size or material, or is gone: cut a new one, or undo the change."
        )
        return "stop", wrong, rows
    return "ready", f"{kept} in store {'is' if kept.startswith('1 ') else 'are'} used again: nothing is cut.", rows


def _minimum(count: int) -> str:
    if count == 1:
        return "1 sheet is the minimum."
    return f"{count} sheets is the minimum; {count - 1} {'is' if count == 2 else 'are'} not enough."


def fewest_in_words(layout: Layout) -> str:
    """Return how few sheets there could be, and what proves it."""
    count = layout.count
    if layout.is_fewest:
        return _minimum(count)
    if layout.is_fewest_for_these:
        return f"{several(count, 'sheet')} is the fewest we found. (By area, {layout.fewest_possible} would do.)"
    least = max(layout.fewest_for_these, layout.fewest_possible)
    return f"At least {several(least, 'sheet')} needed; {count - 1} might be enough, but we found no way."


def _patches_in_words(layout: Layout) -> str:
    turned = sum(one.turned for sheet in layout.sheets for one in sheet.patches)
    sets = f"{layout.sets} sets of masks. " if layout.sets > 1 else ""
    seams = several(len(layout.seams), "seam")
    return f"{sets}{seams}, {turned} turned."
