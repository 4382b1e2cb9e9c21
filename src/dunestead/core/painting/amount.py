"""How much paint does it take?"""

import math
from collections.abc import Mapping
from dataclasses import dataclass

from dunestead.core.figures import Paint, Surface

__all__ = ["ColourAmount", "PaintNeed", "paint_need"]

_MM2_PER_M2 = 1e6
_ML_PER_L = 1000.0


@dataclass(frozen=True, slots=True)
class ColourAmount:
    """Paint for one colour: area in mm², ml a coat and ml in all."""

    colour: str
    area: float
    coat_ml: float
    total_ml: float


@dataclass(frozen=True, slots=True)
class PaintNeed:
    """Paint for the job.

    Attributes
    ----------
    total_ml
        Over all colours, coats and copies.
    cans
        How many cans that is, None for paint that does not come in cans.
    why
        The sum in words.
    """

    colours: tuple[ColourAmount, ...]
    coats: int
    total_ml: float
    cans: int | None
    why: str


def paint_need(areas: Mapping[str, float], surface: Surface, paint: Paint, coats: int, copies: int) -> PaintNeed:
    """Return the paint needed: area x coats x soak over cover, and what drifts past on top.

    Parameters
    ----------
    areas
        Painted mm² by colour, for one copy.
    surface, paint
        Soak, cover and transfer.
    coats, copies
        Counts of 1 or more.

    Examples
    --------
    A tenth of a square metre on coir, 7 m² a litre, 2 coats: 0.1 x 2 x 4 / 7 l, about 114 ml.
    """
    per_mm2 = surface.soak / paint.cover / paint.transfer * _ML_PER_L / _MM2_PER_M2
    colours = tuple(
        ColourAmount(colour, area, area * per_mm2, area * per_mm2 * coats * copies) for colour, area in areas.items()
    )
    total = sum(colour.total_ml for colour in colours)
    cans = math.ceil(total / paint.can_ml - 1e-9) if paint.can_ml else None
    lost = f", of which {paint.transfer:.0%} lands" if paint.transfer < 1 else ""
    why = (
        f"{sum(areas.values()) / 100:.0f} cm² x {coats} coats x {surface.soak:g} for the soak of "
        f"{surface.name.lower()}, {paint.cover:g} m² a litre{lost}" + (f", {copies} copies" if copies > 1 else "")
    )
    return PaintNeed(colours, coats, total, cans, why + ".")
