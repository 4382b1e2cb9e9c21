"""Does what falls free agree with the plan?"""

from dataclasses import dataclass

import shapely

from dunestead.core.cutting.simulate import CutReport
from dunestead.core.sheets.division import Sheet

__all__ = ["Verdict", "verify_cut"]

_AGREE = 0.005
_TINY_MM2 = 0.05


@dataclass(frozen=True, slots=True)
class Verdict:
    """The plan held against the simulated cut of its file.

    Attributes
    ----------
    mask_parts, windows
        How many parts of the mask and how many windows come free.
    faults
        In words; empty when file and plan agree.
    """

    mask_parts: int
    windows: int
    faults: tuple[str, ...]

    @property
    def agrees(self) -> bool:
        """Whether the file may go to the cutter."""
        return not self.faults


def verify_cut(sheet: Sheet, report: CutReport) -> Verdict:
    """Compare the pieces that came free with those the sheet should give."""
    planned = [part for patch in sheet.patches for part in patch.on_sheet().geoms]
    windows = [part for part in _windows(planned) if part.area > _TINY_MM2]
    freed_mask = [piece.shape for piece in report.pieces if piece.is_mask and piece.area > _TINY_MM2]
    freed_windows = [piece.shape for piece in report.pieces if not piece.is_mask and piece.area > _TINY_MM2]
    faults = [problem.message for problem in report.problems]
    faults += _compare(planned, freed_mask, "part of the mask")
    faults += _compare(windows, freed_windows, "window")
    return Verdict(len(freed_mask), len(freed_windows), tuple(faults))


def _windows(parts: list[shapely.Polygon]) -> list[shapely.Polygon]:
    outlines = shapely.union_all([shapely.Polygon(part.exterior) for part in parts])
    return list(shapely.get_parts(shapely.difference(outlines, shapely.MultiPolygon(parts))))


def _compare(planned: list[shapely.Polygon], freed: list[shapely.Polygon], what: str) -> list[str]:
    """Say which planned parts did not come free as they should, and what came free unplanned."""
    tree = shapely.STRtree(freed)
    met: set[int] = set()
    faults = []
    for part in planned:
        near = tree.query(part.representative_point(), predicate="within")
        match = next((int(i) for i in near if abs(freed[i].area - part.area) <= _AGREE * part.area + _TINY_MM2), None)
        if match is None:
            x, y = part.representative_point().coords[0]
            faults.append(f"A {what} of {part.area:.0f} mm² at {x:.0f}, {y:.0f} mm does not come free as planned.")
        else:
            met.add(match)
    if len(freed) > len(met) and not faults:
        faults.append(f"{len(freed) - len(met)} more {what}s come free than planned.")
    return faults
