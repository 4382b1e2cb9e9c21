"""How does the artwork stand? What is painted, whether it holds at its size, and where it lies."""

from dunestead.core.artwork.finding import Finding, FindingKind
from dunestead.core.artwork.layout import CLEAR_FIELD, CLEAR_NEAR, CLEAR_PAINTED, OFF_BLANK, OFF_MARGIN
from dunestead.core.looking.look import Look
from dunestead.core.looking.rail import SizeRail
from dunestead.core.painting.colours import COLOUR_GAP, COLOURS_ALIKE
from dunestead.core.stations.station import Outcome, Row
from dunestead.core.units import several, show_at_least, show_length

__all__ = ["brief", "never_holds", "outcome"]

_MEASURED = {
    "stroke": "Thinnest stroke",
    "web": "Narrowest mask between windows",
    "part": "Smallest loose piece",
    "letter": "Lowest letter",
}


def never_holds(rail: SizeRail, unit: str) -> str:
    """Say how many places no size that fits would mend, and from which size all else holds."""
    count = len(rail.spots)
    rest = f"holds from {show_at_least(rail.smallest, unit)} wide" if rail.smallest else "holds at any size"
    return f"{several(count, 'spot')} to mend that no size mends: see {_them(count)}. All else {rest}."


def _them(count: int) -> str:
    return "it" if count == 1 else "them"


def _of(look: Look, *kinds: FindingKind) -> list[Finding]:
    return [finding for finding in look.findings if finding.kind in kinds]


def brief(look: Look, unit: str) -> str:
    """Return how wide the design is."""
    return f"{show_length(look.painted.width, unit)} wide"


def outcome(look: Look, rail: SizeRail, unit: str) -> Outcome:
    """Return the Artwork station's state, verdict and figures."""
    painted, surface = look.painted, look.choices.surface.name
    rows = [
        Row("Painted width", "length", painted.width),
        Row("Painted height", "length", painted.height),
        Row("Painted area", "area", float(painted.region.area)),
        Row("Colours", "count", len(painted.colours)),
        *(
            Row(_MEASURED[least.measure], "length", least.measured, f"Needs at least {show_length(least.limit, unit)}.")
            for least in rail.least
        ),
    ]
    if rail.least:
        why = f"Limited by its {_MEASURED[rail.least[0].measure].lower()}."
        rows.append(Row("Works from a width of", "length", rail.smallest, why))
    if off := _of(look, OFF_BLANK):
        over = show_length(max(f.measured for f in off), unit)
        return "stop", f"Runs {over} off the blank: make it smaller, move it, or mark it as intended.", rows
    if on_clear := _of(look, CLEAR_PAINTED):
        return "stop", on_clear[0].message(unit), rows
    fine = [f for f in look.findings if f.kind.is_fine and f.severity != "note"]
    if fine:
        stops = [f for f in fine if f.severity == "stop"]
        if rail.spots:
            return "stop" if stops else "warn", never_holds(rail, unit), rows
        places = several(sum(1 + f.more for f in stops or fine), "place")
        enough = show_at_least(rail.smallest, unit)
        holds = f"holds from {enough} wide" if rail.smallest > rail.width else "open a finding to see what helps"
        return "stop" if stops else "warn", f"Too fine in {places}; {holds}.", rows
    if near := _of(look, OFF_MARGIN):
        closest, right = min(f.measured for f in near), near[0].limit
        return (
            "warn",
            f"Comes within {show_length(closest, unit)} of the edge; {show_length(right, unit)} of margin looks right.",
            rows,
        )
    if near_clear := _of(look, CLEAR_NEAR, CLEAR_FIELD):
        return "warn", near_clear[0].message(unit), rows
    for kind, verdict in ((COLOUR_GAP, "Colours lie too close"), (COLOURS_ALIKE, "Colours look almost the same")):
        if several_found := _of(look, kind):
            return "warn", f"{verdict}: {several_found[0].message(unit)}", rows
    tight = sum(1 + f.more for f in look.findings if f.kind.is_fine)
    spots = f" {several(tight, 'tight spot')}: see {_them(tight)}." if tight else ""
    return "ready", f"{show_length(painted.width, unit)} wide, holds on {surface.lower()}.{spots}", rows
