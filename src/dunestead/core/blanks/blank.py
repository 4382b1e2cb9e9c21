"""How big is the blank, and where may be painted?"""

from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

import numpy as np
import shapely
from shapely import affinity

from dunestead.core.blanks.clear import ClearArea
from dunestead.core.errors import BadInput
from dunestead.core.limits import REQUIRED, limited

__all__ = [
    "SHAPES",
    "Back",
    "Blank",
    "BlankShape",
    "Garment",
    "collar_of",
    "outline_of",
    "within_margin",
]

Back = Literal["bare", "rubber", "felt"]
BlankShape = Literal["rectangle", "oval", "outline", "garment"]
SHAPES: tuple[BlankShape, ...] = ("rectangle", "oval", "outline", "garment")
_QUAD_SEGS = 32
# A garment's side as far as a picture needs it: the neck's width, its depth in front and at the back, the shoulders'
# slope.
_NECK_WIDE, _NECK_DEEP, _NECK_DEEP_BACK, _SHOULDER = 0.36, 0.11, 0.03, 0.06
# Placements on the back, which are measured from the back's own collar seam.
_ON_BACK = ("back",)


@dataclass(frozen=True, slots=True)
class Garment:
    """Where a design goes on a garment, from the middle of the collar seam; None means as the table says.

    Attributes
    ----------
    size, placement
        Keys of the garment table.
    drop
        From the collar seam down to the top of the design, mm.
    across
        From the centre line to the middle of the design, mm; above 0 is right as one looks at it.
    widest
        Usual width of a design placed there, mm.
    """

    size: str = "m"
    placement: str = "full-front"
    drop: float | None = limited(None, "distance drop", 0.0, 2000.0, "mm")
    across: float | None = limited(None, "distance across", -1000.0, 2000.0, "mm")
    widest: float | None = limited(None, "width of a design", 5.0, 2000.0, "mm")


@dataclass(frozen=True, slots=True)
class Blank:
    """The thing that is printed on, mm. A label's size is nominal; what the tape says is measured.

    Attributes
    ----------
    corner
        Radius of a rectangle's corners.
    rim
        Width of a raised rim; only what is inside of it counts.
    heat
        Highest plate temperature by its own label, degrees C; None follows the surface.
    outline, outline_name
        Key and name of the file an ``outline`` shape comes from.
    keeps
        What a design does when the measured size differs: keep its size, or its margins.
    clear
        Areas that nothing is painted, pressed or pinned on.
    back
        What the back of a mat or rug is made of, None while nobody has said.
    """

    width: float = limited(REQUIRED, "width of the blank", 1.0, 20_000.0, "mm")
    height: float = limited(REQUIRED, "height of the blank", 1.0, 20_000.0, "mm")
    shape: BlankShape = "rectangle"
    colour: str = "#a9814f"
    corner: float = limited(0.0, "corner radius", 0.0, 20_000.0, "mm")
    rim: float = limited(0.0, "rim", 0.0, 500.0, "mm")
    measured_width: float | None = limited(None, "measured width of the blank", 1.0, 20_000.0, "mm")
    measured_height: float | None = limited(None, "measured height of the blank", 1.0, 20_000.0, "mm")
    heat: float | None = limited(None, "heat limit", 30.0, 300.0, "C")
    outline: str | None = None
    outline_name: str = ""
    garment: Garment | None = None
    keeps: Literal["size", "margins"] = "size"
    clear: tuple[ClearArea, ...] = ()
    back: Back | None = None

    @property
    def outer(self) -> tuple[float, float]:
        """Measured width and height where there are any, else nominal, rim included."""
        return (self.measured_width or self.width, self.measured_height or self.height)

    @property
    def size(self) -> tuple[float, float]:
        """Width and height that count: inside the rim."""
        width, height = self.outer
        return (width - 2 * self.rim, height - 2 * self.rim)

    @property
    def is_measured(self) -> bool:
        """Whether a tape has been laid to it."""
        return self.measured_width is not None and self.measured_height is not None

    @property
    def off_label(self) -> tuple[float, float]:
        """How much wider and higher it is than its label says."""
        return (self.outer[0] - self.width, self.outer[1] - self.height)


