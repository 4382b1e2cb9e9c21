"""The guide inside the page: the words of the trade, and what every station is for."""

from dunestead.api import schemas as wire
from dunestead.api.endpoints import Endpoints
from dunestead.core.words.guide import GLOSSARY, PURPOSES

__all__ = ["guide"]

guide = Endpoints("guide", __name__, url_prefix="/api/guide", tag="Guide")


@guide.get("")
def get_guide() -> wire.HandbookOut:
    """Explain the words of the trade and the stations."""
    terms = list(GLOSSARY)
    return wire.HandbookOut(terms=terms, purposes=PURPOSES)
