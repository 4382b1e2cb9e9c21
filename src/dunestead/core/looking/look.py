"""What a job's design looks like on its blank, and what stands against it: all that a change of it shows at once."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace

import shapely

from dunestead.core.artwork.compose import Composition, compose, drawing_of
from dunestead.core.artwork.drawing import Drawing
from dunestead.core.artwork.elements import Drawn, Traced
from dunestead.core.artwork.finding import Finding
from dunestead.core.artwork.layout import field_findings, layout_findings
from dunestead.core.artwork.painted import Painted
from dunestead.core.artwork.parts import check_edits
from dunestead.core.artwork.sources import Sources
from dunestead.core.blanks.garments import Placement, placement_of
from dunestead.core.checkpoints import tell
from dunestead.core.figures import Catalogue
from dunestead.core.job.checks import check_job
from dunestead.core.job.choices import Choices, choices_of
from dunestead.core.job.ground import base_of, blank_outline, ground_colour, margin_of
from dunestead.core.job.job import Job, altered
from dunestead.core.looking.masks import LaidMask, lay_masks
from dunestead.core.mask.findings import CONTACT, STROKE_THIN, WEB_THIN, Fitness, merged
from dunestead.core.mask.loose import LoosePiece
from dunestead.core.painting.colours import base_findings, colour_findings, gap_wanted

__all__ = ["Look", "look_at"]

_THIN = (STROKE_THIN, WEB_THIN)
_TOUCHING = 0.05


@dataclass(frozen=True, slots=True)
class Look:
    """A design on its blank with its mask, its loose pieces numbered, and all that was found.

    Attributes
    ----------
    job
        With its roll brought up to date.
    composition
        The design as it is painted once fates are decided.
    masks
        One for all colours, or one each in the order they are laid.
    aligned
        Whether masks are laid with their edges on the blank's.
    findings
        The layout's, the widths', the colours'; places from the top left of the painted box.
    margin
        What looks right to the blank's edge, mm.
    placement
        Where a garment wants the design, None for other blanks.
    drawings
        Of the elements that have parts to choose, by their numbers.
    """

    job: Job
    choices: Choices
    composition: Composition
    masks: tuple[LaidMask, ...]
    aligned: bool
    findings: tuple[Finding, ...]
    margin: float
    placement: Placement | None
    drawings: Mapping[int, Drawing]

    @property
    def painted(self) -> Painted:
        """What is painted, its own origin at the top left of its box."""
        return self.composition.painted

    @property
    def fitness(self) -> Fitness:
        """How the design fits surface and material, over all masks."""
        return merged([laid.fitness for laid in self.masks])

    @property
    def found(self) -> tuple[LoosePiece, ...]:
        """Every loose piece of the design as drawn, those left out or dropped included, by number."""
        return _by_number(piece for laid in self.masks for piece in laid.found.loose)

    @property
    def loose(self) -> tuple[LoosePiece, ...]:
        """Every loose piece there is once fates are decided, by number."""
        return _by_number(piece for laid in self.masks for piece in laid.mask.loose)

    @property
    def gone(self) -> tuple[int, ...]:
        """Numbers of pieces that were met once and are no more."""
        here = {piece.number for piece in self.found}
        return tuple(entry.number for entry in self.job.mask.roll if entry.number not in here)

    def least_sides(self) -> dict[int, float]:
        """Return the least side of every loose piece by its number, mm."""
        return {
            piece.number: side
            for laid in self.masks
            for piece, side in zip(laid.mask.loose, laid.fitness.parts, strict=True)
        }


def look_at(job: Job, sources: Sources, catalogue: Catalogue) -> Look:
    """Return what a job's design looks like, and what stands against it.

    Raises
    ------
    BadInput
        When an entry of the job cannot be reckoned with.
    """
    check_job(job, catalogue)
    drawings = _drawings(job, sources)
    choices = choices_of(job, catalogue)
    surface, material = choices.surface, choices.material
    composition = compose(job.elements, blank_outline(job.piece, sources), sources)
    margin = margin_of(job.piece, catalogue)
    laid = lay_masks(job, composition, choices, catalogue)
    composition, painted = laid.composition, laid.composition.painted
    tell("Holding colours against each other")
    gap = gap_wanted(choices.paint.technique, catalogue.workshop, dauber=job.paint.dauber)
    letter = catalogue.figures["surface", job.blank.surface, "letter"]
    apart = job.paint.covered or job.mask.reverse or len(laid.masks) > 1
    findings = (
        *layout_findings(composition, margin, letter, surface.name, job.piece.clear, surface.web),
        *(field_findings(composition, job.piece.clear) if job.mask.reverse else ()),
        *_not_meant(job, _not_at_the_trim(composition, merged([mask.fitness for mask in laid.masks]).findings)),
        *base_findings(needed=job.mask.reverse and base_of(job) is None),
        *colour_findings(_seen(job, painted), ground_colour(job), material, catalogue.workshop, gap, apart=apart),
    )
    placement = placement_of(job.piece, catalogue)
    job = altered(job, roll=laid.roll)
    return Look(job, choices, composition, laid.masks, laid.aligned, findings, margin, placement, drawings)


def _seen(job: Job, painted: Painted) -> Painted:
    """Return what is seen in which colour: through a reverse mask the field, against the base coat."""
    if not job.mask.reverse:
        return painted
    return replace(painted, colours={job.mask.field_colour: painted.region})


def _by_number(pieces: Iterable[LoosePiece]) -> tuple[LoosePiece, ...]:
    return tuple(sorted(pieces, key=lambda piece: piece.number))


def _not_meant(job: Job, findings: Iterable[Finding]) -> list[Finding]:
    """Leave out shapes that touch in no more places than the maker has said they may."""
    found = list(findings)
    touching = sum(1 + finding.more for finding in found if finding.kind is CONTACT)
    return [one for one in found if one.kind is not CONTACT or touching > job.design.contacts_meant]


def _not_at_the_trim(composition: Composition, findings: Sequence[Finding]) -> list[Finding]:
    """Leave out thin places that are only thin because the blank ends there: their disc touches what was trimmed."""
    if composition.overhang.is_empty:
        return list(findings)
    ox, oy = composition.origin
    return [
        finding
        for finding in findings
        if finding.kind not in _THIN
        or not composition.overhang.dwithin(
            shapely.Point(finding.at[0] + ox, finding.at[1] + oy), finding.measured / 2 + _TOUCHING
        )
    ]


def _drawings(job: Job, sources: Sources) -> dict[int, Drawing]:
    """Return the drawings of elements that have parts, their edits checked."""
    drawings = {}
    for element in job.elements:
        if isinstance(element, Drawn | Traced) and (drawing := drawing_of(element, sources)):
            check_edits(drawing, element.edits)
            drawings[element.id] = drawing
    return drawings
