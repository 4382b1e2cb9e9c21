"""A drawing as read from a file: shapes, clips and what had to be left out."""

from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Literal

from dunestead.core.geometry.affine import Affine
from dunestead.core.geometry.curves import Box, Path, paths_bounds
from dunestead.core.geometry.rings import FillRule
from dunestead.core.geometry.strokes import Pen

__all__ = ["Clip", "Drawing", "Notice", "NoticeCode", "Page", "Shape", "shape_bounds"]


NoticeCode = Literal[
    "broken-path",
    "dashes",
    "effect",
    "faint-mask",
    "fixed-stroke",
    "foreign",
    "hpgl-scaled",
    "hpgl-skipped",
    "live-text",
    "no-glyph",
    "off-page",
    "open-lines",
    "pattern",
    "plainer",
    "raster",
    "style",
    "text",
]


@dataclass(frozen=True, slots=True)
class Notice:
    """Something in the file that is not painted, in words for the maker."""

    code: NoticeCode
    message: str


@dataclass(frozen=True, slots=True, eq=False)
class Shape:
    """One path with its paint.

    Attributes
    ----------
    path, transform
        The path in its own units, and what carries it to the drawing's.
    fill, fill_rule
        Colour as ``#rrggbb`` or None, and how overlaps of its contours count.
    stroke, pen
        Colour or None, and the pen in the path's own units.
    clips
        Every one limits the shape.
    groups
        Names of the groups it lies in, outermost first.
    """

    path: Path
    transform: Affine
    fill: str | None = None
    fill_rule: FillRule = "nonzero"
    stroke: str | None = None
    pen: Pen | None = None
    clips: tuple["Clip", ...] = ()
    groups: tuple[str, ...] = ()


def shape_bounds(shapes: Sequence[Shape]) -> list[Box | None]:
    """Return the extent of path and pen of each shape in drawing units, mitres and clips left out of account."""
    boxes = paths_bounds([shape.path.carried(shape.transform) for shape in shapes])
    return [box and _with_pen(box, shape) for box, shape in zip(boxes, shapes, strict=True)]


def _with_pen(box: Box, shape: Shape) -> Box:
    if not shape.stroke or not shape.pen:
        return box
    reach = shape.pen.width / 2 * shape.transform.stretch
    return (box[0] - reach, box[1] - reach, box[2] + reach, box[3] + reach)


@dataclass(frozen=True, slots=True, eq=False)
class Clip:
    """A region that limits shapes.

    A ``clip`` lets through where any of its shapes is; a ``mask`` lets through where the
    topmost of its shapes is light, as far as a cut edge can follow that.
    """

    kind: Literal["clip", "mask"]
    shapes: tuple[Shape, ...]
    clips: tuple["Clip", ...] = ()


@dataclass(frozen=True, slots=True)
class Page:
    """The page a drawing is on, in drawing units, and how many mm a unit is when printed."""

    x: float
    y: float
    width: float
    height: float
    unit_mm: float


@dataclass(frozen=True, slots=True)
class Drawing:
    """Shapes in drawing units, y down. Equal when read from the same bytes.

    Attributes
    ----------
    digest
        SHA-256 of the file; identifies the drawing in every cache.
    page
        None when the file does not say.
    """

    digest: str
    shapes: tuple[Shape, ...] = field(compare=False)
    notices: tuple[Notice, ...] = field(default=(), compare=False)
    page: Page | None = field(default=None, compare=False)
