"""How does the record stand? What really happened."""

from collections.abc import Iterator

from dunestead.core.plan.plan import Plan
from dunestead.core.stations.station import NAMES, Outcome, Row
from dunestead.core.work.kinds import Trait
from dunestead.core.work.progress import Progress

__all__ = ["brief", "outcome"]


def _happened(plan: Plan, progress: Progress) -> Iterator[Row]:
    """Yield what the log tells by itself: coats, heat, rests pressed again, keepers lost, washes."""
    tasks = progress.graph.tasks
    coats = [task for task in tasks if task.has(Trait.FIRST_STROKE)]
    done = sum(progress.is_done(task) for task in coats)
    if done:
        yield Row("Coats put on", "count", done, f"Of {len(coats)}.")
        weather = plan.job.paint.weather
        yield Row("Painted at", "temperature", weather.temperature, f"At {weather.humidity:g} % humidity.")
    if any(task.has(Trait.CUTS) and progress.is_done(task) for task in tasks) and not plan.is_by_hand:
        yield Row("Cut with", "text", str(plan.settings))
    for trait, name in ((Trait.PRESSES, "Pressed at"), (Trait.PRESSES_AGAIN, "Pressed again at")):
        if used := progress.pressed_at(trait):
            yield Row(name, "temperature", used.celsius or 0.0, f"{used.took:g} s a rest.")
    if lifted := sum(len(progress.lifted(task.id)) for task in tasks if task.has(Trait.PRESSES)):
        yield Row("Rests where the mask lifted", "count", lifted, "Pressed again.")
    counted = [task for task in tasks if task.call and task.call.of == "keepers" and progress.is_done(task)]
    if counted:
        lost = sum(progress.missing(task) for task in counted)
        yield Row("Keepers that did not turn up", "count", lost, "At the counts that are closed.")
    if washed := sum(task.has(Trait.WASHES_MASK) and progress.is_done(task) for task in tasks):
        yield Row("Masks washed", "count", washed)
    if early := sum(one.kind == "done" and bool(one.reason) for one in progress.log):
        yield Row("Ticked before its time", "count", early, "Each with your reason.")


def _paint_name(plan: Plan, paint: str) -> str:
    return next((coat.paint.name for coat in plan.coatings if coat.paint.key == paint), "Another paint")


def brief(plan: Plan) -> str:
    """Return its grade."""
    grade = plan.job.record.grade
    return "no rating" if grade is None else f"{grade} of 5"


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
