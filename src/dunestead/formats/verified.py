"""Sheet files that have been read back and cut in simulation before anyone gets them."""

from dataclasses import dataclass
from functools import lru_cache

from dunestead.core.cutting.simulate import CutReport, simulate_cut
from dunestead.core.cutting.verify import Verdict, verify_cut
from dunestead.core.mask.tying import CutPlan
from dunestead.core.planning.plan import Plan, mask_title
from dunestead.core.sheets.division import Division, Sheet
from dunestead.formats.svg.cutfile import read_cut_file
from dunestead.formats.svg.writer import write_sheet

__all__ = ["VerifiedSheet", "check_cut", "sheets_of", "verified_sheets"]


@dataclass(frozen=True, slots=True)
class VerifiedSheet:
    """A sheet, its file, and what the simulated cut of that very file gave."""

    sheet: Sheet
    file_name: str
    text: str
    report: CutReport
    verdict: Verdict


@lru_cache(maxsize=16)
def verified_sheets(_plan: CutPlan, division: Division, title: str, of: int) -> tuple[VerifiedSheet, ...]:
    """Return the files of all sheets, each read back and cut.

    Parameters
    ----------
    _plan
        Identifies what is divided, since a division alone does not say it.
    division, title
        The sheets, and the name of the job and mask that is stamped on them.
    of
        How many sheets the job has in all.
    """
    return tuple(_verified(sheet, of, title) for sheet in division.sheets)


def check_cut(plan: CutPlan, division: Division, title: str, of: int) -> list[Verdict]:
    """Return the verdict on each sheet."""
    return [checked.verdict for checked in verified_sheets(plan, division, title, of)]


def sheets_of(plan: Plan) -> tuple[VerifiedSheet, ...]:
    """Return every sheet of a job, mask by mask."""
    return tuple(
        sheet
        for mask in plan.masks
        for sheet in verified_sheets(mask.cut, mask.division, mask_title(plan.job, mask.laid), len(plan.sheets))
    )


def _verified(sheet: Sheet, of: int, title: str) -> VerifiedSheet:
    text = write_sheet(sheet, of, title)
    cut = read_cut_file(text.encode())
    report = simulate_cut(cut.paths, cut.page)
    return VerifiedSheet(sheet, f"sheet-{sheet.number}.svg", text, report, verify_cut(sheet, report))
