"""What goes along with a print: what it is made with, when it may be used and washed, how it is kept."""

from dataclasses import dataclass
from datetime import datetime

from dunestead.core.plan.plan import Plan
from dunestead.core.units import several, show_time
from dunestead.core.work.cautions import CAUTIONS, LABEL_FIRST

__all__ = ["CareCard", "care_of"]

_CLEAN = {
    "coir": "Shake it out or brush it. Sponge spots with cold water; no soaking, no machine.",
    "low-pile": "Vacuum or shake it. Wash it cold on the gentle cycle, inside out where it folds; dry it flat.",
    "cloth": "Wash it cool and inside out, with no bleach and no softener. Dry it on a line.",
    "smooth": "Wipe it with a soft damp cloth. No scouring, no dishwasher.",
    "leather": "Wipe it with a dry cloth. Keep it from soaking rain; a little neutral wax once a year.",
}
_PLACE = {
    "coir": "Under a roof it lasts longest: the fibres wear out before good paint does.",
    "low-pile": "On a dry floor, with something under it that does not slip.",
    "cloth": "Out of strong sun while it is not worn.",
    "smooth": "Out of the weather, unless its finish is made for it.",
    "leather": "Out of strong sun and away from heaters.",
}


@dataclass(frozen=True, slots=True)
class CareCard:
    """A card's lines: what it is made with, from when it is used and washed, how it is cleaned, where, and cautions."""

    title: str
    made: str
    use: str
    wash: str
    clean: str
    place: str
    cautions: str


def care_of(plan: Plan, use: datetime | None, wash: datetime | None) -> CareCard:
    """Return what a print's card says.

    Parameters
    ----------
    use, wash
        From when it may be; None where that is not known yet, or where it is never washed.
    """
    surface = plan.choices.surface
    cautions = [CAUTIONS[key] for key in surface.used_cautions]
    if any("food" in coat.paint.cautions for coat in plan.coatings) or plan.job.paint.use == "food-near":
        cautions.append(CAUTIONS["food"])
    return CareCard(
        title=plan.job.name,
        made=_made(plan),
        use=_from(use, max(coat.drying.use for coat in plan.coatings), "In use"),
        wash=_wash(plan, wash),
        clean=f"{_CLEAN.get(surface.family, _CLEAN['smooth'])}{_ironing(plan)}",
        place=_PLACE.get(surface.family, _PLACE["smooth"]),
        cautions=" ".join([*dict.fromkeys(cautions), LABEL_FIRST]),
    )


def _made(plan: Plan) -> str:
    coats = []
    for coat in plan.coatings:
        colour = f" in {coat.named}" if coat.named else ""
        coats.append(f"{coat.paint.name.lower()}{colour}, {several(coat.coats, 'coat')}")
    text = "; ".join(dict.fromkeys(coats))
    return f"{plan.choices.surface.name}, painted by hand through a cut mask: {text}."


def _ironing(plan: Plan) -> str:
    """Return whether the print may be ironed: no hot iron on what is not set with heat."""
    if plan.choices.surface.heat is None or plan.choices.surface.coarse:
        return ""
    colours = [coat.paint for coat in plan.coatings if coat.role in ("colour", "over-colour")]
    is_set = all(paint.heat_set for paint in colours if paint.technique != "brush")
    return " Iron it from the back." if is_set else " No hot iron on the print: its paint is not set with heat."


def _from(moment: datetime | None, minutes: float, what: str) -> str:
    if moment is None:
        return f"{what} {show_time(minutes)} after the last coat."
    return f"{what} from {moment:%d.%m.%Y, %H:%M}."


def _wash(plan: Plan, wash: datetime | None) -> str:
    times = [coat.drying.wash for coat in plan.coatings if coat.drying.wash is not None]
    return _from(wash, max(times), "First wash") if times else "Not for the washing machine."
