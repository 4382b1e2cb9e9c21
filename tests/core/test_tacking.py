"""Tacking: methods, the plate, pins, the tape."""

import itertools
import math
from dataclasses import replace

import numpy as np
import pytest
import shapely
import shapely.affinity
from scipy.optimize import Bounds, LinearConstraint, milp

from dunestead.core.blanks.blank import Blank
from dunestead.core.blanks.clear import ClearArea, region_of
from dunestead.core.figures import Catalogue
from dunestead.core.looking.ties import tie
from dunestead.core.looking.weakness import weak_of
from dunestead.core.mask.bridge_rules import BridgeRules
from dunestead.core.mask.tying import tie_mask
from dunestead.core.mask.weak import WeakPlace
from dunestead.core.method import PressPass
from dunestead.core.tacking.centring import as_it_lies, from_edges
from dunestead.core.tacking.covering import cover_cells, fewest_at_least
from dunestead.core.tacking.edges import edge_spots
from dunestead.core.tacking.methods import MethodWork, rank_methods
from dunestead.core.tacking.pins import PinRules, pin_mask
from dunestead.core.tacking.placements import PressGround, press_mask
from tests.making import CATALOGUE, job_of, look, words
from tests.shapes import WORD, Files, frame, masked, rect

RULES = PinRules(circle=5.0, two_above=40.0, slender=3.0, tongue=15.0, spacing=150.0)
ONCE = (PressPass("bare", 160, 20),)


def pressed(catalogue: Catalogue, ground: PressGround, press="iron", surface="coir", material="paper-coated-down"):
    row, stuff = catalogue.surface(surface), catalogue.material(material)
    found = press_mask(ground, catalogue.press(press), row, stuff, ONCE)
    return found[0] if found else None


def pressing(catalogue: Catalogue, area, press="iron", **where):
    """Press an area that is to be covered: windows 20 mm inside it."""
    x0, y0, x1, y1 = area
    return pressed(catalogue, PressGround(shapely.box(x0 + 20, y0 + 20, x1 - 20, y1 - 20), beyond=20), press, **where)


@pytest.mark.parametrize(
    ("area", "press", "count"),
    [
        # The iron presses 100 x 180 and overlaps by 15, so a step is 85 or 165.
        ((0, 0, 100, 180), "iron", 1),
        ((0, 0, 180, 100), "iron", 1),
        ((0, 0, 101, 180), "iron", 2),
        ((0, 0, 265, 180), "iron", 3),
        ((0, 0, 345, 185), "iron", 4),
        # The hand press presses 225 square: two steps of 210 reach 435.
        ((10, 20, 445, 455), "hand-press", 4),
        ((10, 20, 446, 455), "hand-press", 6),
    ],
)
def test_a_rectangle_takes_as_few_placements_as_it_can(catalogue, area, press, count) -> None:
    assert len(pressing(catalogue, area, press).placements) == count


@pytest.mark.parametrize("area", [(0, 0, 50, 60), (-20, 30, 560, 330), (0, 0, 1200, 800)])
def test_the_plate_covers_all_that_is_pressed_and_around_it(catalogue, area) -> None:
    covered = shapely.union_all([shapely.box(*p.box) for p in pressing(catalogue, area).placements])

    x0, y0, x1, y1 = area
    windows = shapely.box(x0 + 20, y0 + 20, x1 - 20, y1 - 20)
    assert shapely.difference(windows.buffer(20), covered).area < 1e-6


def scattered(chance: np.random.Generator, width: float, height: float, most: int) -> shapely.MultiPolygon:
    """Windows of all kinds: bars, discs, rings, slanting strips."""
    parts = []
    for _ in range(int(chance.integers(1, most + 1))):
        x, y, size = chance.uniform(30, width - 30), chance.uniform(30, height - 30), chance.uniform(4, 60)
        disc = shapely.Point(x, y).buffer(size)
        bar = shapely.affinity.rotate(shapely.box(x - size, y - 4, x + size, y + 4), chance.uniform(0, 180))
        parts.append((disc, disc.difference(shapely.Point(x, y).buffer(size * 0.6)), bar)[int(chance.integers(3))])
    return shapely.union_all(parts).intersection(shapely.box(25, 25, width - 25, height - 25))


