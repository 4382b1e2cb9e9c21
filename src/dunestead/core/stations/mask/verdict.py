"""How does the mask stand? What it is cut from, how it holds, and what becomes of its loose pieces."""

from collections.abc import Mapping, Sequence

from dunestead.core.mask.bodies import FULL
from dunestead.core.mask.bridge_rules import usual_width
from dunestead.core.mask.fates import FATES, Fate
from dunestead.core.mask.findings import PART_SMALL
from dunestead.core.mask.weak import WeakPlace
from dunestead.core.plan.plan import Plan
from dunestead.core.stations.station import Outcome, Row, State
from dunestead.core.units import several, show_length

__all__ = ["brief", "outcome", "undecided_of"]


def undecided_of(plan: Plan) -> list[int]:
    """Return the numbers of the loose pieces nobody has decided about; of a reverse mask every shape is meant."""
    fates = plan.job.mask.fates
    return [piece.number for piece in plan.look.found if piece.number not in fates]


def brief(plan: Plan) -> str:
    """Return what there is to decide or to look at, else what was decided."""
    if undecided := undecided_of(plan):
        return f"{len(undecided)} to decide"
    if plan.weak:
        return several(len(plan.weak), "weak place")
    return f"{len(plan.keepers)} kept" if plan.keepers else "nothing loose"


def outcome(plan: Plan, unit: str) -> Outcome:
    """Return the station's state, verdict and figures."""
    look, material = plan.look, plan.choices.material
    loose, fates = look.found, plan.job.mask.fates
    undecided = undecided_of(plan)
    gone = [number for number in plan.look.gone if number in fates]
    counts = {fate: sum(fates.get(piece.number) == fate for piece in loose) for fate in FATES}
    tongues = [place for place in plan.weak if place.kind == "tongue" and place.severity != "note"]
    necks = [place for place in plan.weak if place.kind == "neck" and place.severity != "note"]
    rows = [
        Row("Loose pieces", "count", len(loose), "Parts of the mask not joined to the rest."),
        Row("Bridges", "count", len(plan.bridges)),
        Row(
            "Bridge width",
            "length",
            plan.job.mask.bridge_width or usual_width(plan.choices.surface, plan.choices.material),
            "Narrower tears, or paint creeps under.",
        ),
        *_bridge_rows(plan, unit),
        Row("Unpainted under bridges", "area", plan.bridged_area, "To be touched up, or left as a look."),
        Row("Kept and placed by hand", "count", len(plan.keepers)),
        Row("Left out, painted solid", "count", counts["leave-out"]),
        Row("Dropped with their artwork", "count", counts["drop"]),
        Row("Necks", "count", len(necks), "Held at both ends; narrower than asked for, they tear when weeded."),
        Row("Tongues", "count", len(tongues), "With a free end; they lift when brushed towards their root."),
    ]
    if look.fitness.part is not None:
        wanted = material.least_part
        why = f"{material.name} wants {show_length(wanted, unit)}." if wanted else ""
        rows.append(Row("Smallest loose piece", "length", look.fitness.part.width, why))
    if len(plan.masks) > 1:
        rows.append(
            Row(
                "Masks",
                "count",
                len(plan.masks),
                "One line after the other, so that none disturbs the one before."
                if plan.job.mask.masks == "lines"
                else "One for each colour, with the same notches in their borders.",
            )
        )
    rows.insert(0, Row("Method", "text", plan.method.name, plan.method.about))
    verdict = _mask_verdict(plan, undecided, counts, [*necks, *tongues], unit)
    sentence = f" {_numbers(gone)} {'is' if len(gone) == 1 else 'are'} gone from the design." if gone else ""
    return verdict[0], verdict[1] + sentence, rows


def _mask_verdict(
    plan: Plan, undecided: Sequence[int], counts: Mapping[Fate, int], weak: Sequence[WeakPlace], unit: str
) -> tuple[State, str]:
    loose, material = plan.look.found, plan.choices.material
    if not plan.method_fit.allowed:
        return "stop", f"{plan.method.name} does not work here: {plan.method_fit.why[0]}"
    if material.least_part is None and plan.keepers and not plan.job.mask.reverse:
        return (
            "stop",
            f"{several(len(plan.keepers), 'piece')} loose; a mask that is used again needs all of them bridged.",
        )
    kept = {keeper.number for keeper in plan.keepers}
    small = [f for f in plan.look.findings if f.kind is PART_SMALL and f.piece in kept]
    if small:
        are = "is" if len(small) == 1 else "are"
        return "warn", f"{several(len(small), 'kept piece')} {are} too small for this material."
    if undecided:
        return "warn", f"{several(len(undecided), 'loose piece')} to decide. Until you do, they are kept."
    if weak:
        worst = weak[0] if weak[0].width <= weak[-1].width else weak[-1]
        return (
            "warn",
            f"{several(len(weak), 'weak place')}: the worst, a {worst.kind}, is {show_length(worst.width, unit)} wide.",
        )
    if not loose:
        return "ready", "One piece: nothing falls out."
    parts = [
        (len(plan.keepers), "kept"),
        (counts["bridge"], "bridged"),
        (counts["leave-out"], "left out"),
        (counts["drop"], "dropped"),
    ]
    told = [f"{n} {word}" for n, word in parts if n]
    if len(told) == 1:
        return "ready", f"{several(len(loose), 'loose piece')}, {told[0].partition(' ')[2]}."
    return "ready", f"{several(len(loose), 'loose piece')}: {', '.join(told)}."


def _numbers(numbers: Sequence[int]) -> str:
    named = ", ".join(str(number) for number in numbers)
    return f"Piece {named}" if len(numbers) == 1 else f"Pieces {named}"


def _bridge_rows(plan: Plan, unit: str) -> list[Row]:
    """Return how long bridges are, and how firmly they hang."""
    if not plan.bridges:
        return []
    shortest = sum(mask.cut.shortest for mask in plan.masks)
    rows = [
        Row(
            "Length of bridges",
            "length",
            sum(bridge.length for bridge in plan.bridges),
            f"Each bridge is at least {show_length(shortest, unit)} long.",
        )
    ]
    thin = [bridge for bridge in plan.bridges if bridge.share < FULL]
    if thin:
        weakest = min(thin, key=lambda bridge: bridge.joint)
        why = f"No room for a whole bridge at piece {weakest.piece}: the mask there is too narrow."
        rows.append(Row("Weakest joint", "length", weakest.joint, why))
    return rows
