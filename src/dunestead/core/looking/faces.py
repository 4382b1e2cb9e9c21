"""A maker's own words in another face: how many pieces come loose, and do they hold?"""

from dataclasses import dataclass, replace

from dunestead.core.artwork.elements import Words
from dunestead.core.artwork.painted import Painted, paint
from dunestead.core.artwork.sources import Sources
from dunestead.core.artwork.words.setting import set_words
from dunestead.core.figures import Catalogue
from dunestead.core.job.choices import Choices
from dunestead.core.mask.findings import Fitness, judge, limits_for
from dunestead.core.mask.loose import cut_mask
from dunestead.core.units import several, show_length

__all__ = ["TriedFace", "try_face"]

_NAMES = {"stroke": "strokes", "web": "mask", "part": "loose pieces"}


@dataclass(frozen=True, slots=True)
class TriedFace:
    """Words in a face at their size.

    Attributes
    ----------
    loose
        How many pieces of the mask come loose.
    low
        Height of the lowest letter, mm, None without letters.
    """

    painted: Painted
    fitness: Fitness
    loose: int
    low: float | None
    letter_limit: float
    missing: tuple[str, ...]

    @property
    def holds(self) -> bool:
        """Whether strokes, webs, pieces and letters hold on the surface, and no letter is missing."""
        high_enough = self.low is None or self.low >= self.letter_limit * (1 - 1e-6)
        return self.fitness.growth <= 1 + 1e-6 and high_enough and not self.missing

    def verdict(self, unit: str) -> str:
        """Say in a few words what stands against it."""
        pieces = several(self.loose, "loose piece")
        if self.missing:
            return f"lacks {', '.join(self.missing)}; {pieces}"
        if self.holds:
            return f"holds; {pieces}"
        if self.low is not None and self.low < self.letter_limit:
            return f"letters of {show_length(self.low, unit)} too low; {pieces}"
        kind = self.fitness.limited_by
        least = self.fitness.least(kind) if kind else None
        return f"{_NAMES[kind or 'stroke']} of {show_length(least.width if least else 0, unit)} too thin; {pieces}"


def try_face(words: Words, face: str, choices: Choices, sources: Sources, catalogue: Catalogue) -> TriedFace:
    """Return a part's words in another face at the size they have, thickened as they are not.

    Raises
    ------
    UnknownKey
        When there is no such face.
    ArtworkEmpty
        When it draws nothing of them.
    """
    catalogue.face(face)
    other = replace(words, face=face)
    as_set = set_words(other.setting, sources.face(face))
    painted = paint(as_set.drawing, as_set.width)
    mask = cut_mask(painted, choices.material.border)
    limits = limits_for(catalogue, choices.surface.key, choices.material.key)
    fitness = judge(painted, mask, choices.surface, choices.material, limits)
    low = min((letter.height for letter in as_set.letters), default=None)
    return TriedFace(painted, fitness, len(mask.loose), low, choices.surface.letter, as_set.missing)
