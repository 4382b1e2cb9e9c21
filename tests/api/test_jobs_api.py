"""The API: begin, look, change, undo; every failure a problem in a maker's words."""

import io
import re
from datetime import timedelta
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient
from sqlalchemy import text

from dunestead.api import jobs as jobs_views
from tests.shapes import WORD, rect, svg

ROOT = Path(__file__).parents[2]


def begin(client: FlaskClient, body: str = WORD, **fields: str) -> dict[str, Any]:
    form = {"artwork": (io.BytesIO(svg(body)), "cabin-8_mat.svg"), **fields}
    answer = client.post("/api/jobs", data=form)
    assert answer.status_code == 201, answer.text
    return answer.get_json()


def station(job: dict[str, Any], code: str) -> dict[str, Any]:
    return next(found for found in job["stations"] if found["code"] == code)


def test_a_job_begins_from_a_dropped_file(client) -> None:
    job = begin(client, surface="coir")

    assert job["inputs"]["name"] == "Cabin 8 mat"
    assert [piece["number"] for piece in job["pieces"]] == [1, 2, 3]
    assert [found["code"] for found in job["stations"]][:3] == ["blank", "artwork", "mask"]
    assert job["history"] == {"undo": None, "redo": None}
    assert client.get("/api/jobs").get_json()["jobs"][0]["loose"] == 3


def test_a_change_shows_at_once_and_can_be_taken_back(client) -> None:
    job = begin(client)
    address = f"/api/jobs/{job['id']}"

    wider = client.patch(address, json={"design_width": 321.0}).get_json()
    assert wider["rail"]["width"] == pytest.approx(321.0)
    assert wider["history"]["undo"] == "Width of the design"
    back = client.post(f"{address}/undo").get_json()
    assert back["rail"]["width"] == job["rail"]["width"]
    again = client.post(f"{address}/redo").get_json()
    assert again["rail"]["width"] == wider["rail"]["width"]


def test_a_station_is_answered_with_its_own_part_only(client) -> None:
    address = f"/api/jobs/{begin(client)['id']}"
    whole = client.get(address).get_json()
    rooms = {code: client.get(f"{address}?room={code}").get_json() for code in ("mask", "sheets", "tack")}
    work = client.get(f"{address}/work?room=tack").get_json()
    changed = client.patch(f"{address}?room=sheets", json={"border": 30}).get_json()

    assert {code: [k for k in ("weak", "mask", "sheets") if job[k] is not None] for code, job in rooms.items()} == {
        "mask": ["weak", "mask"],
        "sheets": ["sheets"],
        "tack": [],
    }
    assert rooms["mask"]["mask"] == whole["mask"]
    assert rooms["sheets"]["sheets"] == whole["sheets"]
    assert rooms["tack"]["picture"] == whole["picture"]
    for job in (*rooms.values(), changed):
        assert [one["code"] for one in job["stations"] if one["tasks"] or one["rows"]] == [job["room"]]
    assert [one["verdict"] for one in rooms["tack"]["stations"]] == [one["verdict"] for one in whole["stations"]]
    assert station(work, "tack")["tasks"] == station(whole, "tack")["tasks"]
    assert client.get(f"{address}?room=attic").status_code == 422


def test_fates_for_one_and_for_all(client) -> None:
    job = begin(client)
    address = f"/api/jobs/{job['id']}/fates"

    one = client.post(address, json={"numbers": [2], "fate": "bridge"}).get_json()
    assert [piece["is_kept"] for piece in one["pieces"]] == [True, False, True]
    assert {bridge["piece"] for bridge in one["picture"]["masks"][0]["bridges"]} == {2}
    every = client.post(address, json={"fate": "leave-out"}).get_json()
    assert {piece["fate"] for piece in every["pieces"]} == {"leave-out"}
    assert every["history"]["undo"] == "All pieces left out"
    undecided = client.post(address, json={"numbers": [1], "fate": None}).get_json()
    assert [piece["fate"] for piece in undecided["pieces"]] == [None, "leave-out", "leave-out"]


def test_numbers_survive_a_change_of_size(client) -> None:
    job = begin(client)
    client.post(f"/api/jobs/{job['id']}/fates", json={"numbers": [3], "fate": "bridge"})

    smaller = client.patch(f"/api/jobs/{job['id']}", json={"design_width": 200.0}).get_json()

    assert [piece["fate"] for piece in smaller["pieces"]] == [None, None, "bridge"]


def done(client: FlaskClient, address: str, task: str, **more: Any) -> Any:
    return client.post(f"{address}/tasks/done", json={"task": task, "done": True, **more})


def led_to(client: FlaskClient, address: str, task: str) -> None:
    """Tick off all that comes before a step of the first copy."""
    tasks = [one["id"] for station in worked(client, address)["stations"] for one in station["tasks"]]
    for before in tasks[: tasks.index(task)]:
        assert done(client, address, before, reason="a trial").status_code == 200


