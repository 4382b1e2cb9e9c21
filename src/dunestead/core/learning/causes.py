"""What goes wrong, from a short list: so that it can be counted over jobs, and said where the same choice is made."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from dunestead.core.learning.finished import Finished
from dunestead.core.plan.plan import Plan

__all__ = ["CAUSES", "Cause", "Tally", "tallies_at", "tallies_of"]


@dataclass(frozen=True, slots=True)
class Cause:
    """One thing that goes wrong.

    Attributes
    ----------
    name
        As it is chosen from the list.
    did
        As it is told of a mask or a paint: "it lifted".
    """

    key: str
    name: str
    did: str


_ROWS = (
    ("too-fine", "Lettering too small or too fine", "filled in or broke up"),
    ("measured-wrong", "Measured wrong, cut again", "was cut again, measured wrong"),
    ("mirrored-wrong", "Mirrored wrongly", "was mirrored wrongly"),
    ("did-not-cut", "Did not cut or weed cleanly", "did not cut cleanly"),
    ("weeded-wrong", "Wrong part weeded", "was weeded wrongly"),
    ("lost-piece", "A loose piece was lost", "lost a loose piece"),
    ("tore", "The mask tore", "tore"),
    ("stuck-to-itself", "The mask stuck to itself", "stuck to itself"),
    ("off-centre", "Laid off centre or crooked", "lay off centre"),
    ("halves-apart", "Halves did not meet", "did not meet at a seam"),
    ("lifted", "The mask lifted", "lifted"),
    ("scorched", "Scorched or softened by heat", "was scorched"),
    ("bled", "Paint crept under the edge", "let paint under its edge"),
    ("ran", "Paint ran", "ran"),
    ("on-neighbour", "Colour on its neighbour, or on the blank", "let colour on its neighbour"),
    ("too-thin", "Too little paint, bare spots", "came out too thin"),
    ("off-register", "A second colour did not line up", "did not line up"),
    ("wind", "Wind took the mask", "was taken by the wind"),
    ("peeled-late", "Peeled too late: it cracked or tore", "cracked, peeled too late"),
    ("peeled-early", "Peeled too early: it ran", "ran, peeled too early"),
    ("left-in", "A piece was left in the print", "left a piece in the print"),
    ("fibres", "Fibres came along", "took fibres along"),
    ("washed-early", "Washed or used too soon", "was washed too soon"),
    ("wore", "It did not wear well", "did not wear well"),
)
CAUSES: Mapping[str, Cause] = {row[0]: Cause(*row) for row in _ROWS}
# What is told of the paint; all else is told of the mask.
_OF_PAINT = ("ran", "too-thin", "washed-early", "wore", "peeled-late", "peeled-early", "bled")


@dataclass(frozen=True, slots=True)
class Tally:
    """How often something went wrong where the same choice was made.

    Attributes
    ----------
    jobs, of
        In how many finished jobs, of how many with that choice.
    spoiled
        Copies spoiled by it.
    """

    cause: Cause
    jobs: int
    of: int
    spoiled: int


def tallies_at(station: str, finished: Iterable[Finished], plan: Plan) -> list[tuple[str, Tally]]:
    """Return what went wrong where the choices of a station were made before, each with what was chosen.

    Masks are chosen at *Mask*, paints at *Paint*; elsewhere nothing is said.
    """
    finished, surface = list(finished), plan.choices.surface
    on = f"on {surface.name[:1].lower()}{surface.name[1:]}"
    if station == "mask":
        material = plan.choices.material
        found = tallies_of(finished, surface=surface.key, material=material.key)
        return [(f"{material.name} {on}", one) for one in found]
    if station != "paint":
        return []
    paints = {coat.paint.key: coat.paint.name for coat in plan.coatings}
    return [
        (f"{name} {on}", one)
        for key, name in paints.items()
        for one in tallies_of(finished, surface=surface.key, paint=key)
    ]


def tallies_of(finished: Iterable[Finished], *, surface: str, material: str = "", paint: str = "") -> list[Tally]:
    """Return what went wrong on a surface with a choice, the most frequent first.

    Parameters
    ----------
    finished
        All finished jobs.
    surface, material, paint
        Keys; what is empty may be anything. Of a paint only what paint is to blame for is counted, of a mask the rest.
    """
    alike = [
        one
        for one in finished
        if one.surface == surface and material in ("", one.material) and (not paint or paint in one.paints)
    ]
    found = []
    for key, cause in CAUSES.items():
        if (key in _OF_PAINT) != bool(paint):
            continue
        jobs = [one for one in alike if key in one.troubles]
        if jobs:
            found.append(Tally(cause, len(jobs), len(alike), sum(one.troubles[key] for one in jobs)))
    return sorted(found, key=lambda one: (-one.jobs, -one.spoiled))
