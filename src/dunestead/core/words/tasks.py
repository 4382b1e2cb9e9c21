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
    from_root = (
        f" Dab the {several(tongues, 'tongue')} straight down, or along the arrows from root to tip." if tongues else ""
    )
    if coating.paint.is_sprayed:
        from_root = ""
    last = task.figures["coat"] == coating.coats
    wait = "" if last else f" Wait {show_time(coating.drying.next_coat)} before the next coat."
    return _how(coating, task.figures["coat"], coarse=task.figures["coarse"]) + from_root + wait


def _how(coating: PlannedCoating, coat: int, *, coarse: bool) -> str:
    if coating.role == "edge-seal":
        return (
            "Dab one thin coat straight down over every edge of the mask. It closes the gaps that paint would creep "
            "under."
        )
    if coating.paint.technique == "spray":
        return (
            "Hold the can upright, aim straight at the surface from 150 to 300 mm away, and keep moving past the edge "
            "of the mask. Keep the coat light: you can add more, but you cannot take any away."
        )
    if coating.paint.technique == "airbrush":
        return "Aim straight at the surface from 50 to 150 mm away, in light, even passes."
    if coarse:
        return (
            "Load the brush well, dab straight down and work the paint between the fibres. If bare mat shows, add more."
        )
    return "Take little paint on the brush and dab straight down. " + (
        "This first coat is very thin: it seals the edges." if coat == 1 else "Keep the coat thin."
    )


def _base_detail(task: Task, _: str) -> str:
    coating: PlannedCoating = task.figures["coating"]
    where = "under the design and its margins" if coating.where == "under" else "everywhere"
    return (
        f"Give one even coat {where}, a little heavier under the design. Let it dry {show_time(coating.drying.use)} "
        "before a mask goes on, because tape and film lift fresh paint. Keep some paint for touching up."
    )


def _finish_detail(task: Task, _: str) -> str:
    coating: PlannedCoating = task.figures["coating"]
    last = task.figures["coat"] == coating.coats
    wait = (
        f" It can be used after {show_time(coating.drying.use)}."
        if last
        else f" Wait {show_time(coating.drying.next_coat)} before the next coat."
    )
    return f"Give the print a thin, even coat.{wait}"


def _apart_detail(task: Task, _: str) -> str:
    how = (
        "Before each colour, cover what lies close by with paper and tape its edges. "
        if task.figures["covered"]
        else ""
    )
    tool = "Dab with a foam dauber: it keeps closer to its place than a brush. " if task.figures["dauber"] else ""
    return f"{how}{tool}Start with the smaller or the lighter one."


# --- sheets and weeding -----------------------------------------------------------------------
def _cut_title(task: Task, _: str) -> str:
    figures = task.figures
    often = f", {figures['runs']} times" if figures["runs"] > 1 else ""
    patches = f": patch {', '.join(figures['patches'])}" if figures["patches"] else ""
    return f"Cut sheet {task.sheet} of {figures['sheets']}{often}{patches}"


def _cut_detail(task: Task, _: str) -> str:
    if task.figures["by_hand"]:
        return (
            "Cut the smallest inside pieces first and begin each on a straight run. Turn the mat, not your hand, and "
            "do not go back to mend a wobble. Hold down the part that stays; keepers go into a dish with their numbers."
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
    strips = f"Use {cut.strips} strips of {size}, overlapping" if cut.strips > 1 else f"Use one piece of {size}"
    hinge = (
        f" Leave {show_length(cut.free, unit)} of the mask bare along one long side: it becomes the hinge."
        if cut.free
        else ""
    )
    return (
        f"{strips}, with a tab beyond the mask to lift it by.{hinge} Put sheets side by side as they will lie, set "
        "their seams by the check distances, and smooth the tape down without folds."
    )


# --- laying -----------------------------------------------------------------------------------
def _lay_title(task: Task, _: str) -> str:
    return f"Lay {task.figures['mask']} {'edge on edge' if task.figures['aligned'] else 'by the tape measure'}"


_COUNTED = {1: "notch", 2: "two notches", 3: "three notches", 4: "four notches"}
_REGISTER_BY_EDGES = (
    "Lay every mask of this design so that its edges meet the blank's. Let each colour dry before the next mask."
)


def _lay_detail(task: Task, unit: str) -> str:
    if task.figures["aligned"]:
        return "The mask is as large as the blank: bring their edges together all around, then tack it down."
    back = "You work from the back: left and right are as you stand there. " if task.figures["from_back"] else ""
    distances = f"{back}{_distances(task.figures['guides'], unit)}Press the middle down first, then work outwards."
    register, notches = task.figures["register"], _COUNTED.get(task.figures["notches"])
    if register == 1:
        mark = f"Mark the blank or its board at the {notches}." if notches else _REGISTER_BY_EDGES
        return f"{distances} {mark}"
    if register > 1:
        onto = (
            f"Bring the {notches} in its border onto the marks of the first mask. Let the first colour dry before that."
        )
        return onto if notches else _REGISTER_BY_EDGES
    return distances


def _distances(guides: Guides, unit: str) -> str:
    return "".join(f"{distances_in_words(line, unit)} " for line in guides.lines if line.what == "artwork")


def _groups_detail(task: Task, unit: str) -> str:
    placing: tuple[int, ...] = task.figures["placing"]
    order = ", ".join(map(str, placing[:_MOST_NAMED])) + (" …" if len(placing) > _MOST_NAMED else "")
    distances = _distances(task.figures["guides"], unit)
    return f"{distances}Lay group by group from the middle outwards; the pieces in this order: {order}."


def _seam_detail(task: Task, unit: str) -> str:
    seams: tuple[Seam, ...] = task.figures["seams"]
    parts = []
    for seam in seams:
        marks = ", ".join(show_length(pair.distance, unit) for pair in seam.pairs)
        reads = (
            f"the tape reads {marks}"
            if marks
            else "there is no firm mask beside it to measure on, so match the cut lines"
        )
        parts.append(f"Seam {seam.name}, patches {seam.patches[0]} and {seam.patches[1]}: {reads}.")
    return f"Lay one patch, lay the next, check the distances across the seam, then tape it. {' '.join(parts)}"


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
        f" Use tweezers and a dry dab for {', '.join(map(str, figures['tweezers']))}." if figures["tweezers"] else ""
    )
    if figures["reverse"]:
        return f"Work from the middle outwards: {order}. Measure to the blank's edges.{tweezers}"
    return f"Place them one by one by the numbered map.{tweezers}"


