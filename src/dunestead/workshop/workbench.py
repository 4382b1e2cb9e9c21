"""Jobs opened: stored entries, the plan reckoned from them, what happened, and changes made to it."""

import logging
from collections.abc import Callable, Mapping, Sequence
from dataclasses import replace
from datetime import date, datetime
from hashlib import sha256

from pydantic import TypeAdapter

from dunestead.core.artwork.elements import Drawn, Element, Traced, Words, clean_text
from dunestead.core.artwork.painted import paint
from dunestead.core.artwork.plainer import Plainer, made_plainer
from dunestead.core.artwork.trace.outline import trace
from dunestead.core.artwork.trace.settings import TraceSettings
from dunestead.core.artwork.words.lines import in_lines
from dunestead.core.artwork.words.setting import Setting, set_words
from dunestead.core.blanks.blank import Blank
from dunestead.core.changes.arranging import (
    add_element,
    as_garment,
    change_blank,
    fit_design,
    new_element,
    resize_design,
)
from dunestead.core.errors import BadInput, DamagedJob, DunesteadError, HeldBack, TooEarly
from dunestead.core.figures import Catalogue
from dunestead.core.job.job import Job, Record, altered, fits, materials_for, start_job, usual_coatings
from dunestead.core.job.log import LogEntry
from dunestead.core.learning.costs import costs_of
from dunestead.core.learning.finished import Finished, finished_of
from dunestead.core.learning.learnt import (
    Learning,
    Learnt,
    learnt_of,
    lessons_in,
    lessons_of_masks,
    lessons_of_pressing,
    taught,
)
from dunestead.core.learning.lessons import closed_at
from dunestead.core.learning.recipes import with_recipe
from dunestead.core.limits import check_limits
from dunestead.core.looking.look import Look, look_at
from dunestead.core.looking.mending import mends_for
from dunestead.core.looking.rail import SizeRail, size_rail
from dunestead.core.looking.remedies import Tools
from dunestead.core.looking.ties import BridgeMove, bridge_at, move_bridge, remove_bridge, reset_bridges
from dunestead.core.mask.bridges import Bridge
from dunestead.core.mask.fates import Fate, check_fates
from dunestead.core.plan.plan import Plan, make_plan
from dunestead.core.records import Pressed
from dunestead.core.stations.consequence import Consequence, consequence_of, with_method
from dunestead.core.stations.graph import next_of, red_before_cutting, stations_of, task_graph
from dunestead.core.stations.ticking import doubt_about
from dunestead.core.work.kinds import Trait
from dunestead.core.work.progress import Progress
from dunestead.core.work.tasks import Task, TaskGraph
from dunestead.devices.weather import SimulatedWeather, WeatherService
from dunestead.formats.artwork import read_drawing
from dunestead.formats.picture import is_picture, read_picture
from dunestead.formats.verified import check_cut
from dunestead.store import BlankStore, JobHead, JobStore, Records, StoredBlank, StoredJob
from dunestead.store.searches import SearchStore
from dunestead.workshop.cards import Cards
from dunestead.workshop.clock import Clock
from dunestead.workshop.clocks import Clocks
from dunestead.workshop.cutting_room import CuttingRoom
from dunestead.workshop.inventory import Inventory
from dunestead.workshop.needs import Needs
from dunestead.workshop.opened import UNRECKONED, Mending, OpenJob
from dunestead.workshop.plans import Plans, Reckoned
from dunestead.workshop.searches import Searches
from dunestead.workshop.sources import StoredSources
from dunestead.workshop.uses import OwnRecords, uses_of

__all__ = ["Change", "Workbench", "with_fates"]

_LOGGER = logging.getLogger(__name__)
_STARTS_AT_MM = 100.0
_FIRST_FACE = "archivo-black"
_LONGEST_NAME = 120
_JOB = TypeAdapter(Job)
Change = Callable[[Job, Plan], Job]


