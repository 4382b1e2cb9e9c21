"""What did the maker decide about a job? Everything else is reckoned from it."""

from collections.abc import Mapping
from dataclasses import dataclass, field, fields, replace
from datetime import date
from typing import Any, Literal, get_args, get_type_hints

from dunestead.core.artwork.elements import Element
from dunestead.core.blanks.blank import Blank
from dunestead.core.curing.drying import Weather
from dunestead.core.curing.peel import PeelFirst
from dunestead.core.figures import Material, PeelTime, Surface, Use
from dunestead.core.limits import REQUIRED, Limit, limited
from dunestead.core.mask.bridge_rules import BridgeStyle
from dunestead.core.mask.fates import Fate
from dunestead.core.mask.rollcall import RollEntry
from dunestead.core.painting.coatings import Coating
from dunestead.core.painting.coats import CoatLoad, Wanted
from dunestead.core.painting.separation import Masks
from dunestead.core.records import CutSettings
from dunestead.core.sheets.layout import KeptSpot
from dunestead.core.sheets.price import Aim

__all__ = [
    "ENTRIES",
    "WHEN_LOOKED",
    "BlankEntry",
    "BridgeSpot",
    "DesignEntry",
    "Job",
    "LaterLook",
    "MaskEntry",
    "PaintEntry",
    "PatchChoice",
    "PressAt",
    "PriceEntry",
    "Record",
    "SheetsEntry",
    "TackEntry",
    "WhenLooked",
    "altered",
    "colouring",
    "fits",
]


@dataclass(frozen=True, slots=True)
class BlankEntry:
    """What it is made on, how many, and for when.

    Attributes
    ----------
    surface
        Key of the surfaces' table.
    piece
        The blank itself.
    seen_through
        Whether it is painted on the back and looked at through, as glass is; None while nobody has said.
    """

    surface: str
    piece: Blank
    copies: int = limited(1, "copies", 1, 1000)
    due: date | None = None
    seen_through: bool | None = None

    @property
    def is_seen_through(self) -> bool:
        """Whether it is looked at through the blank; what nobody has said so of is not."""
        return bool(self.seen_through)


@dataclass(frozen=True, slots=True)
class DesignEntry:
    """What the design is put together from, and the highest number ever given to a part of it.

    Attributes
    ----------
    contacts_meant
        In how many places shapes may touch without a word: as many as there were when the maker said so.
    origin, may_sell
        Whose drawing it is and where it is from, as the maker notes it; whether prints may be sold, None while nobody
        said.
    """

    elements: tuple[Element, ...]
    last_element: int = 1
    contacts_meant: int = limited(0, "number of contacts", 0, 1_000_000)
    origin: str = limited("", "note of whose drawing it is", 0, 300, "letters")
    may_sell: bool | None = None


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
    width: float | None = limited(None, "width of a bridge", 0.2, 50.0, "mm", 0.5)
    toward: tuple[float, float] | None = None
    mask: str = ""


@dataclass(frozen=True, slots=True)
class MaskEntry:
    """What the mask is cut from, how it travels and holds, and what becomes of its loose pieces.

    Attributes
    ----------
    material
        Key of the materials' table.
    method
        Key of the methods' table, None for the most fitting.
    reverse, field_colour
        Whether the artwork's shapes are the mask, and what is painted around them.
    masks, mask_order
        One for all colours or one each, and the colours in the order the maker wants them painted.
    whole_blank
        Whether the mask is as large as the blank, so that their edges line up.
    bridge_style, bridges_per_piece
        Which way bridges run, and how many a piece has; None goes by its size.
    spots
        Where the maker set the bridges of a piece, by its number; 0 for ties of the frame's tongues.
    fates
        By number of the loose piece; a piece that is not named is undecided and counts as kept.
    roll
        Every loose piece ever met.
    """

    material: str
    method: str | None = None
    reverse: bool = False
    field_colour: str = "#22313a"
    masks: Masks = "one"
    mask_order: tuple[str, ...] = ()
    whole_blank: bool = False
    border: float | None = limited(None, "border", 0.0, 500.0, "mm")
    bridge_width: float | None = limited(None, "bridge width", 0.2, 50.0, "mm", 0.5)
    bridge_style: BridgeStyle = "shortest"
    bridges_per_piece: int | None = limited(None, "bridges a piece", 1, 2)
    spots: dict[int, tuple[BridgeSpot, ...]] = field(default_factory=dict)
    fates: dict[int, Fate] = field(default_factory=dict)
    roll: tuple[RollEntry, ...] = ()


