"""Sheet files that have been read back and cut in simulation before anyone gets them."""

from dataclasses import dataclass
from functools import lru_cache

from dunestead.core.checkpoints import tell
from dunestead.core.cutting.drawing import SheetDrawing, draw_sheet
from dunestead.core.cutting.simulate import CutReport, simulate_cut
from dunestead.core.cutting.verify import Verdict, verify_cut
from dunestead.core.plan.plan import Plan
from dunestead.core.sheets.cells import Reach
from dunestead.core.sheets.layout import Layout, Sheet
from dunestead.formats.svg.cutfile import read_cut_file
from dunestead.formats.svg.writer import write_sheet

__all__ = ["VerifiedSheet", "check_cut", "sheets_of", "verified_sheets"]


@dataclass(frozen=True, slots=True)
class VerifiedSheet:
    """A sheet, what is drawn on it, its file, and what the simulated cut of that very file gave."""

    sheet: Sheet
    drawing: SheetDrawing
    file_name: str
    text: str
    report: CutReport
    verdict: Verdict


@lru_cache(maxsize=48)
def verified_sheets(layout: Layout, title: str, reach: Reach, *, by_hand: bool = False) -> tuple[VerifiedSheet, ...]:
    """Return the files of all sheets, each read back and cut.

    Parameters
    ----------
    layout, title
        The sheets, and the name of the job that is stamped on them.
    reach
        What the cutter reaches.
    by_hand
        Whether they are cut by hand.
    """
    return tuple(_verified(sheet, layout, title, reach, by_hand) for sheet in layout.sheets)


def check_cut(layout: Layout, title: str, reach: Reach, by_hand: bool) -> list[Verdict]:
    """Return the verdict on each sheet."""
    return [checked.verdict for checked in verified_sheets(layout, title, reach, by_hand=by_hand)]


def sheets_of(plan: Plan) -> tuple[VerifiedSheet, ...]:
    """Return every sheet of a job."""
    return verified_sheets(plan.layout, plan.job.name, plan.reach, by_hand=plan.is_by_hand)


def _verified(sheet: Sheet, layout: Layout, title: str, reach: Reach, by_hand: bool) -> VerifiedSheet:
    tell("Proving the cut of each sheet", (sheet.number - 1) / len(layout.sheets))
    drawing = draw_sheet(sheet, layout, title, (reach.width, reach.length), by_hand=by_hand)
    text = write_sheet(drawing)
    cut = read_cut_file(text.encode())
    report = simulate_cut(cut.paths, cut.page, cut.promise)
    return VerifiedSheet(sheet, drawing, f"sheet-{sheet.number}.svg", text, report, verify_cut(sheet, report))
