"""What each method has the maker do, in which order: written down from the trade, not from the table."""

import pytest

from dunestead.core.blanks.blank import Blank, Garment
from dunestead.core.plan.laid import guides_of
from dunestead.core.plan.plan import make_plan
from dunestead.core.stations.graph import task_graph
from dunestead.core.words.laying import distances_in_words, marks_in_words
from dunestead.core.work.saying import detail_of
from dunestead.formats.verified import check_cut
from tests.making import CATALOGUE, job_of, words
from tests.shapes import Files

# method: surface, material, cutter; weeding; laying up to the first coat; what comes off besides sheet and keepers
STEPS = {
    "paper-tape": (
        ("coir", "paper-coated-down", "wide-roll"),
        "windows tape-over burnish mat-off count",
        "lay press cool pin-corners tape-off pins press-again",
        "sheet pins",
    ),
    "paper-bare": (
        ("coir", "paper-coated-down", "wide-roll"),
        "guide mat-off count",
        "lay press guide-in place guide-out press-again pins",
        "sheet pins",
    ),
    "paper-cloth": (
        ("canvas", "paper-coated-down", "wide-roll"),
        "guide mat-off count",
        "barrier lay press guide-in place guide-out press-again tape-edges",
        "sheet",
    ),
    "iron-on": (
        ("coir", "iron-on", "wide-roll"),
        "windows count",
        "lay press rub cool test-peel press-again carrier-off",
        "rewarm sheet lint",
    ),
    "weak-tape": (
        ("coir", "vinyl-removable", "wide-roll"),
        "windows weaken-tape tape-over burnish backing-off count trim-tape",
        "board lay rub-down tape-off pins",
        "pins sheet",
    ),
    "untaped": (
        ("coir", "vinyl-removable", "wide-roll"),
        "windows count",
        "backing-off lay smooth place pins",
        "pins sheet",
    ),
    "warm-air": (
        ("coir", "vinyl-permanent", "wide-roll"),
        "windows tape-over burnish count",
        "lay hinge backing-off-hinged warm-air tape-off",
        "sheet",
    ),
    "smooth-film": (
        ("wood-sealed", "stencil-film", "wide-roll"),
        "windows tape-over burnish backing-off count",
        "wipe lay roll tape-off",
        "sheet",
    ),
    "spray-tack": (
        ("flat-towel", "plastic", "wide-roll"),
        "windows count",
        "barrier spray rest lay press-down",
        "sheet",
    ),
    "card-pins": (
        ("coir", "card", "wide-roll"),
        "windows mat-off count",
        "lay place pins",
        "sheet pins",
    ),
    "by-hand": (
        ("coir", "paper-coated-down", "hand"),
        "count",
        "lay press place press-again pins",
        "sheet pins",
    ),
}
# The roll-call of the peel and the cover depend on keepers and on the way of painting, which other tests hold.
LEFT_OUT = ("peel-count", "peel-touched-up", "tack-cover", "tack-seam")


def plan_of(*elements, **entries):
    return make_plan(job_of(*elements, **entries), Files(), CATALOGUE, check_cut)


def steps(plan, station: str) -> str:
    tasks = [t for t in task_graph(plan, CATALOGUE).of(station) if t.copy in (None, 1) and t.code not in LEFT_OUT]
    return " ".join(task.code.removeprefix(f"{station}-") for task in tasks)


@pytest.mark.parametrize("method", STEPS)
def test_every_method_has_its_own_steps_in_the_order_of_the_trade(method: str) -> None:
    (surface, material, cutter), weed, tack, peel = STEPS[method]
    fates = dict.fromkeys((1, 2, 3), "bridge" if material == "plastic" else "keep")

    plan = plan_of(words("ROOT", 300.0), surface=surface, material=material, cutter=cutter, method=method, fates=fates)

    assert (steps(plan, "weed"), steps(plan, "tack"), steps(plan, "peel")) == (weed, tack, peel)


def test_shapes_of_a_reverse_mask_are_carried_group_by_group() -> None:
    plan = plan_of(
        words("LOW TIDE", 300.0), material="vinyl-permanent", cutter="wide-roll", reverse=True, method="reverse-groups"
    )

    assert steps(plan, "weed") == "field weaken-tape tape-groups burnish count"
    assert steps(plan, "tack") == "lay-groups rub-down tape-off"


