"""A mask divided into patches, each within the cutter's reach, at seams that hurt least."""

import itertools
import math
from collections import Counter
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import lru_cache

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.errors import BadInput
from dunestead.core.geometry.curves import Box
from dunestead.core.mask.tying import CutPlan
from dunestead.core.sheets.cells import (
    MOST_SHEETS,
    PACKED_UP_TO,
    Pattern,
    Reach,
    Run,
    check_overlap,
    fits,
    meetings,
    run_of,
)
from dunestead.core.sheets.extents import cheapest_divisions
from dunestead.core.sheets.ground import Ground, Guards, boxes_of
from dunestead.core.sheets.packing import PackItem, quick_pack
from dunestead.core.sheets.price import AIMS, Prices

__all__ = ["Division", "Patch", "divide"]

# Seams are tried at every mm of the leeway they have, or at so many places.
_TRIED, _MOST_TRIES = 1.0, 400
_PATTERNS_LAID, _CELLS_LAID = 8, 48
_ALIKE_KNOWN, _ALIKE_LAID = 5, 2
# Of the fewest sheets, and of the fewest seams, so many are laid beside the cheapest.
_LAID_BESIDE = 4
_LEEWAYS = (1.0, 0.4, 0.0)
# A seam stays where it would be for its own sake, unless that costs; per mm moved.
_STAY = 1e-3
# Sheets are counted for so many sets at once.
_MOST_TOGETHER = 4
_EPS = 1e-6
Values = npt.NDArray[np.float64]


@dataclass(frozen=True, slots=True)
class Patch:
    """A part of a mask cut in one piece.

    Attributes
    ----------
    number
        In reading order; over all masks of a job once they are laid out.
    mask
        Number of the mask it is of.
    cell
        The rectangle it was cut out of, in artwork coordinates, mm.
    shape
        What lies in it of frame and keepers, in artwork coordinates.
    key
        Identifies what it was cut out of, so that equal patches have equal shapes.
    """

    key: str
    number: int
    mask: int
    cell: Box
    shape: shapely.MultiPolygon = field(compare=False)

    def holds(self, mask: int, at: tuple[float, float]) -> bool:
        """Say whether a point of a mask, in artwork coordinates, lies in its cell."""
        x0, y0, x1, y1 = self.cell
        return mask == self.mask and x0 <= at[0] <= x1 and y0 <= at[1] <= y1

    @property
    def size(self) -> tuple[float, float]:
        """Width and height as it lies in the artwork, mm."""
        x0, y0, x1, y1 = self.shape.bounds
        return x1 - x0, y1 - y0


@dataclass(frozen=True, slots=True)
class Division:
    """A mask in patches.

    Attributes
    ----------
    overlap
        Mask that neighbours share, mm.
    cut_keepers
        Numbers of keepers larger than the reach, which a seam runs through.
    cut_shapes
        How many words, elements, windows and keepers a seam runs through although they would fit.
    paint
        Paint under seams, mm along them.
    poor
        How many patches are too narrow to be laid straight, or of border alone.
    """

    patches: tuple[Patch, ...]
    overlap: float
    cut_keepers: tuple[int, ...] = ()
    cut_shapes: int = 0
    paint: float = 0.0
    poor: int = 0


@lru_cache(maxsize=64)
def divide(
    plan: CutPlan,
    reach: Reach,
    guards: Guards,
    prices: Prices,
    sets: int = 1,
) -> Division:
    """Divide a mask into the patches that cost least: sheets, seams, what seams part, patches nobody wants.

    Parameters
    ----------
    sets
        How many sets of masks are wanted: they share sheets.

    Raises
    ------
    BadInput
        When the overlap leaves nothing of the reach, or hundreds of sheets would be needed.
    """
    check_overlap(reach)
    x0, y0, x1, y1 = plan.box
    if fits(x1 - x0, y1 - y0, reach):
        return Division((Patch(plan.key, 1, 1, plan.box, plan.material),), reach.overlap)
    if (x1 - x0) * (y1 - y0) > MOST_SHEETS * reach.width * reach.length:
        raise BadInput(
            f"This mask would take more than {MOST_SHEETS} sheets.",
            "Make the design smaller or choose a cutter that reaches further.",
        )
    draughtsman = _Draughtsman(plan, reach, guards, prices, sets)
    drafts = [draft for pattern in _promising(plan.box, reach, prices) for draft in draughtsman.drafts(pattern)]
    best = min(drafts, key=lambda draft: draft.key)
    return draughtsman.cut(best)