@pytest.mark.parametrize("seed", range(40))
def test_every_window_with_20_mm_around_is_pressed_on_the_blank_and_only_there(catalogue, seed) -> None:
    """Held against a bitmap of points 2 mm apart, on rectangles and ovals."""
    chance = np.random.default_rng(seed)
    width, height = chance.uniform(150, 900), chance.uniform(150, 600)
    blank = shapely.box(0, 0, width, height)
    if seed % 2:
        blank = shapely.affinity.scale(shapely.Point(width / 2, height / 2).buffer(1, 64), width / 2, height / 2)
    windows = scattered(chance, width, height, 12).intersection(blank.buffer(-5))
    press = ("iron", "hand-press")[seed % 3 % 2]

    found = pressed(catalogue, PressGround(windows, within=blank, beyond=20), press).placements

    x, y = (one.ravel() for one in np.meshgrid(np.arange(1, width, 2), np.arange(1, height, 2)))
    near = shapely.distance(windows, shapely.points(x, y)) < 19.9
    wanted = near & shapely.contains_xy(blank, x, y)
    boxes = np.array([one.box for one in found])
    assert not (wanted & ~under(boxes, x, y).any(axis=0)).any()
    # No rest for nothing: each presses something that no other presses evenly, half an overlap and more inside.
    evenly = under(boxes + np.array([1, 1, -1, -1]) * (7.5 + 8), x, y)
    for k in range(len(boxes)):
        assert (wanted & under(boxes, x, y)[k] & ~np.delete(evenly, k, axis=0).any(axis=0)).any()


def under(boxes: np.ndarray, x: np.ndarray, y: np.ndarray) -> np.ndarray:
    """Tell by box and point which lie under which."""
    return (x >= boxes[:, :1]) & (x <= boxes[:, 2:3]) & (y >= boxes[:, 1:2]) & (y <= boxes[:, 3:])


def fewest(wanted: np.ndarray, sizes: tuple[tuple[int, int], ...]) -> int:
    """Find the fewest rests by integer programming, of those whose first row and column hold cells."""
    rows, columns = wanted.shape
    cover = []
    for (tall, wide), top, start in (
        (size, top, start) for size in sizes for top in range(rows) for start in range(columns)
    ):
        part = wanted[top : top + tall, start : start + wide]
        if part[0].any() and part[:, 0].any():
            cells = np.zeros_like(wanted)
            cells[top : top + tall, start : start + wide] = part
            cover.append(cells[wanted])
    matrix = np.array(cover, float).T
    count = matrix.shape[1]
    found = milp(
        np.ones(count), constraints=LinearConstraint(matrix, 1), integrality=np.ones(count), bounds=Bounds(0, 1)
    )
    return round(found.fun)


@pytest.mark.parametrize("seed", range(60))
def test_never_more_than_one_rest_above_an_exact_cover(seed) -> None:
    chance = np.random.default_rng(seed)
    wanted = np.zeros(chance.integers(6, 16, 2), bool)
    for _ in range(int(chance.integers(1, 7))):
        (top, start), (tall, wide) = chance.integers(0, np.array(wanted.shape)), chance.integers(1, 7, 2)
        wanted[top : top + tall, start : start + wide] = True
    sizes = (((4, 7), (7, 4)), ((5, 5),))[seed % 2]

    found = cover_cells(wanted, sizes)

    left = wanted.copy()
    for rest in found:
        left[rest.within] = False
    assert not left.any()
    assert fewest_at_least(wanted, sizes) <= fewest(wanted, sizes) <= len(found) <= fewest(wanted, sizes) + 1


def test_no_plate_rests_on_what_is_kept_clear_where_it_can_lie_beside_it(catalogue) -> None:
    """A window above and one below a strap across the middle: a plate over both would be one rest."""
    windows = shapely.MultiPolygon([shapely.box(25, 25, 55, 55), shapely.box(25, 105, 55, 135)])
    strap = shapely.box(0, 76, 200, 84)

    over = pressed(catalogue, PressGround(windows, beyond=20)).placements
    beside = pressed(catalogue, PressGround(windows, barred=strap, beyond=20)).placements

    assert (len(over), len(beside)) == (1, 2)
    assert not any(shapely.box(*one.box).intersection(strap).area > 1 for one in beside)


