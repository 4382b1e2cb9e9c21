"""How paint is put on: a card for this surface, this paint, this tool."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from dunestead.core.figures import Paint, Surface
from dunestead.core.painting.coats import CoatLoad
from dunestead.core.plan.coats import PlannedCoating
from dunestead.core.units import several, show_length, show_volume

__all__ = ["Tip", "tips_for"]


@dataclass(frozen=True, slots=True)
class Tip:
    """One line of the card."""

    title: str
    text: str


def tips_for(
    coat: PlannedCoating,
    surface: Surface,
    figures: Mapping[str, float],
    *,
    load: CoatLoad,
    tongues: int,
    keepers: int,
    unit: str,
) -> list[Tip]:
    """Return how a coating is put on, in the order it is read.

    Parameters
    ----------
    figures
        Of the workshop: distances of can and airbrush, mm.
    load
        Heavy or light coats, where a brush works paint into a coarse surface.
    tongues, keepers
        How many there are in the mask.
    """
    by_air = coat.paint.is_sprayed
    tips = _sprayed(coat.paint, figures, unit) if by_air else _brushed(surface, load, tongues)
    found = [*tips, *_flowing(coat.paint), *_thinned(coat, unit)]
    if coat.coats > 1:
        found.append(Tip("First coat", "Very light: it seals the edge of the mask, so that nothing creeps under it."))
    if keepers:
        found.append(Tip("Centres", "Look after each coat: push back what has lifted, with tweezers or a dry brush."))
    return found


def _brushed(surface: Surface, load: CoatLoad, tongues: int) -> Iterator[Tip]:
    if surface.coarse and load == "heavy":
        yield Tip("Load", "Plenty on the brush. Bare fibre showing means too little.")
        yield Tip("Motion", "Straight down, then worked between the fibres; never swept sideways.")
    elif surface.coarse:
        yield Tip("Load", "A little on the brush, more coats: slower, and less runs under the mask.")
        yield Tip("Motion", "Straight down on the tips of the fibres; the next coat fills what is left.")
    else:
        yield Tip("Load", "Little on the brush: dab it off on paper first. Thin coats do not creep.")
        yield Tip("Motion", "Straight up and down, never sideways.")
    if tongues:
        yield Tip(
            "Direction",
            f"{several(tongues, 'tongue')}: from the root to the tip, as the arrows show, or straight down; never "
            "against a tip.",
        )
    if not surface.coarse:
        yield Tip("Pools", "Paint that stands in a corner creeps: lift it off with a dry brush.")


def _sprayed(paint: Paint, figures: Mapping[str, float], unit: str) -> Iterator[Tip]:
    tool = "airbrush" if paint.technique == "airbrush" else "spray"
    near, far = (show_length(figures[f"{tool}_{end}"], unit) for end in ("near", "far"))
    yield Tip("Distance", f"{near} to {far} from the surface, all the way across.")
    if tool == "spray":
        yield Tip("Can", "Shake it for as long as its label says. Upright, aimed square: a slanted jet creeps under.")
    else:
        yield Tip("Airbrush", "Aimed square, light even passes; try the flow on paper first.")
    yield Tip("Passes", "Begin and end each pass beyond the edge of the mask, and keep moving.")
    yield Tip("Coats", "Light ones, minutes apart. You can add, never take away; what looks wet has had enough.")


def _flowing(paint: Paint) -> Iterator[Tip]:
    if paint.flow == "runny":
        yield Tip("Runny", "Less on the brush and thinner coats: it creeps under the mask sooner than others.")
    elif paint.flow == "thick":
        yield Tip("Thick", "Work it in well; it hides in fewer coats, and strings when it is peeled late.")


def _thinned(coat: PlannedCoating, unit: str) -> Iterator[Tip]:
    thin = coat.paint.thin
    if thin is None:
        return
    paint, thinner = thin.of(coat.amount.coat_ml)
    yield Tip(
        "Thinning",
        f"{thin.paint:g} parts paint to {thin.parts:g} {thin.with_}: {show_volume(paint, unit)} and "
        f"{show_volume(thinner, unit)} for a coat.",
    )
