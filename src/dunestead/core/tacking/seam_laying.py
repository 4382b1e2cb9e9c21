"""From what a tape reads across a seam to what is to be done to the patch that is laid second."""

from collections.abc import Mapping
from dataclasses import dataclass

from dunestead.core.errors import BadInput
from dunestead.core.sheets.seams import Seam
from dunestead.core.units import show_length, show_tape

__all__ = ["SeamLaid", "laid_at_seam"]

# Further off than this, mm, a patch is not laid: a mark was mistaken for another, or the tape misread.
_MOST_OFF = 60.0


@dataclass(frozen=True, slots=True)
class SeamLaid:
    """What readings across a seam say.

    Attributes
    ----------
    off
        By name of each pair of marks that was read, how much too far apart its marks are, mm; below 0 too near.
    is_within
        Whether none is off by more than was asked for.
    knows_turn
        Whether two pairs were read: one alone tells a shift from a turn by nothing.
    instructions
        What to do, in words.
    """

    off: Mapping[str, float]
    is_within: bool
    knows_turn: bool
    instructions: tuple[str, ...]


def laid_at_seam(seam: Seam, readings: Mapping[str, float], within: float, unit: str = "mm") -> SeamLaid:
    """Return how the second patch of a seam is to be moved, by the check distances that were read.

    Parameters
    ----------
    readings
        By the name of a pair of marks, mm.
    within
        How much a distance may be off, mm.

    Raises
    ------
    BadInput
        When nothing was read, there are no such marks, or a distance cannot be.
    """
    should = {pair.name: pair.distance for pair in seam.pairs}
    if not readings:
        raise BadInput("Nothing was read yet.", f"Lay a tape between the marks {' or '.join(should) or 'of the seam'}.")
    for name, value in readings.items():
        if name not in should:
            raise BadInput(f"Seam {seam.name} has no marks {name}.", f"It has {', '.join(should) or 'none'}.")
        if abs(value - should[name]) > _MOST_OFF:
            wanted = show_tape(should[name], unit)
            raise BadInput(
                f"{name} reads {show_tape(value, unit)}, and should read {wanted}.",
                "Look whether it is the right mark, and read it again.",
            )
    off = {name: value - should[name] for name, value in readings.items()}
    is_within = all(abs(error) <= within + 1e-9 for error in off.values())
    return SeamLaid(off, is_within, len(off) > 1, tuple(_instructions(seam, off, within, unit, is_within=is_within)))


def _instructions(seam: Seam, off: Mapping[str, float], within: float, unit: str, *, is_within: bool) -> list[str]:
    first, second = seam.patches
    missing = [pair.name for pair in seam.pairs if pair.name not in off]
    read_too = [f"Read {missing[0]} too: one pair of marks does not tell a shift from a turn."] if missing else []
    if is_within:
        return [
            f"Patches {first} and {second} are within {show_length(within, unit)}.",
            *(read_too or ["Tape the seam."]),
        ]
    ways = [_way(name, error, within, unit) for name, error in off.items()]
    return [
        f"Move patch {second}: {'; '.join(ways)}.",
        *read_too,
        "Then read again; along the seam match the cut lines.",
    ]


def _way(name: str, error: float, within: float, unit: str) -> str:
    if abs(error) <= within:
        return f"leave it at {name}"
    return f"{show_length(abs(error), unit)} {'closer' if error > 0 else 'further off'} at {name}"
