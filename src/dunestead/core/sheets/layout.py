"""All patches of all masks of a job laid on as few sheets as hold them, right side up."""

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import lru_cache

import shapely

from dunestead.core.geometry.affine import Affine
from dunestead.core.geometry.curves import Box
from dunestead.core.mask.tying import CutPlan
from dunestead.core.sheets.cells import Reach, meetings
from dunestead.core.sheets.division import Division, Patch, divide
from dunestead.core.sheets.ground import Guards
from dunestead.core.sheets.packing import Packing, PackItem, PackSpot, fewest_by_bounds, holds, pack, quick_pack
from dunestead.core.sheets.price import USUAL_PRICES, Aim, Prices
from dunestead.core.sheets.seams import Seam, seams_of

__all__ = [
    "KeptSpot",
    "Layout",
    "LayoutRules",
    "PatchConstraint",
    "PlacedPatch",
    "Sheet",
    "Weighed",
    "items_of",
    "lay_out",
    "patches_of",
    "weigh",
    "weigh_laid",
]

# Sets of masks are packed together up to so many patches.
_BLOCK = 48
_MOST_SETS_A_BLOCK = 24
# Bounds are looked for among so many patches.
_BOUNDED = 200


@dataclass(frozen=True, slots=True)
class PlacedPatch:
    """A patch on its sheet.

    Attributes
    ----------
    copy
        Which of several sets of masks it belongs to, from 1.
    box
        Its place on the sheet, mm.
    to_artwork
        Carries sheet coordinates back to artwork coordinates, mirroring included.
    turned
        Whether it lies a quarter turned.
    """

    patch: Patch
    copy: int
    box: Box
    to_artwork: Affine
    turned: bool

    @property
    def id(self) -> str:
        """Its number, and its set where there are several."""
        return str(self.patch.number) if self.copy == 1 else f"{self.patch.number}.{self.copy}"

    @property
    def shape(self) -> shapely.MultiPolygon:
        """In artwork coordinates, mm."""
        return self.patch.shape

    def on_sheet(self) -> shapely.MultiPolygon:
        """Return the shape as it lies on the sheet."""
        moved: shapely.MultiPolygon = shapely.transform(self.patch.shape, self.to_artwork.inverse().apply)
        return moved


@dataclass(frozen=True, slots=True)
class Sheet:
    """One load of the cutter, mm; it is cut as many times as it has runs."""

    number: int
    width: float
    height: float
    mirrored: bool
    patches: tuple[PlacedPatch, ...]
    runs: int = 1


@dataclass(frozen=True, slots=True)
class PatchConstraint:
    """What the maker wants of the patch that a point lies in.

    Attributes
    ----------
    mask, at
        Number of the mask, and the point, in artwork coordinates, mm.
    sheet
        The sheet it shall lie on, None for any.
    alone
        Whether it shall have a sheet to itself.
    turns
        Whether it may be turned.
    """

    mask: int
    at: tuple[float, float]
    sheet: int | None = None
    alone: bool = False
    turns: bool = True


@dataclass(frozen=True, slots=True)
class KeptSpot:
    """A patch of a packing that was found by a longer search, with the size it had then, mm."""

    width: float
    height: float
    sheet: int
    x: float
    y: float
    turned: bool


@dataclass(frozen=True, slots=True)
class LayoutRules:
    """How patches are laid out.

    Attributes
    ----------
    mirrored
        Whether sheets are cut mirrored.
    sets
        How many sets of masks are wanted.
    constraints
        What the maker wants of single patches.
    kept
        A packing found by a longer search, used while it fits.
    prices
        What a division is chosen by.
    """

    reach: Reach
    mirrored: bool
    sets: int = 1
    constraints: tuple[PatchConstraint, ...] = ()
    kept: tuple[KeptSpot, ...] = ()
    prices: Prices = USUAL_PRICES


@dataclass(frozen=True, slots=True)
class Layout:
    """All sheets of a job.

    Attributes
    ----------
    patches
        One set, numbered through all masks.
    fewest_possible
        No division needs fewer sheets, proven by area.
    fewest_for_these
        These patches need as many, proven by packing.
    """

    sheets: tuple[Sheet, ...]
    patches: tuple[Patch, ...]
    seams: tuple[Seam, ...]
    divisions: tuple[Division, ...] = field(compare=False)
    fewest_possible: int
    fewest_for_these: int
    sets: int

    @property
    def count(self) -> int:
        """How many sheets are cut in all."""
        return sum(sheet.runs for sheet in self.sheets)

    @property
    def is_fewest(self) -> bool:
        """Whether no division at all needs fewer."""
        return self.count == self.fewest_possible

    @property
    def is_fewest_for_these(self) -> bool:
        """Whether these patches are proven to need as many."""
        return self.count == max(self.fewest_for_these, self.fewest_possible)

    @property
    def cut_keepers(self) -> tuple[int, ...]:
        """Numbers of keepers that a seam runs through."""
        return tuple(number for division in self.divisions for number in division.cut_keepers)

    @property
    def length(self) -> float:
        """Material used along the feed, mm, every run counted."""
        return sum(sheet.height * sheet.runs for sheet in self.sheets)


