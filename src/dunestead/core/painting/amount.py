"""How much paint does a coating take?"""

import math
from collections.abc import Mapping
from dataclasses import dataclass

from dunestead.core.figures import Figure, Paint, Surface
from dunestead.core.units import several

__all__ = ["Amount", "Batch", "Load", "amount_key", "amount_of", "batch_of", "soak_figure", "soak_of", "spread_of"]

_MM2_PER_M2 = 1e6
_ML_PER_L = 1000.0


@dataclass(frozen=True, slots=True)
class Load:
    """How a coating is put on: in how many coats, and what a coat is of a full one.

    Attributes
    ----------
    coats
        1 or more.
    share
        1 for full coats, less for light ones.
    spread
        How far the true amount may lie off, as a factor; see `spread_of`.
    learnt
        By which factor the maker's own jobs took other than the table says.
    """

    coats: int
    share: float = 1.0
    spread: float = 1.0
    learnt: float = 1.0


@dataclass(frozen=True, slots=True)
class Amount:
    """Paint for one coating of one copy.

    Attributes
    ----------
    coat_ml
        One coat, never less than can be poured.
    copy_ml
        All coats: what lands, and what drifts past on the way.
    poured_ml
        What one coat takes out of the bottle: with its share of what stays in brush, plate or airbrush.
    why
        The sum in words, without its full stop.
    """

    coat_ml: float
    copy_ml: float
    poured_ml: float
    why: str


@dataclass(frozen=True, slots=True)
class Batch:
    """Paint for one coating of all copies.

    Attributes
    ----------
    total_ml
        What goes on, and what drifts past.
    pour_ml
        What is to be had: with what stays in the tool.
    low_ml, high_ml
        What it may well be instead of `pour_ml`: no paint is known more exactly.
    cans, bottles
        How many of those hold it; None for what it does not come in.
    why
        The sum in words.
    """

    total_ml: float
    pour_ml: float
    low_ml: float
    high_ml: float
    cans: int | None
    bottles: int | None
    why: str


def amount_of(
    area: float,
    surface: Surface,
    paint: Paint,
    figures: Mapping[str, float],
    load: Load,
    passed: float | None = None,
) -> Amount:
    """Return the paint a coating of one copy takes: area x coats x soak over cover, and what is lost on top.

    Parameters
    ----------
    area
        Painted mm² of one copy.
    passed
        mm² that a can passes over, which is not stopped between letters; None where the paint is put only where it
        goes. Of what is passed all takes one coat, and the painted part its soak besides.
    surface, paint
        Soak, which is less for paint that is sprayed; cover and transfer.
    figures
        Of the workshop: ``least_pour`` and what stays behind in the tool, ``dead_...``, ml.
    load
        Coats.

    Examples
    --------
    A tenth of a square metre on coir by brush, 7 m² a litre, 2 coats: 0.1 x 2 x 4 / 7 l, about 114 ml. A row of words
    of 380 x 28 mm sprayed on coir, 4 m² a litre: 440 x 88 mm are passed, and with 1.3 for the soak of the 60 cm² of its
    letters two coats take about 24 ml.
    """
    soak = soak_of(surface, paint)
    wetted = area * soak if passed is None else passed + area * (soak - 1)
    coat = wetted * load.learnt * load.share / paint.cover / paint.transfer * _ML_PER_L / _MM2_PER_M2
    copy = coat * load.coats
    poured = (copy + figures[f"dead_{paint.technique}"]) / load.coats
    return Amount(max(coat, figures["least_pour"]), copy, poured, _why(area, passed, soak, surface, paint, load))


def batch_of(amount: Amount, paint: Paint, figures: Mapping[str, float], load: Load, copies: int) -> Batch:
    """Return the paint a coating takes for all copies; copies are multiplied in here and in the steps, nowhere else."""
    least, dead = figures["least_pour"], figures[f"dead_{paint.technique}"] * copies
    total = max(amount.copy_ml * copies, least)
    pour = total + dead
    return Batch(
        total,
        pour,
        max(total / load.spread, least) + dead,
        total * load.spread + dead,
        _whole(total, paint.can_ml),
        None if paint.can_ml else _whole(pour, paint.bottle_ml),
        f"{amount.why}{f', {copies} copies' if copies > 1 else ''}.",
    )


def amount_key(paint: str, surface: str) -> str:
    """Return what the amount of a paint on a surface is known by among what is learnt."""
    return f"paint/{paint}/{surface}"


def soak_figure(paint: Paint) -> str:
    """Return which figure of a surface says how much of a paint it takes up; what comes out of a can stays on top."""
    return "soak_spray" if paint.technique == "spray" else "soak"


def soak_of(surface: Surface, paint: Paint) -> float:
    """Return how many times what a smooth surface takes this one does; less for paint out of a can."""
    soak: float = getattr(surface, soak_figure(paint))
    return soak


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


def _why(area: float, passed: float | None, soak: float, surface: Surface, paint: Paint, load: Load) -> str:
    lost = f", of which {paint.transfer:.0%} lands" if paint.transfer < 1 else ""
    light = f", {load.share:.0%} of a full coat each" if load.share < 1 else ""
    own = f", x {load.learnt:.2f} as your own jobs took" if load.learnt != 1 else ""
    times, reaches = several(load.coats, "coat"), f"{paint.cover:g} m² a litre{lost}{light}{own}"
    if passed is None:
        return f"{area / 100:.0f} cm² x {times} x {soak:g} for the soak of {surface.name.lower()}, {reaches}"
    more = f", and {area / 100:.0f} cm² x {soak - 1:.1g} for the soak of {surface.name.lower()}" if soak > 1 else ""
    return f"{passed / 100:.0f} cm² passed by the can{more}, x {times}, {reaches}"
