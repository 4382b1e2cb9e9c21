"""Findings: measured, held against the limit, placed."""

import pytest

from dunestead.core.figures import Catalogue
from dunestead.core.mask.findings import Fitness, judge, limits_for
from dunestead.core.mask.loose import cut_mask
from tests.shapes import frame, painted, rect


def fitness(catalogue: Catalogue, body: str, width: float, surface: str, material: str) -> Fitness:
    found = painted(body, width)
    mask = cut_mask(found, 20.0)
    limits = limits_for(catalogue, surface, material)
    return judge(found, mask, catalogue.surface(surface), catalogue.material(material), limits)


# Coir wants strokes of 6, stopping under 4.2, and webs of 4, stopping under 2.8.
@pytest.mark.parametrize(
    ("body", "width", "found"),
    [
        (rect(0, 0, 100, 7), 100.0, []),
        (rect(0, 0, 100, 5), 100.0, [("stroke-thin", "warn")]),
        (rect(0, 0, 100, 3), 100.0, [("stroke-thin", "stop")]),
        (rect(0, 0, 100, 8) + rect(0, 11.2, 100, 8), 100.0, [("web-thin", "warn")]),
        (rect(0, 0, 100, 8) + rect(0, 10, 100, 8), 100.0, [("web-thin", "stop")]),
        (frame(0, 0, 60, 2.5), 60.0, [("part-small", "warn"), ("web-thin", "stop")]),
        (frame(0, 0, 60, 20), 60.0, []),
    ],
)
def test_what_is_too_fine_for_coir_is_found(catalogue, body, width, found) -> None:
    findings = fitness(catalogue, body, width, "coir", "paper-coated-down").findings

    assert sorted({(finding.code, finding.severity) for finding in findings}) == sorted(found)


def test_the_same_design_holds_on_a_finer_surface(catalogue) -> None:
    assert fitness(catalogue, rect(0, 0, 100, 3), 100.0, "glass", "stencil-film").findings == ()


def test_a_finding_says_where_and_how_much(catalogue) -> None:
    body = rect(0, 0, 40, 40) + rect(40, 18, 60, 4)

    (finding,) = fitness(catalogue, body, 100.0, "coir", "paper-coated-down").findings

    assert finding.measured == pytest.approx(4, abs=0.1)
    assert finding.limit == 6
    assert 40 < finding.at[0] < 100
    assert finding.at[1] == pytest.approx(20, abs=0.5)
    assert "is 4 mm" in finding.message()
    assert "the minimum for coir mat is 6 mm" in finding.message()
    assert "is 5/32 in over" in finding.message("in")


@pytest.mark.parametrize(
    ("body", "width", "surface", "smallest", "limited_by"),
    [
        (rect(0, 0, 100, 5), 100.0, "coir", 120, "stroke"),
        (rect(0, 0, 100, 20) + rect(0, 22, 100, 20), 100.0, "coir", 200, "web"),
        (frame(0, 0, 60, 3.0), 60.0, "flat-towel", 60, "part"),
    ],
)
def test_the_smallest_width_is_where_the_weakest_just_holds(
    catalogue, body, width, surface, smallest, limited_by
) -> None:
    found = fitness(catalogue, body, width, surface, "paper-coated-down")

    assert width * found.growth == pytest.approx(smallest, rel=0.02)
    assert found.limited_by == limited_by
    again = fitness(catalogue, body, width * found.growth * 1.03, surface, "paper-coated-down")
    assert not [f for f in again.findings if f.code != "part-small"]


def test_a_reusable_mask_wants_every_piece_bridged(catalogue) -> None:
    (finding,) = fitness(catalogue, frame(0, 0, 60, 20), 60.0, "wood-sealed", "plastic").findings

    assert finding.code == "must-bridge"


def test_more_pieces_than_patience_are_pointed_out(catalogue) -> None:
    many = "".join(frame(30 * (k % 8), 30 * (k // 8), 28, 14) for k in range(48))

    codes = {f.code for f in fitness(catalogue, many, 900.0, "glass", "stencil-film").findings}

    assert "many-pieces" in codes
