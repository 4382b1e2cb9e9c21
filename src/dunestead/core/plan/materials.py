"""Which mask material for this job? What rules one out, what speaks for the others, and what a copy costs with each."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

import shapely

from dunestead.core.figures import Catalogue, Cutter, Figure, Material, Press, Surface
from dunestead.core.job.reach import prices_of, reach_on, usual_overlap, usual_stock
from dunestead.core.mask.axis import AxisSide
from dunestead.core.mask.weak import weak_limit, weak_places
from dunestead.core.method import PressPass
from dunestead.core.sheets.extents import takes_together
from dunestead.core.tacking.placements import PressGround, press_mask
from dunestead.core.units import several, show_length, show_temperature

__all__ = ["BreakEven", "MaskWork", "MaterialFit", "Reuse", "rank_materials", "reuse_of"]

_MM2_PER_M2 = 1e6
# Costs are drawn for up to so many copies, or twice as many as are wanted.
_PLOTTED = 24
_MOST_PLOTTED = 200


@dataclass(frozen=True, slots=True)
class MaskWork:
    """What a job asks of its masks, whatever they are cut from.

    Attributes
    ----------
    box
        Width and height of what is painted, mm.
    border
        The maker's own, None for each material's.
    masks
        How many there are.
    kept
        Least side by number of each piece that is kept, mm.
    is_reverse
        Whether its pieces are the artwork, and so loose whatever they are cut from.
    bridges, windows
        How many there are.
    cut_length
        mm over all masks.
    axes
        Of the masks between painted places.
    blank
        Width and height where the masks are as large as the blank, else None.
    """

    box: tuple[float, float]
    border: float | None
    masks: int
    kept: tuple[tuple[int, float], ...]
    is_reverse: bool
    bridges: int
    windows: int
    cut_length: float
    axes: tuple[AxisSide, ...]
    blank: tuple[float, float] | None = None


@dataclass(frozen=True, slots=True)
class MaterialFit:
    """A material held against a job.

    Attributes
    ----------
    excluded
        Why it will not do, a sentence each; empty when it will.
    small, weak
        Kept pieces smaller than it wants, and places narrower than it or the surface asks for.
    sheets
        Of all masks together, once.
    material_cost, making, printing
        Of one set of masks: money, and minutes to make it; minutes that each print takes on top.
    cost, minutes
        A copy, for the copies wanted: money, work counted at the workshop's rate, and minutes.
    """

    key: str
    name: str
    excluded: tuple[str, ...]
    small: int
    weak: int
    sheets: int
    uses: int
    wash_every: int | None
    material_cost: float
    making: float
    printing: float
    cost: float
    minutes: float

    @property
    def fits(self) -> bool:
        """Whether nothing rules it out."""
        return not self.excluded


@dataclass(frozen=True, slots=True)
class BreakEven:
    """From this many copies on, one material is the cheapest; it was another before."""

    copies: int
    material: str


@dataclass(frozen=True, slots=True)
class Reuse:
    """What a copy costs by the number of copies: for each material that will do, from 1 copy on."""

    copies: tuple[int, ...]
    costs: tuple[tuple[str, tuple[float, ...]], ...]
    break_even: tuple[BreakEven, ...]


def rank_materials(
    work: MaskWork,
    surface: Surface,
    catalogue: Catalogue,
    *,
    cutter: Cutter,
    press: Press,
    overlap: float | None,
    copies: int,
    unit: str,
) -> list[MaterialFit]:
    """Return every material held against a job, the most fitting first.

    Parameters
    ----------
    work
        What is asked of it.
    surface
        With the blank's own heat limit.
    cutter, press, overlap, copies, unit
        Of the job; the unit is for lengths in the reasons.

    Notes
    -----
    What is ruled out comes last. Among the others small pieces and weak places count first, for they spoil
    prints; then what a copy costs.
    """
    fits = [
        _Bench(work, surface, material, catalogue, cutter, press, overlap, unit).fit(copies)
        for material in catalogue.materials.values()
    ]
    return sorted(fits, key=lambda fit: (not fit.fits, fit.small > 0, fit.weak, fit.cost))


def reuse_of(fits: Sequence[MaterialFit], catalogue: Catalogue, copies: int) -> Reuse:
    """Return what a copy costs by the number of copies, with each material that will do."""
    most = min(max(_PLOTTED, 2 * copies), _MOST_PLOTTED)
    counts = tuple(range(1, most + 1))
    usable = [fit for fit in fits if fit.fits]
    costs = {fit.key: tuple(_cost(fit, count, catalogue) for count in counts) for fit in usable}
    changes: list[BreakEven] = []
    best: str | None = None
    for at, count in enumerate(counts):
        cheapest = min(costs, key=lambda key: costs[key][at], default=None)
        if best is None:
            best = cheapest
        elif cheapest is not None and costs[cheapest][at] < costs[best][at] - 1e-9:
            changes.append(BreakEven(count, cheapest))
            best = cheapest
    return Reuse(counts, tuple(costs.items()), tuple(changes))


def _sets(fit: MaterialFit, copies: int) -> int:
    return math.ceil(copies / fit.uses)


def _washes(fit: MaterialFit, copies: int) -> int:
    """Return how often masks are washed: after every few uses, but not after their last."""
    if fit.wash_every is None:
        return 0
    full, rest = divmod(copies, fit.uses)
    return full * ((fit.uses - 1) // fit.wash_every) + (max(rest - 1, 0) // fit.wash_every)


def _minutes(fit: MaterialFit, copies: int, catalogue: Catalogue) -> float:
    washing = _washes(fit, copies) * catalogue.hand.wash / 60
    return (_sets(fit, copies) * fit.making + copies * fit.printing + washing) / copies


def _cost(fit: MaterialFit, copies: int, catalogue: Catalogue) -> float:
    worth = catalogue.workshop["hour_worth"] / 60
    return _sets(fit, copies) * fit.material_cost / copies + _minutes(fit, copies, catalogue) * worth


@dataclass(frozen=True, slots=True)
class _Bench:
    """One material against one job."""

    work: MaskWork
    surface: Surface
    material: Material
    catalogue: Catalogue
    cutter: Cutter
    press: Press
    overlap: float | None
    unit: str

    def fit(self, copies: int) -> MaterialFit:
        """Return how it fits."""
        m, figures = self.material, self.catalogue.figures
        least = figures.get(("material", m.key, "least_part"))
        limit = weak_limit(figures["surface", self.surface.key, "web"], least)
        weak = sum(place.severity != "note" for axis in self.work.axes for place in weak_places(axis, limit))
        small = sum(m.least_part is not None and side < m.least_part * (1 - 1e-6) for _, side in self.work.kept)
        plain = MaterialFit(
            m.key,
            m.name,
            tuple(self._exclusions(least)),
            small,
            weak,
            self._sheets(),
            m.uses,
            m.wash_every,
            self._material_cost(),
            self._making(),
            self._printing(),
            0.0,
            0.0,
        )
        cost, minutes = _cost(plain, copies, self.catalogue), _minutes(plain, copies, self.catalogue)
        return replace(plain, cost=cost, minutes=minutes)

    def _exclusions(self, least: Figure | None) -> Iterator[str]:
        m, surface, unit = self.material, self.surface, self.unit
        if surface.family not in m.works_on and surface.key not in m.works_on:
            yield f"It is not known to hold on {surface.name.lower()}."
        if m.holds_from is not None and surface.heat is None:
            yield f"It does not hold below {show_temperature(m.holds_from, unit)}; this surface takes no heat."
        elif m.holds_from is not None and surface.heat is not None and surface.heat < m.holds_from:
            yield (
                f"It does not hold below {show_temperature(m.holds_from, unit)}; this blank stands up to "
                f"{show_temperature(surface.heat, unit)}."
            )
        if least is None and self.work.kept and not self.work.is_reverse:
            count = len(self.work.kept)
            are = "is" if count == 1 else "are"
            yield f"{several(count, 'piece')} {are} not bridged; it is used again only in one piece."
        if least is not None and (fine := [number for number, side in self.work.kept if side < least.low * (1 - 1e-6)]):
            named = ", ".join(map(str, fine[:6])) + (" …" if len(fine) > 6 else "")
            yield f"Kept too small for it, which wants {show_length(least.value, unit)}: {named}."
        if self._border() >= m.stock_width:
            yield (
                f"A border of {show_length(self._border(), unit)} is wider than it comes, "
                f"{show_length(m.stock_width, unit)}."
            )

    def _border(self) -> float:
        return self.material.border if self.work.border is None else self.work.border

    def _extent(self) -> tuple[float, float]:
        if self.work.blank:
            return self.work.blank
        border = 0.0 if self.work.is_reverse else 2 * self._border()
        return self.work.box[0] + border, self.work.box[1] + border

    def _sheets(self) -> int:
        """Return how many sheets all masks take: no larger than the material comes, whatever the cutter reaches."""
        overlap = usual_overlap(self.material, self.catalogue) if self.overlap is None else self.overlap
        reach = reach_on(self.cutter, usual_stock(self.material), overlap, self.catalogue)
        overlap = min(overlap, min(reach.width, reach.length) / 2 - 1)
        reach = replace(reach, overlap=overlap)
        return takes_together(self._extent(), self.work.masks, reach, prices_of(self.catalogue)).sheets

    def _material_cost(self) -> float:
        across, down = self._extent()
        spare = 2 * self.catalogue.workshop["trim_allowance"]
        area = (across + spare) * (down + spare) * self.work.masks
        return area * self.material.price / _MM2_PER_M2

    def _making(self) -> float:
        """Return minutes to cut and weed one set of masks."""
        hand, cutter = self.catalogue.hand, self.cutter
        knife = self.work.cut_length * self.material.passes / min(self.material.speed, cutter.fastest)
        weeding = self.work.windows * hand.weed_piece + self.work.cut_length / 10 * hand.weed_cm
        return (self._sheets() * hand.sheet + knife + weeding) / 60

    def _printing(self) -> float:
        """Return minutes each print takes because of its mask: laying, placing, peeling, touching up."""
        hand = self.catalogue.hand
        m = self.material
        passes = (PressPass("", m.heat, m.seconds),) if m.heat is not None else ()
        beyond = self.catalogue.workshop["press_beyond"]
        ground = PressGround(shapely.box(0, 0, *self.work.box), beyond=beyond)
        pressings = press_mask(ground, self.press, self.surface, m, passes)
        rests = sum(len(one.placements) * (one.seconds + hand.placement_move) for one in pressings)
        laying = rests or hand.lay
        kept = len(self.work.kept) * (hand.place_keeper + hand.peel_keeper)
        each = hand.position + laying + hand.peel_start
        return (self.work.masks * each + kept + self.work.bridges * hand.touch_up_bridge) / 60
