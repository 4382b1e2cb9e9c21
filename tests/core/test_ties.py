"""Bridges set by hand: they stay where they are put, or are refused with the reason."""

from dataclasses import replace

import pytest

from dunestead.core.errors import BadInput
from dunestead.core.job.job import altered
from dunestead.core.looking.ties import BridgeMove, bridge_at, move_bridge, remove_bridge, reset_bridges, tie
from tests.making import CATALOGUE, job_of, look
from tests.shapes import artwork, files, frame

# An 80 mm hole with 10 mm of paint around it, on a blank of 600 by 400: from 250 to 350 across, 150 to 250 down.
SOURCES = files(
    box=frame(0, 0, 100, 80),
    pair='<path fill-rule="evenodd" d="M0 0h100v60h-100zM10 10h36v40h-36zM54 10h36v40h-36z"/>',
    spit='<path fill-rule="evenodd" d="M0 0h100v60h-100zM10 10h60v18h20v4h-20v18h-60z"/>',
)


def seen(name: str = "box", width: float = 100.0, **entries):
    fates = entries.pop("fates", {1: "bridge"})
    return look(job_of(artwork(width, name), fates=fates, **entries), SOURCES)


def bridges(found):
    return list(tie(found, found.masks[0], CATALOGUE).bridges)


def again(job):
    return bridges(look(job, SOURCES))


def test_a_bridge_goes_where_it_is_dragged() -> None:
    found = seen()

    job = move_bridge(found, bridges(found), BridgeMove(1, 0, (262.0, 175.0)), CATALOGUE)

    first = again(job)[0]
    assert first.start == pytest.approx((10, 25), abs=0.01)
    assert first.end == pytest.approx((0, 25), abs=0.01)
    assert first.by_hand == 0


def test_the_others_of_its_piece_stay() -> None:
    found = seen()
    before = bridges(found)
    assert len(before) == 2

    after = again(move_bridge(found, before, BridgeMove(1, 0, (262.0, 175.0)), CATALOGUE))

    assert after[1].start == pytest.approx(before[1].start, abs=0.01)
    assert after[1].end == pytest.approx(before[1].end, abs=0.01)


def test_it_stays_on_its_piece_when_the_design_is_moved_and_grown() -> None:
    found = seen()
    job = move_bridge(found, bridges(found), BridgeMove(1, 0, (262.0, 175.0)), CATALOGUE)
    (element,) = job.elements

    grown = again(altered(job, elements=(replace(element, width=200.0, x=30.0),)))

    assert grown[0].start == pytest.approx((20, 50), abs=0.02)


def test_one_more_can_be_added_and_taken_away() -> None:
    found = seen()
    job = move_bridge(found, bridges(found), BridgeMove(1, None, (300.0, 162.0)), CATALOGUE)
    more = look(job, SOURCES)
    assert len(bridges(more)) == 3

    fewer = again(remove_bridge(more, bridges(more), 1, 0, CATALOGUE))

    assert len(fewer) == 2
    assert fewer[-1].start == pytest.approx((50, 10), abs=0.01)


def test_one_more_finds_a_place_by_itself_far_from_the_others() -> None:
    found = seen(bridges_per_piece=1)
    (first,) = bridges(found)

    second = bridge_at(found, [first], BridgeMove(1), CATALOGUE)

    away = [a - b for a, b in zip(first.start, second.start, strict=True)]
    assert (away[0] ** 2 + away[1] ** 2) ** 0.5 > 60


def test_it_slides_along_the_edge_of_its_piece() -> None:
    found = seen(bridges_per_piece=1)
    (first,) = bridges(found)

    slid = bridge_at(found, [first], BridgeMove(1, 0, slide=4.0), CATALOGUE)

    assert abs(slid.start[0] - first.start[0]) + abs(slid.start[1] - first.start[1]) == pytest.approx(4, abs=0.01)


def test_it_can_be_widened_where_it_is() -> None:
    found = seen()
    before = bridges(found)

    after = again(move_bridge(found, before, BridgeMove(1, 1, width=9.0), CATALOGUE))

    assert [bridge.width for bridge in after] == [5.0, 9.0]
    assert after[1].start == pytest.approx(before[1].start, abs=0.01)


def test_adding_a_bridge_to_a_kept_piece_bridges_it() -> None:
    found = seen(fates={1: "keep"})

    job = move_bridge(found, [], BridgeMove(1, None, (300.0, 162.0)), CATALOGUE)

    assert job.mask.fates == {1: "bridge"}
    assert len(again(job)) == 1


def test_reckoning_again_forgets_what_the_hand_did() -> None:
    found = seen()
    job = move_bridge(found, bridges(found), BridgeMove(1, 0, (262.0, 175.0)), CATALOGUE)

    assert again(reset_bridges(job, [1])) == bridges(found)


def refused(found, move: BridgeMove) -> str:
    with pytest.raises(BadInput) as error:
        bridge_at(found, bridges(found), move, CATALOGUE)
    return str(error.value)


def test_a_place_that_faces_a_kept_piece_is_refused() -> None:
    """Of two holes side by side the right one is kept; from 300 to 380 mm it faces the left one's right side."""
    found = seen("pair", 200.0, fates={1: "bridge", 2: "keep"})

    assert "kept" in refused(found, BridgeMove(1, 0, (292.0, 200.0)))


def test_a_place_on_a_spit_is_refused() -> None:
    found = seen("spit", 100.0, bridge_width=6.0)

    assert "too narrow" in refused(found, BridgeMove(1, 0, (330.0, 198.0)))


def test_a_place_next_to_another_bridge_is_refused() -> None:
    found = seen()
    other = bridges(found)[1].start

    assert "too near" in refused(found, BridgeMove(1, 0, (other[0] + 250 - 8, other[1] + 150)))


def test_the_last_bridge_cannot_be_taken_away() -> None:
    found = seen(bridges_per_piece=1)

    with pytest.raises(BadInput, match="last bridge"):
        remove_bridge(found, bridges(found), 1, 0, CATALOGUE)


@pytest.mark.parametrize(
    ("move", "said"),
    [
        (BridgeMove(7, 0, (0, 0)), "no loose piece 7"),
        (BridgeMove(1, 5, (0, 0)), "no bridge 6"),
    ],
)
def test_a_move_that_makes_no_sense_is_refused(move: BridgeMove, said: str) -> None:
    assert said in refused(seen(), move)
