"""One mask for all colours, or one a colour? In which order, and how do they meet again on the blank?"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np
import shapely
from coloraide import Color

from dunestead.core.artwork.painted import Painted
from dunestead.core.colours import colour_name
from dunestead.core.figures import Technique
from dunestead.core.geometry.curves import Box
from dunestead.core.painting.colours import gap_wanted
from dunestead.core.units import show_length

__all__ = ["MaskAdvice", "Masks", "advise_masks", "colour_order", "notch_count", "notched", "painted_through"]

Masks = Literal["one", "each", "lines"]
# Lightness in steps so wide that nobody orders colours by less.
_LIGHTNESS_STEP = 10.0
# A notch shallower than this, mm, is not seen; over the edge it is drawn out by the other.
_LEAST_NOTCH, _OVER, _SAME = 1.0, 1.0, 1e-6


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
    one, other, apart = _closest(painted.colours)
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


def _closest(colours: Mapping[str, shapely.MultiPolygon]) -> tuple[str, str, float]:
    """Return the two colours that come nearest to each other, and how near, mm; there are two at least."""
    names, regions = list(colours), np.array(list(colours.values()), dtype=object)
    tree = shapely.STRtree(regions)
    touching = tree.query(regions, "intersects")
    touching = touching[:, touching[0] < touching[1]]
    if touching.size:
        return names[touching[0, 0]], names[touching[1, 0]], 0.0
    found, apart = tree.query_nearest(regions, exclusive=True, return_distance=True, all_matches=False)
    k = int(np.argmin(apart))
    one, other = sorted((int(found[0, k]), int(found[1, k])))
    return names[one], names[other], float(apart[k])


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
    form = f"{painted.shape_key}/{colour}" if painted.shape_key else None
    return Painted(f"{painted.key}/{colour}", region, {colour: region}, painted.to_mm, painted.scale, form)


def notched(sheet: shapely.Polygon, box: Box, notch: float) -> shapely.Polygon:
    """Return a sheet with a notch in the middle of each side that has a border: the register of several masks.

    Parameters
    ----------
    sheet
        As far as it lies on the blank, mm.
    box
        Of the whole design.
    notch
        How deep notches are, mm; never more than half the border beside them.
    """
    cut = [shapely.Polygon(corners) for corners in _notches(sheet.bounds, box, notch)]
    left = shapely.get_parts(shapely.difference(sheet, shapely.union_all(cut)))
    largest: shapely.Polygon = max(left, key=lambda part: float(part.area))
    return largest


def notch_count(sheet: shapely.Polygon, box: Box, notch: float) -> int:
    """Return how many notches a sheet has that was notched around a design."""
    deepest = [corners[2] for corners in _notches(sheet.bounds, box, notch)]
    return sum(float(sheet.boundary.distance(shapely.Point(at))) < _SAME for at in deepest)


def _notches(sheet: Box, box: Box, notch: float) -> Iterator[tuple[tuple[float, float], ...]]:
    """Yield the corners of the notches of a sheet, the third the deepest; drawn out over the sheet's edge a little."""
    x0, y0, x1, y1 = sheet
    cx, cy = (x0 + x1) / 2, (y0 + y1) / 2
    sides = (
        (box[1] - y0, (cx, y0), (0, 1)),
        (x1 - box[2], (x1, cy), (-1, 0)),
        (y1 - box[3], (cx, y1), (0, -1)),
        (box[0] - x0, (x0, cy), (1, 0)),
    )
    for border, (x, y), (inx, iny) in sides:
        deep = min(notch, border / 2)
        if deep < _LEAST_NOTCH:
            # There the mask ends at the blank's edge, which registers it as well.
            continue
        half = deep / 2 * (deep + _OVER) / deep
        out = (x - inx * _OVER, y - iny * _OVER)
        yield (
            (out[0] - iny * half, out[1] - inx * half),
            (out[0] + iny * half, out[1] + inx * half),
            (x + inx * deep, y + iny * deep),
        )
