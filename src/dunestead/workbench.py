"""One job opened: stored entries, the plan reckoned from them, and changes made to it."""

from collections import OrderedDict
from collections.abc import Callable
from dataclasses import dataclass, replace
from datetime import datetime
from functools import lru_cache
from threading import Lock

from dunestead.catalogue.face_files import open_face
from dunestead.core.artwork.drawing import Drawing
from dunestead.core.artwork.elements import Drawn, Element, Traced, Words, clean_text
from dunestead.core.artwork.painted import paint
from dunestead.core.artwork.trace.outline import Picture, trace
from dunestead.core.artwork.trace.settings import TraceSettings
from dunestead.core.artwork.words.face import Face
from dunestead.core.artwork.words.setting import Setting, set_words
from dunestead.core.blanks.blank import Blank
from dunestead.core.errors import BadInput
from dunestead.core.figures import Catalogue
from dunestead.core.mask.bridges import Bridge
from dunestead.core.mask.fates import Fate, check_fates
from dunestead.core.planning.arranging import (
    add_element,
    as_garment,
    change_blank,
    fit_design,
    new_element,
    resize_design,
)
from dunestead.core.planning.job import Call, Job, materials_for, paints_for, start_job
from dunestead.core.planning.look import Look, look_at
from dunestead.core.planning.plan import Plan, make_plan
from dunestead.core.planning.rail import SizeRail, size_rail
from dunestead.core.planning.remedies import Tools
from dunestead.core.planning.stations import Station, stations_of
from dunestead.core.planning.steps import Step, all_steps, next_step
from dunestead.core.planning.ties import BridgeMove, bridge_at, move_bridge, remove_bridge, reset_bridges
from dunestead.cutting_room import CuttingRoom
from dunestead.formats.artwork import read_drawing
from dunestead.formats.picture import is_picture, read_picture
from dunestead.formats.verified import check_cut
from dunestead.searches import Searches
from dunestead.store import BlankStore, JobStore, Records, StoredBlank, StoredJob

__all__ = ["OpenJob", "StoredSources", "Workbench"]

_STARTS_AT_MM = 100.0
_PLANS_AT_HAND = 64
_FIRST_FACE = "archivo-black"


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


class StoredSources:
    """Opens the files that designs name, out of the store; a few are kept at hand.

    Parameters
    ----------
    file
        Returns the bytes of a key.
    """

    def __init__(self, file: Callable[[str], bytes]) -> None:
        self._file = lru_cache(maxsize=32)(file)

    def drawing(self, key: str) -> Drawing:
        """Return vector artwork."""
        return read_drawing(self._file(key))

    def picture(self, key: str) -> Picture:
        """Return a picture in grey."""
        return read_picture(self._file(key))

    def face(self, key: str) -> Face:
        """Return a shipped face."""
        return open_face(key)


