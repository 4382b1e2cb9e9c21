"""Where is ink, and where is paper?"""

import math
from dataclasses import dataclass

import cv2
import numpy as np
import numpy.typing as npt

from dunestead.core.artwork.trace.paper import Grey
from dunestead.core.artwork.trace.settings import TraceSettings
from dunestead.core.errors import BadInput

__all__ = ["Ink", "find_ink"]

Field = npt.NDArray[np.float32]
_LEAST_BLUR = 0.7
_MOST_BLUR = 3.0
# Grey that noise alone moves by more than this share of the contrast makes an edge fray.
_QUIET = 0.02
_LEAST_CONTRAST = 12.0
# Softened ink reaches so many times the softening; the darkest pixels, in hundredths of all, are wholly ink.
_SPREAD, _DARKEST = 2.5, 0.5


@dataclass(frozen=True, slots=True, eq=False)
class Ink:
    """A field of grey and the level at which ink begins.

    Attributes
    ----------
    field
        Shape ``(h, w)``; below the level is ink. There is paper all around.
    level
        Halfway between ink and paper, or the maker's own.
    blur
        How far edges were softened to quiet the noise, pixels.
    dark
        Grey of the darkest ink, before it was softened.
    """

    field: Field
    level: float
    blur: float
    dark: float = 0.0

    @property
    def coverage(self) -> npt.NDArray[np.float64]:
        """How much of each pixel ink covers, 0 to 1: softening spreads it and takes nothing away."""
        mask = self.mask
        paper = float(np.median(self.field[mask == 0]))
        reach = 2 * math.ceil(_SPREAD * self.blur) + 1
        about = cv2.dilate(mask, np.ones((reach, reach), np.uint8))
        share = (paper - self.field) / max(paper - self.dark, 1.0)
        covered: npt.NDArray[np.float64] = np.where(about > 0, np.clip(share, 0.0, 1.0), 0.0)
        return covered

    @property
    def mask(self) -> npt.NDArray[np.uint8]:
        """1 where there is ink."""
        return (self.field < self.level).astype(np.uint8)

    @property
    def mean_width(self) -> float:
        """Mean width of the ink, pixels: twice its area over the length of its edge."""
        mask = self.mask
        edge = int(np.count_nonzero(np.diff(mask, axis=0))) + int(np.count_nonzero(np.diff(mask, axis=1)))
        # Steps along a slanted edge are counted both ways, on the mean 4 / pi of its length.
        return 2 * float(mask.sum()) / max(edge / (4 / math.pi), 1.0)


def find_ink(grey: Grey, settings: TraceSettings) -> Ink:
    """Return the ink of a picture.

    Raises
    ------
    BadInput
        When it is of one grey all over, or nothing is left at this threshold.
    """
    if settings.inverted:
        grey = 255 - grey
    calm = cv2.medianBlur(grey, 3)
    low, high = (float(v) for v in np.percentile(calm, (0.2, 99.8)))
    if high - low < _LEAST_CONTRAST:
        raise BadInput("The picture is of one grey all over: no drawing shows.", "Take a picture with more contrast.")
    blur = _blur_for(grey, high - low)
    field = cv2.GaussianBlur(calm, (0, 0), blur).astype(np.float32)
    level = float(settings.threshold) if settings.threshold is not None else _halfway(field)
    # The picture's edge counts as paper, so that every outline closes.
    field = np.pad(field, 2, constant_values=255.0)
    field = _despeckled(field, level, settings.despeckle)
    if not (field < level).any():
        raise BadInput(
            "Nothing of the picture is darker than the threshold.", "Raise the threshold, or set it to auto."
        )
    return Ink(field, level, blur, float(np.percentile(grey, _DARKEST)))


def _blur_for(grey: Grey, contrast: float) -> float:
    """Return how much to soften: the noisier, the more. Noise is read off the finest detail of the flat places."""
    detail = cv2.Laplacian(grey, cv2.CV_32F, ksize=1)
    # The median of a Laplacian's size is 0.6745 deviations of it, which are sqrt(20) of the noise's own.
    noise = float(np.median(np.abs(detail))) / 0.6745 / np.sqrt(20)
    # Softening by s pixels leaves about 1 / (3.5 s) of the noise.
    return float(np.clip(noise / contrast / (3.5 * _QUIET), _LEAST_BLUR, _MOST_BLUR))


def _halfway(field: Field) -> float:
    """Return the level halfway between the usual grey of ink and of paper, which edges cross where they are."""
    levels = np.clip(field, 0, 255).astype(np.uint8)
    split, _ = cv2.threshold(levels, 0, 255, cv2.THRESH_BINARY + cv2.THRESH_OTSU)
    # Well inside of both, away from softened edges.
    deep = cv2.erode((levels <= split).astype(np.uint8), np.ones((3, 3), np.uint8)) > 0
    clear = cv2.erode((levels > split).astype(np.uint8), np.ones((5, 5), np.uint8)) > 0
    dark = levels[deep] if deep.sum() > 50 else levels[levels <= split]
    light = levels[clear] if clear.sum() > 50 else levels[levels > split]
    if not len(dark) or not len(light):
        return float(split)
    return float((np.median(dark) + np.median(light)) / 2)


def _despeckled(field: Field, level: float, across: int) -> Field:
    """Fill specks of ink and pinholes in it that are no more than so many pixels across."""
    if across <= 0:
        return field
    for is_ink, fill in ((True, 255.0), (False, 0.0)):
        chosen = (field < level) if is_ink else (field >= level)
        _, labels, stats, _ = cv2.connectedComponentsWithStats(chosen.astype(np.uint8), connectivity=8 if is_ink else 4)
        side = np.maximum(stats[:, cv2.CC_STAT_WIDTH], stats[:, cv2.CC_STAT_HEIGHT])
        small = (side <= across) & (np.arange(len(stats)) > 0)
        if small.any():
            specks = cv2.dilate(small[labels].astype(np.uint8), np.ones((3, 3), np.uint8)) > 0
            # What is dilated must not eat into a neighbour that stays.
            field = np.where(specks & (small[labels] | ~chosen), fill, field).astype(np.float32)
    return field
