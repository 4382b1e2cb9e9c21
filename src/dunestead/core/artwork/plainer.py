"""What can be left out of a drawing that is more than can be worked out? Specks, and colours nobody tells apart."""

from collections import Counter
from dataclasses import dataclass, replace
from functools import lru_cache

import numpy as np

from dunestead.core.artwork.drawing import Drawing, Notice, Shape, shape_bounds
from dunestead.core.errors import BadInput
from dunestead.core.units import several

__all__ = ["Plainer", "made_plainer"]


@dataclass(frozen=True, slots=True)
class Plainer:
    """How a drawing is made plainer.

    Attributes
    ----------
    least
        Shapes smaller than this share of the drawing's longer side are left out.
    colours
        So many stay, those that most shapes have; the others become the nearest of them.
    """

    least: float
    colours: int


@lru_cache(maxsize=16)
def made_plainer(drawing: Drawing, how: Plainer) -> Drawing:
    """Return a drawing without its specks and with its colours joined; it says what was left out.

    Raises
    ------
    BadInput
        When nothing would be left.

    Notes
    -----
    Colours are near by their distance in sRGB, which is quick for thousands and enough to tell neighbours.
    """
    shapes = [shape for shape in drawing.shapes if shape.fill or shape.stroke]
    sides = np.array([_longer(box) for box in shape_bounds(shapes)])
    whole = _whole(shapes)
    kept = [shape for shape, side in zip(shapes, sides, strict=True) if side >= how.least * whole]
    if not kept:
        raise BadInput(
            "All of this drawing is specks: nothing would be left of it.", "Choose a drawing with larger shapes."
        )
    joined, before, after = _joined(kept, how.colours)
    told = [f"{several(len(shapes) - len(kept), 'speck')} left out"] if len(kept) < len(shapes) else []
    told += [f"{before} colours joined to {after}"] if after < before else []
    notices = (*drawing.notices, Notice("plainer", f"Made plainer: {', '.join(told)}.")) if told else drawing.notices
    digest = f"{drawing.digest}:plainer:{how.least:g}:{how.colours}"
    return replace(drawing, digest=digest, shapes=tuple(joined), notices=notices)


def _longer(box: tuple[float, float, float, float] | None) -> float:
    return max(box[2] - box[0], box[3] - box[1]) if box else 0.0


def _whole(shapes: list[Shape]) -> float:
    boxes = np.array([box for box in shape_bounds(shapes) if box])
    if not len(boxes):
        return 0.0
    return float((boxes[:, 2:].max(axis=0) - boxes[:, :2].min(axis=0)).max())


def _joined(shapes: list[Shape], most: int) -> tuple[list[Shape], int, int]:
    """Return shapes in fewer colours, how many there were, and how many there are."""
    used = Counter(colour for shape in shapes for colour in (shape.fill, shape.stroke) if colour)
    palette = [colour for colour, _ in used.most_common(most)]
    if len(used) <= most:
        return shapes, len(used), len(used)
    known, wanted = np.array([_rgb(one) for one in palette]), np.array([_rgb(one) for one in used])
    nearest = ((wanted[:, None] - known[None]) ** 2).sum(axis=2).argmin(axis=1)
    becomes = {colour: palette[k] for colour, k in zip(used, nearest.tolist(), strict=True)}
    joined = [
        replace(shape, fill=becomes.get(shape.fill or ""), stroke=becomes.get(shape.stroke or "")) for shape in shapes
    ]
    return joined, len(used), len(palette)


def _rgb(colour: str) -> tuple[int, int, int]:
    return int(colour[1:3], 16), int(colour[3:5], 16), int(colour[5:7], 16)
