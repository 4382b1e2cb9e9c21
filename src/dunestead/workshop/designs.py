"""Files and parts of designs: what a maker brings along, kept once it has proven readable, and what is made of it."""

from collections.abc import Callable, Mapping
from dataclasses import replace

from dunestead.core.artwork.elements import Drawn, Element, Traced, Words, clean_text
from dunestead.core.artwork.painted import paint
from dunestead.core.artwork.plainer import Plainer, made_plainer
from dunestead.core.artwork.trace.outline import trace
from dunestead.core.artwork.trace.settings import TraceSettings
from dunestead.core.artwork.trace.sheet import sheet_of
from dunestead.core.artwork.words.lines import in_lines
from dunestead.core.artwork.words.setting import Setting, set_words
from dunestead.core.blanks.blank import Blank
from dunestead.core.changes.arranging import (
    add_element,
    as_garment,
    change_blank,
    fit_design,
    new_element,
    resize_design,
)
from dunestead.core.errors import BadInput
from dunestead.core.figures import Catalogue
from dunestead.core.job.job import Job, altered, fits
from dunestead.core.job.proposing import coatings_for, materials_for
from dunestead.core.looking.look import Look
from dunestead.core.looking.ties import BridgeMove, move_bridge, remove_bridge, reset_bridges
from dunestead.core.mask.bridges import Bridge
from dunestead.core.mask.fates import Fate, check_fates
from dunestead.core.plan.plan import Plan
from dunestead.formats.artwork import read_drawing
from dunestead.formats.picture import is_picture, read_picture
from dunestead.store import JobStore, StoredBlank
from dunestead.workshop.sources import StoredSources

__all__ = ["Designs", "bridges_beside", "with_fates"]

_STARTS_AT_MM = 100.0
_FIRST_FACE = "archivo-black"


