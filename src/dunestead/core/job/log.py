"""What happened to a job: rows that are only ever added to; taking back adds one more."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import datetime
from typing import Literal, get_args

from dunestead.core.limits import limited

__all__ = ["KINDS", "LogEntry", "LogKind"]

LogKind = Literal[
    "done",
    "undone",
    "called",
    "uncalled",
    "counted",
    "lifted",
    "held",
    "rehearsed",
    "used",
    "laid",
    "begun",
    "marked",
    "unmarked",
    "mended",
    "dried",
    "handed-out",
]
KINDS: tuple[LogKind, ...] = get_args(LogKind)


@dataclass(frozen=True, slots=True)
class LogEntry:
    """One thing that happened.

    Attributes
    ----------
    kind
        A task done, or taken back; keepers or rests of the plate that answered a roll-call, or did not after all;
        something counted; rests where the mask lifted, or held after all; a file handed out although something red
        stood in the way; a weeding rehearsed; how a mask was really
        pressed; what a tape read around a laid mask or across a seam; the first stroke of a task;
        a place marked for a second look, no longer marked, or mended; a coat that was found dry to the touch.
    task
        Id of the task it is about, or the name of the file.
    at
        When it happened: by the workshop's clock, or as the maker says. Of a task, its end.
    began
        First stroke of a task, None where nobody said.
    numbers
        Keepers, or rests of the plate.
    what, count
        What was counted, and how many there were; of a rehearsal the slips.
    took
        Seconds a rehearsal took, a rest of the plate, or a coat to be dry to the touch.
    celsius
        Heat of the plate.
    readings, within, instruction
        What a tape read, by sides or marks, mm; whether it was near enough; what the maker was told to do.
        Of a mark, whether it is mended.
    place
        Where something was marked, mm on the blank.
    reason
        Why it was done before its time, or although the count was not out.
    fingerprint
        What the task stood on.
    by
        Who says so.
    """

    kind: LogKind
    task: str
    at: datetime
    began: datetime | None = None
    numbers: tuple[int, ...] = ()
    what: str = ""
    count: int | None = limited(None, "as a count", 0, 100_000)
    celsius: float | None = limited(None, "heat of the plate", 0.0, 300.0, "C")
    took: float | None = limited(None, "time it took", 0.0, 2_592_000.0, "s")
    reason: str = limited("", "reason", 0, 500, "letters")
    readings: Mapping[str, tuple[float, ...]] = field(default_factory=dict)
    within: bool | None = None
    place: tuple[float, float] | None = None
    instruction: str = ""
    fingerprint: Mapping[str, str] = field(default_factory=dict)
    by: str = ""
