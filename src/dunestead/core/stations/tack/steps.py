"""What is there to do to make a mask hold? It is laid, tacked down, pinned and covered, as its method has it."""

from collections import Counter
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from typing import TypeVar

from dunestead.core.figures import HandTimes
from dunestead.core.painting.cover import Cover
from dunestead.core.plan.laid import groups_laid, guides_of
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.plan.young import Trim, tapes_off, trims_for
from dunestead.core.stations.tack.laying import Laying, PauseValues, simple
from dunestead.core.tacking.centring import Distances, Guides
from dunestead.core.tacking.laying import Side
from dunestead.core.tacking.placements import Pressing
from dunestead.core.tacking.strips import Strip
from dunestead.core.units import several, show_tape, show_temperature
from dunestead.core.words.laying import distances_in_words
from dunestead.core.work.kinds import NoValues, TaskKind, Trait, kind_of
from dunestead.core.work.needs import Need
from dunestead.core.work.resources import HANDS, PLATE, Resource
from dunestead.core.work.saying import Said
from dunestead.core.work.tasks import Call, Chain, Count, Task, Wait, task_id
from dunestead.core.work.values import AcrossSeams, UnderPlate

__all__ = ["tack"]

V = TypeVar("V")
_DM = 100.0
_DM2 = 1e4
_CORNERS = 4


def tack(
    plan: Plan,
    hand: HandTimes,
    chain: Chain,
    mask: MaskPlan,
    copy: int,
    before: Sequence[Wait],
    workshop: Mapping[str, float],
    bared: Sequence[Task] = (),
) -> None:
    """Add the laying of a mask on one copy, as its method has it.

    Parameters
    ----------
    before
        What must be done and dry before the mask touches the blank, or anything else does that goes with it.
    workshop
        Figures of the workshop: minutes a pressed mask cools and spray tack rests, and others.
    bared
        What is done with the mask itself right before.
    """
    laying = Laying(plan, hand, mask, copy, workshop)
    made = [task for kind in map(kind_of, plan.method.tack) if kind.make and (task := kind.make(laying))]
    while made and made[0].has(Trait.WHILE_DRYING):
        chain.add(made.pop(0))
    waits = before
    for task in (*bared, *made):
        held = [Wait(chain.last.id, task.values.minutes)] if isinstance(task.values, PauseValues) else []
        chain.add(task, *held, *waits)
        waits = ()


# --- laying -----------------------------------------------------------------------------------
_COUNTED = {1: "notch", 2: "two notches", 3: "three notches", 4: "four notches"}
_REGISTER_BY_EDGES = (
    "Lay every mask of this design so that its edges meet the blank's. Let each colour dry before the next mask."
)


@dataclass(frozen=True, slots=True)
class LayValues:
    """Where a mask lies.

    Attributes
    ----------
    aligned
        Whether it is as large as the blank, and laid edge on edge.
    register, notches
        Which of several masks it is that are laid by the same notches, 0 for none; and how many there are.
    trims
        What is cut off its border first, so that it stays off young paint.
    """

    mask: str
    aligned: bool
    guides: Guides
    register: int
    notches: int
    from_back: bool
    trims: tuple[Trim, ...]


def _lay_how(values: LayValues, said: Said) -> str:
    if values.aligned:
        return "The mask is as large as the blank: bring their edges together all around, then tack it down."
    back = "You work from the back: left and right are as you stand there. " if values.from_back else ""
    cut = " and ".join(f"{show_tape(one.by, said.unit)} off its {one.side} edge" for one in values.trims)
    off = f"Trim {cut} first: then it stays off the print that is still young. " if cut else ""
    distances = f"{off}{back}{_distances(values.guides, said.unit)}Press the middle down first, then work outwards."
    notches = _COUNTED.get(values.notches)
    if values.register == 1:
        mark = f"Mark the blank or its board at the {notches}." if notches else _REGISTER_BY_EDGES
        return f"{distances} {mark}"
    if values.register > 1:
        onto = f"Bring the {notches} in its border onto the marks of the first mask."
        return onto if notches else _REGISTER_BY_EDGES
    return distances


