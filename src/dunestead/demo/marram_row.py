"""The jobs of Marram Row, each as far along as a workshop has them on a normal day; and examples to begin with."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from datetime import date, datetime, timedelta
from importlib import resources
from typing import Any

from dunestead.core.artwork.elements import Element, Frame, Traced, Words
from dunestead.core.artwork.trace.settings import TraceSettings
from dunestead.core.artwork.words.setting import Setting
from dunestead.core.blanks.blank import Blank, Garment
from dunestead.core.blanks.clear import ClearArea
from dunestead.core.changes.arranging import place_on_garment
from dunestead.core.errors import NoSuchThing
from dunestead.core.job.job import Job, Record, altered
from dunestead.core.job.log import LogEntry
from dunestead.core.job.proposing import start_job
from dunestead.core.looking.look import look_at
from dunestead.core.mask.fates import Fate
from dunestead.core.painting.coatings import Coating
from dunestead.core.records import Swatch, Tools
from dunestead.core.stations.station import ORDER
from dunestead.demo.earlier import fill_earlier
from dunestead.demo.scan import CORNERS, scan_of_gull
from dunestead.demo.stores import fill_stores
from dunestead.workshop.workbench import Workbench

__all__ = ["EXAMPLES", "begin_example", "fill_demo"]

Change = Callable[[Job, Workbench], Job]


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
    changes: tuple[Change, ...]
    done_before: str = ""
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
    workbench.records.keep_tools(Tools(tuple(sorted(workbench.catalogue.tools)), "table-long", "iron"))
    fill_stores(workbench)
    workbench.lessons.refresh()
    # First, for all that follows is reckoned by what they teach.
    fill_earlier(workbench)
    for demo in _JOBS:
        job_id = workbench.add(_made(workbench, demo))
        _do_up_to(workbench, job_id, demo.done_before)


def begin_example(workbench: Workbench, key: str) -> int:
    """Begin one of the example jobs, nothing of it decided yet; returns its number.

    Raises
    ------
    NoSuchThing
        When there is no such example.
    """
    if key not in EXAMPLES:
        raise NoSuchThing(f"There is no example “{key[:40]}”.", f"Choose one of: {', '.join(EXAMPLES)}.")
    return workbench.add(_made(workbench, EXAMPLES[key][1]))


def _made(workbench: Workbench, demo: _DemoJob) -> Job:
    """Put a job together; it is reckoned through once, when it is kept."""
    catalogue = workbench.catalogue
    job = start_job(demo.name, catalogue.surface(demo.surface), catalogue, demo.start(workbench)(1), demo.blank)
    job = _sized(job, workbench, demo)
    for change in demo.changes:
        job = change(job, workbench)
    return job


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
    return lambda workbench: workbench.designs.keep_file(
        (resources.files("dunestead.demo") / "artwork" / name).read_bytes(), name
    )


def _scan(workbench: Workbench) -> Callable[[int], Element]:
    make = workbench.designs.keep_file(scan_of_gull(), "gull-on-paper.jpg")

    def traced(number: int) -> Element:
        made = make(number)
        assert isinstance(made, Traced)
        return replace(made, trace=TraceSettings(corners=CORNERS), colour="#f3efe4")

    return traced


def _sized(job: Job, workbench: Workbench, demo: _DemoJob) -> Job:
    sized = workbench.designs.with_width(job, demo.width)
    if job.piece.shape == "garment":
        return place_on_garment(sized, workbench.sources, workbench.catalogue)
    return altered(sized, elements=tuple(replace(e, y=e.y + demo.down) for e in sized.elements))


def _round_mat(job: Job, _: Workbench) -> Job:
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


def _two_tone(job: Job, _: Workbench) -> Job:
    """Set the mat of the boat shed: words that stay in the base coat's colour, a dark field sprayed around them."""
    elements = (
        Words(id=1, face="archivo-black", setting=Setting("BOAT", 480, "width", letter_gap=12), y=-78.0),
        Words(id=2, face="archivo-black", setting=Setting("SHED", 480, "width", letter_gap=12), y=78.0),
    )
    return altered(job, elements=elements, last_element=2)


def _key_board(job: Job, _: Workbench) -> Job:
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
                planned = (count.planned or 6) if count.expected is None else count.expected
                entries.append(LogEntry("counted", task.id, at, what=count.code, count=planned))
        entries.append(LogEntry("done", task.id, at, fingerprint=dict(task.fingerprint)))
    workbench.work.log(job_id, sorted(entries, key=lambda entry: entry.at))


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


def _entries(days: int, **entries: object) -> Change:
    return lambda job, _: altered(job, due=_in_days(days), **entries)


def _tape(width: float, height: float, off: tuple[float, float] = (0.0, 0.0), **more: Any) -> Blank:
    """Return a blank that was measured, so far off its label."""
    return Blank(width, height, measured_width=width + off[0], measured_height=height + off[1], **more)


