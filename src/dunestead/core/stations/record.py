"""Record: what really happened."""

from collections.abc import Iterator

from dunestead.core.effort import effort
from dunestead.core.figures import HandTimes
from dunestead.core.plan.plan import Plan
from dunestead.core.stations.station import NAMES, Outcome, Row
from dunestead.core.work.progress import Progress
from dunestead.core.work.tasks import Lane, Task

__all__ = ["outcome", "write_down"]


def write_down(hand: HandTimes, lane: Lane) -> None:
    """Add the writing down of what happened."""
    lane.add(Task("record-written", "record", effort=effort(hand, write_down=1)))


def _happened(plan: Plan, progress: Progress) -> Iterator[Row]:
    """Yield what the log tells by itself: coats, heat, rests pressed again, keepers lost, washes."""
    tasks = progress.graph.tasks
    coats = [task for task in tasks if task.coat is not None]
    done = sum(progress.is_done(task) for task in coats)
    if done:
        yield Row("Coats put on", "count", done, f"Of {len(coats)}.")
        weather = plan.job.paint.weather
        yield Row("Painted at", "temperature", weather.temperature, f"At {weather.humidity:g} % humidity.")
    if any(task.code == "sheets-cut" and progress.is_done(task) for task in tasks) and not plan.is_by_hand:
        yield Row("Cut with", "text", str(plan.settings))
    for code, name in (("tack-press", "Pressed at"), ("tack-press-again", "Pressed again at")):
        if used := [one for one in progress.log if one.kind == "used" and one.task.partition("/")[0] == code][-1:]:
            yield Row(name, "temperature", used[0].celsius or 0.0, f"{used[0].took:g} s a rest.")
    if lifted := sum(len(progress.lifted(task.id)) for task in tasks if task.code == "tack-press"):
        yield Row("Rests where the mask lifted", "count", lifted, "Pressed again.")
    counted = [task for task in tasks if task.call and task.call.of == "keepers" and progress.is_done(task)]
    if counted:
        lost = sum(progress.missing(task) for task in counted)
        yield Row("Keepers that did not turn up", "count", lost, "At the counts that are closed.")
    if washed := sum(task.code == "mask-wash" and progress.is_done(task) for task in tasks):
        yield Row("Masks washed", "count", washed)
    if early := sum(one.kind == "done" and bool(one.reason) for one in progress.log):
        yield Row("Ticked before its time", "count", early, "Each with your reason.")


def _paint_name(plan: Plan, paint: str) -> str:
    return next((coat.paint.name for coat in plan.coatings if coat.paint.key == paint), "Another paint")


def outcome(plan: Plan, progress: Progress) -> Outcome:
    """Return the station's state, verdict and figures."""
    record = plan.job.record
    rows = [
        *_happened(plan, progress),
        *(Row(f"{NAMES.get(station, station)} took", "minutes", value) for station, value in record.minutes.items()),
        *(Row(f"{_paint_name(plan, paint)} used", "volume", used) for paint, used in record.used_ml.items()),
    ]
    if record.grade is None:
        return "ready", "Nothing recorded yet.", rows
    return "ready", f"Graded {record.grade} of 5.", rows