def tell(client: FlaskClient, address: str, task: str, what: str, count: int) -> Any:
    """Write down how many were counted."""
    return client.post(f"{address}/tasks/count", json={"task": task, "what": what, "count": count})


def worked(client: FlaskClient, address: str) -> Any:
    return client.get(f"{address}/work").get_json()


def task_of(work: Any, code: str, where: str) -> Any:
    return next(task for task in station(work, where)["tasks"] if task["code"] == code)


def test_as_many_pins_must_come_back_as_were_set(client) -> None:
    address = f"/api/jobs/{begin(client)['id']}"
    set_, back = (task_of(worked(client, address), code, code[:4])["id"] for code in ("tack-pins", "peel-pins"))

    led_to(client, address, set_)
    assert "pins are not counted yet" in done(client, address, set_).get_json()["title"]
    tell(client, address, set_, "pins", 17)
    assert done(client, address, set_).status_code == 200
    (count,) = task_of(worked(client, address), "peel-pins", "peel")["call"]["counts"]
    assert (count["expected"], count["counted"]) == (17, None)
    tell(client, address, back, "pins", 16)
    assert "You counted 16 pins; there should be 17" in done(client, address, back).get_json()["title"]
    assert done(client, address, back, reason="One bent, and in the bin").status_code == 200


def test_a_count_that_comes_out_is_one_press(client) -> None:
    """Three centres and the windows of the word are counted and the step is ticked at once; out of turn nothing is."""
    address = f"/api/jobs/{begin(client)['id']}"
    count, pins = "weed-count/m1/k1", task_of(worked(client, address), "tack-pins", "tack")["id"]
    body = {"task": count, "done": True, "all_here": True}

    def said() -> str | None:
        return task_of(worked(client, address), "weed-count", "weed")["call"]["all_here"]

    windows = sum(one["expected"] for one in task_of(worked(client, address), "weed-count", "weed")["call"]["counts"])
    assert said() == f"All {windows} windows out, 3 in place"
    assert client.post(f"{address}/tasks/done", json=body).get_json()["title"].startswith("First: ")
    assert task_of(worked(client, address), "weed-count", "weed")["call"]["answered"] == {}
    led_to(client, address, count)
    closed = client.post(f"{address}/tasks/done", json=body)
    assert closed.status_code == 200
    call = task_of(closed.get_json(), "weed-count", "weed")["call"]
    assert (sorted(call["answered"]), call["all_here"]) == (["1", "2", "3"], None)
    assert all(one["counted"] == one["expected"] for one in call["counts"])
    # All pins that were planned are set at one press, too; a count that does not come out is looked at first.
    set_pins = task_of(worked(client, address), "tack-pins", "tack")["call"]
    assert set_pins["all_here"] == f"All {set_pins['counts'][0]['planned']} pins"
    led_to(client, address, pins)
    assert client.post(f"{address}/tasks/done", json=body | {"task": pins}).status_code == 200
    counted = task_of(worked(client, address), "tack-pins", "tack")["call"]["counts"][0]
    assert counted["counted"] == counted["planned"]
    other = f"/api/jobs/{begin(client)['id']}"
    tell(client, other, count, "keepers", 2)
    assert task_of(worked(client, other), "weed-count", "weed")["call"]["all_here"] is None


def test_rests_of_the_plate_are_ticked_one_by_one_and_where_it_lifted_is_pressed_again(client) -> None:
    address = f"/api/jobs/{begin(client)['id']}"
    press = task_of(worked(client, address), "tack-press", "tack")["id"]

    client.post(f"{address}/tasks/call", json={"task": press, "numbers": [1], "present": True})
    client.post(f"{address}/tasks/lifted", json={"task": press, "numbers": [1], "lifted": True})

    work = worked(client, address)
    assert list(task_of(work, "tack-press", "tack")["call"]["answered"]) == ["1"]
    assert task_of(work, "tack-press-again", "tack")["call"]["lifted"] == [1]
    client.post(f"{address}/tasks/lifted", json={"task": press, "numbers": [1], "lifted": False})
    assert task_of(worked(client, address), "tack-press-again", "tack")["call"]["lifted"] == []