def _press_detail(task: Task, _: str) -> str:
    rims = [one for one in task.figures["pressing"].placements if one.under_rim]
    between = ""
    if rims:
        named = ", ".join(str(one.number) for one in rims[:_MOST_NAMED]) + (" …" if len(rims) > _MOST_NAMED else "")
        between = f" Put paper between at {named}: a keeper lies under the plate's rim there."
    return (
        "Work without steam, by the numbers, from the middle outwards. Press and lift; never slide. Then look for "
        f"places that have puffed up, and mark where it lifts.{between}"
    )


def _pins_detail(task: Task, _: str) -> str:
    tweezers = task.figures["tweezers"]
    small = (
        f" These are too small for a pin and get a dry dab later: {', '.join(map(str, tweezers))}." if tweezers else ""
    )
    return f"{task.figures['why']} Count the pins you set: the same number must come back.{small}"


def _cover_detail(task: Task, unit: str) -> str:
    cover = task.figures["cover"]
    names = ("left", "top", "right", "bottom")
    sides = [f"{name} {show_length(side, unit)}" for name, side in zip(names, cover.sides, strict=True) if side]
    taped = [name for name, tape in zip(names, cover.taped, strict=True) if tape]
    edges = "with its edges pinned" if task.figures["pinned"] else "with its edges taped"
    parts = [f"Cover this far beyond the mask: {', '.join(sides)}."] if sides else []
    parts += [f"One width of tape is enough at the {', '.join(taped)}."] if taped else []
    if cover.everything:
        parts.insert(0, f"Cover the rest of the blank and the ground around it with paper, {edges}.")
    if cover.everything:
        parts.append(f"Outdoors, weigh the paper down: wind over {task.figures['wind']:g} m/s lifts paper and mask.")
    strips: tuple[Strip, ...] = task.figures["strips"]
    if strips:
        sizes = Counter(" by ".join(show_length(side, unit) for side in strip.size) for strip in strips)
        cut = ", ".join(f"{count} of {size}" if count > 1 else size for size, count in sizes.items())
        parts.append(
            f"{task.figures['paper']}, cut to {cut}: lay the strips by their numbers, each over the one before."
        )
    return " ".join(parts)


# --- peeling and curing -----------------------------------------------------------------------
def _window(task: Task) -> str:
    window: PeelWindow = task.figures["window"]
    first = f", at most {window.since_first:.0f} min after the first stroke" if window.since_first else ""
    return f"Peel from {window.opens:.0f} to {window.closes:.0f} min after the last coat{first}. {window.why}"


def _touch_detail(task: Task, unit: str) -> str:
    gaps = task.figures["gaps"]
    bleeds = "Paint over bleeds in the colour of the ground."
    if not gaps:
        return f"Fill bare spots. {bleeds}"
    area = show_area(task.figures["area"], unit)
    return f"Fill {several(gaps, 'bridge gap')}, {area} in all, and bare spots. {bleeds}"


def _heat_title(task: Task, unit: str) -> str:
    heat = task.figures["heat"]
    places = f" at each of {task.figures['rests']} places" if task.figures["rests"] > 1 else ""
    return f"Set it with heat: {show_temperature(heat.celsius, unit)}, {heat.minutes:g} min{places}"


