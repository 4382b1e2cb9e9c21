"""The roll-call: every loose piece keeps its number for as long as it is the same piece."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
import shapely

from dunestead.core.mask.loose import LoosePiece, Mask

__all__ = ["RollEntry", "call_roll"]


@dataclass(frozen=True, slots=True)
class RollEntry:
    """What the roll remembers of a piece: its number, and a point in it as a share of the design's width."""

    number: int
    x: float
    y: float


def call_roll(mask: Mask, width: float, roll: Sequence[RollEntry]) -> tuple[Mask, tuple[RollEntry, ...]]:
    """Give pieces their old numbers, and new ones to those never met before.

    Parameters
    ----------
    mask
        As found, numbered in reading order.
    width
        Painted width in mm, by which the remembered points scale.
    roll
        Every piece ever met, gone ones included, so that no number is given twice.

    Returns
    -------
    tuple
        The mask with its pieces numbered, and the roll with all it now knows. A piece that moved
        away has its old entry kept, and shows as gone.
    """
    if not mask.loose:
        return mask, tuple(roll)
    numbers = _matched(mask.loose, width, roll)
    fresh = max((entry.number for entry in roll), default=0)
    entries = {entry.number: entry for entry in roll}
    pieces = []
    for piece, number in zip(mask.loose, numbers, strict=True):
        if number is None:
            fresh = number = fresh + 1
        entries[number] = RollEntry(number, round(piece.anchor[0] / width, 7), round(piece.anchor[1] / width, 7))
        pieces.append(replace(piece, number=number))
    key = f"{mask.key}#{','.join(str(piece.number) for piece in pieces)}"
    numbered = Mask(key, mask.border, mask.frame, tuple(sorted(pieces, key=lambda piece: piece.number)))
    return numbered, tuple(sorted(entries.values(), key=lambda entry: entry.number))


def _matched(loose: Sequence[LoosePiece], width: float, roll: Sequence[RollEntry]) -> list[int | None]:
    """Return for each piece the number of the first entry whose point lies in it."""
    numbers: list[int | None] = [None] * len(loose)
    if not roll:
        return numbers
    points = shapely.points(np.array([(entry.x, entry.y) for entry in roll]) * width)
    tree = shapely.STRtree([piece.shape for piece in loose])
    for entry, piece in sorted(tree.query(points, predicate="intersects").T.tolist()):
        if numbers[piece] is None:
            numbers[piece] = roll[entry].number
    return numbers
