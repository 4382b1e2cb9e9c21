"""What is said of a task: a title, and how it is done; made from its code and its figures."""

from collections import Counter
from collections.abc import Callable

from dunestead.core.colours import colour_name
from dunestead.core.curing.peel import PeelWindow
from dunestead.core.plan.coats import PlannedCoating
from dunestead.core.sheets.seams import Seam
from dunestead.core.tacking.carrier import CarrierCut
from dunestead.core.tacking.centring import Guides
from dunestead.core.tacking.strips import Strip
from dunestead.core.units import several, show_area, show_length, show_temperature, show_time, show_volume
from dunestead.core.words.cautions import CAUTIONS
from dunestead.core.words.laying import distances_in_words
from dunestead.core.work.tasks import Need, Task

__all__ = ["caution_of", "counted_of", "detail_of", "need_in_words", "title_of"]

_MOST_NAMED = 12
Words = Callable[[Task, str], str]


_CALLED = {
    "windows": "windows out",
    "keepers": "keepers",
    "pins": "pins",
    "push-pins": "push-pins in the board",
    "push-pins-out": "push-pins out again",
}


def counted_of(code: str) -> str:
    """Return what is counted, as a maker calls it."""
    what, _, sheet = code.rpartition("-")
    if code not in _CALLED and what in _CALLED:
        return f"{_CALLED[what]} of sheet {sheet}"
    return _CALLED[code]


def title_of(task: Task, unit: str) -> str:
    """Return what to do, in a line; lengths in the maker's unit."""
    return _TITLES[task.code](task, unit)


def detail_of(task: Task, unit: str) -> str:
    """Return how to do it, and with which figures."""
    detail = _DETAILS.get(task.code)
    return detail(task, unit) if detail else ""


def caution_of(task: Task) -> str | None:
    """Return what can hurt, None where nothing does."""
    return " ".join(CAUTIONS[key] for key in dict.fromkeys(task.cautions)) or None


def need_in_words(need: Need, unit: str) -> str:
    """Return what must be at hand, with its amount."""
    if need.amount is None:
        return need.what
    if need.unit == "ml":
        return f"{show_volume(need.amount, unit)} {need.what.lower()}"
    if need.unit == "mm":
        return f"{show_length(need.amount, unit)} of {need.what.lower()}"
    return f"{need.amount:g} {need.what}"


def _always(words: str) -> Words:
    return lambda *_: words


# --- coats ------------------------------------------------------------------------------------
def _coat_title(task: Task, unit: str) -> str:
    coating: PlannedCoating = task.figures["coating"]
    named = f" in {colour_name(coating.colour)}" if coating.colour else ""
    what = _COATS[coating.role]
    return (
        f"{what} {task.figures['coat']} of {coating.coats}{named}: about {show_volume(coating.amount.coat_ml, unit)}"
        f"{'' if coating.role in ('base', 'colour') else f' of {coating.paint.name.lower()}'}"
    )


_COATS = {
    "base": "Base coat",
    "edge-seal": "Edge-sealing coat",
    "colour": "Coat",
    "over-colour": "Coat over it",
    "ground": "Ground, coat",
    "seal": "Seal, coat",
    "finish": "Finish, coat",
}


def _coat_detail(task: Task, _: str) -> str:
    coating: PlannedCoating = task.figures["coating"]
    tongues = task.figures["tongues"]
    from_root = f" {several(tongues, 'tongue')}: from root to tip, by the arrows, or straight down." if tongues else ""
    if coating.paint.is_sprayed:
        from_root = ""
    last = task.figures["coat"] == coating.coats
    wait = "" if last else f" Next coat after {show_time(coating.drying.next_coat)}."
    return _how(coating, task.figures["coat"], coarse=task.figures["coarse"]) + from_root + wait


