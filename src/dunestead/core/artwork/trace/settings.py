"""What a maker decides about a tracing."""

from dataclasses import dataclass
from typing import Literal

from dunestead.core.errors import BadInput
from dunestead.core.limits import check_limits, limited

__all__ = ["Corners", "TraceSettings", "check_trace"]

Corners = tuple[tuple[float, float], tuple[float, float], tuple[float, float], tuple[float, float]]
_LEAST_AREA = 1e-4


@dataclass(frozen=True, slots=True)
class TraceSettings:
    """How ink is told from paper, and how it is drawn.

    Attributes
    ----------
    corners
        Of the sheet in the picture, from its top left clockwise, as shares of the picture's width and
        height; None when it was not photographed askew.
    threshold
        Grey from 0 to 255 below which is ink; None finds it.
    inverted
        Whether what is light is the drawing.
    evened
        Whether uneven light is taken out first.
    despeckle
        Specks and pinholes up to this many pixels across vanish.
    smooth
        From 0, true to every pixel, to 1, flowing.
    ink
        ``area`` paints the ink as it is; ``line`` follows the middle of each line with an even pen.
    pen
        Width of that pen as a share of the picture's longer side; None takes each line as wide as it is.
    """

    corners: Corners | None = None
    threshold: int | None = limited(None, "as a threshold", 0, 255)
    inverted: bool = False
    evened: bool = True
    despeckle: int = limited(4, "size of specks", 0, 200, "px")
    smooth: float = limited(0.5, "as a smoothing", 0.0, 1.0, step=0.05)
    ink: Literal["area", "line"] = "area"
    pen: float | None = limited(None, "as a pen's share of the picture", 0.001, 0.1, step=0.001)


def check_trace(settings: TraceSettings) -> None:
    """Raise `BadInput` when settings cannot be traced by."""
    check_limits(settings)
    if settings.corners is not None and not _is_convex(settings.corners):
        raise BadInput(
            "The four corners do not make a sheet.",
            "Set them one after the other around it, from the top left clockwise.",
        )


def _is_convex(corners: Corners) -> bool:
    """Say whether corners go around clockwise as one sees them, never turning back."""
    for k in range(4):
        (ax, ay), (bx, by), (cx, cy) = corners[k], corners[(k + 1) % 4], corners[(k + 2) % 4]
        if (bx - ax) * (cy - by) - (by - ay) * (cx - bx) < _LEAST_AREA:
            return False
    return all(-0.5 <= v <= 1.5 for corner in corners for v in corner)
