"""What mends a job that cannot be reckoned? A cutter, a face or a file it names may be gone."""

from collections.abc import Iterator
from dataclasses import dataclass, replace

from dunestead.core.artwork.elements import Drawn, Element, Frame, Traced, Words
from dunestead.core.artwork.layout import name_of
from dunestead.core.artwork.sources import Sources
from dunestead.core.errors import DunesteadError
from dunestead.core.figures import Catalogue
from dunestead.core.job.job import Job, SheetsEntry, TackEntry, altered, fits
from dunestead.core.job.proposing import materials_for, usual_coatings

__all__ = ["Mend", "mends_for"]


@dataclass(frozen=True, slots=True)
class Mend:
    """A change that may mend a job: its key, what it does in words, and the job after it."""

    key: str
    label: str
    job: Job


def mends_for(job: Job, catalogue: Catalogue, sources: Sources) -> list[Mend]:
    """Return the changes that may mend a job, each on its own and all together where there are several."""
    mends = [*_rows(job, catalogue), *_parts(job, catalogue, sources)]
    if len(mends) < 2:
        return mends
    mended = job
    for mend in mends:
        mended = next((one.job for one in _again(mended, catalogue, sources) if one.key == mend.key), mended)
    return [*mends, Mend("all", f"All of it: {'; '.join(mend.label.lower() for mend in mends)}", mended)]


def _again(job: Job, catalogue: Catalogue, sources: Sources) -> Iterator[Mend]:
    yield from _rows(job, catalogue)
    yield from _parts(job, catalogue, sources)


def _rows(job: Job, catalogue: Catalogue) -> Iterator[Mend]:
    """Yield what puts a row in place of one that stands in no table."""
    if job.blank.surface not in catalogue.surfaces:
        usual = next(iter(catalogue.surfaces.values()))
        yield Mend("surface", f"Make it on {usual.name.lower()}", altered(job, surface=usual.key))
        return
    surface = catalogue.surface(job.blank.surface)
    material = catalogue.materials.get(job.mask.material)
    if material is None or not fits(material, surface):
        best = materials_for(catalogue, surface)[0]
        yield Mend("material", f"Cut the mask from {best.name.lower()}", altered(job, material=best.key, method=None))
    if job.mask.method is not None and job.mask.method not in catalogue.methods:
        yield Mend("method", "Use the best fit method", altered(job, method=None))
    if job.sheets.cutter not in catalogue.cutters:
        usual_cutter = catalogue.cutter(SheetsEntry().cutter)
        yield Mend("cutter", f"Cut it on another cutter: {usual_cutter.name}", altered(job, cutter=usual_cutter.key))
    if job.tack.press not in catalogue.presses:
        usual_press = catalogue.press(TackEntry().press)
        yield Mend("press", f"Press it with a {usual_press.name.lower()}", altered(job, press=usual_press.key))
    if job.tack.cover_paper not in catalogue.covers:
        usual_cover = catalogue.cover(TackEntry().cover_paper)
        yield Mend("cover", f"Cover it with {usual_cover.name.lower()}", altered(job, cover_paper=usual_cover.key))
    if any(coating.paint not in catalogue.paints for coating in job.paint.coatings) or not job.paint.coatings:
        known = material or materials_for(catalogue, surface)[0]
        coatings = usual_coatings(catalogue, surface, known, seen_through=job.blank.is_seen_through)
        name = catalogue.paint(coatings[0].paint).name.lower()
        yield Mend("coatings", f"Paint it with {name}", altered(job, coatings=coatings))


def _parts(job: Job, catalogue: Catalogue, sources: Sources) -> Iterator[Mend]:
    """Yield what sets words in a face that is there, and takes out parts whose file is not."""
    for element in job.elements:
        if isinstance(element, Words) and element.face not in catalogue.faces:
            face = next(iter(catalogue.faces.values()))
            words = replace(element, face=face.key)
            yield Mend(f"face-{element.id}", f"Set {name_of(element)} in {face.name}", _with(job, element, words))
        elif isinstance(element, Drawn | Traced) and _is_lost(element, sources):
            others = [one for one in job.elements if one is not element]
            if any(not isinstance(one, Frame) for one in others):
                left = altered(job, elements=tuple(others))
                yield Mend(f"part-{element.id}", f"Remove {name_of(element)}, whose file is gone", left)


def _with(job: Job, old: Element, new: Element) -> Job:
    return altered(job, elements=tuple(new if one is old else one for one in job.elements))


def _is_lost(element: Drawn | Traced, sources: Sources) -> bool:
    try:
        sources.drawing(element.source) if isinstance(element, Drawn) else sources.picture(element.source)
    except DunesteadError:
        return True
    return False
