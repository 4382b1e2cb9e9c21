"""The figures of the trade as values: surfaces, mask materials, cutters, presses, paints.

The shipped figures stand in ``catalogue/*.toml``; the core only says which there are.
Lengths are mm, areas mm², temperatures degrees C, times minutes unless a name says otherwise.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Literal, TypeVar

from dunestead.core.errors import BadInput, UnknownKey
from dunestead.core.limits import REQUIRED, check_limits, limited
from dunestead.core.method import Method
from dunestead.core.records import KeptMask, ProvenHeat, Stock, Swatch, TestCut

__all__ = [
    "OUTDOORS",
    "Catalogue",
    "CoverPaper",
    "Cutter",
    "Distances",
    "FaceRow",
    "Figure",
    "GarmentPlacement",
    "GarmentSize",
    "HandTimes",
    "HeatSet",
    "Material",
    "Paint",
    "PeelTime",
    "Press",
    "Role",
    "Surface",
    "Technique",
    "Thinning",
    "Use",
    "check_cutter",
    "check_press",
]

Side = Literal["face", "back"]
Hold = Literal["heat", "pressure", "pins", "spray-tack"]
Feed = Literal["mat", "roll", "hand"]
Join = Literal["overlap", "butt"]
Technique = Literal["dab", "spray", "airbrush", "brush"]
PeelTime = Literal["wet", "set", "touch-dry", "at-once", "dry", "five-minutes"]
Role = Literal["base", "edge-seal", "colour", "over-colour", "ground", "seal", "finish"]
MaskKind = Literal["paper", "film", "card", "plastic"]
Pins = Literal["all", "pieces", "none"]
Use = Literal["open", "sheltered", "indoor", "worn", "touched", "food-near"]
OUTDOORS: tuple[Use, ...] = ("open", "sheltered")


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
    soak, soak_spray
        How many times the paint of a smooth surface it takes up, worked in and sprayed.
    heat
        Highest plate temperature, None where no heat may be used.
    seconds
        Longest placement at that heat.
    barrier
        Whether something must lie inside or underneath to stop paint going through.
    coarse
        Whether paint is worked down between its fibres.
    rigid, has_back
        Whether it does not bend; whether it has a back of its own, which heat may spoil.
    see_through
        Whether one can look through it, so that it is asked from which side it is looked at.
    takes_pins, takes_alcohol, edge_seal
        Whether pins leave no holes in it, whether it is wiped with alcohol while it is bare, and whether it gains from
        an edge-sealing coat.
    cautions, used_cautions
        Keys of what can hurt while it is prepared, and once it is in use.
    blank, colour, use
        Size, colour and use of the usual blank, to start a job from.
    print_as
        Key of the placement on a garment whose usual width a print starts with; None where it starts as wide as fits.
    paint, paint_outdoors
        Keys of the paints that are proposed for it; None where it is the same outdoors.
    finish_outdoors, finish_behind
        Keys of the finishes that are proposed outdoors, and behind what is seen through it; None for none.
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
    soak_spray: float
    heat: float | None
    seconds: float
    barrier: bool
    coarse: bool
    takes_pins: bool
    rigid: bool
    has_back: bool
    takes_alcohol: bool
    see_through: bool
    edge_seal: bool
    cautions: tuple[str, ...]
    used_cautions: tuple[str, ...]
    prepare: str
    blank: tuple[float, float]
    colour: str
    use: Use
    paint: str
    paint_outdoors: str | None
    finish_outdoors: str | None
    finish_behind: str | None
    print_as: str | None = None


@dataclass(frozen=True, slots=True)
class Material:
    """A mask material.

    Attributes
    ----------
    enters_from
        The side of the finished mask that the knife enters.
    kind
        What it is made of, as peeling and pinning see it.
    pins
        What of it is pinned where a blank takes pins.
    least_part
        Smallest side of a loose piece that survives weeding; None where none may be loose.
    border
        Least mask beyond the artwork when brushed.
    heat, seconds
        Plate temperature and time of one placement, None where it is not pressed warm.
    holds_from
        The plate must be as hot as this for it to hold at all, None where it is not pressed warm.
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
    kind: MaskKind
    pins: Pins
    enters_from: Side
    hold: Hold
    least_part: float | None
    border: float
    heat: float | None
    holds_from: float | None
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
    name: str = limited(REQUIRED, "name of the cutter", 1, 120, "letters")
    feeds: Feed = REQUIRED
    reach_width: float = limited(REQUIRED, "reach across", 20.0, 5000.0, "mm")
    reach_length: float = limited(REQUIRED, "reach along", 20.0, 50_000.0, "mm")
    slowest: float = limited(REQUIRED, "slowest speed", 0.1, 2000.0, "mm/s", 0.1)
    fastest: float = limited(REQUIRED, "fastest speed", 0.1, 2000.0, "mm/s", 0.1)
    acceleration: float = limited(REQUIRED, "acceleration", 10.0, 50_000.0, "mm/s²")
    lift: float = limited(REQUIRED, "time to lift the knife", 0.0, 20.0, "s", 0.1)
    force_low: float = limited(REQUIRED, "least force", 0.1, 5000.0, "g", 0.1)
    force: float = limited(REQUIRED, "most force", 0.1, 5000.0, "g", 0.1)


