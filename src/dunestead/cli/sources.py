"""Files that a design names, opened from a folder; none outside of it."""

from functools import lru_cache
from pathlib import Path

from dunestead.catalogue.face_files import open_face
from dunestead.cli.reading import read_file
from dunestead.core.artwork.drawing import Drawing
from dunestead.core.artwork.trace.outline import Picture
from dunestead.core.artwork.words.face import Face
from dunestead.core.errors import BadInput
from dunestead.formats.artwork import read_drawing
from dunestead.formats.picture import read_picture

__all__ = ["FolderSources"]


class FolderSources:
    """Opens drawings and pictures by their names in a folder, faces as shipped."""

    def __init__(self, folder: Path) -> None:
        self._folder = folder.resolve()
        self.drawing = lru_cache(maxsize=32)(self._drawing)
        self.picture = lru_cache(maxsize=8)(self._picture)

    def keep(self, name: str) -> str:
        """Return the key of a file, which is its name; raises `BadInput` when it lies outside of the folder."""
        self._path(name)
        return name

    def _path(self, name: str) -> Path:
        path = (self._folder / name).resolve()
        if not path.is_relative_to(self._folder):
            raise BadInput(f"“{name}” lies outside of the job file's folder.", "Put it beside the job file.")
        return path

    def _drawing(self, key: str) -> Drawing:
        return read_drawing(read_file(self._path(key)), key)

    def _picture(self, key: str) -> Picture:
        return read_picture(read_file(self._path(key)))

    def face(self, key: str) -> Face:
        """Return a shipped face."""
        return open_face(key)
