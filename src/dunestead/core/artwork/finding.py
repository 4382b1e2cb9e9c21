"""One thing to know before cutting: measured, held against a limit, in its place."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Literal

from dunestead.core.figures import Figure
from dunestead.core.units import several, show_apart, show_length

__all__ = [
    "TIGHT",
    "Finding",
    "FindingKind",
    "Sentence",
    "Severity",
    "least_for",
    "over_run",
    "registered_findings",
    "severity_under",
]

Severity = Literal["stop", "warn", "note"]
# Within this share under a limit a place is tight: a note, no reason to change anything (workshop practice).
TIGHT = 0.05
# From a finding, what was measured and the limit as they are shown, and the maker's unit.
Sentence = Callable[["Finding", str, str, str], str]
_REGISTERED: dict[str, "FindingKind"] = {}


@dataclass(frozen=True, slots=True, eq=False)
class FindingKind:
    """What can be found: it stands once, at the rule that finds it.

    Attributes
    ----------
    code
        What it is known by.
    station
        Where it is decided what to do about it.
    sentence
        What is said of it.
    is_fine
        Whether it says that something is too fine for its surface, which a larger design would mend.
    is_weak
        Whether it is a weak place of a mask: of many only the worst are listed.
    has_place
        Whether it lies somewhere on the blank.
    of_kept
        Whether it matters only where the piece it is about is kept.
    """

    code: str
    station: str
    sentence: Sentence
    is_fine: bool = False
    is_weak: bool = False
    has_place: bool = True
    of_kept: bool = False

    def __post_init__(self) -> None:
        if self.code in _REGISTERED:
            raise ValueError(f"There are two kinds of finding {self.code!r}.")
        _REGISTERED[self.code] = self

    def __reduce__(self) -> tuple[Callable[[str], "FindingKind"], tuple[str]]:
        """Travel by its code: a kind is the same in every process."""
        return _registered, (self.code,)


def _registered(code: str) -> FindingKind:
    return _REGISTERED[code]


def registered_findings() -> Mapping[str, FindingKind]:
    """Return every kind by its code."""
    return _REGISTERED


@dataclass(frozen=True, slots=True)
class Finding:
    """One thing to know before cutting.

    Attributes
    ----------
    kind
        What is found.
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

    kind: FindingKind
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

    @property
    def code(self) -> str:
        """What its kind is known by."""
        return self.kind.code

    def message(self, unit: str = "mm") -> str:
        """Say it in a sentence, lengths in the maker's unit."""
        more = f" This is the worst place; {several(self.more, 'more place')} like it." if self.more else ""
        tight = "Tight, but it mostly holds: " if self.severity == "note" and self.kind.is_fine else ""
        said = self.kind.sentence(self, *show_apart(self.measured, self.limit, unit), unit)
        return f"{tight}{said[:1].lower()}{said[1:]}{more}" if tight else said + more


def severity_under(measured: float, limit: Figure) -> Severity:
    """Return how much what lies under a limit weighs: tight just under it, red below what is known to be forgiven.

    Examples
    --------
    >>> limit = Figure(4.0, 3.0, 5.0, "mm", "")
    >>> [severity_under(width, limit) for width in (3.9, 3.8, 3.79, 2.9)]
    ['note', 'note', 'warn', 'stop']
    """
    if measured < limit.low:
        return "stop"
    return "note" if measured >= limit.value * (1 - TIGHT) - 1e-9 else "warn"


def over_run(finding: Finding, unit: str) -> str:
    """Return over how long a stretch something is too thin; nothing for a spot."""
    return f" over {show_length(finding.run, unit)}" if finding.run > finding.measured else ""


def least_for(finding: Finding) -> str:
    """Return what the limit is the least for: a surface or a material, which a sentence names without a capital."""
    return f"the minimum for {finding.subject[:1].lower()}{finding.subject[1:]} is"
