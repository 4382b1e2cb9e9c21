"""Files in and out, whole or not at all."""

from pathlib import Path

from dunestead.core.errors import BadInput
from dunestead.formats.svg.guard import MOST_BYTES

__all__ = ["read_file", "write_file"]


def read_file(path: Path, most: int = MOST_BYTES) -> bytes:
    """Return the bytes of a file; raises `BadInput` when it cannot be read or holds more than ``most``."""
    try:
        if path.stat().st_size > most:
            raise BadInput(
                f"{path.name} holds {path.stat().st_size / 1e6:.0f} MB, more than artwork to cut has need of.",
                "Remove embedded pictures and simplify its paths, or save the picture smaller.",
            )
        return path.read_bytes()
    except OSError as error:
        raise BadInput(
            f"{path} cannot be read: {(error.strerror or 'no reason given').lower()}.", "Check the name."
        ) from None


def write_file(path: Path, content: str | bytes) -> None:
    """Write a file whole or not at all."""
    draft = path.with_name(f".{path.name}.part")
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
        draft.write_bytes(content.encode() if isinstance(content, str) else content)
        draft.replace(path)
    except OSError as error:
        raise BadInput(
            f"{path} cannot be written: {(error.strerror or 'no reason given').lower()}.", "Choose another place."
        ) from None
