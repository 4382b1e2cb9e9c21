"""The rows of the catalogue that a job picked."""

from dataclasses import dataclass, replace

from dunestead.core.figures import Catalogue, CoverPaper, Cutter, Material, Paint, Press, Surface
from dunestead.core.job.job import Job, colouring
from dunestead.core.mask.bridge_rules import BridgeRules, usual_width

__all__ = ["Choices", "bridge_rules", "choices_of"]


@dataclass(frozen=True, slots=True)
class Choices:
    """The rows of the catalogue that a job picked; the surface with the blank's own heat limit."""

    surface: Surface
    material: Material
    paint: Paint
    cutter: Cutter
    press: Press
    cover_paper: CoverPaper


def choices_of(job: Job, catalogue: Catalogue) -> Choices:
    """Return the rows a job picked.

    Raises
    ------
    UnknownKey
        When it names one that stands in no table.
    """
    surface = catalogue.surface(job.blank.surface)
    limit = job.piece.heat
    if limit is None and surface.has_back and job.piece.back == "rubber":
        limit = catalogue.workshop["rubber_heat"]
    if limit is not None and surface.heat is not None:
        surface = replace(surface, heat=min(limit, surface.heat))
    return Choices(
        surface,
        catalogue.material(job.mask.material),
        catalogue.paint(colouring(job).paint),
        _cutter(job, catalogue),
        catalogue.press(job.tack.press),
        catalogue.cover(job.tack.cover_paper),
    )


def _cutter(job: Job, catalogue: Catalogue) -> Cutter:
    """Return the cutter; a method of the hand is done with a knife, whatever stands in the workshop."""
    cutter = catalogue.cutter(job.sheets.cutter)
    if job.mask.method is None or not catalogue.method(job.mask.method).by_hand or cutter.feeds == "hand":
        return cutter
    return next(one for one in catalogue.cutters.values() if one.feeds == "hand")


def bridge_rules(job: Job, catalogue: Catalogue) -> BridgeRules:
    """Return how a job's bridges are planned."""
    figures = catalogue.workshop
    return BridgeRules(
        job.mask.bridge_width
        or usual_width(catalogue.surface(job.blank.surface), catalogue.material(job.mask.material)),
        job.mask.bridge_style,
        job.mask.bridges_per_piece,
        figures["bridge_one_below"],
        figures["bridge_every"],
    )
