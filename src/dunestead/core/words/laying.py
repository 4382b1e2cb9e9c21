"""What is said of where a mask lies: what to mark beforehand, and what the tape should read."""

from dunestead.core.tacking.centring import Distances, Guides
from dunestead.core.tacking.laying import SIDES, Side
from dunestead.core.units import show_tape

__all__ = ["distances_in_words", "marks_in_words", "side_in_words", "what_of"]

_FROM = {
    "edges": "From the blank's edge to the {what}",
    "rim": "From the inside of the rim to the {what}",
    "middle": "From the middle of the blank to the edges of the {what}",
}
# Where a side lies that is not on its own side of where the tape begins.
_PAST: dict[Side, str] = {
    "left": "to the right of it",
    "right": "to the left of it",
    "top": "below it",
    "bottom": "above it",
}


def what_of(line: Distances) -> str:
    """Return what is measured to."""
    return f"{line.what} {line.number}" if line.number is not None else line.what


def side_in_words(line: Distances, side: Side, unit: str) -> str:
    """Return what a tape reads to one side; one that lies on the other side of where the tape begins says so.

    Examples
    --------
    >>> from dunestead.core.tacking.centring import Distances, TapeCheck
    >>> above = Distances("artwork", "middle", TapeCheck(140, 140, 78, -42.3))
    >>> side_in_words(above, "top", "mm"), side_in_words(above, "bottom", "mm")
    ('78 mm', '42 mm above it')
    """
    value: float = getattr(line.tape, side)
    shown = show_tape(abs(value), unit)
    return shown if value >= 0 or shown == show_tape(0.0, unit) else f"{shown} {_PAST[side]}"


def distances_in_words(line: Distances, unit: str) -> str:
    """Return one set of distances in a sentence."""
    left, right, top, bottom = (side_in_words(line, side, unit) for side in SIDES)
    what = what_of(line)
    if line.datum == "collar":
        return (
            f"From the collar seam down to the {what}: {top}. From the centre line to its left edge {left}, "
            f"to its right edge {right}."
        )
    if line.datum == "seams":
        return f"From the side seams to the {what}: left {left}, right {right}."
    return f"{_FROM[line.datum].format(what=what)}: left {left}, right {right}, top {top}, bottom {bottom}."


def marks_in_words(guides: Guides, unit: str) -> list[str]:
    """Return what to mark before the mask is laid, a sentence each."""
    x, y = (show_tape(value, unit) for value in guides.middle)
    sentences = {
        "edges": (
            f"Mark the middle of each side: {x} from the left, {y} from the top. Draw chalk or stretch a thread "
            "between them."
        ),
        "rim": f"Mark the middle of each side, inside the rim: {x} from the left, {y} from the top.",
        "middle": (
            "Mark the middle: a paper of the blank's outline, folded twice, shows it. Or measure across at the widest, "
            f"both ways: {x} and {y} from the edge. Draw a cross through it."
        ),
        "collar": (
            "Fold it shoulder on shoulder and press the fold: that is the centre line. The tape begins at the middle "
            "of the collar seam."
        ),
    }
    found = [sentences[guides.datum]]
    if guides.from_back:
        found.append("You work from the back: left and right are as you stand there.")
    if any(line.what == "patch" for line in guides.lines):
        found.append("Lay patch by patch in the order of their numbers, then check the distances across each seam.")
    return found
