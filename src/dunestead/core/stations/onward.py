"""What does the main button of a station do while a job is still being decided? The next real decision, or the way on.

From the blank to the files the maker is led station by station: what is open here is decided here, then the next
station follows. Once all is decided, the tasks lead where there are any (`next_of`).
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

from dunestead.core.mask.fates import Fate
from dunestead.core.plan.plan import Plan
from dunestead.core.stations.blank.verdict import mistaken_by
from dunestead.core.stations.graph import Next
from dunestead.core.stations.mask.verdict import undecided_of
from dunestead.core.stations.station import NAMES, ORDER, Station
from dunestead.core.units import show_length, shown_up
from dunestead.core.work.progress import Progress

__all__ = ["DECIDING", "Deed", "Onward", "onward_of"]

Deed = Literal["measured", "size", "width", "fates", "kit", "files", "help", "go"]
DECIDING = ORDER[: ORDER.index("sheets") + 1]


@dataclass(frozen=True, slots=True)
class Onward:
    """The main button of a station.

    Attributes
    ----------
    deed
        What it does: the label's size is what the tape says; a size so many times off is put right; the design made
        wider; one fate for every undecided piece; what the workshop works with is asked; the cut files; what helps
        against the first thing found; or it goes to a station.
    prompt
        The question, or what comes next.
    label
        Of the button.
    station
        Where `go` goes, or where one may go on all the same.
    width
        Of ``width``, mm.
    times
        Of ``size``: by how much both sides are off.
    numbers, fate
        Of ``fates``: the pieces, and what becomes of them.
    """

    deed: Deed
    prompt: str
    label: str
    station: str
    width: float | None = None
    times: float | None = None
    numbers: tuple[int, ...] = ()
    fate: Fate | None = None


def onward_of(
    plan: Plan,
    progress: Progress,
    stations: Mapping[str, Station],
    code: str,
    following: Next | None,
    unit: str,
    *,
    knows_kit: bool = True,
) -> Onward | None:
    """Return the main button of a station, None where the work leads: all is decided, or it is no station to decide.

    Parameters
    ----------
    stations
        All of them as they stand, by their codes.
    following
        What comes next in the job.
    knows_kit
        Whether the workshop has said what it cuts and presses with.
    """
    if code not in DECIDING or any(progress.is_done(task) for task in progress.graph.of("sheets")):
        return None
    opened = _open(plan, stations)
    begun = any(progress.is_done(task) for task in progress.graph.tasks)
    if begun and not opened:
        # All is decided and the work is on: it leads, and not back through what was decided.
        return None
    if code == "sheets":
        # Where a mask in store is used again there are no files to take along.
        return None if not plan.is_cut and not opened else _sheets(stations, opened, knows_kit)
    if not opened and following is not None and following.task is not None and following.station == code:
        return None
    own = {
        "blank": lambda: _blank(plan, unit),
        "artwork": lambda: _artwork(plan, stations[code], unit),
        "mask": lambda: _mask(plan, stations[code]),
    }[code]()
    if own:
        return own
    follows = _follows(plan, code, opened)
    return Onward("go", stations[follows].verdict, f"Next: {NAMES[follows]}", follows)


def _follows(plan: Plan, code: str, opened: Sequence[str]) -> str:
    """Return where the way goes on: to what is still to be decided, and not through what was decided once more."""
    if code == "mask":
        return opened[0] if opened and opened[0] != code else "sheets"
    if not opened and plan.job.mask.fates:
        return "sheets"
    return ORDER[ORDER.index(code) + 1]


def _blank(plan: Plan, unit: str) -> Onward | None:
    blank, asked = plan.job.piece, plan.choices.surface.see_through and plan.job.blank.seen_through is None
    if blank.is_measured or asked:
        return None
    width, height = blank.outer
    if times := mistaken_by(blank.outer, plan.choices.surface.blank):
        likely = " by ".join(show_length(side * times, unit) for side in blank.outer)
        doubt = f"Does it really measure {show_length(width, unit)} by {show_length(height, unit)}?"
        return Onward("size", doubt, f"No, {likely}", "artwork", times=times)
    size = f"{show_length(width, unit)} by {show_length(height, unit)}"
    prompt = f"Lay a tape on the blank: does it really measure {size}? If not, enter what you read below."
    return Onward("measured", prompt, f"Yes, it measures {size}", "artwork")


def _artwork(plan: Plan, station: Station, unit: str) -> Onward | None:
    rail = plan.rail
    fine = any(finding.kind.is_fine and finding.severity != "note" for finding in plan.look.findings)
    wider = shown_up(rail.smallest, unit)
    if not fine or rail.spots or wider <= rail.width or wider > rail.edge:
        return _help(station, "mask") if station.state == "stop" else None
    return Onward("width", station.verdict, f"Make it {show_length(wider, unit)} wide", "mask", width=wider)


def _mask(plan: Plan, station: Station) -> Onward | None:
    undecided = undecided_of(plan)
    if not undecided or (station.state == "stop" and not _must_bridge(plan)):
        return _help(station, "sheets") if station.state == "stop" else None
    fate: Fate = "bridge" if _must_bridge(plan) else "keep"
    prompt = "Not joined to the mask: decide what happens to each, or to all at once."
    verb = "Bridge" if fate == "bridge" else "Keep"
    every = "it" if len(undecided) == 1 else f"all {len(undecided)}"
    return Onward("fates", prompt, f"{verb} {every}", "sheets", numbers=tuple(undecided), fate=fate)


def _help(station: Station, follows: str) -> Onward:
    return Onward("help", station.verdict, "See what helps", follows)


def _must_bridge(plan: Plan) -> bool:
    return plan.choices.material.least_part is None and not plan.job.mask.reverse


def _open(plan: Plan, stations: Mapping[str, Station]) -> list[str]:
    """Return the stations with something to decide or to fix before anything is cut, in their order."""
    opened = {code for code in DECIDING if stations[code].state == "stop"}
    if not plan.job.piece.is_measured:
        opened.add("blank")
    if undecided_of(plan):
        opened.add("mask")
    return sorted(opened, key=ORDER.index)


def _sheets(stations: Mapping[str, Station], opened: Sequence[str], knows_kit: bool) -> Onward:
    if opened:
        first = opened[0]
        if first == "sheets":
            return _help(stations[first], "weed")
        return Onward("go", stations[first].verdict, f"Back to {NAMES[first]}", first)
    if not knows_kit:
        prompt = "Before the first files: what do you work with? It is kept for all jobs."
        return Onward("kit", prompt, "That is what I have", "sheets")
    prompt = "Files checked: every piece comes out as planned."
    return Onward("files", prompt, "Download the cut files", "weed")
