"""The whole plan of a job, from what is painted to when it may be washed."""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from hashlib import sha256

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.artwork.painted import Painted
from dunestead.core.artwork.sources import Sources
from dunestead.core.blanks.clear import ClearArea, region_of
from dunestead.core.curing.peel import PeelWindow, WetWork, peel_window
from dunestead.core.cutting.timing import KnifeTime
from dunestead.core.cutting.verify import Verdict
from dunestead.core.effort import effort
from dunestead.core.figures import Catalogue
from dunestead.core.geometry.affine import Affine
from dunestead.core.geometry.curves import Box, shifted
from dunestead.core.job.choices import Choices
from dunestead.core.job.job import Job, PatchChoice
from dunestead.core.job.reach import reach_of, stock_of
from dunestead.core.looking.look import Look, look_at
from dunestead.core.looking.masks import LaidMask
from dunestead.core.looking.rail import SizeRail, size_rail
from dunestead.core.looking.ties import tie
from dunestead.core.looking.weakness import weak_of
from dunestead.core.mask.bridges import Bridge
from dunestead.core.mask.findings import widths_of
from dunestead.core.mask.gaps import Gap, nearest_gaps
from dunestead.core.mask.loose import LoosePiece
from dunestead.core.mask.tying import CutPlan
from dunestead.core.mask.weak import WeakPlace
from dunestead.core.method import Method
from dunestead.core.painting.cover import NO_COVER, Cover, cover_around
from dunestead.core.painting.layers import wet_run
from dunestead.core.painting.weather import Reading, spraying
from dunestead.core.plan.coats import PlannedCoating, painting_work, plan_coatings
from dunestead.core.plan.laying import layout_of, settings_of, sheet_time
from dunestead.core.plan.materials import MaskWork, MaterialFit, rank_materials
from dunestead.core.records import CutSettings, KeptMask, ProvenHeat, Stock
from dunestead.core.sheets.cells import Reach
from dunestead.core.sheets.division import Patch
from dunestead.core.sheets.facing import Facing, face
from dunestead.core.sheets.layout import Layout, Sheet
from dunestead.core.sheets.stock import TrimList, trim_list
from dunestead.core.tacking.centring import TapeCheck, as_it_lies, from_edges
from dunestead.core.tacking.methods import MethodFit, MethodWork, rank_methods
from dunestead.core.tacking.passes import passes_of
from dunestead.core.tacking.pins import Pinning, PinRules, pin_mask
from dunestead.core.tacking.placements import Placement, PressGround, Pressing, press_mask
from dunestead.core.tacking.strips import Strip, strips_for

__all__ = [
    "CutCheck",
    "MaskPlan",
    "Plan",
    "SheetPlan",
    "make_plan",
    "mask_title",
    "materials_of",
    "method_work",
    "painting_work",
    "wet_work",
]

CutCheck = Callable[[Layout, str, Reach, bool], Sequence[Verdict]]
_DM2 = 1e4


@dataclass(frozen=True, slots=True)
class SheetPlan:
    """A sheet with its knife time, once, and what its simulated cut gave."""

    sheet: Sheet
    time: KnifeTime
    verdict: Verdict

    @property
    def number(self) -> int:
        """Its number among all of the job."""
        return self.sheet.number


@dataclass(frozen=True, slots=True)
class MaskPlan:
    """All that follows for one mask; what is named so lies on the blank, mm from its top left.

    Attributes
    ----------
    box, painted_box
        The mask, and what is painted through it, on the blank.
    pressings
        The passes of the plate, on the blank; empty where there is no heat.
    pinning
        In the coordinates of the design.
    placing
        Numbers of the keepers in the order they are set down.
    tape
        As a tape reads from the blank's edges, worked from its back where it is seen through.
    cover, strips
        How far it is covered around, with the tape that takes, and the paper for it.
    coats
        What goes through it, in its order.
    """

    laid: LaidMask
    cut: CutPlan
    gaps: tuple[Gap, ...]
    weak: tuple[WeakPlace, ...]
    box: Box
    painted_box: Box
    pressings: tuple[Pressing, ...]
    pinning: Pinning
    placing: tuple[int, ...]
    tape: TapeCheck
    cover: Cover
    strips: tuple[Strip, ...]
    coats: tuple[PlannedCoating, ...]
    peel: PeelWindow

    @property
    def number(self) -> int:
        """Its number in the order masks are laid."""
        return self.laid.number

    @property
    def design(self) -> str:
        """What tells its design from others, in short."""
        return sha256(repr((self.cut.key,)).encode()).hexdigest()[:12]


