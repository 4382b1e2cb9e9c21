"""When should the mask come off?"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import Literal, get_args

from dunestead.core.curing.drying import Weather, drying_factor
from dunestead.core.figures import Material, Paint, PeelTime

__all__ = ["PEEL_TIMES", "PeelFirst", "PeelSchool", "PeelWindow", "WetWork", "peel_schools", "peel_window"]

PEEL_TIMES: tuple[PeelTime, ...] = get_args(PeelTime)
PeelFirst = Literal["keepers", "sheet"]
_WHY: dict[PeelTime, str] = {
    "wet": "Peel while the paint is wet: once it skins over it tears along the edge.",
    "set": "Let it set, so that it does not run, but peel before it is dry, so that it does not crack.",
    "touch-dry": "Peel when it is dry to the touch: sooner it strings, much later it cracks along the edge.",
    "at-once": "Peel at once, or not before it is dry to the touch; in between it strings.",
    "dry": "Peel when it is dry: this mask is warmed to let go, and warmth smears paint that is not.",
    "five-minutes": "Peel within five minutes: later, paint dries onto a mask that is used again.",
}


@dataclass(frozen=True, slots=True)
class WetWork:
    """What goes on wet on wet before a peel.

    Attributes
    ----------
    minutes
        Of the hands, for all coats that nothing dries between.
    paint_dried
        Whether other paint through the same mask has dried before.
    """

    minutes: float
    paint_dried: bool = False


@dataclass(frozen=True, slots=True)
class PeelSchool:
    """One way of timing the peel: whether it will do here, whether it is the usual, and why."""

    when: PeelTime
    allowed: bool
    usual: bool
    why: str


@dataclass(frozen=True, slots=True)
class PeelWindow:
    """From when to when the mask should come off.

    Attributes
    ----------
    when
        The kind of peel.
    opens, closes
        Minutes after the last coat.
    since_first
        At most so many minutes after the first stroke of what is wet; None where that does not matter.
    keepers_first
        Whether the keepers come off before the sheet: when wet, so that no hand brushes them.
    """

    when: PeelTime
    opens: float
    closes: float
    since_first: float | None
    keepers_first: bool
    why: str


def peel_schools(paint: Paint, material: Material, factor: float, work: WetWork) -> list[PeelSchool]:
    """Return every way of timing a peel, held against the last paint and the mask; the usual one first.

    Parameters
    ----------
    paint, material
        Of the last coating through the mask, and of the mask.
    factor
        By how much drying stretches.
    work
        What is wet.

    Notes
    -----
    The mask decides where it must (film on a carrier comes off dry, a mask that is used again within five
    minutes), then the paint by the kind of mask, then the paint alone. From the first stroke to a wet peel there
    is at most the paint's touch-dry time; where dabbing takes longer, or where paint has dried under the mask before,
    it is peeled when touch-dry.
    """
    usual = _usual(paint, material)
    barred = {when: why for when in PEEL_TIMES if (why := _barred(when, paint, material, factor, work))}
    if usual in barred:
        usual, because = "touch-dry", f"{barred[usual]} "
    else:
        because = ""
    found = [
        PeelSchool(
            when, when not in barred, when == usual, barred.get(when) or f"{because * (when == usual)}{_WHY[when]}"
        )
        for when in PEEL_TIMES
    ]
    return sorted(found, key=lambda one: (not one.usual, not one.allowed))


def _usual(paint: Paint, material: Material) -> PeelTime:
    family = "paper" if material.kind in ("paper", "card") else "film"
    return material.peel or paint.peel.get(family) or paint.peel["any"]


def _barred(when: PeelTime, paint: Paint, material: Material, factor: float, work: WetWork) -> str:
    """Return why a peel will not do, empty where it will."""
    usual = _usual(paint, material)
    if material.peel:
        return "" if when == material.peel else f"{material.name} has its own time. {_WHY[material.peel]}"
    if when not in set(_schools(paint, usual)):
        return f"Not with {paint.name.lower()}: {_WHY[usual]}"
    if when in ("wet", "at-once") and work.paint_dried:
        return "Paint that dried under the mask before would tear with it."
    touch = paint.touch * factor
    if when == "wet" and work.minutes > touch:
        return f"Dabbing takes {work.minutes:.0f} min, and the first paint is dry to the touch after {touch:.0f}."
    return ""


def _schools(paint: Paint, usual: PeelTime) -> Iterator[PeelTime]:
    """Yield the times makers use for a paint."""
    yield usual
    if paint.peels_also:
        yield paint.peels_also
    if not paint.is_sprayed:
        # Brushed paint: schools differ; touch-dry is the way out where wet will not do.
        yield from ("wet", "touch-dry") if "wet" in paint.peel.values() else ("touch-dry",)


def peel_window(
    paint: Paint,
    material: Material,
    weather: Weather,
    figures: Mapping[str, float],
    work: WetWork,
    wanted: PeelTime | None = None,
) -> PeelWindow:
    """Return the peel window of a paint through a mask.

    Parameters
    ----------
    paint
        Of the last coating through the mask.
    material, weather, figures
        Of the mask, where it dries, and of the workshop.
    work
        What is wet.
    wanted
        The maker's school; where it will not do, the usual one is taken and it is said why.
    """
    factor = drying_factor(weather, figures)
    schools = peel_schools(paint, material, factor, work)
    chosen = next((one for one in schools if one.when == wanted and one.allowed), schools[0])
    refused = next((one for one in schools if one.when == wanted and not one.allowed), None)
    why = f"{refused.why} {chosen.why}" if refused else chosen.why
    when = chosen.when
    opens, closes = {
        "wet": (0.0, min(figures["wet_until"], paint.touch)),
        "set": (figures["set_from"], figures["set_until"]),
        "touch-dry": (paint.touch, paint.touch * figures["touch_dry_until"]),
        "at-once": (0.0, figures["wet_until"]),
        "dry": (paint.handle, paint.handle * figures["dry_until"]),
        "five-minutes": (0.0, figures["five_until"]),
    }[when]
    if when != "five-minutes":
        opens, closes = opens * factor, closes * factor
    since_first = {"wet": paint.touch * factor, "five-minutes": closes}.get(when)
    if when == "five-minutes" and work.minutes > closes:
        why += (
            f" All coats take {work.minutes:.0f} min: paint one, or peel, let it dry and lay the mask again by its "
            "marks for the next."
        )
    return PeelWindow(when, opens, closes, since_first, when in ("wet", "at-once", "five-minutes"), why)
