"""How hot and how long is each going over of the plate: as the method asks, or as it held last time?"""

from collections.abc import Sequence
from dataclasses import replace

from dunestead.core.figures import Material, Method, PressPass, Surface
from dunestead.core.records import Pressed

__all__ = ["passes_of"]


def passes_of(
    method: Method, material: Material, surface: Surface, pressed: Sequence[Pressed]
) -> tuple[PressPass, ...]:
    """Return a method's passes with what held last on this surface, in the workshop's own hands.

    What lifted is no proposal; nothing cooler than the material holds from is.
    """
    if material.heat is None:
        return ()
    return tuple(
        _proposed(one, number, method, material, surface, pressed) for number, one in enumerate(method.press, 1)
    )


def _proposed(
    one: PressPass, number: int, method: Method, material: Material, surface: Surface, pressed: Sequence[Pressed]
) -> PressPass:
    way = (material.key, surface.key, method.key, number)
    last = next((was for was in pressed if was.way == way), None)
    if last is None or last.celsius < (material.holds_from or 0.0):
        return one
    why = f"It held so on {last.on.day} {last.on:%B}; the usual is {one.celsius:g} C, {one.seconds:g} s."
    return replace(one, celsius=last.celsius, seconds=last.seconds, why=why)
