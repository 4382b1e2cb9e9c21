"""From a plan's sheets to what goes over the wire."""

from collections.abc import Sequence

from dunestead.api.design_views import drawn, placed
from dunestead.api.schemas import sheets as wire
from dunestead.core.colours import colour_name
from dunestead.core.cutting.settings import advise_next
from dunestead.core.figures import Catalogue
from dunestead.core.geometry.curves import shifted
from dunestead.core.job.ground import ground_colour
from dunestead.core.looking.remedies import Tools
from dunestead.core.painting.colours import MASK_ALIKE
from dunestead.core.plan.offers import in_use, offers_for
from dunestead.core.plan.plan import Plan
from dunestead.core.records import TestCut, Try
from dunestead.core.sheets.facing import facing_stages
from dunestead.core.sheets.layout import Sheet
from dunestead.core.stations.sheets.verdict import fewest_in_words
from dunestead.devices.simulated import WEAR, depth_of
from dunestead.formats.sheet_files import FORMATS
from dunestead.formats.verified import VerifiedSheet, sheets_of
from dunestead.store import Records
from dunestead.workshop.cutting_room import Run
from dunestead.workshop.searches import Search

__all__ = ["advice_out", "layouts_out", "run_out", "search_out", "sheets_out", "workshop_out"]

_FINE_MM = 0.2
_COARSE_MM = 0.6


def sheets_out(plan: Plan, catalogue: Catalogue) -> wire.SheetsOut:
    """Return everything about the sheets of a job."""
    layout, choices = plan.layout, plan.choices
    return wire.SheetsOut.showing(
        layout,
        sheets=[_sheet(plan, checked) for checked in sheets_of(plan)],
        reach=(plan.reach.width, min(plan.reach.length, 1e6)),
        fewest=fewest_in_words(layout),
        is_fewest=layout.is_fewest or layout.is_fewest_for_these,
        can_improve=not layout.is_fewest
        and not plan.job.sheets.patch_choices
        and len(layout.patches) * layout.sets > 1,
        seams=_seams(plan),
        assembly=_assembly(plan),
        trims=_trims(plan),
        stages=list(
            facing_stages(
                choices.material, choices.cutter, choices.surface.name, seen_through=plan.job.blank.is_seen_through
            )
        ),
        facing=plan.facing.why,
        school=_school(plan, catalogue),
        settings=plan.settings,
        settings_why=plan.settings_why,
        by_hand=plan.is_by_hand,
        contrast=_contrast(plan),
        formats=[(form.key, form.name) for form in FORMATS.values()],
    )


def _sheet(plan: Plan, checked: VerifiedSheet) -> wire.SheetOut:
    sheet = checked.sheet
    planned = plan.sheets[sheet.number - 1]
    return wire.SheetOut.showing(
        sheet,
        file=checked.file_name,
        cut_length=planned.time.cut_length,
        travel=planned.time.travel,
        seconds=planned.time.seconds,
        mask_parts=checked.verdict.mask_parts,
        windows=checked.verdict.windows,
        faults=list(checked.verdict.faults),
        entries=[(round(float(x), 1), round(float(y), 1)) for x, y in (cut.points[0] for cut in checked.drawing.cuts)],
        patches=_patches(plan, sheet),
    )


def _patches(plan: Plan, sheet: Sheet) -> list[wire.PlacedPatchOut]:
    found = []
    for one in sheet.patches:
        choice = plan.choice_for(one.patch)
        found.append(
            wire.PlacedPatchOut.showing(
                one,
                number=one.patch.number,
                mask=one.patch.mask,
                path=drawn(one.on_sheet(), (0.0, 0.0), _FINE_MM),
                chosen_sheet=choice.sheet if choice else None,
                alone=choice.alone if choice else False,
                turns=choice.turns if choice else True,
            )
        )
    return found


def _seams(plan: Plan) -> list[wire.SeamOut]:
    origin = plan.origin
    return [
        wire.SeamOut.showing(
            seam,
            start=placed(seam.start, origin),
            end=placed(seam.end, origin),
            checks=[
                wire.CheckPairOut.showing(pair, first=placed(pair.first, origin), second=placed(pair.second, origin))
                for pair in seam.pairs
            ],
        )
        for seam in plan.layout.seams
    ]


def _assembly(plan: Plan) -> list[wire.AssembledOut]:
    width, height = plan.job.piece.size
    found = []
    for patch in plan.layout.patches:
        x0, y0, x1, y1 = box = shifted(patch.shape.bounds, plan.origin)
        found.append(
            wire.AssembledOut.showing(
                patch,
                box=box,
                path=drawn(patch.shape, plan.origin, _COARSE_MM),
                from_edges=(x0, y0, width - x1, height - y1),
                whole=sum(other.mask == patch.mask for other in plan.layout.patches) == 1,
            )
        )
    return found


