"""How long the knife takes."""

from dataclasses import dataclass

from dunestead.core.cutting.paths import CutPath, travel_length
from dunestead.core.figures import Material

__all__ = ["KnifeTime", "knife_time"]

# Lifting, moving off and coming down once, as any cutter of these classes does.
_LIFT_S = 0.15


@dataclass(frozen=True, slots=True)
class KnifeTime:
    """Lengths in mm, time in seconds, all passes counted."""

    cut_length: float
    travel: float
    seconds: float


def knife_time(paths: list[CutPath], material: Material, fastest: float) -> KnifeTime:
    """Return lengths and time of cutting some paths.

    Parameters
    ----------
    paths
        In cutting order.
    material
        Gives speed and number of passes; thick material slows the knife, not its travel.
    fastest
        Travel with the knife up, mm/s.
    """
    cut = sum(path.length for path in paths)
    travel = travel_length(paths)
    seconds = material.passes * (cut / material.speed + len(paths) * _LIFT_S) + travel / fastest
    return KnifeTime(cut, travel, seconds)
