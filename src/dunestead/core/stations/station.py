"""What every station is: a line of verdict, figures with their reasons, tasks."""

from dataclasses import dataclass
from typing import Literal

from dunestead.core.work.tasks import Task

__all__ = ["NAMES", "ORDER", "Kind", "Outcome", "Row", "State", "Station"]

State = Literal["stop", "warn", "ready", "done"]
Kind = Literal["length", "area", "volume", "minutes", "temperature", "count", "text", "moment"]
NAMES = {
    "blank": "Blank",
    "artwork": "Artwork",
    "mask": "Mask",
    "sheets": "Sheets",
    "weed": "Weed",
    "tack": "Tack",
    "paint": "Paint",
    "peel": "Peel",
    "cure": "Cure",
    "record": "Record",
}
ORDER = tuple(NAMES)


@dataclass(frozen=True, slots=True)
class Row:
    """One figure: a number with its kind (mm, mm², ml, minutes, degrees C), or a text, and why."""

    label: str
    kind: Kind
    value: int | float | str
    why: str = ""


Outcome = tuple[State, str, list[Row]]


@dataclass(frozen=True, slots=True)
class Station:
    """A station as it stands: its verdict, its one short figure, all its figures, its tasks."""

    code: str
    name: str
    state: State
    verdict: str
    brief: str
    rows: tuple[Row, ...]
    tasks: tuple[Task, ...]
