"""How does the weeding stand? What goes, what stays, and what was counted."""

from dunestead.core.plan.plan import Plan
from dunestead.core.stations.station import Outcome, Row
from dunestead.core.units import several
from dunestead.core.words.weeding import WHERE
from dunestead.core.work.progress import Progress

__all__ = ["brief", "outcome"]


def brief(plan: Plan) -> str:
    """Return how many windows there are to weed."""
    return several(sum(mask.cut.window_count for mask in plan.masks), "window") if plan.is_cut else "nothing"


def outcome(plan: Plan, progress: Progress) -> Outcome:
    """Return the station's state, verdict and figures."""
    if not plan.is_cut:
        return "ready", "Masks in store are used again: nothing is weeded.", []
    windows = sum(mask.cut.window_count for mask in plan.masks)
    keepers = len(plan.keepers)
    sets = plan.layout.sets
    counts = [task for task in progress.graph.of("weed") if task.call]
    met = sum(progress.met(task) for task in counts)
    rows = [
        Row("Windows to take out", "count", windows, "In one set of masks." if sets > 1 else ""),
        Row("Loose pieces kept", "count", keepers, WHERE[plan.method.keepers]),
        Row("Pieces counted", "count", met, f"Of {keepers * sets}."),
    ]
    if sets > 1:
        rows.insert(0, Row("Sets of masks", "count", sets))
    if missing := sum(progress.missing(task) for task in counts if progress.is_done(task)):
        return "stop", f"{several(missing, 'keeper')} did not turn up when the pieces were counted.", rows
    kept = f", {several(keepers, 'piece')} to keep {_SHORT[plan.method.keepers]}" if keepers else ""
    each = f" In each of {sets} sets." if sets > 1 else ""
    return "ready", f"{several(windows, 'window')} to weed{kept}.{each}", rows


_SHORT = {
    "mat": "on the cutting mat",
    "tape": "on the tape",
    "carrier": "on the carrier",
    "dish": "in the dish",
    "none": "",
}
