"""When should the mask come off?"""

from collections.abc import Mapping
from dataclasses import dataclass

from dunestead.core.curing.drying import Weather, drying_factor
from dunestead.core.figures import Material, Paint, PeelTime

__all__ = ["PeelWindow", "peel_window"]

_WHY: dict[PeelTime, str] = {
    "wet": "Peel while the paint is wet: once it skins over it tears along the edge.",
    "set": "Let it set, so that it does not run, but peel before it is dry, so that it does not crack.",
    "touch-dry": "Peel when it is dry to the touch: sooner it strings, much later it cracks along the edge.",
    "at-once": "Peel at once, or not before it is dry to the touch; in between it strings.",
    "dry": "Peel when it is dry: this mask is warmed to let go, and warmth smears paint that is not.",
    "five-minutes": "Peel within five minutes: later, paint dries onto a mask that is used again.",
}


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
        At most so many minutes after the first stroke of the first coat; None where that does not matter.
    keepers_first
        Whether the keepers come off before the sheet: when wet, so that no hand brushes them.
    """

    when: PeelTime
    opens: float
    closes: float
    since_first: float | None
    keepers_first: bool
    why: str


def peel_window(
    paint: Paint, material: Material, weather: Weather, figures: Mapping[str, float], working: float
) -> PeelWindow:
    """Return the peel window of a paint through a mask.

    Parameters
    ----------
    paint
        Of the last coating through the mask.
    material, weather, figures
        Of the mask, where it dries, and of the workshop.
    working
        Minutes the hands take for all coats through the mask.

    Notes
    -----
    The mask decides where it must (film on a carrier comes off dry, a mask that is used again within five
    minutes), then the paint by the kind of mask, then the paint alone. From the first stroke to a wet peel there
    is at most the paint's touch-dry time; where dabbing takes longer, it is peeled when touch-dry.
    """
    family = "paper" if material.kind in ("paper", "card") else "film"
    when = material.peel or paint.peel.get(family) or paint.peel["any"]
    factor = drying_factor(weather, figures)
    why = _WHY[when]
    if when == "wet" and working > paint.touch * factor:
        when = "touch-dry"
        why = (
            f"Dabbing takes {working:.0f} min, and the first paint is dry to the touch after "
            f"{paint.touch * factor:.0f}: peel when all of it is. {_WHY[when]}"
        )
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
    since_first = paint.touch * factor if when == "wet" else None
    return PeelWindow(when, opens, closes, since_first, when in ("wet", "at-once", "five-minutes"), why)
