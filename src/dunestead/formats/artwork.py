"""Artwork of any kind we read: told apart by what is in the file, not by its name alone."""

import logging

from dunestead.core.artwork.drawing import Drawing
from dunestead.core.checkpoints import Stopped, tell
from dunestead.core.errors import ArtworkRefused, ArtworkUnreadable, BadInput
from dunestead.formats.dxf import is_dxf, read_dxf
from dunestead.formats.hpgl import is_hpgl, read_hpgl
from dunestead.formats.picture import is_picture
from dunestead.formats.svg import read_svg
from dunestead.formats.svg.guard import MOST_BYTES

__all__ = ["read_drawing"]

_LOG = logging.getLogger(__name__)
_EXPORT = "Open it in the program it comes from, and save it as SVG."
_KINDS = (
    (b"%pdf", "a PDF document", "Open it in a drawing program and save it as SVG, or export a picture of it to trace."),
    (b"%!ps", "a PostScript file", _EXPORT),
    (b"pk\x03\x04", "a zip archive", "Unpack it, and choose the drawing that is in it."),
    (b"<!doctype html", "a web page", "Save the drawing itself as SVG."),
    (b"<html", "a web page", "Save the drawing itself as SVG."),
    (b"{", "a file of data, not a drawing", "Job files are opened from the board; artwork is SVG, DXF or a picture."),
    (b"\xd0\xcf\x11\xe0", "a document of an office program", _EXPORT),
)


def read_drawing(data: bytes, file_name: str = "") -> Drawing:
    """Read vector artwork: SVG, DXF or HP-GL.

    Raises
    ------
    ArtworkUnreadable, ArtworkRefused, ArtworkEmpty
        With a sentence for the maker; a picture made of pixels is told apart.
    """
    if len(data) > MOST_BYTES:
        raise ArtworkRefused(
            f"The file holds {len(data) / 1e6:.0f} MB; up to {MOST_BYTES / 1e6:.0f} MB are read.",
            "Remove embedded pictures and simplify its paths, then save it again.",
        )
    for start, what, fix in _KINDS:
        if data.lstrip()[: len(start)].lower() == start:
            raise ArtworkUnreadable(f"This is {what}, which is not read.", fix)
    tell("Reading the file")
    try:
        return _read(data, file_name)
    except (BadInput, MemoryError, Stopped):
        raise
    except Exception as error:
        # Readers of other houses fail in ways of their own; a maker is told in a sentence all the same.
        _LOG.exception("Reading artwork failed")
        raise ArtworkUnreadable(
            f"This file cannot be read as a drawing ({type(error).__name__}).",
            "Open it in a drawing program and save it as plain SVG.",
        ) from error


def _read(data: bytes, file_name: str) -> Drawing:
    if is_picture(data):
        raise ArtworkUnreadable(
            "This is a picture made of pixels, not a drawing with outlines.",
            "Trace it: `dunestead trace`, or add it as a picture.",
        )
    if is_dxf(data):
        return read_dxf(data)
    if file_name.lower().endswith(".dxf"):
        raise ArtworkUnreadable("This file is not a DXF drawing, or is broken.", "Save it anew as DXF, or as SVG.")
    if is_hpgl(data) or file_name.lower().endswith((".plt", ".hpgl", ".hpg")):
        return read_hpgl(data)
    return read_svg(data)
