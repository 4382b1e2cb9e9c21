"""How does the blank stand? What is printed on, and how large it really is."""

from dunestead.core.blanks.clear import clear_name
from dunestead.core.plan.plan import Plan
from dunestead.core.stations.station import Outcome, Row
from dunestead.core.units import show_length

__all__ = ["brief", "mistaken_by", "outcome"]

# So many times smaller or larger than the usual blank of a surface is asked about: most likely a unit was mistaken.
_ABSURD, _TENFOLD = 5.0, 10.0


def brief(plan: Plan, unit: str) -> str:
    """Return its size."""
    width, height = (show_length(side, unit) for side in plan.job.piece.size)
    return f"{width.rpartition(' ')[0]} x {height}"


def outcome(plan: Plan, unit: str) -> Outcome:
    """Return the station's state, verdict and figures."""
    blank, surface = plan.job.piece, plan.choices.surface
    width, height = blank.size
    size = f"{surface.name}, {show_length(width, unit)} by {show_length(height, unit)}"
    rows = [
        Row(
            "Width",
            "length",
            width,
            "Measured." if blank.is_measured else "From the label; not measured yet.",
        ),
        Row("Height", "length", height),
        Row("Highest plate heat", "temperature", surface.heat, "Hotter scorches or softens it.")
        if surface.heat
        else Row("Heat", "text", "None", "Heat softens or spoils it."),
        Row("Takes up paint", "text", f"{surface.soak:g} times", "Compared with a smooth surface."),
        Row("Thinnest stroke that works", "length", surface.stroke, "Thinner painted strokes fill in or break up."),
        Row("Narrowest mask between openings", "length", surface.web, "Narrower mask tears or lifts."),
    ]
    rows += _blank_rows(plan, unit)
    if surface.see_through and plan.job.blank.seen_through is None:
        return "stop", "Will it be looked at from the front, or through it? Say so before anything is cut.", rows
    if not blank.is_measured and (times := mistaken_by(blank.outer, surface.blank)):
        likely = " by ".join(show_length(side * times, unit) for side in blank.outer)
        return "warn", f"{size}? That is very {'small' if times > 1 else 'large'}. Should it be {likely}?", rows
    if not blank.is_measured and blank.outer == surface.blank:
        return "warn", f"{size}: the usual size. Measure yours.", rows
    if not blank.is_measured:
        return "warn", f"{size} by its label. Measure it: labels are often wrong.", rows
    off = [
        f"{_off(by, unit)} {word}" for by, word in zip(blank.off_label, ("wide", "high"), strict=True) if abs(by) > 0.05
    ]
    sentence = f"; {' and '.join(off)} than its label says" if off else ""
    asked = (
        " Is its back bare, rubber or felt? Rubber takes no hot iron." if surface.has_back and not blank.back else ""
    )
    return "ready", f"{size}, measured{sentence}.{asked}", rows


def mistaken_by(size: tuple[float, float], usual: tuple[float, float]) -> float:
    """Return by what a size is likely off where cm were meant for mm, or the other way; 0 where it may be right."""
    share = max(size) / max(usual)
    return _TENFOLD if share < 1 / _ABSURD else 1 / _TENFOLD if share > _ABSURD else 0.0


def _off(by: float, unit: str) -> str:
    return f"{show_length(abs(by), unit)} {'more' if by > 0 else 'less'}"


def _blank_rows(plan: Plan, unit: str) -> list[Row]:
    blank, placement = plan.job.piece, plan.look.placement
    rows = []
    if blank.rim:
        rows.append(Row("Inside the rim", "text", " by ".join(show_length(side, unit) for side in blank.size)))
    if blank.is_measured:
        for side, by in zip(("Width", "Height"), blank.off_label, strict=True):
            rows.append(Row(f"{side} against its label", "text", _off(by, unit) if by else "as it says"))
    for area in blank.clear:
        where = f"Its middle {show_length(area.x, unit)} from the left, {show_length(area.y, unit)} from the top."
        rows.append(Row(f"Kept clear: {clear_name(area)}", "length", area.width, f"Its width. {where}"))
    for coat in plan.coatings:
        if coat.is_before_masks:
            where = "Under the design and its margins." if coat.where == "under" else "Over all of it."
            rows.append(Row("Base coat", "volume", coat.batch.total_ml, where))
    if placement:
        rows.append(Row("Below the collar seam", "length", placement.drop, "To the top of the design."))
        rows.append(Row("From the centre line", "length", placement.across, "To the middle of the design."))
    return rows