def _print_detail(task: Task, _: str) -> str:
    if task.figures.get("takes_print", True):
        return (
            "Print it once on the dull side of the mask material, taped to a cutting mat, and once on plain paper as "
            "your map. Check first which side your printer prints on."
        )
    side = " The sheets are mirrored because this material is cut from its back." if task.figures["mirrored"] else ""
    return (
        "This material cannot be printed on, so print on plain paper: one print is taped over the material and cut "
        f"through with it, the other is your map.{side}"
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
        f"Tape down the bare strip, {free} by {long}, and its corners. It keeps the mask in place while the rest is "
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
    "tack-tape-edges": _always("Tape down what did not bond"),
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
        f"Cut at {task.figures['settings']}. {task.figures['why']} If it does not cut through, use more force; if it "
        "cuts into the backing, less. If it tears, halve the speed and take a fresh blade."
    ),
    "sheets-cut": _cut_detail,
    "weed-windows": _always(
        "Take out the parts that will be painted; everything else stays. Hold down the part that stays."
    ),
    "weed-guide": _always(
        "Keep it in one piece if you can: laid back in later, it shows where each keeper goes. Keepers stay on the mat."
    ),
    "weed-field": _always("Take away everything around the shapes; the shapes stay on their backing."),
    "weed-mat-off": _always(
        "Bend the mat away from the mask, not the mask from the mat: that way the mask does not curl."
    ),
    "weed-backing-off": _always("Pull it low and flat, away from you. Push back down whatever lifts with it."),
    "weed-tape-over": _tape_over_detail,
    "weed-burnish": _always("Rub the front, turn it over, rub the back, until every piece holds to the tape."),
    "weed-weaken-tape": _always(
        "Dab it a few times on a shirt until it only just holds: it has to let go of the mask later."
    ),
    "weed-trim-tape": _always("Leave a tab on the other side to lift it by."),
    "weed-tape-groups": _always("Take it up word by word, so that the letters keep their spacing."),
    "weed-count": _always(
        "Every window should be out and every piece in its place. Count them and write the number down."
    ),
    "tack-barrier": _always("Paint goes through this cloth, and the card keeps it off what lies below."),
    "tack-board": _always("Once the mask is on, the blank must not bend."),
    "tack-wipe": _always("Use alcohol where the blank is smooth, and let it dry off."),
    "tack-backing-off": _always(
        "Push-pins hold the vinyl while its backing comes off. Count them: all of them must come out again."
    ),
    "tack-lay": _lay_detail,
    "tack-lay-groups": _groups_detail,
    "tack-hinge": _hinge_detail,
    "tack-seam": _seam_detail,
    "tack-press": _press_detail,
    "tack-rub": _always("Rub with a cloth, from the middle outwards."),
    "tack-test-peel": _always("Where the film lifts with the carrier, press again and let it cool again."),
    "tack-press-again": _always("Press and lift with paper between, so that no piece sticks to the plate."),
    "tack-carrier-off": _always("You need it again to warm the film when you peel."),
    "tack-pin-corners": _always("Use short all-metal pins, set at an angle."),
    "tack-warm-air": _always("Press while you warm it, and hold small pieces down. Wear a heat-proof glove."),
    "tack-tape-off": _always(
        "Fold it flat over itself and pull in one direction, pushing down every piece that lifts."
    ),
    "tack-guide-in": _always("It shows you where every keeper goes."),
    "tack-place": _place_detail,
    "tack-tape-edges": _always("Tape seams and edges that came up again: nowhere else does paint creep in so easily."),
    "tack-pins": _pins_detail,
    "tack-cover": _cover_detail,
    "paint-colours-apart": _apart_detail,
    "paint-coat": _coat_detail,
    "paint-look-over": _always(
        "Go window by window: push back centres that have lifted, and mark what is bare, thin or missed. What you miss "
        "now can only be touched up later."
    ),
    "paint-trial": lambda task, _: (
        f"You have not used it on {task.figures['surface'].lower()} yet. Paint one window on a scrap with as many "
        "coats as planned and let it dry. Keep it as a swatch with a note, and this step will not be asked again."
    ),
    "paint-again": _always("Paint only where you marked it, thinly and straight down. Then peel as planned."),
    "peel-count": lambda task, _: (
        f"{_window(task)} Use tweezers, and tick off each number so that none stays in the print."
    ),
    "peel-rewarm": lambda task, _: (
        f"{_window(task)} Warm it section by section, 20 s each, and peel it while it is warm."
    ),
    "peel-sheet": lambda task, _: f"{_window(task)} Start at a corner and pull low and slow in one direction.",
    "peel-pins": lambda task, _: (
        "They come off with the sheet: count them at the bin. None may be missing."
        if task.figures["with_sheet"]
        else "Take them all out before the film comes off. None may be missing."
    ),
    "peel-touched-up": _touch_detail,
    "mask-wash": _always(
        "Paint builds up on the mask and it stops sticking. Blot it dry with paper, because cloth snags in it."
    ),
    "cure-dry": lambda task, _: f"You may handle it {show_time(task.figures['minutes'])} after the last coat.",
    "cure-heat-set": lambda task, _: task.figures["heat"].how,
    "cure-finish": _finish_detail,
    "cure-fit": _fit_detail,
    "cure-use": lambda task, _: f"It may be used {show_time(task.figures['minutes'])} after the very last coat.",
    "cure-wash": lambda task, _: f"Do not wash it for {show_time(task.figures['minutes'])} after the last coat.",
    "record-written": _always("Write down a grade, a note and how long it took: what you will want to know next time."),
}
