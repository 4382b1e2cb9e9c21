"""The stores at work: what there is, what jobs will take of it, and what each step took when it was ticked off."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import datetime

from pydantic import TypeAdapter

from dunestead.core.errors import BadInput, NoSuchThing, NotNow
from dunestead.core.figures import Catalogue
from dunestead.core.inventory.items import Item, check_item
from dunestead.core.inventory.ledger import Move, counted, given_back, taken_back
from dunestead.core.inventory.needed import needs_left, returned_by, taken_by
from dunestead.core.inventory.reserving import JobNeeds, Reserved, Served, is_kept, reserve, serve
from dunestead.core.inventory.taking import Step, moves_of
from dunestead.core.work.kinds import Trait
from dunestead.core.work.needs import Need
from dunestead.core.work.tasks import Task
from dunestead.store import Records
from dunestead.workshop.clock import Clock
from dunestead.workshop.excerpts import NEEDS, Excerpts
from dunestead.workshop.opened import OpenJob

__all__ = ["ForJob", "Inventory"]


@dataclass(frozen=True, slots=True)
class ForJob:
    """What a job will still take of one thing: out of which, by their numbers, and what is short."""

    need: Need
    taken_from: tuple[int, ...]
    short: float


class Inventory:
    """What is in store.

    Parameters
    ----------
    records, needs
        The things and what went in and out; what jobs will take.
    catalogue
        Returns all figures as they are now.
    clock
        The workshop's.
    """

    def __init__(self, records: Records, excerpts: Excerpts, catalogue: Callable[[], Catalogue], clock: Clock) -> None:
        self._records, self.ledger, self._excerpts = records, records.ledger, excerpts
        self._catalogue, self._clock = catalogue, clock

    @property
    def items(self) -> Mapping[int, Item]:
        """All things in store, by number."""
        return self._records.items.all()

    @property
    def _alike(self) -> float:
        return self._catalogue().workshop["colours_alike"]

    # --- looking ----------------------------------------------------------------------------------
    def reserved(self, seconds: float | None = None) -> tuple[Reserved, int]:
        """Return all in store with what jobs on the board will take of it and what is short.

        With it comes how many of the jobs are not reckoned yet, where there were only so many seconds for it.
        """
        needs, waiting = self._needs(seconds)
        return reserve(self.items, self.ledger.left(), needs, self._alike), waiting

    def _needs(self, seconds: float | None) -> tuple[list[JobNeeds], int]:
        told = self._excerpts.all(NEEDS, lambda opened: _NEEDS.dump_json(_needs_of(opened)).decode(), seconds=seconds)
        return [_NEEDS.validate_json(text) for text in told.texts], told.waiting

    def for_job(self, opened: OpenJob) -> list[ForJob]:
        """Return what a job will still take, with what serves it once jobs due sooner have had theirs.

        Kinds of which nothing is kept are left out: who keeps no account of pins is told of none.
        """
        items = self.items
        if not items:
            return []
        own = _needs_of(opened)
        others = [one for one in self._needs(_PATIENCE_S)[0] if one.job != own.job and one.turn < own.turn]
        reserved = reserve(items, self.ledger.left(), others, self._alike)
        free = {held.number: held.free for held in reserved.held}
        found: dict[Need, ForJob] = {}
        for need in own.needs:
            if not is_kept(need, items):
                continue
            served = serve(need, items, free, self._alike)
            for number, amount in served.taken.items():
                free[number] -= amount
            same = replace(need, amount=0.0, step=0.0, piece=None)
            found[same] = _with(found.get(same, ForJob(same, (), 0.0)), need.amount, served)
        return list(found.values())

    # --- what steps take --------------------------------------------------------------------------
    def moves_for(self, opened: OpenJob, task: Task, at: datetime, *, done: bool) -> list[Move]:
        """Return what a step takes out of the stores, and gives back, when it is ticked off; or its taking back.

        What is short is taken from what would serve all the same: it was used, and the count is what is wrong.
        """
        items, job = self.items, opened.head.id
        before = self.ledger.of_task(job, task.id)
        if not done:
            return given_back(before, job, task.id, at)
        if opened.progress.done(task) and not opened.progress.outdated_by(task):
            return []
        step = Step(job, task.id, max((move.batch for move in before), default=0) + 1, at)
        needs = _as_counted(opened, task, taken_by(task))
        returns = returned_by(task, opened.progress)
        return moves_of(step, needs, returns, items, self.ledger.left(), self._alike)

    # --- changing ---------------------------------------------------------------------------------
    def add(self, item: Item, left: float, note: str = "") -> int:
        """Keep something, so much of it; returns its number.

        Raises
        ------
        BadInput
            When it cannot be kept, or there would be less than none of it.
        """
        check_item(item, self._catalogue())
        _check_amount(left)
        begun = Move(0, left, "begun", self._clock.now(), note=note)
        return self._records.items.add(
            item, also=lambda session, number: self.ledger.write(session, [replace(begun, item=number)])
        )

    def keep_mask(self, opened: OpenJob, number: int) -> int:
        """Keep a mask of a job, to be used again; returns its number in store.

        Raises
        ------
        NoSuchThing
            When the job has no such mask.
        NotNow
            When it cannot be: it is used once, has not come off a print yet, is kept already, or is worn out.
        """
        plan, material = opened.plan, opened.plan.choices.material
        mask = next((one for one in plan.masks if one.number == number), None)
        if mask is None:
            raise NoSuchThing(f"This job has no mask {number}.", f"It has {len(plan.masks)}.")
        if why_not := self.why_not_kept(opened, number):
            raise why_not
        prints = _prints(opened, number)
        of = f", {mask.laid.name.removeprefix('the ')}" if len(plan.masks) > 1 else ""
        item = Item(
            f"Mask of {plan.job.name}"[: _LONGEST_NAME - len(of)] + of,
            "mask",
            material.key,
            job=opened.head.id,
            mask=number,
            design=mask.design,
            prints_before=prints,
        )
        return self.add(item, float(material.uses - prints))

    def why_not_kept(self, opened: OpenJob, number: int) -> NotNow | None:
        """Return why a mask of a job cannot be kept in store, None where it can."""
        plan, material = opened.plan, opened.plan.choices.material
        if material.uses <= 1:
            return NotNow(f"{material.name} is used once.", "Masks of plastic, card and film can be kept.")
        if not plan.is_cut:
            return NotNow("This mask is in store already.", "Look for it at the stores.")
        prints = _prints(opened, number)
        if not prints:
            return NotNow("This mask has not come off a print yet.", "Tick its peel off first.")
        kept = [one for one in self.items.values() if (one.job, one.mask) == (opened.head.id, number)]
        if kept:
            return NotNow(f"It is in store already, as “{kept[0].name}”.", "Look for it at the stores.")
        if prints >= material.uses:
            return NotNow(f"It has given {prints} prints: it is worn out by now.", "Cut a new one for the next job.")
        return None

    def wear_out(self, number: int) -> None:
        """Take a mask out for good: worn out, it tells how many prints such a mask gives."""
        item = self._records.items.get(number)
        if item.kind != "mask":
            raise BadInput(f"“{item.name}” does not wear out.", "Take it out of the stores.")
        self._records.items.change(number, replace(item, worn=self._clock.now().date()))
        self._records.items.drop(number)

    def change(self, number: int, item: Item) -> None:
        """Change what is known of something; how much is left of it is counted, or bought."""
        before = self._records.items.get(number)
        if before.kind != item.kind:
            raise BadInput(f"“{before.name}” cannot turn into something else.", "Take it out, and add the other.")
        check_item(item, self._catalogue())
        self._records.items.change(number, replace(item, **{name: getattr(before, name) for name in _OF_A_MASK}))

    def drop(self, number: int) -> None:
        """Take something out of the stores; it can be brought back, with what was left of it."""
        self._records.items.drop(number)

    def undo(self, number: int) -> None:
        """Take the last change of something back, or bring it back."""
        self._records.items.undo(number)

    def count(self, number: int, found: float, note: str = "") -> None:
        """Write down what a stock-take found of something."""
        item = self._records.items.get(number)
        _check_amount(found)
        left = self.ledger.left().get(number, 0.0)
        if found == left:
            raise NotNow(f"There should be as much of “{item.name}” as you counted.", "Nothing has to be changed.")
        self.ledger.add([counted(number, found, left, self._clock.now(), note)])

    def take_back(self, number: int) -> None:
        """Take the last thing back that was written down of something by hand.

        Raises
        ------
        NotNow
            When nothing was, or all of it was taken back.
        """
        self._records.items.get(number)
        back = taken_back(self.ledger.of_item(number), self._clock.now())
        if back is None:
            raise NotNow("Nothing was bought or counted that could be taken back.", "Carry on from here.")
        self.ledger.add([back])

    def buy(self, number: int, amount: float, note: str = "") -> None:
        """Write down that more of something came in."""
        self._records.items.get(number)
        if amount <= 0:
            raise BadInput("Nothing came in.", "Give how much was bought; count anew where there is less than thought.")
        _check_amount(amount)
        self.ledger.add([Move(number, amount, "bought", self._clock.now(), note=note)])


def _needs_of(opened: OpenJob) -> JobNeeds:
    """Return what a job will still take."""
    job = opened.plan.job
    return JobNeeds(opened.head.id, job.name, job.blank.due, tuple(needs_left(opened.progress)))


def _with(found: ForJob, amount: float, served: Served) -> ForJob:
    """Return what a job will take of one thing, with one need more."""
    numbers = tuple(dict.fromkeys((*found.taken_from, *served.taken)))
    return ForJob(replace(found.need, amount=found.need.amount + amount), numbers, found.short + served.short)


def _as_counted(opened: OpenJob, task: Task, needs: Sequence[Need]) -> list[Need]:
    """Return needs as they were counted: how many pins were set is what was taken, whatever was planned."""
    pins = opened.progress.counted(task, "pins")
    return [need if need.kind != "pins" or pins is None else replace(need, amount=float(pins)) for need in needs]


def _prints(opened: OpenJob, mask: int) -> int:
    """Return how many copies the newest set of a mask came off."""
    plan = opened.plan
    done = [
        task.copy
        for task in opened.graph.with_trait(Trait.TAKES_MASK_OFF)
        if task.mask == mask and task.copy and opened.progress.is_done(task)
    ]
    newest = max((plan.set_of(copy) for copy in done), default=0)
    return sum(plan.set_of(copy) == newest for copy in done)


def _check_amount(amount: float) -> None:
    if not 0 <= amount <= _MOST:
        raise BadInput(f"There cannot be {amount:g} of it.", f"Give 0 to {_MOST:,.0f}.")


_MOST = 1_000_000.0
# So long a job's own page waits for others to be reckoned anew, s; those left are not held against it.
_PATIENCE_S = 1.0
_NEEDS = TypeAdapter(JobNeeds)
_LONGEST_NAME = 120
# What a maker does not write down of a kept mask.
_OF_A_MASK = ("job", "mask", "design", "prints_before", "worn")
