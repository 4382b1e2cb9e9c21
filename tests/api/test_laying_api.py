"""What a tape read, over the wire: shift and turn, in the maker's unit; and written down; the design stays."""

import pytest

from tests.api.test_design_api import address, begin


def test_readings_are_answered_with_what_to_do_in_the_makers_unit(client) -> None:
    job = begin(client)
    here, box = address(job), job["picture"]["masks"][0]["box"]
    edge = job["picture"]["masks"][0]["readings"][0]
    for side, reads in zip(
        ("left", "top", "right", "bottom"), (box[0], box[1], 600 - box[2], 400 - box[3]), strict=True
    ):
        assert edge[side] == pytest.approx([reads] * 3)
    left, right = edge["left"][0] + 5, edge["right"][0] - 5

    told = client.post(f"{here}/masks/1/laid?unit=in", json={"left": [left], "right": [right]}).get_json()

    artwork = job["picture"]["masks"][0]["readings"][1]
    body = {"left": [artwork["left"][0] + 5], "to": "artwork"}
    assert artwork["to"] == "artwork"
    assert artwork["left"][0] == pytest.approx(job["picture"]["masks"][0]["distances"][0]["left"])
    assert client.post(f"{here}/masks/1/laid", json=body).get_json()["shift"] == pytest.approx([-5, 0], abs=0.01)
    assert client.post(f"{here}/masks/1/laid", json=body | {"patch": 1}).status_code in (400, 404)
    assert told["shift"] == pytest.approx([-5, 0], abs=0.01)
    assert told["instructions"][0] == "Shift it 3/16 in to the left."
    assert told["should"][0] == pytest.approx(box[:2])
    assert told["lies"][0] == pytest.approx((box[0] + 5, box[1]), abs=0.01)
    assert client.get(here).get_json()["history"] == job["history"]


@pytest.mark.parametrize(
    ("mask", "body", "status"),
    [(1, {}, 400), (1, {"left": [1e9]}, 400), (9, {"left": [10]}, 404), (1, {"left": [1, 2, 3]}, 422)],
)
def test_what_cannot_be_is_refused_with_a_sentence(client, mask: int, body, status: int) -> None:
    answer = client.post(f"{address(begin(client))}/masks/{mask}/laid", json=body)

    assert (answer.status_code, bool(answer.get_json()["fix"])) == (status, True)


def test_a_seam_is_told_by_its_marks_and_one_that_is_none_is_said(client) -> None:
    address = f"/api/jobs/{begin(client)['id']}"
    client.patch(address, json={"cutter": "table-square"})
    tack = next(one for one in client.get(f"{address}/work").get_json()["stations"] if one["code"] == "tack")
    seam = next(seam for task in tack["tasks"] for seam in task["seams"])
    first, second = seam["pairs"]
    read = {first["name"]: first["distance"] + 4, second["name"]: second["distance"]}

    laid = client.post(f"{address}/seams/{seam['name']}/laid", json={"readings": read}).get_json()

    assert laid["off"] == pytest.approx({first["name"]: 4, second["name"]: 0})
    assert not laid["within"]
    assert "4 mm closer" in laid["instructions"][0]
    assert client.post(f"{address}/seams/Z/laid", json={"readings": read}).status_code == 404
    assert client.post(f"{address}/seams/{seam['name']}/laid", json={"readings": {}}).status_code == 400
    assert client.post(f"{address}/seams/{seam['name']}/laid", json={"readings": {"A1": "far"}}).status_code in (
        400,
        422,
    )


def test_what_the_tape_read_is_logged_with_what_was_told(client) -> None:
    here = address(begin(client))

    def read() -> dict:
        tack = client.get(f"{here}/stations/tack").get_json()
        return next(task for task in tack["tasks"] if task["code"] == "tack-lay")["read"]

    assert read() is None
    should = client.get(here).get_json()["picture"]["masks"][0]["readings"][0]
    client.post(f"{here}/masks/1/laid", json={"left": [should["left"][0] + 7], "top": should["top"][1:]})
    first = read()
    client.post(f"{here}/masks/1/laid", json={"left": should["left"][1:], "top": should["top"][1:]})

    assert (first["within"], first["instruction"]) == (False, "Shift it 7 mm to the left.")
    assert (read()["within"], read()["instruction"]) == (True, "It lies where it should.")


def test_a_patch_is_laid_by_itself_and_one_that_is_none_is_said(client) -> None:
    here = address(begin(client))
    client.patch(here, json={"cutter": "table-square"})
    places = client.get(here).get_json()["picture"]["masks"][0]["readings"]
    patch = places[2]
    assert patch["patch"] is not None

    told = client.post(
        f"{here}/masks/1/laid", json={"patch": patch["patch"], "left": [patch["left"][0]], "top": patch["top"][1:]}
    ).get_json()
    unknown = client.post(f"{here}/masks/1/laid", json={"patch": 99, "left": [10]})

    assert told["within"]
    assert unknown.status_code == 404
