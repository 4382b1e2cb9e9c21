"""How much paint does a coating take?"""

import math
from collections.abc import Mapping
from dataclasses import dataclass

from dunestead.core.figures import Figure, Paint, Surface
from dunestead.core.units import several

__all__ = ["Amount", "Load", "amount_key", "amount_of", "soak_of", "spread_of"]

_MM2_PER_M2 = 1e6
_ML_PER_L = 1000.0


@dataclass(frozen=True, slots=True)
class Load:
    """How a coating is put on: coats, copies, and what a coat is of a full one.

    Attributes
    ----------
    coats, copies
        Counts of 1 or more.
    share
        1 for full coats, less for light ones.
    spread
        How far the true amount may lie off, as a factor; see `spread_of`.
    learnt
        By which factor the maker's own jobs took other than the table says.
    """

    coats: int
    copies: int
    share: float = 1.0
    spread: float = 1.0
    learnt: float = 1.0


@dataclass(frozen=True, slots=True)
class Amount:
    """Paint for one coating.

    Attributes
    ----------
    coat_ml
        One coat on one copy, never less than can be poured.
    total_ml
        Over all coats and copies: what lands, and what drifts past on the way.
    pour_ml
        What is to be had: with what stays in brush, plate or airbrush, for every copy.
    low_ml, high_ml
        What it may well be instead of `pour_ml`: no paint is known more exactly.
    cans, bottles
        How many of those hold it; None for what it does not come in.
    why
        The sum in words.
    """

    coat_ml: float
    total_ml: float
    pour_ml: float
    low_ml: float
    high_ml: float
    cans: int | None
    bottles: int | None
    why: str


def amount_of(area: float, surface: Surface, paint: Paint, figures: Mapping[str, float], load: Load) -> Amount:
    """Return the paint a coating takes: area x coats x soak over cover, and what drifts past on top.

    Parameters
    ----------
    area
        Painted mm² of one copy.
    surface, paint
        Soak, which is less for paint that is sprayed; cover and transfer.
    figures
        Of the workshop: ``least_pour`` and what stays behind in the tool, ``dead_...``, ml.
    load
        Coats and copies.

    Examples
    --------
    A tenth of a square metre on coir by brush, 7 m² a litre, 2 coats: 0.1 x 2 x 4 / 7 l, about 114 ml.
    """
    soak = soak_of(surface, paint)
    per_mm2 = load.learnt * load.share * soak / paint.cover / paint.transfer * _ML_PER_L / _MM2_PER_M2
    least = figures["least_pour"]
    coat, total = max(area * per_mm2, least), max(area * per_mm2 * load.coats * load.copies, least)
    dead = figures[f"dead_{paint.technique}"] * load.copies
    pour = total + dead
    return Amount(
        coat,
        total,
        pour,
        max(total / load.spread, least) + dead,
        total * load.spread + dead,
        _whole(total, paint.can_ml),
        None if paint.can_ml else _whole(pour, paint.bottle_ml),
        _why(area, soak, surface, paint, load),
    )


def amount_key(paint: str, surface: str) -> str:
    """Return what the amount of a paint on a surface is known by among what is learnt."""
    return f"paint/{paint}/{surface}"


def soak_of(surface: Surface, paint: Paint) -> float:
    """Return how many times what a smooth surface takes this one does; less for paint that is sprayed."""
    return surface.soak_spray if paint.is_sprayed else surface.soak


def spread_of(*figures: Figure | None) -> float:
    """Return how far a product of figures may lie off, as a factor: each by its own range, none on account of another.

    Ranges are taken in proportion, the wider side of each, and added as independent errors are.

    Examples
    --------
    >>> round(spread_of(Figure(10, 8, 12, "", ""), Figure(4, 2.8, 5.6, "", "")), 2)
    1.52
    >>> spread_of()
    1.0
    """
    sides = [max(one.high / one.value, one.value / one.low) for one in figures if one and one.low > 0]
    return math.exp(math.sqrt(sum(math.log(side) ** 2 for side in sides)))


def _whole(ml: float, each: float | None) -> int | None:
    return math.ceil(ml / each - 1e-9) if each else None


def _why(area: float, soak: float, surface: Surface, paint: Paint, load: Load) -> str:
    lost = f", of which {paint.transfer:.0%} lands" if paint.transfer < 1 else ""
    light = f", {load.share:.0%} of a full coat each" if load.share < 1 else ""
    copies = f", {load.copies} copies" if load.copies > 1 else ""
    own = f", x {load.learnt:.2f} as your own jobs took" if load.learnt != 1 else ""
    return (
        f"{area / 100:.0f} cm² x {several(load.coats, 'coat')} x {soak:g} for the soak of "
        f"{surface.name.lower()}, {paint.cover:g} m² a litre{lost}{light}{own}{copies}."
    )
