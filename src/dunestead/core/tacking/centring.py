"""Where is it measured from, and what does the tape read there? Before the mask is tacked."""

from dataclasses import dataclass
from typing import Literal

from dunestead.core.geometry.curves import Box

__all__ = ["Datum", "Distances", "Guides", "TapeCheck", "as_it_lies", "from_collar", "from_edges", "from_middle"]

Datum = Literal["edges", "rim", "seams", "middle", "collar"]


@dataclass(frozen=True, slots=True)
class TapeCheck:
    """Distances in mm at four sides, as they should read."""

    left: float
    right: float
    top: float
    bottom: float


@dataclass(frozen=True, slots=True)
class Distances:
    """How something lies, measured from a datum.

    Attributes
    ----------
    what, number
        ``artwork``, ``mask``, ``patch`` or ``group``, and which patch or group of shapes.
    datum
        The blank's ``edges``, the inside of its ``rim``, a garment's side ``seams`` (and its ends), the ``middle`` of
        a round, the ``collar`` seam and the centre line below it.
    """

    what: Literal["artwork", "mask", "patch", "group"]
    datum: Datum
    tape: TapeCheck
    number: int | None = None


@dataclass(frozen=True, slots=True)
class Guides:
    """All that is measured when a mask is laid, and what is marked beforehand: where the middle is, mm.

    Attributes
    ----------
    datum
        What the maker measures from first.
    middle
        Of the blank, from its left and top edge.
    from_back
        Whether left and right are those of its back.
    """

    datum: Datum
    middle: tuple[float, float]
    lines: tuple[Distances, ...]
    from_back: bool = False


def as_it_lies(box: Box, width: float, *, from_back: bool) -> Box:
    """Return a box on the blank as the maker sees it, who works from the back of what is seen through.

    Examples
    --------
    >>> as_it_lies((10, 20, 110, 60), 300, from_back=True)
    (190, 20, 290, 60)
    """
    return (width - box[2], box[1], width - box[0], box[3]) if from_back else box


def from_edges(blank: tuple[float, float], box: Box) -> TapeCheck:
    """Return what a tape should read from each edge of the blank to a box on it; below 0 what is off the blank.

    Examples
    --------
    >>> from_edges((600, 400), (100, 80, 480, 300))
    TapeCheck(left=100, right=120, top=80, bottom=100)
    """
    return TapeCheck(box[0], blank[0] - box[2], box[1], blank[1] - box[3])


def from_middle(blank: tuple[float, float], box: Box) -> TapeCheck:
    """Return what a tape should read from the middle of the blank out to the sides of a box.

    Examples
    --------
    >>> from_middle((600, 400), (100, 80, 480, 300))
    TapeCheck(left=200.0, right=180.0, top=120.0, bottom=100.0)
    """
    x, y = blank[0] / 2, blank[1] / 2
    return TapeCheck(x - box[0], box[2] - x, y - box[1], box[3] - y)


def from_collar(collar: tuple[float, float], height: float, box: Box) -> TapeCheck:
    """Return what a tape reads on a garment: from its centre line to both sides, from the collar down, to the hem.

    Examples
    --------
    >>> from_collar((250, 80), 700, (110, 155, 390, 300))
    TapeCheck(left=140, right=140, top=75, bottom=400)
    """
    return TapeCheck(collar[0] - box[0], box[2] - collar[0], box[1] - collar[1], height - box[3])
