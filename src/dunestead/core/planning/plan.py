"""The whole plan of a job, from what is painted to when it may be washed."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from datetime import datetime

from dunestead.core.artwork.drawing import Drawing
from dunestead.core.artwork.painted import Painted, paint
from dunestead.core.curing.drying import Timeline, dry_from
from dunestead.core.curing.peel import PeelWindow, peel_window
from dunestead.core.cutting.paths import sheet_paths
from dunestead.core.cutting.timing import KnifeTime, knife_time
from dunestead.core.cutting.verify import Verdict
from dunestead.core.figures import Catalogue, Cutter, Material, Paint, Press, Surface
from dunestead.core.geometry.curves import Box
from dunestead.core.mask.fates import CutPlan, decide
from dunestead.core.mask.findings import Fitness, judge, limits_for
from dunestead.core.mask.gaps import Gap, nearest_gaps
from dunestead.core.mask.loose import Mask, cut_mask
from dunestead.core.mask.rollcall import call_roll
from dunestead.core.painting.amount import PaintNeed, paint_need
from dunestead.core.painting.cover import Cover, cover_around
from dunestead.core.planning.job import Job, check_job
from dunestead.core.sheets.division import Division, divide
from dunestead.core.sheets.facing import Facing, face
from dunestead.core.tacking.centring import TapeCheck, tape_check
from dunestead.core.tacking.pins import Pinning, PinRules, pin_mask
from dunestead.core.tacking.placements import Pressing, press_mask

__all__ = ["Choices", "CutCheck", "Plan", "SheetPlan", "coats_of", "make_plan"]

CutCheck = Callable[[CutPlan, Division, str], Sequence[Verdict]]


@dataclass(frozen=True, slots=True)
class Choices:
    """The rows of the catalogue that a job picked."""

    surface: Surface
    material: Material
    paint: Paint
    cutter: Cutter
    press: Press


@dataclass(frozen=True, slots=True)
class SheetPlan:
    """Beyond the sheet itself: material to cut off, mm, knife time, and what the check said."""

    trim: tuple[float, float]
    time: KnifeTime
    verdict: Verdict


@dataclass(frozen=True, slots=True)
class Plan:
    """All that follows from a job's inputs. Boxes named ``on_blank`` are mm from the blank's top left."""

    job: Job
    choices: Choices
    drawing: Drawing
    painted: Painted
    origin: tuple[float, float]
    mask: Mask
    gaps: tuple[Gap, ...]
    fitness: Fitness
    cut: CutPlan
    facing: Facing
    division: Division
    sheets: tuple[SheetPlan, ...]
    tape: TapeCheck
    pressing: Pressing
    pinning: Pinning
    cover: Cover
    paint: PaintNeed
    peel: PeelWindow
    timeline: Timeline
    last_coat: datetime | None

    @property
    def painted_on_blank(self) -> Box:
        """Box of the painted area on the blank."""
        return _shifted(self.painted.bbox, self.origin)

    @property
    def mask_on_blank(self) -> Box:
        """Box of the mask on the blank."""
        return _shifted(self.cut.frame.bounds, self.origin)


def make_plan(job: Job, drawing: Drawing, catalogue: Catalogue, check_cut: CutCheck) -> Plan:
    """Return the plan of a job.

    Parameters
    ----------
    job, drawing
        What the maker decided, and the artwork.
    catalogue
        All figures.
    check_cut
        Writes the sheets as the cutter gets them, cuts them in simulation and says what came of it.

    Raises
    ------
    BadInput
        When an entry of the job cannot be reckoned with.
    """
    check_job(job, catalogue)
    choices = Choices(
        catalogue.surface(job.surface),
        catalogue.material(job.material),
        catalogue.paint(job.paint),
        catalogue.cutter(job.cutter),
        catalogue.press(job.press),
    )
    surface, material = choices.surface, choices.material
    border = job.border or material.border
    painted = paint(drawing, job.design_width)
    mask, roll = call_roll(cut_mask(painted, border), painted.width, job.roll)
    job = replace(job, roll=roll)
    fates = {number: fate for number, fate in job.fates.items() if any(p.number == number for p in mask.loose)}
    cut = decide(mask, fates, job.bridge_width or surface.bridge)
    fitness = judge(painted, mask, surface, material, limits_for(catalogue, job.surface, job.material))
    facing = face(material, seen_through=job.seen_through)
    reach = (choices.cutter.reach_width, choices.cutter.reach_length)
    overlap = catalogue.workshop["seam_overlap"] if job.overlap is None else job.overlap
    division = divide(cut, reach, overlap, mirrored=facing.mirrored)
    size = job.blank.size
    origin = ((size[0] - painted.width) / 2 + job.offset_x, (size[1] - painted.height) / 2 + job.offset_y)
    on_blank, mask_box = _shifted(painted.bbox, origin), _shifted(cut.frame.bounds, origin)
    last_coat = job.ticks.get(f"paint-coat-{coats_of(job, choices.paint)}")
    return Plan(
        job=job,
        choices=choices,
        drawing=drawing,
        painted=painted,
        origin=origin,
        mask=mask,
        gaps=nearest_gaps(mask),
        fitness=fitness,
        cut=cut,
        facing=facing,
        division=division,
        sheets=_sheet_plans(job, cut, division, choices, catalogue, check_cut),
        tape=tape_check(size, on_blank),
        pressing=press_mask(mask_box, choices.press, surface, material),
        pinning=_pinning(cut, fitness, surface, catalogue),
        cover=cover_around(catalogue.workshop[f"cover_{choices.paint.technique}"], on_blank, mask_box, size),
        paint=_paint_need(job, painted, cut, choices),
        peel=peel_window(choices.paint, material, job.room, catalogue.workshop, last_coat),
        timeline=dry_from(choices.paint, job.room, catalogue.workshop, last_coat),
        last_coat=last_coat,
    )


def coats_of(job: Job, paint: Paint) -> int:
    """Return the number of coats: the maker's, or the most the paint is usually given."""
    return job.coats or paint.coats_high


