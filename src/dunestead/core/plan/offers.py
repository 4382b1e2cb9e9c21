"""Other layouts of a job's masks, each tried: other divisions, a narrower border, a smaller design, bridges."""

from bisect import bisect_left
from collections.abc import Callable, Iterator
from dataclasses import dataclass

import numpy as np

from dunestead.core.changes.arranging import resize_design
from dunestead.core.errors import DunesteadError, NoSuchThing
from dunestead.core.job.job import Job, altered
from dunestead.core.job.reach import prices_of
from dunestead.core.looking.look import Look, look_at
from dunestead.core.looking.rail import takes_at
from dunestead.core.looking.remedies import Tools
from dunestead.core.looking.ties import tie
from dunestead.core.looking.weakness import weak_of
from dunestead.core.mask.tying import CutPlan
from dunestead.core.plan.laying import guards_of, rules_of
from dunestead.core.plan.plan import Plan
from dunestead.core.sheets.facing import Facing
from dunestead.core.sheets.layout import Weighed, weigh, weigh_laid
from dunestead.core.sheets.price import AIMS, Aim
from dunestead.core.units import several, show_length

__all__ = ["Offer", "in_use", "offer_of", "offers_for"]

# Sizes and borders are gone through by so much, mm.
_STEP = 1.0
# Along the way prices are looked at so many times, and then where they differ.
_LOOKED_AT = 8
# Promising by their extents, so many are reckoned through before giving up.
_MOST_TRIED = 3
_NAMES: dict[Aim, str] = {"price": "The cheapest", "sheets": "Fewest sheets", "seams": "Fewest seams"}


@dataclass(frozen=True, slots=True)
class Offer:
    """A layout that is not the one in use.

    Attributes
    ----------
    code
        What it is taken by.
    label
        What to do for it.
    consequence
        What it saves and what it costs.
    job
        The job with it done.
    """

    code: str
    weighed: Weighed
    label: str
    consequence: str
    job: Job


def in_use(plan: Plan, tools: Tools) -> Weighed:
    """Return the layout of a plan, to be held against others."""
    rules = rules_of(plan.job, plan.choices, plan.facing, plan.look, tools.catalogue)
    return weigh_laid(plan.layout, rules, prices_of(tools.catalogue), plan.job.sheets.aim)


def offers_for(plan: Plan, tools: Tools) -> Iterator[Offer]:
    """Yield other divisions of the masks as they are, the cheapest first; then what would save a sheet or a seam.

    Notes
    -----
    What changes the mask is offered only when it was reckoned through and is cheaper than what is in use, by a seam
    or more. Nobody wants patches said of anew, so what the maker said of them is set aside.
    """
    now = in_use(plan, tools)
    yield from _divided(plan, now, tools)
    yield from _worth_it("border", "A border of {}", _narrower(plan, tools), now, plan, tools)
    yield from _worth_it("size", "The design {} wide", _smaller(plan, tools), now, plan, tools)
    if offer := _bridged(plan, now, tools):
        yield offer


def offer_of(plan: Plan, code: str, tools: Tools) -> Offer:
    """Return one offer by its code, tried again; raises `NoSuchThing` when it no longer saves anything."""
    for offer in offers_for(plan, tools):
        if offer.code == code:
            return offer
    raise NoSuchThing("This layout is no longer offered.", "Look at what is offered now.")


def _divided(plan: Plan, now: Weighed, tools: Tools) -> Iterator[Offer]:
    rules = rules_of(plan.job, plan.choices, plan.facing, plan.look, tools.catalogue)
    prices = prices_of(tools.catalogue)
    guards = tuple(guards_of(plan.look, mask.weak) for mask in plan.masks)
    found: dict[tuple[int, int], Weighed] = {(now.sheets, now.seams): now}
    for aim in AIMS:
        if aim != now.aim:
            weighed = weigh(plan.cuts, guards, rules, prices, aim)
            found.setdefault((weighed.sheets, weighed.seams), weighed)
    for weighed in sorted((one for one in found.values() if one is not now), key=lambda one: one.price):
        job = altered(plan.job, aim=weighed.aim, patch_choices=(), packing=())
        yield Offer(weighed.aim, weighed, _NAMES[weighed.aim], _beside(weighed, now, tools), job)


# --- what changes the mask --------------------------------------------------------------------
def _narrower(plan: Plan, tools: Tools) -> Iterator[tuple[float, Job]]:
    """Yield borders, the widest first, at which the masks' extents take less, and the job with each."""
    job = plan.job
    if job.mask.reverse or job.mask.whole_blank:
        return
    border = plan.look.masks[0].mask.border
    least = tools.catalogue.workshop["border_least"]
    for value in _where_less(lambda value: _price(plan, tools, 1.0, value), border, least):
        yield value, altered(job, border=value, patch_choices=(), packing=())


def _smaller(plan: Plan, tools: Tools) -> Iterator[tuple[float, Job]]:
    """Yield widths of the design, the largest first, at which its masks take less and all still holds."""
    width = plan.look.composition.design_width
    if plan.rail.fixed:
        return
    # What is too fine already is not made finer.
    least = max(width * (1 - tools.catalogue.workshop["offer_smaller"] / 100), plan.rail.smallest)
    if least >= width:
        return
    for value in _where_less(lambda value: _price(plan, tools, value / width, None), width, least):
        job = resize_design(plan.job, value, tools.sources, tools.catalogue)
        yield value, altered(job, patch_choices=(), packing=())