def _how(coating: PlannedCoating, coat: int, *, coarse: bool) -> str:
    if coating.role == "edge-seal":
        return (
            "One thin coat over every edge of the mask, dabbed straight down; it closes what paint would creep under."
        )
    if coating.paint.technique == "spray":
        return (
            "Upright, aimed square, 150 to 300 mm away, moving past the edge of the mask. "
            "A light coat: you can add, never take away."
        )
    if coating.paint.technique == "airbrush":
        return "50 to 150 mm away, light even passes, aimed square."
    if coarse:
        return "Plenty on the brush, straight down, worked between the fibres; bare mat showing means too little."
    return "Little on the brush, straight down. " + ("A very thin coat that seals the edges." if coat == 1 else "Thin.")


def _base_detail(task: Task, _: str) -> str:
    coating: PlannedCoating = task.figures["coating"]
    where = "under the design and its margins" if coating.where == "under" else "everywhere"
    return (
        f"One even coat {where}, heavier under the design. It dries {show_time(coating.drying.use)} before a mask goes "
        "on: tape and film lift young paint. Keep some for touching up."
    )


def _finish_detail(task: Task, _: str) -> str:
    coating: PlannedCoating = task.figures["coating"]
    last = task.figures["coat"] == coating.coats
    wait = (
        f" In use after {show_time(coating.drying.use)}."
        if last
        else f" Next coat: {show_time(coating.drying.next_coat)}."
    )
    return f"A thin, even coat over the print.{wait}"


def _apart_detail(task: Task, _: str) -> str:
    how = "Before each colour cover what lies close by with paper, its edges taped. " if task.figures["covered"] else ""
    tool = "Dab with a foam dauber, which keeps closer to its place than a brush. " if task.figures["dauber"] else ""
    return f"{how}{tool}Start with the small or the light one."


# --- sheets and weeding -----------------------------------------------------------------------
def _cut_title(task: Task, _: str) -> str:
    figures = task.figures
    often = f", {figures['runs']} times" if figures["runs"] > 1 else ""
    patches = f": patch {', '.join(figures['patches'])}" if figures["patches"] else ""
    return f"Cut sheet {task.sheet} of {figures['sheets']}{often}{patches}"


def _cut_detail(task: Task, _: str) -> str:
    if task.figures["by_hand"]:
        return (
            "Smallest inside pieces first, begin on a straight run, turn the mat and not the hand, do not go back to "
            "mend a wobble; hold the part that stays, keepers go into the dish with their numbers."
        )
    why: str = task.figures["why"]
    return why


def _count_title(task: Task, _: str) -> str:
    windows = task.figures["windows"]
    keepers = task.figures["keepers"]
    out = f"{several(windows, 'window')} out" if windows else ""
    kept = f"{several(keepers, 'keeper')} {_KEPT[task.figures['where']]}" if keepers else ""
    return f"Count: {', '.join(part for part in (out, kept) if part) or 'one piece, nothing loose'}"


_KEPT = {
    "mat": "on the mat, in their places",
    "tape": "on the tape",
    "carrier": "on the carrier",
    "dish": "in the dish",
    "none": "bridged",
}


def _tape_over_detail(task: Task, unit: str) -> str:
    cut: CarrierCut = task.figures["carrier"]
    size = f"{show_length(cut.width, unit)} by {show_length(cut.length, unit)}"
    strips = f"{cut.strips} strips of {size}, lapped" if cut.strips > 1 else f"One piece of {size}"
    hinge = (
        f" Leave {show_length(cut.free, unit)} of the mask free along one long side: it becomes the hinge."
        if cut.free
        else ""
    )
    return (
        f"{strips}, a tab beyond the mask to lift it by.{hinge} "
        "Sheets side by side as they will lie, seams by their check distances; no folds."
    )


# --- laying -----------------------------------------------------------------------------------
def _lay_title(task: Task, _: str) -> str:
    return f"Lay {task.figures['mask']} {'edge on edge' if task.figures['aligned'] else 'by the tape measure'}"


_COUNTED = {1: "notch", 2: "two notches", 3: "three notches", 4: "four notches"}
_REGISTER_BY_EDGES = "Lay it where its edges are the blank's, as every mask of this design; let each colour dry before."


