"""The mask divided over sheets that the cutter can reach."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import lru_cache

import numpy as np
import shapely

from dunestead.core.errors import BadInput
from dunestead.core.geometry.affine import Affine
from dunestead.core.geometry.curves import Box
from dunestead.core.mask.tying import CutPlan

__all__ = ["Division", "Patch", "Sheet", "divide", "sheet_grid"]

# Seams are tried at this many places within the leeway they have.
_SEAM_TRIES = 41
# Cutting a keeper in two is as bad as crossing this much paint, mm.
_KEEPER_CUT = 1e4


@dataclass(frozen=True, slots=True)
class Patch:
    """A part of the mask cut in one piece, with the keepers on it.

    Attributes
    ----------
    id
        Its number, as printed on the sheet.
    shape
        In artwork coordinates, mm: what lies within the patch of frame and keepers.
    box
        Its place on the sheet, mm.
    to_artwork
        Carries sheet coordinates back to artwork coordinates, mirroring included.
    """

    id: str
    shape: shapely.MultiPolygon = field(compare=False)
    box: Box
    to_artwork: Affine

    def on_sheet(self) -> shapely.MultiPolygon:
        """Return the shape as it lies on the sheet."""
        moved: shapely.MultiPolygon = shapely.transform(self.shape, self.to_artwork.inverse().apply)
        return moved


@dataclass(frozen=True, slots=True)
class Sheet:
    """One load of the cutter, mm. Here a sheet carries one patch."""

    number: int
    width: float
    height: float
    mirrored: bool
    patches: tuple[Patch, ...]


@dataclass(frozen=True, slots=True)
class Division:
    """All sheets of a mask.

    Attributes
    ----------
    fewest_possible
        No division needs fewer, proven by area and extent.
    turned
        Whether the cells lie with their long side across the artwork.
    cut_keepers
        Numbers of keepers that a seam runs through.
    """

    sheets: tuple[Sheet, ...]
    fewest_possible: int
    turned: bool
    cut_keepers: tuple[int, ...]

    @property
    def is_fewest(self) -> bool:
        """Whether the count is proven least."""
        return len(self.sheets) == self.fewest_possible


@lru_cache(maxsize=32)
def divide(plan: CutPlan, reach: tuple[float, float], overlap: float, *, mirrored: bool, first: int = 1) -> Division:
    """Divide the mask into a grid of overlapping cells within the reach.

    Parameters
    ----------
    plan
        The mask to be cut.
    reach
        Width and length the knife reaches, mm; the cells may lie either way round.
    overlap
        Mask shared by neighbours, mm.
    mirrored
        Whether the sheets are cut mirrored.
    first
        Number of the first sheet, where other masks of the job come before.

    Raises
    ------
    BadInput
        When the overlap leaves nothing of the reach, or thousands of sheets would be needed.
    """
    if not 0 <= overlap < min(reach) / 2:
        raise BadInput(
            f"An overlap of {overlap:g} mm does not fit a reach of {reach[0]:g} x {reach[1]:g} mm.",
            "Give an overlap under half the shorter reach.",
        )
    x0, y0, x1, y1 = plan.box
    count, turned, width, height = sheet_grid((x1 - x0, y1 - y0), reach, overlap)
    if count > 400:
        raise BadInput(
            f"This mask would take {count} sheets.", "Make the design smaller or choose a cutter that reaches further."
        )
    columns = _seams(plan, (x0, x1), width, overlap, axis=0)
    rows = _seams(plan, (y0, y1), height, overlap, axis=1)
    cells = [(left, top, right, bottom) for top, bottom in rows for left, right in columns]
    home = {k.number: next((c for c in cells if _holds(c, k.shape.bounds)), None) for k in plan.keepers}
    sheets: list[Sheet] = []
    for cell in cells:
        shape = _within(plan, cell, home)
        if not shape.is_empty:
            sheets.append(_sheet(first + len(sheets), shape, reach, bool(turned), mirrored=mirrored))
    cut = tuple(number for number, cell in home.items() if cell is None)
    return Division(tuple(sheets), _bound(plan, reach), bool(turned), cut)


def sheet_grid(
    extent: tuple[float, float], reach: tuple[float, float], overlap: float
) -> tuple[int, bool, float, float]:
    """Return how many cells cover an extent, whether they lie with their long side across, and a cell's sides, mm.

    Examples
    --------
    >>> sheet_grid((480, 300), (292, 597), 10)[:2]
    (2, False)
    """
    return min(
        (_cells(extent[0], w, overlap) * _cells(extent[1], h, overlap), bool(turned), w, h)
        for turned, (w, h) in enumerate((reach, reach[::-1]))
    )


def _cells(extent: float, reach: float, overlap: float) -> int:
    return 1 if extent <= reach else math.ceil((extent - overlap) / (reach - overlap) - 1e-9)


def _seams(
    plan: CutPlan, extent: tuple[float, float], reach: float, overlap: float, axis: int
) -> list[tuple[float, float]]:
    """Return the cells along one axis, each seam placed where it crosses least paint and no keeper."""
    start, end = extent
    count = _cells(end - start, reach, overlap)
    cells, left = [], start
    for index in range(1, count):
        # What is left must still fit into the cells that are left.
        earliest = end - (count - index) * (reach - overlap) - overlap
        latest = left + reach - overlap
        even = start + index * (end - start - overlap) / count
        seam = _best_seam(plan, max(earliest, left + overlap), latest, even, overlap, axis)
        cells.append((left, seam + overlap))
        left = seam
    return [*cells, (left, end)]


def _best_seam(plan: CutPlan, earliest: float, latest: float, even: float, overlap: float, axis: int) -> float:
    tries = np.append(np.linspace(earliest, latest, _SEAM_TRIES), np.clip(even, earliest, latest))
    low, high = plan.box[1 - axis], plan.box[3 - axis]
    middle = tries + overlap / 2
    ends = np.stack(
        [np.column_stack([middle, np.full_like(middle, side)])[:, :: 1 - 2 * axis] for side in (low, high)], 1
    )
    crossing = shapely.intersection(shapely.linestrings(ends), plan.frame)
    paint = (high - low) - shapely.length(crossing)
    boxes = np.array([keeper.shape.bounds for keeper in plan.keepers]).reshape(-1, 4)
    # A keeper is whole when one of the two cells holds all of it.
    cut = (boxes[:, axis] < tries[:, None]) & (boxes[:, axis + 2] > tries[:, None] + overlap)
    cost = paint + _KEEPER_CUT * cut.sum(axis=1) + np.abs(tries - even) * 1e-3
    return float(tries[int(np.argmin(cost))])


def _within(plan: CutPlan, cell: Box, home: Mapping[int, Box | None]) -> shapely.MultiPolygon:
    """Return what a cell holds: its part of the frame, and each keeper in the one cell that is its home.

    A keeper too large for any cell has no home and is cut where the seams run.
    """
    here = [keeper.shape for keeper in plan.keepers if home[keeper.number] == cell]
    split = [keeper.shape for keeper in plan.keepers if home[keeper.number] is None]
    whole = [part for part in (plan.frame, *split) if not part.is_empty]
    cut = shapely.intersection(shapely.box(*cell), np.array(whole, dtype=object))
    parts = shapely.get_parts(shapely.get_parts(np.append(cut, np.array(here, dtype=object))))
    return shapely.MultiPolygon([part for part in parts if part.geom_type == "Polygon"])


def _holds(cell: Box, box: Box) -> bool:
    return cell[0] <= box[0] and cell[1] <= box[1] and box[2] <= cell[2] and box[3] <= cell[3]


def _sheet(
    number: int, shape: shapely.MultiPolygon, reach: tuple[float, float], turned: bool, *, mirrored: bool
) -> Sheet:
    """Lay a patch on a sheet with its corner at the origin, turned a quarter when the cells are."""
    left, top, right, bottom = shape.bounds
    width, height = right - left, bottom - top
    place = Affine.translation(-left, -top)
    if turned and not (width <= reach[0] and height <= reach[1]):
        # A quarter turn clockwise, as seen with y down.
        place = place.then(Affine(a=0, b=1, c=-1, d=0, e=height))
        width, height = height, width
    if mirrored:
        place = place.then(Affine(a=-1, e=width))
    patch = Patch(str(number), shape, (0.0, 0.0, width, height), place.inverse())
    return Sheet(number, width, height, mirrored, (patch,))


def _bound(plan: CutPlan, reach: tuple[float, float]) -> int:
    """Return a number of sheets that no division can do without.

    All material must lie on some sheet, so its area over the reach's bounds the count; and a
    frame that does not fit the reach either way takes two at least.
    """
    by_area = math.ceil(plan.material.area / (reach[0] * reach[1]) - 1e-9)
    x0, y0, x1, y1 = plan.box if plan.frame.is_empty else plan.frame.bounds
    fits = (x1 - x0 <= reach[0] and y1 - y0 <= reach[1]) or (x1 - x0 <= reach[1] and y1 - y0 <= reach[0])
    # Separate shapes may lie closer on a sheet than on the blank, so only what is one piece must fit.
    return max(by_area, 1 if fits or plan.frame.is_empty else 2)
