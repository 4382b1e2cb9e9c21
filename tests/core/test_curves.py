"""Curves: exact extent, and flattening that stays within its tolerance."""

import math

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from dunestead.core.geometry.affine import IDENTITY, Affine
from dunestead.core.geometry.curves import Path, flatten, join_paths, path_bounds

coordinate = st.floats(-100, 100, allow_nan=False)
point = st.tuples(coordinate, coordinate)


def one_cubic(*points: tuple[float, float]) -> Path:
    return Path(np.array([points], float), np.array([False]), np.array([0]), (False,))


def along(path: Path, count: int = 400) -> np.ndarray:
    """Points of a cubic by repeated halving of its control polygon: another way than the code's."""
    p = path.segments[0]
    t = np.linspace(0, 1, count)[:, None]
    a, b, c = (p[i] + (p[i + 1] - p[i]) * t for i in range(3))
    d, e = a + (b - a) * t, b + (c - b) * t
    return d + (e - d) * t


def distance_to_polyline(points: np.ndarray, line: np.ndarray) -> float:
    starts, ways = line[:-1], np.diff(line, axis=0)
    lengths = np.maximum((ways**2).sum(axis=1), 1e-12)
    share = np.clip(((points[:, None] - starts) * ways).sum(axis=2) / lengths, 0, 1)
    feet = starts + share[..., None] * ways
    return float(np.linalg.norm(points[:, None] - feet, axis=2).min(axis=1).max())


@given(point, point, point, point)
@settings(max_examples=60, deadline=None)
def test_a_flattened_curve_never_strays_beyond_its_tolerance(a, b, c, d) -> None:
    path = one_cubic(a, b, c, d)

    line = flatten(path, IDENTITY, 0.05)[0].points

    if len(line) > 1:
        assert distance_to_polyline(along(path), line) <= 0.05 + 1e-9


@given(point, point, point, point)
@settings(max_examples=60, deadline=None)
def test_bounds_hold_every_point_of_a_curve_and_no_more(a, b, c, d) -> None:
    path = one_cubic(a, b, c, d)

    x0, y0, x1, y1 = path_bounds(path, IDENTITY)
    seen = along(path, 4000)

    assert (seen.min(axis=0) >= np.array([x0, y0]) - 1e-9).all()
    assert (seen.max(axis=0) <= np.array([x1, y1]) + 1e-9).all()
    assert seen.min(axis=0) == pytest.approx([x0, y0], abs=0.02)
    assert seen.max(axis=0) == pytest.approx([x1, y1], abs=0.02)


def test_nothing_has_no_bounds_and_no_lines() -> None:
    nothing = join_paths([])

    assert path_bounds(nothing, IDENTITY) is None
    assert flatten(nothing, IDENTITY, 0.1) == []


def test_joined_paths_keep_their_contours_apart() -> None:
    a = one_cubic((0, 0), (1, 1), (2, 1), (3, 0))

    both = join_paths([a, a.carried(Affine.translation(10, 0))])

    lines = flatten(both, IDENTITY, 0.1)
    assert [line.points[0, 0] for line in lines] == [0.0, 10.0]


@pytest.mark.parametrize(
    ("transform", "stretch"),
    [
        (Affine.scaling(3), 3.0),
        (Affine.scaling(2, 5), 5.0),
        (Affine(0, 1, -1, 0), 1.0),
        (Affine(1, 0, 1, 1), (1 + math.sqrt(5)) / 2),
    ],
)
def test_stretch_is_the_largest_growth_of_any_length(transform: Affine, stretch: float) -> None:
    assert transform.stretch == pytest.approx(stretch)


@given(st.tuples(*[st.floats(-5, 5)] * 6), point)
def test_a_transform_and_its_inverse_undo_each_other(numbers, where) -> None:
    transform = Affine(*numbers)
    if abs(transform.determinant) < 0.1:
        return

    back = transform.then(transform.inverse()).apply(np.array([where]))

    assert back[0] == pytest.approx(where, abs=1e-5)
