"""Loose pieces: found exactly, numbered as text is read."""

import math

import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.shapes import NESTED, WORD, frame, masked, rect, ring


@pytest.mark.parametrize(
    ("body", "count"),
    [
        (rect(0, 0, 10, 10), 0),
        (frame(0, 0, 10, 4), 1),
        (WORD, 3),
        (NESTED, 3),
        # Four squares around an empty middle that touch in corners only.
        (rect(10, 0, 10, 10) + rect(0, 10, 10, 10) + rect(20, 10, 10, 10) + rect(10, 20, 10, 10), 1),
        # The same, a hair apart: the middle is joined to the rest.
        (rect(10, 0, 10, 9.9) + rect(0, 10, 9.9, 10) + rect(20.1, 10, 10, 10) + rect(10, 20.1, 10, 10), 0),
        # A hole that is filled again by another shape.
        (frame(0, 0, 10, 4) + rect(3, 3, 4, 4), 0),
        # A shape in the hole that leaves a ring.
        (frame(0, 0, 10, 6) + rect(4, 4, 2, 2), 1),
        # Halves of a ring that share slanted edges end to end.
        (
            '<g transform="rotate(11)"><path d="M0 0L20 0L20 10L15 10L15 5L5 5L5 10L0 10z"/>'
            '<path d="M0 10L5 10L5 15L15 15L15 10L20 10L20 20L0 20z"/></g>',
            1,
        ),
    ],
)
def test_every_part_cut_off_from_the_rest_is_a_loose_piece(body: str, count: int) -> None:
    assert len(masked(body).loose) == count


def test_a_piece_has_its_area_and_its_middle() -> None:
    piece = masked(frame(0, 0, 40, 20), 80.0).loose[0]

    assert piece.area == pytest.approx(40 * 40)
    assert piece.centroid == pytest.approx((40, 40))
    assert piece.box == pytest.approx((20, 20, 60, 60))


@pytest.mark.parametrize("diameter", [2.0, 5.0, 40.0])
def test_a_round_piece_has_its_area_to_half_a_percent_however_small(diameter: float) -> None:
    hole = f"M0 0h200v60h-200zM{100 - diameter / 2} 30a{diameter / 2} {diameter / 2} 0 1 0 {diameter} 0"
    hole += f"a{diameter / 2} {diameter / 2} 0 1 0 -{diameter} 0z"

    (piece,) = masked(f'<path fill-rule="evenodd" d="{hole}"/>', 200.0).loose

    assert piece.area == pytest.approx(math.pi * diameter**2 / 4, rel=0.005)


def test_pieces_are_numbered_as_text_is_read() -> None:
    two_lines = WORD + f'<g transform="translate(0 60)">{WORD}</g>'

    places = [(round(piece.centroid[0]), round(piece.centroid[1])) for piece in masked(two_lines).loose]

    assert places == [(20, 20), (60, 10), (60, 30), (20, 80), (60, 70), (60, 90)]


def test_slivers_between_curves_drawn_twice_are_no_pieces() -> None:
    bulge = '<path d="M0 0C10 10 30 10 40 0L40 -20L0 -20z"/>'
    hollow = '<path d="M0 0C10 10 30 10 40 0L40 30L0 30z"/>'

    assert masked(bulge + hollow, 400.0).loose == ()


@pytest.mark.parametrize("border", [0.5, 15.0, 200.0])
def test_the_frame_reaches_to_the_border(border: float) -> None:
    mask = masked(ring(10, 10, 10, 6), 50.0, border)

    assert mask.frame.bounds == pytest.approx((-border, -border, 50 + border, 50 + border), abs=1e-6)


boxes = st.tuples(st.integers(0, 9), st.integers(0, 9), st.integers(1, 5), st.integers(1, 5))


@given(st.lists(boxes, min_size=1, max_size=14))
@settings(max_examples=60, deadline=None)
def test_paint_and_mask_together_are_the_whole_sheet_and_share_nothing(drawn_boxes) -> None:
    body = "".join(rect(*box) for box in drawn_boxes)
    mask = masked(body, 140.0, 10.0)
    x0, _, x1, _ = mask.frame.bounds
    cells = _flood(drawn_boxes)

    parts = [mask.frame, *(piece.shape for piece in mask.loose)]
    for i, one in enumerate(parts):
        assert all(shapely.intersection(one, other).area < 1e-6 for other in parts[:i])
    assert len(mask.loose) == cells
    assert (x1 - x0) == pytest.approx(160.0)


def _flood(drawn_boxes) -> int:
    """Count enclosed parts by flooding a grid of unit cells: whole numbers, no geometry."""
    paint = {(x + i, y + j) for x, y, w, h in drawn_boxes for i in range(w) for j in range(h)}
    empty = {(i, j) for i in range(-1, 16) for j in range(-1, 16)} - paint
    count = 0
    while empty:
        count += 1
        edge = [empty.pop()]
        while edge:
            i, j = edge.pop()
            for near in ((i + 1, j), (i - 1, j), (i, j + 1), (i, j - 1)):
                if near in empty:
                    empty.remove(near)
                    edge.append(near)
    return count - 1
