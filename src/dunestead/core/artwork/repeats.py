"""An element many times over: where its copies go."""

import math
from collections.abc import Iterator, Sequence

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.artwork.elements import Repeat
from dunestead.core.geometry.affine import IDENTITY, Affine

__all__ = ["copies"]

_TRIES = 80
_STAYS = 0.8


def copies(
    repeat: Repeat,
    size: tuple[float, float],
    middle: tuple[float, float],
    ground: shapely.Polygon,
    taken: Sequence[BaseGeometry],
    *,
    runs_off: bool = False,
) -> list[Affine]:
    """Return what carries an element, as it is placed, to each of its copies.

    Parameters
    ----------
    repeat
        How often and how.
    size, middle
        Of the element's box as it lies on the blank, mm.
    ground, taken
        Where a scatter may fall, and what it keeps clear of.
    runs_off
        Whether a scatter goes on over the ground's edge, as if cut from a larger one.
    """
    if repeat.kind == "ring":
        return list(_ring(repeat, middle))
    if repeat.kind == "scatter":
        return list(_scatter(repeat, size, middle, ground, taken, runs_off=runs_off))
    down = repeat.down if repeat.kind == "grid" else 1
    step_x, step_y = size[0] + repeat.gap_across, size[1] + repeat.gap_down
    return [
        Affine.translation((i - (repeat.across - 1) / 2) * step_x, (j - (down - 1) / 2) * step_y)
        for j in range(down)
        for i in range(repeat.across)
    ]


def _about(middle: tuple[float, float], turn: float) -> Affine:
    c, s = math.cos(turn), math.sin(turn)
    return (
        Affine.translation(-middle[0], -middle[1])
        .then(Affine(c, s, -s, c))
        .then(Affine.translation(middle[0], middle[1]))
    )


def _ring(repeat: Repeat, middle: tuple[float, float]) -> Iterator[Affine]:
    for k in range(repeat.across):
        turn = math.tau * k / repeat.across
        spun = _about(middle, turn) if repeat.turning else IDENTITY
        yield spun.then(Affine.translation(repeat.radius * math.sin(turn), -repeat.radius * math.cos(turn)))


def _scatter(
    repeat: Repeat,
    size: tuple[float, float],
    middle: tuple[float, float],
    ground: shapely.Polygon,
    taken: Sequence[BaseGeometry],
    *,
    runs_off: bool,
) -> Iterator[Affine]:
    """Let copies fall at random, as discs around their boxes, where they keep the least gap to all else."""
    chance = np.random.default_rng(repeat.seed)
    reach = math.hypot(*size) / 2
    # Where it runs off, a copy may lie with its middle up to half its least side off: some of it stays to be seen.
    free: BaseGeometry = ground.buffer(min(size) / 2 * _STAYS if runs_off else -reach)
    for shape in taken:
        free = free.difference(shape.buffer(reach + repeat.gap_across, quad_segs=6))
    if free.is_empty:
        return
    shapely.prepare(free)
    x0, y0, x1, y1 = free.bounds
    apart = 2 * reach + repeat.gap_across
    places: list[tuple[float, float]] = []
    for _ in range(_TRIES * repeat.across):
        if len(places) == repeat.across:
            break
        x, y, turn = (float(v) for v in chance.uniform((x0, y0, 0), (x1, y1, math.tau)))
        if all(math.hypot(x - u, y - v) >= apart for u, v in places) and shapely.contains_xy(free, x, y):
            places.append((x, y))
            spun = _about(middle, turn) if repeat.turning else IDENTITY
            yield spun.then(Affine.translation(x - middle[0], y - middle[1]))
