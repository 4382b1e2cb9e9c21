"""Sheets over the API: what the maker says of patches, records, test cuts, the cutter, longer searches."""

import io
import time

import pytest

from dunestead.api.app import create_app
from dunestead.store import open_database
from dunestead.store.searches import SearchStore
from tests.shapes import WORD, rect, svg


def begin(client, body: str = WORD, surface: str = "coir", **changes):
    form = {"artwork": (io.BytesIO(svg(body)), "word.svg"), "surface": surface}
    job = client.post("/api/jobs", data=form).get_json()
    return client.patch(f"/api/jobs/{job['id']}", json=changes).get_json() if changes else job


def homes(job) -> dict[int, int]:
    return {patch["number"]: sheet["number"] for sheet in job["sheets"]["sheets"] for patch in sheet["patches"]}


CUTTER = {
    "name": "Old faithful",
    "feeds": "mat",
    "reach_width": 200,
    "reach_length": 280,
    "slowest": 5,
    "fastest": 150,
    "acceleration": 900,
    "lift": 0.2,
    "force_low": 20,
    "force": 300,
}
ROLL = {"name": "Window roll", "kind": "roll", "key": "paper-coated-down", "width": 250, "left": 300}


def test_a_patch_is_laid_on_the_sheet_it_was_dragged_to_and_that_is_undone(client) -> None:
    job = begin(client, cutter="table-square")
    address, first = f"/api/jobs/{job['id']}", homes(job)
    count = len(job["sheets"]["sheets"])
    number, sheet = next(iter(first.items()))
    other = next(k for k in range(1, count + 2) if k != sheet)

    moved = client.post(f"{address}/patches/{number}", json={"sheet": other}).get_json()
    assert homes(moved)[number] == other
    assert not any(one["faults"] for one in moved["sheets"]["sheets"])
    assert homes(client.post(f"{address}/undo").get_json()) == first

    client.post(f"{address}/redo")
    assert homes(client.delete(f"{address}/patches").get_json()) == first


@pytest.mark.parametrize(
    ("number", "say", "status"), [(99, {"sheet": 1}, 404), (1, {"sheet": 0}, 400), (1, {"x": 1}, 422)]
)
def test_what_cannot_be_said_of_a_patch_is_refused(client, number, say, status) -> None:
    job = begin(client)

    answer = client.post(f"/api/jobs/{job['id']}/patches/{number}", json=say)

    assert answer.status_code == status
    assert answer.get_json()["title"]


def test_an_own_cutter_is_chosen_changed_taken_out_and_brought_back(client) -> None:
    kept = client.post("/api/workshop/cutters", json=CUTTER).get_json()["cutters"][0]
    job = begin(client, cutter=kept["key"])
    assert job["sheets"]["reach"] == [200, 280]

    client.put(f"/api/workshop/cutters/{kept['id']}", json=CUTTER | {"reach_width": 240})
    assert client.get(f"/api/jobs/{job['id']}").get_json()["sheets"]["reach"] == [240, 280]
    client.post(f"/api/workshop/cutters/{kept['id']}/undo")
    assert client.get(f"/api/jobs/{job['id']}").get_json()["sheets"]["reach"] == [200, 280]

    client.delete(f"/api/workshop/cutters/{kept['id']}")
    gone = client.get(f"/api/jobs/{job['id']}").get_json()
    assert gone["inputs"]["cutter"] == kept["key"]
    assert client.get("/api/jobs").status_code == 200
    assert client.post(f"/api/workshop/cutters/{kept['id']}/undo").get_json()["cutters"][0]["name"] == "Old faithful"


@pytest.mark.parametrize("wrong", [{"name": " "}, {"reach_width": 2}, {"force": 1}, {"fastest": 1}])
def test_a_cutter_that_cannot_be_is_refused(client, wrong) -> None:
    assert client.post("/api/workshop/cutters", json=CUTTER | wrong).status_code == 400
    assert client.get("/api/workshop").get_json()["cutters"] == []


def test_sheets_are_no_wider_than_the_makers_roll_and_what_lacks_is_told(client) -> None:
    roll = client.post("/api/stores/items", json=ROLL).get_json()["items"][0]

    job = begin(client, stock=roll["id"])

    assert job["sheets"]["reach"][0] == 250
    assert all(sheet["width"] <= 250 for sheet in job["sheets"]["sheets"])
    assert job["sheets"]["trims"]["stock"] == "Window roll"
    wants = client.get(f"/api/jobs/{job['id']}/stores").get_json()["wants"]
    assert {want["kind"] for want in wants} == {"roll"}
    assert any(want["short"] for want in wants)


def test_a_test_cut_is_kept_try_by_try_and_proposed_next_time(client) -> None:
    job = begin(client)
    asked = {"material": job["inputs"]["material"], "cutter": job["inputs"]["cutter"], "tries": []}
    tries, number, names = [], None, {"name": "Paper", "blade": "used", "on": "2026-11-20"}
    for answer in ("not-through", "clean"):
        advice = client.post("/api/workshop/test-cut", json=asked | {"tries": tries}).get_json()
        tries = [*tries, {"settings": advice["settings"], "answer": answer}]
        entry = asked | names | {"tries": tries}
        if number is None:
            number = client.post("/api/workshop/test-cuts", json=entry).get_json()["test_cuts"][0]["id"]
        else:
            client.put(f"/api/workshop/test-cuts/{number}", json=entry)

    settings = client.get(f"/api/jobs/{job['id']}").get_json()["sheets"]
    assert settings["settings"] == {"force": 92, "passes": 1, "speed": 100}
    assert "20 Nov 2026" in settings["settings_why"]
    set_by_hand = client.patch(
        f"/api/jobs/{job['id']}", json={"cut": {"force": 70, "passes": 2, "speed": 60}}
    ).get_json()
    assert set_by_hand["sheets"]["settings"]["passes"] == 2
    assert client.get("/api/workshop/test-pattern.svg").status_code == 200


