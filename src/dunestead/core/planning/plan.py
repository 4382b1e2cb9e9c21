"""The whole plan of a job, from what is painted to when it may be washed."""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from datetime import datetime

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.artwork.painted import Painted
from dunestead.core.artwork.sources import Sources
from dunestead.core.curing.drying import Timeline, dry_from
from dunestead.core.curing.peel import PeelWindow, peel_window
from dunestead.core.cutting.timing import KnifeTime
from dunestead.core.cutting.verify import Verdict
from dunestead.core.figures import Catalogue, Paint, Surface
from dunestead.core.geometry.curves import Box, shifted
from dunestead.core.mask.bridges import Bridge
from dunestead.core.mask.findings import Fitness, widths_of
from dunestead.core.mask.gaps import Gap, nearest_gaps
from dunestead.core.mask.loose import LoosePiece
from dunestead.core.mask.tying import CutPlan
from dunestead.core.mask.weak import WeakPlace
from dunestead.core.painting.amount import PaintNeed, paint_need
from dunestead.core.painting.cover import Cover, cover_around
from dunestead.core.planning.choices import Choices
from dunestead.core.planning.job import Job, PatchSay
from dunestead.core.planning.laying import layout_of, reach_of, settings_of, sheet_time, stock_of
from dunestead.core.planning.look import Look, look_at
from dunestead.core.planning.masks import LaidMask
from dunestead.core.planning.materials import MaskWork, MaterialFit, rank_materials
from dunestead.core.planning.rail import SizeRail, size_rail
from dunestead.core.planning.ties import tie
from dunestead.core.planning.weakness import weak_of
from dunestead.core.records import CutSettings, Stock
from dunestead.core.sheets.cells import Reach
from dunestead.core.sheets.division import Patch
from dunestead.core.sheets.facing import Facing, face
from dunestead.core.sheets.layout import Layout, Sheet
from dunestead.core.sheets.stock import TrimList, trim_list
from dunestead.core.tacking.centring import TapeCheck, tape_check
from dunestead.core.tacking.pins import Pinning, PinRules, pin_mask
from dunestead.core.tacking.placements import Pressing, press_mask

__all__ = [
    "CutCheck",
    "MaskPlan",
    "Plan",
    "SheetPlan",
    "coats_of",
    "last_coat_code",
    "make_plan",
    "mask_code",
    "mask_title",
    "materials_of",
]

CutCheck = Callable[[Layout, str, Reach, bool], Sequence[Verdict]]


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
    """All that follows for one mask.

    Attributes
    ----------
    box
        On the blank, mm.
    placing
        Numbers of the keepers in the order they are set down.
    """

    laid: LaidMask
    cut: CutPlan
    gaps: tuple[Gap, ...]
    weak: tuple[WeakPlace, ...]
    box: Box
    pressing: Pressing
    pinning: Pinning
    placing: tuple[int, ...]

    @property
    def number(self) -> int:
        """Its number in the order masks are laid."""
        return self.laid.number

    def bridged_by_colour(self) -> dict[str, float]:
        """Return the paint given up to bridges, mm² by colour: to each what lies across it."""
        if not self.cut.bridges:
            return {}
        strips = shapely.union_all([bridge.shape for bridge in self.cut.bridges])
        return {
            colour: float(shapely.intersection(region, strips).area)
            for colour, region in self.laid.painted.colours.items()
        }


