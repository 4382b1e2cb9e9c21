"""The shipped faces, opened when first asked for; a path to a font file of one's own is a face too."""

from functools import cache
from importlib import resources
from pathlib import Path

from dunestead.catalogue.loader import load_catalogue
from dunestead.core.artwork.words.face import Face
from dunestead.core.errors import BadInput

__all__ = ["open_face", "open_font_file"]

_MOST_BYTES = 30_000_000


@cache
def open_face(key: str) -> Face:
    """Return a shipped face.

    Raises
    ------
    UnknownKey
        When there is none of that key.
    """
    row = load_catalogue().face(key)
    folder = resources.files("dunestead.catalogue") / "faces"
    files = sorted(entry.name for entry in folder.iterdir() if entry.name.startswith(f"{key}."))
    fonts = tuple((folder / name).read_bytes() for name in files if name.endswith(".woff2"))
    return Face(key, fonts, joined=row.joined)


def open_font_file(path: Path) -> Face:
    """Return the face in a font file of the maker's own.

    Raises
    ------
    BadInput
        When the file cannot be read or is no font.
    """
    try:
        data = path.read_bytes()
    except OSError as error:
        raise BadInput(f"{path} cannot be read.", "Check the path to the font file.") from error
    if not data or len(data) > _MOST_BYTES:
        raise BadInput(f"{path.name} is not a font that can be read.", "Choose a TTF, OTF, WOFF or WOFF2 file.")
    return Face(path.name, (data,))
