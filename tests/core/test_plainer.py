"""A drawing made plainer: without its specks, in fewer colours, and it says so."""

import pytest

from dunestead.core.artwork.painted import paint
from dunestead.core.artwork.plainer import Plainer, made_plainer
from dunestead.core.errors import BadInput
from dunestead.formats.svg import read_svg
from tests.shapes import svg


def drawing(*squares: tuple[float, float, str]):
    """Return squares side by side: where each begins, how large it is, its colour."""
    shapes = "".join(f'<rect x="{x}" width="{side}" height="{side}" fill="{fill}"/>' for x, side, fill in squares)
    return read_svg(svg(shapes))


def test_what_is_smaller_than_a_share_of_the_whole_is_left_out_and_counted() -> None:
    """The whole is 200 wide, so that 1 % of it is 2."""
    found = drawing((0, 50, "#000000"), (60, 1.9, "#000000"), (70, 2.1, "#000000"), (150, 50, "#000000"))

    plain = made_plainer(found, Plainer(0.01, 8))

    assert len(plain.shapes) == 3
    assert [one.message for one in plain.notices] == ["Made plainer: 1 speck left out."]
    assert paint(plain, 200.0).region.area == pytest.approx(2 * 50**2 + 2.1**2, rel=1e-3)


def test_the_colours_of_most_shapes_stay_and_others_become_the_nearest() -> None:
    found = drawing(
        *((k * 10, 9, "#202020") for k in range(3)),
        *((40 + k * 10, 9, "#c00000") for k in range(2)),
        (70, 9, "#2a2020"),
        (80, 9, "#d01010"),
    )

    plain = made_plainer(found, Plainer(0.001, 2))

    assert [shape.fill for shape in plain.shapes] == ["#202020"] * 3 + ["#c00000"] * 2 + ["#202020", "#c00000"]
    assert [one.message for one in plain.notices] == ["Made plainer: 4 colours joined to 2."]


def test_a_drawing_that_is_plain_already_stays_as_it_is() -> None:
    found = drawing((0, 50, "#000000"))

    assert made_plainer(found, Plainer(0.01, 8)).notices == found.notices


def test_it_is_told_apart_from_the_drawing_it_came_from() -> None:
    found = drawing((0, 50, "#000000"), (60, 1, "#000000"))

    assert len({found, made_plainer(found, Plainer(0.1, 8)), made_plainer(found, Plainer(0.001, 8))}) == 3


def test_nothing_but_specks_is_refused() -> None:
    with pytest.raises(BadInput, match="specks"):
        made_plainer(drawing(*((k * 10, 1, "#000000") for k in range(40))), Plainer(0.1, 8))
