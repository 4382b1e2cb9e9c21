"""Which paint suits this job best? What rules one out comes first, then what speaks for each."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from statistics import median

from dunestead.core.figures import Catalogue, Material, Paint, Surface, Use
from dunestead.core.painting.weather import Verdict
from dunestead.core.tacking.methods import Part
from dunestead.core.units import show_time

__all__ = ["USES", "PaintFit", "PaintWork", "rank_paints"]

USES: dict[Use, str] = {
    "open": "an open doorstep",
    "sheltered": "a sheltered doorstep",
    "indoor": "indoors",
    "worn": "wearing and washing",
    "touched": "daily handling",
    "food-near": "a table with food near",
}


@dataclass(frozen=True, slots=True)
class PaintWork:
    """What a job asks of its paint.

    Attributes
    ----------
    owned
        Keys of the tools the workshop has, None where it has not said.
    until_due
        Minutes until it is wanted, None where it is not due.
    light_on_dark
        Whether the lightest colour is much lighter than its ground.
    pieces
        Loose pieces that a brush could lift.
    spraying
        Whether it is weather for spraying.
    swatches
        What came of paints on this surface, from 1 to 5, by their keys.
    """

    surface: Surface
    material: Material
    use: Use
    owned: frozenset[str] | None = None
    until_due: float | None = None
    light_on_dark: bool = False
    pieces: int = 0
    spraying: Verdict = "go"
    swatches: Mapping[str, tuple[int, ...]] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class PaintFit:
    """A paint held against a job: what rules it out, else its score and what that is made of."""

    paint: Paint
    allowed: bool
    why: tuple[str, ...]
    parts: tuple[Part, ...]

    @property
    def score(self) -> int:
        """All points together, 0 for what will not do."""
        return sum(part.points for part in self.parts) if self.allowed else 0


def rank_paints(work: PaintWork, catalogue: Catalogue) -> list[PaintFit]:
    """Return every paint that colours are painted with, the most fitting first, then those that will not do.

    Among equals the order of the table holds.
    """
    fits = []
    for paint in catalogue.paints.values():
        if "colour" not in paint.roles:
            continue
        why = tuple(_excluded(work, paint))
        parts = () if why else tuple(_parts(work, paint, catalogue.workshop))
        fits.append(PaintFit(paint, not why, why, parts))
    return sorted(fits, key=lambda fit: (not fit.allowed, -fit.score))


def _excluded(work: PaintWork, paint: Paint) -> Iterator[str]:
    if not paint.suits(work.surface, work.surface.use) and not paint.suits(work.surface, work.use):
        yield f"Not meant for {work.surface.name.lower()}."
    elif not paint.suits(work.surface, work.use):
        yield f"On {work.surface.name.lower()} it does not stand the weather."
    if work.use not in paint.uses:
        yield f"It is not made for {USES[work.use]}."
    if paint.heat_set and work.surface.heat is None:
        yield f"It is set with heat, which {work.surface.name.lower()} does not take."
    if paint.technique == "airbrush" and work.owned is not None and "airbrush" not in work.owned:
        yield "It needs an airbrush, which your workshop does not have."
    if paint.technique == "spray" and work.owned is not None and "outdoors" not in work.owned:
        yield "It is sprayed outdoors, and your workshop has no place for it."
    needed = _ready_after(work, paint)
    if work.until_due is not None and needed > work.until_due:
        yield f"Ready after {show_time(needed)}, and it is due in {show_time(max(work.until_due, 0.0))}."


def _ready_after(work: PaintWork, paint: Paint) -> float:
    """Return minutes from its first coat to its use, or its first wash where it is washed."""
    last = paint.use if work.use != "worn" or paint.wash is None else max(paint.use, paint.wash)
    return (paint.coats_low - 1) * paint.next_coat + last


def _parts(work: PaintWork, paint: Paint, figures: Mapping[str, float]) -> Iterator[Part]:
    if results := work.swatches.get(paint.key):
        usual = median(results)
        if usual >= figures["swatch_good"]:
            yield Part(2, f"Your own swatches turned out well ({len(results)} tried).")
        elif usual <= figures["swatch_poor"]:
            yield Part(-3, f"Your own swatches turned out badly ({len(results)} tried).")
    surface = work.surface
    if paint.key in (surface.paint, surface.paint_outdoors) or paint.works_on[0] in (surface.key, surface.family):
        yield Part(3, f"Made for {work.surface.name.lower()}.")
    if paint.uses[0] == work.use:
        yield Part(2, f"Stands {USES[work.use]} best.")
    if work.use == "open" and "open" in paint.uses:
        yield Part(1, "Made for sun and rain.")
    if paint.coats_high <= figures["few_coats"]:
        yield Part(1, "Few coats.")
    if work.light_on_dark and paint.coats_high > figures["few_coats"]:
        yield Part(1, "Builds up over a dark ground.")
    if paint.is_sprayed:
        if work.pieces > figures["many_pieces"]:
            yield Part(1, f"No brush lifts the {work.pieces} loose pieces.")
        yield Part(-1, "Needs the surroundings covered, a respirator and gloves.")
        if paint.technique == "spray" and work.spraying in ("wait", "no"):
            yield Part(-2, "The weather is wrong for spraying.")
    elif work.surface.coarse:
        yield Part(1, "Can be worked down between the fibres.")
    if paint.technique == "airbrush":
        yield Part(1, "Thin, even passes.")
    if paint.heat_set:
        yield Part(-1, "Must be set with heat.")
