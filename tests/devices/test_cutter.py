"""The simulated cutter, behind the interface a real one would have."""

from typing import get_args

import numpy as np
import pytest

from dunestead.core.figures import Catalogue
from dunestead.core.records import CutSettings
from dunestead.devices.cutter import MOVES, CutOrder, CutState, CutterDevice, moved
from dunestead.devices.simulated import SimulatedCutter, depth_of
from dunestead.formats.svg.cutfile import read_cut_file
from tests.shapes import rect, svg

JOB = svg(rect(10, 10, 80, 80) + rect(30, 30, 40, 40), 'width="100mm" height="100mm" viewBox="0 0 100 100"')
FILM = CutSettings(135, 1, 100)


def order(catalogue: Catalogue, data: bytes = JOB, settings=FILM, fault=None) -> CutOrder:
    file = read_cut_file(data)
    return CutOrder("Test", file.paths, file.page, file.promise, catalogue.material("stencil-film"), settings, fault)


@pytest.fixture
def cutter(catalogue: Catalogue) -> SimulatedCutter:
    return SimulatedCutter(catalogue.cutter("table-square"))


def test_it_cuts_a_file_and_says_what_came_free(catalogue: Catalogue, cutter) -> None:
    device: CutterDevice = cutter
    loaded = device.load(order(catalogue))
    device.start(0.0)
    # Eight sides, 480 mm at 100 mm/s, each with 100/1500 s to gather and lose speed; two lifts; the way between.
    status = device.status(4.8 + 8 * 100 / 1500 + 0.3 + 3)

    assert loaded.state == "loaded"
    assert status.state == "done"
    assert status.outcome is not None
    assert sorted(round(piece.area) for piece in status.outcome.report.pieces) == [1600, 4800]
    assert status.outcome.time.cut_length == pytest.approx(480, rel=1e-4)


def test_progress_stands_still_while_it_is_paused(catalogue: Catalogue, cutter) -> None:
    cutter.load(order(catalogue))
    cutter.start(0.0)
    paused = cutter.pause(2.0)
    cutter.start(100.0)

    assert paused.share == pytest.approx(cutter.status(100.0).share)
    assert cutter.status(101.0).share > paused.share
    assert np.array(cutter.status(101.0).at).min() >= 10


def test_a_stopped_sheet_is_given_up(catalogue: Catalogue, cutter) -> None:
    cutter.load(order(catalogue))
    cutter.start(0.0)

    assert cutter.stop(1.0).state == "stopped"
    assert cutter.start(2.0).state == "stopped"
    assert cutter.status(99.0).outcome is None


def test_a_lost_link_waits_and_goes_on_where_it_stopped(catalogue: Catalogue, cutter) -> None:
    cutter.load(order(catalogue, fault="link-lost"))
    cutter.start(0.0)
    lost = cutter.status(60.0)
    cutter.start(100.0)

    assert (lost.state, lost.trouble) == ("fault", "link-lost")
    assert "carries on where it stopped" in lost.remedy
    assert cutter.status(100.0).share == pytest.approx(lost.share)
    assert cutter.status(200.0).state == "done"


def test_after_a_blunt_blade_the_sheet_is_cut_once_more_from_its_start(catalogue: Catalogue, cutter) -> None:
    cutter.load(order(catalogue, fault="blunt"))
    cutter.start(0.0)
    blunt = cutter.status(60.0)

    assert "fresh blade" in blunt.remedy
    assert cutter.start(70.0).share == 0
    assert cutter.status(140.0).state == "done"


def test_a_slipped_sheet_is_told_when_it_is_done(catalogue: Catalogue, cutter) -> None:
    cutter.load(order(catalogue, fault="slip"))
    cutter.start(0.0)
    done = cutter.status(99.0)

    assert (done.state, done.trouble) == ("done", "slip")
    assert "cut a fresh piece" in done.remedy


def test_what_it_cannot_reach_is_refused_before_the_knife_moves(catalogue: Catalogue) -> None:
    pocket = SimulatedCutter(catalogue.cutter("pocket"))
    far = svg(rect(60, 10, 80, 80), 'width="200mm" height="200mm" viewBox="0 0 200 200"')

    status = pocket.load(order(catalogue, far))

    assert (status.state, status.trouble) == ("fault", "off-reach")
    assert pocket.start(1.0).state == "fault"


@pytest.mark.parametrize(
    ("settings", "came"),
    [
        (CutSettings(119, 1, 100), "not-through"),
        (CutSettings(120, 1, 100), "clean"),
        (CutSettings(60, 2, 100), "clean"),
        (CutSettings(200, 1, 100), "into-backing"),
        (CutSettings(120, 1, 200), "tears"),
    ],
)
def test_depth_is_the_force_of_all_passes_against_what_film_needs(catalogue: Catalogue, settings, came) -> None:
    """Stencil film takes 120 g once, at 100 mm/s."""
    assert depth_of(settings, catalogue.material("stencil-film")) == came


def test_what_is_not_cut_through_frees_nothing(catalogue: Catalogue, cutter) -> None:
    outcome = cutter.cut(order(catalogue, settings=CutSettings(60, 1, 100)))

    assert outcome.report.pieces == ()
    assert outcome.trouble == "not-through"


def test_what_reaches_over_the_material_is_told(catalogue: Catalogue, cutter) -> None:
    over = svg(rect(60, 10, 80, 80), 'width="100mm" height="100mm" viewBox="0 0 100 100"')

    problems = cutter.cut(order(catalogue, over)).report.problems

    assert [problem.code for problem in problems] == ["off-sheet"]
    assert "40.0 mm" in problems[0].message


@pytest.mark.parametrize(
    ("state", "event", "to"),
    [
        ("loaded", "start", "cutting"),
        ("cutting", "pause", "paused"),
        ("paused", "start", "cutting"),
        ("cutting", "shut-down", "stopped"),
        ("paused", "shut-down", "stopped"),
        ("loaded", "shut-down", "loaded"),
        ("done", "pause", "done"),
        ("done", "stop", "done"),
        ("stopped", "start", "stopped"),
    ],
)
def test_one_state_leads_to_another_or_to_none(state, event, to) -> None:
    assert moved(state, event) == to


def test_every_state_but_the_last_two_can_be_left_and_every_one_be_reached() -> None:
    left, reached = {state for state, _ in MOVES}, {"waiting", *MOVES.values()}

    assert set(get_args(CutState)) - left == {"stopped", "done"}
    assert reached == set(get_args(CutState))
