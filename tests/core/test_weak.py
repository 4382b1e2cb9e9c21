"""Necks and tongues: found where they are with the width they have, and nowhere else."""

import math

import pytest

from dunestead.core.figures import Figure
from dunestead.core.mask.axis import measure_widths
from dunestead.core.mask.bridge_rules import BridgeRules, Footing
from dunestead.core.mask.loose import cut_mask
from dunestead.core.mask.tying import tie_mask
from dunestead.core.mask.weak import WeakPlace, weak_limit, weak_places
from tests.shapes import noisy_disc, painted, polygon, rect, ring

LIMIT = Figure(4.0, 3.0, 6.0, "mm", "")
WIDTHS = [0.2, 0.5, 1.0, 1.7, 2.5, 3.3, 4.0, 5.0, 6.0]


def weak(body: str, width: float, limit: Figure = LIMIT, bridges=()) -> list[WeakPlace]:
    found = painted(body, width)
    mask = cut_mask(found, 20.0)
    return list(weak_places(measure_widths(found, mask.loose).spits, limit, tuple(bridges)))


def between_bars(width: float) -> str:
    return rect(0, 0, 50, 60) + rect(50 + width, 0, 50, 60)


def channel(width: float) -> str:
    """Draw two rooms of mask, 20 mm apart, with a channel between."""
    low, high = 30 - width / 2, 30 + width / 2
    return f'<path fill-rule="evenodd" d="M0 0H100V60H0z M10 10H40V{low}H60V10H90V50H60V{high}H40V50H10z"/>'


def slot(width: float, depth: float = 40.0) -> str:
    return f'<path d="M0 0H40V{depth}H{40 + width}V0H{80 + width}V80H0z"/>'


def notch(degrees: float, depth: float = 40.0) -> str:
    half = depth * math.tan(math.radians(degrees / 2))
    return f'<path d="M0 0H{40 - half}L40 {depth}L{40 + half} 0H80V80H0z"/>'


@pytest.mark.parametrize("width", WIDTHS)
def test_the_mask_between_two_bars_is_a_neck(width: float) -> None:
    (neck,) = weak(between_bars(width), 100 + width)

    assert neck.kind == "neck"
    assert neck.width == pytest.approx(width, abs=0.05)
    assert neck.at == pytest.approx((50 + width / 2, 30), abs=1.5)
    assert neck.length == pytest.approx(60, abs=2)
    assert neck.toward is None


@pytest.mark.parametrize("width", WIDTHS)
def test_a_channel_between_two_rooms_is_a_neck_as_long_as_the_wall_is_thick(width: float) -> None:
    (neck,) = weak(channel(width), 100.0)

    assert (neck.kind, neck.width) == ("neck", pytest.approx(width, abs=0.05))
    assert neck.at == pytest.approx((50, 30), abs=1.5)
    assert neck.length == pytest.approx(20, abs=2)


@pytest.mark.parametrize("width", WIDTHS)
def test_a_slot_with_a_blunt_end_is_a_tongue_pointing_inwards(width: float) -> None:
    (tongue,) = weak(slot(width), 80 + width)

    assert (tongue.kind, tongue.width) == ("tongue", pytest.approx(width, abs=0.05))
    assert tongue.toward == pytest.approx((0, 1), abs=0.02)
    assert tongue.tip == pytest.approx((40 + width / 2, 40), abs=0.5)
    assert tongue.length == pytest.approx(40, abs=2.5)


def test_the_way_to_dab_turns_with_the_tongue() -> None:
    turned = '<g transform="rotate(-30 40 40)">' + slot(3.0) + "</g>"

    (tongue,) = [place for place in weak(turned, 100.0) if place.kind == "tongue"]

    # Root to tip pointed down; turned by 30 degrees against the clock, as seen with y down, it points right too.
    assert tongue.toward == pytest.approx((0.5, math.sqrt(3) / 2), abs=0.02)


def test_a_slim_taper_is_a_tongue_half_as_wide_as_its_mouth() -> None:
    """Ten degrees over 40 mm: 7 mm at the mouth, of which up to 6.1 mm count."""
    (tongue,) = weak(notch(10), 80.0)

    assert tongue.kind == "tongue"
    assert tongue.width == pytest.approx(3.3, abs=0.3)


def test_a_tongue_with_a_head_is_as_weak_as_its_stem() -> None:
    head = '<path d="M0 0H40V20H38V32H44V20H42V0H80V60H0z"/>'

    (tongue,) = weak(head, 80.0)

    assert (tongue.kind, tongue.width) == ("tongue", pytest.approx(2, abs=0.1))


def knob(stem: float, run: float, across: float) -> str:
    """Draw a spit of mask: a stem down into the paint, and a disc on its end."""
    half, radius = stem / 2, across / 2
    return f'<path d="M0 0H{40 - half}V{run}A{radius} {radius} 0 1 0 {40 + half} {run}V0H80V80H0z"/>'