def _in_colour(colour: str) -> Change:
    """Set words in a colour."""

    def coloured(job: Job, _: Workbench) -> Job:
        words = [one for one in job.elements if isinstance(one, Words)]
        return altered(job, elements=tuple(replace(one, setting=replace(one.setting, colour=colour)) for one in words))

    return coloured


def _fates(job: Job, workbench: Workbench) -> Job:
    """Keep pieces that are easily placed, bridge the small ones."""
    sides = look_at(job, workbench.sources, workbench.catalogue).least_sides().items()
    return altered(job, fates={number: "keep" if side >= 10 else "bridge" for number, side in sides})


def _every(fate: Fate) -> Change:
    def decided(job: Job, workbench: Workbench) -> Job:
        found = look_at(job, workbench.sources, workbench.catalogue).found
        return altered(job, fates={piece.number: fate for piece in found})

    return decided


def _from_store(name: str) -> Change:
    """Cut from a roll the workshop has."""

    def taken(job: Job, workbench: Workbench) -> Job:
        number = next(number for number, one in workbench.catalogue.stock.items() if one.name == name)
        return altered(job, stock=number)

    return taken


def _words(text: str, face: str = "archivo-black") -> Callable[[Workbench], Callable[[int], Element]]:
    return lambda workbench: workbench.designs.make_words(text, face)


_SHIRT = Garment("m", "full-front")
_COLOUR = {"ink": "#22313a", "rust": "#9c4a32", "sand": "#d6bf94", "chalk": "#f3efe4", "sea": "#2b6a6c"}

