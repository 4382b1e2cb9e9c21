"""What is there to do with the paint? What goes on through each mask, coat by coat, and what after it."""

from collections.abc import Sequence
from dataclasses import dataclass

from dunestead.core.curing.drying import drying_factor
from dunestead.core.effort import effort
from dunestead.core.figures import Catalogue
from dunestead.core.painting.layers import dries_before
from dunestead.core.plan.coats import PlannedCoating
from dunestead.core.plan.pace import WET_ON_WET, Pace, order_of, pace_of
from dunestead.core.plan.plan import MaskPlan, Plan
from dunestead.core.units import several, show_time
from dunestead.core.work.coating import THROUGH_COAT, coat_code, coat_id, coat_task, coat_title
from dunestead.core.work.fingerprint import place_fingerprint
from dunestead.core.work.kinds import NoValues, TaskKind, Trait
from dunestead.core.work.marks import BEFORE_THE_PEEL
from dunestead.core.work.saying import Said
from dunestead.core.work.tasks import Chain, Task, Wait, task_of
from dunestead.core.work.values import OfCoat

__all__ = ["paint_after", "paint_through", "try_first"]


@dataclass(frozen=True, slots=True)
class TrialValues:
    """Paints that were never tried on a surface, by their names."""

    paints: tuple[str, ...]
    surface: str


def _trial_how(values: TrialValues, _: Said) -> str:
    return (
        f"You have not used it on {values.surface.lower()} yet. Paint one window on a scrap with as many "
        "coats as planned and let it dry. Keep it as a swatch with a note, and this step will not be asked again."
    )


TRIAL = TaskKind(
    "paint-trial",
    TrialValues,
    lambda values, _: f"Test the {' and the '.join(values.paints).lower()} on a scrap first",
    _trial_how,
)


@dataclass(frozen=True, slots=True)
class ApartValues:
    """How several colours go through one mask.

    Attributes
    ----------
    colours
        How many.
    covered, dauber
        Whether they are kept apart by covering, or by a foam dauber.
    pace
        How long they take by rounds and colour by colour.
    """

    colours: int
    covered: bool
    dauber: bool
    pace: Pace


def _apart_how(values: ApartValues, _: Said) -> str:
    how = "Before each colour, cover what lies close by with paper and tape its edges. " if values.covered else ""
    tool = "Dab with a foam dauber: it keeps closer to its place than a brush. " if values.dauber else ""
    rounds, one_by_one = show_time(values.pace.rounds), show_time(values.pace.one_by_one)
    if values.covered:
        order = "Go colour by colour, for each has to be dry before it is covered."
    elif values.pace.by_rounds:
        order = (
            f"Go by rounds: the first coat of every colour, then the second. That takes about {rounds}; colour by "
            f"colour it would be {one_by_one}."
        )
    else:
        order = f"Go colour by colour. That takes about {one_by_one}; by rounds it would be {rounds}."
    return f"{how}{tool}Start with the smaller or the lighter one. {order}"


APART = TaskKind(
    "paint-colours-apart",
    ApartValues,
    lambda values, _: f"Keep {several(values.colours, 'colour')} apart",
    _apart_how,
)


@dataclass(frozen=True, slots=True)
class CoatValues(OfCoat):
    """A coat through a mask, or over all of it: on a coarse surface or not, past so many tongues, in rounds or not."""

    is_coarse: bool
    tongues: int
    in_rounds: bool = False


def _coat_how(values: CoatValues, said: Said) -> str:
    tongues = (
        f" Dab the {several(values.tongues, 'tongue')} straight down, or along the arrows from root to tip."
        if values.tongues and not values.coating.paint.is_sprayed
        else ""
    )
    return f"{_put_on(values)}{tongues}{said.next_coat('of this colour' if values.in_rounds else '')}"


def _put_on(values: CoatValues) -> str:
    paint = values.coating.paint
    if values.coating.role == "edge-seal":
        return (
            "Dab one thin coat straight down over every edge of the mask. It closes the gaps that paint would creep "
            "under."
        )
    if paint.technique == "spray":
        return (
            "Hold the can upright, aim straight at the surface from 150 to 300 mm away, and keep moving past the edge "
            "of the mask. Keep the coat light: you can add more, but you cannot take any away."
        )
    if paint.technique == "airbrush":
        return "Aim straight at the surface from 50 to 150 mm away, in light, even passes."
    if values.is_coarse:
        return (
            "Load the brush well, dab straight down and work the paint between the fibres. If bare mat shows, add more."
        )
    return "Take little paint on the brush and dab straight down. " + (
        "This first coat is very thin: it seals the edges." if values.coat == 1 else "Keep the coat thin."
    )


@dataclass(frozen=True, slots=True)
class ColourValues:
    """The colour that comes next, by its name."""

    colour: str


COAT = TaskKind(
    THROUGH_COAT, CoatValues, coat_title, _coat_how, traits=frozenset({Trait.FIRST_STROKE, Trait.ON_THE_AXIS})
)
LOOK_OVER = TaskKind(
    "paint-look-over",
    NoValues,
    "Look over everything once more",
    "Go window by window: push back centres that have lifted, and mark what is bare, thin or missed. What you miss "
    "now can only be touched up later.",
    traits=frozenset({Trait.IN_ONE_GO}),
    marks=BEFORE_THE_PEEL,
)
AGAIN = TaskKind(
    "paint-again",
    NoValues,
    "Go over what you marked once more",
    "Paint only where you marked it, thinly and straight down. Then peel as planned.",
    traits=frozenset({Trait.IN_ONE_GO}),
)
WASHED = TaskKind(
    "paint-brush-washed",
    ColourValues,
    lambda values, _: f"Wash the brush and take {values.colour}",
    "Dry it well: water in the brush makes the next colour creep.",
    traits=frozenset({Trait.IN_ONE_GO}),
)
CLEAN = TaskKind("paint-clean", NoValues, "Clean the back with alcohol or a blade")


