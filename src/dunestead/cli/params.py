"""How lengths, reaches and the like are written on the command line."""

from typing import Any

import click

from dunestead.core.errors import BadInput
from dunestead.core.units import parse_length

__all__ = ["CORNERS", "LENGTH", "LENGTH_OR_NONE", "REACH", "READINGS", "SIGNED", "THRESHOLD"]


class _Length(click.ParamType[float]):
    """A length with a unit, in mm."""

    name = "length"

    def __init__(self, *, allow_zero: bool = False) -> None:
        self._allow_zero = allow_zero

    def convert(self, value: Any, param: click.Parameter | None, ctx: click.Context | None) -> float:  # noqa: ARG002
        what = (param.name or "length").replace("_", " ") if param else "length"
        return parse_length(str(value), what=what, allow_zero=self._allow_zero)


class _Reach(click.ParamType[tuple[float, float]]):
    """Two lengths with an x between them, in mm."""

    name = "WxL"

    def convert(self, value: Any, param: click.Parameter | None, ctx: click.Context | None) -> tuple[float, float]:  # noqa: ARG002
        parts = str(value).lower().replace("×", "x").split("x")
        if len(parts) != 2:
            raise BadInput(f"“{value}” is not a reach.", "Give width x length, such as 292x597 or 11.5inx23.5in.")
        return parse_length(parts[0], what="reach"), parse_length(parts[1], what="reach")


class _Signed(click.ParamType[float]):
    """A length with a unit that may be below 0, in mm."""

    name = "length"

    def convert(self, value: Any, param: click.Parameter | None, ctx: click.Context | None) -> float:  # noqa: ARG002
        written = str(value).strip()
        what = (param.name or "length").replace("_", " ") if param else "length"
        sign = -1.0 if written.startswith(("-", "−")) else 1.0
        return sign * parse_length(written.lstrip("-−+"), what=what, allow_zero=True)


class _Readings(click.ParamType[tuple[float, ...]]):
    """One length, or two with a comma between them, that may be below 0, in mm."""

    name = "A[,B]"

    def convert(self, value: Any, param: click.Parameter | None, ctx: click.Context | None) -> tuple[float, ...]:
        return tuple(SIGNED.convert(part, param, ctx) for part in str(value).split(","))


class _Threshold(click.ParamType[int | None]):
    """A grey, or auto."""

    name = "grey"

    def convert(self, value: Any, param: click.Parameter | None, ctx: click.Context | None) -> int | None:  # noqa: ARG002
        if str(value) == "auto":
            return None
        if not str(value).isdigit() or int(value) > 255:
            raise BadInput(f"A threshold of {value} cannot be.", "Give 0 to 255, or auto.")
        return int(value)


class _Corners(click.ParamType[list[tuple[float, float]]]):
    """Four points."""

    name = "corners"

    def convert(
        self,
        value: Any,
        param: click.Parameter | None,  # noqa: ARG002
        ctx: click.Context | None,  # noqa: ARG002
    ) -> list[tuple[float, float]]:
        try:
            numbers = [float(part) for part in str(value).replace(",", " ").split()]
        except ValueError:
            numbers = []
        if len(numbers) != 8:
            raise BadInput(f"“{value}” are not four corners.", "Give eight numbers: x,y x,y x,y x,y in pixels.")
        return list(zip(numbers[::2], numbers[1::2], strict=True))


LENGTH_OR_NONE = _Length(allow_zero=True)
LENGTH, REACH, SIGNED, THRESHOLD, CORNERS = _Length(), _Reach(), _Signed(), _Threshold(), _Corners()
READINGS = _Readings()
