"""One job opened: stored entries, the plan reckoned from them, and changes made to it."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from datetime import datetime
from functools import lru_cache

from dunestead.core.artwork.painted import paint
from dunestead.core.errors import BadInput
from dunestead.core.figures import Catalogue
from dunestead.core.mask.fates import Fate, check_fates
from dunestead.core.planning.job import Call, Job, start_job
from dunestead.core.planning.plan import Plan, make_plan
from dunestead.core.planning.stations import Station, stations_of
from dunestead.core.planning.steps import Step, all_steps, next_step
from dunestead.formats.svg import read_svg
from dunestead.formats.verified import check_cut
from dunestead.store import JobStore, StoredJob

__all__ = ["OpenJob", "Workbench"]

_FIRST_LOOK_MM = 400.0


@dataclass(frozen=True, slots=True)
class OpenJob:
    """A job with its plan, at one moment."""

    stored: StoredJob
    plan: Plan
    steps: list[Step]
    stations: list[Station]

    @property
    def next_step(self) -> Step | None:
        """The first step not done."""
        return next_step(self.plan, self.steps)


class Workbench:
    """Opens and changes jobs; every change is reckoned through before it is kept."""

    def __init__(self, store: JobStore, catalogue: Catalogue) -> None:
        self._store = store
        self.catalogue = catalogue

    @property
    def is_empty(self) -> bool:
        """Whether no job was ever begun here."""
        return self._store.is_empty()

    def begin(self, artwork: bytes, file_name: str, name: str, surface: str) -> int:
        """Begin a job from an artwork file and return its number."""
        drawing = read_svg(artwork)
        painted = paint(drawing, _FIRST_LOOK_MM)
        job = start_job(name, self.catalogue.surface(surface), self.catalogue, painted.height / painted.width)
        plan = make_plan(job, drawing, self.catalogue, check_cut)
        return self._store.add(plan.job, file_name, artwork)

    def open(self, job_id: int, unit: str) -> OpenJob:
        """Return a job with all that follows from it."""
        return self._opened(self._store.get(job_id), unit)

    def board(self, unit: str) -> list[OpenJob]:
        """Return every job that is not put away."""
        return [self._opened(stored, unit) for stored in self._store.all()]

    def _opened(self, stored: StoredJob, unit: str) -> OpenJob:
        plan = _plan(_Same(stored.id, stored.seq, stored), self.catalogue)
        steps = all_steps(plan, self.catalogue.hand, unit)
        return OpenJob(stored, plan, steps, stations_of(plan, steps, self.catalogue, unit, datetime.now().astimezone()))

    def change(self, job_id: int, label: str, changed: Callable[[Job, Plan], Job]) -> None:
        """Change a job as one undoable step.

        Parameters
        ----------
        job_id, label
            Which job, and the change in words.
        changed
            Given the job and its plan, returns the job as it shall be.

        Raises
        ------
        BadInput
            When the outcome cannot be reckoned with; then nothing is kept.
        """
        stored = self._store.get(job_id)
        before = _plan(_Same(stored.id, stored.seq, stored), self.catalogue)
        job = changed(stored.job, before)
        if job == stored.job:
            return
        plan = make_plan(job, before.drawing, self.catalogue, check_cut)
        self._store.change(job_id, stored.seq, plan.job, label)

    def undo(self, job_id: int) -> None:
        """Step back one change."""
        self._store.undo(job_id)

    def redo(self, job_id: int) -> None:
        """Step forward again."""
        self._store.redo(job_id)

    def put_away(self, job_id: int, *, away: bool) -> None:
        """Take a job off the board, or bring it back."""
        self._store.put_away(job_id, away=away)


@dataclass(frozen=True)
class _Same:
    """A stored job as a cache key: a revision never changes once it is the same number and moment."""

    id: int
    seq: int
    stored: StoredJob

    def __hash__(self) -> int:
        return hash((self.id, self.seq))


@lru_cache(maxsize=64)
def _plan(same: _Same, catalogue: Catalogue) -> Plan:
    return make_plan(same.stored.job, read_svg(same.stored.artwork), catalogue, check_cut)


def with_fates(job: Job, plan: Plan, numbers: list[int] | None, fate: Fate | None) -> Job:
    """Return the job with a fate set for some loose pieces, or for all."""
    chosen = [piece.number for piece in plan.mask.loose] if numbers is None else numbers
    check_fates(dict.fromkeys(chosen, fate or "keep"), plan.mask)
    rest = {number: old for number, old in job.fates.items() if number not in chosen}
    return replace(job, fates=rest | (dict.fromkeys(chosen, fate) if fate else {}))


def with_tick(job: Job, steps: list[Step], plan: Plan, code: str, *, done: bool) -> Job:
    """Return the job with a step done or not; a roll-call closes only when every keeper answered."""
    step = next((step for step in steps if step.code == code), None)
    if step is None:
        raise BadInput(f"There is no step “{code}” in this job.", "Look at the job again: its steps may have changed.")
    if done and step.call:
        missing = [k.number for k in plan.cut.keepers if step.call not in job.calls.get(k.number, {})]
        if missing:
            named = ", ".join(str(number) for number in missing[:8]) + (" ..." if len(missing) > 8 else "")
            raise BadInput(
                f"The count is not out: {len(missing)} missing ({named}).", "Find them, or tick each as it turns up."
            )
    ticks = {key: at for key, at in job.ticks.items() if key != code}
    return replace(job, ticks=ticks | {code: datetime.now().astimezone()} if done else ticks)


def with_calls(job: Job, plan: Plan, numbers: list[int] | None, call: Call, *, done: bool) -> Job:
    """Return the job with keepers marked as present at a roll-call, or not."""
    keepers = {keeper.number for keeper in plan.cut.keepers}
    chosen = sorted(keepers) if numbers is None else numbers
    if unknown := [number for number in chosen if number not in keepers]:
        raise BadInput(f"{unknown[0]} is not a piece that is kept.", "Call only pieces whose fate is to be kept.")
    calls = {number: dict(answered) for number, answered in job.calls.items()}
    for number in chosen:
        answered = calls.setdefault(number, {})
        if done:
            answered.setdefault(call, datetime.now().astimezone())
        else:
            answered.pop(call, None)
    return replace(job, calls={number: answered for number, answered in calls.items() if answered})
