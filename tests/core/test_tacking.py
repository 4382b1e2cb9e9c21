"""Tacking: the plate covers the mask, pins hold what they should, the tape reads true."""

import pytest
import shapely

from dunestead.core.figures import Catalogue
from dunestead.core.mask.bridge_rules import BridgeRules
from dunestead.core.mask.tying import tie_mask
from dunestead.core.tacking.centring import tape_check
from dunestead.core.tacking.pins import PinRules, pin_mask
from dunestead.core.tacking.placements import press_mask
from tests.shapes import WORD, frame, masked

RULES = PinRules(least_part=8.0, two_above=60.0, spacing=150.0)


def pressing(catalogue: Catalogue, area, press="iron", surface="coir", material="paper-coated-down"):
    return press_mask(area, catalogue.press(press), catalogue.surface(surface), catalogue.material(material))


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
def test_the_plate_covers_all_of_the_mask(catalogue, area) -> None:
    covered = shapely.union_all([shapely.box(*p.box) for p in pressing(catalogue, area).placements])

    assert shapely.difference(shapely.box(*area), covered).area < 1e-6


def test_the_first_placement_is_nearest_the_middle(catalogue) -> None:
    placements = pressing(catalogue, (0, 0, 600, 500)).placements
    away = [abs((p.box[0] + p.box[2]) / 2 - 300) + abs((p.box[1] + p.box[3]) / 2 - 250) for p in placements]

    assert [p.number for p in placements] == list(range(1, len(placements) + 1))
    assert away[0] == min(away)


@pytest.mark.parametrize(
    ("surface", "material", "temperature"),
    [
        ("coir", "paper-coated-down", 160),
        ("jersey", "iron-on", 150),
        ("leather", "stencil-film", None),
        ("synthetic-mat", "paper-coated-down", None),
    ],
)
def test_no_plate_is_hotter_than_surface_and_material_stand(catalogue, surface, material, temperature) -> None:
    found = pressing(catalogue, (0, 0, 200, 200), surface=surface, material=material)

    assert found.temperature == temperature
    assert bool(found.placements) is (temperature is not None)


def test_corners_edges_and_every_large_enough_piece_are_pinned(catalogue) -> None:
    plan = tie_mask(masked(WORD, 200.0), (), BridgeRules(5.0))

    pinning = pin_mask(plan.frame, plan.keepers, [40.0, 20.0, 7.9], catalogue.surface("coir"), RULES)

    held = [pin.holds for pin in pinning.pins]
    assert held.count("corner") == 4
    # 240 mm across: one pin between the corners above and below; 120 mm down: none.
    assert held.count("edge") == 2
    assert [pin.piece for pin in pinning.pins if pin.holds == "piece"] == [1, 2]
    assert pinning.by_tweezers == (3,)


def test_a_long_piece_takes_two_pins_inside_it(catalogue) -> None:
    plan = tie_mask(masked(frame(0, 0, 100, 70), 100.0), (), BridgeRules(5.0))

    pinning = pin_mask(plan.frame, plan.keepers, [70.0], catalogue.surface("coir"), RULES)

    pins = [pin for pin in pinning.pins if pin.holds == "piece"]
    assert len(pins) == 2
    assert all(shapely.contains_xy(plan.keepers[0].shape, *pin.at) for pin in pins)


@pytest.mark.parametrize("surface", ["jersey", "leather", "glass", "wood-sealed", "canvas"])
def test_nothing_is_pinned_that_keeps_the_holes(catalogue, surface) -> None:
    plan = tie_mask(masked(WORD, 200.0), (), BridgeRules(5.0))

    pinning = pin_mask(plan.frame, plan.keepers, [40.0, 20.0, 20.0], catalogue.surface(surface), RULES)

    assert pinning.pins == ()
    assert pinning.by_tweezers == (1, 2, 3)


def test_the_tape_reads_the_distance_from_each_edge() -> None:
    tape = tape_check((600, 400), (50, 20, 500, 410))

    assert (tape.left, tape.right, tape.top, tape.bottom) == (50, 100, 20, -10)