def test_a_keeper_under_the_rim_of_a_plate_is_told_and_one_wholly_under_it_is_not(catalogue) -> None:
    """One rest over a window of 60 x 140: a piece in its middle, and one that reaches out under the plate's rim."""
    inside, across = shapely.box(30, 30, 40, 40), shapely.box(20, 100, 200, 110)
    ground = PressGround(shapely.box(20, 20, 80, 160), {4: inside, 7: across}, beyond=20)

    placements = pressed(catalogue, ground).placements

    assert {number for one in placements for number in one.under_rim} == {7}


def test_pressed_from_the_middle_each_rest_beside_one_that_is_done(catalogue) -> None:
    placements = pressing(catalogue, (0, 0, 900, 700)).placements

    for k in range(1, len(placements)):
        before = shapely.union_all([shapely.box(*one.box) for one in placements[:k]])
        assert shapely.box(*placements[k].box).intersects(before)
        # Nothing still to be pressed is shut in by what is.
        holes = [shapely.Polygon(ring) for part in shapely.get_parts(before) for ring in part.interiors]
        assert not holes or all(
            not shapely.union_all(holes).union(before).covers(shapely.box(*later.box)) for later in placements[k:]
        )


def test_the_second_pass_over_placed_pieces_rests_on_them_only(catalogue) -> None:
    """A row of windows of 600 mm, with one piece in it: one rest there."""
    ground = PressGround(shapely.box(20, 20, 600, 80), {1: shapely.box(500, 40, 520, 60)}, beyond=20)
    passes = (PressPass("bare", 160, 20), PressPass("again", 160, 20, "pieces"))

    first, second = press_mask(
        ground, catalogue.press("iron"), catalogue.surface("coir"), catalogue.material("paper-coated-down"), passes
    )

    assert len(first.placements) == 4
    (rest,) = second.placements
    assert rest.box[0] < 500
    assert rest.box[2] > 520


def test_the_first_placement_is_nearest_the_middle(catalogue) -> None:
    placements = pressing(catalogue, (0, 0, 600, 500)).placements
    away = [abs((p.box[0] + p.box[2]) / 2 - 300) + abs((p.box[1] + p.box[3]) / 2 - 250) for p in placements]

    assert [p.number for p in placements] == list(range(1, len(placements) + 1))
    assert away[0] == min(away)


def test_no_plate_is_hotter_than_it_can_be_set(catalogue) -> None:
    cool = replace(catalogue.press("iron"), heat=150.0)
    ground = PressGround(shapely.box(0, 0, 100, 100), beyond=20)
    row, stuff = catalogue.surface("coir"), catalogue.material("paper-coated-down")

    (found,) = press_mask(ground, cool, row, stuff, ONCE)

    assert found.celsius == 150
    assert "150 °C" in found.why


def test_no_plate_is_hotter_than_the_blank_stands_and_none_where_it_stands_no_heat(catalogue) -> None:
    assert pressing(catalogue, (0, 0, 200, 200)).celsius == 160
    assert pressing(catalogue, (0, 0, 200, 200), surface="leather", material="stencil-film") is None
    assert pressing(catalogue, (0, 0, 200, 200), surface="synthetic-mat") is None


def pinned(catalogue: Catalogue, body: str, width: float, surface="coir", policy="all", tongues=()):
    plan = tie_mask(masked(body, width), (), BridgeRules(5.0))
    return plan, pin_mask(plan.frame, plan.keepers, tongues, catalogue.surface(surface), policy, RULES)


