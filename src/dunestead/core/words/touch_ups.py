"""What is said of what is gone over: gaps of bridges, and what was marked."""

from dunestead.core.colours import colour_name
from dunestead.core.figures import Material, Surface
from dunestead.core.plan.touch_ups import BridgeGap
from dunestead.core.units import show_length
from dunestead.core.work.marks import MarkKind

__all__ = ["MARK_NAMES", "gap_in_words", "remedy_for"]

MARK_NAMES: dict[MarkKind, str] = {
    "bare": "Bare",
    "thin": "Thin",
    "missed": "Missed",
    "bleed": "Bleed",
    "torn": "Torn bits",
}


def gap_in_words(gap: BridgeGap, unit: str) -> str:
    """Return what a bridge left, and what to do about it."""
    size = f"{show_length(gap.width, unit)} by {show_length(gap.length, unit)}"
    return f"Bridge gap {gap.number}, {size}: fill it in {colour_name(gap.colour)} with a fine brush, or leave it."


def remedy_for(what: MarkKind, surface: Surface, material: Material, ground: str, *, masked: bool) -> str:
    """Return what to do about a marked place.

    Parameters
    ----------
    ground
        Colour under the print.
    masked
        Whether the mask is still on: then it is a second pass.
    """
    if masked:
        return {
            "thin": "One more thin coat there.",
            "missed": "Paint it now: later it is a touch-up by hand.",
        }.get(what, "Dab it in now, straight down.")
    if what == "bleed":
        if surface.edge_seal and not surface.coarse:
            return "Scrape it off with a blade, or take it off with alcohol on a swab, before it is hard."
        return f"Cover it in {colour_name(ground)}, the colour of the ground, with a fine brush."
    if what == "torn":
        roller = ", then a lint roller" if material.kind == "film" else ""
        return f"Lift the bits off with tweezers{roller}."
    return "Dab the colour in with a fine brush."
