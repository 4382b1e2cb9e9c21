"""The maker's own records that refine the figures: mask material in store, and test cuts."""

from dataclasses import dataclass, field
from datetime import date
from typing import Literal

from dunestead.core.errors import BadInput, UnknownKey
from dunestead.core.limits import REQUIRED, check_limits, limited

__all__ = [
    "ANSWERS",
    "BLADES",
    "Answer",
    "Blade",
    "CutSettings",
    "Hours",
    "KeptMask",
    "OwnPaint",
    "Pressed",
    "ProvenHeat",
    "Stock",
    "Swatch",
    "TestCut",
    "Tools",
    "Try",
    "check_hours",
    "check_paint",
    "check_settings",
    "check_test_cut",
]

Answer = Literal["not-through", "clean", "into-backing", "tears"]
Blade = Literal["fresh", "used", "worn"]
ANSWERS: tuple[Answer, ...] = ("not-through", "clean", "into-backing", "tears")
BLADES: tuple[Blade, ...] = ("fresh", "used", "worn")
_MOST_TRIES = 60


@dataclass(frozen=True, slots=True)
class Stock:
    """A roll, or a pile of sheets, that masks are cut from; how much there is of it the stores say.

    Attributes
    ----------
    material
        Key of the catalogue.
    width, length
        Width of the roll or sheet; length of one sheet, None for a roll. mm.
    is_roll
        Whether it is a roll.
    colour
        As it is, None as it usually comes.
    number
        Its number in store, None where it is none of the maker's own.
    """

    name: str
    material: str
    width: float
    length: float | None = None
    is_roll: bool = True
    colour: str | None = None
    number: int | None = None


@dataclass(frozen=True, slots=True)
class KeptMask:
    """A mask in store that is used again: its material, and what tells its design from others."""

    material: str
    design: str


@dataclass(frozen=True, slots=True)
class CutSettings:
    """How a material is cut: gram, count, mm/s."""

    force: float = limited(REQUIRED, "force", 1.0, 5000.0, "g")
    passes: int = limited(REQUIRED, "passes", 1, 20)
    speed: float = limited(REQUIRED, "speed", 1.0, 2000.0, "mm/s")

    def __str__(self) -> str:
        """Return them as they are set on a cutter."""
        return f"{self.force:g} g, {self.passes} pass{'' if self.passes == 1 else 'es'}, {self.speed:g} mm/s"


@dataclass(frozen=True, slots=True)
class Try:
    """A test cut and what came of it."""

    settings: CutSettings
    answer: Answer


@dataclass(frozen=True, slots=True)
class Tools:
    """What a workshop works with: keys of the catalogue.

    Attributes
    ----------
    owned
        What it has to make masks hold and to put paint on.
    cutter, press
        What new jobs are planned for; None while nobody has said.
    """

    owned: tuple[str, ...] = ()
    cutter: str | None = None
    press: str | None = None


@dataclass(frozen=True, slots=True)
class Hours:
    """When somebody is at the bench: from which hour of the clock until which, on which days, Monday is 0."""

    day_from: float = limited(8.0, "begin of the day", 0.0, 23.0, "h", 0.5)
    day_until: float = limited(20.0, "end of the day", 1.0, 24.0, "h", 0.5)
    days: tuple[int, ...] = (0, 1, 2, 3, 4, 5, 6)


@dataclass(frozen=True, slots=True)
class Pressed:
    """How a mask was pressed so that it held: C, and seconds a rest; the last time in a job for each way of pressing.

    Attributes
    ----------
    material, surface, method
        Keys of the catalogue.
    number
        Which going over of the method, from 1.
    job
        Number of the job; 0 where nobody wrote it down.
    """

    material: str
    surface: str
    method: str
    number: int
    celsius: float = limited(REQUIRED, "heat of the plate", 60.0, 260.0, "C")
    seconds: float = limited(REQUIRED, "time of a rest", 1.0, 300.0, "s")
    on: date = REQUIRED
    job: int = 0

    @property
    def way(self) -> tuple[str, str, str, int]:
        """What it was pressed with, on and by."""
        return self.material, self.surface, self.method, self.number


@dataclass(frozen=True, slots=True)
class ProvenHeat:
    """How a mask is pressed by what held in own jobs: C, seconds a rest, and in how many jobs; 0 by a recipe."""

    celsius: float
    seconds: float
    jobs: int


