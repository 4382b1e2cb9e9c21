"""The weed map of a plan: on every sheet what goes and what stays, as it lies on the mat and as on the blank."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Literal

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.figures import Catalogue
from dunestead.core.geometry.affine import Affine
from dunestead.core.mask.loose import LoosePiece
from dunestead.core.mask.naming import letter_at, name_pieces
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.sheets.layout import PlacedPatch
from dunestead.core.weeding.walk import pull_order, pull_start

__all__ = ["WeedRegion", "WeedSheet", "sheet_windows", "weed_map"]

Point = tuple[float, float]
Floats = npt.NDArray[np.float64]
Kind = Literal["window", "field", "keeper", "frame"]
# What a seam cuts off a window smaller than this is nothing anyone pulls out, mm².
_CRUMB = 1.0


@dataclass(frozen=True, slots=True)
class WeedRegion:
    """A part of a sheet that goes, or stays.

    Attributes
    ----------
    id
        What it is known by in both pictures; the parts of one window on two sheets differ.
    kind
        A ``window`` or, around the shapes of a reverse mask, the ``field`` goes; a ``keeper`` and the ``frame`` stay.
    number
        Of a window its place in the walk, from 1; of a keeper its number in the roll; None for the frame.
    mask, patch
        What it is of.
    name
        Where it is, in a maker's words.
    shape, on_sheet, onto_sheet
        In the coordinates of the design, as it lies on the mat, mm, and what carries the one onto the other.
    start
        Where its pull begins, in the coordinates of the design.
    is_guide
        Whether it is worth pulling out whole: laid back in, it shows where keepers go.
    weak
        Places of the mask beside it that tear, in the coordinates of the design.
    """

    id: str
    kind: Kind
    number: int | None
    mask: int
    patch: int
    name: str
    shape: BaseGeometry
    on_sheet: BaseGeometry
    onto_sheet: Affine
    start: Point | None = None
    is_guide: bool = False
    weak: tuple[Point, ...] = ()

    @property
    def goes(self) -> bool:
        """Whether it is taken out."""
        return self.kind in ("window", "field")


@dataclass(frozen=True, slots=True)
class WeedSheet:
    """A sheet on the weeding table; one set of masks of it."""

    number: int
    width: float
    height: float
    mirrored: bool
    regions: tuple[WeedRegion, ...]


@dataclass(frozen=True, slots=True)
class _Window:
    number: int
    shape: shapely.Polygon
    name: str
    is_guide: bool
    weak: tuple[Point, ...]


def weed_map(plan: Plan, catalogue: Catalogue) -> tuple[WeedSheet, ...]:
    """Return every sheet of one set of masks as it is weeded."""
    masks = {mask.number: _Masked(plan, mask, catalogue) for mask in plan.masks}
    sheets = []
    for sheet in plan.layout.sheets:
        own = [placed for placed in sheet.patches if placed.copy == 1]
        if own:
            regions = [region for placed in own for region in masks[placed.patch.mask].on(placed)]
            sheets.append(WeedSheet(sheet.number, sheet.width, sheet.height, sheet.mirrored, tuple(regions)))
    return tuple(sheets)


@dataclass(frozen=True, slots=True)
class SheetWindows:
    """How many windows are counted on a sheet, and how many more reach over a seam on to it, counted elsewhere."""

    counted: int
    reaching_over: int


def sheet_windows(plan: Plan, mask: MaskPlan) -> dict[int, SheetWindows]:
    """Return by sheet how many windows of a mask are pulled out on it.

    A window that a seam divides is one window: it counts where most of it lies, so that all sheets add up.
    """
    windows = shapely.get_parts(mask.cut.windows)
    by_sheet: dict[int, list[Floats]] = {}
    for sheet in plan.layout.sheets:
        for placed in sheet.patches:
            if placed.copy == 1 and placed.patch.mask == mask.number:
                met = shapely.intersection(windows, shapely.box(*placed.patch.cell))
                by_sheet.setdefault(sheet.number, []).append(shapely.area(met))
    if not by_sheet:
        return {}
    areas = np.array([np.sum(parts, axis=0) for parts in by_sheet.values()]).reshape(len(by_sheet), -1)
    most = areas.argmax(axis=0)
    return {
        sheet: SheetWindows(int((most == row).sum()), int(((areas[row] > _CRUMB) & (most != row)).sum()))
        for row, sheet in enumerate(by_sheet)
    }


class _Masked:
    """A mask with its windows in the order of the walk and its keepers named."""

    def __init__(self, plan: Plan, mask: MaskPlan, catalogue: Catalogue) -> None:
        self._mask, self._reverse = mask, mask.laid.is_reverse
        self._windows = [] if self._reverse else _windows(plan, mask, catalogue)
        keepers = list(mask.cut.keepers)
        around = {entry.number: entry.element for entry in plan.look.job.mask.roll}
        names = _named(plan, keepers, [around[keeper.number] for keeper in keepers], is_reverse=self._reverse)
        self._keepers = list(zip(keepers, names, strict=True))

    def on(self, placed: PlacedPatch) -> Iterator[WeedRegion]:
        """Yield what of the mask lies on a patch."""
        cell = shapely.box(*placed.patch.cell)
        about = (self._mask.number, placed.patch.number)
        if self._reverse:
            gone = cell.difference(self._mask.cut.material)
            yield _region("field", "field", None, about, "the field around the shapes", gone, placed)
        for window in self._windows:
            part = window.shape.intersection(cell)
            if part.area > _CRUMB:
                largest = max(shapely.get_parts(part), key=shapely.area)
                weak = tuple(at for at in window.weak if shapely.intersects_xy(cell, *at))
                made = _region("window", f"window-{window.number}", window.number, about, window.name, part, placed)
                yield replace(made, start=pull_start(largest), is_guide=window.is_guide, weak=weak)
        for keeper, name in self._keepers:
            part = keeper.shape.intersection(cell)
            if part.area > _CRUMB:
                yield _region("keeper", f"keeper-{keeper.number}", keeper.number, about, name, part, placed)
        frame = self._mask.cut.frame.intersection(cell)
        if frame.area > _CRUMB:
            yield _region("frame", "frame", None, about, "the mask itself", frame, placed)


def _region(
    kind: Kind,
    key: str,
    number: int | None,
    about: tuple[int, int],
    name: str,
    shape: BaseGeometry,
    placed: PlacedPatch,
) -> WeedRegion:
    onto = placed.to_artwork.inverse()
    return WeedRegion(f"m{about[0]}-p{about[1]}-{key}", kind, number, *about, name, shape, onto.moved(shape), onto)


def _windows(plan: Plan, mask: MaskPlan, catalogue: Catalogue) -> list[_Window]:
    """Return a mask's windows, in the order they are pulled out."""
    parts = [one for one in shapely.get_parts(mask.cut.windows) if one.geom_type == "Polygon"]
    pieces = [_as_piece(number, one) for number, one in enumerate(parts, start=1)]
    around = _elements_under(plan, [piece.anchor for piece in pieces])
    names = _named(plan, pieces, around, is_reverse=True)
    groups = [_read_at(plan, element, piece.anchor) for element, piece in zip(around, pieces, strict=True)]
    anchors = np.array([keeper.anchor for keeper in mask.cut.keepers]).reshape(-1, 2)
    holds = [bool(shapely.contains_xy(shapely.Polygon(one.exterior), *anchors.T).any()) for one in parts]
    guide = plan.method.guide
    necks = [place.at for place in mask.weak if place.kind == "neck" and place.severity != "note"]
    beside = _nearest(parts, necks)
    order = pull_order(parts, groups, catalogue.workshop["weed_small"])
    return [
        _Window(number, parts[k], names[k], guide and holds[k], tuple(necks[n] for n in beside.get(k, ())))
        for number, k in enumerate(order, start=1)
    ]


