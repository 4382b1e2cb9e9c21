"""Pictures of drawings in: PNG, JPEG, WebP and TIFF, upright and in grey."""

import hashlib
import io
import warnings
from functools import lru_cache

import numpy as np

from dunestead.core.artwork.trace.outline import Picture
from dunestead.core.errors import ArtworkRefused, ArtworkUnreadable

__all__ = ["MOST_PICTURE_BYTES", "PICTURE_KINDS", "is_picture", "open_upright", "read_picture"]

PICTURE_KINDS = ("PNG", "JPEG", "WEBP", "TIFF")
MOST_PICTURE_BYTES = 60_000_000
_MOST_PIXELS = 120_000_000
# Tracing gains nothing from more: a hair of a pen is several pixels wide.
_BAND_ROWS = 256
_LONGEST_SIDE = 3000
_BEGINNINGS = (b"\x89PNG\r\n", b"\xff\xd8\xff", b"II*\x00", b"MM\x00*", b"II+\x00", b"MM\x00+")


def is_picture(data: bytes) -> bool:
    """Say whether a file begins as a picture does.

    Examples
    --------
    >>> is_picture(b"<svg/>"), is_picture(b"RIFF....WEBPVP8 ")
    (False, True)
    """
    return data.startswith(_BEGINNINGS) or (data[:4] == b"RIFF" and data[8:12] == b"WEBP")


def open_upright(data: bytes, what: str, fix: str) -> "Image.Image":  # type: ignore[name-defined]  # noqa: F821
    """Open a picture and turn it upright, as its camera noted.

    Parameters
    ----------
    data
        Of the file.
    what, fix
        What it is called when it is refused, and what to do then.

    Raises
    ------
    ArtworkUnreadable, ArtworkRefused
        When it is no picture we read, is broken, or is larger than we carry.
    """
    # Loading this takes a tenth of a second, which vector artwork need not wait for.
    from PIL import Image, ImageOps, UnidentifiedImageError

    if len(data) > MOST_PICTURE_BYTES:
        most = MOST_PICTURE_BYTES / 1e6
        raise ArtworkRefused(f"This {what} is {len(data) / 1e6:.0f} MB, over the {most:.0f} MB we carry.", fix)
    try:
        with warnings.catch_warnings():
            # What it warns of is refused below, in our own words.
            warnings.simplefilter("ignore")
            with Image.open(io.BytesIO(data), formats=PICTURE_KINDS) as image:
                if image.width * image.height > _MOST_PIXELS:
                    size = f"{image.width} by {image.height} pixels"
                    raise ArtworkRefused(f"This {what} is {size}, more than we carry.", fix)
                return ImageOps.exif_transpose(image)
    except (UnidentifiedImageError, OSError, SyntaxError, ValueError, Image.DecompressionBombError) as error:
        raise ArtworkUnreadable(
            f"This {what} cannot be read: it is broken, or not what its name says.",
            "Save it anew as PNG, JPEG, WebP or TIFF.",
        ) from error


@lru_cache(maxsize=4)
def read_picture(data: bytes) -> Picture:
    """Read a picture, turned upright as its camera noted, on white where it is transparent.

    Raises
    ------
    ArtworkUnreadable, ArtworkRefused
        When it is no picture we read, is broken, or is larger than any sheet needs.
    """
    upright = open_upright(data, "picture", "Save it smaller; 3000 pixels along its longer side are plenty.")
    try:
        grey = _grey(upright)
    except (OSError, SyntaxError, ValueError) as error:
        raise ArtworkUnreadable(
            "This picture cannot be read: it is broken, or not what its name says.",
            "Save it anew as PNG, JPEG, WebP or TIFF.",
        ) from error
    if min(grey.shape) < 8:
        raise ArtworkUnreadable("This picture is only a few pixels large.", "Take one that shows the drawing.")
    return Picture(hashlib.sha256(data).hexdigest(), grey)


def _shallow(image: "Image.Image") -> "Image.Image":  # type: ignore[name-defined]  # noqa: F821
    """Return a picture of many greys in 256 of them, from its darkest to its lightest, a few rows at a time."""
    from PIL import Image

    bands = range(0, image.height, _BAND_ROWS)

    def rows(top: int) -> np.ndarray[tuple[int, ...], np.dtype[np.float32]]:
        band = image.crop((0, top, image.width, min(top + _BAND_ROWS, image.height)))
        return np.nan_to_num(np.asarray(band).astype(np.float32))

    least, most = min(float(rows(top).min()) for top in bands), max(float(rows(top).max()) for top in bands)
    scale = 255 / (most - least) if most > least else 0.0
    shallow = np.empty((image.height, image.width), np.uint8)
    for top in bands:
        band = rows(top)
        shallow[top : top + len(band)] = (band - least) * scale
    return Image.fromarray(shallow)


def _grey(image: "Image.Image") -> np.ndarray[tuple[int, ...], np.dtype[np.uint8]]:  # type: ignore[name-defined]  # noqa: F821
    from PIL import Image

    longest = max(image.size)
    if image.mode.startswith(("I", "F")):
        image = _shallow(image)
    if "A" in image.getbands() or "transparency" in image.info:
        seen = image.convert("RGBA")
        paper = Image.new("RGBA", seen.size, "white")
        image = Image.alpha_composite(paper, seen)
    flat = image.convert("L")
    if longest > _LONGEST_SIDE:
        share = _LONGEST_SIDE / longest
        flat = flat.resize(
            (max(1, round(flat.width * share)), max(1, round(flat.height * share))), Image.Resampling.BOX
        )
    return np.asarray(flat, np.uint8).copy()
