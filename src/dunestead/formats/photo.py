"""Photos in: turned upright, made smaller, without where and with what they were taken."""

import io
import warnings

from dunestead.core.errors import ArtworkRefused, ArtworkUnreadable
from dunestead.formats.picture import MOST_PICTURE_BYTES, PICTURE_KINDS

__all__ = ["clean_photo"]

_MOST_PIXELS = 120_000_000
# More is not seen on a screen.
_LONGEST_SIDE, _QUALITY = 1600, 85


def clean_photo(data: bytes) -> bytes:
    """Return a photo as a JPEG with nothing in it but the picture.

    Raises
    ------
    ArtworkUnreadable, ArtworkRefused
        When it is no picture we read, or too large.
    """
    # Loading this takes a tenth of a second, which those without photos need not wait for.
    from PIL import Image, ImageOps, UnidentifiedImageError

    if len(data) > MOST_PICTURE_BYTES:
        raise ArtworkRefused(
            f"This photo is {len(data) / 1e6:.0f} MB, over the {MOST_PICTURE_BYTES / 1e6:.0f} MB we carry.",
            "Save it smaller.",
        )
    try:
        with warnings.catch_warnings():
            # What it warns of is refused below, in our own words.
            warnings.simplefilter("ignore")
            with Image.open(io.BytesIO(data), formats=PICTURE_KINDS) as image:
                if image.width * image.height > _MOST_PIXELS:
                    raise ArtworkRefused(
                        f"This photo is {image.width} by {image.height} pixels, more than we carry.", "Save it smaller."
                    )
                upright = ImageOps.exif_transpose(image).convert("RGB")
    except (UnidentifiedImageError, OSError, SyntaxError, ValueError, Image.DecompressionBombError) as error:
        raise ArtworkUnreadable(
            "This photo cannot be read: it is broken, or not what its name says.", "Save it anew as JPEG or PNG."
        ) from error
    upright.thumbnail((_LONGEST_SIDE, _LONGEST_SIDE))
    held = io.BytesIO()
    # A fresh picture of the same dots: nothing of the file's own notes comes along.
    Image.frombytes("RGB", upright.size, upright.tobytes()).save(held, "JPEG", quality=_QUALITY)
    return held.getvalue()