@dataclass(frozen=True, slots=True)
class PatchChoice:
    """What the maker chose for a patch: the one a point lies in, so that it stays when patches are numbered anew.

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

    x: float = limited(0.0, "widths of the design from its left edge", -2.0, 3.0)
    y: float = limited(0.0, "heights of the design from its top edge", -2.0, 3.0)
    mask: int = 1
    sheet: int | None = limited(None, "as a sheet's number", 1, 400)
    alone: bool = False
    turns: bool = True


@dataclass(frozen=True, slots=True)
class SheetsEntry:
    """How the mask is cut.

    Attributes
    ----------
    stock
        Number of the maker's own roll or pile it is cut from, None for the usual.
    cut
        Settings of the cutter, None as the last clean test cut says.
    together
        Numbers of the elements no seam may part.
    aim
        Whether the cheapest layout is wanted, or the one with fewest sheets, or with fewest seams.
    patch_choices, packing
        What the maker chose for patches, and a packing found by a longer search.
    offcuts
        Whether a sheet is cut from an offcut in store where one is large enough.
    kept_masks
        Numbers in store of the masks that are used again, in the order of the masks; nothing is cut then.
    """

    cutter: str = "table-long"
    stock: int | None = None
    cut: CutSettings | None = None
    overlap: float | None = limited(None, "overlap", 0.0, 100.0, "mm")
    together: tuple[int, ...] = ()
    aim: Aim = "price"
    patch_choices: tuple[PatchChoice, ...] = ()
    packing: tuple[KeptSpot, ...] = ()
    offcuts: bool = True
    kept_masks: tuple[int, ...] = ()


@dataclass(frozen=True, slots=True)
class PressAt:
    """Heat of the plate, C, and seconds a rest, in one going over of a method with a material; from 1."""

    material: str
    method: str
    number: int
    celsius: float = limited(REQUIRED, "heat of the plate", 60.0, 260.0, "C")
    seconds: float = limited(REQUIRED, "time of a rest", 1.0, 300.0, "s")


@dataclass(frozen=True, slots=True)
class TackEntry:
    """What the mask is pressed on with, and what the blank around it is covered with: keys of the catalogue.

    Attributes
    ----------
    heat
        As a recipe has it; where none is for the material and method in force, as it held in own jobs or is usual.
    """

    press: str = "iron"
    cover_paper: str = "packing-paper"
    heat: tuple[PressAt, ...] = ()


@dataclass(frozen=True, slots=True)
class PaintEntry:
    """What goes on, in which room.

    Attributes
    ----------
    coatings
        In any order; the plan puts them in the order of their roles.
    dauber, covered
        Several colours through one mask: by foam dauber, or with what lies close by covered.
    wanted
        How the print should look: solid, a little worn, washed out.
    load
        By brush on a coarse surface: few heavy coats worked in, or more light ones; None for the usual.
    use
        What the print must stand; None for what is usual on its surface.
    peel_when
        The maker's school of the peel; None for the usual of paint and mask.
    peel_first
        Whether keepers or the sheet come off first; None for the usual: keepers where paint is wet.
    warm_air
        Whether warm air shortens the wait between coats, where the paint allows it.
    base_at_touch
        Whether a mask is laid on a base that is dry to the touch and not yet to use: tape may lift it.
    """

    coatings: tuple[Coating, ...] = ()
    dauber: bool = False
    covered: bool = False
    wanted: Wanted = "solid"
    load: CoatLoad | None = None
    use: Use | None = None
    peel_when: PeelTime | None = None
    peel_first: PeelFirst | None = None
    warm_air: bool = False
    base_at_touch: bool = False
    weather: Weather = field(default_factory=lambda: Weather(looked=False))


@dataclass(frozen=True, slots=True)
class PriceEntry:
    """What the maker knows of the price, in the workshop's money; None where nobody said.

    Attributes
    ----------
    blank_price
        Of one blank.
    bought_price
        What something like it costs in a shop.
    asked
        The maker's own price for one; None goes by the margin.
    """

    blank_price: float | None = limited(None, "price of a blank", 0.0, 100_000.0)
    bought_price: float | None = limited(None, "price in a shop", 0.0, 100_000.0)
    asked: float | None = limited(None, "price asked", 0.0, 100_000.0)


# Photos are of the finished print, and of the later looks.
WhenLooked = Literal["week", "month", "year"]
WHEN_LOOKED: tuple[WhenLooked, ...] = get_args(WhenLooked)


@dataclass(frozen=True, slots=True)
class LaterLook:
    """How a print wears: each from 1 (gone) to 5 (as new), None where nobody said.

    Attributes
    ----------
    paint, fibres, edge
        Of the paint, of what it is on, of the print's edges.
    gone
        Whether the print is not at hand any more: nobody is reminded again.
    """

    on: date
    paint: int | None = limited(None, "wear of the paint", 1, 5)
    fibres: int | None = limited(None, "wear of the fibres", 1, 5)
    edge: int | None = limited(None, "wear of the edges", 1, 5)
    note: str = limited("", "text of the note", 0, 2000, "letters")
    gone: bool = False


@dataclass(frozen=True, slots=True)
class Record:
    """What only the maker can know of what happened.

    Attributes
    ----------
    grade
        From 1 (spoiled) to 5 (as wished).
    minutes
        By station, where the maker counted; it goes before what ticks tell.
    used_ml
        By paint: what really went on, all copies together.
    troubles
        By cause: how many copies it spoiled; 0 where it went wrong and was mended.
    looks
        How it wore, by when it was looked at.
    photos
        Keys of kept files, of the ``finished`` print and of later looks.
    """

    grade: int | None = limited(None, "grade", 1, 5)
    notes: str = limited("", "text of the notes", 0, 10_000, "letters")
    minutes: dict[str, float] = field(
        default_factory=dict, metadata={"limit": Limit("minutes at a station", 0.0, 10_000.0)}
    )
    used_ml: dict[str, float] = field(
        default_factory=dict, metadata={"limit": Limit("paint used", 0.0, 100_000.0, "ml")}
    )
    troubles: dict[str, int] = field(
        default_factory=dict, metadata={"limit": Limit("copies spoiled by it", 0.0, 1000.0)}
    )
    looks: dict[WhenLooked, LaterLook] = field(default_factory=dict)
    photos: dict[str, str] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class Job:
    """One job's entries, station by station. Lengths in mm; None means as the catalogue says."""

    name: str = limited(REQUIRED, "name of the job", 1, 120, "letters")
    blank: BlankEntry = REQUIRED
    design: DesignEntry = REQUIRED
    mask: MaskEntry = REQUIRED
    sheets: SheetsEntry = field(default_factory=SheetsEntry)
    tack: TackEntry = field(default_factory=TackEntry)
    paint: PaintEntry = field(default_factory=PaintEntry)
    price: PriceEntry = field(default_factory=PriceEntry)
    record: Record = field(default_factory=Record)

    @property
    def piece(self) -> Blank:
        """The blank itself."""
        return self.blank.piece

    @property
    def elements(self) -> tuple[Element, ...]:
        """What the design is put together from."""
        return self.design.elements


