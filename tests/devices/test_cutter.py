"""The simulated cutter, behind the interface a real one would have."""

import pytest

from dunestead.core.figures import Catalogue
from dunestead.devices.cutter import CutterDevice, SimulatedCutter
from dunestead.formats.svg.cutfile import read_cut_file
from tests.shapes import rect, svg

JOB = svg(rect(10, 10, 80, 80) + rect(30, 30, 40, 40), 'width="100mm" height="100mm" viewBox="0 0 100 100"')


def test_it_cuts_a_file_and_says_what_came_free(catalogue: Catalogue) -> None:
    cutter: CutterDevice = SimulatedCutter(catalogue.cutter("table-square"))

    outcome = cutter.cut(read_cut_file(JOB), catalogue.material("stencil-film"))

    assert sorted(round(piece.area) for piece in outcome.report.pieces) == [1600, 4800]
    assert outcome.time.cut_length == pytest.approx(480, rel=1e-4)


def test_a_slower_carriage_takes_longer_between_cuts_only(catalogue: Catalogue) -> None:
    film = catalogue.material("stencil-film")
    quick, slow = (
        SimulatedCutter(catalogue.cutter(key)).cut(read_cut_file(JOB), film).time for key in ("wide-roll", "pocket")
    )

    assert quick.cut_length == slow.cut_length
    assert slow.seconds - quick.seconds == pytest.approx(slow.travel / 100 - quick.travel / 400)


def test_what_reaches_over_the_material_is_told(catalogue: Catalogue) -> None:
    over = read_cut_file(svg(rect(60, 10, 80, 80), 'width="100mm" height="100mm" viewBox="0 0 100 100"'))

    outcome = SimulatedCutter(catalogue.cutter("table-square")).cut(over, catalogue.material("card"))

    assert [problem.code for problem in outcome.report.problems] == ["off-sheet"]
    assert "40.0 mm" in outcome.report.problems[0].message