@lru_cache(maxsize=64)
def outline_of(blank: Blank, drawn: shapely.MultiPolygon | None = None) -> shapely.Polygon:
    """Return the outline within which may be painted, mm, its box's top left at the origin.

    Parameters
    ----------
    blank
        Shape, size and rim.
    drawn
        What the outline's file paints, at any size; for an ``outline`` shape only.

    Raises
    ------
    BadInput
        When the rim leaves nothing, or no outline was given.

    Examples
    --------
    >>> outline_of(Blank(600, 400, rim=10)).bounds
    (0.0, 0.0, 580.0, 380.0)
    """
    width, height = blank.size
    if not (width > 0 and height > 0):
        raise BadInput(f"A rim of {blank.rim:g} mm leaves nothing to paint on.", "Give a narrower rim.")
    if blank.shape == "oval":
        return _ellipse(width, height)
    if blank.shape == "garment":
        return _garment_side(width, height, height * _neck_of(blank))
    if blank.shape == "outline":
        return _fitted(blank, drawn)
    return _rounded(width, height, max(blank.corner - blank.rim, 0.0))


def within_margin(outline: shapely.Polygon, margin: float) -> shapely.Polygon:
    """Return what is left of an outline inside a margin; empty where there is nothing left."""
    inner = outline.buffer(-margin, join_style="mitre", mitre_limit=2.0)
    parts = sorted(shapely.get_parts(inner), key=lambda part: float(part.area))
    return parts[-1] if parts else shapely.Polygon()


def _rounded(width: float, height: float, radius: float) -> shapely.Polygon:
    radius = min(radius, width / 2, height / 2)
    box = shapely.box(0, 0, width, height)
    if radius <= 0:
        return box
    core = shapely.box(radius, radius, width - radius, height - radius)
    # A core without an area is a line or a point, and rounds just the same.
    return shapely.Polygon(core.buffer(radius, quad_segs=_QUAD_SEGS).exterior)


def _ellipse(width: float, height: float) -> shapely.Polygon:
    unit = shapely.get_coordinates(shapely.Point(0, 0).buffer(1, quad_segs=2 * _QUAD_SEGS))
    return shapely.Polygon((unit + 1) * (width / 2, height / 2))


def _neck_of(blank: Blank) -> float:
    """Return how deep a garment's neck is on the side that is painted, as a share of its height."""
    on_back = blank.garment is not None and blank.garment.placement in _ON_BACK
    return _NECK_DEEP_BACK if on_back else _NECK_DEEP


def _garment_side(width: float, height: float, deep: float) -> shapely.Polygon:
    """Return a front or back laid flat: sloping shoulders and a neck whose lowest point is the collar seam's middle."""
    neck, slope = width * _NECK_WIDE, height * _SHOULDER
    turn = np.linspace(0, np.pi, 2 * _QUAD_SEGS + 1)
    scoop = np.column_stack([width / 2 + neck / 2 * np.cos(turn), deep * np.sin(turn)])
    left, right = np.array([(0, slope)]), np.array([(width, slope)])
    hem = np.array([(width, height), (0, height)])
    return shapely.Polygon(np.vstack([scoop[::-1], right, hem, left]))


def collar_of(blank: Blank) -> tuple[float, float]:
    """Return the middle of a garment's collar seam, mm from the blank's top left: the back's own for its back."""
    width, height = blank.size
    return (width / 2, height * _neck_of(blank))


def _fitted(blank: Blank, drawn: shapely.MultiPolygon | None) -> shapely.Polygon:
    """Return the largest closed outline of a drawing at the blank's size, without the rim."""
    if drawn is None or drawn.is_empty:
        raise BadInput("This blank has no outline yet.", "Choose an SVG whose largest shape is the blank's outline.")
    largest = max(drawn.geoms, key=lambda part: part.area)
    outer = shapely.Polygon(largest.exterior)
    x0, y0, x1, y1 = outer.bounds
    width, height = blank.outer
    points = (shapely.get_coordinates(outer) - (x0, y0)) * (width / (x1 - x0), height / (y1 - y0))
    whole = shapely.make_valid(shapely.Polygon(points))
    inner = max(shapely.get_parts(whole.buffer(-blank.rim)), key=lambda part: float(part.area), default=None)
    if inner is None or inner.is_empty:
        raise BadInput(f"A rim of {blank.rim:g} mm leaves nothing to paint on.", "Give a narrower rim.")
    moved: shapely.Polygon = affinity.translate(shapely.Polygon(inner.exterior), -blank.rim, -blank.rim)
    return moved
