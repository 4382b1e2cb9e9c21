"""Does the design lie well on its blank? Edges, margins, heights of letters."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import replace

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.artwork.compose import Composition, PlacedElement, is_fixed
from dunestead.core.artwork.elements import Element, Frame, Words
from dunestead.core.artwork.finding import Finding, FindingKind, Severity, least_for, severity_under
from dunestead.core.blanks.blank import within_margin
from dunestead.core.blanks.clear import ClearArea, clear_name, region_of
from dunestead.core.figures import Figure

__all__ = [
    "CLEAR_FIELD",
    "CLEAR_NEAR",
    "CLEAR_PAINTED",
    "LETTER_LOW",
    "OFF_BLANK",
    "OFF_MARGIN",
    "field_findings",
    "layout_findings",
    "least_letter",
    "name_of",
]

_SAME = 0.05
_LONGEST_NAME = 18
OFF_BLANK = FindingKind(
    "off-blank",
    "artwork",
    lambda f, measured, *_: f"{f.what} runs {measured} off the blank and is trimmed at its edge.",
)
OFF_MARGIN = FindingKind(
    "off-margin",
    "artwork",
    lambda f, measured, limit, _: f"{f.what} comes within {measured} of the edge; a margin of {limit} looks right.",
)
CLEAR_PAINTED = FindingKind(
    "clear-painted",
    "artwork",
    lambda f, measured, *_: (
        f"{f.what} reaches {measured} over {f.subject}, where nothing can be painted. Move it, or make it smaller."
    ),
)
CLEAR_NEAR = FindingKind(
    "clear-near",
    "artwork",
    lambda f, measured, limit, _: (
        f"{f.what} comes within {measured} of {f.subject}; leave at least {limit} of mask between them."
    ),
)
CLEAR_FIELD = FindingKind(
    "clear-field",
    "artwork",
    lambda f, *_: f"Around a reverse mask all of the blank is painted, {f.subject} too. Cover it before you paint.",
)
COPIES_FEWER = FindingKind(
    "copies-fewer",
    "artwork",
    lambda f, *_: (
        f"{f.what} was asked for {int(f.limit)} times; {int(f.measured)} of them lie on the blank, "
        "there is no room for the others."
    ),
)
LETTER_LOW = FindingKind(
    "letter-low",
    "artwork",
    lambda f, measured, limit, _: f"The letter “{f.what}” is {measured} high; {least_for(f)} {limit} to be readable.",
    is_fine=True,
)


def name_of(element: Element) -> str:
    """Return what a maker calls an element."""
    if isinstance(element, Words):
        text = " ".join(element.setting.text.split())
        return f"“{text if len(text) <= _LONGEST_NAME else text[: _LONGEST_NAME - 1] + '…'}”"
    if isinstance(element, Frame):
        return "The frame"
    return element.file_name.rsplit(".", 1)[0] or "The artwork"


def layout_findings(
    composition: Composition,
    margin: float,
    letter: Figure,
    surface: str,
    clear: Sequence[ClearArea] = (),
    web: float = 0.0,
) -> list[Finding]:
    """Return what stands against how a design lies on its blank.

    Parameters
    ----------
    composition
        The design in its place.
    margin
        What looks right to the blank's edge, mm.
    letter
        Least height of a letter.
    surface
        What sets it, by name.
    clear, web
        What is kept clear of the blank, and the least mask between that and the paint, mm.
    """
    return [
        *_edges(composition, margin),
        *_clear(composition, clear, web),
        *_copies(composition),
        *_letters(composition, letter, surface),
    ]


def _clear(composition: Composition, areas: Sequence[ClearArea], web: float) -> Iterator[Finding]:
    """Yield where parts of the design lie on what is kept clear, or so near that no mask holds between."""
    on_blank = [(one, shapely.intersection(one.region, composition.outline)) for one in composition.placed if areas]
    for area, region in zip(areas, region_of(areas), strict=True):
        for placed, painted in on_blank:
            shared = shapely.intersection(painted, region)
            if shared.area > 0:
                x0, y0, x1, y1 = shared.bounds
                at, kind, measured = shared.representative_point().coords[0], CLEAR_PAINTED, min(x1 - x0, y1 - y0)
            elif (measured := float(shapely.distance(painted, region))) < web - _SAME:
                at, kind = shapely.get_coordinates(shapely.shortest_line(painted, region))[0], CLEAR_NEAR
            else:
                continue
            severity: Severity = "stop" if kind is CLEAR_PAINTED else "warn"
            found = _finding(kind, severity, composition, (at[0], at[1]), measured, web, placed)
            yield replace(found, subject=clear_name(area))


def field_findings(composition: Composition, areas: Sequence[ClearArea]) -> list[Finding]:
    """Return what of the blank is kept clear and yet painted around a reverse mask, unless it is covered."""
    ox, oy = composition.origin
    return [
        Finding(CLEAR_FIELD, "warn", (area.x - ox, area.y - oy), 0.0, 0.0, clear_name(area))
        for area in areas
        if area.timing != "after"
    ]


def _copies(composition: Composition) -> Iterator[Finding]:
    """Yield where fewer copies lie on the blank than were asked for."""
    for placed in composition.placed:
        if placed.laid < placed.asked:
            x, y = np.array(placed.corners).mean(axis=0)
            yield _finding(COPIES_FEWER, "note", composition, (x, y), float(placed.laid), float(placed.asked), placed)


def _edges(composition: Composition, margin: float) -> Iterator[Finding]:
    outline = composition.outline
    inner = within_margin(outline, margin)
    for placed in composition.placed:
        element = placed.element
        # Frames and scattered copies keep to the blank by themselves.
        if element.runs_off or is_fixed(element):
            continue
        region = placed.region
        x0, y0, x1, y1 = region.bounds
        if not inner.is_empty and inner.covers(shapely.box(x0, y0, x1, y1)):
            continue
        off, at = _farthest_off(region, outline)
        if off > _SAME:
            yield _finding(OFF_BLANK, "stop", composition, at, off, 0.0, placed)
        elif (near := float(shapely.distance(region, outline.exterior))) < margin - _SAME:
            nearest = shapely.get_coordinates(shapely.shortest_line(region, outline.exterior))[0]
            yield _finding(OFF_MARGIN, "warn", composition, (nearest[0], nearest[1]), near, margin, placed)


def _farthest_off(region: BaseGeometry, outline: shapely.Polygon) -> tuple[float, tuple[float, float]]:
    """Return how far a region reaches off the blank, and where most."""
    off = shapely.difference(region, outline)
    if off.is_empty:
        return 0.0, (0.0, 0.0)
    points = shapely.get_coordinates(off)
    away = np.asarray(shapely.distance(shapely.points(points), outline))
    k = int(np.argmax(away))
    return float(away[k]), (float(points[k, 0]), float(points[k, 1]))


def _finding(
    kind: FindingKind,
    severity: Severity,
    composition: Composition,
    at: tuple[float, float],
    measured: float,
    limit: float,
    placed: PlacedElement,
) -> Finding:
    ox, oy = composition.origin
    return Finding(
        kind,
        severity,
        (float(at[0]) - ox, float(at[1]) - oy),
        measured,
        limit,
        "the blank",
        element=placed.element.id,
        what=name_of(placed.element),
    )


def least_letter(composition: Composition) -> tuple[PlacedElement, int] | None:
    """Return the words with the lowest letter, and the letter's place among them; None without letters."""
    lowest: tuple[PlacedElement, int] | None = None
    height = math.inf
    for placed in composition.placed:
        for k, letter in enumerate(placed.letters):
            if letter.height < height:
                lowest, height = (placed, k), letter.height
    return lowest


def _letters(composition: Composition, limit: Figure, surface: str) -> Iterator[Finding]:
    """Yield one finding for each words element whose lowest letter is too low."""
    for placed in composition.placed:
        if not placed.letters:
            continue
        lowest = min(placed.letters, key=lambda letter: letter.height)
        if lowest.height >= limit.value * (1 - 1e-6):
            continue
        ox, oy = composition.origin
        x, y = place_of_letter(placed, placed.letters.index(lowest))
        yield Finding(
            LETTER_LOW,
            severity_under(lowest.height, limit),
            (x - ox, y - oy),
            lowest.height,
            limit.value,
            surface,
            element=placed.element.id,
            what=lowest.character,
            more=sum(letter.height < limit.value * (1 - 1e-6) for letter in placed.letters) - 1,
        )


def place_of_letter(placed: PlacedElement, index: int) -> tuple[float, float]:
    """Return the middle of a letter on the blank."""
    natural = placed.size[0] - placed.element.embolden
    x, y = placed.to_blank.apply(np.array(placed.letters[index].middle) / natural)
    return float(x), float(y)