class Workbench:
    """Opens and changes jobs; every change is reckoned through before it is kept."""

    def __init__(self, store: JobStore, blanks: BlankStore, records: Records, catalogue: Catalogue) -> None:
        self._store = store
        self.blanks = blanks
        self.records = records
        self._shipped = catalogue
        self.catalogue = records.added_to(catalogue)
        self.cutting = CuttingRoom()
        self.searches = Searches()
        self.sources = StoredSources(store.file)
        self._plans = _Plans(_PLANS_AT_HAND)

    def refresh(self) -> None:
        """Reckon with the maker's records as they are now; every plan hangs on them."""
        self.catalogue = self.records.added_to(self._shipped)
        self._plans.forget()

    @property
    def is_empty(self) -> bool:
        """Whether no job was ever begun here."""
        return self._store.is_empty()

    def tools(self, unit: str) -> Tools:
        """Return what trying a remedy needs."""
        return Tools(self.sources, self.catalogue, unit)

    def keep_file(self, data: bytes, file_name: str) -> Callable[[int], Element]:
        """Keep an artwork file once it has proven readable; returns what makes an element of it.

        Raises
        ------
        BadInput
            When it is neither a drawing nor a picture that can be used; then nothing is kept.
        """
        name = file_name.rsplit("/", 1)[-1][:255]
        if is_picture(data):
            trace(read_picture(data), TraceSettings())
            key = self._store.keep_file(data)
            return lambda number: Traced(id=number, source=key, file_name=name, width=_STARTS_AT_MM)
        paint(read_drawing(data, name), _STARTS_AT_MM)
        key = self._store.keep_file(data)
        return lambda number: Drawn(id=number, source=key, file_name=name, width=_STARTS_AT_MM)

    def make_words(self, text: str, face: str = _FIRST_FACE) -> Callable[[int], Element]:
        """Return what makes an element of words; raises when the face is none of ours or draws nothing of them."""
        self.catalogue.face(face)
        setting = Setting(clean_text(text), _STARTS_AT_MM)
        set_words(setting, self.sources.face(face))
        return lambda number: Words(id=number, face=face, setting=setting)

    def with_blank(self, job: Job, blank: Blank) -> Job:
        """Return a job with another blank: sized as its garment, the design keeping its size or margins."""
        sized = as_garment(blank, job.blank, self.catalogue)
        return change_blank(job, sized, self.sources, self.catalogue)

    def with_kept_blank(self, job: Job, kept: StoredBlank) -> Job:
        """Return a job on a blank of the library, with mask and paint that work on its surface."""
        surface = self.catalogue.surface(kept.surface)
        if kept.surface != job.surface:
            materials, paints = materials_for(self.catalogue, surface), paints_for(self.catalogue, surface)
            material = job.material if any(m.key == job.material for m in materials) else materials[0].key
            paint_key = job.paint if any(p.key == job.paint for p in paints) else paints[0].key
            job = replace(job, surface=kept.surface, material=material, paint=paint_key)
        return fit_design(replace(job, blank=kept.blank), self.sources, self.catalogue)

    def with_width(self, job: Job, width: float) -> Job:
        """Return a job with its design so wide, mm."""
        return resize_design(job, width, self.sources, self.catalogue)

    def with_new(self, job: Job, make: Callable[[int], Element]) -> Job:
        """Return a job with one more part in its design, sized to join it."""
        return add_element(job, lambda number: new_element(job, make(number), self.sources, self.catalogue))

    def keep_outline(self, data: bytes, file_name: str) -> str:
        """Keep a drawing whose largest shape is a blank's outline, and return its key."""
        paint(read_drawing(data, file_name), _STARTS_AT_MM)
        return self._store.keep_file(data)

    def begin(self, make: Callable[[int], Element], name: str, surface: str, blank: Blank | None = None) -> int:
        """Begin a job with its first element, which fills the blank up to its margins; returns its number."""
        job = start_job(name, self.catalogue.surface(surface), self.catalogue, make(1), blank)
        job = fit_design(job, self.sources, self.catalogue)
        plan = make_plan(job, self.sources, self.catalogue, check_cut)
        number = self._store.add(plan.job)
        self._plans.keep(number, 1, plan)
        return number

    def open(self, job_id: int, unit: str) -> OpenJob:
        """Return a job with all that follows from it."""
        return self._opened(self._store.get(job_id), unit)

    def board(self, unit: str) -> list[OpenJob]:
        """Return every job that is not put away."""
        return [self._opened(stored, unit) for stored in self._store.all()]

    def _opened(self, stored: StoredJob, unit: str) -> OpenJob:
        plan = self._plan(stored)
        steps = all_steps(plan, self.catalogue.hand, unit)
        return OpenJob(stored, plan, steps, stations_of(plan, steps, unit, datetime.now().astimezone()))

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
        job = changed(stored.job, self._plan(stored))
        if job == stored.job:
            return
        plan = make_plan(job, self.sources, self.catalogue, check_cut)
        self._store.change(job_id, stored.seq, plan.job, label)
        self._plans.keep(job_id, stored.seq + 1, plan)

    def look(self, job_id: int, changed: Callable[[Job, Plan], Job]) -> tuple[Look, SizeRail]:
        """Return what a job's design would look like after a change that is not kept.

        Raises
        ------
        BadInput
            When the outcome cannot be reckoned with.
        """
        stored = self._store.get(job_id)
        look = look_at(changed(stored.job, self._plan(stored)), self.sources, self.catalogue)
        return look, size_rail(look, self.catalogue)

    def try_bridge(self, job_id: int, move: BridgeMove) -> tuple[Plan, Bridge]:
        """Return the bridge a move would give, nothing kept.

        Raises
        ------
        BadInput
            When no bridge can stand there, with the reason.
        """
        plan = self.plan(job_id)
        return plan, bridge_at(plan.look, bridges_beside(plan, move.piece), move, self.catalogue)

    def with_bridge(self, job: Job, plan: Plan, move: BridgeMove) -> Job:
        """Return a job with a bridge moved, widened or added."""
        return move_bridge(self._look_with(job, plan), bridges_beside(plan, move.piece), move, self.catalogue)

    def without_bridge(self, job: Job, plan: Plan, piece: int, index: int) -> Job:
        """Return a job without one bridge of a piece."""
        look = self._look_with(job, plan)
        return remove_bridge(look, bridges_beside(plan, piece), piece, index, self.catalogue)

    def _look_with(self, job: Job, plan: Plan) -> Look:
        return replace(plan.look, job=replace(job, roll=plan.job.roll))

    def plan(self, job_id: int) -> Plan:
        """Return the plan of a job as it stands."""
        return self._plan(self._store.get(job_id))

    def _plan(self, stored: StoredJob) -> Plan:
        plan = self._plans.get(stored)
        if plan is None:
            plan = make_plan(stored.job, self.sources, self.catalogue, check_cut)
            self._plans.keep(stored.id, stored.seq, plan)
        return plan

    def undo(self, job_id: int) -> None:
        """Step back one change."""
        self._store.undo(job_id)

    def redo(self, job_id: int) -> None:
        """Step forward again."""
        self._store.redo(job_id)

    def put_away(self, job_id: int, *, away: bool) -> None:
        """Take a job off the board, or bring it back."""
        self._store.put_away(job_id, away=away)


