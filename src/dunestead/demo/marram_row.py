"""Nine jobs of Marram Row, each as far along as a workshop has them on a normal day."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from datetime import date, datetime, timedelta
from functools import partial
from importlib import resources

from dunestead.core.artwork.elements import Element, Frame, Traced, Words
from dunestead.core.artwork.trace.settings import TraceSettings
from dunestead.core.artwork.words.setting import Setting
from dunestead.core.blanks.blank import Blank, Garment
from dunestead.core.blanks.clear import ClearArea
from dunestead.core.changes.arranging import place_on_garment
from dunestead.core.job.job import Job, Record, altered
from dunestead.core.job.log import LogEntry
from dunestead.core.painting.coatings import Coating
from dunestead.core.plan.plan import Plan
from dunestead.core.records import Swatch
from dunestead.core.stations.station import ORDER
from dunestead.demo.scan import CORNERS, scan_of_gull
from dunestead.workshop.workbench import Workbench

__all__ = ["fill_demo"]

Change = Callable[[Job, Plan], Job]


@dataclass(frozen=True, slots=True)
class _DemoJob:
    """A job to begin, the changes made to it in order, and up to which station it is ticked off.

    Attributes
    ----------
    start
        Returns what makes the first part of the design.
    width, down
        Of the design, mm; how far below the blank's middle it is moved.
    """

    start: Callable[[Workbench], Callable[[int], Element]]
    name: str
    surface: str
    blank: Blank
    width: float
    changes: tuple[tuple[str, Change], ...]
    done_before: str
    down: float = 0.0


def fill_demo(workbench: Workbench) -> None:
    """Fill an empty workshop with the demo; one that holds jobs is left alone."""
    if not workbench.is_empty:
        return
    for name, surface, blank in _BLANKS:
        workbench.blanks.keep(name, surface, blank)
    for paint, surface, coats, colour, result, note in _SWATCHES:
        swatch = Swatch(paint, surface, date(2026, 5, 2), coats, colour, result, note)
        workbench.records.swatches.add(swatch)
    workbench.refresh()
    for demo in _JOBS:
        job_id = workbench.begin(demo.start(workbench), demo.name, demo.surface, demo.blank)
        workbench.change(job_id, "Size and place", partial(_sized, workbench=workbench, demo=demo))
        for label, change in demo.changes:
            workbench.change(job_id, label, change)
        _do_up_to(workbench, job_id, demo.done_before)


# What the row has tried on which surface: paint, surface, coats, colour, result, note.
_SWATCHES = (
    ("outdoor-acrylic", "coir", 3, "#22313a", 5, "Worked well in; two coats left bare tips."),
    ("rubber-spray", "coir", 2, "#22313a", 4, "Three light passes hide better than two wet ones."),
    ("fabric-brush", "jersey", 2, "#f3efe4", 4, "White on navy wants the third coat."),
    ("fabric-brush", "flat-towel", 2, "#2f8f83", 5, "Thin coats; nothing crept under the film."),
    ("fabric-brush", "canvas", 2, "#8f3d0f", 4, "Dab straight down, the weave drinks it."),
    ("fabric-brush", "cotton-rug", 2, "#2f8f83", 4, "Second coat could have been lighter."),
    ("leather-acrylic", "leather", 3, "#f3efe4", 3, "Strip the finish better; it flaked at one edge."),
    ("craft-acrylic", "wood-sealed", 2, "#8f3d0f", 5, "Matte medium first kept the edges clean."),
)


def _file(name: str) -> Callable[[Workbench], Callable[[int], Element]]:
    return lambda workbench: workbench.keep_file(
        (resources.files("dunestead.demo") / "artwork" / name).read_bytes(), name
    )


def _scan(workbench: Workbench) -> Callable[[int], Element]:
    make = workbench.keep_file(scan_of_gull(), "gull-on-paper.jpg")

    def traced(number: int) -> Element:
        made = make(number)
        assert isinstance(made, Traced)
        return replace(made, trace=TraceSettings(corners=CORNERS), colour="#f3efe4")

    return traced


def _sized(job: Job, _: Plan, *, workbench: Workbench, demo: _DemoJob) -> Job:
    sized = workbench.with_width(job, demo.width)
    if job.piece.shape == "garment":
        return place_on_garment(sized, workbench.sources, workbench.catalogue)
    return altered(sized, elements=tuple(replace(e, y=e.y + demo.down) for e in sized.elements))


def _round_mat(job: Job, _: Plan) -> Job:
    """Set the row's name along the top of a round mat, the slip's in its middle, a frame around and waves below."""
    ink, rust = "#22313a", "#8f3d0f"
    top = Setting("MARRAM ROW", 44, "cap", letter_gap=7, arc=196.0, colour=ink)
    name = Setting("SLIPWAY", 400, "width", letter_gap=7, colour=rust)
    bottom = Setting("LOW TIDE", 44, "cap", letter_gap=7, arc=-236.0, colour=ink)
    elements = (
        Words(id=1, face="archivo-black", setting=top, y=-140.0),
        Words(id=2, face="lilita-one", setting=name, y=4.0),
        Words(id=3, face="archivo-black", setting=bottom, y=168.0),
        Frame(id=4, style="dashed", inset=14, thickness=9, gap=12, dash=56, colour=ink),
    )
    return altered(job, elements=elements, last_element=4)


def _two_tone(job: Job, _: Plan) -> Job:
    """Set the mat of the boat shed: words that stay in the base coat's colour, a dark field sprayed around them."""
    elements = (
        Words(id=1, face="archivo-black", setting=Setting("BOAT", 480, "width", letter_gap=12), y=-78.0),
        Words(id=2, face="archivo-black", setting=Setting("SHED", 480, "width", letter_gap=12), y=78.0),
    )
    return altered(job, elements=elements, last_element=2)


