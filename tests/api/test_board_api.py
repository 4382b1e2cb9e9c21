"""The board: jobs begun with a size and a lettering, copied, deleted, brought back, erased; examples; small answers."""

import gzip
import io
import json

import numpy as np
import pytest

from dunestead.demo.scan import CORNERS, scan_of_gull
from tests.api.test_design_api import address, begin

DAY = 1440


def names(client, where: str = "") -> list[str]:
    return [card["name"] for card in client.get(f"/api/jobs{where}").get_json()["jobs"]]


def test_words_are_begun_on_a_blank_of_a_size_in_a_lettering(client) -> None:
    begun = client.post(
        "/api/jobs",
        data={"words": "TERN", "face": "bevan", "surface": "wood-sealed", "width": "20in", "height": "16cm"},
    ).get_json()

    assert begun["inputs"]["blank"]["width"] == pytest.approx(508)
    assert begun["inputs"]["blank"]["height"] == pytest.approx(160)
    assert begun["elements"][0]["words"]["face"] == "bevan"


@pytest.mark.parametrize(
    ("form", "told"),
    [
        ({"width": "wide"}, "not a length"),
        ({"height": "30m"}, "height of the blank"),
        ({"face": "none-such"}, "none-such"),
    ],
)
def test_a_size_or_lettering_that_cannot_be_begins_nothing(client, form, told) -> None:
    answer = client.post("/api/jobs", data={"words": "TERN", **form})

    assert answer.status_code in (400, 404)
    assert told in answer.get_json()["title"]
    assert names(client) == []


def test_a_copy_takes_the_decisions_along_but_not_what_happened(client) -> None:
    job = begin(client)
    task = job["stations"][0]["tasks"][0]["id"]
    client.post(f"{address(job)}/tasks/done", json={"task": task, "done": True, "reason": "now"})

    client.put(f"{address(job)}/record", json={"grade": 2})

    begun = client.post(f"{address(job)}/again", json={"name": "Once more", "due": "2026-06-01"}).get_json()["jobs"]
    copy = client.get(f"/api/jobs/{begun[0]}").get_json()

    assert (len(begun), copy["id"] != job["id"]) == (1, True)
    assert (copy["inputs"]["name"], copy["inputs"]["due"]) == ("Once more", "2026-06-01")
    assert (copy["record"]["grade"], copy["history"]["undo"]) == (None, None)
    assert copy["inputs"]["blank"] == job["inputs"]["blank"]
    assert copy["stations"][0]["tasks_done"] == 0
    assert client.get(address(job)).get_json()["stations"][0]["tasks_done"] == 1


def test_a_design_is_made_on_several_blanks_as_a_set_or_on_none_of_them(client) -> None:
    job = begin(client)
    for name, width in (("Small mat", 300.0), ("Large mat", 900.0)):
        client.patch(address(job), json={"blank": {"width": width, "height": width * 2 / 3}})
        client.post(f"{address(job)}/blank/keep", json={"name": name})
    shirt = begin(client, surface="jersey")
    client.post(f"{address(shirt)}/blank/keep", json={"name": "Shirt"})
    numbers = {one["name"]: one["id"] for one in client.get("/api/blanks").get_json()["blanks"]}
    count = len(names(client))

    chosen = [numbers["Small mat"], numbers["Shirt"], numbers["Large mat"], numbers["Small mat"]]
    begun = client.post(f"{address(job)}/again", json={"name": "Row", "blanks": chosen}).get_json()["jobs"]
    made = [client.get(f"/api/jobs/{number}").get_json() for number in begun]

    assert [one["inputs"]["name"] for one in made] == ["Row, Small mat", "Row, Shirt", "Row, Large mat"]
    small, shirt_job, large = made
    assert large["rail"]["width"] == pytest.approx(3 * small["rail"]["width"], rel=0.01)
    # What does not go on cloth is changed for what does.
    assert shirt_job["inputs"]["surface"] == "jersey"
    assert {one["paint"] for one in shirt_job["coatings"]} == {"fabric-brush"}
    for wrong in ([numbers["Small mat"], 999], [True, "x"]):
        told = client.post(f"{address(job)}/again", json={"name": "Row", "blanks": wrong})
        assert told.status_code in (404, 422)
    assert client.post(f"{address(job)}/again", json={"name": ""}).status_code == 400
    assert len(names(client)) == count + 3