@pytest.mark.parametrize(("stem", "run", "across"), [(2, 15, 8), (2, 15, 12), (1.5, 6, 8), (3, 10, 10)])
def test_a_knob_on_a_thin_stem_is_a_tongue_up_to_its_far_side(stem: float, run: float, across: float) -> None:
    (tongue,) = weak(knob(stem, run, across), 80.0)

    # The disc's middle lies beyond the stem's end by what the chord cuts off.
    far = run + math.sqrt((across / 2) ** 2 - (stem / 2) ** 2) + across / 2
    assert (tongue.kind, tongue.width) == ("tongue", pytest.approx(stem, abs=0.05))
    assert tongue.tip == pytest.approx((40, far), abs=0.3)
    assert tongue.toward == pytest.approx((0, 1), abs=0.02)


@pytest.mark.parametrize(
    ("body", "width"),
    [
        (knob(2, 3, 10), 80.0),
        (knob(2, 15, 20), 80.0),
        ('<path fill-rule="evenodd" d="M0 0H100V60H0z M40 29H60A8 8 0 1 1 60 31H40A8 8 0 1 1 40 29z"/>', 100.0),
    ],
    ids=["a short stem", "a room", "a loose dumbbell"],
)
def test_what_is_no_knob_is_held_by_a_neck(body: str, width: float) -> None:
    (neck,) = weak(body, width)

    assert (neck.kind, neck.width) == ("neck", pytest.approx(2, abs=0.05))


@pytest.mark.parametrize("degrees", [10, 15, 20, 25])
def test_a_short_sharp_crotch_is_no_red_tongue(degrees: float) -> None:
    severities = {depth: [place.severity for place in weak(notch(degrees, depth), 80.0)] for depth in (3, 7, 20)}

    assert severities[3] == []
    assert severities[7] in ([], ["note"])
    assert severities[20] in (["stop"], ["warn"])


@pytest.mark.parametrize(
    ("body", "width"),
    [
        ('<circle cx="50" cy="50" r="50"/>', 100.0),
        (ring(50, 50, 50, 30), 100.0),
        (notch(40), 80.0),
        (polygon([(0, 0), (30, 0), (34, 4), (36, 0), (80, 0), (80, 60), (0, 60)]), 80.0),
        (noisy_disc(5000, 50, 0.05), 100.0),
        (noisy_disc(5000, 50, 0.2), 100.0),
        ('<rect width="100" height="60" rx="20"/>', 100.0),
    ],
    ids=["disc", "ring", "wide notch", "small notch", "noise", "much noise", "rounded"],
)
def test_there_is_no_alarm_about_what_is_not_weak(body: str, width: float) -> None:
    assert weak(body, width) == []


def test_two_discs_pinch_the_mask_where_they_are_nearest() -> None:
    (neck,) = weak('<circle cx="50" cy="50" r="50"/><circle cx="153" cy="50" r="50"/>', 203.0)

    assert neck.width == pytest.approx(3, abs=0.05)
    assert neck.at == pytest.approx((101.5, 50), abs=0.5)


def test_what_is_wide_enough_is_a_note_only() -> None:
    severity = {width: weak(between_bars(width), 100 + width)[0].severity for width in (2.0, 3.5, 5.0)}

    assert severity == {2.0: "stop", 3.5: "warn", 5.0: "note"}
    assert weak(between_bars(6.5), 106.5) == []


def test_the_weakest_comes_first() -> None:
    places = weak(rect(0, 0, 50, 60) + rect(53, 0, 50, 60) + rect(105, 0, 50, 60), 155.0)

    assert [round(place.width) for place in places] == [2, 3]


def test_a_tongue_that_a_bridge_ends_on_has_no_free_end() -> None:
    body = slot(3.0)
    mask = cut_mask(painted(body, 83.0), 20.0)

    tied = tie_mask(mask, (), BridgeRules(3.0), {0: [Footing((41.5, 40.0), heading=(0.0, 1.0))]})

    assert len(tied.bridges) == 1
    assert tied.bridges[0].length == pytest.approx(40, abs=0.01)
    assert weak(body, 83.0, bridges=tied.bridges) == []


def test_the_limit_is_the_larger_of_surface_and_material() -> None:
    web, part = Figure(1.5, 1, 2, "mm", "web"), Figure(3, 2, 5, "mm", "part")

    assert weak_limit(web, part) is part
    assert weak_limit(LIMIT, part) is LIMIT
    assert weak_limit(web, None) is web


@pytest.mark.parametrize("factor", [0.5, 3.0])
def test_weak_places_grow_with_the_design(factor: float) -> None:
    (neck,) = weak(channel(2.0), 100.0)
    (grown,) = weak(channel(2.0), 100.0 * factor, Figure(4 * factor, 3 * factor, 6 * factor, "mm", ""))

    assert grown.width == pytest.approx(neck.width * factor, rel=0.03)