@pytest.mark.parametrize(
    ("side", "over_edge", "hangs"),
    [(100, 0.2, 65.0), (100, 0.0, 65.0), (180, 0.2, 0.0), (180, 0.0, 25.0), (240, 0.0, 0.0)],
)
def test_a_plate_that_hangs_over_an_edge_by_more_than_a_fifth_is_told(catalogue, side, over_edge, hangs) -> None:
    """A plate of 230 by 230 mm over the middle of a square blank; on a rim it hangs over not at all."""
    plate = replace(catalogue.press("hand-press"), plate_width=230.0, plate_length=230.0, overlap=0.0)
    blank = shapely.box(0, 0, side, side)
    window = shapely.box(side / 2 - 10, side / 2 - 10, side / 2 + 10, side / 2 + 10)
    ground = PressGround(window, within=blank, beyond=20, over_edge=over_edge)

    found = press_mask(ground, plate, catalogue.surface("coir"), catalogue.material("paper-coated-down"), ONCE)

    assert found[0].hangs_over == pytest.approx(hangs, abs=5.0)


def test_corners_edges_and_every_large_enough_piece_are_pinned(catalogue) -> None:
    """WORD at 50 mm has centres of 10, 5 and 5 mm: in all three a circle of 5 mm fits; at 40 mm in the first only."""
    _, large = pinned(catalogue, WORD, 200.0)
    held = [pin.holds for pin in large.pins]
    assert held.count("corner") == 4
    # 240 mm across: one pin between the corners above and below; 120 mm down: none. No edge inside is far from these.
    assert held.count("edge") == 2
    assert [pin.number for pin in large.pins] == list(range(1, len(large.pins) + 1))
    assert [pin.piece for pin in large.pins if pin.holds == "piece"] == [1, 2, 3]

    _, small = pinned(catalogue, WORD, 40.0)
    assert small.by_tweezers == (2, 3)


def test_a_long_piece_takes_two_pins_inside_it_and_so_does_a_slender_one(catalogue) -> None:
    """A centre of 70 mm; one of 38 by 12, more than 3 to 1; one of 35, which takes one."""
    slender = rect(0, 0, 60, 30).replace("/>", ' fill="none"/>') + (
        '<path fill-rule="evenodd" d="M0 0h60v30h-60zM11 9h38v12h-38z"/>'
    )
    for body, width, count in ((frame(0, 0, 100, 70), 100.0, 2), (slender, 60.0, 2), (frame(0, 0, 50, 35), 50.0, 1)):
        plan, pinning = pinned(catalogue, body, width)
        pins = [pin for pin in pinning.pins if pin.holds == "piece"]
        assert len(pins) == count
        assert all(shapely.contains_xy(plan.keepers[0].shape, *pin.at) for pin in pins)


def test_the_tip_of_a_long_tongue_is_pinned_and_of_a_short_one_not(catalogue) -> None:
    def tongue(length: float) -> WeakPlace:
        axis = np.array([[30.0, 10.0], [12.0, 10.0]])
        return WeakPlace("tongue", (5.0, 5.0), 3.0, length, 4.0, "warn", (-1.0, 0.0), axis, (10.0, 10.0))

    _, pinning = pinned(catalogue, WORD, 200.0, tongues=(tongue(16.0), tongue(14.0)))

    (pin,) = [pin for pin in pinning.pins if pin.holds == "tongue"]
    # In the mask at the end of its axis, head back over the tongue.
    assert pin.at == (12.0, 10.0)
    assert pin.lean == (1.0, 0.0)


def test_a_round_mask_is_pinned_around_its_outline_and_a_notch_makes_no_corner(catalogue) -> None:
    """A disc of 400 mm with a window in it: 1,225 mm around at 5 mm inside, so nine pins, none in a corner of air."""
    disc = shapely.Point(0, 0).buffer(200, 64).difference(shapely.box(-60, -20, 60, 20))
    notched = disc.difference(shapely.Polygon([(-6, -201), (6, -201), (0, -189)]))

    for mask in (disc, notched):
        spots = edge_spots(mask, 150.0, 5.0, shapely.Polygon())
        around = [math.hypot(*at) for at, *_ in spots if math.hypot(*at) > 180]
        assert {kind for _, _, kind, _ in spots} == {"edge"}
        assert len(around) == 9
        assert max(around) < 197.6
        assert min(around) > 188


def test_a_pin_leans_away_from_the_paint(catalogue) -> None:
    """A window to the right of the mask's left border: the heads of the pins there lean left."""
    mask = shapely.box(0, 0, 300, 60).difference(shapely.box(40, 10, 290, 50))

    spots = [(at, lean) for at, lean, _, _ in edge_spots(mask, 150.0, 5.0, shapely.Polygon()) if at[0] < 10]

    assert spots
    assert all(lean[0] < -0.5 for _, lean in spots)


