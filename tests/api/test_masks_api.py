"""Masks over the wire: bridges in the hand, weak places and their remedies, masks for colours, materials."""

import io
from itertools import pairwise
from typing import Any

import pytest
from flask.testing import FlaskClient

from tests.shapes import WORD, frame, rect, svg

# A 100 mm square with an 80 mm hole, beside it a bar with a slot 2 mm wide.
BOX = frame(0, 0, 100, 80) + '<path d="M120 0h29v60h2v-60h29v100h-60z"/>'


@pytest.fixture
def job(client: FlaskClient) -> dict[str, Any]:
    form = {"artwork": (io.BytesIO(svg(BOX)), "box.svg"), "surface": "flat-towel"}
    job = client.post("/api/jobs", data=form).get_json()
    job = client.patch(f"/api/jobs/{job['id']}", json={"design_width": 180.0, "bridge_width": 5.0}).get_json()
    return client.post(f"/api/jobs/{job['id']}/fates", json={"numbers": [1], "fate": "bridge"}).get_json()


def bridges(job: dict[str, Any]) -> list[dict[str, Any]]:
    return job["picture"]["masks"][0]["bridges"]


def hole(job: dict[str, Any]) -> list[float]:
    """Return the box of the hole on the blank."""
    return job["pieces"][0]["box"]


def test_a_bridge_is_tried_without_being_kept(client, job) -> None:
    x0, y0, *_ = hole(job)
    address = f"/api/jobs/{job['id']}"

    tried = client.post(f"{address}/bridges/try", json={"piece": 1, "index": 0, "at": [x0, y0 + 20]}).get_json()

    assert tried["start"] == pytest.approx([x0, y0 + 20], abs=0.1)
    assert tried["length"] == pytest.approx(10, abs=0.01)
    assert bridges(client.get(address).get_json()) == bridges(job)


def test_a_bridge_is_moved_widened_added_taken_off_and_all_of_it_undone(client, job) -> None:
    x0, y0, *_ = hole(job)
    address = f"/api/jobs/{job['id']}"
    before = bridges(job)

    moved = client.post(f"{address}/bridges", json={"piece": 1, "index": 0, "at": [x0, y0 + 20]}).get_json()
    assert bridges(moved)[0]["start"] == pytest.approx([x0, y0 + 20], abs=0.1)
    assert bridges(moved)[0]["by_hand"]
    wide = client.post(f"{address}/bridges", json={"piece": 1, "index": 0, "width": 8.0}).get_json()
    assert bridges(wide)[0]["width"] == 8
    more = client.post(f"{address}/bridges", json={"piece": 1}).get_json()
    assert len(bridges(more)) == len(before) + 1
    # Twenty seconds a gap.
    assert more["mask"]["touch_up_minutes"] == pytest.approx(len(bridges(more)) / 3)
    fewer = client.post(f"{address}/bridges/remove", json={"piece": 1, "index": 0}).get_json()
    assert len(bridges(fewer)) == len(before)
    assert fewer["history"]["undo"] == "Bridge taken off piece 1"
    for _ in range(4):
        back = client.post(f"{address}/undo").get_json()
    assert bridges(back) == before


def test_bridges_set_by_hand_are_reckoned_again_when_asked(client, job) -> None:
    x0, y0, *_ = hole(job)
    address = f"/api/jobs/{job['id']}"
    client.post(f"{address}/bridges", json={"piece": 1, "index": 0, "at": [x0, y0 + 20]})

    again = client.post(f"{address}/bridges/reset", json={"numbers": [1]}).get_json()

    assert bridges(again) == bridges(job)


@pytest.mark.parametrize(
    ("move", "said"),
    [
        ({"piece": 9, "index": 0}, "no loose piece 9"),
        ({"piece": 1, "index": 7}, "no bridge 8"),
        ({"piece": 1, "index": 0, "width": 900.0}, "width of a bridge"),
    ],
)
def test_a_bridge_that_cannot_be_is_refused_and_nothing_changes(client, job, move, said) -> None:
    address = f"/api/jobs/{job['id']}"

    answer = client.post(f"{address}/bridges", json=move)

    assert answer.status_code == 400
    assert said in answer.get_json()["title"]
    assert bridges(client.get(address).get_json()) == bridges(job)


def test_a_weak_place_comes_with_remedies_that_are_applied_by_its_key(client, job) -> None:
    """On a towel mask of coated paper 3 mm are wanted; the slot is 2 wide and 60 deep."""
    address = f"/api/jobs/{job['id']}"
    (tongue,) = [place for place in job["weak"] if place["severity"] != "note"]
    assert tongue["kind"] == "tongue"
    assert tongue["width"] == pytest.approx(2, abs=0.05)
    assert tongue["toward"] == pytest.approx([0, 1], abs=0.02)

    found = client.post(f"{address}/remedies", json={"finding": tongue["key"]}).get_json()["remedies"]
    codes = [remedy["code"] for remedy in found]
    assert {"widen", "thin", "tie"} <= set(codes)
    opened = client.post(f"{address}/remedies/apply", json={"finding": tongue["key"], "remedy": "widen"}).get_json()

    assert all(place["severity"] == "note" for place in opened["weak"])
    assert len(opened["elements"]) == 1


