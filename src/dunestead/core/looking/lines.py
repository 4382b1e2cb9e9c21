"""A design in the lines and parts that are masked one after the other, so that none disturbs the one before."""

from collections.abc import Sequence

import numpy as np
import shapely

from dunestead.core.artwork.compose import Composition, PlacedElement
from dunestead.core.artwork.elements import Words
from dunestead.core.artwork.layout import place_of_letter
from dunestead.core.artwork.painted import Painted, unite

__all__ = ["line_of", "lines_of"]


def lines_of(composition: Composition) -> list[shapely.MultiPolygon]:
    """Return what each line of words and each other part paints, on the blank, from the top down."""
    found = [region for placed in composition.placed for region in _lines_in(placed)]
    return sorted((region for region in found if not region.is_empty), key=lambda region: region.bounds[1])


def _lines_in(placed: PlacedElement) -> list[shapely.MultiPolygon]:
    parts = shapely.get_parts(placed.region)
    if not isinstance(placed.element, Words) or placed.copies > 1 or not placed.letters or not len(parts):
        return [unite(list(parts))]
    text = placed.element.setting.text
    line = np.array([text.count("\n", 0, letter.index) for letter in placed.letters])
    places = shapely.points([place_of_letter(placed, k) for k in range(len(placed.letters))])
    nearest = shapely.STRtree(places).nearest(parts)
    return [unite(list(parts[line[nearest] == one])) for one in np.unique(line[nearest])]


def line_of(painted: Painted, lines: Sequence[shapely.MultiPolygon], index: int, label: str) -> Painted:
    """Return what is painted in one of the lines: of all that is painted, the parts that lie in it most.

    Parameters
    ----------
    painted, lines
        The whole, and the lines, in the same coordinates.
    index, label
        Which line, from 0, and what it is called.
    """
    tree = shapely.STRtree(lines)
    colours = {}
    for colour, region in painted.colours.items():
        parts = shapely.get_parts(region)
        part, line = tree.query(parts, predicate="intersects")
        shared = shapely.area(shapely.intersection(parts[part], np.array(lines, dtype=object)[line]))
        best = np.full(len(parts), -1)
        for k in np.argsort(shared):
            best[part[k]] = line[k]
        own = list(parts[best == index])
        if own:
            colours[colour] = unite(own)
    whole = unite(list(colours.values())) if colours else shapely.MultiPolygon()
    form = f"{painted.shape_key}/{label}" if painted.shape_key else None
    return Painted(f"{painted.key}/{label}", whole, colours, painted.to_mm, painted.scale, form)
