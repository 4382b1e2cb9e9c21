"""Words of the trade."""

from dunestead.api.wire import Shown


class TermOut(Shown):
    """A word of the trade, how it stands in sentences, and what it means."""

    word: str
    forms: list[str]
    meaning: str


class HandbookOut(Shown):
    """The words of the trade, and what each station is for."""

    terms: list[TermOut]
    purposes: dict[str, str]
