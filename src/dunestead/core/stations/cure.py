"""Cure: finishes, heat, and when each copy may be handled, used and washed."""

from collections.abc import Callable
from datetime import datetime, timedelta

from dunestead.core.curing.drying import drying_factor
from dunestead.core.curing.heat_setting import rests_for
from dunestead.core.effort import effort
from dunestead.core.figures import Catalogue
from dunestead.core.plan.coats import PlannedCoating
from dunestead.core.plan.plan import Plan
from dunestead.core.stations.station import Outcome, Row
from dunestead.core.units import show_time
from dunestead.core.work.coating import coat_code, coat_id, coat_task
from dunestead.core.work.fitting import fitting_task
from dunestead.core.work.progress import Progress
from dunestead.core.work.tasks import Lane, Task, Wait

__all__ = ["cure", "outcome"]


def cure(plan: Plan, catalogue: Catalogue, lane: Lane, copy: int) -> None:
    """Add all that one copy still goes through after its masks are off."""
    dry = [coat for coat in plan.coatings if coat_code(coat) != "cure-finish"]
    over = [coat for coat in plan.coatings if coat_code(coat) == "cure-finish"]
    dried = [_after(coat, copy, coat.drying.handle) for coat in dry]
    lane.add(Task("cure-dry", "cure", copy=copy, occupies="rack", figures={"minutes": dry[-1].drying.handle}), *dried)
    _heat_set(plan, catalogue, lane, copy)
    before: PlannedCoating | None = None
    for coat in over:
        for number in range(1, coat.coats + 1):
            waits = [Wait(coat_id(coat, copy, number - 1), coat.drying.next_coat)] if number > 1 else []
            if number == 1 and before:
                waits = [_after(before, copy, before.drying.handle)]
            lane.add(coat_task(plan, catalogue.hand, coat, copy, number), *waits)
        before = coat
    if fitting := fitting_task(plan, catalogue.hand, "cure-fit", copy, "after"):
        lane.add(fitting, *_latest(plan, copy, lambda coat: coat.drying.handle))
    _used(plan, lane, copy)


def _after(coat: PlannedCoating, copy: int, minutes: float) -> Wait:
    return Wait(coat_id(coat, copy, coat.coats), minutes)


def _heat_set(plan: Plan, catalogue: Catalogue, lane: Lane, copy: int) -> None:
    factor = drying_factor(plan.job.paint.weather, catalogue.workshop)
    setting = [(coat, coat.paint.heat_set) for coat in plan.coatings if coat.paint.heat_set]
    if not setting:
        return
    heat = setting[-1][1]
    assert heat is not None
    rests = rests_for(plan.painted_on_blank, plan.choices.press)
    lane.add(
        Task(
            "cure-heat-set",
            "cure",
            copy=copy,
            effort=effort(catalogue.hand, rests * heat.minutes * 60, heat_set=1),
            occupies="plate",
            figures={"heat": heat, "rests": rests},
            cautions=("iron",),
        ),
        *(_after(one, copy, each.after * factor) for one, each in setting if each),
    )


def _used(plan: Plan, lane: Lane, copy: int) -> None:
    """Add use and wash: nothing is in use before the last coating is."""
    surface = plan.choices.surface
    used = _latest(plan, copy, lambda coat: coat.drying.use)
    longest = max(wait.least for wait in used)
    lane.add(Task("cure-use", "cure", copy=copy, figures={"minutes": longest}, cautions=surface.used_cautions), *used)
    washed = _latest(plan, copy, lambda coat: coat.drying.wash)
    if washed:
        longest = max(wait.least for wait in washed)
        lane.add(Task("cure-wash", "cure", copy=copy, figures={"minutes": longest}), *washed)


def _latest(plan: Plan, copy: int, time: Callable[[PlannedCoating], float | None]) -> list[Wait]:
    found = [(coat, time(coat)) for coat in plan.coatings]
    return [_after(coat, copy, minutes) for coat, minutes in found if minutes is not None]


def outcome(plan: Plan, progress: Progress, now: datetime) -> Outcome:
    """Return the station's state, verdict and figures."""
    last = plan.coatings[-1]
    rows = list(_rows(plan))
    weather = plan.job.paint.weather
    room = f"{weather.temperature:g} C, {weather.humidity:g} %"
    rows.append(Row("Room", "text", room, "Times stretch with cold and damp: a rule of thumb, never certain."))
    if any(coat.paint.needs_finish for coat in plan.coatings) and not _has_finish(plan):
        name = next(coat.paint.name for coat in plan.coatings if coat.paint.needs_finish)
        return "warn", f"{name} is not to be used before it is sealed: add a finish.", rows
    if dry := _touch_dry(plan, progress):
        rows.insert(0, Row("Dry to the touch from", "moment", dry.isoformat()))
    ready = _all_from(progress, "cure-use")
    if ready is None:
        after = f"after the last coat of {last.paint.name.lower()}" if len(plan.coatings) > 1 else "after the last coat"
        return "ready", f"In use {show_time(max(coat.drying.use for coat in plan.coatings))} {after}.", rows
    rows.insert(0, Row("All in use from", "moment", ready.isoformat()))
    if now < ready:
        return "warn", f"Not in use before {ready:%a %d %b, %H:%M}.", rows
    wash = _all_from(progress, "cure-wash")
    if wash:
        rows.insert(1, Row("All washed from", "moment", wash.isoformat()))
        if now < wash:
            return "ready", f"In use; not washed before {wash:%a %d %b, %H:%M}.", rows
    return "ready", "Cured.", rows


def _all_from(progress: Progress, code: str) -> datetime | None:
    """Return from when all copies may do something, None while a coat of one of them is not on yet."""
    tasks = [task for task in progress.graph.of("cure") if task.code == code]
    # Timed by its coats alone, whatever else is ticked before it.
    timed = [Task(code, "cure", copy=task.copy, after=tuple(w for w in task.after if w.least)) for task in tasks]
    if not timed or any(progress.waits_for(task) for task in timed):
        return None
    return max((at for task in timed if (at := progress.opens(task))), default=None)


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


def _rows(plan: Plan) -> list[Row]:
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
        Row(f"Heat-set {name.lower()}", "text", f"{heat.celsius:g} C for {heat.minutes:g} min", heat.how)
        for name, paint in paints.items()
        if (heat := paint.heat_set)
    ]
    rows += [
        Row(
            f"{coat.number}. {coat.paint.name}",
            "volume",
            coat.amount.total_ml,
            f"{coat.coats} coats, {show_time(coat.drying.next_coat)} apart.",
        )
        for coat in plan.coatings
        if coat.where == "over"
    ]
    return rows