def _distances(guides: Guides, unit: str) -> str:
    return "".join(f"{distances_in_words(line, unit)} " for line in guides.lines if line.what == "artwork")


def _lay(laying: Laying) -> Task:
    plan, mask = laying.plan, laying.mask
    notched = len(plan.masks) > 1 and not mask.laid.line and not plan.look.aligned
    values = LayValues(
        mask.laid.name,
        plan.look.aligned,
        guides_of(plan, mask),
        mask.number if notched else 0,
        mask.laid.notches,
        plan.job.blank.is_seen_through,
        trims_for(plan, mask, laying.young, laying.workshop),
    )
    return laying.task(LAY, values, laying.by(position=1))


LAY = TaskKind(
    "tack-lay",
    LayValues,
    lambda values, _: f"Lay {values.mask} {'edge on edge' if values.aligned else 'by the tape measure'}",
    _lay_how,
    traits=frozenset({Trait.LAYS}),
    shows=("distances",),
    make=_lay,
)


@dataclass(frozen=True, slots=True)
class GroupsValues:
    """Shapes laid group by group, in their order: where each group lies."""

    groups: tuple[Distances, ...]


def _named(numbers: Sequence[int]) -> str:
    return ", ".join(map(str, numbers))


def _groups(laying: Laying) -> Task:
    values = GroupsValues(groups_laid(laying.plan, laying.mask))
    return laying.task(LAY_GROUPS, values, laying.by(position=max(len(values.groups), 1)))


LAY_GROUPS = TaskKind(
    "tack-lay-groups",
    GroupsValues,
    lambda values, _: f"Lay {several(len(values.groups), 'group')} by their distances",
    lambda values, said: (
        "Lay group by group from the middle outwards. "
        + " ".join(distances_in_words(group, said.unit) for group in values.groups)
    ),
    traits=frozenset({Trait.LAYS}),
    shows=("distances", "keepers"),
    make=_groups,
)


@dataclass(frozen=True, slots=True)
class HingeValues:
    """A strip of mask without tape, mm: how wide and how long."""

    free: float
    long: float


def _hinge(laying: Laying) -> Task:
    x0, y0, x1, y1 = laying.mask.box
    return laying.task(HINGE, HingeValues(laying.workshop["hinge_strip"], max(x1 - x0, y1 - y0)), laying.by(hinge=1))


HINGE = TaskKind(
    "tack-hinge",
    HingeValues,
    "Tape the free strip down as a hinge",
    lambda values, said: (
        f"Tape down the bare strip, {show_tape(values.free, said.unit)} by {show_tape(values.long, said.unit)}, "
        "and its corners. It keeps the mask in place while the rest is folded back and laid down again."
    ),
    make=_hinge,
)
simple("tack-backing-off-hinged", "backing_off", "Fold it back on its hinge and take the backing off")


def _seam_how(values: AcrossSeams, said: Said) -> str:
    parts = []
    for seam in values.seams:
        marks = ", ".join(show_tape(pair.distance, said.unit) for pair in seam.pairs)
        reads = (
            f"the tape reads {marks}"
            if marks
            else "there is no firm mask beside it to measure on, so match the cut lines"
        )
        parts.append(f"Seam {seam.name}, patches {seam.patches[0]} and {seam.patches[1]}: {reads}.")
    return f"Lay one patch, lay the next, check the distances across the seam, then tape it. {' '.join(parts)}"


def _seam(laying: Laying) -> Task | None:
    layout = laying.plan.layout
    numbers = {patch.number for patch in layout.patches if patch.mask == laying.mask.number}
    seams = tuple(seam for seam in layout.seams if numbers & set(seam.patches))
    return laying.task(SEAM, AcrossSeams(seams), laying.by(seam=len(seams))) if seams else None


