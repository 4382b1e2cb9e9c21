"""One mask for all colours, or one a colour? In which order, and how do they meet again on the blank?"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations
from typing import Literal

import shapely
from coloraide import Color

from dunestead.core.artwork.painted import Painted
from dunestead.core.colours import colour_name
from dunestead.core.figures import Technique
from dunestead.core.geometry.curves import Box
from dunestead.core.painting.colours import gap_wanted
from dunestead.core.units import show_length

__all__ = ["MaskAdvice", "Masks", "advise_masks", "colour_order", "notched_sheet", "painted_through"]

Masks = Literal["one", "each", "lines"]
# Lightness in steps so wide that nobody orders colours by less.
_LIGHTNESS_STEP = 10.0


@dataclass(frozen=True, slots=True)
class MaskAdvice:
    """How many masks to cut for a design's colours, and why; the least gap between two of them in mm."""

    masks: Masks
    why: str
    gap: float | None = None


def advise_masks(
    painted: Painted, technique: Technique, figures: Mapping[str, float], unit: str, *, dauber: bool
) -> MaskAdvice:
    """Say whether one mask will do for all colours of a design.

    Parameters
    ----------
    painted
        The design.
    technique
        How it is painted.
    figures
        Of the workshop.
    unit
        For lengths in the reason.
    dauber
        Whether the maker dabs with a foam dauber.

    Notes
    -----
    By the trade's rule: one mask where the gaps allow, else one each. Between the gap a brush wants and
    the least that can be taped off, one mask serves with the neighbours covered.
    """
    if len(painted.colours) < 2:
        return MaskAdvice("one", "One colour needs one mask.")
    (one, first), (other, second) = min(
        combinations(painted.colours.items(), 2), key=lambda pair: float(shapely.distance(pair[0][1], pair[1][1]))
    )
    apart = float(shapely.distance(first, second))
    wanted, way = gap_wanted(technique, figures, dauber=dauber)
    between = f"{colour_name(one)} and {colour_name(other)} come within {show_length(apart, unit)}"
    if apart >= wanted - 1e-6:
        return MaskAdvice(
            "one",
            f"Colours keep {show_length(apart, unit)} apart; painted {way}, {show_length(wanted, unit)} will do.",
            apart,
        )
    if apart >= figures["gap_cover"]:
        return MaskAdvice(
            "one",
            f"{between}: cover one while the other is painted. Painted {way} uncovered, "
            f"{show_length(wanted, unit)} would be wanted.",
            apart,
        )
    return MaskAdvice(
        "each",
        f"{between}, too near to cover one with tape ({show_length(figures['gap_cover'], unit)}): "
        "a mask for each colour keeps them clean.",
        apart,
    )


def colour_order(colours: Mapping[str, shapely.MultiPolygon], wished: Sequence[str] = ()) -> list[str]:
    """Return the order in which colours are painted: as the maker wishes, else light before dark, small before large.

    Colours the maker's wish does not name come after those it does.
    """

    def key(colour: str) -> tuple[int, float, float]:
        lightness = float(Color(colour).convert("lab")["l"])
        named = wished.index(colour) if colour in wished else len(wished)
        return (named, -round(lightness / _LIGHTNESS_STEP), float(colours[colour].area))

    return sorted(colours, key=key)


def painted_through(painted: Painted, colour: str) -> Painted:
    """Return what is painted through the mask of one colour, where it lies in the design; all of it for none."""
    if not colour:
        return painted
    region = painted.colours[colour]
    form = f"{painted.form}/{colour}" if painted.form else None
    return Painted(f"{painted.key}/{colour}", region, {colour: region}, painted.to_mm, painted.times, form)


def notched_sheet(box: Box, border: float, notch: float) -> shapely.Polygon:
    """Return the sheet around a design with a notch in the middle of each side: the register of several masks.

    Parameters
    ----------
    box
        Of the whole design, mm.
    border, notch
        Material beyond it, and how deep the notches are, mm; never more than half the border.
    """
    x0, y0, x1, y1 = box[0] - border, box[1] - border, box[2] + border, box[3] + border
    deep = min(notch, border / 2)
    cx, cy, half = (x0 + x1) / 2, (y0 + y1) / 2, deep / 2
    return shapely.Polygon(
        [
            *((x0, y0), (cx - half, y0), (cx, y0 + deep), (cx + half, y0)),
            *((x1, y0), (x1, cy - half), (x1 - deep, cy), (x1, cy + half)),
            *((x1, y1), (cx + half, y1), (cx, y1 - deep), (cx - half, y1)),
            *((x0, y1), (x0, cy + half), (x0 + deep, cy), (x0, cy - half)),
        ]
    )
