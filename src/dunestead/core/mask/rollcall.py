"""The roll-call: every loose piece keeps its number for as long as it is the same piece."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from dunestead.core.geometry.affine import Affine
from dunestead.core.mask.loose import LoosePiece, Mask

__all__ = ["RollEntry", "Seat", "call_roll", "renumbered"]


@dataclass(frozen=True, slots=True)
class RollEntry:
    """What the roll remembers of a piece: its number, and a point in it as the element around it sees it.

    Attributes
    ----------
    element
        Number of the part of the design whose paint is around the piece.
    x, y
        From the top left of that part's box, in shares of its width.
    mask
        Which of several masks it is a part of: the colour painted through it; empty with one for all.
    """

    number: int
    x: float
    y: float
    element: int = 1
    mask: str = ""


@dataclass(frozen=True, slots=True)
class Seat:
    """A part of the design as the roll needs it: its number, its paint by colour, and what carries its shares to mm."""

    element: int
    colours: Mapping[str, BaseGeometry] = field(compare=False)
    to_mm: Affine

    def paint(self, colour: str) -> BaseGeometry:
        """Return what it paints in a colour, or in all of them where none is named; empty when nothing."""
        if colour:
            return self.colours.get(colour, shapely.Point())
        regions = list(self.colours.values())
        return regions[0] if len(regions) == 1 else shapely.GeometryCollection(regions)


def call_roll(
    masks: Sequence[tuple[str, Mask]], seats: Sequence[Seat], roll: Sequence[RollEntry]
) -> tuple[list[Mask], tuple[RollEntry, ...]]:
    """Give pieces their old numbers, and new ones to those never met before.

    Parameters
    ----------
    masks
        As found, each with the colour painted through it, empty with one mask for all.
    seats
        The parts of the design, in the masks' coordinates.
    roll
        Every piece ever met, gone ones included, so that no number is given twice.

    Returns
    -------
    tuple
        The masks with their pieces numbered, and the roll with all it now knows. A piece that went
        away has its old entry kept, and shows as gone.

    Notes
    -----
    A piece is remembered by a point within the part around it, so it keeps its number when that
    part is moved, turned, made larger or recoloured, and when others come or go.
    """
    loose = [(label, piece) for label, mask in masks for piece in mask.loose]
    if not loose:
        return [mask for _, mask in masks], tuple(roll)
    numbers = _matched(loose, seats, roll)
    fresh = max((entry.number for entry in roll), default=0)
    entries = {entry.number: entry for entry in roll}
    numbered: dict[int, LoosePiece] = {}
    for k, ((label, piece), number, seat) in enumerate(zip(loose, numbers, _around(masks, seats), strict=True)):
        if number is None:
            fresh = number = fresh + 1
        x, y = seat.to_mm.inverse().apply(np.array(piece.anchor))
        entries[number] = RollEntry(number, round(float(x), 7), round(float(y), 7), seat.element, label)
        numbered[k] = replace(piece, number=number)
    called, first = [], 0
    for _, mask in masks:
        own = [numbered[k] for k in range(first, first + len(mask.loose))]
        called.append(renumbered(mask, own))
        first += len(mask.loose)
    return called, tuple(sorted(entries.values(), key=lambda entry: entry.number))


def renumbered(mask: Mask, pieces: Sequence[LoosePiece]) -> Mask:
    """Return a mask with its pieces under other numbers."""
    key = f"{mask.key}#{','.join(str(piece.number) for piece in pieces)}"
    return replace(mask, key=key, loose=tuple(sorted(pieces, key=lambda piece: piece.number)))


def _around(masks: Sequence[tuple[str, Mask]], seats: Sequence[Seat]) -> list[Seat]:
    """Return for each piece the part of the design whose paint in the mask's colour is nearest to a point in it."""
    found: list[Seat] = []
    for colour, mask in masks:
        if len(seats) == 1 or not mask.loose:
            found += [seats[0]] * len(mask.loose)
            continue
        anchors = shapely.points(np.array([piece.anchor for piece in mask.loose]))
        # To nothing there is no distance.
        away = np.nan_to_num([shapely.distance(seat.paint(colour), anchors) for seat in seats], nan=np.inf)
        found += [seats[k] for k in np.argmin(away, axis=0).tolist()]
    return found


def _matched(
    loose: Sequence[tuple[str, LoosePiece]], seats: Sequence[Seat], roll: Sequence[RollEntry]
) -> list[int | None]:
    """Return for each piece the number of the first entry whose point lies in it, those of its own mask first."""
    numbers: list[int | None] = [None] * len(loose)
    to_mm = {seat.element: seat.to_mm for seat in seats}
    here = [entry for entry in roll if entry.element in to_mm]
    if not here:
        return numbers
    points = shapely.points(np.array([to_mm[entry.element].apply(np.array((entry.x, entry.y))) for entry in here]))
    tree = shapely.STRtree([piece.shape for _, piece in loose])
    pairs = sorted(tree.query(points, predicate="intersects").T.tolist())
    taken: set[int] = set()
    for same_mask in (True, False):
        for entry, piece in pairs:
            if numbers[piece] is None and entry not in taken and (here[entry].mask == loose[piece][0] or not same_mask):
                numbers[piece] = here[entry].number
                taken.add(entry)
    return numbers