def test_a_roll_call_closes_only_when_the_count_comes_out_or_a_reason_is_given(client) -> None:
    address = f"/api/jobs/{begin(client)['id']}"
    count = "weed-count/m1/k1"

    early = done(client, address, count)
    assert (early.status_code, early.get_json()["code"]) == (409, "needs-reason")
    assert "3 pieces are still missing: 1, 2, 3." in early.get_json()["title"]
    client.post(f"{address}/tasks/call", json={"task": count, "numbers": [1, 3], "present": True})
    assert "1 piece is still missing: 2." in done(client, address, count).get_json()["title"]
    reasoned = done(client, address, count, reason="Piece 2 tore; a new one is cut").get_json()
    assert station(reasoned, "weed")["state"] == "stop"
    client.post(f"{address}/tasks/done", json={"task": count, "done": False})
    # Two are counted: that is not all of them. Three are: all have answered, and the windows are still to be counted.
    tell(client, address, count, "keepers", 2)
    assert "missing" in done(client, address, count).get_json()["title"]
    tell(client, address, count, "keepers", 3)
    first, *others = task_of(worked(client, address), "weed-count", "weed")["call"]["counts"]
    assert f"{first['name']} are not counted yet" in done(client, address, count).get_json()["title"]
    tell(client, address, count, first["what"], first["expected"] - 1)
    assert f"You counted {first['expected'] - 1} {first['name']}" in done(client, address, count).get_json()["title"]
    for one in (first, *others):
        tell(client, address, count, one["what"], one["expected"])
    assert done(client, address, count).get_json()["title"].startswith("First: ")
    led_to(client, address, count)
    closed = done(client, address, count)
    assert closed.status_code == 200
    (counted,) = (
        row["value"] for row in station(closed.get_json(), "weed")["rows"] if row["label"] == "Pieces counted"
    )
    assert counted == 3


def test_the_first_and_the_last_stroke_start_the_clock_of_the_peel(client, clock) -> None:
    """Outdoor acrylic is peeled wet: at most 10 min after the last coat, 30 after the first stroke."""
    address = f"/api/jobs/{begin(client)['id']}"
    client.patch(address, json={"coatings": [{"role": "colour", "paint": "outdoor-acrylic", "coats": 1}]})
    began = (clock.now - timedelta(minutes=25)).isoformat()

    led_to(client, address, "paint-coat/m1/k1/c1/n1")
    work = done(client, address, "paint-coat/m1/k1/c1/n1", began=began).get_json()

    peels = [clock_ for clock_ in work["clocks"] if clock_["station"] == "peel"]
    assert {one["closes"] for one in peels} == {(clock.now + timedelta(minutes=5)).isoformat().replace("+00:00", "Z")}
    assert station(work, "peel")["state"] == "stop"
    clock.turn(6)
    assert "Late: peel now" in station(client.get(f"{address}/work").get_json(), "peel")["verdict"]
    back = client.post(f"{address}/tasks/done", json={"task": "paint-coat/m1/k1/c1/n1", "done": False}).get_json()
    assert back["clocks"] == []


def test_a_coat_before_its_time_asks_why(client, clock) -> None:
    """Porch paint on coir, peeled wet, follows wet on wet; its use comes a day later."""
    address = f"/api/jobs/{begin(client)['id']}"
    client.patch(address, json={"coatings": [{"role": "colour", "paint": "outdoor-acrylic", "coats": 1}]})
    led_to(client, address, "cure-use/k1")
    clock.turn(60)

    refused = done(client, address, "cure-use/k1").get_json()

    assert refused["code"] == "needs-reason"
    assert refused["title"] == "Too early: 23 h to wait."
    clock.turn(1380)
    assert done(client, address, "cure-use/k1").status_code == 200


def test_a_step_out_of_its_turn_says_before_the_press_what_comes_first_and_asks_why(client) -> None:
    """Nothing of a job is done: of all its steps only those with nothing before them are ticked without a reason."""
    address = f"/api/jobs/{begin(client)['id']}"
    tasks = [one for station in worked(client, address)["stations"] for one in station["tasks"]]

    first = [one["id"] for one in tasks if not one["held_up"]]
    assert first == ["blank-prepared/k1", "sheets-check"]
    for one in tasks:
        if one["id"] not in first:
            refused = done(client, address, one["id"])
            assert refused.status_code == 409, one["id"]
    cut = next(one for one in tasks if one["id"] == "sheets-cut/s1")
    assert cut["held_up"] == "First: Test cut."
    assert done(client, address, "sheets-test-cut").get_json()["title"].startswith("First: Check the material")
    assert done(client, address, "sheets-check").status_code == 200
    assert done(client, address, cut["id"]).get_json()["title"] == "First: Test cut."
    assert done(client, address, "sheets-test-cut").status_code == 200
    assert task_of(worked(client, address), "sheets-cut", "sheets")["held_up"] == ""
    assert done(client, address, cut["id"]).status_code == 200