def test_a_sheet_is_cut_and_its_progress_is_there_for_any_page_that_asks(client, clock) -> None:
    job = begin(client, rect(0, 0, 10, 10), cut={"force": 95, "passes": 1, "speed": 100})
    sent = client.post(f"/api/jobs/{job['id']}/sheets/1/cut", json={}).get_json()["runs"][0]
    assert sent["state"] == "loaded"

    started = client.post(f"/api/cutter/{sent['number']}/start").get_json()["runs"][0]
    assert started["state"] == "cutting"
    again = client.post(f"/api/jobs/{job['id']}/sheets/1/cut", json={}).get_json()["runs"][1]
    assert client.post(f"/api/cutter/{again['number']}/start").status_code == 400
    clock.turn(10)
    now = client.get("/api/cutter").get_json()["runs"][0]

    planned = job["sheets"]["sheets"][0]
    assert (now["state"], now["share"]) == ("done", 1)
    assert (now["mask_parts"], now["windows"]) == (planned["mask_parts"], planned["windows"])
    assert client.delete(f"/api/cutter/{sent['number']}").get_json()["runs"][0]["number"] == again["number"]
    assert client.post("/api/cutter/99/start").status_code == 404


def test_a_longer_search_is_seen_and_stopped(client) -> None:
    job = begin(client, cutter="pocket")
    address = f"/api/jobs/{job['id']}/search"
    assert client.get(address).get_json()["running"] is False

    begun = client.post(address).get_json()
    stopped = client.post(f"{address}/stop")
    until = time.monotonic() + 20
    while client.get(address).get_json()["running"] and time.monotonic() < until:
        time.sleep(0.05)

    assert begun["sheets"] >= begun["bound"] > 0
    assert stopped.status_code == 200
    assert client.get(address).get_json()["running"] is False


@pytest.mark.parametrize("choice", ["delete", "post"])
def test_a_search_that_was_broken_off_is_named_until_it_is_let_be_or_begun_again(client, choice: str) -> None:
    address = f"/api/jobs/{begin(client, cutter='pocket')['id']}/search"
    database = client.application.config["DATABASE"]
    engine = open_database(database)
    SearchStore(engine).begin(1)
    engine.dispose()

    again = create_app({"DATABASE": database}).test_client()
    assert again.get(address).get_json()["broken_off"] is True
    assert again.open(address, method=choice.upper()).get_json()["broken_off"] is False
    again.post(f"{address}/stop")
    until = time.monotonic() + 20
    while again.get(address).get_json()["running"] and time.monotonic() < until:
        time.sleep(0.05)

    assert create_app({"DATABASE": database}).test_client().get(address).get_json()["broken_off"] is False


@pytest.mark.parametrize("kind", ["svg", "dxf", "hpgl", "pdf", "pdf-a4", "pdf-letter", "png"])
def test_each_sheet_comes_in_each_format(client, kind) -> None:
    job = begin(client, rect(0, 0, 10, 10))

    answer = client.get(f"/api/jobs/{job['id']}/sheets/1.{kind}")

    assert answer.status_code == 200
    assert "sheet-1." in answer.headers["Content-Disposition"]
    assert client.get(f"/api/jobs/{job['id']}/sheets/9.{kind}").status_code == 404


def test_iron_on_film_is_cut_mirrored_and_the_stack_says_so(client) -> None:
    stages = begin(client, material="iron-on")["sheets"]["stages"]

    assert [(stage["tool"], stage["mirrored"]) for stage in stages] == [
        ("knife", True),
        ("iron", False),
        ("eye", False),
    ]
    assert [layer["name"] for layer in stages[0]["layers"]] == ["glue", "film", "carrier", "cutting mat, sticky"]


def test_another_layout_is_taken_and_taken_back(client) -> None:
    """230 wide with a border of 40 is over the reach of 292; with 31 it is not."""
    job = begin(client, rect(0, 0, 230, 320), cutter="table-long", design_width=230, border=40)
    address = f"/api/jobs/{job['id']}"
    told = client.get(f"{address}/layouts").get_json()
    assert told["in_use"]["sheets"] == job["sheets"]["count"]
    offer = next(one for one in told["offers"] if one["code"] == "border-31")
    assert (offer["sheets"], offer["seams"]) == (1, 0)

    taken = client.post(f"{address}/layouts/border-31").get_json()
    assert taken["sheets"]["count"] == 1
    assert taken["inputs"]["border"] == 31
    assert not [one for one in client.get(f"{address}/layouts").get_json()["offers"] if one["code"] == "border-31"]
    assert client.post(f"{address}/layouts/border-31").status_code == 404

    again = client.post(f"{address}/undo").get_json()
    assert again["inputs"]["border"] == 40
    assert client.patch(address, json={"aim": "seams"}).get_json()["inputs"]["aim"] == "seams"
    assert client.patch(address, json={"aim": "luck"}).status_code == 422
