"""What own jobs have taught, and what happened to one of them, as they go over the wire."""

from datetime import date

from pydantic import Field

from dunestead.api.wire import Shown, Wire
from dunestead.core.learning.lessons import Poured


class LearntValueOut(Shown):
    """What one job says of a figure: in its unit, and whether it is left out."""

    job: int
    name: str
    on: date
    value: float
    left_out: bool
    by: str = Field(description="Whose hands, where a name is known.")


class LearntOut(Shown):
    """A figure that own jobs have something to say of, in its unit; what is said of it, and the values behind it."""

    key: str
    about: str
    unit: str
    said: str
    table: float
    low: float
    high: float
    value: float
    is_to_table: bool
    is_held: bool
    values: list[LearntValueOut]


class LearningOut(Shown):
    """All that own jobs have taught, and whether the last choice about it can be taken back."""

    figures: list[LearntOut]
    can_undo: bool


class LearntIn(Wire):
    """What is made of one figure: set back to the table, and whose values are left out; None leaves it as it is."""

    key: str = Field(max_length=200)
    to_table: bool | None = None
    left_out: list[int] | None = Field(None, max_length=2000)


class SpellOut(Shown):
    """The work at one station: minutes of the steps whose time is known, as planned and as they took."""

    station: str
    name: str
    planned: float
    taken: float
    steps: int
    timed: int


class StepOut(Shown):
    """Steps done at one stretch: what they are, minutes as they were reckoned and as they took, and else why not."""

    titles: list[str]
    planned: float
    taken: float | None
    why: str


class LessonOut(Shown):
    """What the job says of a figure, beside the table."""

    about: str
    unit: str
    table: float
    value: float


class CauseOut(Shown):
    """Something that goes wrong, as it is chosen from the list."""

    key: str
    name: str


class HappenedOut(Shown):
    """What the log tells of a job by itself, and what it teaches, or would once it is closed; what may go wrong."""

    causes: list[CauseOut]
    spells: list[SpellOut]
    steps: list[StepOut]
    untimed: str
    poured: list[Poured]
    lessons: list[LessonOut]
    is_worth_a_recipe: bool
    is_closed: bool