def _lay_detail(task: Task, unit: str) -> str:
    if task.figures["aligned"]:
        return "The mask is as large as the blank: bring their edges together all around, then tack."
    back = "Worked from the back: left and right as you stand there. " if task.figures["from_back"] else ""
    distances = f"{back}{_distances(task.figures['guides'], unit)}Middle down first, then outwards."
    register, notches = task.figures["register"], _COUNTED.get(task.figures["notches"])
    if register == 1:
        mark = f"Mark the blank or its board at the {notches}." if notches else _REGISTER_BY_EDGES
        return f"{distances} {mark}"
    if register > 1:
        onto = f"Bring the {notches} of its border onto the marks of the first mask; let the first colour dry before."
        return onto if notches else _REGISTER_BY_EDGES
    return distances


def _distances(guides: Guides, unit: str) -> str:
    return "".join(f"{distances_in_words(line, unit)} " for line in guides.lines if line.what == "artwork")


def _groups_detail(task: Task, unit: str) -> str:
    placing: tuple[int, ...] = task.figures["placing"]
    order = ", ".join(map(str, placing[:_MOST_NAMED])) + (" …" if len(placing) > _MOST_NAMED else "")
    return f"{_distances(task.figures['guides'], unit)}Group by group from the middle outwards; pieces {order}."


def _seam_detail(task: Task, unit: str) -> str:
    seams: tuple[Seam, ...] = task.figures["seams"]
    parts = []
    for seam in seams:
        marks = ", ".join(show_length(pair.distance, unit) for pair in seam.pairs)
        reads = f"the tape reads {marks}" if marks else "no firm mask beside it to measure on, so match the cut lines"
        parts.append(f"Seam {seam.name}, patches {seam.patches[0]} and {seam.patches[1]}: {reads}.")
    return f"Lay one, lay the next, read the check distances, then tape the seam. {' '.join(parts)}"


def _press_title(task: Task, unit: str) -> str:
    pressing = task.figures["pressing"]
    heat = show_temperature(pressing.celsius, unit)
    if task.figures.get("where_it_lifts"):
        return f"Press again where it lifts, {heat}, {pressing.seconds:g} s"
    again = "again " if task.code == "tack-press-again" else ""
    return (
        f"Press {again}{pressing.name}: {several(task.figures['placements'], 'placement')} at {heat}, "
        f"{pressing.seconds:g} s each"
    )


def _place_detail(task: Task, _: str) -> str:
    figures = task.figures
    placing: tuple[int, ...] = figures["placing"]
    order = ", ".join(map(str, placing[:_MOST_NAMED])) + (" …" if len(placing) > _MOST_NAMED else "")
    tweezers = (
        f" With tweezers and a dry dab: {', '.join(map(str, figures['tweezers']))}." if figures["tweezers"] else ""
    )
    if figures["reverse"]:
        return f"From the middle outwards: {order}. Measure to the blank's edges.{tweezers}"
    return f"By the numbered map, one by one.{tweezers}"


def _press_detail(task: Task, _: str) -> str:
    rims = [one for one in task.figures["pressing"].placements if one.under_rim]
    between = ""
    if rims:
        named = ", ".join(str(one.number) for one in rims[:_MOST_NAMED]) + (" …" if len(rims) > _MOST_NAMED else "")
        between = f" Paper between at {named}: a keeper lies under the rim there."
    return (
        "Without steam, by the numbers from the middle outwards; press and lift, never slide. "
        f"Then look for puffed places and mark where it lifts.{between}"
    )


def _pins_detail(task: Task, _: str) -> str:
    tweezers = task.figures["tweezers"]
    small = f" Too small for a pin, so a dry dab later: {', '.join(map(str, tweezers))}." if tweezers else ""
    return f"{task.figures['why']} Count those you set: as many must come back.{small}"