@dataclass(frozen=True, slots=True)
class Plan:
    """All that follows from a job's inputs. Boxes named ``on_blank`` are mm from the blank's top left."""

    look: Look
    rail: SizeRail
    methods: tuple[MethodFit, ...]
    method: Method
    coatings: tuple[PlannedCoating, ...]
    masks: tuple[MaskPlan, ...]
    facing: Facing
    layout: Layout
    reach: Reach
    sheets: tuple[SheetPlan, ...]
    stock: Stock
    trims: TrimList
    settings: CutSettings
    settings_why: str
    spraying: tuple[Reading, ...] = ()
    kept_masks: tuple[int, ...] = ()

    @property
    def job(self) -> Job:
        """What the maker decided."""
        return self.look.job

    @property
    def choices(self) -> Choices:
        """The rows of the catalogue in force."""
        return self.look.choices

    @property
    def painted(self) -> Painted:
        """What is painted."""
        return self.look.painted

    @property
    def origin(self) -> tuple[float, float]:
        """Top left of the painted box on the blank."""
        return self.look.composition.origin

    @property
    def copies(self) -> int:
        """How many are made."""
        return self.job.blank.copies

    @property
    def cuts(self) -> tuple[CutPlan, ...]:
        """The masks as they are cut."""
        return tuple(mask.cut for mask in self.masks)

    @property
    def keepers(self) -> tuple[LoosePiece, ...]:
        """Every piece placed by hand, mask by mask."""
        return tuple(keeper for mask in self.masks for keeper in mask.cut.keepers)

    @property
    def bridges(self) -> tuple[Bridge, ...]:
        """Every bridge, mask by mask."""
        return tuple(bridge for mask in self.masks for bridge in mask.cut.bridges)

    def choice_for(self, patch: Patch) -> PatchChoice | None:
        """Return what the maker chose for a patch, None for nothing."""
        width, height = self.painted.width, self.painted.height
        about = [
            choice
            for choice in self.job.sheets.patch_choices
            if patch.holds(choice.mask, (choice.x * width, choice.y * height))
        ]
        return about[-1] if about else None

    @property
    def method_fit(self) -> MethodFit:
        """The method in force, held against the job."""
        return next(fit for fit in self.methods if fit.method is self.method)

    @property
    def is_by_hand(self) -> bool:
        """Whether the knife is in the hand."""
        return self.choices.cutter.feeds == "hand"

    @property
    def is_sprayed(self) -> bool:
        """Whether anything goes on through the air while a mask lies on the blank."""
        return any(coat.paint.is_sprayed for coat in self.coatings if coat.mask is not None)

    @property
    def cut_length(self) -> float:
        """All that is cut, every run counted, mm."""
        return sum(planned.time.cut_length * planned.sheet.runs for planned in self.sheets)

    @property
    def knife_seconds(self) -> float:
        """All the time the knife takes, every run counted."""
        return sum(planned.time.seconds * planned.sheet.runs for planned in self.sheets)

    def pressed_on(self) -> list[tuple[Pressing, Placement, ClearArea]]:
        """Return where a plate would rest on an area that is kept clear."""
        areas = list(zip(self.job.piece.clear, region_of(self.job.piece.clear), strict=True))
        return [
            (pressing, placement, area)
            for mask in self.masks
            for pressing in mask.pressings
            for placement in pressing.placements
            for area, region in areas
            if area.timing != "after" and shapely.box(*placement.box).intersection(region).area > 0
        ]

    @property
    def weak(self) -> tuple[WeakPlace, ...]:
        """Every weak place, mask by mask."""
        return tuple(place for mask in self.masks for place in mask.weak)

    @property
    def bridged_area(self) -> float:
        """Paint given up to bridges, mm²."""
        return sum(mask.cut.bridged_area for mask in self.masks)

    @property
    def paint_ml(self) -> float:
        """Paint and finish for all coatings, coats and copies."""
        return sum(coat.batch.total_ml for coat in self.coatings)

    @property
    def is_cut(self) -> bool:
        """Whether masks are cut for it: no other ones are used again."""
        return not self.kept_masks

    def is_taped(self, mask: MaskPlan) -> bool:
        """Say whether a mask travels on tape: always, or only where something could fall out."""
        return bool(self.method.tape) and (not self.method.tape_optional or bool(mask.cut.keepers))

    def kept_mask(self, mask: int | None) -> int | None:
        """Return the number in store of the mask that is used again, None where one is cut."""
        return self.kept_masks[mask - 1] if self.kept_masks and mask is not None else None

    @property
    def pins_return(self) -> bool:
        """Whether pins come back from a mask; paper and card take them to the bin."""
        return self.choices.material.kind not in ("paper", "card")

    @property
    def prints_of_a_mask(self) -> int:
        """How many copies one set of masks serves; those in store serve all, and the stores say how often they may."""
        return max(self.choices.material.uses, 1) if self.is_cut else self.copies

    def set_of(self, copy: int) -> int:
        """Return which set of masks a copy is painted through, from 1."""
        return (copy - 1) // self.prints_of_a_mask + 1

    @property
    def has_rubber_back(self) -> bool:
        """Whether the blank has a back that no hot iron may touch."""
        return self.choices.surface.has_back and self.job.piece.back == "rubber"

    def first_of_set(self, copy: int) -> int:
        """Return the first copy that is painted through the set of a copy."""
        return (self.set_of(copy) - 1) * self.prints_of_a_mask + 1

    @property
    def work(self) -> MaskWork:
        """What the job asks of its masks, whatever they are cut from."""
        look, job = self.look, self.job
        sides = look.least_sides()
        return MaskWork(
            box=(self.painted.width, self.painted.height),
            border=job.mask.border,
            masks=len(self.masks),
            kept=tuple((keeper.number, sides[keeper.number]) for keeper in self.keepers),
            is_reverse=job.mask.reverse,
            bridges=len(self.bridges),
            windows=sum(mask.cut.window_count for mask in self.masks),
            cut_length=self.cut_length / self.layout.sets,
            axes=tuple(widths_of(mask.laid.painted, mask.laid.mask).spits for mask in self.masks),
            blank=job.piece.size if job.mask.whole_blank and not job.mask.reverse else None,
        )

    @property
    def painted_on_blank(self) -> Box:
        """Box of the painted area on the blank."""
        return shifted(self.painted.bbox, self.origin)

    @property
    def mask_on_blank(self) -> Box:
        """Box of all masks on the blank."""
        boxes = np.array([mask.box for mask in self.masks])
        low, high = boxes[:, :2].min(axis=0), boxes[:, 2:].max(axis=0)
        return (float(low[0]), float(low[1]), float(high[0]), float(high[1]))


