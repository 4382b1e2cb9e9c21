"""Force, passes and speed: where to start, and what to try next after a test cut.

The rule of the trade: not through, 15 % more force; into the backing, 15 % less; torn, half the
speed and a fresh blade; and the step is halved each time the answer flips, until it cuts cleanly.
"""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise

from dunestead.core.figures import Cutter, Material
from dunestead.core.records import CutSettings, TestCut, Try

__all__ = ["Advice", "advise_next", "proposed", "starting_settings"]

_MOST_PASSES = 8


@dataclass(frozen=True, slots=True)
class Advice:
    """What to set next, and why; found when nothing needs to be tried any more."""

    settings: CutSettings
    why: str
    is_found: bool = False


def starting_settings(material: Material, cutter: Cutter) -> CutSettings:
    """Return where to start with a material on a cutter, within what the cutter can do."""
    force = min(max(material.force, cutter.force_low), cutter.force)
    passes = material.passes
    if material.force > cutter.force:
        # What it cannot press at once it cuts in more passes.
        passes = min(math.ceil(material.passes * material.force / cutter.force), _MOST_PASSES)
    return CutSettings(force, passes, min(max(material.speed, cutter.slowest), cutter.fastest))


def proposed(test_cuts: Sequence[TestCut], material: Material, cutter: Cutter) -> tuple[CutSettings, str]:
    """Return the settings of the newest clean test cut of a material on a cutter, else where to start; and why."""
    own = [r for r in test_cuts if r.material == material.key and r.cutter == cutter.key and r.found]
    if not own:
        return starting_settings(material, cutter), "A usual start; a test cut says whether it holds here."
    newest = max(own, key=lambda test_cut: test_cut.on)
    found = newest.found
    assert found is not None
    return found, f"Cut cleanly on {newest.on:%d %b %Y} with a {newest.blade} blade."


def advise_next(tries: Sequence[Try], material: Material, cutter: Cutter, figures: Mapping[str, float]) -> Advice:
    """Return the settings for the next test cut by bracketing.

    Parameters
    ----------
    tries
        So far, oldest first.
    material, cutter
        Give the start and the limits.
    figures
        ``test_step``, the share by which force goes up or down at first.
    """
    if not tries:
        return Advice(starting_settings(material, cutter), "A usual start for this material on this cutter.")
    last = tries[-1]
    now = last.settings
    if last.answer == "clean":
        return Advice(now, "It cuts cleanly: keep it.", is_found=True)
    if last.answer == "tears":
        speed = max(round(now.speed / 2), cutter.slowest)
        if speed >= now.speed:
            return Advice(now, "It cannot go slower. Put in a fresh blade, or turn the pattern, and try again.")
        return Advice(CutSettings(now.force, now.passes, speed), "Torn: half the speed, and a fresh blade.")
    return _other_force(tries, now, cutter, figures["test_step"])


def _other_force(tries: Sequence[Try], now: CutSettings, cutter: Cutter, step: float) -> Advice:
    alike = [tried for tried in tries if tried.settings.passes == now.passes and tried.answer != "tears"]
    deep = alike[-1].answer == "into-backing"
    flips = sum(a.answer != b.answer for a, b in pairwise(alike))
    share = step / 2**flips
    force = now.force * (1 - share if deep else 1 + share)
    too_light = max((t.settings.force for t in alike if t.answer == "not-through"), default=0.0)
    too_deep = min((t.settings.force for t in alike if t.answer == "into-backing"), default=math.inf)
    if too_light < too_deep < math.inf and too_light > 0 and not too_light < force < too_deep:
        force = (too_light + too_deep) / 2
    force = round(force) if round(force) != round(now.force) else round(now.force) + (-1 if deep else 1)
    word = "Into the backing" if deep else "Not through"
    if not deep and force > cutter.force:
        if now.force < cutter.force:
            return Advice(
                CutSettings(cutter.force, now.passes, now.speed), "Not through: all the force this cutter has."
            )
        if now.passes >= _MOST_PASSES:
            return Advice(now, "This cutter does not get through it. Choose a stronger one, or thinner material.")
        return Advice(CutSettings(cutter.force, now.passes + 1, now.speed), "Not through at full force: one pass more.")
    if deep and force < cutter.force_low:
        if now.passes > 1:
            return Advice(
                CutSettings(now.force, now.passes - 1, now.speed), "Into the backing at least force: one pass less."
            )
        return Advice(now, "It cannot press more lightly. Let the blade stand out less.")
    if deep and too_light and force <= too_light:
        return Advice(
            CutSettings(too_light + (too_deep - too_light) / 2, now.passes, now.speed),
            "Between what is not through and what is too deep there is hardly room: look at the blade.",
        )
    change, way = abs(force / now.force - 1) * 100, "less" if deep else "more"
    return Advice(CutSettings(float(force), now.passes, now.speed), f"{word}: {change:.0f} % {way} force.")
