"""One mask going onto one copy: what its steps are made from, and kinds of step with nothing to reckon."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import TypeVar

from dunestead.core.effort import NO_EFFORT, Effort, effort
from dunestead.core.figures import HandTimes
from dunestead.core.geometry.curves import Box
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.units import show_time
from dunestead.core.work.fingerprint import place_fingerprint
from dunestead.core.work.kinds import Layer, NoValues, TaskKind, Trait
from dunestead.core.work.needs import Need
from dunestead.core.work.resources import RACK
from dunestead.core.work.tasks import Call, Task, task_of

__all__ = ["Laying", "PauseValues", "pause", "simple"]

V = TypeVar("V")


@dataclass(frozen=True, slots=True)
class Laying:
    """One mask going onto one copy."""

    plan: Plan
    hand: HandTimes
    mask: MaskPlan
    copy: int
    workshop: Mapping[str, float]

    @property
    def is_first(self) -> bool:
        """Whether no mask was on this copy before."""
        return self.mask.number == 1

    @property
    def young(self) -> list[Box]:
        """Boxes of what was painted through the masks before, on the blank."""
        return [earlier.painted_box for earlier in self.plan.masks[: self.mask.number - 1]]

    @property
    def is_placed(self) -> bool:
        """Whether pieces are set down one by one."""
        return bool(self.mask.placing) and self.plan.method.places_pieces

    def by(self, machine_seconds: float = 0.0, **counts: float) -> Effort:
        """Return the effort of so many of each figure of the hand, and of the seconds a plate rests."""
        return effort(self.hand, machine_seconds, **counts)

    def task(
        self,
        kind: TaskKind[V],
        values: V,
        work: Effort,
        *,
        needs: tuple[Need, ...] = (),
        call: Call | None = None,
    ) -> Task:
        """Return a task of this mask on this copy."""
        return task_of(
            kind,
            values,
            mask=self.mask.number,
            copy=self.copy,
            effort=work,
            needs=needs,
            call=call,
            fingerprint=place_fingerprint(self.plan, self.mask),
        )


def simple(
    code: str,
    figure: str,
    title: str,
    how: str = "",
    *,
    cautions: tuple[str, ...] = (),
    traits: frozenset[Trait] = frozenset(),
    shows: tuple[Layer, ...] = (),
    where: Callable[[Laying], bool] = lambda _: True,
) -> None:
    """Have a kind with nothing to reckon: one figure of the hand, and where it is done at all."""

    def made(laying: Laying) -> Task | None:
        return laying.task(kind, NoValues(), laying.by(**{figure: 1})) if where(laying) else None

    kind = TaskKind(code, NoValues, title, how, cautions=cautions, traits=traits, shows=shows, make=made)


@dataclass(frozen=True, slots=True)
class PauseValues:
    """How many minutes nothing is done."""

    minutes: float


def pause(code: str, title: str, figure: str, where: Callable[[Laying], bool] = lambda _: True) -> None:
    """Have a kind in which only time passes, as many minutes as a figure of the workshop says."""

    def made(laying: Laying) -> Task | None:
        return laying.task(kind, PauseValues(laying.workshop[figure]), NO_EFFORT) if where(laying) else None

    kind = TaskKind(
        code, PauseValues, title, lambda values, _: f"It takes about {show_time(values.minutes)}.", RACK, make=made
    )