def test_what_was_done_on_an_earlier_version_is_told(client) -> None:
    """Cut sheet 1, then change the width: the tick stays, and says what it was about is no more."""
    address = f"/api/jobs/{begin(client)['id']}"
    led_to(client, address, "sheets-cut/s1")
    cut = station(done(client, address, "sheets-cut/s1").get_json(), "sheets")["tasks"][2]
    assert (cut["state"], cut["changed"]) == ("done", [])

    wider = client.patch(address, json={"design_width": 321.0}).get_json()
    assert station(wider, "sheets")["tasks"][2]["state"] == "outdated"
    assert station(wider, "sheets")["tasks"][2]["changed"] == ["sheet"]
    assert "earlier version" in station(wider, "sheets")["verdict"]
    other = client.patch(address, json={"material": "card"}).get_json()
    assert "material" in station(other, "sheets")["tasks"][2]["changed"]
    back = client.post(f"{address}/undo")
    back = client.post(f"{address}/undo").get_json()
    assert station(back, "sheets")["tasks"][2]["state"] == "done"


def test_two_windows_never_overwrite_each_other(client) -> None:
    """Window B changes a colour on what it saw before A measured: it is told so, and A's measure stays."""
    job = begin(client)
    address = f"/api/jobs/{job['id']}"
    seen = {"If-Match": f'"v{job["version"]}"'}
    measured = {"width": 600, "height": 400, "measured_width": 596}
    assert client.patch(address, json={"blank": measured}, headers=seen).status_code == 200

    clash = client.patch(address, json={"blank": {"width": 600, "height": 400, "colour": "#112233"}}, headers=seen)

    assert (clash.status_code, clash.get_json()["code"]) == (412, "changed-meanwhile")
    assert "Blank" in clash.get_json()["title"]
    now = client.get(address)
    assert now.get_json()["inputs"]["blank"]["measured_width"] == 596
    assert client.patch(address, json={"copies": 2}, headers={"If-Match": now.headers["ETag"]}).status_code == 200


def test_a_change_that_names_no_version_is_refused(client) -> None:
    address = f"/api/jobs/{begin(client)['id']}"

    answer = client.patch(address, json={"copies": 2}, headers={"If-Match": ""})

    assert (answer.status_code, answer.get_json()["code"]) == (428, "no-version")


def test_a_job_that_cannot_be_reckoned_leaves_the_board_standing_and_is_mended(client) -> None:
    fine, broken = begin(client), begin(client)
    own = client.post("/api/workshop/cutters", json=CUTTER).get_json()["cutters"][0]
    address = f"/api/jobs/{broken['id']}"
    client.patch(address, json={"cutter": f"own-{own['id']}"})
    engine = client.application.extensions["workbench"]._store._sessions
    with engine.write() as session:
        session.execute(text("DELETE FROM shelf"))
    client.application.extensions["workbench"].lessons.refresh()

    board = client.get("/api/jobs").get_json()
    assert [card["id"] for card in board["jobs"]] == [fine["id"]]
    assert board["broken"][0]["id"] == broken["id"]
    assert "no cutter called" in board["broken"][0]["what"]
    mending = client.get(f"{address}/mending").get_json()
    assert [mend["key"] for mend in mending["mends"]] == ["cutter"]
    tag = {"If-Match": f'"v{mending["version"]}"'}
    mended = client.post(f"{address}/mend", json={"mend": "cutter"}, headers=tag)
    assert mended.get_json()["inputs"]["cutter"] == "table-long"
    assert len(client.get("/api/jobs").get_json()["jobs"]) == 2


def test_a_damaged_job_is_shown_as_such_and_undone(client) -> None:
    job = begin(client)
    address = f"/api/jobs/{job['id']}"
    client.patch(address, json={"copies": 2})
    with client.application.extensions["workbench"]._store._sessions.write() as session:
        session.execute(text("UPDATE revision SET state = json_remove(state, '$.blank') WHERE seq = 2"))

    board = client.get("/api/jobs").get_json()
    assert (board["jobs"], board["broken"][0]["name"]) == ([], "Cabin 8 mat")
    mending = client.get(f"{address}/mending").get_json()
    assert (mending["mends"], mending["history"]["undo"]) == ([], "Copies")
    tag = {"If-Match": f'"v{mending["version"]}"'}
    assert client.post(f"{address}/undo", headers=tag).get_json()["inputs"]["copies"] == 1


def test_a_thousand_copies_are_one_set_multiplied(client) -> None:
    """A pattern of two windows, a thousand times: the roll is a thousand times as long, and each copy is counted."""
    job = begin(client)
    address = f"/api/jobs/{job['id']}"

    one = sum(len(sheet["patches"]) for sheet in job["sheets"]["sheets"])
    many = client.patch(address, json={"copies": 1000}).get_json()

    assert many["copies"] == 1000
    assert sum(sheet["runs"] * len(sheet["patches"]) for sheet in many["sheets"]["sheets"]) == 1000 * one
    last = client.get(f"{address}/work?copy=1000").get_json()
    (count,) = (task for task in station(last, "weed")["tasks"] if task["code"] == "weed-count")
    assert (count["id"], count["copies"]) == ("weed-count/m1/k1000", 1000)


