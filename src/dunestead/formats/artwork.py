"""Artwork of any kind we read: told apart by what is in the file, not by its name alone."""

from dunestead.core.artwork.drawing import Drawing
from dunestead.core.errors import ArtworkUnreadable
from dunestead.formats.dxf import is_dxf, read_dxf
from dunestead.formats.hpgl import is_hpgl, read_hpgl
from dunestead.formats.picture import is_picture
from dunestead.formats.svg import read_svg

__all__ = ["read_drawing"]


def read_drawing(data: bytes, file_name: str = "") -> Drawing:
    """Read vector artwork: SVG, DXF or HP-GL.

    Raises
    ------
    ArtworkUnreadable, ArtworkRefused, ArtworkEmpty
        With a sentence for the maker; a picture made of pixels is told apart.
    """
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