def _cover_detail(task: Task, unit: str) -> str:
    cover = task.figures["cover"]
    names = ("left", "top", "right", "bottom")
    sides = [f"{name} {show_length(side, unit)}" for name, side in zip(names, cover.sides, strict=True) if side]
    taped = [name for name, tape in zip(names, cover.taped, strict=True) if tape]
    edges = "edges pinned" if task.figures["pinned"] else "edges taped"
    parts = [f"Beyond the mask: {', '.join(sides)}."] if sides else []
    parts += [f"One width of tape at {', '.join(taped)}."] if taped else []
    if cover.everything:
        parts.insert(0, f"All the rest of the blank and the ground around it, {edges}.")
    if cover.everything:
        parts.append(f"Outdoors: weigh the paper down. Over {task.figures['wind']:g} m/s wind takes paper and mask.")
    strips: tuple[Strip, ...] = task.figures["strips"]
    if strips:
        sizes = Counter(" by ".join(show_length(side, unit) for side in strip.size) for strip in strips)
        cut = ", ".join(f"{count} of {size}" if count > 1 else size for size, count in sizes.items())
        parts.append(f"{task.figures['paper']}, cut to {cut}; laid by their numbers, each over the one before.")
    return " ".join(parts)


# --- peeling and curing -----------------------------------------------------------------------
def _window(task: Task) -> str:
    window: PeelWindow = task.figures["window"]
    first = f", at most {window.since_first:.0f} min after the first stroke" if window.since_first else ""
    return f"From {window.opens:.0f} to {window.closes:.0f} min after the last coat{first}. {window.why}"


def _touch_detail(task: Task, unit: str) -> str:
    gaps = task.figures["gaps"]
    bare = "bare spots, and bleeds in the colour of the ground."
    if not gaps:
        return bare.capitalize()
    return f"{several(gaps, 'bridge gap')}, {show_area(task.figures['area'], unit)} in all, {bare}"


def _heat_title(task: Task, unit: str) -> str:
    heat = task.figures["heat"]
    places = f" at each of {task.figures['rests']} places" if task.figures["rests"] > 1 else ""
    return f"Set it with heat: {show_temperature(heat.celsius, unit)}, {heat.minutes:g} min{places}"


def _print_detail(task: Task, _: str) -> str:
    if task.figures.get("takes_print", True):
        return (
            "Once on the dull side of the mask material, taped to a cutting mat, and once on plain paper as the map. "
            "Check first which side your printer prints."
        )
    side = " The sheets are mirrored, for this is cut from its back." if task.figures["mirrored"] else ""
    return (
        "On plain paper, for this material takes no print: once taped over it, to be cut through with it, and once as "
        f"the map.{side}"
    )


def _fit_title(task: Task, _: str) -> str:
    return f"Sew or screw on {', '.join(task.figures['names'])}"


def _fit_detail(task: Task, unit: str) -> str:
    places = [
        f"{name}: middle {show_length(x, unit)} from the left, {show_length(y, unit)} from the top"
        for name, (x, y) in zip(task.figures["names"], task.figures["places"], strict=True)
    ]
    parts = "; ".join(places)
    return f"{parts[0].upper()}{parts[1:]}."


def _hinge_detail(task: Task, unit: str) -> str:
    free, long = (show_length(task.figures[name], unit) for name in ("free", "long"))
    return (
        f"The strip that is free of tape, {free} by {long}; the corners too. It keeps the place while the rest is "
        "folded back and laid down again."
    )


