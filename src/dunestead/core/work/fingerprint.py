"""What does a task stand on? Short values by what a maker calls them, so that a change after it was done is told."""

from collections.abc import Mapping
from hashlib import sha256

from dunestead.core.blanks.clear import Timing
from dunestead.core.plan.coats import PlannedCoating
from dunestead.core.plan.plan import MaskPlan, Plan, SheetPlan

__all__ = [
    "blank_fingerprint",
    "check_fingerprint",
    "coat_fingerprint",
    "cut_fingerprint",
    "fitted_fingerprint",
    "mask_fingerprint",
    "place_fingerprint",
]


def _short(*parts: object) -> str:
    return sha256(repr(parts).encode()).hexdigest()[:12]


def _facing(plan: Plan) -> str:
    return "mirrored" if plan.facing.mirrored else "as it reads"


def blank_fingerprint(plan: Plan) -> Mapping[str, str]:
    """Return what preparing a blank stands on."""
    width, height = plan.job.piece.size
    return {"surface": plan.job.blank.surface, "blank": f"{width:.1f} x {height:.1f}"}


def fitted_fingerprint(plan: Plan, timing: Timing) -> Mapping[str, str]:
    """Return what fitting things to a blank stands on."""
    areas = [(one.x, one.y, one.width, one.height) for one in plan.job.piece.clear if one.timing == timing]
    return {"kept clear": _short(areas)}


def mask_fingerprint(plan: Plan, mask: MaskPlan) -> Mapping[str, str]:
    """Return what weeding a mask stands on."""
    return {"design": mask.design, "material": plan.job.mask.material, "method": plan.method.key}


def check_fingerprint(plan: Plan, pieces: tuple[tuple[float, float], ...]) -> Mapping[str, str]:
    """Return what looking at the material before the cut stands on."""
    return {
        "material": plan.job.mask.material,
        "facing": _facing(plan),
        "piece": _short([(round(across), round(along)) for across, along in pieces]),
    }


def cut_fingerprint(plan: Plan, planned: SheetPlan) -> Mapping[str, str]:
    """Return what cutting a sheet stands on."""
    placed = [(one.patch.key, tuple(round(v, 2) for v in one.to_artwork.as_tuple())) for one in planned.sheet.patches]
    return {
        "sheet": _short(placed, planned.sheet.runs),
        "material": plan.job.mask.material,
        "facing": _facing(plan),
    }


def place_fingerprint(plan: Plan, mask: MaskPlan) -> Mapping[str, str]:
    """Return what laying a mask stands on."""
    place = _short([round(value, 1) for value in mask.box])
    return {**mask_fingerprint(plan, mask), **blank_fingerprint(plan), "place": place}


def coat_fingerprint(plan: Plan, coat: PlannedCoating) -> Mapping[str, str]:
    """Return what a coat stands on."""
    return {"surface": plan.job.blank.surface, "paint": coat.paint.key, "colour": coat.colour}