def _price(plan: Plan, tools: Tools, factor: float, border: float | None) -> float:
    """Return what masks cost by their extents, in seams."""
    taken = takes_at(plan.look, tools.catalogue, factor, border)
    return prices_of(tools.catalogue).of(taken.sheets, taken.seams)


def _where_less(price: Callable[[float], float], now: float, least: float) -> Iterator[float]:
    """Yield where a price falls by a seam or more, from a value down to a least one; to a step of a mm.

    Prices rise with the size, nearly always: between values looked at that cost alike, none is looked for.
    """
    at, best = 0, price(now)
    count = int((now - least) / _STEP)
    for to in np.unique(np.linspace(0, count, _LOOKED_AT + 1).astype(int))[1:].tolist():
        while price(_down(now, to)) <= best - 1:
            first = bisect_left(range(at, to), True, key=lambda k: price(_down(now, k)) <= best - 1) + at
            best = price(_down(now, first))
            yield _down(now, first)
        at = to


def _down(value: float, steps: int) -> float:
    return round(value - steps * _STEP, 1)


def _worth_it(
    code: str, label: str, jobs: Iterator[tuple[float, Job]], now: Weighed, plan: Plan, tools: Tools
) -> Iterator[Offer]:
    """Yield of a few changes, the smallest first, those that are cheaper than the one before when reckoned through."""
    best = now.price
    for _, (value, job) in zip(range(_MOST_TRIED), jobs, strict=False):
        weighed = _tried(job, plan, tools)
        if weighed and weighed.price <= best - 1:
            best = weighed.price
            shown = label.format(show_length(value, tools.unit))
            yield Offer(f"{code}-{value:g}", weighed, shown, _saving(code, value, weighed, now, plan, tools), job)


def _tried(job: Job, plan: Plan, tools: Tools) -> Weighed | None:
    """Return a job's layout in numbers; None when it cannot be reckoned or something new must be mended."""
    try:
        look = look_at(job, tools.sources, tools.catalogue)
        cuts = tuple(tie(look, laid, tools.catalogue) for laid in look.masks)
        if _stops(look) > _stops(plan.look):
            return None
        return _weighed(look, cuts, plan.facing, tools)
    except DunesteadError:
        # What cannot be reckoned with is no offer.
        return None


def _stops(look: Look) -> int:
    return sum(1 + finding.more for finding in look.findings if finding.severity == "stop")


def _weighed(look: Look, cuts: tuple[CutPlan, ...], facing: Facing, tools: Tools) -> Weighed:
    weak = [weak_of(look, laid, cut, tools.catalogue) for laid, cut in zip(look.masks, cuts, strict=True)]
    guards = tuple(guards_of(look, places) for places in weak)
    rules = rules_of(look.job, look.choices, facing, look, tools.catalogue)
    return weigh(cuts, guards, rules, prices_of(tools.catalogue), look.job.sheets.aim)


def _bridged(plan: Plan, now: Weighed, tools: Tools) -> Offer | None:
    """Return the large pieces bridged, when keeping them whole is what costs sheets or seams."""
    reach = plan.reach
    if now.sheets == 1 and not now.seams:
        return None
    large = []
    for keeper in plan.keepers:
        x0, y0, x1, y1 = keeper.shape.bounds
        if max((x1 - x0) / reach.width, (y1 - y0) / reach.length) > 1 / 4:
            large.append(keeper.number)
    if not large:
        return None
    fates = {**plan.job.mask.fates, **dict.fromkeys(large, "bridge")}
    job = altered(plan.job, fates=fates, patch_choices=(), packing=())
    weighed = _tried(job, plan, tools)
    if weighed is None or weighed.price > now.price - 1:
        return None
    named = ", ".join(map(str, large))
    label = f"Piece {named} bridged" if len(large) == 1 else f"Pieces {named} bridged"
    return Offer("bridge", weighed, label, _beside(weighed, now, tools), job)


# --- words ------------------------------------------------------------------------------------
def _beside(one: Weighed, now: Weighed, tools: Tools) -> str:
    """Return what a layout saves and costs, beside the one in use."""
    minutes = f" of about {tools.catalogue.hand.seam / 60:.0f} min"
    less: list[str] = []
    more: list[str] = []
    for count, text in (
        (one.sheets - now.sheets, several(abs(one.sheets - now.sheets), "sheet")),
        (one.seams - now.seams, several(abs(one.seams - now.seams), "seam") + minutes),
        (one.parted - now.parted, several(abs(one.parted - now.parted), "part") + " cut by a seam"),
        (one.poor - now.poor, several(abs(one.poor - now.poor), "strip") + " too narrow or of border alone"),
    ):
        if count:
            (more if count > 0 else less).append(text)
    saved = f"Saves {' and '.join(less)}" if less else "Saves nothing"
    return f"{saved}; costs {' and '.join(more)}." if more else f"{saved}."


def _saving(code: str, value: float, one: Weighed, now: Weighed, plan: Plan, tools: Tools) -> str:
    text = _beside(one, now, tools)
    if code == "size":
        less = show_length(plan.look.composition.design_width - value, tools.unit)
        return f"{less} less. {text}"
    needed = max((mask.cover.needed for mask in plan.masks), default=0.0)
    if needed <= value:
        return text
    return f"{text} Cover the blank around it to {show_length(needed, tools.unit)} from the paint."
