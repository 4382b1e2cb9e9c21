"""Where a design's files come from: the core asks, others fetch and read."""

from typing import Protocol

from dunestead.core.artwork.drawing import Drawing
from dunestead.core.artwork.trace.outline import Picture
from dunestead.core.artwork.words.face import Face

__all__ = ["Sources"]


class Sources(Protocol):
    """Opens what elements name by key; equal keys give equal things, for a key is the hash of its bytes."""

    def __hash__(self) -> int: ...

    def drawing(self, key: str) -> Drawing:
        """Return vector artwork."""

    def picture(self, key: str) -> Picture:
        """Return a picture in grey."""

    def face(self, key: str) -> Face:
        """Return a shipped face."""
