"""Which way does a mask travel and hold? What rules a method out, and what speaks for the others."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from dunestead.core.figures import Catalogue, Material, Method, Surface
from dunestead.core.units import several, show_length, show_temperature

__all__ = ["MethodFit", "MethodWork", "rank_methods"]

_FULL = 100
_EFFORT, _RISK, _PLACED, _MOST_PLACED = 10, 10, 2, 20
_TAPE_ON_COARSE, _TIGHT_FIELD = 10, 15


@dataclass(frozen=True, slots=True)
class MethodWork:
    """What a job asks of its method.

    Attributes
    ----------
    surface
        With the blank's own heat limit.
    kept, windows
        How many pieces are placed by hand, and windows taken out, of one set of masks.
    size
        Width and height of the largest mask, mm.
    is_reverse, by_hand
        Whether the shapes are the mask, and whether a knife in the hand cuts it.
    """

    surface: Surface
    material: Material
    kept: int
    windows: int
    size: tuple[float, float]
    is_reverse: bool
    by_hand: bool


@dataclass(frozen=True, slots=True)
class MethodFit:
    """A method held against a job: whether nothing rules it out, its score, and why."""

    method: Method
    allowed: bool
    score: int
    why: tuple[str, ...]

    @property
    def key(self) -> str:
        """Key of the methods' table."""
        return self.method.key


def rank_methods(work: MethodWork, catalogue: Catalogue, unit: str = "mm") -> list[MethodFit]:
    """Return every method held against a job, the most fitting first; what is ruled out comes last, with why."""
    methods = list(catalogue.methods.values())
    fits = [_fit(method, work, unit, methods) for method in methods]
    return sorted(fits, key=lambda fit: (not fit.allowed, -fit.score))


def _fit(method: Method, work: MethodWork, unit: str, methods: Sequence[Method]) -> MethodFit:
    against = tuple(_exclusions(method, work, unit, methods))
    if against:
        return MethodFit(method, False, 0, against)
    parts = list(_score(method, work))
    return MethodFit(method, True, _FULL + sum(points for points, _ in parts), tuple(why for _, why in parts))


def _exclusions(method: Method, work: MethodWork, unit: str, methods: Sequence[Method]) -> Iterator[str]:
    surface, material = work.surface, work.material
    if material.key not in method.materials:
        yield f"It is not for {material.name.lower()}."
    # A knife in the hand makes a mask hold no better: what it is laid by must hold here.
    laid_by = [other for other in methods if not other.by_hand] if method.by_hand else [method]
    if not any(material.key in other.materials and _works_on(other, surface) for other in laid_by):
        yield f"It does not hold on {surface.name.lower()}."
    elif method.press and material.holds_from is not None:
        yield from _too_cold(material, surface, unit)
    if method.reverse and not work.is_reverse:
        yield "It carries shapes that are the mask; here the sheet around them is."
    if work.is_reverse and not method.reverse and not method.by_hand and method.keepers not in ("mat", "carrier"):
        yield "The field is weeded away, so there is no sheet left to lay: shapes are carried in groups."
    if work.by_hand and not method.by_hand:
        yield "It is cut by hand here; a cutter leaves pieces in their places, a knife does not."
    if not work.is_reverse:
        yield from _too_large(method, work, unit)
    if method.keepers == "none" and work.kept and not work.is_reverse:
        yield f"{several(work.kept, 'piece')} would be loose; a mask that is used again needs every one bridged."


def _works_on(method: Method, surface: Surface) -> bool:
    return surface.family in method.works_on or surface.key in method.works_on


def _too_cold(material: Material, surface: Surface, unit: str) -> Iterator[str]:
    holds = show_temperature(material.holds_from or 0.0, unit)
    if surface.heat is None:
        yield f"{material.name} does not hold below {holds}; {surface.name.lower()} takes no heat."
    elif surface.heat < (material.holds_from or 0.0):
        yield f"{material.name} does not hold below {holds}; this blank takes {show_temperature(surface.heat, unit)}."


def _too_large(method: Method, work: MethodWork, unit: str) -> Iterator[str]:
    if method.most_long is not None and method.most_wide is not None:
        long, wide = max(work.size), min(work.size)
        if long > method.most_long or wide > method.most_wide:
            yield (
                f"Without tape a mask of {show_length(long, unit)} by {show_length(wide, unit)} folds on itself: "
                f"{show_length(method.most_long, unit)} by {show_length(method.most_wide, unit)} at most."
            )
    if method.most_windows is not None and work.windows > method.most_windows:
        yield f"{work.windows} windows leave it no hold of its own: {method.most_windows} at most without tape."


def _score(method: Method, work: MethodWork) -> Sequence[tuple[int, str]]:
    """Return what counts for and against a method: points, and a sentence each."""
    parts = [
        (-_EFFORT * method.effort, ("Little work.", "Some work.", "Much work.")[method.effort - 1]),
        (-_RISK * method.risk, ("Little can go wrong.", "Some care is needed.", "Easily spoiled.")[method.risk - 1]),
    ]
    placed = min(_PLACED * work.kept, _MOST_PLACED)
    if placed and "tack-place" in method.tack:
        parts.append((-placed, f"{several(work.kept, 'piece')} placed one by one."))
    if method.tape and not method.press and work.surface.coarse:
        parts.append((-_TAPE_ON_COARSE, "On a coarse mat the tape holds better than the mat does."))
    if work.is_reverse and not method.reverse:
        parts.append((-_TIGHT_FIELD, "Shapes lose their spacing unless they are carried in groups."))
    if method.by_hand and not work.by_hand:
        parts.append((-_TIGHT_FIELD, "A cutter is at hand."))
    return parts