@dataclass(frozen=True, slots=True)
class Weighed:
    """A layout in a few numbers, to be held against others; of all sets of masks.

    Attributes
    ----------
    aim
        What it was chosen for.
    parted
        Words, elements, windows and keepers that seams run through.
    poor
        Patches too narrow to be laid straight, or of border alone.
    price
        In seams.
    """

    aim: Aim
    sheets: int
    seams: int
    parted: int
    poor: int
    price: float


def weigh(
    masks: tuple[CutPlan, ...], guards: tuple[Guards, ...], rules: LayoutRules, prices: Prices, aim: Aim
) -> Weighed:
    """Return what a layout for an aim takes, without laying its patches any better than quickly.

    Parameters
    ----------
    prices
        What each layout is judged by, whatever it was chosen for.
    """
    towards = replace(rules, prices=prices.towards(aim), kept=(), constraints=())
    divisions = _divisions(masks, guards, towards)
    patches = patches_of(divisions)
    return _weighed(divisions, patches, _quick_count(items_of(patches, towards), towards), rules, prices, aim)


def weigh_laid(layout: Layout, rules: LayoutRules, prices: Prices, aim: Aim) -> Weighed:
    """Return a layout in the same numbers."""
    return _weighed(layout.divisions, layout.patches, layout.count, rules, prices, aim)


def _weighed(
    divisions: Sequence[Division],
    patches: Sequence[Patch],
    sheets: int,
    rules: LayoutRules,
    prices: Prices,
    aim: Aim,
) -> Weighed:
    cells = [[patch.cell for patch in patches if patch.mask == mask] for mask in range(1, len(divisions) + 1)]
    seams = rules.sets * sum(meetings(own, rules.reach.overlap) for own in cells)
    parted = rules.sets * sum(division.cut_shapes for division in divisions)
    painted = rules.sets * sum(division.paint for division in divisions)
    poor = rules.sets * sum(division.poor for division in divisions)
    return Weighed(aim, sheets, seams, parted, poor, prices.of(sheets, seams, parted, painted, poor))


def _quick_count(items: Sequence[PackItem], rules: LayoutRules) -> int:
    """Return on how many sheets all sets go by a quick packing."""
    together = _sets_together(items, rules)
    blocks, rest = divmod(rules.sets, together)
    room = rules.reach.room
    count = blocks * quick_pack(list(items) * together, room).sheets
    return count + (quick_pack(list(items) * rest, room).sheets if rest else 0)


def _divisions(masks: tuple[CutPlan, ...], guards: tuple[Guards, ...], rules: LayoutRules) -> tuple[Division, ...]:
    pairs = zip(masks, guards, strict=True)
    return tuple(divide(mask, rules.reach, guard, rules.prices, rules.sets) for mask, guard in pairs)


@lru_cache(maxsize=64)
def lay_out(masks: tuple[CutPlan, ...], guards: tuple[Guards, ...], rules: LayoutRules) -> Layout:
    """Divide masks into patches and lay them on the fewest sheets.

    Parameters
    ----------
    masks, guards
        The masks in their order, and what their seams keep clear of.
    rules
        The rest.

    Raises
    ------
    BadInput
        When the overlap leaves nothing of the reach, hundreds of sheets would be needed, or a constraint
        cannot be followed.
    """
    reach = rules.reach
    divisions = _divisions(masks, guards, rules)
    patches = patches_of(divisions)
    seams: list[Seam] = []
    for number in range(1, len(masks) + 1):
        own = [patch for patch in patches if patch.mask == number]
        seams += seams_of(own, reach.overlap, len(seams))
    items = items_of(patches, rules)
    sheets, bound = _sheets(patches, items, rules)
    fewest = _bound(masks, reach, rules.sets)
    return Layout(tuple(sheets), patches, tuple(seams), divisions, fewest, bound, rules.sets)


def patches_of(divisions: Sequence[Division]) -> tuple[Patch, ...]:
    """Return the patches of all masks, numbered through."""
    found: list[Patch] = []
    for mask, division in enumerate(divisions, start=1):
        found += [
            replace(patch, mask=mask, number=number)
            for number, patch in enumerate(division.patches, start=len(found) + 1)
        ]
    return tuple(found)


def items_of(patches: Sequence[Patch], rules: LayoutRules) -> list[PackItem]:
    """Return patches as rectangles to pack, the maker's constraints kept; a later one outweighs an earlier."""
    labels = _labels(rules)
    return [
        _item(
            patch,
            [constraint for constraint in rules.constraints if patch.holds(constraint.mask, constraint.at)],
            labels,
        )
        for patch in patches
    ]


def _labels(rules: LayoutRules) -> dict[int, int]:
    """Return the sheets the maker named, by the labels that packing knows them by."""
    named = sorted({constraint.sheet for constraint in rules.constraints if constraint.sheet is not None})
    return {sheet: label for label, sheet in enumerate(named, start=1)}


