"""What a maker decides about a job: everything else is reckoned from it."""

from dataclasses import dataclass, field, fields
from datetime import date, datetime
from typing import Literal

from dunestead.core.artwork.elements import Element, check_colour, check_elements
from dunestead.core.blanks.blank import BASE_COATS, SHAPES, Blank, Garment
from dunestead.core.blanks.garments import check_garment
from dunestead.core.curing.drying import Room
from dunestead.core.errors import BadInput, BadLength, UnknownKey
from dunestead.core.figures import Catalogue, Material, Paint, Surface
from dunestead.core.mask.bridge_rules import STYLES, BridgeStyle
from dunestead.core.mask.fates import Fate
from dunestead.core.mask.rollcall import RollEntry
from dunestead.core.painting.separation import Masks
from dunestead.core.records import CutSettings, check_settings
from dunestead.core.sheets.layout import KeptSpot

__all__ = [
    "CALLS",
    "BridgeSpot",
    "Call",
    "Job",
    "PatchSay",
    "Record",
    "check_bridge_width",
    "check_job",
    "fits",
    "materials_for",
    "paints_for",
    "start_job",
]

Call = Literal["dish", "placed", "lifted"]
CALLS: tuple[Call, ...] = ("dish", "placed", "lifted")
_SMALLEST_MM, _LARGEST_MM = 1.0, 20_000.0


@dataclass(frozen=True, slots=True)
class Record:
    """What really happened: grade from 1 (spoiled) to 5 (as wished), minutes by station, ml of paint."""

    grade: int | None = None
    notes: str = ""
    minutes: dict[str, float] = field(default_factory=dict)
    paint_ml: float | None = None


@dataclass(frozen=True, slots=True)
class BridgeSpot:
    """Where the maker set a bridge, as the element around its piece sees it, so that it stays when that is moved.

    Attributes
    ----------
    x, y
        From the top left of the element's box, in shares of its width.
    element
        Number of that element.
    width
        mm, None for the usual.
    toward
        Which way it leaves, as seen by the element; None for the nearest mask.
    mask
        Which of several masks it is in, as in the roll.
    """

    x: float
    y: float
    element: int = 1
    width: float | None = None
    toward: tuple[float, float] | None = None
    mask: str = ""


@dataclass(frozen=True, slots=True)
class PatchSay:
    """What the maker said of a patch: the one a point lies in, so that it stays when patches are numbered anew.

    Attributes
    ----------
    x, y
        From the top left of what is painted, in shares of its width and height.
    mask
        Number of its mask.
    sheet
        The sheet it shall lie on, None for any.
    alone, turns
        Whether it shall have a sheet to itself, and whether it may be turned.
    """

    x: float
    y: float
    mask: int = 1
    sheet: int | None = None
    alone: bool = False
    turns: bool = True


@dataclass(frozen=True, slots=True)
class Job:
    """One job's inputs. Lengths in mm; None means as the catalogue says.

    Attributes
    ----------
    elements, last_element
        What the design is put together from, and the highest number ever given to one.
    dauber, covered
        Several colours through one mask: by foam dauber, or with what lies close by covered.
    reverse, field_colour
        Whether the artwork's shapes are the mask, and what is painted around them.
    masks, mask_order
        One for all colours or one each, and the colours in the order the maker wants them painted.
    whole_blank
        Whether the mask is as large as the blank, so that their edges line up.
    fates
        By number of the loose piece; a piece that is not named is undecided and counts as kept.
    bridge_style, bridges_per_piece
        Which way bridges run, and how many a piece has; None goes by its size.
    spots
        Where the maker set the bridges of a piece, by its number; 0 for ties of the frame's tongues.
    stock
        Number of the maker's own roll or pile it is cut from, None for the usual.
    cut
        How it is cut, None as the last clean test cut says.
    together
        Numbers of the elements no seam may part.
    says, packing
        What the maker said of patches, and a packing found by a longer search.
    roll
        Every loose piece ever met.
    ticks
        When each step was done, by its code.
    calls
        When each keeper answered the roll-call, by number and call.
    """

    name: str
    surface: str
    blank: Blank
    elements: tuple[Element, ...]
    material: str
    paint: str
    cutter: str = "table-long"
    press: str = "iron"
    last_element: int = 1
    dauber: bool = False
    covered: bool = False
    border: float | None = None
    bridge_width: float | None = None
    overlap: float | None = None
    coats: int | None = None
    copies: int = 1
    seen_through: bool = False
    due: date | None = None
    room: Room = field(default_factory=Room)
    reverse: bool = False
    field_colour: str = "#22313a"
    masks: Masks = "one"
    mask_order: tuple[str, ...] = ()
    whole_blank: bool = False
    bridge_style: BridgeStyle = "shortest"
    bridges_per_piece: int | None = None
    spots: dict[int, tuple[BridgeSpot, ...]] = field(default_factory=dict)
    fates: dict[int, Fate] = field(default_factory=dict)
    stock: int | None = None
    cut: CutSettings | None = None
    together: tuple[int, ...] = ()
    says: tuple[PatchSay, ...] = ()
    packing: tuple[KeptSpot, ...] = ()
    roll: tuple[RollEntry, ...] = ()
    ticks: dict[str, datetime] = field(default_factory=dict)
    calls: dict[int, dict[Call, datetime]] = field(default_factory=dict)
    record: Record = field(default_factory=Record)


def fits(material: Material, surface: Surface) -> bool:
    """Say whether a mask material works on a surface, heat included."""
    named = surface.family in material.works_on or surface.key in material.works_on
    return named and not (material.heat is not None and surface.heat is None)


