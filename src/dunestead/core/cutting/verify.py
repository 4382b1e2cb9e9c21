"""Does what falls free agree with the plan?"""

from dataclasses import dataclass

import shapely

from dunestead.core.cutting.simulate import CutReport
from dunestead.core.sheets.layout import Sheet

__all__ = ["Verdict", "verify_cut"]

_AGREE = 0.005
# Crumbs, left where a seam grazes an edge: nothing anyone could lift or miss.
_CRUMB_MM2 = 0.5


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
    windows = _windows(planned)
    freed_mask = [piece.shape for piece in report.pieces if piece.is_mask]
    freed_windows = [piece.shape for piece in report.pieces if not piece.is_mask]
    faults = [problem.message for problem in report.problems]
    faults += _compare(planned, freed_mask, "mask part")
    faults += _compare(windows, freed_windows, "window")
    return Verdict(_count(freed_mask), _count(freed_windows), tuple(faults))


def _windows(parts: list[shapely.Polygon]) -> list[shapely.Polygon]:
    outlines = shapely.union_all([shapely.Polygon(part.exterior) for part in parts])
    return list(shapely.get_parts(shapely.difference(outlines, shapely.MultiPolygon(parts))))


def _count(parts: list[shapely.Polygon]) -> int:
    return sum(part.area > _CRUMB_MM2 for part in parts)


def _compare(planned: list[shapely.Polygon], freed: list[shapely.Polygon], what: str) -> list[str]:
    """Say which planned parts did not come free as they should, and what came free unplanned."""
    tree = shapely.STRtree(freed)
    met: set[int] = set()
    faults = []
    for part in planned:
        near = tree.query(part.representative_point(), predicate="within")
        match = next((int(i) for i in near if abs(freed[i].area - part.area) <= _AGREE * part.area + _CRUMB_MM2), None)
        if match is not None:
            met.add(match)
        elif part.area > _CRUMB_MM2:
            x, y = part.representative_point().coords[0]
            faults.append(f"A {what} of {part.area:.0f} mm² at {x:.0f}, {y:.0f} mm does not come free as planned.")
    extra = _count([part for i, part in enumerate(freed) if i not in met])
    if extra and not faults:
        faults.append(f"{extra} more {what}{'' if extra == 1 else 's'} come free than planned.")
    return faults
