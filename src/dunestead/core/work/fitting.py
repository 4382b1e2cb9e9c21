"""What is sewn or screwed on a blank: a step before the painting, or after it."""

from dataclasses import dataclass

from dunestead.core.blanks.clear import Timing, clear_name
from dunestead.core.effort import effort
from dunestead.core.figures import HandTimes
from dunestead.core.plan.plan import Plan
from dunestead.core.units import show_length
from dunestead.core.work.fingerprint import fitted_fingerprint
from dunestead.core.work.kinds import TaskKind
from dunestead.core.work.saying import Said
from dunestead.core.work.tasks import Task, task_of

__all__ = ["FitValues", "fit_how", "fit_title", "fitting_task"]


@dataclass(frozen=True, slots=True)
class FitValues:
    """What is put on, each with the mm of its middle from the left and from the top."""

    places: tuple[tuple[str, float, float], ...]


def fit_title(values: FitValues, _: str) -> str:
    """Return what is put on."""
    return f"Sew or screw on {', '.join(name for name, *_ in values.places)}"


def fit_how(values: FitValues, said: Said) -> str:
    """Return where each thing goes."""
    parts = "; ".join(
        f"{name}: middle {show_length(x, said.unit)} from the left, {show_length(y, said.unit)} from the top"
        for name, x, y in values.places
    )
    return f"{parts[0].upper()}{parts[1:]}."


def fitting_task(plan: Plan, hand: HandTimes, kind: TaskKind[FitValues], copy: int, timing: Timing) -> Task | None:
    """Return the step in which things are put on one copy's blank, None where there are none then."""
    areas = [one for one in plan.job.piece.clear if one.timing == timing]
    if not areas:
        return None
    return task_of(
        kind,
        FitValues(tuple((clear_name(one), one.x, one.y) for one in areas)),
        copy=copy,
        effort=effort(hand, fit_on=len(areas)),
        fingerprint=fitted_fingerprint(plan, timing),
    )