def make_plan(job: Job, sources: Sources, catalogue: Catalogue, check_cut: CutCheck) -> Plan:
    """Return the plan of a job.

    Parameters
    ----------
    job, sources
        What the maker decided, and what opens the files it names.
    catalogue
        All figures.
    check_cut
        Writes the sheets as the cutter gets them, cuts them in simulation and says what came of it.

    Raises
    ------
    BadInput
        When an entry of the job cannot be reckoned with.
    """
    look = look_at(job, sources, catalogue)
    job, choices = look.job, look.choices
    cuts = [tie(look, laid, catalogue) for laid in look.masks]
    coatings = plan_coatings(look, cuts, catalogue)
    methods = rank_methods(method_work(look, cuts, catalogue), catalogue)
    method = _method(job, methods, catalogue)
    masks = tuple(
        _mask_plan(look, laid, cut, coatings, method, catalogue) for laid, cut in zip(look.masks, cuts, strict=True)
    )
    facing = face(choices.material, seen_through=job.blank.is_seen_through)
    layout = layout_of(look, cuts, [mask.weak for mask in masks], facing, catalogue)
    settings, settings_why = settings_of(job, choices, catalogue)
    reach = reach_of(job, choices, catalogue)
    verdicts = check_cut(layout, job.name, reach, choices.cutter.feeds == "hand")
    stock = stock_of(job, choices, catalogue)
    return Plan(
        look=look,
        rail=size_rail(look, catalogue),
        methods=tuple(methods),
        method=method,
        coatings=coatings,
        masks=masks,
        facing=facing,
        layout=layout,
        reach=reach,
        sheets=_sheet_plans(layout, verdicts, settings, choices, catalogue),
        stock=stock,
        trims=trim_list(layout.sheets, stock, catalogue.workshop["trim_allowance"]),
        settings=settings,
        settings_why=settings_why,
        spraying=_spraying(job, coatings, catalogue),
        kept_masks=_kept_masks(job, masks, catalogue),
    )


def _kept_masks(job: Job, masks: Sequence[MaskPlan], catalogue: Catalogue) -> tuple[int, ...]:
    """Return the masks in store that are used again; none where one is not of this design and material."""
    numbers = job.sheets.kept_masks
    kept = [catalogue.kept_masks.get(number) for number in numbers]
    wanted = [KeptMask(job.mask.material, mask.design) for mask in masks]
    return numbers if numbers and kept == wanted else ()