def _read_at(plan: Plan, element: int, at: Point) -> tuple[int, int]:
    """Return which part of the design a place is in, and which of its letters: 0 where it has none."""
    composition = plan.look.composition
    placed = composition.placed_of(element)
    on_blank = (at[0] + composition.origin[0], at[1] + composition.origin[1])
    letter = placed.letters[letter_at(placed, on_blank)].index if placed.letters else 0
    return composition.placed.index(placed), letter


def _nearest(parts: Sequence[shapely.Polygon], places: Sequence[Point]) -> dict[int, list[int]]:
    """Return by window the weak places it is nearest to."""
    found: dict[int, list[int]] = {}
    if parts and places:
        tree = shapely.STRtree(parts)
        for place, part in zip(*tree.query_nearest(shapely.points(places)), strict=True):
            found.setdefault(int(part), []).append(int(place))
    return found


def _as_piece(number: int, shape: shapely.Polygon) -> LoosePiece:
    at = shape.representative_point()
    middle = shape.centroid
    return LoosePiece(number, float(shape.area), (middle.x, middle.y), (at.x, at.y), shape)


def _elements_under(plan: Plan, places: Sequence[Point]) -> list[int]:
    """Return the element that is painted at each place, the nearest where a bridge or a fate has changed it."""
    placed, points = plan.look.composition.placed, shapely.points(np.array(places) + plan.origin)
    away = np.array([shapely.distance(one.region, points) for one in placed])
    return [placed[k].element.id for k in np.argmin(away, axis=0)]


def _named(plan: Plan, pieces: Sequence[LoosePiece], around: Sequence[int], *, is_reverse: bool) -> list[str]:
    return name_pieces(list(pieces), list(around), plan.look.composition, is_reverse=is_reverse)
