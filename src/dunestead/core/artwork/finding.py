"""One thing to know before cutting: measured, held against a limit, in its place."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Literal

from dunestead.core.units import several, show_apart, show_length

__all__ = ["Finding", "Severity"]

Severity = Literal["stop", "warn", "note"]


@dataclass(frozen=True, slots=True)
class Finding:
    """One thing to know before cutting.

    Attributes
    ----------
    code
        One of those `message` knows.
    severity
        ``stop`` below the range the surface is known to forgive, ``warn`` below the usual limit.
    at
        Where, mm from the top left of the painted box.
    measured, limit
        mm; a count for ``many-pieces`` and ``must-bridge``; a difference for colours.
    subject
        What sets the limit: a surface, a material, a way of painting.
    run
        How long a thin stretch is, mm.
    piece
        Number of the loose piece it is about, if any.
    element
        Number of the part of the design it is about, if any.
    what
        The letter, or the colours, in words.
    more
        How many more places are like it and not listed.
    """

    code: str
    severity: Severity
    at: tuple[float, float]
    measured: float
    limit: float
    subject: str
    run: float = 0.0
    piece: int | None = None
    element: int | None = None
    what: str = ""
    more: int = 0

    def message(self, unit: str = "mm") -> str:
        """Say it in a sentence, lengths in the maker's unit."""
        more = f" This is the worst place; {several(self.more, 'more place')} like it." if self.more else ""
        return _SENTENCES[self.code](self, *show_apart(self.measured, self.limit, unit), unit) + more


Sentence = Callable[[Finding, str, str, str], str]


def _over(finding: Finding, unit: str) -> str:
    return f" over {show_length(finding.run, unit)}" if finding.run > finding.measured else ""


def _least(finding: Finding) -> str:
    """Return what the limit is the least for: a surface or a material, which a sentence names without a capital."""
    return f"the minimum for {finding.subject[:1].lower()}{finding.subject[1:]} is"


def _thin(what: str) -> Sentence:
    def sentence(finding: Finding, measured: str, limit: str, unit: str) -> str:
        return f"{what} is {measured}{_over(finding, unit)} wide; {_least(finding)} {limit}."

    return sentence


_SENTENCES: dict[str, Sentence] = {
    "stroke-thin": _thin("The painted stroke"),
    "web-thin": _thin("The mask between two windows"),
    "contact": lambda *_: (
        "Two shapes touch here without overlapping: they will tear apart or run together. "
        "Let them overlap, or set them apart."
    ),
    "neck": lambda f, measured, limit, unit: (
        f"A neck of the mask is {measured} wide{_over(f, unit)}; {_least(f)} {limit}, or it tears."
    ),
    "tongue": lambda f, measured, limit, unit: (
        f"A tongue of the mask is {measured} wide{_over(f, unit)}; {_least(f)} {limit}. "
        "Dab from its root to its tip, or it lifts."
    ),
    "part-small": lambda f, measured, limit, _: (
        f"Loose piece {f.piece} is {measured} at its narrowest; {_least(f)} {limit}. Bridge it or leave it out."
    ),
    "must-bridge": lambda f, *_: (
        f"{several(int(f.measured), 'piece')} still loose. A mask that is used again needs all of them bridged."
    ),
    "many-pieces": lambda f, *_: (
        f"{int(f.measured)} loose pieces to place by hand; more than {int(f.limit)} take a lot of patience. "
        "Think about bridging some."
    ),
    "letter-low": lambda f, measured, limit, _: (
        f"The letter “{f.what}” is {measured} high; {_least(f)} {limit} to be readable."
    ),
    "off-blank": lambda f, measured, *_: f"{f.what} runs {measured} off the blank and is trimmed at its edge.",
    "clear-painted": lambda f, measured, *_: (
        f"{f.what} reaches {measured} over {f.subject}, where nothing can be painted. Move it, or make it smaller."
    ),
    "clear-near": lambda f, measured, limit, _: (
        f"{f.what} comes within {measured} of {f.subject}; leave at least {limit} of mask between them."
    ),
    "clear-field": lambda f, *_: (
        f"Around a reverse mask all of the blank is painted, {f.subject} too. Cover it before you paint."
    ),
    "copies-fewer": lambda f, *_: (
        f"{f.what} was asked for {int(f.limit)} times; {int(f.measured)} of them lie on the blank, "
        "there is no room for the others."
    ),
    "off-margin": lambda f, measured, limit, _: (
        f"{f.what} comes within {measured} of the edge; a margin of {limit} looks right."
    ),
    "colour-gap": lambda f, measured, limit, _: (
        f"Only {measured} between {f.what}; painting {f.subject} through one mask needs {limit}."
    ),
    "colours-alike": lambda f, *_: (
        f"{f.what} look almost the same: they differ by {f.measured:.0f}, and {f.limit:.0f} is easy to see."
    ),
    "paint-like-mask": lambda f, *_: (
        f"{f.what} look almost the same, so you cannot see where the paint is while you paint and peel. "
        f"They differ by {f.measured:.0f}, and {f.limit:.0f} is easy to see. Use another mask, or look from the side."
    ),
    "base-missing": lambda f, *_: (
        f"With {f.subject} the base coat is the colour of the design, and this blank has none. Add one first."
    ),
    "mask-alike": lambda f, *_: (
        f"{f.what} look almost the same, which makes weeding and placing hard to see: "
        f"they differ by {f.measured:.0f}, and {f.limit:.0f} is easy to see."
    ),
}