SEAM = TaskKind(
    "tack-seam",
    AcrossSeams,
    lambda values, _: f"Measure and tape {several(len(values.seams), 'seam')}",
    _seam_how,
    shows=("seams",),
    make=_seam,
)


# --- heat -------------------------------------------------------------------------------------
@dataclass(frozen=True, slots=True)
class AgainValues(UnderPlate):
    """Pressed once more: all of it, or only where it lifts; through a carrier or bare."""

    where_it_lifts: bool
    on_carrier: bool


def _at(pressing: Pressing, unit: str) -> str:
    return f"{show_temperature(pressing.celsius, unit)}, {pressing.seconds:g} s"


def _press_title(values: UnderPlate, unit: str) -> str:
    return f"Press {values.pressing.name}: {several(values.rests, 'rest')} at {_at(values.pressing, unit)} each"


def _again_title(values: AgainValues, unit: str) -> str:
    if values.where_it_lifts:
        return f"Press again where it lifts, {_at(values.pressing, unit)}"
    again = several(values.rests, "rest")
    return f"Press again {values.pressing.name}: {again} at {_at(values.pressing, unit)} each"


def _press_how(values: UnderPlate, _: Said) -> str:
    rims = [one.number for one in values.pressing.placements if one.under_rim]
    between = f" Put paper between at {_named(rims)}: a keeper lies under the plate's rim there." if rims else ""
    return (
        "Work without steam, by the numbers, from the middle outwards. Press and lift; never slide. Then look for "
        f"places that have puffed up, and mark where it lifts.{between}"
    )


def _press(laying: Laying) -> Task | None:
    if not laying.mask.pressings:
        return None
    pressing = laying.mask.pressings[0]
    rests = len(pressing.placements)
    work = laying.by(rests * pressing.seconds, placement_move=rests)
    return laying.task(PRESS, UnderPlate(pressing, rests), work, call=_rests(pressing))


def _rests(pressing: Pressing, again: str | None = None) -> Call:
    return Call(tuple(one.number for one in pressing.placements), "placements", again=again)


def _press_again(laying: Laying) -> Task | None:
    mask = laying.mask
    # Where pieces are placed one by one, the second pass is theirs.
    if not mask.pressings or (laying.plan.method.places_pieces and not laying.is_placed):
        return None
    pressing = mask.pressings[-1]
    where_it_lifts = len(mask.pressings) == 1
    rests = 1 if where_it_lifts else len(pressing.placements)
    work = laying.by(rests * pressing.seconds, placement_move=rests)
    call = _rests(pressing, task_id(PRESS.code, mask=mask.number, copy=laying.copy))
    values = AgainValues(pressing, rests, where_it_lifts, laying.plan.method.keepers == "carrier")
    return laying.task(PRESS_AGAIN, values, work, call=call)


def _under_plate(
    code: str,
    values: type[V],
    title: Callable[[V, str], str],
    how: "str | Callable[[V, Said], str]",
    trait: Trait,
    make: Callable[[Laying], Task | None],
    resource: Resource = PLATE,
) -> TaskKind[V]:
    return TaskKind(code, values, title, how, resource, ("iron",), frozenset({trait}), shows=("rests",), make=make)


PRESS = _under_plate("tack-press", UnderPlate, _press_title, _press_how, Trait.PRESSES, _press)
PRESS_AGAIN = _under_plate(
    "tack-press-again",
    AgainValues,
    _again_title,
    lambda values, _: (
        "Press through the carrier, and lift: never slide."
        if values.on_carrier
        else "Press and lift with paper between, so that no piece sticks to the plate."
    ),
    Trait.PRESSES_AGAIN,
    _press_again,
)
simple(
    "tack-rub",
    "rub",
    "Rub it down while it is hot",
    "Rub with a cloth, from the middle outwards.",
    cautions=("iron",),
)
simple(
    "tack-test-peel",
    "test_peel",
    "Test-peel the carrier at an edge",
    "Where the film lifts with the carrier, press again and let it cool again.",
)
simple(
    "tack-carrier-off",
    "carrier_off",
    "Take the carrier off, and keep it",
    "You need it again to warm the film when you peel.",
)


