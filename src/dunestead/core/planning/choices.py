"""The rows of the catalogue that a job picked."""

from dataclasses import dataclass, replace

from dunestead.core.figures import Catalogue, Cutter, Material, Paint, Press, Surface
from dunestead.core.mask.bridge_rules import BridgeRules, usual_width
from dunestead.core.planning.job import Job

__all__ = ["Choices", "bridge_rules", "choices_of"]


@dataclass(frozen=True, slots=True)
class Choices:
    """The rows of the catalogue that a job picked; the surface with the blank's own heat limit."""

    surface: Surface
    material: Material
    paint: Paint
    cutter: Cutter
    press: Press


def choices_of(job: Job, catalogue: Catalogue) -> Choices:
    """Return the rows a job picked.

    Raises
    ------
    UnknownKey
        When it names one that stands in no table.
    """
    surface = catalogue.surface(job.surface)
    if job.blank.heat is not None and surface.heat is not None:
        surface = replace(surface, heat=min(job.blank.heat, surface.heat))
    return Choices(
        surface,
        catalogue.material(job.material),
        catalogue.paint(job.paint),
        catalogue.cutter(job.cutter),
        catalogue.press(job.press),
    )


def bridge_rules(job: Job, catalogue: Catalogue) -> BridgeRules:
    """Return how a job's bridges are planned."""
    figures = catalogue.workshop
    return BridgeRules(
        job.bridge_width or usual_width(catalogue.surface(job.surface), catalogue.material(job.material)),
        job.bridge_style,
        job.bridges_per_piece,
        figures["bridge_one_below"],
        figures["bridge_every"],
    )
