"""What is a design painted on? Its blank's outline and margins, and the colour it is seen against."""

import shapely

from dunestead.core.artwork.painted import paint
from dunestead.core.artwork.sources import Sources
from dunestead.core.blanks.blank import Blank, outline_of
from dunestead.core.figures import Catalogue
from dunestead.core.job.job import Job
from dunestead.core.painting.coatings import Coating

__all__ = ["base_of", "blank_outline", "ground_colour", "margin_of"]

_LOOKED_AT_MM = 400.0


def blank_outline(blank: Blank, sources: Sources) -> shapely.Polygon:
    """Return the outline within which a blank may be painted."""
    drawn = paint(sources.drawing(blank.outline), _LOOKED_AT_MM).region if blank.outline else None
    return outline_of(blank, drawn)


def margin_of(blank: Blank, catalogue: Catalogue) -> float:
    """Return what looks right between a design and the edge, mm."""
    return blank.size[0] * catalogue.workshop["margin_share"]


def base_of(job: Job) -> Coating | None:
    """Return the last base coating a design is painted on, None without one; behind glass there is none."""
    if job.blank.is_seen_through:
        return None
    return next((one for one in reversed(job.paint.coatings) if one.role == "base"), None)


def ground_colour(job: Job) -> str:
    """Return the colour that paint is seen against: the base's where there is one with a colour."""
    base = base_of(job)
    return (base.colour if base else None) or job.piece.colour
