"""The weak places of a job's masks, and what opens or fills them where they are."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.artwork.compose import Composition, PlacedElement
from dunestead.core.artwork.elements import Element, Frame, Mend, MendKind
from dunestead.core.artwork.finding import Finding, FindingKind
from dunestead.core.figures import Catalogue, Figure
from dunestead.core.job.job import altered
from dunestead.core.looking.look import Look
from dunestead.core.looking.masks import LaidMask
from dunestead.core.looking.ties import tie
from dunestead.core.mask.findings import MOST_FINDINGS, STROKE_THIN, SUMMED, widths_of
from dunestead.core.mask.tying import CutPlan
from dunestead.core.mask.weak import NECK, TONGUE, WeakKind, WeakPlace, weak_limit, weak_places

__all__ = ["FoundWeak", "mended", "mended_at", "mended_spots", "weak_findings", "weak_of"]


_MOST_MENDS = 40
_KINDS: Mapping[WeakKind, FindingKind] = {"neck": NECK, "tongue": TONGUE}


@dataclass(frozen=True, slots=True)
class FoundWeak:
    """A weak place with the mask it is in, and as something found in the design.

    Attributes
    ----------
    listed
        Whether it is told by itself: of very many alike only the worst are.
    """

    place: WeakPlace
    laid: LaidMask
    finding: Finding
    listed: bool = True


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


def weak_findings(look: Look, catalogue: Catalogue) -> tuple[FoundWeak, ...]:
    """Return the weak places of all masks that are narrower than they should be, and those a little wider."""
    _, subject = _limit(look, catalogue)
    found = []
    for laid in look.masks:
        for place in weak_of(look, laid, tie(look, laid, catalogue), catalogue):
            widths = (place.width, place.limit)
            finding = Finding(_KINDS[place.kind], place.severity, place.at, *widths, subject, run=place.length)
            found.append(FoundWeak(place, laid, finding))
    return tuple(_summed(found))


def _summed(found: Sequence[FoundWeak]) -> list[FoundWeak]:
    """Return weak places; where very many of a kind are to be mended, the worst few stand for them in a list."""
    shown = list(found)
    for kind in _KINDS:
        alike = [k for k, one in enumerate(found) if one.place.kind == kind and one.place.severity != "note"]
        if len(alike) <= MOST_FINDINGS:
            continue
        alike.sort(key=lambda k: (found[k].place.width, found[k].place.at))
        for k in alike[SUMMED:]:
            shown[k] = replace(found[k], listed=False)
        worst = found[alike[0]]
        shown[alike[0]] = replace(worst, finding=replace(worst.finding, more=len(alike) - SUMMED))
    return shown


def mended(look: Look, weak: FoundWeak, width: float) -> tuple[Element, ...] | None:
    """Return the elements with a weak place made so wide, mm; None when no element beside it can be mended.

    Paint beside a mask is taken away; of a reverse mask the place itself is filled.
    """
    place = weak.place
    points = _out_of_its_mouths(place, width)
    return _with_mends(look, points, "fill" if weak.laid.is_reverse else "open", width, max(width, place.width) / 2)


def mended_at(look: Look, at: tuple[float, float], kind: MendKind, width: float) -> tuple[Element, ...] | None:
    """Return the elements with a place of the design filled or opened so wide, mm; None when nothing there can be."""
    return _with_mends(look, np.array([at]), kind, width, width / 2)


def mended_spots(look: Look, found: FindingKind, under: float, width: float) -> tuple[Element, ...] | None:
    """Return the elements with every stroke or web narrower than ``under`` made ``width`` wide, mm, all along.

    None when there is none, or more of them than a maker would want mended.
    """
    places: list[npt.NDArray[np.float64]] = []
    for laid in look.masks:
        widths = widths_of(laid.painted, laid.mask)
        side = widths.strokes if found is STROKE_THIN else widths.webs
        for stretch in side.stretches_under(under):
            places += _runs(_spread(side.at[stretch], width / 3), width)
    if not 0 < len(places) <= _MOST_MENDS:
        return None
    kind: MendKind = "fill" if (found is STROKE_THIN) != look.job.mask.reverse else "open"
    for place in places:
        elements = _with_mends(look, place, kind, width, width / 2)
        if elements is None:
            return None
        # Each mend is set in the design as it is: only what the elements keep of it adds up.
        look = replace(look, job=altered(look.job, elements=elements), composition=_mending(look, elements))
    return look.job.elements


def _mending(look: Look, elements: tuple[Element, ...]) -> Composition:
    by_number = {element.id: element for element in elements}
    placed = tuple(replace(one, element=by_number[one.element.id]) for one in look.composition.placed)
    return replace(look.composition, placed=placed)


def _spread(points: npt.NDArray[np.float64], apart: float) -> npt.NDArray[np.float64]:
    """Return points of a stretch no nearer to each other than a distance, its narrowest first."""
    kept: list[npt.NDArray[np.float64]] = []
    for point in points:
        if all(np.hypot(*(point - other)) >= apart for other in kept):
            kept.append(point)
    return np.array(kept)


def _runs(points: npt.NDArray[np.float64], reach: float) -> list[npt.NDArray[np.float64]]:
    """Return points strung together from an end on, each to the nearest that is left, parted where that is far."""
    left = list(points)
    at = left.pop(int(np.argmax(np.linalg.norm(points - points.mean(axis=0), axis=1))))
    runs = [[at]]
    while left:
        away = [float(np.hypot(*(point - at))) for point in left]
        nearest = int(np.argmin(away))
        at = left.pop(nearest)
        if away[nearest] > reach:
            runs.append([])
        runs[-1].append(at)
    return [np.array(run) for run in runs]


def _with_mends(
    look: Look, points: npt.NDArray[np.float64], kind: MendKind, width: float, reach: float
) -> tuple[Element, ...] | None:
    """Return the elements with a strip along points of the design mended in each of them that is within reach."""
    on_blank = points + np.array(look.composition.origin)
    line = shapely.LineString(on_blank) if len(points) > 1 else shapely.Point(on_blank[0])
    beside = [
        placed
        for placed in look.composition.placed
        if placed.copies == 1 and not isinstance(placed.element, Frame) and shapely.dwithin(placed.region, line, reach)
    ]
    if not beside:
        return None
    changed = {placed.element.id: _with_mend(placed, on_blank, width, kind) for placed in beside}
    return tuple(changed.get(element.id, element) for element in look.job.elements)


def _out_of_its_mouths(place: WeakPlace, width: float) -> npt.NDArray[np.float64]:
    """Return the axis through a place, drawn out where it opens, so that it is as wide at its very mouth."""
    points = np.array(place.path or (place.at,), float)
    if len(points) < 2:
        return points
    steps = np.array([points[0] - points[1], points[-1] - points[-2]])
    first, last = points[[0, -1]] + steps / np.maximum(np.hypot(*steps.T), 1e-9)[:, None] * width
    return np.vstack([first, points, *([last] if place.kind == "neck" else [])])


def _with_mend(placed: PlacedElement, points: npt.NDArray[np.float64], width: float, kind: MendKind) -> Element:
    shares = placed.to_blank.inverse().apply(points)
    path = tuple((round(float(x), 7), round(float(y), 7)) for x, y in shares)
    mend = Mend(kind, path, round(width, 4))
    return replace(placed.element, mends=(*placed.element.mends, mend))
