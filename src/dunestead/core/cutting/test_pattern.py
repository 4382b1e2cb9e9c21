"""The pattern of a test cut: small, with a curve, a sharp corner and something that must fall out."""

import numpy as np

from dunestead.core.cutting.drawing import MarkText, SheetDrawing
from dunestead.core.cutting.paths import CutPath
from dunestead.core.cutting.promise import promise_of

__all__ = ["draw_test_pattern"]

_SIDE = 25.0
_INSET = 1.0


def draw_test_pattern() -> SheetDrawing:
    """Return a square of 25 mm with a round window that has a centre, and a triangle."""
    turns = np.linspace(0, 2 * np.pi, 73)
    circle = np.column_stack([np.cos(turns), np.sin(turns)])
    circle[-1] = circle[0]
    lines = (
        circle * 2.0 + (8.0, 9.0),
        circle * 5.0 + (8.0, 9.0),
        np.array([(15.0, 20.0), (23.0, 20.0), (19.0, 8.0), (15.0, 20.0)]),
        np.array([(0.0, 0.0), (_SIDE, 0.0), (_SIDE, _SIDE), (0.0, _SIDE), (0.0, 0.0)]),
    )
    cuts = tuple(CutPath(line) for line in lines)
    page = (_SIDE, _SIDE)
    label = "Test cut / this side up"
    return SheetDrawing(
        1,
        page,
        cuts,
        (),
        (MarkText((_INSET, _SIDE - _INSET), label, 1.6),),
        ((1.0, 1.0), (3.0, 1.0), (1.0, 3.0)),
        label,
        promise_of(cuts, page, page, mirrored=False),
    )