# --- pressure ---------------------------------------------------------------------------------
def _warm_air(laying: Laying) -> Task:
    x0, y0, x1, y1 = laying.mask.box
    return laying.task(WARM_AIR, NoValues(), laying.by(warm_air_dm2=(x1 - x0) * (y1 - y0) / _DM2))


WARM_AIR = TaskKind(
    "tack-warm-air",
    NoValues,
    "Warm it into the mat, corners first",
    "Press while you warm it, and hold small pieces down. Wear a heat-proof glove.",
    cautions=("hot-air",),
    make=_warm_air,
)
simple(
    "tack-rub-down",
    "lay",
    "Rub it down from the middle outwards",
    # What is pressed warm or pinned needs none.
    where=lambda laying: not laying.mask.pressings and laying.plan.choices.material.hold == "pressure",
)
simple("tack-smooth", "lay", "Pull it straight and smooth it down")
simple("tack-roll", "roller", "Roll every edge down")
simple("tack-press-down", "lay", "Press it down, every edge")
simple(
    "tack-tape-off",
    "tape_off",
    "Peel the tape off, low and slow",
    "Fold it flat over itself and pull in one direction, pushing down every piece that lifts.",
    where=lambda laying: laying.plan.is_taped(laying.mask),
)


# --- keepers ----------------------------------------------------------------------------------
simple(
    "tack-guide-in",
    "guide",
    "Lay the placing guide back in",
    "It shows you where every keeper goes.",
    shows=("keepers",),
    where=lambda laying: laying.is_placed,
)
simple("tack-guide-out", "guide", "Take the placing guide out", where=lambda laying: laying.is_placed)


@dataclass(frozen=True, slots=True)
class PlaceValues:
    """Keepers in the order they are set down; whether they are the design itself; those only tweezers can hold."""

    placing: tuple[int, ...]
    is_reverse: bool
    tweezers: tuple[int, ...]


def _place_how(values: PlaceValues, _: Said) -> str:
    named = ", ".join(map(str, values.tweezers))
    tweezers = f" Use tweezers and a dry dab for {named}." if named else ""
    if values.is_reverse:
        return f"Work from the middle outwards: {_named(values.placing)}. Measure to the blank's edges.{tweezers}"
    return f"Place them one by one by the numbered map.{tweezers}"


def _place(laying: Laying) -> Task | None:
    if not laying.is_placed:
        return None
    mask = laying.mask
    values = PlaceValues(mask.placing, mask.laid.is_reverse, mask.pinning.by_tweezers)
    return laying.task(PLACE, values, laying.by(place_keeper=len(mask.placing)), call=Call(mask.placing))


PLACE = TaskKind(
    "tack-place",
    PlaceValues,
    lambda values, _: f"Place {several(len(values.placing), 'keeper')}",
    _place_how,
    shows=("keepers",),
    make=_place,
)


# --- pins and cover ---------------------------------------------------------------------------
def _pin_corners(laying: Laying) -> Task | None:
    if not laying.plan.choices.surface.takes_pins:
        return None
    # They come out with the tape and are set again: the pins that stay are those of the step that counts them.
    needs = (Need("pins", "", "pins", at_hand=_CORNERS),)
    return laying.task(PIN_CORNERS, NoValues(), laying.by(pin=_CORNERS), needs=needs)


PIN_CORNERS = TaskKind(
    "tack-pin-corners",
    NoValues,
    "Pin the four corners through the tape",
    "Use short all-metal pins, set at an angle.",
    cautions=("pins",),
    shows=("corner-pins",),
    make=_pin_corners,
)
simple(
    "tack-tape-edges",
    "trim_tape",
    "Tape down what did not bond",
    "Tape seams and edges that came up again: nowhere else does paint creep in so easily.",
)


@dataclass(frozen=True, slots=True)
class PinsValues:
    """How many pins are set, why so many, and which pieces are too small for one."""

    count: int
    why: str
    tweezers: tuple[int, ...]


