"""What is there to do at the weeding table? What goes, what stays, and the count before anything is laid."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import TypeVar

from dunestead.core.effort import Effort, effort
from dunestead.core.figures import Catalogue, HandTimes
from dunestead.core.method import Keepers
from dunestead.core.plan.laying import groups_of
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.plan.weeding import sheet_windows
from dunestead.core.tacking.carrier import CarrierCut, carrier_for
from dunestead.core.units import several, show_length
from dunestead.core.work.fingerprint import mask_fingerprint
from dunestead.core.work.kinds import NoValues, TaskKind, Trait, kind_of
from dunestead.core.work.needs import Need, tool
from dunestead.core.work.saying import Said
from dunestead.core.work.tasks import Call, Chain, Count, Task, task_of
from dunestead.core.work.values import OnTape

__all__ = ["bare", "weed"]

V = TypeVar("V")
_PER_SET = frozenset({Trait.PER_SET})


def weed(plan: Plan, catalogue: Catalogue, chain: Chain, mask: MaskPlan, copy: int) -> None:
    """Add the weeding of one set of a mask, as its method has it; the set is known by the first copy it serves."""
    for task in _steps(plan, catalogue, mask, copy)[0]:
        chain.add(task)


def bare(plan: Plan, catalogue: Catalogue, mask: MaskPlan, copy: int) -> list[Task]:
    """Return what bares a mask right before it is laid, and what comes after that; nothing where it has no backing."""
    return _steps(plan, catalogue, mask, copy)[1]


def _steps(plan: Plan, catalogue: Catalogue, mask: MaskPlan, copy: int) -> tuple[list[Task], list[Task]]:
    """Return what can be done long before a mask is laid, and what is done only right before it."""
    table = _Table(plan, catalogue.hand, mask, copy, catalogue.workshop)
    made = [kind.make(table) for kind in map(kind_of, plan.method.weed) if kind.make]
    tasks = [task for task in made if task]
    bares = next((k for k, task in enumerate(tasks) if task.has(Trait.BARES)), len(tasks))
    return tasks[:bares], tasks[bares:]


@dataclass(frozen=True, slots=True)
class _Table:
    """One set of one mask on the weeding table."""

    plan: Plan
    hand: HandTimes
    mask: MaskPlan
    copy: int
    workshop: Mapping[str, float]

    @property
    def patches(self) -> int:
        """In how many patches the mask is cut."""
        return sum(patch.mask == self.mask.number for patch in self.plan.layout.patches)

    @property
    def carrier(self) -> CarrierCut:
        """The transfer tape for it."""
        figures = self.workshop
        free = figures["hinge_strip"] if self.plan.method.hinged else 0.0
        return carrier_for(self.mask.box, figures["carrier_roll"], figures["carrier_lap"], figures["carrier_tab"], free)

    @property
    def tape(self) -> tuple[Need, Need]:
        """What carries it: as it is called, and one use of it out of the stores."""
        method = self.plan.method
        name = "heat-proof tape" if method.carrier == "heat-proof" else "transfer tape"
        amount = 1.0 if method.carrier else 0.0
        return tool(method.tape or "transfer tape"), Need("carrier", method.carrier or "", name, amount, step=1.0)

    def by(self, **counts: float) -> Effort:
        """Return the effort of so many of each figure of the hand."""
        return effort(self.hand, **counts)

    def task(
        self, kind: TaskKind[V], values: V, work: Effort, *, needs: tuple[Need, ...] = (), call: Call | None = None
    ) -> Task:
        """Return a task of this set."""
        return task_of(
            kind,
            values,
            mask=self.mask.number,
            copy=self.copy,
            effort=work,
            needs=needs,
            call=call,
            fingerprint=mask_fingerprint(self.plan, self.mask),
        )


# --- taking out -------------------------------------------------------------------------------
@dataclass(frozen=True, slots=True)
class WindowsValues:
    """Which mask, and how many windows it has."""

    mask: str
    windows: int


def _taking_out(
    code: str, title: Callable[[WindowsValues, str], str], how: str, as_guide: bool = False
) -> TaskKind[WindowsValues]:
    def made(table: _Table) -> Task | None:
        cut = table.mask.cut
        if as_guide and not cut.keepers:
            # Nothing is placed by it.
            return WINDOWS.make(table) if WINDOWS.make else None
        work = table.by(weed_piece=cut.window_count, weed_cm=float(cut.material.length) / 10)
        return table.task(kind, WindowsValues(table.mask.laid.name, cut.window_count), work)

    kind = TaskKind(code, WindowsValues, title, how, cautions=("knife",), traits=_PER_SET, make=made)
    return kind


WINDOWS = _taking_out(
    "weed-windows",
    lambda values, _: f"Weed {several(values.windows, 'window')} of {values.mask}",
    "Take out the parts that will be painted; everything else stays. Hold down the part that stays.",
)
_taking_out(
    "weed-guide",
    lambda values, _: f"Pull the painted part of {values.mask} out whole and keep it",
    "Keep it in one piece if you can: laid back in later, it shows where each keeper goes. Keepers stay on the mat.",
    as_guide=True,
)
_taking_out(
    "weed-field",
    lambda values, _: f"Weed the field away around {values.mask}",
    "Take away everything around the shapes; the shapes stay on their backing.",
)


# --- patch by patch ---------------------------------------------------------------------------
def _by_patch(code: str, figure: str, title: str, how: str, also: frozenset[Trait] = frozenset()) -> None:
    """Have a kind of which the hands' time goes by the patches."""

    def made(table: _Table) -> Task:
        return table.task(kind, NoValues(), table.by(**{figure: table.patches}))

    kind = TaskKind(code, NoValues, title, how, traits=_PER_SET | also, make=made)