def test_next_leads_to_what_is_red_before_anything_is_cut(client) -> None:
    address = f"/api/jobs/{begin(client)['id']}"

    fine = client.patch(address, json={"design_width": 60.0}).get_json()
    assert (fine["next"]["kind"], fine["next"]["station"]) == ("decide", "artwork")
    wide = client.patch(address, json={"design_width": 500.0}).get_json()
    assert (wide["next"]["kind"], wide["next"]["station"]) == ("decide", "mask")
    decided = client.post(f"{address}/fates", json={"fate": "keep"}).get_json()
    assert (decided["next"]["kind"], decided["next"]["task"]["code"]) == ("do", "blank-prepared")


def test_a_file_of_a_red_design_is_handed_out_only_when_the_maker_says_so(client) -> None:
    address = f"/api/jobs/{begin(client)['id']}"
    client.patch(address, json={"design_width": 60.0})

    held = client.get(f"{address}/sheets.zip")
    assert (held.status_code, held.get_json()["code"]) == (409, "red-finding")
    assert "Too fine" in held.get_json()["title"]
    assert client.post(f"{address}/sheets/1/cut", json={}).status_code == 409
    given = client.get(f"{address}/sheets.zip?anyway=true")
    assert given.content_type == "application/zip"
    log = client.application.extensions["workbench"]._store.get(int(address.rpartition("/")[2])).log
    assert [(entry.kind, entry.task) for entry in log] == [("handed-out", "sheets.zip")]


def test_a_head_is_small_and_each_station_comes_alone(client) -> None:
    address = f"/api/jobs/{begin(client)['id']}"

    head = client.get(f"{address}/head")
    weed = client.get(f"{address}/stations/weed").get_json()

    assert len(head.data) < 4000
    assert [one["code"] for one in head.get_json()["stations"]][-1] == "record"
    assert [task["code"] for task in weed["tasks"]][-1] == "weed-count"
    assert client.get(f"{address}/stations/moon").status_code == 404


def test_the_drawer_holds_what_was_put_away(client) -> None:
    job = begin(client)
    client.post(f"/api/jobs/{job['id']}/put-away")

    assert [card["id"] for card in client.get("/api/jobs/away").get_json()["jobs"]] == [job["id"]]
    client.post(f"/api/jobs/{job['id']}/bring-back")
    assert client.get("/api/jobs/away").get_json() == {"jobs": [], "broken": [], "looks": []}


def test_a_job_goes_out_as_a_file_and_comes_in_as_it_was(client) -> None:
    job = begin(client)
    address = f"/api/jobs/{job['id']}"
    client.patch(address, json={"copies": 3, "border": 31.0})
    client.post(f"{address}/fates", json={"numbers": [2], "fate": "bridge"})
    out = client.get(f"{address}/job-file")

    back = client.post("/api/jobs/job-file", data={"file": (io.BytesIO(out.data), "mat.zip")})

    assert back.status_code == 201, back.text
    before, after = client.get(address).get_json(), back.get_json()
    assert after["id"] != before["id"]
    assert after["inputs"] == before["inputs"]
    assert [piece["fate"] for piece in after["pieces"]] == [None, "bridge", None]
    assert after["sheets"] == before["sheets"]


CUTTER = {
    "name": "Bench cutter",
    "feeds": "mat",
    "reach_width": 292,
    "reach_length": 597,
    "slowest": 5,
    "fastest": 200,
    "acceleration": 1000,
    "lift": 0.1,
    "force_low": 20,
    "force": 400,
}


def test_a_record_is_kept(client) -> None:
    job = begin(client)
    entry = {"grade": 5, "notes": "As wished", "minutes": {"weed": 9}, "used_ml": {"outdoor-acrylic": 60}}

    kept = client.put(f"/api/jobs/{job['id']}/record", json=entry).get_json()

    assert kept["record"] == {**entry, "troubles": {}, "looks": {}, "photos": []}
    assert "5 of 5" in station(kept, "record")["verdict"]


def test_a_job_is_put_away_and_brought_back(client) -> None:
    job = begin(client)

    assert client.post(f"/api/jobs/{job['id']}/put-away").status_code == 204
    assert client.get("/api/jobs").get_json()["jobs"] == []
    assert client.post(f"/api/jobs/{job['id']}/bring-back").status_code == 204
    assert len(client.get("/api/jobs").get_json()["jobs"]) == 1


def test_figures_can_be_given_back_to_the_catalogue(client) -> None:
    address = f"/api/jobs/{begin(client)['id']}"
    client.patch(address, json={"border": 25.0, "method": "paper-bare"})

    job = client.patch(address, json={"border": None, "method": None}).get_json()

    assert (job["inputs"]["border"], job["method"]) == (None, "paper-tape")
    # Usual is 40; the cutter reaches 597, and whole mm are left on either side of the artwork.
    assert job["in_force"]["border"] == (597 - job["rail"]["width"]) // 2 == 28


