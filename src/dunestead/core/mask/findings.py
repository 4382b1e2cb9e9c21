"""Will it work at this size, on this surface, in this material? Findings with measure, limit and place."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.artwork.finding import Finding, FindingKind, Sentence, least_for, over_run, severity_under
from dunestead.core.artwork.painted import Painted
from dunestead.core.figures import Catalogue, Figure, Material, Surface
from dunestead.core.mask.axis import AxisSide, Widths, measure_widths
from dunestead.core.mask.loose import LoosePiece, Mask
from dunestead.core.units import several

__all__ = [
    "CONTACT",
    "MANY_PIECES",
    "MOST_FINDINGS",
    "MUST_BRIDGE",
    "PART_SMALL",
    "STROKE_THIN",
    "SUMMED",
    "WEB_THIN",
    "Fitness",
    "Kind",
    "Least",
    "Limits",
    "judge",
    "limits_for",
    "merged",
    "widths_of",
]

# So many places are listed one by one; of more the worst few, and how many there are.
MOST_FINDINGS, SUMMED = 24, 3
Kind = Literal["stroke", "web", "part"]


def _thin_sentence(what: str) -> Sentence:
    return lambda f, measured, limit, unit: f"{what} is {measured}{over_run(f, unit)} wide; {least_for(f)} {limit}."


STROKE_THIN = FindingKind("stroke-thin", "artwork", _thin_sentence("The painted stroke"), is_fine=True)
WEB_THIN = FindingKind("web-thin", "artwork", _thin_sentence("The mask between two windows"), is_fine=True)
CONTACT = FindingKind(
    "contact",
    "artwork",
    lambda *_: (
        "Two shapes touch here without overlapping: they will tear apart or run together. "
        "Let them overlap, or set them apart."
    ),
)
PART_SMALL = FindingKind(
    "part-small",
    "mask",
    lambda f, measured, limit, _: (
        f"Loose piece {f.piece} is {measured} at its narrowest; {least_for(f)} {limit}. Bridge it or leave it out."
    ),
    of_kept=True,
)
MUST_BRIDGE = FindingKind(
    "must-bridge",
    "mask",
    lambda f, *_: (
        f"{several(int(f.measured), 'piece')} still loose. A mask that is used again needs all of them bridged."
    ),
)
MANY_PIECES = FindingKind(
    "many-pieces",
    "mask",
    lambda f, *_: (
        f"{int(f.measured)} loose pieces to place by hand; more than {int(f.limit)} take a lot of patience. "
        "Think about bridging some."
    ),
)


@dataclass(frozen=True, slots=True)
class Least:
    """The least width of a kind: mm, and where, from the top left of the painted box."""

    width: float
    at: tuple[float, float]


@dataclass(frozen=True, slots=True)
class Fitness:
    """How a design fits surface and material at its size.

    Attributes
    ----------
    stroke, web, part
        The least of each kind; None where there is nothing of it.
    needs
        By kind, how many times larger the design must be for it to hold.
    parts
        Least side of each loose piece, in order of the mask's pieces.
    """

    findings: tuple[Finding, ...]
    stroke: Least | None
    web: Least | None
    part: Least | None
    needs: Mapping[Kind, float]
    parts: tuple[float, ...]

    @property
    def limited_by(self) -> Kind | None:
        """Which kind asks for the largest design; None when nothing does."""
        return max(self.needs, key=lambda kind: self.needs[kind], default=None)

    @property
    def growth(self) -> float:
        """How many times larger the design must be for all to hold; 0 when nothing limits it."""
        return max(self.needs.values(), default=0.0)

    def least(self, kind: Kind) -> Least | None:
        """Return the least width of a kind."""
        return {"stroke": self.stroke, "web": self.web, "part": self.part}[kind]


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
    kept: tuple[int, ...] | None = None,
) -> Fitness:
    """Return what stands against cutting this design for this surface from this material.

    Parameters
    ----------
    painted, mask
        The design and its mask.
    surface, material, limits
        What they are held against.
    kept
        Numbers of the loose pieces that stay loose; None for all.
    """
    loose = {piece.number for piece in mask.loose} if kept is None else set(kept)
    widths = widths_of(painted, mask)
    findings = [
        *_thin(widths.strokes, limits.stroke, STROKE_THIN, surface.name),
        *_thin(widths.webs, limits.web, WEB_THIN, surface.name),
        *_contacts(widths, surface.name),
        *_small_parts(mask, widths, limits.part, material.name, loose),
        *_too_many([piece for piece in mask.loose if piece.number in loose], material, limits.most_pieces),
    ]
    stroke, web, part = _least(widths.strokes), _least(widths.webs), _least_part(mask, widths)
    wanted: dict[Kind, float | None] = {"stroke": surface.stroke, "web": surface.web, "part": material.least_part}
    least: dict[Kind, Least | None] = {"stroke": stroke, "web": web, "part": part}
    needs = {
        kind: limit / found.width for kind, limit in wanted.items() if limit and (found := least[kind]) is not None
    }
    return Fitness(tuple(findings), stroke, web, part, needs, widths.parts)


@lru_cache(maxsize=32)
def widths_of(painted: Painted, mask: Mask) -> Widths:
    """Return the widths of what is painted and of its mask; of a reverse mask the shapes are the mask."""
    if not mask.frame.is_empty:
        return measure_widths(painted, mask.loose)
    shapes = shapely.STRtree(list(painted.region.geoms))
    anchors = shapely.points(np.array([piece.anchor for piece in mask.loose]))
    order = [int(k) for k in np.atleast_1d(shapes.nearest(anchors))]
    return measure_widths(painted, ()).reversed(order)


def merged(parts: Sequence[Fitness]) -> Fitness:
    """Return how several masks of one design fit together: the least of each kind, and all findings."""
    if len(parts) == 1:
        return parts[0]

    def least(kind: Kind) -> Least | None:
        return min((one for part in parts if (one := part.least(kind))), key=lambda one: one.width, default=None)

    kinds = dict.fromkeys(kind for part in parts for kind in part.needs)
    needs = {kind: max(part.needs.get(kind, 0.0) for part in parts) for kind in kinds}
    findings = tuple(finding for part in parts for finding in part.findings)
    return Fitness(
        findings,
        least("stroke"),
        least("web"),
        least("part"),
        needs,
        tuple(side for part in parts for side in part.parts),
    )


def _least(side: AxisSide) -> Least | None:
    found = side.least()
    return Least(*found) if found else None


def _least_part(mask: Mask, widths: Widths) -> Least | None:
    if not widths.parts:
        return None
    k = int(np.argmin(widths.parts))
    return Least(widths.parts[k], mask.loose[k].anchor)


def _thin(side: AxisSide, limit: Figure, kind: FindingKind, subject: str) -> Iterator[Finding]:
    """Yield a finding for each stretch of axis under the limit, the narrowest first; very many are summed."""
    stretches = side.stretches_under(limit.value * (1 - 1e-6))
    shown = MOST_FINDINGS if len(stretches) <= MOST_FINDINGS else SUMMED
    lengths = _lengths(side)
    for k, stretch in enumerate(stretches[:shown]):
        i = int(stretch[0])
        width = float(side.diameter[i])
        yield Finding(
            kind,
            severity_under(width, limit),
            (float(side.at[i, 0]), float(side.at[i, 1])),
            width,
            limit.value,
            subject,
            run=float(lengths[stretch].sum()),
            more=max(len(stretches) - shown, 0) if k == 0 else 0,
        )


def _lengths(side: AxisSide) -> npt.NDArray[np.float64]:
    """Return for each point of an axis how much of its length is the point's: half of each link it has."""
    length = np.zeros(len(side.diameter))
    steps = np.linalg.norm(side.at[side.links[:, 0]] - side.at[side.links[:, 1]], axis=1) / 2
    for end in (0, 1):
        np.add.at(length, side.links[:, end], steps)
    return length


def _contacts(widths: Widths, subject: str) -> Iterator[Finding]:
    """Yield one finding for all places where shapes touch, at the first of them."""
    places = widths.contacts
    if len(places):
        at = places[np.lexsort((places[:, 0], places[:, 1]))[0]]
        yield Finding(CONTACT, "warn", (float(at[0]), float(at[1])), 0.0, 0.0, subject, more=len(places) - 1)


def _small_parts(mask: Mask, widths: Widths, limit: Figure | None, subject: str, loose: set[int]) -> Iterator[Finding]:
    for piece, width in zip(mask.loose, widths.parts, strict=True):
        if limit and piece.number in loose and width < limit.value * (1 - 1e-6):
            yield Finding(
                PART_SMALL,
                severity_under(width, limit),
                piece.centroid,
                width,
                limit.value,
                subject,
                piece=piece.number,
            )


def _too_many(loose: Sequence[LoosePiece], material: Material, most: int) -> Iterator[Finding]:
    count = len(loose)
    if not count:
        return
    first = loose[0].centroid
    if material.least_part is None:
        yield Finding(MUST_BRIDGE, "warn", first, float(count), 0.0, material.name)
    elif count > most:
        yield Finding(MANY_PIECES, "warn", first, float(count), float(most), material.name)