# --- where it is measured from ----------------------------------------------------------------
def told(plan) -> list[str]:
    return [distances_in_words(line, "mm") for line in guides_of(plan, plan.masks[0]).lines]


def test_a_mat_is_measured_from_its_edges() -> None:
    plan = plan_of(words("HI", 300.0), cutter="wide-roll")
    x0, y0, x1, y1 = plan.masks[0].painted_box

    line = guides_of(plan, plan.masks[0]).lines[0]

    assert (line.tape.left, line.tape.right) == pytest.approx((x0, 600 - x1))
    assert (line.tape.top, line.tape.bottom) == pytest.approx((y0, 400 - y1))
    assert told(plan)[0].startswith("From the blank's edge to the artwork: left 150 mm, right 150 mm")


def test_a_round_is_measured_from_its_middle_and_its_middle_is_marked() -> None:
    plan = plan_of(words("HI", 200.0), blank=Blank(500, 500, "oval"), cutter="wide-roll")

    assert told(plan)[0].startswith("From the middle of the blank to the edges of the artwork: left 100 mm, right 100")
    assert "250 mm and 250 mm from the edge" in marks_in_words(guides_of(plan, plan.masks[0]), "mm")[0]


def test_a_tray_is_measured_from_within_its_rim() -> None:
    plan = plan_of(words("HI", 100.0), blank=Blank(300, 200, rim=12), surface="concrete", material="stencil-film")

    # 276 by 176 mm inside: half of what 100 mm leave.
    assert told(plan)[0].startswith("From the inside of the rim to the artwork: left 88 mm, right 88 mm")


def test_a_shirt_is_measured_from_collar_centre_line_and_seams() -> None:
    shirt = Blank(510, 720, "garment", garment=Garment("m", "full-front"))
    plan = plan_of(words("HI", 200.0), blank=shirt, surface="jersey", cutter="wide-roll")
    x0, y0, x1, _ = plan.masks[0].painted_box

    collar, seams = guides_of(plan, plan.masks[0]).lines[:2]

    # The collar seam's middle lies 11 % of the height down the neck, on the centre line.
    assert collar.tape.top == pytest.approx(y0 - 0.11 * 720)
    assert (collar.tape.left, collar.tape.right) == pytest.approx((255 - x0, x1 - 255))
    assert (seams.tape.left, seams.tape.right) == pytest.approx((x0, 510 - x1))
    assert "From the collar seam down to the artwork" in told(plan)[0]


def test_from_the_back_left_and_right_change_places() -> None:
    plan = plan_of(
        words("HI", 100.0, x=-30.0), blank=Blank(300, 200), surface="glass", material="stencil-film", seen_through=True
    )
    x0, _, x1, _ = plan.masks[0].painted_box

    tape = guides_of(plan, plan.masks[0]).lines[0].tape

    assert (tape.left, tape.right) == pytest.approx((300 - x1, x0))
    assert any("back" in mark for mark in marks_in_words(guides_of(plan, plan.masks[0]), "mm"))


def test_every_patch_has_its_own_distances_and_all_lie_in_the_mask() -> None:
    plan = plan_of(words("DUNES", 520.0), border=40.0)
    mask = plan.masks[0]

    lines = [line for line in guides_of(plan, mask).lines if line.what == "patch"]

    assert [line.number for line in lines] == [patch.number for patch in plan.layout.patches]
    assert len(lines) > 1
    assert min(line.tape.left for line in lines) == pytest.approx(mask.box[0], abs=0.01)
    assert min(line.tape.right for line in lines) == pytest.approx(600 - mask.box[2], abs=0.01)


def test_the_hinge_is_a_strip_without_tape() -> None:
    plan = plan_of(words("ROOT", 300.0), material="vinyl-permanent", cutter="wide-roll", method="warm-air")
    graph = task_graph(plan, CATALOGUE)
    tasks = {task.code: task for task in graph.tasks}
    x0, y0, x1, y1 = plan.masks[0].box
    carrier = tasks["weed-tape-over"].values.carrier

    assert carrier.free == 40
    lapped = (carrier.strips - 1) * CATALOGUE.workshop["carrier_lap"]
    assert carrier.strips * carrier.width - lapped == pytest.approx(min(x1 - x0, y1 - y0) - 40)
    assert f"40 mm by {max(x1 - x0, y1 - y0):.0f} mm" in detail_of(tasks["tack-hinge"], graph, "mm")
