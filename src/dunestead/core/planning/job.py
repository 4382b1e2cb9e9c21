"""What a maker decides about a job: everything else is reckoned from it."""

from dataclasses import dataclass, field, fields
from datetime import date, datetime
from typing import Literal

from dunestead.core.curing.drying import Room
from dunestead.core.errors import BadInput, BadLength
from dunestead.core.figures import Catalogue, Material, Paint, Surface
from dunestead.core.mask.fates import Fate
from dunestead.core.mask.rollcall import RollEntry

__all__ = ["CALLS", "Blank", "Call", "Job", "Record", "check_job", "fits", "materials_for", "paints_for", "start_job"]

Call = Literal["dish", "placed", "lifted"]
CALLS: tuple[Call, ...] = ("dish", "placed", "lifted")
_SMALLEST_MM, _LARGEST_MM = 1.0, 20_000.0


@dataclass(frozen=True, slots=True)
class Blank:
    """The thing that is printed on, mm. A label's size is nominal; what the tape says is measured."""

    width: float
    height: float
    shape: Literal["rectangle", "oval"] = "rectangle"
    colour: str = "#a9814f"
    measured_width: float | None = None
    measured_height: float | None = None

    @property
    def size(self) -> tuple[float, float]:
        """Measured width and height where there are any, else nominal."""
        return (self.measured_width or self.width, self.measured_height or self.height)

    @property
    def is_measured(self) -> bool:
        """Whether a tape has been laid to it."""
        return self.measured_width is not None and self.measured_height is not None


@dataclass(frozen=True, slots=True)
class Record:
    """What really happened: grade from 1 (spoiled) to 5 (as wished), minutes by station, ml of paint."""

    grade: int | None = None
    notes: str = ""
    minutes: dict[str, float] = field(default_factory=dict)
    paint_ml: float | None = None


@dataclass(frozen=True, slots=True)
class Job:
    """One job's inputs. Lengths in mm; None means as the catalogue says.

    Attributes
    ----------
    design_width, offset_x, offset_y
        Width of the painted area, and its middle's shift from the blank's.
    fates
        By number of the loose piece; a piece that is not named is undecided and counts as kept.
    roll
        Every loose piece ever met.
    ticks
        When each step was done, by its code.
    calls
        When each keeper answered the roll-call, by number and call.
    """

    name: str
    surface: str
    blank: Blank
    design_width: float
    material: str
    paint: str
    cutter: str = "table-long"
    press: str = "iron"
    offset_x: float = 0.0
    offset_y: float = 0.0
    border: float | None = None
    bridge_width: float | None = None
    overlap: float | None = None
    coats: int | None = None
    copies: int = 1
    seen_through: bool = False
    due: date | None = None
    room: Room = field(default_factory=Room)
    fates: dict[int, Fate] = field(default_factory=dict)
    roll: tuple[RollEntry, ...] = ()
    ticks: dict[str, datetime] = field(default_factory=dict)
    calls: dict[int, dict[Call, datetime]] = field(default_factory=dict)
    record: Record = field(default_factory=Record)


def fits(material: Material, surface: Surface) -> bool:
    """Say whether a mask material works on a surface, heat included."""
    named = surface.family in material.works_on or surface.key in material.works_on
    return named and not (material.heat is not None and surface.heat is None)


def materials_for(catalogue: Catalogue, surface: Surface) -> list[Material]:
    """Return the materials that work on a surface, the usual choice first."""
    return [material for material in catalogue.materials.values() if fits(material, surface)]


def paints_for(catalogue: Catalogue, surface: Surface) -> list[Paint]:
    """Return the paints that work on a surface, the usual choice first."""
    return [paint for paint in catalogue.paints.values() if surface.family in paint.families]


def start_job(name: str, surface: Surface, catalogue: Catalogue, height_per_width: float) -> Job:
    """Return a job for an artwork with sensible choices made: the usual blank, mask and paint.

    Parameters
    ----------
    name, surface
        What it is called and made on.
    height_per_width
        Shape of the painted area; the design fills the blank up to its margins.
    """
    width, height = surface.blank
    margin = width * catalogue.workshop["margin_share"]
    design = min(width - 2 * margin, (height - 2 * margin) / height_per_width)
    return Job(
        name=name.strip() or "Unnamed",
        surface=surface.key,
        blank=Blank(width, height, colour=surface.colour),
        design_width=round(design, 1),
        material=materials_for(catalogue, surface)[0].key,
        paint=paints_for(catalogue, surface)[0].key,
    )


def check_job(job: Job, catalogue: Catalogue) -> None:
    """Raise when a job cannot be reckoned with, saying which entry is at fault.

    Raises
    ------
    BadInput, BadLength, UnknownKey
        With the value met and the values allowed.
    """
    catalogue.surface(job.surface)
    catalogue.material(job.material)
    catalogue.paint(job.paint)
    catalogue.cutter(job.cutter)
    catalogue.press(job.press)
    if not job.name.strip() or len(job.name) > 120:
        raise BadInput("A job needs a name of up to 120 letters.", "Give it one you will know it by.")
    for name, length in (("width of the design", job.design_width), *_blank_lengths(job.blank)):
        _within(name, length, _SMALLEST_MM, _LARGEST_MM)
    for what, value, least, most in (
        ("border", job.border, 1.0, 500.0),
        ("bridge width", job.bridge_width, 0.2, 50.0),
        ("overlap", job.overlap, 0.0, 100.0),
        ("shift across", job.offset_x, -_LARGEST_MM, _LARGEST_MM),
        ("shift down", job.offset_y, -_LARGEST_MM, _LARGEST_MM),
    ):
        if value is not None:
            _within(what, value, least, most)
    _count("coats", job.coats, 1, 12)
    _count("copies", job.copies, 1, 1000)
    _count("grade", job.record.grade, 1, 5)
    if not (-20 <= job.room.temperature <= 60 and 0 <= job.room.humidity <= 100):
        raise BadInput(
            f"{job.room.temperature:g} C at {job.room.humidity:g} % humidity is no room to paint in.",
            "Give -20 to 60 C and 0 to 100 %.",
        )
    if len(job.record.notes) > 10_000:
        raise BadInput("The notes are longer than 10,000 letters.", "Keep what you will want to read next time.")


def _blank_lengths(blank: Blank) -> list[tuple[str, float]]:
    labels = {f.name: f.name.replace("_", " ") + " of the blank" for f in fields(blank)}
    names = ("width", "height", "measured_width", "measured_height")
    return [(labels[name], value) for name in names if (value := getattr(blank, name)) is not None]


def _within(what: str, value: float, least: float, most: float) -> None:
    if not least <= value <= most:
        raise BadLength(f"The {what} of {value:g} mm makes no sense here.", f"Give {least:g} to {most:g} mm.")


def _count(what: str, value: int | None, least: int, most: int) -> None:
    if value is not None and not least <= value <= most:
        raise BadInput(f"{value} {what} cannot be.", f"Give {least} to {most}.")