def test_pins_keep_off_what_is_kept_clear_and_move_along_the_border(catalogue) -> None:
    mask = shapely.box(0, 0, 300, 200).difference(shapely.box(60, 60, 240, 140))
    strap = shapely.box(140, -10, 160, 30)

    spots = [at for at, *_ in edge_spots(mask, 150.0, 5.0, strap)]

    assert all(strap.distance(shapely.Point(at)) > 2.5 for at in spots)
    # The one in the middle of the upper border has moved beside it.
    assert any(abs(at[0] - 150) < 20 and at[1] < 10 for at in spots)


_TEXTS = ("LOW TIDE", "BOAT SHED", "ROPE", "Marram Row", "8", "O B D", "GULLS & KELP", "dune", "QUAY 4", "Paddle")


@pytest.mark.parametrize("seed", range(100))
def test_every_tip_and_every_piece_that_takes_a_pin_has_one_and_no_window_has(seed) -> None:
    """A hundred masks of words, mats and towels, each rule looked at by eroding what should hold a pin."""
    chance = np.random.default_rng(seed)
    face = str(chance.choice(["archivo-black", "alfa-slab-one", "pacifico", "lobster", "courier-prime"]))
    size = float(chance.uniform(60, 260))
    area = ClearArea(float(chance.uniform(50, 550)), float(chance.uniform(50, 350)), 60, 30, why="strap")
    made = job_of(words(_TEXTS[seed % len(_TEXTS)], size, face=face), blank=Blank(600, 400, clear=(area,)))
    found = look(made, Files())
    laid = found.masks[0]
    cut = tie(found, laid, CATALOGUE)
    weak = weak_of(found, laid, cut, CATALOGUE)
    ox, oy = found.composition.origin
    clear = shapely.affinity.translate(region_of([area])[0], -ox, -oy)
    tongues = [one for one in weak if one.kind == "tongue"]

    pinning = pin_mask(cut.frame, cut.keepers, tongues, found.choices.surface, "all", RULES, [clear])

    places = np.array([pin.at for pin in pinning.pins])
    assert shapely.contains_xy(cut.material.buffer(1e-6), *places.T).all()
    assert (shapely.distance(clear, shapely.points(places)) > 2.5).all()
    assert np.allclose([math.hypot(*pin.lean) for pin in pinning.pins], 1)
    for keeper in cut.keepers:
        held = [pin.at for pin in pinning.pins if pin.piece == keeper.number]
        # Within a hundredth of the circle's width either way is fair.
        if not keeper.shape.buffer(-2.53, quad_segs=32).is_empty and keeper.shape.distance(clear) > 20:
            assert held
        if keeper.shape.buffer(-2.47, quad_segs=32).is_empty:
            assert not held
            assert keeper.number in pinning.by_tweezers
        assert len(held) <= 2
        assert all(shapely.contains_xy(keeper.shape.buffer(-2.4), *at) for at in held)
    tips = [one for one in tongues if one.length > 15 and clear.distance(shapely.Point(one.tip)) > 10]
    at_tips = [pin.at for pin in pinning.pins if pin.holds == "tongue"]
    for tongue in tips:
        assert min(math.dist(tongue.tip, at) for at in at_tips) <= tongue.width * 2 + 4
    assert len(at_tips) <= sum(one.length > 15 for one in tongues)


def test_removable_vinyl_is_pinned_at_pieces_and_tips_only_and_others_not_at_all(catalogue) -> None:
    _, pieces = pinned(catalogue, WORD, 200.0, policy="pieces")
    _, none = pinned(catalogue, WORD, 200.0, policy="none")

    assert {pin.holds for pin in pieces.pins} == {"piece"}
    assert none.pins == ()


@pytest.mark.parametrize("surface", ["jersey", "leather", "glass", "wood-sealed", "canvas"])
def test_nothing_is_pinned_that_keeps_the_holes(catalogue, surface) -> None:
    _, pinning = pinned(catalogue, WORD, 200.0, surface=surface)

    assert pinning.pins == ()