def _pins_how(values: PinsValues, _: Said) -> str:
    named = ", ".join(map(str, values.tweezers))
    small = f" These are too small for a pin and get a dry dab later: {named}." if named else ""
    return f"{values.why} Count the pins you set: the same number must come back.{small}"


def _pins(laying: Laying) -> Task | None:
    pinning, returns = laying.mask.pinning, laying.plan.pins_return
    count = len(pinning.pins)
    if not count:
        return None
    # How many were set is what must come back, whatever was planned.
    call = Call(counts=(Count("pins", "pins", None, planned=count),))
    needs = (Need("pins", "", "pins", float(count), step=1.0, returns=returns, at_hand=count),)
    values = PinsValues(count, pinning.why, pinning.by_tweezers)
    return laying.task(PINS, values, laying.by(pin=count), call=call, needs=needs)


PINS = TaskKind(
    "tack-pins",
    PinsValues,
    lambda values, _: f"Set {several(values.count, 'pin')}",
    _pins_how,
    cautions=("pins",),
    traits=frozenset({Trait.SETS_PINS}),
    shows=("pins",),
    make=_pins,
)


@dataclass(frozen=True, slots=True)
class CoverValues:
    """What is covered around a mask.

    Attributes
    ----------
    is_pinned
        Whether its edges are pinned, as on a coarse mat, not taped.
    strips, paper
        What the paper is cut to, and what it is called.
    wind
        m/s over which it must be weighed down outdoors.
    bare
        Sides at which no tape goes on, for it would lie on young paint.
    """

    cover: Cover
    is_pinned: bool
    strips: tuple[Strip, ...]
    paper: str
    wind: float
    bare: tuple[Side, ...]


_SIDES = ("left", "top", "right", "bottom")


def _cover_how(values: CoverValues, said: Said) -> str:
    cover = values.cover
    sides = [f"{name} {show_tape(side, said.unit)}" for name, side in zip(_SIDES, cover.sides, strict=True) if side]
    taped = [name for name, tape in zip(_SIDES, cover.taped, strict=True) if tape and name not in values.bare]
    edges = "with its edges pinned" if values.is_pinned else "with its edges taped"
    parts = [f"Cover the rest of the blank and the ground around it with paper, {edges}."] if cover.everything else []
    parts += [f"Cover this far beyond the mask: {', '.join(sides)}."] if sides else []
    parts += [f"One width of tape is enough at the {', '.join(taped)}."] if taped else []
    parts += [f"No tape at the {', '.join(values.bare)}: the print there is still young."] if values.bare else []
    parts += ["Cover what is kept clear inside the mask as well."] if cover.inside else []
    if cover.everything:
        parts.append(f"Outdoors, weigh the paper down: wind over {values.wind:g} m/s lifts paper and mask.")
    if values.strips:
        sizes = Counter(" by ".join(show_tape(side, said.unit) for side in strip.size) for strip in values.strips)
        cut = ", ".join(f"{count} of {size}" if count > 1 else size for size, count in sizes.items())
        parts.append(f"{values.paper}, cut to {cut}: lay the strips by their numbers, each over the one before.")
    return " ".join(parts)


def _cover(laying: Laying) -> Task | None:
    cover, choices = laying.mask.cover, laying.plan.choices
    if cover.is_empty:
        return None
    values = CoverValues(
        cover,
        choices.surface.coarse,
        laying.mask.strips,
        choices.cover_paper.name,
        laying.workshop["spray_wind"],
        tapes_off(laying.plan, laying.mask, laying.young, laying.workshop),
    )
    needs = (Need("tape", "", "tape", cover.tape, at_hand=cover.tape),)
    return laying.task(COVER, values, laying.by(cover_dm=cover.tape / _DM), needs=needs)


COVER = TaskKind("tack-cover", CoverValues, "Cover around the mask", _cover_how, HANDS, shows=("cover",), make=_cover)
