"""How long does a check take, against the bare geometry under it?

Times are compared within one run on one machine: the whole check over its floor, which is a
single boolean difference and its split into parts on regions that are flattened already.
"""

import math
import time
from collections.abc import Callable
from typing import Any

import shapely

from dunestead.catalogue import load_catalogue
from dunestead.core.artwork.drawing import Drawing
from dunestead.core.artwork.painted import Painted, paint
from dunestead.core.mask.axis import forget_widths
from dunestead.core.mask.findings import judge, limits_for, widths_of
from dunestead.core.mask.gaps import nearest_gaps
from dunestead.core.mask.loose import cut_mask
from dunestead.formats.svg import read_svg

__all__ = ["measure_checks"]

_WIDTH_MM = 400.0
_BORDER_MM = 40.0
_RUNS = 5
# Pieces a side, pieces, vertices of an outer and an inner ring.
_SIZES = {"small": (2, 4, 24, 12), "usual": (5, 20, 60, 30), "heavy": (20, 300, 111, 56)}


def measure_checks() -> dict[str, dict[str, Any]]:
    """Return for each size its counts, the floor and the check in ms, and their ratio."""
    return {name: _measure(*shape) for name, shape in _SIZES.items()}


def _measure(side: int, pieces: int, outer: int, inner: int) -> dict[str, Any]:
    data = _rings(side, pieces, outer, inner).encode()
    painted = paint(read_svg(data), _WIDTH_MM)
    x0, y0, x1, y1 = painted.bbox
    sheet = shapely.box(x0 - _BORDER_MM, y0 - _BORDER_MM, x1 + _BORDER_MM, y1 + _BORDER_MM)
    floor = _best(lambda: shapely.get_parts(shapely.difference(sheet, painted.region)))
    whole = _best(lambda: _check(data))
    return {
        "vertices": int(shapely.get_num_coordinates(painted.region)),
        "loose": len(cut_mask(painted, _BORDER_MM).loose),
        "check_ms": whole * 1e3,
        "floor_ms": floor * 1e3,
        "ratio": whole / floor,
    }


def _check(data: bytes) -> None:
    """Do what `dunestead check` does, with nothing remembered from before."""
    for remembered in (read_svg, paint, cut_mask, nearest_gaps):
        remembered.cache_clear()
    catalogue = load_catalogue()
    drawing: Drawing = read_svg(data)
    painted: Painted = paint(drawing, _WIDTH_MM)
    mask = cut_mask(painted, _BORDER_MM)
    limits = limits_for(catalogue, "coir", "paper-coated-down")
    forget_widths()
    judge.cache_clear()
    widths_of.cache_clear()
    judge(painted, mask, catalogue.surface("coir"), catalogue.material("paper-coated-down"), limits)
    nearest_gaps(mask)


def _best(work: Callable[[], Any]) -> float:
    times = []
    for _ in range(_RUNS):
        start = time.perf_counter()
        work()
        times.append(time.perf_counter() - start)
    return min(times)


def _rings(side: int, pieces: int, outer: int, inner: int) -> str:
    """Draw rings in rows: as many loose pieces as rings."""
    shapes = []
    for k in range(pieces):
        x, y = 40 * (k % side) + 18, 40 * (k // side) + 18
        data = "".join(f"M{_ring(x, y, radius, count)}Z" for radius, count in ((18, outer), (9, inner)))
        shapes.append(f'<path fill-rule="evenodd" d="{data}"/>')
    return f'<svg xmlns="http://www.w3.org/2000/svg">{"".join(shapes)}</svg>'


def _ring(x: float, y: float, radius: float, count: int) -> str:
    turns = (math.tau * k / count for k in range(count))
    return "L".join(f"{x + radius * math.cos(t):.4f} {y + radius * math.sin(t):.4f}" for t in turns)