class Designs:
    """What designs are made of.

    Parameters
    ----------
    store
        Keeps files.
    sources
        Opens them, and the faces.
    catalogue
        Returns all figures as they are now.
    """

    def __init__(self, store: JobStore, sources: StoredSources, catalogue: Callable[[], Catalogue]) -> None:
        self._store, self._sources, self._catalogue = store, sources, catalogue

    def plainer_for(self, surface: str, blank: Blank | None) -> Plainer:
        """Return how a drawing is made plainer for a surface: without what is too fine for it at any size that fits."""
        row = self._catalogue().surface(surface)
        longer = max(blank.size if blank else row.blank)
        return Plainer(min(round(row.stroke / longer, 4), 0.5), round(self._catalogue().workshop["plainer_colours"]))

    def keep_file(self, data: bytes, file_name: str, plainer: Plainer | None = None) -> Callable[[int], Element]:
        """Keep an artwork file once it has proven readable; returns what makes an element of it.

        A drawing is made plainer where that is wished; of a photo the sheet is cut out, where one is found in it.

        Raises
        ------
        BadInput
            When it is neither a drawing nor a picture that can be used; then nothing is kept.
        """
        name = file_name.rsplit("/", 1)[-1][:255]
        if is_picture(data):
            picture = read_picture(data)
            settings = TraceSettings(corners=sheet_of(picture))
            trace(picture, settings)
            key = self._store.keep_file(data)
            return lambda number: Traced(id=number, source=key, file_name=name, width=_STARTS_AT_MM, trace=settings)
        drawing = read_drawing(data, name)
        paint(made_plainer(drawing, plainer) if plainer else drawing, _STARTS_AT_MM)
        key = self._store.keep_file(data)
        least, colours = (plainer.least, plainer.colours) if plainer else (None, None)
        return lambda number: Drawn(
            id=number, source=key, file_name=name, width=_STARTS_AT_MM, least=least, colours=colours
        )

    def faces_for(self, text: str) -> list[str]:
        """Return the keys of the faces that have every letter of a text, in the order of the table."""
        return [key for key in self._catalogue().faces if not self._sources.face(key).lacks(text)]

    def first_words(self, text: str, face: str | None, surface: str, blank: Blank | None) -> Callable[[int], Element]:
        """Return what makes the words of a new job: in lines where one would be too low for the surface."""
        key = face or self._able_face(text)
        row = self._catalogue().surface(surface)
        width, height = blank.size if blank else row.blank
        margin = self._catalogue().workshop["margin_share"] * width
        room = (max(width - 2 * margin, 1.0), max(height - 2 * margin, 1.0))
        self._catalogue().face(key)
        lowest = row.letter * self._catalogue().workshop["first_letters"]
        return self.make_words(in_lines(text, self._sources.face(key), room, lowest), key)

    def _able_face(self, text: str) -> str:
        """Return the first face that has all letters of a text; raises `BadInput` when none has."""
        able = [_FIRST_FACE] if not self._sources.face(_FIRST_FACE).lacks(text) else self.faces_for(text)
        if not able:
            raise BadInput(
                "None of the letterings that come with Dunestead has all of these letters.",
                "Chinese, Japanese and some other scripts need a drawing of the words: drop one as SVG.",
            )
        return able[0]

    def make_words(self, text: str, face: str | None = None) -> Callable[[int], Element]:
        """Return what makes an element of words, in the first face that has all their letters where none is given.

        Raises
        ------
        BadInput
            When the face is none of ours or draws nothing of them, or no face has their letters.
        """
        face = face or self._able_face(text)
        self._catalogue().face(face)
        setting = Setting(clean_text(text), _STARTS_AT_MM)
        set_words(setting, self._sources.face(face))
        return lambda number: Words(id=number, face=face, setting=setting)

    def keep_named(self, files: Mapping[str, bytes]) -> Callable[[str], str]:
        """Return what keeps a file by its name, out of those that came along; readable ones only.

        The keeper raises `BadInput` when there is no such file, or it cannot be read.
        """

        def keep(name: str) -> str:
            if name not in files:
                raise BadInput(f"“{name[:80]}” did not come with the job file.", "Send it along, in the same zip.")
            data = files[name]
            if is_picture(data):
                read_picture(data)
            else:
                paint(read_drawing(data, name), _STARTS_AT_MM)
            return self._store.keep_file(data)

        return keep

    def keep_bytes(self, data: bytes) -> str:
        """Keep a file as it is and return its key."""
        return self._store.keep_file(data)

    def keep_outline(self, data: bytes, file_name: str) -> tuple[str, float]:
        """Keep a drawing whose largest shape is a blank's outline; returns its key, and its height for a width of 1."""
        drawn = paint(read_drawing(data, file_name), _STARTS_AT_MM)
        x0, y0, x1, y1 = max(drawn.region.geoms, key=lambda part: float(part.area)).bounds
        return self._store.keep_file(data), (y1 - y0) / (x1 - x0)

    def with_outline(self, job: Job, key: str, name: str, ratio: float) -> Job:
        """Return a job whose blank has a drawn outline, as wide as it was and as high as the drawing has it."""
        height = round(job.piece.width * ratio, 1)
        piece = replace(job.piece, shape="outline", outline=key, outline_name=name, height=height, measured_height=None)
        return self.with_blank(job, piece)

    def with_blank(self, job: Job, blank: Blank) -> Job:
        """Return a job with another blank: sized as its garment, the design keeping its size or margins."""
        sized = as_garment(blank, job.piece, self._catalogue())
        return change_blank(job, sized, self._sources, self._catalogue())

    def with_kept_blank(self, job: Job, kept: StoredBlank) -> Job:
        """Return a job on a blank of the library, with mask and paint that work on its surface."""
        surface = self._catalogue().surface(kept.surface)
        if kept.surface != job.blank.surface:
            job = altered(job, surface=kept.surface, method=None)
            if not fits(self._catalogue().material(job.mask.material), surface):
                job = altered(job, material=materials_for(self._catalogue(), surface)[0].key)
            paints = [self._catalogue().paint(coating.paint) for coating in job.paint.coatings]
            if not all(one.suits(surface, job.paint.use or surface.use) for one in paints):
                job = altered(job, coatings=coatings_for(job, self._catalogue()))
        return fit_design(altered(job, piece=kept.blank), self._sources, self._catalogue())

    def with_width(self, job: Job, width: float) -> Job:
        """Return a job with its design so wide, mm."""
        return resize_design(job, width, self._sources, self._catalogue())

    def with_new(self, job: Job, make: Callable[[int], Element]) -> Job:
        """Return a job with one more part in its design, sized to join it."""
        return add_element(job, lambda number: new_element(job, make(number), self._sources, self._catalogue()))

    def with_bridge(self, job: Job, plan: Plan, move: BridgeMove) -> Job:
        """Return a job with a bridge moved, widened or added."""
        return move_bridge(self._look_with(job, plan), bridges_beside(plan, move.piece), move, self._catalogue())

    def without_bridge(self, job: Job, plan: Plan, piece: int, index: int) -> Job:
        """Return a job without one bridge of a piece."""
        look = self._look_with(job, plan)
        return remove_bridge(look, bridges_beside(plan, piece), piece, index, self._catalogue())

    def _look_with(self, job: Job, plan: Plan) -> Look:
        return replace(plan.look, job=altered(job, roll=plan.job.mask.roll))


def bridges_beside(plan: Plan, piece: int) -> list[Bridge]:
    """Return the bridges of the mask a piece is in."""
    for mask in plan.masks:
        if any(loose.number == piece for loose in mask.laid.mask.loose):
            return list(mask.cut.bridges)
    return []


def with_fates(job: Job, plan: Plan, numbers: list[int] | None, fate: Fate | None) -> Job:
    """Return the job with a fate set for some loose pieces, or for all."""
    chosen = [piece.number for piece in plan.look.found] if numbers is None else numbers
    check_fates(dict.fromkeys(chosen, fate or "keep"), plan.look.found)
    rest = {number: old for number, old in job.mask.fates.items() if number not in chosen}
    job = job if fate == "bridge" else reset_bridges(job, chosen)
    return altered(job, fates=rest | (dict.fromkeys(chosen, fate) if fate else {}))
