"""Which of the maker's own records does a job hang on? Only when one of those changes is it reckoned anew."""

from dataclasses import dataclass
from hashlib import sha256

from dunestead.core.figures import Catalogue
from dunestead.core.job.job import Job

__all__ = ["OwnRecords", "Uses", "short_hash", "uses_in", "uses_of"]

_BETWEEN, _AND = "/", ","


def short_hash(text: str) -> str:
    """Return what tells one text from another, in short."""
    return sha256(text.encode()).hexdigest()[:16]


@dataclass(frozen=True, slots=True)
class Uses:
    """What a job picks of the catalogue: keys, and the number of its roll or pile."""

    cutter: str
    material: str
    stock: str
    press: str
    surface: str
    paints: tuple[str, ...]
    kept_masks: tuple[int, ...]

    def __str__(self) -> str:
        """Return it as it is kept beside a card."""
        own = (self.cutter, self.material, self.stock, self.press, self.surface)
        return _BETWEEN.join((*own, _AND.join(self.paints), _AND.join(map(str, self.kept_masks))))


def uses_of(job: Job) -> Uses:
    """Return what a job picks."""
    paints = tuple(dict.fromkeys(coating.paint for coating in job.paint.coatings))
    own = (job.sheets.cutter, job.mask.material, str(job.sheets.stock), job.tack.press, job.blank.surface)
    return Uses(*own, paints, job.sheets.kept_masks)


def uses_in(text: str) -> Uses | None:
    """Return what was kept beside a card, None where it was kept in another way."""
    try:
        cutter, material, stock, press, surface, paints, kept = text.split(_BETWEEN)
        numbers = tuple(map(int, kept.split(_AND))) if kept else ()
    except ValueError:
        return None
    return Uses(cutter, material, stock, press, surface, tuple(paints.split(_AND)), numbers)


class OwnRecords:
    """The maker's records as they are now, in short, for what a job picks.

    Parameters
    ----------
    catalogue
        With the maker's records in it.
    """

    def __init__(self, catalogue: Catalogue) -> None:
        self._catalogue = catalogue
        self._drawn: dict[Uses, str] = {}
        self._reckoned: dict[Uses, str] = {}

    def drawn_from(self, uses: Uses) -> str:
        """Return what a card hangs on; times of the hands and the force are not on it."""
        if uses not in self._drawn:
            material = self._catalogue.materials.get(uses.material)
            self._drawn[uses] = short_hash(repr((self._named(uses), material and material.uses)))
        return self._drawn[uses]

    def reckoned_from(self, uses: Uses) -> str:
        """Return what a plan hangs on."""
        if uses not in self._reckoned:
            material = self._catalogue.materials.get(uses.material)
            amounts = sorted(one for one in self._catalogue.amounts.items() if one[0].endswith(f"/{uses.surface}"))
            self._reckoned[uses] = short_hash(repr((self._named(uses), material, self._catalogue.hand, amounts)))
        return self._reckoned[uses]

    def _named(self, uses: Uses) -> tuple[object, ...]:
        known, pressed = self._catalogue, (uses.material, uses.surface)
        return (
            known.cutters.get(uses.cutter),
            known.presses.get(uses.press),
            known.stock.get(int(uses.stock)) if uses.stock.isascii() and uses.stock.isdigit() else None,
            [known.kept_masks.get(number) for number in uses.kept_masks],
            [one for one in known.test_cuts.values() if one.material == uses.material],
            None if known.owned is None else sorted(known.owned),
            sorted((way, held) for way, held in known.pressed.items() if way[:2] == pressed),
            [known.paints.get(paint) for paint in uses.paints],
            sorted({one.paint for one in known.swatches if one.surface == uses.surface and one.paint in uses.paints}),
        )
