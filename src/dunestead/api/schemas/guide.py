"""Words of the trade."""

from dunestead.api.wire import Shown
from dunestead.core.words.guide import Term


class HandbookOut(Shown):
    """The words of the trade, and what each station is for."""

    terms: list[Term]
    purposes: dict[str, str]