def _key_board(job: Job, _: Plan) -> Job:
    """Set the board for the keys: a ring in one colour, the cabin's number in another, too near for one mask."""
    elements = (
        Words(id=1, face="archivo-black", setting=Setting("O", 64, "cap", colour="#d6bf94")),
        Words(id=2, face="archivo-black", setting=Setting("8", 22, "cap", colour="#9c4a32")),
        Words(id=3, face="archivo-black", setting=Setting("KEYS", 84, "width", letter_gap=2, colour="#9c4a32"), y=52.0),
    )
    return altered(job, elements=elements, last_element=3)


def _do_up_to(workbench: Workbench, job_id: int, station: str) -> None:
    """Log every task before a station as done, keepers answering at every roll-call passed."""
    if not station:
        return
    opened, now = workbench.open(job_id, "mm"), workbench.clock.now()
    passed = [task for task in opened.graph.tasks if ORDER.index(task.station) < ORDER.index(station)]
    entries: list[LogEntry] = []
    for back, task in enumerate(reversed(passed)):
        at = now - timedelta(minutes=4 + 3 * back)
        if task.call:
            entries.append(LogEntry("called", task.id, at, numbers=task.call.numbers))
            for count in task.call.counts:
                planned = task.figures.get("count", 6) if count.expected is None else count.expected
                entries.append(LogEntry("counted", task.id, at, what=count.code, count=planned))
        entries.append(LogEntry("done", task.id, at, standing=dict(task.standing)))
    workbench.log(job_id, sorted(entries, key=lambda entry: entry.at))


def _in_days(days: int) -> date:
    return datetime.now().astimezone().date() + timedelta(days=days)


_BLANKS = (
    ("Cabin mat", "coir", Blank(600, 400, colour="#b08a57")),
    ("Round mat", "coir", Blank(600, 600, shape="oval", colour="#a9814f")),
    ("Ferry tote", "canvas", Blank(380, 420, colour="#e8dcc0")),
    ("Boathouse shirt, M", "jersey", Blank(510, 720, shape="garment", colour="#33475b", garment=Garment("m"))),
    ("Slate tray with a rim", "concrete", Blank(250, 250, corner=20, rim=8, colour="#8d9090")),
)


# The ferry totes' straps are sewn on at their top edge.
_STRAPS = (ClearArea(95, 30, 30, 60, why="strap"), ClearArea(287, 30, 30, 60, why="strap"))


def _entries(days: int, **entries: object) -> tuple[tuple[str, Change], ...]:
    return (("Entries", lambda job, _: altered(job, due=_in_days(days), **entries)),)


def _fates(job: Job, plan: Plan) -> Job:
    """Keep pieces that are easily placed, bridge the small ones."""
    sides = plan.look.least_sides().items()
    return altered(job, fates={number: "keep" if side >= 10 else "bridge" for number, side in sides})


def _all_kept(job: Job, plan: Plan) -> Job:
    return altered(job, fates={piece.number: "keep" for piece in plan.look.loose})