@dataclass(frozen=True, slots=True)
class Press:
    """A hot plate: the part of it that presses evenly, and the highest it can be set to, C."""

    key: str
    name: str = limited(REQUIRED, "name of the plate", 1, 120, "letters")
    plate_width: float = limited(REQUIRED, "width of the plate", 20.0, 1500.0, "mm")
    plate_length: float = limited(REQUIRED, "length of the plate", 20.0, 1500.0, "mm")
    overlap: float = limited(REQUIRED, "overlap of its rests", 0.0, 100.0, "mm")
    heat: float = limited(REQUIRED, "highest heat of the plate", 60.0, 260.0, "C")


@dataclass(frozen=True, slots=True)
class CoverPaper:
    """What a blank is covered with around its mask: as wide and long as it comes, mm; None long for a roll."""

    key: str
    name: str
    width: float
    length: float | None = None


@dataclass(frozen=True, slots=True)
class HeatSet:
    """How paint is set with heat: C, minutes, how, and minutes after the last coat."""

    celsius: float
    minutes: float
    after: float
    how: str


@dataclass(frozen=True, slots=True)
class Thinning:
    """How a paint is thinned: so many parts of it with so many parts of something."""

    paint: float
    parts: float
    with_: str

    def of(self, ml: float) -> tuple[float, float]:
        """Return how much paint and how much thinner make a batch, ml.

        Examples
        --------
        >>> Thinning(2, 1, "water").of(30)
        (20.0, 10.0)
        """
        whole = self.paint + self.parts
        return ml * self.paint / whole, ml * self.parts / whole


@dataclass(frozen=True, slots=True)
class Paint:
    """A kind of paint or finish, and how it dries at 20 degrees C and 50 % humidity.

    Attributes
    ----------
    roles
        What it may serve as.
    works_on, outdoors_on
        Families of surfaces, or single surfaces, that it holds on; and those on which it stands the weather.
    cover
        m² a litre, one coat on a smooth surface.
    coats_low, coats_high
        The usual number of coats.
    transfer
        Share of the paint that lands on the blank.
    can_ml, bottle_ml
        Paint in one can, None where it does not come in cans; what else it usually comes in.
    uses
        What it stands: the weather of an ``open`` doorstep, and so on.
    thin, flow
        How it is thinned, None where it is used as it is; how it flows.
    next_coat, touch, handle, use, wash
        Minutes after a coat until each may be done; wash is None where it is not washed.
    heat_set
        None where it is not set with heat.
    usual_finish
        Key of the finish that it is not to be used without, None where it needs none.
    warm_air
        Whether warm air may shorten the wait between coats.
    peel
        When the mask comes off, by mask material family (``paper``, ``film``) or ``any``.
    peels_also
        Another time at which it may come off, but not in between; None without one.
    """

    key: str
    name: str
    roles: tuple[Role, ...]
    works_on: tuple[str, ...]
    outdoors_on: tuple[str, ...]
    technique: Technique
    cover: float
    coats_low: int
    coats_high: int
    transfer: float
    can_ml: float | None
    bottle_ml: float | None
    next_coat: float
    touch: float
    handle: float
    use: float
    wash: float | None
    heat_set: HeatSet | None
    usual_finish: str | None
    warm_air: bool
    peel: Mapping[str, PeelTime]
    peels_also: PeelTime | None
    uses: tuple[Use, ...]
    thin: Thinning | None
    flow: Literal["runny", "usual", "thick"]
    cautions: tuple[str, ...]

    def suits(self, surface: Surface, use: Use) -> bool:
        """Say whether it holds on a surface, outdoors where it is used there."""
        named = self.outdoors_on if use in OUTDOORS else self.works_on
        return surface.family in named or surface.key in named

    @property
    def is_sprayed(self) -> bool:
        """Whether it goes on through the air, by can or airbrush."""
        return self.technique in ("spray", "airbrush")


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
    brush_ready: float
    spray_ready: float
    wash_brush: float
    cover_dm: float
    peel_start: float
    peel_keeper: float
    touch_up: float
    touch_up_bridge: float
    sheet: float
    prepare: float
    fit_on: float
    test_cut: float
    off_the_mat: float
    barrier: float
    position: float
    lay: float
    wash: float
    tape_over: float
    burnish: float
    backing_off: float
    weaken_tape: float
    trim_tape: float
    tape_off: float
    guide: float
    push_pins: float
    hinge: float
    warm_air_dm2: float
    rub: float
    test_peel: float
    carrier_off: float
    wipe: float
    roller: float
    spray_tack: float
    board: float
    seam: float
    count_window: float
    look_over: float
    second_pass: float
    trial: float
    rewarm: float
    lint: float
    check_sheets: float
    print_twice: float
    clean_back: float
    heat_set: float
    write_down: float
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


