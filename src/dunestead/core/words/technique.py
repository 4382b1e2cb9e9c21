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
        found.append(
            Tip("First coat", "Keep it very light: it seals the edge of the mask, so that nothing creeps under it.")
        )
    if keepers:
        found.append(Tip("Centres", "Look after each coat: push back what has lifted, with tweezers or a dry brush."))
    return found


def _brushed(surface: Surface, load: CoatLoad, tongues: int) -> Iterator[Tip]:
    if surface.coarse and load == "heavy":
        yield Tip("Load", "Load the brush well. If bare fibre shows, add more.")
        yield Tip("Motion", "Dab straight down, then work it between the fibres. Never sweep sideways.")
    elif surface.coarse:
        yield Tip("Load", "Take a little on the brush and give more coats: it is slower, but less runs under the mask.")
        yield Tip("Motion", "Dab straight down on the tips of the fibres; the next coat fills what is left.")
    else:
        yield Tip("Load", "Take little on the brush and dab it off on paper first. Thin coats do not creep.")
        yield Tip("Motion", "Dab straight up and down, never sideways.")
    if tongues:
        yield Tip(
            "Direction",
            f"Paint the {several(tongues, 'tongue')} from root to tip, as the arrows show, or straight down; never "
            "against a tip.",
        )
    if not surface.coarse:
        yield Tip("Pools", "Paint that stands in a corner creeps: lift it off with a dry brush.")


def _sprayed(paint: Paint, figures: Mapping[str, float], unit: str) -> Iterator[Tip]:
    tool = "airbrush" if paint.technique == "airbrush" else "spray"
    near, far = (show_length(figures[f"{tool}_{end}"], unit) for end in ("near", "far"))
    yield Tip("Distance", f"Stay {near} to {far} from the surface, all the way across.")
    if tool == "spray":
        yield Tip(
            "Can",
            "Shake it for as long as its label says. Hold it upright and aim straight: a slanted jet creeps under.",
        )
    else:
        yield Tip("Airbrush", "Aim straight, in light, even passes. Try the flow on paper first.")
    yield Tip("Passes", "Begin and end each pass beyond the edge of the mask, and keep moving.")
    yield Tip(
        "Coats", "Give light coats, minutes apart. You can add but never take away; what looks wet has had enough."
    )


def _flowing(paint: Paint) -> Iterator[Tip]:
    if paint.flow == "runny":
        yield Tip(
            "Runny", "Take less on the brush and give thinner coats: it creeps under the mask sooner than others."
        )
    elif paint.flow == "thick":
        yield Tip("Thick", "Work it in well. It covers in fewer coats, but pulls strings when it is peeled late.")


def _thinned(coat: PlannedCoating, unit: str) -> Iterator[Tip]:
    thin = coat.paint.thin
    if thin is None:
        return
    paint, thinner = thin.of(coat.amount.coat_ml)
    yield Tip(
        "Thinning",
        f"Mix {thin.paint:g} parts paint with {thin.parts:g} {thin.with_}: {show_volume(paint, unit)} and "
        f"{show_volume(thinner, unit)} for a coat.",
    )
