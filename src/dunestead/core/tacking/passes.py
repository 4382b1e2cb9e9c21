"""How hot and how long is each going over of the plate: as the method asks, or as it held in the maker's own jobs?"""

from collections.abc import Mapping
from dataclasses import replace

from dunestead.core.figures import Material, Surface
from dunestead.core.method import Method, PressPass
from dunestead.core.records import ProvenHeat

__all__ = ["passes_of"]

Ways = Mapping[tuple[str, str, str, int], ProvenHeat]


def passes_of(method: Method, material: Material, surface: Surface, pressed: Ways) -> tuple[PressPass, ...]:
    """Return a method's passes as they held on this surface, in the workshop's own hands.

    What lifted is no proposal; nothing cooler than the material holds from is.
    """
    if material.heat is None:
        return ()
    return tuple(
        _proposed(one, pressed.get((material.key, surface.key, method.key, number)), material)
        for number, one in enumerate(method.press, 1)
    )


def _proposed(one: PressPass, held: ProvenHeat | None, material: Material) -> PressPass:
    if held is None or held.celsius < (material.holds_from or 0.0):
        return one
    jobs = "one of your jobs" if held.jobs == 1 else f"{held.jobs} of your jobs"
    whence = f"As it held in {jobs}" if held.jobs else "As your recipe has it"
    why = f"{whence}; the usual is {one.celsius:g} °C, {one.seconds:g} s."
    return replace(one, celsius=held.celsius, seconds=held.seconds, why=why)