def test_sentences_follow_the_unit_and_numbers_stay_in_mm(client) -> None:
    job = begin(client)

    inches = client.get(f"/api/jobs/{job['id']}?unit=in").get_json()

    assert " in" in station(inches, "blank")["verdict"]
    assert inches["rail"]["width"] == job["rail"]["width"]


@pytest.mark.parametrize(
    ("method", "address", "body", "status", "said"),
    [
        ("get", "/api/jobs/99", None, 404, "no job 99"),
        ("get", "/api/nothing", None, 404, "nothing at this address"),
        ("delete", "/api/jobs", None, 405, "does not take"),
        ("get", "/api/jobs?unit=furlong", None, 422, "could not be understood"),
        ("patch", "/api/jobs/1", {"design_width": -4}, 400, "width of the design"),
        ("patch", "/api/jobs/1", {"design_width": "wide"}, 422, "design_width"),
        ("patch", "/api/jobs/1", {"design_width": None}, 400, "cannot be empty"),
        ("patch", "/api/jobs/1", {"surface": "moon"}, 400, "moon"),
        ("patch", "/api/jobs/1", {"colour": "blue"}, 422, "colour"),
        ("patch", "/api/jobs/1", {"blank": {"width": 9, "height": 9, "colour": "red"}}, 400, "colour"),
        ("patch", "/api/jobs/1", {"due": "soon"}, 422, "due"),
        ("patch", "/api/jobs/1", {"overlap": 95.0, "cutter": "pocket"}, 400, "overlap"),
        ("post", "/api/jobs/1/fates", {"numbers": [44], "fate": "keep"}, 400, "no loose piece 44"),
        ("post", "/api/jobs/1/fates", {"numbers": [1], "fate": "burn"}, 422, "fate"),
        ("post", "/api/jobs/1/tasks/done", {"task": "dance", "done": True}, 400, "dance"),
        (
            "post",
            "/api/jobs/1/tasks/done",
            {"task": "sheets-test-cut", "done": True, "at": "2090-01-01T00:00Z"},
            400,
            "in the future",
        ),
        ("post", "/api/jobs/1/tasks/call", {"task": "weed-count/m1/k1", "numbers": [44], "present": True}, 400, "44"),
        (
            "post",
            "/api/jobs/1/tasks/call",
            {"task": "sheets-test-cut", "numbers": [1], "present": True},
            400,
            "no roll-call",
        ),
        (
            "post",
            "/api/jobs/1/tasks/count",
            {"task": "weed-count/m1/k1", "what": "pins", "count": 3},
            400,
            "not counted",
        ),
        ("post", "/api/jobs/1/tasks/count", {"task": "weed-count/m1/k1", "what": "windows", "count": -1}, 400, "count"),
        (
            "post",
            "/api/jobs/1/tasks/lifted",
            {"task": "weed-count/m1/k1", "numbers": [1], "lifted": True},
            400,
            "pressed",
        ),
        ("post", "/api/jobs/1/tasks/lifted", {"task": "tack-press/m1/k1", "numbers": [99], "lifted": True}, 400, "99"),
        ("patch", "/api/jobs/1", {"coatings": []}, 400, "needs a paint"),
        ("patch", "/api/jobs/1", {"coatings": [{"role": "colour", "paint": "plate-glaze"}]}, 400, "is no colour"),
        (
            "patch",
            "/api/jobs/1",
            {"coatings": [{"role": "colour", "paint": "outdoor-acrylic", "coats": 0}]},
            400,
            "coats",
        ),
        ("patch", "/api/jobs/1", {"method": "glue"}, 400, "no method called"),
        ("patch", "/api/jobs/1", {"copies": 0}, 400, "copies"),
        ("put", "/api/jobs/1/record", {"grade": 11}, 400, "grade"),
        ("post", "/api/jobs/1/undo", None, 409, "nothing to undo"),
        ("post", "/api/jobs/1/redo", None, 409, "nothing to redo"),
        ("get", "/api/jobs/1/sheets/9.svg", None, 404, "no sheet 9"),
    ],
)
def test_a_bad_request_is_answered_in_words_and_changes_nothing(client, method, address, body, status, said) -> None:
    before = begin(client)

    answer = (
        client.open(address, method=method.upper(), json=body) if body else client.open(address, method=method.upper())
    )

    assert answer.status_code == status
    assert answer.content_type == "application/problem+json"
    problem = answer.get_json()
    assert said in problem["detail"]
    assert problem["fix"]
    assert client.get("/api/jobs/1").get_json()["inputs"] == before["inputs"]


