"""Can these colours be painted side by side, and will they show?"""

from collections.abc import Iterator, Mapping

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.artwork.finding import Finding, FindingKind, Severity
from dunestead.core.artwork.painted import Painted
from dunestead.core.colours import colour_name, difference
from dunestead.core.figures import Material, Technique

__all__ = [
    "BASE_MISSING",
    "COLOURS_ALIKE",
    "COLOUR_GAP",
    "MASK_ALIKE",
    "PAINT_LIKE_MASK",
    "base_findings",
    "colour_findings",
    "gap_wanted",
]
BASE_MISSING = FindingKind(
    "base-missing",
    "blank",
    lambda f, *_: f"With {f.subject} the bare blank is the design. For another colour inside, add a base coat first.",
    has_place=False,
)
COLOUR_GAP = FindingKind(
    "colour-gap",
    "artwork",
    lambda f, measured, limit, _: (
        f"Only {measured} between {f.what}; painting {f.subject} through one mask needs {limit}."
    ),
)
COLOURS_ALIKE = FindingKind(
    "colours-alike",
    "artwork",
    lambda f, *_: f"{f.what} look almost the same: they differ by {f.measured:.0f}, and {f.limit:.0f} is easy to see.",
)
PAINT_LIKE_MASK = FindingKind(
    "paint-like-mask",
    "mask",
    lambda f, *_: (
        f"{f.what} look almost the same, so you cannot see where the paint is while you paint and peel. "
        f"They differ by {f.measured:.0f}, and {f.limit:.0f} is easy to see. Use another mask, or look from the side."
    ),
)
MASK_ALIKE = FindingKind(
    "mask-alike",
    "mask",
    lambda f, *_: (
        f"{f.what} look almost the same, which makes weeding and placing hard to see: "
        f"they differ by {f.measured:.0f}, and {f.limit:.0f} is easy to see."
    ),
    has_place=False,
)

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
    """Say what shows under a reverse mask where there is no base coat: the bare ground, which may be what is wanted."""
    return [Finding(BASE_MISSING, "note", (0.0, 0.0), 0.0, 0.0, "a reverse mask")] if needed else []


def _gaps(painted: Painted, gap: tuple[float, str]) -> Iterator[Finding]:
    """Yield where colours lie too close: for every two groups of shades that go by one name, the closest place."""
    wanted, way = gap
    colours, regions = list(painted.colours), np.array(list(painted.colours.values()), dtype=object)
    if len(colours) < 2 or wanted <= 0:
        return
    tree = shapely.STRtree(regions)
    touching = set(_pairs(tree.query(regions, "intersects")))
    close: dict[tuple[str, str], list[tuple[int, int]]] = {}
    for pair in _pairs(tree.query(regions, "dwithin", wanted - 1e-6)):
        one, other = sorted(colour_name(colours[k]) for k in pair)
        close.setdefault((one, other), []).append(pair)
    for (one, other), pairs in close.items():
        # Where some touch, there is no need to measure the others.
        tried = [pair for pair in pairs if pair in touching][:1] or pairs
        first, second = regions[np.array(tried).T]
        between = shapely.shortest_line(first, second)
        line = between[int(np.argmin(shapely.length(between)))]
        x, y = shapely.get_coordinates(line).mean(axis=0)
        what = f"{one} and {other}" if one != other else f"two shades of {one}"
        apart = float(line.length)
        yield Finding(COLOUR_GAP, "warn", (float(x), float(y)), apart, wanted, way, what=what, more=len(pairs) - 1)


def _pairs(found: npt.NDArray[np.intp]) -> list[tuple[int, int]]:
    """Return each pair of what an index found once, in order."""
    return sorted((i, j) for i, j in found.T.tolist() if i < j)


def _alike(painted: Painted, ground: str, material: Material, wanted: float) -> Iterator[Finding]:
    """Yield what the eye must tell apart and cannot: paint on the ground; mask on it, laid; paint on the mask, wet."""
    yield from _like(painted, COLOURS_ALIKE, "warn", (ground, "ground"), wanted)
    yield from _like(painted, PAINT_LIKE_MASK, "note", (material.colour, "mask"), wanted)
    if (apart := difference(material.colour, ground)) < wanted:
        what = f"Mask ({colour_name(material.colour)}) and ground ({colour_name(ground)})"
        yield Finding(MASK_ALIKE, "note", (0.0, 0.0), apart, wanted, material.name, what=what)


def _like(
    painted: Painted, kind: FindingKind, severity: Severity, against: tuple[str, str], wanted: float
) -> Iterator[Finding]:
    """Yield paints that hardly show against a colour, those of one name together."""
    colour, name = against
    groups: dict[str, list[tuple[float, str]]] = {}
    for paint in painted.colours:
        if (apart := difference(paint, colour)) < wanted:
            groups.setdefault(colour_name(paint), []).append((apart, paint))
    for shade, paints in groups.items():
        apart, paint = min(paints)
        inside = shapely.point_on_surface(painted.colours[paint])
        what = f"Paint ({shade}) and {name} ({colour_name(colour)})"
        yield Finding(kind, severity, (inside.x, inside.y), apart, wanted, paint, what=what, more=len(paints) - 1)
