"""The files that designs name, out of the store."""

from collections.abc import Callable
from functools import lru_cache

from dunestead.catalogue.face_files import open_face
from dunestead.core.artwork.drawing import Drawing
from dunestead.core.artwork.trace.outline import Picture
from dunestead.core.artwork.words.face import Face
from dunestead.formats.artwork import read_drawing
from dunestead.formats.picture import read_picture

__all__ = ["StoredSources"]


class StoredSources:
    """Opens the files that designs name, out of the store; a few are kept at hand.

    Parameters
    ----------
    file
        Returns the bytes of a key.
    """

    def __init__(self, file: Callable[[str], bytes]) -> None:
        self._file = lru_cache(maxsize=32)(file)

    def drawing(self, key: str) -> Drawing:
        """Return vector artwork."""
        return read_drawing(self._file(key))

    def picture(self, key: str) -> Picture:
        """Return a picture in grey."""
        return read_picture(self._file(key))

    def face(self, key: str) -> Face:
        """Return a shipped face."""
        return open_face(key)