def test_the_tape_reads_the_distance_from_each_edge_and_from_the_back_the_other_way_round() -> None:
    box = (50, 20, 500, 410)
    tape = from_edges((600, 400), box)
    back = from_edges((600, 400), as_it_lies(box, 600, from_back=True))

    assert (tape.left, tape.right, tape.top, tape.bottom) == (50, 100, 20, -10)
    assert (back.left, back.right, back.top, back.bottom) == (100, 50, 20, -10)


# --- methods ----------------------------------------------------------------------------------
def ranked(catalogue: Catalogue, surface: str, material: str, **entries):
    more = {"kept": 3, "windows": 6, "size": (400.0, 200.0), "is_reverse": False, "by_hand": False} | entries
    work = MethodWork(catalogue.surface(surface), catalogue.material(material), **more)
    return rank_methods(work, catalogue)


@pytest.mark.parametrize(
    ("surface", "material", "entries", "method"),
    [
        ("coir", "paper-coated-down", {}, "paper-tape"),
        ("coir", "paper-coated-up", {}, "paper-tape"),
        ("jersey", "paper-coated-down", {}, "paper-cloth"),
        ("coir", "iron-on", {}, "iron-on"),
        ("coir", "vinyl-permanent", {}, "weak-tape"),
        ("cotton-rug", "vinyl-removable", {"size": (600.0, 280.0)}, "untaped"),
        ("cotton-rug", "vinyl-removable", {"size": (900.0, 280.0)}, "weak-tape"),
        ("cotton-rug", "vinyl-removable", {"windows": 11}, "weak-tape"),
        ("leather", "stencil-film", {}, "smooth-film"),
        ("wood-sealed", "plastic", {"kept": 0}, "spray-tack"),
        ("coir", "card", {}, "card-pins"),
        ("coir", "vinyl-permanent", {"is_reverse": True}, "reverse-groups"),
        ("jersey", "paper-coated-down", {"by_hand": True}, "by-hand"),
    ],
)
def test_the_usual_method_is_the_most_fitting(catalogue, surface, material, entries, method) -> None:
    fits = ranked(catalogue, surface, material, **entries)

    assert (fits[0].key, fits[0].allowed) == (method, True)
    assert len(fits) == len(catalogue.methods)


@pytest.mark.parametrize(
    ("surface", "material", "entries", "method", "said"),
    [
        ("synthetic-mat", "paper-coated-down", {}, "paper-tape", "does not hold below 145 °C"),
        ("coir", "vinyl-removable", {"size": (700.0, 200.0)}, "untaped", "folds on itself"),
        ("coir", "vinyl-removable", {"windows": 12}, "untaped", "12 windows"),
        ("wood-sealed", "plastic", {}, "spray-tack", "3 pieces would be loose"),
        ("coir", "vinyl-permanent", {}, "untaped", "not for permanent vinyl"),
        ("jersey", "card", {}, "card-pins", "does not hold on cotton jersey"),
        ("coir", "card", {"is_reverse": True}, "card-pins", "no sheet left to lay"),
        ("coir", "vinyl-permanent", {}, "reverse-groups", "shapes that are the mask"),
    ],
)
def test_what_rules_a_method_out_is_said(catalogue, surface, material, entries, method, said) -> None:
    fit = next(fit for fit in ranked(catalogue, surface, material, **entries) if fit.key == method)

    assert not fit.allowed
    assert said in " ".join(fit.why)


# --- what counts, what is lacking, what would change ------------------------------------------
def test_a_score_is_what_its_parts_make_of_a_hundred(catalogue) -> None:
    fits = [fit for fit in ranked(catalogue, "coir", "paper-coated-down") if fit.allowed]

    assert fits
    assert all(fit.score == 100 + sum(part.points for part in fit.parts) for fit in fits)
    assert all(part.why for fit in fits for part in fit.parts)