def materials_for(catalogue: Catalogue, surface: Surface) -> list[Material]:
    """Return the materials that work on a surface, the usual choice first."""
    return [material for material in catalogue.materials.values() if fits(material, surface)]


def paints_for(catalogue: Catalogue, surface: Surface) -> list[Paint]:
    """Return the paints that work on a surface, the usual choice first."""
    return [paint for paint in catalogue.paints.values() if surface.family in paint.families]


def start_job(name: str, surface: Surface, catalogue: Catalogue, element: Element, blank: Blank | None = None) -> Job:
    """Return a job with sensible choices made: the usual blank, mask and paint; the design's size is not yet right.

    Parameters
    ----------
    name, surface
        What it is called and made on.
    element
        The first part of the design.
    blank
        The maker's own, None for the surface's usual one.
    """
    width, height = surface.blank
    return Job(
        name=name.strip() or "Unnamed",
        surface=surface.key,
        blank=blank or Blank(width, height, colour=surface.colour),
        elements=(element,),
        last_element=element.id,
        material=materials_for(catalogue, surface)[0].key,
        paint=paints_for(catalogue, surface)[0].key,
    )


def check_job(job: Job, catalogue: Catalogue) -> None:
    """Raise when a job cannot be reckoned with, saying which entry is at fault.

    Raises
    ------
    BadInput, BadLength, UnknownKey
        With the value met and the values allowed.
    """
    catalogue.surface(job.surface)
    catalogue.material(job.material)
    catalogue.paint(job.paint)
    catalogue.cutter(job.cutter)
    catalogue.press(job.press)
    if not job.name.strip() or len(job.name) > 120:
        raise BadInput("A job needs a name of up to 120 letters.", "Give it one you will know it by.")
    _check_blank(job.blank, catalogue)
    if not job.elements:
        raise BadInput("A design needs at least one part.", "Add words or artwork before taking the last part out.")
    check_elements(job.elements)
    for what, value, least, most in (
        ("border", job.border, 1.0, 500.0),
        ("bridge width", job.bridge_width, 0.2, 50.0),
        ("overlap", job.overlap, 0.0, 100.0),
    ):
        if value is not None:
            _within(what, value, least, most)
    if job.bridge_style not in STYLES:
        raise UnknownKey("style of bridges", job.bridge_style, list(STYLES))
    _count("bridges a piece", job.bridges_per_piece, 1, 2)
    for spot in (spot for spots in job.spots.values() for spot in spots):
        check_bridge_width(spot.width)
    check_colour(job.field_colour)
    if job.cut:
        check_settings(job.cut)
    _check_says(job)
    _count("coats", job.coats, 1, 12)
    _count("copies", job.copies, 1, 1000)
    _count("grade", job.record.grade, 1, 5)
    if not (-20 <= job.room.temperature <= 60 and 0 <= job.room.humidity <= 100):
        raise BadInput(
            f"{job.room.temperature:g} C at {job.room.humidity:g} % humidity is no room to paint in.",
            "Give -20 to 60 C and 0 to 100 %.",
        )
    if len(job.record.notes) > 10_000:
        raise BadInput("The notes are longer than 10,000 letters.", "Keep what you will want to read next time.")


def _check_says(job: Job) -> None:
    for say in job.says:
        if say.sheet is not None:
            _count("as a sheet's number", say.sheet, 1, 400)
        if not (-2 <= say.x <= 3 and -2 <= say.y <= 3):
            raise BadInput("There is no patch so far from the design.", "Choose one that is on a sheet.")


def check_bridge_width(width: float | None) -> None:
    """Raise `BadLength` when a bridge cannot be so wide, mm; None, the usual, passes."""
    if width is not None:
        _within("width of a bridge", width, 0.2, 50.0)


def _check_blank(blank: Blank, catalogue: Catalogue) -> None:
    for name, length in _blank_lengths(blank):
        _within(name, length, _SMALLEST_MM, _LARGEST_MM)
    _within("corner radius", blank.corner, 0.0, _LARGEST_MM)
    _within("rim", blank.rim, 0.0, 500.0)
    for kind, met, known in (("shape", blank.shape, SHAPES), ("base coat", blank.base_coat, BASE_COATS)):
        if met not in known:
            raise UnknownKey(kind, met, list(known))
    if blank.heat is not None and not 30 <= blank.heat <= 300:
        raise BadInput(f"A plate of {blank.heat:g} C cannot be.", "Give 30 to 300 C, or nothing for the surface's own.")
    if min(blank.size) <= 0:
        raise BadInput(f"A rim of {blank.rim:g} mm leaves nothing to paint on.", "Give a narrower rim.")
    garment = blank.garment or Garment()
    for name, value, least in (("drop", garment.drop, 0.0), ("across", garment.across, -1000.0)):
        if value is not None:
            _within(f"distance {name}", value, least, 2000.0)
    if garment.widest is not None:
        _within("width of a design", garment.widest, 5.0, 2000.0)
    check_garment(blank, catalogue)


def _blank_lengths(blank: Blank) -> list[tuple[str, float]]:
    labels = {f.name: f.name.replace("_", " ") + " of the blank" for f in fields(blank)}
    names = ("width", "height", "measured_width", "measured_height")
    return [(labels[name], value) for name in names if (value := getattr(blank, name)) is not None]


def _within(what: str, value: float, least: float, most: float) -> None:
    if not least <= value <= most:
        raise BadLength(f"The {what} of {value:g} mm makes no sense here.", f"Give {least:g} to {most:g} mm.")


def _count(what: str, value: int | None, least: int, most: int) -> None:
    if value is not None and not least <= value <= most:
        raise BadInput(f"{value} {what} cannot be.", f"Give {least} to {most}.")
