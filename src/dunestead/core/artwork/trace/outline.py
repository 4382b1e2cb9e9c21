"""The outlines of ink as few smooth curves, and pictures as drawings."""

import hashlib
from dataclasses import dataclass, field
from functools import lru_cache

import cv2
import numpy as np
import numpy.typing as npt
from contourpy import contour_generator

from dunestead.core.artwork.drawing import Drawing, Shape
from dunestead.core.artwork.trace.centreline import centre_lines
from dunestead.core.artwork.trace.ink import Ink, find_ink
from dunestead.core.artwork.trace.paper import Grey, evened, straightened
from dunestead.core.artwork.trace.settings import TraceSettings, check_trace
from dunestead.core.checkpoints import tell
from dunestead.core.errors import ArtworkRefused
from dunestead.core.geometry.affine import IDENTITY
from dunestead.core.geometry.fitting import FitRules, fit_closed, join_fitted
from dunestead.core.geometry.strokes import Pen

__all__ = ["TRACING", "Picture", "Tracing", "trace"]

Points = npt.NDArray[np.float64]
# A picture with more edge than this, in pixels, is looked at from further away, and when that is not enough, refused.
_MOST_EDGE, _SMALLEST_SIDE = 80_000, 800
_BLACK = "#000000"
# What is told while it goes on.
TRACING = "Tracing the picture"
# How far a curve may stray, as a share of the mean width of the ink: it costs about two thirds of that in overlap.
_STRAYING = 0.022
# Bounds of that in pixels: finer than the first is grain, and coarser than the second shows.
_FINEST, _COARSEST = 0.18, 1.0
# How many times closer at no smoothing, and further at full.
_TRUE, _FLOWING = 0.4, 4.0


@dataclass(frozen=True, slots=True)
class Picture:
    """A picture in grey, known by the hash of its file.

    Attributes
    ----------
    grey
        Shape ``(h, w)``, 0 black to 255 white, upright.
    """

    digest: str
    grey: Grey = field(compare=False)


@dataclass(frozen=True, slots=True)
class Tracing:
    """What a picture became.

    Attributes
    ----------
    drawing
        In pixels of the straightened sheet.
    threshold
        Grey in force.
    points
        How many points its curves run through.
    longest
        Longer side of the picture that was looked at, pixels.
    """

    drawing: Drawing
    threshold: float = field(compare=False)
    points: int = field(compare=False)
    longest: int = field(default=0, compare=False)

    def pen_share(self, width: float, pen: float) -> float:
        """Return which pen, as a share of the picture, is so wide when the whole drawing has a width; both mm.

        The drawing is as wide as its lines' middles and a pen.
        """
        x = np.concatenate([shape.path.segments[..., 0].ravel() for shape in self.drawing.shapes])
        return pen * float(np.ptp(x)) / max(width - pen, pen) / self.longest


@lru_cache(maxsize=32)
def trace(picture: Picture, settings: TraceSettings, colour: str = _BLACK) -> Tracing:
    """Return the drawing on a picture as curves.

    Raises
    ------
    BadInput
        When settings cannot be traced by, or no drawing shows.
    ArtworkRefused
        When there is more edge than a mask can have.
    """
    check_trace(settings)
    ink, contours = _seen(picture, settings)
    digest = hashlib.sha256(f"{picture.digest} {settings!r} {colour}".encode()).hexdigest()
    if settings.ink == "line":
        drawn = centre_lines(ink, settings)
        shapes = tuple(
            Shape(path, IDENTITY, stroke=colour, pen=Pen(pen, cap="round", join="round")) for path, pen in drawn
        )
    else:
        path = join_fitted([fit_closed(contour, _rules(settings, ink)) for contour in contours])
        # Ink lies on the same hand of every contour, so holes run the other way, and where a curve crosses
        # itself in a tight corner no crumb of paper is left.
        shapes = (Shape(path, IDENTITY, fill=colour, fill_rule="nonzero"),)
    points = sum(len(shape.path.segments) for shape in shapes)
    return Tracing(Drawing(digest, shapes), ink.level, points, max(ink.field.shape))


@lru_cache(maxsize=8)
def _flat(picture: Picture, corners: object, *, even: bool) -> Grey:
    grey = picture.grey if corners is None else straightened(picture.grey, corners)  # type: ignore[arg-type]
    return evened(grey) if even else grey


def _seen(picture: Picture, settings: TraceSettings) -> tuple[Ink, list[Points]]:
    """Return the ink and its contours, of a picture made smaller while it has more edge than can be followed.

    Raises
    ------
    ArtworkRefused
        When it still has too much.
    """
    grey = _flat(picture, settings.corners, even=settings.evened and not settings.inverted)
    while True:
        tell(TRACING)
        ink = find_ink(grey, settings)
        contours = _contours(ink)
        if sum(map(len, contours)) <= _MOST_EDGE:
            return ink, contours
        if max(grey.shape) < 2 * _SMALLEST_SIDE:
            raise ArtworkRefused(
                "This picture has too much fine detail for a mask.",
                "Raise the threshold, the despeckling, or take a calmer picture.",
            )
        grey = cv2.resize(grey, None, fx=0.5, fy=0.5, interpolation=cv2.INTER_AREA).astype(np.uint8)


def _rules(settings: TraceSettings, ink: Ink) -> FitRules:
    """Return how close curves keep: the finer the ink is drawn, the closer; soft edges show their corners later."""
    usual = min(max(_STRAYING * ink.mean_width, _FINEST), _COARSEST)
    bend = settings.smooth * 2 - 1
    tolerance = usual * (_FLOWING**bend if bend > 0 else _TRUE**-bend)
    return FitRules(tolerance, reach=3 + 2 * settings.smooth + ink.blur, rounding=0.5 + ink.blur)


def _contours(ink: Ink) -> list[Points]:
    """Return closed contours at the level, to a fraction of a pixel, with points about a pixel apart."""
    lines = contour_generator(z=ink.field, name="serial").lines(ink.level)
    contours = [_even_steps(np.asarray(line, float)[:-1]) for line in lines if len(line) > 4]
    return [contour for contour in contours if len(contour) >= 4]


def _even_steps(loop: Points) -> Points:
    closed = np.vstack([loop, loop[:1]])
    way = np.append(0.0, np.linalg.norm(np.diff(closed, axis=0), axis=1).cumsum())
    count = round(float(way[-1]))
    if count < 4:
        return np.empty((0, 2))
    at = np.arange(count) * way[-1] / count
    return np.column_stack([np.interp(at, way, closed[:, k]) for k in (0, 1)])