_TITLES: dict[str, Words] = {
    "blank-prepared": _always("Prepare the blank"),
    "blank-fit": _fit_title,
    "blank-base-coat": _coat_title,
    "sheets-print": _always("Print it twice, at true size"),
    "sheets-test-cut": _always("Test cut"),
    "sheets-cut": _cut_title,
    "weed-windows": lambda task, _: f"Weed {several(task.figures['windows'], 'window')} of {task.figures['mask']}",
    "weed-guide": lambda task, _: f"Pull the painted part of {task.figures['mask']} out whole and keep it",
    "weed-field": lambda task, _: f"Weed the field away around {task.figures['mask']}",
    "weed-mat-off": _always("Turn it over and peel the mat off the mask"),
    "weed-backing-off": _always("Peel the backing off, flat"),
    "weed-tape-over": _always("Lay transfer tape over all of it"),
    "weed-burnish": _always("Burnish it, front and back"),
    "weed-weaken-tape": _always("Dab the tape on cloth to weaken it"),
    "weed-trim-tape": _always("Trim the tape flush on the side you align by"),
    "weed-tape-groups": lambda task, _: f"Take up {several(task.figures['groups'], 'group')} on weak tape",
    "weed-count": _count_title,
    "tack-barrier": _always("Put card inside or underneath"),
    "tack-board": _always("Fix the blank on a rigid board"),
    "tack-wipe": _always("Wipe the blank"),
    "tack-backing-off": _always("Pin it face down on a board and take the backing off"),
    "tack-lay": _lay_title,
    "tack-lay-groups": lambda task, _: f"Lay {several(task.figures['groups'], 'group')} by their distances",
    "tack-hinge": _always("Tape the free strip down as a hinge"),
    "tack-backing-off-hinged": _always("Fold it back on its hinge and take the backing off"),
    "tack-seam": lambda task, _: f"Measure and tape {several(len(task.figures['seams']), 'seam')}",
    "tack-press": _press_title,
    "tack-rub": _always("Rub it down while it is hot"),
    "tack-cool": _always("Let it cool to the touch"),
    "tack-test-peel": _always("Test-peel the carrier at an edge"),
    "tack-press-again": _press_title,
    "tack-carrier-off": _always("Take the carrier off, and keep it"),
    "tack-pin-corners": _always("Pin the four corners through the tape"),
    "tack-warm-air": _always("Warm it into the mat, corners first"),
    "tack-rub-down": _always("Rub it down from the middle outwards"),
    "tack-smooth": _always("Pull it straight and smooth it down"),
    "tack-roll": _always("Roll every edge down"),
    "tack-spray": _always("Spray tack on the back of the mask"),
    "tack-rest": _always("Let the spray tack rest"),
    "tack-press-down": _always("Press it down, every edge"),
    "tack-tape-off": _always("Peel the tape off, low and slow"),
    "tack-guide-in": _always("Lay the placing guide back in"),
    "tack-place": lambda task, _: f"Place {several(len(task.figures['placing']), 'keeper')}",
    "tack-guide-out": _always("Take the placing guide out"),
    "tack-tape-edges": _always("Tape what did not bond"),
    "tack-pins": lambda task, _: f"Set {several(task.figures['count'], 'pin')}",
    "tack-cover": _always("Cover around the mask"),
    "paint-colours-apart": lambda task, _: f"Keep {several(task.figures['colours'], 'colour')} apart",
    "paint-coat": _coat_title,
    "paint-look-over": _always("Look over everything once more"),
    "paint-trial": lambda task, _: f"Try {' and '.join(task.figures['paints']).lower()} on scrap first",
    "paint-again": _always("Go over what you marked once more"),
    "paint-clean": _always("Clean the back with alcohol or a blade"),
    "peel-pins": lambda task, _: f"Count {several(task.figures['count'], 'pin')} back in",
    "peel-count": lambda task, _: f"Lift {several(task.figures['keepers'], 'keeper')}, and count them",
    "peel-rewarm": lambda task, _: f"Warm it through its carrier, {several(task.figures['placements'], 'section')}",
    "peel-sheet": lambda task, _: f"Peel {task.figures['mask']}",
    "peel-lint": _always("Go over it with a lint roller"),
    "peel-touched-up": _always("Touch up with a fine brush"),
    "mask-wash": lambda task, _: f"Wash {task.figures['mask']} after {several(task.figures['prints'], 'print')}",
    "cure-dry": _always("Leave it to dry"),
    "cure-heat-set": _heat_title,
    "cure-finish": _coat_title,
    "cure-fit": _fit_title,
    "cure-use": _always("Ready to use"),
    "cure-wash": _always("First wash"),
    "record-written": _always("Record how it went"),
}
_DETAILS: dict[str, Words] = {
    "blank-prepared": lambda task, _: task.figures["how"],
    "blank-fit": _fit_detail,
    "blank-base-coat": _base_detail,
    "sheets-print": _print_detail,
    "sheets-test-cut": lambda task, _: (
        f"At {task.figures['settings']}. {task.figures['why']} Not through: more force. Into the backing: less. "
        "Tears: half the speed and a fresh blade."
    ),
    "sheets-cut": _cut_detail,
    "weed-windows": _always("The parts to be painted go; everything else stays. Hold down the part that stays."),
    "weed-guide": _always(
        "In one piece where you can: laid back in, it shows where each keeper goes. Keepers stay on the mat."
    ),
    "weed-field": _always("Everything around the shapes goes; the shapes stay on their backing."),
    "weed-mat-off": _always("The mat comes off the mask, not the mask off the mat, so that it does not curl."),
    "weed-backing-off": _always("Low and flat, away from you; push back down what lifts with it."),
    "weed-tape-over": _tape_over_detail,
    "weed-burnish": _always("Front, turn it over, then the back, until every piece holds to the tape."),
    "weed-weaken-tape": _always("A few dabs on a shirt, until it just holds: it must let go of the mask later."),
    "weed-trim-tape": _always("Leave a tab on the other side to lift it by."),
    "weed-tape-groups": _always("Word by word, so that each keeps its spacing."),
    "weed-count": _always("Every window out, every piece where it belongs. Count, and write the number down."),
    "tack-barrier": _always("Paint goes through this cloth."),
    "tack-board": _always("Once the mask is on, the blank must not bend."),
    "tack-wipe": _always("With alcohol where it is smooth; let it dry off."),
    "tack-backing-off": _always(
        "Push-pins hold the vinyl while its backing comes off. Count them: all come out again."
    ),
    "tack-lay": _lay_detail,
    "tack-lay-groups": _groups_detail,
    "tack-hinge": _hinge_detail,
    "tack-seam": _seam_detail,
    "tack-press": _press_detail,
    "tack-rub": _always("With a cloth, from the middle outwards."),
    "tack-test-peel": _always("Where the film lifts with it, press again and let it cool again."),
    "tack-press-again": _always("Press and lift, paper between, so that no piece sticks to the plate."),
    "tack-carrier-off": _always("It is wanted again when the film comes off."),
    "tack-pin-corners": _always("Short all-metal pins, at an angle."),
    "tack-warm-air": _always("Press while you warm; hold small pieces down, in a heat-proof glove."),
    "tack-tape-off": _always("Flat over itself, one direction, pushing down every piece that lifts."),
    "tack-guide-in": _always("It shows the place of every keeper."),
    "tack-place": _place_detail,
    "tack-tape-edges": _always("Seams and edges that came up again; paint creeps in nowhere else so easily."),
    "tack-pins": _pins_detail,
    "tack-cover": _cover_detail,
    "paint-colours-apart": _apart_detail,
    "paint-coat": _coat_detail,
    "paint-look-over": _always(
        "Window by window: push lifted centres back, mark what is bare, thin or missed. What is missed now is only "
        "touched up later."
    ),
    "paint-trial": lambda task, _: (
        f"New on {task.figures['surface'].lower()}: one window on a scrap, as many coats as planned, dried. "
        "Keep it as a swatch with a note; then it is not asked again."
    ),
    "paint-again": _always("Only where you marked it: straight down, thin. Then peel as planned."),
    "peel-count": lambda task, _: f"{_window(task)} With tweezers; tick each number, so that none stays in the print.",
    "peel-rewarm": lambda task, _: f"{_window(task)} Section by section, 20 s each, then peel it warm.",
    "peel-sheet": lambda task, _: f"{_window(task)} A corner first, low and slow, one direction.",
    "peel-pins": lambda task, _: (
        "They go with the sheet: count them at the bin. None missing."
        if task.figures["with_sheet"]
        else "All out before the film comes off. None missing."
    ),
    "peel-touched-up": _touch_detail,
    "mask-wash": _always("Paint builds up and the tack goes. Blot it with paper: cloth snags in it."),
    "cure-dry": lambda task, _: f"May be handled {show_time(task.figures['minutes'])} after the last coat.",
    "cure-heat-set": lambda task, _: task.figures["heat"].how,
    "cure-finish": _finish_detail,
    "cure-fit": _fit_detail,
    "cure-use": lambda task, _: f"{show_time(task.figures['minutes'])} after the last coat of all.",
    "cure-wash": lambda task, _: f"Not before {show_time(task.figures['minutes'])} after the last coat.",
    "record-written": _always("A grade, a note, how long it took: what you will want to know next time."),
}
