"""The figures of the trade as values: surfaces, mask materials, cutters, presses, paints.

The shipped figures stand in ``catalogue/*.toml``; the core only says which there are.
Lengths are mm, areas mm², temperatures degrees C, times minutes unless a name says otherwise.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Literal, TypeVar

from dunestead.core.errors import BadInput, UnknownKey
from dunestead.core.records import Recipe, Stock, check_name

__all__ = [
    "Catalogue",
    "Cutter",
    "Distances",
    "FaceRow",
    "Figure",
    "GarmentPlacement",
    "GarmentSize",
    "HandTimes",
    "Material",
    "Paint",
    "PeelTime",
    "Press",
    "Surface",
    "Technique",
    "check_cutter",
]

Side = Literal["face", "back"]
Hold = Literal["heat", "pressure", "pins", "spray-tack"]
Feed = Literal["mat", "roll", "hand"]
Join = Literal["overlap", "butt"]
Technique = Literal["dab", "spray", "airbrush", "brush"]
PeelTime = Literal["wet", "set", "touch-dry", "at-once"]


@dataclass(frozen=True, slots=True)
class Figure:
    """One figure with its unit, the range met in practice and the reason for it."""

    value: float
    low: float
    high: float
    unit: str
    why: str


@dataclass(frozen=True, slots=True)
class Surface:
    """What a kind of blank asks of a design.

    Attributes
    ----------
    stroke, web, letter, bridge
        Least painted stroke, least mask between two painted places, least letter height, width of a bridge.
    soak
        How many times the paint of a smooth surface it takes up.
    heat
        Highest plate temperature, None where no heat may be used.
    seconds
        Longest placement at that heat.
    barrier
        Whether something must lie inside or underneath to stop paint going through.
    blank, colour
        Size and colour of the usual blank, to start a job from.
    family
        What paints and materials name when they say what they work on.
    """

    key: str
    name: str
    family: str
    stroke: float
    web: float
    letter: float
    bridge: float
    soak: float
    heat: float | None
    seconds: float
    barrier: bool
    prepare: str
    blank: tuple[float, float]
    colour: str


@dataclass(frozen=True, slots=True)
class Material:
    """A mask material.

    Attributes
    ----------
    enters_from
        The side of the finished mask that the knife enters.
    least_part
        Smallest side of a loose piece that survives weeding; None where none may be loose.
    border
        Least mask beyond the artwork when brushed.
    heat, seconds
        Plate temperature and time of one placement, None where it is not pressed warm.
    force, passes, speed
        Starting cut settings: gram, count, mm/s.
    works_on
        Families of surfaces, or single surfaces.
    stock_width, stock_length, price
        Usual width of its roll or sheet, and length of the sheet, None for a roll, mm; money a m².
    join
        Whether patches overlap at a seam, or are butted and taped.
    layers, backing
        From its face to its back; and whether a backing protects the back until it is laid.
    school
        Another material that is the same stuff the other way up, None where there is none.
    uses, wash_every
        Prints from one mask, and how many of them between washes, None where it is not washed.
    colour
        As it usually comes.
    peel
        When it comes off whatever the paint; None where the paint decides.
    """

    key: str
    name: str
    enters_from: Side
    hold: Hold
    least_part: float | None
    border: float
    heat: float | None
    seconds: float
    force: float
    passes: int
    speed: float
    reuse: str
    works_on: tuple[str, ...]
    stock_width: float
    stock_length: float | None
    join: Join
    layers: tuple[str, ...]
    backing: bool
    school: str | None
    price: float
    uses: int
    wash_every: int | None
    colour: str
    facing: str
    tack: str
    peel: PeelTime | None

    @property
    def is_backed(self) -> bool:
        """Whether a backing or carrier takes it through a cutter that feeds no mat."""
        return self.backing or "carrier" in self.layers


@dataclass(frozen=True, slots=True)
class Cutter:
    """A class of cutter, or a maker's own.

    Attributes
    ----------
    feeds
        Whether it takes a mat, a roll without one, or is a knife in the hand.
    reach_width, reach_length
        What the knife reaches across and along the feed, mm.
    slowest, fastest, acceleration
        mm/s, mm/s².
    lift
        Seconds to lift the knife and come down again.
    force_low, force
        What it can press, g.
    """

    key: str
    name: str
    feeds: Feed
    reach_width: float
    reach_length: float
    slowest: float
    fastest: float
    acceleration: float
    lift: float
    force_low: float
    force: float


@dataclass(frozen=True, slots=True)
class Press:
    """A hot plate: the part of it that presses evenly."""

    key: str
    name: str
    plate_width: float
    plate_length: float
    overlap: float


@dataclass(frozen=True, slots=True)
class Paint:
    """A kind of paint and how it dries at 20 degrees C and 50 % humidity.

    Attributes
    ----------
    cover
        m² a litre, one coat on a smooth surface.
    coats_low, coats_high
        The usual number of coats.
    transfer
        Share of the paint that lands on the blank.
    can_ml
        Paint in one can, None where it does not come in cans.
    next_coat, touch, handle, use, wash
        Minutes after a coat until each may be done; wash is None where it is not washed.
    peel
        When the mask comes off, by mask material family (``paper``, ``film``) or ``any``.
    """

    key: str
    name: str
    families: tuple[str, ...]
    technique: Technique
    cover: float
    coats_low: int
    coats_high: int
    transfer: float
    can_ml: float | None
    next_coat: float
    touch: float
    handle: float
    use: float
    wash: float | None
    heat_set: str
    peel: Mapping[str, PeelTime]
    cautions: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class HandTimes:
    """Seconds a median maker takes, until the maker's own records say better."""

    weed_piece: float
    weed_cm: float
    place_keeper: float
    pin: float
    placement_move: float
    dab_dm2_coir: float
    dab_dm2_cloth: float
    spray_dm2: float
    cover_dm: float
    peel_start: float
    peel_keeper: float
    touch_up: float
    touch_up_bridge: float
    sheet: float
    prepare: float
    test_cut: float
    off_the_mat: float
    barrier: float
    position: float
    lay: float
    wash: float
    count_pins: float