def test_pieces_say_where_they_sit_and_stay_in_the_list_when_left_out_or_dropped(client) -> None:
    job = client.post("/api/jobs", data={"words": "BO", "surface": "coir"}).get_json()
    address = f"/api/jobs/{job['id']}"
    assert [piece["where"] for piece in job["pieces"]] == [
        "upper centre of the B in BO",
        "lower centre of the B in BO",
        "centre of the O in BO",
    ]

    out = client.post(f"{address}/fates", json={"numbers": [3], "fate": "leave-out"}).get_json()
    assert [(piece["number"], piece["is_here"]) for piece in out["pieces"]] == [(1, True), (2, True), (3, False)]
    gone = client.post(f"{address}/fates", json={"numbers": [1], "fate": "drop"}).get_json()
    assert [piece["is_here"] for piece in gone["pieces"]] == [False, False, False]
    assert gone["picture"]["painted_box"][0] > out["picture"]["painted_box"][0]
    back = client.post(f"{address}/undo").get_json()
    assert [piece["is_here"] for piece in back["pieces"]] == [True, True, False]


def test_dropping_all_there_is_is_refused(client) -> None:
    job = client.post("/api/jobs", data={"words": "O", "surface": "coir"}).get_json()

    answer = client.post(f"/api/jobs/{job['id']}/fates", json={"numbers": [1], "fate": "drop"})

    assert answer.status_code == 400
    assert "nothing to paint" in answer.get_json()["title"]


def test_a_piece_that_went_with_its_part_is_said_to_be_gone(client) -> None:
    job = client.post("/api/jobs", data={"words": "HO", "surface": "coir"}).get_json()
    address = f"/api/jobs/{job['id']}"
    client.post(f"{address}/fates", json={"numbers": [1], "fate": "keep"})

    now = client.patch(f"{address}/elements/1", json={"text": "HI"}).get_json()

    assert now["mask"]["gone"] == [1]
    assert "Piece 1 is gone" in next(s["verdict"] for s in now["stations"] if s["code"] == "mask")


def test_a_mask_for_each_colour_has_its_own_file_and_sheets(client) -> None:
    body = frame(0, 0, 100, 60) + rect(30, 30, 40, 40, 'fill="#c62828"')
    form = {"artwork": (io.BytesIO(svg(body)), "two.svg"), "surface": "wood-sealed"}
    job = client.post("/api/jobs", data=form).get_json()
    address = f"/api/jobs/{job['id']}"
    assert job["mask"]["advice"]["masks"] in ("one", "each")

    each = client.patch(address, json={"masks": "each"}).get_json()

    masks = each["picture"]["masks"]
    assert [mask["number"] for mask in masks] == [1, 2]
    assert masks[0]["box"] == masks[1]["box"]
    sheets = each["sheets"]["sheets"]
    assert [sheet["number"] for sheet in sheets] == list(range(1, len(sheets) + 1))
    assert all(not sheet["faults"] for sheet in sheets)
    assert client.get(f"{address}/masks/2.svg").status_code == 200
    assert client.get(f"{address}/masks/3.svg").status_code == 404
    other = client.patch(address, json={"mask_order": [masks[1]["colour"]]}).get_json()
    assert other["picture"]["masks"][0]["colour"] == masks[1]["colour"]


def test_a_reverse_mask_asks_for_a_base_coat_and_gets_one(client) -> None:
    form = {"artwork": (io.BytesIO(svg(WORD)), "word.svg"), "surface": "coir"}
    job = client.post("/api/jobs", data=form).get_json()
    address = f"/api/jobs/{job['id']}"

    reverse = client.patch(address, json={"reverse": True}).get_json()
    (found,) = [finding for finding in reverse["findings"] if finding["code"] == "base-missing"]
    coated = client.post(
        f"{address}/remedies/apply", json={"finding": found["key"], "remedy": "base-everywhere"}
    ).get_json()

    assert "left" in coated["pieces"][0]["where"]
    assert [(one["role"], one["where"]) for one in coated["coatings"]] == [("base", "everywhere"), ("colour", "mask")]
    assert not any(finding["code"] == "base-missing" for finding in coated["findings"])
    assert coated["picture"]["masks"][0]["placing"]


def test_materials_are_ranked_with_what_a_copy_costs(client, job) -> None:
    ranked = client.patch(f"/api/jobs/{job['id']}", json={"copies": 12}).get_json()

    fits = [material["fits"] for material in ranked["mask"]["materials"]]
    assert fits == sorted(fits, reverse=True)
    assert len(ranked["mask"]["reuse"]["copies"]) == 24
    assert {line["key"] for line in ranked["mask"]["reuse"]["lines"]} == {
        material["key"] for material in ranked["mask"]["materials"] if material["fits"]
    }
    lines = {line["key"]: line["costs"] for line in ranked["mask"]["reuse"]["lines"]}
    cheapest = [min(lines, key=lambda key: lines[key][at]) for at in range(24)]
    changes = [(at + 1, new) for at, (old, new) in enumerate(pairwise(cheapest), start=1) if old != new]
    assert [(one["copies"], one["material"]) for one in ranked["mask"]["reuse"]["break_even"]] == changes
