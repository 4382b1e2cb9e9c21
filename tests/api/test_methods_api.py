"""Methods, tools and plates over the wire."""

from typing import Any

from flask.testing import FlaskClient

from tests.api.test_jobs_api import begin, task_of, worked


def methods(client: FlaskClient, job: int) -> dict[str, Any]:
    found = client.get(f"/api/jobs/{job}?room=mask").get_json()["mask"]["methods"]
    return {one["key"]: one for one in found}


def test_what_another_method_would_change_is_told_before_and_comes_true(client: FlaskClient) -> None:
    job = begin(client)["id"]

    change = client.get(f"/api/jobs/{job}/methods/iron-on").get_json()
    assert (change["now"]["mirrored"], change["then"]["mirrored"]) == (False, True)
    assert (change["now"]["keepers"], change["then"]["keepers"]) == ("tape", "carrier")
    assert change["then"]["material"].startswith("Iron-on film")
    assert change["now"]["pins"] > 0 == change["then"]["pins"]
    # Nothing is kept by asking.
    assert client.get(f"/api/jobs/{job}").get_json()["inputs"]["material"] == "paper-coated-down"

    taken = client.post(f"/api/jobs/{job}/methods/iron-on").get_json()
    assert (taken["method"], taken["inputs"]["material"]) == ("iron-on", "iron-on")
    assert taken["history"]["undo"] == "Method: Iron-on film on its carrier"


def test_a_method_that_is_none_is_said(client: FlaskClient) -> None:
    job = begin(client)["id"]

    assert client.get(f"/api/jobs/{job}/methods/glue").status_code == 400
    assert client.post(f"/api/jobs/{job}/methods/glue").status_code == 400


def test_what_the_workshop_has_is_kept_for_all_jobs(client: FlaskClient) -> None:
    job = begin(client)["id"]
    assert methods(client, job)["paper-tape"]["allowed"]

    kept = client.put("/api/workshop/tools", json={"owned": ["pins", "tape", "pins"]}).get_json()

    assert kept["owned"] == ["pins", "tape"]
    assert not methods(client, job)["paper-tape"]["allowed"]
    nothing = client.put("/api/workshop/tools", json={"owned": []}).get_json()
    assert nothing["owned"] == []
    assert not methods(client, job)["card-pins"]["allowed"]
    assert client.put("/api/workshop/tools", json={"owned": ["wand"]}).status_code == 400


def test_a_plate_of_the_makers_own_presses_and_one_too_cool_is_ruled_out(client: FlaskClient) -> None:
    job = begin(client)["id"]
    plate = {"name": "Small iron", "plate_width": 60, "plate_length": 90, "overlap": 10, "heat": 200}

    own = client.post("/api/workshop/presses", json=plate).get_json()["presses"][0]
    before, after = (
        client.patch(f"/api/jobs/{job}", json={"press": key}).get_json()["picture"]["masks"][0]["passes"][0]
        for key in ("iron", own["key"])
    )
    assert len(after["placements"]) > len(before["placements"])
    client.put(f"/api/workshop/presses/{own['id']}", json={**plate, "heat": 120})
    assert "reaches 120" in methods(client, job)["paper-tape"]["why"][0]
    for wrong in ({"plate_width": 5}, {"heat": 900}, {"overlap": 50}, {"name": ""}):
        assert client.post("/api/workshop/presses", json={**plate, **wrong}).status_code in (400, 422)
    assert len(client.get("/api/workshop").get_json()["presses"]) == 1


def test_what_was_really_used_is_proposed_next_time_where_it_held(client: FlaskClient) -> None:
    def heat(job: int) -> dict[str, Any]:
        return task_of(worked(client, f"/api/jobs/{job}"), "tack-press", "tack")

    first = begin(client)["id"]
    press = heat(first)
    assert (press["heat"]["celsius"], press["heat"]["seconds"]) == (155, 30)

    used = {"task": press["id"], "celsius": 160, "seconds": 25}
    assert client.post(f"/api/jobs/{first}/tasks/used", json=used).status_code == 200
    second = begin(client)["id"]
    proposed = heat(second)["heat"]
    assert (proposed["celsius"], proposed["seconds"]) == (160, 25)
    assert "It held so on" in proposed["why"]
    assert "155 C, 30 s" in proposed["why"]
    # Hotter than the mat takes is logged as it was, and not proposed: 165 C is its most.
    client.post(f"/api/jobs/{second}/tasks/used", json={**used, "celsius": 180})
    assert heat(second)["heat"]["celsius"] == 165
    # What lifted is no proposal.
    client.post(f"/api/jobs/{second}/tasks/lifted", json={"task": press["id"], "numbers": [1], "lifted": True})
    client.post(f"/api/jobs/{second}/tasks/used", json={**used, "celsius": 150, "seconds": 10})
    assert heat(begin(client)["id"])["heat"]["seconds"] == 25
    # Written down a third time, what held is still one record, the last.
    third = begin(client)["id"]
    client.post(f"/api/jobs/{third}/tasks/used", json={**used, "celsius": 158, "seconds": 20})
    assert heat(begin(client)["id"])["heat"]["celsius"] == 158


def test_heat_that_cannot_be_is_refused(client: FlaskClient) -> None:
    job = begin(client)["id"]
    press = task_of(worked(client, f"/api/jobs/{job}"), "tack-press", "tack")["id"]

    for wrong in ({"celsius": 900}, {"seconds": 0}, {"task": "tack-pins/m1/k1"}, {"celsius": "hot"}):
        given = {"task": press, "celsius": 160, "seconds": 20, **wrong}
        assert client.post(f"/api/jobs/{job}/tasks/used", json=given).status_code in (400, 422)
    assert client.get("/api/workshop").status_code == 200