@dataclass(frozen=True, slots=True)
class GarmentSize:
    """A size of garment laid flat, mm."""

    key: str
    name: str
    width: float
    height: float


@dataclass(frozen=True, slots=True)
class Distances:
    """Starting distances of a design on a garment of one size, mm."""

    drop: float
    across: float
    widest: float


@dataclass(frozen=True, slots=True)
class GarmentPlacement:
    """A usual place for a design on a garment, with distances by size."""

    key: str
    name: str
    about: str
    by_size: Mapping[str, Distances]

    def at(self, size: str) -> Distances:
        """Return the distances for a size."""
        return self.by_size[size]


@dataclass(frozen=True, slots=True)
class FaceRow:
    """A shipped face: its kind, and whether its letters join into one piece."""

    key: str
    name: str
    kind: str
    joined: bool


Row = TypeVar("Row", Surface, Material, Cutter, Press, Paint, GarmentSize, GarmentPlacement, FaceRow)


@dataclass(frozen=True, slots=True, eq=False)
class Catalogue:
    """All figures, by key, and the maker's own stock and recipes by number.

    ``figures`` explains each number: table, key, field.
    """

    surfaces: Mapping[str, Surface]
    materials: Mapping[str, Material]
    cutters: Mapping[str, Cutter]
    presses: Mapping[str, Press]
    paints: Mapping[str, Paint]
    garments: Mapping[str, GarmentSize]
    placements: Mapping[str, GarmentPlacement]
    faces: Mapping[str, FaceRow]
    face_kinds: Mapping[str, str]
    hand: HandTimes
    figures: Mapping[tuple[str, str, str], Figure]
    workshop: Mapping[str, float]
    stock: Mapping[int, Stock] = field(default_factory=dict)
    recipes: Mapping[int, Recipe] = field(default_factory=dict)

    def surface(self, key: str) -> Surface:
        """Return a surface; raises `UnknownKey` where there is none."""
        return _pick("surface", self.surfaces, key)

    def material(self, key: str) -> Material:
        """Return a mask material; raises `UnknownKey` where there is none."""
        return _pick("mask material", self.materials, key)

    def cutter(self, key: str) -> Cutter:
        """Return a cutter class; raises `UnknownKey` where there is none."""
        return _pick("cutter", self.cutters, key)

    def press(self, key: str) -> Press:
        """Return a hot plate; raises `UnknownKey` where there is none."""
        return _pick("press", self.presses, key)

    def paint(self, key: str) -> Paint:
        """Return a paint; raises `UnknownKey` where there is none."""
        return _pick("paint", self.paints, key)

    def garment(self, key: str) -> GarmentSize:
        """Return a garment size; raises `UnknownKey` where there is none."""
        return _pick("garment size", self.garments, key)

    def placement(self, key: str) -> GarmentPlacement:
        """Return a placement on a garment; raises `UnknownKey` where there is none."""
        return _pick("placement on a garment", self.placements, key)

    def face(self, key: str) -> FaceRow:
        """Return a shipped face; raises `UnknownKey` where there is none."""
        return _pick("face", self.faces, key)


def check_cutter(cutter: Cutter) -> None:
    """Raise `BadInput` when a cutter cannot be kept."""
    check_name("cutter", cutter.name)
    if not (20 <= cutter.reach_width <= 5000 and 20 <= cutter.reach_length <= 50_000):
        raise BadInput(
            f"A reach of {cutter.reach_width:g} by {cutter.reach_length:g} mm is no cutter's.",
            "Give what the knife reaches, less than the mat: 20 to 5000 mm wide.",
        )
    if not (0 < cutter.slowest <= cutter.fastest <= 2000 and 10 <= cutter.acceleration <= 50_000):
        raise BadInput("Such speeds are no cutter's.", "Give the slowest first, up to 2000 mm/s.")
    if not (0 <= cutter.lift <= 20 and 0 < cutter.force_low <= cutter.force <= 5000):
        raise BadInput("Such forces are no cutter's.", "Give the least first, up to 5000 g.")


def _pick(kind: str, rows: Mapping[str, Row], key: str) -> Row:
    if key not in rows:
        raise UnknownKey(kind, key, list(rows))
    return rows[key]