_by_patch(
    "weed-mat-off",
    "off_the_mat",
    "Turn it over and peel the mat off the mask",
    "Bend the mat away from the mask, not the mask from the mat: that way the mask does not curl.",
)
_by_patch(
    "weed-backing-off",
    "backing_off",
    "Peel the backing off, flat",
    "Pull it low and flat, away from you. Push back down whatever lifts with it.",
    frozenset({Trait.BARES}),
)


# --- on tape ----------------------------------------------------------------------------------
def _handling(code: str, figure: str, title: str, how: str) -> None:
    """Have a kind that handles a mask which travels on tape, patch by patch."""

    def made(table: _Table) -> Task | None:
        if not table.plan.is_taped(table.mask):
            return None
        return table.task(kind, NoValues(), table.by(**{figure: table.patches}), needs=table.tape[:1])

    kind = TaskKind(code, NoValues, title, how, traits=_PER_SET, make=made)


def _taped_over(table: _Table) -> Task | None:
    if not table.plan.is_taped(table.mask):
        return None
    return table.task(TAPE_OVER, OnTape(table.carrier), table.by(tape_over=table.patches), needs=table.tape)


def _tape_over_how(values: OnTape, said: Said) -> str:
    cut, unit = values.carrier, said.unit
    size = f"{show_length(cut.width, unit)} by {show_length(cut.length, unit)}"
    strips = f"Use {cut.strips} strips of {size}, overlapping" if cut.strips > 1 else f"Use one piece of {size}"
    hinge = (
        f" Leave {show_length(cut.free, unit)} of the mask bare along one long side: it becomes the hinge."
        if cut.free
        else ""
    )
    return (
        f"{strips}, with a tab beyond the mask to lift it by.{hinge} Put sheets side by side as they will lie. Set "
        "their seams by the check distances. Smooth the tape down without folds."
    )


@dataclass(frozen=True, slots=True)
class GroupsValues(OnTape):
    """Shapes taken up on tape, in so many groups."""

    groups: int


def _taped_groups(table: _Table) -> Task:
    groups = groups_of(table.plan.look)
    return table.task(TAPE_GROUPS, GroupsValues(table.carrier, groups), table.by(tape_over=groups), needs=table.tape)


TAPE_OVER = TaskKind(
    "weed-tape-over",
    OnTape,
    "Lay transfer tape over all of it",
    _tape_over_how,
    traits=frozenset({Trait.PER_SET, Trait.CARRIES}),
    make=_taped_over,
)
TAPE_GROUPS = TaskKind(
    "weed-tape-groups",
    GroupsValues,
    lambda values, _: f"Take up {several(values.groups, 'group')} on weak tape",
    "Take it up word by word, so that the letters keep their spacing.",
    traits=frozenset({Trait.PER_SET, Trait.CARRIES}),
    make=_taped_groups,
)
_handling(
    "weed-burnish",
    "burnish",
    "Burnish it, front and back",
    "Rub the front, turn it over, rub the back, until every piece holds to the tape.",
)
_handling(
    "weed-weaken-tape",
    "weaken_tape",
    "Dab the tape on cloth to weaken it",
    "Dab it a few times on a shirt until it only just holds: it has to let go of the mask later.",
)
_handling(
    "weed-trim-tape",
    "trim_tape",
    "Trim the tape flush on the side you align by",
    "Leave a tab on the other side to lift it by.",
)


# --- the count --------------------------------------------------------------------------------
@dataclass(frozen=True, slots=True)
class CountValues:
    """How many windows are out and keepers in their places, and where those are."""

    windows: int
    keepers: int
    where: Keepers


_KEPT: Mapping[Keepers, str] = {
    "mat": "on the mat, in their places",
    "tape": "on the tape",
    "carrier": "on the carrier",
    "dish": "in the dish",
    "none": "bridged",
}


def _count_title(values: CountValues, _: str) -> str:
    out = f"{several(values.windows, 'window')} out" if values.windows else ""
    kept = f"{several(values.keepers, 'keeper')} {_KEPT[values.where]}" if values.keepers else ""
    return f"Count: {', '.join(part for part in (out, kept) if part) or 'one piece, nothing loose'}"


def _count(table: _Table) -> Task:
    cut = table.mask.cut
    windows = 0 if table.mask.laid.is_reverse else cut.window_count
    numbers = tuple(keeper.number for keeper in cut.keepers)
    return table.task(
        COUNT,
        CountValues(windows, len(numbers), table.plan.method.keepers),
        table.by(count_window=windows + len(numbers)),
        call=Call(numbers, counts=_window_counts(table) if windows else ()),
    )


def _window_counts(table: _Table) -> tuple[Count, ...]:
    """Return the windows to count, sheet by sheet where there are several."""
    by_sheet = sheet_windows(table.plan, table.mask)
    if len(by_sheet) < 2:
        return (Count("windows", "windows out", table.mask.cut.window_count),)
    return tuple(
        Count(f"windows-{sheet}", f"windows out of sheet {sheet}{_but(found.reaching_over)}", found.counted)
        for sheet, found in by_sheet.items()
        if found.counted
    )


def _but(reaching_over: int) -> str:
    """Say which windows on a sheet are counted on another one."""
    if not reaching_over:
        return ""
    return f", without the {several(reaching_over, 'part')} that {'runs' if reaching_over == 1 else 'run'} over a seam"


COUNT = TaskKind(
    "weed-count",
    CountValues,
    _count_title,
    "Every window should be out and every piece in its place. Count them and write the number down.",
    traits=_PER_SET,
    make=_count,
)
