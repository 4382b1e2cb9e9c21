"""A mask divided into patches, each within the cutter's reach, at seams that hurt least."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import lru_cache

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.errors import BadInput
from dunestead.core.geometry.curves import Box
from dunestead.core.geometry.scanlines import Scan
from dunestead.core.mask.tying import CutPlan
from dunestead.core.sheets.cells import (
    MOST_SHEETS,
    Pattern,
    Reach,
    Run,
    candidates,
    check_overlap,
    fits,
    run_of,
    sheets_for,
)
from dunestead.core.sheets.packing import Item, quick_pack

__all__ = ["Division", "Guards", "Patch", "divide"]

# Seams are tried at this many places within the leeway they have.
_SEAM_TRIES = 21
# What a seam may cost, in mm of paint it crosses: a keeper cut, what must stay together, a word, a bridge, a neck.
_KEEPER, _TOGETHER, _UNIT, _BRIDGE, _NECK = 1e4, 1e5, 400.0, 40.0, 30.0
# Mask wanted on either side of a seam, mm, and the weight of paint that comes nearer.
_BESIDE, _NEAR = 8.0, 0.35
# Mask crossed on a shorter way than this tears at the seam, mm.
_SHORT = 12.0
_PATTERNS_LAID, _CELLS_LAID = 8, 48
# Narrower patches are slivers, hard to lay straight, mm.
_SLIVER = 50.0
# Material a further seam is worth, mm along the feed.
_A_SEAMS_WORTH = 100.0
_LEEWAYS = (1.0, 0.4, 0.0)
_EPS = 1e-6
_COARSE = 0.1


@dataclass(frozen=True, slots=True)
class Guards:
    """What seams keep clear of, in artwork coordinates, mm.

    Attributes
    ----------
    units
        Boxes of words and elements, to be left whole where they fit.
    together
        Boxes the maker wants whole, whatever it costs.
    necks
        Places where the mask is weak already.
    """

    units: tuple[Box, ...] = ()
    together: tuple[Box, ...] = ()
    necks: tuple[tuple[float, float], ...] = ()


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
    cut_units
        How many words and elements a seam runs through.
    paint
        Paint that seams cross, mm.
    """

    patches: tuple[Patch, ...]
    overlap: float
    cut_keepers: tuple[int, ...] = ()
    cut_units: int = 0
    paint: float = 0.0