def _shifted(box: Box, by: tuple[float, float]) -> Box:
    return (box[0] + by[0], box[1] + by[1], box[2] + by[0], box[3] + by[1])


def _sheet_plans(
    job: Job, cut: CutPlan, division: Division, choices: Choices, catalogue: Catalogue, check_cut: CutCheck
) -> tuple[SheetPlan, ...]:
    verdicts = check_cut(cut, division, job.name)
    spare = 2 * catalogue.workshop["trim_allowance"]
    return tuple(
        SheetPlan(
            (sheet.width + spare, sheet.height + spare),
            knife_time(sheet_paths(sheet), choices.material, choices.cutter),
            verdict,
        )
        for sheet, verdict in zip(division.sheets, verdicts, strict=True)
    )


def _pinning(cut: CutPlan, fitness: Fitness, surface: Surface, catalogue: Catalogue) -> Pinning:
    least = dict(zip((piece.number for piece in cut.mask.loose), fitness.parts, strict=True))
    figures = catalogue.workshop
    rules = PinRules(figures["pin_least_part"], figures["pin_two_above"], figures["pin_spacing"])
    return pin_mask(cut.frame, cut.keepers, [least[keeper.number] for keeper in cut.keepers], surface, rules)


def _paint_need(job: Job, painted: Painted, cut: CutPlan, choices: Choices) -> PaintNeed:
    """Share what is painted among the colours; centres left out are painted in the first one."""
    areas = {colour: float(region.area) for colour, region in painted.colours.items()}
    first = next(iter(areas))
    areas[first] += sum(piece.area for piece in cut.mask.loose if piece.number in cut.left_out) - cut.bridged_area
    return paint_need(areas, choices.surface, choices.paint, coats_of(job, choices.paint), job.copies)
