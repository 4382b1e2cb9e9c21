"""The tolerances of all geometry, each with its unit and its reason."""

from dataclasses import dataclass

__all__ = ["TOLERANCES", "Tolerances"]


@dataclass(frozen=True, slots=True)
class Tolerances:
    """Lengths in mm on a design whose longer side is ``reference_size``: what is found in it is the same at every size.

    Attributes
    ----------
    reference_size
        The longer side at which designs are reckoned, whatever size they are wanted at.
    flatness
        Farthest a flattened curve may stray from the true one: a hundredth of a knife blade's
        thickness, so that the area of a loose piece of 2 mm is true to half a percent.
    grid
        The working grid. Points nearer than this are one point, so that shapes
        meant to share an edge or a corner do share it after single-precision input.
    sliver
        A part of the mask nowhere wider than this is an artefact of two flattened
        curves lying along each other, not a piece anyone could lift.
    hair
        A slit of mask or a stroke narrower than this, hundredths of a millimetre on a mat, is none: shapes touch there.
        Lettering has such slits where its outlines were rounded to the font's own grid.
    contact_spread
        Places where shapes touch that lie nearer to each other than this are one.
    join_angle
        Turns sharper than this many radians are corners of a stroke; gentler ones are
        vertices of a flattened curve.
    """

    reference_size: float = 600.0
    flatness: float = 0.0025
    grid: float = 0.001
    sliver: float = 0.04
    hair: float = 0.09
    contact_spread: float = 1.0
    join_angle: float = 0.35


TOLERANCES = Tolerances()