Row = TypeVar(
    "Row", Surface, Material, Method, Cutter, Press, CoverPaper, Paint, GarmentSize, GarmentPlacement, FaceRow
)


@dataclass(frozen=True, slots=True, eq=False)
class Catalogue:
    """All figures, by key, and by number the maker's own stock, masks that are kept, and test cuts.

    ``figures`` explains each number: table, key, field. ``amounts`` is by which factor own jobs took other amounts of
    a paint on a surface than the table says; ``pressed`` is how masks held in them, by material, surface, method and
    number of the pass.
    """

    surfaces: Mapping[str, Surface]
    materials: Mapping[str, Material]
    methods: Mapping[str, Method]
    cutters: Mapping[str, Cutter]
    presses: Mapping[str, Press]
    covers: Mapping[str, CoverPaper]
    tools: Mapping[str, str]
    paints: Mapping[str, Paint]
    garments: Mapping[str, GarmentSize]
    placements: Mapping[str, GarmentPlacement]
    faces: Mapping[str, FaceRow]
    face_kinds: Mapping[str, str]
    hand: HandTimes
    figures: Mapping[tuple[str, str, str], Figure]
    workshop: Mapping[str, float]
    stock: Mapping[int, Stock] = field(default_factory=dict)
    kept_masks: Mapping[int, KeptMask] = field(default_factory=dict)
    owned: frozenset[str] | None = None
    pressed: Mapping[tuple[str, str, str, int], ProvenHeat] = field(default_factory=dict)
    swatches: tuple[Swatch, ...] = ()
    test_cuts: Mapping[int, TestCut] = field(default_factory=dict)
    amounts: Mapping[str, float] = field(default_factory=dict)

    def surface(self, key: str) -> Surface:
        """Return a surface; raises `UnknownKey` where there is none."""
        return _pick("surface", self.surfaces, key)

    def material(self, key: str) -> Material:
        """Return a mask material; raises `UnknownKey` where there is none."""
        return _pick("mask material", self.materials, key)

    def method(self, key: str) -> Method:
        """Return a method; raises `UnknownKey` where there is none."""
        return _pick("method", self.methods, key)

    def cutter(self, key: str) -> Cutter:
        """Return a cutter class; raises `UnknownKey` where there is none."""
        return _pick("cutter", self.cutters, key)

    def cover(self, key: str) -> CoverPaper:
        """Return what a blank is covered with; raises `UnknownKey` when there is none."""
        return _pick("cover", self.covers, key)

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
    check_limits(cutter)
    if cutter.slowest > cutter.fastest:
        raise BadInput("The slowest speed is above the fastest.", "Give the slowest first.")
    if cutter.force_low > cutter.force:
        raise BadInput("The least force is above the most.", "Give the least first.")


def check_press(press: Press) -> None:
    """Raise `BadInput` when a plate cannot be kept."""
    check_limits(press)
    if press.overlap * 2 > min(press.plate_width, press.plate_length):
        raise BadInput("Its rests overlap by more than half the plate.", "Give less overlap.")


def _pick(kind: str, rows: Mapping[str, Row], key: str) -> Row:
    if key not in rows:
        raise UnknownKey(kind, key, list(rows))
    return rows[key]
