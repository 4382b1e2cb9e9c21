"""Tacking: methods, the plate, pins, the tape."""

import pytest
import shapely

from dunestead.core.figures import Catalogue, PressPass
from dunestead.core.mask.bridge_rules import BridgeRules
from dunestead.core.mask.tying import tie_mask
from dunestead.core.mask.weak import WeakPlace
from dunestead.core.tacking.centring import tape_check
from dunestead.core.tacking.methods import MethodWork, rank_methods
from dunestead.core.tacking.pins import PinRules, pin_mask
from dunestead.core.tacking.placements import press_mask
from tests.shapes import WORD, frame, masked, rect

RULES = PinRules(circle=5.0, two_above=40.0, slender=3.0, tongue=15.0, spacing=150.0)
ONCE = (PressPass("bare", 160, 20),)


def pressing(catalogue: Catalogue, area, press="iron", surface="coir", material="paper-coated-down", beyond=0.0):
    row, stuff = catalogue.surface(surface), catalogue.material(material)
    found = press_mask(shapely.box(*area), beyond, catalogue.press(press), row, stuff, ONCE)
    return found[0] if found else None


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
def test_as_few_placements_as_a_grid_can_do_with(catalogue, area, press, count) -> None:
    assert len(pressing(catalogue, area, press).placements) == count


@pytest.mark.parametrize("area", [(0, 0, 50, 60), (-20, 30, 560, 330), (0, 0, 1200, 800)])
@pytest.mark.parametrize("beyond", [0.0, 20.0])
def test_the_plate_covers_all_that_is_pressed_and_around_it(catalogue, area, beyond) -> None:
    covered = shapely.union_all([shapely.box(*p.box) for p in pressing(catalogue, area, beyond=beyond).placements])
    wanted = shapely.box(*area).buffer(beyond, join_style="mitre")

    assert shapely.difference(wanted, covered).area < 1e-6


def test_the_plate_does_not_rest_where_nothing_is_to_be_held(catalogue) -> None:
    """Two windows far apart: nothing in between is pressed."""
    apart = shapely.union_all([shapely.box(0, 0, 50, 50), shapely.box(900, 0, 950, 50)])
    row, stuff = catalogue.surface("coir"), catalogue.material("paper-coated-down")

    (found,) = press_mask(apart, 20.0, catalogue.press("iron"), row, stuff, ONCE)

    assert all(shapely.box(*p.box).buffer(20).intersects(apart) for p in found.placements)
    assert len(found.placements) < 8


def test_the_first_placement_is_nearest_the_middle(catalogue) -> None:
    placements = pressing(catalogue, (0, 0, 600, 500)).placements
    away = [abs((p.box[0] + p.box[2]) / 2 - 300) + abs((p.box[1] + p.box[3]) / 2 - 250) for p in placements]

    assert [p.number for p in placements] == list(range(1, len(placements) + 1))
    assert away[0] == min(away)


def test_no_plate_is_hotter_than_the_blank_stands_and_none_where_it_stands_no_heat(catalogue) -> None:
    assert pressing(catalogue, (0, 0, 200, 200)).celsius == 160
    assert pressing(catalogue, (0, 0, 200, 200), surface="leather", material="stencil-film") is None
    assert pressing(catalogue, (0, 0, 200, 200), surface="synthetic-mat") is None


def pinned(catalogue: Catalogue, body: str, width: float, surface="coir", policy="all", tongues=()):
    plan = tie_mask(masked(body, width), (), BridgeRules(5.0))
    return plan, pin_mask(plan.frame, plan.windows, plan.keepers, tongues, catalogue.surface(surface), policy, RULES)


def test_corners_edges_and_every_large_enough_piece_are_pinned(catalogue) -> None:
    """WORD at 50 mm has centres of 10, 5 and 5 mm: in all three a circle of 5 mm fits; at 40 mm in the first only."""
    _, large = pinned(catalogue, WORD, 200.0)
    held = [pin.holds for pin in large.pins]
    assert held.count("corner") == 4
    # 240 mm across: one pin between the corners above and below; 120 mm down: none.
    assert held.count("edge") == 2
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
        return WeakPlace("tongue", (5.0, 5.0), 3.0, length, 4.0, "warn", (1.0, 0.0), tip=(10.0, 10.0))

    _, pinning = pinned(catalogue, WORD, 200.0, tongues=(tongue(16.0), tongue(14.0)))

    assert [pin.at for pin in pinning.pins if pin.holds == "tongue"] == [(10.0, 10.0)]


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
    tape = tape_check((600, 400), (50, 20, 500, 410))
    back = tape_check((600, 400), (50, 20, 500, 410), from_back=True)

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
