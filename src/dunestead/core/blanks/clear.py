"""Areas of a blank that are kept clear: a bow over staples, sewn trim, a strap, a seam, holes."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal, get_args

import shapely

from dunestead.core.limits import REQUIRED, limited

__all__ = ["MOST_AREAS", "REASONS", "ClearArea", "Reason", "Timing", "clear_name", "region_of"]

Reason = Literal["staples", "trim", "strap", "seam", "edge", "holes", "line", "other"]
REASONS: tuple[Reason, ...] = get_args(Reason)
Timing = Literal["there", "before", "after"]
MOST_AREAS = 40
_QUAD_SEGS = 16
_NAMES: dict[Reason, str] = {
    "staples": "the staples",
    "trim": "the sewn trim",
    "strap": "the strap",
    "seam": "the seam",
    "edge": "the rubber edge",
    "holes": "the holes",
    "line": "the roof line",
    "other": "the area to keep clear",
}


@dataclass(frozen=True, slots=True)
class ClearArea:
    """An area of the blank that nothing is painted, pressed or pinned on.

    Attributes
    ----------
    x, y
        Its middle, mm from the top left of what counts of the blank, inside the rim.
    shape
        A rectangle, or round: a circle or an ellipse.
    why, name
        What is there, and what the maker calls it instead.
    timing
        Whether it is there from the start, or is sewn or screwed on before or after the painting.
    """

    x: float = limited(REQUIRED, "place across", -1000.0, 21_000.0, "mm")
    y: float = limited(REQUIRED, "place down", -1000.0, 21_000.0, "mm")
    width: float = limited(40.0, "width of an area", 1.0, 20_000.0, "mm")
    height: float = limited(40.0, "height of an area", 1.0, 20_000.0, "mm")
    shape: Literal["rectangle", "round"] = "rectangle"
    why: Reason = "other"
    name: str = limited("", "name of an area", 0, 40, "letters")
    timing: Timing = "there"


def clear_name(area: ClearArea) -> str:
    """Return what an area is called in a sentence.

    Examples
    --------
    >>> clear_name(ClearArea(10, 10, why="strap")), clear_name(ClearArea(10, 10, name="the brass plate"))
    ('the strap', 'the brass plate')
    """
    return area.name.strip() or _NAMES[area.why]


def region_of(areas: Sequence[ClearArea]) -> list[shapely.Polygon]:
    """Return each area on the blank, mm.

    Examples
    --------
    >>> region_of([ClearArea(50, 20, 40, 10)])[0].bounds
    (30.0, 15.0, 70.0, 25.0)
    """
    return [_region(area) for area in areas]


def _region(area: ClearArea) -> shapely.Polygon:
    if area.shape == "rectangle":
        half = area.width / 2, area.height / 2
        return shapely.box(area.x - half[0], area.y - half[1], area.x + half[0], area.y + half[1])
    unit = shapely.get_coordinates(shapely.Point(0, 0).buffer(1, quad_segs=_QUAD_SEGS))
    return shapely.Polygon(unit * (area.width / 2, area.height / 2) + (area.x, area.y))
