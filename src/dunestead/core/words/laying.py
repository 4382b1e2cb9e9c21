"""What is said of where a mask lies: what to mark beforehand, and what the tape should read."""

from dunestead.core.tacking.centring import Distances, Guides
from dunestead.core.units import show_tape

__all__ = ["distances_in_words", "marks_in_words", "what_of"]

_FROM = {
    "edges": "From the blank's edge to the {what}",
    "rim": "From the inside of the rim to the {what}",
    "middle": "From the middle of the blank to the edges of the {what}",
}


def what_of(line: Distances) -> str:
    """Return what is measured to."""
    return f"{line.what} {line.number}" if line.number is not None else line.what


def distances_in_words(line: Distances, unit: str) -> str:
    """Return one set of distances in a sentence."""
    left, right, top, bottom = (
        show_tape(value, unit) for value in (line.tape.left, line.tape.right, line.tape.top, line.tape.bottom)
    )
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
            "Mark the middle: a paper of the blank's outline, folded twice, shows it; or measure across at the widest, "
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