_JOBS = (
    _DemoJob(
        _file("cabin-mat.svg"),
        "Cabin 8 mat",
        "coir",
        Blank(600, 400, colour="#b08a57", measured_width=596.0, measured_height=397.0),
        520.0,
        _entries(4),
        "",
    ),
    _DemoJob(
        _file("boathouse-shirt.svg"),
        "Boathouse shirt",
        "jersey",
        Blank(
            510,
            720,
            shape="garment",
            colour="#33475b",
            measured_width=508.0,
            measured_height=716.0,
            garment=Garment("m", "full-front"),
        ),
        260.0,
        (
            *_entries(
                2,
                material="paper-coated-up",
                coatings=(Coating("colour", "fabric-brush", coats=3),),
                copies=2,
                dauber=True,
                covered=True,
            ),
            ("All pieces kept", _all_kept),
        ),
        "tack",
    ),
    _DemoJob(
        _file("kitchen-towel.svg"),
        "Kitchen towels",
        "flat-towel",
        Blank(500, 700, colour="#f3efe4", measured_width=496.0, measured_height=702.0),
        240.0,
        (*_entries(7, material="stencil-film", copies=6), ("Fates", _fates)),
        "paint",
        down=140.0,
    ),
    _DemoJob(
        _file("ferry-tote.svg"),
        "Ferry totes",
        "canvas",
        Blank(380, 420, colour="#e8dcc0", measured_width=382.0, measured_height=418.0, clear=_STRAPS),
        260.0,
        _entries(10, copies=12, coatings=(Coating("colour", "fabric-spray"),)),
        "sheets",
    ),
    _DemoJob(
        lambda workbench: workbench.make_words("MARRAM ROW"),
        "Slipway round mat",
        "coir",
        Blank(600, 600, shape="oval", colour="#a9814f", measured_width=598.0, measured_height=596.0),
        400.0,
        (("Design", _round_mat), *_entries(6, cutter="wide-roll", covered=True)),
        "",
    ),
    _DemoJob(
        _scan,
        "Gull bag panel",
        "leather",
        Blank(260, 200, colour="#5b3a24", corner=12, measured_width=260.0, measured_height=199.0),
        180.0,
        (*_entries(12), ("All pieces kept", _all_kept)),
        "sheets",
    ),
    _DemoJob(
        _file("tide-rug.svg"),
        "Tide rug",
        "cotton-rug",
        Blank(800, 500, colour="#e9e2d2", measured_width=792.0, measured_height=498.0),
        640.0,
        (
            *_entries(-3, cutter="wide-roll"),
            ("All pieces bridged", lambda job, plan: altered(job, fates={p.number: "bridge" for p in plan.look.loose})),
            (
                "Record",
                lambda job, _: altered(
                    job,
                    record=Record(
                        grade=4,
                        notes="Bridges touched up with a fine brush. Second coat could have been lighter.",
                        minutes={"weed": 18.0, "paint": 34.0, "peel": 9.0},
                        paint_ml=58.0,
                    ),
                ),
            ),
        ),
        "cure",
    ),
    _DemoJob(
        lambda workbench: workbench.make_words("BOAT SHED"),
        "Boat shed mat, two-tone",
        "coir",
        Blank(
            700,
            400,
            colour="#a9814f",
            measured_width=697.0,
            measured_height=398.0,
        ),
        560.0,
        (
            ("Design", _two_tone),
            *_entries(
                9,
                reverse=True,
                field_colour="#22313a",
                material="vinyl-permanent",
                coatings=(Coating("base", "outdoor-acrylic", "#d6bf94"), Coating("colour", "rubber-spray")),
                border=10.0,
            ),
            ("All pieces kept", _all_kept),
        ),
        "sheets",
    ),
    _DemoJob(
        lambda workbench: workbench.make_words("KEYS"),
        "Key board, cabin 8",
        "wood-sealed",
        Blank(105, 150, colour="#f1ead8", measured_width=105.0, measured_height=149.5),
        80.0,
        (
            ("Design", _key_board),
            *_entries(
                5,
                cutter="pocket",
                material="stencil-film",
                masks="each",
                whole_blank=True,
                coatings=(Coating("base", "craft-acrylic", "#f3efe4"), Coating("colour", "craft-acrylic")),
            ),
            ("All pieces kept", _all_kept),
        ),
        "",
    ),
)
