"""The weak places of a job's masks, and what opens or fills them where they are."""

from collections.abc import Iterator
from dataclasses import dataclass, replace

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.artwork.compose import PlacedElement
from dunestead.core.artwork.elements import Element, Frame, Mend
from dunestead.core.artwork.finding import Finding
from dunestead.core.figures import Catalogue, Figure
from dunestead.core.looking.look import Look
from dunestead.core.looking.masks import LaidMask
from dunestead.core.looking.ties import tie
from dunestead.core.mask.findings import widths_of
from dunestead.core.mask.tying import CutPlan
from dunestead.core.mask.weak import WeakPlace, weak_limit, weak_places

__all__ = ["FoundWeak", "mended", "weak_findings", "weak_of"]


@dataclass(frozen=True, slots=True)
class FoundWeak:
    """A weak place with the mask it is in, and as something found in the design."""

    place: WeakPlace
    laid: LaidMask
    finding: Finding


def weak_of(look: Look, laid: LaidMask, cut: CutPlan, catalogue: Catalogue) -> tuple[WeakPlace, ...]:
    """Return the necks and tongues of one mask as it is tied."""
    limit, _ = _limit(look, catalogue)
    return weak_places(widths_of(laid.painted, laid.mask).spits, limit, cut.bridges)


def _limit(look: Look, catalogue: Catalogue) -> tuple[Figure, str]:
    """Return the least width of mask, and what sets it."""
    figures, job = catalogue.figures, look.job
    web, part = figures["surface", job.blank.surface, "web"], figures.get(("material", job.mask.material, "least_part"))
    limit = weak_limit(web, part)
    return limit, look.choices.surface.name if limit is web else look.choices.material.name


def weak_findings(look: Look, catalogue: Catalogue) -> Iterator[FoundWeak]:
    """Yield the weak places of all masks that are narrower than they should be, and those a little wider."""
    _, subject = _limit(look, catalogue)
    for laid in look.masks:
        for place in weak_of(look, laid, tie(look, laid, catalogue), catalogue):
            finding = Finding(place.kind, place.severity, place.at, place.width, place.limit, subject, run=place.length)
            yield FoundWeak(place, laid, finding)


def mended(look: Look, weak: FoundWeak, width: float) -> tuple[Element, ...] | None:
    """Return the elements with a weak place made so wide, mm; None when no element beside it can be mended.

    Paint beside a mask is taken away; of a reverse mask the place itself is filled.
    """
    place = weak.place
    ox, oy = look.composition.origin
    points = _out_of_its_mouths(place, width) + np.array((ox, oy))
    line = shapely.LineString(points) if len(points) > 1 else shapely.Point(points[0])
    beside = [
        placed
        for placed in look.composition.placed
        if placed.copies == 1
        and not isinstance(placed.element, Frame)
        and shapely.dwithin(placed.region, line, max(width, place.width) / 2)
    ]
    if not beside:
        return None
    changed = {placed.element.id: _with_mend(placed, points, width, weak.laid) for placed in beside}
    return tuple(changed.get(element.id, element) for element in look.job.elements)


def _out_of_its_mouths(place: WeakPlace, width: float) -> npt.NDArray[np.float64]:
    """Return the axis through a place, drawn out where it opens, so that it is as wide at its very mouth."""
    points = np.array(place.path or (place.at,), float)
    if len(points) < 2:
        return points
    steps = np.array([points[0] - points[1], points[-1] - points[-2]])
    first, last = points[[0, -1]] + steps / np.maximum(np.hypot(*steps.T), 1e-9)[:, None] * width
    return np.vstack([first, points, *([last] if place.kind == "neck" else [])])


def _with_mend(placed: PlacedElement, points: npt.NDArray[np.float64], width: float, laid: LaidMask) -> Element:
    shares = placed.to_blank.inverse().apply(points)
    path = tuple((round(float(x), 7), round(float(y), 7)) for x, y in shares)
    mend = Mend("fill" if laid.is_reverse else "open", path, round(width, 4))
    return replace(placed.element, mends=(*placed.element.mends, mend))
