"""Peel: when the mask comes off, in which order, and whether every piece came with it."""

from collections.abc import Mapping
from datetime import datetime
from typing import Any

from dunestead.core.effort import effort
from dunestead.core.figures import HandTimes
from dunestead.core.painting.layers import wet_run
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.stations.station import Outcome, Row
from dunestead.core.units import several
from dunestead.core.work.coating import coat_id
from dunestead.core.work.progress import Progress
from dunestead.core.work.standing import mask_standing, place_standing
from dunestead.core.work.tasks import Call, Count, Lane, Need, Task, Wait, task_id

__all__ = ["outcome", "peel", "touch_up", "wash"]


def peel(plan: Plan, hand: HandTimes, lane: Lane, mask: MaskPlan, copy: int) -> None:
    """Add the peel of one mask off one copy, in the order that its paint and material ask for."""
    waits = _waits(mask, copy, covered=plan.job.paint.covered)
    for task in _in_order(plan, hand, mask, copy):
        # The first thing to come off opens the window; the sheet must be off before it closes.
        added = waits if task.code in ("peel-count", "peel-sheet", "peel-rewarm") else []
        lane.add(task, *added)


def _waits(mask: MaskPlan, copy: int, *, covered: bool) -> list[Wait]:
    run = wet_run(mask.coats, covered=covered)
    last, first = mask.coats[-1], mask.coats[run.first]
    window = mask.peel
    waits = [Wait(coat_id(last, copy, last.coats), window.opens, window.closes)]
    if window.since_first is not None:
        waits.append(Wait(coat_id(first, copy, 1), 0.0, window.since_first, "start"))
    return waits


def _in_order(plan: Plan, hand: HandTimes, mask: MaskPlan, copy: int) -> list[Task]:
    about: dict[str, Any] = {"mask": mask.number, "copy": copy}
    window, keepers, pins = mask.peel, mask.cut.keepers, len(mask.pinning.pins)
    figures = {"mask": mask.laid.name, "window": window}
    standing = place_standing(plan, mask)
    count = Task(
        "peel-count",
        "peel",
        **about,
        effort=effort(hand, peel_keeper=len(keepers)),
        call=Call(tuple(keeper.number for keeper in keepers)),
        figures={**figures, "keepers": len(keepers)},
        standing=standing,
    )
    bag = (Need("a bag or a spare sheet for the wet mask"),) if window.keepers_first else ()
    sheet = Task(
        "peel-sheet", "peel", **about, effort=effort(hand, peel_start=1), figures=figures, needs=bag, standing=standing
    )
    back = Task(
        "peel-pins",
        "peel",
        **about,
        effort=effort(hand, count_pins=1),
        call=Call(counts=(Count("pins", pins, (task_id("tack-pins", **about), "pins")),)),
        figures={"count": pins, "with_sheet": not plan.pins_return},
        cautions=("pins",),
        standing=standing,
    )
    off = [] if mask.laid.is_reverse else [sheet]
    lifted = [count, *off] if window.keepers_first else [*off, count]
    if "peel-rewarm" in plan.method.lift and mask.pressings:
        lifted.insert(0, _rewarm(hand, mask, about, standing))
    if not keepers:
        lifted = [task for task in lifted if task is not count]
    if pins:
        # Film gives its pins back first; paper takes them along, and they are counted at the bin.
        lifted = [*lifted, back] if back.figures["with_sheet"] else [back, *lifted]
    if "peel-lint" in plan.method.lift:
        lifted.append(Task("peel-lint", "peel", **about, effort=effort(hand, lint=1), standing=standing))
    return lifted


def _rewarm(hand: HandTimes, mask: MaskPlan, about: dict[str, Any], standing: Mapping[str, str]) -> Task:
    pressing = mask.pressings[-1]
    return Task(
        "peel-rewarm",
        "peel",
        **about,
        effort=effort(hand, rewarm=len(pressing.placements)),
        occupies="plate",
        figures={"pressing": pressing, "placements": len(pressing.placements), "window": mask.peel},
        cautions=("iron",),
        standing=standing,
    )


def wash(plan: Plan, hand: HandTimes, lane: Lane, mask: MaskPlan, copy: int, prints: int) -> None:
    """Add the washing of a mask that goes on to the next copy."""
    figures = {"mask": mask.laid.name, "prints": prints}
    lane.add(
        Task(
            "mask-wash",
            "mask",
            mask=mask.number,
            copy=copy,
            effort=effort(hand, wash=1),
            figures=figures,
            standing=mask_standing(plan, mask),
        )
    )


def touch_up(plan: Plan, hand: HandTimes, lane: Lane, copy: int) -> None:
    """Add the touching up of one copy."""
    gaps = len(plan.bridges)
    call = Call(tuple(range(1, gaps + 1)), "touch-ups") if gaps else None
    lane.add(
        Task(
            "peel-touched-up",
            "peel",
            copy=copy,
            effort=effort(hand, touch_up=1, touch_up_bridge=gaps),
            figures={"gaps": gaps, "area": plan.bridged_area},
            call=call,
        )
    )


def outcome(plan: Plan, progress: Progress, now: datetime) -> Outcome:
    """Return the station's state, verdict and figures."""
    window = plan.masks[-1].peel
    keepers = len(plan.keepers) * plan.copies
    counts = [task for task in progress.graph.of("peel") if task.code == "peel-count"]
    lifted = sum(progress.met(task) for task in counts)
    rows = [
        Row("Opens after the last coat", "minutes", window.opens, window.why),
        Row("Closes after the last coat", "minutes", window.closes, "A rule of thumb; the label goes first."),
        Row("Order", "text", "Keepers first" if window.keepers_first else "Sheet first"),
        Row("Keepers lifted", "count", lifted, f"Of {keepers}."),
    ]
    if window.since_first is not None:
        why = "From the first stroke of the first coat: then it begins to skin over."
        rows.insert(2, Row("Off at the latest", "minutes", window.since_first, why))
    if left := _left_in(progress):
        return "stop", f"{several(left, 'keeper')} still in the print.", rows
    clocks = [clock for clock in progress.clocks() if clock.task.code in ("peel-sheet", "peel-count", "peel-rewarm")]
    if clocks:
        clock = clocks[0]
        rows.append(Row("Window opens", "moment", clock.opens.isoformat()))
        if clock.closes:
            rows.append(Row("Window closes", "moment", clock.closes.isoformat()))
            if now > clock.closes:
                return "warn", "The peel window has passed: peel now, warm it if it drags.", rows
        if now >= clock.opens:
            return "stop", "Peel now: the window is open.", rows
        return "warn", f"The window opens in {(clock.opens - now).total_seconds() / 60:.0f} min.", rows
    return (
        "ready",
        f"Peel {_WHEN[window.when]}: {window.opens:.0f} to {window.closes:.0f} min after the last coat.",
        rows,
    )


def _left_in(progress: Progress) -> int:
    """Return how many keepers were not lifted although everything else of their mask is off."""
    tasks = list(progress.graph.of("peel"))
    sheets = {(task.mask, task.copy) for task in tasks if task.code == "peel-sheet" and progress.is_done(task)}
    closed = [
        task
        for task in tasks
        if task.code == "peel-count" and (progress.is_done(task) or (task.mask, task.copy) in sheets)
    ]
    return sum(progress.missing(task) for task in closed)


_WHEN = {
    "wet": "while wet",
    "set": "when set",
    "touch-dry": "when touch-dry",
    "at-once": "at once",
    "dry": "when dry",
    "five-minutes": "within five minutes",
}
