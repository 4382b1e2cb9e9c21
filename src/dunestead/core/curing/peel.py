"""When should the mask come off?"""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime, timedelta

from dunestead.core.curing.drying import Room, drying_factor
from dunestead.core.figures import Material, Paint, PeelTime

__all__ = ["PeelWindow", "peel_window"]

_WHY: dict[PeelTime, str] = {
    "wet": "Peel while the paint is wet: once it skins over it tears along the edge.",
    "set": "Let it set, so that it does not run, but peel before it is dry, so that it does not crack.",
    "touch-dry": "Peel when it is dry to the touch: sooner it strings, much later it cracks along the edge.",
    "at-once": "Peel at once, or not before it is dry to the touch; in between it strings.",
}


@dataclass(frozen=True, slots=True)
class PeelWindow:
    """From when to when the mask should come off, in minutes after the last coat.

    Attributes
    ----------
    when
        The kind of peel.
    opens, closes
        Minutes after the last coat.
    opens_at, closes_at
        The moments, None until there is a last coat.
    keepers_first
        Whether the keepers come off before the sheet: when wet, so that no hand brushes them.
    """

    when: PeelTime
    opens: float
    closes: float
    opens_at: datetime | None
    closes_at: datetime | None
    keepers_first: bool
    why: str


def peel_window(
    paint: Paint, material: Material, room: Room, workshop: Mapping[str, float], last_coat: datetime | None
) -> PeelWindow:
    """Return the peel window of a paint through a mask.

    The mask decides where it must (film on a carrier comes off dry), then the paint by the kind
    of mask, then the paint alone.
    """
    family = "paper" if material.key.startswith(("paper", "card")) else "film"
    when = material.peel or paint.peel.get(family) or paint.peel["any"]
    factor = drying_factor(room, workshop)
    opens, closes = {
        "wet": (0.0, workshop["wet_until"]),
        "set": (workshop["set_from"], workshop["set_until"]),
        "touch-dry": (paint.touch, paint.touch * workshop["touch_dry_until"]),
        "at-once": (0.0, workshop["wet_until"]),
    }[when]
    opens, closes = opens * factor, closes * factor
    return PeelWindow(
        when,
        opens,
        closes,
        last_coat + timedelta(minutes=opens) if last_coat else None,
        last_coat + timedelta(minutes=closes) if last_coat else None,
        keepers_first=when in ("wet", "at-once"),
        why=_WHY[when],
    )
