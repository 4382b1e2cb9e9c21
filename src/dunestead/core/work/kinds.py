"""What can there be to do? A kind of task stands once, in the room of its station, and says all that is so of it."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from enum import StrEnum
from typing import TYPE_CHECKING, Any, Generic, Literal, TypeVar

from dunestead.core.work.marks import MarkKind
from dunestead.core.work.resources import HANDS, Resource

if TYPE_CHECKING:
    from dunestead.core.work.saying import Said
    from dunestead.core.work.tasks import Task

__all__ = ["CLOSED_BY", "Layer", "NoValues", "TaskKind", "Trait", "kind_of", "registered"]

V = TypeVar("V")
# The step that closes a job; the log is asked for it where there is no plan.
CLOSED_BY = "record-written"
# What its picture shows at the station: distances to measure, keepers, seams, rests of the plate, pins, the cover.
Layer = Literal["distances", "keepers", "seams", "rests", "corner-pins", "pins", "cover"]


class Trait(StrEnum):
    """What is so of all tasks of a kind; whoever treats some tasks apart asks for one of these."""

    PER_SET = "per-set"  # done once for a set of masks, however many copies it serves
    FIRST_STROKE = "first-stroke"  # its first stroke starts a clock
    ON_THE_AXIS = "on-the-axis"  # an event of its copy's days
    TRIES_THE_CUT = "tries-the-cut"
    CUTS = "cuts"
    CARRIES = "carries"  # takes a mask up on tape
    WHILE_DRYING = "while-drying"  # touches no paint: done while a coat below still dries
    BARES = "bares"  # takes the backing off: what sticks is bare, and has to be laid
    LAYS = "lays"  # the mask touches the blank
    PRESSES = "presses"  # under the plate, for the first time
    PRESSES_AGAIN = "presses-again"
    SETS_PINS = "sets-pins"
    IN_ONE_GO = "in-one-go"  # between a coat and the peel: done without going away
    OPENS_THE_PEEL = "opens-the-peel"  # the first of these has the window to keep
    LIFTS_KEEPERS = "lifts-keepers"
    TAKES_MASK_OFF = "takes-mask-off"
    PINS_BACK = "pins-back"
    WASHES_MASK = "washes-mask"
    TELLS_WAITS = "tells-waits"  # its own words say what has to dry before it
    IN_USE = "in-use"
    MAY_BE_WASHED = "may-be-washed"
    CLOSES_THE_JOB = "closes-the-job"


@dataclass(frozen=True, slots=True)
class NoValues:
    """Of a task whose words need none."""


@dataclass(frozen=True, slots=True, eq=False)
class TaskKind(Generic[V]):
    """One thing there is to do, typed by the values its words are made from.

    Attributes
    ----------
    code
        Begins with the name of its station.
    values
        Class of its values.
    title, how
        What to do, in a line, by its values and the maker's unit; and how, by these and the waits around it.
    resource
        What it takes up, where a task does not say otherwise.
    cautions
        Keys of what can hurt in every task of the kind.
    traits
        What else is so of it.
    marks
        What may be found wrong where places are marked in it; empty where none are.
    shows
        Layers of its picture.
    make
        What makes its task in a method's list, from what its station is working on; None for what no method names.
    """

    code: str
    values: type[V]
    title: str | Callable[[V, str], str]
    how: "str | Callable[[V, Said], str]" = ""
    resource: Resource = HANDS
    cautions: tuple[str, ...] = ()
    traits: frozenset[Trait] = frozenset()
    marks: tuple[MarkKind, ...] = ()
    shows: tuple[Layer, ...] = ()
    make: "Callable[[Any], Task | None] | None" = None

    def __post_init__(self) -> None:
        if self.code in _REGISTERED:
            raise ValueError(f"There are two kinds of task {self.code!r}.")
        _REGISTERED[self.code] = self

    def __reduce__(self) -> tuple[Callable[[str], "TaskKind[Any]"], tuple[str]]:
        """Travel by its code: a kind is the same in every process."""
        return kind_of, (self.code,)

    @property
    def station(self) -> str:
        """Where it belongs."""
        return self.code.partition("-")[0]


_REGISTERED: dict[str, TaskKind[Any]] = {}


def kind_of(code: str) -> TaskKind[Any]:
    """Return the kind of a code; raises `KeyError` where no room has it."""
    return _REGISTERED[code]


def registered() -> Mapping[str, TaskKind[Any]]:
    """Return every kind by its code."""
    return _REGISTERED