def try_first(plan: Plan, catalogue: Catalogue, chain: Chain) -> None:
    """Add a trial on scrap where a paint was never tried on this surface; what is swatched needs none."""
    tried = {(one.paint, one.surface) for one in catalogue.swatches}
    paints = {coat.paint.key: coat.paint.name for coat in plan.coatings if coat.role in ("colour", "over-colour")}
    surface = plan.choices.surface
    new = tuple(name for key, name in paints.items() if (key, surface.key) not in tried)
    if new:
        chain.add(task_of(TRIAL, TrialValues(new, surface.name), copy=1, effort=effort(catalogue.hand, trial=1)))


def paint_through(plan: Plan, catalogue: Catalogue, chain: Chain, mask: MaskPlan, copy: int) -> None:
    """Add all coats through one mask on one copy, and the look over everything before it comes off."""
    hand, entry = catalogue.hand, plan.job.paint
    colours = sum(coat.role == "colour" for coat in mask.coats)
    pace = pace_of(plan, catalogue, mask)
    if colours > 1:
        values = ApartValues(colours, entry.covered, entry.dauber, pace)
        chain.add(task_of(APART, values, mask=mask.number, copy=copy))
    tongues = sum(place.kind == "tongue" for place in mask.weak)
    before: tuple[PlannedCoating, int] | None = None
    for coating, number in order_of(mask, by_rounds=pace.by_rounds):
        waits = _waits(plan, catalogue, mask, coating, number, before, copy)
        if before and _is_other_colour(before[0], coating):
            washed = ColourValues(coating.named)
            work = effort(hand, wash_brush=1)
            chain.add(
                task_of(WASHED, washed, mask=mask.number, copy=copy, coating=coating.number, coat=number, effort=work)
            )
        chain.add(_coat(plan, catalogue, coating, copy, number, tongues, in_rounds=pace.by_rounds), *waits)
        before = (coating, number)
    fingerprint = place_fingerprint(plan, mask)
    looked = chain.add(
        task_of(
            LOOK_OVER,
            NoValues(),
            mask=mask.number,
            copy=copy,
            effort=effort(hand, look_over=1),
            fingerprint=fingerprint,
        )
    )
    chain.add(
        task_of(
            AGAIN,
            NoValues(),
            mask=mask.number,
            copy=copy,
            effort=effort(hand, second_pass=1),
            needs_marks=looked.id,
            fingerprint=fingerprint,
        )
    )


def paint_after(plan: Plan, catalogue: Catalogue, chain: Chain, copy: int, last_through: Sequence[Wait]) -> None:
    """Add what is painted over everything once the masks are off: the ground behind glass."""
    coatings = [one for one in plan.coatings if one.mask is None and coat_code(one) == THROUGH_COAT]
    if not coatings:
        return
    if plan.choices.surface.edge_seal:
        chain.add(task_of(CLEAN, NoValues(), copy=copy, effort=effort(catalogue.hand, clean_back=1)))
    before: Task | None = None
    for coating in coatings:
        for number in range(1, coating.coats + 1):
            waits = [Wait(before.id, coating.drying.next_coat)] if before else list(last_through)
            before = chain.add(_coat(plan, catalogue, coating, copy, number, 0), *waits)


def _is_other_colour(before: PlannedCoating, after: PlannedCoating) -> bool:
    """Say whether a brush goes from one colour into another."""
    brushed = not (before.paint.is_sprayed or after.paint.is_sprayed)
    return brushed and before.role == after.role == "colour" and before.number != after.number


def _coat(
    plan: Plan,
    catalogue: Catalogue,
    coating: PlannedCoating,
    copy: int,
    number: int,
    tongues: int,
    *,
    in_rounds: bool = False,
) -> Task:
    values = CoatValues(coating, number, plan.choices.surface.coarse, tongues, in_rounds and coating.role == "colour")
    return coat_task(COAT, values, plan, catalogue.hand, copy)


def _waits(
    plan: Plan,
    catalogue: Catalogue,
    mask: MaskPlan,
    coating: PlannedCoating,
    number: int,
    before: tuple[PlannedCoating, int] | None,
    copy: int,
) -> list[Wait]:
    """Return what a coat waits for: its own coat before, or the coating before it through the same mask."""
    if number > 1:
        own = coat_id(coating, copy, number - 1)
        if mask.peel.when in WET_ON_WET and coating.role == "colour":
            factor = drying_factor(plan.job.paint.weather, catalogue.workshop)
            return [Wait(own, 0.0, catalogue.workshop["wet_on_wet"] * factor)]
        return [Wait(own, coating.drying.next_coat)]
    if before is None:
        return []
    earlier, coat = before
    last = coat_id(earlier, copy, coat)
    if not dries_before(earlier, coating, covered=plan.job.paint.covered):
        return [Wait(last)]
    return [Wait(last, earlier.drying.next_coat if earlier.role == "edge-seal" else earlier.drying.touch)]