# Every method and every surface of the trade once; two that teach: one too fine at its size, one with lost centres.
_JOBS = (
    _DemoJob(
        _file("cabin-mat.svg"),
        "Cabin 8 mat",
        "coir",
        _tape(600, 400, (-4, -3), colour="#b08a57"),
        520.0,
        (_entries(4),),
    ),
    _DemoJob(
        _file("boathouse-shirt.svg"),
        "Boathouse shirt",
        "jersey",
        _tape(510, 720, (-2, -4), shape="garment", colour="#33475b", garment=_SHIRT),
        310.0,
        (
            _entries(
                2,
                material="paper-coated-up",
                method="paper-cloth",
                coatings=(Coating("colour", "fabric-brush", coats=3),),
                copies=2,
                dauber=True,
                covered=True,
            ),
            _fates,
        ),
        "tack",
    ),
    _DemoJob(
        _file("kitchen-towel.svg"),
        "Kitchen towels",
        "flat-towel",
        _tape(500, 700, (-4, 2), colour="#f3efe4"),
        440.0,
        (_entries(7, material="stencil-film", copies=6), _every("bridge")),
        "paint",
        down=140.0,
    ),
    _DemoJob(
        _file("ferry-tote.svg"),
        "Ferry totes",
        "canvas",
        _tape(380, 420, (2, -2), colour="#e8dcc0", clear=_STRAPS),
        300.0,
        (
            _entries(
                10,
                copies=12,
                material="stencil-film",
                method="weak-tape",
                coatings=(Coating("colour", "fabric-spray"),),
            ),
        ),
    ),
    _DemoJob(
        _words("MARRAM ROW"),
        "Slipway round mat",
        "coir",
        _tape(600, 600, (-2, -4), shape="oval", colour="#a9814f"),
        400.0,
        (
            _round_mat,
            _entries(6, material="vinyl-permanent", cutter="wide-roll", method="weak-tape", covered=True),
            _from_store("Wide roll of permanent vinyl"),
        ),
    ),
    _DemoJob(
        _scan,
        "Gull bag panel",
        "leather",
        _tape(260, 200, (0, -1), colour="#5b3a24", corner=12),
        180.0,
        (_entries(12), _every("keep")),
    ),
    _DemoJob(
        _file("tide-rug.svg"),
        "Tide rug",
        "cotton-rug",
        _tape(800, 500, (-8, -2), colour="#e9e2d2"),
        640.0,
        (
            _entries(-3, material="vinyl-removable", cutter="wide-roll", method="weak-tape"),
            _from_store("Wide roll of removable vinyl"),
            _every("bridge"),
            lambda job, _: altered(
                job,
                record=Record(
                    grade=4,
                    notes="Bridges touched up with a fine brush. Second coat could have been lighter.",
                    minutes={"weed": 18.0, "paint": 34.0, "peel": 9.0},
                    used_ml={"fabric-brush": 58.0},
                ),
            ),
        ),
        "cure",
    ),
    _DemoJob(
        _words("BOAT SHED"),
        "Boat shed mat, two-tone",
        "coir",
        _tape(700, 400, (-3, -2), colour="#a9814f"),
        560.0,
        (
            _two_tone,
            _entries(
                9,
                reverse=True,
                field_colour=_COLOUR["ink"],
                material="vinyl-permanent",
                method="reverse-groups",
                coatings=(Coating("base", "outdoor-acrylic", _COLOUR["sand"]), Coating("colour", "rubber-spray")),
                border=10.0,
            ),
            _every("keep"),
        ),
        "sheets",
    ),
    _DemoJob(
        _words("KEYS"),
        "Key board, cabin 8",
        "wood-sealed",
        _tape(105, 150, (0, -0.5), colour="#f1ead8"),
        80.0,
        (
            _key_board,
            _entries(
                5,
                cutter="pocket",
                material="stencil-film",
                masks="each",
                whole_blank=True,
                coatings=(Coating("base", "craft-acrylic", _COLOUR["chalk"]), Coating("colour", "craft-acrylic")),
            ),
            _every("keep"),
        ),
    ),
    _DemoJob(
        _words("NETS"),
        "Net loft mat",
        "coir",
        _tape(450, 350, (-2, -1), colour="#b08a57"),
        300.0,
        (_entries(17, material="vinyl-permanent", method="warm-air"), _every("keep")),
    ),
    _DemoJob(
        _words("CRABS"),
        "Crab pot mat",
        "coir",
        _tape(700, 350, (-3, -2), colour="#b08a57"),
        600.0,
        (_entries(8, material="iron-on", method="iron-on"), _every("keep")),
    ),
    _DemoJob(
        _words("BAIT", "saira-stencil-one"),
        "Bait shed mat",
        "coir",
        _tape(500, 400, (2, -1), colour="#a9814f"),
        400.0,
        (
            _entries(14, material="card", method="card-pins", coatings=(Coating("colour", "spray-enamel"),)),
            _every("keep"),
        ),
    ),
    _DemoJob(
        _words("PORT\nSIDE"),
        "Port side mat",
        "coir",
        _tape(700, 450, (-5, -3), colour="#b08a57"),
        480.0,
        (_entries(11, material="paper-coated-up", method="paper-bare"), _every("keep")),
    ),
    _DemoJob(
        _words("DRIP DRY"),
        "Shower hut mat",
        "synthetic-mat",
        _tape(600, 400, (1, -2), colour="#8d9a9b"),
        500.0,
        (_entries(13, material="vinyl-removable", method="untaped", cutter="wide-roll"), _every("bridge")),
    ),
    _DemoJob(
        _words("DIP"),
        "Swimmers' towels",
        "terry",
        _tape(500, 900, (-6, -10), colour="#dfe6e4"),
        440.0,
        (_entries(15, copies=4), _in_colour(_COLOUR["sea"]), _every("bridge")),
    ),
    _DemoJob(
        _words("SLIP 4"),
        "Boatyard jacket",
        "denim",
        _tape(440, 560, (0, -4), colour="#2f4156"),
        260.0,
        (
            _entries(16, material="paper-coated-down", method="by-hand", cutter="hand"),
            _in_colour(_COLOUR["chalk"]),
            _every("keep"),
        ),
    ),
    _DemoJob(
        _words("TERN", "alfa-slab-one"),
        "Name board, the Tern",
        "wood-raw",
        _tape(500, 160, (0, -1), colour="#c9a877"),
        360.0,
        (_entries(18), _every("keep")),
    ),
    _DemoJob(
        _words("OARS", "black-ops-one"),
        "Oar rack labels",
        "wood-sealed",
        _tape(220, 90, (0, -0.5), colour="#efe6d2"),
        150.0,
        (_entries(19, copies=8, material="plastic", method="spray-tack"), _every("bridge")),
    ),
    _DemoJob(
        _words("TIDE", "archivo-black"),
        "Tide table tray",
        "concrete",
        _tape(250, 250, (-4, -4), corner=20, rim=8, colour="#8d9090"),
        160.0,
        (_entries(20), _every("keep")),
    ),
    _DemoJob(
        _words("7", "alfa-slab-one"),
        "Cabin number plates",
        "glass",
        _tape(150, 150, (-0.5, 0), colour="#dfe8e6"),
        60.0,
        (_entries(21, copies=4, seen_through=True), _every("keep")),
    ),
)

# What somebody with an empty workshop may open first: what it shows, and the job itself.
EXAMPLES: Mapping[str, tuple[str, _DemoJob]] = {
    "mat": (
        "A doormat with words",
        _DemoJob(_words("MIND\nTHE STEP"), "Example: step mat", "coir", Blank(600, 400, colour="#b08a57"), 480.0, ()),
    ),
    "shirt": (
        "A shirt with a drawing in two colours",
        _DemoJob(
            _file("boathouse-shirt.svg"),
            "Example: boathouse shirt",
            "jersey",
            Blank(510, 720, shape="garment", colour="#33475b", garment=_SHIRT),
            310.0,
            (),
        ),
    ),
    "towel": (
        "A kitchen towel from a drawing",
        _DemoJob(
            _file("kitchen-towel.svg"),
            "Example: kitchen towel",
            "flat-towel",
            Blank(500, 700, colour="#f3efe4"),
            330.0,
            (),
            down=140.0,
        ),
    ),
}
