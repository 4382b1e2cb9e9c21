"""Which way does a mask travel and hold? What rules a method out, and what speaks for the others."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from dunestead.core.figures import Catalogue, Material, Press, Surface
from dunestead.core.method import Method
from dunestead.core.units import several, show_length, show_temperature

__all__ = ["MethodFit", "MethodWork", "Part", "rank_methods"]

_FULL = 100
_EFFORT, _RISK, _PLACED, _MOST_PLACED = 10, 10, 2, 20
_TAPE_ON_COARSE, _TIGHT_FIELD, _CARRIED, _MOST_AGAIN = 10, 15, 5, 10

_EFFORTS = ("Little work.", "Some work.", "Much work.")
_RISKS = ("Little can go wrong.", "Some care is needed.", "Easily spoiled.")


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
    copies, sprayed
        How many are made, and whether the blank is carried to where it is sprayed.
    plate
        The hot plate at hand.
    """

    surface: Surface
    material: Material
    kept: int
    windows: int
    size: tuple[float, float]
    is_reverse: bool
    by_hand: bool
    copies: int = 1
    sprayed: bool = False
    plate: Press | None = None


@dataclass(frozen=True, slots=True)
class Part:
    """What counts for or against a method: points, and why."""

    points: int
    why: str


@dataclass(frozen=True, slots=True)
class MethodFit:
    """A method held against a job.

    Attributes
    ----------
    allowed
        Whether nothing rules it out.
    against
        What does.
    parts
        What its score is made of: it starts from 100.
    """

    method: Method
    against: tuple[str, ...] = ()
    parts: tuple[Part, ...] = ()

    @property
    def allowed(self) -> bool:
        """Whether nothing rules it out."""
        return not self.against

    @property
    def score(self) -> int:
        """How well it suits, of 100; 0 for what is ruled out."""
        return _FULL + sum(part.points for part in self.parts) if self.allowed else 0

    @property
    def why(self) -> tuple[str, ...]:
        """What rules it out, or else what its score is made of."""
        return self.against or tuple(part.why for part in self.parts)

    @property
    def key(self) -> str:
        """Key of the methods' table."""
        return self.method.key


def rank_methods(work: MethodWork, catalogue: Catalogue, unit: str = "mm") -> list[MethodFit]:
    """Return every method held against a job, the most fitting first; what is ruled out comes last, with why."""
    methods = list(catalogue.methods.values())
    fits = [_fit(method, work, unit, catalogue) for method in methods]
    return sorted(fits, key=lambda fit: (not fit.allowed, -fit.score))


def _fit(method: Method, work: MethodWork, unit: str, catalogue: Catalogue) -> MethodFit:
    methods = list(catalogue.methods.values())
    against = (*_exclusions(method, work, unit, methods), *_lacking(method, catalogue))
    return MethodFit(method, against) if against else MethodFit(method, (), tuple(_score(method, work)))


def _lacking(method: Method, catalogue: Catalogue) -> Iterator[str]:
    """Yield what the workshop does not have; where nobody has said, it has everything."""
    if catalogue.owned is not None and (missing := [key for key in method.tools if key not in catalogue.owned]):
        named = " and ".join(catalogue.tools[key][0].lower() + catalogue.tools[key][1:] for key in missing)
        yield f"It needs {named}, and your workshop has none."


def _exclusions(method: Method, work: MethodWork, unit: str, methods: Sequence[Method]) -> Iterator[str]:
    surface, material = work.surface, work.material
    if material.key not in method.materials:
        yield f"It is not for {material.name.lower()}."
    # A knife in the hand makes a mask hold no better: what it is laid by must hold here.
    laid_by = [other for other in methods if not other.by_hand] if method.by_hand else [method]
    if not any(material.key in other.materials and _works_on(other, surface) for other in laid_by):
        yield f"It does not hold on {surface.name.lower()}."
    elif method.press and material.holds_from is not None:
        yield from _too_cold(material, surface, work.plate, unit)
    if method.reverse and not work.is_reverse:
        yield "It carries shapes that are the mask; here the sheet around them is."
    if work.is_reverse and not method.reverse and not method.by_hand and method.keepers not in ("mat", "carrier"):
        yield "The field is weeded away, so there is no sheet left to lay: shapes are carried in groups."
    if work.by_hand and not method.by_hand:
        yield "It is cut by hand here; a cutter leaves pieces in their places, a knife does not."
    if not work.is_reverse:
        yield from _too_large(method, work, unit)
    if method.keepers == "none" and work.kept and not work.is_reverse:
        yield f"{several(work.kept, 'piece')} would be loose; a mask that is used again needs all of them bridged."


def _works_on(method: Method, surface: Surface) -> bool:
    return surface.family in method.works_on or surface.key in method.works_on


def _too_cold(material: Material, surface: Surface, plate: Press | None, unit: str) -> Iterator[str]:
    holds = show_temperature(material.holds_from or 0.0, unit)
    if surface.heat is None:
        yield f"{material.name} does not hold below {holds}; {surface.name.lower()} takes no heat."
    elif surface.heat < (material.holds_from or 0.0):
        yield f"{material.name} does not hold below {holds}; this blank takes {show_temperature(surface.heat, unit)}."
    elif plate is not None and plate.heat < (material.holds_from or 0.0):
        reaches = show_temperature(plate.heat, unit)
        yield f"{material.name} does not hold below {holds}; the {plate.name.lower()} reaches {reaches}."


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


def _score(method: Method, work: MethodWork) -> Iterator[Part]:
    """Yield what counts for and against a method."""
    yield Part(-_EFFORT * method.effort, _EFFORTS[method.effort - 1])
    yield Part(-_RISK * method.risk, _RISKS[method.risk - 1])
    placed = min(_PLACED * work.kept, _MOST_PLACED)
    if placed and method.places_pieces:
        yield Part(-placed, f"{several(work.kept, 'piece')} placed one by one.")
        if work.copies > 1:
            again = min(work.copies - 1, _MOST_AGAIN)
            yield Part(-again, f"And again on each of {work.copies} copies.")
    if method.tape and not method.press and work.surface.coarse:
        yield Part(-_TAPE_ON_COARSE, "On a coarse mat the tape holds better than the mat does.")
    if work.is_reverse and not method.reverse:
        yield Part(-_TIGHT_FIELD, "Shapes lose their spacing unless they are carried in groups.")
    if method.by_hand and not work.by_hand:
        yield Part(-_TIGHT_FIELD, "A cutter is at hand.")
    if work.sprayed and work.material.holds_from is not None and method.board is None:
        yield Part(-_CARRIED, "It is carried to where it is sprayed: what heat holds lets go when the blank bends.")
