"""Backups in the page, and whether all is well."""

from dunestead.api.app import create_app
from tests.api.test_jobs_api import begin


def test_a_workshop_goes_back_to_a_backup_and_forth_again(client, clock) -> None:
    job = begin(client)
    here = f"/api/jobs/{job['id']}"
    made = client.post("/api/backups").json["backups"]
    clock.turn(1)
    client.patch(here, json={"name": "Changed since"})
    begin(client)
    assert [one["why"] for one in made] == ["hand"]

    after = client.post(f"/api/backups/{made[0]['name']}/restore").json

    assert client.get(here).json["inputs"]["name"] == job["inputs"]["name"]
    assert len(client.get("/api/jobs").json["jobs"]) == 1
    assert [one["why"] for one in after["backups"]] == ["before-restore", "hand"]
    # What was there is a backup itself, and stays one although another is made in the same second.
    again = client.post(f"/api/backups/{after['backups'][0]['name']}/restore").json
    assert len(again["backups"]) == 3
    assert client.get(here).json["inputs"]["name"] == "Changed since"
    assert len(client.get("/api/jobs").json["jobs"]) == 2


def test_a_backup_is_handed_out_and_only_those_of_the_list(client) -> None:
    begin(client)
    name = client.post("/api/backups").json["backups"][0]["name"]

    with client.get(f"/api/backups/{name}") as handed:
        assert handed.data[:2] == b"PK"
    for other in ("../api.sqlite", "..%2Fapi.sqlite", "workshop-2026-01-01T000000-hand.zip", "x"):
        assert client.get(f"/api/backups/{other}").status_code == 404


def test_a_day_has_one_backup_and_a_day_without_changes_none(client, clock) -> None:
    begin(client)
    keeper = client.application.extensions["keeper"]

    assert keeper.make_daily() is not None
    assert keeper.make_daily() is None


def test_the_data_is_told_with_its_size_and_health_is_a_short_answer(client) -> None:
    assert client.get("/api/health").json["empty"] is True
    begin(client)
    told = client.get("/api/backups").json
    assert told["size"] > 10_000
    assert told["free"] > 0
    assert client.get("/api/health").json["empty"] is False


def test_a_cut_under_way_while_a_backup_is_brought_back_writes_nothing_into_it(client, clock) -> None:
    begin(client)
    name = client.post("/api/backups").get_json()["backups"][0]["name"]
    sent = client.post("/api/jobs/1/sheets/1/cut", json={"anyway": True}).get_json()["runs"][0]
    client.post(f"/api/cutter/{sent['number']}/start")
    old = client.application.extensions["workbench"].cutting

    assert client.post(f"/api/backups/{name}/restore").status_code == 200
    again = client.post("/api/jobs/1/sheets/1/cut", json={"anyway": True}).get_json()["runs"][0]
    clock.turn(60)
    old.runs()

    assert again["number"] == sent["number"]
    anew = create_app({"DATABASE": client.application.config["DATABASE"], "CLOCK": clock.clock}).test_client()
    assert [one["state"] for one in anew.get("/api/cutter").get_json()["runs"]] == ["loaded"]
