"""Where does a design go on a garment? Distances from the collar seam and the centre line."""

from dataclasses import dataclass

from dunestead.core.blanks.blank import Blank, Garment, collar_of
from dunestead.core.errors import BadInput
from dunestead.core.figures import Catalogue

__all__ = ["Placement", "check_garment", "placement_of"]


@dataclass(frozen=True, slots=True)
class Placement:
    """Distances in force, mm, and the place on the blank that they give.

    Attributes
    ----------
    top, middle
        Top edge and middle of the design, mm from the blank's top left.
    """

    drop: float
    across: float
    widest: float
    top: float
    middle: float


def placement_of(blank: Blank, catalogue: Catalogue) -> Placement | None:
    """Return where a design goes on a garment; None for any other blank.

    Raises
    ------
    UnknownKey
        When size or placement stand in no table.
    """
    if blank.shape != "garment":
        return None
    garment = blank.garment or Garment()
    starting = catalogue.placement(garment.placement).at(catalogue.garment(garment.size).key)
    drop = starting.drop if garment.drop is None else garment.drop
    across = starting.across if garment.across is None else garment.across
    widest = garment.widest or starting.widest
    x, y = collar_of(blank)
    return Placement(drop, across, widest, y + drop, x + across)


def check_garment(blank: Blank, catalogue: Catalogue) -> None:
    """Raise `BadInput` when a garment's distances lie off the garment."""
    placement = placement_of(blank, catalogue)
    if placement is None:
        return
    width, height = blank.size
    if not (0 <= placement.top < height and 0 <= placement.middle <= width and placement.widest > 0):
        raise BadInput(
            f"{placement.drop:g} mm below the collar and {placement.across:g} mm from the centre line "
            "is not on this garment.",
            "Measure from the middle of the collar seam.",
        )
