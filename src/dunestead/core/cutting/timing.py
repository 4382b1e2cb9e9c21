"""How long the knife takes."""

from dataclasses import dataclass

from dunestead.core.cutting.paths import CutPath, travel_length
from dunestead.core.figures import Cutter, Material

__all__ = ["KnifeTime", "knife_time"]


@dataclass(frozen=True, slots=True)
class KnifeTime:
    """Lengths in mm, time in seconds, all passes counted."""

    cut_length: float
    travel: float
    seconds: float


def knife_time(paths: list[CutPath], material: Material, cutter: Cutter) -> KnifeTime:
    """Return lengths and time of cutting some paths.

    Parameters
    ----------
    paths
        In cutting order.
    material
        Gives speed and number of passes; thick material slows the knife, not its travel.
    cutter
        Gives travel with the knife up, and the time of a lift.
    """
    cut = sum(path.length for path in paths)
    travel = travel_length(paths)
    seconds = material.passes * (cut / material.speed + len(paths) * cutter.lift) + travel / cutter.fastest
    return KnifeTime(cut, travel, seconds)
