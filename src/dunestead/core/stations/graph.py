"""All stations together: one graph of tasks from their rooms, and each station as it stands."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Literal

from dunestead.core.figures import Catalogue
from dunestead.core.plan.coats import base_wait
from dunestead.core.plan.pace import last_of
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.plan.young import touches
from dunestead.core.stations.artwork import verdict as artwork
from dunestead.core.stations.blank import verdict as blank
from dunestead.core.stations.blank.steps import prepare
from dunestead.core.stations.cure import verdict as cure
from dunestead.core.stations.cure.steps import cure as cured
from dunestead.core.stations.mask import verdict as mask
from dunestead.core.stations.mask.steps import wash
from dunestead.core.stations.paint import verdict as paint
from dunestead.core.stations.paint.steps import paint_after, paint_through, try_first
from dunestead.core.stations.peel import verdict as peel
from dunestead.core.stations.peel.steps import peel as peeled
from dunestead.core.stations.peel.steps import touch_up
from dunestead.core.stations.record import verdict as record
from dunestead.core.stations.record.steps import write_down
from dunestead.core.stations.sheets import verdict as sheets
from dunestead.core.stations.sheets.steps import cut
from dunestead.core.stations.station import NAMES, ORDER, Outcome, State, Station
from dunestead.core.stations.tack import verdict as tack
from dunestead.core.stations.tack.steps import tack as tacked
from dunestead.core.stations.weed import verdict as weed
from dunestead.core.stations.weed.steps import bare
from dunestead.core.stations.weed.steps import weed as weeded_out
from dunestead.core.work.coating import coat_id
from dunestead.core.work.kinds import Trait
from dunestead.core.work.progress import Progress
from dunestead.core.work.tasks import Chain, Task, TaskGraph, Wait

__all__ = ["Next", "Phase", "next_of", "phase_of", "red_before_cutting", "stations_of", "task_graph"]


def task_graph(plan: Plan, catalogue: Catalogue) -> TaskGraph:
    """Return all tasks of a job, in the order they are done.

    Notes
    -----
    Blanks are prepared and sheets cut for all copies; then each set of masks is weeded, and each copy is masked,
    painted and peeled. A mask that is used again goes on to the next copy once it is off the one before.
    """
    hand = catalogue.hand
    prepared = [Chain() for _ in range(plan.copies)]
    for copy, chain in enumerate(prepared, start=1):
        prepare(plan, hand, chain, copy)
    try_first(plan, catalogue, prepared[0])
    cutting = Chain()
    weeding, weeded = list[Chain](), dict[tuple[int, int], str]()
    if plan.is_cut:
        cut(plan, hand, cutting)
        weeding, weeded = _weeding(plan, catalogue, cutting)
    making = _making(plan, catalogue, prepared, weeded)
    ending = Chain([Wait(chain.last.id) for chain in making])
    write_down(hand, ending)
    tasks = [task for chain in (*prepared, cutting, *weeding, *making, ending) for task in chain.tasks]
    return TaskGraph(tuple(tasks))


def _weeding(plan: Plan, catalogue: Catalogue, cutting: Chain) -> tuple[list[Chain], dict[tuple[int, int], str]]:
    """Return the weeding of every set, and by mask and set the id of its last task."""
    chains, weeded = [], {}
    for first in range(1, plan.copies + 1, plan.prints_of_a_mask):
        chain = Chain([Wait(cutting.last.id)])
        for one in plan.masks:
            weeded_out(plan, catalogue, chain, one, first)
            weeded[one.number, plan.set_of(first)] = chain.last.id
        chains.append(chain)
    return chains, weeded


def _making(
    plan: Plan, catalogue: Catalogue, prepared: Sequence[Chain], weeded: dict[tuple[int, int], str]
) -> list[Chain]:
    chains = []
    # What a mask waits for: its weeding, and then to be off the copy before.
    free = dict(weeded)
    for copy, before in enumerate(prepared, start=1):
        chain = Chain([Wait(before.last.id)])
        for one in plan.masks:
            key = (one.number, plan.set_of(copy))
            is_free = [Wait(free[key])] if key in free else []
            waits = [*is_free, *_dry_before(plan, one, copy, catalogue.workshop)]
            bared = bare(plan, catalogue, one, copy) if copy == plan.first_of_set(copy) and plan.is_cut else []
            tacked(plan, catalogue.hand, chain, one, copy, waits, catalogue.workshop, bared)
            paint_through(plan, catalogue, chain, one, copy)
            peeled(plan, catalogue, chain, one, copy)
            _washed(plan, catalogue, chain, one, copy)
            free[key] = chain.last.id
        last, number = last_of(plan, catalogue, plan.masks[-1])
        touch_up(plan, catalogue.hand, chain, copy)
        paint_after(plan, catalogue, chain, copy, [Wait(coat_id(last, copy, number), last.drying.handle)])
        cured(plan, catalogue, chain, copy)
        chains.append(chain)
    return chains


def _dry_before(plan: Plan, one: MaskPlan, copy: int, figures: Mapping[str, float]) -> list[Wait]:
    """Return what must have dried before a mask touches the blank: the base to use or to touch, young paint to handle.

    Where the tape of the method is strong, young paint too must be dry enough to use; paint that the mask, its cover
    and the plate stay off need not dry for it.
    """
    bases = [coat for coat in plan.coatings if coat.is_before_masks]
    waits = [Wait(coat_id(coat, copy, coat.coats), base_wait(coat, plan.job.paint, figures)) for coat in bases]
    for earlier in plan.masks[: one.number - 1]:
        if not touches(plan, one, earlier.painted_box, figures):
            continue
        for coat in earlier.coats:
            dry = coat.drying.use if plan.method.strong_tape else coat.drying.handle
            waits.append(Wait(coat_id(coat, copy, coat.coats), dry))
    return waits


def _washed(plan: Plan, catalogue: Catalogue, chain: Chain, one: MaskPlan, copy: int) -> None:
    material = plan.choices.material
    prints = (copy - 1) % plan.prints_of_a_mask + 1
    goes_on = copy < plan.copies and plan.set_of(copy + 1) == plan.set_of(copy)
    if material.wash_every and goes_on and prints % material.wash_every == 0:
        wash(plan, catalogue.hand, chain, one, copy, prints)


# --- as they stand ----------------------------------------------------------------------------
def stations_of(plan: Plan, progress: Progress, unit: str, now: datetime) -> list[Station]:
    """Return the ten stations of a job in the order of the work; a finished one never hides its warning."""
    outcomes: dict[str, Outcome] = {
        "blank": blank.outcome(plan, unit),
        "artwork": artwork.outcome(plan.look, plan.rail, unit),
        "mask": mask.outcome(plan, unit),
        "sheets": sheets.outcome(plan),
        "weed": weed.outcome(plan, progress),
        "tack": tack.outcome(plan, unit),
        "paint": paint.outcome(plan, progress, unit),
        "peel": peel.outcome(plan, progress, now),
        "cure": cure.outcome(plan, progress, now, unit),
        "record": record.outcome(plan, progress),
    }
    briefs = {
        "blank": blank.brief(plan, unit),
        "artwork": artwork.brief(plan.look, unit),
        "mask": mask.brief(plan),
        "sheets": sheets.brief(plan),
        "weed": weed.brief(plan),
        "tack": tack.brief(plan),
        "paint": paint.brief(plan),
        "peel": peel.brief(plan),
        "cure": cure.brief(plan),
        "record": record.brief(plan),
    }
    stations = []
    for code, (state, verdict, rows) in outcomes.items():
        own = tuple(progress.graph.of(code))
        finished = bool(own) and all(progress.is_done(task) for task in own)
        if outdated := sum(bool(progress.outdated_by(task)) for task in own):
            verdict += f" {outdated} done on an earlier version."
            state = "warn" if state in ("ready", "done") else state
        shown: State = "done" if finished and state == "ready" else state
        stations.append(Station(code, NAMES[code], shown, verdict, briefs[code], tuple(rows), own))
    return stations


@dataclass(frozen=True, slots=True)
class Next:
    """What comes next: something to decide at a station, or a task."""

    kind: Literal["decide", "do"]
    station: str
    verdict: str = ""
    task: Task | None = None


Phase = Literal["decide", "work", "dry", "done"]


def phase_of(following: Next | None, progress: Progress, now: datetime) -> Phase:
    """Say what a job waits for: decisions, hands, time to pass, or nothing more."""
    if following is None:
        return "done"
    if following.kind == "decide":
        return "decide"
    task = following.task
    return "dry" if task is not None and progress.state(task, now) == "waiting" else "work"


def red_before_cutting(stations: Sequence[Station]) -> Station | None:
    """Return the first station that must be seen to before a sheet is cut, None where nothing is red."""
    before = ORDER[: ORDER.index("tack") + 1]
    return next((one for one in stations if one.state == "stop" and one.code in before), None)


def next_of(plan: Plan, progress: Progress, stations: Sequence[Station], now: datetime) -> Next | None:
    """Return what to do next: before anything is cut, what is red and what is undecided; then the work.

    None when all is done.
    """
    cutting = [task for task in progress.graph.of("sheets") if task.has(Trait.CUTS)]
    # Where nothing is cut, laying is what cannot be taken back.
    if not all(progress.is_done(task) for task in cutting or progress.graph.of("tack")):
        open_mask = next(one for one in stations if one.code == "mask") if mask.undecided_of(plan) else None
        waiting = [one for one in (red_before_cutting(stations), open_mask) if one]
        if waiting:
            first = min(waiting, key=lambda one: ORDER.index(one.code))
            return Next("decide", first.code, first.verdict)
    task = progress.next_task(now)
    return Next("do", task.station, task=task) if task else None