def _spraying(job: Job, coatings: Sequence[PlannedCoating], catalogue: Catalogue) -> tuple[Reading, ...]:
    """Return each limit for spraying in the weather of a job; empty where nothing comes from a can."""
    from_cans = any(coat.paint.technique == "spray" for coat in coatings)
    return spraying(job.paint.weather, catalogue.workshop) if from_cans else ()


def method_work(look: Look, cuts: Sequence[CutPlan], catalogue: Catalogue) -> MethodWork:
    """Return what a job asks of its method."""
    boxes = [cut.box for cut in cuts]
    widest = max(boxes, key=lambda box: (box[2] - box[0]) * (box[3] - box[1]))
    return MethodWork(
        look.choices.surface,
        look.choices.material,
        sum(len(cut.keepers) for cut in cuts),
        max(cut.window_count for cut in cuts),
        (widest[2] - widest[0], widest[3] - widest[1]),
        look.job.mask.reverse,
        look.choices.cutter.feeds == "hand",
        look.job.blank.copies,
        any(catalogue.paint(coating.paint).is_sprayed for coating in look.job.paint.coatings),
        look.choices.press,
    )


def _method(job: Job, methods: Sequence[MethodFit], catalogue: Catalogue) -> Method:
    """Return the maker's method; else the most fitting, or the first for this material where none fits."""
    if job.mask.method is not None:
        return next(fit.method for fit in methods if fit.key == job.mask.method)
    if methods[0].allowed:
        return methods[0].method
    for_material = [one for one in catalogue.methods.values() if job.mask.material in one.materials]
    return next((one for one in for_material if one.reverse == job.mask.reverse), for_material[0])


def _mask_plan(
    look: Look,
    laid: LaidMask,
    cut: CutPlan,
    coatings: Sequence[PlannedCoating],
    method: Method,
    catalogue: Catalogue,
) -> MaskPlan:
    choices, job, origin = look.choices, look.job, look.composition.origin
    figures = catalogue.workshop
    box, painted_box = shifted(cut.box, origin), shifted(laid.painted.region.bounds, origin)
    coats = tuple(coat for coat in coatings if coat.mask == laid.number)
    weak = weak_of(look, laid, cut, catalogue)
    clear = region_of(job.piece.clear)
    cover = _cover(look, painted_box, box, coats, catalogue)
    covered = _covered(look, cover)
    strips, joints = strips_for(cover.boxes, box, choices.cover_paper, figures["cover_lap"], covered)
    strips += tuple(Strip(len(strips) + k, one) for k, one in enumerate(cover.inside, start=1))
    return MaskPlan(
        laid=laid,
        cut=cut,
        gaps=nearest_gaps(laid.mask),
        weak=weak,
        box=box,
        painted_box=painted_box,
        pressings=press_mask(
            _pressed(look, cut, catalogue, is_reverse=laid.is_reverse),
            choices.press,
            choices.surface,
            choices.material,
            passes_of(method, choices.material, choices.surface, {**catalogue.pressed, **_by_recipe(job, choices)}),
        ),
        pinning=_pinning(
            cut, weak, choices, method, catalogue, [shapely.transform(one, lambda p: p - origin) for one in clear]
        ),
        placing=_placing(cut, is_reverse=laid.is_reverse),
        tape=from_edges(
            job.piece.size, as_it_lies(painted_box, job.piece.size[0], from_back=job.blank.is_seen_through)
        ),
        cover=replace(cover, tape=cover.tape + joints),
        strips=strips,
        coats=coats,
        peel=_peel(look, coats, catalogue),
    )


def _by_recipe(job: Job, choices: Choices) -> dict[tuple[str, str, str, int], ProvenHeat]:
    """Return the heat that a recipe brought, never hotter than the blank stands."""
    most = choices.surface.heat or math.inf
    return {
        (one.material, choices.surface.key, one.method, one.number): ProvenHeat(min(one.celsius, most), one.seconds, 0)
        for one in job.tack.heat
    }


def mask_title(job: Job, laid: LaidMask) -> str:
    """Return what is stamped on the sheets of a mask: the job, and which of its masks."""
    return f"{job.name}, {laid.name.removeprefix('the ')}" if laid.label else job.name


def _pressed(look: Look, cut: CutPlan, catalogue: Catalogue, *, is_reverse: bool) -> PressGround:
    """Return what a plate must go over, on the blank: windows and keepers, or the shapes of a reverse mask."""
    onto = Affine.translation(*look.composition.origin)
    barred = region_of([area for area in look.job.piece.clear if area.timing != "after"])
    shapes = shapely.get_parts(onto.moved(shapely.MultiPolygon([keeper.shape for keeper in cut.keepers])))
    keepers = dict(zip((keeper.number for keeper in cut.keepers), shapes, strict=True))
    return PressGround(
        onto.moved(cut.material if is_reverse else cut.windows),
        {} if is_reverse else keepers,
        look.composition.outline,
        shapely.union_all(list(barred)),
        catalogue.workshop["press_beyond"],
        0.0 if look.job.piece.rim else catalogue.workshop["plate_over_edge"],
    )