@pytest.mark.parametrize(
    ("data", "said"),
    [
        (b"", "empty"),
        (b"no drawing", "not a readable SVG"),
        (svg("<script/>"), "script"),
        (svg("<text>Only text</text>"), "Only text"),
    ],
)
def test_artwork_that_cannot_be_used_begins_no_job(client, data: bytes, said: str) -> None:
    answer = client.post("/api/jobs", data={"artwork": (io.BytesIO(data), "a.svg")})

    assert answer.status_code == 400
    assert said in answer.get_json()["detail"]
    assert client.get("/api/jobs").get_json()["jobs"] == []


def test_a_request_without_a_file_says_what_is_missing(client) -> None:
    assert "no artwork and no words" in client.post("/api/jobs", data={"name": "x"}).get_json()["title"]


def test_a_file_far_too_large_is_refused(client) -> None:
    client.application.config["MAX_CONTENT_LENGTH"] = 2_000
    answer = client.post("/api/jobs", data={"artwork": (io.BytesIO(b" " * 3_000), "a.svg")})

    assert answer.status_code == 413
    assert "larger" in answer.get_json()["title"]


def test_other_sites_cannot_change_anything(client) -> None:
    answer = client.post("/api/jobs/1/undo", headers={"Origin": "http://example.invalid"})

    assert answer.status_code == 403
    assert client.post("/api/jobs/1/undo", headers={"Origin": "http://localhost"}).status_code == 404


def test_pages_run_nothing_but_our_own_scripts(client) -> None:
    policy = client.get("/api/catalogue").headers["Content-Security-Policy"]

    assert "default-src 'none'" in policy
    assert "script-src 'self';" in policy


def test_nothing_of_an_artworks_text_reaches_the_page_as_markup(client) -> None:
    job = begin(client, rect(0, 0, 9, 9) + "<text>&lt;img src=x onerror=alert(1)&gt;</text>")

    assert set("".join(colour["path"] for colour in job["picture"]["colours"])) <= set("MLZ0123456789.- ")


def test_files_are_offered_as_downloads(client) -> None:
    job = begin(client)

    for name, kind in (
        ("masks/1.svg", "image/svg+xml"),
        ("sheets/1.svg", "image/svg+xml"),
        ("sheets.zip", "application/zip"),
    ):
        answer = client.get(f"/api/jobs/{job['id']}/{name}")
        assert answer.status_code == 200
        assert answer.content_type.startswith(kind)
        assert answer.headers["Content-Disposition"].startswith('attachment; filename="cabin-8-mat-')


def test_the_catalogue_says_what_suits_what(client) -> None:
    catalogue = client.get("/api/catalogue").get_json()

    inches = client.get("/api/catalogue?unit=in").get_json()
    pocket = next(c for c in inches["cutters"] if c["key"] == "pocket")
    assert pocket["about"] == "Reaches 4 1/4 in by 11 5/8 in."
    iron_on = next(m for m in catalogue["materials"] if m["key"] == "iron-on")
    assert "jersey" in iron_on["suits"]
    assert "glass" not in iron_on["suits"]
    assert len(catalogue["figures"]) > 200


def test_the_api_describes_itself(client) -> None:
    spec = client.get("/api/openapi.json").get_json()

    assert spec["openapi"].startswith("3.1")
    assert "/api/jobs/{job_id}/fates" in spec["paths"]


def test_the_api_describes_what_its_entries_may_be(client) -> None:
    schemas = client.get("/api/openapi.json").get_json()["components"]["schemas"]

    record, change = schemas["RecordIn"]["properties"], schemas["JobIn"]["properties"]
    copies = change["copies"]["anyOf"][0]
    assert (copies["type"], copies["minimum"], copies["maximum"]) == ("integer", 1, 1000)
    assert (record["notes"]["minLength"], record["notes"]["maxLength"]) == (0, 10_000)
    assert record["minutes"]["additionalProperties"]["maximum"] == 10_000
    assert change["name"]["anyOf"][0]["minLength"] == 1
    assert schemas["CutSettings"]["properties"]["passes"]["maximum"] == 20


def test_a_card_is_drawn_anew_when_a_record_its_job_uses_changes_and_only_then(client, monkeypatch) -> None:
    drawn: list[int] = []

    def card_out(opened, unit):
        drawn.append(opened.head.id)
        return draw(opened, unit)

    draw = jobs_views.card_out
    monkeypatch.setattr(jobs_views, "card_out", card_out)
    own = client.post("/api/workshop/cutters", json=CUTTER).get_json()["cutters"][0]
    on_own, other = (begin(client)["id"] for _ in range(2))
    client.patch(f"/api/jobs/{on_own}", json={"cutter": own["key"]})

    def asked() -> list[int]:
        drawn.clear()
        assert len(client.get("/api/jobs").get_json()["jobs"]) == 2
        return list(drawn)

    assert asked() == [on_own, other]
    assert asked() == []
    client.post("/api/workshop/cutters", json=CUTTER | {"name": "Another"})
    assert asked() == []
    client.put(f"/api/workshop/cutters/{own['id']}", json=CUTTER | {"reach_width": 240})
    assert asked() == [on_own]
    client.patch(f"/api/jobs/{other}", json={"copies": 3})
    assert asked() == [other]