def _numbers(count: int, rules: LayoutRules) -> list[int]:
    """Return packed sheets in the order they are numbered: those the maker named at their places, the rest between."""
    named = {label: sheet for sheet, label in _labels(rules).items()}
    order = [label for label in range(1, count + 1) if label not in named]
    for label, sheet in sorted(named.items()):
        if label <= count:
            order.insert(min(sheet - 1, len(order)), label)
    return order


def _item(patch: Patch, constraints: Sequence[PatchConstraint], labels: Mapping[int, int]) -> PackItem:
    width, height = patch.size
    if not constraints:
        return PackItem(width, height)
    sheet = constraints[-1].sheet
    return PackItem(
        width, height, constraints[-1].turns, constraints[-1].alone, None if sheet is None else labels[sheet]
    )


# --- sheets -----------------------------------------------------------------------------------
def _sheets(patches: Sequence[Patch], items: Sequence[PackItem], rules: LayoutRules) -> tuple[list[Sheet], int]:
    """Return the sheets of all sets, and a number these patches cannot do without."""
    room = rules.reach.room
    together = _sets_together(items, rules)
    blocks, rest = divmod(rules.sets, together)
    sheets: list[Sheet] = []
    bound = 0
    for sets, runs in ((together, blocks), (rest, 1)):
        if not sets:
            continue
        wanted = list(items) * sets
        packing = _kept(wanted, rules) or pack(wanted, room)
        bound += packing.bound * runs
        copies = [(patch, copy) for copy in range(1, sets + 1) for patch in patches]
        sheets += _laid(copies, packing, rules, runs, len(sheets) + 1, _numbers(packing.sheets, rules))
    if blocks + bool(rest) > 1:
        # Several blocks are counted together: what each needs does not bound what all need.
        all_items = list(items) * rules.sets
        bound = fewest_by_bounds(all_items, room) if len(all_items) <= _BOUNDED else 0
    return sheets, bound


def _kept(items: Sequence[PackItem], rules: LayoutRules) -> Packing | None:
    """Return the packing a longer search found, if these are still the same items and it is the better one."""
    if len(rules.kept) != len(items) or rules.constraints:
        return None
    if any(
        abs(spot.width - item.width) > 0.01 or abs(spot.height - item.height) > 0.01
        for spot, item in zip(rules.kept, items, strict=True)
    ):
        return None
    room = rules.reach.room
    kept = holds(items, room, [PackSpot(spot.sheet, spot.x, spot.y, spot.turned) for spot in rules.kept])
    if kept is None or not kept.better_than(quick_pack(items, room)):
        return None
    return kept


def _sets_together(items: Sequence[PackItem], rules: LayoutRules) -> int:
    """Return how many sets of masks are packed as one block, for the fewest sheets over all sets."""
    most = min(rules.sets, _MOST_SETS_A_BLOCK, max(_BLOCK // max(len(items), 1), 1))
    if rules.constraints or most < 2:
        return 1
    room = rules.reach.room
    count = {sets: quick_pack(list(items) * sets, room).sheets for sets in range(1, most + 1)}
    count[0] = 0

    def total(sets: int) -> int:
        blocks, rest = divmod(rules.sets, sets)
        return blocks * count[sets] + count[rest]

    # The same total with fewer different sheets is less to load and to mix up; then the fuller block.
    return min(range(1, most + 1), key=lambda sets: (total(sets), count[sets] + count[rules.sets % sets], -sets))


def _laid(
    copies: Sequence[tuple[Patch, int]],
    packing: Packing,
    rules: LayoutRules,
    runs: int,
    first: int,
    order: Sequence[int],
) -> Iterator[Sheet]:
    for number, k in enumerate(order, start=first):
        placed = tuple(
            _placed(patch, copy, spot, mirrored=rules.mirrored)
            for (patch, copy), spot in zip(copies, packing.spots, strict=True)
            if spot.sheet == k
        )
        width = max((one.box[2] for one in placed), default=0.0)
        height = max((one.box[3] for one in placed), default=0.0)
        yield Sheet(number, width, height, rules.mirrored, placed, runs)


def _placed(patch: Patch, copy: int, spot: PackSpot, *, mirrored: bool) -> PlacedPatch:
    """Set a patch down: turned a quarter when it must, mirrored in its own place, its corner at the spot."""
    left, top, right, bottom = patch.shape.bounds
    width, height = right - left, bottom - top
    place = Affine.translation(-left, -top)
    if spot.turned:
        # A quarter turn clockwise, as seen with y down.
        place = place.then(Affine(a=0, b=1, c=-1, d=0, e=height))
        width, height = height, width
    if mirrored:
        place = place.then(Affine(a=-1, e=width))
    place = place.then(Affine.translation(spot.x, spot.y))
    box = (spot.x, spot.y, spot.x + width, spot.y + height)
    return PlacedPatch(patch, copy, box, place.inverse(), spot.turned)


def _bound(masks: Sequence[CutPlan], reach: Reach, sets: int) -> int:
    """Return a number of sheets that no division can do without: all material must lie on some sheet."""
    area = sets * sum(float(mask.material.area) for mask in masks)
    return max(math.ceil(area / (reach.width * reach.length) - 1e-9), 1)