def _trims(plan: Plan) -> wire.TrimListOut:
    trims = plan.trims
    return wire.TrimListOut.showing(trims, stock=plan.stock.name, is_roll=plan.stock.is_roll)


def _school(plan: Plan, catalogue: Catalogue) -> wire.FacingSchoolOut | None:
    """Return the same material the other way up, and whether fine strokes speak for it."""
    material = plan.choices.material
    if not material.school:
        return None
    other = catalogue.material(material.school)
    stroke = plan.look.fitness.least("stroke")
    fine = bool(stroke and stroke.width < catalogue.workshop["fine_stroke"])
    return wire.FacingSchoolOut.showing(other, about=other.facing, advised=fine and other.enters_from == "back")


def _contrast(plan: Plan) -> str | None:
    alike = next((f for f in plan.look.findings if f.kind is MASK_ALIKE), None)
    if alike is None:
        return None
    colours = f"{colour_name(plan.choices.material.colour)} on {colour_name(ground_colour(plan.job))}"
    return f"The mask hardly shows on the blank ({colours}): mark its edges, or take another colour."


def layouts_out(plan: Plan, tools: Tools) -> wire.LayoutsOut:
    """Return the layout in use, and those beside it."""
    return wire.LayoutsOut(
        in_use=wire.WeighedOut.showing(in_use(plan, tools)),
        offers=[
            wire.LayoutOfferOut.showing(
                offer.weighed, code=offer.code, label=offer.label, consequence=offer.consequence
            )
            for offer in offers_for(plan, tools)
        ],
    )


def search_out(search: Search | None, *, is_broken_off: bool = False) -> wire.SearchOut:
    """Return a search as it stands; one that never was has ended with nothing."""
    if search is None:
        return wire.SearchOut(
            running=False, broken_off=is_broken_off, share=0.0, sheets=0, bound=0, length=0.0, better=False
        )
    best = search.best
    return wire.SearchOut.showing(
        best,
        running=search.is_running,
        broken_off=is_broken_off,
        share=search.share,
        better=best.better_than(search.start),
    )


def run_out(run: Run) -> wire.CutRunOut:
    """Return a sheet at the cutter."""
    status = run.status
    outcome = status.outcome
    pieces = outcome.report.pieces if outcome else ()
    return wire.CutRunOut.showing(
        status,
        number=run.number,
        job=run.job,
        sheet=run.sheet,
        title=run.order.title,
        cutter=run.cutter.name,
        settings=str(run.order.settings),
        freed=len(pieces) if outcome else None,
        mask_parts=sum(piece.is_mask for piece in pieces) if outcome else None,
        windows=sum(not piece.is_mask for piece in pieces) if outcome else None,
        problems=[problem.message for problem in outcome.report.problems] if outcome else [],
    )


def advice_out(material: str, cutter: str, tries: Sequence[Try], catalogue: Catalogue) -> wire.CutAdviceOut:
    """Return what to try next in a test cut, and what the simulated cutter would give."""
    stuff, machine = catalogue.material(material), catalogue.cutter(cutter)
    advice = advise_next(tries, stuff, machine, catalogue.workshop)
    return wire.CutAdviceOut.showing(
        advice, settings=advice.settings, simulated=depth_of(advice.settings, stuff, wear=WEAR)
    )


def workshop_out(records: Records, catalogue: Catalogue) -> wire.WorkshopOut:
    """Return the maker's own records, and the classes to start from."""
    kit = records.kit()
    cutters, presses, paints = records.cutters.all(), records.presses.all(), records.paints.all()
    return wire.WorkshopOut(
        cutters=[wire.OwnCutterOut.showing(one, id=number, key=f"own-{number}") for number, one in cutters.items()],
        stock=[wire.OwnStockOut.showing(stock, id=number) for number, stock in catalogue.stock.items()],
        test_cuts=[_test_cut(number, test_cut, catalogue) for number, test_cut in records.test_cuts.all().items()],
        classes=[one for key, one in catalogue.cutters.items() if not key.startswith("own-")],
        presses=[wire.OwnPressOut.showing(one, id=number, key=f"own-{number}") for number, one in presses.items()],
        paints=[wire.OwnPaintOut.showing(one, id=number, key=f"own-{number}") for number, one in paints.items()],
        swatches=[
            wire.OwnSwatchOut.showing(
                one, id=number, paint_name=catalogue.paint(one.paint).name, has_photo=one.photo is not None
            )
            for number, one in records.swatches.all().items()
        ],
        owned=None if kit is None else sorted(kit.owned),
        cutter=kit.cutter if kit else None,
        press=kit.press if kit else None,
    )


def _test_cut(number: int, test_cut: TestCut, catalogue: Catalogue) -> wire.OwnTestCutOut:
    cutter = catalogue.cutters.get(test_cut.cutter)
    return wire.OwnTestCutOut.showing(
        test_cut,
        id=number,
        material_name=catalogue.material(test_cut.material).name,
        cutter_name=cutter.name if cutter else "a cutter that is no more",
    )
