"""Where will the mask tear when weeded, or lift under the brush? Necks, held at both ends, and tongues with a free one.

Both are stretches of the mask's medial axis narrower than a limit. A stretch that ends in a tip is a
tongue; one that opens into wider mask at both ends, or branches, is a neck.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass, field
from functools import lru_cache
from typing import Literal

import numpy as np
import numpy.typing as npt
import shapely

from dunestead.core.artwork.finding import FindingKind, Severity, least_for, over_run, severity_under
from dunestead.core.figures import Figure
from dunestead.core.mask.axis import AxisSide
from dunestead.core.mask.bridges import Bridge
from dunestead.core.mask.stretches import Chain, stretches_under

__all__ = ["NECK", "TONGUE", "WeakKind", "WeakPlace", "weak_limit", "weak_places"]

Points = npt.NDArray[np.float64]
Floats = npt.NDArray[np.float64]
WeakKind = Literal["neck", "tongue"]
NECK = FindingKind(
    "neck",
    "mask",
    lambda f, measured, limit, unit: (
        f"A neck of the mask is {measured} wide{over_run(f, unit)}; {least_for(f)} {limit}, or it tears."
    ),
    is_weak=True,
)
TONGUE = FindingKind(
    "tongue",
    "mask",
    lambda f, measured, limit, unit: (
        f"A tongue of the mask is {measured} wide{over_run(f, unit)}; {least_for(f)} {limit}. "
        "Dab towards the tip, never against it."
    ),
    is_weak=True,
)
# What is this many times as wide as the limit is still shown, as something to know of.
_SHOWN_TO = 1.5
# Widths are known to this, mm.
_KNOWN_TO = 0.1
# Connected are what is this much wider still, lest an edge a little uneven make many places of one.
_HYSTERESIS = 1.1
# Where the mask widens by more than this share of the way, a stretch opens into what is around it; a tongue may taper.
_NECK_OPENS, _TONGUE_OPENS = 0.25, 0.5
# Around whatever wide mask a neck holds, its two sides are at least this many widths of it apart along the edge;
# nearer, they are the two sides of a dent.
_WAY_AROUND = 2.0
# A tongue this much wider further out hangs by its stem.
_HEAD = 1.3
# A tongue shorter than this, mm, or than half the limit, or hardly longer than it is wide at its root, gives the
# brush nothing to lift: it is a notch.
_SHORTEST_TONGUE, _LONGER_THAN_WIDE = 1.0, 1.5
# What hangs by a stem is a knob on a tongue up to so many times the limit across, from a stem so many times as long as
# it is wide on; else it is wide mask behind a neck.
_KNOB, _STEM = 3.0, 2.0
# A tongue that tapers to less than this share of its root lies in the crotch of a corner, which holds it from both
# sides: up to so many times the limit long it is no more than something to know of, and none up to the limit.
_TAPERS, _CROTCH = 0.5, 2.5
_TIED_WITHIN = 0.5
_COURSE = 0.02


@dataclass(frozen=True, slots=True)
class WeakPlace:
    """A narrow place of the mask.

    Attributes
    ----------
    kind
        ``neck`` or ``tongue``.
    at
        Where a neck is narrowest; the middle of a tongue. mm.
    width, length, limit
        mm: the least of a neck, the median along a tongue; along the axis; what material and surface ask for.
    toward
        Unit vector from a tongue's root to its tip, the way to dab; None for a neck.
    path
        The axis through it, for a tongue from root to tip, shape ``(n, 2)``.
    tip
        The free end of a tongue.
    """

    kind: WeakKind
    at: tuple[float, float]
    width: float
    length: float
    limit: float
    severity: Severity
    toward: tuple[float, float] | None = None
    path: tuple[tuple[float, float], ...] = field(default=(), compare=False)
    tip: tuple[float, float] | None = None


def weak_limit(web: Figure, least_part: Figure | None) -> Figure:
    """Return the least width of mask: as the surface asks for between windows, or the material of a part."""
    return max((web, least_part), key=lambda figure: figure.value) if least_part else web


def weak_places(axis: AxisSide, limit: Figure, bridges: Sequence[Bridge] = ()) -> tuple[WeakPlace, ...]:
    """Return the necks and tongues of a mask, the weakest first.

    Parameters
    ----------
    axis
        Of the mask between painted places, tapers included.
    limit
        Least width of mask, mm; what is up to half wider is shown too.
    bridges
        A tongue that one ends on has no free end any more.

    Examples
    --------
    >>> none = AxisSide(np.empty((0, 2)), np.empty(0), np.empty((0, 2), int), np.empty(0))
    >>> weak_places(none, Figure(4, 3, 6, "mm", ""))
    ()
    """
    ends = np.array([end for bridge in bridges for end in (bridge.start, bridge.end)])
    return tuple(place for place in _untied(axis, limit) if not _is_tied(place, ends))


@lru_cache(maxsize=128)
def _untied(axis: AxisSide, limit: Figure) -> tuple[WeakPlace, ...]:
    if not len(axis.links):
        return ()
    shown_to = limit.value * _SHOWN_TO + _KNOWN_TO
    found: list[WeakPlace] = []
    for stretch in stretches_under(axis, shown_to * _HYSTERESIS, _KNOB * limit.value):
        hanging = [(chain, place) for chain in stretch.necks if (place := _hanging(chain, limit))]
        stems = [chain for chain, _ in hanging]
        found += [place for _, place in hanging]
        found += _necks([chain for chain in stretch.necks if chain not in stems], limit, _WAY_AROUND * shown_to)
        found += [tongue for chain in stretch.tongues if (tongue := _tongue(chain, limit))]
    return tuple(sorted((p for p in found if p.width <= shown_to), key=lambda place: (place.width, place.at)))


def _necks(chains: Sequence[Chain], limit: Figure, way_around: float) -> list[WeakPlace]:
    """Return the necks of one stretch, the narrowest first; chains that meet near one already told say nothing new."""
    found: list[WeakPlace] = []
    for chain in sorted(chains, key=lambda chain: chain.least):
        if chain.way[int(np.argmin(chain.width))] < way_around:
            continue
        place = _neck(chain, limit)
        if all(math.dist(place.at, other.at) > max(place.width, limit.value) for other in found):
            found.append(place)
    return found


def _is_tied(place: WeakPlace, ends: Points) -> bool:
    if place.tip is None or not len(ends):
        return False
    reach = place.width / 2 + _TIED_WITHIN
    return bool((np.hypot(*(ends - np.array(place.tip)).T) <= reach).any())


def _openings_off(at: Points, width: Floats, window: float, slope: float, *, both: bool) -> slice:
    """Return the stretch of a chain without the ends at which it opens into wider mask: by more than a slope."""
    way = np.append(0.0, np.cumsum(np.linalg.norm(np.diff(at, axis=0), axis=1)))
    first, last = 0, len(way) - 1
    while first < last and _opens(way, width, first, 1, window, slope):
        first += 1
    while both and last > first and _opens(way, width, last, -1, window, slope):
        last -= 1
    return slice(first, last + 1)


def _opens(way: Floats, width: Floats, index: int, step: int, window: float, slope: float) -> bool:
    """Say whether from a node inwards the mask gets narrower by more than a share of the way."""
    other = index + step
    while 0 <= other < len(way):
        run = abs(way[other] - way[index])
        if run > 0 and width[index] - width[other] > slope * run + 1e-3:
            return True
        if run > window:
            return False
        other += step
    return False


def _to_mouth(chain: Chain, index: int, step: int) -> float:
    """Return how far beyond a node the mouth of a stretch is, read off how wide the next node is.

    Past the two corners of a mouth w wide, the disc at x from it is sqrt(w² + 4x²) across.
    """
    onward = index + step
    if 0 <= onward < len(chain.width):
        wide, at = float(chain.width[onward]), chain.at[onward]
    else:
        opening = chain.before if step < 0 else chain.after
        if opening is None:
            return 0.0
        wide, at = opening[2], np.array(opening[:2])
    beyond = float(np.sqrt(max(wide**2 - float(chain.width[index]) ** 2, 0.0))) / 2
    return max(float(np.hypot(*(at - chain.at[index]))) - beyond, 0.0)


def _neck(chain: Chain, limit: Figure) -> WeakPlace:
    k = int(np.argmin(chain.width))
    width = float(chain.width[k])
    held = _openings_off(chain.at, chain.width, max(0.25, width / 4), _NECK_OPENS, both=True)
    path = chain.at[held]
    length = float(np.linalg.norm(np.diff(path, axis=0), axis=1).sum())
    length += _to_mouth(chain, held.start, -1) + _to_mouth(chain, held.stop - 1, 1)
    at = (float(chain.at[k, 0]), float(chain.at[k, 1]))
    # Where it is as narrow over a stretch, it is pointed at in the middle of that.
    same = np.flatnonzero(chain.width <= width + _KNOWN_TO / 10)
    if len(same) > 2:
        middle = chain.at[int(same[len(same) // 2])]
        at = (float(middle[0]), float(middle[1]))
    return WeakPlace("neck", at, width, length, limit.value, _severity(width, limit), path=_as_path(path))


def _tongue(chain: Chain, limit: Figure) -> WeakPlace | None:
    held = _openings_off(chain.at, chain.width, max(0.25, chain.least / 4), _TONGUE_OPENS, both=False)
    at, widths = chain.at[held], chain.width[held]
    steps = np.linalg.norm(np.diff(at, axis=0), axis=1)
    way = np.append(0.0, np.cumsum(steps))
    # A blunt tip lies half its width beyond the last disc.
    length = float(way[-1] + widths[-1] / 2) + _to_mouth(chain, held.start, -1)
    stem = _stem(widths)
    half = way[-1] / 2 if stem is None else float(way[stem])
    width = float(np.interp(half, way, widths))
    if length < max(limit.value / 2, _SHORTEST_TONGUE, _LONGER_THAN_WIDE * float(widths.max())):
        return None
    tapers = float(widths[-1]) < _TAPERS * float(widths[0])
    if tapers and length < limit.value:
        return None
    severity: Severity = "note" if tapers and length < _CROTCH * limit.value else _severity(width, limit)
    along = at[-1] - at[0]
    run = float(np.hypot(*along))
    if run < 1e-6:
        return None
    toward = along / run
    tip = at[-1] + toward * widths[-1] / 2
    middle = (float(np.interp(half, way, at[:, 0])), float(np.interp(half, way, at[:, 1])))
    return WeakPlace(
        "tongue",
        middle,
        width,
        length,
        limit.value,
        severity,
        (float(toward[0]), float(toward[1])),
        _as_path(at),
        (float(tip[0]), float(tip[1])),
    )


def _hanging(chain: Chain, limit: Figure) -> WeakPlace | None:
    """Return a knob on a thin stem as a tongue from the stem's root to the far side of the knob; None for a neck."""
    knob = chain.knob
    if knob is None or not len(knob.width):
        return None
    at = chain.at if knob.is_last else chain.at[::-1]
    stem = _neck(chain, limit)
    if stem.length < _STEM * stem.width:
        return None
    away = np.hypot(*(knob.at - at[0]).T) + knob.width / 2
    far = int(np.argmax(away))
    toward = (knob.at[far] - at[0]) / max(float(np.hypot(*(knob.at[far] - at[0]))), 1e-9)
    tip = knob.at[far] + toward * knob.width[far] / 2
    return WeakPlace(
        "tongue",
        stem.at,
        stem.width,
        stem.length + float(np.hypot(*(tip - at[-1]))),
        limit.value,
        stem.severity,
        (float(toward[0]), float(toward[1])),
        _as_path(np.vstack([at, knob.at[far]])),
        (float(tip[0]), float(tip[1])),
    )


def _stem(widths: Floats) -> int | None:
    """Return where a tongue that is wider further out is narrowest, None for one that is not."""
    head = np.maximum.accumulate(widths[::-1])[::-1]
    hangs = np.flatnonzero(head > _HEAD * widths)
    return int(hangs[np.argmin(widths[hangs])]) if len(hangs) else None


def _severity(width: float, limit: Figure) -> Severity:
    return "note" if width >= limit.value * (1 - 1e-6) else severity_under(width, limit)


def _as_path(at: Points) -> tuple[tuple[float, float], ...]:
    """Return an axis with no more points than show its course."""
    line = shapely.simplify(shapely.LineString(at), _COURSE) if len(at) > 1 else shapely.Point(at[0])
    return tuple((float(x), float(y)) for x, y in shapely.get_coordinates(line))