def _placing(cut: CutPlan, *, is_reverse: bool) -> tuple[int, ...]:
    """Return keepers in the order they are set down: by number, or from the middle outwards with no frame to go by."""
    if not is_reverse:
        return tuple(keeper.number for keeper in cut.keepers)
    x0, y0, x1, y1 = cut.box
    middle = ((x0 + x1) / 2, (y0 + y1) / 2)
    return tuple(
        k.number for k in sorted(cut.keepers, key=lambda k: (round(math.dist(k.centroid, middle), 3), k.number))
    )


def _cover(look: Look, painted: Box, mask: Box, coats: Sequence[PlannedCoating], catalogue: Catalogue) -> Cover:
    if look.job.mask.reverse:
        # All of the blank is painted: what is to be covered lies around it.
        return NO_COVER
    figures = catalogue.workshop
    needed = max((figures[f"cover_{coat.paint.technique}"] for coat in coats), default=0.0)
    sprayed = any(coat.paint.technique == "spray" for coat in coats)
    return cover_around(
        needed,
        painted,
        mask,
        look.job.piece.size,
        figures["cover_least"],
        everything=sprayed,
        goes_on=look.choices.surface.family == "cloth",
        clear=region_of(look.job.piece.clear),
    )


def _covered(look: Look, cover: Cover) -> BaseGeometry:
    """Return where paper may lie: the blank, or the cloth that goes on beyond it."""
    if look.choices.surface.family != "cloth":
        return look.composition.outline
    width, height = look.job.piece.size
    return shapely.box(-cover.needed, -cover.needed, width + cover.needed, height + cover.needed)


def wet_work(look: Look, coats: Sequence[PlannedCoating], catalogue: Catalogue) -> WetWork:
    """Return what is wet together at the end of what goes through a mask, minutes of the hands."""
    run = wet_run(coats, covered=look.job.paint.covered)
    minutes = sum(
        coat.coats * effort(catalogue.hand, **painting_work(coat, look.choices, catalogue.hand)).minutes
        for coat in coats[run.first :]
    )
    # The brush is washed between colours.
    minutes += effort(catalogue.hand, wash_brush=len(coats[run.first :]) - 1).minutes
    return WetWork(minutes, run.paint_dried)


def _peel(look: Look, coats: Sequence[PlannedCoating], catalogue: Catalogue) -> PeelWindow:
    last = coats[-1].paint if coats else look.choices.paint
    entry = look.job.paint
    work = wet_work(look, coats, catalogue)
    window = peel_window(last, look.choices.material, entry.weather, catalogue.workshop, work, entry.peel_when)
    return replace(window, keepers_first=entry.peel_first == "keepers") if entry.peel_first else window


def materials_of(plan: Plan, catalogue: Catalogue, unit: str) -> list[MaterialFit]:
    """Return every mask material held against a job, the most fitting first."""
    job = plan.job
    return rank_materials(
        plan.work,
        plan.choices.surface,
        catalogue,
        cutter=plan.choices.cutter,
        press=plan.choices.press,
        overlap=job.sheets.overlap,
        copies=job.blank.copies,
        unit=unit,
    )


def _sheet_plans(
    layout: Layout, verdicts: Sequence[Verdict], settings: CutSettings, choices: Choices, catalogue: Catalogue
) -> tuple[SheetPlan, ...]:
    return tuple(
        SheetPlan(sheet, sheet_time(sheet, settings, choices.cutter, catalogue), verdict)
        for sheet, verdict in zip(layout.sheets, verdicts, strict=True)
    )


def _pinning(
    cut: CutPlan,
    weak: Sequence[WeakPlace],
    choices: Choices,
    method: Method,
    catalogue: Catalogue,
    off: Sequence[shapely.Polygon],
) -> Pinning:
    figures = catalogue.workshop
    rules = PinRules(
        figures["pin_circle"],
        figures["pin_two_above"],
        figures["pin_slender"],
        figures["pin_tongue"],
        figures["pin_spacing"],
    )
    tongues = [place for place in weak if place.kind == "tongue"]
    takes = choices.material.pins if method.pins else "none"
    return pin_mask(cut.frame, cut.keepers, tongues, choices.surface, takes, rules, off)
