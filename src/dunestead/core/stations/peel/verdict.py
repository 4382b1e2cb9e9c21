"""How does the peel stand? When the mask comes off, and whether every piece came with it."""

from datetime import datetime

from dunestead.core.curing.peel import PeelWindow
from dunestead.core.plan.plan import Plan
from dunestead.core.stations.station import Outcome, Row
from dunestead.core.units import several, show_time
from dunestead.core.words.peeling import UNFIT, first_in_words
from dunestead.core.work.kinds import Trait
from dunestead.core.work.progress import Progress

__all__ = ["brief", "outcome"]


def brief(plan: Plan) -> str:
    """Return when the last mask comes off."""
    return _WHEN[plan.masks[-1].peel.when]


def outcome(plan: Plan, progress: Progress, now: datetime) -> Outcome:
    """Return the station's state, verdict and figures."""
    window = plan.masks[-1].peel
    keepers = len(plan.keepers) * plan.copies
    lifted = sum(progress.met(task) for task in progress.graph.with_trait(Trait.LIFTS_KEEPERS))
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
    clocks = [clock for clock in progress.clocks() if clock.task.has(Trait.OPENS_THE_PEEL)]
    if clocks:
        clock = clocks[0]
        if clock.opens:
            rows.append(Row("Peel from", "moment", clock.opens.isoformat()))
        if clock.closes:
            rows.append(Row("Peel before", "moment", clock.closes.isoformat()))
            if now > clock.closes:
                return "warn", "Late: peel now, and warm it if it drags.", rows
        if clock.opens is None:
            unfit = clock.fits_until is not None and now > clock.fits_until
            return ("warn", UNFIT, rows) if unfit else ("ready", f"{first_in_words(clock, now)}.", rows)
        if now >= clock.opens:
            return "stop", "Peel now.", rows
        return "warn", f"Not yet: peel in {show_time((clock.opens - now).total_seconds() / 60)}.", rows
    return (
        "ready",
        f"Peel {_WHEN[window.when]}: {_from_to(window)} after the last coat.",
        rows,
    )


def _from_to(window: PeelWindow) -> str:
    opens = f"{show_time(window.opens)} to " if window.opens else "within "
    return f"{opens}{show_time(window.closes)}"


def _left_in(progress: Progress) -> int:
    """Return how many keepers were not lifted although everything else of their mask is off."""
    tasks = list(progress.graph.of("peel"))
    off = {(task.mask, task.copy) for task in tasks if task.has(Trait.TAKES_MASK_OFF) and progress.is_done(task)}
    closed = [
        task
        for task in tasks
        if task.has(Trait.LIFTS_KEEPERS) and (progress.is_done(task) or (task.mask, task.copy) in off)
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
