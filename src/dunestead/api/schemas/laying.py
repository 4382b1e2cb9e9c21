"""What a tape read, and what to do."""

from pydantic import Field

from dunestead.api.wire import Point, Shown, Wire
from dunestead.core.plan.laid import MeasuredTo

_READ = "Mm from the blank's edge to the mask's: one value in the middle of that side, or two at its ends."


class SeamReadingsIn(Wire):
    """What a tape read across a seam: mm, by the name of the marks."""

    readings: dict[str, float] = Field(max_length=20)


class SeamLaidOut(Shown):
    """What to do to the patch laid second: by marks, how much too far apart they are, mm."""

    off: dict[str, float]
    within: bool
    instructions: list[str]


class ReadingsIn(Wire):
    """What a tape read around a laid mask; left and right as one stands before the blank."""

    left: list[float] = Field(default_factory=list, max_length=2, description=_READ)
    right: list[float] = Field(default_factory=list, max_length=2, description=_READ)
    top: list[float] = Field(default_factory=list, max_length=2, description=_READ)
    bottom: list[float] = Field(default_factory=list, max_length=2, description=_READ)
    patch: int | None = Field(None, ge=1, description="One of its patches that is laid by itself.")
    to: MeasuredTo = Field("mask", description="What was read to: its edge, or the artwork in it.")
    within: float | None = Field(None, description="How far off a corner may be, mm.")


class LaidOut(Shown):
    """What to do to a laid mask: shift it, mm right and down, after turning it, degrees clockwise."""

    shift: Point
    turn: float
    within: bool
    doubtful: list[str]
    instructions: list[str]
    lies: list[Point] = Field(description="Its corners where it lies, mm on the blank as one stands before it.")
    should: list[Point] = Field(description="Its corners where it should lie.")
