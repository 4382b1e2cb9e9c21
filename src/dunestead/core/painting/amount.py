"""How much paint does a coating take?"""

import math
from collections.abc import Mapping
from dataclasses import dataclass

from dunestead.core.figures import Paint, Surface

__all__ = ["Amount", "amount_of"]

_MM2_PER_M2 = 1e6
_ML_PER_L = 1000.0


@dataclass(frozen=True, slots=True)
class Amount:
    """Paint for one coating.

    Attributes
    ----------
    coat_ml
        One coat on one copy, never less than can be poured.
    total_ml
        Over all coats and copies.
    cans
        How many cans that is, None for paint that does not come in cans.
    why
        The sum in words.
    """

    coat_ml: float
    total_ml: float
    cans: int | None
    why: str


def amount_of(
    area: float, surface: Surface, paint: Paint, figures: Mapping[str, float], *, coats: int, copies: int
) -> Amount:
    """Return the paint a coating takes: area x coats x soak over cover, and what drifts past on top.

    Parameters
    ----------
    area
        Painted mm² of one copy.
    surface, paint
        Soak, which is less for paint that is sprayed; cover and transfer.
    figures
        Of the workshop: ``least_pour``, ml.
    coats, copies
        Counts of 1 or more.

    Examples
    --------
    A tenth of a square metre on coir by brush, 7 m² a litre, 2 coats: 0.1 x 2 x 4 / 7 l, about 114 ml.
    """
    soak = surface.soak_spray if paint.is_sprayed else surface.soak
    per_mm2 = soak / paint.cover / paint.transfer * _ML_PER_L / _MM2_PER_M2
    least = figures["least_pour"]
    coat, total = max(area * per_mm2, least), max(area * per_mm2 * coats * copies, least)
    cans = math.ceil(total / paint.can_ml - 1e-9) if paint.can_ml else None
    lost = f", of which {paint.transfer:.0%} lands" if paint.transfer < 1 else ""
    why = (
        f"{area / 100:.0f} cm² x {coats} coats x {soak:g} for the soak of "
        f"{surface.name.lower()}, {paint.cover:g} m² a litre{lost}" + (f", {copies} copies" if copies > 1 else "")
    )
    return Amount(coat, total, cans, why + ".")
