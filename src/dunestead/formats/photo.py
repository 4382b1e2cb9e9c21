"""Photos in: turned upright, made smaller, without where and with what they were taken."""

import io

from dunestead.formats.picture import open_upright

__all__ = ["clean_photo", "small_photo"]

# More is not seen on a screen.
_LONGEST_SIDE, _QUALITY = 1600, 85
_SMALL_SIDE = 480


def clean_photo(data: bytes) -> bytes:
    """Return a photo as a JPEG with nothing in it but the picture.

    Raises
    ------
    ArtworkUnreadable, ArtworkRefused
        When it is no picture we read, or too large.
    """
    # Loading this takes a tenth of a second, which those without photos need not wait for.
    from PIL import Image

    upright = open_upright(data, "photo", "Save it smaller.").convert("RGB")
    upright.thumbnail((_LONGEST_SIDE, _LONGEST_SIDE))
    held = io.BytesIO()
    # A fresh picture of the same dots: nothing of the file's own notes comes along.
    Image.frombytes("RGB", upright.size, upright.tobytes()).save(held, "JPEG", quality=_QUALITY)
    return held.getvalue()


def small_photo(data: bytes) -> bytes:
    """Return a kept photo as small as a list of them shows it."""
    from PIL import Image

    photo = Image.open(io.BytesIO(data))
    photo.thumbnail((_SMALL_SIDE, _SMALL_SIDE))
    held = io.BytesIO()
    photo.save(held, "JPEG", quality=_QUALITY)
    return held.getvalue()
