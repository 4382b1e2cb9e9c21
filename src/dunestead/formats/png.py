"""A sheet as a small picture, to be looked at before it is cut."""

import io

import numpy as np
import numpy.typing as npt
from PIL import Image, ImageDraw

from dunestead.core.cutting.drawing import SheetDrawing

__all__ = ["PIXELS_A_MM", "mask_shown", "write_png"]

PIXELS_A_MM = 4.0
_LARGEST = 3000
# Sums of colour values so far from both mask and ground are neither.
_SHADE = 12
_GROUND, _MASK, _MARK = "#fbf8f0", "#8a8f86", "#c2571a"


def write_png(drawing: SheetDrawing) -> bytes:
    """Return a picture of a sheet: mask grey, what is weeded light, marks in a warm colour."""
    scale = min(PIXELS_A_MM, _LARGEST / max(drawing.page))
    size = (max(round(drawing.page[0] * scale), 1), max(round(drawing.page[1] * scale), 1))
    image = Image.new("RGB", size, _GROUND)
    mask = Image.new("1", size, 0)
    for path in drawing.cuts:
        # Each line turns over what it goes around: mask, window, mask again.
        own = Image.new("1", size, 0)
        ImageDraw.Draw(own).polygon([tuple(point) for point in (path.points * scale).tolist()], fill=1)
        mask = Image.fromarray(np.asarray(mask) ^ np.asarray(own))
    image.paste(_MASK, mask=mask)
    draw = ImageDraw.Draw(image)
    for line in drawing.lines:
        draw.line([(x * scale, y * scale) for x, y in line.points], fill=_MARK, width=max(round(scale / 3), 1))
    draw.polygon([(x * scale, y * scale) for x, y in drawing.flag], fill=_MARK)
    for text in drawing.texts:
        x, y = text.at
        draw.text((x * scale, (y - text.height) * scale), text.text, fill=_MARK, font_size=max(text.height * scale, 8))
    held = io.BytesIO()
    image.save(held, "PNG", dpi=(scale * 25.4, scale * 25.4))
    return held.getvalue()


def mask_shown(data: bytes) -> tuple[npt.NDArray[np.bool_], npt.NDArray[np.bool_]]:
    """Return where a picture shows mask, and where marks hide what it shows, both ``(height, width)``."""
    pixels = np.asarray(Image.open(io.BytesIO(data)).convert("RGB")).astype(int)
    off = [np.abs(pixels - [int(colour[k : k + 2], 16) for k in (1, 3, 5)]).sum(axis=2) for colour in (_GROUND, _MASK)]
    return off[1] < off[0], np.minimum(*off) > _SHADE
