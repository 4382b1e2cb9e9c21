"""What is proposed for a job before its maker decides: mask material, paint, and what goes under and over it."""

from collections.abc import Iterator
from dataclasses import replace

from dunestead.core.artwork.elements import Element
from dunestead.core.blanks.blank import Blank
from dunestead.core.figures import OUTDOORS, Catalogue, Material, Paint, Surface, Use
from dunestead.core.job.job import BlankEntry, DesignEntry, Job, MaskEntry, PaintEntry, fits
from dunestead.core.painting.coatings import Coating
from dunestead.core.records import Tools

__all__ = ["coatings_for", "materials_for", "on_kit", "paints_for", "start_job", "usual_coatings"]

_GROUND = "#f6f3ea"
_EDGE_SEAL = "matte-medium"


def materials_for(catalogue: Catalogue, surface: Surface) -> list[Material]:
    """Return the materials that work on a surface, the usual choice first."""
    return [material for material in catalogue.materials.values() if fits(material, surface)]


def paints_for(catalogue: Catalogue, surface: Surface, use: Use | None = None) -> list[Paint]:
    """Return the paints that a design is painted with on a surface, the usual choice for that use first."""
    meant = use or surface.use
    usual = _usual_paint(surface, meant)
    fit = [paint for paint in catalogue.paints.values() if "colour" in paint.roles and paint.suits(surface, meant)]
    return sorted(fit, key=lambda paint: paint.key != usual)


def _usual_paint(surface: Surface, use: Use) -> str:
    return (surface.paint_outdoors if use in OUTDOORS else None) or surface.paint


def usual_coatings(
    catalogue: Catalogue,
    surface: Surface,
    material: Material,
    *,
    use: Use | None = None,
    seen_through: bool = False,
) -> tuple[Coating, ...]:
    """Return what usually goes on a surface: its usual paint in the colours of the design, and what that needs.

    A plastic mask on wood or a smooth blank has its edges sealed first; what is seen through the blank has a ground
    behind its colours and a finish over that; some blanks are sealed outdoors.
    """
    return tuple(_coatings(surface, material, paints_for(catalogue, surface, use)[0], use or surface.use, seen_through))


def _coatings(surface: Surface, material: Material, paint: Paint, use: Use, seen_through: bool) -> Iterator[Coating]:
    if material.kind == "plastic" and surface.edge_seal and not seen_through:
        yield Coating("edge-seal", _EDGE_SEAL)
    yield Coating("colour", paint.key)
    if seen_through and surface.see_through:
        yield Coating("ground", paint.key, colour=_GROUND)
        if surface.finish_behind:
            yield Coating("finish", surface.finish_behind)
    elif surface.finish_outdoors and use in OUTDOORS:
        yield Coating("finish", surface.finish_outdoors)
    elif paint.usual_finish:
        yield Coating("finish", paint.usual_finish)


def coatings_for(job: Job, catalogue: Catalogue) -> tuple[Coating, ...]:
    """Return what usually goes on a job's blank, by what has been decided of it so far."""
    return usual_coatings(
        catalogue,
        catalogue.surface(job.blank.surface),
        catalogue.material(job.mask.material),
        use=job.paint.use,
        seen_through=job.blank.is_seen_through,
    )


def on_kit(job: Job, kit: Tools | None, catalogue: Catalogue) -> Job:
    """Return a job planned for the cutter and the plate that the workshop has said it works with."""
    if kit is None:
        return job
    cutter = kit.cutter if kit.cutter and kit.cutter in catalogue.cutters else job.sheets.cutter
    press = kit.press if kit.press and kit.press in catalogue.presses else job.tack.press
    return replace(job, sheets=replace(job.sheets, cutter=cutter), tack=replace(job.tack, press=press))


def start_job(name: str, surface: Surface, catalogue: Catalogue, element: Element, blank: Blank | None = None) -> Job:
    """Return a job with sensible choices made: the usual blank, mask and paint; the design's size is not yet right.

    Parameters
    ----------
    name, surface
        What it is called and made on.
    element
        The first part of the design.
    blank
        The maker's own, None for the surface's usual one.
    """
    width, height = surface.blank
    material = materials_for(catalogue, surface)[0]
    return Job(
        name.strip() or "Unnamed",
        BlankEntry(surface.key, blank or Blank(width, height, colour=surface.colour)),
        DesignEntry((element,), element.id),
        MaskEntry(material.key),
        paint=PaintEntry(usual_coatings(catalogue, surface, material)),
    )
