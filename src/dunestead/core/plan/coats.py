"""What goes on, one coating after the other: on which area, through which mask, how much, how it dries."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace

import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.colours import names_of
from dunestead.core.curing.drying import Drying, dry_times, drying_factor, with_warm_air
from dunestead.core.figures import Catalogue, HandTimes, Paint, Role
from dunestead.core.geometry.curves import shifted
from dunestead.core.job.choices import Choices
from dunestead.core.job.ground import ground_colour
from dunestead.core.job.job import Job, PaintEntry, colouring
from dunestead.core.looking.look import Look
from dunestead.core.looking.masks import LaidMask
from dunestead.core.mask.tying import CutPlan
from dunestead.core.painting.amount import Amount, Batch, Load, amount_key, amount_of, batch_of, soak_figure, spread_of
from dunestead.core.painting.coatings import Coating, Where, in_order, where_of
from dunestead.core.painting.coats import Coats, coats_for, is_light_on_dark
from dunestead.core.painting.separation import colour_order

__all__ = ["PlannedCoating", "base_wait", "painting_work", "plan_coatings", "under_of"]


_DM2 = 1e4


@dataclass(frozen=True, slots=True)
class PlannedCoating:
    """One coating as it will be put on.

    Attributes
    ----------
    number
        In the order they are put on, from 1.
    colour, named
        Empty for what has none; and what tells it from the others of the job.
    mask
        Number of the mask it goes through, None where it goes over all.
    area
        mm² of one copy.
    amount, batch
        Paint of one copy, and of all.
    """

    number: int
    role: Role
    paint: Paint
    colour: str
    coats: int
    where: Where
    mask: int | None
    area: float
    amount: Amount
    batch: Batch
    drying: Drying
    coats_why: str = ""
    named: str = ""

    @property
    def is_before_masks(self) -> bool:
        """Whether it is on the blank before any mask is laid."""
        return self.mask is None and self.role == "base"


def plan_coatings(look: Look, cuts: Sequence[CutPlan], catalogue: Catalogue) -> tuple[PlannedCoating, ...]:
    """Return a job's coatings in the order they are put on.

    Parameters
    ----------
    look
        The design and its masks.
    cuts
        The masks as they are cut, in their order: what bridges cover is not painted.
    catalogue
        All figures.
    """
    job = look.job
    stack = in_order(job.paint.coatings, seen_through=job.blank.is_seen_through)
    first_mask = next((k for k, one in enumerate(stack) if where_of(one) == "mask"), len(stack))
    through = [one for one in stack if where_of(one) == "mask"]
    rows = [_over_all(look, one) for one in stack[:first_mask]]
    for laid, cut in zip(look.masks, cuts, strict=True):
        rows += _through(look, laid, cut, through)
    after = [one for one in stack[first_mask:] if where_of(one) != "mask"]
    rows += [_over_all(look, one) for one in after]
    names = names_of(row.colour for row in rows if row.colour)
    planned = (_planned(number, row, look, catalogue) for number, row in enumerate(rows, start=1))
    return tuple(replace(coat, named=names.get(coat.colour, "")) for coat in planned)


@dataclass(frozen=True, slots=True)
class _Row:
    coating: Coating
    colour: str
    mask: int | None
    area: float
    region: BaseGeometry


def _passed(row: _Row, paint: Paint, figures: Mapping[str, float]) -> float | None:
    """Return what a can passes over: what is painted, half a fan around it, and the gaps that a fan fills; mm²."""
    if paint.technique != "spray":
        return None
    # To the mm is as true as a hand moves.
    rough = shapely.simplify(row.region, 1.0)
    return float(shapely.buffer(rough, figures["spray_fan"] / 2, quad_segs=8).area)


def _planned(number: int, row: _Row, look: Look, catalogue: Catalogue) -> PlannedCoating:
    job, figures = look.job, catalogue.workshop
    paint = catalogue.paint(row.coating.paint)
    coats = _coats(row, paint, look, catalogue)
    learnt = catalogue.amounts.get(amount_key(paint.key, look.choices.surface.key), 1.0)
    load = Load(coats.count, coats.share, _spread(paint, look, catalogue), learnt)
    amount = amount_of(row.area, look.choices.surface, paint, figures, load, _passed(row, paint, figures))
    drying = dry_times(paint, drying_factor(job.paint.weather, figures))
    if job.paint.warm_air and paint.warm_air:
        drying = with_warm_air(drying, figures["warm_air_wait"])
    batch = batch_of(amount, paint, figures, load, job.blank.copies)
    where, role = where_of(row.coating), row.coating.role
    return PlannedCoating(
        number, role, paint, row.colour, coats.count, where, row.mask, row.area, amount, batch, drying, coats.why
    )


def base_wait(coat: PlannedCoating, entry: PaintEntry, figures: Mapping[str, float]) -> float:
    """Return how long a base dries before a mask is laid on it, minutes: to use, or to the touch where that is chosen.

    Warm air skins a base over and cures none of it, so it helps only where the touch is enough.
    """
    if not entry.base_at_touch:
        return coat.drying.use
    by_air = entry.warm_air and coat.paint.warm_air
    return min(coat.drying.touch, figures["warm_air_base"]) if by_air else coat.drying.touch


def _coats(row: _Row, paint: Paint, look: Look, catalogue: Catalogue) -> Coats:
    """Return the coats of a coating: what is wanted of the print is asked of its colours only."""
    own, job, figures = row.coating.coats, look.job, catalogue.workshop
    if row.coating.role != "colour":
        return Coats(own or paint.coats_high, 1.0, "Your own number." if own else "As it is usually given.")
    light = bool(row.colour) and is_light_on_dark(row.colour, ground_colour(job), figures)
    by_brush = look.choices.surface.coarse and not paint.is_sprayed
    load = (job.paint.load or "heavy") if by_brush else "heavy"
    return coats_for(
        paint,
        job.paint.wanted,
        own=own,
        light_on_dark=light,
        load=load,
        figures=figures,
        at_once=look.choices.material.peel == "five-minutes",
    )


def _spread(paint: Paint, look: Look, catalogue: Catalogue) -> float:
    """Return how far an amount may lie off, by the ranges of the figures it is made of."""
    named = [("surface", look.choices.surface.key, soak_figure(paint)), ("paint", paint.key, "cover")]
    named += [("paint", paint.key, "transfer")] if paint.transfer < 1 else []
    return spread_of(*(catalogue.figures.get(name) for name in named))


def _through(look: Look, laid: LaidMask, cut: CutPlan, stack: Sequence[Coating]) -> Iterator[_Row]:
    """Yield what goes through one mask, in the order of its roles; light and small colours first."""
    regions = _regions(look, laid, cut)
    whole = sum(area for area, _ in regions.values())
    everywhere = shapely.union_all([region for _, region in regions.values()])
    done = False
    for one in stack:
        if one.role != "colour":
            yield _Row(one, one.colour or "", laid.number, whole, everywhere)
        elif not done:
            done = True
            yield from _colours(look.job, laid, regions)


def _colours(job: Job, laid: LaidMask, regions: dict[str, tuple[float, BaseGeometry]]) -> Iterator[_Row]:
    named = {one.colour for one in job.paint.coatings if one.role == "colour" and one.colour}
    painted = laid.painted.colours
    order = list(regions) if job.mask.reverse else colour_order(painted, job.mask.mask_order)
    spare = [one for one in job.paint.coatings if one.role == "colour" and one.colour not in regions]
    for colour in order:
        own = [one for one in job.paint.coatings if one.role == "colour" and one.colour == colour]
        # Paint named for a colour the design has not, when it has but one: it is meant for that one.
        meant = spare[:1] if len(order) == 1 and not own and named else []
        for one in own or meant or [colouring(job)]:
            yield _Row(replace(one, role="colour"), colour, laid.number, *regions[colour])


def _regions(look: Look, laid: LaidMask, cut: CutPlan) -> dict[str, tuple[float, BaseGeometry]]:
    """Return mm² through a mask by colour, and where; less what bridges cover; around a reverse one its field."""
    if look.job.mask.reverse:
        field, stays = look.composition.outline, float(cut.material.area)
        return {look.job.mask.field_colour: (max(float(field.area) - stays, 0.0), field)}
    areas = {colour: float(region.area) for colour, region in laid.painted.colours.items()}
    if cut.bridges:
        strips = cut.bridged
        for colour, region in laid.painted.colours.items():
            # Bridges cross paint and nothing else: where there is but one colour, they take it from that.
            taken = strips if len(areas) == 1 else shapely.intersection(region, strips)
            areas[colour] -= float(taken.area)
    return {colour: (areas[colour], region) for colour, region in laid.painted.colours.items()}


def painting_work(coat: PlannedCoating, choices: Choices, hand: HandTimes) -> dict[str, float]:
    """Return which figures of the hand one coat on one copy goes by: its dm², and what it takes at least."""
    dab = "dab_dm2_coir" if choices.surface.coarse else "dab_dm2_cloth"
    by_area, ready = ("spray_dm2", "spray_ready") if coat.paint.is_sprayed else (dab, "brush_ready")
    seconds, least = coat.area / _DM2 * getattr(hand, by_area), getattr(hand, ready)
    return {by_area: coat.area / _DM2, ready: max(1 - seconds / least, 0.0)}


def under_of(look: Look, where: Where) -> BaseGeometry:
    """Return where a coating without a mask goes: all of the blank, or under the design and its margins."""
    outline = look.composition.outline
    if where != "under":
        return outline
    x0, y0, x1, y1 = shifted(look.painted.bbox, look.composition.origin)
    margin = look.margin
    return outline.intersection(shapely.box(x0 - margin, y0 - margin, x1 + margin, y1 + margin))


def _over_all(look: Look, coating: Coating) -> _Row:
    region = under_of(look, where_of(coating))
    return _Row(coating, coating.colour or "", None, float(region.area), region)