def test_a_deleted_job_comes_back_until_it_is_erased(client) -> None:
    job = begin(client)
    name = job["inputs"]["name"]

    assert client.delete(address(job)).status_code == 204
    assert (names(client), names(client, "/deleted"), names(client, "/away")) == ([], [name], [])
    client.post(f"{address(job)}/bring-back")
    assert names(client) == [name]
    client.delete(address(job))
    assert client.post(f"{address(job)}/erase").status_code == 204
    assert names(client, "/deleted") == []
    assert client.get(address(job)).status_code == 404


def test_what_is_on_the_board_is_not_erased(client) -> None:
    job = begin(client)

    answer = client.post(f"{address(job)}/erase")

    assert answer.status_code == 409
    assert "not deleted" in answer.get_json()["title"]
    assert len(names(client)) == 1


def test_a_deleted_job_is_erased_after_thirty_days_and_no_sooner(client, clock) -> None:
    first, second = begin(client), begin(client)
    client.delete(address(first))
    clock.turn(29 * DAY)
    client.delete(address(second))
    assert len(names(client, "/deleted")) == 2
    clock.turn(2 * DAY)
    client.delete(address(begin(client)))

    assert len(names(client, "/deleted")) == 2
    assert client.get(address(first)).status_code == 404
    assert client.get(address(second)).status_code == 200


def test_examples_are_listed_and_begun(client) -> None:
    keys = [one["key"] for one in client.get("/api/examples").get_json()["examples"]]

    assert len(keys) == 3
    for key in keys:
        assert client.post(f"/api/examples/{key}").status_code == 201
    assert client.post("/api/examples/none").status_code == 404
    assert len(names(client)) == 3


def test_answers_are_sent_small_and_name_their_version_all_the_same(client) -> None:
    job = begin(client)
    plain = client.get(address(job))
    small = client.get(address(job), headers={"Accept-Encoding": "gzip"})

    assert small.headers["Content-Encoding"] == "gzip"
    assert small.headers["ETag"] == plain.headers["ETag"] == '"v1"'
    assert len(small.data) < len(plain.data) / 2
    assert json.loads(gzip.decompress(small.data))["id"] == job["id"]


def test_a_card_says_what_a_job_waits_for(client) -> None:
    job = begin(client)
    assert client.get("/api/jobs").get_json()["jobs"][0]["phase"] == "decide"

    client.post(f"{address(job)}/fates", json={"numbers": None, "fate": "keep"})

    assert client.get("/api/jobs").get_json()["jobs"][0]["phase"] == "work"


def test_the_pages_files_are_sent_as_small_as_they_were_made(client, tmp_path, monkeypatch) -> None:
    (tmp_path / "assets").mkdir()
    (tmp_path / "assets" / "page.js").write_text("plain")
    (tmp_path / "assets" / "page.js.br").write_bytes(b"small")
    monkeypatch.setattr("dunestead.api.app._STATIC", tmp_path)

    with client.get("/assets/page.js", headers={"Accept-Encoding": "br"}) as small:
        assert (small.data, small.headers["Content-Encoding"]) == (b"small", "br")
        assert small.mimetype == "text/javascript"
    with client.get("/assets/page.js") as plain:
        assert (plain.data, plain.mimetype) == (b"plain", "text/javascript")


def test_the_sheet_in_a_photo_is_cut_out_by_itself_and_the_whole_photo_can_be_taken(client) -> None:
    begun = client.post("/api/jobs", data={"artwork": (io.BytesIO(scan_of_gull()), "gull.jpg")}).get_json()

    trace = begun["elements"][0]["trace"]
    assert trace["corners"] == trace["sheet"]
    assert np.array(trace["sheet"]) == pytest.approx(np.array(CORNERS), abs=0.006)
    part = f"/api/jobs/{begun['id']}/elements/{begun['elements'][0]['id']}"
    whole = client.patch(part, json={"trace": {"corners": None}}).get_json()
    assert whole["elements"][0]["trace"]["corners"] is None
