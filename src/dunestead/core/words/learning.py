"""What is said of figures that own jobs have taught."""

from dunestead.core.learning.causes import Tally
from dunestead.core.learning.happened import Span
from dunestead.core.learning.learnt import Learnt
from dunestead.core.units import several, show_temperature

__all__ = ["learnt_in_words", "show_figure", "tally_in_words", "untimed_in_words"]

_ENDS = {"most": "highest", "least": "lowest"}
_NUMBERS = ("none", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine")
_UNTIMED = {
    "first": "came first, with nothing ticked before",
    "drying": "waited for paint to dry",
    "together": "is not by hand",
    "away": "took far longer than it can have: you were away, it seems",
    "later": "came too soon after the one before: ticked later, it seems",
}


def show_figure(value: float, unit: str, as_in: str = "mm") -> str:
    """Return a figure as it is said: to three digits at most, heat in the maker's degrees.

    Examples
    --------
    >>> show_figure(31.234, "s"), show_figure(0.2, "s"), show_figure(5.714, "ml"), show_figure(1234.0, "s")
    ('31.2 s', '0.2 s', '5.71 ml', '1234 s')
    >>> show_figure(155.0, "C", "in")
    '311 °F'
    """
    if unit == "C":
        return show_temperature(value, as_in)
    digits = f"{value:.0f}" if value >= 1000 else f"{value:.3g}"
    return f"{digits} {unit}"


def learnt_in_words(one: Learnt, unit: str) -> str:
    """Return what a figure is reckoned with and why, beside what the table says."""
    table = show_figure(one.table, one.unit, unit)
    if one.is_to_table:
        return f"{table}, the usual figure: you chose it."
    if not one.jobs:
        why = f"{one.by} has no own value yet" if one.by and one.others else "all your own values are left out"
        return f"{table}, the usual figure: {why}."
    jobs = _NUMBERS[one.jobs] if one.jobs < len(_NUMBERS) else str(one.jobs)
    whose = f"{one.by}’s" if one.by else "your"
    others = "".join(f" {by} takes {show_figure(value, one.unit, unit)}." for by, value in one.others)
    held = ""
    if one.is_held:
        end = "most" if one.value >= one.high else "least"
        held = (
            f" Your values are unusually {'high' if end == 'most' else 'low'}, so we use the {_ENDS[end]} likely one."
        )
    return f"{show_figure(one.value, one.unit, unit)}, from {jobs} of {whose} jobs. Usual: {table}.{held}{others}"


def tally_in_words(what: str, tally: Tally) -> str:
    """Return how often something went wrong where the same choice was made.

    Examples
    --------
    >>> from dunestead.core.learning.causes import CAUSES
    >>> tally_in_words("Coated paper on synthetic mats", Tally(CAUSES["lifted"], 3, 4, 1))
    'Coated paper on synthetic mats lifted in 3 of your 4 jobs; 1 copy spoiled.'
    """
    copies = "1 copy" if tally.spoiled == 1 else f"{tally.spoiled} copies"
    spoiled = f"; {copies} spoiled" if tally.spoiled else ""
    jobs = f"{tally.jobs} of your {tally.of} jobs" if tally.of > 1 else "your one job with it"
    return f"{what} {tally.cause.did} in {jobs}{spoiled}."


def untimed_in_words(spans: list[Span]) -> str:
    """Return why no time is known of steps that were done; empty where it is known of all.

    Examples
    --------
    >>> untimed_in_words([])
    ''
    """
    counts: dict[str, int] = {}
    for span in spans:
        if not span.is_timed and span.why != "together":
            counts[span.why] = counts.get(span.why, 0) + len(span.tasks)
    said = [f"{several(count, 'step')} {_plural(_UNTIMED[why], count)}" for why, count in counts.items()]
    return f"Not timed: {'; '.join(said)}." if said else ""


def _plural(said: str, count: int) -> str:
    return said.replace("the one before", "those before") if count > 1 else said
