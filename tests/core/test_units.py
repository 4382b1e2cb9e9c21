"""Lengths as makers write and read them."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from dunestead.core.errors import BadLength
from dunestead.core.units import parse_length, show_length


@pytest.mark.parametrize(
    ("text", "millimetres"),
    [
        ("400", 400.0),
        ("400mm", 400.0),
        (" 40 cm ", 400.0),
        ("0.4m", 400.0),
        ("16in", 406.4),
        ('16"', 406.4),
        ("15 1/2in", 393.7),
        ("15-1/2 in", 393.7),
        ("3/8in", 9.525),
        ("1ft", 304.8),
        ("12,5", 12.5),
        (".5in", 12.7),
        ("1e2", 100.0),
    ],
)
def test_a_length_is_read_with_its_unit(text: str, millimetres: float) -> None:
    assert parse_length(text) == pytest.approx(millimetres)


@pytest.mark.parametrize("text", ["", "wide", "4 0", "mm", "4furlongs", "--3", "1/0in", "1/2/3", "nan", "inf", "4mm5"])
def test_what_is_no_length_is_refused_with_the_text_met(text: str) -> None:
    with pytest.raises(BadLength, match=r"length|sense"):
        parse_length(text)


@pytest.mark.parametrize("text", ["0", "0mm", "51m", "1e9"])
def test_a_length_no_workshop_could_mean_is_refused(text: str) -> None:
    with pytest.raises(BadLength, match="is not possible"):
        parse_length(text)


def test_nothing_is_a_length_where_it_may_be() -> None:
    assert parse_length("0", allow_zero=True) == 0


@pytest.mark.parametrize(
    ("millimetres", "unit", "shown"),
    [
        (393.7, "in", "15 1/2 in"),
        (25.4, "in", "1 in"),
        (3.175, "in", "1/8 in"),
        (0.0, "in", "0 in"),
        (123.4, "cm", "12.3 cm"),
        (400.0, "mm", "400 mm"),
        (399.96, "mm", "400 mm"),
        (4.25, "mm", "4.3 mm"),
        (10.0, "mm", "10 mm"),
    ],
)
def test_a_length_is_shown_as_a_tape_reads(millimetres: float, unit: str, shown: str) -> None:
    assert show_length(millimetres, unit) == shown


@given(st.integers(1, 16 * 400))
def test_sixteenths_of_an_inch_survive_being_shown_and_read(sixteenths: int) -> None:
    millimetres = sixteenths / 16 * 25.4

    assert parse_length(show_length(millimetres, "in")) == pytest.approx(millimetres, abs=1e-4)
