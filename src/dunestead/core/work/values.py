"""Values that several stations' tasks share, and that others read of a task besides its words."""

from dataclasses import dataclass

from dunestead.core.plan.coats import PlannedCoating
from dunestead.core.sheets.seams import Seam
from dunestead.core.tacking.carrier import CarrierCut
from dunestead.core.tacking.placements import Pressing

__all__ = ["AcrossSeams", "OfCoat", "OnTape", "UnderPlate"]


@dataclass(frozen=True, slots=True)
class OfCoat:
    """A coat that is put on: of which coating, which one in order."""

    coating: PlannedCoating
    coat: int


@dataclass(frozen=True, slots=True)
class UnderPlate:
    """What is pressed: how hot and how long, and in how many rests."""

    pressing: Pressing
    rests: int


@dataclass(frozen=True, slots=True)
class OnTape:
    """What is taken up on transfer tape."""

    carrier: CarrierCut


@dataclass(frozen=True, slots=True)
class AcrossSeams:
    """Where patches of a mask meet."""

    seams: tuple[Seam, ...]
