"""Can these colours be painted side by side, and will they show?"""

from collections.abc import Iterator, Mapping
from itertools import combinations

import shapely

from dunestead.core.artwork.finding import Finding
from dunestead.core.artwork.painted import Painted
from dunestead.core.colours import colour_name, difference
from dunestead.core.figures import Material, Technique

__all__ = ["base_findings", "colour_findings", "gap_wanted"]

_WAYS = {
    "dab": "by brush",
    "brush": "by brush",
    "spray": "by spray",
    "airbrush": "by airbrush",
    "dauber": "by foam dauber",
}


def gap_wanted(technique: Technique, figures: Mapping[str, float], *, dauber: bool) -> tuple[float, str]:
    """Return the gap that two colours through one mask want, mm, and the way of painting in words."""
    way = "dauber" if dauber and technique in ("dab", "brush") else technique
    return figures[f"gap_{way}"], _WAYS[way]


def colour_findings(
    painted: Painted,
    ground: str,
    material: Material,
    figures: Mapping[str, float],
    gap: tuple[float, str],
    *,
    apart: bool,
) -> list[Finding]:
    """Return what stands against a design's colours.

    Parameters
    ----------
    painted
        The design.
    ground
        Colour they are seen against.
    material
        Of the mask, which must be seen against the ground too.
    figures
        Of the workshop.
    gap
        As `gap_wanted` gives it.
    apart
        Whether colours are kept apart anyhow, by covers or masks of their own, so that gaps do not matter.
    """
    found = [] if apart else list(_gaps(painted, gap))
    return [*found, *_alike(painted, ground, material, figures["colours_alike"])]


def base_findings(*, needed: bool) -> list[Finding]:
    """Say what is missing under a reverse mask: what it covers shows, so it must have been painted before."""
    return [Finding("base-missing", "stop", (0.0, 0.0), 0.0, 0.0, "a reverse mask")] if needed else []


def _gaps(painted: Painted, gap: tuple[float, str]) -> Iterator[Finding]:
    wanted, way = gap
    for (one, first), (other, second) in combinations(painted.colours.items(), 2):
        apart = float(shapely.distance(first, second))
        if apart >= wanted - 1e-6:
            continue
        line = shapely.get_coordinates(shapely.shortest_line(first, second))
        middle = line.mean(axis=0)
        yield Finding(
            "colour-gap",
            "warn",
            (float(middle[0]), float(middle[1])),
            apart,
            wanted,
            way,
            what=f"{colour_name(one)} and {colour_name(other)}",
        )


def _alike(painted: Painted, ground: str, material: Material, wanted: float) -> Iterator[Finding]:
    for colour, region in painted.colours.items():
        if (apart := difference(colour, ground)) < wanted:
            inside = shapely.point_on_surface(region)
            what = f"Paint ({colour_name(colour)}) and ground ({colour_name(ground)})"
            yield Finding("colours-alike", "warn", (inside.x, inside.y), apart, wanted, colour, what=what)
    if (apart := difference(material.colour, ground)) < wanted:
        what = f"Mask ({colour_name(material.colour)}) and ground ({colour_name(ground)})"
        yield Finding("mask-alike", "note", (0.0, 0.0), apart, wanted, material.name, what=what)