def test_what_the_workshop_lacks_rules_a_method_out_and_says_what(catalogue) -> None:
    poor = replace(catalogue, owned=frozenset({"pins", "tape"}))
    fits = {fit.key: fit for fit in ranked(poor, "coir", "paper-coated-down")}

    assert "an iron or a press" in " ".join(fits["paper-tape"].against)
    assert fits["paper-tape"].score == 0
    # Nobody has said what there is: everything may be.
    assert {fit.key: fit for fit in ranked(catalogue, "coir", "paper-coated-down")}["paper-tape"].allowed


def test_a_plate_that_cannot_get_hot_enough_rules_paper_out(catalogue) -> None:
    cool = replace(catalogue.press("iron"), heat=120.0)
    fits = {fit.key: fit for fit in ranked(catalogue, "coir", "paper-coated-down", plate=cool)}

    assert "does not hold below 145 °C; the household iron reaches 120 °C" in fits["paper-tape"].why[0]


def test_pieces_placed_one_by_one_weigh_more_on_every_copy(catalogue) -> None:
    one, twelve = (
        {fit.key: fit.score for fit in ranked(catalogue, "coir", "paper-coated-down", copies=copies)}
        for copies in (1, 12)
    )

    assert twelve["paper-bare"] < one["paper-bare"]
    assert twelve["paper-tape"] == one["paper-tape"]


@pytest.mark.parametrize(
    ("kind", "surface", "material", "entries", "method"),
    [
        ("J01 two-tone mat", "coir", "vinyl-permanent", {"is_reverse": True}, "reverse-groups"),
        ("J03 leather panel", "leather", "stencil-film", {}, "smooth-film"),
        ("J04 shirt", "jersey", "paper-coated-down", {"kept": 30}, "paper-cloth"),
        ("J05 mat on tape", "coir", "paper-coated-down", {}, "paper-tape"),
        ("J06 card in halves", "coir", "card", {}, "card-pins"),
        ("J07 script mat", "coir", "paper-coated-up", {}, "paper-bare"),
        ("J08 jacket", "denim", "paper-coated-down", {"kept": 0, "sprayed": True}, "paper-cloth"),
        ("J09 rug", "cotton-rug", "vinyl-removable", {}, "weak-tape"),
        ("J10 mat, hottest", "coir", "paper-coated-down", {"sprayed": True}, "paper-tape"),
        ("J11 mat, warm air", "coir", "vinyl-permanent", {}, "warm-air"),
        ("J12 mat, iron-on", "coir", "iron-on", {}, "iron-on"),
        ("J13 tray", "concrete", "vinyl-removable", {}, "smooth-film"),
        ("J15 small board", "wood-sealed", "vinyl-removable", {}, "smooth-film"),
        ("J16 mat, no heat", "coir", "vinyl-permanent", {}, "weak-tape"),
        ("J18 shirt by hand", "jersey", "paper-coated-down", {"by_hand": True}, "by-hand"),
        ("J19 plates", "glass", "vinyl-removable", {"copies": 4}, "smooth-film"),
        ("J20 rug, no tape", "cotton-rug", "vinyl-removable", {"size": (600.0, 280.0), "windows": 8}, "untaped"),
        ("J21 batch", "wood-sealed", "plastic", {"kept": 0, "copies": 12}, "spray-tack"),
    ],
)
def test_what_each_kind_of_job_is_made_by_is_allowed_and_among_the_first_two(
    catalogue, kind, surface, material, entries, method
) -> None:
    fits = ranked(catalogue, surface, material, **entries)

    assert next(fit for fit in fits if fit.key == method).allowed, kind
    assert method in [fit.key for fit in fits[:2]], kind


@pytest.mark.parametrize(("press", "overlap"), [("iron", 15.0), ("hand-press", 15.0)])
@pytest.mark.parametrize("width", [190.0, 300.0, 480.0, 700.0, 910.0])
def test_plates_side_by_side_lap_by_as_much_as_their_rims_are_cooler(catalogue, press, overlap, width) -> None:
    """Windows in one row: each plate reaches over the one before by the whole lap of the table."""
    boxes = sorted(one.box for one in pressing(catalogue, (0, 0, width, 90), press).placements)

    laps = [before[2] - after[0] for before, after in itertools.pairwise(boxes)]
    assert laps == [] or min(laps) >= overlap - 1e-6
    assert len(boxes) >= width // 225
