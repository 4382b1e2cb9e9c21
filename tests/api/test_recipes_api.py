"""Recipes by way of the API: made from a good job, used for another, found, carried along and read back equal."""

import io
import json
from typing import Any

import pytest
from flask.testing import FlaskClient

from tests.api.test_jobs_api import begin
from tests.api.test_learning_api import tasks
from tests.conftest import TurnedClock
from tests.shapes import rect

BAR = rect(0, 0, 300, 100)


def made_well(client: FlaskClient, clock: TurnedClock, grade: int = 5) -> str:
    """Make a mat in five light coats, hotter than usual, with 9 pins, peeled 4 min after the last coat."""
    address = f"/api/jobs/{begin(client, BAR, name='Good mat')['id']}"
    coats = [{"role": "colour", "paint": "outdoor-acrylic", "coats": 5}]
    client.patch(address, json={"coatings": coats, "border": 55, "wanted": "worn"})
    client.put(f"{address}/record", json={"grade": grade, "notes": "Keep the brush dry."})
    for task in tasks(client, address):
        if task["code"] == "tack-press":
            client.post(f"{address}/tasks/used", json={"task": task["id"], "celsius": 158, "seconds": 26})
        if task["code"] == "tack-pins":
            client.post(f"{address}/tasks/count", json={"task": task["id"], "what": "pins", "count": 9})
        clock.turn(4 if task["code"] == "peel-sheet" else 1)
        client.post(f"{address}/tasks/done", json={"task": task["id"], "done": True, "reason": "a trial"})
    return address


def make(client: FlaskClient, address: str, **given: Any) -> dict[str, Any]:
    told = client.post(f"{address}/recipe", json={"name": "Worn mat", **given})
    assert told.status_code == 201, told.text
    return told.get_json()["recipes"][0]


def lines(recipe: dict[str, Any]) -> dict[str, str]:
    return {line["name"]: line["text"] for line in recipe["lines"]}


def test_a_recipe_says_how_a_good_job_really_was_made(client, clock) -> None:
    said = lines(make(client, made_well(client, clock)))

    assert said["Plate"].startswith("158 °C, 26 s a rest; then ")
    assert said["Pins"] == "9 in a copy"
    assert said["Border"] == "55 mm"
    assert said["Paint"] == "Colour: outdoor acrylic, 5 coats"
    assert said["Look"] == "a little worn"
    # A minute to look everything over, and four to the peel.
    assert said["Peel"].endswith(", 5 min after the last coat")
    assert said["Came out"] == "5 of 5"


@pytest.mark.parametrize(("record", "word"), [({}, "no rating yet"), ({"grade": 3}, "came out at 3 of 5")])
def test_there_is_no_recipe_of_what_did_not_work(client, record, word) -> None:
    address = f"/api/jobs/{begin(client, BAR)['id']}"
    client.put(f"{address}/record", json=record)

    told = client.post(f"{address}/recipe", json={"name": "Hope"})

    assert told.status_code == 409
    assert word in told.get_json()["detail"]
    assert client.get("/api/recipes").get_json()["total"] == 0


def test_a_job_is_made_by_a_recipe_in_one_step_that_can_be_undone(client, clock) -> None:
    number = make(client, made_well(client, clock))["id"]
    before = begin(client, BAR, name="Next mat")
    address = f"/api/jobs/{before['id']}"
    client.patch(address, json={"material": "vinyl-removable", "method": "untaped"})

    job = client.post(f"{address}/recipe/{number}").get_json()

    inputs = job["inputs"]
    assert (inputs["material"], inputs["border"], inputs["wanted"]) == ("paper-coated-down", 55, "worn")
    assert job["coatings"][0]["coats"] == 5
    assert job["elements"] == client.get(address).get_json()["elements"]
    tack = next(one for one in job["stations"] if one["code"] == "tack")
    assert "at 158 °C, 26 s each" in tack["verdict"]
    assert job["history"]["undo"] == "Recipe “Worn mat”"
    back = client.post(f"{address}/undo").get_json()
    assert back["inputs"]["material"] == "vinyl-removable"


def test_a_recipe_for_another_surface_is_refused_and_nothing_changes(client, clock) -> None:
    number = make(client, made_well(client, clock))["id"]
    job = begin(client, BAR, surface="glass")
    address = f"/api/jobs/{job['id']}"

    told = client.post(f"{address}/recipe/{number}")

    assert told.status_code == 400
    assert "does not hold on glass" in told.get_json()["detail"]
    assert client.get(address).get_json()["version"] == job["version"]


def test_recipes_are_found_by_what_they_are_for_the_best_first(client, clock) -> None:
    address = made_well(client, clock, grade=4)
    make(client, address, name="Four")
    client.put(f"{address}/record", json={"grade": 5})
    make(client, address, name="Five")

    def found(**query: str) -> list[str]:
        return [one["name"] for one in client.get("/api/recipes", query_string=query).get_json()["recipes"]]

    assert found() == found(surface="coir", paint="outdoor-acrylic") == ["Five", "Four"]
    assert found(material="card") == found(surface="glass") == found(paint="chalk-paint") == []


def test_recipes_read_back_equal_and_are_not_kept_twice(client, clock, tmp_path) -> None:
    make(client, made_well(client, clock))
    data = client.get("/api/recipes.json").data
    number = client.get("/api/recipes").get_json()["recipes"][0]["id"]
    client.delete(f"/api/recipes/{number}")
    assert client.get("/api/recipes").get_json()["total"] == 0

    for _ in range(2):
        told = client.post("/api/recipes/file", data={"file": (io.BytesIO(data), "recipes.json")})
        assert told.status_code == 201
        assert told.get_json()["total"] == 1
    assert client.get("/api/recipes.json").data == data
    client.post(f"/api/recipes/{number}/undo")
    assert client.get("/api/recipes").get_json()["total"] == 2


def test_a_file_that_holds_no_recipe_is_refused_whole(client, clock) -> None:
    make(client, made_well(client, clock))
    held = json.loads(client.get("/api/recipes.json").data)
    good = held["recipes"][0]
    wrongs: list[object] = [
        [],
        {"dunestead_recipes": 9, "recipes": [good]},
        {**held, "recipes": []},
        {**held, "recipes": [good, {**good, "material": "moon"}]},
        {**held, "recipes": [good, {**good, "surface": "leather"}]},
        {**held, "recipes": [good, {**good, "coatings": []}]},
        {**held, "recipes": [good, {**good, "heat": [{**good["heat"][0], "celsius": 900}]}]},
        {**held, "recipes": [{**good, "peel_when": "never"}]},
        {**held, "recipes": [{**good, "name": "x" * 300}]},
    ]
    for wrong in wrongs:
        data = {"file": (io.BytesIO(json.dumps(wrong).encode()), "recipes.json")}
        told = client.post("/api/recipes/file", data=data)
        assert (told.status_code, bool(told.get_json()["fix"])) == (400, True), wrong
    assert client.post("/api/recipes/file", data={"file": (io.BytesIO(b"\xff{"), "x")}).status_code == 400
    assert client.get("/api/recipes").get_json()["total"] == 1