class Workbench:
    """Opens and changes jobs; every change is reckoned through before it is kept."""

    def __init__(
        self,
        store: JobStore,
        blanks: BlankStore,
        records: Records,
        catalogue: Catalogue,
        cutting: CuttingRoom,
        clock: Clock | None = None,
        weather: WeatherService | None = None,
        plans: Plans | None = None,
        searches: SearchStore | None = None,
    ) -> None:
        self._store = store
        self.weather = weather or SimulatedWeather()
        self.clock = clock or Clock()
        self.blanks = blanks
        self.records = records
        self._shipped = catalogue
        self.cutting = cutting
        self.searches = Searches(self.clock.steady, searches)
        self.sources = StoredSources(store.file)
        self._plans = plans or Plans()
        self.cards = Cards(store, self.open, catalogue)
        self.clocks = Clocks(store, self.open)
        self.needs = Needs(store, self.open, catalogue)
        self.stores = Inventory(records, self.needs, lambda: self.catalogue, self.clock)
        self.records_state = -1
        self.refresh()

    def refresh(self, state: int | None = None) -> None:
        """Reckon with the maker's records as they are now; plans made from others are not taken for these.

        Parameters
        ----------
        state
            The number of their state where others have counted it; the next one when None.
        """
        self.records_state = self.records_state + 1 if state is None else state
        own_catalogue = self.records.added_to(self._shipped)
        self.finished = self._store.finished()
        self.learnt = self._learnt(own_catalogue)
        catalogue = taught(own_catalogue, self.learnt)
        self._figures = (catalogue, OwnRecords(catalogue))
        self.cards.refresh(self._figures[1])
        self.needs.refresh(self._figures[1])

    def close(self) -> None:
        """End what goes on between requests: the database is another one now."""
        self.cutting.close()
        self.searches.close()

    @property
    def catalogue(self) -> Catalogue:
        """All figures, with the maker's own records."""
        return self._figures[0]

    @property
    def is_empty(self) -> bool:
        """Whether no job was ever begun here."""
        return self._store.is_empty()

    def tools(self, unit: str) -> Tools:
        """Return what trying a remedy needs."""
        return Tools(self.sources, self.catalogue, unit)

    # --- files and parts --------------------------------------------------------------------------
    def plainer_for(self, surface: str, blank: Blank | None) -> Plainer:
        """Return how a drawing is made plainer for a surface: without what is too fine for it at any size that fits."""
        row = self.catalogue.surface(surface)
        longer = max(blank.size if blank else row.blank)
        return Plainer(min(round(row.stroke / longer, 4), 0.5), round(self.catalogue.workshop["plainer_colours"]))

    def keep_file(self, data: bytes, file_name: str, plainer: Plainer | None = None) -> Callable[[int], Element]:
        """Keep an artwork file once it has proven readable; returns what makes an element of it.

        A drawing is made plainer where that is wished; a picture is traced as it is.

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
        drawing = read_drawing(data, name)
        paint(made_plainer(drawing, plainer) if plainer else drawing, _STARTS_AT_MM)
        key = self._store.keep_file(data)
        least, colours = (plainer.least, plainer.colours) if plainer else (None, None)
        return lambda number: Drawn(
            id=number, source=key, file_name=name, width=_STARTS_AT_MM, least=least, colours=colours
        )

    def faces_for(self, text: str) -> list[str]:
        """Return the keys of the faces that have every letter of a text, in the order of the table."""
        return [key for key in self.catalogue.faces if not self.sources.face(key).lacks(text)]

    def first_words(self, text: str, face: str | None, surface: str, blank: Blank | None) -> Callable[[int], Element]:
        """Return what makes the words of a new job: in lines where one would be too low for the surface."""
        key = face or self._able_face(text)
        row = self.catalogue.surface(surface)
        width, height = blank.size if blank else row.blank
        margin = self.catalogue.workshop["margin_share"] * width
        room = (max(width - 2 * margin, 1.0), max(height - 2 * margin, 1.0))
        self.catalogue.face(key)
        lowest = row.letter * self.catalogue.workshop["first_letters"]
        return self.make_words(in_lines(text, self.sources.face(key), room, lowest), key)

    def _able_face(self, text: str) -> str:
        """Return the first face that has all letters of a text; raises `BadInput` when none has."""
        able = [_FIRST_FACE] if not self.sources.face(_FIRST_FACE).lacks(text) else self.faces_for(text)
        if not able:
            raise BadInput(
                "None of the letterings that come with Dunestead has all of these letters.",
                "Chinese, Japanese and some other scripts need a drawing of the words: drop one as SVG.",
            )
        return able[0]

    def make_words(self, text: str, face: str | None = None) -> Callable[[int], Element]:
        """Return what makes an element of words, in the first face that has all their letters where none is given.

        Raises
        ------
        BadInput
            When the face is none of ours or draws nothing of them, or no face has their letters.
        """
        face = face or self._able_face(text)
        self.catalogue.face(face)
        setting = Setting(clean_text(text), _STARTS_AT_MM)
        set_words(setting, self.sources.face(face))
        return lambda number: Words(id=number, face=face, setting=setting)

    def keep_named(self, files: Mapping[str, bytes]) -> Callable[[str], str]:
        """Return what keeps a file by its name, out of those that came along; readable ones only.

        The keeper raises `BadInput` when there is no such file, or it cannot be read.
        """

        def keep(name: str) -> str:
            if name not in files:
                raise BadInput(f"“{name[:80]}” did not come with the job file.", "Send it along, in the same zip.")
            data = files[name]
            if is_picture(data):
                read_picture(data)
            else:
                paint(read_drawing(data, name), _STARTS_AT_MM)
            return self._store.keep_file(data)

        return keep

    def keep_outline(self, data: bytes, file_name: str) -> tuple[str, float]:
        """Keep a drawing whose largest shape is a blank's outline; returns its key, and its height for a width of 1."""
        drawn = paint(read_drawing(data, file_name), _STARTS_AT_MM)
        x0, y0, x1, y1 = max(drawn.region.geoms, key=lambda part: float(part.area)).bounds
        return self._store.keep_file(data), (y1 - y0) / (x1 - x0)

    def with_outline(self, job: Job, key: str, name: str, ratio: float) -> Job:
        """Return a job whose blank has a drawn outline, as wide as it was and as high as the drawing has it."""
        height = round(job.piece.width * ratio, 1)
        piece = replace(job.piece, shape="outline", outline=key, outline_name=name, height=height, measured_height=None)
        return self.with_blank(job, piece)

    def with_blank(self, job: Job, blank: Blank) -> Job:
        """Return a job with another blank: sized as its garment, the design keeping its size or margins."""
        sized = as_garment(blank, job.piece, self.catalogue)
        return change_blank(job, sized, self.sources, self.catalogue)

    def with_kept_blank(self, job: Job, kept: StoredBlank) -> Job:
        """Return a job on a blank of the library, with mask and paint that work on its surface."""
        surface = self.catalogue.surface(kept.surface)
        if kept.surface != job.blank.surface:
            job = altered(job, surface=kept.surface, method=None)
            if not fits(self.catalogue.material(job.mask.material), surface):
                job = altered(job, material=materials_for(self.catalogue, surface)[0].key)
            paints = [self.catalogue.paint(coating.paint) for coating in job.paint.coatings]
            if any(surface.family not in one.families for one in paints):
                job = altered(job, coatings=usual_coatings(self.catalogue, surface))
        return fit_design(altered(job, piece=kept.blank), self.sources, self.catalogue)

    def with_width(self, job: Job, width: float) -> Job:
        """Return a job with its design so wide, mm."""
        return resize_design(job, width, self.sources, self.catalogue)

    def with_new(self, job: Job, make: Callable[[int], Element]) -> Job:
        """Return a job with one more part in its design, sized to join it."""
        return add_element(job, lambda number: new_element(job, make(number), self.sources, self.catalogue))

    # --- opening ----------------------------------------------------------------------------------
    def begin(
        self,
        make: Callable[[int], Element],
        name: str,
        surface: str,
        blank: Blank | None = None,
        recipe: int | None = None,
    ) -> int:
        """Begin a job with its first element, which fills the blank up to its margins; returns its number.

        It is made by a recipe where the number of one is given; raises `BadInput` where that does not do.
        """
        job = start_job(name, self.catalogue.surface(surface), self.catalogue, make(1), blank)
        if recipe is not None:
            job = with_recipe(job, self.records.recipes.get(recipe), self.catalogue)
        job = fit_design(job, self.sources, self.catalogue)
        return self._store.add(self.reckon(job).plan.job)

    def add(self, job: Job, log: Sequence[LogEntry] = ()) -> int:
        """Keep a job that was put together elsewhere, and what happened to it, once it is reckoned through.

        Returns its number.
        """
        return self._store.add(self.reckon(job).plan.job, log)

    def open(self, job_id: int, unit: str) -> OpenJob:
        """Return a job with all that follows from it."""
        return self._opened(self._store.get(job_id), unit)

    def plan(self, job_id: int) -> Plan:
        """Return the plan of a job as it stands."""
        return self.reckon(self._store.get(job_id).job).plan

    def try_method(self, job_id: int, key: str) -> tuple[Consequence, Consequence]:
        """Return what hangs on the method of a job, as it is and with another; nothing is kept."""
        job, catalogue = self._store.get(job_id).job, self.catalogue
        now, then = self.reckon(job), self.reckon(with_method(job, key, catalogue))
        return (
            consequence_of(now.plan, now.graph, catalogue),
            consequence_of(then.plan, then.graph, catalogue),
        )

    def reckon(self, job: Job) -> Reckoned:
        """Return the plan of a job and its tasks.

        Raises
        ------
        BadInput
            When it cannot be reckoned with.
        """
        catalogue, own = self._figures

        def make() -> Reckoned:
            plan = make_plan(job, self.sources, catalogue, check_cut)
            return Reckoned(plan, task_graph(plan, catalogue))

        def key(of: Job) -> str:
            return f"{own.reckoned_from(uses_of(of))}:{sha256(_JOB.dump_json(of)).hexdigest()}"

        reckoned = self._plans.get(key(job), make)
        # What is kept is the job with its roll brought up to date, and asked for next: its plan is the same.
        self._plans.also(key(reckoned.plan.job), reckoned)
        return reckoned

    def _opened(self, stored: StoredJob, unit: str) -> OpenJob:
        reckoned = self.reckon(stored.job)
        plan, at = reckoned.plan, self.clock.now()
        progress = Progress(reckoned.graph, stored.log)
        stations = stations_of(plan, progress, unit, at)
        earlier = tuple(one for number, _, one in self.finished if number != stored.id)
        following = next_of(plan, progress, stations, at)
        return OpenJob(stored.head, plan, progress, stations, following, at, self.learnt, earlier)

    def job(self, job_id: int) -> Job:
        """Return what the maker decided about a job."""
        return self._store.get(job_id).job

    def stored(self, job_id: int) -> tuple[Job, tuple[LogEntry, ...]]:
        """Return what the maker decided about a job, and what happened to it."""
        stored = self._store.get(job_id)
        return stored.job, stored.log

    def job_names(self) -> dict[int, str]:
        """Return what each job that is not deleted is called."""
        return self._store.names()

    def file(self, key: str) -> bytes:
        """Return the bytes of a kept file."""
        return self._store.file(key)

    def head(self, job_id: int) -> JobHead:
        """Return where a job stands, without what is in it."""
        return self._store.head(job_id)

    # --- the board --------------------------------------------------------------------------------
    def numbers(self) -> list[int]:
        """Return the numbers of the jobs on the board."""
        return [row.id for row in self._store.board()]

    def put_away(self, job_id: int, *, away: bool) -> None:
        """Take a job off the board, or bring it back."""
        self._store.put_away(job_id, away=away)
        self._relearn(job_id)

    def delete(self, job_id: int) -> None:
        """Delete a job; for a while it can be brought back. Those whose time is up are erased."""
        self._store.delete(job_id)
        self._store.erase()
        self._relearn(job_id)

    def erase(self, job_id: int) -> None:
        """Erase a deleted job for good."""
        self._store.erase(job_id)

    def make_again(self, job_id: int, name: str, due: date | None, blanks: Sequence[int] = ()) -> list[int]:
        """Begin jobs with all that was decided about another, and nothing of what happened; returns their numbers.

        Parameters
        ----------
        name, due
            What it is called, and for when; of several each is called by its blank too.
        blanks
            Numbers of the library: one job on each, the design fitted to it; on the same blank where there are none.

        Raises
        ------
        BadInput
            When one of them cannot be reckoned with; then none is begun.
        """
        like = altered(self._store.get(job_id).job, name=name, due=due, record=Record())
        check_limits(like)
        kept = [self.blanks.get(number) for number in dict.fromkeys(blanks)]
        jobs = [self.with_kept_blank(like, one) for one in kept] or [like]
        if len(jobs) > 1:
            room = _LONGEST_NAME - 2
            names = [f"{name[: room - len(one.name[:60])]}, {one.name[:60]}" for one in kept]
            jobs = [altered(job, name=own) for job, own in zip(jobs, names, strict=True)]
        return self._store.add_all([self.reckon(job).plan.job for job in jobs])

    # --- mending ----------------------------------------------------------------------------------
    def mending(self, job_id: int) -> Mending:
        """Return what is wrong with a job that cannot be reckoned, and what mends it; each way was tried."""
        head, name = self._store.head(job_id), self._store.name_of(job_id)
        try:
            job = self._store.get(job_id).job
            self.reckon(job)
        except DamagedJob as error:
            return Mending(head, name, error.what, error.fix, ())
        except DunesteadError as error:
            mends = tuple(mend for mend in mends_for(job, self.catalogue, self.sources) if self._holds(mend.job))
            return Mending(head, name, error.what, error.fix, mends)
        except Exception:
            _LOGGER.exception("Job %s cannot be reckoned", job_id)
            return Mending(head, name, *UNRECKONED, ())
        return Mending(head, name, "", "", ())

    def _holds(self, job: Job) -> bool:
        try:
            self.reckon(job)
        except DunesteadError:
            return False
        return True

    def mend(self, job_id: int, key: str, version: int) -> None:
        """Mend a job in one of the ways offered.

        Raises
        ------
        BadInput
            When that way is not offered.
        """
        found = next((mend for mend in self.mending(job_id).mends if mend.key == key), None)
        if found is None:
            raise BadInput("This is not offered any more.", "Look at the job again.")
        self.alter(job_id, found.label, lambda _: found.job, version)

    # --- changing ---------------------------------------------------------------------------------
    def change(self, job_id: int, label: str, changed: Change, version: int | None = None) -> None:
        """Change a job as one undoable step.

        Parameters
        ----------
        job_id, label
            Which job, and the change in words.
        changed
            Given the job and its plan, returns the job as it shall be.
        version
            What the change was made on, None for what is there.

        Raises
        ------
        BadInput
            When the outcome cannot be reckoned with; then nothing is kept.
        Clash
            When the job is at another version.
        """
        self.alter(job_id, label, lambda job: changed(job, self.reckon(job).plan), version)

    def alter(self, job_id: int, label: str, changed: Callable[[Job], Job], version: int | None = None) -> None:
        """Change a job by its entries alone, which mends one that cannot be reckoned; else as `change`."""
        stored = self._store.get(job_id)
        self._store.expect(job_id, version)
        job = changed(stored.job)
        if job == stored.job:
            return
        reckoned = self.reckon(job)
        finished = self._finished(job_id, reckoned.plan, reckoned.graph, stored.log)
        self._store.change(job_id, version or stored.head.version, reckoned.plan.job, label, finished)
        if finished:
            self._relearn()

    def undo(self, job_id: int, version: int | None = None) -> None:
        """Step back one change."""
        self._store.undo(job_id, version)
        self._teach_anew(job_id)

    def redo(self, job_id: int, version: int | None = None) -> None:
        """Step forward again."""
        self._store.redo(job_id, version)
        self._teach_anew(job_id)

    # --- what jobs teach --------------------------------------------------------------------------
    def _finished(self, job_id: int, plan: Plan, graph: TaskGraph, log: Sequence[LogEntry]) -> Finished | None:
        finished = finished_of(plan, graph, log, self.catalogue)
        if finished is None:
            return None
        earlier = [one for number, _, one in self.finished if number != job_id]
        costs = costs_of(plan, graph, self.catalogue, self.records.rates_kept(), earlier)
        return replace(finished, price=costs.price, cost=costs.batch)

    def _learnt(self, own_catalogue: Catalogue) -> dict[str, Learnt]:
        pressed = self.records.pressed.all().values()
        names = self._store.names() if pressed else {}
        lessons = [
            *lessons_in(self.finished),
            *lessons_of_pressing(pressed, names, own_catalogue),
            *lessons_of_masks(self.records.worn_masks(), own_catalogue),
        ]
        return learnt_of(lessons, self.records.learning_kept(), own_catalogue)

    def _relearn(self, moved: int | None = None) -> None:
        """Reckon with what jobs teach, where that has changed; as when one is deleted, or brought back."""
        pressed = moved is not None and any(one.job == moved for one in self.records.pressed.all().values())
        if pressed or self._store.finished() != self.finished:
            self.refresh()

    def _teach_anew(self, job_id: int) -> None:
        """Learn from a finished job once more: what the maker wrote down of it was taken back, or brought back."""
        stored = self._store.get(job_id)
        if closed_at(stored.log):
            reckoned = self.reckon(stored.job)
            self._store.finish(job_id, self._finished(job_id, reckoned.plan, reckoned.graph, stored.log))
            self._relearn()

    def keep_learning(self, learning: Learning) -> None:
        """Keep which figures are set back to the table, and which values are left out."""
        self.records.keep_learning(learning)
        self.refresh()

    def undo_learning(self) -> None:
        """Take the last such choice back; raises `NotNow` when there is none."""
        self.records.undo_learning()
        self.refresh()

    # --- the log ----------------------------------------------------------------------------------
    def tick(
        self,
        job_id: int,
        task_id: str,
        *,
        done: bool,
        version: int | None = None,
        reason: str = "",
        at: datetime | None = None,
        began: datetime | None = None,
        unit: str = "mm",
    ) -> None:
        """Log a task as done, or as not done after all.

        Raises
        ------
        BadInput
            When there is no such task.
        TooEarly
            When it is before its turn or its time, or its count is not out, and no reason is given.
        """
        opened = self.open(job_id, unit)
        task = _task(opened.graph, task_id)
        moment = at or self.clock.now()
        if moment > self.clock.now():
            raise BadInput("That time is in the future.", "Enter a time that has passed.")
        doubt = doubt_about(opened.plan, opened.progress, task, moment, unit) if done and not reason else None
        if doubt:
            raise TooEarly(doubt.what, doubt.fix)
        entry = LogEntry(
            "done" if done else "undone",
            task.id,
            moment,
            began=(began or opened.progress.begun(task)) if done else None,
            reason=reason,
            fingerprint=dict(task.fingerprint) if done else {},
        )
        check_limits(entry)
        # What closes a job makes it teach; taken back, it teaches nothing any more.
        finished = self._finished(job_id, opened.plan, opened.graph, (*opened.log, entry))
        moves = self.stores.moves_for(opened, task, moment, done=done)
        self._store.write(job_id, version, [entry], finished, moves)
        if finished or closed_at(opened.log):
            self._relearn()

    def call(
        self, job_id: int, task_id: str, numbers: Sequence[int], *, present: bool, version: int | None = None
    ) -> None:
        """Log keepers, or rests of the plate, that answered a roll-call, or did not after all.

        Raises
        ------
        BadInput
            When there is no such roll-call, or a number is not on it.
        """
        task = self._numbered(job_id, task_id, numbers)
        entry = LogEntry("called" if present else "uncalled", task.id, self.clock.now(), numbers=tuple(numbers))
        self._store.write(job_id, version, [entry])

    def mark_lifted(
        self, job_id: int, task_id: str, numbers: Sequence[int], *, lifted: bool, version: int | None = None
    ) -> None:
        """Log rests of the plate where the mask lifted, or held after all; raises as `call`."""
        task = self._numbered(job_id, task_id, numbers)
        if task.call is None or task.call.of != "placements":
            raise BadInput("Nothing is pressed in this task.", "Mark what lifts where the mask is pressed.")
        entry = LogEntry("lifted" if lifted else "held", task.id, self.clock.now(), numbers=tuple(numbers))
        self._store.write(job_id, version, [entry])

    def count(self, job_id: int, task_id: str, what: str, value: int, version: int | None = None) -> None:
        """Log how many of something were counted; as many keepers as there should be have all answered.

        Raises
        ------
        BadInput
            When nothing of the kind is counted in this task.
        """
        task = _task(self.open(job_id, "mm").graph, task_id)
        call = task.call
        keepers = call.numbers if call and call.of == "keepers" else ()
        if call is None or not (any(one.code == what for one in call.counts) or (what == "keepers" and keepers)):
            raise BadInput("That is not counted in this task.", "Tick the step off instead.")
        now = self.clock.now()
        entry = LogEntry("counted", task.id, now, what=what, count=value)
        check_limits(entry)
        all_here = what == "keepers" and value == len(keepers)
        called = [LogEntry("called", task.id, now, numbers=keepers)] if all_here else []
        self._store.write(job_id, version, [entry, *called])

    def used(self, job_id: int, task_id: str, celsius: float, seconds: float, version: int | None = None) -> None:
        """Log how a mask was really pressed; as it held or lifted, it is proposed the next time or not.

        Raises
        ------
        BadInput
            When nothing is pressed in this task, or a figure cannot be.
        """
        opened = self.open(job_id, "mm")
        task = _task(opened.graph, task_id)
        if task.call is None or task.call.of != "placements":
            raise BadInput("Nothing is pressed in this task.", "Save where the mask is pressed.")
        plan, now = opened.plan, self.clock.now()
        record = Pressed(
            plan.choices.material.key,
            plan.choices.surface.key,
            plan.method.key,
            1 if task.has(Trait.PRESSES) else len(plan.method.press),
            celsius,
            seconds,
            now.date(),
            job_id,
        )
        check_limits(record)
        self._store.write(job_id, version, [LogEntry("used", task.id, now, celsius=celsius, took=seconds)])
        # What lifted is written down, and no proposal.
        if not opened.progress.lifted(task.call.again or task.id):
            self.records.keep_pressed(record)
            self.refresh()

    def dried(self, job_id: int, task_id: str, version: int | None = None) -> None:
        """Log that a coat was found dry to the touch just now.

        Raises
        ------
        BadInput
            When it is no coat, or it is not on yet.
        """
        opened, now = self.open(job_id, "mm"), self.clock.now()
        task = _task(opened.graph, task_id)
        done = opened.progress.done(task) if task.coating is not None else None
        if done is None:
            raise BadInput("No coat is drying there.", "Tick the coat off first; then say when it is dry to the touch.")
        entry = LogEntry("dried", task.id, now, took=max((now - done.at).total_seconds(), 0.0))
        check_limits(entry)
        self._store.write(job_id, version, [entry])

    def rehearsed(self, job_id: int, seconds: float, slips: int, version: int | None = None) -> None:
        """Log a weeding that was rehearsed on the screen, how long it took and how many pulls were wrong."""
        entry = LogEntry("rehearsed", "weed", self.clock.now(), count=slips, took=seconds)
        check_limits(entry)
        self._store.write(job_id, version, [entry])

    def _numbered(self, job_id: int, task_id: str, numbers: Sequence[int]) -> Task:
        task = _task(self.open(job_id, "mm").graph, task_id)
        if task.call is None or not task.call.numbers:
            raise BadInput("This task has no roll-call.", "Tick the step off instead.")
        if unknown := [number for number in numbers if number not in task.call.numbers]:
            what = "piece that is kept" if task.call.of == "keepers" else "rest of the plate"
            raise BadInput(f"{unknown[0]} is not a {what}.", "Call only the numbers on the map.")
        return task

    def hand_out(self, job_id: int, what: str, unit: str, *, anyway: bool) -> OpenJob:
        """Return a job whose file is asked for.

        Raises
        ------
        HeldBack
            When something red stands in the way, and the maker has not said to hand it out anyway; said so, it is
            logged.
        """
        opened = self.open(job_id, unit)
        if red := red_before_cutting(opened.stations):
            if not anyway:
                raise HeldBack(f"{red.name}: {red.verdict}", "Fix it first, or choose to download the file anyway.")
            self._store.write(job_id, None, [LogEntry("handed-out", what[:120], self.clock.now())])
        return opened

    def keep_bytes(self, data: bytes) -> str:
        """Keep a file as it is and return its key."""
        return self._store.keep_file(data)

    def log(self, job_id: int, entries: Sequence[LogEntry], version: int | None = None) -> None:
        """Add rows to a job's log as they are; made on a version, they clash with any other."""
        self._store.write(job_id, version, entries)

    # --- looking ----------------------------------------------------------------------------------
    def look(self, job_id: int, changed: Change) -> tuple[Look, SizeRail]:
        """Return what a job's design would look like after a change that is not kept.

        Raises
        ------
        BadInput
            When the outcome cannot be reckoned with.
        """
        job = self._store.get(job_id).job
        look = look_at(changed(job, self.reckon(job).plan), self.sources, self.catalogue)
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
        return replace(plan.look, job=altered(job, roll=plan.job.mask.roll))


def _task(graph: TaskGraph, task_id: str) -> Task:
    task = graph.by_id.get(task_id)
    if task is None:
        raise BadInput(
            f"There is no task “{task_id[:80]}” in this job.", "Look at the job again: its tasks may have changed."
        )
    return task


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
    rest = {number: old for number, old in job.mask.fates.items() if number not in chosen}
    job = job if fate == "bridge" else reset_bridges(job, chosen)
    return altered(job, fates=rest | (dict.fromkeys(chosen, fate) if fate else {}))