def test_a_card_of_work_ticked_before_its_time_is_true_when_the_time_has_come(client, clock) -> None:
    job = begin(client, rect(0, 0, 200, 100), surface="coir")
    address = f"/api/jobs/{job['id']}"
    blank = job["inputs"]["blank"]
    measured = {"measured_width": blank["width"], "measured_height": blank["height"]}
    client.patch(address, json={"blank": blank | measured, "design_width": 150.0})
    while following := client.get(f"{address}/head").get_json()["next"]:
        if following["kind"] == "decide":
            pytest.fail(following["verdict"])
        done = {"task": following["task"]["id"], "done": True, "reason": "The customer waits."}
        assert client.post(f"{address}/tasks/done", json=done).status_code == 200

    def told() -> str:
        return client.get("/api/jobs").get_json()["jobs"][0]["verdict"]

    assert "Not in use for another" in told()
    clock.turn(60 * 24 * 60)

    assert "Not in use for another" not in told()


def test_a_job_with_a_fault_nobody_foresaw_opens_for_mending_and_undo(client, monkeypatch) -> None:
    address = f"/api/jobs/{begin(client)['id']}"
    client.patch(address, json={"copies": 2})
    workbench = client.application.extensions["workbench"]
    reckon = workbench.reckon

    def faulty(job):
        if job.blank.copies == 2:
            raise ZeroDivisionError
        return reckon(job)

    monkeypatch.setattr(workbench, "reckon", faulty)
    mending = client.get(f"{address}/mending")

    assert mending.get_json()["what"] == "This job cannot be worked out."
    assert mending.get_json()["history"]["undo"] == "Copies"
    undone = client.post(f"{address}/undo", headers={"If-Match": mending.headers["ETag"]})
    assert undone.get_json()["inputs"]["copies"] == 1
    assert client.get("/api/jobs").get_json()["broken"] == []


def test_a_job_zip_that_is_torn_is_refused_with_a_sentence(client) -> None:
    sound = client.get(f"/api/jobs/{begin(client)['id']}/job-file").data
    torn = bytearray(sound)
    torn[60:120] = bytes(60)

    answer = client.post("/api/jobs/job-file", data={"file": (io.BytesIO(bytes(torn)), "job.zip")})

    assert answer.status_code == 400
    assert answer.get_json()["title"]
    assert len(client.get("/api/jobs").get_json()["jobs"]) == 1


@pytest.mark.parametrize(
    ("name", "change"),
    [
        ("record.notes", lambda n: {"notes": "x" * int(n)}),
        ("record.minutes", lambda n: {"minutes": {"mask": n}}),
        ("record.used_ml", lambda n: {"used_ml": {"outdoor-acrylic": n}}),
        ("cut.force", lambda n: {"cut": {"force": n, "passes": 1, "speed": 60}}),
        ("cut.passes", lambda n: {"cut": {"force": 100, "passes": int(n), "speed": 60}}),
        ("cut.speed", lambda n: {"cut": {"force": 100, "passes": 1, "speed": n}}),
        ("job.name", lambda n: {"name": "x" * int(n)}),
        ("blank.copies", lambda n: {"copies": int(n)}),
        ("mask.bridge_width", lambda n: {"bridge_width": n}),
    ],
)
def test_what_the_page_is_told_of_limits_is_what_holds(client, name: str, change) -> None:
    here = f"/api/jobs/{begin(client)['id']}"
    limit = client.get("/api/catalogue").get_json()["limits"][name]
    to_record = name.startswith("record.")
    method, address = ("PUT", f"{here}/record") if to_record else ("PATCH", here)

    def give(value: float) -> Any:
        return client.open(address, method=method, json=change(value))

    assert give(limit["most"]).status_code == 200
    assert give(limit["least"]).status_code == 200
    above = give(limit["most"] + 1)

    assert above.status_code == 400
    assert limit["name"] in above.get_json()["title"]


def test_every_field_of_the_page_names_an_entry_whose_limits_are_told(client) -> None:
    told = client.get("/api/catalogue").get_json()["limits"]
    pages = [path.read_text() for path in (ROOT / "web" / "src").rglob("*.svelte")]
    named = {name for page in pages for name in re.findall(r"""(?:entry="|limits[([]')([a-z]+\.[a-z_]+)["']""", page)}

    assert len(named) > 40
    assert named <= told.keys()