def _promising(box: Box, reach: Reach, prices: Prices) -> list[Pattern]:
    """Return the patterns that cost least for sheets and seams alone, and some of the fewest sheets or seams.

    What seams run through may make the dearer the cheaper.
    """
    extent = (box[2] - box[0], box[3] - box[1])
    patterns: dict[Pattern, None] = {}
    for priced in dict.fromkeys((prices, *(prices.towards(aim) for aim in AIMS))):
        found = cheapest_divisions(extent, reach, priced, _PATTERNS_LAID * _ALIKE_KNOWN)
        # Many cells make many seams to place: fewer patterns are laid, so that the answer comes at once.
        laid = max(2, min(_PATTERNS_LAID, _CELLS_LAID // min(len(sized.sizes) for *_, sized in found)))
        diverse = _diverse(sized.pattern for *_, sized in found)
        patterns |= dict.fromkeys(itertools.islice(diverse, laid if priced == prices else _LAID_BESIDE))
    return list(patterns)


def _diverse(patterns: Iterable[Pattern]) -> Iterator[Pattern]:
    """Yield patterns, no more than two that divide into as many strips of as many cells."""
    alike = Counter[tuple[int, ...]]()
    for pattern in patterns:
        # Where their seams run is settled later: they differ in little else.
        key = (pattern.axis, *(run.count for run in pattern.cells))
        alike[key] += 1
        if alike[key] <= _ALIKE_LAID:
            yield pattern


@dataclass(frozen=True, slots=True)
class _Draft:
    """Cells with their seams set, before anything is cut.

    Attributes
    ----------
    together
        How much of what the maker wants whole is parted.
    price
        In seams.
    cost
        What breaks a tie: places of seams, in mm of paint.
    """

    cells: tuple[Box, ...]
    sheets: float
    length: float
    together: int
    parted: int
    painted: float
    poor: int
    price: float
    cost: float

    @property
    def key(self) -> tuple[float, ...]:
        """What makes it better: kept together, cheap, little material, few cells."""
        return (self.together, round(self.price, 2), round(self.length), len(self.cells), self.cost)


class _Draughtsman:
    """Sets the seams of patterns where they hurt least, and cuts the mask by them."""

    def __init__(self, plan: CutPlan, reach: Reach, guards: Guards, prices: Prices, sets: int) -> None:
        self.plan, self.reach, self.prices, self.sets = plan, reach, prices, sets
        self.ground = Ground(plan, guards, reach.overlap)
        self.windows = boxes_of(ring.bounds for ring in plan.frame.interiors)
        self.keepers = boxes_of(keeper.shape.bounds for keeper in plan.keepers)
        # A drawing of one shape is an element and a window alike, but cut only once.
        both = np.vstack([boxes_of(guards.units), self.windows]).round(1)
        self.shapes, self.together = np.unique(both, axis=0), boxes_of(guards.together)

    def drafts(self, pattern: Pattern) -> Iterator[_Draft]:
        """Yield a pattern with its seams where they cost least, at ever more leeway while it keeps its count."""
        target = None
        for leeway in reversed(_LEEWAYS):
            draft = self._draft(pattern, leeway)
            if draft is None:
                continue
            target = draft.sheets if target is None else target
            if draft.sheets > target:
                return
            yield draft

    def _draft(self, pattern: Pattern, leeway: float) -> _Draft | None:
        x0, y0, x1, y1 = self.plan.box
        axis = pattern.axis
        start, end, low, high = (x0, x1, y0, y1) if axis == 0 else (y0, y1, x0, x1)
        strips, cost, painted = self._placed(start, end, low, high, pattern.strips, axis, leeway)
        cells: list[Box] = []
        for (begin, until), run in zip(strips, pattern.cells, strict=True):
            inner, paid, crossed = self._placed(low, high, begin, until, run, 1 - axis, leeway)
            cost, painted = cost + paid, painted + crossed
            cells += [
                (begin, left, until, right) if axis == 0 else (left, begin, right, until) for left, right in inner
            ]
        sizes = [(x1 - x0, y1 - y0) for x0, y0, x1, y1 in cells]
        if not all(fits(*size, self.reach) for size in sizes):
            return None
        return self._priced(cells, sizes, cost, painted)

    def _priced(
        self, cells: Sequence[Box], sizes: Sequence[tuple[float, float]], cost: float, painted: float
    ) -> _Draft:
        stray = self._parted(self.keepers, cells)
        # A keeper that no cell holds is cut on its own, and takes its place on a sheet.
        items = [PackItem(*size) for size in sizes]
        items += [PackItem(x1 - x0, y1 - y0) for x0, y0, x1, y1 in self.keepers[stray].tolist()]
        # What is left of a sheet is another set's.
        together = min(self.sets, max(PACKED_UP_TO // len(items), 1), _MOST_TOGETHER)
        packed = quick_pack(items * together, self.reach.room) if len(items) <= PACKED_UP_TO else None
        sheets = packed.sheets / together if packed else float(len(items))
        parted = len(self._parted(self.shapes, cells)) + len(stray)
        poor = sum(min(size) < self.reach.least - _EPS for size in sizes) + self._bare(cells)
        return _Draft(
            tuple(cells),
            sheets,
            packed.length / together if packed else sum(max(item.width, item.height) for item in items),
            len(self._parted(self.together, cells)),
            parted,
            painted,
            poor,
            self.prices.of(sheets, meetings(cells, self.reach.overlap), parted, painted, poor),
            cost,
        )

    def _bare(self, cells: Sequence[Box]) -> int:
        """Return how many cells hold border alone: no window of the mask, and no keeper."""
        if not len(self.windows):
            return 0
        grid = np.array(cells)
        low, high = self.windows[:, None, :2], self.windows[:, None, 2:]
        meets = np.all((grid[:, 2:] > low + _EPS) & (grid[:, :2] < high - _EPS), axis=2)
        return int((~meets.any(axis=0)).sum())

    def _parted(self, boxes: Values, cells: Sequence[Box]) -> npt.NDArray[np.intp]:
        """Return which boxes lie whole in no cell though they would fit the reach."""
        if not len(boxes):
            return np.empty(0, np.intp)
        low, high = boxes[:, None, :2], boxes[:, None, 2:]
        grid = np.array(cells)
        held = np.all((grid[:, :2] <= low + _EPS) & (high <= grid[:, 2:] + _EPS), axis=2)
        whole = np.any(held, axis=1)
        sides = boxes[:, 2:] - boxes[:, :2]
        could = np.array([fits(w, h, self.reach) for w, h in sides.tolist()])
        return np.flatnonzero(could & ~whole)

    def _placed(
        self, start: float, end: float, low: float, high: float, run: Run, axis: int, leeway: float
    ) -> tuple[list[tuple[float, float]], float, float]:
        """Return the cells of a run along one axis, its seams where together they cost least, their cost and paint."""
        overlap, least = self.reach.overlap, self.reach.least
        if run.count == 1:
            return [(start, end)], 0.0, 0.0
        steps = [most - overlap for most in run.mosts]
        ideal = [at for *_, at in run_of(start, end, run, overlap, least)]
        tries = [self._tries(at, k, start, end, steps, leeway) for k, at in enumerate(ideal)]
        paid, crossed = zip(*(self.ground.costs(at, low, high, axis) for at in tries), strict=True)
        # The cheapest way from seam to seam, each cell no longer than its most and no mere strip.
        total, came = paid[0] + np.abs(tries[0] - ideal[0]) * _STAY, []
        for k in range(1, len(tries)):
            apart = tries[k][None, :] - tries[k - 1][:, None]
            allowed = (apart <= steps[k] + _EPS) & (apart >= least - overlap - _EPS)
            allowed[-1, -1] = True
            ways = np.where(allowed, total[:, None], np.inf)
            came.append(ways.argmin(axis=0))
            total = ways.min(axis=0) + paid[k] + np.abs(tries[k] - ideal[k]) * _STAY
        at = int(np.argmin(total))
        chosen = [at]
        for before in reversed(came):
            chosen.insert(0, int(before[chosen[0]]))
        seams = [float(places[k]) for places, k in zip(tries, chosen, strict=True)]
        cells = list(zip([start, *seams], [*(seam + overlap for seam in seams), end], strict=True))
        painted = sum(float(paint[k]) for paint, k in zip(crossed, chosen, strict=True))
        return cells, float(total[at]), painted

    def _tries(
        self, ideal: float, index: int, start: float, end: float, steps: Sequence[float], leeway: float
    ) -> Values:
        """Return where a seam of a run may begin, its ideal place the last of them."""
        overlap, least = self.reach.overlap, self.reach.least
        before, after = index + 1, len(steps) - index - 1
        earliest = max(end - sum(steps[before:]) - overlap, start + before * (least - overlap))
        latest = min(start + sum(steps[:before]), end - overlap - after * (least - overlap))
        first = ideal - leeway * max(ideal - earliest, 0.0)
        last = ideal + leeway * max(latest - ideal, 0.0)
        count = min(math.ceil((last - first) / _TRIED) + 1, _MOST_TRIES)
        return np.append(np.linspace(first, last, count), ideal) if last - first > _EPS else np.array([ideal])

    def cut(self, draft: _Draft) -> Division:
        """Cut the mask by its cells; a keeper no cell holds is a patch of its own when it fits the reach."""
        cells = sorted(draft.cells, key=lambda cell: (round(cell[1]), round(cell[0])))
        home = {k.number: next((c for c in cells if _holds(c, k.shape.bounds)), None) for k in self.plan.keepers}
        patches: list[Patch] = []
        split = []
        for keeper in self.plan.keepers:
            if home[keeper.number] is None:
                x0, y0, x1, y1 = keeper.shape.bounds
                if fits(x1 - x0, y1 - y0, self.reach):
                    alone = shapely.MultiPolygon([keeper.shape])
                    patches.append(Patch(self.plan.key, 0, 1, keeper.shape.bounds, alone))
                    home[keeper.number] = keeper.shape.bounds
                else:
                    split.append(keeper.number)
        patches = [
            *(
                Patch(self.plan.key, 0, 1, cell, shape)
                for cell in cells
                if not (shape := _within(self.plan, cell, home, split)).is_empty
            ),
            *patches,
        ]
        numbered = tuple(replace(patch, number=number) for number, patch in enumerate(patches, start=1))
        return Division(numbered, self.reach.overlap, tuple(split), draft.parted, draft.painted, draft.poor)


def _within(plan: CutPlan, cell: Box, home: Mapping[int, Box | None], split: Sequence[int]) -> shapely.MultiPolygon:
    """Return what a cell holds: its part of the frame, and each keeper in the one cell that is its home."""
    here = [keeper.shape for keeper in plan.keepers if home[keeper.number] == cell]
    cut = [keeper.shape for keeper in plan.keepers if keeper.number in split]
    whole = [part for part in (plan.frame, *cut) if not part.is_empty]
    clipped = shapely.intersection(shapely.box(*cell), np.array(whole, dtype=object))
    parts = shapely.get_parts(shapely.get_parts(np.append(clipped, np.array(here, dtype=object))))
    return shapely.MultiPolygon([part for part in parts if part.geom_type == "Polygon"])


def _holds(cell: Box, box: Box) -> bool:
    return cell[0] <= box[0] and cell[1] <= box[1] and box[2] <= cell[2] and box[3] <= cell[3]
