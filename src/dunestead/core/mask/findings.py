"""Will it work at this size, on this surface, in this material? Findings with measure, limit and place."""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

import numpy as np

from dunestead.core.artwork.painted import Painted
from dunestead.core.figures import Catalogue, Figure, Material, Surface
from dunestead.core.geometry.groups import group_labels
from dunestead.core.mask.axis import AxisSide, Widths, measure_widths
from dunestead.core.mask.loose import Mask
from dunestead.core.units import show_length

__all__ = ["Finding", "Fitness", "Limits", "Severity", "judge", "limits_for"]

Severity = Literal["stop", "warn", "note"]
_MOST_FINDINGS = 60
_THIN = {"stroke-thin": "The painted stroke", "web-thin": "The mask between two windows"}
_COUNTED = {
    "must-bridge": "Loose pieces: {count}. A mask that is used again needs every one bridged.",
    "many-pieces": "{count} loose pieces are more than the {most} one places by hand with patience. Bridge some.",
}


@dataclass(frozen=True, slots=True)
class Finding:
    """One thing to know before cutting.

    Attributes
    ----------
    code
        ``stroke-thin``, ``web-thin``, ``part-small``, ``must-bridge`` or ``many-pieces``.
    severity
        ``stop`` below the range the surface is known to forgive, ``warn`` below the usual limit.
    at
        Where, mm from the top left of the painted box.
    measured, limit
        mm, or a count for ``many-pieces`` and ``must-bridge``.
    subject
        The surface or material that sets the limit.
    run
        How long a thin stretch is, mm.
    piece
        Number of the loose piece it is about, if any.
    more
        How many more places are like it and not listed.
    """

    code: str
    severity: Severity
    at: tuple[float, float]
    measured: float
    limit: float
    subject: str
    run: float = 0.0
    piece: int | None = None
    more: int = 0

    def message(self, unit: str = "mm") -> str:
        """Say it in a sentence, lengths in the maker's unit."""
        measured, limit = show_length(self.measured, unit), show_length(self.limit, unit)
        if self.code == "part-small":
            return (
                f"Loose piece {self.piece} is {measured} at its narrowest; {self.subject} wants {limit}. "
                "Bridge it or leave it out."
            )
        if self.code in _COUNTED:
            return _COUNTED[self.code].format(count=int(self.measured), most=int(self.limit))
        over = f" over {show_length(self.run, unit)}" if self.run > self.measured else ""
        more = f" {self.more} more places are like it." if self.more else ""
        return f"{_THIN[self.code]} is {measured}{over} wide; {self.subject} wants {limit}.{more}"


@dataclass(frozen=True, slots=True)
class Fitness:
    """How a design fits surface and material at its size.

    Attributes
    ----------
    least_stroke, least_web, least_part
        mm; None where there is nothing of the kind.
    smallest_width
        The width in mm from which all of them hold, and which of them says so
        (``stroke``, ``web``, ``part`` or None when nothing limits).
    parts
        Least side of each loose piece, in order of the mask's pieces.
    """

    findings: tuple[Finding, ...]
    least_stroke: float | None
    least_web: float | None
    least_part: float | None
    smallest_width: float
    limited_by: str | None
    parts: tuple[float, ...]


@dataclass(frozen=True, slots=True)
class Limits:
    """The figures a design is held against; part is None where no piece may be loose."""

    stroke: Figure
    web: Figure
    part: Figure | None
    most_pieces: int


def limits_for(catalogue: Catalogue, surface: str, material: str) -> Limits:
    """Return the figures that hold for a surface and a material.

    Raises
    ------
    UnknownKey
        When there is no such surface or material.
    """
    catalogue.surface(surface), catalogue.material(material)
    figures = catalogue.figures
    return Limits(
        figures["surface", surface, "stroke"],
        figures["surface", surface, "web"],
        figures.get(("material", material, "least_part")),
        int(catalogue.workshop["most_placed_pieces"]),
    )


@lru_cache(maxsize=64)
def judge(
    painted: Painted,
    mask: Mask,
    surface: Surface,
    material: Material,
    limits: Limits,
) -> Fitness:
    """Return what stands against cutting this design for this surface from this material."""
    widths = measure_widths(painted, mask.loose, min(surface.stroke, surface.web))
    small = material.least_part
    findings = [
        *_thin(widths.strokes, limits.stroke, "stroke-thin", surface.name),
        *_thin(widths.webs, limits.web, "web-thin", surface.name),
        *_small_parts(mask, widths, limits.part, material.name),
        *_too_many(mask, material, limits.most_pieces),
    ]
    stroke, web = _least(widths.strokes), _least(widths.webs)
    part = min(widths.parts, default=None)
    needs = {
        "stroke": surface.stroke / stroke if stroke else 0.0,
        "web": surface.web / web if web else 0.0,
        "part": small / part if part and small else 0.0,
    }
    limited_by = max(needs, key=lambda kind: needs[kind])
    smallest = painted.width * needs[limited_by]
    return Fitness(tuple(findings), stroke, web, part, smallest, limited_by if smallest else None, widths.parts)


def _least(side: AxisSide) -> float | None:
    found = side.least()
    return found[0] if found else None


def _thin(side: AxisSide, limit: Figure, code: str, subject: str) -> Iterator[Finding]:
    """Yield a finding for each connected stretch of axis under the limit, the narrowest first."""
    under = side.diameter < limit.value * (1 - 1e-6)
    if not under.any():
        return
    links = side.links[under[side.links].all(axis=1)]
    nodes = len(side.diameter)
    stretch = group_labels(nodes, links)
    length = np.zeros(nodes)
    np.add.at(length, stretch[links[:, 0]], np.linalg.norm(side.at[links[:, 0]] - side.at[links[:, 1]], axis=1))
    order = np.flatnonzero(under)[np.argsort(side.diameter[under], kind="stable")]
    _, first = np.unique(stretch[order], return_index=True)
    worst = order[np.sort(first)]
    for i in worst[:_MOST_FINDINGS]:
        width = float(side.diameter[i])
        yield Finding(
            code,
            "stop" if width < limit.low else "warn",
            (float(side.at[i, 0]), float(side.at[i, 1])),
            width,
            limit.value,
            subject,
            run=float(length[stretch[i]]),
            more=max(len(worst) - _MOST_FINDINGS, 0) if i == worst[:_MOST_FINDINGS][-1] else 0,
        )


def _small_parts(mask: Mask, widths: Widths, limit: Figure | None, subject: str) -> Iterator[Finding]:
    for piece, width in zip(mask.loose, widths.parts, strict=True):
        if limit and width < limit.value * (1 - 1e-6):
            yield Finding(
                "part-small",
                "stop" if width < limit.low else "warn",
                piece.centroid,
                width,
                limit.value,
                subject,
                piece=piece.number,
            )


def _too_many(mask: Mask, material: Material, most: int) -> Iterator[Finding]:
    count = len(mask.loose)
    if not count:
        return
    first = mask.loose[0].centroid
    if material.least_part is None:
        yield Finding("must-bridge", "warn", first, float(count), 0.0, material.name)
    elif count > most:
        yield Finding("many-pieces", "warn", first, float(count), float(most), material.name)