class _Plans:
    """The plans reckoned last, each by its job and revision; undo may reuse a number, so the job must match too."""

    def __init__(self, most: int) -> None:
        self._most, self._lock = most, Lock()
        self._kept: OrderedDict[tuple[int, int], Plan] = OrderedDict()

    def get(self, stored: StoredJob) -> Plan | None:
        """Return the plan of a job as stored, None when it is not at hand."""
        with self._lock:
            plan = self._kept.get((stored.id, stored.seq))
            if plan is None or plan.job != stored.job:
                return None
            self._kept.move_to_end((stored.id, stored.seq))
            return plan

    def forget(self) -> None:
        """Let all plans go."""
        with self._lock:
            self._kept.clear()

    def keep(self, job_id: int, seq: int, plan: Plan) -> None:
        """Keep a plan at hand, and let the one longest unused go."""
        with self._lock:
            self._kept[job_id, seq] = plan
            self._kept.move_to_end((job_id, seq))
            if len(self._kept) > self._most:
                self._kept.popitem(last=False)


def bridges_beside(plan: Plan, piece: int) -> list[Bridge]:
    """Return the bridges of the mask a piece is in."""
    for mask in plan.masks:
        if any(loose.number == piece for loose in mask.laid.mask.loose):
            return list(mask.cut.bridges)
    return []


def with_fates(job: Job, plan: Plan, numbers: list[int] | None, fate: Fate | None) -> Job:
    """Return the job with a fate set for some loose pieces, or for all."""
    chosen = [piece.number for piece in plan.look.found] if numbers is None else numbers
    check_fates(dict.fromkeys(chosen, fate or "keep"), plan.look.found)
    rest = {number: old for number, old in job.fates.items() if number not in chosen}
    job = job if fate == "bridge" else reset_bridges(job, chosen)
    return replace(job, fates=rest | (dict.fromkeys(chosen, fate) if fate else {}))


def with_tick(job: Job, steps: list[Step], code: str, *, done: bool) -> Job:
    """Return the job with a step done or not; a roll-call closes only when every keeper answered."""
    step = next((step for step in steps if step.code == code), None)
    if step is None:
        raise BadInput(f"There is no step “{code}” in this job.", "Look at the job again: its steps may have changed.")
    if done and step.call:
        missing = [number for number in step.numbers if step.call not in job.calls.get(number, {})]
        if missing:
            named = ", ".join(str(number) for number in missing[:8]) + (" ..." if len(missing) > 8 else "")
            raise BadInput(
                f"The count is not out: {len(missing)} missing ({named}).", "Find them, or tick each as it turns up."
            )
    ticks = {key: at for key, at in job.ticks.items() if key != code}
    return replace(job, ticks=ticks | {code: datetime.now().astimezone()} if done else ticks)


def with_calls(job: Job, plan: Plan, numbers: list[int] | None, call: Call, *, done: bool) -> Job:
    """Return the job with keepers marked as present at a roll-call, or not."""
    keepers = {keeper.number for keeper in plan.keepers}
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
