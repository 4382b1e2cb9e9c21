"""What is there to do until it may be used? Finishes, heat, and times that only pass."""

from collections.abc import Callable
from dataclasses import dataclass

from dunestead.core.curing.drying import drying_factor
from dunestead.core.curing.heat_setting import rests_for
from dunestead.core.effort import effort
from dunestead.core.figures import Catalogue, HeatSet
from dunestead.core.plan.coats import PlannedCoating
from dunestead.core.plan.plan import Plan
from dunestead.core.units import show_temperature, show_time
from dunestead.core.work.coating import FINISH_COAT, coat_code, coat_id, coat_task, coat_title
from dunestead.core.work.fitting import FitValues, fit_how, fit_title, fitting_task
from dunestead.core.work.kinds import NoValues, TaskKind, Trait
from dunestead.core.work.resources import PLATE, RACK
from dunestead.core.work.saying import Said
from dunestead.core.work.tasks import Chain, Wait, task_of
from dunestead.core.work.values import OfCoat

__all__ = ["cure"]

_AXIS = frozenset({Trait.ON_THE_AXIS})
_TIME = _AXIS | {Trait.TELLS_WAITS}


@dataclass(frozen=True, slots=True)
class HeatValues:
    """How paint is set with heat, in how many rests of the plate."""

    heat: HeatSet
    rests: int


def _heat_title(values: HeatValues, unit: str) -> str:
    heat = values.heat
    places = f" at each of {values.rests} places" if values.rests > 1 else ""
    return f"Set it with heat: {show_temperature(heat.celsius, unit)}, {heat.minutes:g} min{places}"


def _finish_how(_: OfCoat, said: Said) -> str:
    used = said.before(Trait.IN_USE)
    wait = said.next_coat() or (f" It can be used after {show_time(used.least)}." if used else "")
    return f"Give the print a thin, even coat.{wait}"


def _dry_how(_: NoValues, said: Said) -> str:
    return f"You may handle it {said.after_coats()}."


DRY = TaskKind("cure-dry", NoValues, "Leave it to dry", _dry_how, RACK, traits=_TIME)
HEAT_SET = TaskKind(
    "cure-heat-set", HeatValues, _heat_title, lambda values, _: values.heat.how, PLATE, ("iron",), _AXIS
)
HANG = TaskKind(
    "cure-hang",
    NoValues,
    "Let it hang until the paint has set",
    lambda _, said: (
        f"Leave it for {said.longest()}: no iron, for its back is rubber. A dryer will do where the label allows one."
    ),
    RACK,
    traits=_TIME,
)
FINISH = TaskKind(FINISH_COAT, OfCoat, coat_title, _finish_how, traits=_AXIS | {Trait.FIRST_STROKE})
FIT = TaskKind("cure-fit", FitValues, fit_title, fit_how, traits=_AXIS)
USE = TaskKind(
    "cure-use",
    NoValues,
    "Ready to use",
    lambda _, said: f"It may be used {said.after_coats()}.",
    traits=_TIME | {Trait.IN_USE},
)
WASH = TaskKind(
    "cure-wash",
    NoValues,
    "First wash",
    lambda _, said: f"Do not wash it until {said.after_coats()}.",
    traits=_TIME | {Trait.MAY_BE_WASHED},
)


def cure(plan: Plan, catalogue: Catalogue, chain: Chain, copy: int) -> None:
    """Add all that one copy still goes through after its masks are off."""
    over = [coat for coat in plan.coatings if coat_code(coat) == FINISH_COAT]
    dried = [_after(coat, copy, coat.drying.handle) for coat in plan.coatings if coat not in over]
    chain.add(task_of(DRY, NoValues(), copy=copy), *dried)
    _heat_set(plan, catalogue, chain, copy)
    before: PlannedCoating | None = None
    for coat in over:
        for number in range(1, coat.coats + 1):
            waits = [Wait(coat_id(coat, copy, number - 1), coat.drying.next_coat)] if number > 1 else []
            if number == 1 and before:
                waits = [_after(before, copy, before.drying.handle)]
            chain.add(coat_task(FINISH, OfCoat(coat, number), plan, catalogue.hand, copy), *waits)
        before = coat
    if fitting := fitting_task(plan, catalogue.hand, FIT, copy, "after"):
        chain.add(fitting, *_latest(plan, copy, lambda coat: coat.drying.handle))
    _used(plan, chain, copy)


def _after(coat: PlannedCoating, copy: int, minutes: float) -> Wait:
    return Wait(coat_id(coat, copy, coat.coats), minutes)


def _heat_set(plan: Plan, catalogue: Catalogue, chain: Chain, copy: int) -> None:
    factor = drying_factor(plan.job.paint.weather, catalogue.workshop)
    setting = [(coat, coat.paint.heat_set) for coat in plan.coatings if coat.paint.heat_set]
    if not setting:
        return
    if plan.has_rubber_back:
        waits = [_after(one, copy, catalogue.workshop["hang_time"]) for one, _ in setting]
        chain.add(task_of(HANG, NoValues(), copy=copy), *waits)
        return
    heat = setting[-1][1]
    assert heat is not None
    rests = rests_for(plan.painted_on_blank, plan.choices.press)
    work = effort(catalogue.hand, rests * heat.minutes * 60, heat_set=1)
    waits = [_after(one, copy, each.after * factor) for one, each in setting if each]
    chain.add(task_of(HEAT_SET, HeatValues(heat, rests), copy=copy, effort=work), *waits)


def _used(plan: Plan, chain: Chain, copy: int) -> None:
    """Add use and wash: nothing is in use before the last coating is."""
    used = _latest(plan, copy, lambda coat: coat.drying.use)
    chain.add(task_of(USE, NoValues(), copy=copy, cautions=plan.choices.surface.used_cautions), *used)
    if washed := _latest(plan, copy, lambda coat: coat.drying.wash):
        chain.add(task_of(WASH, NoValues(), copy=copy), *washed)


def _latest(plan: Plan, copy: int, time: Callable[[PlannedCoating], float | None]) -> list[Wait]:
    found = [(coat, time(coat)) for coat in plan.coatings]
    return [_after(coat, copy, minutes) for coat, minutes in found if minutes is not None]
