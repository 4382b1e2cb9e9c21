"""Affine transforms in the plane as six immutable numbers, in SVG's order."""

import math
from dataclasses import dataclass

import numpy as np
import numpy.typing as npt
import shapely
from shapely.geometry.base import BaseGeometry

__all__ = ["IDENTITY", "Affine"]


@dataclass(frozen=True, slots=True)
class Affine:
    """``x' = a·x + c·y + e``, ``y' = b·x + d·y + f``.

    Examples
    --------
    >>> Affine.translation(2, 3).then(Affine.scaling(2)).apply(np.zeros((1, 2)))
    array([[4., 6.]])
    >>> Affine.scaling(2).inverse().a
    0.5
    """

    a: float = 1.0
    b: float = 0.0
    c: float = 0.0
    d: float = 1.0
    e: float = 0.0
    f: float = 0.0

    @classmethod
    def translation(cls, dx: float, dy: float) -> "Affine":
        """Shift by ``dx``, ``dy``."""
        return cls(e=dx, f=dy)

    @classmethod
    def scaling(cls, sx: float, sy: float | None = None) -> "Affine":
        """Scale about the origin; one factor for both axes when only one is given."""
        return cls(a=sx, d=sx if sy is None else sy)

    def then(self, after: "Affine") -> "Affine":
        """Return the transform that applies this one first and ``after`` second."""
        return Affine(
            after.a * self.a + after.c * self.b,
            after.b * self.a + after.d * self.b,
            after.a * self.c + after.c * self.d,
            after.b * self.c + after.d * self.d,
            after.a * self.e + after.c * self.f + after.e,
            after.b * self.e + after.d * self.f + after.f,
        )

    def inverse(self) -> "Affine":
        """Return the transform that undoes this one.

        Raises
        ------
        ZeroDivisionError
            When the transform flattens the plane.
        """
        det = self.determinant
        a, b, c, d = self.d / det, -self.b / det, -self.c / det, self.a / det
        return Affine(a, b, c, d, -(a * self.e + c * self.f), -(b * self.e + d * self.f))

    @property
    def determinant(self) -> float:
        """Signed factor by which areas grow; negative when the plane is mirrored."""
        return self.a * self.d - self.b * self.c

    @property
    def stretch(self) -> float:
        """The largest factor by which any length grows."""
        half_sum = (self.a**2 + self.b**2 + self.c**2 + self.d**2) / 2
        return math.sqrt(half_sum + math.sqrt(max(half_sum**2 - self.determinant**2, 0.0)))

    def apply(self, points: npt.NDArray[np.float64]) -> npt.NDArray[np.float64]:
        """Transform points of shape ``(..., 2)``."""
        matrix = np.array([[self.a, self.b], [self.c, self.d]])
        moved: npt.NDArray[np.float64] = points @ matrix + np.array([self.e, self.f])
        return moved

    def moved(self, shape: BaseGeometry) -> BaseGeometry:
        """Return a shape transformed."""
        moved: BaseGeometry = shapely.transform(shape, self.apply)
        return moved

    def as_tuple(self) -> tuple[float, float, float, float, float, float]:
        """Return the six numbers a, b, c, d, e, f."""
        return (self.a, self.b, self.c, self.d, self.e, self.f)

    def for_shapely(self) -> tuple[float, float, float, float, float, float]:
        """Return the numbers in the row order ``shapely.affinity.affine_transform`` takes."""
        return (self.a, self.c, self.b, self.d, self.e, self.f)


IDENTITY = Affine()