ENTRIES: Mapping[str, type] = {name: kind for name, kind in get_type_hints(Job).items() if name != "name"}
_ENTRY_OF = {one.name: entry for entry, kind in ENTRIES.items() if entry != "record" for one in fields(kind)}


def altered(job: Job, **values: Any) -> Job:
    """Return a job with some values changed, each named as in its entry; names are the same in no two entries.

    Raises
    ------
    KeyError
        When no entry has such a value.

    Examples
    --------
    >>> from dunestead.core.artwork.elements import Frame
    >>> job = Job("Mat", BlankEntry("coir", Blank(600, 400)), DesignEntry((Frame(id=1),)), MaskEntry("card"))
    >>> altered(job, copies=3, material="plastic").mask.material
    'plastic'
    >>> altered(job) == job
    True
    """
    by_entry: dict[str, dict[str, Any]] = {}
    whole = {name: values.pop(name) for name in ("name", "record") if name in values}
    for name, value in values.items():
        by_entry.setdefault(_ENTRY_OF[name], {})[name] = value
    changed = {entry: replace(getattr(job, entry), **own) for entry, own in by_entry.items()}
    return replace(job, **changed, **whole)


def fits(material: Material, surface: Surface) -> bool:
    """Say whether a mask material works on a surface, heat included."""
    named = surface.family in material.works_on or surface.key in material.works_on
    return named and not (material.heat is not None and surface.heat is None)


def colouring(job: Job) -> Coating:
    """Return the coating that the design's colours are painted with where no other names them."""
    coatings = [coating for coating in job.paint.coatings if coating.role == "colour"]
    return next((coating for coating in coatings if coating.colour is None), coatings[0])
