"""Weed: what goes, what stays, and the count before anything is laid."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any

from dunestead.core.effort import Effort, effort
from dunestead.core.figures import Catalogue, HandTimes
from dunestead.core.plan.laying import groups_of
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.plan.weeding import sheet_windows
from dunestead.core.stations.station import Outcome, Row
from dunestead.core.tacking.carrier import CarrierCut, carrier_for
from dunestead.core.units import several
from dunestead.core.words.weeding import WHERE
from dunestead.core.work.progress import Progress
from dunestead.core.work.standing import mask_standing
from dunestead.core.work.tasks import Call, Count, Lane, Need, Task

__all__ = ["outcome", "weed"]


def weed(plan: Plan, catalogue: Catalogue, lane: Lane, mask: MaskPlan, copy: int) -> None:
    """Add the weeding of one set of a mask, as its method has it; the set is known by the first copy it serves."""
    making = _Making(plan, catalogue.hand, mask, copy, catalogue.workshop)
    for code in plan.method.weed:
        if task := _TASKS[code](making, code):
            lane.add(task)


@dataclass(frozen=True, slots=True)
class _Making:
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
        free = figures["hinge_strip"] if "tack-hinge" in self.plan.method.tack else 0.0
        return carrier_for(self.mask.box, figures["carrier_roll"], figures["carrier_lap"], figures["carrier_tab"], free)

    @property
    def is_taped(self) -> bool:
        """Whether it travels on tape: always, or only where something could fall out."""
        method = self.plan.method
        return bool(method.tape) and (not method.tape_optional or bool(self.mask.cut.keepers))

    def by(self, **counts: float) -> Effort:
        """Return the effort of so many of each figure of the hand."""
        return effort(self.hand, **counts)

    def task(self, code: str, work: Effort, **more: Any) -> Task:
        """Return a task of this set."""
        entries = {"standing": mask_standing(self.plan, self.mask), **more}
        figures = {"mask": self.mask.laid.name, "windows": self.mask.cut.window_count} | entries.pop("figures", {})
        return Task(
            code,
            "weed",
            mask=self.mask.number,
            copy=self.copy,
            effort=work,
            figures=figures,
            **entries,
        )


Maker = Callable[[_Making, str], Task | None]


def _windows(making: _Making, code: str) -> Task:
    cut = making.mask.cut
    work = making.by(weed_piece=cut.window_count, weed_cm=float(cut.material.length) / 10)
    return making.task(code, work, cautions=("knife",))


def _by_patch(figure: str) -> Maker:
    """Return what makes a task that is done once for every patch."""
    return lambda making, code: making.task(code, making.by(**{figure: making.patches}))


def _taped(figure: str) -> Maker:
    """Return what makes a task of a mask that travels on tape, once for every patch."""

    def made(making: _Making, code: str) -> Task | None:
        if not making.is_taped:
            return None
        cut = making.carrier
        needs = (Need(making.plan.method.tape or "transfer tape"),)
        figures = {"carrier": cut, "weak": "weed-weaken-tape" in making.plan.method.weed}
        return making.task(code, making.by(**{figure: making.patches}), needs=needs, figures=figures)

    return made


def _groups(making: _Making, code: str) -> Task:
    groups = groups_of(making.plan.look)
    needs = (Need(making.plan.method.tape or "transfer tape"),)
    return making.task(
        code, making.by(tape_over=groups), needs=needs, figures={"groups": groups, "carrier": making.carrier}
    )


def _count(making: _Making, code: str) -> Task:
    cut = making.mask.cut
    windows = 0 if making.mask.laid.is_reverse else cut.window_count
    numbers = tuple(keeper.number for keeper in cut.keepers)
    where = making.plan.method.keepers
    return making.task(
        code,
        making.by(count_window=windows + len(numbers)),
        call=Call(numbers, counts=_window_counts(making) if windows else ()),
        figures={"keepers": len(numbers), "where": where, "windows": windows},
    )


def _window_counts(making: _Making) -> tuple[Count, ...]:
    """Return the windows to count, sheet by sheet where there are several."""
    by_sheet = sheet_windows(making.plan, making.mask)
    if len(by_sheet) < 2:
        return (Count("windows", making.mask.cut.window_count),)
    return tuple(Count(f"windows-{sheet}", count) for sheet, count in by_sheet.items() if count)


_TASKS: dict[str, Maker] = {
    "weed-windows": _windows,
    "weed-guide": _windows,
    "weed-field": _windows,
    "weed-mat-off": _by_patch("off_the_mat"),
    "weed-backing-off": _by_patch("backing_off"),
    "weed-tape-over": _taped("tape_over"),
    "weed-burnish": _taped("burnish"),
    "weed-weaken-tape": _taped("weaken_tape"),
    "weed-trim-tape": _taped("trim_tape"),
    "weed-tape-groups": _groups,
    "weed-count": _count,
}


def outcome(plan: Plan, progress: Progress) -> Outcome:
    """Return the station's state, verdict and figures."""
    if not plan.is_cut:
        return "ready", "Masks in store are used again: nothing is weeded.", []
    windows = sum(mask.cut.window_count for mask in plan.masks)
    keepers = len(plan.keepers)
    sets = plan.layout.sets
    counts = [task for task in progress.graph.of("weed") if task.call]
    met = sum(progress.met(task) for task in counts)
    rows = [
        Row("Windows to take out", "count", windows, "In one set of masks." if sets > 1 else ""),
        Row("Loose pieces kept", "count", keepers, WHERE[plan.method.keepers]),
        Row("Pieces counted", "count", met, f"Of {keepers * sets}."),
    ]
    if sets > 1:
        rows.insert(0, Row("Sets of masks", "count", sets))
    if missing := sum(progress.missing(task) for task in counts if progress.is_done(task)):
        return "stop", f"{several(missing, 'keeper')} did not turn up when the pieces were counted.", rows
    kept = f", {several(keepers, 'piece')} to keep {_SHORT[plan.method.keepers]}" if keepers else ""
    each = f" In each of {sets} sets." if sets > 1 else ""
    return "ready", f"{several(windows, 'window')} to weed{kept}.{each}", rows


_SHORT = {
    "mat": "on the cutting mat",
    "tape": "on the tape",
    "carrier": "on the carrier",
    "dish": "in the dish",
    "none": "",
}