@dataclass(frozen=True, slots=True)
class TestCut:
    """Settings found for a material on a cutter, with the tries that led there.

    Attributes
    ----------
    material, cutter
        Keys of the catalogue.
    blade
        As it was.
    on
        The day.
    """

    name: str = limited(REQUIRED, "name of the test cut", 1, 120, "letters")
    material: str = REQUIRED
    cutter: str = REQUIRED
    blade: Blade = REQUIRED
    on: date = REQUIRED
    tries: tuple[Try, ...] = field(default_factory=tuple)
    notes: str = limited("", "text of the notes", 0, 2000, "letters")

    @property
    def found(self) -> CutSettings | None:
        """The settings that cut cleanly, None while none have."""
        return next((tried.settings for tried in reversed(self.tries) if tried.answer == "clean"), None)


def check_settings(settings: CutSettings) -> None:
    """Raise `BadInput` for settings no cutter has."""
    check_limits(settings)


def check_test_cut(test_cut: TestCut) -> None:
    """Raise `BadInput` when a test cut cannot be kept."""
    check_limits(test_cut)
    if test_cut.blade not in BLADES:
        raise UnknownKey("state of the blade", test_cut.blade, list(BLADES))
    if len(test_cut.tries) > _MOST_TRIES:
        raise BadInput(f"A test cut holds {_MOST_TRIES} tries.", "Begin a new one.")
    for tried in test_cut.tries:
        if tried.answer not in ANSWERS:
            raise UnknownKey("answer", tried.answer, list(ANSWERS))
        check_limits(tried.settings)


Flow = Literal["runny", "usual", "thick"]


@dataclass(frozen=True, slots=True)
class OwnPaint:
    """A paint of the maker's own: like one of the table, with what its label or its use says.

    Attributes
    ----------
    like
        Key of the catalogue: how it goes on, what it stands, when its mask comes off.
    cover
        m² a litre, one coat on a smooth surface.
    coats_low, coats_high
        The usual number of coats.
    next_coat, touch, handle, use, wash
        Minutes at 20 C and 50 % humidity; wash is None where it is not washed.
    flow, notes
        How it behaves, and what came of it.
    """

    name: str = limited(REQUIRED, "name of the paint", 1, 120, "letters")
    like: str = REQUIRED
    cover: float = limited(REQUIRED, "cover", 0.5, 40.0, "m2/l", 0.5)
    next_coat: float = limited(REQUIRED, "time to the next coat", 0.0, 20_000.0, "min")
    touch: float = limited(REQUIRED, "time until dry to the touch", 0.0, 20_000.0, "min")
    handle: float = limited(REQUIRED, "time until it may be handled", 0.0, 100_000.0, "min")
    use: float = limited(REQUIRED, "time until it may be used", 0.0, 100_000.0, "min")
    coats_low: int = limited(1, "fewest coats", 1, 12)
    coats_high: int = limited(2, "most coats", 1, 12)
    wash: float | None = limited(None, "time until it may be washed", 0.0, 100_000.0, "min")
    flow: Flow = "usual"
    notes: str = limited("", "text of the notes", 0, 2000, "letters")


@dataclass(frozen=True, slots=True)
class Swatch:
    """A paint tried on a surface: so many coats of a colour, from 1 (spoiled) to 5 (as wished), and a note.

    Attributes
    ----------
    paint, surface
        Keys of the catalogue.
    photo
        Key of a kept file, None without one.
    """

    paint: str = REQUIRED
    surface: str = REQUIRED
    on: date = REQUIRED
    coats: int = limited(1, "coats", 1, 12)
    colour: str = "#22313a"
    result: int = limited(3, "result", 1, 5)
    note: str = limited("", "text of the note", 0, 2000, "letters")
    photo: str | None = None


def check_paint(paint: OwnPaint) -> None:
    """Raise `BadInput` when a paint cannot be kept: its times come one after the other."""
    check_limits(paint)
    if paint.coats_low > paint.coats_high:
        raise BadInput(
            f"From {paint.coats_low} to {paint.coats_high} coats is no range.", "Give the fewest coats first."
        )
    if not paint.touch <= paint.handle <= paint.use:
        raise BadInput(
            "Dry to the touch, handled, used: each comes after the one before.", "See the label, and put them in order."
        )


def check_hours(hours: Hours) -> None:
    """Raise `BadInput` for hours in which nothing could ever be done."""
    check_limits(hours)
    if hours.day_until - hours.day_from < 1:
        raise BadInput("The day at the bench is shorter than an hour.", "Give an end at least an hour after the begin.")
    if not hours.days or not set(hours.days) <= set(range(7)):
        raise BadInput("There is no day on which somebody works.", "Choose one day of the week at least.")
