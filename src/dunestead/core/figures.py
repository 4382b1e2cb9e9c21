"""The figures of the trade as values: surfaces, mask materials, cutters, presses, paints.

The shipped figures stand in ``catalogue/*.toml``; the core only says which there are.
Lengths are mm, areas mm², temperatures degrees C, times minutes unless a name says otherwise.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal, TypeVar

from dunestead.core.errors import UnknownKey

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
]

Side = Literal["face", "back"]
Hold = Literal["heat", "pressure", "pins", "spray-tack"]
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
    stock_width, price
        Usual width of its roll or sheet, mm; money a m².
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
    price: float
    uses: int
    wash_every: int | None
    colour: str
    facing: str
    tack: str
    peel: PeelTime | None


@dataclass(frozen=True, slots=True)
class Cutter:
    """A class of cutter: reach across and along its feed, fastest travel in mm/s, seconds a lift of the knife."""

    key: str
    name: str
    reach_width: float
    reach_length: float
    fastest: float
    lift: float
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
    """All figures, by key. ``figures`` explains each number: table, key, field."""

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


def _pick(kind: str, rows: Mapping[str, Row], key: str) -> Row:
    if key not in rows:
        raise UnknownKey(kind, key, list(rows))
    return rows[key]