@dataclass(frozen=True, slots=True)
class Plan:
    """All that follows from a job's inputs. Boxes named ``on_blank`` are mm from the blank's top left."""

    look: Look
    rail: SizeRail
    masks: tuple[MaskPlan, ...]
    facing: Facing
    layout: Layout
    reach: Reach
    sheets: tuple[SheetPlan, ...]
    stock: Stock
    trims: TrimList
    settings: CutSettings
    settings_why: str
    tape: TapeCheck
    cover: Cover
    paint: PaintNeed
    base_ml: float
    peel: PeelWindow
    timeline: Timeline
    last_coat: datetime | None

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
    def keepers(self) -> tuple[LoosePiece, ...]:
        """Every piece placed by hand, mask by mask."""
        return tuple(keeper for mask in self.masks for keeper in mask.cut.keepers)

    @property
    def bridges(self) -> tuple[Bridge, ...]:
        """Every bridge, mask by mask."""
        return tuple(bridge for mask in self.masks for bridge in mask.cut.bridges)

    def say_of(self, patch: Patch) -> PatchSay | None:
        """Return what the maker said of a patch, None for nothing."""
        width, height = self.painted.width, self.painted.height
        about = [say for say in self.job.says if patch.holds(say.mask, (say.x * width, say.y * height))]
        return about[-1] if about else None

    @property
    def is_by_hand(self) -> bool:
        """Whether the knife is in the hand."""
        return self.choices.cutter.feeds == "hand"

    @property
    def cut_length(self) -> float:
        """All that is cut, every run counted, mm."""
        return sum(planned.time.cut_length * planned.sheet.runs for planned in self.sheets)

    @property
    def knife_seconds(self) -> float:
        """All the time the knife takes, every run counted."""
        return sum(planned.time.seconds * planned.sheet.runs for planned in self.sheets)

    @property
    def weak(self) -> tuple[WeakPlace, ...]:
        """Every weak place, mask by mask."""
        return tuple(place for mask in self.masks for place in mask.weak)

    @property
    def bridged_area(self) -> float:
        """Paint given up to bridges, mm²."""
        return sum(mask.cut.bridged_area for mask in self.masks)

    @property
    def work(self) -> MaskWork:
        """What the job asks of its masks, whatever they are cut from."""
        look, job = self.look, self.job
        sides = look.least_sides()
        return MaskWork(
            box=(self.painted.width, self.painted.height),
            border=job.border,
            masks=len(self.masks),
            kept=tuple((keeper.number, sides[keeper.number]) for keeper in self.keepers),
            is_reverse=job.reverse,
            bridges=len(self.bridges),
            windows=sum(mask.cut.window_count for mask in self.masks),
            cut_length=self.cut_length / self.layout.sets,
            axes=tuple(widths_of(mask.laid.painted, mask.laid.mask, self.choices.surface).spits for mask in self.masks),
            blank=job.blank.size if job.whole_blank and not job.reverse else None,
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
    facing = face(choices.material, seen_through=job.seen_through)
    masks = [_mask_plan(look, laid, catalogue) for laid in look.masks]
    layout = layout_of(look, [mask.cut for mask in masks], [mask.weak for mask in masks], facing, catalogue)
    settings, settings_why = settings_of(job, choices, catalogue)
    reach = reach_of(job, choices, catalogue)
    verdicts = check_cut(layout, job.name, reach, choices.cutter.feeds == "hand")
    sheets = _sheet_plans(layout, verdicts, settings, choices, catalogue)
    stock = stock_of(job, choices, catalogue)
    on_blank = shifted(look.painted.bbox, look.composition.origin)
    last_coat = job.ticks.get(last_coat_code(masks, coats_of(job, choices.paint)))
    return Plan(
        look=look,
        rail=size_rail(look, catalogue),
        masks=tuple(masks),
        facing=facing,
        layout=layout,
        reach=reach,
        sheets=sheets,
        stock=stock,
        trims=trim_list(layout.sheets, stock, catalogue.workshop["trim_allowance"]),
        settings=settings,
        settings_why=settings_why,
        tape=tape_check(job.blank.size, on_blank),
        cover=_cover(look, on_blank, masks[0].box, catalogue),
        paint=_paint_need(look, masks),
        base_ml=_base_need(look),
        peel=peel_window(choices.paint, choices.material, job.room, catalogue.workshop, last_coat),
        timeline=dry_from(choices.paint, job.room, catalogue.workshop, last_coat),
        last_coat=last_coat,
    )


def _mask_plan(look: Look, laid: LaidMask, catalogue: Catalogue) -> MaskPlan:
    choices, cut = look.choices, tie(look, laid, catalogue)
    box = shifted(cut.box, look.composition.origin)
    return MaskPlan(
        laid=laid,
        cut=cut,
        gaps=nearest_gaps(laid.mask),
        weak=weak_of(look, laid, cut, catalogue),
        box=box,
        pressing=press_mask(box, choices.press, choices.surface, choices.material),
        pinning=_pinning(cut, laid.fitness, choices.surface, catalogue),
        placing=_placing(cut, is_reverse=laid.is_reverse),
    )


def mask_title(job: Job, laid: LaidMask) -> str:
    """Return what is stamped on the sheets of a mask: the job, and which of its masks."""
    return f"{job.name}, {laid.name.removeprefix('the ')}" if laid.label else job.name


def last_coat_code(masks: Sequence[MaskPlan], coats: int) -> str:
    """Return the code of the step that puts on the last coat of all."""
    return mask_code(f"paint-coat-{coats}", masks[-1].number)


def mask_code(code: str, mask: int) -> str:
    """Return the code of a step that is done once for every mask."""
    return code if mask == 1 else f"{code}-mask-{mask}"


def _placing(cut: CutPlan, *, is_reverse: bool) -> tuple[int, ...]:
    """Return keepers in the order they are set down: by number, or from the middle outwards with no frame to go by."""
    if not is_reverse:
        return tuple(keeper.number for keeper in cut.keepers)
    x0, y0, x1, y1 = cut.box
    middle = ((x0 + x1) / 2, (y0 + y1) / 2)
    return tuple(
        k.number for k in sorted(cut.keepers, key=lambda k: (round(math.dist(k.centroid, middle), 3), k.number))
    )


def _cover(look: Look, on_blank: Box, mask_box: Box, catalogue: Catalogue) -> Cover:
    size = look.job.blank.size
    needed = catalogue.workshop[f"cover_{look.choices.paint.technique}"]
    if look.job.reverse:
        # All of the blank is painted: what is to be covered lies around it.
        return Cover(needed, (0.0, 0.0, 0.0, 0.0), 0.0)
    return cover_around(needed, on_blank, mask_box, size)


def materials_of(plan: Plan, catalogue: Catalogue, unit: str) -> list[MaterialFit]:
    """Return every mask material held against a job, the most fitting first."""
    job = plan.job
    return rank_materials(
        plan.work,
        plan.choices.surface,
        catalogue,
        cutter=job.cutter,
        press=job.press,
        overlap=job.overlap,
        copies=job.copies,
        unit=unit,
    )


def coats_of(job: Job, paint: Paint) -> int:
    """Return the number of coats: the maker's, or the most the paint is usually given."""
    return job.coats or paint.coats_high


def _sheet_plans(
    layout: Layout, verdicts: Sequence[Verdict], settings: CutSettings, choices: Choices, catalogue: Catalogue
) -> tuple[SheetPlan, ...]:
    return tuple(
        SheetPlan(sheet, sheet_time(sheet, settings, choices.cutter, catalogue), verdict)
        for sheet, verdict in zip(layout.sheets, verdicts, strict=True)
    )


def _pinning(cut: CutPlan, fitness: Fitness, surface: Surface, catalogue: Catalogue) -> Pinning:
    least = dict(zip((piece.number for piece in cut.mask.loose), fitness.parts, strict=True))
    figures = catalogue.workshop
    rules = PinRules(figures["pin_least_part"], figures["pin_two_above"], figures["pin_spacing"])
    return pin_mask(cut.frame, cut.keepers, [least[keeper.number] for keeper in cut.keepers], surface, rules)


def _paint_need(look: Look, masks: Sequence[MaskPlan]) -> PaintNeed:
    """Share what is painted among the colours, less what bridges take away; around a reverse mask one field."""
    job, choices = look.job, look.choices
    if job.reverse:
        stays = sum(mask.cut.material.area for mask in masks)
        areas = {job.field_colour: max(float(look.composition.outline.area) - stays, 0.0)}
    else:
        areas = {colour: float(region.area) for colour, region in look.painted.colours.items()}
        for mask in masks:
            for colour, area in mask.bridged_by_colour().items():
                areas[colour] -= area
    return paint_need(areas, choices.surface, choices.paint, coats_of(job, choices.paint), job.copies)


def _base_need(look: Look) -> float:
    """Return ml of a base coat over the blank or, with its margins, under the design; 0 without one."""
    blank, composition = look.job.blank, look.composition
    if blank.base_coat == "none":
        return 0.0
    ground: BaseGeometry = composition.outline
    if blank.base_coat == "under":
        x0, y0, x1, y1 = shifted(look.painted.bbox, composition.origin)
        ground = ground.intersection(
            shapely.box(x0 - look.margin, y0 - look.margin, x1 + look.margin, y1 + look.margin)
        )
    need = paint_need(
        {blank.base_colour: float(ground.area)}, look.choices.surface, look.choices.paint, 1, look.job.copies
    )
    return need.total_ml
