"""Can a job be reckoned with? If not, which entry is at fault?"""

from dunestead.core.artwork.elements import check_elements
from dunestead.core.blanks.blank import SHAPES, Blank, Garment
from dunestead.core.blanks.clear import MOST_AREAS
from dunestead.core.blanks.garments import check_garment
from dunestead.core.colours import check_colour
from dunestead.core.errors import BadInput, UnknownKey
from dunestead.core.figures import Catalogue
from dunestead.core.job.job import BridgeSpot, Job
from dunestead.core.limits import check_limits
from dunestead.core.mask.bridge_rules import STYLES
from dunestead.core.painting.coatings import check_coating
from dunestead.core.records import check_settings

__all__ = ["check_bridge_width", "check_job"]

_MOST_COATINGS = 24


def check_job(job: Job, catalogue: Catalogue) -> None:
    """Raise when a job cannot be reckoned with, saying which entry is at fault.

    Raises
    ------
    BadInput, BadLength, UnknownKey
        With the value met and the values allowed.
    """
    _check_keys(job, catalogue)
    for entry in (job, job.blank, job.design, job.mask, job.sheets, job.tack, job.paint, job.paint.weather, job.record):
        check_limits(entry)
    _check_blank(job.piece, catalogue)
    if not job.elements:
        raise BadInput("A design needs at least one part.", "Add words or artwork before removing the last part.")
    check_elements(job.elements)
    check_colour(job.mask.field_colour)
    for spot in (spot for spots in job.mask.spots.values() for spot in spots):
        check_limits(spot)
    for choice in job.sheets.patch_choices:
        check_limits(choice)
    if job.sheets.cut:
        check_settings(job.sheets.cut)
    _check_coatings(job, catalogue)


def check_bridge_width(width: float | None) -> None:
    """Raise `BadLength` when a bridge cannot be so wide, mm; None, the usual, passes."""
    check_limits(BridgeSpot(0.0, 0.0, width=width))


def _check_keys(job: Job, catalogue: Catalogue) -> None:
    catalogue.surface(job.blank.surface)
    catalogue.material(job.mask.material)
    catalogue.cutter(job.sheets.cutter)
    catalogue.press(job.tack.press)
    catalogue.cover(job.tack.cover_paper)
    if job.mask.method is not None:
        catalogue.method(job.mask.method)
    if job.mask.bridge_style not in STYLES:
        raise UnknownKey("style of bridges", job.mask.bridge_style, list(STYLES))


def _check_coatings(job: Job, catalogue: Catalogue) -> None:
    if not any(coating.role == "colour" for coating in job.paint.coatings):
        raise BadInput("A job needs a paint for its colours.", "Add a coating with the role colour.")
    if len(job.paint.coatings) > _MOST_COATINGS:
        raise BadInput(f"{len(job.paint.coatings)} coatings are too many for one blank.", "Remove some.")
    for coating in job.paint.coatings:
        check_colour(coating.colour)
        check_coating(coating, catalogue.paint(coating.paint))


def _check_blank(blank: Blank, catalogue: Catalogue) -> None:
    check_limits(blank)
    check_colour(blank.colour)
    if blank.shape not in SHAPES:
        raise UnknownKey("shape", blank.shape, list(SHAPES))
    if min(blank.size) <= 0:
        raise BadInput(f"A rim of {blank.rim:g} mm leaves nothing to paint on.", "Give a narrower rim.")
    if len(blank.clear) > MOST_AREAS:
        raise BadInput(f"{len(blank.clear)} areas to keep clear are too many.", f"Mark {MOST_AREAS} at most.")
    for area in blank.clear:
        check_limits(area)
    check_limits(blank.garment or Garment())
    check_garment(blank, catalogue)
