"""Cutters side by side, each with its own mat; a queue outlives the workshop's being shut down."""

from dataclasses import replace

import numpy as np
import pytest

from dunestead.core.errors import BadInput
from dunestead.core.records import CutSettings
from dunestead.devices.cutter import CutOrder
from dunestead.formats.svg.cutfile import read_cut_file
from dunestead.store import RunStore
from dunestead.workshop.cutting_room import CuttingRoom
from tests.shapes import rect, svg

JOB = svg(rect(10, 10, 80, 80) + rect(30, 30, 40, 40), 'width="100mm" height="100mm" viewBox="0 0 100 100"')
LONG = 1000.0


@pytest.fixture
def order(catalogue) -> CutOrder:
    file = read_cut_file(JOB)
    return CutOrder(
        "Test", file.paths, file.page, file.promise, catalogue.material("stencil-film"), CutSettings(135, 1, 100)
    )


@pytest.fixture
def cutters(catalogue):
    return catalogue.cutter("table-square"), catalogue.cutter("table-long")


@pytest.fixture
def open_room(engine, clock):
    return lambda: CuttingRoom(RunStore(engine), clock.clock.steady)


def test_two_cutters_run_at_once_and_each_has_one_mat(open_room, cutters, order) -> None:
    room = open_room()
    first, other, queued = (room.send(1, 1, cutters[k], order).number for k in (0, 1, 0))

    assert room.start(first).status.state == "cutting"
    assert room.start(other).status.state == "cutting"
    with pytest.raises(BadInput, match="on the mat of"):
        room.start(queued)


def test_a_queue_outlives_a_restart_and_what_ran_is_found_stopped_where_it_was(
    open_room, cutters, order, clock
) -> None:
    room = open_room()
    running, paused, waiting, done = (room.send(7, n, cutters[0], order).number for n in (1, 2, 3, 4))
    room.start(done)
    clock.turn(LONG)
    room.start(paused)
    clock.turn(0.2 / 60)
    room.pause(paused)
    room.stop(paused)
    room.start(running)
    clock.turn(0.25 / 60)
    share = {run.number: run.status.share for run in room.runs()}

    clock.turn(LONG)
    found = {run.number: run for run in open_room().runs()}

    assert [found[n].status.state for n in (running, paused, waiting, done)] == ["stopped", "stopped", "loaded", "done"]
    # A quarter of a second at twelve times the pace of a cut of some ten seconds.
    assert found[running].status.share == pytest.approx(share[running])
    assert 0.2 < share[running] < 0.5
    assert found[running].status.trouble == "shut-down"
    assert "fresh piece" in found[running].status.remedy
    assert found[paused].status.trouble is None
    assert (found[running].job, found[waiting].sheet) == (7, 3)
    outcome = found[done].status.outcome
    assert outcome is not None
    assert sorted(round(piece.area) for piece in outcome.report.pieces) == [1600, 4800]


def test_what_waited_through_a_restart_is_cut_as_it_was_sent(open_room, cutters, order, clock) -> None:
    number = open_room().send(1, 1, cutters[0], replace(order, fault="link-lost")).number

    room = open_room()
    sent = room.runs()[0].order
    room.start(number)
    clock.turn(LONG)

    assert all(np.array_equal(a.points, b.points) for a, b in zip(sent.paths, order.paths, strict=True))
    assert replace(sent, paths=()) == replace(order, paths=(), fault="link-lost")
    assert room.runs()[0].status.trouble == "link-lost"


def test_a_mended_link_is_still_waited_for_after_a_restart(open_room, cutters, order, clock) -> None:
    room = open_room()
    number = room.send(1, 1, cutters[0], replace(order, fault="link-lost")).number
    room.start(number)
    clock.turn(LONG)
    assert room.runs()[0].status.state == "fault"

    again = open_room()
    assert (again.runs()[0].status.state, again.runs()[0].status.trouble) == ("fault", "link-lost")
    again.start(number)
    clock.turn(LONG)

    assert again.runs()[0].status.state == "done"


def test_a_run_taken_off_the_list_does_not_come_back(open_room, cutters, order) -> None:
    room = open_room()
    room.clear(room.send(1, 1, cutters[0], order).number)

    assert open_room().runs() == []
