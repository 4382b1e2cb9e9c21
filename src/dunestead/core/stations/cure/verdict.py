"""How does the cure stand? When each copy may be handled, used and washed."""

from datetime import datetime, timedelta

from dunestead.core.plan.plan import Plan
from dunestead.core.stations.station import Outcome, Row
from dunestead.core.units import show_temperature, show_time
from dunestead.core.work.coating import coat_id
from dunestead.core.work.kinds import Trait
from dunestead.core.work.progress import Progress

__all__ = ["brief", "outcome"]


def brief(plan: Plan) -> str:
    """Return how long after the last coat it may be used."""
    return f"{show_time(max(coat.drying.use for coat in plan.coatings))} to use"


def outcome(plan: Plan, progress: Progress, now: datetime, unit: str = "mm") -> Outcome:
    """Return the station's state, verdict and figures."""
    last = plan.coatings[-1]
    rows = list(_rows(plan, unit))
    weather = plan.job.paint.weather
    room = f"{show_temperature(weather.temperature, unit)}, {weather.humidity:g} %"
    rows.append(Row("Room", "text", room, "Cold or damp? Allow more time."))
    if any(coat.paint.usual_finish for coat in plan.coatings) and not _has_finish(plan):
        name = next(coat.paint.name for coat in plan.coatings if coat.paint.usual_finish)
        return "warn", f"{name} is not to be used before it is sealed: add a finish.", rows
    if dry := _touch_dry(plan, progress):
        rows.insert(0, Row("Dry to the touch from", "moment", dry.isoformat()))
    ready = _all_from(progress, Trait.IN_USE)
    if ready is None:
        after = f"after the last coat of {last.paint.name.lower()}" if len(plan.coatings) > 1 else "after the last coat"
        return "ready", f"In use {show_time(max(coat.drying.use for coat in plan.coatings))} {after}.", rows
    rows.insert(0, Row("All in use from", "moment", ready.isoformat()))
    if now < ready:
        return "warn", f"Not in use for another {_left(ready, now)}.", rows
    wash = _all_from(progress, Trait.MAY_BE_WASHED)
    if wash:
        rows.insert(1, Row("All washed from", "moment", wash.isoformat()))
        if now < wash:
            return "ready", f"In use; not washed for another {_left(wash, now)}.", rows
    return "ready", "Cured.", rows


def _all_from(progress: Progress, trait: Trait) -> datetime | None:
    """Return from when all copies may do something, None while a coat of one of them is not on yet."""
    each = [progress.timed_from(task) for task in progress.graph.with_trait(trait)]
    known = [at for at in each if at]
    return max(known, default=None) if len(known) == len(each) else None


def _touch_dry(plan: Plan, progress: Progress) -> datetime | None:
    """Return from when the last coat that is on is dry to the touch on every copy, None while none is on."""
    found = []
    for coat in plan.coatings:
        for copy in range(1, plan.copies + 1):
            task = progress.graph.by_id.get(coat_id(coat, copy, coat.coats))
            entry = progress.done(task) if task else None
            if entry:
                found.append(entry.at + timedelta(minutes=coat.drying.touch))
    return max(found, default=None)


def _has_finish(plan: Plan) -> bool:
    return any(coat.role in ("seal", "finish") for coat in plan.coatings)


def _left(until: datetime, now: datetime) -> str:
    return show_time(max((until - now).total_seconds() / 60, 1))


def _rows(plan: Plan, unit: str) -> list[Row]:
    last = plan.coatings[-1]
    of = f" the last coat of {last.paint.name.lower()}"
    rows = [
        Row("Dry to the touch after", "minutes", last.drying.touch, f"After{of}."),
        Row("May be handled after", "minutes", last.drying.handle),
        Row("May be used after", "minutes", max(coat.drying.use for coat in plan.coatings)),
    ]
    if washes := [coat.drying.wash for coat in plan.coatings if coat.drying.wash is not None]:
        rows.append(Row("May be washed after", "minutes", max(washes)))
    paints = {coat.paint.name: coat.paint for coat in plan.coatings}
    rows += [
        Row(
            f"Heat-set {name.lower()}",
            "text",
            f"{show_temperature(heat.celsius, unit)} for {heat.minutes:g} min",
            heat.how,
        )
        for name, paint in paints.items()
        if (heat := paint.heat_set)
    ]
    rows += [
        Row(
            f"{coat.number}. {coat.paint.name}",
            "volume",
            coat.batch.total_ml,
            f"{coat.coats} coats, {show_time(coat.drying.next_coat)} apart.",
        )
        for coat in plan.coatings
        if coat.where == "over"
    ]
    return rows