@lru_cache(maxsize=64)
def divide(plan: CutPlan, reach: Reach, guards: Guards = Guards()) -> Division:  # it is immutable
    """Divide a mask into patches for the fewest sheets; then as few words cut, little material, few seams.

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
    ground = _Ground(plan, reach, guards)
    drafts = [draft for pattern in _promising(plan.box, reach) for draft in ground.drafts(pattern)]
    best = min(drafts, key=lambda draft: draft.key)
    return ground.cut(best)


def _promising(box: Box, reach: Reach) -> list[Pattern]:
    """Return the patterns that take fewest sheets, those with fewest cells first."""
    extent = (box[2] - box[0], box[3] - box[1])
    seen: dict[tuple[float, ...], tuple[int, int, Pattern]] = {}
    for pattern, sizes in candidates(extent, reach):
        key = (pattern.axis, *(round(side, 2) for size in sizes for side in size))
        if key not in seen:
            seen[key] = (sheets_for(sizes, reach), len(sizes), pattern)
    fewest = min(sheets for sheets, *_ in seen.values())
    ranked = sorted((entry for entry in seen.values() if entry[0] == fewest), key=lambda entry: entry[1])
    # Many cells make many seams to place: fewer patterns are laid, so that the answer comes at once.
    laid = max(2, min(_PATTERNS_LAID, _CELLS_LAID // max(ranked[0][1], 1)))
    return [pattern for *_, pattern in ranked[:laid]]


@dataclass(frozen=True, slots=True)
class _Draft:
    """Cells with their seams set, before anything is cut."""

    cells: tuple[Box, ...]
    sheets: int
    length: float
    together: int
    units: int
    keepers: int
    slivers: int
    bare: int
    cost: float

    @property
    def key(self) -> tuple[float, ...]:
        """What makes it better: kept together, fewest sheets, no slivers or bare patches, keepers and words whole."""
        return (
            self.together,
            self.sheets,
            self.slivers + self.bare,
            self.keepers,
            self.units,
            round(self.length / _A_SEAMS_WORTH),
            len(self.cells),
            self.cost,
        )


class _Ground:
    """What seams run through: the mask's edges by scan line, and all they keep clear of."""

    def __init__(self, plan: CutPlan, reach: Reach, guards: Guards) -> None:
        self.plan, self.reach, self.guards = plan, reach, guards
        self._known: dict[tuple[int, float, float, bytes], npt.NDArray[np.float64]] = {}
        # Seams are placed to the mm: curves drawn to the hundredth would only cost time.
        self.scan = Scan(plan.frame.simplify(_COARSE))
        self.windows = _boxes(ring.bounds for ring in plan.frame.interiors)
        self.keepers = _boxes(keeper.shape.bounds for keeper in plan.keepers)
        self.units, self.together = _boxes(guards.units), _boxes(guards.together)
        self.bridges = _boxes(bridge.strip.bounds for bridge in plan.bridges)
        self.necks = _boxes((x - _SHORT / 2, y - _SHORT / 2, x + _SHORT / 2, y + _SHORT / 2) for x, y in guards.necks)

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
        cost = 0.0
        strips, paid = self._placed(start, end, low, high, pattern.strips, axis, leeway)
        cost += paid
        cells: list[Box] = []
        for begin, until in strips:
            inner, paid = self._placed(low, high, begin, until, pattern.cells, 1 - axis, leeway)
            cost += paid
            cells += [
                (begin, left, until, right) if axis == 0 else (left, begin, right, until) for left, right in inner
            ]
        sizes = [(x1 - x0, y1 - y0) for x0, y0, x1, y1 in cells]
        if not all(fits(*size, self.reach) for size in sizes):
            return None
        stray = self._parted(self.keepers, cells)
        # A keeper that no cell holds is cut on its own, and takes its place on a sheet.
        sizes += [(x1 - x0, y1 - y0) for x0, y0, x1, y1 in self.keepers[stray].tolist()]
        packed = quick_pack([Item(*size) for size in sizes], self.reach.room) if len(sizes) <= 60 else None
        return _Draft(
            tuple(cells),
            packed.sheets if packed else len(sizes),
            packed.length if packed else sum(max(size) for size in sizes),
            len(self._parted(self.together, cells)),
            len(self._parted(self.units, cells)),
            len(stray),
            sum(min(x1 - x0, y1 - y0) < _SLIVER for x0, y0, x1, y1 in cells),
            self._bare(cells),
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

    def _parted(self, boxes: npt.NDArray[np.float64], cells: Sequence[Box]) -> npt.NDArray[np.intp]:
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
    ) -> tuple[list[tuple[float, float]], float]:
        """Return the cells of a run along one axis, each seam where it costs least within its leeway, and the cost."""
        overlap, cells, left, cost = self.reach.overlap, [], start, 0.0
        count = run.count
        for index in range(1, count):
            rest = Run(count - index + 1, run.most, run.fill)
            earliest, latest, at = run_of(left, end, rest, overlap, self.reach.least)[0]
            first, last = at - leeway * (at - earliest), at + leeway * (latest - at)
            tries = np.array([at]) if last - first < _EPS else np.append(np.linspace(first, last, _SEAM_TRIES), at)
            costs = self._known_costs(tries, low, high, axis) + np.abs(tries - at) * 1e-3
            best = int(np.argmin(costs))
            seam = float(tries[best])
            cost += float(costs[best])
            cells.append((left, seam + overlap))
            left = seam
        return [*cells, (left, end)], cost

    def _known_costs(
        self, tries: npt.NDArray[np.float64], low: float, high: float, axis: int
    ) -> npt.NDArray[np.float64]:
        """Return what seams cost; patterns share many of them, so each is reckoned once."""
        key = (axis, round(low, 3), round(high, 3), tries.round(3).tobytes())
        if key not in self._known:
            self._known[key] = self._costs(tries, low, high, axis)
        return self._known[key]

    def _costs(self, tries: npt.NDArray[np.float64], low: float, high: float, axis: int) -> npt.NDArray[np.float64]:
        """Return what seams beginning at some places cost, mm of paint."""
        overlap = self.reach.overlap
        middle = tries + overlap / 2
        cost = np.zeros(len(tries))
        if not self.scan.is_empty:
            crossing, short = self.scan.crossed(middle, low, high, axis, _SHORT)
            cost += (high - low) - crossing + short
            for side in (-1, 1):
                beside, _ = self.scan.crossed(middle + side * (overlap / 2 + _BESIDE), low, high, axis, _SHORT)
                cost += _NEAR * ((high - low) - beside)
        for boxes, weight in (
            (self.keepers, _KEEPER),
            (self.together, _TOGETHER),
            (self.units, _UNIT),
        ):
            # Whole when one of the two cells holds all of it.
            cost += weight * _crossing(boxes, tries, tries + overlap, low, high, axis)
        for boxes, weight in ((self.bridges, _BRIDGE), (self.necks, _NECK)):
            cost += weight * _crossing(boxes, middle, middle, low, high, axis)
        return cost

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
        return Division(numbered, self.reach.overlap, tuple(split), draft.units, draft.cost)


def _boxes(boxes: Iterator[Box] | Sequence[Box]) -> npt.NDArray[np.float64]:
    return np.array(list(boxes), float).reshape(-1, 4)


def _crossing(
    boxes: npt.NDArray[np.float64],
    begins: npt.NDArray[np.float64],
    ends: npt.NDArray[np.float64],
    low: float,
    high: float,
    axis: int,
) -> npt.NDArray[np.float64]:
    """Return for each seam how many boxes beside it begin before it and end after it."""
    beside = boxes[(boxes[:, 1 - axis] < high) & (boxes[:, 3 - axis] > low)]
    across = (beside[:, axis] < begins[:, None] - _EPS) & (beside[:, axis + 2] > ends[:, None] + _EPS)
    counts: npt.NDArray[np.float64] = across.sum(axis=1).astype(float)
    return counts


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
