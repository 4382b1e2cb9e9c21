"""One artwork as a job: on a blank with room all around, so that it is reckoned as the page reckons it."""

from dataclasses import dataclass, field, replace
from functools import cached_property
from pathlib import Path

from dunestead.catalogue import load_catalogue
from dunestead.catalogue.face_files import open_face
from dunestead.cli.reading import read_file
from dunestead.core.artwork.drawing import Drawing
from dunestead.core.artwork.elements import Drawn
from dunestead.core.artwork.painted import paint
from dunestead.core.artwork.trace.outline import Picture
from dunestead.core.artwork.words.face import Face
from dunestead.core.blanks.blank import Blank
from dunestead.core.errors import NoSuchThing
from dunestead.core.figures import Catalogue, Material
from dunestead.core.job.job import Job, altered
from dunestead.core.job.proposing import start_job
from dunestead.core.looking.look import Look, look_at
from dunestead.core.mask.bridge_rules import BridgeStyle
from dunestead.core.painting.coatings import Coating
from dunestead.core.plan.plan import Plan, make_plan
from dunestead.core.records import Stock
from dunestead.core.sheets.price import Aim
from dunestead.formats.artwork import read_drawing
from dunestead.formats.verified import check_cut

__all__ = ["ArtJob", "MaskOptions", "SheetOptions", "art_job", "mirrored_so"]

_ROOM, _LEAST_ROOM = 0.2, 400.0
# Material is wider than the reach by so much, mm: what is trimmed is no matter here.
_SPARE = 100.0
_KEY = "art"


@dataclass(frozen=True, slots=True)
class MaskOptions:
    """How a mask is wanted: border and width of bridges in mm, None for the usual."""

    border: float | None = None
    bridges: str = "none"
    bridge_width: float | None = None
    style: BridgeStyle = "shortest"
    per_piece: int | None = None
    reverse: bool = False
    each: bool = False


@dataclass(frozen=True, slots=True)
class SheetOptions:
    """What cuts it: reach and gap between patches in mm, None for the usual; how many sets; what to spare."""

    reach: tuple[float, float]
    overlap: float | None = None
    gap: float | None = None
    mirror: str = "auto"
    sets: int = 1
    aim: Aim = "price"


@dataclass(frozen=True)
class ArtJob:
    """An artwork's job, and what follows from it as far as it is asked for."""

    drawing: Drawing
    job: Job
    catalogue: Catalogue
    sources: "_OneDrawing" = field(repr=False)

    @cached_property
    def look(self) -> Look:
        """What is found of it."""
        return look_at(self.job, self.sources, self.catalogue)

    @cached_property
    def whole(self) -> Look:
        """The same through one mask, whatever its colours."""
        return look_at(altered(self.job, masks="one"), self.sources, self.catalogue)

    @cached_property
    def plan(self) -> Plan:
        """The whole plan."""
        return make_plan(self.job, self.sources, self.catalogue, check_cut)


class _OneDrawing:
    """Opens the one drawing there is, and faces as shipped."""

    def __init__(self, drawing: Drawing) -> None:
        self._drawing = drawing

    def drawing(self, _: str) -> Drawing:
        return self._drawing

    def picture(self, key: str) -> Picture:
        raise NoSuchThing(f"There is no picture “{key}” here.", "Trace it first.")

    def face(self, key: str) -> Face:
        return open_face(key)


def art_job(
    art: Path | Drawing,
    width: float,
    surface: str,
    material: str,
    options: MaskOptions | None = None,
    sheets: SheetOptions | None = None,
) -> ArtJob:
    """Return the job of one artwork at one width.

    Raises
    ------
    BadInput
        When the file, the surface or the material cannot be used.
    """
    catalogue, options = load_catalogue(), options or MaskOptions()
    stuff = catalogue.material(material)
    drawing = art if isinstance(art, Drawing) else read_drawing(read_file(art), art.name)
    sources = _OneDrawing(drawing)
    painted = paint(drawing, width)
    room = max(painted.width, painted.height) * _ROOM + _LEAST_ROOM
    name = art.stem if isinstance(art, Path) else "Words"
    row = catalogue.surface(surface)
    blank = Blank(painted.width + room, painted.height + room, colour=row.colour)
    element = Drawn(id=1, source=_KEY, file_name=name, width=width)
    job = altered(
        start_job(name[:120], row, catalogue, element, blank),
        material=stuff.key,
        border=options.border,
        bridge_width=options.bridge_width,
        bridge_style=options.style,
        bridges_per_piece=options.per_piece,
        reverse=options.reverse,
        masks="each" if options.each else "one",
    )
    if options.reverse:
        job = altered(job, coatings=(Coating("base", job.paint.coatings[0].paint), *job.paint.coatings))
    if options.bridges == "auto":
        found = look_at(job, sources, catalogue).found
        job = altered(job, fates={piece.number: "bridge" for piece in found})
    if sheets is not None:
        job, catalogue = _on_cutter(job, stuff, sheets, catalogue)
    return ArtJob(drawing, job, catalogue, sources)


def _on_cutter(job: Job, material: Material, sheets: SheetOptions, catalogue: Catalogue) -> tuple[Job, Catalogue]:
    """Return a job for a cutter of a given reach, on material as large as it reaches."""
    width, length = sheets.reach
    usual = catalogue.cutter(job.sheets.cutter)
    cutter = replace(usual, key="given", name="Cutter", reach_width=width, reach_length=length)
    stock = Stock("As much as it takes", material.key, width + _SPARE)
    figures = dict(catalogue.workshop) | ({"patch_gap": sheets.gap} if sheets.gap is not None else {})
    catalogue = replace(catalogue, cutters={**catalogue.cutters, "given": cutter}, stock={1: stock}, workshop=figures)
    job = altered(
        job,
        cutter="given",
        stock=1,
        overlap=sheets.overlap,
        aim=sheets.aim,
        copies=sheets.sets * max(material.uses, 1),
        seen_through=mirrored_so(material, sheets.mirror),
    )
    return job, catalogue


def mirrored_so(material: Material, mirror: str) -> bool:
    """Return whether a print must be seen through its blank for sheets to be mirrored as asked."""
    if mirror == "auto":
        return False
    return (material.enters_from == "back") != (mirror == "on")
