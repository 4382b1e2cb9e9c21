"""What is there to do at the peel? The mask comes off, every piece answers, and the print is touched up."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from dunestead.core.effort import effort
from dunestead.core.figures import Catalogue, HandTimes
from dunestead.core.painting.layers import wet_run
from dunestead.core.plan.pace import last_of
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.units import several, show_area, show_time
from dunestead.core.work.coating import coat_id
from dunestead.core.work.fingerprint import place_fingerprint
from dunestead.core.work.kinds import NoValues, TaskKind, Trait
from dunestead.core.work.marks import ON_THE_PRINT
from dunestead.core.work.needs import Need, tool
from dunestead.core.work.resources import PLATE
from dunestead.core.work.saying import Said
from dunestead.core.work.tasks import Call, Chain, Count, Task, Wait, task_of
from dunestead.core.work.values import UnderPlate

__all__ = ["peel", "touch_up"]


# From so many minutes on a time is told in hours.
_HOURS = 120


# --- what there is to do ----------------------------------------------------------------------
def _window(why: str, said: Said) -> str:
    """Say when to peel, by the waits the step has; nothing where another one opens the peel."""
    ends = next((wait for wait in said.task.after if wait.since == "end" and wait.most is not None), None)
    if ends is None or ends.most is None:
        return why
    first = next((wait.most for wait in said.task.after if wait.since == "start" and wait.most is not None), None)
    within = f", at most {show_time(first)} after the first stroke" if first is not None else ""
    if not ends.least:
        return f"Peel within {show_time(ends.most)} of the last coat{within}. {why}"
    opens = f"{ends.least:.0f}" if ends.most < _HOURS else show_time(ends.least)
    return f"Peel from {opens} to {show_time(ends.most)} after the last coat{within}. {why}"


@dataclass(frozen=True, slots=True)
class LiftValues:
    """How many keepers are lifted, and why the mask comes off when it does."""

    keepers: int
    why: str


@dataclass(frozen=True, slots=True)
class SheetValues:
    """Which mask comes off, and why when it does."""

    mask: str
    why: str


@dataclass(frozen=True, slots=True)
class RewarmValues(UnderPlate):
    """What is warmed through its carrier, and why it comes off when it does."""

    why: str


@dataclass(frozen=True, slots=True)
class PinsBackValues:
    """How many pins come back, and whether they come off with the sheet."""

    count: int
    with_sheet: bool


@dataclass(frozen=True, slots=True)
class TouchValues:
    """Bridge gaps to fill: how many, mm² in all."""

    gaps: int
    area: float


def _touch_how(values: TouchValues, said: Said) -> str:
    bleeds = "Paint over bleeds in the colour of the ground."
    if not values.gaps:
        return f"Fill bare spots. {bleeds}"
    area = show_area(values.area, said.unit)
    return f"Fill {several(values.gaps, 'bridge gap')}, {area} in all, and bare spots. {bleeds}"


_OFF = frozenset({Trait.OPENS_THE_PEEL, Trait.ON_THE_AXIS})
COUNT = TaskKind(
    "peel-count",
    LiftValues,
    lambda values, _: f"Lift {several(values.keepers, 'keeper')}, and count them",
    lambda values, said: (
        f"{_window(values.why, said)} Use tweezers, and tick off each number so that none stays in the print."
    ),
    traits=_OFF | {Trait.LIFTS_KEEPERS},
)
SHEET = TaskKind(
    "peel-sheet",
    SheetValues,
    lambda values, _: f"Peel {values.mask}",
    lambda values, said: f"{_window(values.why, said)} Start at a corner and pull low and slow in one direction.",
    traits=_OFF | {Trait.TAKES_MASK_OFF},
)
REWARM = TaskKind(
    "peel-rewarm",
    RewarmValues,
    lambda values, _: f"Warm it through its carrier, {several(values.rests, 'section')}",
    lambda values, said: (
        f"{_window(values.why, said)} Warm it section by section, {values.pressing.seconds:g} s each, and peel it "
        "while it is warm."
    ),
    PLATE,
    ("iron",),
    _OFF,
)
PINS_BACK = TaskKind(
    "peel-pins",
    PinsBackValues,
    lambda values, _: f"Count {several(values.count, 'pin')} back in",
    lambda values, _: (
        "They come off with the sheet: count them at the bin. None may be missing."
        if values.with_sheet
        else "Take them all out before the film comes off. None may be missing."
    ),
    cautions=("pins",),
    traits=frozenset({Trait.PINS_BACK, Trait.IN_ONE_GO}),
)
LINT = TaskKind("peel-lint", NoValues, "Go over it with a lint roller")
TOUCHED_UP = TaskKind(
    "peel-touched-up",
    TouchValues,
    "Touch up with a fine brush",
    _touch_how,
    traits=frozenset({Trait.ON_THE_AXIS}),
    marks=ON_THE_PRINT,
)


# --- in its order -----------------------------------------------------------------------------
def peel(plan: Plan, catalogue: Catalogue, chain: Chain, mask: MaskPlan, copy: int) -> None:
    """Add the peel of one mask off one copy, in the order that its paint and material ask for."""
    waits = _waits(plan, catalogue, mask, copy)
    off = _Off(plan, catalogue.hand, mask, copy, place_fingerprint(plan, mask), chain.last_with(Trait.SETS_PINS))
    for task in off.in_order():
        # The first thing to come off opens the window; the sheet must be off before it closes.
        chain.add(task, *(waits if task.has(Trait.OPENS_THE_PEEL) else ()))


def _waits(plan: Plan, catalogue: Catalogue, mask: MaskPlan, copy: int) -> Sequence[Wait]:
    run = wet_run(mask.coats, covered=plan.job.paint.covered)
    first, (last, number) = mask.coats[run.first], last_of(plan, catalogue, mask)
    window = mask.peel
    waits = [Wait(coat_id(last, copy, number), window.opens, window.closes)]
    if window.since_first is not None:
        waits.append(Wait(coat_id(first, copy, 1), 0.0, window.since_first, "start"))
    return waits


@dataclass(frozen=True, slots=True)
class _Off:
    """One mask coming off one copy."""

    plan: Plan
    hand: HandTimes
    mask: MaskPlan
    copy: int
    fingerprint: Mapping[str, str]
    pinned: Task | None

    def in_order(self) -> list[Task]:
        """Return what is done, in its order."""
        mask, method = self.mask, self.plan.method
        counted = [self._count()] if mask.cut.keepers else []
        sheet = [] if mask.laid.is_reverse else [self._sheet()]
        lifted = [*counted, *sheet] if mask.peel.keepers_first else [*sheet, *counted]
        if REWARM.code in method.lift and mask.pressings:
            lifted.insert(0, self._rewarm())
        if mask.pinning.pins:
            # Film gives its pins back first; paper takes them along, and they are counted at the bin.
            lifted = [self._pins(), *lifted] if self.plan.pins_return else [*lifted, self._pins()]
        if LINT.code in method.lift:
            lifted.append(self._lint())
        return lifted

    def _count(self) -> Task:
        numbers = tuple(keeper.number for keeper in self.mask.cut.keepers)
        return task_of(
            COUNT,
            LiftValues(len(numbers), self.mask.peel.why),
            mask=self.mask.number,
            copy=self.copy,
            effort=effort(self.hand, peel_keeper=len(numbers)),
            call=Call(numbers),
            fingerprint=self.fingerprint,
        )

    def _sheet(self) -> Task:
        plan, mask = self.plan, self.mask
        needs = [tool("a bag or a spare sheet for the wet mask")] if mask.peel.keepers_first else []
        kept = plan.kept_mask(mask.number)
        if kept is not None:
            key = plan.choices.material.key
            needs.append(Need("mask", key, "the kept mask", 1.0, item=kept, step=1.0))
        return task_of(
            SHEET,
            SheetValues(mask.laid.name, mask.peel.why),
            mask=mask.number,
            copy=self.copy,
            effort=effort(self.hand, peel_start=1),
            needs=tuple(needs),
            fingerprint=self.fingerprint,
        )

    def _rewarm(self) -> Task:
        pressing = self.mask.pressings[-1]
        rests = len(pressing.placements)
        return task_of(
            REWARM,
            RewarmValues(pressing, rests, self.mask.peel.why),
            mask=self.mask.number,
            copy=self.copy,
            effort=effort(self.hand, rewarm=rests),
            fingerprint=self.fingerprint,
        )

    def _lint(self) -> Task:
        work = effort(self.hand, lint=1)
        return task_of(
            LINT, NoValues(), mask=self.mask.number, copy=self.copy, effort=work, fingerprint=self.fingerprint
        )

    def _pins(self) -> Task:
        planned = len(self.mask.pinning.pins)
        # How many were set is what must come back.
        as_set = (self.pinned.id, "pins") if self.pinned else None
        return task_of(
            PINS_BACK,
            PinsBackValues(planned, not self.plan.pins_return),
            mask=self.mask.number,
            copy=self.copy,
            effort=effort(self.hand, count_pins=1),
            call=Call(counts=(Count("pins", "pins", planned, as_set),)),
            fingerprint=self.fingerprint,
        )


def touch_up(plan: Plan, hand: HandTimes, chain: Chain, copy: int) -> None:
    """Add the touching up of one copy."""
    gaps = len(plan.bridges)
    chain.add(
        task_of(
            TOUCHED_UP,
            TouchValues(gaps, plan.bridged_area),
            copy=copy,
            effort=effort(hand, touch_up=1, touch_up_bridge=gaps),
            call=Call(tuple(range(1, gaps + 1)), "touch-ups") if gaps else None,
        )
    )
