"""What is a layout worth? Sheets, seams, what seams run through, patches nobody wants."""

from dataclasses import dataclass, replace
from typing import Literal, get_args

__all__ = ["AIMS", "USUAL_PRICES", "Aim", "Prices"]

# The cheapest of all; or what takes fewest sheets, or fewest seams, whatever the other costs.
Aim = Literal["price", "sheets", "seams"]
AIMS: tuple[Aim, ...] = get_args(Aim)
_ABOVE_ALL = 1000.0


@dataclass(frozen=True, slots=True)
class Prices:
    """What makes a layout dear, counted in seams.

    Attributes
    ----------
    sheet, seam
        A load of the cutter; a place where two patches meet.
    parted
        A word, an element, a window or a keeper that a seam runs through although it would fit.
    painted
        A mm of paint under a seam.
    poor
        A patch too narrow to be laid straight, or of border alone.
    """

    sheet: float = 3.0
    seam: float = 1.0
    parted: float = 1.0
    painted: float = 0.005
    poor: float = 20.0

    def towards(self, aim: Aim) -> "Prices":
        """Return prices by which what the maker wants to spare outweighs all else."""
        if aim == "sheets":
            return replace(self, sheet=_ABOVE_ALL)
        if aim == "seams":
            return replace(self, seam=_ABOVE_ALL)
        return self

    def of(self, sheets: float, seams: int, parted: int = 0, painted: float = 0.0, poor: int = 0) -> float:
        """Return what a layout costs, in seams.

        Examples
        --------
        >>> Prices().of(sheets=3, seams=0), Prices().of(sheets=2, seams=12)
        (9.0, 18.0)
        """
        return (
            self.sheet * sheets + self.seam * seams + self.parted * parted + self.painted * painted + self.poor * poor
        )


USUAL_PRICES = Prices()
