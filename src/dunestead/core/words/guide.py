"""The words of the trade, each in a sentence, and what every station is for."""

from dataclasses import dataclass

__all__ = ["GLOSSARY", "PURPOSES", "Term"]


@dataclass(frozen=True, slots=True)
class Term:
    """A word of the trade.

    Attributes
    ----------
    word
        As it is looked up.
    forms
        How it stands in sentences where it is worth explaining on the spot, lower case, the longest first; none for
        words that every sentence has.
    meaning
        In a sentence or two.
    """

    word: str
    forms: tuple[str, ...]
    meaning: str


def _term(word: str, meaning: str, *more: str) -> Term:
    plain = word.lower()
    return Term(word, tuple(sorted({plain, f"{plain}s", *more}, key=len, reverse=True)), meaning)


def _everyday(word: str, meaning: str) -> Term:
    return Term(word, (), meaning)


GLOSSARY = (
    _everyday("Blank", "The thing you print on: a mat, a shirt, a towel."),
    _everyday("Mask", "The sheet that stays on the blank and protects it; what is cut out of it gets painted."),
    _term("Window", "An opening in the mask, where the paint goes.", "opening", "openings"),
    _term("Loose piece", "A part of the mask that falls out when it is cut, such as the centre of an O."),
    _term("Keeper", "A loose piece that is kept and put in its place by hand, or carried there on tape."),
    _term("Bridge", "A thin strip of mask that ties a loose piece to the rest; it leaves a small gap in the paint."),
    _term("Neck", "A narrow place in the mask, held at both ends. Too narrow, it tears when you weed."),
    _term("Tongue", "A narrow strip of mask with a free end. It lifts if you brush against its tip."),
    _everyday("Weeding", "Taking out the parts that are to be painted, so that everything else stays."),
    _term("Patch", "A part of a large mask that is cut in one piece; several lie on one sheet.", "patches"),
    _everyday("Seam", "Where two patches of one mask meet on the blank."),
    _term("Facing", "Which side of the material lies up under the knife; it decides whether the cut is mirrored."),
    _term("Rest of the iron", "One resting of the iron or press on the mask; a large mask takes several.", "rests"),
    _term("Time to peel", "From when to when the mask should come off after the last coat."),
)

PURPOSES = {
    "blank": (
        "Say what you print on and how large it really is. Sizes on labels are often wrong by a few millimetres, so "
        "lay a tape on it."
    ),
    "artwork": (
        "Put the design together and see whether it is large enough for this surface. The bar shows from which width "
        "everything holds."
    ),
    "mask": (
        "Choose what the mask is cut from and decide what happens to every loose piece. Undecided pieces count as kept."
    ),
    "sheets": (
        "Choose your cutter and download the files. Each file has been cut in simulation and compared with the plan."
    ),
    "weed": (
        "Take out the windows in the order of their numbers. At the end count the pieces you keep: none may be missing."
    ),
    "tack": (
        "Lay the mask by the distances to the edges, then fix it step by step. Press where the picture shows the rests "
        "of the plate."
    ),
    "paint": "Paint the coats in their order. Each tick starts the clock for the next coat and for the peel.",
    "peel": "Take the mask off within its window, low and slow. Tick off every piece, so that none stays in the print.",
    "cure": (
        "Let it dry, set and seal it, and see when it may be used and washed. Nothing is ready before the last coating "
        "is."
    ),
    "record": "Write down how it turned out. Your next job is easier with what you learnt from this one.",
}
